// What says when, and not what: headings ("Day 1", "FRIDAY", "The day before", "La veille"), and the hour before a step.

const WEEKDAYS =
  "mon(?:day)?|tues(?:day)?|tue|wed(?:nesday)?|thurs?(?:day)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?|montag|dienstag|mittwoch|donnerstag|freitag|samstag|sonnabend|sonntag|lundi|mardi|mercredi|jeudi|vendredi|samedi|dimanche|luned[iì]|marted[iì]|mercoled[iì]|gioved[iì]|venerd[iì]|sabato|domenica|lunes|martes|mi[eé]rcoles|jueves|viernes|s[aá]bado|domingo";
const PARTS_OF_DAY =
  "morning|afternoon|evening|night|abend|morgen|vormittag|nachmittag|matin|apr[eè]s-midi|soir|mattina|pomeriggio|sera|ma[nñ]ana|tarde|noche";

/** A numbered day alone: "Day 1", "Tag 2:". */
const COUNTED_DAY = /^(?:[djt]\s?[-–−+]\s?\d{1,2}|jour j|d-day|tag x)$/iu;
const NUMBERED_DAY = /^(?:day|tag|jour|giorno|d[ií]a)\s+(?:\d{1,2}|one|two|three|four|five)(?!\p{L})/iu;
const NAMED_DAY = new RegExp(`^(?:on |am |le |il |el )?(?:${WEEKDAYS})(?:\\s*(?:,\\s*)?(?:${PARTS_OF_DAY}))?$`, "iu");
const RELATIVE_DAY =
  /^(?:the )?(?:day|night|evening|two days|three days|a week) before$|^(?:on )?(?:the )?(?:(?:next|same|second|third|last) )?(?:day|morning|evening)(?: of| of serving)?$|^(?:just )?before (?:eating|serving|dinner|lunch)$|^(?:la )?veille$|^(?:le )?jour m[eê]me$|^(?:le )?lendemain$|^(?:am )?(?:vor|n[aä]chsten )tag$|^am (?:tag|abend) (?:davor|zuvor|vorher)$|^(?:il )?giorno (?:prima|dopo)$|^(?:la )?(?:v[ií]spera|sera prima)$|^(?:el )?d[ií]a (?:antes|siguiente)$/iu;

/** "23 Dec", "24. Dezember": the names of months, as far as they tell. */
const DATE =
  /^(?:\p{L}+,? )?\d{1,2}(?:st|nd|rd|th|\.)?\s+(?:de )?(?:jan|feb|fev|mar|apr|avr|abr|may|mai|mag|jun|juin|giu|jul|juil|lug|aug|aou|ago|sep|oct|okt|ott|nov|dec|dez|dic)\p{L}*\.?$/iu;

/** "Sunday: " before what is eaten then. */
export const DAY_BEFORE = new RegExp(`^(?:${WEEKDAYS}):\\s+(\\p{L})`, "iu");
/** "Sun 09:30 – " before what is done then. */
const DAY_AND_HOUR = new RegExp(`^(?:${WEEKDAYS})\\.?,?\\s+\\d{1,2}(?:[:.h]\\d{2}|\\s?(?:am|pm|h|uhr))\\s*(?:[–—:-]\\s*|(?=\\p{L}))`, "iu");

/** "09:15 " before what is done then. */
const HOUR = /^\d{1,2}[:.]\d{2}\s+(?=\p{L})/u;
/** "Day 2. " before what is done then. */
const DAY_AHEAD = /^(?:day|tag|jour|giorno|d[ií]a)\s+\d{1,2}\s*[.:–—-]\s+(?=\p{L})/iu;
/** "T-2h30: ", "D-1 " before what is done then. */
const COUNTDOWN =
  /^(?:[TDJ]\s?[-–−]\s?\d+(?:[.:]\d+)?\s?(?:h(?:ours?|rs?)?|m(?:in)?|d(?:ays?)?)?\s?(?:\d{1,2}\s?(?:m(?:in)?)?)?\s*(?:[:.)–-]\s*|\s(?=\p{L}{3}))|[DJT]\s{2,}(?=\p{L}))/iu;

/** A step without the moment before it. */
export const withoutMoment = (text: string): string =>
  [HOUR, DAY_AND_HOUR, COUNTDOWN, DAY_AHEAD].reduce((rest, moment) => rest.replace(moment, ""), text);

/** Whether a name says a day and nothing of what is made. */
export function isDay(name: string): boolean {
  const bare = name
    .replace(/^[#*_=\s>~–—-]+|[#*_=\s:~–—-]+$/g, "")
    .replace(/\s*\([^()]*\)$/, "")
    .trim();
  if (COUNTED_DAY.test(bare) || NAMED_DAY.test(bare) || RELATIVE_DAY.test(bare) || DATE.test(bare)) return true;
  const numbered = NUMBERED_DAY.exec(bare);
  // "Day 1 – Friday" is a day, "Day 2: the braise" names what is made.
  const rest = numbered && bare.slice(numbered[0].length).replace(/^[\s:–—,-]+/, "");
  return numbered !== null && (rest === "" || NAMED_DAY.test(rest as string) || RELATIVE_DAY.test(rest as string));
}
