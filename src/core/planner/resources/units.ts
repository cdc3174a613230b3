// Units: pots, pans, bowls and whatever else is there in pieces, each for one step at a time.
import { minutesAbove } from "../../time/interval";
import type { Activity, Need } from "../model";
import { deal, isFree, type UnitSpan } from "../unit-spans";
import type { Commitments } from "./commitments";

export class Units {
  readonly #state: Commitments;
  readonly #unitSpans = new Map<string, readonly UnitSpan[]>();

  constructor(state: Commitments) {
    this.#state = state;
  }

  /** Gives as many units as a need counts; where none that fits is free, all of the kind are dealt out anew. */
  give(activity: Activity, need: Need, from: number, to: number): boolean {
    const kind = need.use.what;
    const units = this.#state.model.units.get(kind) ?? [];
    let spans = this.#unitSpans.get(kind) ?? [];
    for (let n = 0; n < need.use.count; n++) {
      const span: UnitSpan = {
        step: activity.step.ref,
        activity: activity.index,
        useIndex: need.useIndex,
        fitting: need.fitting,
        from,
        to,
        unit: -1,
      };
      const free = need.fitting.find((u) => isFree(spans, u, units[u]?.clean ?? 0, span, units[u]?.available));
      if (free !== undefined) spans = [...spans, { ...span, unit: free }];
      else {
        const dealt = deal([...spans, span], units);
        if (!dealt) return false;
        spans = dealt;
      }
    }
    this.#state.setMap(this.#unitSpans, kind, spans);
    this.#state.note(`units ${kind}`, () => this.#prune(kind));
    return true;
  }

  spans(): UnitSpan[] {
    return [...this.#unitSpans.values()].flat();
  }

  /** Minutes in which so many of the fitting units are taken that `count` more are not to be had. */
  #prune(kind: string): boolean {
    const units = this.#state.model.units.get(kind) ?? [];
    const spans = this.#unitSpans.get(kind) ?? [];
    for (const { activity, need } of this.#state.usersOf(kind)) {
      if (
        !this.#state.isOpen(activity) ||
        activity.stretch > 0 ||
        activity.minPiece !== undefined ||
        typeof need.span === "object" ||
        (need.throughout && activity.step.each)
      )
        continue;
      const clean = Math.min(...need.fitting.map((u) => units[u]?.clean ?? 0));
      const binding = spans.filter((s) => s.step !== activity.step.ref && s.fitting.every((u) => need.fitting.includes(u)));
      const full = minutesAbove(
        binding.map((s) => ({ from: s.from - clean, to: s.to + clean, size: 1 })),
        need.fitting.length - need.use.count,
      );
      if (full.length && !this.#state.avoid(activity, need, full, "H9")) return false;
    }
    return true;
  }
}
