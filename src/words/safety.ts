// Safety findings and their fixes, around the sentences of the rules themselves.

export const FINDING_CARD = {
  danger: "Danger",
  caution: "Caution",
  note: "Note",
  pastALimit: "Past a limit",
  cautionAndSource: "Caution and source",
  waysToFixIt: "Ways to fix it:",
  source: ". Source:",
  localCodesAndTheAdvice: ". Local codes and the advice of your own health authority come first.",
  iUnderstand: "I understand:",
  saving: "Saving",
  youCannotStartUntilThis: "You cannot start until this is fixed.",
} as const;

export const TO_MIND = {
  safety: "Safety",
  noSafetyFindingsTheRules: "No safety findings. The rules know only what the dish and its plan say.",
  toReadBeforeYouStart: (n: number, what: string) => `${n} ${what} to read before you start. The rules may miss something.`,
  youHaveReadEveryDanger: "You have read every danger. The rules may miss something.",
  more: "more",
} as const;

export const MENDED = {
  theDishHasChangedSince: "The dish has changed since then. Look again in a moment.",
} as const;

export const USE_SAFETY = {
  ctrlZUndoesIt: (label: string) => `${label}. Ctrl+Z undoes it.`,
} as const;
