// Labels for what waits, and the salt of a whole dish for one guest.
import { describe, expect, test } from "vitest";
import { saltOfDish } from "../../../src/core/dish/salt";
import { planDish } from "../../../src/core/planner";
import { containsOf } from "../../../src/core/sheets/contains";
import { LABEL_SHEETS, labelPages } from "../../../src/core/sheets/label-sheets";
import { labelCode, labelsOf } from "../../../src/core/sheets/labels";
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
  test("one for each pot that is put away, in the order in which they are filled", () => {
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
    for (const name of raw) expect(name).toMatch(/pork|fat|rind|bones|filling/i);
    for (const l of labels) {
      const wait = view.waits.find((w) => w.name === l.name && clock.dateTime(w.from) === l.made);
      expect(l.limit, l.name).toBe(wait?.window?.limit ?? l.limit);
    }
    expect(labels.some((l) => l.limit === "safety")).toBe(true);
    expect(labels.some((l) => l.limit === "quality" && !l.raw)).toBe(true);
  });
  test("the last hour is the made one and the longest wait", () => {
    for (const l of labels) {
      const wait = view.waits.find((w) => w.name === l.name && clock.dateTime(w.from) === l.made);
      if (wait?.window?.max !== undefined && wait.window.max < 6 * 1440) expect(l.until).toBe(clock.dayTime(wait.from + wait.window.max));
    }
  });
});

describe("what each output itself contains", () => {
  const of = (name: string) => Object.fromEntries(containsOf(demoDocument(name), {}));
  test("is what went into it, by hand for every output of the demo dishes", () => {
    expect(of("harvest-lunch")).toEqual({
      "pork.bones": [],
      "pork.fat": [],
      "pork.meat": [],
      "lard.fat": [],
      "lard.scratchings": [],
      "jelly.set": ["celery", "sulphites"],
      "fruit.fruit": ["milk"],
      "fruit.juice": ["milk"],
      "crust.dough": ["gluten", "egg", "milk"],
      "pie.filling": ["milk", "mustard"],
      "pie.pie": ["gluten", "egg", "milk", "celery", "mustard", "sulphites"],
      "pie.whole": ["gluten", "egg", "milk", "celery", "mustard", "sulphites"],
      "bread.shaped": ["gluten"],
      "bread.loaves": ["gluten"],
      "butter.cream": ["milk"],
      "butter.buttermilk": ["milk"],
      "butter.butter": ["milk"],
      "piccalilli.jars": ["gluten", "mustard"],
      "slaw.cabbage": [],
      "ice.crumbs": ["gluten"],
      "ice.base": ["egg", "milk"],
      "ice.puree": [],
      "ice.block": ["gluten", "egg", "milk"],
      "lunch.dressing": ["milk", "mustard"],
      "lunch.slaw": ["milk", "mustard"],
    });
    expect(of("saturday-pastries")).toEqual({
      "dough.slab": ["gluten", "milk"],
      "cream.cream": ["egg", "milk"],
      "plums.butter": [],
      "pastries.pastries": ["gluten", "egg", "milk"],
    });
    expect(of("spiced-duck")).toEqual({
      "duck.fat": [],
      "duck.meat": ["gluten"],
      "duck.carcass": ["gluten"],
      "pancakes.dough": ["gluten"],
      "pancakes.rounds": ["gluten", "sesame"],
      "pancakes.warm": ["gluten", "sesame"],
      "bean-sauce.sauce": ["gluten", "soya", "sesame"],
      "radish.pickle": [],
    });
  });
  test("stands on its label, with a code of its own that is the same on every print", () => {
    const labels = labelsOf(document, view, clock);
    expect(labels.find((l) => l.name === "Blackcurrant purée")?.contains).not.toContain("gluten");
    const codes = new Set(labels.map((l) => l.code));
    expect(codes.size).toBe(new Set(labels.map((l) => l.key.split(" ")[0])).size);
    for (const code of codes) expect(code).toMatch(/^[2-9BDFHJKNPQRSTVWXZ]{5}$/);
    expect(labelCode("harvest-lunch", "ice.puree")).toBe(labelCode("harvest-lunch", "ice.puree"));
    expect(labelCode("harvest-lunch", "ice.puree")).not.toBe(labelCode("another-lunch", "ice.puree"));
  });
});

describe("labels on sheets", () => {
  test("lie inside their page and over no other, on every sheet that is sold", () => {
    for (const sheet of LABEL_SHEETS) {
      const each = sheet.columns * sheet.rows;
      const pages = labelPages(
        Array.from({ length: each + 1 }, (_, i) => i),
        sheet,
        1,
      );
      expect(pages.map((p) => p.length)).toEqual([each, 1]);
      for (const { at } of pages[0] ?? []) {
        expect(at[0] + sheet.label[0]).toBeLessThanOrEqual(sheet.page[0] + 0.05);
        expect(at[1] + sheet.label[1]).toBeLessThanOrEqual(sheet.page[1] + 0.05);
        for (const other of pages[0] ?? []) {
          if (other.at === at) continue;
          const apart = Math.abs(at[0] - other.at[0]) >= sheet.label[0] - 1e-9 || Math.abs(at[1] - other.at[1]) >= sheet.label[1] - 1e-9;
          expect(apart, sheet.name).toBe(true);
        }
      }
    }
  });
  test("go on where a sheet was begun", () => {
    const sheet = LABEL_SHEETS[0] as (typeof LABEL_SHEETS)[number];
    const [first, second] = labelPages(["a", "b", "c"], sheet, 23);
    expect(first?.map((l) => [l.item, ...l.at])).toEqual([
      ["a", 70, 0.5 + 7 * 37],
      ["b", 140, 0.5 + 7 * 37],
    ]);
    expect(second?.map((l) => [l.item, ...l.at])).toEqual([["c", 0, 0.5]]);
    expect(labelPages(["a"], sheet, 99)[0]?.[0]?.at).toEqual([140, 0.5 + 7 * 37]);
    expect(labelPages(["a"], sheet, Number.NaN)[0]?.[0]?.at).toEqual([0, 0.5]);
    expect(labelPages([], sheet, 1)).toEqual([]);
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
