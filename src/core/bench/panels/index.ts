// The panels of the Bench, in the order in which they stand there.
import type { Panel } from "../panel";
import { BOIL } from "./boil";
import { SMALL_SUMS } from "./convert";
import { COOL } from "./cool";
import { CURE } from "./cure";
import { DOUGH } from "./dough";
import { FIRE_PANELS } from "./fire";
import { PICKLE_AND_FERMENT } from "./pickle";
import { READINGS_PANELS } from "./readings";
import { ROAST_PANELS } from "./roast";
import { TABLE } from "./table";
import { WARM } from "./warm";

export const PANELS: readonly Panel[] = [
  ...DOUGH,
  ...CURE,
  ...PICKLE_AND_FERMENT,
  ...COOL,
  ...WARM,
  ...ROAST_PANELS,
  ...FIRE_PANELS,
  ...BOIL,
  ...TABLE,
  ...READINGS_PANELS,
  ...SMALL_SUMS,
];
const BY_ID: ReadonlyMap<string, Panel> = new Map(PANELS.map((p) => [p.id, p]));
/** Undefined for an id that no panel has. */
export const panelOf = (id: string): Panel | undefined => BY_ID.get(id);
