// A fuzzer of the demo files: hundreds of them, 2,000 in a deep run, with something changed. Whatever it does, reading answers in good time with a whole
// document or with errors, and what was read can be planned or refused; never a crash, a hang or half an import.

import { describe, expect, test } from "vitest";
import { readDish } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { writeDish } from "../../../src/core/dish/write";
import { planDish, verifyPlan } from "../../../src/core/planner";
import { seededRandom } from "../../../src/core/random";
import { deep } from "../../support/deep";
import { DEMO, demoText, type Loose } from "../../support/dishes";

const VALUES: readonly unknown[] = [
  null,
  0,
  -1,
  1,
  2.5,
  1e9,
  1e308,
  "",
  "x",
  "0m",
  "5m",
  "3d",
  "400d",
  "99999d",
  "mon-fri",
  "24:00",
  "2026-10-18T13:00",
  true,
  [],
  {},
  "pie.line",
  ["a"],
  { amount: 1, unit: "kg" },
  { min: "1m", likely: "2m", max: "3m" },
  "\u0000",
  "💥",
  "__proto__",
  "constructor",
  "hasOwnProperty",
  "toString",
];

/** Changes one place of a document: a value, a key, an entry taken out, doubled or moved. */
function mutate(document: Loose, random: () => number): void {
  const places: { parent: Loose; key: string | number }[] = [];
  const walk = (value: Loose) => {
    if (typeof value !== "object" || value === null) return;
    for (const key of Object.keys(value)) {
      places.push({ parent: value, key: Array.isArray(value) ? Number(key) : key });
      walk(value[key]);
    }
  };
  walk(document);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const { parent, key }: { parent: Loose; key: Loose } = pick(places);
  const kind = random();
  if (kind < 0.4) parent[key] = structuredClone(pick(VALUES));
  else if (kind < 0.55) Array.isArray(parent) ? parent.splice(Number(key), 1) : delete parent[key];
  else if (kind < 0.7) {
    const other = pick(places);
    parent[key] = structuredClone((other.parent as Loose)[other.key]);
  } else if (kind < 0.8 && Array.isArray(parent)) parent.push(structuredClone(parent[key]));
  else if (kind < 0.9 && typeof parent[key] === "number") parent[key] *= pick([-1, 0, 10, 1e6]);
  else if (typeof parent[key] === "string") parent[key] = parent[key].slice(0, Math.floor(random() * parent[key].length));
  else (parent as Loose)[String(pick(VALUES.filter((v) => typeof v === "string")))] = structuredClone(parent[key]);
}

describe("changed demo files", () => {
  test.each(DEMO)("%s", (name) => {
    const text = demoText(name);
    const counts = { read: 0, refused: 0, planned: 0, none: 0 };
    for (let seed = 1; seed <= deep(120, 667); seed++) {
      const random = seededRandom(seed);
      const document = JSON.parse(text);
      for (let n = 0; n <= Math.floor(random() * 3); n++) mutate(document, random);
      const read = readDish(JSON.stringify(document));
      counts[read.status]++;
      if (read.status === "refused") {
        expect(read.problems.some((p) => p.severity === "error")).toBe(true);
        expect(read).not.toHaveProperty("document");
        continue;
      }
      expect(read.problems.every((p) => p.severity === "warning")).toBe(true);
      const written = writeDish(read.document);
      const again = readDish(written);
      expect(again.status === "read" && writeDish(again.document)).toBe(written);
      if (seed % deep(3, 8)) continue;
      const dish = dishModel(read.document);
      const began = performance.now();
      const planned = planDish(dish, { rounds: 2, stop: () => performance.now() - began > 3000 });
      expect(performance.now() - began).toBeLessThan(20_000);
      if (planned.status === "feasible") {
        counts.planned++;
        expect(verifyPlan(dish, planned.plan).broken).toEqual([]);
      } else {
        counts.none++;
        expect(planned.conflict.length).toBeGreaterThan(0);
      }
    }
    expect(Math.min(counts.read, counts.refused)).toBeGreaterThan(4);
    expect(counts.planned).toBeGreaterThan(deep(0, 4));
  });
});
