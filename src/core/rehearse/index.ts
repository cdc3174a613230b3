// Rehearsal is execution: a plan followed press by press on a simulated clock, with lengths drawn from the dish's own spreads, and the
// real re-plan at each press that the plan does not bear. Where there is none, the first way out is taken, as a cook would.
import type { Dish, Step } from "../dish/model";
import { applyPatch } from "../dish/patch";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { EMPTY_LOG, type Log, type Plan, type PlanException, type Planned, type PlanOptions, planDish } from "../planner";
import {
  FOLLOW,
  FORGOTTEN_MINUTES,
  lateDayOf,
  leastMinutes,
  mayBeTaken,
  nextPress,
  type Policy,
  type Press,
  pressed,
  trueMinutes,
} from "../planner/policy";
import { type WayOn, waysOn, withoutComponent } from "../planner/ways-on";
import { seededRandom } from "../random";
import { heatOnAt } from "../record/heat-on";
import { thermometers } from "./thermometers";

interface RehearsalOptions {
  readonly runs: number;
  readonly seed?: number | undefined;
  readonly policy?: Policy | undefined;
  /** What has happened already, for a plan under way. */
  readonly log?: Log | undefined;
  readonly onRun?: ((run: Run, index: number) => void) | undefined;
  readonly stop?: (() => boolean) | undefined;
  /** Told of each re-plan: what was pressed when, and the plan that came of it. */
  readonly onReplan?: ((press: Press, now: number, answer: Planned, log: Log) => void) | undefined;
  /** Told of each press, with the minute at which it is made. */
  readonly onPress?: ((press: Press, now: number) => void) | undefined;
  /** What the cook decides who rehearses. Without it the first way on is taken each time. */
  readonly decided?: Decided | undefined;
  /** A clock, for figures of speed only. */
  readonly clock?: (() => number) | undefined;
}

/** Choices of the cook, as far as they have been made. */
interface Decided {
  /** Minutes that a step is begun after its planned start. */
  readonly late: ReadonlyMap<string, number>;
  /** Which of the ways on was taken at each point that had no plan left, from 0. Where one more is needed the run stops and asks. */
  readonly ways: readonly number[];
}

/** A point at which there is no plan left: what can be done, in the order in which it is offered. */
export interface Asked {
  readonly at: number;
  /** The step whose press left none. */
  readonly step: string;
  readonly ways: readonly {
    readonly kind: WayOn["kind"];
    readonly text: string;
    /** Minutes that the table is served after the hour of the plan that is rehearsed. */
    readonly lateMinutes: number;
  }[];
}

/** One run, followed to the table. */
export interface Run {
  /** Minutes after the moment of serving; negative where it is early. Undefined: it ended with neither a plan nor a way out. */
  readonly lateMinutes: number | undefined;
  /** Minutes for which everything stood ready before it was served; 0 where serving waited for something. */
  readonly spareMinutes: number;
  readonly exceptions: number;
  /** Re-plans that moved a step which had not begun by more than five minutes. */
  readonly moves: number;
  readonly replans: number;
  /** Milliseconds of each re-plan, where a clock was given. */
  readonly replanMs: readonly number[];
  /** The step whose press had to move the serving first. */
  readonly decidedBy: string | undefined;
  readonly safetyBroken: boolean;
  /** Rounds that were called and not done. */
  readonly missed: readonly { readonly step: string; readonly what: string; readonly at: number }[];
  /** What was done where there was no plan, by kind. */
  readonly repairs: readonly string[];
  /** The cook has to choose here, and has not yet. */
  readonly asked?: Asked;
  /** The dish, the plan and the log as they stood at its end. */
  readonly end: { readonly file: DishFile; readonly plan: Plan; readonly log: Log };
  /** Every exception that a plan of it had, once. */
  readonly broken: readonly PlanException[];
}

/** The seed of a run among many. */
export const runSeed = (seed: number, index: number): number => seed + index * 7919;

interface Rehearsal {
  readonly runs: number;
  readonly onTime: number;
  readonly within15: number;
  readonly within60: number;
  readonly none: number;
  readonly exceptionsPerRun: number;
  readonly movesPerRun: { readonly p50: number; readonly p90: number };
  readonly decided: readonly { readonly step: string; readonly share: number }[];
  readonly safetyBroken: number;
  readonly replanMs: { readonly p50: number; readonly p95: number };
}

/** Presses of one run at most: a bound on the loop, far above what a dish of 5,000 steps asks. */
const MOST_PRESSES = 40_000;
/** A step that moves by no more is not called moved. */
const SMALL_MOVE_MINUTES = 5;
/** So many ways on a cook is asked to choose between. */
const MOST_WAYS = 3;
/** Sets what is remembered apart from what is drawn for the lengths. */
const MEMORY = 104_729;
const PROBES = 224_737;
/** Conflicts that a re-plan may spend on one choice of methods. */
const CONFLICTS = 300;

/** Runs of a plan, followed by the policy. The same plan, seed and policy give the same runs. */
export function rehearse(document: DishFile, plan: Plan, options: RehearsalOptions): Rehearsal {
  const seed = options.seed ?? 1;
  const runs: Run[] = [];
  for (let i = 0; i < options.runs && !options.stop?.(); i++) {
    const run = followOnce(document, plan, { ...options, seed: runSeed(seed, i) });
    runs.push(run);
    options.onRun?.(run, i);
  }
  return summary(runs);
}

/** Figures over some runs. */
export function summary(runs: readonly Run[]): Rehearsal {
  const count = Math.max(1, runs.length);
  const share = (holds: (run: Run) => boolean) => runs.filter(holds).length / count;
  const lateBy = (most: number) => share((r) => r.lateMinutes !== undefined && r.lateMinutes <= most);
  const decided = new Map<string, number>();
  for (const run of runs) if (run.decidedBy) decided.set(run.decidedBy, (decided.get(run.decidedBy) ?? 0) + 1);
  const moves = runs.map((r) => r.moves).sort((a, b) => a - b);
  const ms = runs.flatMap((r) => r.replanMs).sort((a, b) => a - b);
  const at = (list: readonly number[], q: number) => list[Math.min(list.length - 1, Math.floor(q * list.length))] ?? 0;
  return {
    runs: runs.length,
    onTime: lateBy(0),
    within15: lateBy(15),
    within60: lateBy(60),
    none: share((r) => r.lateMinutes === undefined),
    exceptionsPerRun: runs.reduce((sum, r) => sum + r.exceptions, 0) / count,
    movesPerRun: { p50: at(moves, 0.5), p90: at(moves, 0.9) },
    decided: [...decided].map(([step, n]) => ({ step, share: n / count })).sort((a, b) => b.share - a.share),
    safetyBroken: share((r) => r.safetyBroken),
    replanMs: { p50: at(ms, 0.5), p95: at(ms, 0.95) },
  };
}

/** One run from where the log stands to the last serving. */
export function followOnce(document: DishFile, start: Plan, options: Omit<RehearsalOptions, "runs" | "onRun">): Run {
  const random = seededRandom(options.seed ?? 1);
  const policy = options.policy ?? FOLLOW;
  let file = document;
  let dish = dishModel(document);
  let plan = start;
  let log: Log = options.log ?? EMPTY_LOG;
  let { now } = start;
  const allSteps = (d: Dish) =>
    new Map(d.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s): [string, Step] => [s.ref, s]))));
  let steps = allSteps(dish);
  // Drawn for every step there is, so that another way of making something changes no other length.
  const truth = new Map([...steps.values()].map((s) => [s.ref, trueMinutes(s, random(), policy)]));
  const forecasts = policy.probe ? thermometers(steps, truth, (options.seed ?? 1) + PROBES) : undefined;
  const lateDay = lateDayOf(plan, (m) => dish.zone.dayNumber(m), random);
  const forgets = new Map([...steps.keys()].map((ref) => [ref, random() < policy.forget]));
  const due = [{ step: dish.serve, at: start.serveAt }, ...dish.courses.map((c) => ({ step: c.serve, at: start.serveAt + c.after }))];
  const told = new Set<string>();
  const result = {
    exceptions: 0,
    moves: 0,
    replans: 0,
    replanMs: [] as number[],
    decidedBy: undefined as string | undefined,
    safetyBroken: false,
    missed: [] as { step: string; what: string; at: number }[],
    repairs: [] as string[],
    broken: [] as PlanException[],
  };
  const asItStands = (lateMinutes: number | undefined): Run => ({
    ...result,
    lateMinutes,
    spareMinutes: spareBefore(dish.serve, log),
    end: { file, plan, log },
  });
  // Drawn apart from the lengths, so that a forgotten round changes none of them.
  const memory = seededRandom((options.seed ?? 1) + MEMORY);
  const missRounds = (ref: string, until: number) => {
    if (policy.missRounds === 0) return;
    for (const { at, tend } of plan.steps.find((s) => s.step === ref)?.rounds ?? []) {
      const what = steps.get(ref)?.tends[tend]?.what;
      if (at <= until && memory() < policy.missRounds) result.missed.push({ step: ref, what: what ?? "", at });
    }
  };
  // What nobody is there for begins when somebody is; from then on the plan made anew says when.
  const arrives = new Map<string, number>();
  const delayed = new Set<string>();
  // The plan from before the first of the steps that run late now, to go back to when they are over.
  let baseline: Plan | undefined;
  const late = new Set<string>();
  let asked = 0;
  for (let presses = 0; presses < MOST_PRESSES; presses++) {
    if (options.stop?.()) return asItStands(undefined);
    const press = nextPress({
      plan,
      log,
      now,
      steps,
      truth,
      forecasts,
      gets: (planned) => arrives.get(planned.step) ?? planned.start,
    });
    if (!press) break;
    // A cook who comes late finds out at the first thing to begin, and the plan is made anew from there.
    if (press.kind === "started" && !delayed.has(press.step)) {
      const wait = Math.max(lateness(press, plan, dish, policy, lateDay, forgets), options.decided?.late.get(press.step) ?? 0);
      if (wait > 0) {
        delayed.add(press.step);
        for (const s of plan.steps)
          if (!log.events.has(s.step) && s.hands.length && s.start < press.at + wait && s.start >= press.at)
            arrives.set(s.step, press.at + wait);
        arrives.set(press.step, press.at + wait);
        continue;
      }
    }
    now = Math.max(now, press.at);
    if (press.kind === "started" && arrives.has(press.step)) arrives.clear();
    log = { ...pressed(log, { ...press, at: now }, steps.get(press.step)?.minPiece !== undefined), heat: heatOnAt(dish, plan, now) };
    options.onPress?.(press, now);
    if (press.kind === "ended") missRounds(press.step, now);
    // A thermometer may say that it is over sooner: nothing runs late then.
    if (press.kind === "estimate" && press.until > (plan.steps.find((s) => s.step === press.step)?.end ?? 0)) {
      baseline ??= plan;
      late.add(press.step);
    }
    const over = press.kind === "ended" && late.delete(press.step);
    if (asPlanned(press, plan) && !over) continue;
    const began = options.clock?.() ?? 0;
    for (const replaced of Object.keys(plan.methods).filter((c) => plan.methods[c] === "fallback")) log = withoutComponent(log, replaced);
    const back = over ? (baseline ?? plan) : undefined;
    // Where the table was put off for what is over now, the hour that the guests know comes first.
    if (back && plan.serveAt > back.serveAt) {
      const undone = applyPatch(file, [{ op: "replace", path: "/dish/serveAt", value: dish.zone.toWallInstant(back.serveAt) }]) as DishFile;
      if (planDish(dishModel(undone), { ...optionsFor(back, now, log), quick: true }).status === "feasible") {
        file = undone;
        dish = dishModel(file);
        steps = allSteps(dish);
        plan = back;
      }
    }
    let answer: Planned = planDish(dish, { ...optionsFor(plan, now, log), baseline: back?.serveAt === plan.serveAt ? back : undefined });
    if (over && late.size === 0) baseline = undefined;
    // What may be taken as it is gets more time only where nothing else has to give way for it.
    if (
      press.kind === "estimate" &&
      takesAsItIs(press.step, steps, log, now) &&
      (answer.status === "infeasible" || shortened(answer.plan) > shortened(plan))
    ) {
      const taken = pressed(log, { kind: "ended", step: press.step, at: now }, false);
      const without = planDish(dish, { ...optionsFor(plan, now, taken), baseline });
      if (without.status === "feasible" && shortened(without.plan) <= shortened(plan)) {
        answer = without;
        log = taken;
        late.delete(press.step);
        truth.set(press.step, now - (log.events.get(press.step)?.started ?? now));
        result.repairs.push("take-now");
      }
    }
    let planned = answer.status === "feasible" ? answer.plan : undefined;
    if (!planned) {
      result.decidedBy ??= press.step;
      const ways = waysOn(file, optionsFor(plan, now, log), options.decided ? MOST_WAYS : 1);
      const chosen = options.decided ? options.decided.ways[asked++] : 0;
      const way = ways[chosen ?? 0];
      if (!way || chosen === undefined) {
        options.onReplan?.(press, now, answer, log);
        const told = ways.map((w) => ({ kind: w.kind, text: w.text, lateMinutes: w.plan.serveAt - start.serveAt }));
        return { ...asItStands(undefined), ...(way ? { asked: { at: now, step: press.step, ways: told } } : {}) };
      }
      result.repairs.push(way.kind);
      file = applyPatch(file, way.change) as DishFile;
      dish = dishModel(file);
      steps = allSteps(dish);
      planned = way.plan;
      if (way.press !== undefined) {
        log = pressed(log, { kind: "ended", step: way.press, at: now }, false);
        truth.set(way.press, now - (log.events.get(way.press)?.started ?? now));
      }
      if (way.replaced !== undefined) log = withoutComponent(log, way.replaced);
    }
    if (options.clock) result.replanMs.push(options.clock() - began);
    result.replans++;
    options.onReplan?.(press, now, { status: "feasible", plan: planned }, log);
    if (hasMoved(plan, planned, log)) result.moves++;
    for (const e of planned.exceptions ?? []) {
      const key = `${e.rule} ${e.step ?? e.output} ${e.cook ?? ""}`;
      if (told.has(key)) continue;
      told.add(key);
      result.exceptions++;
      result.broken.push(e);
    }
    if (planned.gone?.length) result.safetyBroken = true;
    plan = planned;
  }
  const after = due.map(({ step, at }) => {
    const ended = log.events.get(step)?.ended;
    return ended === undefined ? Number.POSITIVE_INFINITY : ended - at;
  });
  const lateMinutes = Math.max(...after);
  return asItStands(Number.isFinite(lateMinutes) ? lateMinutes : undefined);
}

/** From the end of the last step before a serving step to its start. */
function spareBefore(serve: string, log: Log): number {
  const started = log.events.get(serve)?.started;
  if (started === undefined) return 0;
  const before = [...log.events].flatMap(([ref, e]) => (ref !== serve && e.ended !== undefined && e.started < started ? [e.ended] : []));
  return before.length ? Math.max(0, started - Math.max(...before)) : 0;
}

const optionsFor = (plan: Plan, now: number, log: Log): PlanOptions => ({
  now,
  log,
  previous: plan,
  style: plan.style,
  planAt: plan.planAt,
  seed: plan.seed,
  rounds: 0,
  conflicts: CONFLICTS,
});

const shortened = (plan: Plan) => plan.steps.filter((s) => s.shortenedFrom !== undefined).length;

/** It runs, its length is a range, and it has had the least of it. */
function takesAsItIs(ref: string, steps: ReadonlyMap<string, Step>, log: Log, now: number): boolean {
  const step = steps.get(ref);
  const event = log.events.get(ref);
  return step !== undefined && event !== undefined && mayBeTaken(step) && now - event.started >= leastMinutes(step);
}

/** How much later than told a start is made. */
function lateness(press: Press, plan: Plan, dish: Dish, policy: Policy, lateDay: number, forgets: ReadonlyMap<string, boolean>): number {
  const planned = plan.steps.find((s) => s.step === press.step);
  if (!planned?.hands.length) return 0;
  const onLateDay = policy.lateMinutes > 0 && dish.zone.dayNumber(press.at) === lateDay;
  const first = onLateDay && !plan.steps.some((s) => s.hands.length && s.start < planned.start && dish.zone.dayNumber(s.start) === lateDay);
  return Math.max(first ? policy.lateMinutes : 0, forgets.get(press.step) ? FORGOTTEN_MINUTES : 0);
}

/** A press that the plan has exactly so changes nothing. */
function asPlanned(press: Press, plan: Plan): boolean {
  const planned = plan.steps.find((s) => s.step === press.step);
  if (!planned) return false;
  if (press.kind === "started") return press.at === planned.start;
  if (press.kind === "ended") return press.at === planned.end;
  if (press.kind === "put-down") return planned.pieces.some(([, b]) => b === press.at);
  if (press.kind === "taken-up") return planned.pieces.some(([a]) => a === press.at);
  return false;
}

/** Whether some step that has not begun stands more than a few minutes from where the cook was told. */
function hasMoved(before: Plan, after: Plan, log: Log): boolean {
  const was = new Map(before.steps.map((s) => [s.step, s.start]));
  return after.steps.some((s) => !log.events.has(s.step) && Math.abs((was.get(s.step) ?? s.start) - s.start) > SMALL_MOVE_MINUTES);
}
