// Temperatures that stand in a sentence, in the units of whoever reads it.
import type { Units } from "./quantity";

/** "to 21 °C" becomes "to 70 °F" for a cook of United States measures; a pair "57 to 21 °C" or "4 and 7 °C" is read whole. */
export function inUnits(text: string, units: Units): string {
  if (units === "metric") return text;
  const f = (c: string) => String(Math.round(Number(c) * 1.8 + 32));
  return text.replace(
    /(?:(\d+(?:\.\d+)?)( to | and | or ))?(\d+(?:\.\d+)?) °C/g,
    (_, first: string | undefined, word: string | undefined, last: string) =>
      first === undefined ? `${f(last)} °F` : `${f(first)}${word}${f(last)} °F`,
  );
}
