// Why there is no plan: the facts named are a smallest set, in a cook's words, and each repair offered gives a plan.
import { describe, expect, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDishValue } from "../../../src/core/dish/read";
import { dishModel } from "../../../src/core/dish/read-model";
import { EMPTY_LOG, type Infeasible, type PlanOptions, planDish, planningNow, verifyPlan } from "../../../src/core/planner";
import { diagnose } from "../../../src/core/planner/explain";
import { smallestConflict } from "../../../src/core/planner/explain/conflict";
import { factsOf, without } from "../../../src/core/planner/explain/facts";
import { demoDocument, dishOf, type Loose } from "../../support/dishes";
import { addTwoAtOnce, smallDish, stepOf } from "../../support/small-dish";
import { randomDish } from "../generate";

const documentOf = (value: Loose) => {
  const read = readDishValue(value);
  if (read.status === "refused") throw new Error(JSON.stringify(read.problems));
  return read.document;
};
const refusalOf = (value: Loose, options: PlanOptions): Infeasible => {
  const found = planDish(dishModel(documentOf(value)), { rounds: 0, ...options });
  if (found.status === "feasible") throw new Error("there is a plan");
  return found;
};
const diagnosed = (value: Loose, options: PlanOptions = {}) => diagnose(documentOf(value), options, refusalOf(value, options));
const said = (d: { conflict: readonly { text: string }[] }) => d.conflict.map((c) => c.text).join("\n");

const twoAtOnce = () => smallDish(addTwoAtOnce);

describe("the smallest conflict", () => {
  test("too little time: the long step and the hour, nothing else", () => {
    const dish = dishOf(smallDish());
    const d = diagnosed(smallDish(), { now: dish.serveAt - 300 });
    expect(d.conflict.map((c) => [c.rule, c.text])).toEqual([
      ["H4", '"Reduce" takes stock from "Simmer".'],
      ["H1", '"Simmer" takes 4 h 40.'],
      ["H1", '"Reduce" takes 1 h.'],
      ["H2", "It is Sun 18/10 08:00; nothing can start earlier."],
    ]);
  });
  test("two short waits that one cook cannot serve", () => {
    const busy = twoAtOnce();
    const text = said(diagnosed(busy));
    for (const part of [
      /"Put together" starts at most 5 min after "Fry" ends/,
      /"Whip" takes 2 h and needs hands/,
      /ada has one pair of hands/,
    ])
      expect(text).toMatch(part);
    expect(text).not.toMatch(/Simmer|Reduce|nothing begins before/);
  });
  test("a pot that is not there, a fridge that is too small, a quiet time", () => {
    const pot = diagnosed(smallDish((d) => (stepOf(d, "stock.simmer").uses[1].litres = 40)));
    expect(said(pot)).toMatch(/"Simmer" uses a pot of 40 L/);
    const fridge = diagnosed(
      smallDish((d) => {
        d.kitchen.equipment.find((e: Loose) => e.id === "fridge").litres = 1;
        stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "2h", max: "3d" }];
      }),
    );
    expect(said(fridge)).toMatch(/fridge has 1 L/);
    const quiet = diagnosed(
      smallDish((d) => {
        stepOf(d, "stock.simmer").tags = ["noisy"];
        d.kitchen.windows = [{ weekly: { days: "all", from: "12:00", to: "11:00" }, forbid: ["noisy"], why: "the neighbours" }];
      }),
    );
    expect(said(quiet)).toMatch(/Nothing noisy every day 12:00 to 11:00 \(the neighbours\)/);
  });
  test("names what the cook has fixed", () => {
    const zone = dishOf(smallDish()).zone;
    const log = {
      ...EMPTY_LOG,
      pins: [{ step: "stock.simmer", at: zone.toMinute("2026-10-18T11:00"), notBefore: undefined, notAfter: undefined, cook: undefined }],
    };
    expect(said(diagnosed(smallDish(), { log }))).toMatch(/You fixed "Simmer" at Sun 18\/10 11:00/);
  });
  test("of random dishes is irreducible: letting any one fact go gives a plan", () => {
    let checked = 0;
    for (let seed = 1; seed <= 70 && checked < 9; seed++) {
      const dish = dishOf(randomDish(seed));
      if (planDish(dish, { rounds: 0, conflicts: 300 }).status === "feasible") continue;
      const scene = {
        dish,
        now: planningNow(dish, {}),
        serveAt: dish.serveAt,
        planAt: "cautious" as const,
        methods: Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""])),
        log: EMPTY_LOG,
      };
      const conflict = smallestConflict(scene);
      if (!conflict) continue;
      checked++;
      const steps = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
      const facts = factsOf(dish, steps, scene.now, scene.planAt, EMPTY_LOG);
      const same = facts.filter((f) => conflict.facts.some((g) => g.text === f.text && g.steps.join() === f.steps.join()));
      expect(same.length).toBe(conflict.facts.length);
      const plan = (kept: typeof same) => {
        const relaxed = without(dish, scene.now, EMPTY_LOG, facts, new Set(kept));
        return planDish(relaxed.dish, { now: relaxed.now, methods: scene.methods, rounds: 0, conflicts: 400 }).status;
      };
      expect(plan(same), `seed ${seed}`).toBe("infeasible");
      for (const fact of same) expect(plan(same.filter((f) => f !== fact)), `seed ${seed} without: ${fact.text}`).toBe("feasible");
    }
    expect(checked).toBeGreaterThanOrEqual(6);
  });
});

describe("repairs", () => {
  /** Applies each repair and plans with it. */
  const works = (value: Loose, options: PlanOptions = {}) => {
    const d = diagnosed(value, options);
    for (const repair of d.repairs) {
      const dish = dishModel(documentOf(applyPatch(value, repair.change)));
      const found = planDish(dish, { rounds: 6, ...options });
      expect(found.status, repair.text).toBe("feasible");
      if (found.status === "feasible") expect(verifyPlan(dish, found.plan, options).broken).toEqual([]);
      expect(repair.text.endsWith(".")).toBe(true);
    }
    const costs = d.repairs.map((r) => r.regret.total);
    expect(costs.every((c) => Number.isFinite(c))).toBe(true);
    return d.repairs;
  };
  test("too late: serve later, by little more than is needed", () => {
    const now = dishOf(smallDish()).serveAt - 300;
    const later = works(smallDish(), { now, planAt: "likely" }).find((r) => r.kind === "serve-later");
    expect(later?.text).toMatch(/^Serve at Sun 18\/10 1\d:\d\d instead/);
    expect(later?.change[0]).toMatchObject({ op: "replace", path: "/dish/serveAt" });
  });
  test("hands: an hour more, a helper", () => {
    const busy = twoAtOnce();
    busy.kitchen.cooks[0].hours[0].from = "07:00";
    const kinds = works(busy).map((r) => r.kind);
    expect(kinds).toContain("helper");
    expect(kinds).toContain("longer-wait");
  });
  test("the cook's evening", () => {
    const tight = smallDish((d) => (d.kitchen.cooks[0].hours = [{ from: "2026-10-18T12:00", to: "2026-10-18T14:00" }]));
    const hours = works(tight).find((r) => r.kind === "hours");
    expect(hours?.text).toMatch(/^ada also free (Sat|Sun)/);
  });
  test("a pot borrowed, a cool box", () => {
    expect(works(smallDish((d) => (stepOf(d, "stock.simmer").uses[1].litres = 14))).map((r) => r.kind)).toContain("equipment");
    const cold = smallDish((d) => {
      d.kitchen.equipment.find((e: Loose) => e.id === "fridge").litres = 1;
      stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "2h", max: "3d", limit: "safety" }];
    });
    expect(
      works(cold)
        .map((r) => r.text)
        .join(),
    ).toMatch(/cool box/);
  });
  test("the bought stand-in", () => {
    const bought = smallDish((d) => (d.components[0].fallback = { name: "Bought stock", lead: "30m", quality: 0.7 }));
    const now = dishOf(smallDish()).serveAt - 200;
    expect(
      works(bought, { now, planAt: "likely" })
        .map((r) => r.text)
        .join(),
    ).toMatch(/Bought stock instead of stock/);
  });
  test("a method that was fixed is let go", () => {
    const two = smallDish((d) =>
      d.components[0].methods.push({
        id: "bought",
        name: "From the tin",
        quality: 0.7,
        steps: [{ id: "open", name: "Open the tin", time: "5m", makes: stepOf(d, "stock.simmer").makes }],
      }),
    );
    const d = diagnosed(two, { now: dishOf(two).serveAt - 200, methods: { stock: "slow" }, planAt: "likely" });
    expect(d.repairs.map((r) => r.text)).toContain("Stock: from the tin instead.");
  });
  test("never touch a limit of safety", () => {
    const unsafe = smallDish((d) => {
      stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, max: "1h", limit: "safety" }];
      stepOf(d, "sauce.reduce").after = [];
      d.kitchen.cooks[0].hours = [{ days: "sun", from: "11:00", to: "14:00" }];
    });
    for (const repair of works(unsafe)) for (const op of repair.change) expect(op.path).not.toMatch(/holds|after/);
  });
  test("of the harvest lunch begun too late serve it a week later", () => {
    const lunch = demoDocument("harvest-lunch");
    const d = diagnosed(lunch, { now: dishOf(lunch).serveAt - 2000 });
    expect(said(d)).toMatch(/"Cure in the fridge" takes 4 days/);
    expect(d.repairs.find((r) => r.kind === "serve-later")?.text).toMatch(/^Serve at \w+ 2\d\/10/);
  });
});

describe("JSON Patch", () => {
  test("adds, replaces and moves, and leaves the original alone", () => {
    const before = { a: [1, 2, 3], b: { "c/d": 1 } };
    const after = applyPatch(before, [
      { op: "add", path: "/a/-", value: 4 },
      { op: "add", path: "/a/0", value: 0 },
      { op: "replace", path: "/b/c~1d", value: 9 },
      { op: "move", from: "/a/4", path: "/a/1" },
    ]);
    expect(after).toEqual({ a: [0, 4, 1, 2, 3], b: { "c/d": 9 } });
    expect(before).toEqual({ a: [1, 2, 3], b: { "c/d": 1 } });
  });
  test("refuses places that are not there, and never reaches a prototype", () => {
    for (const path of ["/x/y", "/a/9", "/b"]) expect(() => applyPatch({ a: [1] }, [{ op: "replace", path, value: 1 }])).toThrow(/patch/);
    for (const path of ["/__proto__/polluted", "/constructor/prototype/polluted"]) {
      expect(() => applyPatch({}, [{ op: "add", path, value: 1 }])).toThrow(/no dish has/);
      expect(() => applyPatch({ a: 1 }, [{ op: "move", from: "/a", path }])).toThrow(/no dish has/);
      expect(Object.hasOwn(Object.prototype, "polluted")).toBe(false);
    }
  });
});
