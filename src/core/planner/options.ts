// What the planner is asked, and what it answers.
import type { PlanAt } from "../dish/planned-length";
import type { Lenience } from "./compile";
import type { Log } from "./log";
import type { Infeasible, Plan, Style } from "./plan";

export interface PlanOptions {
  /** Nothing starts before. Default: the dish's `startNotBefore`, else 21 days before serving. No clock is read. */
  readonly now?: number | undefined;
  readonly serveAt?: number | undefined;
  readonly style?: Style | undefined;
  readonly planAt?: PlanAt | undefined;
  /** Methods that the cook has fixed, by component; "fallback" included. */
  readonly methods?: Readonly<Record<string, string>> | undefined;
  readonly log?: Log | undefined;
  readonly seed?: number | undefined;
  /** The plan so far: steps stay where they were as far as they can. */
  readonly previous?: Plan | undefined;
  /** The plan from before a step ran late that is over now: what was put off for it goes back as far as it can. */
  readonly baseline?: Plan | undefined;
  /** Rounds of improvement; default 120. Decides, with the seed, what plan is found. */
  readonly rounds?: number | undefined;
  /** Conflicts spent on one choice of methods before it is given up; default 3,000. */
  readonly conflicts?: number | undefined;
  /** Only the quick search: for an answer while something is dragged. Nothing is proved then. */
  readonly quick?: boolean | undefined;
  /** Asked often; true ends the search with the best plan so far. */
  readonly stop?: (() => boolean) | undefined;
  readonly onProgress?: ((progress: Progress) => void) | undefined;
  /** Lengths are kept as `planAt` has them; else single steps may be planned shorter where there is no plan otherwise (R36). */
  readonly exact?: boolean | undefined;
  /** Minutes of one batch of steps planned shorter; the planner's own to give (bend.ts). */
  readonly lengths?: ReadonlyMap<string, number> | undefined;
  /** How far what has begun may go past hours and waits; the planner's own to give (bend.ts). */
  readonly lenience?: Lenience | undefined;
  /** Only the preferred choice of methods is looked at. */
  readonly firstChoiceOnly?: boolean | undefined;
}

/**
 * Replacements that the plan so far has decided on before now: no step of them can be pressed, so whoever has begun is taken to have got them.
 * @returns by component: when
 */
export function boughtBefore({ previous, log, now }: PlanOptions): ReadonlyMap<string, number> {
  if (!previous || now === undefined || !log?.events.size) return new Map();
  return new Map(previous.fallbacks.flatMap((f) => (f.decidedAt < now ? [[f.component, f.decidedAt] as const] : [])));
}

export interface Progress {
  readonly phase: "first" | "improving";
  /** From 0 to 1. */
  readonly done: number;
  readonly leadMinutes?: number;
  readonly regret?: number;
}

export type Planned = { readonly status: "feasible"; readonly plan: Plan } | Infeasible;
