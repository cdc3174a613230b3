// What fits into a wait, and what does not.
import { describe, expect, test } from "vitest";
import type { Why } from "../../../src/core/planner/explain/why";
import { freeWindow } from "../../../src/core/view/fill-window";
import { at, step, viewOf } from "../../support/plan-views";

const why = (ref: string, earliest: string): Why =>
  ({
    step: ref,
    earliest: at(earliest),
    latest: at("20:00"),
    notLater: "",
    notEarlier: "",
    laterChain: [],
    earlierChain: [],
    critical: false,
  }) as Why;
const simmer = step("stock.simmer", "10:00", "14:00", { state: "running", attention: "unattended", name: "Simmer", hands: [] });
const hands = (ref: string, from: string, to: string) =>
  step(ref, from, to, { name: ref, hands: [{ cook: "nora", from: at(from), to: at(to) }] });
const steps = [
  simmer,
  hands("a.grind", "12:40", "13:00"),
  hands("b.mix", "15:00", "15:20"),
  hands("c.bone", "16:00", "17:10"),
  hands("d.late", "18:00", "18:10"),
];
const whys = [why("a.grind", "12:40"), why("b.mix", "09:00"), why("c.bone", "09:00"), why("d.late", "17:00")];

describe("forty minutes until hands are wanted", () => {
  const window = freeWindow(viewOf(steps), whys, at("12:00"));
  test("are told with what comes then", () => {
    expect([window?.until, window?.next]).toEqual([at("12:40"), "a.grind"]);
  });
  test("hold what may start now and is over before; what is too long is told, what may not start yet is not", () => {
    expect(window?.fits.map((f) => [f.step.ref, f.minutes])).toEqual([["b.mix", 20]]);
    expect(window?.tooLong.map((f) => f.step.ref)).toEqual(["c.bone"]);
  });
});

test("a round or the end of what runs ends the wait", () => {
  const skim = { ...simmer, rounds: [{ at: at("12:25"), what: "skim", takes: 2 }] };
  expect(freeWindow(viewOf([skim, ...steps.slice(1)]), whys, at("12:00"))?.next).toBe("skim");
  expect(freeWindow(viewOf([{ ...simmer, end: at("12:15") }, ...steps.slice(1)]), whys, at("12:00"))?.until).toBe(at("12:15"));
});

test("busy hands, a few minutes, and nothing left have no wait", () => {
  expect(freeWindow(viewOf(steps), whys, at("12:45"))).toBeUndefined();
  expect(freeWindow(viewOf(steps), whys, at("12:33"))).toBeUndefined();
  expect(freeWindow(viewOf([]), whys, at("12:00"))).toBeUndefined();
});
