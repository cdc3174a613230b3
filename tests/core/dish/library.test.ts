// Every ready component is sound, plans alone in the default kitchen by each of its ways, keeps within the table of holds, and is safe by
// the rules that a figure can check. What only a reader can judge stands in docs/library.md.
import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { addComponent, newDish, takeComponents } from "../../../src/core/dish/edit/components";
import { libraryEntry, searchLibrary, TABLE } from "../../../src/core/dish/edit/library";
import { mainOutput } from "../../../src/core/dish/edit/places";
import { COMPONENT_KINDS } from "../../../src/core/dish/kinds";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDish } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { scaledIngredient } from "../../../src/core/dish/scaled-ingredient";
import type { DishFile } from "../../../src/core/dish/schema";
import { kOf } from "../../../src/core/dish/weights";
import { pinMethodsChange } from "../../../src/core/dish/wishes";
import { cautionOf } from "../../../src/core/foods/cautions";
import { longestMinutes } from "../../../src/core/foods/holds";
import { planDish, verifyPlan } from "../../../src/core/planner";
import { minutesOf } from "../../../src/core/time/duration";

const folder = new URL("../../../library/", import.meta.url);
const files = readdirSync(folder)
  .filter((f) => f.endsWith(".json"))
  .sort();
const read = (file: string) => readDish(readFileSync(new URL(file, folder), "utf8"));
const documents = files.map((file): DishFile => {
  const got = read(file);
  if (got.status === "refused") throw new Error(`${file}: ${got.problems[0]?.path} ${got.problems[0]?.message}`);
  return got.document;
});
const own = (d: DishFile) => d.components.filter((c) => c.id !== TABLE);

test("there are at least sixty, of every kind but those that only a dish has", () => {
  expect(documents.length).toBeGreaterThanOrEqual(60);
  const kinds = new Set(documents.map((d) => libraryEntry(d).kind));
  for (const kind of COMPONENT_KINDS) if (kind !== "assembly" && kind !== "other") expect([...kinds], kind).toContain(kind);
  expect(documents.filter((d) => (own(d).at(-1)?.methods.length ?? 0) > 1).length).toBeGreaterThanOrEqual(20);
  expect(new Set(documents.map((d) => d.dish.name)).size).toBe(documents.length);
});

describe.each(files.map((f, i) => [f.replace(".json", ""), documents[i] as DishFile] as const))("%s", (id, document) => {
  test("is checked without a word, and bears its own name", () => {
    expect(read(`${id}.json`).problems).toEqual([]);
    expect(document.dish.id).toBe(id);
    expect(document.dish.note?.length).toBeGreaterThan(20);
  });
  test("plans alone in the default kitchen, by each of its ways, and the plan holds", () => {
    for (const c of own(document))
      for (const m of c.methods) {
        const dish = dishModel(applyPatch(document, pinMethodsChange(document, { [c.id]: m.id })));
        const planned = planDish(dish, { rounds: 0 });
        expect(planned.status, m.name).toBe("feasible");
        if (planned.status === "feasible") expect(verifyPlan(dish, planned.plan, { now: planned.plan.now }).broken, m.name).toEqual([]);
      }
  });
  test("keeps no longer than the table of holds allows, and says what is safety", () => {
    for (const c of own(document))
      for (const o of c.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? [])))
        for (const h of o.holds ?? []) {
          const known = ["counter", "fridge", "hot"].includes(h.place) ? longestMinutes(o.name ?? o.id, h.place as "fridge") : undefined;
          if (!known?.safety) continue;
          expect(minutesOf(h.max ?? "400d"), `${o.name} ${h.place}`).toBeLessThanOrEqual(known.minutes);
        }
  });
  test("its cautions are known, its way of making raw minced meat and poultry safe is written", () => {
    for (const c of own(document))
      for (const m of c.methods) {
        for (const s of m.steps) for (const d of s.danger ?? []) expect(cautionOf(d), d).toBeDefined();
        const risky = (m.ingredients ?? []).some((i) => /minc|liver|chicken(?! or|.*stock)|duck leg|duck breast/i.test(i.name));
        const output = m.steps.at(-1)?.makes?.at(-1);
        if (!risky || output?.raw) continue;
        const safe = m.steps.some(
          (s) =>
            (s.done?.probeC ?? 0) >= 74 ||
            s.boils ||
            (s.uses ?? []).some((u) => u.what === "pressure-pot" || (u.what === "bath" && (u.tempC ?? 0) >= 74)) ||
            /simmer/i.test(s.name ?? ""),
        );
        const told = m.steps.some((s) => s.danger?.includes("guests-at-risk"));
        expect(safe || told, `${c.name}, ${m.name}`).toBe(true);
      }
  });
  test("curing salt is weighed, and stays at or under 150 parts per million of nitrite on the meat", () => {
    for (const c of own(document))
      for (const m of c.methods) {
        const salt = m.ingredients?.find((i) => /curing salt|nitrite/i.test(i.name));
        if (!salt) continue;
        const meat = (m.ingredients ?? [])
          .filter((i) => /pork|beef|duck|lamb/i.test(i.name))
          .reduce((sum, i) => sum + (scaledIngredient(i, 1)?.value ?? 0), 0);
        expect(salt.amount?.unit).toBe("g");
        expect((((salt.amount?.amount ?? 0) * 0.0625) / meat) * 1e6).toBeLessThanOrEqual(150.01);
        expect(m.steps.some((s) => s.danger?.includes("curing-salt"))).toBe(true);
      }
  });
  test("a hot pot of stock, braise or beans is cooled before it waits in the cold", () => {
    for (const c of own(document)) {
      if (!["stock", "braise"].includes(c.kind)) continue;
      for (const m of c.methods) {
        const last = m.steps.at(-1);
        const cold = last?.makes?.some((o) => o.holds?.some((h) => h.place === "fridge"));
        if (cold) expect(/cool|chill|set/i.test(last?.name ?? ""), `${c.name}: ${last?.name}`).toBe(true);
      }
    }
  });
});

describe("taken into a dish", () => {
  const dish = addComponent(newDish({ name: "Supper", serves: 5, serveAt: "2026-12-20T19:00", timezone: "Europe/Dublin" }), {
    name: "Salad",
    steps: ["toss 5m"],
    ingredients: [],
  }).document;
  test("each is scaled to the guests, sound, and its amounts are the file's times the guests", () => {
    for (const source of documents) {
      const entry = libraryEntry(source);
      const { document, ids } = takeComponents(dish, source, entry.components, { scale: 5 / entry.baseServes });
      const taken = document.components.find((c) => c.id === ids.at(-1))!;
      expect(
        readDish(JSON.stringify(document)).problems.filter((p) => p.severity === "error"),
        entry.id,
      ).toEqual([]);
      expect(kOf(document, taken) * entry.baseServes).toBeCloseTo(5, 6);
      expect(mainOutput(taken)?.amount).toEqual(mainOutput(own(source).at(-1)!)?.amount);
    }
  });
});

describe("found", () => {
  const entries = documents.map(libraryEntry);
  const ids = (search: Parameters<typeof searchLibrary>[1]) => searchLibrary(entries, search).map((e) => e.id);
  test("by words, kind, time, how long it keeps, work and equipment", () => {
    expect(ids({ text: "rye" })).toContain("rye-pan-loaf");
    expect(ids({ kind: "stock" }).every((id) => entries.find((e) => e.id === id)?.kind === "stock")).toBe(true);
    expect(ids({ text: "radish", withinMinutes: 120 })).toEqual(["quick-radish"]);
    expect(ids({ withinMinutes: 120 })).not.toContain("cured-belly");
    expect(ids({ aheadMinutes: 14 * 1440 })).toContain("red-kraut");
    expect(ids({ aheadMinutes: 1440 })).not.toContain("tempura-batter");
    expect(ids({ equipment: new Set(["burner", "pot", "fridge", "sink", "oven", "tray"]) })).not.toContain("curd-ravioli");
    expect(ids({ without: "milk" })).not.toContain("bechamel");
    expect(ids({ text: "no such thing" })).toEqual([]);
  });
  test("lead and hands are what the steps come to: shortcrust by hand, 17 minutes and an hour and a half of rest", () => {
    expect(entries.find((e) => e.id === "shortcrust")?.methods[0]).toMatchObject({ handsMinutes: 17, leadMinutes: 107 });
  });
});
