// The plan file rondeau-plan/1, read into a plan and written from one.
import { z } from "zod";
import { isInstant, type Zone } from "../time/zone";
import { withoutGaps } from "../without-gaps";
import { EXCEPTION_RULES, PLAN_ATS, type Plan, type PlanException, STYLES } from "./plan";

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
