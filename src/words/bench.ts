// What the Bench says around its panels: the panels' own words stand with their arithmetic in src/core/bench.

export const CALCULATOR_PART = {
  calculatedFor: (name: string) => `Calculated for ${name}`,
  anotherCalculator: "Another calculator",
  filledInFromTheDish: "Filled in from the dish, for its guests.",
  now: (name: string, what: string) => `${name}, now ${what}`,
  notAmongTheIngredientsYet: "not among the ingredients yet",
  saveToTheDish: "Save to the dish",
  stepToChange: (what: string) => `Step to change: ${what}`,
  saveNamed: (what: string) => `Save: ${what}`,
  save: "Save",
  allAmounts: "all amounts",
  saveAllAmounts: "Save all amounts",
  ofIt: (amount: string, name: string) => `${amount} of ${name}`,
  to: (amount: string, most: string) => `, ${amount} to ${most}`,
  inTheMiddle: (amount: string, what: string) => `${amount} in the middle${what}`,
  keepsInThe: (label: string, place: string, what: string, rest: string) => `${label} keeps in the ${place}${what}${rest}`,
} as const;

export const FIGURES = {
  resultsLockOneToWork: "Results. Lock one to work backwards from it",
  lockedAt: (label: string) => `${label}, locked at`,
  by: "by",
  fieldToChange: "Field to change",
  to: "to",
  unlockNamed: (label: string) => `Unlock ${label}`,
  lockAndWorkBackwardsFromItNamed: (label: string) => `Lock ${label} and work backwards from it`,
  unlock: "Unlock",
  lockAndWorkBackwardsFromIt: "Lock, and work backwards from it",
} as const;

export const FREE_PANEL = {
  useInADish: "Use in a dish",
  dish: "Dish",
  component: "Component",
  open: "Open",
} as const;

export const HOW_CALCULATED = {
  howItIsCalculated: "How it is calculated",
  from: "from",
  school: "School:",
  source: "Source:",
} as const;

export const PANEL_FIELD = {
  whenAndWhatOneAfterAnother: "when and what, one after another:",
  calculatedFromTheLockedResult: "calculated from the locked result",
} as const;

export const PANEL_VIEW = {
  results: "Results",
  asItWasBefore: "As it was before:",
  calculating: "Calculating …",
  caution: "Caution:",
  localCodesAndYourOwn: "Local codes and your own health authority come first.",
} as const;
