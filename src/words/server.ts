// What the server answers when something asked for is not there. The rules that refuse say more where they stand.

/** A file with a dish and its runs. */
export const ARCHIVE = {
  newer: "The file was made by a newer version of Rondeau. Import it there.",
  broken: (what: string) => `The file is incomplete or damaged: ${what}. Download it again. Nothing was saved.`,
  altered: "A photograph in the file was changed. Download the file again. Nothing was saved.",
} as const;

export const MISSING = {
  dish: "There is no such dish.",
  plan: "There is no plan yet.",
  run: "Nothing is being cooked.",
  batch: "There is no such batch.",
  photograph: "There is no such photograph.",
  component: "The library has no such component.",
} as const;
