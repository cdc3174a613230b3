// Names and labels of the chart keep apart from one another and from the ends of steps, at three widths, for the demo dishes and ten of the library.
import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readDish } from "../../src/core/dish/read";
import { dishModel } from "../../src/core/dish/read-model";
import { planDish } from "../../src/core/planner";
import { offsetsOf, WallClock } from "../../src/core/time/wall-clock";
import { planView } from "../../src/core/view/plan-view";
import { routeGeometry } from "../../src/ui/route-chart/geometry";
import { LETTER } from "../../src/ui/route-chart/labels";

type Box = readonly [x0: number, y0: number, x1: number, y1: number, what: string];
const LIBRARY = [
  "country-loaf",
  "beef-bone-stock",
  "milk-buns",
  "duck-confit",
  "curd-ravioli",
  "laminated-dough",
  "vanilla-ice",
  "red-kraut",
  "baked-terrine",
  "roast-chicken",
];
const FILES = [
  ...readdirSync("demo")
    .filter((f) => f.endsWith(".json"))
    .map((f) => `demo/${f}`),
  ...LIBRARY.map((f) => `library/${f}.json`),
];

describe.each(FILES)("%s", (file) => {
  const read = readDish(readFileSync(file, "utf8"));
  if (read.status !== "read") throw new Error(`${file}: ${read.problems[0]?.message}`);
  const dish = dishModel(read.document);
  const planned = planDish(dish, { now: dish.serveAt - 30 * 1440, rounds: 10 });
  if (planned.status !== "feasible") throw new Error(`${file}: no plan`);
  const view = planView(dish, planned.plan);
  const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880));
  // The chart is as wide as the window without its margins and the panel beside it.
  test.each([1280, 1440, 1920])("in a window of %i px", (window) => {
    const g = routeGeometry(view, { width: window - 370, open: new Set(), clock, fit: 560 });
    const texts: Box[] = g.routes.flatMap((r) => [
      ...(r.title
        ? [
            r.title.anchor === "start"
              ? ([r.title.x, r.title.y - 10, r.title.x + r.name.length * LETTER.name, r.title.y + 2, r.name] as const)
              : ([r.title.x - r.name.length * LETTER.name, r.title.y - 10, r.title.x, r.title.y + 2, r.name] as const),
          ]
        : []),
      ...r.segments.flatMap((s) =>
        s.label ? [[s.label.x, s.label.y - 8, s.label.x + s.label.text.length * LETTER.step, s.label.y + 1, s.label.text] as const] : [],
      ),
    ]);
    expect(texts.length).toBeGreaterThan(1);
    const touching = (a: Box, b: Box) => a[0] < b[2] - 1 && b[0] < a[2] - 1 && a[1] < b[3] - 1 && b[1] < a[3] - 1;
    const over = texts.flatMap((a, i) => texts.slice(i + 1).flatMap((b) => (touching(a, b) ? [`${a[4]} | ${b[4]}`] : [])));
    expect(over).toEqual([]);
    // Where a step begins and ends a dot is drawn.
    const dots: Box[] = g.routes.flatMap((r) =>
      r.segments.flatMap((s) => [s.x0, s.x1].map((x) => [x - 3, s.y - 3, x + 3, s.y + 3, s.step.name] as const)),
    );
    expect(texts.flatMap((t) => dots.flatMap((d) => (touching(t, d) ? [`${t[4]} over the dot of ${d[4]}`] : [])))).toEqual([]);
    for (const t of texts) {
      expect(t[0], t[4]).toBeGreaterThanOrEqual(0);
      expect(t[2], t[4]).toBeLessThanOrEqual(g.width);
    }
  });
});
