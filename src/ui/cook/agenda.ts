// What the Cook view shows at a moment: what runs, what is due, what comes next, what stands round the dial. No React here.

import { looksFrom } from "@/core/view/looks";
import type { PlanView, StepView } from "@/core/view/plan-view";
import type { Checked } from "@/core/view/step-check";
import { AGENDA } from "@/words/cook";

export interface DialMark {
  readonly at: number;
  readonly step: StepView;
  readonly what: string;
  readonly kind: "start" | "round" | "check" | "end";
}

interface Agenda {
  readonly running: readonly StepView[];
  /** Should have begun by now, or begin within five minutes. */
  readonly due: readonly StepView[];
  readonly later: readonly StepView[];
  readonly marks: readonly DialMark[];
}

/** What should be done by now is looked at on and on, and so far ahead. */
const OVERDUE_LOOKS_MINUTES = 30;
/** Minutes before its start at which a step counts as due. */
const DUE_MINUTES = 5;

export function agendaAt(plan: PlanView, now: number, watched: readonly Checked[] = []): Agenda {
  const open = plan.steps.filter((s) => s.state === "planned");
  return {
    running: plan.steps.filter((s) => s.state === "running").sort((a, b) => a.end - b.end),
    due: open.filter((s) => s.start <= now + DUE_MINUTES),
    later: open.filter((s) => s.start > now + DUE_MINUTES),
    marks: marksOf(plan, now, watched),
  };
}

/** What one cook has to do with: steps that want that cook's hands. What runs by itself is everybody's. */
export function onlyOf(agenda: Agenda, cook: string): Agenda {
  const hers = (s: StepView) => s.hands.some((h) => h.cook === cook);
  return {
    running: agenda.running.filter((s) => hers(s) || s.attention !== "hands"),
    due: agenda.due.filter(hers),
    later: agenda.later.filter(hers),
    marks: agenda.marks.filter((m) => hers(m.step) || m.kind === "round" || m.kind === "check"),
  };
}

/** So long a check stands on the screen once its step is done. */
const CHECK_SHOWN_MINUTES = 60;

/** Steps that are running, or done not long ago, and have a check that is due. */
export const stepsToCheck = (plan: PlanView, now: number, checked: readonly Checked[]): readonly StepView[] =>
  plan.steps.filter(
    (s) =>
      s.state !== "planned" &&
      checked.some(({ step, check }) => {
        const at = s.start + (check?.afterMinutes ?? 0);
        return check !== undefined && step === s.ref && now >= at && (s.state === "running" || now < at + CHECK_SHOWN_MINUTES);
      }),
  );

/** All that calls for hands in the next sixty minutes, in order. */
export function marksOf(plan: PlanView, now: number, watched: readonly Checked[] = []): DialMark[] {
  const marks: DialMark[] = [];
  for (const step of plan.steps) {
    // A pot that cools is looked at for hours after the step that cools it is done.
    if (step.state !== "planned")
      for (const { check } of watched.filter((w) => w.step === step.ref))
        if (check) marks.push({ at: step.start + check.afterMinutes, step, what: `check: ${check.ask}`, kind: "check" });
    if (step.state === "done") continue;
    if (step.state === "planned") marks.push({ at: Math.max(step.start, now), step, what: step.name, kind: "start" });
    for (const round of step.rounds) marks.push({ at: round.at, step, what: round.what, kind: "round" });
    if (step.state === "running")
      for (const at of looksFrom(step, now, step.end > now ? step.end - 1 : now + OVERDUE_LOOKS_MINUTES))
        if (at !== step.end) marks.push({ at, step, what: step.cue ? `check: ${step.cue}` : AGENDA.checkIt, kind: "check" });
    if (step.end > step.start + 1 && (step.state === "running" || step.attention !== "hands"))
      marks.push({ at: step.end, step, what: AGENDA.ends(step.name), kind: "end" });
  }
  return marks.filter((m) => m.at >= now && m.at < now + 60).sort((a, b) => a.at - b.at || (a.kind < b.kind ? -1 : 1));
}

/** What has come due after one minute and up to another: starts that the plan has then, rounds, checks and ends. */
export function callsBetween(plan: PlanView, after: number, now: number, watched: readonly Checked[] = []): DialMark[] {
  if (now <= after || now - after > 60) return [];
  return marksOf(plan, after + 1, watched).filter((m) => m.at <= now && (m.kind !== "start" || m.step.start === m.at));
}

export interface Move {
  readonly step: StepView;
  readonly by: number;
}

/** Steps still to come whose start moved between two plans, the largest move first. */
export function movesBetween(before: PlanView, after: PlanView): Move[] {
  const was = new Map(before.steps.map((s) => [s.ref, s.start]));
  return after.steps
    .filter((s) => s.state === "planned" && was.has(s.ref) && was.get(s.ref) !== s.start)
    .map((step) => ({ step, by: step.start - (was.get(step.ref) as number) }))
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
}
