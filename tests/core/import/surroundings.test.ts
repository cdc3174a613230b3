// What of a page is its recipe, and what of a recipe is no step: a menu, a cookie notice, a wish, a tip.
import { describe, expect, test } from "vitest";
import { amountWords } from "../../../src/core/entry/words-said";
import { methodOf } from "../../../src/core/import/method";
import { readRecipes } from "../../../src/core/import/read";
import { dishOfRecipe } from "../../../src/core/import/to-dish";

const RECIPE = `<h1>Quince paste</h1><h2>Ingredients</h2><ul><li>1.5 kg quinces</li><li>900 g sugar</li></ul>
<h2>Method</h2><ol><li>Simmer the quinces for 2 hours.</li><li>Stir in the sugar and cook for 40 minutes.</li></ol>`;
const readPage = (body: string) => {
  const got = readRecipes(`<!doctype html><html><body>${body}</body></html>`);
  if (got.status !== "read") throw new Error(got.because);
  const [recipe] = got.recipes;
  if (!recipe) throw new Error("no recipe");
  return recipe;
};
const ingredientsOf = (body: string) => readPage(body).sections.flatMap((s) => s.ingredients.map((i) => i.text));

describe("what stands around a recipe on its page", () => {
  test.each([
    ["a class that names it", `<div class="site-menu"><p>250 g of news each week</p></div>`],
    ["an id that names it", `<div id="cookie-notice"><p>We use 2 cookies</p></div>`],
    ["a role", `<div role="navigation"><p>3 kg of new recipes</p></div>`],
    ["what is hidden", `<p hidden>400 g hidden flour</p>`],
    ["what is hidden from readers aloud", `<p aria-hidden="true">400 g hidden flour</p>`],
    ["what a style hides", `<p style="display : none">400 g hidden flour</p>`],
    ["a footer", `<footer><p>100 g of small print</p></footer>`],
    ["a list of links", `<ul><li><a href="/a">500 g loaf</a></li><li><a href="/b">200 g jam tart</a></li></ul>`],
    ["a form", `<form><p>1 kg of post</p></form>`],
  ])("%s is none of it", (_, around) => {
    expect(ingredientsOf(`<main>${RECIPE}</main>${around}`)).toEqual(["1.5 kg quinces", "900 g sugar"]);
    expect(ingredientsOf(`<div>${RECIPE}${around}</div>`)).toEqual(["1.5 kg quinces", "900 g sugar"]);
  });

  test.each(["body", "main", "article"])("%s with such a class holds the recipe all the same", (name) => {
    const html =
      name === "body"
        ? `<!doctype html><html><body class="has-sidebar nav menu">${RECIPE}</body></html>`
        : `<!doctype html><html><body><${name} class="print menu" role="alert">${RECIPE}</${name}></body></html>`;
    const got = readRecipes(html);
    expect(got.status === "read" && got.recipes[0]?.sections.flatMap((s) => s.ingredients.map((i) => i.text))).toEqual([
      "1.5 kg quinces",
      "900 g sugar",
    ]);
  });
});

describe("what a sentence says that is no step", () => {
  const said = (text: string, language: "en" | "de" | "fr" | "it" | "es" = "en") =>
    methodOf([{ from: 0, to: text.length, text }], language);

  test.each([
    ["en", "Simmer for 2 hours. Enjoy!"],
    ["en", "Simmer for 2 hours. That's it, really."],
    ["en", "Simmer for 2 hours. It is best after a day."],
    ["en", "Simmer for 2 hours. Tip: use a heavy pot."],
    ["de", "2 Stunden köcheln lassen. Guten Appetit!"],
    ["fr", "Laisser mijoter 2 heures. Bon appétit !"],
    ["it", "Cuocere a fuoco lento per 2 ore. Buon appetito!"],
    ["es", "Cocer a fuego lento 2 horas. ¡Buen provecho!"],
  ] as const)("%s: %s", (language, text) => {
    const { steps, beside } = said(text, language);
    expect(steps.map((s) => s.step.time)).toEqual(["2h"]);
    expect(beside).toHaveLength(1);
    const stretch = beside[0]?.stretch;
    expect(text.slice(stretch?.from, stretch?.to).trim()).toBe(text.slice(text.search(/[.] /) + 2));
  });

  test("what is kept warm or kept stirring is a step, what is stored is not", () => {
    expect(said("Keep warm for 20 minutes.").steps).toHaveLength(1);
    const stored = said("Bake for 40 minutes. Store in a tin for up to 10 days.");
    expect(stored.steps).toHaveLength(1);
    expect(stored.beside[0]?.keeps?.[0]).toMatchObject({ max: 14_400 });
  });

  test("an oven heated for a later part is no step, and gives its heat to what bakes there", () => {
    const early = said("Preheat the oven to 180 °C.");
    expect(early.steps).toHaveLength(0);
    expect(early.pending).toHaveLength(1);
    const text = "Bake for 30 minutes.";
    const later = methodOf([{ from: 0, to: text.length, text }], "en", early.ovenC, early.pending);
    expect(later.steps[0]?.step.uses).toEqual([expect.objectContaining({ what: "oven", tempC: 180 })]);
    expect(later.heating).toHaveLength(1);
  });

  test("what runs beside the step before it says so", () => {
    const { steps } = said("Simmer the beans for 1 hour. Meanwhile, roast the peppers for 30 minutes.");
    expect(steps.map((s) => s.beside)).toEqual([false, true]);
  });
});

test("what stands in the freezer is the putting there, not the dicing before it", () => {
  const text = "Dice the fat and stick it in the freezer for 1 hour.";
  const [step] = methodOf([{ from: 0, to: text.length, text }], "en").steps;
  expect(step?.reading.verb).toBe("stick");
  expect(step?.step.attention).toBe("unattended");
});

test("of several parts, the dish's name says nothing about one; pieces have no unit of their own", () => {
  const text =
    "Sausage coil with mash\n\nMash\n2 shallots\n1 kg potatoes\nBoil the potatoes for 20 minutes.\n\nSauce\n200 ml cream\nSimmer the cream for 5 minutes.";
  const got = readRecipes(text);
  if (got.status !== "read") throw new Error(got.because);
  const { document, components } = dishOfRecipe(got.recipes[0]!, { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" });
  expect(document.components.slice(0, 2).map((c) => c.kind)).toEqual(["vegetable", "sauce"]);
  expect(components[0]?.ingredients.map((i) => i.read.amount && amountWords(i.read.amount))).toEqual(["2", "1 kg"]);
});

test("how many it serves is the dish's, and its words point there", () => {
  const text = "Quince paste\nServes 9\n\nIngredients\n1.5 kg quinces\n\nMethod\nSimmer the quinces for 2 hours.";
  const got = readRecipes(text);
  if (got.status !== "read") throw new Error(got.because);
  const read = dishOfRecipe(got.recipes[0]!, { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" });
  expect(read.document.dish.baseServes).toBe(9);
  const at = text.indexOf("Serves");
  const item = read.accounting.items.find((i) => i.from <= at && i.to > at);
  expect(item?.became).toBe("/dish/baseServes");
});
