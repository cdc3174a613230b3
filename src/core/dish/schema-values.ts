// The values that a dish file is written in: texts, identifiers, numbers, durations, hours and amounts, each with what to write instead.
import { z } from "zod";
import { timeOfDay, weekdaysOf } from "../time/calendar";
import { LONGEST_DURATION_MINUTES, parseDuration } from "../time/duration";
import { isInstant } from "../time/zone";

/** Longest text of any field, in characters. */
export const LONGEST_TEXT = 20_000;

export const text = z.string().max(LONGEST_TEXT, `Write at most ${LONGEST_TEXT} characters.`);
export const name = text.min(1, "Give it a name.");
export const id = z
  .string('Write an identifier, such as "stock".')
  .max(80, "Use at most 80 characters.")
  .regex(/^[a-z0-9][a-z0-9-]*$/, 'Use lower-case letters, digits and hyphens, beginning with a letter or digit, such as "orchard-pie".');
export const reference = z
  .string('Name a step or an output, such as "stock.simmer".')
  .max(161)
  .regex(/^[a-z0-9][a-z0-9-]*(\.[a-z0-9][a-z0-9-]*)?$/, 'Write "component.step" or "component.output", such as "stock.simmer".');
export const finite = z
  .number("Write a number.")
  .min(-1e9, "That number is out of any kitchen.")
  .max(1e9, "That number is out of any kitchen.");
export const positive = finite.gt(0, "Write a number above 0.");
export const notNegative = finite.min(0, "Write 0 or more.");
export const share = finite.min(0, "Write a number from 0 to 1.").max(1, "Write a number from 0 to 1.");
export const count = z
  .number("Write a whole number.")
  .int("Write a whole number.")
  .min(1, "Write 1 or more.")
  .max(1000, "Write at most 1000.");
export const temperatureC = finite.min(-60, "Write a temperature in °C above -60.").max(600, "Write a temperature in °C below 600.");

/** Zod runs the checks of an object also where a field of it is wrong: that field is told already and counts as nothing here. */
export const lengthOf = (text: unknown) => (typeof text === "string" ? (parseDuration(text) ?? 0) : 0);

export const Duration = z
  .string('Write a duration, such as "45m", "1h30m" or "3d".')
  .refine(
    (t) => parseDuration(t) !== undefined,
    'Write a duration, such as "45m", "1h30m" or "3d": whole numbers, days before hours before minutes.',
  )
  .refine((t) => (parseDuration(t) ?? 0) <= LONGEST_DURATION_MINUTES, "Write a duration of at most 400 days.")
  .describe('Elapsed time in whole minutes: "45m", "1h30m", "3d", "36h", "0m".');

export const UncertainDuration = z
  .union([
    Duration,
    z
      .looseObject({ min: Duration, likely: Duration, max: Duration })
      .refine((t) => inOrder(t.min, t.likely, t.max), "min, likely and max must not fall: min ≤ likely ≤ max."),
  ])
  .describe("A duration, or its least, likely and longest values.");

export const instant = z
  .string('Write a date and time, such as "2026-10-18T13:00".')
  .refine(isInstant, 'Write a date that exists and a time, such as "2026-10-18T13:00" (years 1970 to 2199).')
  .describe("Wall clock in the dish's time zone.");

export const clock = z
  .string('Write a time of day, such as "18:30".')
  .refine((t) => timeOfDay(t) !== undefined, 'Write a time of day, such as "18:30".');

export const HoursEntry = z
  .union([
    z.looseObject({
      days: z.string().refine((t) => weekdaysOf(t) !== undefined, 'Write "all", day names, ranges or a comma list: "mon-fri", "sat,sun".'),
      from: clock,
      to: clock,
    }),
    z.looseObject({ from: instant, to: instant }).refine((h) => h.from < h.to, "`to` must come after `from`."),
  ])
  .describe(
    'Weekly hours {"days","from","to"} (an end at or before the beginning runs past midnight), or one dated stretch {"from","to"}.',
  );

export const Amount = z
  .looseObject({
    amount: notNegative.describe("How much, at baseServes."),
    unit: name.max(80).describe("g kg mL L tsp tbsp cup oz lb floz pint quart gallon piece, or any other word: a named piece."),
    fixed: z.boolean().optional().describe("Does not scale with the guests."),
  })
  .describe("A quantity.");

export type Amount = z.output<typeof Amount>;
export type UncertainDuration = z.output<typeof UncertainDuration>;

function inOrder(...texts: string[]): boolean {
  const minutes = texts.map((t) => parseDuration(t) ?? 0);
  return minutes.every((m, i) => i === 0 || (minutes[i - 1] as number) <= m);
}
