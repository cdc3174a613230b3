// Improvement: large neighbourhoods. Part of a plan is freed and put elsewhere, the rest stays; what is cheaper and passes the verifier
// is kept. Half the rounds look at a place that costs something (spots.ts), the others anywhere.
import { componentOf } from "../dish/model";
import { type Random, seededRandom } from "../random";
import { extractPlan, type PlanFrame } from "./extract";
import type { Model } from "./model";
import type { PlanOptions } from "./options";
import type { Plan } from "./plan";
import type { Placement } from "./resources/commitments";
import type { Guide, Search } from "./search";
import { costlySpots, type Spot } from "./spots";

export const DEFAULT_ROUNDS = 120;
/** Share of the rounds that look at a place that costs something. */
const SHARE_OF_SPOTS = 0.5;
/** Conflicts spent on one round. */
const CONFLICTS_A_ROUND = 40;

/** The starts of a plan as wishes for the next. */
export function guideFrom(model: Model, previous: Plan | undefined): Guide {
  const starts = new Map<number, number>();
  const before = new Map(previous?.steps.map((s) => [s.step, s]));
  for (const activity of model.activities) {
    const planned = before.get(activity.step.ref);
    const start = activity.step.each ? planned?.pieces[activity.batch]?.[0] : planned?.start;
    if (start !== undefined) starts.set(activity.index, start);
  }
  return { starts };
}

/** A plan as placements of the activities: minutes, pieces, and who does which part. */
export function placementsFrom(model: Model, plan: Plan): Map<number, Placement> {
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const cookOf = new Map(model.dish.cooks.map((c, i) => [c.id, i]));
  const placements = new Map<number, Placement>();
  for (const activity of model.activities) {
    const step = planned.get(activity.step.ref);
    if (!step) continue;
    const piece = activity.step.each ? step.pieces[activity.batch] : undefined;
    const [start, end] = piece ?? [step.start, step.end];
    const pieces = activity.minPiece === undefined ? [[start, end] as const] : step.pieces;
    const wishedCooks = activity.parts.map((part) => {
      const from = part.atEnd ? end - part.minutes : start + part.offset;
      return cookOf.get(step.hands.find((h) => h.from <= from && from < h.to)?.cook ?? "");
    });
    const cook = activity.minPiece === undefined ? undefined : cookOf.get(step.hands[0]?.cook ?? "");
    placements.set(activity.index, { start, end, pieces, wishedCooks, ...(cook === undefined ? {} : { cook }) });
  }
  return placements;
}

/** What every improvement works with: where it places, what it checks, when it stops. */
export interface Scene {
  readonly model: Model;
  readonly search: Search;
  readonly frame: PlanFrame;
  /** The plan as it may stand, with the exceptions that it needs; undefined where it breaks a rule. */
  readonly check: (plan: Plan) => Plan | undefined;
  readonly stop: () => boolean;
}

interface Improving extends Scene {
  readonly options: PlanOptions;
}

/** A move weighs so many minutes of regret. */
const MOVES_FIRST = 1000;

const pickOne = <T>(list: readonly T[], random: Random): T | undefined => list[Math.floor(random() * list.length)];

/** What is freed about a spot, and what moves with it: its own steps, or half the time all work of that stretch of the day. */
function aroundSpot(spot: Spot, movable: Model["activities"], plan: Plan, random: Random): { free: Set<number>; moved: Set<string> } {
  const own = plan.steps.filter((s) => spot.move.includes(s.step));
  const from = Math.min(...own.map((s) => s.start)) + Math.min(0, spot.by) - 60;
  const to = Math.max(...own.map((s) => s.end)) + 60;
  const wide = random() < 0.5;
  const together = wide && random() < 0.6;
  const about = new Set(plan.steps.filter((s) => s.hands.length > 0 && s.end > from && s.start < to).map((s) => s.step));
  const free = movable.filter(
    (a) => spot.components.includes(componentOf(a.step.ref)) || spot.move.includes(a.step.ref) || (wide && about.has(a.step.ref)),
  );
  return { free: new Set(free.map((a) => a.index)), moved: new Set(together ? [...spot.move, ...about] : spot.move) };
}

/** A plan at least as good as the one given, near `options.previous` where there is one. */
export function improve(start: Plan, { model, search, options, frame, check, stop }: Improving): Plan {
  const random = seededRandom(frame.seed + 7);
  const rounds = options.rounds ?? DEFAULT_ROUNDS;
  const movable = model.activities.filter((a) => !a.fact && a.step.ref !== "");
  if (movable.length === 0) return start;
  // Near a plan that is followed the fewest moves come first; what they cost in regret only parts equals.
  const worth = (plan: Plan) => plan.regret.total + MOVES_FIRST * movedCost(plan, options.previous);
  let best = start;
  let bestWorth = worth(start);
  for (let round = 0; round < rounds && !stop(); round++) {
    if (round % 10 === 0)
      options.onProgress?.({ phase: "improving", done: round / rounds, leadMinutes: best.leadMinutes, regret: best.regret.total });
    const current = guideFrom(model, best).starts;
    const spot = random() < SHARE_OF_SPOTS ? pickOne(costlySpots(best, model.dish, model.inForce), random) : undefined;
    const { free, moved } = spot
      ? aroundSpot(spot, movable, best, random)
      : { free: neighbourhood(movable, best, random), moved: new Set<string>() };
    const starts = new Map<number, number>();
    const frozen = new Set<number>();
    const kind = random();
    for (const activity of model.activities) {
      const at = current.get(activity.index);
      if (at === undefined) continue;
      if (!free.has(activity.index)) {
        starts.set(activity.index, at);
        if (activity.minPiece === undefined) frozen.add(activity.index);
      } else if (moved.has(activity.step.ref)) starts.set(activity.index, at + (spot?.by ?? 0));
      else if (kind < 0.5) {
        // Half the rounds try somewhere else, most often near; the other half let the free steps go as late as they can.
        const reach = random() < 0.5 ? 240 : 2880;
        starts.set(activity.index, spot ? at : Math.round(at + (random() * 2 - 1) * reach));
      }
    }
    const found = search.run(CONFLICTS_A_ROUND, { starts, frozen }, stop);
    if (found.status === "none") continue;
    const plan = extractPlan(model, search.engine, frame);
    if (!plan) continue;
    const cost = worth(plan);
    const held = cost < bestWorth - 1e-9 ? check(plan) : undefined;
    if (!held || (held.exceptions?.length ?? 0) > (best.exceptions?.length ?? 0)) continue;
    best = held;
    bestWorth = cost;
  }
  return best;
}

/** Each step that moves costs 1 and an hour's worth for each hour, so that a new plan stays near the one that the cook knows. */
function movedCost(plan: Plan, previous: Plan | undefined): number {
  if (!previous) return 0;
  const before = new Map(previous.steps.map((s) => [s.step, s.start]));
  return plan.steps.reduce((sum, s) => {
    const was = before.get(s.step);
    return was === undefined || was === s.start ? sum : sum + 1 + Math.abs(s.start - was) / 60;
  }, 0);
}

/** Activities to free: a component, a stretch of time, or some at random. */
export function neighbourhood(movable: Model["activities"], plan: Plan, random: Random): Set<number> {
  const pick = pickOne(movable, random) as Model["activities"][number];
  const kind = random();
  const share = Math.min(0.9, 0.1 + 4 / movable.length);
  if (kind < 0.35) {
    const component = componentOf(pick.step.ref);
    const other = pickOne(movable, random) ?? pick;
    const also = random() < 0.5 ? componentOf(other.step.ref) : component;
    return new Set(movable.filter((a) => [component, also].includes(componentOf(a.step.ref))).map((a) => a.index));
  }
  if (kind < 0.75) {
    const at = plan.steps.find((s) => s.step === pick.step.ref)?.start ?? plan.serveAt;
    const width = 180 + random() * 1440;
    const inside = new Set(plan.steps.filter((s) => s.end > at - width / 2 && s.start < at + width / 2).map((s) => s.step));
    return new Set(movable.filter((a) => inside.has(a.step.ref)).map((a) => a.index));
  }
  return new Set(movable.filter((a) => a === pick || random() < share).map((a) => a.index));
}
