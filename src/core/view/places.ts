// Where food can be, from the coldest to the hottest, as the chart has them from top to bottom.
export const PLACES = ["freezer", "fridge", "cellar", "counter", "hob", "oven", "grill", "bath"] as const;
export type ViewPlace = (typeof PLACES)[number];
