// The dishes of the demo say of themselves what the calculations say: doses, water, yields, keeping, cooling, baking, portions and salt.
// docs/demo.md explains each figure.
import { describe, expect, test } from "vitest";
import { questionsOf } from "../../../src/core/dish/questions";
import { saltOfDish } from "../../../src/core/dish/salt";
import { allergenSheet } from "../../../src/core/foods/allergens";
import { drySalt, vegetableSalt } from "../../../src/core/measures/brine";
import { curingSaltDose } from "../../../src/core/measures/curing-salt";
import { gramsToBakers, totalHydration } from "../../../src/core/measures/dough";
import { culturedDairy, fermentDaysToPh } from "../../../src/core/measures/ferment";
import { conductionTimes } from "../../../src/core/measures/heat/conduction";
import { carryOverRule, equivalentHalf, roastAndRest } from "../../../src/core/measures/heat/roast";
import { pickleAcidity, pickleKeep } from "../../../src/core/measures/pickle";
import { doughCoolingTau, fermentFinishTime } from "../../../src/core/measures/proofing";
import { reductionTime } from "../../../src/core/measures/reduction";
import { gelatinDose, starchDose, stockGelatin } from "../../../src/core/measures/thickening";
import { stockYield } from "../../../src/core/measures/yields";
import { litresOf, type Part, partsOf } from "../../../src/core/safety/part";
import { cooledPart } from "../../../src/core/safety/rules/cooling";
import { safetyScene } from "../../../src/core/safety/scene";
import { minutesOf } from "../../../src/core/time/duration";
import { DEMO, demoDocument, type Loose } from "../../support/dishes";

const lunch = demoDocument("harvest-lunch");
const method = (component: string): Loose => lunch.components.find((c: Loose) => c.id === component).methods[0];
const grams = (component: string, name: RegExp): number => {
  const { amount, unit } = method(component).ingredients.find((i: Loose) => name.test(i.name)).amount;
  return unit === "kg" || unit === "L" ? amount * 1000 : amount;
};
const step = (component: string, id: string): Loose => method(component).steps.find((s: Loose) => s.id === id);
const band = (time: Loose): [number, number] =>
  typeof time === "string" ? [minutesOf(time), minutesOf(time)] : [minutesOf(time.min), minutesOf(time.max)];

/** Kilograms or litres that a method makes, by output. */
const made = (component: string, output: string): number =>
  method(component)
    .steps.flatMap((s: Loose) => s.makes ?? [])
    .find((o: Loose) => o.id === output).amount.amount;
const _taken = (component: string, from: string): number =>
  method(component)
    .steps.flatMap((s: Loose) => s.takes ?? [])
    .find((t: Loose) => t.from === from).amount.amount;

test("the cure: salt, curing salt and its ppm on the trimmed meat", () => {
  const trimmed = Math.round((grams("pork", /shoulder/) / 1000 - made("pork", "bones") - made("pork", "fat")) * 1000);
  expect(trimmed).toBe(750);
  expect(grams("pork", /nitrite/)).toBe(curingSaltDose({ product: "dry", meatG: trimmed, targetPpm: 125 }).cureG);
  expect(grams("pork", /sea salt/)).toBe(drySalt({ meatG: trimmed, saltPct: 2 }).saltG);
});

test("the slaw: its salt, and sour within the days that it is given", () => {
  const veg = grams("slaw", /cabbage/) + grams("slaw", /apples/);
  const pct = (grams("slaw", /Salt/) / veg) * 100;
  expect(Math.round(vegetableSalt({ vegG: veg, targetPct: 2.3 }).saltG)).toBe(grams("slaw", /Salt/));
  expect(pct).toBeGreaterThanOrEqual(2.2);
  expect(pct).toBeLessThanOrEqual(2.5);
  expect(method("slaw").note).toContain(`${pct.toFixed(1)} %`);
  const { days, high } = fermentDaysToPh({ targetPh: 3.8, tempC: 20, saltPct: 2.3 });
  const [least, most] = band(step("slaw", "ferment").time);
  expect(most / 1440).toBeGreaterThan(days * 0.7);
  expect(least / 1440).toBeLessThan(high);
});

test("the butter: the cream sours in the hours that culture at that warmth takes", () => {
  const { low, high } = culturedDairy({ type: "creme_fraiche", milkG: grams("butter", /Cream/), tempC: 22 });
  const [least, most] = band(step("butter", "culture").time);
  expect(least / 60).toBeGreaterThanOrEqual(low * 0.95);
  expect(most / 60).toBeLessThanOrEqual(high);
});

test("the piccalilli: acid enough, and kept in the fridge no longer than that keeps it", () => {
  const { equilibriumAcidPct } = pickleAcidity({
    vinegar_mL: grams("piccalilli", /vinegar/),
    vinegarPct: 5,
    produceG: grams("piccalilli", /Cauliflower/),
  });
  expect(equilibriumAcidPct).toBeGreaterThan(1);
  const { days, storage } = pickleKeep({ equilibriumAcidPct, pour: "hot", fridgeC: 4 });
  const [hold] = step("piccalilli", "jar").makes[0].holds;
  expect(storage).toBe("fridge_only");
  expect(hold.place).toBe("fridge");
  expect(minutesOf(hold.max) / 1440).toBeLessThanOrEqual(days);
});

/** Trotters by the piece, and the rind in what is taken off the shoulder: a third of it. */
const [TROTTER_G, RIND] = [450, 1 / 3];
const strained = () =>
  stockYield({
    water_mL: grams("jelly", /^Water/),
    solidsG: grams("jelly", /trotters/) * TROTTER_G + made("pork", "bones") * 1000 + grams("jelly", /Onion/),
    evaporation_mLph: 90,
    hours: 4.5,
  }).stock_mL;

test("the jelly: water enough, and as much gelatine as a slice of pie needs to stand", () => {
  expect(strained()).toBeGreaterThan(2000);
  const rind = made("pork", "bones") * 1000 * RIND;
  const sources = [
    { kind: "pig_trotter", g: grams("jelly", /trotters/) * TROTTER_G },
    { kind: "pork_skin", g: rind },
    { kind: "pork_bones", g: made("pork", "bones") * 1000 - rind },
  ];
  const { pct, low } = stockGelatin({ sources, hours: 4.5, final_mL: made("jelly", "set") * 1000 });
  expect(pct).toBeGreaterThanOrEqual(2.5);
  expect(low).toBeLessThan(3);
  const leaf = lunch.components.find((c: Loose) => c.id === "jelly").methods[1].ingredients;
  const liquidG = leaf.filter((i: Loose) => i.amount.unit === "L").reduce((sum: number, i: Loose) => sum + i.amount.amount * 1000, 0);
  const leafG = leaf.find((i: Loose) => i.id === "leaf").amount.amount;
  expect(leafG).toBeGreaterThanOrEqual(gelatinDose({ liquidG, set: "sliceable_aspic" }).gelatinG);
  expect(leafG).toBeLessThanOrEqual(gelatinDose({ liquidG, set: "dumpling_aspic" }).gelatinG);
  expect(step("pie", "pour")).toMatchObject({ boils: true, name: expect.stringMatching(/^Boil the jelly/) });
});

test("the jelly: reduced and cooled in the time that its pot and its ice take", () => {
  const [least, most] = band(step("jelly", "reduce").time);
  const start_mL = strained() + grams("jelly", /cider/i);
  const fraction = (made("jelly", "set") * 1000) / start_mL;
  const { low, high } = reductionTime({ start_mL, fraction, diameterMm: 240, vigour: "rollingBoil" });
  expect(least).toBeGreaterThanOrEqual(low);
  expect(most).toBeLessThanOrEqual(high);
  const part = safetyScene(lunch).parts.find((p) => p.component.id === "jelly") as Part;
  const cooled = cooledPart(part);
  expect(cooled?.way.verdict).toBe("ok");
  expect(cooled?.way.t21Min).toBeLessThanOrEqual(band(step("jelly", "chill").time)[0]);
});

test("the pie: pulled as many degrees early as the table of carry-over has it rise", () => {
  const { done } = step("pie", "bake-low");
  expect(done.restToC - done.probeC).toBe(carryOverRule({ ovenC: 165, massKg: pieKg }).value);
});

test("the custard of the ice: cold within the hour that its caution gives, in the time that its step is given", () => {
  const part = safetyScene(lunch).parts.find((p) => p.component.id === "ice") as Part;
  const cooled = cooledPart(part);
  expect(cooled?.step.ref).toBe("ice.cool");
  expect(cooled?.way.t5Min).toBeLessThan(60);
  expect(cooled?.way.t5Min).toBeLessThanOrEqual(band(step("ice", "cool").time)[0]);
});

/** Meat and pastry with their water, as the rule of cooling takes it. */
const BODY = { k: 0.45, rho: 1050, cp: 3400 };
const tins = () =>
  method("pie")
    .steps.flatMap((s: Loose) => s.uses ?? [])
    .find((u: Loose) => u.what === "tin").count;
const pieKg = ((made("pie", "whole") / lunch.dish.baseServes) * lunch.dish.serves) / tins();
const cooled = (t0: number, mark: number, h: number, tEnv: number) =>
  (conductionTimes({
    geometry: "sphere",
    halfM: equivalentHalf({ massKg: pieKg, shape: "sphere" }).value,
    t0,
    ...BODY,
    h,
    tEnv,
    marks: [mark],
    stepS: 30,
  }).timesS[mark] as number) / 60;

test("the pies: 200 to 250 g a head, and baked through in the time that they are given", () => {
  const head = (made("pie", "whole") * 1000) / lunch.dish.baseServes;
  expect(head).toBeGreaterThanOrEqual(200);
  expect(head).toBeLessThanOrEqual(250);
  const halfM = equivalentHalf({ massKg: pieKg, shape: "sphere" }).value;
  const { cookMin } = roastAndRest({ geometry: "sphere", halfM, t0: 12, ovenC: 175, hOven: 25, tPull: 75, dryingMin: 30 });
  const [least, most] = band(step("pie", "bake-hot").time).map((m, i) => m + (band(step("pie", "bake-low").time)[i] as number)) as [
    number,
    number,
  ];
  expect(cookMin).toBeGreaterThan(least * 0.8);
  expect(cookMin).toBeLessThan(most * 1.2);
});

test("the pies: from 57 to 21 °C within two hours in ice water, before the jelly goes in", () => {
  const ice = cooled(77, 21, 60, 2);
  const [least, most] = band(step("pie", "cool").time);
  expect(ice).toBeGreaterThanOrEqual(least);
  expect(ice).toBeLessThanOrEqual(most);
  expect(step("pie", "cool")).toMatchObject({ name: expect.stringMatching(/ice and water/), done: { probeC: 21 } });
  expect(cooled(57, 21, 60, 2)).toBeLessThanOrEqual(120);
  // Even as small as they are, the fridge alone is too slow.
  expect(cooled(57, 21, 9, 4)).toBeGreaterThan(150);
});

test("the bread: as much water as its flour asks for, and loaves that weigh what is left of it", () => {
  for (const m of lunch.components.find((c: Loose) => c.id === "bread").methods) {
    const of = (name: RegExp) =>
      m.ingredients.filter((i: Loose) => name.test(i.name)).reduce((sum: number, i: Loose) => sum + i.amount.amount, 0);
    const { hydrationPct } = totalHydration({
      items: [
        { kind: "flour", g: of(/flour/) },
        { kind: "water", g: of(/^Water$/) },
      ],
    });
    expect(hydrationPct).toBeGreaterThanOrEqual(65);
    expect(hydrationPct).toBeLessThanOrEqual(75);
    const { percents } = gramsToBakers({ flours: { all: of(/flour/) }, others: { salt: of(/^Salt/) } });
    expect(percents.salt).toBeGreaterThanOrEqual(1.8);
    expect(percents.salt).toBeLessThanOrEqual(2.1);
    const dough = m.ingredients.reduce((sum: number, i: Loose) => sum + i.amount.amount, 0);
    const baked = m.steps.flatMap((s: Loose) => s.makes ?? []).find((o: Loose) => o.id === "loaves").amount.amount * 1000;
    expect(baked / dough).toBeGreaterThan(0.82);
    expect(baked / dough).toBeLessThan(0.92);
  }
});

test("the piccalilli: what is put in less what boils away, with starch to coat a spoon, in the fridge by either method", () => {
  for (const m of lunch.components.find((c: Loose) => c.id === "piccalilli").methods) {
    const of = (id: string) => m.ingredients.find((i: Loose) => i.id === id).amount.amount;
    expect(m.ingredients.map((i: Loose) => i.id)).toEqual(expect.arrayContaining(["salt", "sugar", "flour"]));
    const jar = m.steps.at(-1).makes[0];
    const putIn = of("veg") + of("vinegar") + (of("sugar") + of("mustard") + of("flour")) / 1000;
    expect(jar.amount.amount).toBeGreaterThan(putIn * 0.8);
    expect(jar.amount.amount).toBeLessThan(putIn * 0.95);
    expect(jar.holds.map((h: Loose) => h.place)).toEqual(["fridge"]);
    const liquidG = of("vinegar") * 1000;
    expect(of("flour")).toBeGreaterThanOrEqual(starchDose({ liquidG, texture: "gravy", starch: "corn" }).starchG);
    expect(of("flour")).toBeLessThanOrEqual(starchDose({ liquidG, texture: "filling", starch: "corn" }).starchG);
  }
  const broughtBy = (allergen: string) => allergenSheet(lunch, {}).rows.find((r) => r.allergen === allergen)?.brought ?? [];
  expect(broughtBy("gluten").find((b) => b.component === "piccalilli")?.ingredients).toEqual(["Malt vinegar, 5 %"]);
  expect(broughtBy("mustard").map((b) => b.component)).toContain("lunch");
});

test("the ice: sugar enough to be sliced from the freezer", () => {
  const sugar = method("ice")
    .ingredients.filter((i: Loose) => /sugar/i.test(i.name))
    .reduce((sum: number, i: Loose) => sum + i.amount.amount, 0);
  const share = sugar / (made("ice", "block") * 1000);
  expect(sugar).toBe(300);
  expect(share).toBeGreaterThan(0.15);
  expect(share).toBeLessThan(0.22);
});

test("the pastries: filled with custard, four hours at most on the counter; proofed from the fridge as long as the dough takes", () => {
  const pastries = demoDocument("saturday-pastries").components.find((c: Loose) => c.id === "pastries").methods[0].steps;
  expect(pastries.at(-1).makes[0].holds).toEqual([expect.objectContaining({ place: "counter", max: "4h", limit: "safety" })]);
  const [least, most] = band(pastries.find((s: Loose) => s.id === "proof").time);
  expect([least, most]).toEqual([120, 150]);
  // Cut, filled and laid on the sheet in 42 min, the pieces are no longer as cold as the fridge.
  const { tauH } = doughCoolingTau({ massG: 70, h: 10 });
  const { hours } = fermentFinishTime({ startC: 12, tauH, ambientC: 25, yeastPct: 1.2, saltPct: 2, sugarPct: 11, target: 1 });
  expect(hours * 60).toBeGreaterThan(least * 0.75);
  expect(hours * 60).toBeLessThan(most * 1.25);
});

test("what a cook would ask of the lunch is answered, but for what stands in when a component fails", () => {
  const open = questionsOf(lunch).open.map((q) => q.id);
  expect(open.filter((id) => !id.startsWith("fallback:"))).toEqual([]);
});

test("salt for each guest: about 7 g of what is eaten, and the dish says that it is more than a day's advice", () => {
  const salt = saltOfDish(lunch);
  expect(salt?.perGuestG).toBeGreaterThan(6.5);
  expect(salt?.perGuestG).toBeLessThan(7.5);
  expect(lunch.dish.note).toMatch(/about 7 g for each guest, more than the 5 g advised/);
});

describe.each(DEMO)("%s", (slug) => {
  const document = demoDocument(slug);
  const parts = document.components.flatMap((c: Loose) =>
    c.methods.flatMap((m: Loose) =>
      partsOf(document, { [c.id]: m.id }, undefined).filter((p) => p.component.id === c.id && p.method.id === m.id),
    ),
  ) as Part[];
  test.each(parts.map((p) => [`${p.component.name}, ${p.method.name ?? p.method.id}`, p] as const))(
    "%s gives no more than goes in",
    (_, part) => {
      const weigh = (amount: Loose) => (amount ? litresOf({ id: "x", amount } as never, part.k) : undefined);
      const outs = part.steps.flatMap((s) => s.step.makes ?? []);
      const inside = new Set(part.steps.flatMap((s) => (s.step.takes ?? []).map((t) => t.from)));
      const out = outs.filter((o) => !inside.has(o.id)).map((o) => weigh(o.amount));
      const takes = part.steps
        .flatMap((s) => s.step.takes ?? [])
        .filter((t) => t.from.includes("."))
        .map((t) => weigh(t.amount));
      const unweighed =
        [...out, ...takes].includes(undefined) ||
        part.items.some((i) => i.grams === 0 && i.mL === 0 && i.ingredient.amount?.unit === "piece");
      if (unweighed) return;
      const sum = (list: readonly (number | undefined)[]) => list.reduce<number>((s, n) => s + (n ?? 0), 0);
      const putIn = part.items.reduce((s, i) => s + Math.max(i.grams, i.mL), 0) / 1000 + sum(takes);
      expect(sum(out)).toBeLessThanOrEqual(putIn * 1.02);
    },
  );
});
