// What has happened, for the planner: the log file rondeau-log/1 in its minutes, with what the cook has fixed.
import { z } from "zod";
import type { Dish } from "../dish/model";
import type { StepPin } from "../dish/wishes";
import { isInstant, type Zone } from "../time/zone";
import { withoutGaps } from "../without-gaps";

const instant = z.string().refine(isInstant, 'Write an instant, such as "2026-10-18T13:00+01:00".');

const pin = z.union([
  z.looseObject({ component: z.string(), method: z.string() }),
  z.looseObject({
    step: z.string(),
    at: instant.optional(),
    notBefore: instant.optional(),
    notAfter: instant.optional(),
    cook: z.string().optional(),
  }),
]);

/** What has happened, and what the cook has fixed by hand. */
export const LogFile = z
  .looseObject({
    format: z.literal("rondeau-log/1"),
    events: z
      .array(
        z.looseObject({
          step: z.string(),
          started: instant,
          ended: instant.optional(),
          estimate: instant.optional(),
          pieces: z
            .array(z.union([z.tuple([instant, instant]), z.tuple([instant])]))
            .max(1000)
            .optional()
            .describe("Stretches already worked of a split step; it is put down when the last is closed."),
          skipped: instant.optional().describe("Left out from then on: it takes no time, and what it makes is not asked for."),
          void: z.literal(true).optional().describe("It will be done again."),
          made: z
            .looseObject({ output: z.string(), amount: z.looseObject({ amount: z.number(), unit: z.string() }) })
            .optional()
            .describe("What was made, as it really was."),
        }),
      )
      .max(20_000),
    pins: z.array(pin).max(20_000).optional(),
    heat: z
      .array(z.looseObject({ id: z.string(), tempC: z.number().finite(), since: instant }))
      .max(1000)
      .optional()
      .describe("Ovens, grills and baths that are on now: set to what, since when."),
  })
  .describe("rondeau-log/1");
export type LogFile = z.output<typeof LogFile>;

export interface LogEvent {
  readonly step: string;
  readonly started: number;
  readonly ended: number | undefined;
  readonly estimate: number | undefined;
  /** Stretches worked of a split step; the last one has no end while hands are on it. */
  readonly pieces?: readonly (readonly [from: number, to: number | undefined])[] | undefined;
  /** Left out: what it makes is not asked for. Such a step counts as over. */
  readonly skipped?: true | undefined;
  readonly made?: { readonly output: string; readonly amount: { readonly amount: number; readonly unit: string } } | undefined;
}

/** A split step that has been put down: hands are off it, and its rest can be placed anew. */
export const isPutDown = (event: LogEvent | undefined): boolean =>
  event !== undefined &&
  event.ended === undefined &&
  event.pieces !== undefined &&
  event.pieces.length > 0 &&
  event.pieces.at(-1)?.[1] !== undefined;

/** Minutes worked in the closed pieces of an event. */
export const workedMinutes = (event: LogEvent): number =>
  (event.pieces ?? []).reduce((sum, [a, b]) => sum + (b === undefined ? 0 : b - a), 0);
/** An oven, grill or bath that is on: set to so many degrees since then. */
export interface HeatOn {
  readonly id: string;
  readonly tempC: number;
  readonly since: number;
}

export interface Log {
  readonly events: ReadonlyMap<string, LogEvent>;
  readonly pins: readonly StepPin[];
  /** Methods that the cook has fixed, by component. */
  readonly methods: Readonly<Record<string, string>>;
  readonly heat: readonly HeatOn[];
}

export const EMPTY_LOG: Log = { events: new Map(), pins: [], methods: {}, heat: [] };

export type { StepPin };

/** A log with what the dish's own wishes fix; what the log fixes of a component's method has the last word. */
export function withWishes({ wishes }: Pick<Dish, "wishes">, log: Log): Log {
  const pins = wishes.pins.filter((p) => !log.pins.includes(p));
  return { ...log, pins: [...pins, ...log.pins], methods: { ...wishes.methods, ...log.methods } };
}

/** A log file in the planner's minutes. Where a step has several events the last one stands. */
export function logFromFile(file: LogFile, zone: Zone): Log {
  const at = (text: unknown) => (typeof text === "string" ? zone.toMinute(text) : undefined);
  const events = new Map<string, LogEvent>();
  for (const e of file.events) {
    events.delete(e.step);
    if (e.void) continue;
    const skippedAt = at(e.skipped);
    const more: Partial<LogEvent> = {
      pieces: e.pieces?.map(([a, b]) => [zone.toMinute(a), at(b)] as const),
      skipped: skippedAt === undefined ? undefined : true,
      made: e.made as LogEvent["made"],
    };
    events.set(e.step, {
      step: e.step,
      started: zone.toMinute(e.started),
      ended: at(e.ended) ?? (skippedAt === undefined ? undefined : Math.max(skippedAt, zone.toMinute(e.started))),
      estimate: at(e.estimate),
      ...withoutGaps(more),
    });
  }
  const pins: StepPin[] = [];
  const methods: Record<string, string> = {};
  for (const p of file.pins ?? []) {
    if (typeof p.component === "string" && typeof p.method === "string") methods[p.component] = p.method;
    else if (typeof p.step === "string") {
      pins.push({
        step: p.step,
        at: at(p.at),
        notBefore: at(p.notBefore),
        notAfter: at(p.notAfter),
        cook: typeof p.cook === "string" ? p.cook : undefined,
      });
    }
  }
  const heat = (file.heat ?? []).map((h): HeatOn => ({ id: h.id, tempC: h.tempC, since: zone.toMinute(h.since) }));
  return { events, pins, methods, heat };
}

/** The same log as a file. */
export function logToFile(log: Log, zone: Zone): LogFile {
  const at = (minute: number | undefined) => (minute === undefined ? undefined : zone.toInstant(minute));
  return {
    format: "rondeau-log/1",
    events: [...log.events.values()].map((e) =>
      withoutGaps({
        step: e.step,
        started: zone.toInstant(e.started),
        ended: e.skipped ? undefined : at(e.ended),
        estimate: at(e.estimate),
        pieces: e.pieces?.map(([a, b]): [string] | [string, string] =>
          b === undefined ? [zone.toInstant(a)] : [zone.toInstant(a), zone.toInstant(b)],
        ),
        skipped: e.skipped ? at(e.ended) : undefined,
        made: e.made,
      }),
    ),
    pins: [
      ...Object.entries(log.methods).map(([component, method]) => ({ component, method })),
      ...log.pins.map((p) =>
        withoutGaps({ step: p.step, at: at(p.at), notBefore: at(p.notBefore), notAfter: at(p.notAfter), cook: p.cook }),
      ),
    ],
    heat: log.heat.map((h) => ({ id: h.id, tempC: h.tempC, since: zone.toInstant(h.since) })),
  };
}
