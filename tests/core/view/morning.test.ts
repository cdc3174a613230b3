// The morning after a night that was handed over: what happened is told once, and nothing where nothing did.
import { describe, expect, test } from "vitest";
import { type Entry, EntryBody, lastHandover } from "../../../src/core/record/entries";
import { morningOf } from "../../../src/core/view/morning";
import type { PlanView, StepView } from "../../../src/core/view/plan-view";

const BED = 30_000_000;
const WAKE = BED + 8 * 60;
const entry = (id: number, minute: number, body: object): Entry => ({ id, at: minute * 60_000, body: EntryBody.parse(body) });
const handover = entry(1, BED - 5, { kind: "handover", bed: BED, wake: WAKE, confirmed: ["stock.simmer"] });
const step = (ref: string, more: Partial<StepView>): StepView =>
  ({
    ref,
    name: ref,
    component: ref.split(".")[0],
    state: "running",
    start: BED - 60,
    end: WAKE + 60,
    rounds: [],
    hands: [],
    ...more,
  }) as StepView;
const plan = (...steps: StepView[]) => ({ steps }) as unknown as PlanView;
const none = new Set<string>();

describe("the morning", () => {
  test("tells what should be over, by the plan, since when", () => {
    const told = morningOf(plan(step("stock.simmer", { end: BED + 300 }), step("dough.rise", {})), [handover], WAKE, none);
    expect(told?.over.map((o) => [o.step.ref, o.since])).toEqual([["stock.simmer", BED + 300]]);
  });
  test("tells rounds that nobody did, and not those that were", () => {
    const rounds = [BED + 60, BED + 180, BED + 300].map((at) => ({ at, what: "turn", takes: 5 }));
    const running = step("ham.cure", { rounds });
    expect(morningOf(plan(running), [handover], WAKE, none)?.missed).toMatchObject([{ what: "turn", at: BED + 300, times: 3 }]);
    const done = entry(2, BED + 300, { kind: "round", step: "ham.cure", what: "turn", due: BED + 300 });
    expect(morningOf(plan(running), [handover, done], WAKE, none)).toBeUndefined();
  });
  test("tells the readings of the night, and no others", () => {
    const read = (id: number, minute: number, value: number) =>
      entry(id, minute, { kind: "reading", step: "ham.cure", quantity: "temperature", value });
    const list = [
      handover,
      read(2, BED - 30, 9),
      read(3, BED + 30, 4.5),
      read(4, BED + 200, 7),
      read(5, BED + 400, 3.8),
      read(6, WAKE + 30, 12),
    ];
    expect(morningOf(plan(), list, WAKE + 40, none)?.read).toEqual([
      { step: "ham.cure", quantity: "temperature", low: 3.8, high: 7, last: 3.8 },
    ]);
  });
  test("tells a timer that rang while everybody slept", () => {
    const timer = entry(2, BED - 10, { kind: "timer", name: "bones", seconds: 3600 });
    expect(morningOf(plan(), [handover, timer], WAKE, none)?.rang).toEqual([{ name: "bones", at: BED + 50 }]);
  });
  test("is told from waking on, for some hours, until it was read; without a hand-over or anything to tell not at all", () => {
    const night = plan(step("stock.simmer", { end: BED + 300 }));
    const at = (now: number, seen: ReadonlySet<string> = none, entries: readonly Entry[] = [handover]) =>
      morningOf(night, entries, now, seen) !== undefined;
    expect([at(BED + 60), at(WAKE), at(WAKE + 6 * 60), at(WAKE + 6 * 60 + 1)]).toEqual([false, true, true, false]);
    expect(at(WAKE, new Set([String(BED)]))).toBe(false);
    expect(at(WAKE, none, [])).toBe(false);
    expect(morningOf(plan(step("dough.rise", {})), [handover], WAKE, none)).toBeUndefined();
  });
  test("a hand-over that was taken back is none; the newest counts", () => {
    expect(lastHandover([handover])).toMatchObject({ bed: BED, confirmed: ["stock.simmer"] });
    expect(lastHandover([handover, entry(2, BED, { kind: "withdrawn", of: 1 })])).toBeUndefined();
    const next = entry(3, BED + 1440, { kind: "handover", bed: BED + 1440, wake: WAKE + 1440 });
    expect(lastHandover([handover, next])).toMatchObject({ bed: BED + 1440, confirmed: [] });
  });
});
