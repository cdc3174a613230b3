// Rehearsals at the cook's side: the plan in force followed on a simulated clock, many times, what they show, one of them to watch, and a
// fix tried on all of them. Nothing of it is written anywhere; plain data in and out.
import { applyPatch, type PatchOperation } from "../core/dish/patch";
import { readDishValue } from "../core/dish/read";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { type Log, logFromFile, type Plan, type PlanFile, planDish, planFromFile, planToFile } from "../core/planner";
import { FOLLOW, type Policy, policyOf } from "../core/planner/policy";
import { followOnce, type Run, runSeed } from "../core/rehearse";
import { offsetsOf, WallClock } from "../core/time/wall-clock";
import { type PlanView, planView } from "../core/view/plan-view";
import { fixesOf } from "../core/view/weak-point-fixes";
import { type WeakPoint, weakPoints } from "../core/view/weak-points";
import { Scene } from "./plan-desk";
import { rehearse } from "./rehearse";

/** One rehearsal as a dot: how late it was served, and what made it so. */
export interface RehearsedRun {
  readonly index: number;
  /** Minutes after the hour of serving; undefined where there was no way on. */
  readonly lateMinutes: number | undefined;
  /** Minutes for which everything stood ready before. */
  readonly spareMinutes: number;
  readonly decidedBy: string | undefined;
}

export interface RehearsalNotes {
  readonly runs: readonly RehearsedRun[];
  readonly weak: readonly WeakPoint[];
}

/** A rehearsal to watch: its presses, and the plan that stood from each re-plan on. */
export interface Replay {
  readonly presses: readonly { readonly at: number; readonly kind: string; readonly step: string }[];
  readonly plans: readonly { readonly from: number; readonly view: PlanView }[];
}

/** A fix that was tried on as many rehearsals: how many were on time before and with it. */
export type TriedFix =
  | {
      readonly status: "helps";
      readonly text: string;
      readonly change: readonly PatchOperation[];
      readonly file: PlanFile;
      readonly onTime: { readonly before: number; readonly after: number };
      readonly share: { readonly before: number; readonly after: number };
    }
  | { readonly status: "none" };

const SEED = 1;
/** Re-plans on the way are quick; the plan that a fix leads to is looked for as long as one that is tried on the timetable. */
const ROUNDS = 80;
/** Of the changes that may help, so many are tried. */
const MOST_FIXES = 4;
/** A fix helps where the weak point is seen in no more than this share of what it was, or more are on time. */
const CLEARLY_RARER = 0.6;

export class RehearsalDesk {
  readonly #document: DishFile;
  readonly #log: Log;
  readonly #now: number;
  readonly #plan: Plan | undefined;

  /** @param scene as GET /api/dishes/…/scene gives it */
  constructor(scene: unknown) {
    const { document, now, log, plan } = Scene.parse(scene);
    const { zone } = dishModel(document);
    this.#document = document;
    this.#now = now;
    this.#log = logFromFile(log, zone);
    this.#plan = plan ? planFromFile(plan, zone) : undefined;
  }

  /**
   * Follows the plan in force, told of each run as it ends.
   * @param policy as `rondeau rehearse --policy` reads it; anything else is to follow the plan
   */
  rehearse(policy: string, runs: number, tell: (run: RehearsedRun) => void): RehearsalNotes {
    const done = this.#runs(this.#document, this.#plan, policy, runs, tell);
    return { runs: done.map(dot), weak: this.#weak(done) };
  }

  /** One of the same rehearsals again, with all that was pressed. Undefined without a plan. */
  replay(policy: string, index: number): Replay | undefined {
    if (!this.#plan) return undefined;
    const dish = dishModel(this.#document);
    const presses: { at: number; kind: string; step: string }[] = [];
    const plans = [{ from: this.#now, view: planView(dish, this.#plan, this.#log.events) }];
    followOnce(this.#document, this.#plan, {
      ...this.#how(policy),
      seed: runSeed(SEED, index),
      onPress: ({ kind, step }, at) => presses.push({ at, kind, step }),
      onReplan: (_, now, answer, log) => {
        if (answer.status === "feasible") plans.push({ from: now, view: planView(dish, answer.plan, log.events) });
      },
    });
    return { presses, plans };
  }

  /** The first change that makes a weak point clearly rarer, or more of the same rehearsals on time, and none of them worse. */
  fix(policy: string, runs: number, weak: WeakPoint, tell: (text: string) => void): TriedFix {
    if (!this.#plan) return { status: "none" };
    const before = this.#runs(this.#document, this.#plan, policy, runs);
    const onTime = (list: readonly Run[]) =>
      list.filter((r) => r.lateMinutes !== undefined && r.lateMinutes <= 0).length / Math.max(1, list.length);
    const shareOf = (list: readonly Run[]) => this.#weak(list).find((w) => w.kind === weak.kind && w.about === weak.about)?.share ?? 0;
    const [was, seen] = [onTime(before), shareOf(before)];
    const options = { now: this.#now, log: this.#log, previous: this.#plan, rounds: ROUNDS };
    for (const { text, change } of fixesOf(this.#document, options, this.#plan, weak).slice(0, MOST_FIXES)) {
      tell(text);
      const read = readDishValue(applyPatch(this.#document, change));
      if (read.status === "refused") continue;
      const dish = dishModel(read.document);
      const planned = planDish(dish, { now: this.#now, log: this.#log, rounds: ROUNDS });
      if (planned.status === "infeasible") continue;
      const after = this.#runs(read.document, planned.plan, policy, runs);
      const [is, left] = [onTime(after), shareOf(after)];
      if (is < was || (is === was && left > seen * CLEARLY_RARER)) continue;
      const file = { ...planToFile(planned.plan, dish.zone), rehearsed: rehearse(dish, planned.plan, this.#log) };
      return { status: "helps", text, change, file, onTime: { before: was, after: is }, share: { before: seen, after: left } };
    }
    return { status: "none" };
  }

  #how(policy: string): { policy: Policy; log: Log } {
    return { policy: policyOf(policy) ?? FOLLOW, log: this.#log };
  }

  #runs(document: DishFile, plan: Plan | undefined, policy: string, count: number, tell?: (run: RehearsedRun) => void): Run[] {
    if (!plan) return [];
    return Array.from({ length: count }, (_, i) => {
      const run = followOnce(document, plan, { ...this.#how(policy), seed: runSeed(SEED, i) });
      tell?.(dot(run, i));
      return run;
    });
  }

  #weak(runs: readonly Run[]): WeakPoint[] {
    const { zone, serveAt } = dishModel(this.#document);
    return weakPoints(runs, new WallClock(offsetsOf(zone, Math.min(this.#now, serveAt), serveAt)));
  }
}

const dot = ({ lateMinutes, spareMinutes, decidedBy }: Run, index: number): RehearsedRun => ({
  index,
  lateMinutes,
  spareMinutes,
  decidedBy,
});
