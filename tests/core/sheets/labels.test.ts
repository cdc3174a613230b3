// Labels for what waits, and the salt of a whole dish for one guest.
import { describe, expect, test } from "vitest";
import { saltOfDish } from "../../../src/core/dish/salt";
import { planDish } from "../../../src/core/planner";
import { labelsOf } from "../../../src/core/sheets/labels";
import { offsetsOf, WallClock } from "../../../src/core/time/wall-clock";
import { planView } from "../../../src/core/view/plan-view";
import { demoDish, demoDocument } from "../../support/dishes";
import { smallDish } from "../../support/small-dish";

const dish = demoDish("harvest-lunch");
const document = demoDocument("harvest-lunch");
const planned = planDish(dish, { rounds: 5 });
if (planned.status !== "feasible") throw new Error("no plan");
const view = planView(dish, planned.plan);
const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880));

describe("labels", () => {
  const labels = labelsOf(document, view, clock);
  test("one for each pot that waits long, in the order in which they are filled", () => {
    expect(labels.length).toBeGreaterThan(5);
    expect(new Set(labels.map((l) => l.key)).size).toBe(labels.length);
    const jars = labels.find((l) => l.name === "Piccalilli");
    expect(jars).toMatchObject({ place: "fridge", amount: "2.75 kg", limit: "quality", contains: expect.arrayContaining(["mustard"]) });
    // A month from now "Sat" would be any Saturday.
    expect(jars?.until).toMatch(/^\w+day \d+ \w+$/);
  });
  test("a limit of safety is told from one of quality, and what is raw is marked so", () => {
    // Which pots wait is the planner's choice; what is raw, and whose limit is one of safety, is not.
    const raw = labels.filter((l) => l.raw).map((l) => l.name);
    expect(raw.length).toBeGreaterThan(0);
    for (const name of raw) expect(name).toMatch(/pork|fat|rind|bones/i);
    for (const l of labels) {
      const wait = view.waits.find((w) => w.name === l.name && clock.dayTime(w.from) === l.made);
      expect(l.limit, l.name).toBe(wait?.window?.limit ?? l.limit);
    }
    expect(labels.some((l) => l.limit === "safety")).toBe(true);
    expect(labels.some((l) => l.limit === "quality" && !l.raw)).toBe(true);
  });
  test("the last hour is the made one and the longest wait", () => {
    for (const l of labels) {
      const wait = view.waits.find((w) => w.name === l.name && clock.dayTime(w.from) === l.made);
      if (wait?.window?.max !== undefined && wait.window.max < 6 * 1440) expect(l.until).toBe(clock.dayTime(wait.from + wait.window.max));
    }
  });
});

describe("salt of a dish for one guest", () => {
  const salted = (amount: number) => {
    const d = smallDish();
    d.components[1].methods[0].ingredients = [
      { id: "salt", name: "Sea salt", amount: { amount, unit: "g" } },
      { id: "soy", name: "Soy sauce", amount: { amount: 100, unit: "g" } },
    ];
    return d;
  };
  test("is what goes in over those who eat, and follows the guests", () => {
    expect(saltOfDish(salted(5))?.perGuestG).toBeCloseTo((5 + 15) / 4, 2);
    const more = salted(5);
    more.dish.serves = 12;
    expect(saltOfDish(more)?.perGuestG).toBeCloseTo((5 + 15) / 4, 2);
    expect(saltOfDish(smallDish())).toBeUndefined();
  });
  test("a brine is not eaten: only the share that the meat has taken up", () => {
    const d = salted(0.001);
    d.components[1].methods[0].steps[0].takes[0].amount.amount = 2;
    d.components[0].kind = "cure";
    d.components[0].methods[0].ingredients = [
      { id: "m", name: "Pork loin", amount: { amount: 1, unit: "kg" } },
      { id: "w", name: "Water", amount: { amount: 1, unit: "kg" } },
      { id: "s", name: "Salt", amount: { amount: 40, unit: "g" } },
    ];
    const brine = saltOfDish(d)?.rows.find((r) => r.component === "stock");
    expect(brine?.eaten).toBeCloseTo(0.5, 2);
    expect(brine?.because).toContain("brine");
  });
  test("the lunch stays within twice a day's salt for a feast, and names each source once", () => {
    const salt = saltOfDish(document);
    expect(salt?.perGuestG).toBeGreaterThan(3);
    expect(salt?.perGuestG).toBeLessThan(10);
    expect(new Set(salt?.rows.map((r) => `${r.component} ${r.ingredient}`)).size).toBe(salt?.rows.length);
  });
});
