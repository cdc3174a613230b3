// What is said while the planner is at work.

export const DESK = {
  thePlannerCouldNotBe: "The planner could not be started in this page.",
  theKitchensServerDoesNot: "The kitchen's server does not answer. Try again in a moment.",
} as const;

export const USE_DRAG = {
  thePlannerCouldNotBe: "The planner could not be started in this page.",
} as const;

export const USE_TRIAL = {
  savedCtrlZUndoesIt: (label: string) => `Saved: ${label}. Ctrl+Z undoes it`,
  thisCouldNotBeTried: "This could not be tried.",
} as const;
