// The engine: commitment of one activity after another, on the undoable bounds of bounds.ts.
// One activity after another is committed to a start; what that takes away from the others is taken out of their domains at
// once (calendars, cooks, equipment, stores, heat), and time lags carry the bounds on. A domain left empty is a failure.
import { componentOf, HEATED, type Hold, isWare, STORES } from "../dish/model";
import {
  covers,
  type Interval,
  type Intervals,
  intersect,
  minutesAbove,
  nearestWithin,
  overlaps,
  shift,
  startsAvoiding,
  startsFitting,
  subtract,
  union,
} from "../time/interval";
import { Bounds } from "./bounds";
import { type HeatUser, minutesToChange, settle } from "./heat-settings";
import { type Activity, endOf, type Model, type Need, roundOffsets, startOf, type Taking } from "./model";
import type { Setting } from "./plan";
import { deal, isFree, type UnitSpan } from "./unit-spans";

interface StoreSpan {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly litres: number;
}
interface HandsGiven {
  readonly activity: number;
  readonly from: number;
  readonly to: number;
  readonly cook: number;
}
/** Where an activity is put. */
export interface Placement {
  readonly start: number;
  readonly end: number;
  readonly pieces: readonly Interval[];
  /** The cook of all pieces of a split step. */
  readonly cook?: number;
  /** The cook wished for each part of it, by the activity's parts. */
  readonly wishedCooks?: readonly (number | undefined)[] | undefined;
}

const EVERYWHERE: Interval = [-1e9, 1e9];

export class Engine extends Bounds {
  readonly placed: Uint8Array;
  readonly placements: (Placement | undefined)[];
  readonly #takingsOf: Taking[][];
  readonly #waitingsOf: number[][];
  readonly #waitingUntil: { readonly activity: number; readonly need: Need }[][];
  readonly #usersOfKind = new Map<string, { readonly activity: Activity; readonly need: Need }[]>();
  #unitSpans = new Map<string, readonly UnitSpan[]>();
  #heatUsers = new Map<string, readonly HeatUser[]>();
  #heatSettings = new Map<string, readonly Setting[]>();
  #storeSpans = new Map<string, readonly StoreSpan[]>();
  #hands: (readonly HandsGiven[])[];
  #free: Intervals[];
  readonly holdOf: Map<Taking, number> = new Map();
  #justGiven: HandsGiven[] = [];
  readonly #preferHelper: readonly number[];

  constructor(model: Model) {
    super(model);
    const n = model.activities.length;
    this.placed = new Uint8Array(n);
    this.placements = new Array(n).fill(undefined);
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
        const users = this.#usersOfKind.get(need.use.what) ?? [];
        users.push({ activity, need });
        this.#usersOfKind.set(need.use.what, users);
        if (typeof need.span === "object" && need.span.until !== activity.index)
          (this.#waitingUntil[need.span.until] as { activity: number; need: Need }[]).push({ activity: activity.index, need });
      }
    }
    const reach: Interval = [model.now - 1e6, model.last + 1e6];
    const works = model.dish.cooks.map((_, c) =>
      union(model.activities.flatMap((a) => (a.cooks.includes(c) ? (a.works[a.cooks.indexOf(c)] as Intervals) : []))),
    );
    this.#free = works.map(() => [reach]);
    this.#hands = works.map(() => []);
    // Who has the fewest hours works first where either may: the other's evenings stay open for what only they can do.
    const total = works.map((w) => w.reduce((sum, [a, b]) => sum + b - a, 0));
    this.#preferHelper = total.map((_, c) => c).sort((a, b) => (total[a] as number) - (total[b] as number));
  }

  // --- Commitment -----------------------------------------------------------------------------------------------

  /**
   * Puts an activity somewhere, with all that follows. On failure the state is broken: undo to the mark before.
   * @returns undefined on success, else the latest start that is worth trying next
   */
  commit(activity: Activity, placement: Placement): number | undefined {
    const { index } = activity;
    const next = placement.start - 1;
    this.setList(this.placements, index, placement);
    this.setList(this.placed, index, 1);
    const dirty = new Set<string>();
    this.#justGiven = [];
    const fixed =
      this.raise(startOf(index), placement.start, "H1") &&
      this.lowerTo(startOf(index), placement.start, "H1") &&
      this.raise(endOf(index), placement.end, "H1") &&
      this.lowerTo(endOf(index), placement.end, "H1");
    if (!fixed) return next;
    if (!this.#giveHands(activity, placement)) return next;
    // The rounds of a step that goes batch by batch are looked at when all its batches stand (extract.ts).
    if (activity.stretch > 0 && !activity.step.each && !this.roundsOf(activity, placement)) return this.#refuse(activity, "H8", next);
    const held = this.#resolveTakings(activity, dirty);
    if (held !== undefined) return Math.min(held, next);
    if (!this.#resolveWaitings(index, dirty)) return this.#refuse(activity, "H11", next);
    for (const need of activity.needs) {
      if (!this.#giveNeed(activity, placement, need, dirty)) return next;
    }
    for (const waiting of this.#waitingUntil[index] as { activity: number; need: Need }[]) {
      const other = this.placements[waiting.activity];
      if (other && !this.#giveNeed(this.model.activities[waiting.activity] as Activity, other, waiting.need, dirty)) return next;
    }
    if (!this.#takeOut(dirty)) return this.#broken(next);
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

  /** Hands-on parts of a placement, as minutes. Parts of a running step that are past are nobody's any more. */
  partsAt(activity: Activity, placement: Placement): Interval[] {
    if (activity.step.attention === "hands" && (activity.minPiece !== undefined || placement.pieces.length > 1))
      return [...placement.pieces];
    const spans = activity.parts.map((p, i): Interval => {
      if (activity.fact && !activity.fact.done && i === activity.parts.length - 1 && (p.atEnd || activity.step.attention === "hands")) {
        return p.atEnd
          ? [Math.max(placement.start, placement.end - p.minutes), placement.end]
          : [Math.min(placement.end, placement.start + p.offset), placement.end];
      }
      if (p.atEnd) return [placement.end - p.minutes, placement.end];
      const last = activity.step.attention === "hands" && i === activity.parts.length - 1;
      return [placement.start + p.offset, last ? placement.end : placement.start + p.offset + p.minutes];
    });
    return activity.fact ? spans.map(([a, b]): Interval => [Math.max(a, Math.min(this.model.now, b)), b]).filter(([a, b]) => a < b) : spans;
  }

  #giveHands(activity: Activity, placement: Placement): boolean {
    if (activity.fact?.done) return true;
    for (const [part, [from, to]] of this.partsAt(activity, placement).entries()) {
      if (from >= to) continue;
      const wished = placement.wishedCooks?.[part];
      if (wished !== undefined && this.#mayWork(activity, wished, from, to) && covers(this.#free[wished] as Intervals, from, to)) {
        this.#give({ activity: activity.index, from, to, cook: wished });
        continue;
      }
      const cook = this.#cookFor(activity, from, to, placement.cook) ?? (activity.fact ? this.#anybody(activity, from, to) : undefined);
      if (cook === undefined) return this.fail(activity.index, "H6");
      this.#give({ activity: activity.index, from, to, cook });
    }
    return true;
  }

  #give(given: HandsGiven): void {
    this.setList(this.#hands, given.cook, [...(this.#hands[given.cook] as HandsGiven[]), given]);
    this.setList(this.#free, given.cook, subtract(this.#free[given.cook] as Intervals, [[given.from, given.to]]));
    this.#justGiven.push(given);
  }

  #mayWork(activity: Activity, cook: number, from: number, to: number): boolean {
    const at = activity.cooks.indexOf(cook);
    return at >= 0 && covers(activity.works[at] as Intervals, from, to);
  }

  #cookFor(activity: Activity, from: number, to: number, wanted: number | undefined): number | undefined {
    const able = this.#preferHelper.filter((c) => (wanted === undefined || c === wanted) && this.#mayWork(activity, c, from, to));
    const free = able.find((c) => covers(this.#free[c] as Intervals, from, to));
    if (free !== undefined) return free;
    // Somebody else may take over what stands in the way.
    for (const cook of able) {
      const inTheWay = (this.#hands[cook] as HandsGiven[]).filter((h) => h.from < to && from < h.to);
      const moves = inTheWay.map((h) => {
        const other = this.model.activities[h.activity] as Activity;
        const heir =
          other.minPiece === undefined && !other.fact
            ? other.cooks.find(
                (c) => c !== cook && this.#mayWork(other, c, h.from, h.to) && covers(this.#free[c] as Intervals, h.from, h.to),
              )
            : undefined;
        return heir === undefined ? undefined : { ...h, cook: heir };
      });
      if (moves.some((m) => m === undefined) || new Set(moves.map((m) => m?.cook)).size < moves.length) continue;
      this.setList(
        this.#hands,
        cook,
        (this.#hands[cook] as HandsGiven[]).filter((h) => !inTheWay.includes(h)),
      );
      this.setList(this.#free, cook, union([...(this.#free[cook] as Intervals), ...inTheWay.map((h) => [h.from, h.to] as const)]));
      for (const move of moves) if (move) this.#give(move);
      return cook;
    }
    return undefined;
  }

  /** A fact needs no hours, only a pair of hands; where none is free, somebody does two things at once (an exception of the plan). */
  #anybody(activity: Activity, from: number, to: number): number | undefined {
    return activity.cooks.find((c) => covers(this.#free[c] as Intervals, from, to)) ?? activity.cooks[0];
  }

  /** When a cook's hands are given away. */
  busy(cook: number): Intervals {
    return union((this.#hands[cook] as HandsGiven[]).map((h) => [h.from, h.to] as const));
  }

  hands(activity: number): HandsGiven[] {
    return this.#hands.flatMap((list) => list.filter((h) => h.activity === activity)).sort((a, b) => a.from - b.from);
  }

  /** Minutes of the rounds of a placement, rhythm by rhythm; undefined where some round finds nobody there. */
  roundsOf(activity: Activity, { start, end }: Placement): { at: number; tend: number }[] | undefined {
    const rounds: { at: number; tend: number }[] = [];
    for (const [index, tend] of activity.step.tends.entries()) {
      const there = this.model.roundMinutes(activity.step, tend.takes);
      const play = Math.floor(Math.max(tend.every / 4, 5));
      let before = Number.NEGATIVE_INFINITY;
      for (const offset of roundOffsets(tend, end - start)) {
        const wish = start + offset;
        const from = Math.max(start, wish - play, before + Math.ceil(tend.every / 2));
        // A round that lies behind is taken as done when it was due.
        const at =
          activity.fact && (activity.fact.done || wish < this.model.now)
            ? Math.max(wish, from)
            : (nearestWithin(there, wish, from, Math.min(end - 1, wish + play)) ??
              (activity.fact || this.model.tied.has(activity.step.ref) ? Math.min(end - 1, Math.max(wish, from)) : undefined));
        if (at === undefined) return undefined;
        rounds.push({ at, tend: index });
        before = at;
      }
    }
    return rounds.sort((a, b) => a.at - b.at || a.tend - b.tend);
  }

  // --- Takes and stores -----------------------------------------------------------------------------------------

  #readyAt(t: Taking): number | undefined {
    if (t.maker === undefined) return t.readyAt;
    const maker = this.placements[t.maker];
    if (!maker) return undefined;
    return t.batchEnd === undefined ? maker.end : maker.start + t.batchEnd;
  }

  /** Chooses a hold for each take that now has both its ends. Returns a hint for the next start where none fits. */
  #resolveTakings(activity: Activity, dirty: Set<string>): number | undefined {
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
      const chosen = fits.find(({ h, i }) =>
        this.#store(`${t.output} ${i}`, h.place, this.#madeAt(t) ?? ready, taker.end, h.litres, dirty),
      );
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

  #store(key: string, place: string, from: number, to: number, litres: number, dirty: Set<string>): boolean {
    const space = this.model.storeLitres.get(place);
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
    this.setMap(this.#storeSpans, place, [...others, span]);
    dirty.add(`store ${place}`);
    return true;
  }

  #resolveWaitings(index: number, dirty: Set<string>): boolean {
    for (const w of this.#waitingsOf[index] as number[]) {
      const waiting = this.model.waitings[w] as Model["waitings"][number];
      const from = this.placements[waiting.from >> 1];
      const to = this.placements[waiting.to >> 1];
      if (!from || !to || waiting.litres <= 0) continue;
      const since = waiting.from & 1 ? from.end : from.start;
      const past = this.model.activities[waiting.to >> 1]?.fact !== undefined;
      if (since < to.start && !this.#store(`link ${w}`, waiting.place, since, to.start, waiting.litres, dirty) && !past) return false;
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

  #giveNeed(activity: Activity, placement: Placement, need: Need, dirty: Set<string>): boolean {
    const spans = this.#spansOf(activity, placement, need);
    if (!spans) return true;
    for (const [a, to] of spans) {
      // What a done step used is past; what a running one holds, it holds from its start.
      const from = activity.fact?.done && need.use.until === undefined ? Math.max(a, Math.min(this.model.now, to)) : a;
      if (from >= to) continue;
      const { what } = need.use;
      if (activity.fact && !activity.open) this.#noteFact(activity, need, from, to, dirty);
      else if ((STORES as readonly string[]).includes(what)) {
        if (!this.#store(`use ${activity.index} ${need.useIndex} ${from}`, what, from, to, need.use.litres, dirty))
          return this.fail(activity.index, "H11");
      } else if ((HEATED as readonly string[]).includes(what)) {
        if (!this.#heat(activity, need, from, to, dirty)) return this.fail(activity.index, "H10");
      } else if (!this.#giveUnits(activity, need, from, to, dirty)) return this.fail(activity.index, "H9");
    }
    return true;
  }

  /** What a running step holds it holds, whether or not the plan would have given it. */
  #noteFact(activity: Activity, need: Need, from: number, to: number, dirty: Set<string>): void {
    const { what } = need.use;
    if ((STORES as readonly string[]).includes(what))
      this.#store(`use ${activity.index} ${need.useIndex}`, what, from, to, need.use.litres, dirty);
    else if ((HEATED as readonly string[]).includes(what)) this.#heat(activity, need, from, to, dirty);
    else this.#giveUnits(activity, need, from, to, dirty);
  }

  #giveUnits(activity: Activity, need: Need, from: number, to: number, dirty: Set<string>): boolean {
    const kind = need.use.what;
    const units = this.model.units.get(kind) ?? [];
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
    this.setMap(this.#unitSpans, kind, spans);
    dirty.add(`units ${kind}`);
    return true;
  }

  unitSpans(): UnitSpan[] {
    return [...this.#unitSpans.values()].flat();
  }

  #heat(activity: Activity, need: Need, from: number, to: number, dirty: Set<string>): boolean {
    const { use } = need;
    const user: HeatUser = {
      step: activity.step.ref,
      component: componentOf(activity.step.ref),
      use,
      from,
      to,
      begun: activity.fact !== undefined,
    };
    if (activity.fact?.done && to <= this.model.now) return true;
    for (const equipment of this.model.dish.equipment) {
      if (equipment.kind !== use.what || equipment.maxC < use.tempC - use.toleranceC) continue;
      const available = this.model.units.get(equipment.kind)?.find((u) => u.id === equipment.id)?.available;
      if (available && !activity.fact && !covers(available, from, to)) continue;
      const users = [...(this.#heatUsers.get(equipment.id) ?? []), user];
      const settings = settle(
        equipment,
        users,
        this.model.now,
        {
          heat: (step) => this.model.closed("heat", step),
          lighting: (step) => this.model.closed("start-heat", step),
        },
        this.model.warmth.get(equipment.id),
      );
      if (!settings) continue;
      this.setMap(this.#heatUsers, equipment.id, users);
      this.setMap(this.#heatSettings, equipment.id, settings);
      dirty.add(`heat ${equipment.id}`);
      return true;
    }
    return false;
  }

  settings(): Setting[] {
    return [...this.#heatSettings.values()].flat().sort((a, b) => a.from - b.from || (a.id < b.id ? -1 : 1));
  }

  heatUsers(): ReadonlyMap<string, readonly HeatUser[]> {
    return this.#heatUsers;
  }

  // --- What a commitment takes away from the others ---------------------------------------------------------------

  #takeOut(dirty: ReadonlySet<string>): boolean {
    for (const given of this.#justGiven) if (!this.#takeOutHands(given)) return false;
    for (const key of dirty) {
      const [what, name] = [key.slice(0, key.indexOf(" ")), key.slice(key.indexOf(" ") + 1)];
      const ok = what === "units" ? this.#takeOutUnits(name) : what === "store" ? this.#takeOutStore(name) : this.#takeOutHeat(name);
      if (!ok) return false;
    }
    return true;
  }

  /** Starts that would lay a hands part over what was just given away, unless another cook is free for it. */
  #takeOutHands(given: HandsGiven): boolean {
    for (const activity of this.model.activities) {
      const { index } = activity;
      if (this.placed[index] || activity.fact || activity.minPiece !== undefined || !activity.cooks.includes(given.cook)) continue;
      for (const part of activity.parts) {
        const anchoredAtEnd = part.atEnd && activity.stretch > 0;
        const v = anchoredAtEnd ? endOf(index) : startOf(index);
        const offset = anchoredAtEnd ? -part.minutes : part.atEnd ? activity.minutes - part.minutes : part.offset;
        const from = Math.max(given.from - offset - part.minutes + 1, this.lower[v] as number);
        const to = Math.min(given.to - offset, (this.upper[v] as number) + 1);
        if (from >= to || !overlaps(this.domain(v), from, to)) continue;
        let lost: Intervals = [[from, to]];
        for (const cook of activity.cooks) {
          if (cook !== given.cook)
            lost = subtract(lost, shift(startsFitting(this.#free[cook] as Intervals, part.minutes, EVERYWHERE), -offset));
        }
        if (lost.length && !this.narrow(v, subtract(this.domain(v), lost), "H6")) return false;
      }
    }
    return true;
  }

  /** Minutes in which so many of the fitting units are taken that `count` more are not to be had. */
  #takeOutUnits(kind: string): boolean {
    const units = this.model.units.get(kind) ?? [];
    const spans = this.#unitSpans.get(kind) ?? [];
    for (const { activity, need } of this.#usersOfKind.get(kind) ?? []) {
      if (
        this.placed[activity.index] ||
        activity.fact ||
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
      if (full.length && !this.#avoid(activity, need, full, "H9")) return false;
    }
    return true;
  }

  #takeOutStore(place: string): boolean {
    const space = this.model.storeLitres.get(place) ?? 0;
    const spans = (this.#storeSpans.get(place) ?? []).map((s) => ({ from: s.from, to: s.to, size: s.litres }));
    for (const { activity, need } of this.#usersOfKind.get(place) ?? []) {
      if (this.placed[activity.index] || activity.fact || activity.stretch > 0 || activity.minPiece !== undefined || need.span !== "run")
        continue;
      const full = minutesAbove(spans, space - need.use.litres + 1e-6);
      if (full.length && !this.#avoid(activity, need, full, "H11")) return false;
    }
    return true;
  }

  #takeOutHeat(id: string): boolean {
    const equipment = this.model.dish.equipment.find((e) => e.id === id);
    if (!equipment || this.model.dish.equipment.some((e) => e !== equipment && e.kind === equipment.kind)) return true;
    const users = this.#heatUsers.get(id) ?? [];
    const room = equipment.kind === "bath" ? (equipment.litres ?? Number.POSITIVE_INFINITY) : equipment.racks;
    for (const { activity, need } of this.#usersOfKind.get(equipment.kind) ?? []) {
      if (this.placed[activity.index] || activity.fact || activity.stretch > 0 || activity.minPiece !== undefined || need.span !== "run")
        continue;
      const { use } = need;
      const size = (u: typeof use) => (equipment.kind === "bath" ? u.litres : u.racks);
      const full = minutesAbove(
        users.map((u) => ({ from: u.from, to: u.to, size: size(u.use) })),
        room - size(use) + 1e-6,
      );
      let blocked: Interval[] = [...full];
      for (const user of users) {
        const apart = Math.max(0, Math.abs(user.use.tempC - use.tempC) - user.use.toleranceC - use.toleranceC);
        const modes = user.use.mode !== "any" && use.mode !== "any" && user.use.mode !== use.mode;
        if (apart === 0 && !modes) continue;
        const ramps = (use.ramp || user.use.ramp) && user.component === componentOf(activity.step.ref);
        const [cold, hot] = [0, apart];
        const rise = ramps ? 0 : minutesToChange(equipment, cold, hot);
        const fall = ramps ? 0 : minutesToChange(equipment, hot, cold);
        const hotter = user.use.tempC > use.tempC;
        blocked.push([user.from - (hotter ? rise : fall), user.to + (hotter ? fall : rise)]);
      }
      blocked = [...union(blocked)];
      if (blocked.length && !this.#avoid(activity, need, blocked, "H10")) return false;
    }
    return true;
  }

  #avoid(activity: Activity, need: Need, blocked: Intervals, rule: string): boolean {
    const s = startOf(activity.index);
    let starts = this.domain(s);
    if (need.span === "hands") {
      for (const part of activity.parts)
        starts = intersect(
          starts,
          shift(startsAvoiding(blocked, part.minutes, EVERYWHERE), -(part.atEnd ? activity.minutes - part.minutes : part.offset)),
        );
    } else starts = intersect(starts, startsAvoiding(blocked, activity.minutes, EVERYWHERE));
    return this.narrow(s, starts, rule);
  }
}

const isBest = (best: readonly [number, number] | undefined, wait: number) => best !== undefined && wait >= best[0] && wait <= best[1];
