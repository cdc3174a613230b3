// Rounds that a running step calls for and nobody has done yet: gathered, so that one walk serves several.
import type { Entry } from "../record/entries";
import { roundsWritten } from "../record/entries";
import type { StepView } from "./plan-view";

export interface RoundDue {
  readonly step: StepView;
  readonly what: string;
  /** The minute at which the plan calls for it. */
  readonly at: number;
  /** Earlier calls of the same round that passed without being marked done. */
  readonly missed: number;
}

/** A round that lies so near ahead is done in the same walk. */
const AHEAD_MINUTES = 3;
/** A round whose neighbours are unknown may be done so much before or after its minute. */
const PLAY_MINUTES = 10;

/**
 * The newest due round of each kind for each running step, the one due longest first. A round is done where one was marked nearer to it than half the way
 * to its neighbours: the plan may have moved its minute since.
 * @param now the planner's minute
 */
export function roundsDue(steps: readonly StepView[], entries: readonly Entry[], now: number): RoundDue[] {
  const written = roundsWritten(entries);
  return steps
    .filter((s) => s.state === "running")
    .flatMap((step) => {
      const kinds = new Set(step.rounds.map((r) => r.what));
      return [...kinds].flatMap((what): RoundDue[] => {
        const calls = step.rounds.flatMap((r) => (r.what === what ? [r.at] : [])).sort((a, b) => a - b);
        const gap = Math.min(...calls.slice(1).map((at, i) => at - (calls[i] as number)), PLAY_MINUTES * 2);
        const done = (at: number) =>
          written.some((w) => w.step === step.ref && w.what === what && Math.min(Math.abs(w.due - at), Math.abs(w.at - at)) <= gap / 2);
        const passed = calls.filter((at) => at <= now + AHEAD_MINUTES);
        const last = passed.at(-1);
        if (last === undefined || done(last)) return [];
        const lastDone = passed.findLastIndex(done);
        return [{ step, what, at: last, missed: passed.length - 2 - lastDone }];
      });
    })
    .sort((a, b) => a.at - b.at);
}
