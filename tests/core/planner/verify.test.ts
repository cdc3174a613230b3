// The verifier is the judge of all plans, so it is judged here: whatever breaks a rule in a good plan is told, under that rule.
import { describe, expect, test } from "vitest";
import type { Dish, Step } from "../../../src/core/dish/model";
import { type Plan, type PlannedStep, planDish, verifyPlan } from "../../../src/core/planner";
import { DEMO, demoDish, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";
import { randomDish } from "../generate";

type Draft = { -readonly [K in keyof Plan]: Loose };

const planned = (dish: Dish): Plan => {
  const found = planDish(dish, { rounds: 3 });
  if (found.status !== "feasible") throw new Error(found.conflict.map((c) => c.text).join(" "));
  return found.plan;
};
const broken = (dish: Dish, plan: Plan, change: (draft: Draft) => void, options = {}) => {
  const draft = structuredClone(plan) as Draft;
  change(draft);
  return verifyPlan(dish, draft as Plan, options).broken;
};
const rules = (found: readonly { rule: string }[]) => new Set(found.map((b) => b.rule));

/** Moves a step with all that hangs on it. */
function move(draft: Draft, ref: string, by: number): void {
  const step = draft.steps.find((s: PlannedStep) => s.step === ref);
  step.start += by;
  step.end += by;
  step.pieces = step.pieces.map(([a, b]: number[]) => [(a as number) + by, (b as number) + by]);
  for (const list of [step.hands, step.equipment]) {
    for (const span of list) {
      span.from += by;
      span.to += by;
    }
  }
  for (const round of step.rounds) round.at += by;
}

const inForce = (dish: Dish, plan: Plan): Step[] =>
  dish.components.flatMap((c) => c.methods.find((m) => m.id === plan.methods[c.id])?.steps ?? []);

interface Breach {
  readonly rule: string;
  readonly what: string;
  readonly change: (draft: Draft) => void;
}

/** Every breach of a kind that can be made in a plan, each aimed at one rule. */
function breaches(dish: Dish, plan: Plan): Breach[] {
  const at = (ref: string) => plan.steps.find((s) => s.step === ref) as PlannedStep;
  const found: Breach[] = [];
  const add = (rule: string, what: string, change: Breach["change"]) => found.push({ rule, what, change });
  const of = (draft: Draft, ref: string) => draft.steps.find((s: PlannedStep) => s.step === ref);
  for (const step of inForce(dish, plan)) {
    const here = at(step.ref);
    const { ref } = step;
    add("H1", `${ref} left out`, (d) => (d.steps = d.steps.filter((s: PlannedStep) => s.step !== ref)));
    add("H1", `${ref} cut short`, (d) => {
      const s = of(d, ref);
      const last = s.pieces.at(-1);
      if (last[0] === last[1]) last[1]++;
      else last[1] -= step.stretch + 1; // a stretched run may be so much longer than it need be
      s.end = last[1];
      s.minutes = s.pieces.reduce((sum: number, [a, b]: number[]) => sum + (b as number) - (a as number), 0);
    });
    add("H2", `${ref} before now`, (d) => move(d, ref, plan.now - here.start - 1));
    for (const link of step.links) {
      const other = at(link.step);
      const origin = link.from === "end" ? other.end : other.start;
      add("H3", `${ref} too early after ${link.step}`, (d) => move(d, ref, origin + link.min - here.start - 1));
      if (link.max !== undefined)
        add("H3", `${ref} too late after ${link.step}`, (d) => move(d, ref, origin + (link.max as number) - here.start + 1));
    }
    for (const hold of plan.holds.filter((h) => h.taker === ref)) {
      const output = inForce(dish, plan)
        .flatMap((s) => s.makes)
        .find((o) => o.ref === hold.output);
      const window = output?.holds[hold.hold];
      const take = step.takes.find((t) => t.from === hold.output);
      if (!window || take?.during !== undefined || take?.each) continue;
      add("H4", `${ref} takes ${hold.output} too early`, (d) => move(d, ref, hold.from + window.min - here.start - 1));
      if (window.max !== undefined)
        add("H4", `${ref} takes ${hold.output} too late`, (d) => move(d, ref, hold.from + (window.max as number) - here.start + 1));
      add(
        "H4",
        `${ref} under a hold that ${hold.output} has not`,
        (d) => (d.holds.find((h: Loose) => h.taker === ref && h.output === hold.output).hold = 99),
      );
    }
    if (step.within) add("H4", `${ref} outside ${step.within}`, (d) => move(d, ref, at(step.within as string).end - here.end + 1));
    if (here.hands.length) {
      add("H6", `${ref} by nobody`, (d) => (of(d, ref).hands = []));
      add("H6", `${ref} by a stranger`, (d) => (of(d, ref).hands[0].cook = "nobody"));
      add("H6", `${ref} while another work is in the same hands`, (d) => {
        const busy = plan.steps.find((s) => s.step !== ref && s.hands.some((h) => h.from < h.to));
        if (!busy) return (of(d, ref).hands = []);
        const [hand] = busy.hands as [{ cook: string; from: number; to: number }];
        of(d, ref).hands[0] = { cook: hand.cook, from: hand.from, to: hand.to };
      });
    }
    here.rounds.forEach((round, i) => {
      const tend = step.tends[round.tend];
      add("H8", `${ref} without round ${i}`, (d) => of(d, ref).rounds.splice(i, 1));
      add("H8", `${ref} with round ${i} out of its rhythm`, (d) => (of(d, ref).rounds[i].at += Math.ceil((tend?.every ?? 60) * 0.8) + 10));
    });
    for (const [i, span] of here.equipment.entries()) {
      const use = step.uses[span.use];
      add("H9", `${ref} without its ${use?.what}`, (d) => of(d, ref).equipment.splice(i, 1));
      add("H9", `${ref} on something that is no ${use?.what}`, (d) => (of(d, ref).equipment[i].id = "no-such-thing"));
      if (["oven", "bath", "grill"].includes(use?.what ?? "") && use) {
        add(
          "H10",
          `${ref} in an oven that is off`,
          (d) => (d.settings = d.settings.filter((s: Loose) => s.to <= span.from || s.from >= span.to)),
        );
        add("H10", `${ref} too cold`, (d) =>
          d.settings.filter((s: Loose) => s.from < span.to && span.from < s.to).forEach((s: Loose) => (s.tempC -= use.toleranceC + 5)),
        );
      }
    }
  }
  for (const [i] of plan.settings.entries()) {
    add("H10", `setting ${i} hotter than it gets`, (d) => (d.settings[i].tempC = 900));
    add("H10", `setting ${i} that does not last`, (d) => (d.settings[i].to = d.settings[i].from));
  }
  return found;
}

describe("every breach is caught by its rule", () => {
  const dishes: [string, () => Dish][] = [
    ...DEMO.map((name): [string, () => Dish] => [name, () => demoDish(name)]),
    ...Array.from({ length: 25 }, (_, i): [string, () => Dish] => [`random ${i + 1}`, () => dishOf(randomDish(i + 1))]),
  ];
  const seen = new Map<string, number>();
  test.each(dishes)("%s", (name, make) => {
    const dish = make();
    const found = planDish(dish, { rounds: 3 });
    if (found.status !== "feasible") return expect(name).toMatch(/^random/);
    expect(verifyPlan(dish, found.plan).broken).toEqual([]);
    const missed: string[] = [];
    for (const breach of breaches(dish, found.plan)) {
      const caught = rules(broken(dish, found.plan, breach.change));
      seen.set(breach.rule, (seen.get(breach.rule) ?? 0) + 1);
      if (!caught.has(breach.rule)) missed.push(`${breach.rule}: ${breach.what} (caught: ${[...caught].join(" ") || "nothing"})`);
    }
    expect(missed).toEqual([]);
  });
  test("and each rule had its turn", () => {
    for (const rule of ["H1", "H2", "H3", "H4", "H6", "H8", "H9", "H10"]) expect(seen.get(rule) ?? 0, rule).toBeGreaterThan(20);
  });
});

describe("rules that a change of the kitchen or the dish breaks", () => {
  /** A good plan of one dish, held against another. */
  const against = (change: (d: Loose) => void, base: (d: Loose) => void = () => {}) => {
    const plan = planned(dishOf(smallDish(base)));
    const other = smallDish(base);
    change(other);
    return rules(verifyPlan(dishOf(other), plan).broken);
  };
  test("H1: serving at another hour", () => expect(against((d) => (d.dish.serveAt = "2026-10-18T14:00"))).toContain("H1"));
  test("H5: more is used than made", () => {
    const dish = dishOf(smallDish());
    const plan = planned(dish);
    const sauce = dish.components[1]?.methods[0]?.steps[0] as unknown as { takes: { quantity: { value: number } }[] };
    (sauce.takes[0] as { quantity: { value: number } }).quantity.value = 5000;
    expect(rules(verifyPlan(dish, plan).broken)).toContain("H5");
  });
  test("H6: the cook has other hours", () =>
    expect(against((d) => (d.kitchen.cooks[0].hours = [{ days: "mon", from: "09:00", to: "10:00" }]))).toContain("H6"));
  test("H7: nobody is awake beside the pot", () =>
    expect(against((d) => (d.kitchen.cooks[0].awake = [{ days: "mon", from: "09:00", to: "10:00" }]))).toContain("H7"));
  test("H7: nobody is at home with a flame on", () => {
    const alone = (d: Loose) => Object.assign(stepOf(d, "stock.simmer"), { attention: "unattended", sleepOk: true, awayOk: false });
    expect(against((d) => (d.kitchen.cooks[0].away = [{ days: "all", from: "00:01", to: "23:59" }]), alone)).toContain("H7");
  });
  test("H9: a pot less", () =>
    expect(
      against(
        (d) =>
          (d.kitchen.equipment = d.kitchen.equipment.filter((e: Loose) => e.id !== "big").concat({ id: "huge", kind: "pot", litres: 20 })),
      ),
    ).toContain("H9"));
  test("H9: a pot too small", () =>
    expect(against((d) => (d.kitchen.equipment.find((e: Loose) => e.id === "big").litres = 5))).toContain("H9"));
  test("H11: a fridge too full", () => {
    expect(
      against(
        (d) => (d.kitchen.equipment.find((e: Loose) => e.id === "fridge").litres = 0.5),
        (d) => {
          stepOf(d, "stock.simmer").makes[0].holds[0].min = "1h";
          stepOf(d, "stock.simmer").makes[0].holds.length = 1;
        },
      ),
    ).toContain("H11");
  });
  test("H12: a window over the hob", () => {
    for (const forbid of ["heat", "hands", "*"]) {
      expect(against((d) => (d.kitchen.windows = [{ weekly: { days: "all", from: "08:00", to: "20:00" }, forbid: [forbid] }]))).toContain(
        "H12",
      );
    }
  });
  test("H12 lets a step through that the window allows", () => {
    const closed = { weekly: { days: "all", from: "08:00", to: "20:00" }, forbid: ["noisy"] };
    const noisy = (d: Loose) => (stepOf(d, "stock.chop").tags = ["noisy"]);
    expect(against((d) => (d.kitchen.windows = [closed]), noisy)).toContain("H12");
    expect(against((d) => (d.kitchen.windows = [{ ...closed, allow: ["stock.chop"] }]), noisy)).not.toContain("H12");
  });
});

describe("limits to the minute", () => {
  test("rounds of a quick rhythm come at least half of it apart", () => {
    const dish = dishOf(smallDish((d) => (stepOf(d, "stock.simmer").tend = [{ what: "stir", every: "10m" }])));
    const plan = planned(dish);
    // Each may be moved by five minutes; two that are moved towards each other come too close.
    const moved = (first: number, second: number) =>
      rules(
        broken(dish, plan, (d) => {
          const { rounds, start } = d.steps.find((s: PlannedStep) => s.step === "stock.simmer");
          [rounds[3].at, rounds[4].at] = [start + 40 + first, start + 50 + second];
        }),
      );
    expect([...moved(3, -2)]).toEqual([]);
    expect([...moved(3, -3)]).toEqual(["H8"]);
    expect([...moved(5, 0)]).toEqual([]);
    expect([...moved(6, 1)]).toEqual(["H8"]);
  });
  test("a split step has no piece shorter than it may have, also where there are two", () => {
    const dish = dishOf(smallDish((d) => Object.assign(stepOf(d, "stock.chop"), { time: "60m", split: { minPiece: "20m" } })));
    const plan = planned(dish);
    const cut = (first: number) =>
      broken(dish, plan, (d) => {
        const step = d.steps.find((s: PlannedStep) => s.step === "stock.chop");
        const end = step.end;
        const length = step.minutes;
        step.pieces = [
          [end - length - 10, end - length - 10 + first],
          [end - length + first, end],
        ];
        step.start = end - length - 10;
        step.hands = step.pieces.map(([from, to]: [number, number]) => ({ ...step.hands[0], from, to }));
      }).filter((b) => b.steps.includes("stock.chop") && b.rule === "H1");
    expect(cut(20)).toEqual([]);
    expect(cut(19).map((b) => b.why)).toEqual(["No piece may be shorter than 20 min."]);
    expect(cut(41).map((b) => b.why)).toEqual(["No piece may be shorter than 20 min."]);
  });
});

describe("what the log says stands", () => {
  test("a done step at another time is told, and one where the log has it is not", () => {
    const dish = demoDish("spiced-duck");
    const plan = planned(dish);
    const first = plan.steps[0] as PlannedStep;
    const log = (shift: number) => ({
      events: new Map([[first.step, { step: first.step, started: first.start + shift, ended: first.end + shift, estimate: undefined }]]),
      pins: [],
      methods: {},
      heat: [],
    });
    expect(verifyPlan(dish, plan, { now: first.end, log: log(0) }).broken.filter((b) => b.steps.includes(first.step))).toEqual([]);
    expect(rules(verifyPlan(dish, plan, { now: first.end, log: log(7) }).broken)).toContain("H2");
  });
});

test("a verdict's figures do not trust the plan's own", () => {
  const dish = demoDish("saturday-pastries");
  const plan = planned(dish);
  const lying = { ...plan, leadMinutes: 1, regret: { ...plan.regret, total: -5 } };
  expect(verifyPlan(dish, lying).leadMinutes).toBe(plan.leadMinutes);
  expect(verifyPlan(dish, lying).regret).toEqual(plan.regret);
});
