// Lengths of time as recipe pages write them: ISO 8601 ("PT1H30M", "P1DT2H"), its common misspellings, and words.
import { readLength } from "../entry/durations";

const ISO =
  /^\s*P(?:(\d+(?:[.,]\d+)?)W)?(?:(\d+(?:[.,]\d+)?)D)?(?:T?(?:(\d+(?:[.,]\d+)?)H)?(?:(\d+(?:[.,]\d+)?)M(?:IN)?)?(?:(\d+(?:[.,]\d+)?)S)?)?\s*$/i;

/**
 * Whole minutes of a duration on a page; undefined where it says nothing or nothing that can be read.
 * @example isoMinutes("PT1H30M") // 90
 */
export function isoMinutes(text: string): number | undefined {
  const m = ISO.exec(text);
  if (m?.slice(1).some((part) => part !== undefined)) {
    const [w, d, h, min, s] = m.slice(1).map((part) => Number((part ?? "0").replace(",", ".")));
    const total = (w ?? 0) * 10080 + (d ?? 0) * 1440 + (h ?? 0) * 60 + (min ?? 0) + (s ?? 0) / 60;
    return total > 0 && total < 1_000_000 ? Math.max(1, Math.round(total)) : undefined;
  }
  const words = readLength(text.replace(/^PT?/i, ""));
  return words && words.likely > 0 ? words.likely : undefined;
}
