// Temperatures that stand in a sentence, in the units of whoever reads it.
import type { Units } from "./quantity";

const FIGURE = String.raw`[-−]?\d+(?:\.\d+)?`;
const TEMPERATURE = new RegExp(`(?:(${FIGURE})( to | and | or |–|-))?(${FIGURE}) ?°C`, "g");

/** "to 21 °C" becomes "to 70 °F" for a cook of United States measures; a pair "57 to 21 °C" or "4 and 7 °C" is read whole. */
export function inUnits(text: string, units: Units): string {
  if (units === "metric") return text;
  // A frost is written with a hyphen or a minus sign; either is part of its figure.
  const f = (c: string) => String(Math.round(Number(c.replace("−", "-")) * 1.8 + 32)).replace("-", "−");
  return text.replace(TEMPERATURE, (_, first: string | undefined, word: string | undefined, last: string) =>
    first === undefined ? `${f(last)} °F` : `${f(first)}${word}${f(last)} °F`,
  );
}
