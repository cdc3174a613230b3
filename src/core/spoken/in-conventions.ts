// Texts of the planner, of safety and of the Bench say figures metric and by the 24-hour clock. Here they become those of whoever reads.
import { inUnits } from "../bench/in-units";
import { clockText } from "../time/wall-clock";
import type { Conventions } from "./conventions";
import { inUsMeasures } from "./in-measures";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const SHORT_DATE = /\b(Mon|Tue|Wed|Thu|Fri|Sat|Sun) (\d{1,2})\/(\d{1,2})\b/g;
const CLOCK = /(?<![\d:.])([01]\d|2[0-3]):([0-5]\d)(?!\d|:\d)/g;
const MIDNIGHT = /(?<![\d:.])24:00(?![\d:])/g;
const DECIMAL = /(?<![\d.,])(\d+)\.(\d+)(?!\d|\.\d)/g;

/**
 * A sentence with its times, dates and measures as the reader has chosen them.
 * @example inConventions("Sat 5/12 17:05 at 190 °C", US_12) // "Sat Dec 5, 5:05 pm at 374 °F"
 */
export function inConventions(text: string, c: Conventions): string {
  const told = onTheClock(
    text.replace(SHORT_DATE, (whole, day: string, date: string, month: string) => {
      const name = MONTHS[Number(month) - 1];
      if (!name) return whole;
      return c.dayFirst ? `${day} ${date} ${name}` : `${day} ${name} ${date}`;
    }),
    c,
  );
  return withMark(c.units === "us" ? inUsMeasures(inUnits(told, "us")) : told, c);
}

/**
 * A sentence or figure of the Bench as the reader has chosen them. Weights stay as the panel says them: it has chosen grams, or is in US units itself.
 * @example inFigures("54.5 °C at 18:40", { ...US_12, decimal: "," }) // "130 °F at 6:40 pm"
 */
export const inFigures = (text: string, c: Conventions): string => withMark(inUnits(onTheClock(text, c), c.units), c);

const onTheClock = (text: string, c: Conventions): string =>
  c.clock === 24
    ? text
    : text.replace(MIDNIGHT, "midnight").replace(CLOCK, (_, h: string, m: string) => clockText(Number(h) * 60 + Number(m), 12));

const withMark = (text: string, c: Conventions): string => (c.decimal === "," ? text.replace(DECIMAL, "$1,$2") : text);
