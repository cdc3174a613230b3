// What every rule of the verifier looks at: the dish, the plan, the steps in force, hours as intervals.
// Nothing here or beside it is shared with the search: the two may agree only because both are right.
import type { Component, Dish, Output, Step } from "../../dish/model";
import { plannedLength } from "../../dish/planned-length";
import { intervalsOfHours } from "../../time/calendar";
import { type Interval, type Intervals, intersect, subtract, union } from "../../time/interval";
import type { HeatOn, Log, LogEvent, StepPin } from "../log";
import type { Plan, PlannedHold, PlannedStep } from "../plan";

export interface Broken {
  readonly rule: string;
  readonly steps: readonly string[];
  readonly from: number;
  readonly to: number;
  readonly why: string;
  /** What could stand as an exception for it, were the step begun or the output made; undefined where nothing could. */
  readonly excuse?: Excuse | undefined;
}

/** For whom a breach could be excused, and for which minutes exactly. */
export interface Excuse {
  /** The step that has to have begun (or, for H6, H7, H8 and H12, to be tied to one). */
  readonly step?: string | undefined;
  readonly output?: string | undefined;
  readonly cook?: string | undefined;
  readonly spans: Intervals;
  /** Further steps that all have to have begun as well. */
  readonly all?: readonly string[];
}

export type Break = (rule: string, steps: readonly string[], from: number, to: number, why: string, excuse?: Excuse) => void;

interface CookHours {
  readonly id: string;
  /** Minutes for hands-on work, outside `away`. */
  readonly works: Intervals;
  readonly awake: Intervals;
  readonly home: Intervals;
}

export interface Context {
  readonly dish: Dish;
  readonly plan: Plan;
  readonly now: number;
  readonly serveAt: number;
  readonly events: ReadonlyMap<string, LogEvent>;
  readonly pins: readonly StepPin[];
  readonly heat: readonly HeatOn[];
  readonly inForce: readonly Step[];
  readonly methodOf: ReadonlyMap<string, "fallback" | "onHand" | string>;
  readonly step: (ref: string) => Step | undefined;
  readonly planned: (ref: string) => PlannedStep | undefined;
  /** The step in force that makes an output. */
  readonly makerOf: (output: string) => Step | undefined;
  readonly outputOf: (output: string) => Output | undefined;
  /** How an output waits for a step by the plan; undefined where the plan does not say. */
  readonly holdFor: (output: string, taker: string) => PlannedHold | undefined;
  readonly cooks: readonly CookHours[];
  /** Minutes when somebody is awake and at home; awake; at home. */
  readonly here: Intervals;
  readonly someoneAwake: Intervals;
  readonly someoneHome: Intervals;
  readonly hours: (hours: Parameters<typeof intervalsOfHours>[0]) => Intervals;
  readonly from: number;
  readonly to: number;
}

/** One batch of a step as `planAt` has it, in whole minutes. */
export function fullBatchMinutes(step: Step, plan: Plan): number {
  return plannedLength(step.time, plan.planAt, step.k, step.grows);
}

/** The same, or less where the plan says that it is planned shorter (whether it may be is checked with the lengths). */
export function batchMinutes(ctx: Context, step: Step): number {
  const planned = ctx.planned(step.ref);
  return planned?.shortenedFrom === undefined ? fullBatchMinutes(step, ctx.plan) : Math.round(planned.minutes / step.batches);
}

export const isDone = (ctx: Context, ref: string) => ctx.events.get(ref)?.ended !== undefined;
export const isRunning = (ctx: Context, ref: string) => {
  const event = ctx.events.get(ref);
  return event !== undefined && event.ended === undefined;
};

/** The stretches of work of a step: its pieces where it is split or goes batch by batch, else the whole of it. */
export function workOf(step: Step, planned: PlannedStep): Intervals {
  return step.each || step.minPiece !== undefined ? union(planned.pieces as readonly Interval[]) : [[planned.start, planned.end]];
}

export function contextOf(dish: Dish, plan: Plan, now: number, serveAt: number, { events, pins, heat }: Log, breaks: Break): Context {
  const methodOf = new Map<string, string>();
  const inForce: Step[] = [];
  for (const component of dish.components) {
    if (component.onHand.length) {
      methodOf.set(component.id, "onHand");
      continue;
    }
    const id = plan.methods[component.id] ?? component.methods[0]?.id ?? "";
    methodOf.set(component.id, id);
    if (id === "fallback") {
      if (!component.fallback || !plan.fallbacks.some((f) => f.component === component.id)) {
        breaks(
          "H1",
          [],
          now,
          serveAt,
          `"${component.name}" is to be replaced by a fallback, but ${component.fallback ? "the plan does not say from when" : "it has none"}.`,
        );
      }
      continue;
    }
    const method = component.methods.find((m) => m.id === id);
    if (method) inForce.push(...method.steps);
    else breaks("H1", [], now, serveAt, `"${component.name}" has no method "${id}".`);
  }
  const byRef = new Map(inForce.map((s) => [s.ref, s]));
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, s] as const)));
  const times = plan.steps.flatMap((s) => [s.start, s.end]);
  // A plan may be wrong in any way, so hours are laid out over all that it claims, up to ten years.
  const from = Math.max(Math.min(now, ...times), serveAt - 5_000_000) - 2880;
  const to = Math.min(Math.max(serveAt, ...times), serveAt + 5_000_000) + 2880;
  const hours: Context["hours"] = (list) => intervalsOfHours(list, dish.zone, from, to);
  const cooks = dish.cooks.map((cook): CookHours => {
    const away = hours(cook.away);
    const awake = hours(cook.awake);
    return { id: cook.id, works: subtract(cook.hours ? hours(cook.hours) : awake, away), awake, home: subtract([[from, to]], away) };
  });
  return {
    dish,
    plan,
    now,
    serveAt,
    events,
    pins,
    heat,
    inForce,
    methodOf,
    cooks,
    hours,
    from,
    to,
    step: (ref) => byRef.get(ref),
    planned: (ref) => planned.get(ref),
    makerOf: (output) => makers.get(output),
    holdFor: (output, taker) => plan.holds.find((h) => h.output === output && h.taker === taker),
    outputOf: (output) => makers.get(output)?.makes.find((o) => o.ref === output),
    here: union(cooks.flatMap((c) => intersect(c.awake, c.home))),
    someoneAwake: union(cooks.flatMap((c) => c.awake)),
    someoneHome: union(cooks.flatMap((c) => c.home)),
  };
}

/** The component of an output, whatever stands in for it. */
export function componentMaking(ctx: Context, output: string): Component | undefined {
  return ctx.dish.components.find((c) => output.startsWith(`${c.id}.`));
}
