// Bending before breaking. Where the lengths and rules of a plan leave none, three things are tried, the least first:
//   1. what has begun goes past hours and quality waits (exceptions of the plan, R35), as few minutes as can be;
//   2. single steps are planned shorter, inside the cook's own ranges (R36), as little probability as can be;
//   3. both.
// What has waited too long to be safe is made again, or its stand-in is planned.
// Each try is a plan of its own, by a short search; only where all fail does the long one look.
import { componentOf, type Dish, type Step } from "../dish/model";
import { plannedLength } from "../dish/planned-length";
import { choicesOfMethods } from "./choices";
import { type Lenience, STRICT } from "./compile";
import type { Log } from "./log";
import type { Planned, PlanOptions } from "./options";
import type { Plan } from "./plan";
import { againSteps, goneBy } from "./verify/gone";

type PlanChoices = (dish: Dish, options: PlanOptions) => Planned;

/** Minutes past hours or waits that are tried one after another. */
const PAST = [5, 10, 15, 30, 60, 120, 240, 480, 960, 4000];
/** So far something may go past before shortening a step is tried instead. */
const SMALL_PAST = 30;
/** Conflicts of one try. */
const SHORT_CONFLICTS = 60;
/** Plans tried while the shortened steps are brought back to their full lengths. */
const MOST_RESTORING = 12;
/** Halvings of what something goes past. */
const MOST_HALVINGS = 8;
/** Halvings of the share by which lengths are shortened. */
const HALVINGS = 4;

/** A plan for a dish of which something has begun: it can always be gone on with, as far as bending reaches. */
export function planUnderWay(dish: Dish, options: PlanOptions, log: Log, now: number, plan: PlanChoices): Planned {
  const preferred = choicesOfMethods(dish, { ...options, log }).list[0] ?? {};
  const gone = goneBy(dish, preferred, log, now);
  if (gone.length === 0) return bent(dish, options, plan);
  const again = againSteps(dish, preferred, gone);
  const events = new Map([...log.events].filter(([ref]) => !again.has(ref)));
  const redone = bent(dish, { ...options, log: { ...log, events } }, plan);
  if (redone.status === "feasible")
    return {
      status: "feasible",
      plan: { ...redone.plan, gone, steps: redone.plan.steps.map((s) => (again.has(s.step) ? { ...s, again: true } : s)) },
    };
  // No time to make it again: its stand-in, where it has one.
  const lost = new Set(gone.map((g) => componentOf(g.output)));
  const replaced = dish.components.filter((c) => lost.has(c.id) && c.fallback);
  if (replaced.length === 0) return redone;
  const without = new Map([...log.events].filter(([ref]) => !replaced.some((c) => componentOf(ref) === c.id)));
  const methods = { ...options.methods, ...Object.fromEntries(replaced.map((c) => [c.id, "fallback"])) };
  const planned = bent(dish, { ...options, methods, log: { ...log, events: without } }, plan);
  return planned.status === "feasible" ? { status: "feasible", plan: { ...planned.plan, gone } } : redone;
}

/** A plan as asked, or the one that bends least. */
export function bent(dish: Dish, options: PlanOptions, plan: PlanChoices): Planned {
  const underWay = (options.log?.events.size ?? 0) > 0;
  const followed = options.previous !== undefined || underWay;
  const whole = () => plan(dish, options);
  const strict = followed && !options.quick ? plan(dish, short(options)) : whole();
  if (strict.status === "feasible") return strict;
  const steps = shortenable(dish, options);
  const before = options.exact ? undefined : lengthsOf(options.previous, steps);
  if (before?.size) {
    const planned = plan(dish, { ...short(options), lengths: before });
    if (planned.status === "feasible") return planned;
  }
  if (options.quick) return strict;
  const bend = new Bending(dish, options, plan, steps);
  const found =
    (underWay ? bend.past(SMALL_PAST) : undefined) ??
    (options.exact || !followed ? undefined : bend.shorter(STRICT, true)) ??
    (underWay ? bend.past(Number.POSITIVE_INFINITY) : undefined) ??
    (underWay && !options.exact ? bend.shorter(LOOSE, true) : undefined);
  if (found) return found;
  const long = followed ? whole() : strict;
  if (long.status === "feasible" || options.exact || options.stop?.()) return long;
  return bend.shorter(underWay ? LOOSE : STRICT, false) ?? long;
}

const LOOSE: Lenience = { hours: PAST.at(-1) as number, waits: PAST.at(-1) as number };

/** The same by a short search with the preferred methods. */
const short = (options: PlanOptions): PlanOptions => ({
  ...options,
  quick: true,
  conflicts: Math.min(options.conflicts ?? SHORT_CONFLICTS, SHORT_CONFLICTS),
  firstChoiceOnly: true,
});

/** Steps that may be planned shorter: uncertain, and not yet over. */
function shortenable(dish: Dish, { planAt = "cautious", log, now }: PlanOptions): Shortenable[] {
  return dish.components.flatMap((c) =>
    c.methods.flatMap((m) =>
      m.steps.flatMap((step): Shortenable[] => {
        const event = log?.events.get(step.ref);
        const full = plannedLength(step.time, planAt, step.k, step.grows);
        const least = plannedLength({ ...step.time, likely: step.time.min }, "likely", step.k, step.grows);
        if (least >= full || event?.ended !== undefined || event?.estimate !== undefined || event?.pieces) return [];
        // One that runs already ends not before now.
        const ran = event ? Math.ceil(((now ?? event.started) - event.started) / step.batches) : 0;
        return Math.max(least, ran) < full ? [{ step, full, least: Math.max(least, ran) }] : [];
      }),
    ),
  );
}

interface Shortenable {
  readonly step: Step;
  readonly full: number;
  readonly least: number;
}

/** The shorter lengths of a plan that was followed, as far as they may still be. */
function lengthsOf(previous: Plan | undefined, steps: readonly Shortenable[]): ReadonlyMap<string, number> | undefined {
  if (!previous) return undefined;
  const known = new Map(steps.map((s) => [s.step.ref, s]));
  return new Map(
    previous.steps.flatMap((s) => {
      const may = known.get(s.step);
      if (s.shortenedFrom === undefined || !may) return [];
      const one = Math.max(may.least, Math.round(s.minutes / may.step.batches));
      return one < may.full ? [[s.step, one] as const] : [];
    }),
  );
}

class Bending {
  constructor(
    readonly dish: Dish,
    readonly options: PlanOptions,
    readonly plan: PlanChoices,
    readonly steps: readonly Shortenable[],
  ) {}

  #try(more: Partial<PlanOptions>, quick: boolean): Planned | undefined {
    if (this.options.stop?.()) return undefined;
    const options = quick ? short(this.options) : { ...this.options, firstChoiceOnly: true };
    const planned = this.plan(this.dish, { ...options, ...more });
    return planned.status === "feasible" ? planned : undefined;
  }

  /** What has begun goes past hours and waits, by no more than so many minutes and as few of them as can be. */
  past(most: number): Planned | undefined {
    const allowed = PAST.filter((minutes) => minutes <= most);
    const by = (hours: number, waits: number) => this.#try({ lenience: { hours, waits } }, true);
    const all = allowed.at(-1) as number;
    let best = by(all, all);
    if (!best) return undefined;
    let least = all;
    let low = 0;
    for (const minutes of allowed.slice(0, -1)) {
      const planned = by(minutes, minutes);
      if (!planned) {
        low = minutes;
        continue;
      }
      [best, least] = [planned, minutes];
      break;
    }
    // To the minute: nobody stays up longer than it takes.
    for (let i = 0; i < MOST_HALVINGS && least - low > 1; i++) {
      const middle = (low + least) >> 1;
      const planned = by(middle, middle);
      if (planned) [best, least] = [planned, middle];
      else low = middle;
    }
    return by(0, least) ?? by(least, 0) ?? best;
  }

  /** Steps are planned shorter: first all of them by the least share that gives a plan, then as many as can be at their full length again. */
  shorter(lenience: Lenience, quick: boolean): Planned | undefined {
    if (this.steps.length === 0) return undefined;
    const by = (lengths: ReadonlyMap<string, number>, hurried = true) =>
      lengths.size ? this.#try({ lengths, lenience }, hurried) : undefined;
    let high = 1;
    let lengths = this.#shortenedBy(1);
    let best = by(lengths, quick);
    if (!best) return undefined;
    for (let i = 0, low = 0; i < HALVINGS; i++) {
      const middle = (low + high) / 2;
      const shorter = this.#shortenedBy(middle);
      const planned = by(shorter);
      if (planned) [best, lengths, high] = [planned, shorter, middle];
      else low = middle;
    }
    let tries = 0;
    const restore = (refs: readonly string[]): void => {
      if (refs.length === 0 || tries++ >= MOST_RESTORING) return;
      const fewer = new Map([...lengths].filter(([ref]) => !refs.includes(ref)));
      const planned = by(fewer);
      if (planned) [best, lengths] = [planned, fewer];
      else if (refs.length > 1) {
        const half = refs.length >> 1;
        restore(refs.slice(half));
        restore(refs.slice(0, half));
      }
    };
    // What comes last is let go first: what decides is most often near.
    const start = new Map(this.options.previous?.steps.map((s) => [s.step, s.start]));
    restore([...lengths.keys()].sort((a, b) => (start.get(a) ?? 0) - (start.get(b) ?? 0)));
    return best;
  }

  /** All steps that may be, shortened by a share of the way to their least length. */
  #shortenedBy(share: number): Map<string, number> {
    return new Map(
      this.steps.flatMap(({ step, full, least }) => {
        const one = Math.ceil(full - share * (full - least) - 1e-9);
        return one < full ? [[step.ref, Math.max(one, least)] as const] : [];
      }),
    );
  }
}
