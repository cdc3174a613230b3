// What is written down while cooking: timers, rounds, readings, counts, notes, amounts as used.
import type { EntryBody, ReadingQuantity, Verdict } from "../core/record/entries";

export const TIMERS = {
  title: "Timers",
  field: "New timer",
  example: "4 min, blanch",
  set: "Set",
  help: "Write a length of time and what it is for, such as “4 min, blanch”.",
  unnamed: "Timer",
  rang: (late: string) => `rang ${late} ago`,
  left: "left",
  ok: "OK",
  more: (minutes: number) => `${minutes} min more`,
  cancel: "Cancel",
  named: (what: string, name: string) => `${what}: ${name}`,
} as const;

export const ROUNDS = {
  title: "Rounds due",
  done: "Done",
  allDone: "All done",
  doneNamed: (what: string, step: string) => `Done: ${what}, ${step}`,
  since: (at: string) => `since ${at}`,
  missed: (n: number) => (n === 1 ? "One earlier round was missed." : `${n} earlier rounds were missed.`),
} as const;

/** What to do about a round that was missed, by what it does to the food. */
const MEANING: readonly (readonly [RegExp, string])[] = [
  [/\b(turn|flip|rotate|swap)/i, "Turn it now: one side has had longer, so look at it first."],
  [/\b(stir|scrape)/i, "Stir it now, and feel the bottom for anything that has caught."],
  [/\b(fold|stretch|knock)/i, "Fold it now and keep to the later rounds."],
  [/\b(feed|top up|add|refill)/i, "Do it now and check the level."],
  [/\b(press|push|let the gas out|burp)/i, "Do it now: what stands above the brine can spoil, so look at the surface first."],
  [/\b(skim|baste|glaze|spritz|mop|brush|degas)/i, "It does not matter once. Do it now."],
];
/** @example missedMeans("turn the pieces") // "Turn it now: one side has had longer, so look at it first." */
export const missedMeans = (what: string): string =>
  MEANING.find(([verb]) => verb.test(what))?.[1] ?? "Do it now, and look at the food first.";

export const WRITE_DOWN = {
  open: "Write down",
  close: "Close",
  what: "What",
  value: "Value",
  count: "Count",
  counted: (name: string, n: number) => `${name}: ${n}`,
  oneMore: (name: string) => `One more: ${name}`,
  newCount: "What do you count?",
  note: "Note",
  used: "Used",
  planned: (name: string, amount: string) => `${name}, ${amount} planned`,
  wasUsed: (name: string, amount: string, planned: string) => `${name}, ${amount} used instead of ${planned}`,
  usedInstead: (name: string) => `${name}: amount used`,
  save: "Save",
  newestFirst: "Readings, the newest first",
  quantity: {
    core: "Core temperature",
    temperature: "Temperature",
    ph: "pH",
    weight: "Weight",
    height: "Height",
    salinity: "Salt",
  } satisfies Record<ReadingQuantity, string>,
  likely: (target: string, at: string, low: string, high: string) => `${target} likely about ${at}, between ${low} and ${high}.`,
  use: "Plan with this",
  coolsInTime: (limit: string, at: string, low: string, high: string, by: string) =>
    `${limit} about ${at} (${low} to ${high}), in time: it has until ${by}.`,
  coolsPerhaps: (limit: string, at: string, high: string, by: string, otherwise: string) =>
    `${limit} about ${at}, at the latest ${high}: it has until ${by}. To be safe, ${otherwise}.`,
  coolsLate: (limit: string, at: string, late: string, by: string, otherwise: string) =>
    `${limit} about ${at}, ${late} too late: it has until ${by}. Now: ${otherwise}.`,
  coolsNever: (limit: string, by: string, otherwise: string) =>
    `It will not come to ${limit} where it stands, and it has until ${by}. Now: ${otherwise}.`,
} as const;

/** What is said of a component once it has been eaten. */
export const VERDICT = { again: "Again", change: "Change", drop: "Drop" } satisfies Record<Verdict, string>;

/**
 * What one entry says in the log.
 * @param value a reading as its reader says it
 * @param named a component's name by its id
 */
export function entryWords(
  body: EntryBody,
  value: (quantity: ReadingQuantity, value: number) => string,
  named: (component: string) => string,
): string | undefined {
  switch (body.kind) {
    case "reading":
      return `${WRITE_DOWN.quantity[body.quantity]} ${value(body.quantity, body.value)}`;
    case "round":
      return `Round done: ${body.what}`;
    case "tally":
      return `Counted: ${body.name}, ${body.add}`;
    case "note":
      return `Note: ${body.text}`;
    case "amount":
      return `Used ${body.amount} of ${body.ingredient}${body.instead ? ` instead of ${body.instead}` : ""}`;
    case "verdict":
      return `${VERDICT[body.verdict]}: ${[named(body.component), body.text].filter(Boolean).join(", ")}`;
    case "handover":
      return "Night handed over";
    case "photograph":
      return body.text ? `Photograph: ${body.text}` : "Photograph";
    case "timer":
      return `Timer set: ${body.name}`;
    default:
      return undefined;
  }
}
