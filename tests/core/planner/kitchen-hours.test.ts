// When somebody is there, awake or free, and what windows forbid: held to a slow honest look at every minute.
import { describe, expect, test } from "vitest";
import type { Step } from "../../../src/core/dish/model";
import { KitchenHours } from "../../../src/core/planner/kitchen-hours";
import type { Intervals } from "../../../src/core/time/interval";
import { dishOf, type Loose } from "../../support/dishes";
import { smallDish, stepOf } from "../../support/small-dish";

/** Sunday 18 October 2026, 00:00 in Dublin, which is on summer time. */
const SUNDAY = Date.parse("2026-10-17T23:00Z") / 60_000;
const DAY = 1440;
const at = (clock: string) => {
  const [h, m] = clock.split(":").map(Number) as [number, number];
  return SUNDAY + h * 60 + m;
};
const within = (list: Intervals, minute: number) => list.some(([a, b]) => a <= minute && minute < b);
function open(alter: (d: Loose) => void) {
  const dish = dishOf(smallDish(alter));
  const step = (ref: string) => dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref) as Step;
  return { hours: new KitchenHours(dish, SUNDAY - DAY, SUNDAY + 2 * DAY), step };
}
/** Every minute of Sunday at which `is` holds, as text: "09:00-21:00". */
function sunday(is: (minute: number) => boolean): string {
  const said = (m: number) => `${String(Math.floor((m - SUNDAY) / 60)).padStart(2, "0")}:${String((m - SUNDAY) % 60).padStart(2, "0")}`;
  const out: string[] = [];
  let from: number | undefined;
  for (let m = SUNDAY; m <= SUNDAY + DAY; m++) {
    const now = m < SUNDAY + DAY && is(m);
    if (now && from === undefined) from = m;
    if (!now && from !== undefined) {
      out.push(`${said(from)}-${said(m)}`);
      from = undefined;
    }
  }
  return out.join(" ");
}
const cooks =
  (...list: Loose[]) =>
  (d: Loose) => {
    d.kitchen.cooks = list;
  };
const line = (from: string, to: string, days = "all") => ({ days, from, to });

describe("hands", () => {
  test.each([
    [
      "are there in the hours that are said",
      [{ id: "ada", hours: [line("09:00", "12:00"), line("18:00", "21:00")], awake: [line("07:00", "23:00")] }],
      "09:00-12:00 18:00-21:00",
    ],
    [
      "are away from home when they are away",
      [{ id: "ada", hours: [line("09:00", "21:00")], awake: [line("07:00", "23:00")], away: [line("12:00", "17:00")] }],
      "09:00-12:00 17:00-21:00",
    ],
    ["without hours of their own work while they are awake", [{ id: "ada", awake: [line("08:00", "22:00")] }], "08:00-22:00"],
    ["of Saturday are none on a Sunday", [{ id: "ada", hours: [line("09:00", "12:00", "sat")], awake: [line("08:00", "22:00")] }], ""],
  ])("%s", (_, list, wanted) => {
    const { hours, step } = open(cooks(...list));
    const works = hours.worksOf(step("stock.chop"), 0);
    expect(sunday((m) => within(works, m))).toBe(wanted);
  });
  test("stop at windows that forbid them, but for a step that is let through", () => {
    const { hours, step } = open((d) => {
      cooks({ id: "ada", hours: [line("09:00", "21:00")], awake: [line("07:00", "23:00")] })(d);
      d.kitchen.windows = [{ weekly: line("13:00", "15:00"), forbid: ["hands"], allow: ["stock.simmer"] }];
    });
    expect(sunday((m) => within(hours.worksOf(step("stock.chop"), 0), m))).toBe("09:00-13:00 15:00-21:00");
    expect(sunday((m) => within(hours.worksOf(step("stock.simmer"), 0), m))).toBe("09:00-21:00");
    expect(sunday((m) => within(hours.closed("hands", "stock.chop"), m))).toBe("13:00-15:00");
  });
  test("fit where one cook has the whole stretch, not where two have half each", () => {
    const { hours, step } = open(
      cooks(
        { id: "ada", hours: [line("09:00", "10:00")], awake: [line("07:00", "23:00")] },
        { id: "ben", hours: [line("10:00", "12:00")], awake: [line("07:00", "23:00")] },
      ),
    );
    const starts = hours.someFit(step("stock.chop"), [0, 1], 90);
    expect(sunday((m) => within(starts, m))).toBe("10:00-10:31");
  });
});

describe("nearby", () => {
  const ada = { id: "ada", hours: [line("18:00", "21:00")], awake: [line("07:00", "23:00")], away: [line("09:00", "17:00")] };
  test("is whoever is awake and at home, hands or not", () => {
    const { hours } = open(cooks(ada));
    expect(sunday((m) => within(hours.here, m))).toBe("07:00-09:00 17:00-23:00");
  });
  test.each([
    ["nearby", {}, "07:00-09:00 17:00-23:00"],
    ["unattended", {}, "07:00-09:00 17:00-23:00"],
    ["unattended", { sleepOk: true }, "00:00-09:00 17:00-24:00"],
    ["unattended", { awayOk: true }, "07:00-23:00"],
    ["unattended", { sleepOk: true, awayOk: true }, undefined],
  ] as const)("a step %s %o runs where it may", (attention, more, wanted) => {
    const { hours, step } = open((d) => {
      cooks(ada)(d);
      Object.assign(stepOf(d, "stock.simmer"), { attention, ...more });
    });
    const cover = hours.coverOf(step("stock.simmer"));
    if (wanted === undefined) expect(cover).toBeUndefined();
    else expect(sunday((m) => within(cover ?? [], m))).toBe(wanted);
  });
  test("a noisy step stays out of quiet hours, a quiet one does not", () => {
    const { hours, step } = open((d) => {
      cooks({ ...ada, away: [] })(d);
      d.kitchen.windows = [{ weekly: line("20:00", "24:00"), forbid: ["noisy"] }];
      stepOf(d, "stock.chop").tags = ["noisy"];
    });
    expect(within(hours.coverOf(step("stock.chop")) ?? [], at("20:30"))).toBe(false);
    expect(hours.coverOf(step("stock.chop"))?.length ?? 0).toBeGreaterThan(0);
    expect(hours.coverOf(step("sauce.reduce")) ? within(hours.coverOf(step("sauce.reduce")) ?? [], at("20:30")) : true).toBe(true);
  });
});

test("a step with rounds begins where somebody is there at every one of them, or within a quarter of its rhythm", () => {
  const { hours, step } = open((d) => {
    cooks({ id: "ada", awake: [line("08:00", "12:00")] })(d);
    stepOf(d, "stock.simmer").tend = { every: "60m", takes: "5m", what: "skim" };
  });
  const starts = hours.startsOfRounds(step("stock.simmer"), 180);
  // Rounds after one and two hours: the last of them by noon and its play of a quarter of an hour, the first not before eight.
  const fits = (m: number) =>
    [60, 120].every((offset) => {
      const t = m + offset;
      return t >= at("08:00") - 15 && t < at("12:00") + 15;
    });
  for (let m = at("05:00"); m < at("13:00"); m += 7) expect([m - SUNDAY, within(starts, m)]).toEqual([m - SUNDAY, fits(m)]);
});
