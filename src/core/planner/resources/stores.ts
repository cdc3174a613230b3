// Stores: litres of fridge, freezer and counter over time.
import { minutesAbove } from "../../time/interval";
import type { Commitments } from "./commitments";

interface StoreSpan {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly litres: number;
}

export class Stores {
  readonly #state: Commitments;
  readonly #storeSpans = new Map<string, readonly StoreSpan[]>();

  constructor(state: Commitments) {
    this.#state = state;
  }

  /**
   * Gives room from a minute to another; a key that has room already keeps the longer of both.
   * @returns false where the store would be too full at some minute: its load rises only where something comes, so those are the minutes looked at
   */
  give(key: string, place: string, from: number, to: number, litres: number): boolean {
    const space = this.#state.model.storeLitres.get(place);
    if (space === undefined || litres <= 0) return true;
    const spans = this.#storeSpans.get(place) ?? [];
    const known = spans.find((s) => s.key === key);
    const span = known ? { ...known, from: Math.min(known.from, from), to: Math.max(known.to, to) } : { key, from, to, litres };
    const others = spans.filter((s) => s !== known);
    const points = [span.from, ...others.filter((s) => s.from > span.from && s.from < span.to).map((s) => s.from)];
    for (const point of points) {
      const load = others.reduce((sum, s) => sum + (s.from <= point && point < s.to ? s.litres : 0), litres);
      if (load > space + 1e-6) return false;
    }
    this.#state.setMap(this.#storeSpans, place, [...others, span]);
    this.#state.note(`store ${place}`, () => this.#prune(place));
    return true;
  }

  #prune(place: string): boolean {
    const space = this.#state.model.storeLitres.get(place) ?? 0;
    const spans = (this.#storeSpans.get(place) ?? []).map((s) => ({ from: s.from, to: s.to, size: s.litres }));
    for (const { activity, need } of this.#state.usersOf(place)) {
      if (!this.#state.isOpen(activity) || activity.stretch > 0 || activity.minPiece !== undefined || need.span !== "run") continue;
      const full = minutesAbove(spans, space - need.use.litres + 1e-6);
      if (full.length && !this.#state.avoid(activity, need, full, "H11")) return false;
    }
    return true;
  }
}
