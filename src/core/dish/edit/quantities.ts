// Quantities: how much is made, and from what that follows. By the guests, by one component's amount, by a tin, by the ingredient that
// runs short. Scaling itself is exact; rounding to what a kitchen can measure stands beside it and says what it changes.
import { rounded, roundKitchen, toUsMeasure } from "../../measures/rounding";
import { type Pan, panScale } from "../../measures/scaling";
import { exponentOf, scaledIngredient } from "../scaled-ingredient";
import type { DishComponent, DishFile } from "../schema";
import { comparable, type Quantity, quantityOf, quantityText } from "../units";
import { kOf } from "../weights";
import { componentOfDocument, withComponent } from "./places";
import { EditRefused } from "./refused";

type Ingredient = NonNullable<DishComponent["methods"][number]["ingredients"]>[number];

/** Guests from one to ten thousand: what the format takes. */
const MOST = 10_000;

/** The dish for so many guests: amounts and litres follow, counts and racks do not. */
export function scaleToGuests(document: DishFile, serves: number): DishFile {
  if (!(serves > 0 && serves <= MOST)) throw new EditRefused("Enter the number of guests, above 0.");
  return { ...document, dish: { ...document.dish, serves: exact(serves) } };
}

/** One component so many times what it is now; the rest of the dish stays. */
export function scaleComponent(document: DishFile, id: string, by: number): DishFile {
  if (!(by > 0.001 && by < 1000)) throw new EditRefused("That is over a thousand times more or less than now. Check the number.");
  return withComponent(document, id, (c) => {
    const factor = exact((c.factor ?? 1) * by);
    const { factor: _, ...rest } = c;
    return Math.abs(factor - 1) < 1e-9 ? rest : { ...rest, factor };
  });
}

/** Twelve figures: beyond what any scale shows, and free of the noise of binary fractions. */
const exact = (n: number) => Number(n.toPrecision(12));

/** By how much a component must be scaled so that an output of it comes to a wanted quantity. */
export function factorForOutput(document: DishFile, ref: string, wanted: Quantity): number {
  const [component = "", id] = ref.split(".");
  const c = componentOfDocument(document, component);
  const output = c.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])).find((o) => o.id === id);
  if (!output?.amount) throw new EditRefused("It is not said how much it makes, so it cannot be scaled. First enter how much it makes.");
  if (output.fixed || output.amount.fixed) throw new EditRefused("What it makes is marked as fixed: it does not scale.");
  const made = quantityOf(output.amount);
  if (!comparable(made, wanted))
    throw new EditRefused(`It is made in ${dimensionWords(made)}; give the wanted amount in ${dimensionWords(made)} too.`);
  const now = made.value * kOf(document, c);
  if (!(now > 0) || !(wanted.value > 0)) throw new EditRefused("Give an amount above 0.");
  return wanted.value / now;
}

const dimensionWords = (q: Quantity) =>
  q.dimension === "mass"
    ? "grams or kilos"
    : q.dimension === "volume"
      ? "litres or millilitres"
      : q.piece && q.piece !== "piece"
        ? `${q.piece}s`
        : "pieces";

interface Have {
  readonly ingredient: string;
  readonly quantity: Quantity;
}

interface Limit {
  readonly ingredient: string;
  readonly name: string;
  readonly needed: Quantity;
  readonly have: Quantity;
  /** By how much the component has to be scaled for this one to be used up exactly. */
  readonly by: number;
}

/**
 * What there is of a component's ingredients, held against what is needed; the scarcest first: by its factor all of them suffice.
 * An ingredient whose amount does not scale cannot limit.
 */
export function limits(document: DishFile, place: { component: string; method: string }, have: readonly Have[]): Limit[] {
  const c = componentOfDocument(document, place.component);
  const k = kOf(document, c);
  const ingredients = c.methods.find((m) => m.id === place.method)?.ingredients ?? [];
  return have
    .flatMap(({ ingredient, quantity }): Limit[] => {
      const i = ingredients.find((x) => x.id === ingredient);
      const needed = i && scaledIngredient(i, k);
      if (!i || !needed || !comparable(needed, quantity) || !(needed.value > 0)) return [];
      const exponent = exponentOf(i);
      if (exponent === 0) return [];
      return [{ ingredient, name: i.name, needed, have: quantity, by: (quantity.value / needed.value) ** (1 / exponent) }];
    })
    .sort((a, b) => a.by - b.by);
}

/** By how much a component is scaled to fill another tin than the one it was written for. */
export function factorForTin(from: Pan, to: Pan, depthRatio = 1): number {
  return panScale({ from, to, depthRatio }).factor;
}

export interface Measured {
  /** The figure itself, never rounded. */
  readonly exact: Quantity;
  /** As a kitchen can measure it. */
  readonly kitchen: Quantity;
  readonly text: string;
  /** By how much rounding errs, %, one decimal. */
  readonly errorPct: number;
  /** Rounding errs by more than 2 %, so that the exact figure should be read. */
  readonly coarse: boolean;
  /** What is too much (above 0) or too little after rounding. */
  readonly left: Quantity;
  /** Cups and spoons, for what is measured by volume. */
  readonly us: string | undefined;
}

/** Above this rounding is told. */
export const COARSE_PCT = 2;

/**
 * A quantity as a kitchen can measure it, with what that changes. Pieces are rounded to halves below five and to whole ones above.
 * Curing salt is not for this: it is rounded down, by its own calculation.
 */
export function measured(quantity: Quantity): Measured {
  const { dimension, value } = quantity;
  const kitchenValue =
    dimension === "count"
      ? value < 5
        ? Math.round(value * 2) / 2 || 0.5
        : Math.round(value)
      : roundKitchen({ value: Math.min(value, 1e7), unit: dimension === "mass" ? "g" : "mL" }).value;
  const kitchen = { ...quantity, value: value === 0 ? 0 : kitchenValue };
  const errorPct = value === 0 ? 0 : rounded((kitchen.value / value - 1) * 100, 1);
  return {
    exact: quantity,
    kitchen,
    text: kitchenText(kitchen),
    errorPct,
    coarse: Math.abs(errorPct) > COARSE_PCT,
    left: { ...quantity, value: exact(kitchen.value - value) },
    us:
      dimension === "volume" && value > 0 && value <= 4000
        ? toUsMeasure({ mL: value }).text
        : dimension === "mass"
          ? ounces(value)
          : undefined,
  };
}

/** All figures that were kept in rounding: "1.365 kg", where quantityText would say "1.37 kg". */
function kitchenText(q: Quantity): string {
  const big = q.dimension !== "count" && q.value >= 1000;
  const figure = Number((big ? q.value / 1000 : q.value).toPrecision(6));
  if (q.dimension === "mass") return `${figure} ${big ? "kg" : "g"}`;
  if (q.dimension === "volume") return `${figure} ${big ? "L" : "mL"}`;
  return quantityText({ ...q, value: figure });
}

function ounces(grams: number): string {
  const oz = grams / 28.349523125;
  if (oz < 16) return `${rounded(oz, oz < 4 ? 2 : 1)} oz`;
  const lb = Math.floor(oz / 16 + 1e-9);
  const rest = Math.round(oz - lb * 16);
  return rest === 16 ? `${lb + 1} lb` : rest > 0 ? `${lb} lb ${rest} oz` : `${lb} lb`;
}

/** What does not follow the guests, and why it has to be looked at when they change. */
interface Unscaled {
  readonly about: string;
  readonly text: string;
}

/** Baking soda and the like: linear to about four times, then two bakings. */
const LEAVEN = /baking powder|baking soda|bicarbonate/i;
const LEAVEN_MOST = 4;

/** Sentences on what does not scale, for the components whose amounts differ from the file's. */
export function unscaled(document: DishFile): Unscaled[] {
  const said: Unscaled[] = [];
  for (const c of document.components) {
    const k = kOf(document, c);
    if (c.onHand?.length || Math.abs(k - 1) < 0.05) continue;
    const factor = `${Number(k.toPrecision(3))} ×`;
    for (const m of c.methods.slice(0, 1)) {
      for (const i of m.ingredients ?? []) {
        if (exponentOf(i) === 0 && i.amount)
          said.push({ about: c.id, text: `${i.name} stays at ${quantityText(quantityOf(i.amount))}, whatever the guests.` });
        else if (exponentOf(i) !== 1)
          said.push({ about: c.id, text: `${i.name} scales more slowly than the rest (exponent ${exponentOf(i)}).` });
        if (LEAVEN.test(i.name) && k > LEAVEN_MOST)
          said.push({ about: c.id, text: `${i.name}: above ${LEAVEN_MOST} times, leavening no longer scales; bake in batches instead.` });
      }
      for (const s of m.steps) {
        const named = s.name ?? s.id;
        const pot = s.uses?.some((u) => u.what === "pot" || u.what === "slow-pot");
        if (/simmer|reduc|boil down|render/i.test(named) && pot && (s.grows ?? 0) === 0)
          said.push({
            about: `${c.id}.${s.id}`,
            text: `“${named}”: evaporation depends on the width of the pot and the time, not on the amount. ${k > 1 ? "Less evaporates in proportion" : "More evaporates in proportion"} at ${factor}: go by the mark or the weight.`,
          });
        if (/roast|bake|poach|braise/i.test(named) && (s.grows ?? 0) === 0 && Math.abs(k - 1) > 0.2)
          said.push({
            about: `${c.id}.${s.id}`,
            text: `“${named}” takes the same time for more pieces of the same thickness; a thicker piece takes longer. The cue or the probe decides.`,
          });
        if (/blanch|boil (?:the )?(?:pasta|noodles)|salted water/i.test(named))
          said.push({ about: `${c.id}.${s.id}`, text: `“${named}”: salt the water by its volume, not by the guests.` });
        if (
          (s.uses ?? []).some((u) => (u.count ?? 1) > 0 && ["tray", "tin", "jar", "sheet-pan"].includes(u.what)) &&
          typeof s.batches !== "object" &&
          Math.abs(k - 1) > 0.2
        )
          said.push({
            about: `${c.id}.${s.id}`,
            text: `“${named}”: trays, tins and jars do not scale; check below whether there are enough.`,
          });
      }
    }
  }
  return said;
}

/** Every ingredient of a component with its figures at the guests wished for. */
export function measuredIngredients(
  document: DishFile,
  component: string,
  method: string,
): { readonly ingredient: Ingredient; readonly measured: Measured | undefined }[] {
  const c = componentOfDocument(document, component);
  const k = kOf(document, c);
  return (c.methods.find((m) => m.id === method)?.ingredients ?? []).map((ingredient) => {
    const quantity = scaledIngredient(ingredient, k);
    return { ingredient, measured: quantity && measured(quantity) };
  });
}
