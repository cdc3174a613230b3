// The compiled model: what compile/ leaves behind and everything after it works on. Minutes throughout.
//
// Time lag { from, to, lag }: x(to) ≥ x(from) + lag. A maximum lag is a minimum lag backwards.
// Variables: start of activity i is 2i, its end 2i + 1.
import { type Dish, HEATED, type Hold, isUnit, type Step, type Use } from "../dish/model";
import type { PlanAt } from "../dish/planned-length";
import type { Intervals } from "../time/interval";
import type { Warmth } from "./heat-settings";
import type { LogEvent } from "./log";

export const startOf = (activity: number) => 2 * activity;
export const endOf = (activity: number) => 2 * activity + 1;

export interface Because {
  readonly rule: string;
  readonly steps: readonly string[];
  readonly text: string;
}

export interface TimeLag {
  readonly from: number;
  readonly to: number;
  readonly lag: number;
  readonly because: Because;
}

/** A hands-on part: [offset, offset + minutes) from the start, or up to the end where it is anchored there. */
export interface HandsPart {
  readonly offset: number;
  readonly minutes: number;
  readonly atEnd: boolean;
}

/** One demand of a step on equipment. */
export interface Need {
  readonly use: Use;
  readonly useIndex: number;
  /** Indices into the units of the kind that are big enough; empty for heated space and stores. */
  readonly fitting: readonly number[];
  /** Whole run of the activity, its hands parts, or kept until the end of another step. */
  readonly span: "run" | "hands" | { readonly until: number };
  /** For wares of a step that goes batch by batch: first batch's start to last batch's end. */
  readonly throughout: boolean;
}

export interface Activity {
  readonly index: number;
  readonly step: Step;
  /** Number of the batch where a step goes batch by batch; the fallback of a component has no step of its own. */
  readonly batch: number;
  readonly minutes: number;
  readonly stretch: number;
  readonly minPiece: number | undefined;
  readonly parts: readonly HandsPart[];
  readonly cooks: readonly number[];
  readonly needs: readonly Need[];
  /** Permitted starts where the run is exactly `minutes` long; for stretchable and split ones only what holds of every start. */
  readonly starts: Intervals;
  /** Permitted ends, by the same measure. */
  readonly ends: Intervals;
  /** Minutes that the whole run must lie in; undefined: anywhere. */
  readonly cover: Intervals | undefined;
  /** Minutes in which hands may work on it (windows that forbid it taken out), for each cook of `cooks`. */
  readonly works: readonly Intervals[];
  /** A fact of the log: it stands where it is and is bound by no hours. */
  readonly fact: { readonly start: number; readonly end: number; readonly done: boolean } | undefined;
  /** A running step whose end the plan may still put off, within its stretch. */
  readonly open: boolean;
}

/** A take of an output, between the activities that make and take it. */
export interface Taking {
  readonly output: string;
  readonly taker: number;
  readonly takerStep: string;
  /** The activity and, for a maker whose batches run back to back, the minutes from its start to the batch's end. */
  readonly maker: number | undefined;
  readonly batchEnd: number | undefined;
  /** For what is on hand: since when. */
  readonly readyAt: number | undefined;
  readonly holds: readonly Hold[];
  readonly during: number | undefined;
}

export interface Waiting {
  readonly from: number;
  readonly to: number;
  readonly place: string;
  readonly litres: number;
  readonly best: readonly [number, number] | undefined;
}

export interface Unit {
  readonly id: string;
  readonly litres: number;
  readonly pieces: number;
  readonly clean: number;
  readonly available: Intervals | undefined;
}

export interface Model {
  readonly dish: Dish;
  readonly now: number;
  readonly serveAt: number;
  readonly last: number;
  readonly planAt: PlanAt;
  readonly methods: Readonly<Record<string, string>>;
  readonly inForce: readonly Step[];
  readonly activities: readonly Activity[];
  readonly lags: readonly TimeLag[];
  readonly takings: readonly Taking[];
  readonly waitings: readonly Waiting[];
  readonly first: ReadonlyMap<string, number>;
  readonly lastOf: ReadonlyMap<string, number>;
  readonly units: ReadonlyMap<string, readonly Unit[]>;
  readonly storeLitres: ReadonlyMap<string, number>;
  readonly here: Intervals;
  /** Minutes in which a round of so many minutes may begin. */
  readonly roundMinutes: (step: Step, takes: number) => Intervals;
  /** What is warm at `now`, by equipment. */
  readonly warmth: ReadonlyMap<string, Warmth>;
  readonly closed: (word: "heat" | "start-heat", step: string) => Intervals;
  readonly fallbacks: ReadonlyMap<string, number>;
  /** Minutes of one batch of steps planned shorter than `planAt` says. */
  readonly lengths: ReadonlyMap<string, number>;
  readonly lenience: { readonly hours: number; readonly waits: number };
  /** Steps that may go past hours by that much. */
  readonly tied: ReadonlySet<string>;
  /** Stretches worked so far of split steps under way; where one was put down, its activity is the rest of it. */
  readonly worked: ReadonlyMap<string, NonNullable<LogEvent["pieces"]>>;
}

export const isHot = (kind: string) => kind === "burner" || (HEATED as readonly string[]).includes(kind);
/** Burners are counted like vessels: so many alike, one to a user. */
export const isUnitLike = (kind: string) => isUnit(kind) || kind === "burner";

/** Offsets of the rounds of a rhythm from the start of a run of so many minutes. */
export function roundOffsets(tend: Step["tends"][number], minutes: number): number[] {
  const offsets: number[] = [];
  for (let offset = tend.first; offset < minutes && (tend.until === undefined || offset <= tend.until); offset += tend.every) {
    if (offset > 0 || !tend.fromEnd) offsets.push(tend.fromEnd ? minutes - offset : offset);
  }
  return tend.fromEnd ? offsets.reverse() : offsets;
}
