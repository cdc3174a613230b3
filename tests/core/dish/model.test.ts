// How a document is read into figures: defaults, scaling, references, units, balance, and the warnings that come with it.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { balanceOf, isOverTaken } from "../../../src/core/dish/balance";
import { insertTyped } from "../../../src/core/dish/edit/steps";
import type { Step } from "../../../src/core/dish/model";
import { readDish } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { comparable, quantityOf, quantityText } from "../../../src/core/dish/units";
import { cautionOf } from "../../../src/core/foods/cautions";
import { planDish, verifyPlan } from "../../../src/core/planner";
import { DEMO, demoDish, demoDocument, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const model = (change: (d: Loose) => void = () => {}) => dishOf(smallDish(change));
const step = (ref: string, change: (d: Loose) => void = () => {}): Step => {
  const found = model(change)
    .components.flatMap((c) => c.methods.flatMap((m) => m.steps))
    .find((s) => s.ref === ref);
  if (!found) throw new Error(ref);
  return found;
};
const warnings = (change: (d: Loose) => void) =>
  readDish(JSON.stringify(smallDish(change))).problems.map((p) => `${p.severity} ${p.path}: ${p.message}`);

describe("what a step leaves unsaid", () => {
  test("hands on, one batch, the link to the step before", () => {
    expect(step("stock.chop")).toMatchObject({ attention: "hands", batches: 1, stretch: 0, each: false, links: [] });
    expect(step("stock.simmer").links).toMatchObject([{ step: "stock.chop", from: "end", min: 0, max: undefined }]);
    expect(step("stock.simmer", (d) => delete stepOf(d, "stock.simmer").after).links).toMatchObject([
      { step: "stock.chop", written: false },
    ]);
  });
  test("somebody lights what uses heat, and not where the shortest run leaves no minute", () => {
    expect(step("stock.simmer").handsStart).toBe(1);
    expect(step("stock.simmer", (d) => (stepOf(d, "stock.simmer").time = { min: "0m", likely: "10m", max: "1h" })).handsStart).toBe(0);
    expect(step("sauce.reduce", (d) => (stepOf(d, "sauce.reduce").uses = [{ what: "pot", litres: 2 }])).handsStart).toBe(0);
  });
  test("what uses heat may not run alone while all sleep or are out, unless the file says so", () => {
    const alone = (more: object) => (d: Loose) => Object.assign(stepOf(d, "stock.simmer"), { attention: "unattended", ...more });
    expect(step("stock.simmer", alone({}))).toMatchObject({ sleepOk: false, awayOk: false });
    expect(step("stock.simmer", alone({ sleepOk: true, awayOk: true }))).toMatchObject({ sleepOk: true, awayOk: true });
    expect(step("stock.simmer", (d) => Object.assign(stepOf(d, "stock.simmer"), { attention: "unattended", uses: [] }))).toMatchObject({
      sleepOk: true,
      awayOk: true,
    });
  });
  test("a step that takes from another while it runs is not linked behind it", () => {
    const during = (d: Loose) =>
      d.components[0].methods[0].steps.push({
        id: "skim",
        time: "5m",
        takes: [{ from: "stock.stock", during: "1h", amount: { amount: 0.1, unit: "L" } }],
      });
    expect(step("stock.skim", during).links).toEqual([]);
    const within = (d: Loose) => d.components[0].methods[0].steps.push({ id: "baste", time: "5m", within: "simmer" });
    expect(step("stock.baste", within)).toMatchObject({ within: "stock.simmer", links: [] });
  });
});

describe("scaling", () => {
  test("amounts, litres and what grows follow the guests and the factor; what is fixed does not", () => {
    const double = (d: Loose) => (d.dish.serves = 8);
    expect(step("stock.simmer", double).uses[1]?.litres).toBe(16);
    expect(step("stock.simmer", double).makes[0]?.quantity?.value).toBe(4000);
    expect(step("stock.simmer", double).makes[0]?.holds[0]?.litres).toBe(4);
    expect(step("stock.simmer", (d) => (d.components[0].factor = 1.5)).makes[0]?.quantity?.value).toBe(3000);
    expect(step("sauce.reduce", (d) => (d.components[0].factor = 1.5)).takes[0]?.quantity?.value).toBe(1500);
    const fixed = (d: Loose) => {
      double(d);
      stepOf(d, "stock.simmer").makes[0].amount.fixed = true;
      stepOf(d, "sauce.reduce").takes[0].amount.amount = 0.5;
    };
    expect(step("stock.simmer", fixed).makes[0]?.quantity?.value).toBe(2000);
  });
  test("batches are as many as the scaled amount fills", () => {
    const batched = (serves: number) =>
      step("sauce.reduce", (d) => {
        d.dish.serves = serves;
        stepOf(d, "sauce.reduce").batches = { perBatch: { amount: 150, unit: "mL" }, of: "sauce" };
      }).batches;
    expect([2, 4, 8].map(batched)).toEqual([2, 3, 6]);
  });
});

describe("a kitchen left unsaid", () => {
  test("is the default one, and a cook without hours works whenever awake", () => {
    const plain = model((d) => delete d.kitchen);
    expect(plain.cooks).toHaveLength(1);
    expect(plain.equipment.filter((e) => e.kind === "pot").length).toBeGreaterThan(2);
    const awake = model((d) => (d.kitchen.cooks = [{ id: "ada" }])).cooks[0];
    expect(awake).toMatchObject({ name: "ada", hours: undefined, away: [] });
    expect(awake?.awake).toEqual([{ days: "all", from: "07:00", to: "23:00" }]);
  });
  test("heats and cools at the usual rates", () => {
    const rates = model((d) =>
      d.kitchen.equipment.push({ id: "bath", kind: "bath", litres: 12 }, { id: "grill", kind: "grill" }),
    ).equipment.map((e) => [e.kind, e.heatCPerMin, e.coolCPerMin]);
    expect(rates).toEqual(
      expect.arrayContaining([
        ["oven", 8, 3],
        ["bath", 2, 0.5],
        ["grill", 5, 3],
      ]),
    );
  });
});

describe("amounts", () => {
  test("are in grams, millilitres or pieces, whatever they were written in", () => {
    expect(quantityOf({ amount: 1, unit: "lb" }).value).toBeCloseTo(453.592, 3);
    expect(quantityOf({ amount: 2, unit: "cup" }).value).toBeCloseTo(473.176, 3);
    expect(quantityOf({ amount: 3, unit: "clove" })).toEqual({ dimension: "count", value: 3, piece: "clove" });
    expect(quantityOf({ amount: 3, unit: "constructor" }).dimension).toBe("count");
  });
  test("are said as a cook says them", () => {
    const say = (amount: number, unit: string) => quantityText(quantityOf({ amount, unit }));
    expect([say(1200, "g"), say(0.35, "L"), say(12, "piece"), say(3, "clove"), say(1, "clove")]).toEqual([
      "1.2 kg",
      "350 mL",
      "12",
      "3 cloves",
      "1 clove",
    ]);
  });
  test("add up only within one kind", () => {
    const q = (unit: string) => quantityOf({ amount: 1, unit });
    expect(comparable(q("g"), q("kg"))).toBe(true);
    expect(comparable(q("g"), q("L"))).toBe(false);
    expect(comparable(q("clove"), q("piece"))).toBe(true);
    expect(comparable(q("clove"), q("leaf"))).toBe(false);
  });
});

describe("the balance of an output", () => {
  const dish = model();
  const steps = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
  test("adds up all who take it", () => {
    const balance = balanceOf(dish, "stock.stock", steps.find((s) => s.ref === "stock.simmer")?.makes[0]?.quantity, steps);
    expect(balance).toMatchObject({ taken: 1500, open: false });
    expect(balance.takers.map((t) => t.step)).toEqual(["sauce.reduce"]);
  });
  test("is over-taken by the first gram too much and not by rounding", () =>
    fc.assert(
      fc.property(fc.double({ min: 1, max: 5000, noNaN: true }), (made) => {
        const quantity = { dimension: "volume" as const, value: made };
        const taking = (value: number) => [
          {
            ...steps[0],
            ref: "x.y",
            takes: [{ from: "a.b", quantity: { dimension: "volume" as const, value }, during: undefined, each: false }],
          } as unknown as Step,
        ];
        return (
          !isOverTaken(balanceOf({ ...dish, plate: [] }, "a.b", quantity, taking(made * (1 + 1e-9)))) &&
          isOverTaken(balanceOf({ ...dish, plate: [] }, "a.b", quantity, taking(made * 1.01 + 0.1)))
        );
      }),
    ));
  test("stays open where nobody says how much is made, or how much a taker takes", () => {
    const made = { dimension: "volume" as const, value: 2000 };
    const taker = (quantity: unknown) =>
      [{ ...steps[0], ref: "x.y", takes: [{ from: "a.b", quantity, during: undefined, each: false }] }] as unknown as Step[];
    const open = (of: typeof made | undefined, quantity: unknown) => balanceOf({ ...dish, plate: [] }, "a.b", of, taker(quantity)).open;
    expect(open(made, { dimension: "volume", value: 500 })).toBe(false);
    expect(open(made, undefined)).toBe(true);
    expect(open(undefined, { dimension: "volume", value: 500 })).toBe(true);
    expect(open(made, { dimension: "mass", value: 500 })).toBe(true);
  });
  test("stays open, with a warning, where amounts are of different kinds", () => {
    expect(warnings((d) => (stepOf(d, "sauce.reduce").takes[0].amount = { amount: 500, unit: "g" })).join()).toMatch(
      /another kind of amount/,
    );
  });
});

describe("warnings", () => {
  test.each<[string, (d: Loose) => void, RegExp]>([
    ["a pot larger than any", (d) => (stepOf(d, "stock.simmer").uses[1].litres = 40), /the largest pot holds 10/],
    ["more burners than there are", (d) => (stepOf(d, "stock.simmer").uses[0].count = 9), /Needs 9; the kitchen has 4/],
    ["an oven hotter than it gets", (d) => (stepOf(d, "stock.chop").uses = [{ what: "oven", tempC: 300 }]), /reaches 250 °C/],
    ["a best wait outside its window", (d) => (stepOf(d, "stock.simmer").makes[0].holds[0].best = ["1d", "9d"]), /best part of the wait/],
    ["hands at the start of hands on", (d) => (stepOf(d, "stock.chop").handsStart = "5m"), /have no effect/],
  ])("%s", (_, change, says) => expect(warnings(change).join("\n")).toMatch(says));
  test("none for the demo dishes", () => {
    for (const name of DEMO) expect(readDish(JSON.stringify(demoDocument(name))).problems).toEqual([]);
  });
});

describe("the demo dishes are ones that a cook would sign", () => {
  const all = DEMO.flatMap((name) =>
    demoDish(name).components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => ({ name, component: c, step: s })))),
  );
  test("the lunch has its nine components and sixty steps, two ways for some, a stand-in, by-products, rounds and batches of everything", () => {
    const lunch = demoDish("harvest-lunch");
    const steps = lunch.components.flatMap((c) => c.methods[0]?.steps ?? []);
    expect(lunch.components.length).toBeGreaterThanOrEqual(9);
    expect(steps.length).toBeGreaterThanOrEqual(60);
    expect(lunch.components.filter((c) => c.methods.length > 1).length).toBeGreaterThanOrEqual(2);
    expect(lunch.components.some((c) => c.fallback)).toBe(true);
    expect(steps.flatMap((s) => s.tends).length).toBeGreaterThan(2);
    expect(lunch.cooks.map((c) => c.away.length > 0)).toContain(true);
    expect(lunch.courses).toHaveLength(1);
  });
  test("every danger that they name has its caution", () => {
    const named = all.flatMap(({ step }) => step.file.danger ?? []);
    expect(named.length).toBeGreaterThan(5);
    for (const id of named) expect(cautionOf(id)?.text.length, id).toBeGreaterThan(20);
  });
  test("raw meat and what holds it keeps within the usual limits, for safety", () => {
    for (const { component, step } of all) {
      for (const output of step.makes) {
        for (const hold of output.holds) {
          // Filled pastries are baked through; raw meat is not what they are judged as.
          if (component.id === "pastries") continue;
          if (hold.place === "hot") expect(hold.max ?? 1e9, `${step.ref} ${output.ref}`).toBeLessThanOrEqual(240);
          if (hold.limit === "safety" && hold.place === "fridge")
            expect(hold.max ?? 1e9, `${component.id} ${output.ref}`).toBeLessThanOrEqual(4 * 1440);
          if (hold.limit === "safety" && hold.place === "counter")
            expect(hold.max ?? 1e9, `${component.id} ${output.ref}`).toBeLessThanOrEqual(120);
        }
      }
    }
  });
  test("what is cooked through says to what heat inside", () => {
    const probes = all.filter(({ step }) => step.file.done?.probeC !== undefined).map(({ step }) => [step.ref, step.file.done?.probeC]);
    expect(Object.fromEntries(probes)).toMatchObject({ "pie.bake-low": 75, "duck.roast": 74, "ice.custard": 82, "bread.bake": 96 });
  });
});

describe("the plate", () => {
  const taken = (perServing: number) => {
    const dish = dishOf(
      smallDish((d) => {
        stepOf(d, "plate.put").takes[0].amount = { amount: 100, unit: "mL" };
        d.dish.plate = [{ output: "sauce.sauce", perServing: { amount: perServing, unit: "mL" } }];
      }),
    );
    const steps = dish.components.flatMap((c) => c.methods[0]?.steps ?? []);
    const output = steps.flatMap((s) => s.makes).find((o) => o.ref === "sauce.sauce");
    const by = balanceOf(dish, "sauce.sauce", output?.quantity, steps);
    const own = balanceOf({ ...dish, plate: [] }, "sauce.sauce", output?.quantity, steps);
    return { plate: by.taken, steps: own.taken, takers: by.takers.map((t) => t.step) };
  };
  test("is no second taker: the larger of what it and the steps take counts", () => {
    const little = taken(1);
    expect(little.plate).toBe(little.steps);
    expect(little.takers).not.toContain("plate");
    const much = taken(80);
    expect(much.plate).toBeGreaterThan(much.steps);
    expect(much.plate).toBeCloseTo(much.steps * 3.2, 3);
  });
});

describe("who moves the food", () => {
  test("a typed line in which something is put away says so, and follows the line before within half an hour unless a wait is said", () => {
    const typed = (line: string) => {
      const document = insertTyped(smallDish() as DishFile, { component: "sauce", method: "only" }, line, 1);
      return document.components[1]?.methods[0]?.steps[1];
    };
    expect(typed("Chill in the fridge 4h alone")).toMatchObject({ puts: true });
    expect(typed("Stand on the counter 30m alone")).toMatchObject({ puts: true });
    expect(typed("Whisk it smooth 5m")?.puts).toBeUndefined();
  });
  test("a step that could begin with nobody there is warned of, and food of which nothing says longest wait", () => {
    const said = (change: (d: Loose) => void) => warnings(change).join(" ");
    const alone = { id: "stand", name: "Stand", time: "30m", attention: "unattended" };
    expect(said((d) => d.components[1].methods[0].steps.splice(1, 0, alone))).toMatch(/"Stand" can start with nobody there/);
    expect(said((d) => d.components[1].methods[0].steps.splice(1, 0, { ...alone, puts: true }))).not.toMatch(/nobody there/);
    expect(said((d) => d.components[1].methods[0].steps.splice(1, 0, { ...alone, puts: true }))).toMatch(
      /how long the food may wait between "Reduce" and "Stand"/,
    );
    const tied = { ...alone, after: [{ step: "reduce", max: "10m" }] };
    expect(said((d) => d.components[1].methods[0].steps.splice(1, 0, tied))).not.toMatch(
      /nobody there|how long the food may wait between "Reduce"/,
    );
  });
  test("somebody is up and at home at that minute in every plan, and the verifier asks for it", () => {
    const dish = dishOf(
      smallDish((d) => {
        d.components[0].methods[0].steps.push({
          id: "chill",
          name: "Chill",
          time: "5h",
          attention: "unattended",
          puts: true,
          after: ["simmer"],
          makes: [{ id: "cold", holds: [] }],
        });
        stepOf(d, "plate.put").takes.push({ from: "stock.cold" });
        d.kitchen.cooks[0].away = [{ days: "all", from: "08:00", to: "18:00" }];
        d.kitchen.cooks[0].hours = [{ days: "all", from: "07:00", to: "23:00" }];
        d.dish.serveAt = "2026-10-18T20:00";
      }),
    );
    const planned = planDish(dish, { planAt: "likely", rounds: 4 });
    if (planned.status !== "feasible") throw new Error(planned.conflict[0]?.text);
    const chill = planned.plan.steps.find((s) => s.step === "stock.chill");
    const hour = dish.zone.wall(chill?.start ?? 0).hour;
    expect(hour < 8 || hour >= 18).toBe(true);
    const by = dish.zone.toMinute("2026-10-18T12:00") - (chill?.start ?? 0);
    const moved = {
      ...planned.plan,
      steps: planned.plan.steps.map((s) =>
        s === chill ? { ...s, start: s.start + by, end: s.end + by, pieces: [[s.start + by, s.end + by] as const] } : s,
      ),
    };
    expect(verifyPlan(dish, moved).broken.some((b) => b.rule === "H7" && b.steps[0] === "stock.chill")).toBe(true);
  });
  test("a method may not have the word that a plan uses for the replacement", () =>
    expect(
      readDish(JSON.stringify(smallDish((d) => (d.components[1].methods[0].id = "fallback"))))
        .problems.map((p) => p.message)
        .join(),
    ).toMatch(/may not be called "fallback"/));
});
