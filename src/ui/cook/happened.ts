// What the parts of "Something changed" share.
import type { DishFile } from "@/core/dish/schema";
import type { Mishap } from "@/core/sheets/something-changed";
import type { Offsets } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";

export interface SomethingChangedProps {
  readonly slug: string;
  readonly version: number;
  readonly kitchenVersion: number;
  readonly stamp: string;
  readonly document: DishFile;
  readonly plan: PlanView;
  readonly offsets: Offsets;
  readonly now: number;
}

export interface Happened {
  readonly mishap: Mishap;
  /** It, in a few words, for the log and for undo. */
  readonly what: string;
  readonly why: string;
}
