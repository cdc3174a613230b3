// What a page of the notebook shows of one run.
import type { LikedMethod } from "../dish/edit/liked-methods";
import type { ReachedTemperature } from "../dish/edit/reached-temperatures";
import type { RealWait } from "../dish/edit/real-waits";
import type { UsedAmount } from "../dish/edit/used-amounts";
import type { PatchOperation } from "../dish/patch";
import type { Entry } from "../record/entries";
import type { LearnedLength } from "../record/learned";
import type { LogLine } from "../record/log-lines";
import type { Offsets } from "../time/wall-clock";
import type { BesideRuns } from "./beside-runs";
import type { MiniRoute } from "./mini-route";
import type { ReviewRow } from "./run-review";

/** A run as the notebook lists it. Moments in the planner's minutes. */
export interface KeptRun {
  readonly id: string;
  readonly dishId: string;
  readonly slug: string;
  readonly name: string;
  readonly startedAt: number;
  /** Undefined while it is under way. */
  readonly endedAt: number | undefined;
  /** Presses in its log. */
  readonly presses: number;
  /** Entries beside them, ticks left out. */
  readonly written: number;
}

/** What is proposed to the dish; `hazard` is a safety finding that it would bring: then it is told and not offered. */
export type Proposed<T> = T & { readonly hazard?: string | undefined };

export interface LengthProposal extends LearnedLength {
  readonly name: string;
  readonly component: string;
  readonly change: readonly PatchOperation[];
}

export interface RunPage {
  readonly run: KeptRun;
  readonly dishVersion: number;
  readonly kitchenVersion: number;
  readonly serves: number;
  /** The number of guests that the dish file is written for. */
  readonly baseServes: number;
  readonly rows: readonly ReviewRow[];
  readonly log: readonly LogLine[];
  readonly entries: readonly Entry[];
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly lengths: readonly Proposed<LengthProposal>[];
  /** Amounts that were used instead of what the dish says. */
  readonly amounts: readonly Proposed<UsedAmount>[];
  /** Temperatures at which steps were ended instead of what the dish says. */
  readonly temperatures: readonly Proposed<ReachedTemperature>[];
  /** Waits longer than the dish has them, of components that were judged. */
  readonly waits: readonly Proposed<RealWait>[];
  /** Ways of making that were liked, or not. */
  readonly methods: readonly Proposed<LikedMethod>[];
  /** Other runs that made the same components, the newest first. */
  readonly beside: BesideRuns;
  /** When it was to be served by the first plan, and when it was. */
  readonly served: { readonly planned: number | undefined; readonly really: number | undefined };
  /** The first plan and the run itself as small charts; undefined where the dish is no longer what it was then. */
  readonly charts: { readonly planned: MiniRoute; readonly really: MiniRoute } | undefined;
  readonly offsets: Offsets;
}
