// Now and next over all dishes, the ruler to the table, and the small chart of a plan.
import { describe, expect, test } from "vitest";
import { miniRoute } from "../../../src/core/view/mini-route";
import { houseNow } from "../../../src/core/view/now-next";
import { ruler } from "../../../src/core/view/ruler";
import { at, CLOCK, step, viewOf, wait } from "../../support/plan-views";

const lunch = (waits: Parameters<typeof viewOf>[1] = []) =>
  viewOf(
    [
      step("a.chop", "10:00", "10:30", { state: "done" }),
      step("a.simmer", "10:30", "12:00", { state: "running", attention: "unattended" }),
      step("a.fry", "12:00", "12:20"),
    ],
    waits,
  );

describe("now and next", () => {
  test("the nearest call of each cook stands first, over all dishes, and what is done calls nobody", () => {
    const other = viewOf([step("b.roll", "11:00", "11:30")]);
    const now = houseNow(
      [
        { slug: "lunch", dish: "Lunch", view: lunch(), running: true },
        { slug: "pastries", dish: "Pastries", view: other, running: false },
      ],
      at("10:45"),
    );
    expect(now.cooks[0]).toMatchObject({ slug: "pastries", name: "Roll" });
    expect(now.calls.map((c) => c.name)).toEqual(["Roll", "Fry"]);
    expect(now.running).toMatchObject([{ name: "Simmer", until: at("12:00"), due: false }]);
    expect(houseNow([{ slug: "lunch", dish: "Lunch", view: lunch(), running: true }], at("12:05")).running[0]?.due).toBe(true);
  });
  test("what waits in a run is told with its limit, the soonest first; a plan that nobody follows has nothing waiting", () => {
    const window = (max: number | undefined) => ({ min: 0, max, best: undefined, limit: "safety" as const });
    const view = lunch([
      wait("a", "long", "10:30", "12:00", { fromStep: "a.chop", toStep: "a.fry", window: window(600) }),
      wait("a", "short", "10:30", "12:00", { fromStep: "a.chop", toStep: "a.fry", window: window(60) }),
      wait("a", "free", "10:30", "12:00", { fromStep: "a.chop", toStep: "a.fry", window: undefined }),
      wait("a", "not yet made", "10:30", "12:00", { fromStep: "a.simmer", toStep: "a.fry", window: window(5) }),
    ]);
    const followed = houseNow([{ slug: "lunch", dish: "Lunch", view, running: true }], at("11:00")).waiting;
    expect(followed.map((w) => [w.name, w.limit])).toEqual([
      ["short", at("11:30")],
      ["long", at("20:30")],
      ["free", undefined],
    ]);
    expect(houseNow([{ slug: "lunch", dish: "Lunch", view, running: false }], at("11:00")).waiting).toEqual([]);
  });
});

describe("the ruler", () => {
  const calls = houseNow([{ slug: "lunch", dish: "Lunch", view: lunch(), running: true }], at("10:45")).calls;
  const drawn = (now: string, serve: string) =>
    ruler({ calls, cooks: [...new Set(calls.map((c) => c.cook))], now: at(now), serveAt: at(serve), clock: CLOCK, width: 1000 });
  test("has now at its left, the table near its right, and the calls between", () => {
    const r = drawn("10:45", "13:00");
    expect(r?.now).toBe(0);
    expect(r?.serve).toBeGreaterThan(600);
    expect(r?.serve).toBeLessThan(1000);
    expect(r?.calls.map((c) => c.call.name)).toEqual(["Fry"]);
    for (const bar of r?.bars ?? []) expect(bar.x1).toBeGreaterThan(bar.x0);
  });
  test("is none once the table has passed", () => expect(drawn("13:10", "13:00")).toBeUndefined());
});

describe("the small chart", () => {
  const view = lunch();
  const mini = miniRoute(view, CLOCK, at("11:00"));
  test("has a line for each component within its frame, and the table at the hour of serving", () => {
    expect(mini.lines).toHaveLength(view.components.length);
    const xs = mini.lines.flatMap((l) => [...`${l.hands}${l.moves}${l.waits}`.matchAll(/[MH]([\d.]+)/g)].map((m) => Number(m[1])));
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...xs)).toBeLessThanOrEqual(mini.width);
    expect(mini.serve.label).toBe(CLOCK.time(view.serveAt));
  });
  test("says where now is while the plan runs, and not before or after", () => {
    expect(mini.now).toBeGreaterThan(0);
    expect(miniRoute(view, CLOCK, at("09:00")).now).toBeUndefined();
  });
  test("names of days keep apart from one another and from the hour", () => {
    for (const [i, d] of mini.days.entries()) expect(d.x - (mini.days[i - 1]?.x ?? -99)).toBeGreaterThanOrEqual(32);
  });
});
