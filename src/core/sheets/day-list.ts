// The plan as a cook wants it on paper: day by day, morning, afternoon, evening; what is done by hand, what then works alone,
// and what must not be forgotten before bed.

import { lower } from "../sentence";
import { spokenDuration } from "../time/duration";
import type { WallClock } from "../time/wall-clock";
import type { PlanView, StepView } from "../view/plan-view";
import { type Checked, checkText } from "../view/step-check";

export interface DayEntry {
  readonly at: number;
  readonly step: StepView;
  /** Start of a step, the hands at its end, or a round. */
  readonly what: "start" | "end" | "serve";
  readonly minutes: number;
  readonly cooks: readonly string[];
}

interface DayPart {
  readonly name: string;
  readonly entries: readonly DayEntry[];
}

export interface Day {
  readonly number: number;
  readonly name: string;
  readonly parts: readonly DayPart[];
  /** Rounds of the day that fall outside hands-on work, gathered by step. */
  readonly rounds: readonly { readonly step: StepView; readonly what: string; readonly at: readonly number[] }[];
  /** What is to be looked at that day, while a step runs or after it. */
  readonly checks: readonly { readonly step: StepView; readonly at: number; readonly text: string }[];
  readonly beforeBed: readonly string[];
}

/** From so many minutes on the planned end of a step is no matter of minutes. */
const LONG_MINUTES = 360;

const partOf = (timeOfDay: number) => (timeOfDay < 12 * 60 ? "morning" : timeOfDay < 17 * 60 + 30 ? "afternoon" : "evening");

/** Days in order; a day without work, rounds or checks is left out. */
export function dayList(plan: PlanView, clock: WallClock, checked: readonly Checked[] = []): Day[] {
  const checks = checked.flatMap((f) => {
    const step = f.check && plan.steps.find((s) => s.ref === f.step);
    return step && f.check ? [{ step, at: step.start + f.check.afterMinutes, text: checkText(f.check) }] : [];
  });
  const numbers = new Set<number>(checks.map((c) => clock.dayNumber(c.at)));
  for (const step of plan.steps) {
    for (const h of step.hands) numbers.add(clock.dayNumber(h.from));
    for (const r of step.rounds) numbers.add(clock.dayNumber(r.at));
    numbers.add(clock.dayNumber(step.start));
  }
  const days = [...numbers].sort((a, b) => a - b);
  return days.map((number, i) => {
    const entries = entriesOf(plan, number, clock);
    const names = ["morning", "afternoon", "evening"];
    const lastHands = Math.max(...entries.map((e) => e.at + e.minutes), Number.NEGATIVE_INFINITY);
    return {
      number,
      name: clock.date(dayMinute(plan, number, clock)),
      parts: names
        .map((name) => ({ name, entries: entries.filter((e) => partOf(clock.timeOfDay(e.at)) === name) }))
        .filter((p) => p.entries.length),
      rounds: plan.steps.flatMap((step) =>
        [...new Set(step.rounds.map((r) => r.what))].flatMap((what) => {
          const at = step.rounds.filter((r) => r.what === what && clock.dayNumber(r.at) === number).map((r) => r.at);
          return at.length ? [{ step, what, at }] : [];
        }),
      ),
      checks: checks.filter((c) => clock.dayNumber(c.at) === number).sort((a, b) => a.at - b.at),
      beforeBed: beforeBed(plan, number, days[i + 1], Number.isFinite(lastHands) ? lastHands : undefined, clock),
    };
  });
}

/** Some minute of a numbered day. */
function dayMinute(plan: PlanView, number: number, clock: WallClock): number {
  return plan.serveAt + (number - clock.dayNumber(plan.serveAt)) * 1440;
}

function entriesOf(plan: PlanView, day: number, clock: WallClock): DayEntry[] {
  const name = (id: string) => plan.cooks.find((c) => c.id === id)?.name ?? id;
  const entries: DayEntry[] = [];
  for (const step of plan.steps) {
    const starts = step.hands.length === 0 || (step.hands[0]?.from ?? 0) > step.start;
    if (starts && clock.dayNumber(step.start) === day) entries.push({ at: step.start, step, what: "start", minutes: 0, cooks: [] });
    for (const h of step.hands) {
      if (clock.dayNumber(h.from) !== day) continue;
      entries.push({
        at: h.from,
        step,
        what: h.from > step.start && step.attention !== "hands" ? "end" : "start",
        minutes: h.to - h.from,
        cooks: [name(h.cook)],
      });
    }
  }
  return entries.sort((a, b) => a.at - b.at || a.step.end - b.step.end);
}

/** What to remember at the end of a day: what runs through the night, what keeps until when, what comes first tomorrow. */
function beforeBed(plan: PlanView, day: number, next: number | undefined, lastHands: number | undefined, clock: WallClock): string[] {
  if (next === undefined || lastHands === undefined) return [];
  const lines: string[] = [];
  const overnight = plan.steps.filter((s) => clock.dayNumber(s.start) <= day && clock.dayNumber(s.end) > day);
  for (const step of overnight) {
    const where =
      step.place === "oven" || step.place === "hob"
        ? `heat is on (${step.place}${step.tempC ? `, ${step.tempC} °C` : ""})`
        : step.place === "counter"
          ? "on the counter"
          : `in the ${step.place === "cellar" ? "larder" : step.place}`;
    lines.push(`${componentName(plan, step.component)}: ${lower(step.name)}, ${where}, until ${whenOver(step, clock)}.`);
  }
  const midnight = plan.waits.filter((w) => clock.dayNumber(w.from) <= day && clock.dayNumber(w.to) > day && w.place !== "counter");
  for (const wait of midnight) {
    if (clock.dayNumber(wait.from) !== day) continue;
    lines.push(`${wait.name} into the ${wait.place === "cellar" ? "larder" : wait.place}; it is needed ${clock.dayTime(wait.to)}.`);
  }
  const first = plan.steps
    .flatMap((s) => s.hands.map((h) => ({ at: h.from, step: s })))
    .filter((h) => h.at > lastHands)
    .sort((a, b) => a.at - b.at)[0];
  if (first)
    lines.push(
      `First thing next: ${lower(first.step.name)}, ${clock.dayTime(first.at)}${first.at - lastHands > 2880 ? ` (${spokenDuration(first.at - lastHands)} from now)` : ""}.`,
    );
  return lines;
}

/** A long step that nobody sees out is over about then; any other at its minute. */
export function whenOver(step: StepView, clock: WallClock, near = step.start): string {
  const seenOut = step.hands.some((h) => h.to === step.end);
  return step.end - step.start > LONG_MINUTES && !seenOut ? clock.about(step.end) : clock.near(step.end, near);
}

const componentName = (plan: PlanView, id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
