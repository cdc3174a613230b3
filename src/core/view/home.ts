// A dish as Home lists it.
import type { MiniRoute } from "./mini-route";

export type HomeState = "idea" | "planned" | "underway" | "served" | "done";

/** A dish as Home lists it; every text is ready to be shown. */
export interface HomeDish {
  readonly slug: string;
  readonly name: string;
  readonly state: HomeState;
  /** Share of its steps that are done, 0 to 1. */
  readonly share: number;
  readonly when: string;
  readonly fact: string;
  readonly warn: boolean;
  readonly mini: MiniRoute | undefined;
}

export interface HomePart {
  readonly dishes: readonly HomeDish[];
  readonly more: boolean;
}
