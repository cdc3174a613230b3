// The breakdown map and its table.

export const BREAKDOWN_MAP = {
  breakdownMapArrowKeysMove: "Breakdown map. Arrow keys move between components, Enter opens one. The table below shows the same.",
  breakdownMap: "Breakdown map",
  forIt: (stepName: string) => `for ${stepName}`,
  moreIsUsedThanMade: "; more is used than made",
  unused: (amount: string) => `${amount} unused`,
  onHand: ", on hand",
  ingredients: (count: number, spoken: string) => `; ${count} ${count === 1 ? "ingredient" : "ingredients"}, ${spoken}`,
  methods: (methods: number) => `; ${methods} methods`,
  inTheLarder: "in the larder",
  dragFromHereToWhere: "Drag from here to where it goes",
} as const;

export const MAP_TABLE = {
  whatEachComponentIsMade: "What each component is made from, what it makes, and where that goes.",
  component: "Component",
  boughtForIt: "Bought for it",
  makes: "Makes",
  amount: "Amount",
  goesTo: "Goes to",
  byProduct: ", by-product",
  theGuests: "the guests",
  unused: "unused",
  moreIsUsedThanMade: ", more is used than made",
} as const;

export const LAYOUT = {
  heavyFirst: "heavy first",
  lightFirst: "light first",
  ingredients: (count: number) => `${count} ${count === 1 ? "ingredient" : "ingredients"}`,
  allOfIt: ", all of it",
  noAmount: "no amount",
} as const;
