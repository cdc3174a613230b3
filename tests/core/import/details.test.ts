// Small rules of import, each where another would pass unnoticed: headings that could be orders, lists in a line, limits, pages that say things twice,
// which guesses the plan turns on, how long a part keeps.
import { describe, expect, test } from "vitest";
import { guessesOf } from "../../../src/core/import/corrections";
import { methodOf } from "../../../src/core/import/method";
import { readRecipes } from "../../../src/core/import/read";
import { RECIPE_LIMITS } from "../../../src/core/import/recipe";
import { dishOfRecipe } from "../../../src/core/import/to-dish";

function dishOf(text: string) {
  const got = readRecipes(text);
  if (got.status !== "read") throw new Error(got.because);
  return dishOfRecipe(got.recipes[0] as (typeof got.recipes)[0], { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" });
}
const componentsOf = (text: string) => dishOf(text).document.components;
const namesOf = (text: string) => componentsOf(text).map((c) => c.name);
const ingredientsOf = (text: string, component = 0) => componentsOf(text)[component]?.methods[0]?.ingredients?.map((i) => i.name) ?? [];

describe("a line of a word or two above what is weighed", () => {
  const above = (heading: string) => `Lentil bake

A dish for cold days.

${heading}
300 g lentils
1 onion

Method
Boil the lentils for 30 minutes.
Bake for 40 minutes.`;
  test("is the name of a part, also where it could tell what to do", () => {
    expect(namesOf(above("Lentil base"))).toContain("Lentil base");
    expect(namesOf(above("Mash"))).toContain("Mash");
  });
  test("with a verb and more words it tells what to do", () => {
    expect(namesOf(above("Boil the lentils"))).not.toContain("Boil the lentils");
  });
});

describe("a list in one line", () => {
  test("behind its heading becomes ingredients", () => {
    const text =
      "Flatbread\n\nIngredients: 500 g flour, 10 g salt, 300 ml water\n\nMethod: Mix all of it for 5 minutes. Bake for 10 minutes.";
    expect(ingredientsOf(text)).toEqual(["flour", "salt", "water"]);
  });
  test("of several amounts becomes several, one ingredient with a comma stays one", () => {
    const text = `Onion soup

Ingredients
3 onions, 40 g butter
1 celeriac, peeled

Method
Fry the onions for 40 minutes.`;
    expect(ingredientsOf(text)).toHaveLength(3);
  });
});

describe("limits", () => {
  const recipe = (more: string) => `Barley pot\n\nIngredients\n200 g barley\n\nMethod\nSimmer the barley for 45 minutes.\n${more}`;
  test("a line of more letters than any recipe has is kept and not read", () => {
    const long = (letters: number) => `Simmer ${"x".repeat(letters - "Simmer  for 7 minutes".length)} for 7 minutes`;
    const stateOf = (letters: number) => dishOf(recipe(long(letters))).accounting.items.find((i) => i.text.includes("xxx"))?.state;
    expect(stateOf(RECIPE_LIMITS.text)).not.toBe("unread");
    expect(stateOf(RECIPE_LIMITS.text + 1)).toBe("unread");
  });
  test("of a text of too many lines the first are read, the others kept", () => {
    const lines = Array.from({ length: RECIPE_LIMITS.lines + 20 }, (_, i) => `Note ${i}`);
    const dish = dishOf(recipe(`\nNotes\n${lines.join("\n")}\nSimmer the whole for 9 minutes.`));
    expect(dish.document.components[0]?.methods[0]?.steps).toHaveLength(1);
    expect(dish.accounting.items.at(-1)?.state).toBe("unread");
  });
});

describe("a page that has the recipe as data and as text", () => {
  const data = {
    "@context": "https://schema.org",
    "@type": "Recipe",
    name: "Chestnut cake",
    recipeIngredient: ["300 g chestnuts", "4 eggs"],
    recipeInstructions: [{ "@type": "HowToStep", text: "Boil the chestnuts for 30 minutes." }],
  };
  const said = (body: string, ...more: readonly string[]) => {
    const steps = [...data.recipeInstructions, ...more.map((text) => ({ "@type": "HowToStep", text }))];
    const json = JSON.stringify({ ...data, recipeInstructions: steps });
    const head = `<head><script type="application/ld+json">${json}</script></head>`;
    return dishOf(`<html>${head}<body><article>${body}</article></body></html>`).accounting.items.map((i) => i.text);
  };
  test("what stands in both is told once, what only the text has is kept", () => {
    const items = said(
      "<p>300 g chestnuts</p><p>Boil the chestnuts for 30 minutes.</p><p>My aunt roasted hers over vine wood in October.</p>",
    );
    expect(items.filter((t) => t.includes("300 g chestnuts"))).toHaveLength(1);
    expect(items.filter((t) => t.includes("Boil the chestnuts"))).toHaveLength(1);
    expect(items.some((t) => t.includes("vine wood"))).toBe(true);
  });
  test("the same in slightly other words is the same", () => {
    const long =
      "Rub the chestnuts through a fine sieve while they are still warm, stir the yolks into them one after another, and fold in the whites last of all.";
    const part = said("<p>Rub the chestnuts through a fine sieve</p>", long);
    expect(part.filter((t) => t.includes("Rub the chestnuts"))).toHaveLength(1);
    const items = said("<p>Boil all the chestnuts for 30 minutes.</p><p>***</p>");
    expect(items.filter((t) => t.includes("chestnuts for 30 minutes"))).toHaveLength(1);
  });
});

describe("guesses that the plan depends on are those on the longest way", () => {
  const decisive = (text: string) =>
    guessesOf(dishOf(text))
      .filter((g) => g.field === "minutes" && g.decisive)
      .map((g) => g.name.toLowerCase())
      .join("; ");
  test("and not those of a garnish that is made beside it", () => {
    const text = `Bean stew

Beans:
400 g beans
Soak the beans for 12 hours.
Cook the beans.

Garnish:
1 onion
Fry the onion.

To serve:
Boil the beans for 20 minutes.
Scatter the garnish over the beans for 1 minute.`;
    expect(decisive(text)).toMatch(/cook the beans/);
    expect(decisive(text)).not.toMatch(/fry the onion/);
  });
  test("goes through a part where it is taken, not from the first step on", () => {
    const text = `Milk rice

Garnish:
1 onion
Fry the onion.

Rice:
200 g rice
Simmer the rice for 40 minutes.
Scatter the garnish over the rice.`;
    expect(decisive(text)).not.toMatch(/fry the onion/);
  });
  test("goes through what is taken, and past what is taken late", () => {
    const text = `Lentil bake

Lentils:
400 g lentils
Cook the lentils for 60 minutes.
Season the lentils.

Bread:
300 g flour
Knead the bread for 90 minutes.

To finish:
Put the lentils in a dish for 5 minutes.
Bake for 60 minutes.
Serve with the bread for 1 minute.`;
    expect(decisive(text)).toMatch(/season the lentils/);
  });
});

describe("how long it keeps", () => {
  const keeping = (note: string) => {
    const dish = dishOf(`Plum jam

Ingredients
1 kg plums
500 g sugar

Method
Boil the plums with the sugar for 40 minutes.

Notes
${note}`);
    return dish.accounting.items.find((i) => i.text.includes(note.slice(0, 12)));
  };
  test("without a place it says so, with one it does not", () => {
    expect(JSON.stringify(keeping("Keeps for 3 months."))).toMatch(/no place said/);
    expect(JSON.stringify(keeping("Keeps for 3 months in the fridge."))).not.toMatch(/no place said/);
  });
});

describe("work that is done only if something turns out so", () => {
  const stepsOf = (instructions: string[], language: "en" | "de" | "fr" | "it" | "es") =>
    methodOf(
      instructions.map((text, i) => ({ from: i * 500, to: i * 500 + text.length, text })),
      language,
    ).steps.map((s) => s.step.name);
  test("takes no place of its own in the plan", () => {
    expect(stepsOf(["Bake for 40 minutes. Cover with foil if it browns too fast."], "en")).toEqual(["Bake for 40 minutes"]);
    expect(stepsOf(["Cuocere 40 minuti. Se scurisce troppo, coprire con un foglio."], "it")).toHaveLength(1);
    expect(stepsOf(["Hornear 40 minutos. Si se dora demasiado, cubrir."], "es")).toHaveLength(1);
  });
  test("is not mistaken for work that is done anyway", () => {
    expect(stepsOf(["Bake for 40 minutes. Knead the second dough, adding water if it looks dry."], "en")).toHaveLength(2);
    // In Italian "si", in Spanish "se" says what one does.
    expect(stepsOf(["Cuocere 40 minuti. Si mescola la farina con l'acqua."], "it")).toHaveLength(2);
    expect(stepsOf(["Hornear 40 minutos. Se mezcla la harina con el agua."], "es")).toHaveLength(2);
    expect(stepsOf(["40 Minuten backen. Wenn der Teig aufgegangen ist, Laibe formen."], "de")).toHaveLength(2);
  });
});

test("an ingredient that begins with its amount stays one, though its note says hours", () => {
  expect(
    ingredientsOf("Toffee\n\n- 200 g sugar\n- 250 g butter, out of the fridge for 1 hour\n\nMethod\nBoil the sugar for 10 minutes."),
  ).toEqual(["sugar", "butter"]);
});

// Looking for two amounts and a night in such a line took forty seconds once.
test("a line of twenty thousand characters full of amounts is read and kept", { timeout: 20_000 }, () => {
  const line = "we had 3 g and 4 ml of it ".repeat(RECIPE_LIMITS.text / 26 - 1);
  expect(dishOf(`Goose\n\n${line}\n\n2 kg goose\n1 onion`).accounting.items.some((i) => i.text.length > 19_000)).toBe(true);
});
