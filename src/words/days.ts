// The day list.

export const DAY_LIST = {
  byHand: (much: string) => `${much} by hand`,
  allDone: "done",
  done: ", done",
  finishIt: (name: string) => `${name}: finish it`,
  thenUntil: (what: string, whenOver: string) => `, then ${what} until ${whenOver}`,
  until: "until",
  checks: "checks",
  rounds: "rounds",
  beforeBed: "Before bed",
} as const;

export const PRINT_BUTTON = {
  print: "Print",
} as const;
