// What stands around every page: status, search and commands, messages of the server, backups.

export const HOUSE_NAV = {
  rondeau: "Rondeau",
  ctrlK: "Ctrl K",
} as const;

export const NO_PLAN = {
  thePlanIsBeingWorkedOut: "The plan is being worked out",
  thisTakesAFewSeconds: "This takes a few seconds.",
  theseConflict: "These conflict",
  noPlanWasFound: "No plan was found",
  whyThereIsNoPlan: "Why there is no plan",
  thePlanNoLongerWorks: "The plan no longer works. Choose what to do",
  why: "Why",
  whyFacts: (n: number) => `Why: ${n} facts`,
  lookingForMoreThatHelps: "Looking for more that helps …",
  lookingForWhatHelps: "Looking for what helps …",
  nothingSimpleThatWasTried: "Nothing simple that was tried helps. Serve later, give a cook another day, or choose another method.",
} as const;

export const PALETTE = {
  undone: "Undone",
  redone: "Redone",
  nothingToUndoHere: "Nothing to undo here",
  nothingToRedo: "Nothing to redo",
} as const;

export const PLAN_KEEPER = {
  thePlannerFailedThePlan: "The planner failed. The plan shown is the last good one.",
  thePlannerCouldNotBe: "The planner could not be reached. The plan shown is the last good one.",
  planningBackFromServing: "Planning back from serving",
  lookingForABetterPlan: "Looking for a better plan",
  planning: "Planning",
  stopAndUseTheBest: "Stop and use the best so far",
} as const;

export const REPAIRS = {
  waysToFixItEach: "Ways to fix it (each one gives a plan)",
  done: (text: string | undefined) => `Done: ${text}`,
  starts: "starts",
  beforeServing: "before serving",
  doItNamed: (text: string) => `Do it: ${text}`,
  doIt: "Do it",
} as const;

export const STATUS_LINE = {
  recipe: "Recipe",
  timetable: "Timetable",
  days: "Days",
  cook: "Cook",
  allDishes: (name: string) => `${name}: all dishes`,
  status: "Status",
  views: "Views",
} as const;

export const ASK = {
  theKitchensServerDoesNot: "The kitchen's server does not answer. What you typed is still here; try again in a moment.",
  itDidNotWorkAnd: "It did not work, and the server did not say why.",
} as const;

export const STATUS_FACTS = {
  toServing: "to serving",
  forIt: (day: string, time: string, serves: number) => `${day}, ${time}, for ${serves}`,
  nextForHands: (time: string, what: string) => `next for hands, ${time}${what}`,
  seeWhatCanBeDone: "see what can be done in Cook",
  heldTooLong: "Held too long",
  since: (at: string) => `since ${at}`,
  everythingWaitingIsFine: "Everything waiting is fine",
  runningByItself: "Running by itself",
  goodUntil: (name: string, at: string) => `${name} good until ${at}`,
  nothingWaiting: "Nothing waiting",
  itStarts: (at: string) => `it starts ${at}`,
} as const;
