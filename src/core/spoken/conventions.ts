// How this cook reads figures: units, clock, first day of the week, order of dates, decimal mark. Files and the command line never follow it.
import type { Units } from "../bench/quantity";
import type { Manner } from "../time/wall-clock";

export interface Conventions {
  readonly units: Units;
  readonly clock: 12 | 24;
  /** ISO weekday on which a calendar's row begins: 1 Monday, 6 Saturday, 7 Sunday. */
  readonly weekStart: 1 | 6 | 7;
  /** "5/12" is the fifth of December, or the twelfth of May. */
  readonly dayFirst: boolean;
  readonly decimal: "." | ",";
}

export const METRIC_24: Conventions = { units: "metric", clock: 24, weekStart: 1, dayFirst: true, decimal: "." };
export const US_12: Conventions = { units: "us", clock: 12, weekStart: 7, dayFirst: false, decimal: "." };

/** Where kitchens measure in cups and ovens show Fahrenheit. */
const US_MEASURES = new Set(["US", "LR", "MM"]);
const SUNDAY_FIRST = new Set(["US", "CA", "MX", "BR", "JP", "IN", "IL", "ZA", "PH", "KR", "TW", "HK", "CO", "PE", "VE"]);
const SATURDAY_FIRST = new Set(["AE", "AF", "BH", "DZ", "EG", "IQ", "IR", "JO", "KW", "LY", "OM", "QA", "SD", "SY", "YE"]);

/**
 * The usual conventions of a language tag such as "en-US" or "de".
 * @param tag a BCP 47 tag, or the header Accept-Language; one that is none counts as "en-GB"
 */
export function conventionsOf(tag: string): Conventions {
  let locale: Intl.Locale;
  try {
    locale = new Intl.Locale(tag.split(/[,;]/)[0]?.trim() || "en-GB");
  } catch {
    return METRIC_24;
  }
  const region = locale.maximize().region ?? "GB";
  const hours = new Intl.DateTimeFormat(locale, { hour: "numeric" }).resolvedOptions();
  const parts = new Intl.DateTimeFormat(locale, { day: "numeric", month: "numeric" }).formatToParts(0).map((p) => p.type);
  const mark = new Intl.NumberFormat(locale, { numberingSystem: "latn" }).formatToParts(1.5).find((p) => p.type === "decimal")?.value;
  return {
    units: US_MEASURES.has(region) ? "us" : "metric",
    clock: hours.hour12 ? 12 : 24,
    weekStart: SATURDAY_FIRST.has(region) ? 6 : SUNDAY_FIRST.has(region) ? 7 : 1,
    dayFirst: parts.indexOf("day") < parts.indexOf("month"),
    decimal: mark === "," ? "," : ".",
  };
}

/** Settings as one word for a cookie: "us.12.7.md.," stands for every choice in turn. */
export const conventionsText = (c: Conventions): string =>
  [c.units, c.clock, c.weekStart, c.dayFirst ? "dm" : "md", c.decimal === "," ? "comma" : "point"].join(".");

/** What `conventionsText` wrote; undefined where it is anything else. */
export function readConventions(text: string): Conventions | undefined {
  const [, units, clock, weekStart, order, mark] = /^(metric|us)\.(12|24)\.(1|6|7)\.(dm|md)\.(point|comma)$/.exec(text) ?? [];
  if (!units) return undefined;
  return {
    units: units as Units,
    clock: Number(clock) as 12 | 24,
    weekStart: Number(weekStart) as 1 | 6 | 7,
    dayFirst: order === "dm",
    decimal: mark === "comma" ? "," : ".",
  };
}

/** What a wall clock needs to know of it. */
export const mannerOf = (c: Pick<Conventions, "clock" | "dayFirst">): Omit<Manner, "dates"> => ({
  ...(c.clock === 12 ? { twelve: true as const } : {}),
  ...(c.dayFirst ? {} : { monthFirst: true as const }),
});
