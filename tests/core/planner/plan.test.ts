// What the planner promises: plans that the verifier accepts, or a refusal that says why; latest-first; the same again for the same
// seed; and each feature of the format where it matters.
import { describe, expect, test } from "vitest";
import { type Plan, type PlanOptions, planDish, verifyPlan } from "../../../src/core/planner";
import { deep } from "../../support/deep";
import { DEMO, demoDish, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";
import { randomDish } from "../generate";
import { richDish } from "../generate-rich";

const plan = (document: Loose, options: PlanOptions = {}): Plan => {
  const dish = dishOf(document);
  const found = planDish(dish, { planAt: "likely", rounds: 20, ...options });
  if (found.status !== "feasible") throw new Error(found.conflict.map((c) => c.text).join(" "));
  expect(verifyPlan(dish, found.plan, options).broken).toEqual([]);
  return found.plan;
};
const refusal = (document: Loose, options: PlanOptions = {}) => {
  const found = planDish(dishOf(document), { planAt: "likely", rounds: 5, ...options });
  if (found.status === "feasible") throw new Error("a plan was found");
  return found;
};
const at = (p: Plan, ref: string) => p.steps.find((s) => s.step === ref) as Plan["steps"][number];
const wall = (document: Loose, minute: number) => dishOf(document).zone.toWallInstant(minute);

describe("random dishes, 1,000 of them in a deep run", () => {
  const EACH = deep(30, 250);
  test.each([0, 1, 2, 3])("quarter %i: a plan that the verifier accepts, or a refusal that names a rule", (quarter) => {
    const wrong: string[] = [];
    let feasible = 0;
    for (let seed = 1 + 250 * quarter; seed <= EACH + 250 * quarter; seed++) {
      const dish = dishOf(randomDish(seed));
      const found = planDish(dish, { rounds: 2, seed });
      if (found.status === "feasible") {
        feasible++;
        for (const b of verifyPlan(dish, found.plan).broken) wrong.push(`seed ${seed}: ${b.rule} ${b.steps.join(" ")} ${b.why}`);
      } else {
        if (found.conflict.length === 0 || found.conflict.some((c) => c.text.length < 10 || !/^(H\d+|pin)?$/.test(c.rule)))
          wrong.push(`seed ${seed}: a refusal without a reason`);
        // Not proved means: the search gave up. Then it must say so.
        if (!found.proved && !/may be a plan|cannot|found no plan/i.test(found.conflict.map((c) => c.text).join(" ")))
          wrong.push(`seed ${seed}: gave up and does not say so`);
      }
    }
    expect(wrong).toEqual([]);
    expect(feasible).toBeGreaterThan(0.72 * EACH);
  });
});

describe("random dishes with every feature, 120 of them in a deep run", () => {
  test.each([0, 1])("half %i: a plan that the verifier accepts, or a proof that there is none", (half) => {
    const wrong: string[] = [];
    let feasible = 0;
    for (let seed = 60 * half; seed < deep(16, 60) + 60 * half; seed++) {
      const dish = dishOf(richDish(seed));
      const found = planDish(dish, { rounds: 4, style: seed % 2 ? "late" : "shortest" });
      if (found.status === "infeasible") {
        if (!found.proved) wrong.push(`seed ${seed}: gave up`);
        continue;
      }
      feasible++;
      for (const b of verifyPlan(dish, found.plan).broken) wrong.push(`seed ${seed}: ${b.rule} ${b.steps.join(" ")} ${b.why}`);
      if (found.plan.boundMinutes > found.plan.leadMinutes) wrong.push(`seed ${seed}: a bound above its plan`);
    }
    expect(wrong).toEqual([]);
    expect(feasible).toBeGreaterThan(deep(7, 30));
  });
});

describe("the demo dishes", () => {
  test.each(DEMO)("%s is planned in each style, likely and cautious", (name) => {
    const dish = demoDish(name);
    for (const style of ["late", "ahead", "even", "shortest"] as const) {
      for (const planAt of ["likely", "cautious"] as const) {
        const found = planDish(dish, { style, planAt, rounds: 5 });
        expect(found.status, `${style} ${planAt}`).toBe("feasible");
        if (found.status === "feasible") expect(verifyPlan(dish, found.plan).broken).toEqual([]);
      }
    }
  });
  test("the same dish, options and seed give the same plan; improvement never makes it worse", () => {
    const dish = demoDish("harvest-lunch");
    const of = (rounds: number) => {
      const found = planDish(dish, { rounds, seed: 3 });
      return found.status === "feasible" ? found.plan : undefined;
    };
    expect(of(10)).toEqual(of(10));
    expect(of(60)?.regret.total).toBeLessThanOrEqual(of(0)?.regret.total ?? 0);
  });
  test("stopping at once still gives the plan found so far, and progress is told", () => {
    const dish = demoDish("harvest-lunch");
    const told: number[] = [];
    let asked = 0;
    const found = planDish(dish, { rounds: 10_000, stop: () => ++asked > 40, onProgress: (p) => told.push(p.done) });
    expect(found.status).toBe("feasible");
    expect(told.length).toBeGreaterThan(0);
    expect(Math.max(...told)).toBeLessThan(1);
  });
  test("no plan starts later than the bound allows", () => {
    for (const name of DEMO) {
      const dish = demoDish(name);
      for (const style of ["late", "shortest"] as const) {
        const found = planDish(dish, { style, rounds: 20 });
        if (found.status === "feasible") expect(found.plan.leadMinutes).toBeGreaterThanOrEqual(found.plan.boundMinutes);
      }
    }
  });
});

describe("backwards from serving", () => {
  test("a chain with free hands ends to the minute and starts as late as it can", () => {
    const p = plan(smallDish());
    expect(wall(smallDish(), at(p, "plate.put").end)).toBe("2026-10-18T13:00");
    expect(at(p, "plate.put").start - at(p, "sauce.reduce").end).toBe(0);
  });
  test("work by hand keeps the cook's hours; a simmer with nearby keeps to waking hours at home", () => {
    const night = smallDish((d) => {
      d.dish.serveAt = "2026-10-19T08:00";
      d.kitchen.cooks[0].hours = [
        { days: "sun", from: "10:00", to: "18:00" },
        { days: "mon", from: "07:30", to: "09:00" },
      ];
    });
    const p = plan(night);
    expect(wall(night, at(p, "stock.simmer").end) < "2026-10-18T23:00").toBe(true);
  });
  test("a job in the middle of the day pushes the work before or after it", () => {
    const job = smallDish((d) => {
      d.dish.serveAt = "2026-10-19T19:00";
      d.kitchen.cooks[0] = {
        id: "ada",
        hours: [{ days: "all", from: "07:00", to: "22:00" }],
        away: [{ days: "mon", from: "08:00", to: "17:30" }],
      };
    });
    const p = plan(job);
    for (const s of p.steps)
      for (const h of s.hands) expect(wall(job, h.from) < "2026-10-19T08:00" || wall(job, h.from) >= "2026-10-19T17:30").toBe(true);
  });
  test("nothing starts before now, and where that leaves no time, it is said and proved", () => {
    const dish = dishOf(smallDish());
    const found = refusal(smallDish(), { now: dish.serveAt - 200 });
    expect(found.proved).toBe(true);
    expect(found.conflict.map((c) => c.text).join(" ")).toMatch(/Simmer|Chop/);
  });
  test("a hold's longest wait is kept, for safety too", () => {
    const p = plan(
      smallDish(
        (d) => (stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "12h", max: "14h", limit: "safety" }]),
      ),
    );
    const wait = at(p, "sauce.reduce").start - at(p, "stock.simmer").end;
    expect(wait).toBeGreaterThanOrEqual(720);
    expect(wait).toBeLessThanOrEqual(840);
  });
});

describe("features", () => {
  const with_ = (ref: string, fields: object, more: (d: Loose) => void = () => {}) =>
    smallDish((d) => {
      Object.assign(stepOf(d, ref), fields);
      more(d);
    });
  test("two cooks share the work that one could not do", () => {
    const busy = (cooks: number) =>
      with_("plate.put", { after: [] }, (d) => {
        d.components[2].methods[0].steps.unshift({ id: "a", time: "2h", after: [] }, { id: "b", time: "2h", after: [] });
        stepOf(d, "plate.put").after = [
          { step: "a", max: "5m" },
          { step: "b", max: "5m" },
        ];
        d.kitchen.cooks = [{ id: "ada" }, { id: "ben" }].slice(0, cooks);
      });
    expect(refusal(busy(1)).conflict.length).toBeGreaterThan(0);
    const p = plan(busy(2));
    expect(new Set([at(p, "plate.a"), at(p, "plate.b")].flatMap((s) => s.hands.map((h) => h.cook))).size).toBe(2);
  });
  test("a step that may be put down is split around what else must be done", () => {
    const p = plan(
      with_(
        "stock.chop",
        { time: "6h", split: { minPiece: "30m" } },
        (d) => (d.kitchen.cooks[0].hours = [{ days: "all", from: "09:00", to: "13:30" }]),
      ),
    );
    const chop = at(p, "stock.chop");
    expect(chop.pieces.length).toBeGreaterThan(1);
    expect(chop.pieces.reduce((sum, [a, b]) => sum + b - a, 0)).toBe(360);
    for (const [a, b] of chop.pieces) expect(b - a).toBeGreaterThanOrEqual(30);
  });
  test("batches run one after another, as many as the amount needs", () => {
    const p = plan(with_("sauce.reduce", { attention: "hands", batches: { perBatch: { amount: 100, unit: "mL" }, of: "sauce" } }));
    expect(at(p, "sauce.reduce").minutes).toBe(240);
  });
  test("rounds stand in their rhythm and when somebody is there", () => {
    const p = plan(with_("stock.simmer", { time: "8h", tend: { every: "2h", takes: "5m", what: "skim" } }));
    expect(at(p, "stock.simmer").rounds).toHaveLength(3);
  });
  test("an overnight ferment ends when hands are free, by its stretch", () => {
    const ferment = with_(
      "stock.chop",
      { time: "9h", stretch: "8h", attention: "unattended", handsEnd: "5m" },
      (d) => (d.kitchen.cooks[0].hours = [{ days: "all", from: "08:00", to: "20:00" }]),
    );
    const p = plan(ferment);
    const end = wall(ferment, at(p, "stock.chop").end).slice(11);
    expect(end >= "08:05" && end <= "20:00").toBe(true);
  });
  test("two bakes at one heat share the oven; two that differ get time to change", () => {
    const bakes = (second: number) =>
      with_("plate.put", {}, (d) => {
        const bake = (id: string, tempC: number) => ({
          id,
          name: id,
          time: "40m",
          attention: "unattended",
          sleepOk: true,
          uses: [{ what: "oven", tempC, tolerance: 5, racks: 1 }],
        });
        d.components[2].methods[0].steps.unshift(bake("one", 180), bake("two", second));
        stepOf(d, "plate.put").after = [
          { step: "one", max: "3h" },
          { step: "two", max: "3h" },
        ];
      });
    const shared = plan(bakes(180), { rounds: 60 });
    expect(shared.settings.length).toBe(1);
    const apart = plan(bakes(230), { rounds: 60 });
    const [first, second] = [at(apart, "plate.one"), at(apart, "plate.two")].sort((a, b) => a.start - b.start) as [
      Plan["steps"][number],
      Plan["steps"][number],
    ];
    // 30 degrees at 8 a minute.
    expect(second.start - first.end).toBeGreaterThanOrEqual(4);
    const [cool, hot] = apart.settings.map((s) => s.tempC).sort((a, b) => a - b) as [number, number];
    expect(hot - cool).toBeGreaterThanOrEqual(30);
  });
  test("a window keeps the noisy mixer out of the night", () => {
    const noisy = with_("stock.chop", { tags: ["noisy"] }, (d) => {
      d.kitchen.cooks[0].hours = [{ days: "all", from: "00:00", to: "24:00" }];
      d.kitchen.cooks[0].awake = [{ days: "all", from: "00:00", to: "24:00" }];
      d.dish.serveAt = "2026-10-18T13:00";
      d.kitchen.windows = [{ weekly: { days: "all", from: "20:00", to: "12:30" }, forbid: ["noisy"] }];
    });
    expect(wall(noisy, at(plan(noisy), "stock.chop").end) <= "2026-10-17T20:00").toBe(true);
  });
  test("one pot serves one step at a time, and the fridge has only its litres", () => {
    const p = plan(with_("sauce.reduce", {}, (d) => (d.kitchen.equipment = d.kitchen.equipment.filter((e: Loose) => e.id !== "small"))));
    expect(at(p, "sauce.reduce").equipment.find((e) => e.id === "big")).toBeDefined();
    const small = with_("stock.simmer", {}, (d) => {
      d.kitchen.equipment.find((e: Loose) => e.id === "fridge").litres = 1;
      stepOf(d, "stock.simmer").makes[0].holds.length = 1;
    });
    expect(refusal(small).conflict.map((c) => c.rule)).toContain("H11");
  });
  test("where the preferred method leaves no time, a quicker one is taken; fixed by the cook, it is not", () => {
    const rushed = smallDish((d) => {
      d.components[0].methods.push({
        id: "bought",
        quality: 0.7,
        steps: [{ id: "open", name: "Open the tin", time: "5m", makes: stepOf(d, "stock.simmer").makes }],
      });
    });
    const now = dishOf(rushed).serveAt - 180;
    expect(plan(rushed).methods.stock).toBe("slow");
    expect(plan(rushed, { now }).methods.stock).toBe("bought");
    expect(refusal(rushed, { now, methods: { stock: "slow" } }).conflict.length).toBeGreaterThan(0);
  });
  test("what is on hand already is taken and not made", () => {
    const stocked = smallDish(
      (d) =>
        (d.components[0].onHand = [{ output: "stock", amount: { amount: 2, unit: "L" }, madeAt: "2026-10-17T18:00", place: "fridge" }]),
    );
    const p = plan(stocked);
    expect(p.steps.some((s) => s.step.startsWith("stock."))).toBe(false);
    expect(p.steps.map((s) => s.step)).toEqual(["sauce.reduce", "plate.put"]);
  });
  test("twice the guests make what grows take longer, and a larger dish want a larger pot", () => {
    const grown = with_("stock.chop", { grows: 1 }, (d) => {
      d.dish.serves = 8;
      d.kitchen.equipment.find((e: Loose) => e.id === "big").litres = 20;
    });
    expect(refusal(with_("stock.chop", {}, (d) => (d.dish.serves = 8))).conflict[0]?.text).toMatch(/pot of 16 L/);
    expect(at(plan(grown), "stock.chop").minutes).toBe(40);
  });
  test("a circle of least and longest waits that cannot hold is told fact by fact", () => {
    const found = refusal(
      with_("stock.simmer", { after: [{ step: "chop", min: "2h", max: "2h" }] }, (d) => {
        d.components[0].methods[0].steps.push({
          id: "rest",
          name: "Rest",
          time: "10m",
          after: [{ step: "chop", max: "1h" }, "simmer"],
          makes: [],
        });
      }),
    );
    expect(found.proved).toBe(true);
    expect(found.conflict.length).toBeGreaterThanOrEqual(3);
    for (const c of found.conflict) expect(c.rule).toMatch(/^H/);
  });
});

describe("pins", () => {
  const pin = (fields: object) => ({
    log: {
      events: new Map(),
      pins: [{ step: "stock.chop", at: undefined, notBefore: undefined, notAfter: undefined, cook: undefined, ...fields }],
      methods: {},
      heat: [],
    },
  });
  const zone = dishOf(smallDish()).zone;
  test("a step stands where the cook has fixed it, or not before, not after, by whom", () => {
    const fixed = zone.toMinute("2026-10-17T10:30");
    expect(at(plan(smallDish(), pin({ at: fixed })), "stock.chop").start).toBe(fixed);
    expect(at(plan(smallDish(), pin({ notAfter: fixed })), "stock.chop").start).toBeLessThanOrEqual(fixed);
    expect(refusal(smallDish(), pin({ notBefore: zone.toMinute("2026-10-18T12:00") })).conflict.length).toBeGreaterThan(0);
    const two = smallDish((d) => d.kitchen.cooks.push({ id: "ben" }));
    expect(at(plan(two, pin({ cook: "ada" })), "stock.chop").hands[0]?.cook).toBe("ada");
  });
});
