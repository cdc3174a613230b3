// What compiling works on.
import type { Dish, Method, Step } from "../../dish/model";
import { type PlanAt, plannedLength } from "../../dish/planned-length";
import { type Interval, type Intervals, intersect, union } from "../../time/interval";
import { type Warmth, warmthNow } from "../heat-settings";
import { KitchenHours } from "../kitchen-hours";
import type { Log } from "../log";
import type { Activity, Because, Taking, TimeLag, Unit, Waiting } from "../model";

/** Minutes. What goes past is an exception of the plan (R35). */
export interface Lenience {
  readonly hours: number;
  readonly waits: number;
}

export const STRICT: Lenience = { hours: 0, waits: 0 };

/** What is built while compiling, and what it is built from. The functions beside it (activities.ts, links.ts) add to it. */
export class Workspace {
  readonly activities: Activity[] = [];
  readonly lags: TimeLag[] = [];
  readonly takings: Taking[] = [];
  readonly waitings: Waiting[] = [];
  readonly first = new Map<string, number>();
  readonly lastOf = new Map<string, number>();
  readonly fallbacks = new Map<string, number>();
  readonly units = new Map<string, Unit[]>();
  readonly hours: KitchenHours;
  readonly all: Interval;
  readonly warmth: ReadonlyMap<string, Warmth>;
  /** Steps that may go past hours: those tied by longest waits to the end of one that has begun. */
  readonly tied: ReadonlySet<string>;

  constructor(
    readonly dish: Dish,
    readonly now: number,
    readonly serveAt: number,
    readonly last: number,
    readonly planAt: PlanAt,
    readonly log: Log,
    readonly chosen: ReadonlyMap<string, Method | "fallback">,
    readonly inForce: readonly Step[],
    readonly lengths: ReadonlyMap<string, number>,
    readonly lenience: Lenience,
  ) {
    this.tied = lenience.hours > 0 ? tiedTo(log, inForce) : new Set();
    this.hours = new KitchenHours(dish, now - 1440, last + 1440);
    this.all = this.hours.all;
    this.warmth = warmthNow(dish, inForce, log, now);
    for (const e of dish.equipment) {
      const list = this.units.get(e.kind) ?? [];
      for (let n = 0; n < e.count; n++) {
        list.push({
          id: e.id,
          litres: e.litres ?? Number.POSITIVE_INFINITY,
          pieces: e.pieces ?? Number.POSITIVE_INFINITY,
          clean: e.cleanTakes,
          available: e.available && this.hours.intervalsOf(e.available),
        });
      }
      this.units.set(e.kind, list);
    }
  }

  /** Whole minutes of one batch. */
  oneOf(step: Step): number {
    return this.lengths.get(step.ref) ?? plannedLength(step.time, this.planAt, step.k, step.grows);
  }

  skipped(ref: string): boolean {
    return this.log.events.get(ref)?.skipped === true;
  }

  /** Hours as far as a step may go past them. */
  stretched(step: Step, list: Intervals): Intervals {
    const over = this.lenience.hours;
    if (over === 0 || !this.tied.has(step.ref)) return list;
    return intersect([this.all], union(list.map(([a, b]) => [Math.max(this.now, a - over), b + over] as const)));
  }

  lag(from: number, to: number, lag: number, because: Because): void {
    this.lags.push({ from, to, lag, because });
  }

  nameOf(ref: string): string {
    return this.inForce.find((s) => s.ref === ref)?.name ?? ref;
  }
}

/** Steps that longest waits tie to the end of one that has begun, directly or through steps so tied; what has begun among them. */
function tiedTo(log: Log, inForce: readonly Step[]): ReadonlySet<string> {
  const tied = new Set(log.events.keys());
  const makers = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, { step: s.ref, holds: o.holds }] as const)));
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of inForce) {
      if (tied.has(step.ref)) continue;
      const waits =
        step.links.some((l) => l.max !== undefined && l.from === "end" && tied.has(l.step)) ||
        step.takes.some((t) => {
          const made = makers.get(t.from);
          return made !== undefined && tied.has(made.step) && made.holds.length > 0 && made.holds.every((h) => h.max !== undefined);
        });
      if (!waits) continue;
      tied.add(step.ref);
      grew = true;
    }
  }
  return tied;
}
