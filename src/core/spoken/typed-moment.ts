// A date and time as it is typed: "13", "13.30", "1.30pm", "Sun 1pm", "6 Dec 13:00", "6/12 1 pm", "tomorrow 9". Wall-clock time, no zone.

const DAY_MS = 86_400_000;
const TIME = /^(\d{1,2})(?:[:.h ]?([0-5]\d))?\s*(am|pm|a\.m\.|p\.m\.|a|p)?$/i;
const NAMED = { noon: 720, midday: 720, midnight: 0 } as const;
const DAYS = ["sun", "mon", "tue", "wed", "thu", "fri", "sat"];
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];

/**
 * Minutes after midnight of a time as it is typed; undefined where it is none.
 * @example readTimeOfDay("1.30pm") // 810
 */
export function readTimeOfDay(text: string): number | undefined {
  const trimmed = text.trim().replace(/^at\s+/i, "");
  const named = NAMED[trimmed.toLowerCase() as keyof typeof NAMED];
  if (named !== undefined) return named;
  const [, hours, minutes = "0", half] = TIME.exec(trimmed) ?? [];
  if (hours === undefined) return undefined;
  const hour = Number(hours);
  if (half) {
    if (hour < 1 || hour > 12) return undefined;
    return ((hour % 12) + (/^p/i.test(half) ? 12 : 0)) * 60 + Number(minutes);
  }
  return hour > 23 ? undefined : hour * 60 + Number(minutes);
}

interface Around {
  /** The moment that the field holds, "2026-12-06T13:00"; its day and time are kept where the text leaves them out. */
  readonly base: string | undefined;
  /** Today, "2026-11-29". */
  readonly today: string;
  readonly dayFirst: boolean;
}

const dayOf = (instant: string) => Date.parse(`${instant.slice(0, 10)}T00:00Z`);
const dateText = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** The day of a month that really has it, at the year that lies nearest ahead of today; a date up to a month back stays. */
function dated(day: number, month: number, year: string | undefined, today: string): number | undefined {
  const given = year === undefined ? undefined : Number(year.length === 2 ? `20${year}` : year);
  const years = given === undefined ? [0, 1].map((n) => Number(today.slice(0, 4)) + n) : [given];
  for (const y of years) {
    const ms = Date.UTC(y, month - 1, day);
    if (new Date(ms).getUTCDate() !== day || new Date(ms).getUTCMonth() !== month - 1) continue;
    if (given !== undefined || ms >= dayOf(today) - 31 * DAY_MS) return ms;
  }
  return undefined;
}

/** A day at the beginning of a text, and what follows it. */
function readDay(text: string, { base, today, dayFirst }: Around): { day: number; rest: string } | undefined {
  let found = /^(\d{4})-(\d\d)-(\d\d)(?:[T ,]+|$)/.exec(text);
  if (found) {
    const day = dated(Number(found[3]), Number(found[2]), found[1], today);
    return day === undefined ? undefined : { day, rest: text.slice(found[0].length) };
  }
  found = /^(today|tonight|tomorrow)\b[\s,]*/i.exec(text);
  if (found) return { day: dayOf(today) + (/^tom/i.test(found[1] as string) ? DAY_MS : 0), rest: text.slice(found[0].length) };
  const named = /^(mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?[\s,]*/i.exec(text);
  const after = named ? text.slice(named[0].length) : text;
  const written =
    /^(\d{1,2})(?:st|nd|rd|th)?\.?[\s]+(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?(?:[\s,]+(20\d\d)\b)?[\s,]*/i.exec(
      after,
    ) ?? undefined;
  const american =
    /^(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:[\s,]+(20\d\d)\b)?(?![:.\d])[\s,]*/i.exec(
      after,
    );
  const figures = /^(\d{1,2})[/.-](\d{1,2})(?:[/.-](\d{2}|\d{4}))?\.?(?:[\s,]+|$)/.exec(after);
  const month = (name: string | undefined) => MONTHS.indexOf((name ?? "").slice(0, 3).toLowerCase()) + 1;
  let day: number | undefined;
  let rest = after;
  if (written) [day, rest] = [dated(Number(written[1]), month(written[2]), written[3], today), after.slice(written[0].length)];
  else if (american) [day, rest] = [dated(Number(american[2]), month(american[1]), american[3], today), after.slice(american[0].length)];
  else if (figures && (figures[0].includes("/") || figures[3] !== undefined || after.slice(figures[0].length) !== "")) {
    const [first, second] = [Number(figures[1]), Number(figures[2])];
    const [d, m] = dayFirst ? [first, second] : [second, first];
    [day, rest] = [dated(d, m, figures[3], today), after.slice(figures[0].length)];
    if (day === undefined) return undefined;
  }
  if (day !== undefined) return { day, rest };
  if (written || american) return undefined;
  if (!named) return undefined;
  // The weekday in the week that the field is in, and never before today.
  const wanted = DAYS.indexOf((named[1] as string).toLowerCase());
  const from = base === undefined ? dayOf(today) : dayOf(base);
  const sunday = (ms: number) => (new Date(ms).getUTCDay() + 6) % 7;
  let weekday = base === undefined ? from : from - sunday(from) * DAY_MS;
  while (new Date(weekday).getUTCDay() !== wanted || weekday < dayOf(today)) weekday += DAY_MS;
  return { day: weekday, rest: after };
}

/**
 * A wall-clock moment "2026-12-06T13:00" of what was typed; undefined where it is not understood.
 * A time alone keeps the day of the field, a day alone its time; a weekday is that of the field's week, or else the next one.
 */
export function readMoment(text: string, around: Around): string | undefined {
  const clean = text.trim().replace(/\s+/g, " ");
  if (clean === "") return undefined;
  const at = (day: number, minute: number) =>
    `${dateText(day)}T${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;
  const bare = readTimeOfDay(clean);
  if (bare !== undefined) return at(dayOf(around.base ?? around.today), bare);
  const found = readDay(clean, around);
  if (!found) {
    // The time may stand first: "1pm Sunday".
    const turned = /^(\d{1,2}(?:[:.]\d\d)?\s*(?:[ap]m)?)\s+(?:on\s+)?([a-z].*)$/i.exec(clean);
    const time = turned && readTimeOfDay(turned[1] as string);
    const day = turned && readDay(turned[2] as string, around);
    return typeof time === "number" && day && day.rest === "" ? at(day.day, time) : undefined;
  }
  const rest = found.rest.trim().replace(/^at /i, "");
  const kept = readTimeOfDay(around.base?.slice(11, 16) ?? "12:00") ?? 720;
  const minute = rest === "" ? kept : readTimeOfDay(rest);
  return minute === undefined ? undefined : at(found.day, minute);
}
