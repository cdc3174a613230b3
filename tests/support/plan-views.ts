// Plan views made by hand: steps at minutes, for what is shown at a moment. Minute 0 is a Monday at midnight.

import { WallClock } from "../../src/core/time/wall-clock";
import type { PlanView, StepView, WaitView } from "../../src/core/view/plan-view";

/** 5 January 2026, a Monday, 00:00. */
export const MONDAY = Date.parse("2026-01-05T00:00Z") / 60_000;
export const CLOCK = new WallClock([[MONDAY - 10_000, 0]]);
export const at = (text: string): number => {
  const [hours, minutes] = text.split(":").map(Number) as [number, number];
  return MONDAY + hours * 60 + minutes;
};

export const step = (ref: string, from: string, to: string, more: Partial<StepView> = {}): StepView => {
  const [start, end] = [at(from), at(to)];
  const attention = more.attention ?? "hands";
  return {
    ref,
    component: ref.split(".")[0] as string,
    name: (ref.split(".")[1] ?? ref).replace(/^./, (c) => c.toUpperCase()),
    note: undefined,
    start,
    end,
    pieces: [[start, end]],
    hands: attention === "hands" ? [{ cook: "ada", from: start, to: end }] : [],
    rounds: [],
    place: "counter",
    tempC: undefined,
    equipment: [],
    cue: undefined,
    probeC: undefined,
    checkFrom: undefined,
    checkEvery: undefined,
    split: false,
    paused: false,
    uncertain: undefined,
    danger: [],
    goesIn: [],
    takes: [],
    makes: [],
    state: "planned",
    ...more,
    attention,
  };
};

export const wait = (component: string, name: string, from: string, to: string, more: Partial<WaitView> = {}): WaitView => ({
  component,
  name,
  from: at(from),
  to: at(to),
  place: "fridge",
  fromStep: `${component}.a`,
  toStep: `${component}.b`,
  window: undefined,
  ...more,
});

export function viewOf(steps: readonly StepView[], waits: readonly WaitView[] = []): PlanView {
  const ids = [...new Set(steps.map((s) => s.component))];
  const ends = Math.max(...steps.map((s) => s.end));
  return {
    serveAt: ends,
    serveStep: steps.at(-1)?.ref ?? "",
    begins: Math.min(...steps.map((s) => s.start)),
    ends,
    leadMinutes: ends - Math.min(...steps.map((s) => s.start)),
    boundMinutes: 60,
    courses: [],
    components: ids.map((id) => ({
      id,
      name: id.replace(/^./, (c) => c.toUpperCase()),
      kind: "sauce",
      course: undefined,
      method: "only",
      methods: [{ id: "only", name: "only", quality: 1 }],
      methodId: "only",
      fallback: undefined,
    })),
    steps: [...steps],
    waits: [...waits],
    cooks: [{ id: "ada", name: "Ada" }],
    settings: [],
    ovenRange: undefined,
    exceptions: [],
    shortened: [],
    gone: [],
  };
}
