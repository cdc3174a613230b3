// Scaling is exact; rounding keeps within two in a hundred or says so; fit and balance against figures worked by hand.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addComponent, newDish } from "../../../src/core/dish/edit/components";
import {
  factorForOutput,
  factorForTin,
  limits,
  measured,
  scaleComponent,
  scaleToGuests,
  unscaled,
} from "../../../src/core/dish/edit/quantities";
import { fitOf } from "../../../src/core/dish/fit";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { scaledIngredient } from "../../../src/core/dish/scaled-ingredient";
import type { DishFile } from "../../../src/core/dish/schema";
import { quantityOf } from "../../../src/core/dish/units";
import { kOf, rawWeight, weightOf } from "../../../src/core/dish/weights";
import { outputRows } from "../../../src/core/sheets/breakdown";
import { smallDish } from "../../support/small-dish";

const base = newDish({ name: "Pie", serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" });
const withStock = (steps: string[], ingredients: string[] = ["1 kg bones", "3 L water"]) =>
  addComponent(base, { name: "Stock", steps, ingredients }).document;
const grams = (value: number) => ({ dimension: "mass" as const, value });

describe("scaling", () => {
  const guests = fc.double({ min: 0.5, max: 2000, noNaN: true });
  test("up and back is the identity", () => {
    fc.assert(
      fc.property(guests, fc.double({ min: 0.01, max: 90, noNaN: true }), (n, by) => {
        const d = withStock(["simmer 4h", "strain 10m, makes 1.2 L stock"]);
        expect(scaleToGuests(scaleToGuests(d, n), 6)).toEqual(d);
        const back = scaleComponent(scaleComponent(d, "stock", by), "stock", 1 / by);
        const k = (x: DishFile) => kOf(x, x.components[0]!);
        expect(k(back) / k(d)).toBeCloseTo(1, 9);
      }),
    );
  });
  test("every amount follows k to its own exponent, exactly", () => {
    fc.assert(
      fc.property(guests, fc.constantFrom(1, 0.85, 0, 2 / 3), fc.double({ min: 0.1, max: 5000, noNaN: true }), (n, exponent, amount) => {
        const k = n / 6;
        const i = { id: "x", name: "x", amount: { amount, unit: "g" }, scale: exponent };
        expect(scaledIngredient(i, k)!.value / (amount * k ** exponent)).toBeCloseTo(1, 12);
      }),
    );
  });
  test("rounding to what a kitchen measures errs by at most 2 %, or says so, and the rest is told", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("mass" as const, "volume" as const, "count" as const),
        fc.double({ min: 0.01, max: 60_000, noNaN: true }),
        (dimension, value) => {
          const m = measured({ dimension, value, ...(dimension === "count" ? { piece: "piece" } : {}) });
          expect(m.exact.value).toBe(value);
          const error = Math.abs(m.kitchen.value / value - 1) * 100;
          expect(Math.abs(m.errorPct) - error).toBeLessThanOrEqual(0.0501);
          expect(m.coarse).toBe(Math.abs(m.errorPct) > 2);
          expect(m.left.value).toBeCloseTo(m.kitchen.value - value, 6);
        },
      ),
    );
  });
  test.each([
    [grams(1367.4), "1.37 kg", 0.2],
    [grams(183), "185 g", 1.1],
    [grams(3.14), "3.1 g", -1.3],
    [{ dimension: "volume" as const, value: 612 }, "610 mL", -0.3],
    [{ dimension: "count" as const, value: 1.25, piece: "piece" }, "1.5", 20],
    [grams(0), "0 g", 0],
  ])("%j is measured as %s", (quantity, text, errorPct) => {
    expect(measured(quantity)).toMatchObject({ text, errorPct });
  });
  test.each([
    [grams(680.4), "1 lb 8 oz"],
    [grams(28.35), "1 oz"],
    [{ dimension: "volume" as const, value: 240 }, "1 cup"],
  ])("%j in US measures is %s", (q, us) => expect(measured(q).us).toBe(us));
});

describe("how much, from something else than guests", () => {
  const d = withStock(["simmer 4h", "strain 10m, makes 1.2 L stock"], ["1 kg bones", "3 L water", "10 g salt"]);
  const place = { component: "stock", method: "usual" };
  test("from what one component should come to", () => {
    // 1.2 L for six; 3 L are two and a half times that.
    expect(factorForOutput(d, "stock.stock", { dimension: "volume", value: 3000 })).toBeCloseTo(2.5, 9);
    expect(() => factorForOutput(d, "stock.stock", grams(500))).toThrow(/litres/);
    const twelve = scaleToGuests(d, 12);
    expect(factorForOutput(twelve, "stock.stock", { dimension: "volume", value: 3000 })).toBeCloseTo(1.25, 9);
  });
  test("from what there is: the scarcest decides", () => {
    // Bones 0.8 of 1 kg, water 2.7 of 3 L: the bones.
    const [first, second] = limits(d, place, [
      { ingredient: "water", quantity: { dimension: "volume", value: 2700 } },
      { ingredient: "bones", quantity: grams(800) },
    ]);
    expect(first).toMatchObject({ name: "bones", by: 0.8 });
    expect(second?.by).toBeCloseTo(0.9, 9);
    expect(limits(d, place, [{ ingredient: "bones", quantity: { dimension: "count", value: 3, piece: "piece" } }])).toEqual([]);
  });
  test("an exponent is taken back: half the salt at 0.85 makes less than half", () => {
    const potent = {
      ...d,
      components: d.components.map((c) => ({
        ...c,
        methods: c.methods.map((m) => ({ ...m, ingredients: m.ingredients?.map((i) => (i.id === "salt" ? { ...i, scale: 0.85 } : i)) })),
      })),
    } as DishFile;
    expect(limits(potent, place, [{ ingredient: "salt", quantity: grams(5) }])[0]?.by).toBeCloseTo(0.5 ** (1 / 0.85), 9);
  });
  test("from a tin: 24 cm for 20 cm is 1.44 times", () => {
    expect(factorForTin({ shape: "round", diameterMm: 200 }, { shape: "round", diameterMm: 240 })).toBeCloseTo(1.44, 9);
  });
  test("what does not follow the guests is said", () => {
    const said = unscaled(scaleToGuests(withStock(["simmer 4h, 10 L pot", "bake 1h, 200C, 2 trays"], ["20 g baking powder"]), 30))
      .map((u) => u.text)
      .join("\n");
    expect(said).toMatch(/evaporation depends on the width of the pot/);
    expect(said).toMatch(/leavening no longer scales/);
    expect(said).toMatch(/trays, tins and jars do not scale/);
    expect(unscaled(withStock(["simmer 4h, 10 L pot"]))).toEqual([]);
  });
});

describe("weights", () => {
  test("stated, by density, by the piece, or not at all", () => {
    expect(weightOf(quantityOf({ amount: 1, unit: "lb" }), "flour")).toEqual({ grams: 453.59237, stated: true });
    expect(weightOf(quantityOf({ amount: 100, unit: "mL" }), "honey")?.grams).toBeCloseTo(142, 0);
    expect(weightOf(quantityOf({ amount: 3, unit: "piece" }), "eggs")).toMatchObject({ grams: 174, stated: false });
    expect(weightOf(quantityOf({ amount: 3, unit: "piece" }), "unicorns")).toBeUndefined();
  });
  test("of all that goes in", () => {
    const d = withStock(["simmer 4h"], ["1 kg bones", "3 L water", "2 unicorns"]);
    expect(rawWeight(d.components[0]!.methods[0]!, 1)).toEqual({ grams: 4000, stated: false, unweighed: 1 });
    // What is left out has no weight that anybody would miss.
    const [bones, water, unicorns] = d.components[0]!.methods[0]!.ingredients!;
    const without = { ...d.components[0]!.methods[0]!, ingredients: [bones!, water!, { ...unicorns!, leftOut: true }] };
    expect(rawWeight(without, 1)).toMatchObject({ grams: 4000, unweighed: 0 });
  });
  test("of what is fixed stays, whether the amount or the ingredient says so", () => {
    const salt = { id: "salt", name: "salt", amount: { amount: 10, unit: "g" as const } };
    expect(scaledIngredient(salt, 3)?.value).toBeCloseTo(30, 9);
    expect(scaledIngredient({ ...salt, amount: { ...salt.amount, fixed: true } }, 3)?.value).toBe(10);
    expect(scaledIngredient({ ...salt, scale: "fixed" }, 3)?.value).toBe(10);
    expect(scaledIngredient({ ...salt, scale: 0.5 }, 4)?.value).toBeCloseTo(20, 9);
  });
});

describe("fit", () => {
  const fits = (d: DishFile, about: string, what: string) => fitOf(d).find((f) => f.about === about && f.what === what)!;
  test("a pot of 8 L at six guests wants 16 at twelve; the kitchen's largest holds 10", () => {
    const d = scaleToGuests(withStock(["simmer 4h, 8 L pot, makes 6 L stock"]), 12);
    const fit = fits(d, "stock.simmer", "pot");
    expect(fit).toMatchObject({ verdict: "over", calculated: false });
    expect(fit.said).toBe("16 L needed; your largest holds 10 L");
    expect(fit.remedies.map((r) => r.text)).toEqual([
      "In 2 batches, one after another, 6 L each",
      "Borrow a pot of 16 L",
      "Make the whole dish for 7",
    ]);
    for (const remedy of fit.remedies) {
      const mended = remedy.apply(d);
      expect(readDishValue(mended).problems.filter((p) => p.severity === "error")).toEqual([]);
      expect(fits(mended, "stock.simmer", "pot").verdict, remedy.text).not.toBe("over");
    }
  });
  test("rounds are computed from what one load holds: other guests, other rounds", () => {
    const d = scaleToGuests(withStock(["simmer 4h, 8 L pot, makes 6 L stock"]), 12);
    const inRounds = fits(d, "stock.simmer", "pot").remedies[0]!.apply(d);
    const batches = (x: DishFile) => dishModel(x).components[0]!.methods[0]!.steps[0]!.batches;
    expect(batches(inRounds)).toBe(2);
    expect(batches(scaleToGuests(inRounds, 18))).toBe(3);
    expect(batches(scaleToGuests(inRounds, 6))).toBe(1);
  });
  test("without litres written, what goes in decides, at the fill of the thing", () => {
    // 1 kg of bones and 3 L of water: 4 L, in a pot filled to three quarters 5.3 L; in a blender half full 8 L, and the largest holds 1.5.
    const pot = fits(withStock(["simmer 4h, pot"]), "stock.simmer", "pot");
    expect(pot).toMatchObject({ verdict: "fits", calculated: true, said: "5.3 L needed; your largest holds 10 L" });
    const blend = fits(withStock(["blend 5m, blender"]), "stock.blend", "blender");
    expect(blend).toMatchObject({ verdict: "over", calculated: true });
    expect(blend.remedies[0]?.text).toMatch(/^In 6 batches/);
  });
  test("jars: what the solids displace, by hand", () => {
    // 500 g of radish slices: 526 mL, 57 % of a jar; 0.9 L of each litre is used: 923 mL, two jars. Liquor 526·0.43/0.57 = 397 mL, 437 with
    // a tenth to spare.
    const pickle = (goods: string[], jars = 1) =>
      addComponent(base, {
        name: "Radish pickle",
        steps: [`slice and cover 10m, ${jars} jars`],
        ingredients: ["500 g radishes", "9 g salt", ...goods],
      }).document;
    const jarsOf = (d: DishFile) => fitOf(d).find((f) => f.what === "jars and liquid")!;
    expect(jarsOf(pickle(["200 ml rice vinegar", "100 ml water"]))).toMatchObject({
      verdict: "over",
      said: "2 jars of 1 L; 440 mL of liquid needed with a tenth to spare, 300 mL written",
    });
    expect(jarsOf(pickle(["300 ml rice vinegar", "150 ml water"], 2))).toMatchObject({ verdict: "fits" });
    const one = pickle(["300 ml rice vinegar", "150 ml water"]);
    expect(jarsOf(one)).toMatchObject({ verdict: "full", remedies: [{ text: "Take 2 jars" }] });
    expect(jarsOf(jarsOf(one).remedies[0]!.apply(one)).verdict).toBe("fits");
    const kraut = addComponent(base, {
      name: "Kraut",
      steps: ["shred 20m", "pack 10m, 2 jars", "ferment 6d"],
      ingredients: ["1.2 kg white cabbage", "24 g salt"],
    }).document;
    expect(jarsOf(kraut).said).toBe("2 jars of 1 L, under its own juice");
  });
  test("racks and trays do not scale by themselves, and are asked about", () => {
    const d = withStock(["bake 30m, 200C, 1 rack oven 200"]);
    expect(fits(withStock(["bake 30m, oven 200 3 racks"]), "stock.bake", "oven")).toMatchObject({
      verdict: "over",
      said: "3 racks needed; the oven has 2",
    });
    const more = fits(scaleToGuests(withStock(["bake 30m, oven 200"]), 11), "stock.bake", "oven");
    expect(more).toMatchObject({ verdict: "full", said: "probably 2 of 2 racks", calculated: true });
    // A third more is asked about, a sixth more is not.
    expect(fits(scaleToGuests(withStock(["bake 30m, oven 200"]), 8), "stock.bake", "oven")).toMatchObject({ verdict: "full" });
    expect(fits(scaleToGuests(withStock(["bake 30m, oven 200"]), 7), "stock.bake", "oven")).toMatchObject({ verdict: "fits" });
    const many = fits(scaleToGuests(withStock(["bake 30m, oven 200"]), 18), "stock.bake", "oven");
    expect(many).toMatchObject({ verdict: "over" });
    expect(many.remedies[0]?.text).toMatch(/^In 2 batches/);
    expect(d).toBeDefined();
  });
  test("a thing that the kitchen has not can be borrowed", () => {
    const d = withStock(["steam 20m"]);
    const own = {
      ...d,
      components: d.components.map((c) =>
        c.id === "stock"
          ? { ...c, methods: c.methods.map((m) => ({ ...m, steps: m.steps.map((s) => ({ ...s, uses: [{ what: "steamer" }] })) })) }
          : c,
      ),
    } as DishFile;
    const fit = fits(own, "stock.steam", "steamer");
    expect(fit.verdict).toBe("none");
    expect(readDishValue(fit.remedies[0]!.apply(own)).problems.filter((p) => p.severity === "error")).toEqual([]);
  });
});

test("balance: exact, short and left over, by hand", () => {
  const rows = (taken: string) => {
    let d = withStock(["simmer 4h", "strain 10m, makes 1.2 L stock"]);
    d = addComponent(d, { name: "Sauce", steps: [`reduce 20m, takes ${taken} stock`], ingredients: [] }).document;
    d = {
      ...d,
      components: d.components.map((c) =>
        c.id === "table"
          ? {
              ...c,
              methods: c.methods.map((m) => ({
                ...m,
                steps: m.steps.map((s) => ({ ...s, takes: s.takes?.filter((t) => !t.from.startsWith("stock.")) })),
              })),
            }
          : c,
      ),
    } as DishFile;
    const dish = dishModel(scaleToGuests(d, 12));
    const steps = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
    return outputRows(dish, steps, steps).find((o) => o.ref === "stock.stock")!;
  };
  expect(rows("1.2 L")).toMatchObject({ amount: "2.4 L", left: "all used" });
  expect(rows("500 mL")).toMatchObject({ left: "1.4 L left over", takers: [{ component: "Sauce", amount: "1 L" }] });
  expect(smallDish()).toBeDefined();
});
