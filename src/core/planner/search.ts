// Search: latest-first commitment with restarts, then improvement by large neighbourhoods.
// Backwards from serving, the activity that can end last is put as late as it can stand. What fails is moved up in the order
// at the next restart (as a squeaky wheel is greased), so that tight steps choose before loose ones.
// Budgets are counted in conflicts and rounds, never in clock time; the clock can only stop the search.
// Sources: Schutt et al. 2013 (generation order); Joslin and Clements 1999 (squeaky wheels); Godard, Laborie and Nuijten 2005 (neighbourhoods).

import type { Random } from "../random";
import { earliestAtOrAfter, type Interval, intersect, latestAtOrBefore, subtract } from "../time/interval";
import { Engine } from "./engine";
import { type Activity, endOf, type Model, startOf } from "./model";
import type { Placement } from "./resources/commitments";

/** Starts and ends of all activities, and who does which part where several may. */
export interface Solution {
  readonly starts: readonly number[];
  readonly ends: readonly number[];
  readonly cooks: ReadonlyMap<number, readonly (number | undefined)[]>;
  /** Pieces of split activities, where they were cut. */
  readonly pieces: ReadonlyMap<number, readonly Interval[]>;
}

/** A split step that nobody has cut yet: it takes what the others leave. */
const isLoose = (a: Activity, solution: Solution) => a.minPiece !== undefined && !solution.pieces.has(a.index);
const endIn = (solution: Solution, activity: Activity) => solution.ends[activity.index] as number;

export interface Guide {
  /** Starts that are wished for, by activity; tried first, then the nearest. */
  readonly starts: ReadonlyMap<number, number>;
  /** Only the wished-for starts may be used for these. */
  readonly frozen?: ReadonlySet<number>;
}

export type Found =
  | { readonly status: "found"; readonly engine: Engine; readonly conflicts: number }
  /** `proved`: the network with its calendars has no solution; else the budget ran out. `activity` and `rule` failed most. */
  | { readonly status: "none"; readonly proved: boolean; readonly activity: number; readonly rule: string; readonly conflicts: number };

interface Frame {
  readonly activity: Activity;
  readonly mark: number;
  readonly candidates: Iterator<Placement, void, number | undefined>;
  hint: number | undefined;
}

/** With no more room than this, an activity is placed before the order has its say. */
const TIGHT_ROOM_MINUTES = 90;
/** Starts that are tried before a decision is given up. */
const MOST_TRIES = 14;
const BACKWARD_STEPS = [1, 4, 5, 5, 10, 15, 30, 60, 60, 120, 240, 480, 720];

export class Search {
  readonly engine: Engine;
  readonly #bonus: Float64Array;
  readonly #failures = new Map<string, number>();
  /** Starts tried for one activity before it is given up; more of them, and less evenly spaced, with each restart. */
  #tries = MOST_TRIES;
  #restart = 0;
  #rootMark = 0;

  constructor(
    readonly model: Model,
    readonly random: Random,
  ) {
    this.engine = new Engine(model);
    this.#bonus = new Float64Array(model.activities.length);
  }

  /** The root network and the facts of the log. Undefined where they stand; else why not. */
  root(): Found | undefined {
    const fail = (): Found => ({ status: "none", proved: true, ...this.engine.failed, conflicts: 0 });
    if (!this.engine.root()) return fail();
    for (const activity of this.model.activities) {
      if (!activity.fact || activity.open) continue;
      if (
        this.engine.commit(activity, {
          start: activity.fact.start,
          end: activity.fact.end,
          pieces: [[activity.fact.start, activity.fact.end]],
        }) !== undefined
      )
        return fail();
    }
    this.#rootMark = this.engine.mark();
    return undefined;
  }

  /** Latest minute at which the plan can begin by the root network: no plan is shorter than from there to serving. */
  latestBeginning(): number {
    return this.model.activities.reduce(
      (least, a) => (a.step.ref === "" ? least : Math.min(least, this.engine.upper[startOf(a.index)] as number)),
      this.model.serveAt,
    );
  }

  /** Back to the root. */
  reset(): void {
    this.engine.undoTo(this.#rootMark);
  }

  /**
   * Puts everything where a solution of the learning solver has it, split steps into what is left, latest first.
   * @returns false where what that solver does not know of (rounds, pieces, pots of several sizes) stands in the way
   */
  place(solution: Solution): boolean {
    this.reset();
    const { activities } = this.model;
    const order = activities
      .filter((a) => !this.engine.placed[a.index])
      .sort((a, b) => Number(isLoose(a, solution)) - Number(isLoose(b, solution)) || endIn(solution, b) - endIn(solution, a));
    for (const activity of order) {
      const start = solution.starts[activity.index] as number;
      const end = endIn(solution, activity);
      const pieces = activity.minPiece === undefined ? [[start, end] as const] : solution.pieces.get(activity.index);
      const wishedCooks = solution.cooks.get(activity.index);
      if (pieces) {
        const who = activity.minPiece === undefined ? undefined : wishedCooks?.find((c) => c !== undefined);
        const placement = { start, end, pieces, wishedCooks, ...(who === undefined ? {} : { cook: who }) };
        if (this.engine.commit(activity, placement) !== undefined) return false;
        continue;
      }
      const mark = this.engine.mark();
      let placed = false;
      for (const placement of this.#splitCandidates(activity, end - activity.minutes)) {
        placed = this.engine.commit(activity, placement) === undefined;
        if (placed) break;
        this.engine.undoTo(mark);
      }
      if (!placed) return false;
    }
    return true;
  }

  /**
   * Near a plan: what may have only one start goes there first, then all that can stays where it was, with the cook that it had, and what
   * cannot is placed anew around that. Few moves, soon found; where it fails, a search with a free hand may still succeed.
   * @param free activities that are not held where they were
   */
  near(placements: ReadonlyMap<number, Placement>, free: ReadonlySet<number>, guide: Guide, budget: number, stop: () => boolean): Found {
    this.reset();
    const { engine } = this;
    const commit = (activity: Activity, placement: Placement) => {
      const mark = engine.mark();
      if (engine.commit(activity, placement) !== undefined) engine.undoTo(mark);
    };
    for (const activity of this.model.activities) {
      const start = engine.lower[startOf(activity.index)] as number;
      if (engine.placed[activity.index] || start !== engine.upper[startOf(activity.index)] || activity.minPiece !== undefined) continue;
      const placement = this.#placementAt(activity, start);
      if (placement) commit(activity, { ...placement, wishedCooks: placements.get(activity.index)?.wishedCooks });
    }
    const held = this.model.activities.flatMap((activity) => {
      const placement = free.has(activity.index) ? undefined : placements.get(activity.index);
      return placement ? [{ activity, placement }] : [];
    });
    for (const { activity, placement } of held.sort((a, b) => b.placement.end - a.placement.end))
      if (!engine.placed[activity.index]) commit(activity, placement);
    const spent = this.#dive(budget, 0, guide, stop);
    if (spent.done) return { status: "found", engine, conflicts: spent.conflicts };
    return { status: "none", proved: false, ...engine.failed, conflicts: spent.conflicts };
  }

  /** A plan within a budget of conflicts, over restarts. */
  run(budget: number, guide: Guide, stop: () => boolean): Found {
    let conflicts = 0;
    let restart = 0;
    // The first look is made whatever the clock says: without it there would be no plan at all.
    for (; conflicts < budget && (restart === 0 || !stop()); restart++) {
      const allowed = Math.min(budget - conflicts, 30 * luby(restart + 1));
      this.#restart = restart;
      this.#tries = Math.min(4 * MOST_TRIES, MOST_TRIES + 3 * restart);
      this.reset();
      const spent = this.#dive(allowed, restart === 0 ? 0 : 45 + 15 * Math.min(restart, 20), guide, stop);
      if (spent.done) return { status: "found", engine: this.engine, conflicts: conflicts + spent.conflicts };
      conflicts += Math.max(1, spent.conflicts);
    }
    const [worst] = [...this.#failures].sort((a, b) => b[1] - a[1]);
    const [activity, rule] = (worst?.[0] ?? `${this.engine.failed.activity} ${this.engine.failed.rule}`).split(" ");
    return { status: "none", proved: false, activity: Number(activity), rule: rule ?? "", conflicts };
  }

  #dive(budget: number, noise: number, guide: Guide, stop: () => boolean): { done: boolean; conflicts: number } {
    const { engine } = this;
    const shake = Array.from(this.#bonus, (bonus) => bonus + (noise ? this.random() * noise : 0));
    const stack: Frame[] = [];
    let conflicts = 0;
    for (;;) {
      const next = this.#choose(shake);
      if (!next) return { done: true, conflicts };
      let frame: Frame | undefined = { activity: next, mark: engine.mark(), candidates: this.#candidates(next, guide), hint: undefined };
      while (frame) {
        const candidate: IteratorResult<Placement, void> = frame.candidates.next(frame.hint);
        if (candidate.done) {
          engine.undoTo(frame.mark);
          this.#bonus[frame.activity.index] = Math.min(10_000, (this.#bonus[frame.activity.index] as number) + 90);
          if (guide.frozen?.has(frame.activity.index)) return { done: false, conflicts: budget };
          frame = stack.pop();
          // An activity without any candidate left is a conflict too, or a wide tree would be walked for nothing.
          if (!frame || ++conflicts >= budget) return { done: false, conflicts: conflicts + 1 };
          engine.undoTo(frame.mark);
          frame.hint = undefined;
          continue;
        }
        const hint = engine.commit(frame.activity, candidate.value);
        if (hint === undefined) break;
        conflicts++;
        const { activity, rule } = engine.failed;
        const key = `${activity} ${rule}`;
        this.#failures.set(key, (this.#failures.get(key) ?? 0) + 1);
        this.#bonus[activity] = Math.min(10_000, (this.#bonus[activity] as number) + 15);
        engine.undoTo(frame.mark);
        frame.hint = hint;
        if (conflicts >= budget || (conflicts % 16 === 0 && stop())) return { done: false, conflicts };
      }
      if (!frame) return { done: false, conflicts: conflicts + 1 };
      stack.push(frame);
    }
  }

  /** What has hardly any room left goes at once, so that a tight chain stands or falls together; else what can end last. */
  #choose(shake: readonly number[]): Activity | undefined {
    const { lower, upper, placed } = this.engine;
    let best: Activity | undefined;
    let bestKey = Number.NEGATIVE_INFINITY;
    for (const activity of this.model.activities) {
      const i = activity.index;
      if (placed[i]) continue;
      const end = upper[endOf(i)] as number;
      const room = end - (lower[endOf(i)] as number);
      const key = room <= TIGHT_ROOM_MINUTES ? 1e12 - room : end + (shake[i] as number) - room * 1e-6;
      if (key > bestKey) {
        bestKey = key;
        best = activity;
      }
    }
    return best;
  }

  /** Placements worth trying, best first. After a failure the caller hands in the latest start that is worth trying. */
  *#candidates(activity: Activity, guide: Guide): Generator<Placement, void, number | undefined> {
    const wish = guide.starts.get(activity.index);
    if (activity.minPiece !== undefined) return yield* this.#splitCandidates(activity, wish);
    const s = startOf(activity.index);
    const domain = this.engine.domain(s);
    const low = this.engine.lower[s] as number;
    const high = this.engine.upper[s] as number;
    const tried = new Set<number>();
    let hint: number | undefined;
    let tries = 0;
    const offer = (start: number | undefined): Placement | undefined => {
      if (start === undefined || start < low || start > high || tried.has(start)) return undefined;
      tried.add(start);
      return this.#placementAt(activity, start);
    };
    const frozen = guide.frozen?.has(activity.index);
    const wishes: (number | undefined)[] = [];
    if (wish !== undefined)
      wishes.push(
        ...(frozen
          ? [wish]
          : [
              latestAtOrBefore(domain, wish),
              earliestAtOrAfter(domain, wish),
              wish > high ? high : undefined,
              wish < low ? low : undefined,
            ]),
      );
    if (!frozen) wishes.push(latestAtOrBefore(domain, Math.min(high, this.#latestAtBest(activity))));
    for (const start of wishes) {
      const placement = offer(start);
      if (placement) hint = (yield placement) ?? hint;
    }
    if (frozen) return;
    let at: number | undefined = high;
    while (at !== undefined && at >= low && tries < this.#tries) {
      const placement = offer(at);
      hint = undefined;
      if (placement) hint = yield placement;
      const usual = BACKWARD_STEPS[Math.min(tries, BACKWARD_STEPS.length - 1)] as number;
      const step = this.#restart ? Math.ceil(usual * (0.3 + this.random())) : usual;
      tries++;
      at = latestAtOrBefore(domain, hint !== undefined && hint < at - 1 ? hint : at - step);
    }
  }

  /** The latest start that lets what is made wait as long as is best for it, by what is placed already. */
  #latestAtBest(activity: Activity): number {
    let latest = Number.POSITIVE_INFINITY;
    for (const t of this.model.takings) {
      if (t.maker !== activity.index || t.batchEnd !== undefined) continue;
      const taker = this.engine.placements[t.taker];
      const best = t.holds.find((h) => h.best)?.best;
      if (taker && best && !t.holds.some((h) => !h.best)) latest = Math.min(latest, taker.start - best[0] - activity.minutes);
    }
    for (const w of this.model.waitings) {
      const to = this.engine.placements[w.to >> 1];
      if (w.from >> 1 === activity.index && to && w.best)
        latest = Math.min(latest, to.start - w.best[0] - (w.from & 1 ? activity.minutes : 0));
    }
    return latest;
  }

  #placementAt(activity: Activity, start: number): Placement | undefined {
    if (activity.stretch === 0) return { start, end: start + activity.minutes, pieces: [[start, start + activity.minutes]] };
    // The shortest run that ends where it may, with somebody there throughout where that is asked; what lies behind is past.
    const e = endOf(activity.index);
    const from = Math.max(activity.fact?.end ?? start + activity.minutes, this.engine.lower[e] as number);
    const end = earliestAtOrAfter(this.engine.domain(e), from);
    const longest = (activity.fact?.end ?? start + activity.minutes) + activity.stretch;
    const most = Math.min(longest, this.engine.upper[e] as number);
    if (end === undefined || end > most) return undefined;
    if (activity.cover && subtract([[start, end]], activity.cover).length) return undefined;
    return { start, end, pieces: [[start, end]] };
  }

  /** A step that may be put down: its pieces fill one cook's free time backwards from an end. */
  *#splitCandidates(activity: Activity, wish: number | undefined): Generator<Placement, void, number | undefined> {
    const e = endOf(activity.index);
    const low = this.engine.lower[startOf(activity.index)] as number;
    const lowEnd = this.engine.lower[e] as number;
    const highStart = this.engine.upper[startOf(activity.index)] as number;
    let end: number | undefined = this.engine.upper[e] as number;
    if (wish !== undefined) end = Math.min(end, Math.max(lowEnd, wish + activity.minutes));
    for (let tries = 0; tries < 2 * MOST_TRIES && end !== undefined && end >= lowEnd; tries++) {
      for (const [at, cook] of activity.cooks.entries()) {
        let free = intersect(activity.works[at] as Interval[], [[low, end]]);
        free = subtract(free, this.engine.hands.busy(cook));
        if (activity.cover) free = intersect(free, activity.cover);
        const pieces = piecesBackwards(free, end, activity.minutes, activity.minPiece as number);
        const first = pieces?.[0];
        if (pieces && first && first[0] >= low && first[0] <= highStart) yield { start: first[0], end, pieces, cook };
      }
      end = latestAtOrBefore(this.engine.domain(e), end - (BACKWARD_STEPS[Math.min(tries, BACKWARD_STEPS.length - 1)] as number));
    }
  }
}

/**
 * Pieces that end exactly at `end` and make up so many minutes, each at least `least` long, filled from the back.
 * @returns in order of time; undefined where the free time does not suffice
 */
export function piecesBackwards(free: readonly Interval[], end: number, minutes: number, least: number): Interval[] | undefined {
  if (minutes === 0) return [[end, end]];
  const smallest = Math.min(least, minutes);
  const pieces: Interval[] = [];
  let rest = minutes;
  for (let i = free.length - 1; i >= 0 && rest > 0; i--) {
    const [from, to] = free[i] as Interval;
    if (pieces.length === 0 && to !== end) return undefined;
    let take = Math.min(rest, to - from);
    if (take < smallest) {
      if (pieces.length === 0) return undefined;
      continue;
    }
    if (rest - take > 0 && rest - take < smallest) take = Math.max(smallest, rest - smallest);
    if (rest - take > 0 && rest - take < smallest) {
      if (pieces.length === 0) return undefined;
      continue;
    }
    pieces.push([to - take, to]);
    rest -= take;
  }
  return rest === 0 ? pieces.reverse() : undefined;
}

/** 1 1 2 1 1 2 4 …: Luby, Sinclair and Zuckerman 1993. */
export function luby(i: number): number {
  for (let k = 1; ; k++) {
    if (i === 2 ** k - 1) return 2 ** (k - 1);
    if (i < 2 ** k - 1) return luby(i - 2 ** (k - 1) + 1);
  }
}
