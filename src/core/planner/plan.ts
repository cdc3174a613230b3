// A plan in the planner's minutes, and the plan file rondeau-plan/1 that it is read from and written to.
import { z } from "zod";
import type { Dish } from "../dish/model";
import type { PlanAt } from "../dish/planned-length";
import type { StepPin } from "../dish/wishes";
import { isInstant, type Zone } from "../time/zone";

export const STYLES = ["late", "ahead", "even", "shortest"] as const;
export type Style = (typeof STYLES)[number];
export const PLAN_ATS = ["likely", "cautious", "longest"] as const;

/** Weighted figures of regret; `total` is their sum, or the lead in minutes for the style `shortest`. */
export type Regret = Readonly<Record<"total" | "S1" | "S2" | "S3" | "S4" | "S5" | "S6" | "S7" | "S8", number>>;

export interface HandsSpan {
  readonly cook: string;
  readonly from: number;
  readonly to: number;
}
export interface EquipmentSpan {
  /** Index into the step's uses. */
  readonly use: number;
  readonly id: string;
  readonly from: number;
  readonly to: number;
  /** How many of that id; 1 unless the kitchen counts several under one id. */
  readonly count: number;
}
export interface PlannedStep {
  readonly step: string;
  readonly start: number;
  readonly end: number;
  /** Minutes of work; the gaps of a split step are left out. */
  readonly minutes: number;
  readonly pieces: readonly (readonly [number, number])[];
  readonly hands: readonly HandsSpan[];
  readonly rounds: readonly { readonly at: number; readonly tend: number }[];
  readonly equipment: readonly EquipmentSpan[];
  /** Where it is planned shorter than `planAt` says, inside its range: the minutes that it would have. */
  readonly shortenedFrom?: number;
  /** It is done again, since what it made has waited too long to be safe. */
  readonly again?: true;
}

/**
 * A rule that something begun, or made already, cannot keep any more: told, and not a reason to have no plan.
 * It covers one rule, one step or output and one stretch of time, nothing else.
 */
export interface PlanException {
  readonly rule: ExceptionRule;
  /** The step that has begun, or is tied by longest waits to the end of one that has. */
  readonly step?: string;
  /** The output that was made already. */
  readonly output?: string;
  readonly cook?: string;
  readonly from: number;
  readonly to: number;
  readonly text: string;
}
export const EXCEPTION_RULES = ["H3", "H4", "H6", "H7", "H8", "H9", "H10", "H11", "H12"] as const;
export type ExceptionRule = (typeof EXCEPTION_RULES)[number];

/** What has waited past its safe time and must not be eaten. */
export interface Gone {
  readonly output: string;
  readonly since: number;
}
export interface PlannedHold {
  readonly output: string;
  readonly taker: string;
  /** Index into the output's holds. */
  readonly hold: number;
  readonly place: string;
  readonly from: number;
  readonly to: number;
  readonly state: "early" | "best" | "late";
}
export interface Setting {
  readonly id: string;
  readonly tempC: number;
  readonly mode: string;
  readonly from: number;
  readonly to: number;
}
export interface Plan {
  readonly dish: string;
  readonly style: Style;
  readonly planAt: PlanAt;
  readonly now: number;
  readonly seed: number;
  readonly serveAt: number;
  readonly leadMinutes: number;
  readonly boundMinutes: number;
  /** No plan with these methods has less regret, where that was looked for. */
  readonly boundRegret?: number;
  readonly regret: Regret;
  readonly methods: Readonly<Record<string, string>>;
  readonly fallbacks: readonly { readonly component: string; readonly decidedAt: number; readonly readyAt: number }[];
  readonly steps: readonly PlannedStep[];
  readonly holds: readonly PlannedHold[];
  readonly settings: readonly Setting[];
  /** Rules that what has begun cannot keep; absent where all are kept. */
  readonly exceptions?: readonly PlanException[];
  readonly gone?: readonly Gone[];
}

/** Why there is no plan. `proved` is false where the search gave up rather than showed that there is none. */
export interface Infeasible {
  readonly status: "infeasible";
  readonly proved: boolean;
  readonly conflict: readonly Clashing[];
}

/** One of the facts that cannot stand together. */
export interface Clashing {
  readonly rule: string;
  readonly steps: readonly string[];
  readonly text: string;
  /** What kind of fact it is, and the cook, thing or output that it speaks of, where that is known. */
  readonly kind?: string;
  readonly about?: string;
}

const instant = z.string().refine(isInstant, 'Write an instant, such as "2026-10-18T13:00+01:00".');
const span = { from: instant, to: instant };
const figure = z.number();

export const PlanFile = z.looseObject({
  format: z.literal("rondeau-plan/1"),
  dish: z.string(),
  status: z.literal("feasible", "Only a feasible plan can be read."),
  style: z.enum(STYLES),
  planAt: z.enum(PLAN_ATS),
  now: instant,
  seed: z.number().optional(),
  serveAt: instant,
  leadMinutes: figure.optional(),
  boundMinutes: figure.optional(),
  boundRegret: figure.optional(),
  regret: z.record(z.string(), figure).optional(),
  methods: z.record(z.string(), z.string()),
  fallbacks: z.array(z.looseObject({ component: z.string(), decidedAt: instant, readyAt: instant })).optional(),
  steps: z
    .array(
      z.looseObject({
        step: z.string(),
        start: instant,
        end: instant,
        minutes: figure.optional(),
        shortenedFrom: figure.optional(),
        again: z.literal(true).optional(),
        pieces: z.array(z.tuple([instant, instant])).optional(),
        hands: z.array(z.looseObject({ cook: z.string(), ...span })).optional(),
        rounds: z.array(z.looseObject({ at: instant, tend: z.number().int() })).optional(),
        equipment: z
          .array(z.looseObject({ use: z.number().int(), id: z.string(), ...span, count: z.number().int().min(1).optional() }))
          .optional(),
      }),
    )
    .max(20_000),
  holds: z
    .array(
      z.looseObject({
        output: z.string(),
        taker: z.string(),
        hold: z.number().int(),
        place: z.string().optional(),
        ...span,
        state: z.string().optional(),
      }),
    )
    .optional(),
  settings: z.array(z.looseObject({ id: z.string(), tempC: figure, mode: z.string().optional(), ...span })).optional(),
  exceptions: z
    .array(
      z.looseObject({
        rule: z.enum(EXCEPTION_RULES),
        step: z.string().optional(),
        output: z.string().optional(),
        cook: z.string().optional(),
        ...span,
        text: z.string().optional(),
      }),
    )
    .max(20_000)
    .optional(),
  gone: z.array(z.looseObject({ output: z.string(), since: instant })).optional(),
});
export type PlanFile = z.output<typeof PlanFile>;

/** The plan of a file in the planner's minutes. */
export function planFromFile(file: PlanFile, zone: Zone): Plan {
  const at = (text: string) => zone.toMinute(text);
  return {
    dish: file.dish,
    style: file.style,
    planAt: file.planAt,
    now: at(file.now),
    seed: file.seed ?? 0,
    serveAt: at(file.serveAt),
    leadMinutes: file.leadMinutes ?? 0,
    boundMinutes: file.boundMinutes ?? 0,
    ...(file.boundRegret === undefined ? {} : { boundRegret: file.boundRegret }),
    regret: { total: 0, S1: 0, S2: 0, S3: 0, S4: 0, S5: 0, S6: 0, S7: 0, S8: 0, ...file.regret },
    methods: file.methods,
    fallbacks: (file.fallbacks ?? []).map((f) => ({ component: f.component, decidedAt: at(f.decidedAt), readyAt: at(f.readyAt) })),
    steps: file.steps.map((s) => {
      const pieces = s.pieces?.map(([a, b]) => [at(a), at(b)] as const) ?? [[at(s.start), at(s.end)] as const];
      return {
        step: s.step,
        start: at(s.start),
        end: at(s.end),
        minutes: s.minutes ?? pieces.reduce((sum, [a, b]) => sum + b - a, 0),
        pieces,
        hands: (s.hands ?? []).map((h) => ({ cook: h.cook, from: at(h.from), to: at(h.to) })),
        rounds: (s.rounds ?? []).map((r) => ({ at: at(r.at), tend: r.tend })),
        equipment: (s.equipment ?? []).map((e) => ({ use: e.use, id: e.id, from: at(e.from), to: at(e.to), count: e.count ?? 1 })),
        ...(s.shortenedFrom === undefined ? {} : { shortenedFrom: s.shortenedFrom }),
        ...(s.again ? { again: s.again } : {}),
      };
    }),
    holds: (file.holds ?? []).map((h) => ({
      output: h.output,
      taker: h.taker,
      hold: h.hold,
      place: h.place ?? "none",
      from: at(h.from),
      to: at(h.to),
      state: h.state === "early" || h.state === "late" ? h.state : "best",
    })),
    settings: (file.settings ?? []).map((s) => ({ id: s.id, tempC: s.tempC, mode: s.mode ?? "any", from: at(s.from), to: at(s.to) })),
    ...(file.exceptions?.length
      ? {
          exceptions: file.exceptions.map(({ rule, step, output, cook, from, to, text }) =>
            withoutGaps({ rule, step, output, cook, from: at(from), to: at(to), text: text ?? "" } as PlanException),
          ),
        }
      : {}),
    ...(file.gone?.length ? { gone: file.gone.map((g) => ({ output: g.output, since: at(g.since) })) } : {}),
  };
}

/** The plan as a file: instants with the zone's offset, fields in a fixed order. */
export function planToFile(plan: Plan, zone: Zone): PlanFile {
  const at = (minute: number) => zone.toInstant(minute);
  return {
    format: "rondeau-plan/1",
    dish: plan.dish,
    status: "feasible",
    style: plan.style,
    planAt: plan.planAt,
    now: at(plan.now),
    seed: plan.seed,
    serveAt: at(plan.serveAt),
    leadMinutes: plan.leadMinutes,
    boundMinutes: plan.boundMinutes,
    ...(plan.boundRegret === undefined ? {} : { boundRegret: plan.boundRegret }),
    regret: plan.regret,
    methods: plan.methods,
    fallbacks: plan.fallbacks.map((f) => ({ component: f.component, decidedAt: at(f.decidedAt), readyAt: at(f.readyAt) })),
    steps: plan.steps.map((s) => ({
      step: s.step,
      start: at(s.start),
      end: at(s.end),
      minutes: s.minutes,
      ...(s.shortenedFrom === undefined ? {} : { shortenedFrom: s.shortenedFrom }),
      ...(s.again ? { again: s.again } : {}),
      pieces: s.pieces.map(([a, b]): [string, string] => [at(a), at(b)]),
      hands: s.hands.map((h) => ({ cook: h.cook, from: at(h.from), to: at(h.to) })),
      rounds: s.rounds.map((r) => ({ at: at(r.at), tend: r.tend })),
      equipment: s.equipment.map((e) => ({
        use: e.use,
        id: e.id,
        from: at(e.from),
        to: at(e.to),
        ...(e.count > 1 ? { count: e.count } : {}),
      })),
    })),
    holds: plan.holds.map((h) => ({
      output: h.output,
      taker: h.taker,
      hold: h.hold,
      place: h.place,
      from: at(h.from),
      to: at(h.to),
      state: h.state,
    })),
    settings: plan.settings.map((s) => ({ id: s.id, tempC: s.tempC, mode: s.mode, from: at(s.from), to: at(s.to) })),
    ...(plan.exceptions?.length ? { exceptions: plan.exceptions.map((e) => ({ ...e, from: at(e.from), to: at(e.to) })) } : {}),
    ...(plan.gone?.length ? { gone: plan.gone.map((g) => ({ output: g.output, since: at(g.since) })) } : {}),
  };
}

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

const withoutGaps = <T extends object>(entry: T): T =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as T;
