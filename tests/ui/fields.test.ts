// @vitest-environment happy-dom
// Every field of a step, typed as a cook says it: what comes into the file, what is refused with an example, what an empty field leaves.
import { within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { AmountsView } from "../../src/ui/dish/AmountsView";
import { readField } from "../../src/ui/dish/fields";
import type { Loose } from "../support/dishes";
import { choose, hands, inDocument, keeping, screen, stand } from "../support/dom";
import { smallDish, stepOf } from "../support/small-dish";
import { PLAN, sound, workbench } from "../support/workbench";

inDocument();
/** The fields of a step of the small dish, with a server that keeps what is written. */
async function open(ref: string, alter: (d: Loose) => void = () => {}) {
  const document = sound(smallDish(alter));
  const kept = keeping(document);
  const [component, step] = ref.split(".") as [string, string];
  stand(workbench(document, { component }));
  const line = window.document.querySelector(`[data-step-line="${step}"]`) as HTMLElement;
  await hands().click(within(line).getByRole("button", { name: /^All fields/ }));
  return { kept, now: () => stepOf(kept.document, ref), line };
}
async function put(name: string, text: string) {
  const user = hands();
  const box = screen.getByRole("textbox", { name });
  await user.clear(box);
  await user.type(box, text === "" ? "{Enter}" : `${text}{Enter}`);
}
const saved = (kept: ReturnType<typeof keeping>, n = 1) => vi.waitFor(() => expect(kept.labels).toHaveLength(n));

describe("a field of a step", () => {
  test.each([
    ["Time of Simmer", "3-5h", { time: { min: "3h", likely: expect.any(String), max: "5h" } }],
    ["Time of Simmer", "3-5h, likely 3h30", { time: { min: "3h", likely: "3h30m", max: "5h" } }],
    ["Time of Simmer", "90 min", { time: "1h30m" }],
    ["Can run longer by of Simmer", "45m", { stretch: "45m" }],
    ["Time scaling of Simmer", "0,5", { grows: 0.5 }],
    ["Hands-on at the start of Simmer", "10 min", { handsStart: "10m" }],
    ["Hands-on at the end of Simmer", "5m", { handsEnd: "5m" }],
    ["Batches of Simmer", "2", { batches: 2 }],
    ["Noisy, smells, flame of Simmer", "smells, flame", { tags: ["smells", "flame"] }],
    ["Note of Simmer", "hardly moving", { note: "hardly moving" }],
    ["Done when of Simmer", "a bone falls apart", { done: { cue: "a bone falls apart" } }],
    ["Core temperature of Simmer", "195F", { done: { probeC: 91 } }],
    ["Core temperature of Simmer", "92", { done: { probeC: 92 } }],
    ["First look of Simmer", "2h30", { done: { checkFrom: "2h30m" } }],
    ["then every of Simmer", "20m", { done: { checkEvery: "20m" } }],
    ["Cautions of Simmer", "large-pot-cooling", { danger: ["large-pot-cooling"] }],
    ["Litres of uses 2 of Simmer", "6", { uses: [expect.anything(), { what: "pot", litres: 6 }] }],
    ["At of uses 1 of Simmer", "212 F", { uses: [{ what: "burner", tempC: 100 }, expect.anything()] }],
  ])("%s: %s", async (name, text, wanted) => {
    const { kept, now } = await open("stock.simmer");
    await put(name, text);
    await saved(kept);
    expect(now()).toMatchObject(wanted);
  });

  test.each([
    ["Attention of Simmer", "unattended", { attention: "unattended" }],
    ["While everyone sleeps of Simmer", "yes", { sleepOk: true }],
    ["While nobody is home of Simmer", "no", { awayOk: false }],
    ["Only by of Simmer", "ada", { cooks: ["ada"] }],
    ["Kept until of uses 2 of Simmer", /Reduce/, { uses: [expect.anything(), { what: "pot", litres: 8, until: "sauce.reduce" }] }],
  ])("%s is chosen: %s", async (name, option, wanted) => {
    const { kept, now } = await open("stock.simmer");
    const box = screen.getByRole("combobox", { name });
    await choose(box, option);
    await saved(kept);
    expect(now()).toMatchObject(wanted);
  });

  test("a boil is said by a tick, and unsaid again", async () => {
    const { kept, now } = await open("stock.simmer");
    await hands().click(screen.getByRole("checkbox", { name: "Comes to a full boil of Simmer" }));
    await saved(kept);
    expect(now().boils).toBe(true);
    await hands().click(screen.getByRole("checkbox", { name: "Comes to a full boil of Simmer" }));
    await saved(kept, 2);
    expect(now()).not.toHaveProperty("boils");
  });

  test.each([
    ["Time of Simmer", "a while", /Time: “a while” was not understood\. Write one or two lengths/],
    ["Can run longer by of Simmer", "long", /such as 45m or 1h30/],
    ["Core temperature of Simmer", "hot", /Write a heat, such as 180C or 350F/],
    ["Batches of Simmer", "two", /Write a number/],
    ["Cautions of Simmer", "beware", /There is no caution “beware”\. Known: /],
  ])("%s refuses “%s” with an example, and nothing is sent", async (name, text, words) => {
    const { kept } = await open("stock.simmer");
    await put(name, text);
    expect(screen.getByRole("alert").textContent).toMatch(words);
    expect(kept.sent).toEqual([]);
    expect(screen.getByRole<HTMLInputElement>("textbox", { name }).value).toBe(text);
  });

  test("emptied it is gone from the file; a step keeps its time whatever is done", async () => {
    const { kept, now } = await open("stock.simmer", (d) =>
      Object.assign(stepOf(d, "stock.simmer"), { stretch: "1h", done: { cue: "soft" } }),
    );
    await put("Can run longer by of Simmer", "");
    await put("Done when of Simmer", "");
    await saved(kept, 2);
    expect(now()).not.toHaveProperty("stretch");
    expect(now()).not.toHaveProperty("done");
    await put("Time of Simmer", "");
    expect(now().time).toBeDefined();
  });

  test("rounds, things and waits are added and taken out", async () => {
    const { kept, now, line } = await open("stock.simmer");
    const user = hands();
    await user.click(within(line).getByRole("button", { name: "add a round" }));
    await saved(kept);
    expect(now().tend).toEqual({ every: "45m", takes: "3m", what: "check it" });
    await put("What of rounds 1 of Simmer", "skim");
    await saved(kept, 2);
    expect(now().tend.what).toBe("skim");
    await user.click(within(line).getByRole("button", { name: "add a wait" }));
    await saved(kept, 3);
    expect(now().after).toHaveLength(2);
  });
});

describe("what a step makes", () => {
  test.each([
    ["Amount of stock", "2.5 L", { amount: { amount: 2.5, unit: "L" } }],
    ["Name of stock", "Brown stock", { name: "Brown stock" }],
    [
      "How long stock keeps, 1",
      "2h-2d fridge 2 L safety",
      { holds: [{ place: "fridge", litres: 2, min: "2h", max: "2d", limit: "safety" }, expect.anything()] },
    ],
    [
      "Another place where stock can wait",
      "2h counter",
      { holds: [expect.anything(), expect.anything(), { place: "counter", max: "2h" }] },
    ],
  ])("%s: %s", async (name, text, wanted) => {
    const { kept, now } = await open("stock.simmer");
    const box = screen.getAllByRole("textbox", { name })[0] as HTMLElement;
    const user = hands();
    await user.clear(box);
    await user.type(box, `${text}{Enter}`);
    await saved(kept);
    expect(now().makes[0]).toMatchObject(wanted);
  });
  test("what is not an amount and what is no wait are refused with what to write", async () => {
    const { kept } = await open("stock.simmer");
    const user = hands();
    for (const [name, text, words] of [
      ["Amount of stock", "some", /Write one such as 1\.2 kg, 500 mL or 12 pieces/],
      ["Another place where stock can wait", "a bit", /Write a time and a place/],
    ] as const) {
      const box = screen.getAllByRole("textbox", { name })[0] as HTMLElement;
      await user.clear(box);
      await user.type(box, `${text}{Enter}`);
      expect(screen.getByRole("alert").textContent).toMatch(words);
    }
    expect(kept.sent).toEqual([]);
  });
  test("something more is made by a line: fat from the stock", async () => {
    const { kept, now } = await open("stock.simmer");
    await put("Another output of Simmer", "150 g skimmed fat");
    await saved(kept);
    expect(now().makes[1]).toMatchObject({ name: "skimmed fat", amount: { amount: 150, unit: "g" } });
  });
});

describe("reading a field", () => {
  test.each([
    ["duration", "1h30", "1h30m"],
    ["duration", "1 1/2 h", "1h30m"],
    ["pair", "12h-2d", ["12h", "2d"]],
    ["number", "1,5", 1.5],
    ["heat", "350F", 175],
    ["heat", "180", 180],
    ["words", "a, ,b", ["a", "b"]],
    ["length", "2-3h, likely 4h", undefined],
    ["number", "many", undefined],
  ] as const)("%s “%s”", (kind, text, wanted) => {
    const got = readField(kind, text);
    if (typeof wanted === "number") expect(got as number).toBeCloseTo(wanted, 2);
    else expect(got).toEqual(wanted);
  });
});

describe("amounts", () => {
  const show = (alter: (d: Loose) => void = () => {}) => {
    const document = sound(smallDish(alter));
    const kept = keeping(document);
    stand(createElement(AmountsView, { slug: "small", version: 1, document, chosen: {}, plan: PLAN, occupancy: [], moments: {} }));
    return kept;
  };
  test("a component is scaled by what it should come to", async () => {
    const kept = show();
    await hands().type(screen.getByRole("textbox", { name: /^I want this amount/ }), "3 L");
    await hands().click(screen.getAllByRole("button", { name: "Scale" })[0] as HTMLElement);
    await saved(kept);
    expect(kept.document.components[0].factor).toBeCloseTo(1.5, 6);
  });
  test("or by a tin, whose area counts", async () => {
    const kept = show();
    const user = hands();
    await user.clear(screen.getByRole("textbox", { name: "My tin" }));
    await user.type(screen.getByRole("textbox", { name: "My tin" }), "33x23");
    await user.click(screen.getAllByRole("button", { name: "Scale" })[1] as HTMLElement);
    await saved(kept);
    expect(kept.document.components[0].factor).toBeCloseTo((33 * 23) / (Math.PI * 100), 2);
  });
  test("or by what there is: the scarcest decides, for the component or the whole dish", async () => {
    const kept = show();
    await hands().type(screen.getByRole("textbox", { name: "How much Bones there is" }), "1.5 kg");
    expect(document.body.textContent).toMatch(/Bones decides: 1\.5 kg of 2 kg, 75 %/);
    await hands().click(screen.getByRole("button", { name: "The whole dish" }));
    await saved(kept);
    expect(kept.document.dish.serves).toBe(3);
  });
  test("what is not an amount says how to write one", async () => {
    const kept = show();
    await hands().type(screen.getByRole("textbox", { name: /^I want this amount/ }), "plenty");
    await hands().click(screen.getAllByRole("button", { name: "Scale" })[0] as HTMLElement);
    expect((await screen.findByRole("alert")).textContent).toContain("such as 2.3 kg");
    expect(kept.sent).toEqual([]);
  });
  test("guests by appetite come to so many, and the dish is made for them at a press", async () => {
    const kept = show();
    const children = screen.getByRole("spinbutton", { name: /^children/ });
    await hands().clear(children);
    await hands().type(children, "2");
    await vi.waitFor(() => expect(kept.document.dish.guests?.eaters?.child).toBe(2));
    const make = screen.getByRole("button", { name: /^Make it for 5\.2/ });
    await hands().click(make);
    await vi.waitFor(() => expect(kept.document.dish.serves).toBe(5.2));
  });
  test("what somebody avoids is found in what goes in, by name, and never said to be absent", async () => {
    const kept = show((d) =>
      d.components[0].methods[0].ingredients.push({ id: "celery", name: "Celery", amount: { amount: 100, unit: "g" } }),
    );
    await hands().type(screen.getByRole("textbox", { name: "What guests avoid" }), "celery{Enter}");
    await saved(kept);
    expect((await screen.findByRole("list", { name: "Clashes" })).textContent).toContain(
      "A guest avoids celery, which is in Stock (Celery)",
    );
    expect(document.body.textContent).not.toMatch(/free of celery|free from celery/);
  });
});
