// @vitest-environment happy-dom
// A component under hands: added from a few lines, its ways and what is done if it fails, in the larder or bought, where it runs, taken out again.
import { act, within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import type { DishFile } from "../../src/core/dish/schema";
import type { Loose } from "../support/dishes";
import { choose, hands, inDocument, keeping, screen, stand } from "../support/dom";
import { addTin, smallDish, stepOf } from "../support/small-dish";
import { sound, workbench } from "../support/workbench";

inDocument();
const bench = (document: DishFile, component: string | undefined, others: readonly { slug: string; name: string }[] = []) =>
  workbench(document, { others, component });
function open(component: string | undefined, alter: (d: Loose) => void = () => {}) {
  const document = sound(smallDish(alter));
  const kept = keeping(document);
  stand(bench(document, component));
  return { kept, part: (id: string) => kept.document.components.find((c: Loose) => c.id === id) };
}
const saved = (kept: ReturnType<typeof keeping>, n = 1) => vi.waitFor(() => expect(kept.labels).toHaveLength(n));
const box = (name: string | RegExp) => screen.getByRole<HTMLInputElement>("textbox", { name });
async function put(name: string | RegExp, text: string) {
  const user = hands();
  await user.clear(box(name));
  await user.type(box(name), text === "" ? "{Enter}" : `${text}{Enter}`);
}
const press = (name: string | RegExp) => hands().click(screen.getByRole("button", { name }));

describe("another component", () => {
  const fill = async () => {
    const user = hands();
    await user.type(box("Name"), "Red wine sauce");
    await user.type(box("Steps, one per line"), "reduce 30-40m, nearby, 2 L pot{Enter}strain 5m, makes 400 mL glaze, keeps 3d fridge");
    await user.type(box("Ingredients, one per line"), "1 1/2 cups red wine{Enter}2 shallots, sliced");
  };
  test("comes in from a name and a few lines, its kind by its name", async () => {
    const { kept } = open(undefined);
    await fill();
    await press("Add component");
    await saved(kept);
    const made = kept.document.components.find((c: Loose) => c.name === "Red wine sauce");
    expect(made.kind).toBe("sauce");
    expect(made.methods[0].steps.map((s: Loose) => s.name.toLowerCase())).toEqual(["reduce", "strain"]);
    expect(made.methods[0].steps[1].makes[0]).toMatchObject({
      amount: { amount: 400, unit: "mL" },
      holds: [{ place: "fridge", max: "3d" }],
    });
    expect(made.methods[0].ingredients.map((i: Loose) => i.name)).toEqual(["red wine", "shallots"]);
    expect(box("Name").value).toBe("");
  });
  test("says while one types what each line means, and keeps the draft over a reload", async () => {
    const document = sound(smallDish());
    keeping(document);
    const { again } = stand(bench(document, undefined));
    await fill();
    const region = screen.getByRole("region", { name: "Add a component" });
    expect(region.textContent).toContain("30 min to 40 min");
    act(() => again(createElement("p", null, "away")));
    act(() => again(bench(document, undefined)));
    expect(box("Name").value).toBe("Red wine sauce");
    expect(box("Steps, one per line").value).toContain("strain 5m");
  });
  test("is added by Ctrl and Enter too, and needs a name", async () => {
    const { kept } = open(undefined);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Add component" }).disabled).toBe(true);
    await hands().type(box("Name"), "Parsley oil");
    await hands().type(box("Steps, one per line"), "blend 5m{Control>}{Enter}{/Control}");
    await vi.waitFor(() => expect(kept.labels.length + screen.queryAllByRole("alert").length).toBeGreaterThan(0));
  });
});

describe("its ways", () => {
  test("another is copied from the one in hand, named, weighed, and made the first choice", async () => {
    const { kept, part } = open("stock");
    await put("Another method", "In the pressure pot");
    await saved(kept);
    expect(part("stock").methods.map((m: Loose) => m.name ?? m.id)).toEqual(["slow", "In the pressure pot"]);
    await put("Quality of this method, in per cent", "85");
    await saved(kept, 2);
    expect(part("stock").methods[1].quality).toBe(0.85);
    await press("Make first choice");
    await saved(kept, 3);
    expect(part("stock").methods[0].name).toBe("In the pressure pot");
    await press("Remove method");
    await saved(kept, 4);
    expect(part("stock").methods.map((m: Loose) => m.id)).toEqual(["slow"]);
  });
  test("a goodness that is none is refused in words", async () => {
    const { kept } = open("stock");
    await put("Quality of this method, in per cent", "very");
    expect(screen.getByRole("alert").textContent).toContain("Write a number from 0 to 100.");
    expect(kept.sent).toEqual([]);
  });
  test("two stand side by side: how good, how long, by hand, what they need", () => {
    open("stock", addTin);
    const table = screen.getByText("Compare methods").closest("details") as HTMLElement;
    const rows = within(table)
      .getAllByRole("row")
      .map((r) =>
        within(r)
          .queryAllByRole("cell")
          .map((c) => c.textContent),
      );
    expect(rows[1]).toEqual(["best", "50 %"]);
    expect(table.textContent).toContain("From the tin");
  });
});

describe("if it fails", () => {
  test("what would be bought, and how soon it is there", async () => {
    const { kept, part } = open("stock");
    await put("If it fails", "a bought stock, 45m");
    await saved(kept);
    expect(part("stock").fallback).toEqual({ name: "a bought stock", lead: "45m" });
    await put("If it fails", "");
    await saved(kept, 2);
    expect(part("stock")).not.toHaveProperty("fallback");
  });
  test("then it can be bought from the start", async () => {
    const { kept, part } = open("stock", (d) => {
      d.components[0].fallback = { name: "a bought stock", lead: "45m" };
    });
    await hands().click(screen.getByRole("checkbox", { name: /this time a bought stock, bought, instead/ }));
    await saved(kept);
    expect(JSON.stringify(kept.document.wishes ?? part("stock"))).toContain("fallback");
  });
});

describe("in the larder already", () => {
  test("it is not made, and made anew at a press", async () => {
    const { kept, part } = open("stock");
    const since = screen.getByRole<HTMLInputElement>("textbox", { name: "On hand, made" });
    await act(async () => {
      // A date is not typed letter by letter: the box is filled as a picker fills it.
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
      set?.call(since, "2026-10-15T18:00");
      since.dispatchEvent(new Event("input", { bubbles: true }));
    });
    await hands().type(screen.getByLabelText("Amount on hand"), "1.8 L");
    await press("Save");
    await saved(kept);
    expect(part("stock").onHand[0]).toMatchObject({
      madeAt: expect.stringContaining("2026-10-15T18:00"),
      amount: { amount: 1.8, unit: "L" },
    });
    expect(screen.getByText(/On hand, made/)).toBeTruthy();
    await press("Make it again");
    await saved(kept, 2);
    expect(part("stock").onHand ?? []).toEqual([]);
  });
});

describe("where it runs", () => {
  test("how much of an output another takes is written, and cut off", async () => {
    const { kept } = open("stock");
    const amount = screen.getByRole("textbox", { name: /^How much .* runs to Sauce/ });
    await hands().clear(amount);
    await hands().type(amount, "1.2 L{Enter}");
    await saved(kept);
    expect(stepOf(kept.document, "sauce.reduce").takes[0].amount).toEqual({ amount: 1.2, unit: "L" });
    await press(/^Remove\s*:\s*to Sauce/);
    await saved(kept, 2);
    expect(stepOf(kept.document, "sauce.reduce").takes ?? []).toEqual([]);
  });
  test("some of it is sent to another component as well", async () => {
    const { kept } = open("stock");
    const to = screen.getByRole("combobox", { name: /^Send some .* to$/ });
    await choose(to, "Plate");
    await saved(kept);
    expect(stepOf(kept.document, "plate.put").takes.map((t: Loose) => t.from)).toContain("stock.stock");
  });
  test("a by-product is named with its amount", async () => {
    const { kept } = open("stock");
    await hands().type(box("A by-product"), "300 g skimmed fat{Enter}");
    await vi.waitFor(() => expect(kept.labels.length).toBe(1));
    const made = kept.document.components[0].methods[0].steps.flatMap((s: Loose) => s.makes ?? []);
    expect(made.map((o: Loose) => o.name ?? o.id)).toContain("skimmed fat");
  });
});

describe("the component itself", () => {
  test("is called otherwise, is of another kind, is made a second time, and goes", async () => {
    const { kept, part } = open("stock");
    await put("Name of the component", "Brown stock");
    await saved(kept);
    expect(part("stock").name).toBe("Brown stock");
    await choose(screen.getByRole("combobox", { name: "Kind" }), "sauce");
    await saved(kept, 2);
    expect(part("stock").kind).toBe("sauce");
    await press("Duplicate component");
    await saved(kept, 3);
    expect(kept.document.components).toHaveLength(4);
    await press("Remove component");
    await saved(kept, 4);
    expect(kept.document.components).toHaveLength(3);
    expect(() => sound(kept.document)).not.toThrow();
  });
});
