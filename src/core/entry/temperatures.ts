// Temperatures as people write them: "180C", "350 °F", "180 degrees", "gas mark 4", "180°C/160°C fan".
import { type Found, numberAt } from "./numbers";

const celsiusFromFahrenheit = (f: number): number => ((f - 32) * 5) / 9;
/** Gas marks ¼ to 9 in °C: mark 1 is 275 °F, each mark 25 °F more; ¼ and ½ are 225 and 250 °F (the British scale). */
const celsiusFromGasMark = (mark: number): number => celsiusFromFahrenheit(mark >= 1 ? 250 + 25 * mark : mark >= 0.5 ? 250 : 225);

const DEGREES = /\s*(?:°|º|˚|degrees?|deg\.?)?\s*(C|F|celsius|centigrade|fahrenheit)(?![a-z])/iy;
const BARE_DEGREES = /\s*(?:°|º|˚|degrees?\b)/iy;
const GAS = /gas(?: mark)?\s*/iy;

/** °C to the nearest whole degree, in steps of 5 above 100 where it was written in °F or gas marks. */
const rounded = (c: number) => (c > 100 ? Math.round(c / 5) * 5 : Math.round(c));

/**
 * The temperature in °C that stands at a place of a text. A bare number is none.
 * @example temperatureAt("350 °F", 0) // { value: 175, start: 0, end: 6 }
 */
export function temperatureAt(text: string, index: number): Found<number> | undefined {
  GAS.lastIndex = index;
  const gas = GAS.exec(text);
  if (gas) {
    const mark = numberAt(text, index + gas[0].length);
    return mark && mark.value <= 10 ? { value: rounded(celsiusFromGasMark(mark.value)), start: index, end: mark.end } : undefined;
  }
  const negative = /[-−]/.test(text.charAt(index));
  const number = numberAt(text, negative ? index + 1 : index);
  if (!number) return undefined;
  const value = negative ? -number.value : number.value;
  DEGREES.lastIndex = number.end;
  const unit = DEGREES.exec(text);
  if (unit) {
    const fahrenheit = /^f/i.test(unit[1] as string);
    return { value: fahrenheit ? rounded(celsiusFromFahrenheit(value)) : value, start: index, end: number.end + unit[0].length };
  }
  BARE_DEGREES.lastIndex = number.end;
  const bare = BARE_DEGREES.exec(text);
  // Above 260 nobody means °C of a home oven.
  if (bare) return { value: value > 260 ? rounded(celsiusFromFahrenheit(value)) : value, start: index, end: number.end + bare[0].length };
  return undefined;
}

/** Every temperature in a text, from left to right. */
export function findTemperatures(text: string): Found<number>[] {
  const found: Found<number>[] = [];
  for (let i = 0; i < text.length; i++) {
    if (i > 0 && /[\p{L}\d.,]/u.test(text.charAt(i - 1))) continue;
    const here = temperatureAt(text, i);
    if (!here) continue;
    found.push(here);
    i = here.end - 1;
  }
  return found;
}
