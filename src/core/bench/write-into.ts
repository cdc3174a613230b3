// The dish with a result of the Bench written into it. Amounts on a panel are those that the cook weighs, at the number of guests;
// in the file they stand at its own number.
import {
  type DishIngredient,
  type DishMethod,
  freeId,
  type MethodPlace,
  mainOutput,
  methodOf,
  withMethod,
  withStep,
} from "../dish/edit/places";
import { EditRefused } from "../dish/edit/refused";
import { exponentOf } from "../dish/scaled-ingredient";
import type { DishFile, DishStep } from "../dish/schema";
import type { Amount } from "../dish/schema-values";
import { quantityOf } from "../dish/units";
import { kOf, volumeOf } from "../dish/weights";
import { durationText, minutesOf } from "../time/duration";
import type { Write } from "./panel";

/** The ingredient that a result means; undefined where the component has none such. */
export const meantIngredient = (method: DishMethod, write: Extract<Write, { kind: "ingredient" }>): DishIngredient | undefined =>
  (method.ingredients ?? []).find((i) => new RegExp(write.find, "i").test(i.name));

/** Steps that a result may be meant for, the likeliest first: the one asked for, then those so named, of these the nearest in length. */
export function meantSteps(method: DishMethod, write: Extract<Write, { kind: "time" | "probe" }>, asked?: string): readonly DishStep[] {
  const verb = new RegExp(write.find, "i");
  const rank = (s: DishStep) => (s.id === asked ? 0 : verb.test(s.name ?? s.id) ? 1 : 2);
  const wide = (s: DishStep) =>
    write.kind === "time"
      ? Math.abs(Math.log(Math.max(1, minutesOf(typeof s.time === "string" ? s.time : s.time.likely)) / Math.max(1, write.minutes)))
      : 0;
  return [...method.steps].sort((a, b) => rank(a) - rank(b) || wide(a) - wide(b));
}

const four = (n: number) => Number(n.toPrecision(4));

/**
 * The dish with a result written into it.
 * @param stepId the step that a time or a probe goes to
 * @throws {EditRefused} where the component or step is gone, or makes nothing that could keep
 */
export function written(document: DishFile, place: MethodPlace, write: Write, stepId?: string): DishFile {
  const component = document.components.find((c) => c.id === place.component);
  if (!component) throw new EditRefused("That component no longer exists.");
  const k = kOf(document, component);
  if (write.kind === "ingredient") {
    return withMethod(document, place, (m) => {
      const there = meantIngredient(m, write);
      if (there) {
        const amount = amountFor(there, write, k);
        return { ...m, ingredients: (m.ingredients ?? []).map((i) => (i.id === there.id ? { ...i, amount } : i)) };
      }
      const amount: Amount =
        write.grams === undefined ? { amount: four((write.mL ?? 0) / k), unit: "mL" } : { amount: four(write.grams / k), unit: "g" };
      return {
        ...m,
        ingredients: [
          ...(m.ingredients ?? []),
          {
            id: freeId(
              write.name,
              (m.ingredients ?? []).map((i) => i.id),
            ),
            name: write.name,
            amount,
          },
        ],
      };
    });
  }
  if (write.kind === "hold") {
    const output = mainOutput(component, methodOf(document, place));
    if (!output) throw new EditRefused("It makes nothing yet. First enter what it makes.");
    const hold = {
      place: write.place,
      ...(write.min && write.min >= 1 ? { min: durationText(Math.ceil(write.min / 5) * 5) } : {}),
      ...(write.max !== undefined && Number.isFinite(write.max)
        ? { max: durationText(Math.floor(write.max)), limit: write.safety ? ("safety" as const) : ("quality" as const) }
        : {}),
    };
    return withMethod(document, place, (m) => ({
      ...m,
      steps: m.steps.map((s) =>
        s.makes?.some((o) => o.id === output.id)
          ? {
              ...s,
              makes: s.makes.map((o) =>
                o.id === output.id
                  ? { ...o, holds: [...(o.holds ?? []).filter((h) => h.place !== write.place), keepLitres(o.holds, hold)] }
                  : o,
              ),
            }
          : s,
      ),
    }));
  }
  const step = stepId ?? meantSteps(methodOf(document, place), write)[0]?.id;
  if (step === undefined) throw new EditRefused("There is no step yet to save it to.");
  return withStep(document, { ...place, step }, (s) =>
    write.kind === "time"
      ? { ...s, time: timeFor(s, write, k) }
      : { ...s, done: { ...s.done, probeC: half(write.pullC), ...(write.restToC === undefined ? {} : { restToC: half(write.restToC) }) } },
  );
}

const half = (c: number) => Math.round(c * 2) / 2;
/** The room that it takes stays what it was. */
function keepLitres<H extends { place: string }>(
  before: readonly { place: string; litres?: number | undefined }[] | undefined,
  hold: H,
): H {
  const litres = before?.find((h) => h.place === hold.place)?.litres;
  return litres === undefined ? hold : { ...hold, litres };
}

/** In the unit that the ingredient has, where it is one of weight or volume. */
function amountFor(i: DishIngredient, write: Extract<Write, { kind: "ingredient" }>, k: number): Amount {
  const scale = k ** exponentOf(i);
  const rest = i.amount?.fixed ? { fixed: true } : {};
  const grams = write.grams;
  const there = i.amount && quantityOf({ amount: 1, unit: i.amount.unit });
  if (there?.dimension === "mass" && grams !== undefined)
    return { ...rest, amount: four(grams / scale / there.value), unit: i.amount?.unit ?? "g" };
  if (there?.dimension === "volume") {
    const mL = write.mL ?? volumeOf({ dimension: "mass", value: grams ?? 0 }, i.name);
    if (mL !== undefined) return { ...rest, amount: four(mL / scale / there.value), unit: i.amount?.unit ?? "mL" };
  }
  return grams === undefined
    ? { ...rest, amount: four((write.mL ?? 0) / scale), unit: "mL" }
    : { ...rest, amount: four(grams / scale), unit: "g" };
}

/** Minutes as a plan needs them: whole fives above ten, least and longest beside the likely one where the panel knows a band. */
function timeFor(step: DishStep, write: Extract<Write, { kind: "time" }>, k: number): DishStep["time"] {
  const grown = k ** (step.grows ?? 0);
  const tidy = (minutes: number) => {
    const m = minutes / grown;
    return durationText(Math.max(1, m < 10 ? Math.round(m) : Math.round(m / 5) * 5));
  };
  if (!Number.isFinite(write.minutes)) throw new EditRefused("That never ends, so it cannot be the time of a step.");
  if (write.low === undefined || write.high === undefined) return tidy(write.minutes);
  return { min: tidy(Math.min(write.low, write.minutes)), likely: tidy(write.minutes), max: tidy(Math.max(write.high, write.minutes)) };
}
