// How long what is finished can wait where serving is put off.
import type { PlanView } from "../view/plan-view";

interface Standing {
  readonly name: string;
  /** The minute up to which it keeps, where it stands now. */
  readonly until: number;
}

/** Food that waits now and has a longest wait, what gives way first in front. */
export function standsUntil(plan: PlanView, now: number): Standing[] {
  const found = new Map<string, number>();
  // A wait without a food of its own is a step that is handed on at once.
  const steps = new Set(plan.steps.map((s) => s.name));
  for (const w of plan.waits) {
    if (w.from > now || w.to <= now || w.window?.max === undefined || steps.has(w.name)) continue;
    const until = w.from + w.window.max;
    found.set(w.name, Math.min(until, found.get(w.name) ?? until));
  }
  return [...found].map(([name, until]) => ({ name, until })).sort((a, b) => a.until - b.until);
}
