// What happened overnight, told in the morning: steps that are over or should be, rounds that nobody did, readings that were taken, timers that rang.
import { type Entry, lastHandover, standing, timersOf } from "../record/entries";
import type { PlanView, StepView } from "./plan-view";
import { roundsDue } from "./rounds-due";

interface Morning {
  readonly bed: number;
  readonly wake: number;
  /** Running still, though the plan had them over in the night. */
  readonly over: readonly { readonly step: StepView; readonly since: number }[];
  readonly missed: readonly { readonly step: StepView; readonly what: string; readonly at: number; readonly times: number }[];
  /** Least and most of each quantity that a device read at a step, in the units of the record. */
  readonly read: readonly {
    readonly step: string;
    readonly quantity: string;
    readonly low: number;
    readonly high: number;
    readonly last: number;
  }[];
  readonly rang: readonly { readonly name: string; readonly at: number }[];
}

/** So long after waking the night is still told. */
const MORNING_MINUTES = 6 * 60;

/**
 * @param seen the minute of the night whose morning was read already
 * @returns undefined before the night that was handed over is over, long after it, where it was read, or where nothing happened
 */
export function morningOf(plan: PlanView, entries: readonly Entry[], now: number, seen: ReadonlySet<string>): Morning | undefined {
  const handover = lastHandover(entries);
  if (!handover || seen.has(String(handover.bed))) return undefined;
  const { bed, wake } = handover;
  // Whoever is up before the planned hour is told as well.
  if (now < Math.min(wake, bed + 180) || now > wake + MORNING_MINUTES) return undefined;
  const until = Math.min(now, wake);
  const running = plan.steps.filter((s) => s.state === "running");
  const over = running.filter((s) => s.end >= bed && s.end <= until).map((step) => ({ step, since: step.end }));
  const missed = roundsDue(running, entries, now)
    .filter((r) => r.at >= bed && r.at <= until)
    .map((r) => ({ step: r.step, what: r.what, at: r.at, times: r.missed + 1 }));
  const read = new Map<string, { step: string; quantity: string; low: number; high: number; last: number }>();
  for (const { at, body } of standing(entries)) {
    const minute = Math.floor(at / 60_000);
    if (body.kind !== "reading" || minute < bed || minute > until) continue;
    const key = `${body.step} ${body.quantity}`;
    const known = read.get(key) ?? { step: body.step, quantity: body.quantity, low: body.value, high: body.value, last: body.value };
    read.set(key, { ...known, low: Math.min(known.low, body.value), high: Math.max(known.high, body.value), last: body.value });
  }
  const rang = timersOf(entries)
    .map((t) => ({ name: t.name, at: Math.floor(t.ends / 60_000) }))
    .filter((t) => t.at >= bed && t.at <= until);
  if (over.length + missed.length + read.size + rang.length === 0) return undefined;
  return { bed, wake, over, missed, read: [...read.values()], rang };
}
