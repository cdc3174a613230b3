// What the route chart is drawn from: lines, their steps and waits, bars and days, each with its place.

import type { AxisPart } from "@/core/time/folded-axis";
import type { StepView, WaitView } from "@/core/view/plan-view";
import type { Band, Lanes } from "./lanes";

export const LEFT = 74;

export interface Segment {
  readonly step: StepView;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  readonly thick: readonly (readonly [number, number])[];
  readonly ticks: readonly { readonly x: number; readonly what: string; readonly at: number }[];
  readonly label: { readonly x: number; readonly y: number; readonly text: string } | undefined;
  /** Where it may end: at the least and at the longest of an uncertain length. */
  readonly soft: readonly [number, number] | undefined;
}

export interface Rest {
  readonly wait: WaitView;
  readonly path: string;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  /** Long enough to be seen as a wait of its own. */
  readonly visible: boolean;
  readonly joins: boolean;
  /** The window of the wait along its line: least, best, longest. */
  readonly window: {
    readonly min: number | undefined;
    readonly best: readonly [number, number] | undefined;
    readonly max: number | undefined;
  };
}

export interface Route {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly segments: readonly Segment[];
  readonly rests: readonly Rest[];
  /** Undefined where its way is all behind and no place is free for the name. */
  readonly title: { readonly x: number; readonly y: number; readonly anchor: "start" | "end" } | undefined;
  /** The same for two ways that lie alike, names and labels aside. */
  readonly look: string;
}

export interface HandsBar {
  readonly x0: number;
  readonly x1: number;
  readonly cook: number;
  readonly minutes: number;
  readonly of: number;
}

export interface Geometry {
  readonly width: number;
  readonly height: number;
  readonly axis: readonly AxisPart[];
  readonly bands: readonly Band[];
  readonly routes: readonly Route[];
  readonly tableY: number;
  readonly servings: readonly {
    readonly x: number;
    readonly y: number;
    readonly at: number;
    readonly name: string;
    readonly main: boolean;
  }[];
  readonly days: readonly { readonly x: number; readonly text: string; readonly at: number }[];
  readonly hours: readonly { readonly x: number; readonly text: string }[];
  readonly pleats: readonly {
    readonly x0: number;
    readonly x1: number;
    readonly from: number;
    readonly to: number;
    readonly text: string;
    readonly night: boolean;
    /** Where its words begin, upright. */
    readonly textY: number;
  }[];
  readonly hands: readonly HandsBar[];
  readonly handsY: readonly number[];
  readonly x: (minute: number) => number;
  readonly lanes: Lanes;
  readonly squeeze: number;
  /** Where steps stood in the plan that this one is compared with. */
  readonly ghosts: readonly { readonly step: string; readonly x0: number; readonly x1: number; readonly y: number }[];
}
