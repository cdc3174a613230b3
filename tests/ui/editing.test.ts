// @vitest-environment happy-dom
// A dish under hands: each change shown at once and sent as a patch, refused in words, kept while the line is down, and never sent twice.
import { within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import type { DishFile } from "../../src/core/dish/schema";
import { QuestionsView } from "../../src/ui/dish/QuestionsView";
import { demoDocument, type Loose } from "../support/dishes";
import { hands, inDocument, keeping, screen, stand } from "../support/dom";
import { smallDish, stepOf } from "../support/small-dish";
import { PLAN, sound, workbench } from "../support/workbench";

inDocument();
const bench = (document: DishFile, component?: string, version = 1) => workbench(document, { version, component });
/** The small dish on the workbench, with a server that keeps it. */
function open(component: string | undefined, alter: (d: Loose) => void = () => {}) {
  const document = sound(smallDish(alter));
  const kept = keeping(document);
  return { kept, document, ...stand(bench(document, component)) };
}
const box = (name: string | RegExp) => screen.getByRole<HTMLInputElement>("textbox", { name });
async function put(name: string | RegExp, text: string) {
  const user = hands();
  await user.clear(box(name));
  await user.type(box(name), `${text}{Enter}`);
}
const saved = (kept: ReturnType<typeof keeping>, n: number) => vi.waitFor(() => expect(kept.labels).toHaveLength(n));
const stepNames = () => screen.getAllByRole<HTMLTextAreaElement>("textbox", { name: /^Step \d+: / }).map((b) => b.value.split(/ \d/)[0]);

describe("ingredients", () => {
  test("are written as one says them and come into the file with amount and unit", async () => {
    const { kept } = open("sauce");
    await put("Add an ingredient", "1 1/2 cups red wine, reduced");
    await saved(kept, 1);
    const [made] = kept.document.components[1].methods[0].ingredients;
    expect(made).toMatchObject({ name: "red wine", note: "reduced", amount: { amount: 1.5, unit: "cup" } });
    expect(box("Add an ingredient").value).toBe("");
    expect(screen.getByRole("textbox", { name: "Ingredient red wine" })).toBeTruthy();
  });
  test("say what was understood while one types", async () => {
    open("sauce");
    await hands().type(box("Add an ingredient"), "2 lb 3 oz shallots");
    expect(document.body.textContent).toMatch(/of shallots/);
  });
  test("are changed in place; what makes no sense stays in the box with what to write", async () => {
    const { kept } = open("stock");
    await put("Ingredient Bones", "3 kg bones");
    await saved(kept, 1);
    expect(kept.document.components[0].methods[0].ingredients[0]).toMatchObject({ name: "bones", amount: { amount: 3, unit: "kg" } });
    await put("Ingredient bones", "For the sauce:");
    expect(screen.getByRole("alert").textContent).toContain("Write an amount and a name");
    expect(kept.labels).toHaveLength(1);
  });
  test("emptied are taken out", async () => {
    const { kept } = open("stock");
    await put("Ingredient Bones", "");
    await saved(kept, 1);
    expect(kept.document.components[0].methods[0].ingredients).toBeUndefined();
  });
});

describe("steps", () => {
  test("are written in a line with time, place and what comes back", async () => {
    const { kept } = open("sauce");
    await put("Add a step", "simmer 30-40m, nearby, 2 L pot, skim every 10m");
    await saved(kept, 1);
    expect(kept.document.components[1].methods[0].steps[1]).toMatchObject({
      name: expect.stringMatching(/simmer/i),
      time: { min: "30m", max: "40m" },
      attention: "nearby",
      tend: { every: "10m" },
    });
  });
  test("move up and down, are doubled and taken out, each a change of its own", async () => {
    const { kept } = open("stock");
    const user = hands();
    await user.click(screen.getByRole("button", { name: "Duplicate Chop the bones" }));
    await saved(kept, 1);
    expect(stepNames()).toHaveLength(3);
    await user.click(screen.getAllByRole("button", { name: /^Remove Chop the bones/ })[1] as HTMLElement);
    await saved(kept, 2);
    expect(stepNames()).toEqual(["Chop the bones", "Simmer"]);
    expect(kept.labels).toEqual(["Chop the bones duplicated", expect.stringMatching(/removed$/)]);
  });
  test("that others wait for or take from are not taken out behind their backs", async () => {
    const { kept } = open("stock");
    await hands().click(screen.getByRole("button", { name: "Remove Simmer" }));
    await vi.waitFor(() => expect(screen.queryByRole("alert") ?? kept.labels[0]).toBeTruthy());
    // Either it is refused in words, or what took from it has been mended in the same change; the dish is sound in both.
    expect(() => sound(kept.document)).not.toThrow();
  });
  test("that want what the kitchen has not are held back, with a way to borrow it", async () => {
    const { kept } = open("sauce");
    await put("Add a step", "whizz 5m, blender");
    const alert = screen.getByRole("alert");
    expect(alert.textContent).toMatch(/The kitchen has no .*blender.*Nothing was changed yet/);
    expect(kept.labels).toEqual([]);
    await hands().click(within(alert).getByRole("button", { name: /Borrow/ }));
    await saved(kept, 1);
    expect(kept.document.kitchen.equipment.map((e: Loose) => e.kind)).toContain("blender");
    expect(kept.document.components[1].methods[0].steps).toHaveLength(2);
  });
});

describe("the server", () => {
  test("takes changes one after another, each for the version that the one before left", async () => {
    const { kept } = open("sauce");
    await put("Add an ingredient", "10 g salt");
    await put("Add an ingredient", "20 g butter");
    await put("Add an ingredient", "2 piece bay leaves");
    await saved(kept, 3);
    expect(kept.sent.map((s) => s.body.version)).toEqual([1, 2, 3]);
    expect(kept.document.components[1].methods[0].ingredients.map((i: Loose) => i.name)).toEqual(["salt", "butter", "bay leaves"]);
  });
  test("that does not answer is asked again until it does; what was typed stands meanwhile", async () => {
    const { kept } = open("sauce");
    kept.up = false;
    await put("Add an ingredient", "10 g salt");
    expect(screen.getByRole("textbox", { name: "Ingredient salt" })).toBeTruthy();
    await vi.waitFor(() => expect(document.body.textContent).toMatch(/not answer|kept here|sent as soon|waiting/i));
    kept.up = true;
    await vi.waitFor(() => expect(kept.labels).toHaveLength(1), { timeout: 6000 });
    expect(kept.document.components[1].methods[0].ingredients).toHaveLength(1);
  });
  test("that has moved on meanwhile is told of, and what is shown is what it has", async () => {
    const { kept } = open("sauce");
    kept.version = 7;
    await put("Add an ingredient", "10 g salt");
    await vi.waitFor(() => expect(screen.getByRole("alert").textContent).toContain("changed somewhere else"));
    expect(screen.queryByRole("textbox", { name: "Ingredient salt" })).toBeNull();
  });
  test("what it says anew is shown: an undo, another window", async () => {
    const { document, again } = open("stock");
    const changed = sound(smallDish((d) => (stepOf(d, "stock.chop").name = "Saw the bones")));
    again(bench(changed, "stock", 2));
    expect(stepNames()[0]).toBe("Saw the bones");
    again(bench(document, "stock", 3));
    expect(stepNames()[0]).toBe("Chop the bones");
  });
});

describe("questions", () => {
  const ask = (document: DishFile) => {
    const kept = keeping(document);
    return { kept, ...stand(createElement(QuestionsView, { slug: "small", version: 1, document, plan: PLAN })) };
  };
  test("an answer is a change, and the question does not come again", async () => {
    const { kept } = ask(sound(smallDish()));
    const rows = screen.getAllByRole("listitem").filter((li) => li.hasAttribute("data-question"));
    const id = rows[0]?.getAttribute("data-question");
    const answer = within(rows[0] as HTMLElement)
      .getAllByRole("button")
      .find((b) => b.className.includes("act")) as HTMLElement;
    await hands().click(answer);
    await saved(kept, 1);
    expect(document.querySelector(`[data-question="${id}"]`)).toBeNull();
  });
  test("put aside with a reason stands below, and can be asked again", async () => {
    const { kept } = ask(sound(smallDish()));
    const user = hands();
    const before = document.querySelectorAll("[data-question]").length;
    await user.click(screen.getAllByRole("button", { name: /^Skip/ })[0] as HTMLElement);
    await user.type(screen.getByRole("textbox", { name: /^Why you skip it/ }), "we know that");
    await user.click(screen.getByRole("button", { name: "Skip" }));
    await saved(kept, 1);
    expect(document.querySelectorAll("[data-question]")).toHaveLength(before - 1);
    const aside = screen.getByRole("region", { name: "Skipped" });
    expect(aside.textContent).toContain("we know that");
    await user.click(within(aside).getByRole("button", { name: "Ask again" }));
    await saved(kept, 2);
    expect(document.querySelectorAll("[data-question]")).toHaveLength(before);
  });
});

describe("what can be calculated in a component", () => {
  test("opens filled from the dish, and writes its figure back as one change", async () => {
    const document = sound(demoDocument("harvest-lunch"));
    const kept = keeping(document);
    stand(workbench(document, { component: "pork", calculation: { panel: "curing-salt", typed: { ppm: "110" } } }));
    const user = hands();
    const button = await screen.findByRole("button", { name: /^Save: .* of curing salt/ });
    await user.click(button);
    await saved(kept, 1);
    const salt = kept.document.components
      .find((c: Loose) => c.id === "pork")
      .methods[0].ingredients.find((i: Loose) => /nitrite|curing/i.test(i.name));
    // 110 ppm on the 937.5 g that are cured for ten guests, in the amounts that the file has for its eight.
    expect(salt.amount.amount).toBeCloseTo(((937.5 * 110) / 62_500) * (8 / 10), 1);
  });
});
