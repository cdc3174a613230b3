// The lunch of the demo says of itself what the calculations say: doses, keeping, culturing, cooling, the rise after roasting.
import { expect, test } from "vitest";
import { drySalt, vegetableSalt } from "../../../src/core/measures/brine";
import { curingSaltDose } from "../../../src/core/measures/curing-salt";
import { culturedDairy, fermentDaysToPh } from "../../../src/core/measures/ferment";
import { carryOverRule } from "../../../src/core/measures/heat/roast";
import { pickleAcidity, pickleKeep } from "../../../src/core/measures/pickle";
import { reductionTime } from "../../../src/core/measures/reduction";
import type { Part } from "../../../src/core/safety/part";
import { cooledPart } from "../../../src/core/safety/rules/cooling";
import { safetyScene } from "../../../src/core/safety/scene";
import { minutesOf } from "../../../src/core/time/duration";
import { demoDocument, type Loose } from "../../support/dishes";

const lunch = demoDocument("harvest-lunch");
const method = (component: string): Loose => lunch.components.find((c: Loose) => c.id === component).methods[0];
const grams = (component: string, name: RegExp): number => {
  const { amount, unit } = method(component).ingredients.find((i: Loose) => name.test(i.name)).amount;
  return unit === "kg" || unit === "L" ? amount * 1000 : amount;
};
const step = (component: string, id: string): Loose => method(component).steps.find((s: Loose) => s.id === id);
const band = (time: Loose): [number, number] =>
  typeof time === "string" ? [minutesOf(time), minutesOf(time)] : [minutesOf(time.min), minutesOf(time.max)];

test("the cure: salt, curing salt and its ppm on the trimmed meat", () => {
  const trimmed = 1600;
  expect(grams("pork", /nitrite/)).toBe(curingSaltDose({ product: "dry", meatG: trimmed, targetPpm: 125 }).cureG);
  expect(grams("pork", /sea salt/)).toBe(drySalt({ meatG: trimmed, saltPct: 2 }).saltG);
});

test("the slaw: its salt, and sour within the days that it is given", () => {
  const veg = grams("slaw", /cabbage/) + grams("slaw", /apples/);
  const { saltG } = vegetableSalt({ vegG: veg, targetPct: 2.2 });
  expect(Math.round(saltG)).toBe(grams("slaw", /Salt/));
  const { days, high } = fermentDaysToPh({ targetPh: 3.8, tempC: 20, saltPct: 2.2 });
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

test("the jelly: reduced and cooled in the time that its pot and its ice take", () => {
  const [least, most] = band(step("jelly", "reduce").time);
  const { low, high } = reductionTime({ start_mL: 2400, fraction: 0.5, diameterMm: 240, vigour: "rollingBoil" });
  expect(least).toBeGreaterThanOrEqual(low);
  expect(most).toBeLessThanOrEqual(high);
  const part = safetyScene(lunch).parts.find((p) => p.component.id === "jelly") as Part;
  const cooled = cooledPart(part);
  expect(cooled?.way.verdict).toBe("ok");
  expect(cooled?.way.t21Min).toBeLessThanOrEqual(band(step("jelly", "chill").time)[0]);
});

test("the pie: pulled as many degrees early as the table of carry-over has it rise", () => {
  const { done } = step("pie", "bake-low");
  expect(done.restToC - done.probeC).toBe(carryOverRule({ ovenC: 165, massKg: 1.8 }).value);
});

test("the custard of the ice: cold within the hour that its caution gives, in the time that its step is given", () => {
  const part = safetyScene(lunch).parts.find((p) => p.component.id === "ice") as Part;
  const cooled = cooledPart(part);
  expect(cooled?.step.ref).toBe("ice.cool");
  expect(cooled?.way.t5Min).toBeLessThan(60);
  expect(cooled?.way.t5Min).toBeLessThanOrEqual(band(step("ice", "cool").time)[0]);
});
