// Rehearsals at the cook's side: the plan in force followed on a simulated clock, many times, what they show, one of them to watch, and a
// fix tried on all of them. Nothing of it is written anywhere; plain data in and out.
import { applyPatch, type PatchOperation } from "../core/dish/patch";
import { readDishValue } from "../core/dish/read";
import { dishModel } from "../core/dish/read-model";
import type { DishFile } from "../core/dish/schema";
import { type Log, type Plan, type PlanFile, planDish, planToFile } from "../core/planner";
import { FOLLOW, type Policy, policyOf } from "../core/planner/policy";
import { type Asked, followOnce, type Run, runSeed } from "../core/rehearse";
import { offsetsOf, WallClock } from "../core/time/wall-clock";
import { type PlanView, planView } from "../core/view/plan-view";
import type { KeptRehearsal, RehearsedRun, WeakPoint } from "../core/view/rehearsed-plan";
import { fixesOf } from "../core/view/weak-point-fixes";
import { weakPoints } from "../core/view/weak-points";
import { rehearse } from "./rehearse";
import { openScene } from "./scene";

interface ReplayedPress {
  readonly at: number;
  readonly kind: string;
  readonly step: string;
  /** What the thermometer read, and when the step will be over by it. */
  readonly probe?: { readonly coreC: number; readonly until: number };
}

/** A rehearsal to watch: its presses, and the plan that stood from each re-plan on. */
export interface Replay {
  readonly presses: readonly ReplayedPress[];
  readonly plans: readonly { readonly from: number; readonly view: PlanView }[];
  /** Where the cook decides: what has to be chosen before it can go on. */
  readonly asked?: Asked;
  /** Minutes after the hour of serving; missing where it was not served, or not yet. */
  readonly lateMinutes?: number;
}

/** What the cook decided so far in one rehearsal, as plain data. */
export interface CookDecisions {
  /** Minutes that a step is begun late. */
  readonly late: Readonly<Record<string, number>>;
  /** Of the ways on that were offered, which was taken, one after another. */
  readonly ways: readonly number[];
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
  readonly #scene: ReturnType<typeof openScene>;
  /** The newest rehearsals of the plan in force: a fix is held against them. */
  #followed: { readonly key: string; readonly runs: readonly Run[] } | undefined;

  /** @param scene as GET /api/dishes/…/scene gives it */
  constructor(scene: unknown) {
    this.#scene = openScene(scene);
  }

  /**
   * Follows the plan in force, told of each run as it ends.
   * @param policy as `rondeau rehearse --policy` reads it; anything else is to follow the plan
   */
  rehearse(policy: string, runs: number, tell: (run: RehearsedRun) => void): Pick<KeptRehearsal, "runs" | "weak"> {
    const followed = this.#inForce(policy, runs, tell);
    return { runs: followed.map(dot), weak: this.#weak(followed) };
  }

  /**
   * One of the same rehearsals again, with all that was pressed. Undefined without a plan.
   * @param own what the cook decides instead of the policy
   */
  replay(policy: string, index: number, own?: CookDecisions): Replay | undefined {
    const { document, dish, plan, log, now } = this.#scene;
    if (!plan) return undefined;
    const presses: ReplayedPress[] = [];
    const plans = [{ from: now, view: planView(dish, plan, log.events) }];
    const run = followOnce(document, plan, {
      ...this.#how(policy),
      seed: runSeed(SEED, index),
      decided: own && { late: new Map(Object.entries(own.late)), ways: own.ways },
      onPress: (press, at) => {
        const { kind, step } = press;
        const { coreC, until } = press.kind === "estimate" ? press : {};
        presses.push({ at, kind, step, ...(coreC !== undefined && until !== undefined ? { probe: { coreC, until } } : {}) });
      },
      onReplan: (_, at, answer, after) => {
        if (answer.status === "feasible") plans.push({ from: at, view: planView(dish, answer.plan, after.events) });
      },
    });
    const { asked, lateMinutes } = run;
    return { presses, plans, ...(asked ? { asked } : {}), ...(lateMinutes === undefined ? {} : { lateMinutes }) };
  }

  /** The first change with which at least as many are on time and none more unsafe, and the weak point is clearly rarer or more are on time. */
  fix(policy: string, runs: number, weak: WeakPoint, tell: (text: string) => void): TriedFix {
    const { document, plan, log, now } = this.#scene;
    if (!plan) return { status: "none" };
    const figures = (list: readonly Run[]) => {
      const found = this.#weak(list);
      const shareOf = (is: (w: WeakPoint) => boolean) => found.filter(is).reduce((sum, w) => sum + w.share, 0);
      return {
        onTime: list.filter((r) => r.lateMinutes !== undefined && r.lateMinutes <= 0).length / Math.max(1, list.length),
        share: shareOf((w) => w.kind === weak.kind && w.about === weak.about),
        unsafe: shareOf((w) => w.kind === "unsafe"),
      };
    };
    const before = figures(this.#inForce(policy, runs));
    for (const { text, change } of fixesOf(document, { now, log, previous: plan, rounds: ROUNDS }, plan, weak).slice(0, MOST_FIXES)) {
      tell(text);
      const read = readDishValue(applyPatch(document, change));
      if (read.status === "refused") continue;
      const dish = dishModel(read.document);
      const planned = planDish(dish, { now, log, rounds: ROUNDS });
      if (planned.status === "infeasible") continue;
      const after = figures(this.#follow(read.document, planned.plan, policy, runs));
      if (after.onTime < before.onTime || after.unsafe > before.unsafe) continue;
      if (after.onTime === before.onTime && after.share > before.share * CLEARLY_RARER) continue;
      const file = { ...planToFile(planned.plan, dish.zone), rehearsed: rehearse(dish, planned.plan, log) };
      return {
        status: "helps",
        text,
        change,
        file,
        onTime: { before: before.onTime, after: after.onTime },
        share: { before: before.share, after: after.share },
      };
    }
    return { status: "none" };
  }

  #how(policy: string): { policy: Policy; log: Log } {
    return { policy: policyOf(policy) ?? FOLLOW, log: this.#scene.log };
  }

  /** Rehearsals of the plan in force, followed once however often they are asked for. */
  #inForce(policy: string, count: number, tell?: (run: RehearsedRun) => void): readonly Run[] {
    const { document, plan } = this.#scene;
    const key = `${policy} ${count}`;
    if (this.#followed?.key !== key) this.#followed = { key, runs: plan ? this.#follow(document, plan, policy, count, tell) : [] };
    else for (const [i, run] of this.#followed.runs.entries()) tell?.(dot(run, i));
    return this.#followed.runs;
  }

  #follow(document: DishFile, plan: Plan, policy: string, count: number, tell?: (run: RehearsedRun) => void): Run[] {
    return Array.from({ length: count }, (_, i) => {
      const run = followOnce(document, plan, { ...this.#how(policy), seed: runSeed(SEED, i) });
      tell?.(dot(run, i));
      return run;
    });
  }

  #weak(runs: readonly Run[]): WeakPoint[] {
    const { dish, now } = this.#scene;
    return weakPoints(runs, new WallClock(offsetsOf(dish.zone, Math.min(now, dish.serveAt), dish.serveAt)));
  }
}

const dot = ({ lateMinutes, spareMinutes, decidedBy }: Run, index: number): RehearsedRun => ({
  index,
  lateMinutes,
  spareMinutes,
  decidedBy,
});
