// The rules of safety: each finds its fault with the figures it computed, is quiet where there is none, and its mends mend.
import { describe, expect, it, test } from "vitest";
import { applyPatch } from "../../../src/core/dish/patch";
import { readDish } from "../../../src/core/dish/read";
import type { DishFile } from "../../../src/core/dish/schema";
import { cautionOf } from "../../../src/core/foods/cautions";
import { planDish } from "../../../src/core/planner";
import type { Finding } from "../../../src/core/safety/finding";
import { safetyFindings } from "../../../src/core/safety/findings";
import { safetyScene } from "../../../src/core/safety/scene";
import { asleepIn, findingViews, unacknowledged } from "../../../src/core/safety/view";
import { planView } from "../../../src/core/view/plan-view";
import { DEMO, demoDish, demoDocument, dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

const find = (document: DishFile): Finding[] => safetyFindings(safetyScene(document));
const one = (document: DishFile, id: RegExp): Finding => {
  const found = find(document).find((f) => id.test(f.id));
  if (!found) throw new Error(`not found: ${id}; found ${find(document).map((f) => f.id)}`);
  return found;
};
const none = (document: DishFile, id: RegExp) =>
  expect(
    find(document)
      .map((f) => f.id)
      .filter((x) => id.test(x)),
  ).toEqual([]);

/** One component that is served by itself. */
function plain(component: Loose, dish: Loose = {}): DishFile {
  const small = smallDish();
  small.kitchen.equipment.push({ id: "grill", kind: "grill", maxC: 250, racks: 1 });
  small.dish = { ...small.dish, ...dish };
  const made = component.methods[0].steps.flatMap((s: Loose) => s.makes ?? [])[0];
  small.components = [
    component,
    {
      id: "plate",
      name: "Plate",
      kind: "assembly",
      methods: [
        {
          id: "only",
          steps: [{ id: "put", name: "Put together", time: "15m", takes: made ? [{ from: `${component.id}.${made.id}` }] : [] }],
        },
      ],
    },
  ];
  return small;
}
const g = (id: string, name: string, amount: number, unit = "g") => ({ id, name, amount: { amount, unit } });
const component = (id: string, kind: string, ingredients: Loose[], steps: Loose[], name = id) => ({
  id,
  name,
  kind,
  methods: [{ id: "only", ingredients, steps }],
});

const weight = (f: Finding | undefined) => (f === undefined ? 0 : f.hard ? 4 : { note: 1, warn: 2, stop: 3 }[f.severity]);
/** Each mend of a finding makes a sound dish of it, in which it is found no more or weighs less. */
function mends(document: DishFile, id: RegExp) {
  const found = one(document, id);
  expect(found.mends.length).toBeGreaterThan(0);
  for (const mend of found.mends) {
    const after = mend.apply(document);
    const read = readDish(JSON.stringify(after));
    expect(read.status === "refused" ? read.problems : [], mend.label).toEqual([]);
    const still = find(after).find((f) => f.id === found.id);
    expect(weight(still), `${mend.label}: ${still?.computed}`).toBeLessThan(weight(found));
  }
}

describe("curing salt", () => {
  const cured = (curingG: number) =>
    plain(
      component(
        "pork",
        "cure",
        [g("pork", "Pork shoulder", 2000), g("salt", "Sea salt", 40), g("cure", "Curing salt, 6.25 % nitrite", curingG)],
        [
          { id: "rub", name: "Rub the cure in", time: "20m" },
          {
            id: "roast",
            name: "Roast",
            time: "2h",
            attention: "nearby",
            uses: [{ what: "oven", tempC: 160 }],
            makes: [{ id: "roast", amount: { amount: 1500, unit: "g" } }],
          },
        ],
      ),
    );
  test("within its limit it is noted, with its ppm", () => {
    const found = one(cured(4.8), /^curing-salt/);
    expect(found.severity).toBe("note");
    expect(found.hard).toBeUndefined();
    expect(found.computed).toContain("150 ppm");
    expect(found.source).toContain("9 CFR");
  });
  test("is counted on the meat that is left after rind and bones are taken off; trimmed meat that the cure takes again is meat", () => {
    const trimmed = (output: string, amount: number, takes: Loose[]) => {
      const d = cured(4.8);
      const [pork] = d.components as Loose[];
      pork.methods[0].ingredients[2].step = "rub";
      pork.methods[0].steps.unshift({ id: "trim", name: "Trim", time: "20m", makes: [{ id: output, amount: { amount, unit: "g" } }] });
      pork.methods[0].steps[1].takes = takes;
      return one(d, /^curing-salt/).computed;
    };
    expect(trimmed("bones", 400, [])).toContain("on 1600 g: 188 ppm");
    expect(trimmed("meat", 2000, [{ from: "meat" }])).toContain("on 2000 g: 150 ppm");
    expect(trimmed("meat", 2000, [{ from: "pork.meat" }])).toContain("on 2000 g: 150 ppm");
  });
  test("past its limit it is hard: no acknowledgement, only the mend", () => {
    const found = one(cured(12), /^curing-salt/);
    expect(found.hard).toBe(true);
    mends(cured(12), /^curing-salt/);
  });
  test("ten times the guests do not hide it, and half the salt is said to be too little", () => {
    const more = cured(12);
    more.dish.serves = 40;
    expect(one(more, /^curing-salt/).hard).toBe(true);
    expect(one(cured(0.8), /^curing-salt/).title).toContain("Too little");
  });
  test("without a weight it says so", () => {
    const unsaid = cured(4.8) as Loose;
    unsaid.components[0].methods[0].ingredients[2].amount = { amount: 1, unit: "pinch" };
    expect(one(unsaid, /^curing-salt/).computed).toContain("cannot be calculated");
  });
});

test("a ferment with too little salt is past a limit, and mended by salt", () => {
  const slaw = (salt: number) =>
    plain(
      component(
        "slaw",
        "ferment",
        [g("c", "White cabbage", 1000), g("s", "Salt", salt)],
        [{ id: "f", name: "Ferment", time: "5d", attention: "unattended", makes: [{ id: "slaw", amount: { amount: 900, unit: "g" } }] }],
      ),
    );
  expect(one(slaw(9), /^ferment-acid:salt/).hard).toBe(true);
  mends(slaw(9), /^ferment-acid:salt/);
  none(slaw(22), /^ferment-acid:salt/);
});

describe("cooling", () => {
  const stock = (name: string | undefined, litres = 6) =>
    plain(
      component(
        "stock",
        "stock",
        [g("bones", "Chicken bones", 2500), g("w", "Water", 8, "L")],
        [
          {
            id: "simmer",
            name: "Simmer",
            time: "4h",
            attention: "nearby",
            uses: [{ what: "burner" }, { what: "pot", litres: 9 }],
            ...(name
              ? {}
              : { makes: [{ id: "stock", amount: { amount: litres, unit: "L" }, holds: [{ place: "fridge", litres, max: "3d" }] }] }),
          },
          ...(name
            ? [
                {
                  id: "cool",
                  name,
                  time: "1h",
                  attention: "nearby",
                  makes: [{ id: "stock", amount: { amount: litres, unit: "L" }, holds: [{ place: "fridge", litres, max: "3d" }] }],
                },
              ]
            : []),
        ],
        "Stock",
      ),
    );
  test("six litres on the counter are too slow, by the hours that the model gives, and an ice bath mends it", () => {
    const found = one(stock("Cool"), /^large-pot-cooling/);
    expect(found.severity).toBe("stop");
    expect(found.computed).toMatch(/6 L on the counter.*7 h|8 h/);
    mends(stock("Cool"), /^large-pot-cooling/);
  });
  test("put into the fridge hot, with no step that cools it, it is found as well, and the mend puts one in", () => {
    expect(one(stock(undefined), /^large-pot-cooling/).computed).toContain("put into the fridge hot");
    mends(stock(undefined), /^large-pot-cooling/);
  });
  test("in ice there is nothing severe; more of it takes longer, and too short a step is said", () => {
    expect(find(stock("Cool in an ice bath, stirring")).filter((f) => f.severity === "stop")).toEqual([]);
    const short = stock("Cool in an ice bath", 20) as Loose;
    short.components[0].methods[0].steps[1].time = "5m";
    expect(one(short, /^large-pot-cooling/).title).toContain("too little time");
    mends(short, /^large-pot-cooling/);
  });
  test("fruit does not grow what meat does", () => {
    const fruit = stock("Cool") as Loose;
    fruit.components[0].kind = "filling";
    fruit.components[0].methods[0].ingredients = [g("a", "Apples", 3000)];
    none(fruit, /^large-pot-cooling/);
  });
});

describe("waits", () => {
  const kept = (kind: string, ingredients: Loose[], steps: Loose[], hold: Loose, name = "thing") =>
    plain(
      component(
        "c",
        kind,
        ingredients,
        [
          ...steps,
          { id: "last", name: "Put it by", time: "10m", makes: [{ id: "thing", name, amount: { amount: 500, unit: "g" }, holds: [hold] }] },
        ],
        name,
      ),
    );
  const boil = { id: "boil", name: "Boil", time: "30m", attention: "nearby", uses: [{ what: "burner" }], boils: true };
  it.each([
    [
      "cooked rice for three days",
      /^rice-cooling/,
      kept("grain", [g("r", "Long-grain rice", 300)], [boil], { place: "fridge", litres: 1, max: "3d" }, "rice"),
      kept("grain", [g("r", "Long-grain rice", 300)], [boil], { place: "fridge", litres: 1, max: "20h" }, "rice"),
    ],
    [
      "garlic under oil in the cellar",
      /^oil-garlic-herb/,
      kept("oil", [g("g", "Garlic", 200), g("o", "Olive oil", 400)], [{ id: "c", name: "Confit slowly, cover with the oil", time: "1h" }], {
        place: "cellar",
        max: "20d",
      }),
      kept("oil", [g("g", "Garlic", 200), g("o", "Olive oil", 400)], [{ id: "c", name: "Confit slowly, cover with the oil", time: "1h" }], {
        place: "fridge",
        litres: 1,
        max: "3d",
      }),
    ],
    [
      "peppers under oil, with a spoonful of lemon juice that saves nothing, against enough vinegar",
      /^oil-garlic-herb/,
      kept(
        "oil",
        [g("p", "Red peppers", 900), g("o", "Olive oil", 400), g("l", "Lemon juice", 15, "mL")],
        [{ id: "c", name: "Grill, then cover with the oil", time: "1h" }],
        { place: "fridge", litres: 1, max: "20d" },
      ),
      kept(
        "oil",
        [g("p", "Red peppers", 900), g("o", "Olive oil", 400), g("v", "Wine vinegar", 500, "mL")],
        [{ id: "c", name: "Grill, then cover with the oil", time: "1h" }],
        { place: "fridge", litres: 1, max: "20d" },
      ),
    ],
    [
      "jars of beans in the cellar",
      /^low-acid-jar/,
      kept("vegetable", [g("b", "Green beans", 900)], [{ id: "j", name: "Pack into jars, seal and boil", time: "1h" }], {
        place: "cellar",
        max: "90d",
      }),
      kept(
        "pickle",
        [g("b", "Green beans", 500), g("v", "Wine vinegar", 500, "mL")],
        [{ id: "j", name: "Pack into jars, seal", time: "1h" }],
        { place: "fridge", litres: 1, max: "90d" },
      ),
    ],
    [
      "raw meat without air for a week",
      /^vacuum-raw/,
      kept("braise", [g("m", "Beef cheeks", 900)], [{ id: "j", name: "Seal in a vacuum bag", time: "10m" }], {
        place: "fridge",
        litres: 1,
        max: "7d",
      }),
      kept("braise", [g("m", "Beef cheeks", 900)], [{ id: "j", name: "Seal in a vacuum bag", time: "10m" }], {
        place: "fridge",
        litres: 1,
        max: "2d",
      }),
    ],
    [
      "mayonnaise on the counter",
      /^cooked-then-warm:hold/,
      kept("sauce", [g("o", "Sunflower oil", 300)], [], { place: "counter", max: "8h" }, "stock"),
      kept("sauce", [g("o", "Sunflower oil", 300)], [], { place: "counter", max: "1h" }, "stock"),
    ],
  ] as const)("%s", (_, id, bad, good) => {
    mends(bad, id);
    none(good, id);
  });
});

describe("raw contact is followed", () => {
  /** A marinade that raw meat lay in, and a glaze made of it for what is roasted. */
  const duck = (glaze: Loose) => {
    const d = plain(
      component(
        "duck",
        "roast",
        [g("d", "Duck", 2000), g("s", "Soy sauce", 200)],
        [
          {
            id: "lie",
            name: "Lie in the marinade",
            time: "12h",
            attention: "unattended",
            makes: [{ id: "marinade", name: "Marinade", raw: true, amount: { amount: 200, unit: "g" } }],
          },
          {
            id: "roast",
            name: "Roast",
            time: "90m",
            attention: "nearby",
            uses: [{ what: "oven", tempC: 180 }],
            makes: [{ id: "roast", amount: { amount: 1400, unit: "g" } }],
          },
        ],
      ),
    ) as Loose;
    d.components.splice(
      1,
      0,
      component(
        "glaze",
        "sauce",
        [g("h", "Honey", 50)],
        [
          {
            id: "stir",
            name: "Stir the glaze",
            time: "10m",
            takes: [{ from: "duck.marinade" }],
            makes: [{ id: "glaze", amount: { amount: 200, unit: "g" } }],
            ...glaze,
          },
        ],
      ),
    );
    d.components[2].methods[0].steps[0].takes = [{ from: "duck.roast" }, { from: "glaze.glaze" }];
    return d;
  };
  test("from the marinade through the glaze to the finished roast, by the steps it took", () => {
    const found = one(duck({}), /^marinade-reuse/);
    expect(found.severity).toBe("stop");
    expect(found.step).toBe("plate.put");
    expect(found.computed).toContain("“Stir the glaze”");
    mends(duck({}), /^marinade-reuse/);
  });
  test("a boil ends it, and so does heat that is said or plain", () => {
    none(duck({ boils: true }), /^(?:marinade-reuse|cross-contamination)/);
    none(duck({ done: { probeC: 85 } }), /^(?:marinade-reuse|cross-contamination)/);
    none(duck({ name: "Simmer the glaze", uses: [{ what: "burner" }] }), /^(?:marinade-reuse|cross-contamination)/);
  });
  test("a probe that stops short does not end it", () => {
    one(duck({ name: "Simmer the glaze", uses: [{ what: "burner" }], done: { probeC: 50 } }), /^marinade-reuse/);
  });
});

describe("what has to be cooked", () => {
  test("dry beans want a rolling boil, whatever else cooks them", () => {
    const beans = (step: Loose) =>
      plain(
        component(
          "beans",
          "grain",
          [g("b", "Kidney beans, dried", 400)],
          [
            { id: "soak", name: "Soak", time: "12h", attention: "unattended" },
            {
              id: "cook",
              name: "Cook slowly",
              time: "3h",
              attention: "nearby",
              uses: [{ what: "oven", tempC: 95 }],
              makes: [{ id: "beans" }],
              ...step,
            },
          ],
        ),
      );
    expect(one(beans({}), /^kidney-beans/).severity).toBe("stop");
    mends(beans({}), /^kidney-beans/);
    none(beans({ name: "Boil hard, then simmer", boils: true }), /^kidney-beans/);
  });
  test("raw egg is severe where guests need care, a warning where not, nothing where it is cooked", () => {
    const mousse = (dish: Loose, cooked = false) =>
      plain(
        component(
          "mousse",
          "sweet",
          [g("e", "Eggs", 4, "piece"), g("c", "Chocolate", 200)],
          [{ id: "fold", name: "Fold", time: "20m", ...(cooked ? { done: { probeC: 75 } } : {}), makes: [{ id: "mousse" }] }],
        ),
        dish,
      );
    expect(one(mousse({ guests: { care: ["pregnant"] } }), /^raw-egg/).severity).toBe("stop");
    expect(one(mousse({}), /^raw-egg/).severity).toBe("warn");
    none(mousse({}, true), /^raw-egg/);
    mends(mousse({ guests: { care: ["pregnant"] } }), /^raw-egg/);
  });
  test("mince to 60 °C, a batter that nothing bakes, a reheating without a mark", () => {
    mends(
      plain(
        component(
          "p",
          "sausage",
          [g("m", "Minced pork", 600)],
          [
            {
              id: "bake",
              name: "Bake",
              time: "40m",
              attention: "nearby",
              uses: [{ what: "oven", tempC: 160 }],
              done: { probeC: 64 },
              makes: [{ id: "p" }],
            },
          ],
        ),
      ),
      /^raw-mince/,
    );
    // Whether it is to be baked or boiled only the cook knows; flour toasted at home is no safer.
    const batter = component("b", "batter", [g("f", "Plain flour", 200)], [{ id: "stir", name: "Stir", time: "5m", makes: [{ id: "b" }] }]);
    expect(one(plain(batter), /^raw-flour/).mends).toEqual([]);
    mends(
      plain(
        component(
          "s",
          "braise",
          [g("m", "Beef shin", 900)],
          [{ id: "warm", name: "Warm through", time: "30m", uses: [{ what: "burner" }], makes: [{ id: "s" }] }],
        ),
      ),
      /74:/,
    );
  });
});

test("a vegetable ferment whose salt has no weight, or that has none, is severe; what is salted by other things is left alone", () => {
  const jar = (ingredients: Loose[]) =>
    plain(
      component("k", "ferment", ingredients, [{ id: "sour", name: "Ferment", time: "6d", attention: "unattended", makes: [{ id: "k" }] }]),
    );
  const cabbage = g("c", "Cabbage", 1000);
  for (const salt of [[], [{ id: "s", name: "Salt", asNeeded: true }]]) {
    const d = jar([cabbage, ...salt]);
    expect(one(d, /^ferment-acid:unweighed/).severity).toBe("stop");
    mends(d, /^ferment-acid:unweighed/);
  }
  none(jar([cabbage, g("s", "Salt", 22)]), /^ferment-acid:(?!check)/);
  none(jar([cabbage, g("f", "Fish sauce", 80)]), /^ferment-acid:(?!check)/);
  none(jar([g("j", "Apple juice", 1, "L"), g("y", "Wild starter", 50)]), /^ferment-acid:(?!check)/);
});

describe("who eats", () => {
  test("an allergen that is avoided, alcohol where children eat, honey for an infant", () => {
    const cake = plain(
      component(
        "cake",
        "sweet",
        [g("n", "Ground hazelnuts", 200), g("h", "Honey", 100), g("w", "Brandy", 100, "mL")],
        [{ id: "mix", name: "Mix", time: "10m", makes: [{ id: "cake" }] }],
      ),
      { guests: { avoid: ["nuts"], care: ["infant"], eaters: { adult: 3, child: 1 } } },
    );
    expect(one(cake, /^allergens:nuts/).severity).toBe("stop");
    expect(one(cake, /^alcohol/).computed).toMatch(/% of its alcohol stays, \d/);
    expect(one(cake, /^honey/).severity).toBe("stop");
    for (const id of [/^allergens:nuts/, /^alcohol/, /^honey/]) mends(cake, id);
    cake.dish.guests = {};
    none(cake, /^(?:allergens|alcohol|honey)/);
  });
  test.each([
    ["wheat", "Plain flour", true],
    ["gluten", "Pearl barley", true],
    ["egg", "Fresh egg noodles", true],
    ["pork", "Leaf gelatine", true],
    ["aniseed", "Aniseed", true],
    ["nuts", "Nutmeg", false],
    ["milk", "Coconut milk", false],
  ])("who avoids %s is told of %s: %s", (avoided, name, told) => {
    const d = plain(component("x", "other", [g("i", name, 100)], [{ id: "mix", name: "Mix", time: "5m", makes: [{ id: "x" }] }]), {
      guests: { avoid: [avoided] },
    });
    const found = find(d).filter((f) => f.id.startsWith("allergens:"));
    expect(found.length > 0).toBe(told);
    if (told) mends(d, /^allergens:/);
  });
});

test("charcoal under a roof, and nothing where it stands outdoors", () => {
  const smoke = (note: string) =>
    plain(
      component(
        "s",
        "roast",
        [g("m", "Pork shoulder", 2000)],
        [
          {
            id: "smoke",
            name: "Smoke over charcoal",
            note,
            time: "8h",
            attention: "nearby",
            uses: [{ what: "grill", tempC: 115 }],
            makes: [{ id: "s" }],
          },
        ],
      ),
    );
  expect(one(smoke("In the garage."), /^carbon-monoxide/).severity).toBe("stop");
  expect(one(smoke(""), /^carbon-monoxide/).severity).toBe("warn");
  mends(smoke(""), /^carbon-monoxide/);
  none(smoke("In the garden."), /^carbon-monoxide/);
});

test("a custard base is asked to be cold within the hour, and its figure stands where the step is", () => {
  const base = (name: string) =>
    plain(
      component(
        "ice",
        "sweet",
        [g("m", "Milk", 1, "L"), g("y", "Egg yolks", 200)],
        [
          { id: "cook", name: "Cook the custard to 82 °C", time: "25m", uses: [{ what: "burner" }] },
          {
            id: "cool",
            name,
            time: "3h",
            attention: "nearby",
            danger: ["ice-cream-base"],
            makes: [{ id: "ice", amount: { amount: 1.2, unit: "L" }, holds: [{ place: "fridge", litres: 2, max: "2d", limit: "safety" }] }],
          },
        ],
        "Vanilla ice",
      ),
    );
  const quick = one(base("Cool in an ice bath, stirring"), /^ice-cream-base/);
  expect([quick.severity, quick.title]).toEqual(["note", "Vanilla ice cools in time"]);
  expect(quick.computed).toMatch(/^1\.2 L stirred in an ice bath: .* min to 5 °C/);
  const slow = one(base("Cool in shallow trays in the fridge"), /^ice-cream-base/);
  expect([slow.severity, slow.title]).toEqual(["warn", "Vanilla ice is not cold within an hour"]);
});

test("a custard put into the fridge hot cools too slowly; caramel and sponge are no body in which things grow", () => {
  const sweet = (id: string, name: string, step: string, ingredients: Loose[]) =>
    plain(
      component(
        id,
        "sweet",
        ingredients,
        [
          {
            id: "cook",
            name: step,
            time: "25m",
            uses: [{ what: "burner" }],
            makes: [{ id, amount: { amount: 1.5, unit: "L" }, holds: [{ place: "fridge", litres: 2, max: "2d", limit: "safety" }] }],
          },
        ],
        name,
      ),
    );
  const custard = sweet("c", "Vanilla custard", "Cook to 82 °C", [g("m", "Milk", 1, "L"), g("y", "Egg yolks", 200)]);
  expect(one(custard, /^ice-cream-base/).title).toBe("Vanilla custard cools too slowly");
  mends(custard, /^ice-cream-base/);
  none(sweet("t", "Salted caramel", "Cook to 118 °C", [g("s", "Sugar", 400), g("c", "Cream", 200)]), /^large-pot-cooling/);
});

describe("with a plan", () => {
  function planned(document: Loose) {
    const dish = dishOf(document);
    const plan = planDish(dish, { rounds: 5 });
    if (plan.status !== "feasible") throw new Error(JSON.stringify(plan.conflict).slice(0, 400));
    return { dish, view: planView(dish, plan.plan), chosen: plan.plan.methods };
  }
  const looked = (document: Loose) => findingViews({ document, ...planned(document), acknowledged: new Map() });

  test("an oven that is on while all sleep is found by its minutes", () => {
    const night = plain(
      component(
        "r",
        "roast",
        [g("b", "Beetroot", 900)],
        [
          {
            id: "bake",
            name: "Bake slowly",
            time: "16h",
            attention: "unattended",
            sleepOk: true,
            uses: [{ what: "oven", tempC: 90 }],
            makes: [{ id: "r", amount: { amount: 800, unit: "g" } }],
          },
        ],
      ),
      { serveAt: "2026-10-18T13:00" },
    );
    const found = looked(night).find((f) => f.id.startsWith("unattended-heat"));
    expect(found?.computed).toMatch(/while everyone sleeps, for \d/);
    const awake = applyPatch(night, found?.mends[0]?.change ?? []);
    expect((awake as Loose).components[0].methods[0].steps[0].sleepOk).toBe(false);
  });

  test("food that is warm for hours on its way to serving adds up over its steps and waits", () => {
    const stew = (hold: Loose) => {
      const d = plain(
        component(
          "stew",
          "braise",
          [g("m", "Beef shin", 900), g("w", "Water", 1, "L")],
          [
            {
              id: "simmer",
              name: "Simmer",
              time: "3h",
              attention: "nearby",
              uses: [{ what: "burner" }],
              makes: [{ id: "stew", amount: { amount: 1200, unit: "g" }, holds: [hold] }],
            },
          ],
        ),
      );
      stepOf(d, "plate.put").takes = [{ from: "stew.stew" }];
      return d;
    };
    const warm = looked(stew({ place: "counter", min: "9h", max: "16h" })).find((f) => f.id === "cooked-then-warm:stew");
    expect(warm?.severity).toBe("stop");
    expect(warm?.computed).toMatch(/\d h .*between 5 and 60 °C before serving/);
    // Its mend takes it into the fridge; planned anew it is quiet.
    const mended = applyPatch(stew({ place: "counter", min: "9h", max: "16h" }), warm?.mends[0]?.change ?? []);
    expect(warm?.mends[0]?.label).toContain("fridge");
    expect(looked(mended).find((f) => f.id === "cooked-then-warm:stew")).toBeUndefined();
    expect(looked(stew({ place: "hot", max: "2h" })).find((f) => f.id === "cooked-then-warm:stew")).toBeUndefined();
    expect(
      looked(stew({ place: "fridge", litres: 2, min: "9h", max: "2d" })).find((f) => f.id === "cooked-then-warm:stew"),
    ).toBeUndefined();
  });

  test("crumbs that stand in a tin beside a custard are not the custard standing warm", () => {
    const found = looked(demoDocument("harvest-lunch")).map((f) => f.id);
    expect(found).not.toContain("cooked-then-warm:ice");
    const view = planned(demoDocument("harvest-lunch")).view;
    const crumbs = view.waits.find((w) => w.name === "Crumbs");
    // The same plan with a day of waiting for the crumbs: still nothing that grows stands warm.
    const later = { ...view, waits: view.waits.map((w) => (w === crumbs ? { ...w, from: w.to - 1440 } : w)) };
    const document = demoDocument("harvest-lunch") as DishFile;
    const ids = findingViews({ document, dish: demoDish("harvest-lunch"), chosen: {}, view: later, acknowledged: new Map() }).map(
      (f) => f.id,
    );
    expect(crumbs).toBeDefined();
    expect(ids).not.toContain("cooked-then-warm:ice");
  });

  test("what was acknowledged of a wait holds for some minutes more, and not for many hours more", () => {
    const stew = (hours: number) => {
      const d = plain(
        component(
          "hen",
          "roast",
          [g("h", "Chicken", 1500)],
          [
            { id: "stand", name: "Stand at room temperature", time: `${hours * 60}m`, attention: "unattended" },
            { id: "roast", name: "Roast", time: "90m", attention: "nearby", uses: [{ what: "oven", tempC: 180 }], makes: [{ id: "hen" }] },
          ],
        ),
      );
      return looked(d).find((f) => f.id === "cooked-then-warm:hen");
    };
    const [a, little, much] = [stew(8), stew(8.25), stew(20)];
    expect(little?.computed).not.toBe(a?.computed);
    expect(little?.print).toBe(a?.print);
    expect(much?.print).not.toBe(a?.print);
  });

  test("raw meat that stood warm for a working day is not made good by cooking it", () => {
    const left = (minutes: string) =>
      plain(
        component(
          "hen",
          "roast",
          [g("h", "Chicken", 1500)],
          [
            { id: "stand", name: "Stand at room temperature", time: minutes, attention: "unattended" },
            { id: "roast", name: "Roast", time: "90m", attention: "nearby", uses: [{ what: "oven", tempC: 180 }], makes: [{ id: "hen" }] },
          ],
        ),
      );
    const found = looked(left("8h")).find((f) => f.id === "cooked-then-warm:hen");
    expect(found?.severity).toBe("stop");
    expect(found?.mends[0]?.label).toMatch(/for one hour/);
    expect(looked(applyPatch(left("8h"), found?.mends[0]?.change ?? [])).find((f) => f.id === "cooked-then-warm:hen")).toBeUndefined();
    expect(looked(left("1h")).find((f) => f.id === "cooked-then-warm:hen")).toBeUndefined();
  });

  test("asleep is when no cook is awake", () => {
    const { dish, view } = planned(demoDocument("spiced-duck"));
    const asleep = asleepIn(dish, view);
    expect(asleep.length).toBeGreaterThan(0);
    for (const [from, to] of asleep) expect(to - from).toBeLessThanOrEqual(8 * 60);
  });

  test.each(DEMO)("%s has no finding past a limit, and every finding says where, what, and whose word it is", (name) => {
    const document = demoDocument(name);
    const dish = demoDish(name);
    const plan = planDish(dish, { rounds: 5 });
    if (plan.status !== "feasible") throw new Error("no plan");
    const found = findingViews({ document, dish, chosen: plan.plan.methods, view: planView(dish, plan.plan), acknowledged: new Map() });
    expect(found.filter((f) => f.hard)).toEqual([]);
    for (const f of found) {
      expect(f.where.length, f.id).toBeGreaterThan(0);
      expect(f.computed.length).toBeGreaterThan(10);
      expect(f.source.length).toBeGreaterThan(5);
      expect(f.caution.length).toBeGreaterThan(30);
      for (const m of f.mends) expect(readDish(JSON.stringify(applyPatch(document, m.change))).status, m.label).not.toBe("refused");
    }
    expect(new Set(found.map((f) => f.id)).size).toBe(found.length);
  });

  test("an acknowledgement holds for what was computed and the step as it was, and for nothing else", () => {
    const document = demoDocument("harvest-lunch");
    const cure = (d: DishFile) =>
      d.components.find((c: Loose) => c.id === "pork")?.methods[0]?.ingredients?.find((i: Loose) => /nitrite/.test(i.name)) as Loose;
    cure(document).amount.amount = 0.45;
    const parts = planned(document);
    const before = findingViews({ document, ...parts, acknowledged: new Map() });
    const acknowledged = new Map(before.map((f) => [f.id, f.print]));
    expect(unacknowledged(before).length).toBeGreaterThan(0);
    expect(unacknowledged(findingViews({ document, ...parts, acknowledged }))).toEqual([]);
    const changed = structuredClone(document);
    cure(changed).amount.amount = 0.4;
    const again = unacknowledged(findingViews({ document: changed, ...parts, acknowledged }));
    expect(again.map((f) => f.id)).toEqual(["curing-salt:pork"]);
  });
});

describe("what cannot be calculated is said, and takes no page down", () => {
  const big = (kind: string, ingredients: Loose[], dish: Loose = {}) =>
    plain(component("big", kind, ingredients, [{ id: "do", name: "Rub and mix", time: "1h", makes: [{ id: "big" }] }]), dish);
  test("meat beyond the range of the doses: severe, not called too much, and nothing is proposed", () => {
    const found = one(big("cure", [g("m", "Pork", 900_000), g("c", "Curing salt", 2000)]), /^curing-salt/);
    expect(found).toMatchObject({ severity: "stop", hard: false, mends: [] });
    expect(found.title).toContain("not calculated");
  });
  test("a ferment by the tonne is still held to its salt", () => {
    expect(one(big("ferment", [g("c", "Cabbage", 900_000), g("s", "Salt", 5000)]), /^ferment-acid:salt/).hard).toBe(true);
  });
  test("half a guest, and a lake of wine", () => {
    none(big("sauce", [g("w", "Red wine", 500, "mL")], { serves: 0.5, guests: { care: ["children"] } }), /^not-calculated/);
    const lake = one(big("sauce", [g("w", "Red wine", 900, "L")], { guests: { care: ["children"] } }), /^not-calculated:alcohol/);
    expect(lake.severity).toBe("stop");
  });
});

test("every caution that a rule can name is in the table", () => {
  for (const id of [
    "curing-salt",
    "low-acid-jar",
    "oil-garlic-herb",
    "vacuum-raw",
    "kidney-beans",
    "rice-cooling",
    "raw-egg",
    "raw-mince",
    "raw-flour",
    "unattended-heat",
    "carbon-monoxide",
    "marinade-reuse",
    "alcohol",
    "allergens",
  ])
    expect(cautionOf(id)?.mend.length, id).toBeGreaterThan(5);
});
