// What a shop has: the packs in which something is sold, how many of them cover a need, and what is left over.
import { comparable, type Quantity, quantityText } from "../dish/units";
import { volumeOf, weightOf } from "../dish/weights";
import { type Understood, understand } from "../foods/match";
import type { FoodClass } from "../foods/table";

interface Bought {
  /** "2 × 250 g", "6", "1 dozen"; empty where it is sold by weight, as much as is asked for. */
  readonly packs: string;
  /** What is not used of it; empty for nothing worth telling. */
  readonly left: string;
}

interface PackSizes {
  readonly dimension: "mass" | "volume";
  readonly sizes: readonly number[];
}
const mass = (...sizes: number[]): PackSizes => ({ dimension: "mass", sizes });
const volume = (...sizes: number[]): PackSizes => ({ dimension: "volume", sizes });

/** Packs that any shop has, in grams or millilitres. Meat, fish, vegetables and fresh fruit are weighed out. */
const BY_CLASS: Partial<Record<FoodClass, PackSizes>> = {
  butter: mass(250),
  cream: volume(250, 500),
  cultured: volume(250, 500),
  milk: volume(500, 1000),
  flour: mass(500, 1000),
  "flour-free": mass(250, 500),
  sugar: mass(500, 1000),
  salt: mass(500),
  vinegar: volume(500),
  oil: volume(500, 1000),
  wine: volume(750),
  fortified: volume(750),
  beer: volume(500),
  spirit: volume(350, 700),
  honey: mass(250, 500),
  syrup: mass(350),
  condiment: mass(200),
  spice: mass(40),
  seed: mass(250),
  nut: mass(100, 250),
  rice: mass(500, 1000),
  grain: mass(500),
  pulse: mass(500),
  "pulse-canned": mass(400),
  pasta: mass(500),
  chocolate: mass(100),
  "fruit-dried": mass(250),
  mayonnaise: mass(250),
  stock: volume(500, 1000),
  juice: volume(1000),
};
const FROZEN = mass(500, 1000);
/** From so many packs on it is bought by weight somewhere else. */
const MOST_PACKS = 24;
const DOZEN = 12;
/** Eggs come in boxes. */
const EGG_BOXES = [6, 10, 12];
/** A smaller share of a pack left over is not told. */
const WORTH_TELLING = 0.02;

const sizesOf = (food: Understood, name: string): PackSizes | undefined =>
  /\bfrozen\b/i.test(name) && (food.class === "fruit" || food.class === "vegetable") ? FROZEN : BY_CLASS[food.class];

/**
 * What to ask for in a shop.
 * @param quantity what is needed of it
 * @returns empty where nobody knows how it is sold: then as much as is needed
 * @example packsFor("Butter", { dimension: "mass", value: 375 }) // { packs: "2 × 250 g", left: "125 g" }
 */
export function packsFor(name: string, quantity: Quantity | undefined, chosen?: string): Bought {
  const none = { packs: "", left: "" };
  if (!quantity || !(quantity.value > 0)) return none;
  const food = understand(name, chosen);
  if (quantity.dimension === "count") return pieces(food, quantity);
  const sizes = food && sizesOf(food, name);
  if (!sizes) return none;
  const need = inDimension(quantity, sizes.dimension, name);
  if (need === undefined) return none;
  const found = fewest(need, sizes.sizes);
  if (!found) return none;
  const said = sizes.sizes
    .map((size, i) => [size, found[i] ?? 0] as const)
    .filter(([, n]) => n > 0)
    .toReversed()
    .map(([size, n]) => `${n > 1 ? `${n} × ` : ""}${quantityText({ dimension: sizes.dimension, value: size })}`);
  const over = sizes.sizes.reduce((sum, size, i) => sum + size * (found[i] ?? 0), 0) - need;
  const left = over > need * WORTH_TELLING ? quantityText({ dimension: sizes.dimension, value: over }) : "";
  return { packs: said.join(" + "), left };
}

/** Whole pieces; eggs in boxes. */
function pieces(food: Understood | undefined, quantity: Quantity): Bought {
  const whole = Math.ceil(quantity.value - 1e-6);
  const named = (n: number) => quantityText({ ...quantity, value: n });
  if (food?.class === "egg" && /yolk|white/.test(food.food.id)) {
    const other = /yolk/.test(food.food.id) ? "white" : "yolk";
    return { packs: `${whole} ${whole === 1 ? "egg" : "eggs"}`, left: `${whole} ${other}${whole === 1 ? "" : "s"}` };
  }
  if (food?.class === "egg") {
    const box = EGG_BOXES.find((b) => b >= whole) ?? Math.ceil(whole / DOZEN) * DOZEN;
    const left = box - quantity.value;
    return { packs: box % DOZEN === 0 ? `${box / DOZEN} dozen` : `box of ${box}`, left: left >= 1 ? named(Math.floor(left + 1e-6)) : "" };
  }
  return { packs: whole === quantity.value ? "" : named(whole), left: "" };
}

function inDimension(quantity: Quantity, dimension: "mass" | "volume", name: string): number | undefined {
  if (comparable(quantity, { dimension, value: 0 })) return quantity.value;
  return dimension === "mass" ? weightOf(quantity, name)?.grams : volumeOf(quantity, name);
}

/** How many of each size: the least left over, then the fewest packs. Undefined where it would be too many. */
function fewest(need: number, sizes: readonly number[]): number[] | undefined {
  let best: { counts: number[]; over: number; packs: number } | undefined;
  const walk = (i: number, counts: number[], total: number) => {
    const size = sizes[i];
    if (size === undefined) {
      const packs = counts.reduce((a, b) => a + b, 0);
      const over = total - need;
      if (over < -1e-6 || packs > MOST_PACKS) return;
      if (!best || over < best.over - 1e-6 || (over < best.over + 1e-6 && packs < best.packs)) best = { counts: [...counts], over, packs };
      return;
    }
    const most = Math.min(MOST_PACKS, Math.ceil((need - total) / size - 1e-9));
    for (let n = 0; n <= Math.max(0, most); n++) walk(i + 1, [...counts, n], total + n * size);
  };
  walk(0, [], 0);
  return best?.counts;
}
