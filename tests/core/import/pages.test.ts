// Recipe pages in the shapes that schema.org allows, as cooks save them. What each holds was read off it by hand.
import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { checkDish } from "../../../src/core/dish/check";
import { readDishValue } from "../../../src/core/dish/read";
import { readRecipes } from "../../../src/core/import/read";
import type { Recipe } from "../../../src/core/import/recipe";
import { dishOfRecipe, type ImportedDish } from "../../../src/core/import/to-dish";
import { minutesOf } from "../../../src/core/time/duration";

const page = (name: string) => readFileSync(new URL(`../../data/pages/${name}`, import.meta.url), "utf8");
const recipeOf = (name: string): Recipe => {
  const read = readRecipes(page(name));
  if (read.status !== "read") throw new Error(`${name}: ${read.because}`);
  return read.recipes[0] as Recipe;
};
const serving = { serves: 6, serveAt: "2026-12-06T13:00", timezone: "Europe/Dublin" };

interface Page {
  readonly file: string;
  readonly name: string;
  readonly serves: number | undefined;
  readonly total: number | undefined;
  /** Parts, the table left out. */
  readonly components: number;
  readonly amounts: readonly (readonly [amount: number | undefined, unit: string, name: string])[];
  /** Least and longest minutes of each step that is said a time. */
  readonly times: readonly (readonly [number, number?])[];
  readonly ovens: readonly number[];
  readonly rounds: readonly number[];
  readonly places: readonly string[];
}

const PAGES: readonly Page[] = [
  {
    file: "01-plain.json",
    name: "Rye crackers with caraway",
    serves: 8,
    total: 98,
    components: 1,
    amounts: [
      [200, "g", "rye flour"],
      [100, "g", "plain flour"],
      [1, "tsp", "fine salt"],
      [2, "tsp", "caraway seeds"],
      [60, "mL", "sunflower oil"],
      [150, "mL", "water"],
    ],
    times: [[5], [60], [15, 18]],
    ovens: [200],
    rounds: [],
    places: [],
  },
  {
    file: "02-steps.html",
    name: "Braised brown lentils & fennel",
    serves: 6,
    total: 65,
    components: 1,
    amounts: [
      [400, "g", "brown lentils"],
      [2, "piece", "fennel bulbs"],
      [3, "clove", "garlic"],
      [1.5, "L", "vegetable stock"],
      [4, "tbsp", "olive oil"],
      [0.5, "tsp", "fennel seeds"],
      [undefined, "", "salt"],
    ],
    times: [[12], [40, 45], [10]],
    ovens: [],
    rounds: [10],
    places: [],
  },
  {
    file: "03-sections.html",
    name: "Custard slices on puff pastry",
    serves: 10,
    total: undefined,
    components: 3,
    amounts: [
      [250, "g", "strong white flour"],
      [5, "g", "salt"],
      [125, "mL", "cold water"],
      [200, "g", "butter"],
      [500, "mL", "whole milk"],
      [4, "piece", "egg yolks"],
      [100, "g", "caster sugar"],
      [40, "g", "cornflour"],
      [1, "piece", "vanilla pod"],
    ],
    times: [[5], [30], [20], [25], [5], [2], [120], [60]],
    ovens: [200],
    rounds: [],
    places: ["fridge", "fridge", "fridge", "fridge"],
  },
  {
    file: "04-graph.html",
    name: "Salt-cured trout",
    serves: 8,
    total: 2905,
    components: 1,
    amounts: [
      [1.2, "kg", "trout fillet"],
      [60, "g", "salt"],
      [45, "g", "sugar"],
      [1, "bunch", "dill"],
      [2, "tsp", "crushed black pepper"],
    ],
    times: [[2880], [15]],
    ovens: [],
    rounds: [720],
    places: ["fridge"],
  },
  {
    file: "05-list.json",
    name: "Milk buns",
    serves: 12,
    total: 220,
    components: 1,
    amounts: [
      [500, "g", "strong white flour"],
      [7, "g", "instant yeast"],
      [50, "g", "sugar"],
      [9, "g", "salt"],
      [280, "mL", "whole milk"],
      [1, "piece", "egg"],
      [60, "g", "soft butter"],
    ],
    times: [[8], [6], [90], [60, 75], [20, 22]],
    ovens: [190],
    rounds: [],
    places: [],
  },
  {
    file: "06-us.html",
    name: "Smothered short ribs",
    serves: 5,
    total: 240,
    components: 1,
    amounts: [
      [4, "lb", "bone-in beef short ribs"],
      [1, "tbsp", "kosher salt"],
      [2, "tbsp", "all-purpose flour"],
      [0.25, "cup", "vegetable oil"],
      [2, "piece", "onions"],
      [1, "can", "crushed tomatoes"],
      [1.25, "cup", "dry red wine"],
      [2, "cup", "beef broth"],
      [3, "sprig", "thyme"],
      [1.5, "lb", "small potatoes"],
    ],
    times: [[480, 840], [15], [10], [150, 180], [35]],
    ovens: [165, 165],
    rounds: [],
    places: ["fridge"],
  },
  {
    file: "07-itemlist.json",
    name: "Labneh with sumac",
    serves: 6,
    total: undefined,
    components: 1,
    amounts: [
      [1, "kg", "plain yoghurt"],
      [1, "tsp", "salt"],
      [2, "tbsp", "olive oil"],
      [1, "tsp", "sumac"],
    ],
    times: [[1440]],
    ovens: [],
    rounds: [],
    places: ["fridge"],
  },
  {
    file: "08-html-steps.html",
    name: "Pear chutney",
    serves: 3,
    total: 110,
    components: 1,
    amounts: [
      [1.5, "kg", "firm pears"],
      [300, "g", "onions"],
      [250, "mL", "cider vinegar"],
      [200, "g", "muscovado sugar"],
      [2, "tsp", "mustard seeds"],
      [5, "cm", "ginger"],
    ],
    times: [[30], [60], [20]],
    ovens: [],
    rounds: [15],
    places: [],
  },
  {
    file: "09-broken.html",
    name: "Oat porridge bread",
    serves: 1,
    total: undefined,
    components: 1,
    amounts: [
      [100, "g", "rolled oats"],
      [300, "mL", "boiling water"],
      [450, "g", "strong white flour"],
      [10, "g", "salt"],
      [5, "g", "instant yeast"],
    ],
    times: [[45], [10], [120], [50], [40]],
    ovens: [220],
    rounds: [],
    places: [],
  },
  {
    file: "10-metric-eu.json",
    name: "Kalbsfond",
    serves: undefined,
    total: 525,
    components: 1,
    amounts: [
      [3, "kg", "veal bones"],
      [2, "piece", "carrots"],
      [1, "piece", "leek"],
      [250, "g", "celeriac"],
      [2, "piece", "onions"],
      [1, "piece", "bouquet of parsley stalks"],
      [2, "piece", "bay leaves"],
      [10, "piece", "peppercorns"],
      [5, "L", "cold water"],
      [200, "mL", "white wine"],
    ],
    times: [[45], [360, 480], [40], [480, 840]],
    ovens: [220],
    rounds: [15, 30],
    places: ["fridge"],
  },
  {
    file: "11-durations.json",
    name: "Air-dried beet crisps",
    serves: 6,
    total: 375,
    components: 1,
    amounts: [
      [3, "piece", "beetroot"],
      [2, "tsp", "salt"],
      [1, "pinch", "sugar"],
      [0.5, "piece", "lemon"],
    ],
    times: [[30], [300, 360], [15]],
    ovens: [70],
    rounds: [60],
    places: [],
  },
  {
    file: "12-nested-mixed.html",
    name: "Duck rillettes",
    serves: 10,
    total: undefined,
    components: 3,
    amounts: [
      [6, "piece", "duck legs"],
      [500, "g", "duck fat"],
      [25, "g", "salt"],
      [4, "sprig", "thyme"],
      [2, "piece", "bay leaves"],
      [1, "head", "garlic"],
    ],
    times: [[720, 1440], [180], [25], [1440, 2160]],
    ovens: [120],
    rounds: [],
    places: ["fridge", "fridge"],
  },
];

const parts = (d: ImportedDish) => d.document.components.filter((c) => c.id !== "table");
const stepsOf = (d: ImportedDish) => parts(d).flatMap((c) => c.methods.flatMap((m) => m.steps));
const timed = (d: ImportedDish) =>
  d.components
    .flatMap((c) => c.steps)
    .filter((s) => s.reading.said.minutes)
    .map((s) => s.step);
const span = (time: ReturnType<typeof timed>[number]["time"]) =>
  typeof time === "string" ? [minutesOf(time), minutesOf(time)] : [minutesOf(time.min), minutesOf(time.max)];

/** Every figure of a page, as wanted and as got. */
function figures(p: Page): { want: string; got: string }[] {
  const recipe = recipeOf(p.file);
  const dish = dishOfRecipe(recipe, serving);
  const got = parts(dish).flatMap((c) => c.methods[0]?.ingredients ?? []);
  const steps = timed(dish);
  const rows = [
    { want: `serves ${p.serves}`, got: `serves ${recipe.serves}` },
    { want: `total ${p.total}`, got: `total ${recipe.totalMinutes}` },
    { want: `components ${p.components}`, got: `components ${parts(dish).length}` },
    { want: `steps with a time ${p.times.length}`, got: `steps with a time ${steps.length}` },
  ];
  for (const [amount, unit, name] of p.amounts) {
    const found = got.find((i) => i.name === name);
    rows.push({
      want: `${name}: ${amount} ${unit}`,
      got: `${name}: ${found ? `${found.amount?.amount} ${found.amount?.unit ?? ""}` : "missing"}`,
    });
  }
  p.times.forEach(([min, max], i) => {
    const step = steps[i];
    rows.push({ want: `time ${i}: ${min}-${max ?? min}`, got: `time ${i}: ${step ? span(step.time).join("-") : "missing"}` });
  });
  const uses = stepsOf(dish).flatMap((s) => s.uses ?? []);
  const put = (what: string, want: readonly unknown[], have: readonly unknown[]) =>
    want.forEach((w, i) => rows.push({ want: `${what} ${w}`, got: `${what} ${have[i]}` }));
  put(
    "oven",
    p.ovens,
    uses.filter((u) => u.what === "oven").map((u) => u.tempC),
  );
  put(
    "place",
    p.places,
    uses.filter((u) => u.what === "fridge").map((u) => u.what),
  );
  put(
    "round",
    p.rounds,
    stepsOf(dish).flatMap((s) => (s.tend && !Array.isArray(s.tend) && typeof s.tend.every === "string" ? [minutesOf(s.tend.every)] : [])),
  );
  return rows;
}

test("every figure of the twelve pages is read as a cook reads it", () => {
  const all = PAGES.flatMap((p) => figures(p).map((f) => ({ ...f, file: p.file })));
  const wrong = all.filter((f) => f.want !== f.got);
  expect(all.length).toBeGreaterThan(140);
  expect(wrong).toEqual([]);
});

describe.each(PAGES)("$file", (p) => {
  const recipe = recipeOf(p.file);
  const dish = dishOfRecipe(recipe, serving);
  test("has its name, and is a sound dish", () => {
    expect(recipe.name).toBe(p.name);
    const read = readDishValue(dish.document);
    expect(read.problems.filter((x) => x.severity === "error")).toEqual([]);
    expect(checkDish(dish.document).filter((x) => x.message.includes("leads to nothing"))).toEqual([]);
  });
  test("no line of it is lost", () => {
    const lines = recipe.sections.flatMap((s) => s.ingredients).filter((l) => !l.text.endsWith(":"));
    expect(parts(dish).flatMap((c) => c.methods[0]?.ingredients ?? [])).toHaveLength(lines.length);
    const told = [...stepsOf(dish).map((s) => `${s.name} ${s.note ?? ""}`), ...parts(dish).map((c) => c.note ?? "")]
      .join(" ")
      .toLowerCase();
    for (const instruction of recipe.sections.flatMap((s) => s.instructions))
      for (const word of instruction.text.toLowerCase().match(/\p{L}{5,}/gu) ?? []) expect(told).toContain(word);
  });
});

describe("what is hostile or broken", () => {
  test("never runs, never crashes, pollutes nothing, and what can be read is", () => {
    const recipe = recipeOf("hostile.html");
    expect(recipe.name).not.toMatch(/[<>]/);
    expect(recipe.name).toContain("Cake");
    const dish = dishOfRecipe(recipe, serving);
    expect(readDishValue(dish.document).problems.filter((x) => x.severity === "error")).toEqual([]);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
    const text = JSON.stringify(dish.document);
    expect(text).not.toMatch(/<iframe|onclick|<b |\\u0000/);
    expect(
      dish.document.components
        .flatMap((c) => c.methods.flatMap((m) => m.ingredients ?? []))
        .some((i) => i.name === "flour" && i.amount?.amount === 500),
    ).toBe(true);
  });
  test.each([
    ["nothing", "   "],
    ["JSON of another kind", '{"@type":"Person","name":"x"}'],
    ["a recipe without anything in it", '{"@type":"Recipe","name":"x"}'],
    ["a page without a recipe", "<html><body><p>Hello there.</p></body></html>"],
    ["brackets without end", "[".repeat(5000)],
    ["an open script", '<html><script type="application/ld+json">{"@type":"Recipe","name":"x"'],
  ])("%s gives a reason", (_, text) => {
    const read = readRecipes(text);
    expect(read.status).toBe("nothing");
    if (read.status === "nothing") expect(read.because.length).toBeGreaterThan(20);
  });
  test("a graph that contains itself by its depth is given up on", () => {
    let nested = '{"@type":"Recipe","name":"deep","recipeIngredient":["1 egg"]}';
    for (let i = 0; i < 200; i++) nested = `{"a":${nested}}`;
    expect(readRecipes(nested).status).toBe("nothing");
  });
});
