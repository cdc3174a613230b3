// Every panel of the Bench: opens with an answer, says units with every figure, refuses in words, and solves backwards.
import { describe, expect, it } from "vitest";
import { benchAnswer } from "../../../src/core/bench/ask";
import { explained, HOW } from "../../../src/core/bench/how";
import {
  answerOf,
  type Field,
  type FigureField,
  type Panel,
  readValues,
  startOf,
  type Values,
  visibleFields,
} from "../../../src/core/bench/panel";
import { PANELS, panelOf } from "../../../src/core/bench/panels";
import { said, type Units } from "../../../src/core/bench/quantity";
import { solveFor } from "../../../src/core/bench/solve";
import { HARD_STOPS, MEASURES } from "../../../src/core/catalogue";
import { CalculationError } from "../../../src/core/measures/calculation-error";

const UNITS: readonly Units[] = ["metric", "us"];
const figureFields = (p: Panel) => p.fields.filter((f): f is Extract<Field, FigureField> => "low" in f);
const starts = (p: Panel): Values => readValues(p, startOf(p, "metric"), "metric");
const answerToTyped = (panel: Panel, typed: Readonly<Record<string, string>>, units: Units) =>
  benchAnswer({ panel: panel.id, typed, units }).answer;
const answer = (id: string, typed: Readonly<Record<string, string>>, units: Units = "metric") => {
  const panel = panelOf(id) as Panel;
  return answerToTyped(panel, { ...startOf(panel, units), ...typed }, units);
};
function figures(id: string, typed: Readonly<Record<string, string>>, units: Units = "metric") {
  const got = answer(id, typed, units);
  if (!got.ok) throw new Error(got.message);
  return Object.fromEntries(got.result.figures.map((f) => [f.key, f.value]));
}

describe.each(PANELS.map((p) => [p.id, p] as const))("%s", (_, panel) => {
  it("opens with an answer in both systems, the same within what is shown", () => {
    const [a, b] = UNITS.map((units) => answerToTyped(panel, startOf(panel, units), units));
    if (!a?.ok || !b?.ok) throw new Error(`${a && !a.ok && a.message} ${b && !b.ok && b.message}`);
    expect(a.result.headline.length).toBeGreaterThan(4);
    expect(a.result.headline).not.toMatch(/NaN|undefined|Infinity/);
    for (const f of a.result.figures) {
      expect(Number.isNaN(f.value)).toBe(false);
      const other = b.result.figures.find((x) => x.key === f.key);
      // What ounces and whole degrees round away moves a figure a little, never much; a forecast from five readings moves more, whole days by one.
      if (panel.id !== "forecast" && Number.isFinite(f.value) && Math.abs(f.value) > 1)
        expect(Math.abs((other?.value ?? Number.NaN) - f.value), f.key).toBeLessThan(f.key === "even" ? 1441 : 0.12 * Math.abs(f.value));
    }
  });

  it("says a unit with every figure, and how each calculation is made, with formula, source and inputs", () => {
    const got = answerOf(panel, starts(panel), "metric");
    if (!got.ok) throw new Error(got.message);
    for (const f of got.result.figures)
      expect(said(f.value, f.of, "metric"), f.key).toMatch(
        f.of === "number" || f.of === "count"
          ? /^[\d.−]+$|^without limit$/
          : /(g|kg|mL|L|mm|cm|°C|min|h|s|days|%|ppm|W|Bloom|°Bx|m)$|^pH|^never$|^without/,
      );
    expect(got.made.length).toBeGreaterThan(0);
    for (const made of got.made) {
      const told = explained(made);
      expect(told.formula, made.name).not.toBe("");
      expect(told.source, made.name).not.toBe("");
    }
  });

  it("names the field and the range of a figure that is out of it, and of one that is none", () => {
    for (const f of figureFields(panel)) {
      if (f.when && !f.when(starts(panel))) continue;
      const high = answerToTyped(panel, { ...startOf(panel, "metric"), [f.key]: said(f.high * 3 + 10, f.of, "metric") }, "metric");
      expect(high.ok, f.key).toBe(false);
      if (!high.ok) {
        expect(high.field).toBe(f.key);
        expect(high.message).toContain("out of range");
      }
      const none = answerToTyped(panel, { ...startOf(panel, "metric"), [f.key]: "a bit" }, "metric");
      expect(!none.ok && none.field, f.key).toBe(f.key);
    }
  });

  it("solves for a field: the figure that the solved value gives is the one that was fixed", { timeout: 60_000 }, () => {
    const values = starts(panel);
    const first = answerOf(panel, values, "metric");
    if (!first.ok) throw new Error(first.message);
    let solved = 0;
    for (const field of figureFields(panel)) {
      if (field.when && !field.when(values)) continue;
      if (panel.heavy && solved >= 2) break;
      // A third more than it is, as far as that is allowed.
      const moved = Math.min(field.high, Math.max(field.low, (values[field.key] as number) * 1.3 + (values[field.key] === 0 ? 1 : 0)));
      const there = answerOf(panel, { ...values, [field.key]: moved }, "metric");
      if (!there.ok) continue;
      const changed = there.result.figures.find((f) => {
        const before = first.result.figures.find((x) => x.key === f.key)?.value;
        return (
          before !== undefined &&
          Number.isFinite(f.value) &&
          Number.isFinite(before) &&
          Math.abs(f.value - before) > 0.02 * Math.abs(before) + 0.2
        );
      });
      if (!changed) continue;
      const x = solveFor(panel, values, { figure: changed.key, at: changed.value, field: field.key }, "metric");
      const back = answerOf(panel, { ...values, [field.key]: x }, "metric");
      const value = back.ok ? back.result.figures.find((f) => f.key === changed.key)?.value : undefined;
      // Some answers come in steps (sheets, whole days): the solved value stands at the edge of one.
      expect(Math.abs((value ?? Number.NaN) - changed.value), `${field.key} for ${changed.key}`).toBeLessThan(
        0.03 * Math.abs(changed.value) + 1.5,
      );
      solved++;
    }
    if (figureFields(panel).length > 0) expect(solved).toBeGreaterThan(0);
  });
});

it("explains only calculations that there are, and takes no name of an object's own for a panel", () => {
  expect(Object.keys(HOW).filter((name) => !Object.hasOwn(MEASURES, name))).toEqual([]);
  expect(panelOf("constructor")).toBeUndefined();
});

describe("an address may hold anything", () => {
  it("a choice that is none of the list is refused in words, and the fields are shown all the same", () => {
    for (const panel of PANELS) {
      const typed = { ...startOf(panel, "metric"), ...Object.fromEntries(panel.fields.map((f) => [f.key, "../<b>"])) };
      const got = answerToTyped(panel, typed, "metric");
      if (panel.fields.some((f) => f.of !== "yes")) expect(got.ok, panel.id).toBe(false);
      expect(visibleFields(panel, typed, "metric").length, panel.id).toBeGreaterThan(0);
    }
  });
  it("fields that do not matter for the choice are not shown", () => {
    const keys = (product: string) => visibleFields(panelOf("curing-salt") as Panel, { product }, "metric").map((f) => f.key);
    expect(keys("dry")).not.toContain("liquid");
    expect(keys("immersion")).toContain("liquid");
  });
});

describe("what cooks type", () => {
  it.each([
    ["brine", { meat: "2 lb 3 oz", water: "1 1/2 qt" }, 34.2, "salt"],
    ["dough-percentages", { flour: "1,5 kg", water: "70%" }, 1050, "water"],
    ["low-bath", { bath: "145F", thick: "1 in" }, 80, "up"],
    ["alcohol", { minutes: "1h30", volume: "2 cups" }, 20, "kept"],
  ] as const)("%s with %o", (id, typed, want, key) => {
    const got = figures(id, typed)[key] as number;
    expect(Math.abs(got - want) / want).toBeLessThan(0.35);
  });
  it("takes a bare number in the units that were chosen", () => {
    expect(figures("brine", { meat: "1000", water: "1000", target: "2" }).salt).toBe(40);
    const us = figures("roast", { oven: "320", from: "40", target: "136", mass: "4.4" }, "us");
    const metric = figures("roast", { oven: "160", from: "4.4", target: "57.8", mass: "2" }, "metric");
    expect(Math.abs((us.cook ?? 0) - (metric.cook ?? 1))).toBeLessThan(5);
  });
  it("refuses a unit of another kind by name", () => {
    const got = answer("brine", { meat: "3 cm" });
    expect(got.ok).toBe(false);
    if (!got.ok) expect(got.message).toMatch(/^Meat or fish: .*weight/);
  });
  it("reads readings, one after another, and refuses what is none", () => {
    expect(answer("ferment", { readings: "1 d 5.8; 3 d pH 4.4\n4d 4,1" }).ok).toBe(true);
    const got = answer("ferment", { readings: "soon" });
    expect(!got.ok && got.message).toContain("soon");
  });
});

describe("hard stops hold on the Bench", () => {
  it.each([
    ["curing-salt", { ppm: "300" }, "E_NITRITE_LIMIT"],
    ["curing-salt", { strength: "0.6" }, "E_CURE_TYPE"],
    ["injection", { cure: "200" }, "E_NITRITE_LIMIT"],
    ["ferment", { salt: "1" }, "E_SALT_TOO_LOW"],
    ["brine", { tempC: "9" }, "E_TOO_WARM"],
    ["dry-cure", { tempC: "9" }, "E_TOO_WARM"],
    ["dry-cure", { tempC: "0.2" }, "E_TOO_COLD"],
    ["dry-cure", { tempC: "0.5", thick: "3 cm" }, undefined],
    ["soak-out", { tempC: "12" }, "E_TOO_WARM"],
    ["pickle", { fridge: "9" }, "E_FRIDGE_WARM"],
    ["weigh", { what: "curing_salt_6_25" }, "E_WEIGH_ONLY"],
    ["weight-to-volume", { what: "curing_salt_6_25" }, "E_WEIGH_ONLY"],
    ["nitrite-check", { cure: "9" }, "E_NITRITE_LIMIT"],
    ["nitrite-check", { cure: "4.9", product: "bacon_dry" }, "E_NITRITE_LIMIT"],
  ] as const)("%s %o stops with %s", (id, typed, code) => {
    const got = answer(id, typed);
    if (code === undefined) return expect(got.ok).toBe(true);
    expect(got.ok).toBe(false);
    if (!got.ok) {
      expect(got.code).toBe(code);
      expect(HARD_STOPS).toContain(got.code);
    }
  });
  it("is not got round by fixing the figure and solving for the dose", () => {
    const panel = panelOf("curing-salt") as Panel;
    const values = starts(panel);
    const most = 1500 * (200 / 62_500);
    expect(() => solveFor(panel, values, { figure: "cure", at: most * 3, field: "ppm" }, "metric")).toThrow(CalculationError);
    const at = solveFor(panel, values, { figure: "cure", at: most * 0.9, field: "ppm" }, "metric");
    expect(at).toBeLessThanOrEqual(200);
  });
});

it("says between what a figure can lie where no value gives it", () => {
  const panel = panelOf("brine") as Panel;
  expect(() => solveFor(panel, starts(panel), { figure: "salt", at: 1e6, field: "target" }, "metric")).toThrow(/can be between .* and .*g/);
});

describe("what is wanted and what comes of it", () => {
  const notes = (id: string, typed: Readonly<Record<string, string>>) => {
    const got = answer(id, typed);
    return got.ok ? (got.result.notes ?? []).map((n) => n.text).join(" ") : "";
  };
  it("a brine says at what the meat settles, and which figure gives what was wanted", () => {
    const wanted = Number(/weigh for ([\d.]+) ?%/.exec(notes("brine", { target: "1.5" }))?.[1]);
    expect(figures("brine", { target: "1.5" }).settles).toBeLessThan(1.45);
    expect(figures("brine", { target: String(wanted) }).settles).toBeCloseTo(1.5, 1);
  });
  it("a piece that would lie for weeks is advised to be injected, a thin one is not", () => {
    expect(notes("brine", { thick: "12 cm" })).toContain("Inject the brine");
    expect(notes("brine", { thick: "2 cm" })).not.toContain("Inject");
  });
  it("sheets of gelatine are whole ones, enough of them", () => {
    const got = figures("gelatin", {});
    expect(got.sheets).toBe(Math.ceil(got.sheets ?? 0));
  });
});

describe("readings are judged", () => {
  it.each([
    ["0 min 80; 60 min 50; 100 min 20; 200 min 4.5", "It cooled in time"],
    ["0 min 80; 60 min 57; 200 min 30", "Too slow to 21 °C"],
    ["0 min 80; 30 min 50; 90 min 20; 500 min 8", "Too slow to 5 °C"],
    ["0 min 80; 60 min 50", "Not over yet"],
  ] as const)("cooling %s: %s", (text, words) => {
    const got = answer("cooling-check", { readings: text });
    expect(got.ok && got.result.headline).toContain(words);
  });
  it("a pot that fell below 60 °C for too long is thrown away", () => {
    expect(figures("hot-hold", { readings: "0 min 66; 60 min 50; 400 min 45" }).below).toBeGreaterThan(300);
    const got = answer("hot-hold", { readings: "0 min 66; 60 min 50; 400 min 45" });
    expect(got.ok && got.result.headline).toBe("Throw it away.");
  });
  it("one reading says nothing", () => {
    const got = answer("heat-kills", { readings: "30 min 60" });
    expect(!got.ok && got.message).toContain("at least two");
  });
});
