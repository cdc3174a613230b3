// How long something may wait, as it is typed: "3d fridge", "at least 8h, best 12h-2d, up to 3d fridge 2 L safety".
import type { Hold } from "../dish/schema";
import { durationText } from "../time/duration";
import { durationAt, findDurations, type Length } from "./durations";

const PLACE = /\b(?:in (?:the )?|on (?:the )?|at )?(fridge|freezer|counter|room temperature|cellar|larder|hot|warm)\b/i;
const PLACES: Readonly<Record<string, Hold["place"]>> = { "room temperature": "counter", larder: "cellar", warm: "hot" };

/** "3d fridge", "at least 8h, best 12h-2d, up to 3d fridge 2 L safety". */
export function readHold(text: string, least = false): Hold | undefined {
  const placed = PLACE.exec(text);
  const word = placed?.[1]?.toLowerCase();
  const place = word === undefined ? "none" : (PLACES[word] ?? (word as Hold["place"]));
  let rest = placed ? text.replace(placed[0], " ") : text;
  const litres = /(\d[\d.,]*)\s*l(?:itres?|iters?)?\b/i.exec(rest);
  if (litres) rest = rest.replace(litres[0], " ");
  const limit = /\bsafety\b/i.test(rest) ? "safety" : /\bquality\b/i.test(rest) ? "quality" : undefined;
  rest = rest.replace(/\b(?:safety|quality)\b/i, " ").trim();
  let min: number | undefined;
  let max: number | undefined;
  let best: readonly [number, number] | undefined;
  const take = (pattern: RegExp): Length | undefined => {
    const m = pattern.exec(rest);
    const found = m && durationAt(rest, m.index + m[0].length);
    if (!m || !found) return undefined;
    rest = `${rest.slice(0, m.index)} ${rest.slice(found.end)}`;
    return found.value;
  };
  const bestOf = take(/\bbest(?: between| after| from| at)?\s+/i);
  if (bestOf) best = [bestOf.min, bestOf.max];
  min = take(/\b(?:at )?least\s+/i)?.min;
  max = take(/\b(?:up to|at most|most|no longer than)\s+/i)?.max;
  const bare = findDurations(rest)[0];
  if (bare) {
    if (least && min === undefined) min = bare.value.min;
    else if (bare.value.min !== bare.value.max && min === undefined && max === undefined) [min, max] = [bare.value.min, bare.value.max];
    else max ??= bare.value.max;
    if (least && bare.value.min !== bare.value.max) max ??= bare.value.max;
  }
  if (min === undefined && max === undefined && !best && place === "none") return undefined;
  if (min !== undefined && max !== undefined && min > max) return undefined;
  return {
    place,
    ...(litres ? { litres: Number((litres[1] as string).replace(",", ".")) } : {}),
    ...(min !== undefined ? { min: durationText(min) } : {}),
    ...(best ? { best: [durationText(best[0]), durationText(best[1])] as [string, string] } : {}),
    ...(max !== undefined ? { max: durationText(max) } : {}),
    ...(limit && max !== undefined ? { limit } : {}),
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
