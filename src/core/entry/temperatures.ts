// Temperatures as people write them: "180C", "350 °F", "180 degrees", "gas mark 4", "180°C/160°C fan", "180-200°".
import { ENGLISH } from "./lexicon/english";
import { fold } from "./lexicon/fold";
import type { Lexicon } from "./lexicon/lexicon";
import { type Found, numberAt } from "./numbers";
import { endOf, skipBlanks } from "./patterns";

const celsiusFromFahrenheit = (f: number): number => ((f - 32) * 5) / 9;
/** Gas marks ¼ to 9 in °C: mark 1 is 275 °F, each mark 25 °F more; ¼ and ½ are 225 and 250 °F (the British scale). */
const celsiusFromGasMark = (mark: number): number => celsiusFromFahrenheit(mark >= 1 ? 250 + 25 * mark : mark >= 0.5 ? 250 : 225);
/** The French thermostat: a mark is 30 °C. */
const celsiusFromThermostat = (mark: number): number => 30 * mark;

const UNIT = /\s?(?:°\s?|degrees? |deg\.? ?|grad |degres? |gradi |grados )?\s?(c|f|celsius|centigrade|fahrenheit)(?![\p{L}\p{N}])/uy;
const SIGN = /\s?°/y;
/** Above this a number without a unit is °F: home ovens end before. */
const HOTTEST_OVEN_C = 290;

/** °C to the nearest whole degree, in steps of 5 above 100 where it was written in °F or gas marks. */
const rounded = (c: number) => (c > 100 ? Math.round(c / 5) * 5 : Math.round(c));

/** No kitchen has more, in °F or °C. */
const HOTTEST_SAID = 900;

/** °C of a bare number that is known to be a heat. */
export const bareHeat = (value: number): number => (value > HOTTEST_OVEN_C ? rounded(celsiusFromFahrenheit(value)) : value);

/** Up to these a figure means a fridge or a freezer, and no heat, °C. */
const [MOST_OF_A_FRIDGE_C, MOST_OF_A_FREEZER_C] = [8, -10];
/** The store that keeps food so cold; undefined for what is warmer than a fridge. */
export const storeOfCold = (tempC: number): "fridge" | "freezer" | undefined =>
  tempC <= MOST_OF_A_FREEZER_C ? "freezer" : tempC <= MOST_OF_A_FRIDGE_C ? "fridge" : undefined;

interface SaidHeat {
  readonly celsius: number;
  /** The ends, where a range was written. */
  readonly range?: readonly [number, number];
}

/** What follows a number and makes it a heat. */
function unitBehind(
  folded: string,
  at: number,
  lexicon: Lexicon,
): { readonly scale: "c" | "f" | "bare"; readonly end: number } | undefined {
  UNIT.lastIndex = at;
  const unit = UNIT.exec(folded);
  if (unit) return { scale: unit[1]?.startsWith("f") ? "f" : "c", end: at + unit[0].length };
  SIGN.lastIndex = at;
  const sign = SIGN.exec(folded);
  if (sign) return { scale: "bare", end: at + sign[0].length };
  const word = endOf(lexicon.degrees, folded, skipBlanks(folded, at));
  return word === undefined ? undefined : { scale: "bare", end: word };
}

const inCelsius = (value: number, scale: "c" | "f" | "bare") =>
  scale === "f" ? rounded(celsiusFromFahrenheit(value)) : scale === "bare" ? bareHeat(value) : value;

/** The temperature that stands at a place of a folded text. A bare number is none. */
export function heatAt(folded: string, index: number, lexicon: Lexicon): Found<SaidHeat> | undefined {
  const gas = endOf(lexicon.gas, folded, index, true);
  if (gas !== undefined) {
    const mark = numberAt(folded, skipBlanks(folded, gas));
    if (!mark || mark.value > 10 || (lexicon.language === "en" && /^\s?(?:min|h|days?|hours?)/.test(folded.slice(mark.end))))
      return undefined;
    const celsius = lexicon.language === "fr" ? celsiusFromThermostat(mark.value) : rounded(celsiusFromGasMark(mark.value));
    return { value: { celsius }, start: index, end: mark.end };
  }
  const negative = folded.charAt(index) === "-";
  const number = numberAt(folded, negative ? index + 1 : index);
  if (!number || !/^\d/.test(folded.slice(negative ? index + 1 : index))) return undefined;
  const sign = negative ? -1 : 1;
  const unit = unitBehind(folded, number.end, lexicon);
  // "180-200C", "75 to 80 °C": the unit stands behind the second.
  const dash = /^\s?(?:-|to|bis|a)\s?(?=\d)/.exec(folded.slice(unit?.end ?? number.end));
  if (dash) {
    const second = numberAt(folded, (unit?.end ?? number.end) + dash[0].length);
    const its = second && unitBehind(folded, second.end, lexicon);
    if (second && its && second.value > number.value) {
      const [low, high] = [inCelsius(sign * number.value, its.scale), inCelsius(second.value, its.scale)];
      return { value: { celsius: Math.round((low + high) / 2), range: [low, high] }, start: index, end: its.end };
    }
  }
  if (!unit || number.value > HOTTEST_SAID) return undefined;
  return { value: { celsius: inCelsius(sign * number.value, unit.scale) }, start: index, end: unit.end };
}

/**
 * The temperature in °C that stands at a place of a text. A bare number is none.
 * @example temperatureAt("350 °F", 0) // { value: 175, start: 0, end: 6 }
 */
export function temperatureAt(text: string, index: number, lexicon: Lexicon = ENGLISH): Found<number> | undefined {
  const found = heatAt(fold(text), index, lexicon);
  return found && { ...found, value: found.value.celsius };
}

/** Every temperature in a text, from left to right. */
export function findTemperatures(text: string, lexicon: Lexicon = ENGLISH): Found<number>[] {
  const folded = fold(text);
  const found: Found<number>[] = [];
  for (let i = 0; i < text.length; i++) {
    if (i > 0 && /[\p{L}\d.,]/u.test(text.charAt(i - 1))) continue;
    const here = heatAt(folded, i, lexicon);
    if (!here) continue;
    found.push({ ...here, value: here.value.celsius });
    i = here.end - 1;
  }
  return found;
}
