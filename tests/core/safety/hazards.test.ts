// Everyday dishes with a hazard, and harmless ones that look like them (tests/data/safety): what is there is found, with a plan and
// without, and nothing else is accused.
import { describe, expect, test } from "vitest";
import type { PatchOperation } from "../../../src/core/dish/patch";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import type { DishFile } from "../../../src/core/dish/schema";
import { planDish } from "../../../src/core/planner";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import { type FindingView, findingViews } from "../../../src/core/safety/view";
import { planView } from "../../../src/core/view/plan-view";
import { recordsOf } from "../../support/records";
import { casesOf, type SmallCase } from "../../support/safety-dishes";

const WEIGHT = { note: 1, warn: 2, stop: 3 } as const;

type Looked = Record<"without a plan" | "with a plan", readonly FindingView[]>;
const seen = new Map<string, Looked>();
function looked(c: SmallCase): Looked {
  const known = seen.get(`${c.name} ${c.caution}`);
  if (known) return known;
  const all = lookedAt(c);
  seen.set(`${c.name} ${c.caution}`, all);
  return all;
}

function lookedAt(c: SmallCase): Looked {
  const read = readDishValue(c.dish);
  if (read.status === "refused") throw new Error(`${c.name}: ${JSON.stringify(read.problems)}`);
  const dish = dishModel(read.document);
  const planned = planDish(dish, { rounds: 1 });
  if (planned.status !== "feasible") throw new Error(`${c.name}: no plan`);
  const found = (view: ReturnType<typeof planView> | undefined) =>
    findingViews({ document: read.document, dish, chosen: {}, view, acknowledged: new Map() });
  return { "without a plan": found(undefined), "with a plan": found(planView(dish, planned.plan)) };
}

const records = recordsOf("safety");
/** Every finding with its words and its mends, without a plan; and with one where that is not the same. */
function foundSaid(all: ReturnType<typeof looked>): string {
  const said = (list: readonly FindingView[]) =>
    list
      .map((f) =>
        [
          `${f.severity}${f.hard ? " hard" : ""} ${f.id} (${f.basis}) ${f.title}: ${f.computed}`,
          ...f.mends.map((m) => `  + ${m.label}`),
        ].join("\n"),
      )
      .join("\n");
  const [without, planned] = [said(all["without a plan"]), said(all["with a plan"])];
  return planned === without ? without : `${without}\n- planned\n${planned}`;
}

describe.each(casesOf("hazards.txt"))("$name", (c) => {
  test(`has ${c.caution}`, () => {
    const all = looked(c);
    records.check(`${c.name} (${c.caution})`, foundSaid(all));
    for (const [how, found] of Object.entries(all)) {
      const hit = found.find((f) => f.id.startsWith(`${c.caution}:`) && f.severity === c.level);
      expect(hit, `${how}: ${found.map((f) => `${f.severity} ${f.id}`).join(", ")}`).toBeDefined();
      expect(hit?.computed.length).toBeGreaterThan(20);
      expect(hit?.source).not.toBe("");
    }
  });
});

describe.each(casesOf("harmless.txt"))("$name", (c) => {
  test("is not accused", () => {
    const all = looked(c);
    records.check(`${c.name} (harmless)`, foundSaid(all));
    for (const [how, found] of Object.entries(all))
      expect(
        found.filter((f) => WEIGHT[f.severity] > 1).map((f) => `${f.id}: ${f.computed}`),
        how,
      ).toEqual([]);
  });
});

/** Of every hazard, each mend that is offered: the dish stays sound, plans, and the finding is gone or weighs less, with none as heavy in its place. */
describe.each(casesOf("hazards.txt"))("a mend of $name", (c) => {
  test("mends it", () => {
    const read = readDishValue(c.dish);
    if (read.status === "refused") throw new Error(c.name);
    const before = looked(c)["without a plan"];
    for (const f of before.filter((x) => x.id.startsWith(`${c.caution}:`)))
      for (const mend of f.mends) {
        const after = mended(read.document, mend.change);
        const still = safetyFindings(safetyScene(after, {}));
        const same = still.find((x) => x.id === f.id);
        expect(
          same === undefined || WEIGHT[same.severity] < WEIGHT[f.severity] || (f.hard && !same.hard),
          `${mend.label}: ${same?.computed}`,
        ).toBe(true);
        const known = new Set(before.map((x) => x.id));
        expect(
          still.filter((x) => !known.has(x.id) && WEIGHT[x.severity] >= WEIGHT[f.severity]).map((x) => `${x.id}: ${x.computed}`),
          mend.label,
        ).toEqual([]);
        expect(planDish(dishModel(after), { rounds: 1 }).status, mend.label).toBe("feasible");
      }
  });
});

function mended(document: DishFile, change: readonly PatchOperation[]): DishFile {
  const read = readDishValue(applyPatch(document, change));
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return read.document;
}
