// Serial schedule generation: commitment of one activity after another, on undoable bounds. One activity after another is committed to a
// start; what that takes away from the others is taken out of their domains at once (calendars, cooks, equipment, stores, heat), and time
// lags carry the bounds on. A domain left empty is a failure. Source: Kolisch 1996 (serial scheme).
//
// Each resource is a file of `resources/`, with `give` and what it then takes from the others.
import { HEATED, type Hold, isWare, STORES } from "../dish/model";
import type { Interval } from "../time/interval";
import { type Activity, endOf, type Model, type Need, startOf, type Taking } from "./model";
import { Commitments, type Placement } from "./resources/commitments";
import { Hands } from "./resources/hands";
import { Heat } from "./resources/heat";
import { Stores } from "./resources/stores";
import { Units } from "./resources/units";

export class Engine extends Commitments {
  readonly hands: Hands;
  readonly units: Units;
  readonly heat: Heat;
  readonly #stores: Stores;
  readonly #takingsOf: Taking[][];
  readonly #waitingsOf: number[][];
  readonly #waitingUntil: { readonly activity: number; readonly need: Need }[][];
  readonly holdOf: Map<Taking, number> = new Map();

  constructor(model: Model) {
    super(model);
    this.hands = new Hands(this);
    this.units = new Units(this);
    this.heat = new Heat(this);
    this.#stores = new Stores(this);
    const n = model.activities.length;
    this.#takingsOf = Array.from({ length: n }, () => []);
    for (const t of model.takings) {
      (this.#takingsOf[t.taker] as Taking[]).push(t);
      if (t.maker !== undefined) (this.#takingsOf[t.maker] as Taking[]).push(t);
    }
    this.#waitingsOf = Array.from({ length: n }, () => []);
    model.waitings.forEach((w, i) => {
      for (const v of [w.from, w.to]) (this.#waitingsOf[v >> 1] as number[]).push(i);
    });
    this.#waitingUntil = Array.from({ length: n }, () => []);
    for (const activity of model.activities) {
      for (const need of activity.needs) {
        if (typeof need.span === "object" && need.span.until !== activity.index)
          (this.#waitingUntil[need.span.until] as { activity: number; need: Need }[]).push({ activity: activity.index, need });
      }
    }
  }

  /**
   * Puts an activity somewhere, with all that follows. On failure the state is broken: undo to the mark before.
   * @returns undefined on success, else the latest start that is worth trying next
   */
  commit(activity: Activity, placement: Placement): number | undefined {
    const { index } = activity;
    const next = placement.start - 1;
    this.setList(this.placements, index, placement);
    this.setList(this.placed, index, 1);
    this.beginCommitment();
    const fixed =
      this.raise(startOf(index), placement.start, "H1") &&
      this.lowerTo(startOf(index), placement.start, "H1") &&
      this.raise(endOf(index), placement.end, "H1") &&
      this.lowerTo(endOf(index), placement.end, "H1");
    if (!fixed) return next;
    if (!this.hands.give(activity, placement)) return next;
    // The rounds of a step that goes batch by batch are looked at when all its batches stand (extract.ts).
    if (activity.stretch > 0 && !activity.step.each && !this.hands.roundsOf(activity, placement)) return this.#refuse(activity, "H8", next);
    const held = this.#resolveTakings(activity);
    if (held !== undefined) return Math.min(held, next);
    if (!this.#resolveWaitings(index)) return this.#refuse(activity, "H11", next);
    for (const need of activity.needs) {
      if (!this.#giveNeed(activity, placement, need)) return next;
    }
    for (const waiting of this.#waitingUntil[index] as { activity: number; need: Need }[]) {
      const other = this.placements[waiting.activity];
      if (other && !this.#giveNeed(this.model.activities[waiting.activity] as Activity, other, waiting.need)) return next;
    }
    if (!this.pruneGiven()) return this.#broken(next);
    return this.propagate() ? undefined : next;
  }

  #broken(next: number): number {
    this.clear();
    return next;
  }

  #refuse(activity: Activity, rule: string, next: number): number {
    this.fail(activity.index, rule);
    return next;
  }

  // --- Takes and waits ------------------------------------------------------------------------------------------

  #readyAt(t: Taking): number | undefined {
    if (t.maker === undefined) return t.readyAt;
    const maker = this.placements[t.maker];
    if (!maker) return undefined;
    return t.batchEnd === undefined ? maker.end : maker.start + t.batchEnd;
  }

  /** Chooses a hold for each take that now has both its ends. Returns a hint for the next start where none fits. */
  #resolveTakings(activity: Activity): number | undefined {
    const here = this.placements[activity.index] as Placement;
    for (const t of this.#takingsOf[activity.index] as Taking[]) {
      const taker = this.placements[t.taker];
      const ready = this.#readyAt(t);
      if (!taker || ready === undefined) continue;
      if (t.holds.length === 0) continue;
      if (t.during !== undefined && t.maker !== undefined && taker.start <= ready) continue;
      const wait = taker.start - ready;
      const within = (more: (h: Hold) => number) =>
        t.holds.map((h, i) => ({ h, i })).filter(({ h }) => wait >= h.min && (h.max === undefined || wait <= h.max + more(h)));
      let fits = within(() => 0);
      if (fits.length === 0 && this.model.activities[t.taker]?.fact) continue;
      // What was made already may wait longer than quality asks, as far as the model lets it.
      if (fits.length === 0 && this.model.lenience.waits > 0 && (t.maker === undefined || this.model.activities[t.maker]?.fact))
        fits = within((h) => (h.limit === "safety" ? 0 : this.model.lenience.waits)).sort((a, b) => (b.h.max ?? 0) - (a.h.max ?? 0));
      if (fits.length > 1) fits.sort((a, b) => Number(!isBest(a.h.best, wait)) - Number(!isBest(b.h.best, wait)) || a.i - b.i);
      const chosen = fits.find(({ h, i }) => this.#stores.give(`${t.output} ${i}`, h.place, this.#madeAt(t) ?? ready, taker.end, h.litres));
      if (chosen) {
        this.setMap(this.holdOf, t, chosen.i);
        continue;
      }
      // What has been taken has been taken, room or not.
      if (this.model.activities[t.taker]?.fact) {
        this.setMap(this.holdOf, t, (fits[0] as { i: number }).i);
        continue;
      }
      this.fail(activity.index, fits.length ? "H11" : "H4");
      // Which wait would do: the maker may end earlier, or the taker start earlier.
      const isMaker = t.maker === activity.index;
      const better = t.holds
        .map((h) =>
          isMaker
            ? wait < h.min
              ? h.min - wait
              : Number.POSITIVE_INFINITY
            : h.max !== undefined && wait > h.max
              ? wait - h.max
              : Number.POSITIVE_INFINITY,
        )
        .filter(Number.isFinite);
      return better.length ? here.start - Math.min(...better) : here.start - 1;
    }
    return undefined;
  }

  /** Space counts from the end of the making step, also where batches are taken one by one. */
  #madeAt(t: Taking): number | undefined {
    return t.maker === undefined ? t.readyAt : this.placements[t.maker]?.end;
  }

  #resolveWaitings(index: number): boolean {
    for (const w of this.#waitingsOf[index] as number[]) {
      const waiting = this.model.waitings[w] as Model["waitings"][number];
      const from = this.placements[waiting.from >> 1];
      const to = this.placements[waiting.to >> 1];
      if (!from || !to || waiting.litres <= 0) continue;
      const since = waiting.from & 1 ? from.end : from.start;
      const past = this.model.activities[waiting.to >> 1]?.fact !== undefined;
      if (since < to.start && !this.#stores.give(`link ${w}`, waiting.place, since, to.start, waiting.litres) && !past) return false;
    }
    return true;
  }

  // --- Equipment ------------------------------------------------------------------------------------------------

  /** When a need holds its equipment; undefined while the step that it is kept for has no place yet. */
  #spansOf(activity: Activity, placement: Placement, need: Need): Interval[] | undefined {
    const { first, last } = this.#batchesOf(activity);
    if (typeof need.span === "object") {
      if (activity.index !== last) return [];
      const until = this.placements[need.span.until];
      const begin = this.placements[first];
      if (!until || !begin) return undefined;
      return [[begin.start, Math.max(placement.end, until.end)]];
    }
    if (need.span === "hands") return this.partsAt(activity, placement);
    if (need.throughout && first !== last) {
      const all = Array.from({ length: last - first + 1 }, (_, i) => this.placements[first + i]);
      if (all.some((p) => !p)) return [];
      return [[(all[0] as Placement).start, (all.at(-1) as Placement).end]];
    }
    return isWare(need.use.what) ? [[placement.start, placement.end]] : [...placement.pieces];
  }

  #batchesOf(activity: Activity): { first: number; last: number } {
    const { ref } = activity.step;
    return { first: this.model.first.get(ref) ?? activity.index, last: this.model.lastOf.get(ref) ?? activity.index };
  }

  #giveNeed(activity: Activity, placement: Placement, need: Need): boolean {
    const spans = this.#spansOf(activity, placement, need);
    if (!spans) return true;
    for (const [a, to] of spans) {
      // What a done step used is past; what a running one holds, it holds from its start.
      const from = activity.fact?.done && need.use.until === undefined ? Math.max(a, Math.min(this.model.now, to)) : a;
      if (from >= to) continue;
      const { what } = need.use;
      if (activity.fact && !activity.open) this.#noteFact(activity, need, from, to);
      else if ((STORES as readonly string[]).includes(what)) {
        if (!this.#stores.give(`use ${activity.index} ${need.useIndex} ${from}`, what, from, to, need.use.litres))
          return this.fail(activity.index, "H11");
      } else if ((HEATED as readonly string[]).includes(what)) {
        if (!this.heat.give(activity, need, from, to)) return this.fail(activity.index, "H10");
      } else if (!this.units.give(activity, need, from, to)) return this.fail(activity.index, "H9");
    }
    return true;
  }

  /** What a running step holds it holds, whether or not the plan would have given it. */
  #noteFact(activity: Activity, need: Need, from: number, to: number): void {
    const { what } = need.use;
    if ((STORES as readonly string[]).includes(what))
      this.#stores.give(`use ${activity.index} ${need.useIndex}`, what, from, to, need.use.litres);
    else if ((HEATED as readonly string[]).includes(what)) this.heat.give(activity, need, from, to);
    else this.units.give(activity, need, from, to);
  }
}

const isBest = (best: readonly [number, number] | undefined, wait: number) => best !== undefined && wait >= best[0] && wait <= best[1];
