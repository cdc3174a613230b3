// The catalogue tells the truth: every calculation is in it, and what it says of an input is what the function holds to.

import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { HARD_STOPS, MEASURES, type MeasureInput, measure } from "../../../src/core/catalogue";
import { CalculationError } from "../../../src/core/measures/calculation-error";
import { DEEP } from "../../support/deep";
import type { Loose } from "../../support/dishes";

const read = (name: string): Loose[] => JSON.parse(readFileSync(new URL(`../../data/${name}.json`, import.meta.url), "utf8"));
const measures = read("vectors-measures");
const vectors = [...measures, ...read("vectors-heat")];
const answer = (name: string, input: unknown): Loose => {
  try {
    return measure(name, input).result;
  } catch (error) {
    if (error instanceof CalculationError) return { error: error.code, field: error.field, message: error.message };
    throw error;
  }
};
/** A vector that gives the input, or one to which it can be added. */
const base = (name: string, input: MeasureInput): Loose => {
  const good = vectors.filter((v) => v.function === name && !v.output.error).map((v) => v.input);
  return good.find((i) => i[input.name] !== undefined) ?? good[0];
};
const beyond = (edge: number, away: number) => edge + away * Math.max(Math.abs(edge) * 0.01, 1e-12);

test("every vector has its calculation, and gives no input that the catalogue does not know", () => {
  for (const v of vectors) {
    const { inputs } = MEASURES[v.function] as Loose;
    expect(Object.keys(v.input).filter((k) => !inputs.some((i: MeasureInput) => i.name === k))).toEqual([]);
  }
  expect(Object.keys(MEASURES).sort()).toEqual([...new Set(vectors.map((v) => v.function))].sort());
});

describe.each(Object.values(MEASURES).map((m) => [m.name, m] as const))("%s", (name, m) => {
  const ranged = m.inputs.filter((i) => i.low !== undefined);
  test.each(ranged.map((i) => [i.name, i] as const))("%s is refused past its range, by name", (_, input) => {
    for (const value of [beyond(input.low as number, -1), beyond(input.high as number, 1)]) {
      const got = answer(name, { ...base(name, input), [input.name]: value });
      expect([got.field, got.error ?? `answered with ${JSON.stringify(got)} at ${value}`]).toEqual([
        expect.stringContaining(input.name),
        expect.stringMatching(/^E_/),
      ]);
    }
    // A simulation by the shortest or the longest of steps is worth its wait in a deep run only.
    const edges = input.name === "stepS" && !DEEP ? [] : [input.low, input.high];
    for (const value of edges) {
      const got = answer(name, { ...base(name, input), [input.name]: value });
      expect(`${got.message}`.includes("is out of range") && got.field === input.name ? got.message : "").toBe("");
    }
  });
  const chosen = m.inputs.filter((i) => i.choices);
  test.each(chosen.map((i) => [i.name, i] as const))("%s takes the words that it names and no other", (_, input) => {
    // Each food of a simulation takes a while: the first and the last of a long list, and all of them in a deep run.
    const all = input.choices as string[];
    for (const word of name === "compareCooling" && !DEEP ? [all[0], all.at(-1)] : all)
      expect(answer(name, { ...base(name, input), [input.name]: word })).not.toMatchObject({ error: "E_UNKNOWN", field: input.name });
    expect(answer(name, { ...base(name, input), [input.name]: "lukewarm" })).toMatchObject({ error: "E_UNKNOWN", field: input.name });
  });
  test("what is required is missed by name, what is optional is not missed", () => {
    const whole = base(name, m.inputs[0] as MeasureInput);
    for (const input of m.inputs) {
      const { [input.name]: _, ...without } = base(name, input) ?? whole;
      const got = answer(name, without);
      if (input.required) expect([input.name, got.error]).toEqual([input.name, expect.stringMatching(/^E_/)]);
    }
  });
});

test("a default given is the same as one left out", () => {
  for (const m of Object.values(MEASURES))
    for (const input of m.inputs.filter((i) => i.default !== undefined)) {
      const given = vectors.find((v) => v.function === m.name && !v.output.error && v.input[input.name] === undefined)?.input;
      if (given)
        expect([m.name, input.name, answer(m.name, { ...given, [input.name]: input.default })]).toEqual([
          m.name,
          input.name,
          answer(m.name, given),
        ]);
    }
});

test("hard stops hold at every value past them", () => {
  const stopped = (name: string, input: Loose, code: string) => expect(answer(name, input)).toMatchObject({ error: code });
  for (let i = 1; i <= 40; i++) {
    stopped("nitritePpm", { product: "comminuted", cureG: 2.497 + i, meatG: 1000 }, "E_NITRITE_LIMIT");
    stopped("curingSaltDose", { product: "dry", meatG: 100 * i, targetPpm: 200 + i }, "E_NITRITE_LIMIT");
    stopped("curingSaltDose", { product: "dry", meatG: 1000, cureStrengthPct: 6.25 + i / 10 }, "E_CURE_TYPE");
    stopped("vegetableSalt", { vegG: 1000, waterG: 100 * i, targetPct: 1 + i / 100 }, "E_SALT_TOO_LOW");
    stopped("cureTimeRule", { thicknessMm: 40, tempC: 5 + i / 8 }, "E_TOO_WARM");
    stopped("cureTimeRule", { thicknessMm: 40, tempC: 0.49 - i / 8 }, "E_TOO_COLD");
    stopped("pickleKeep", { equilibriumAcidPct: i / 10, pour: "hot", fridgeC: 5 + i / 10 }, "E_FRIDGE_WARM");
    stopped("volumeToMass", { mL: i, ingredient: "curing_salt_6_25" }, "E_WEIGH_ONLY");
  }
  expect(HARD_STOPS).toHaveLength(7);
});
