// Texts of the planner, of safety and of the Bench say figures metric and by the 24-hour clock. Here they become those of whoever reads.
import { inUnits } from "../bench/in-units";
import { clockText } from "../time/wall-clock";
import type { Conventions } from "./conventions";
import { inUsMeasures } from "./in-measures";

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const SHORT_DATE = /\b(Mon|Tue|Wed|Thu|Fri|Sat|Sun) (\d{1,2})\/(\d{1,2})\b/g;
const CLOCK = /(?<![\d:.])([01]\d|2[0-3]):([0-5]\d)(?!\d|:\d)/g;
const MIDNIGHT = /(?<![\d:.])24:00(?![\d:])/g;
const DECIMAL = /(?<![\d.,])(\d+)\.(\d+)(?![\d.])/g;

/**
 * A sentence with its times, dates and measures as the reader has chosen them.
 * @example inConventions("Sat 5/12 17:05 at 190 °C", US_12) // "Sat Dec 5, 5:05 pm at 374 °F"
 */
export function inConventions(text: string, c: Conventions): string {
  let told = text.replace(SHORT_DATE, (whole, day: string, date: string, month: string) => {
    const name = MONTHS[Number(month) - 1];
    if (!name) return whole;
    return c.dayFirst ? `${day} ${date} ${name}` : `${day} ${name} ${date}`;
  });
  if (c.clock === 12)
    told = told.replace(MIDNIGHT, "midnight").replace(CLOCK, (_, h: string, m: string) => clockText(Number(h) * 60 + Number(m), 12));
  if (c.units === "us") told = inUsMeasures(inUnits(told, "us"));
  return c.decimal === "," ? told.replace(DECIMAL, "$1,$2") : told;
}
