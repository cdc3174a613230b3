// What a verb of the kitchen means to a plan, whatever the language it is said in: whose hands it wants, what gives it heat, where it
// waits, and how long it takes where the line says nothing.
import type { DishStep } from "../../dish/schema";

export type Attention = NonNullable<DishStep["attention"]>;
export type Place = "counter" | "fridge" | "freezer" | "cellar" | "hot";

export interface Sense {
  readonly attention: Attention;
  /** What gives the heat, the likeliest first. */
  readonly by?: string;
  /** The oven's own way ("broil"). */
  readonly mode?: "grill";
  readonly place?: Place;
  /** Time passes by itself, and it makes a difference where. */
  readonly wait?: true;
  /** Least, likely and longest minutes where nothing is said. */
  readonly minutes: readonly [number, number, number];
  /** Says little by itself: any other verb of the line says more ("leave to cool", "put to prove"). */
  readonly weak?: true;
}

const hands = (likely: number): Sense => ({ attention: "hands", minutes: [Math.ceil(likely * 0.6), likely, Math.ceil(likely * 1.8)] });
const heated = (likely: number, by?: string, attention: Attention = "nearby"): Sense => ({
  attention,
  ...(by ? { by } : {}),
  minutes: [Math.ceil(likely * 0.7), likely, Math.ceil(likely * 1.5)],
});
const wait = (likely: number, place?: Place): Sense => ({
  attention: "unattended",
  wait: true,
  ...(place ? { place } : {}),
  minutes: [Math.ceil(likely * 0.7), likely, Math.ceil(likely * 1.5)],
});

/** Minutes are those of everyday home quantities: guesses, always said to be so. */
export const SENSES = {
  bake: heated(40, "oven"),
  roast: heated(75, "oven"),
  blindBake: heated(25, "oven"),
  broil: { ...heated(8, "oven"), mode: "grill" },
  braise: heated(150),
  confit: heated(180),
  toast: heated(10),
  gratinate: heated(15, "oven"),
  simmer: heated(45, "burner"),
  boil: heated(15, "burner"),
  poach: heated(15, "burner"),
  stew: heated(90, "burner"),
  reduce: heated(20, "burner"),
  render: heated(40, "burner"),
  caramelise: heated(30, "burner"),
  warm: heated(10, "burner"),
  fry: heated(10, "burner", "hands"),
  sear: heated(8, "burner", "hands"),
  blanch: heated(5, "burner", "hands"),
  melt: heated(5, "burner", "hands"),
  deepFry: heated(12, "fryer", "hands"),
  steam: heated(20, "steamer"),
  grill: heated(12, "grill"),
  smoke: heated(180, "smoker"),
  coldSmoke: heated(480, "smoker"),
  sousVide: heated(120, "bath"),
  pressureCook: heated(40, "pressure-pot"),
  slowCook: heated(420, "slow-pot"),
  cook: heated(20),
  iron: heated(20, "iron", "hands"),
  rest: wait(30),
  stand: wait(20),
  prove: wait(90),
  ferment: wait(4320),
  soak: wait(480),
  chill: wait(120, "fridge"),
  freeze: wait(300, "freezer"),
  cool: wait(45),
  marinate: wait(360),
  cure: wait(2880),
  brine: wait(720),
  hang: wait(720),
  infuse: wait(30),
  set: wait(180),
  age: wait(10080),
  macerate: wait(120),
  thaw: wait(600),
  dry: wait(720),
  drain: { attention: "unattended", minutes: [10, 20, 40] },
  leave: { ...wait(30), weak: true },
  put: { ...hands(5), weak: true },
  knead: hands(10),
  mix: hands(6),
  cut: hands(15),
  peel: hands(15),
  shape: hands(15),
  roll: hands(20),
  fill: hands(20),
  assemble: hands(20),
  strain: hands(10),
  grind: hands(10),
  season: hands(5),
  wash: hands(10),
  coat: hands(8),
  trim: hands(15),
  turn: hands(5),
  pour: hands(5),
  divide: hands(8),
  serve: hands(8),
  pack: hands(15),
  weigh: hands(5),
  press: hands(10),
} as const satisfies Readonly<Record<string, Sense>>;
export type SenseName = keyof typeof SENSES;
