// Can I still make it? The earliest serving from now, the latest start for a serving, and what a choice of methods buys: how little
// lead it needs, at what loss of quality and for how many minutes of hands.
import type { Dish } from "../dish/model";
import { choicesOfMethods } from "./choices";
import { compile } from "./compile";
import { type PlanOptions, planDish, planningNow } from "./index";
import { EMPTY_LOG, withWishes } from "./log";
import { endOf } from "./model";
import { gainingCycle, longestPathTo } from "./network";
import type { Plan } from "./plan";

export interface Choice {
  readonly methods: Readonly<Record<string, string>>;
  readonly leadMinutes: number;
  /** Sum of 1 − quality over the components; 0 where each has its best method. */
  readonly lostQuality: number;
  readonly handsMinutes: number;
}

export interface Reach {
  /** The first quarter hour at which it can be at the table, begun now; undefined where not within three weeks. */
  readonly earliestServing: number | undefined;
  /** The latest start that was found for the serving asked, and the bound that no plan can beat; undefined where there is no plan. */
  readonly latestStart: { readonly found: number; readonly bound: number } | undefined;
  /** Choices of methods that no other beats in lead, quality and hands together, the best quality first. */
  readonly choices: readonly Choice[];
}

const QUARTER = 15;
const FARTHEST = 21 * 1440;
const PROBE = { rounds: 0, conflicts: 600, onProgress: undefined } as const;

/** @param options as for a plan; `now` is the moment asked about */
export function reachOf(dish: Dish, options: PlanOptions = {}): Reach {
  const now = planningNow(dish, options);
  const serveAt = options.serveAt ?? dish.serveAt;
  return {
    // Where the table is to be is the question: what is held at an hour of the old table is not held here.
    earliestServing: earliestServing({ ...dish, wishes: { ...dish.wishes, pins: [] } }, options, now, serveAt),
    latestStart: latestStart(dish, options, serveAt),
    choices: frontier(dish, options),
  };
}

/**
 * The least lead that any choice of methods can do with, by links and waits alone, in minutes. With a log, only that of what is still to come.
 * A quick bound to leave out what is hopeless; 0 where nothing compiles.
 */
export function leastLead(dish: Dish, options: PlanOptions): number {
  const log = withWishes(dish, options.log ?? EMPTY_LOG);
  if (log.events.size) return 0;
  const serveAt = options.serveAt ?? dish.serveAt;
  let least = Number.POSITIVE_INFINITY;
  const choices = choicesOfMethods(dish, { ...options, log });
  for (const methods of choices.complete ? choices.list : []) {
    const compiled = compile({
      dish,
      now: serveAt - 60 * 1440,
      serveAt,
      planAt: options.planAt ?? dish.wishes.planAt ?? "cautious",
      methods,
      log,
    });
    if (compiled.status === "impossible") continue;
    const { model } = compiled;
    const serve = model.lastOf.get(dish.serve);
    const variables = 2 * model.activities.length;
    if (serve !== undefined && !gainingCycle(variables, model.lags))
      least = Math.min(least, longestPathTo(endOf(serve), variables, model.lags));
  }
  return Number.isFinite(least) ? least : 0;
}

function earliestServing(dish: Dish, options: PlanOptions, now: number, serveAt: number): number | undefined {
  const first = Math.ceil((now + 1) / QUARTER) * QUARTER;
  const at = (quarters: number) => first + quarters * QUARTER;
  const feasible = (quarters: number) => planDish(dish, { ...options, ...PROBE, now, serveAt: at(quarters) }).status === "feasible";
  const last = FARTHEST / QUARTER;
  // Sooner than links and waits alone take is hopeless and need not be asked.
  const hopeless = Math.min(last - 1, Math.max(-1, Math.floor((now + leastLead(dish, options) - first) / QUARTER) - 1));
  let [low, high] = [hopeless, Math.max(1, hopeless + 1)];
  while (!options.stop?.() && !feasible(high)) {
    low = high;
    if (high >= last) {
      // Dated hours (a helper on one afternoon) make some later tables possible and others not: the one asked for is worth a look.
      const asked = Math.floor((serveAt - first) / QUARTER);
      if (asked <= hopeless || asked > last || !feasible(asked)) return undefined;
      [low, high] = [hopeless, asked];
      break;
    }
    high = Math.min(last, Math.ceil(high * 1.6));
  }
  while (high - low > 1 && !options.stop?.()) {
    const middle = (low + high) >> 1;
    if (feasible(middle)) high = middle;
    else low = middle;
  }
  return at(high);
}

function latestStart(dish: Dish, options: PlanOptions, serveAt: number): Reach["latestStart"] {
  const planned = planDish(dish, { ...options, style: "shortest", rounds: options.rounds ?? 60, onProgress: undefined });
  return planned.status === "feasible"
    ? { found: serveAt - planned.plan.leadMinutes, bound: serveAt - planned.plan.boundMinutes }
    : undefined;
}

function frontier(dish: Dish, options: PlanOptions): Choice[] {
  const log = withWishes(dish, options.log ?? EMPTY_LOG);
  const all = choicesOfMethods(dish, { ...options, log }).list.flatMap((methods): Choice[] => {
    const planned = planDish(dish, { ...options, methods, style: "shortest", rounds: 8, conflicts: 600, onProgress: undefined });
    return planned.status === "feasible" ? [choiceOf(dish, planned.plan)] : [];
  });
  const kept = all.filter((a, i) => !all.some((b, j) => j !== i && beats(b, a) && (!beats(a, b) || j < i)));
  return kept.sort((a, b) => a.lostQuality - b.lostQuality || a.leadMinutes - b.leadMinutes);
}

const beats = (a: Choice, b: Choice) =>
  a.leadMinutes <= b.leadMinutes && a.lostQuality <= b.lostQuality + 1e-9 && a.handsMinutes <= b.handsMinutes;

function choiceOf(dish: Dish, plan: Plan): Choice {
  const lost = dish.components.reduce((sum, c) => sum + 1 - (c.methods.find((m) => m.id === plan.methods[c.id])?.quality ?? 1), 0);
  const handsMinutes = plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + h.to - h.from, 0);
  return { methods: plan.methods, leadMinutes: plan.leadMinutes, lostQuality: Number(lost.toFixed(6)), handsMinutes };
}
