// The chart in its states, read as text and shapes: every step walked to by name, waits with their windows, what is fixed, what clashes.
import { createElement } from "react";
import { describe, expect, test } from "vitest";
import { planDish } from "../../src/core/planner";
import { whyHere } from "../../src/core/planner/explain/why";
import { EMPTY_LOG } from "../../src/core/planner/log";
import { loadNotes } from "../../src/core/sheets/load";
import { offsetsOf, WallClock } from "../../src/core/time/wall-clock";
import { planView } from "../../src/core/view/plan-view";
import { ChartTable } from "../../src/ui/route-chart/ChartTable";
import { ImpossiblePanel } from "../../src/ui/route-chart/ImpossiblePanel";
import { LoadNotes } from "../../src/ui/route-chart/LoadNotes";
import { RouteChart, type RouteChartProps } from "../../src/ui/route-chart/RouteChart";
import { WorkByDay, workByDay } from "../../src/ui/route-chart/WorkByDay";
import { handsWords, heldWords, hundred, placeWords, stepWords, waitsWords, waitWords, windowWords } from "../../src/ui/route-chart/words";
import { demoDish } from "../support/dishes";
import { type Page, shown } from "../support/page";
import { at, CLOCK, step, viewOf, wait } from "../support/plan-views";

const dish = demoDish("harvest-lunch");
const planned = planDish(dish, { rounds: 5 });
if (planned.status !== "feasible") throw new Error("no plan");
const view = planView(dish, planned.plan);
const clock = new WallClock(offsetsOf(dish.zone, view.begins - 2880, view.ends + 2880));
const whys = whyHere(dish, planned.plan, EMPTY_LOG);

const base: RouteChartProps = {
  plan: view,
  clock,
  now: view.begins - 600,
  selected: undefined,
  focused: undefined,
  trueScale: false,
  window: undefined,
  whys,
  pins: [],
  lastMoments: [],
  quieted: new Set(),
  lit: undefined,
  clash: [],
  wishedAt: undefined,
  desk: () => {
    throw new Error("not asked");
  },
  hand: { current: undefined },
  onSelect: () => {},
  onRelease: async () => {},
  onDay: () => {},
  onPlace: () => {},
  strip: () => null,
};
const chart = (more: Partial<RouteChartProps> = {}): Promise<Page> => shown(createElement(RouteChart, { ...base, ...more }));
const saysOf = (page: Page) => page.with("role", "status")[0]?.text ?? "";

describe("the chart", () => {
  test("names every component and the places it goes through, and nothing twice where it stands", async () => {
    const page = await chart();
    const words = page.all("text").map((t) => t.text);
    for (const c of view.components)
      expect(
        words.some((w) => w.replace(/\s/g, "").includes(c.name.replace(/\s/g, "").slice(0, 6))),
        c.name,
      ).toBe(true);
    expect(page.with("role", "application")[0]?.attribute("aria-label")).toMatch(/Arrow keys move from step to step/);
    expect(saysOf(page)).toMatch(/^Point at a line/);
  });
  test("speaks of the step that has the keys, with the waits before and after it", async () => {
    for (const s of view.steps.slice(0, 12))
      expect(saysOf(await chart({ focused: s.ref }))).toBe(`${stepWords(s, view, clock)} ${waitsWords(s, view)}`.trim());
  });
  test("with another plan beside it outlines where steps stood", async () => {
    const before = {
      ...view,
      steps: view.steps.map((s, i) =>
        i === 3 ? { ...s, start: s.start - 120, end: s.end - 120, pieces: s.pieces.map(([a, b]) => [a - 120, b - 120] as const) } : s,
      ),
    };
    const outlined = async (more: Partial<RouteChartProps>) =>
      Number((await chart(more)).with("data-ghosts")[0]?.attribute("data-ghosts") ?? 0);
    expect(await outlined({ before })).toBe(1);
    expect(await outlined({})).toBe(0);
  });
  test("marks now while the plan runs, and only then", async () => {
    const line = (page: Page) => page.all("line").filter((l) => l.attribute("stroke") === "var(--saffron)").length;
    expect(line(await chart({ now: view.begins + 300 }))).toBe(line(await chart({ now: view.begins - 300 })) + 1);
  });
  test("at its true scale is as wide as its hours", async () => {
    const width = async (trueScale: boolean) => Number((await chart({ trueScale })).with("role", "application")[0]?.attribute("width"));
    expect(await width(true)).toBeGreaterThan(((view.ends - view.begins) / 60) * 20);
    expect(await width(false)).toBeLessThan(1000);
  });
  test("numbers the facts that clash", async () => {
    const [a, b] = [view.steps[4], view.steps[9]] as [(typeof view.steps)[number], (typeof view.steps)[number]];
    const page = await chart({
      clash: [
        { number: 1, rule: "H1", steps: [a.ref] },
        { number: 2, rule: "H3", steps: [b.ref] },
      ] as unknown as RouteChartProps["clash"],
    });
    expect(page.all("text").map((t) => t.text)).toEqual(expect.arrayContaining(["1", "2"]));
  });
});

describe("beside the chart", () => {
  test("a table says the same: each step once, with when, where and by whom", async () => {
    const rows = (await shown(createElement(ChartTable, { plan: view, clock }))).rows.map((r) => r.join(" "));
    for (const s of view.steps) {
      const mine = rows.filter((r) => r.includes(s.name) && r.includes(clock.dayTime(s.start)));
      expect(mine.length, s.name).toBeGreaterThan(0);
    }
  });
  test("work by day adds up to all hands of the plan", async () => {
    const days = workByDay(view, clock);
    const all = view.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);
    expect(days.reduce((sum, d) => sum + d.minutes, 0)).toBe(all);
    const rows = (await shown(createElement(WorkByDay, { plan: view, clock }))).rows;
    expect(rows.map((r) => r[0])).toEqual(days.map((d) => d.name));
    expect([...days].sort((a, b) => a.day - b.day)).toEqual(days);
  });
  test("what is heavy offers Make it easier; what is quiet offers what could be done then", async () => {
    const notes = loadNotes(view, whys, clock);
    expect(notes.length).toBeGreaterThan(0);
    const trials = { trial: undefined } as never;
    const page = await shown(createElement(LoadNotes, { notes, plan: view, clock, stamp: "1", desk: base.desk, trials }));
    for (const n of notes) expect(page.text).toContain(n.text.replace(/\s+/g, " "));
    const heavy = notes.filter((n) => n.kind !== "quiet" && n.kind !== "boil");
    expect(page.buttons.filter((b) => b.startsWith("Make it easier"))).toHaveLength(heavy.length);
    expect((await shown(createElement(LoadNotes, { notes: [], plan: view, clock, stamp: "1", desk: base.desk, trials }))).text).toBe("");
  });
});

describe("why there is no plan", () => {
  const problem = (proved: boolean, repairs: readonly { kind: string; text: string; leadMinutes: number; change: never[] }[]) => ({
    proved,
    facts: [],
    label: "",
    change: [],
    repairs,
  });
  const groups = [
    { text: "The dough needs 14 h in the cold.", parts: [], steps: [] },
    { text: "Only two evenings are free.", parts: ["Tuesday from 18:30", "Wednesday from 18:30"], steps: [] },
  ];
  const open = (p: ReturnType<typeof problem>, trial: unknown = undefined) =>
    shown(createElement(ImpossiblePanel, { problem: p as never, groups: groups as never, trials: { trial } as never }));
  test("lists the facts by number, several of a kind folded, and what was tried and helps", async () => {
    const page = await open(problem(true, [{ kind: "serve", text: "Serve at 19:00.", leadMinutes: 1500, change: [] }]));
    expect(page.text).toMatch(/^These conflict 1The dough needs 14 h in the cold. 2Only two evenings are free. one by one Tuesday/);
    expect(page.text).toContain("Serve at 19:00.starts 1 d 1 h before serving");
    expect(page.buttons).toHaveLength(1);
  });
  test("does not claim a proof that it has not", async () => {
    expect((await open(problem(false, []))).text).toMatch(/^No plan was found/);
    expect((await open(problem(false, []))).text).toContain("Nothing simple that was tried helps");
  });
  test("does it only once it has been looked at", async () => {
    const repair = { kind: "serve", text: "Serve at 19:00.", leadMinutes: 1500, change: [] as never[] };
    expect((await open(problem(true, [repair]))).buttons).not.toContain("Do it: Serve at 19:00.");
    const ready = await open(problem(true, [repair]), { status: "ready", label: "Serve at 19:00.", keeping: false });
    expect(ready.buttons).toContain("Do it: Serve at 19:00.");
    const doing = await open(problem(true, [repair]), { status: "ready", label: "Serve at 19:00.", keeping: true });
    expect(doing.with("data-main")[0]?.attribute("disabled")).toBeDefined();
  });
});

describe("words", () => {
  const plan = viewOf([step("jar.pack", "10:00", "10:20")]);
  test.each([
    [1, 100],
    [0.9999, 99],
    [0.994, 99],
    [0.42, 42],
    [0, 0],
  ])("%d is %d of a hundred", (share, want) => expect(hundred(share)).toBe(want));
  test.each([
    ["by hand all along", step("a.b", "10:00", "10:30"), "30 min by hand (Ada)"],
    ["nobody's", step("a.b", "10:00", "10:30", { attention: "unattended", hands: [] }), "unattended"],
    ["under somebody's eye", step("a.b", "10:00", "10:30", { attention: "nearby", hands: [] }), "somebody nearby"],
    [
      "begun by hand",
      step("a.b", "10:00", "12:00", { attention: "nearby", hands: [{ cook: "ada", from: at("10:00"), to: at("10:10") }] }),
      "10 min by hand, the rest with somebody nearby (Ada)",
    ],
  ] as const)("%s", (_, s, words) => expect(handsWords(s, plan)).toBe(words));
  test.each([
    ["oven", 180, "oven at 180 °C"],
    ["grill", 230, "grill at 230 °C"],
    ["bath", 62, "bath at 62 °C"],
    ["cellar", undefined, "larder"],
    ["hob", undefined, "hob"],
  ] as const)("a step in the %s", (place, tempC, words) => expect(placeWords(step("a.b", "10:00", "11:00", { place, tempC }))).toBe(words));
  test("a wait says where, how long, and between which bounds by which kind of limit", () => {
    const w = wait("jar", "Brine", "10:00", "19:00", {
      place: "fridge",
      window: { min: 480, best: [720, 1440], max: 4320, limit: "safety" },
    });
    expect(waitWords(w)).toBe("Brine in the fridge for 9 h: least 8 h; best 12 h to 1 day; longest 3 days, for safety.");
    expect(waitWords({ ...w, place: "counter", window: undefined })).toBe("Brine on the counter for 9 h.");
    expect(windowWords({ ...w, window: { min: 0, best: undefined, max: 60, limit: "quality" } })).toBe("longest 1 h, for quality");
  });
  test("a step with rounds and a state says so", () => {
    const s = step("jar.pack", "10:00", "10:20", { rounds: [{ at: at("10:10"), what: "press down", takes: 1 }], state: "running" });
    expect(stepWords(s, plan, CLOCK)).toBe("Jar: Pack, Mon 10:00 to 10:20, counter; 20 min by hand (Ada). One round: press down. Running.");
  });
  test("a step in the hand says where it is, what moves with it and why it can go no further", () => {
    const held = (more: object) =>
      heldWords(
        { step: "jar.pack", by: "keys", at: at("11:00"), wanted: at("11:00"), moved: ["jar.pack"], stuck: undefined, ...more } as never,
        plan,
        CLOCK,
      );
    expect(held({})).toBe("“Pack” at Mon 11:00; nothing else moves.");
    expect(held({ moved: ["jar.pack", "a", "b"] })).toBe("“Pack” at Mon 11:00; 2 other steps move with it.");
    expect(held({ moved: ["jar.pack", "a"] })).toContain("1 other step moves with it");
    expect(held({ stuck: "The jar is wanted at noon." })).toBe("“Pack” stays at Mon 11:00. The jar is wanted at noon.");
    expect(held({ by: "pointer" })).toContain("Drop it to fix it there");
  });
});
