// How long something may wait, as it is typed: "3d fridge", "at least 8h, best 12h-2d, up to 3d fridge 2 L safety".
import type { Hold } from "../dish/schema";
import { durationText, LONGEST_DURATION_MINUTES } from "../time/duration";
import { ENGLISH } from "./lexicon/english";
import { keepsAt } from "./step/item-hold";
import type { Keep } from "./step/reading";
import { Scan } from "./step/scan";
import { NO_CONTEXT } from "./step-draft";

/**
 * How long something may wait, typed as a text of its own: "3d fridge", "at least 8h, best 12h-2d, up to 3d fridge 2 L safety".
 * @param least a length alone is the least ("needs 8h")
 */
export function readHold(text: string, least = false): Hold | undefined {
  const scan = new Scan(text.trim(), ENGLISH, NO_CONTEXT);
  const keep = keepsAt(scan, 0, least)?.keeps[0];
  if (!keep || (keep.min !== null && keep.max !== null && keep.min > keep.max)) return undefined;
  return holdOf(keep);
}

/** A hold as the file has it; nothing waits longer than the longest length that a dish can have. */
export function holdOf(keep: Keep): Hold {
  const text = (minutes: number) => durationText(Math.min(minutes, LONGEST_DURATION_MINUTES));
  return {
    place: keep.place ?? "none",
    ...(keep.litres !== undefined ? { litres: keep.litres } : {}),
    ...(keep.min !== null ? { min: text(keep.min) } : {}),
    ...(keep.best ? { best: [text(keep.best[0]), text(keep.best[1])] as [string, string] } : {}),
    ...(keep.max !== null ? { max: text(keep.max) } : {}),
    ...(keep.limit && keep.max !== null ? { limit: keep.limit } : {}),
  };
}

/** A hold in words, as a line says back what it understood. */
export function holdSaid(hold: Hold): string {
  return [
    hold.min && `at least ${hold.min}`,
    hold.best && `best ${hold.best[0]} to ${hold.best[1]}`,
    hold.max && `at most ${hold.max}${hold.limit === "safety" ? ", a limit of safety" : ""}`,
    hold.place === "none"
      ? undefined
      : hold.place === "counter"
        ? "on the counter"
        : hold.place === "hot"
          ? "kept hot"
          : `in the ${hold.place}`,
  ]
    .filter(Boolean)
    .join(", ");
}
