// What a cook writes down beside the presses: timers, readings, rounds, counts, notes, amounts as used, lists ticked off. Append-only, and none of it
// moves the plan by itself; what follows from it is worked out here.
import { z } from "zod";

/** A text that says something, of at most so many characters. */
export const text = (most: number) => z.string().trim().min(1).max(most);
const step = z.string().min(3).max(161);
const DAY_SECONDS = 86_400;

/** What a reading measures, with the unit in which it is kept and the range that can be meant. */
export const QUANTITIES = {
  core: { unit: "°C", low: -40, high: 320 },
  temperature: { unit: "°C", low: -40, high: 450 },
  ph: { unit: "pH", low: 0, high: 14 },
  weight: { unit: "g", low: 0, high: 200_000 },
  height: { unit: "cm", low: 0, high: 300 },
  salinity: { unit: "%", low: 0, high: 40 },
} as const;
export type ReadingQuantity = keyof typeof QUANTITIES;
export const READING_QUANTITIES = Object.keys(QUANTITIES) as [ReadingQuantity, ...ReadingQuantity[]];

export const VERDICTS = ["again", "change", "drop"] as const;
export type Verdict = (typeof VERDICTS)[number];

const ReadingFields = z.object({
  kind: z.literal("reading"),
  quantity: z.enum(READING_QUANTITIES),
  value: z.number().finite(),
});
const canBeMeasured = (r: z.output<typeof ReadingFields>) =>
  r.value >= QUANTITIES[r.quantity].low && r.value <= QUANTITIES[r.quantity].high;
const OUTSIDE = { path: ["value"], message: "is outside what can be measured" };
/** A reading by itself, of no step. */
export const ReadingValue = ReadingFields.refine(canBeMeasured, OUTSIDE);
/** `device`: what measured it; without it a cook did. */
const Reading = ReadingFields.extend({ step, device: text(80).optional() }).refine(canBeMeasured, OUTSIDE);

/** SHA-256 in hexadecimals. */
export const PHOTOGRAPH_SUM = /^[0-9a-f]{64}$/;

/** A picture, named by the SHA-256 of its file; its size in pixels. */
export const PhotographBody = z.object({
  kind: z.literal("photograph"),
  sum: z.string().regex(PHOTOGRAPH_SUM),
  width: z.number().int().min(1).max(10_000),
  height: z.number().int().min(1).max(10_000),
  text: text(300).optional(),
});

/** What one entry says, without its key and its time. */
export const EntryBody = z.union([
  z.object({
    kind: z.literal("timer"),
    name: text(80),
    seconds: z
      .number()
      .int()
      .min(5)
      .max(14 * DAY_SECONDS),
    step: step.optional(),
  }),
  z.object({
    kind: z.literal("timer-answer"),
    of: z.number().int().min(1),
    answer: z.enum(["acknowledged", "cancelled", "more"]),
    /** Of "more": from now on. */
    seconds: z
      .number()
      .int()
      .min(5)
      .max(14 * DAY_SECONDS)
      .optional(),
  }),
  Reading,
  /** From then on what a device measures is read at a step; `on` false ends it. */
  z.object({ kind: z.literal("device"), step, device: text(40), on: z.boolean() }),
  /** `due` is the minute at which the plan called for it. */
  z.object({ kind: z.literal("round"), step, what: text(200), due: z.number().int() }),
  z.object({ kind: z.literal("tally"), step, name: text(80), add: z.number().int().min(-1000).max(1000) }),
  z.object({ kind: z.literal("note"), step: step.optional(), text: text(2000) }),
  z.object({ kind: z.literal("amount"), step, ingredient: text(200), amount: text(60), instead: text(60).optional() }),
  /** After a run: whether a component is made like that again, is changed, or is left. */
  z.object({ kind: z.literal("verdict"), component: text(80), verdict: z.enum(VERDICTS), text: z.string().trim().max(600).optional() }),
  /** The night is handed over: when it began and ends, and the steps with heat that somebody stays with though the recipe does not allow it. */
  z.object({
    kind: z.literal("handover"),
    bed: z.number().int(),
    wake: z.number().int(),
    confirmed: z.array(step).max(50).default([]),
  }),
  PhotographBody.extend({ step: step.optional() }),
  z.object({ kind: z.literal("tick"), list: text(60), item: text(300), done: z.boolean() }),
  /** What a photograph shows, in place of what was said of it before; empty: nothing. */
  z.object({ kind: z.literal("caption"), of: z.number().int().min(1), text: z.string().trim().max(300) }),
  z.object({ kind: z.literal("withdrawn"), of: z.number().int().min(1) }),
]);
export type EntryBody = z.output<typeof EntryBody>;
export const ENTRY_KINDS = [
  "timer",
  "timer-answer",
  "reading",
  "device",
  "round",
  "tally",
  "note",
  "amount",
  "verdict",
  "handover",
  "photograph",
  "caption",
  "tick",
  "withdrawn",
] as const;

export interface Entry {
  /** Rises with each entry that is written. */
  readonly id: number;
  /** Milliseconds since 1970: when it happened. */
  readonly at: number;
  readonly body: EntryBody;
}
type EntryOf<K extends EntryBody["kind"]> = Entry & { readonly body: Extract<EntryBody, { kind: K }> };

const isOf =
  <K extends EntryBody["kind"]>(kind: K) =>
  (entry: Entry): entry is EntryOf<K> =>
    entry.body.kind === kind;

/** The entries that stand, in their order: withdrawals and what they undo are left out. */
export function standing(entries: readonly Entry[]): Entry[] {
  const gone = new Set(entries.flatMap((e) => (e.body.kind === "withdrawn" ? [e.body.of] : [])));
  return entries.filter((e) => e.body.kind !== "withdrawn" && !gone.has(e.id)).sort((a, b) => a.id - b.id);
}

export interface Timer {
  readonly id: number;
  readonly name: string;
  readonly step: string | undefined;
  /** Milliseconds since 1970. */
  readonly set: number;
  readonly ends: number;
}

/**
 * Timers that still run or have rung and were not answered, the one that ends first first. Their ends are moments, so that neither a reload nor a
 * laptop that slept changes them.
 */
export function timersOf(entries: readonly Entry[]): Timer[] {
  const timers = new Map<number, Timer>();
  for (const { id, at, body } of standing(entries)) {
    if (body.kind === "timer") timers.set(id, { id, name: body.name, step: body.step, set: at, ends: at + body.seconds * 1000 });
    if (body.kind !== "timer-answer") continue;
    const timer = timers.get(body.of);
    if (timer && body.answer === "more") timers.set(body.of, { ...timer, ends: at + (body.seconds ?? 60) * 1000 });
    else timers.delete(body.of);
  }
  return [...timers.values()].sort((a, b) => a.ends - b.ends || a.id - b.id);
}

export interface Taken {
  readonly id: number;
  readonly at: number;
  readonly quantity: ReadingQuantity;
  readonly value: number;
  readonly device: string | undefined;
}

/** Readings of a step by the minute at which they were taken, the oldest first. */
export const readingsOf = (entries: readonly Entry[], of: string): Taken[] =>
  standing(entries)
    .filter(isOf("reading"))
    .filter((e) => e.body.step === of)
    .map(({ id, at, body }) => ({ id, at, quantity: body.quantity, value: body.value, device: body.device }))
    .sort((a, b) => a.at - b.at || a.id - b.id);

interface Handover {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly bed: number;
  readonly wake: number;
  readonly confirmed: readonly string[];
}

/** The newest hand-over of a night; undefined where there is none. */
export function lastHandover(entries: readonly Entry[]): Handover | undefined {
  const last = standing(entries).filter(isOf("handover")).at(-1);
  return last && { at: last.at, bed: last.body.bed, wake: last.body.wake, confirmed: last.body.confirmed };
}

/** How often what was counted at a step, by name, in the order in which counting began. */
export function talliesOf(entries: readonly Entry[], of: string): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { body } of standing(entries).filter(isOf("tally")))
    if (body.step === of) counts.set(body.name, Math.max(0, (counts.get(body.name) ?? 0) + body.add));
  return counts;
}

/** Rounds that were done: the minute at which the plan called for each, and the minute at which it was done. */
export const roundsWritten = (
  entries: readonly Entry[],
): readonly { readonly step: string; readonly what: string; readonly due: number; readonly at: number }[] =>
  standing(entries)
    .filter(isOf("round"))
    .map(({ at, body }) => ({ step: body.step, what: body.what, due: body.due, at: Math.floor(at / 60_000) }));

/** What is ticked off a list. */
export function ticksOf(entries: readonly Entry[], list: string): ReadonlySet<string> {
  const ticked = new Set<string>();
  for (const { body } of standing(entries).filter(isOf("tick")))
    if (body.list === list) {
      if (body.done) ticked.add(body.item);
      else ticked.delete(body.item);
    }
  return ticked;
}

/** Amounts as they were really used at a step: the newest of each ingredient. */
export function amountsUsed(entries: readonly Entry[], of: string): ReadonlyMap<string, string> {
  const used = new Map<string, string>();
  for (const { body } of standing(entries).filter(isOf("amount"))) if (body.step === of) used.set(body.ingredient, body.amount);
  return used;
}

export interface Photograph {
  readonly id: number;
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly sum: string;
  readonly width: number;
  readonly height: number;
  readonly step: string | undefined;
  readonly text: string;
}

/** The photographs of a run, the oldest first. */
export function photographsOf(entries: readonly Entry[]): Photograph[] {
  const captions = new Map(
    standing(entries)
      .filter(isOf("caption"))
      .map(({ body }) => [body.of, body.text]),
  );
  return standing(entries)
    .filter(isOf("photograph"))
    .map(({ id, at, body: { sum, width, height, step, text = "" } }) => ({
      id,
      at,
      sum,
      width,
      height,
      step,
      text: captions.get(id) ?? text,
    }))
    .sort((a, b) => a.at - b.at || a.id - b.id);
}

/** The newest verdict on each component. */
export function verdictsOf(entries: readonly Entry[]): ReadonlyMap<string, { readonly verdict: Verdict; readonly text: string }> {
  const found = new Map<string, { verdict: Verdict; text: string }>();
  for (const { body } of standing(entries).filter(isOf("verdict")))
    found.set(body.component, { verdict: body.verdict, text: body.text ?? "" });
  return found;
}

/** Which devices are read at which step, by device. */
export function devicesBound(entries: readonly Entry[]): ReadonlyMap<string, string> {
  const bound = new Map<string, string>();
  for (const { body } of standing(entries).filter(isOf("device"))) {
    if (body.on) bound.set(body.device, body.step);
    else if (bound.get(body.device) === body.step) bound.delete(body.device);
  }
  return bound;
}
