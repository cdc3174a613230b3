// During a wait: what could be done now that comes later in the plan, and what must not be begun because it would not be over in time. Pure.
import type { Why } from "../planner/explain/why";
import type { PlanView, StepView } from "./plan-view";

export interface Filling {
  readonly step: StepView;
  /** Minutes of hands. */
  readonly minutes: number;
}

export interface FreeWindow {
  /** The minute at which hands are wanted again, and by what. */
  readonly until: number;
  readonly next: string;
  /** The longest first: it uses the wait best. */
  readonly fits: readonly Filling[];
  readonly tooLong: readonly Filling[];
}

/** A shorter wait is for washing up. */
const LEAST_MINUTES = 10;
/** Hands are free again so long before they are wanted. */
const SPARE_MINUTES = 3;
const MOST = 4;

/** The next moment at which the plan wants hands: a start, a round, the end of something that runs. */
function nextCall(plan: PlanView, now: number): { at: number; name: string } | undefined {
  const calls = plan.steps
    .filter((s) => s.state !== "done")
    .flatMap((s) => [
      ...s.hands.filter((h) => h.from > now).map((h) => ({ at: h.from, name: s.name })),
      ...s.rounds.filter((r) => r.at > now).map((r) => ({ at: r.at, name: r.what })),
      ...(s.state === "running" && s.end > now ? [{ at: s.end, name: s.name }] : []),
    ]);
  return calls.sort((a, b) => a.at - b.at)[0];
}

/**
 * @param whys how early each step could start, as the plan in force has it
 * @returns undefined where hands are busy now, or the wait is too short for anything
 */
export function freeWindow(plan: PlanView, whys: readonly Why[], now: number): FreeWindow | undefined {
  if (plan.steps.some((s) => s.state !== "done" && s.hands.some((h) => h.from <= now && h.to > now))) return undefined;
  const call = nextCall(plan, now);
  if (!call || call.at - now < LEAST_MINUTES) return undefined;
  const earliest = new Map(whys.map((w) => [w.step, w.earliest]));
  const could = plan.steps
    .filter(
      (s) => s.state === "planned" && s.start > now && s.attention === "hands" && (earliest.get(s.ref) ?? Number.POSITIVE_INFINITY) <= now,
    )
    .map((step) => ({ step, minutes: step.hands.reduce((sum, h) => sum + h.to - h.from, 0) }));
  const room = call.at - now - SPARE_MINUTES;
  const longest = (a: Filling, b: Filling) => b.minutes - a.minutes || a.step.start - b.step.start;
  return {
    until: call.at,
    next: call.name,
    fits: could
      .filter((c) => c.minutes <= room)
      .sort(longest)
      .slice(0, MOST),
    tooLong: could.filter((c) => c.minutes > room).slice(0, MOST),
  };
}
