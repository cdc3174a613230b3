// @vitest-environment happy-dom
// A panel under hands: figures follow as one types, any of them is fixed and a field gives way, units change what is said and not what is meant.
import { within } from "@testing-library/react";
import { createElement } from "react";
import { describe, expect, test, vi } from "vitest";
import { benchAnswer } from "../../src/core/bench/ask";
import { startOf } from "../../src/core/bench/panel";
import { panelOf } from "../../src/core/bench/panels";
import type { Units } from "../../src/core/bench/quantity";
import { PanelView } from "../../src/ui/bench/PanelView";
import { choose, hands, inDocument, screen, stand } from "../support/dom";

inDocument();
const open = (
  id: string,
  typed: Readonly<Record<string, string>> = {},
  units: Units = "metric",
  onTyped?: (t: Readonly<Record<string, string>>) => void,
) => {
  const panel = panelOf(id);
  if (!panel) throw new Error(`no panel ${id}`);
  const first = benchAnswer({ panel: id, typed: { ...startOf(panel, units), ...typed }, units });
  const part = createElement(PanelView, { id, typed, first, ...(onTyped ? { onTyped } : {}) });
  return { part, ...stand(part, { units }) };
};
/** By the words that stand above it, all of them. */
const findField = (label: string) =>
  screen.getAllByRole<HTMLInputElement>("textbox").find((input) => input.closest("label")?.querySelector("span")?.textContent === label);
function field(label: string): HTMLInputElement {
  const found = findField(label);
  if (!found) throw new Error(`no field ${label}`);
  return found;
}
const figure = (name: string) => within(screen.getByRole("rowheader", { name }).closest("tr") as HTMLElement);
const headline = () => document.querySelector("[data-headline]")?.textContent ?? "";
async function retype(name: string, text: string) {
  const user = hands();
  await user.clear(field(name));
  await user.type(field(name), text);
}

describe("typing", () => {
  test("the figures follow at once, in whatever units it was said", async () => {
    open("brine", { meat: "1 kg", water: "1 kg", target: "2%" });
    expect(headline()).toContain("40 g of salt");
    await retype("Meat or fish", "2 lb 3 oz");
    expect(headline()).toMatch(/39\.8 g of salt/);
    await retype("Water", "1 1/2 qt");
    expect(headline()).toMatch(/48\.\d g of salt/);
  });
  test("what cannot be read is said at the field, and goes when it is put right", async () => {
    open("brine", { meat: "1 kg", water: "1 kg", target: "2%" });
    await retype("Meat or fish", "plenty");
    expect(screen.getByRole("alert").textContent).toMatch(/^Meat or fish/);
    expect(field("Meat or fish").getAttribute("aria-invalid")).toBe("true");
    expect(screen.getByText("As it was before:")).toBeTruthy();
    expect(headline()).toContain("40 g of salt");
    await retype("Meat or fish", "500 g");
    expect(screen.queryByRole("alert")).toBeNull();
    expect(headline()).toContain("30 g of salt");
  });
  test("past a hard stop no figure stays, and they come back below it", async () => {
    open("curing-salt", { product: "dry", meat: "1 kg", ppm: "120" });
    await retype("Nitrite added", "300");
    expect(screen.getByRole("alert").textContent?.length).toBeGreaterThan(20);
    expect(headline()).toBe("");
    expect(screen.queryByRole("rowheader", { name: "Curing salt" })).toBeNull();
    await retype("Nitrite added", "150");
    expect(figure("Curing salt").getByText("2.4 g")).toBeTruthy();
  });
  test("a choice shows the fields that matter for it", async () => {
    open("curing-salt");
    expect(findField("Brine")).toBeUndefined();
    await choose(screen.getByRole("combobox", { name: /^Product/ }), "In a brine, no bacon");
    expect(field("Brine")).toBeTruthy();
  });
  test("the address is told what differs from how the panel opens, and only that", async () => {
    const told: Readonly<Record<string, string>>[] = [];
    open("brine", {}, "metric", (t) => told.push(t));
    await retype("Wanted salt in the meat", "2 %");
    expect(told.at(-1)).toEqual({ target: "2 %" });
  });
});

describe("fixing a figure", () => {
  test("a field gives way to it, the one that is chosen, and keeps what it came to when it is let go", async () => {
    open("dough-percentages", { flour: "1 kg", water: "70%", salt: "2%", yeast: "0", fat: "0", sugar: "0", early: "0" });
    const user = hands();
    await user.click(screen.getByRole("button", { name: /^Lock .*ough/ }));
    const fixed = screen.getByRole<HTMLInputElement>("textbox", { name: /locked at$/ });
    await user.clear(fixed);
    await user.type(fixed, "860 g");
    expect(field("Flour").readOnly).toBe(true);
    expect(field("Flour").value).toBe("500 g");
    await choose(screen.getByRole("combobox", { name: "Field to change" }), "water");
    expect(field("Flour").readOnly).toBe(false);
    await choose(screen.getByRole("combobox", { name: "Field to change" }), "flour");
    await user.click(screen.getByRole("button", { name: /^Unlock/ }));
    expect(field("Flour").value).toBe("500 g");
    expect(field("Flour").readOnly).toBe(false);
  });
  test("that no value gives is refused with the range in which it can lie", async () => {
    open("brine", { meat: "1 kg", water: "1 kg" });
    const user = hands();
    await user.click(screen.getByRole("button", { name: "Lock Salt, equilibrium brine and work backwards from it" }));
    await choose(screen.getByRole("combobox", { name: "Field to change" }), "wanted salt in the meat");
    const fixed = screen.getByRole("textbox", { name: /locked at$/ });
    await user.clear(fixed);
    await user.type(fixed, "900 g");
    expect(screen.getByRole("alert").textContent).toMatch(/can be between .* and .*g/);
  });
});

describe("units", () => {
  test("chosen anew say the same figures otherwise; what was typed is meant as it was", () => {
    const { part, again } = open("roast", { oven: "180 C", mass: "2 kg" });
    const before = headline();
    again(part, "us");
    expect(field("Oven").value).toBe("356 °F");
    expect(field("Joint").value).toMatch(/lb/);
    expect(headline()).toMatch(/°F/);
    again(part, "metric");
    expect(field("Oven").value).toBe("180 °C");
    expect(headline()).toBe(before);
  });
});

describe("a heavy panel", () => {
  test("is calculated in the page where no worker is to be had", async () => {
    vi.stubGlobal(
      "Worker",
      class {
        constructor() {
          throw new Error("no workers here");
        }
      },
    );
    open("low-bath", { thick: "25 mm", kills: "salmonellaRedMeat", bath: "60 C" });
    await retype("Thickness", "40 mm");
    await vi.waitFor(() => expect(headline()).toMatch(/safe after 2 h/), { timeout: 5000 });
  });
});
