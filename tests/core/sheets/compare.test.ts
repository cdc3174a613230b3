// What is said of two plans side by side, of a place that is opened, of a conflict with many facts; figures worked by hand.
import { describe, expect, test } from "vitest";
import { type Plan, planDish } from "../../../src/core/planner";
import { whyHere } from "../../../src/core/planner/explain/why";
import { condense } from "../../../src/core/sheets/condense";
import { comparePlans } from "../../../src/core/sheets/differences";
import { loadNotes } from "../../../src/core/sheets/load";
import { offsetsOf, spokenInstant, WallClock } from "../../../src/core/time/wall-clock";
import { occupancyOf } from "../../../src/core/view/occupancy";
import { planView } from "../../../src/core/view/plan-view";
import { demoDish, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const planned = (value: Loose, options = {}): Plan => {
  const found = planDish(dishOf(value), { rounds: 0, ...options });
  if (found.status !== "feasible") throw new Error(found.conflict[0]?.text);
  return found.plan;
};
const dish = dishOf(smallDish());
const clock = new WallClock(offsetsOf(dish.zone, dish.serveAt - 10 * 1440, dish.serveAt + 1440));

describe("two plans side by side", () => {
  const plan = planned(smallDish());
  const view = planView(dish, plan);
  test("the same plan differs in nothing", () => {
    expect(comparePlans(view, view, clock)).toEqual({ differences: [], moved: [] });
  });
  test("one step moved: that one is named, how far, and what it does to the days", () => {
    const steps = view.steps.map((s) =>
      s.ref === "stock.chop"
        ? { ...s, start: s.start - 1440, end: s.end - 1440, hands: s.hands.map((h) => ({ ...h, from: h.from - 1440, to: h.to - 1440 })) }
        : s,
    );
    const other = { ...view, steps, begins: Math.min(...steps.map((s) => s.start)) };
    const { differences, moved } = comparePlans(view, other, clock);
    expect(moved).toEqual([{ step: "stock.chop", by: -1440 }]);
    const said = differences.map((d) => d.text);
    expect(said).toContain("Only “chop the bones” moves, 1 day earlier.");
    expect(said.find((t) => t.startsWith("Starts"))).toMatch(/1 day earlier/);
    expect(said).toContain("Friday also needs 20 min of hands-on work.");
    expect(said).toContain("Saturday has 20 min less to do, 1 min in total.");
  });
  test("another hour, another method, more work", () => {
    const later = { ...view, serveAt: view.serveAt + 90 };
    expect(comparePlans(view, later, clock).differences[0]).toEqual({ kind: "serving", text: "Served Sun 14:30, 1 h 30 later." });
    const components = view.components.map((c) => (c.id === "stock" ? { ...c, method: "From the tin" } : c));
    expect(comparePlans(view, { ...view, components }, clock).differences.map((d) => d.text)).toEqual([
      "Stock: from the tin instead of slow.",
    ]);
    const busy = view.steps.map((s) =>
      s.ref === "plate.put" ? { ...s, hands: [...s.hands, { cook: "bo", from: s.start, to: s.start + 15 }] } : s,
    );
    expect(comparePlans(view, { ...view, steps: busy }, clock).differences.map((d) => d.text)).toEqual([
      "15 min more of hands-on work in total.",
      "The last hour has 15 min more of work.",
    ]);
  });
  test("work that goes from one cook to another", () => {
    const handed = view.steps.map((s) => (s.ref === "stock.chop" ? { ...s, hands: s.hands.map((h) => ({ ...h, cook: "bo" })) } : s));
    const cooks = [...view.cooks, { id: "bo", name: "Bo" }];
    expect(comparePlans(view, { ...view, steps: handed, cooks }, clock).differences.map((d) => d.text)).toEqual([
      "ada hands over 20 min, Bo takes over 20 min.",
    ]);
  });
  test("what leaves the best of its window is told, and what comes back to it", () => {
    const waits = [
      {
        component: "stock",
        name: "Stock",
        from: 0,
        to: 600,
        place: "fridge" as const,
        fromStep: "a",
        toStep: "b",
        window: { min: 0, max: 1440, best: [60, 300] as const, limit: "quality" as const },
      },
    ];
    const short = [{ ...(waits[0] as (typeof waits)[number]), to: 200 }];
    expect(comparePlans({ ...view, waits: short }, { ...view, waits }, clock).differences.map((d) => d.text)).toEqual([
      "Stock waits 10 h, no longer within its best.",
    ]);
    expect(comparePlans({ ...view, waits }, { ...view, waits: short }, clock).differences.map((d) => d.text)).toEqual([
      "Stock waits 3 h 20, now within its best.",
    ]);
  });
});

describe("a place that is opened", () => {
  test("litres stand from the making to the end of the last taker", () => {
    const plan = planned(
      smallDish(
        (d) => (stepOf(d, "stock.simmer").makes[0].holds = [{ place: "fridge", litres: 2, min: "2h", max: "3d", limit: "safety" }]),
      ),
    );
    const at = (step: string) => plan.steps.find((s) => s.step === step) ?? { start: 0, end: 0 };
    const fridge = occupancyOf(dish, plan).find((o) => o.place === "fridge");
    expect(fridge?.capacity).toBe(30);
    expect(fridge?.tenants.find((t) => t.amount === 2)).toMatchObject({ from: at("stock.simmer").end, to: at("sauce.reduce").end });
    expect(fridge?.levels.at(-1)?.[1]).toBe(0);
  });
  test("two burners at once count two, and no level is above what there is", () => {
    for (const name of ["harvest-lunch", "spiced-duck"]) {
      const d = demoDish(name);
      const found = planDish(d, { rounds: 0 });
      if (found.status !== "feasible") throw new Error("no plan");
      for (const place of occupancyOf(d, found.plan)) {
        expect(place.levels.length).toBeGreaterThan(0);
        for (const [minute, amount] of place.levels) {
          const inside = place.tenants.filter((t) => t.from <= minute && minute < t.to).reduce((sum, t) => sum + t.amount, 0);
          expect(amount).toBeCloseTo(inside, 5);
          if (place.unit === "L" || place.unit === "burners") expect(amount).toBeLessThanOrEqual(place.capacity + 1e-6);
        }
      }
    }
  });
});

describe("a conflict in few facts", () => {
  const fact = (kind: string, steps: string[], text: string) => ({ rule: "H3", kind, steps, text, about: "" });
  test("few are told one by one", () => {
    expect(condense([fact("take", ["a.b"], "One."), fact("now", [], "Two.")], (r) => r).map((g) => g.text)).toEqual(["One.", "Two."]);
  });
  test("many are gathered by what they say, each still there", () => {
    const many = [
      ...[1, 2, 3, 4].map((n) => fact("link-min", [`a.${n}`, `a.${n + 1}`], `After ${n}.`)),
      ...[1, 2, 3].map((n) => fact("hold-max", [`a.${n}`], `Hold ${n}.`)),
      ...[1, 2].map((n) => fact("length", [`a.${n}`], `Length ${n}.`)),
      fact("hours", [], "Nora works evenings."),
    ];
    const groups = condense(many, (ref) => `Step ${ref}`);
    expect(groups.map((g) => g.text)).toEqual([
      "5 steps wait for each other, from “step a.1” to “step a.5”.",
      "3 of the waits between them must not last long.",
      "2 of them need time and someone's hands or attention.",
      "Nora works evenings.",
    ]);
    expect(groups.flatMap((g) => (g.parts.length ? g.parts : [g.text])).sort()).toEqual(many.map((f) => f.text).sort());
  });
});

test("what is offered for a quiet stretch fits into it by its own bounds", () => {
  const lunch = demoDish("harvest-lunch");
  const found = planDish(lunch, { rounds: 20 });
  if (found.status !== "feasible") throw new Error("no plan");
  const whys = whyHere(lunch, found.plan);
  const view = planView(lunch, found.plan);
  const notes = loadNotes(view, whys, new WallClock(offsetsOf(lunch.zone, view.begins, view.ends + 1440)));
  const offers = notes.flatMap((n) => n.offers);
  expect(offers.length).toBeGreaterThan(2);
  for (const offer of offers) {
    const why = whys.find((w) => w.step === offer.step);
    expect(offer.at).toBeGreaterThanOrEqual(why?.earliest ?? Number.POSITIVE_INFINITY);
    expect(offer.at).toBeLessThan(view.steps.find((s) => s.ref === offer.step)?.start ?? 0);
  }
});

test("an hour of a form is said as a cook says it", () => {
  expect(spokenInstant("2026-11-28T13:05")).toBe("Sat 28 November, 13:05");
  expect(spokenInstant("2026-11-28T13:05+01:00")).toBe("Sat 28 November, 13:05");
  expect(spokenInstant("soon")).toBe("soon");
});
