// The hand-over at bedtime: is anything hot, what runs through the night, what is still to do, what can call, what comes first. Pure.
import type { Dish } from "../dish/model";
import type { PlanView, StepView, WaitView } from "./plan-view";

interface Night {
  readonly bed: number;
  readonly wake: number;
}

export interface Bedtime {
  readonly night: Night;
  /** Hot during the night: steps on the hob or in something that is heated, and equipment that is still on. */
  readonly hot: readonly {
    readonly step: string;
    readonly name: string;
    readonly where: string;
    readonly until: number;
    readonly allowed: boolean;
  }[];
  /** Runs by itself through the night, without heat. */
  readonly runs: readonly StepView[];
  /** Hands are still wanted before bed. */
  readonly before: readonly { readonly step: string; readonly name: string; readonly at: number; readonly minutes: number }[];
  /** Food that waits through the night in the cold; what is safe only there comes first. */
  readonly cold: readonly WaitView[];
  /** What waits on the counter through the night, with its limit. */
  readonly out: readonly WaitView[];
  /** Moments in the night at which the plan wants somebody. */
  readonly calls: readonly { readonly at: number; readonly what: string }[];
  /** The first things to do after waking. */
  readonly tomorrow: readonly { readonly name: string; readonly at: number; readonly cook: string }[];
}

const HOT = new Set(["hob", "oven", "grill", "bath"]);
const MOST_TOMORROW = 3;

/** Steps that the dish lets run on while everybody sleeps. */
export const sleepOkOf = (dish: Dish): ReadonlySet<string> =>
  new Set(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.filter((s) => s.sleepOk).map((s) => s.ref))));

/** @param sleepOk steps with heat that the dish allows while everybody sleeps */
export function bedtimeOf(plan: PlanView, now: number, night: Night, sleepOk: ReadonlySet<string>): Bedtime {
  const { bed, wake } = night;
  const overnight = plan.steps.filter(
    (s) => s.state !== "done" && s.start < wake && s.end > bed && (s.state === "running" || s.start < bed),
  );
  const isHot = (s: StepView) => HOT.has(s.place) && (s.tempC === undefined || s.tempC > 45);
  const state = new Map(plan.steps.map((s) => [s.ref, s.state]));
  const waits = plan.waits.filter(
    (w) => w.from <= bed && w.to >= wake - 60 && state.get(w.toStep) === "planned" && state.get(w.fromStep) !== undefined,
  );
  const hands = plan.steps
    .filter((s) => s.state !== "done")
    .flatMap((s) =>
      s.hands.map((h) => ({
        step: s.ref,
        name: s.name,
        at: h.from,
        to: h.to,
        cook: plan.cooks.find((c) => c.id === h.cook)?.name ?? h.cook,
      })),
    )
    .sort((a, b) => a.at - b.at);
  return {
    night,
    hot: overnight.filter(isHot).map((s) => ({
      step: s.ref,
      name: s.name,
      where: s.tempC === undefined ? s.place : `${s.place}, ${s.tempC} °C`,
      until: s.end,
      allowed: sleepOk.has(s.ref),
    })),
    runs: overnight.filter((s) => !isHot(s)),
    before: hands
      .filter((h) => h.to > now && h.at < bed)
      .map((h) => ({ step: h.step, name: h.name, at: Math.max(h.at, now), minutes: h.to - Math.max(h.at, now) })),
    cold: waits
      .filter((w) => w.place !== "counter" && w.place !== "hob")
      .sort((a, b) => Number(b.window?.limit === "safety") - Number(a.window?.limit === "safety")),
    out: waits.filter((w) => w.place === "counter" && w.to - w.from > 30),
    calls: plan.steps
      .filter((s) => s.state !== "done")
      .flatMap((s) => [
        ...s.hands.map((h) => ({ at: h.from, what: s.name })),
        ...s.rounds.map((r) => ({ at: r.at, what: r.what })),
        ...(isHot(s) ? [{ at: s.end, what: `${s.name} ends` }] : []),
      ])
      .filter((c) => c.at >= bed && c.at < wake)
      .sort((a, b) => a.at - b.at),
    tomorrow: hands
      .filter((h) => h.at >= wake)
      .slice(0, MOST_TOMORROW)
      .map(({ name, at, cook }) => ({ name, at, cook })),
  };
}

/** The night that comes next or is under way: from when the last cook is no longer awake until the first is. Undefined where somebody always is. */
export function nightAfter(awake: readonly (readonly [number, number])[], now: number): Night | undefined {
  for (const [i, [, to]] of awake.entries()) {
    const next = awake[i + 1]?.[0];
    if (next === undefined) return undefined;
    if (next > now) return { bed: to, wake: next };
  }
  return undefined;
}
