// Panels as they are shown: every field with its name and figure, every figure with its unit, what is wrong said at the field, nothing past a stop.

import { createElement } from "react";
import { describe, expect, test } from "vitest";
import { benchAnswer } from "../../src/core/bench/ask";
import { inUnits } from "../../src/core/bench/in-units";
import { startOf, startText, visibleFields } from "../../src/core/bench/panel";
import { PANELS, panelOf } from "../../src/core/bench/panels";
import type { Units } from "../../src/core/bench/quantity";
import { METRIC_24 } from "../../src/core/spoken/conventions";
import { PanelView } from "../../src/ui/bench/PanelView";
import { type Page, shown } from "../support/page";

const open = (id: string, typed: Readonly<Record<string, string>> = {}, units: Units = "metric", narrow = false): Promise<Page> => {
  const panel = panelOf(id);
  if (!panel) throw new Error(`no panel ${id}`);
  const first = benchAnswer({ panel: id, typed: { ...startOf(panel, units), ...typed }, units });
  return shown(createElement(PanelView, { id, typed, first, narrow }), { units });
};
const field = (page: Page, label: string): Page => {
  const found = page.all("label").find((l) => l.text.startsWith(label));
  if (!found) throw new Error(`no field ${label}: ${page.all("label").map((l) => l.text)}`);
  return found;
};
/** Salt, sugar and the like are weighed in grams everywhere. */
const METRIC_ONLY = /\d °C|\d kg\b|\d cm\b|\d mm\b|\d L\b/;

describe.each(PANELS.map((p) => [p.id, p] as const))("%s", (id, panel) => {
  test.each(["metric", "us"] as const)("in %s shows its fields filled, its figures with units, and how they are made", async (units) => {
    const page = await open(id, {}, units);
    const form = page.named(panel.title);
    for (const f of visibleFields(panel, startOf(panel, units), units)) {
      const text = startText(f, units);
      if (f.of === "choice") {
        const chosen = f.choices.find(([key]) => key === text)?.[1] ?? "";
        expect(form.with("aria-label", f.label)[0]?.text, f.key).toBe(inUnits(chosen, units));
        continue;
      }
      const shownField = field(form, f.label);
      if (f.of === "yes") expect(shownField.all("input")[0]?.attribute("checked") !== undefined, f.key).toBe(text === "yes");
      else if (f.of === "readings") expect(shownField.all("textarea")[0]?.text.replace(/\s+/g, " "), f.key).toBe(text.replace(/\s+/g, " "));
      else expect(shownField.all("input")[0]?.attribute("value"), f.key).toBe(text);
    }
    const figures = page.with("data-figure");
    const headline = page.with("data-headline")[0]?.text ?? "";
    expect(headline.length).toBeGreaterThan(4);
    // Each can be fixed, and says its name to whoever does not see it.
    for (const row of figures) expect(row.buttons.join()).toMatch(/^Lock .+ and work backwards from it$/);
    expect(page.text).not.toMatch(/NaN|undefined|\[object/);
    expect(page.text).toMatch(/formula|calculated/i);
    if (units === "us") expect(`${headline} ${figures.map((f) => f.text)}`).not.toMatch(METRIC_ONLY);
  });
  test("draws a curve only with its table, and a caution only with whose word counts more", async () => {
    const page = await open(id);
    const curves = page.with("role", "img").length + page.with("data-curve").length;
    if (curves > 0) expect(page.all("table").length).toBeGreaterThan(1);
    if (page.text.includes("Caution: ")) expect(page.text).toContain("Local codes");
  });
});

describe("a decimal comma", () => {
  test.each(PANELS.map((p) => [p.id] as const))("stands in every figure of %s", async (id) => {
    const panel = panelOf(id) as (typeof PANELS)[number];
    const first = benchAnswer({ panel: id, typed: startOf(panel, "metric"), units: "metric" });
    const page = await shown(createElement(PanelView, { id, typed: {}, first }), { conventions: { ...METRIC_24, decimal: "," } });
    const told = page.with("data-headline").concat(page.with("data-figure"));
    expect(
      told
        .map(
          (t) =>
            t
              .all("span")
              .map((x) => x.text)
              .join(" ") || t.text,
        )
        .join(" "),
    ).not.toMatch(/\d\.\d/);
  });
});

describe("what is wrong", () => {
  test("is said at its field, by name, while the figures from before stay", async () => {
    const page = await open("brine", { meat: "much" });
    const alert = page.with("role", "alert")[0];
    expect(alert?.text).toMatch(/^Meat or fish: /);
    const input = page.with("aria-invalid", "true");
    expect(input).toHaveLength(1);
    expect(input[0]?.attribute("aria-describedby")).toContain(alert?.attribute("id"));
  });
  test("says the range in the units that were chosen", async () => {
    expect((await open("roast", { oven: "900 C" })).with("role", "alert")[0]?.text).toMatch(/Give .*°C/);
    const us = (await open("roast", { oven: "900 C" }, "us")).with("role", "alert")[0]?.text;
    expect(us).toMatch(/°F/);
    expect(us).not.toMatch(/\d °C/);
  });
  test.each([
    ["curing-salt", { ppm: "300" }],
    ["injection", { cure: "200" }],
    ["nitrite-check", { cure: "9" }],
    ["ferment", { salt: "1" }],
    ["brine", { tempC: "9 C" }],
    ["dry-cure", { tempC: "0.2 C" }],
    ["soak-out", { tempC: "12 C" }],
    ["pickle", { fridge: "9 C" }],
    ["weigh", { what: "curing_salt_6_25" }],
  ] as const)("past a hard stop of %s no figure, no curve and nothing to write is shown", async (id, typed) => {
    for (const units of ["metric", "us"] as const) {
      const page = await open(id, typed, units);
      expect(page.with("role", "alert")[0]?.text.length).toBeGreaterThan(20);
      expect(page.with("data-figure")).toEqual([]);
      expect(page.with("data-headline")).toEqual([]);
      expect(page.with("role", "img")).toEqual([]);
    }
  });
});

describe("fields", () => {
  test("that do not matter for a choice are not shown", async () => {
    expect((await open("curing-salt", { product: "dry" })).text).not.toContain("Brine");
    expect((await open("curing-salt", { product: "immersion" })).text).toContain("Brine");
  });
  test("keep what was typed, whatever it is", async () => {
    const page = await open("dough-percentages", { flour: "2 lb 3 oz" });
    expect(field(page, "Flour").all("input")[0]?.attribute("value")).toBe("2 lb 3 oz");
  });
  test("say the unit in which a bare number is taken", async () => {
    expect(field(await open("roast", { oven: "180" }), "Oven").text).toContain("°C");
    expect(field(await open("roast", { oven: "350" }, "us"), "Oven").text).toContain("°F");
  });
});
