// The figures of the ready components, held to the calculations: what comes out of what is put in, how full a pot is, how long a cure takes,
// how salty a filling is, and what a ferment is judged by.
import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { TABLE } from "../../../src/core/dish/edit/library";
import { readDish } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { cureTimeRule } from "../../../src/core/measures/brine";
import { dryingTime, equivalentHalf, roastAndRest } from "../../../src/core/measures/heat/roast";
import { stockGelatin } from "../../../src/core/measures/thickening";
import { gramsOf, isOf, litresOf, type Part, partsOf } from "../../../src/core/safety/part";
import { cooledPart } from "../../../src/core/safety/rules/cooling";
import { isRawFlesh } from "../../../src/core/safety/scene";
import { spread } from "../../support/lengths";

const folder = new URL("../../../library/", import.meta.url);
const documents = readdirSync(folder)
  .filter((f) => f.endsWith(".json"))
  .sort()
  .map((file): DishFile => {
    const got = readDish(readFileSync(new URL(file, folder), "utf8"));
    if (got.status === "refused") throw new Error(`${file}: ${got.problems[0]?.message}`);
    return got.document;
  });

/** Each component by each of its methods. */
const parts = documents.flatMap((d) =>
  d.components
    .filter((c) => c.id !== TABLE)
    .flatMap((c) =>
      c.methods.flatMap((m) => partsOf(d, { [c.id]: m.id }, undefined).filter((p) => p.component.id === c.id && p.method.id === m.id)),
    ),
);
const nameOf = (p: Part) => `${p.component.name}, ${p.method.name}`;
const putIn = (p: Part) => p.items.reduce((sum, i) => sum + Math.max(i.grams, i.mL), 0) / 1000;
const outputs = (p: Part) => p.steps.flatMap((s) => s.step.makes ?? []);

/** Those whose figures are all weights: nothing from elsewhere, no meat by the piece. */
const weighed = parts.flatMap((p) => {
  const litres = outputs(p).map((o) => litresOf(o, p.k));
  const whole =
    litres.length > 0 &&
    !litres.includes(undefined) &&
    !p.steps.some((s) => s.step.takes?.some((t) => t.from.includes("."))) &&
    !p.items.some((i) => isRawFlesh(i) && i.ingredient.amount?.unit === "piece");
  return whole ? [[nameOf(p), p, (litres as number[]).reduce((sum, l) => sum + l, 0)] as const] : [];
});

test("most components are weighed", () => expect(weighed.length).toBeGreaterThan(60));

test.each(weighed)("%s gives no more than is put in", (_, part, out) => {
  // Dry grain takes up the water that it is soaked in.
  const drinks = part.items.some(isOf("pulse", "grain", "rice"));
  expect(out).toBeLessThanOrEqual(putIn(part) * (drinks ? 1.1 : 1.02));
  expect(out).toBeGreaterThan(0.1 * putIn(part));
});

describe.each(parts.map((p) => [nameOf(p), p] as const))("%s", (_, part) => {
  test("fits its pots: a pressure pot two thirds full at most, a slow pot four fifths", () => {
    for (const s of part.steps)
      for (const u of s.step.uses ?? []) {
        const most = u.what === "pressure-pot" ? 2 / 3 : u.what === "slow-pot" ? 0.8 : undefined;
        if (most === undefined || u.litres === undefined) continue;
        expect(putIn(part), `${s.name}: ${u.litres} L`).toBeLessThanOrEqual(u.litres * most * 1.01);
      }
  });
});

test("meat that lies in a dry cure lies there for as long as its thickness asks, by either rule", () => {
  const cures = parts.filter((p) => p.component.kind === "cure" && p.items.some(isOf("curing-salt")));
  expect(cures.length).toBeGreaterThan(0);
  for (const p of cures) {
    const cm = Number(/(\d+(?:\.\d+)?) cm thick/.exec(p.ingredients.map((i) => i.note ?? "").join(" "))?.[1]);
    const lies = p.steps.find((s) => /^cure/i.test(s.name));
    const [least, , most] = spread(lies?.step.time);
    expect(least, nameOf(p)).toBeGreaterThanOrEqual(1440 * cureTimeRule({ thicknessMm: cm * 10, method: "perQuarterInch" }).days);
    expect(most, nameOf(p)).toBeGreaterThanOrEqual(1440 * cureTimeRule({ thicknessMm: cm * 10 }).days);
  }
});

test("a filling, and vegetables cooked down, have from 0.4 to 1.6 % of salt", () => {
  for (const p of parts.filter((x) => x.component.kind === "filling" || /caramelised|mushroom/i.test(x.component.name))) {
    const salt = gramsOf(p, isOf("salt"));
    const out = litresOf(outputs(p)[0], p.k);
    if (!(salt > 0) || out === undefined) continue;
    expect(salt / out / 10, nameOf(p)).toBeGreaterThanOrEqual(0.4);
    expect(salt / out / 10, nameOf(p)).toBeLessThanOrEqual(1.6);
  }
});

test("a ferment says at what warmth, by what pH it is done, and leaves room below the rim", () => {
  const ferments = parts.filter((p) => p.component.kind === "ferment" && p.steps.some((s) => /^ferment/i.test(s.name)));
  expect(ferments.length).toBeGreaterThanOrEqual(4);
  for (const p of ferments) {
    const step = p.steps.find((s) => /^ferment/i.test(s.name));
    expect(step?.name, nameOf(p)).toMatch(/at 18 to 2[0-2] degrees/);
    expect(step?.step.done?.cue, nameOf(p)).toMatch(/pH 4\.6 or less/);
    expect(
      p.steps.some((s) => /below the rim/.test(s.words)),
      nameOf(p),
    ).toBe(true);
  }
});

test("dried beans are drained and boiled in fresh water, and a third of the components have a second way", () => {
  for (const p of parts.filter((x) => x.items.some(isOf("pulse-lectin"))))
    expect(
      p.steps.some((s) => /drain.*fresh water/i.test(s.name)),
      nameOf(p),
    ).toBe(true);
  const withTwo = documents.filter((d) => d.components.some((c) => c.id !== TABLE && c.methods.length > 1));
  expect(withTwo.length).toBeGreaterThanOrEqual(documents.length / 3);
});

test("what is cooled is at 21 °C in two hours and at 5 °C in six, by its amount, its pot and the way its step says", () => {
  const cooled = parts.flatMap((p) => {
    const got = cooledPart(p);
    return got ? [{ name: nameOf(p), verdict: got.way.verdict }] : [];
  });
  expect(cooled.length).toBeGreaterThan(12);
  expect(cooled.filter((c) => c.verdict !== "ok")).toEqual([]);
});

describe("roasts take the time that the model gives, a fifth either way", () => {
  const roasts = parts.flatMap((p) => {
    const step = p.steps.find((s) => /^roast/i.test(s.name) && s.step.done?.probeC);
    const oven = step?.step.uses?.find((u) => u.what === "oven")?.tempC;
    const flesh = p.items.find((i) => isRawFlesh(i) && i.grams > 1000);
    return step && oven && flesh ? [[nameOf(p), p, step, oven, flesh] as const] : [];
  });
  test("there are some", () => expect(roasts.length).toBeGreaterThanOrEqual(3));
  test.each(roasts)("%s", (_, part, step, ovenC, flesh) => {
    // A bird is hollow: its meat is thinner than a ball of its weight.
    const hollow = part.items.some(isOf("poultry")) ? 0.85 : 1;
    const { value } = equivalentHalf({ massKg: flesh.grams / 1000, shape: "sphere" });
    const { cookMin } = roastAndRest({
      geometry: "sphere",
      halfM: value * hollow,
      t0: 6,
      ovenC,
      hOven: 20,
      tPull: step.step.done?.probeC as number,
      dryingMin: dryingTime({ ovenC }).minutes,
    });
    const [least, , most] = spread(step.step.time);
    expect((cookMin as number) * 1.2).toBeGreaterThanOrEqual(least);
    expect((cookMin as number) * 0.8).toBeLessThanOrEqual(most);
  });
});

test("a jelly of trotters has gelatine enough to be sliced, and is no rubber", () => {
  const part = parts.find((p) => p.items.some((i) => /trotter/i.test(i.ingredient.name))) as Part;
  const g = (name: RegExp) => part.items.filter((i) => name.test(i.ingredient.name)).reduce((sum, i) => sum + i.grams, 0);
  const jelly = outputs(part).find((o) => /jelly/i.test(o.name ?? o.id));
  const { pct } = stockGelatin({
    sources: [
      { kind: "pig_trotter", g: g(/trotter/i) },
      { kind: "pork_skin", g: g(/rind/i) },
    ],
    hours: spread(part.steps.find((s) => /simmer/i.test(s.name))?.step.time)[1] / 60,
    final_mL: (litresOf(jelly, part.k) as number) * 1000,
  });
  expect(pct).toBeGreaterThanOrEqual(2.5);
  expect(pct).toBeLessThanOrEqual(4);
});
