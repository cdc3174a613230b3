// What the server answers when something asked for is not there. The rules that refuse say more where they stand.

/** A file with a dish and its runs. */
export const ARCHIVE = {
  newer: "It was made by a newer version of Rondeau. Bring it in there.",
  broken: (what: string) => `It is not whole: ${what}. Download it again where it comes from. Nothing was saved.`,
  altered: "A photograph in it is not what it was. Download it again where it comes from. Nothing was saved.",
} as const;

export const MISSING = {
  dish: "There is no such dish.",
  plan: "There is no plan yet.",
  run: "Nothing is being cooked.",
  batch: "There is no such batch.",
  photograph: "There is no such photograph.",
  component: "The library has no such component.",
} as const;
