// The hand-over at bedtime: what is hot, what runs, what calls, what is first tomorrow.
import { describe, expect, test } from "vitest";
import { bedtimeOf, nightAfter } from "../../../src/core/view/bedtime";
import { at, step, viewOf, wait } from "../../support/plan-views";

const NIGHT = { bed: at("23:00"), wake: at("31:00") };
const DAY = 1440;

describe("bedtime", () => {
  const stock = step("stock.simmer", "20:00", "26:00", { state: "running", attention: "unattended", place: "hob" });
  const ferment = step("slaw.ferment", "10:00", "58:00", { state: "running", attention: "unattended" });
  const chop = step("pie.chop", "22:00", "22:30");
  const turn = step("pie.turn", "27:00", "27:05");
  const bake = step("pie.bake", "32:00", "33:00");
  const plan = viewOf(
    [stock, ferment, chop, turn, bake],
    [
      wait("pie", "Filling", "21:00", "32:00", {
        fromStep: "slaw.ferment",
        toStep: "pie.bake",
        window: { min: 0, max: DAY, best: undefined, limit: "safety" },
      }),
      wait("pie", "Crust", "21:00", "32:00", { fromStep: "slaw.ferment", toStep: "pie.bake", place: "counter" }),
    ],
  );
  const told = bedtimeOf(plan, at("21:30"), NIGHT, new Set());
  test("says what is hot while everybody sleeps, and whether the dish allows it", () => {
    expect(told.hot).toMatchObject([{ step: "stock.simmer", where: "hob", allowed: false }]);
    expect(bedtimeOf(plan, at("21:30"), NIGHT, new Set(["stock.simmer"])).hot[0]?.allowed).toBe(true);
  });
  test("tells what runs without heat, what hands do before bed, what waits in the cold and what on the counter", () => {
    expect(told.runs.map((s) => s.ref)).toEqual(["slaw.ferment"]);
    expect(told.before).toMatchObject([{ step: "pie.chop", minutes: 30 }]);
    expect(told.cold.map((w) => w.name)).toEqual(["Filling"]);
    expect(told.out.map((w) => w.name)).toEqual(["Crust"]);
  });
  test("names what calls in the night by its minute, and what comes first after it", () => {
    expect(told.calls).toEqual([
      { at: at("26:00"), what: "Simmer ends" },
      { at: at("27:00"), what: "Turn" },
    ]);
    expect(told.tomorrow).toMatchObject([{ name: "Bake", at: at("32:00") }]);
  });
  test("what is done is neither hot nor to do", () => {
    const done = viewOf([{ ...stock, state: "done" }, { ...chop, state: "done" }, bake]);
    const after = bedtimeOf(done, at("22:45"), NIGHT, new Set());
    expect([after.hot, after.before]).toEqual([[], []]);
  });
  test("a hot step that begins after waking is no matter of the night", () => {
    expect(
      bedtimeOf(viewOf([step("pie.bake", "32:00", "33:00", { place: "oven", tempC: 200 })]), at("22:00"), NIGHT, new Set()).hot,
    ).toEqual([]);
  });
});

describe("the night", () => {
  const awake = [
    [at("07:00"), at("23:00")],
    [at("31:00"), at("47:00")],
  ] as const;
  test("is the next one, or the one under way", () => {
    expect(nightAfter(awake, at("12:00"))).toEqual(NIGHT);
    expect(nightAfter(awake, at("25:00"))).toEqual(NIGHT);
  });
  test("is none where somebody is always awake", () => expect(nightAfter([[at("00:00"), at("72:00")]], at("12:00"))).toBeUndefined());
});
