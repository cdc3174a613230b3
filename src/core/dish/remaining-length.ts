// How much longer a step takes that is not done yet, from its three-point length and the minutes that have passed: the PERT distribution, given that it
// is longer than that. A fixed snooze would say the same after five minutes and after fifty.
import { pertQuantile, pertShare, type TimeSpread } from "./planned-length";

export interface Remaining {
  /** Minutes from now, whole, at least one: as likely over as under. */
  readonly likely: number;
  /** The middle four fifths. */
  readonly low: number;
  readonly high: number;
  /** It has taken longer than its longest length: nothing is known but that it drags. */
  readonly over: boolean;
}

/** Of a length that is past, a fresh tail: a quarter of its spread, and at least these minutes. */
const TAIL_OF_SPREAD = 0.25;
const LEAST_TAIL_MINUTES = 6;
/** A step that "nearly" is done lies in the soonest third of what is left of its distribution. */
const NEARLY = 1 / 3;
/** Past this share of the distribution its tail is too thin to be told from its end. */
const NEARLY_ALL = 0.999;

/**
 * @param time minutes of the step as it is planned, min ≤ likely ≤ max
 * @param elapsed minutes since it began, ≥ 0
 * @param answer what was seen: "not yet", or "nearly"
 * @example remainingLength({ min: 45, likely: 60, max: 90 }, 60, "not-yet") // about 7 min, 2 to 17
 */
export function remainingLength(time: TimeSpread, elapsed: number, answer: "not-yet" | "nearly"): Remaining {
  const share = pertShare(time, elapsed);
  const over = elapsed >= time.max || share >= NEARLY_ALL;
  const tail = Math.max(LEAST_TAIL_MINUTES, (time.max - time.min) * TAIL_OF_SPREAD);
  const left = (q: number): number => {
    const part = answer === "nearly" ? q * NEARLY : q;
    // A step of one certain length has no spread to ask: what is past it has its tail, and so has what is not.
    if (over || time.max === time.min)
      return Math.max(0, time.likely - elapsed) + pertQuantile({ min: 0, likely: tail / 2, max: tail }, part);
    return pertQuantile(time, share + part * (1 - share)) - elapsed;
  };
  const whole = (minutes: number) => Math.max(1, Math.round(minutes));
  return { likely: whole(left(0.5)), low: whole(left(0.1)), high: whole(left(0.9)), over };
}
