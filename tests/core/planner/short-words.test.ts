// What is told of a conflict: true, short, and in a cook's words; and what is told of an exception, a held step and the waits as they are.
import { describe, expect, test } from "vitest";
import { EMPTY_LOG, type Plan, planDish, verifyPlan } from "../../../src/core/planner";
import { diagnose } from "../../../src/core/planner/explain";
import { factsOf } from "../../../src/core/planner/explain/facts";
import { folded, MOST_FACTS } from "../../../src/core/planner/explain/fold";
import { whyHere } from "../../../src/core/planner/explain/why";
import { exceptionWords } from "../../../src/words/exceptions";
import { demoDish, demoDocument, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const diagnosed = (document: Loose, options = {}) => {
  const planned = planDish(dishOf(document), options);
  if (planned.status === "feasible") throw new Error("there is a plan");
  return diagnose(document, options, planned);
};

/** A stock, a jelly and a crust that follow one another at once, on an evening too short for them. */
const inOneGo = () =>
  smallDish((d) => {
    const steps = d.components[0].methods[0].steps;
    steps.splice(
      2,
      0,
      { id: "strain", name: "Strain", time: "1h", after: [{ step: "simmer", max: "0m" }] },
      { id: "clear", name: "Clear", time: "2h", after: [{ step: "strain", max: "0m" }] },
      { id: "set", name: "Set", time: "1h", after: [{ step: "clear", max: "0m" }], makes: stepOf(d, "stock.simmer").makes },
    );
    stepOf(d, "stock.simmer").makes = undefined;
    delete stepOf(d, "stock.simmer").makes;
    d.kitchen.cooks[0].hours = [{ days: "all", from: "18:00", to: "21:00" }];
    d.kitchen.cooks[0].awake = [{ days: "all", from: "17:00", to: "22:00" }];
    d.dish.serveAt = "2026-10-18T20:00";
  });

describe("a conflict", () => {
  test("tells steps that follow at once as one stretch, and never more than eight facts", () => {
    const dish = dishOf(inOneGo());
    const inForce = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
    const facts = factsOf(dish, inForce, dish.serveAt - 5000, "likely", EMPTY_LOG);
    const chain = facts.filter((f) => ["link-max", "link-min", "length"].includes(f.kind));
    const said = folded(chain, dish, inForce, "likely").map((c) => c.text);
    expect(said.join("\n")).toMatch(/"Simmer" to "Set" is 8 h without a break/);
    expect(said.filter((text) => /Strain|Clear/.test(text))).toEqual([]);
    expect(folded(facts, dish, inForce, "likely").length).toBeLessThanOrEqual(MOST_FACTS);
    expect(diagnosed(inOneGo()).conflict.length).toBeLessThanOrEqual(MOST_FACTS);
  });
  test("names who asks for how much of a place, and what it has", () => {
    const { conflict } = diagnosed(
      smallDish((d) => {
        d.kitchen.equipment.find((e: Loose) => e.id === "fridge").litres = 1;
        stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "2h", max: "3d" }];
      }),
    );
    expect(conflict.map((c) => c.text).join(" ")).toMatch(/stock 2 L.*The fridge has 1 L/);
  });
  test("a length that is let go is free, so that what runs inside it does not seem to clash", () => {
    // A step inside a simmer, and nobody free: the simmer's length has nothing to do with it.
    const { conflict } = diagnosed(
      smallDish((d) => {
        d.components[1].methods[0].steps.unshift({ id: "steam", name: "Steam", time: "30m", within: "stock.simmer", cooks: ["ada"] });
        d.kitchen.cooks[0].hours = [{ days: "mon", from: "09:00", to: "09:10" }];
      }),
    );
    expect(conflict.some((c) => c.kind === "within" && conflict.length === 2)).toBe(false);
  });
  test("lists ways out that serve earlier, pass over a quiet time, or fit a pot in batches, each a plan", () => {
    const pot = diagnosed(smallDish((d) => (stepOf(d, "stock.simmer").uses[1].litres = 14)));
    expect(pot.repairs.map((r) => r.kind)).toContain("fit");
    const quiet = diagnosed(
      smallDish((d) => {
        stepOf(d, "stock.simmer").tags = ["noisy"];
        d.kitchen.windows = [{ weekly: { days: "all", from: "12:00", to: "11:00" }, forbid: ["noisy"], why: "the neighbours" }];
      }),
    );
    expect(quiet.repairs.map((r) => r.kind)).toContain("quiet-time");
  });
});

describe("the verifier", () => {
  test("counts waits outside their best from the times, whatever the plan claims of them", () => {
    const dish = demoDish("harvest-lunch");
    const planned = planDish(dish, { planAt: "likely", rounds: 2 });
    if (planned.status !== "feasible") throw new Error("no plan");
    const { plan } = planned;
    const lying: Plan = { ...plan, holds: plan.holds.map((h) => ({ ...h, from: h.to })) };
    expect(verifyPlan(dish, lying).regret).toEqual(verifyPlan(dish, plan).regret);
    expect(verifyPlan(dish, plan).regret).toEqual(plan.regret);
  });
});

test("why of a step that is held says that you hold it", () => {
  const dish = demoDish("spiced-duck");
  const planned = planDish(dish, { planAt: "likely", rounds: 2 });
  if (planned.status !== "feasible") throw new Error("no plan");
  const step = planned.plan.steps.find((s) => s.step === "radish.cut") as Plan["steps"][number];
  const pins = [{ step: step.step, at: step.start, notBefore: undefined, notAfter: undefined, cook: undefined }];
  const why = whyHere(dish, planned.plan, { ...EMPTY_LOG, pins }).find((w) => w.step === step.step);
  expect(why?.notLater).toMatch(/you hold it there/);
});

test.each([
  [{ rule: "H6" as const, step: "duck.roast", cook: "tilly" }, /works from \d\d:\d\d to \d\d:\d\d for “Roast/],
  [{ rule: "H7" as const, step: "duck.roast" }, /^Somebody stays up or at home until \d\d:\d\d for “/],
  [{ rule: "H8" as const, step: "duck.roast" }, /when nobody is up/],
  [{ rule: "H4" as const, output: "duck.meat" }, /waits 12 min longer than is best/],
  [{ rule: "H10" as const, step: "duck.roast" }, /oven, bath or grill/],
])("an exception is one sentence in a cook's words: %j", (e, says) => {
  const dish = dishOf(demoDocument("spiced-duck"));
  const planned = planDish(dish, { planAt: "likely", rounds: 0 });
  if (planned.status !== "feasible") throw new Error("no plan");
  const said = exceptionWords(
    dish,
    { ...planned.plan, steps: [] },
    { ...e, from: planned.plan.serveAt - 60, to: planned.plan.serveAt - 48, text: "" },
  );
  expect(said).toMatch(says);
  expect(said).toMatch(/\.$/);
});
