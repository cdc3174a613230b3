// What the places of the chart are called.
import type { ViewPlace } from "@/core/view/plan-view";

export const PLACE_NAMES: Readonly<Record<ViewPlace, string>> = {
  freezer: "freezer",
  fridge: "fridge",
  cellar: "larder",
  counter: "counter",
  hob: "hob",
  oven: "oven",
  grill: "grill",
  bath: "bath",
};
