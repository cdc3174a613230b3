// What the server answers when something asked for is not there. The rules that refuse say more where they stand.

export const MISSING = {
  dish: "There is no such dish.",
  plan: "There is no plan yet.",
  run: "Nothing is being cooked.",
  batch: "There is no such batch.",
  photograph: "There is no such photograph.",
  component: "The library has no such component.",
} as const;
