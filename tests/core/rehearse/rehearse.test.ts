// A plan that is followed press by press: it always is served, its plans keep the rules all the way, and the fast form says about the same.

import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { REHEARSAL_DISHES } from "../../../bench/rehearsal/dishes";
import { applyPatch } from "../../../src/core/dish/patch";
import { pertShare } from "../../../src/core/dish/planned-length";
import type { DishFile } from "../../../src/core/dish/schema";
import { EMPTY_LOG, type Plan, planDish, verifyPlan } from "../../../src/core/planner";
import type { LogEvent } from "../../../src/core/planner/log";
import { FOLLOW, likelyInAll, nextPress, policyOf, pressed, trueMinutes } from "../../../src/core/planner/policy";
import { riskOf } from "../../../src/core/planner/risk";
import { waysOn } from "../../../src/core/planner/ways-on";
import { followOnce, rehearse } from "../../../src/core/rehearse";
import { deep } from "../../support/deep";
import { demoDocument, dishOf } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const documentOf = (name: string): DishFile => REHEARSAL_DISHES.find((d) => d.dish.id === name) as DishFile;
const planOf = (document: unknown, planAt: "likely" | "cautious" | "longest" = "likely"): Plan => {
  const planned = planDish(dishOf(document), { planAt, rounds: 10 });
  if (planned.status !== "feasible") throw new Error(planned.conflict.map((c) => c.text).join(" "));
  return planned.plan;
};

describe("followed to serving", () => {
  test.each(["bean-stew", "smoked-shoulder", "rye-loaf", "filled-pasta", "roast-goose", "brined-chicken"])(
    "%s always gets there, planned at usual lengths",
    (name) => {
      const document = documentOf(name);
      const result = rehearse(document, planOf(document), { runs: deep(5, 12), seed: 5 });
      expect(result.none).toBe(0);
      expect(result.within60).toBeGreaterThan(deep(0.7, 0.8));
      expect(result.safetyBroken).toBe(0);
    },
  );
  test("every plan on the way keeps the rules by the log so far, but for what it tells", () => {
    const document = demoDocument("spiced-duck") as DishFile;
    const dish = dishOf(document);
    let looked = 0;
    let served = dish.serveAt;
    followOnce(document, planOf(document), {
      seed: 11,
      onReplan: (_, now, answer, log) => {
        if (answer.status !== "feasible") return;
        served = answer.plan.serveAt;
        looked++;
        expect(
          verifyPlan(dish, answer.plan, { now, serveAt: served, log }).broken.filter((b) => b.rule !== "H4" && b.rule !== "H3"),
        ).toEqual([]);
      },
    });
    expect(looked).toBeGreaterThan(2);
  });
  test("the same plan, seed and policy give the same runs; slower hands come later", () => {
    const document = documentOf("layer-cake");
    const plan = planOf(document);
    const run = (policy = FOLLOW) => rehearse(document, plan, { runs: 6, seed: 3, policy });
    expect(run()).toEqual(run());
    expect(run({ ...FOLLOW, slow: 1.5 }).onTime).toBeLessThanOrEqual(run().onTime);
  });
  test("rounds are missed as often as the policy says, and change no length", () => {
    const document = smallDish((d) => {
      stepOf(d, "stock.simmer").tend = { every: "20m", what: "skim" };
    }) as DishFile;
    const plan = planOf(document);
    const called = plan.steps.flatMap((s) => s.rounds).length;
    expect(called).toBeGreaterThan(5);
    const missed = (text: string, seed: number) => followOnce(document, plan, { seed, policy: policyOf(text) });
    expect(missed("follow", 1).missed).toEqual([]);
    expect(missed("rounds=1", 1).missed.every((m) => m.step === "stock.simmer" && m.what === "skim")).toBe(true);
    const seeds = Array.from({ length: 40 }, (_, i) => i + 1);
    const all = seeds.map((seed) => missed("rounds=1", seed).missed.length).reduce((a, b) => a + b, 0);
    const some = seeds.map((seed) => missed("rounds=1/4", seed).missed.length).reduce((a, b) => a + b, 0);
    expect(some / all).toBeGreaterThan(0.17);
    expect(some / all).toBeLessThan(0.33);
    for (const seed of seeds.slice(0, 5)) expect(missed("rounds=1", seed).end.log).toEqual(missed("follow", seed).end.log);
  });
  test("a thermometer in the roast tells its true end before the plan's has come, and changes no length", () => {
    const document = demoDocument("spiced-duck") as DishFile;
    const plan = planOf(document);
    let [told, near, early] = [0, 0, 0];
    for (let seed = 1; seed <= 12; seed++) {
      const seen: { ran: number; inAll: number }[] = [];
      let began = 0;
      const run = followOnce(document, plan, {
        seed,
        policy: policyOf("probe"),
        onPress: (press, now) => {
          if (press.step !== "duck.roast") return;
          if (press.kind === "started") began = now;
          if (press.kind === "estimate" && press.coreC !== undefined) seen.push({ ran: now - began, inAll: press.until - began });
        },
      });
      const length = (r: typeof run) => {
        const event = r.end.log.events.get("duck.roast");
        return (event?.ended ?? 0) - (event?.started ?? 0);
      };
      expect(length(run)).toBe(length(followOnce(document, plan, { seed })));
      told += seen.length;
      near += seen.filter((s) => Math.abs(s.inAll - length(run)) <= 0.15 * length(run)).length;
      early += seen.filter((s) => s.ran < 60).length;
    }
    expect(told).toBeGreaterThan(12);
    expect(early).toBeGreaterThan(6);
    expect(near / told).toBeGreaterThan(0.75);
  });
  test("a step that is not roasted, or has no temperature to reach, has no thermometer", () => {
    const document = documentOf("bean-stew");
    const plan = planOf(document);
    expect(rehearse(document, plan, { runs: 3, policy: policyOf("probe") })).toEqual(rehearse(document, plan, { runs: 3 }));
  });
  test.each([["late=20m"], ["forget=1/4"], ["slow=1.1"]])("with %s there is a plan all the same", (text) => {
    const document = demoDocument("saturday-pastries") as DishFile;
    expect(rehearse(document, planOf(document, "cautious"), { runs: deep(3, 8), seed: 2, policy: policyOf(text) }).none).toBe(0);
  });
  test("planned at its longest lengths it is on time, however long it takes", () => {
    const document = documentOf("country-terrine");
    expect(rehearse(document, planOf(document, "longest"), { runs: 20 }).within15).toBe(1);
  });
  test("the fast form says about the same as the execution", () => {
    const gaps = ["bean-stew", "onion-tart", "country-terrine"].flatMap((name) =>
      (["likely", "longest"] as const).map((planAt) => {
        const document = documentOf(name);
        const plan = planOf(document, planAt);
        return riskOf(dishOf(document), plan, { runs: 2000 }).within15 - rehearse(document, plan, { runs: 20 }).within15;
      }),
    );
    expect(Math.abs(gaps.reduce((a, b) => a + b, 0) / gaps.length)).toBeLessThan(0.1);
  });
});

describe("the policy", () => {
  test.each([
    ["follow", FOLLOW],
    ["slow=1.1", { ...FOLLOW, slow: 1.1 }],
    ["late=20m", { ...FOLLOW, lateMinutes: 20 }],
    ["forget=1/8,late=5m", { ...FOLLOW, lateMinutes: 5, forget: 0.125 }],
    ["rounds=1/8", { ...FOLLOW, missRounds: 0.125 }],
    ["probe", { ...FOLLOW, probe: true }],
    ["slow=1.1,probe", { ...FOLLOW, slow: 1.1, probe: true }],
    ["probe=1", undefined],
    ["rounds=3", undefined],
    ["slow", undefined],
    ["slow=0", undefined],
    ["forget=2", undefined],
    ["dance", undefined],
  ])("%s is read", (text, policy) => expect(policyOf(text)).toEqual(policy));

  const stew = dishOf(documentOf("bean-stew"));
  const prove = stew.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === "bread.prove") as NonNullable<
    Parameters<typeof trueMinutes>[0]
  >;
  test("a true length lies inside the range, and is drawn as often as the range says", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 0.999, noNaN: true }), (share) => {
        const minutes = trueMinutes(prove, share, FOLLOW);
        expect(minutes).toBeGreaterThanOrEqual(30);
        expect(minutes).toBeLessThanOrEqual(45);
        expect(Math.abs(pertShare(prove.time, minutes) - share)).toBeLessThan(0.13);
      }),
    );
  });
  test("what is likely in all, given that it is not over, lies ahead, and grows with what has passed", () => {
    let before = 0;
    for (let ran = 20; ran < 60; ran++) {
      const all = likelyInAll(prove, ran);
      expect(all).toBeGreaterThan(ran);
      expect(all).toBeGreaterThanOrEqual(before);
      before = all;
    }
  });
  test("a look at the thermometer counts where it says clearly something else, from half an hour on", () => {
    const document = smallDish((d) => Object.assign(stepOf(d, "stock.simmer"), { time: { min: "3h", likely: "4h", max: "5h" } }));
    const plan = planOf(document);
    const dish = dishOf(document);
    const steps = new Map(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref, s] as const))));
    const planned = plan.steps.find((s) => s.step === "stock.simmer") as Plan["steps"][number];
    const log = pressed(EMPTY_LOG, { kind: "started", step: planned.step, at: planned.start }, false);
    const alone = { ...plan, steps: [planned] };
    const length = planned.end - planned.start;
    const next = (inAll: number, now = planned.start) =>
      nextPress({
        plan: alone,
        log,
        now,
        steps,
        truth: new Map([[planned.step, length]]),
        gets: (s) => s.start,
        forecasts: (_, ran) => ({ inAll, coreC: ran }),
      });
    const ended = { kind: "ended", at: planned.end };
    // Less than a tenth of what is left is no reason to move a plan.
    const least = Math.ceil(0.1 * (length - 30));
    expect(next(length + least)).toMatchObject({ kind: "estimate", at: planned.start + 30, until: planned.end + least, coreC: 30 });
    expect(next(length - least)).toMatchObject({ kind: "estimate", at: planned.start + 30, until: planned.end - least });
    expect(next(length)).toMatchObject(ended);
    expect(next(length + 4)).toMatchObject(ended);
    // Five minutes are clear once no more than fifty are left.
    expect(next(length + 5)).toMatchObject({ kind: "estimate", at: planned.start + 30 + 10 * Math.ceil((length - 80) / 10) });
    // What was looked at already is not looked at again.
    expect(next(length + 60, planned.start + 30)).toMatchObject({ at: planned.start + 40 });
  });
  test("starts when told, ends when it is over, says so where it is not, puts a split step down and takes it up", () => {
    const document = smallDish((d) =>
      Object.assign(stepOf(d, "stock.chop"), { time: { min: "1h", likely: "2h", max: "3h" }, split: { minPiece: "20m" } }),
    );
    const plan = planOf(document);
    const steps = new Map(dishOf(document).components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref, s] as const))));
    const chop = plan.steps.find((s) => s.step === "stock.chop") as Plan["steps"][number];
    const cut: Plan = {
      ...plan,
      steps: plan.steps.map((s) =>
        s === chop
          ? {
              ...s,
              pieces: [
                [s.start, s.start + 40],
                [s.end - 80, s.end],
              ],
            }
          : s,
      ),
    };
    const gets = (s: { start: number }) => s.start;
    const kitchen = (log: typeof EMPTY_LOG, now: number) => ({
      plan: cut,
      log,
      now,
      steps,
      truth: new Map([...steps.keys()].map((ref) => [ref, ref === "stock.chop" ? 120 : 10])),
      gets,
    });
    const first = nextPress(kitchen(EMPTY_LOG, chop.start - 10));
    expect(first).toMatchObject({ kind: "started", step: "stock.chop", at: chop.start });
    let log = pressed(EMPTY_LOG, first as never, true);
    const second = nextPress(kitchen(log, chop.start));
    expect(second).toMatchObject({ kind: "put-down", at: chop.start + 40 });
    log = pressed(log, second as never, true);
    const third = nextPress(kitchen(log, chop.start + 40));
    expect(third).toMatchObject({ kind: "taken-up", at: chop.end - 80 });
    log = pressed(log, third as never, true);
    expect(nextPress(kitchen(log, chop.end - 80))).toMatchObject({ kind: "ended", at: chop.end });
    expect(log.events.get("stock.chop")?.pieces).toEqual([
      [chop.start, chop.start + 40],
      [chop.end - 80, undefined],
    ]);
  });
});

describe("ways on", () => {
  test("each is planned with, keeps safety limits, and as a patch gives that plan again", () => {
    const document = documentOf("bean-stew");
    const dish = dishOf(document);
    const plan = planOf(document);
    const griddle = plan.steps.find((s) => s.step === "bread.griddle") as Plan["steps"][number];
    // The stew is an hour behind when the breads are to be griddled.
    const events = new Map<string, LogEvent>(
      plan.steps
        .filter((s) => s.start < griddle.start && s.step !== "stew.simmer")
        .map((s) => [s.step, { step: s.step, started: s.start, ended: Math.min(s.end, griddle.start), estimate: undefined }]),
    );
    const now = griddle.start;
    events.set("stew.simmer", { step: "stew.simmer", started: now - 5, ended: undefined, estimate: now + 75 });
    const options = { now, log: { ...EMPTY_LOG, events }, previous: plan, planAt: plan.planAt, rounds: 0 };
    expect(planDish(dish, options).status).toBe("infeasible");
    const ways = waysOn(document, options);
    expect(ways.length).toBeGreaterThan(0);
    for (const way of ways) {
      const changed = dishOf(applyPatch(document, way.change));
      expect(
        verifyPlan(changed, way.plan, {
          now,
          serveAt: way.plan.serveAt,
          log: way.press
            ? {
                ...options.log,
                events: new Map(events).set(way.press, { step: way.press, started: now - 5, ended: now, estimate: undefined }),
              }
            : options.log,
        }).broken,
      ).toEqual([]);
    }
    expect(ways.map((w) => w.kind)).toContain("serve-later");
  });
});
