// From the compiled model to the learning solver: variables, time lags, orders of what cannot be at once, capacities, choices.
//
// What is encoded holds of every plan, so a refutation here is a proof and a bound is a bound. A few things are left to the engine that
// commits (engine.ts): rounds in their order, pieces of a split step, dealing of pots of several sizes, ovens of several makes.
import { componentOf, HEATED, isWare, STORES } from "../../dish/model";
import { type Interval, type Intervals, intersect, shift, startsFitting, union } from "../../time/interval";
import { minutesToChange } from "../heat-settings";
import { type Activity, isUnitLike, type Model, type Need, type Taking } from "../model";
import { Alternatives, type Piece } from "./alternatives";
import { Cover } from "./cover";
import { Cumulative, type Moment, type Task } from "./cumulative";
import { Solver, truth } from "./solver";

/** Litres are counted in millilitres: the solver knows whole numbers only. */
const ML = 1000;

/** A piece of work for hands; `minutes` is its length where that is fixed. */
export interface Hands {
  readonly activity: number;
  readonly part: number;
  readonly from: Moment;
  readonly to: Moment;
  readonly minutes: number;
  readonly options: Piece["options"];
  /** Counts only where split steps are cut evenly (`evenPieces`). */
  readonly even: boolean;
}

/** A stretch of time for which a step holds something. */
interface Span {
  readonly activity: Activity;
  readonly need: Need;
  readonly from: Moment;
  readonly to: Moment;
  /** The literal under which it counts; -1: always. */
  readonly when: number;
}

/** Triples of oven users that are looked at: beyond them the engine that commits is left to say no. */
const MOST_TRIPLES = 4_000;

export class Encoding {
  readonly solver = new Solver();
  readonly start: Moment[] = [];
  readonly end: Moment[] = [];
  /** The variable that no start is before. */
  readonly beginning: number;
  /** Solver minutes are the model's less this. */
  readonly base: number;
  readonly hands: Hands[] = [];
  /** The literals of the holds of a taking, where there are several; `during` comes last. */
  readonly holds = new Map<Taking, { readonly literals: readonly number[]; readonly during: number | undefined }>();
  /**
   * Assumed for finding plans, not for proofs: split steps are cut into even pieces, as short as they may be.
   * Without it only the first and the last piece of a split step are seen.
   */
  readonly evenPieces: number;
  /** Assumed for finding plans where without it they fail: heat changes from wish to wish, tolerances unused. */
  readonly wishedHeat: number;
  /** The moments at which the even pieces of a split activity begin, and how long each is. */
  readonly pieces = new Map<number, readonly { readonly from: Moment; readonly minutes: number }[]>();
  /** Literals of order, with the activities that they put one after the other. */
  readonly orders: { readonly literal: number; readonly a: number; readonly b: number }[] = [];
  readonly #zero: number;
  readonly #after: readonly Uint8Array[];

  constructor(readonly model: Model) {
    this.base = model.serveAt;
    const { solver } = this;
    this.#zero = solver.newVariable(0, 0);
    this.evenPieces = solver.newLiteral();
    this.wishedHeat = solver.newLiteral();
    for (const activity of model.activities) this.#addVariables(activity);
    this.beginning = solver.newVariable(Math.min(0, ...this.start.map((m) => solver.low(m.v) + m.plus)), 0);
    model.activities.forEach((a, i) => {
      if (a.step.ref !== "") this.lag({ v: this.beginning, plus: 0 }, this.start[i] as Moment, 0);
    });
    for (const { from, to, lag } of model.lags) this.lag(this.moment(from), this.moment(to), lag);
    for (const activity of model.activities) this.#addCover(activity);
    this.#after = reachable(model);
    solver.settle();
    this.#addHands();
    this.#addUnits();
    this.#addHeat();
    this.#addHolds();
    this.#addStores();
    solver.settle();
  }

  /** The moment of one of the model's variables (starts and ends by activity). */
  moment(variable: number): Moment {
    return (variable & 1 ? this.end : this.start)[variable >> 1] as Moment;
  }

  fixed(minute: number): Moment {
    return { v: this.#zero, plus: minute - this.base };
  }

  earliest(m: Moment): number {
    return this.solver.low(m.v) + m.plus;
  }

  latest(m: Moment): number {
    return this.solver.high(m.v) + m.plus;
  }

  lag(from: Moment, to: Moment, lag: number, when = -1): void {
    if (from.v !== to.v) this.solver.addLag(from.v, to.v, lag + from.plus - to.plus, when);
    else if (to.plus < from.plus + lag && when >= 0) this.solver.assert(when ^ 1, truth(when ^ 1));
  }

  #addVariables(activity: Activity): void {
    const { solver } = this;
    if (activity.fact && !activity.open) {
      this.start.push(this.fixed(activity.fact.start));
      this.end.push(this.fixed(activity.fact.end));
      return;
    }
    const variable = (domain: Intervals) => {
      const d = shift(domain, -this.base);
      return solver.newVariable(d[0]?.[0] ?? 0, (d.at(-1)?.[1] ?? 0) - 1, d);
    };
    const rigid = activity.stretch === 0 && activity.minPiece === undefined && !activity.fact;
    const starts =
      activity.cover && activity.minPiece === undefined && !activity.fact
        ? intersect(activity.starts, startsFitting(activity.cover, activity.minutes, [-1e9, 1e9]))
        : activity.starts;
    const start = { v: variable(starts), plus: 0 };
    this.start.push(start);
    // Too short to be cut into two pieces, it stays whole.
    const whole = activity.minPiece !== undefined && activity.minutes < 2 * activity.minPiece && !activity.fact;
    if (whole) {
      this.end.push({ v: start.v, plus: activity.minutes });
      return;
    }
    this.end.push(rigid ? { v: start.v, plus: activity.minutes } : { v: variable(activity.ends), plus: 0 });
  }

  #addCover(activity: Activity): void {
    if (!activity.cover || activity.stretch === 0 || activity.minPiece !== undefined || activity.fact) return;
    const cover = new Cover(
      this.solver,
      this.start[activity.index] as Moment,
      this.end[activity.index] as Moment,
      shift(activity.cover, -this.base),
    );
    this.solver.addPropagator(cover, cover.bounds());
  }

  // --- One after the other ----------------------------------------------------------------------------------------

  /**
   * Two stretches that cannot overlap, `gap` minutes between them by order, unless one of `unless` is false.
   * @returns whether anything had to be said
   */
  #apart(
    p: { from: Moment; to: Moment },
    q: { from: Moment; to: Moment },
    gaps: readonly [number, number],
    unless: readonly (readonly number[])[],
    owners: readonly [number, number],
  ): void {
    const { solver } = this;
    const note = (literal: number) => {
      this.orders.push({ literal, a: owners[0], b: owners[1] });
      return literal;
    };
    const may = (a: typeof p, b: typeof p, gap: number) => this.earliest(a.to) + gap <= this.latest(b.from);
    if (this.latest(p.to) + gaps[0] <= this.earliest(q.from) || this.latest(q.to) + gaps[1] <= this.earliest(p.from)) return;
    const [pq, qp] = [may(p, q, gaps[0]), may(q, p, gaps[1])];
    if (unless.some((list) => list.length === 0)) {
      if (pq && qp) {
        const first = note(solver.newLiteral());
        this.lag(p.to, q.from, gaps[0], first);
        this.lag(q.to, p.from, gaps[1], first ^ 1);
      } else if (pq) this.lag(p.to, q.from, gaps[0]);
      else if (qp) this.lag(q.to, p.from, gaps[1]);
      else solver.addClause([]);
      return;
    }
    const orders: number[] = [];
    if (pq) orders.push(note(solver.newLiteral()));
    if (pq) this.lag(p.to, q.from, gaps[0], orders[0] as number);
    if (qp) orders.push(note(solver.newLiteral()));
    if (qp) this.lag(q.to, p.from, gaps[1], orders.at(-1) as number);
    for (const both of unless) solver.addClause([...orders.flatMap((o) => [o, truth(o)]), ...both.flatMap((o) => [o ^ 1, truth(o ^ 1)])]);
  }

  /** Whether one activity surely ends before another starts, by links alone. */
  #precedes(a: number, b: number): boolean {
    return (this.#after[a] as Uint8Array)[b] === 1;
  }

  // --- Hands ------------------------------------------------------------------------------------------------------

  #addHands(): void {
    const { model, solver } = this;
    for (const activity of model.activities) this.#addHandsOf(activity);
    for (let i = 0; i < this.hands.length; i++) {
      const p = this.hands[i] as Hands;
      for (let j = i + 1; j < this.hands.length; j++) {
        const q = this.hands[j] as Hands;
        if (
          p.activity === q.activity ||
          (this.#isFact(p.activity) && this.#isFact(q.activity)) ||
          this.#precedes(p.activity, q.activity) ||
          this.#precedes(q.activity, p.activity)
        )
          continue;
        const unless: number[][] = [];
        for (const a of p.options) {
          const b = q.options.find((o) => o.cook === a.cook);
          if (b) unless.push([a.does, b.does, p.even || q.even ? this.evenPieces : -1].filter((l) => l >= 0));
        }
        if (unless.length) this.#apart(p, q, [0, 0], unless, [p.activity, q.activity]);
      }
    }
    if (model.dish.cooks.length < 2) return;
    const pieces = this.hands
      .filter((h) => h.minutes > 0)
      .map(
        (h): Piece => ({
          owner: h.activity,
          v: h.from.v,
          plus: h.from.plus,
          minutes: h.minutes,
          when: h.even ? this.evenPieces : -1,
          options: h.options,
        }),
      );
    if (pieces.some((p) => p.options.length > 1)) {
      const alternatives = new Alternatives(solver, pieces);
      solver.addPropagator(alternatives, alternatives.bounds());
    }
    if (this.hands.some((h) => h.options.length > 1)) this.#addTeam();
  }

  /** All cooks together: no more hands at work than there are cooks in their hours. */
  #addTeam(): void {
    const { model } = this;
    const cooks = model.dish.cooks.length;
    // What runs already may run out of hours.
    const tasks: Task[] = this.hands
      .filter((h) => !h.even && h.options.every((o) => o.works.length > 0))
      .map((h) => ({ from: h.from, to: h.to, size: 1, when: -1 }));
    for (let c = 0; c < cooks; c++) {
      const works = model.activities.filter((a) => a.cooks.includes(c)).map((a) => a.works[a.cooks.indexOf(c)] as Intervals);
      // The widest of the cook's calendars: windows that forbid one step may allow another.
      const widest = works.reduce<Intervals>((a, b) => (minutesOf(b) > minutesOf(a) ? b : a), []);
      if (works.some((w) => minutesOf(intersect(w, widest)) < minutesOf(w))) continue;
      let at = model.now - 1440;
      for (const [from, to] of [...widest, [model.last + 1440, model.last + 1440] as Interval]) {
        if (from > at) tasks.push({ from: this.fixed(at), to: this.fixed(from), size: 1, when: -1 });
        at = to;
      }
    }
    this.#share(tasks, cooks);
  }

  #addHandsOf(activity: Activity): void {
    const { model } = this;
    const { fact } = activity;
    if (fact?.done) return;
    if (activity.minPiece !== undefined && !fact) {
      this.#addPieces(activity, activity.minPiece);
      return;
    }
    const start = this.start[activity.index] as Moment;
    const end = this.end[activity.index] as Moment;
    activity.parts.forEach((part, i) => {
      const last = i === activity.parts.length - 1;
      const open = last && activity.step.attention === "hands" && (activity.stretch > 0 || fact);
      let from: Moment =
        part.atEnd && (activity.stretch > 0 || fact)
          ? { v: end.v, plus: end.plus - part.minutes }
          : { v: start.v, plus: start.plus + (part.atEnd ? activity.minutes - part.minutes : part.offset) };
      const to: Moment = open ? end : part.atEnd && (activity.stretch > 0 || fact) ? end : { v: from.v, plus: from.plus + part.minutes };
      if (fact) {
        if (from.v === this.#zero) from = { ...from, plus: Math.max(from.plus, Math.min(model.now - this.base, this.latest(to))) };
        if (this.latest(from) >= this.latest(to)) return;
        // A fact needs no hours; whose hands they are is open where several may.
        if (activity.cooks.length === 1)
          this.hands.push({
            activity: activity.index,
            part: i,
            from,
            to,
            minutes: 0,
            options: [{ cook: activity.cooks[0] as number, does: -1, works: [] }],
            even: false,
          });
        return;
      }
      const options = this.#cooksFor(activity, [{ from, minutes: part.minutes }]);
      this.hands.push({ activity: activity.index, part: i, from, to, minutes: open ? 0 : part.minutes, options, even: false });
    });
  }

  /** Who may do all of these pieces; a literal each where several may. */
  #cooksFor(activity: Activity, pieces: readonly { readonly from: Moment; readonly minutes: number }[]): Piece["options"] {
    const { solver } = this;
    const able = activity.cooks
      .map((cook, c) => ({ cook, works: shift(activity.works[c] as Intervals, -this.base) }))
      .filter(({ works }) =>
        pieces.every(({ from, minutes }) =>
          startsFitting(works, minutes, [-1e9, 1e9]).some(([a, b]) => a <= this.latest(from) && b > this.earliest(from)),
        ),
      );
    const options = able.map((o) => ({ ...o, does: able.length > 1 ? solver.newLiteral() : -1 }));
    if (options.length > 1) {
      solver.addClause(options.flatMap((o) => [o.does, truth(o.does)]));
      options.forEach((a, x) => {
        for (const b of options.slice(x + 1)) solver.addClause([a.does ^ 1, truth(a.does ^ 1), b.does ^ 1, truth(b.does ^ 1)]);
      });
    }
    return options;
  }

  /** A split step: its first and last piece always, even pieces in between for finding. */
  #addPieces(activity: Activity, least: number): void {
    const { solver, evenPieces } = this;
    const { index, minutes } = activity;
    if (minutes === 0) return;
    const start = this.start[index] as Moment;
    const end = this.end[index] as Moment;
    if (minutes < 2 * least) {
      const options = this.#cooksFor(activity, [{ from: start, minutes }]);
      this.hands.push({ activity: index, part: 0, from: start, to: end, minutes, options, even: false });
      this.pieces.set(index, [{ from: start, minutes }]);
      return;
    }
    const last: Moment = { v: end.v, plus: end.plus - least };
    const options = this.#cooksFor(activity, [
      { from: start, minutes: least },
      { from: last, minutes: least },
    ]);
    this.hands.push(
      { activity: index, part: -1, from: start, to: { v: start.v, plus: start.plus + least }, minutes: least, options, even: false },
      { activity: index, part: -1, from: last, to: end, minutes: least, options, even: false },
    );
    const count = Math.floor(minutes / least);
    const pieces = Array.from({ length: count }, (_, k) => {
      const length = Math.floor(((k + 1) * minutes) / count) - Math.floor((k * minutes) / count);
      const starts = intersect(unionOf(options.map((o) => startsFitting(o.works, length, [-1e9, 1e9]))), [
        [this.earliest(start), this.latest(end) - length + 1],
      ]);
      if (starts.length === 0) {
        solver.assert(evenPieces ^ 1, truth(evenPieces ^ 1));
        return { from: start, minutes: length };
      }
      return { from: { v: solver.newVariable(starts[0]?.[0] ?? 0, (starts.at(-1)?.[1] ?? 1) - 1, starts), plus: 0 }, minutes: length };
    });
    const both = (a: Moment, b: Moment) => {
      this.lag(a, b, 0, evenPieces);
      this.lag(b, a, 0, evenPieces);
    };
    pieces.forEach(({ from, minutes: length }, k) => {
      const to = { v: from.v, plus: from.plus + length };
      if (k === 0) both(start, from);
      if (k === count - 1) both(to, end);
      const next = pieces[k + 1];
      if (next) this.lag(to, next.from, 0, evenPieces);
      this.hands.push({ activity: index, part: k, from, to, minutes: length, options, even: true });
    });
    this.pieces.set(index, pieces);
  }

  // --- Equipment --------------------------------------------------------------------------------------------------

  /** For how long the steps hold what is of a kind. What is past is nobody's any more. */
  #spansOf(kinds: (kind: string) => boolean): Span[] {
    const { model } = this;
    const spans: Span[] = [];
    const now = model.now - this.base;
    for (const activity of model.activities) {
      for (const need of activity.needs) {
        if (!kinds(need.use.what)) continue;
        const add = (from: Moment, to: Moment, when = -1) => {
          const past = activity.fact?.done && need.use.until === undefined;
          const begin = past ? this.fixed(model.now) : from;
          if (past && this.latest(to) <= now) return;
          if (this.latest(to) > this.earliest(begin)) spans.push({ activity, need, from: begin, to, when });
        };
        const first = model.first.get(activity.step.ref) ?? activity.index;
        const last = model.lastOf.get(activity.step.ref) ?? activity.index;
        const start = this.start[activity.index] as Moment;
        const end = this.end[activity.index] as Moment;
        if (typeof need.span === "object") {
          if (activity.index === last) add(this.start[first] as Moment, this.end[need.span.until] as Moment);
        } else if (need.span === "hands") {
          if (activity.fact) continue;
          for (const h of this.hands) if (h.activity === activity.index) add(h.from, h.to, h.even ? this.evenPieces : -1);
        } else if (need.throughout && first !== last) {
          if (activity.index === last) add(this.start[first] as Moment, end);
        } else if (activity.minPiece === undefined || isWare(need.use.what)) add(start, end);
        // A machine is held during the pieces only; for finding, from the first to the last.
        else add(start, end, this.evenPieces);
      }
    }
    return spans;
  }

  #addUnits(): void {
    const { model } = this;
    const byKind = groupedBy(
      this.#spansOf(isUnitLike).filter((s) => s.need.fitting.length > 0),
      (s) => s.need.use.what,
    );
    for (const [kind, spans] of byKind) {
      const units = model.units.get(kind) ?? [];
      const cleaning = (fitting: readonly number[]) => Math.min(...fitting.map((u) => units[u]?.clean ?? 0));
      for (let i = 0; i < spans.length; i++) {
        const p = spans[i] as Span;
        for (let j = i + 1; j < spans.length; j++) {
          const q = spans[j] as Span;
          if (p.activity === q.activity) continue;
          const either = [...new Set([...p.need.fitting, ...q.need.fitting])];
          if (p.need.use.count + q.need.use.count <= either.length) continue;
          this.#oneAtATime(p, q, p.activity.step === q.activity.step ? 0 : cleaning(either));
        }
      }
      const sets = new Map<string, readonly number[]>();
      for (const s of spans) sets.set([...s.need.fitting].sort().join(), s.need.fitting);
      for (const fitting of sets.values()) {
        const inside = spans.filter((s) => s.need.fitting.every((u) => fitting.includes(u)));
        const clean = inside.some((s) => s.activity.step.each) ? 0 : cleaning(fitting);
        if (fitting.length < 2 || inside.reduce((sum, s) => sum + s.need.use.count, 0) <= fitting.length) continue;
        this.#share(
          inside.map((s) => ({ from: s.from, to: { v: s.to.v, plus: s.to.plus + clean }, size: s.need.use.count, when: s.when })),
          fitting.length,
        );
      }
    }
  }

  #oneAtATime(p: Span, q: Span, gap: number): void {
    if ((gap === 0 && this.#isOrdered(p, q)) || (p.activity.fact && q.activity.fact)) return;
    this.#apart(p, q, [gap, gap], [underAny(p, q)], [p.activity.index, q.activity.index]);
  }

  /** By links alone; what is kept `until` a later step ends with that step. */
  #isOrdered(p: Span, q: Span): boolean {
    const last = (s: Span) => (typeof s.need.span === "object" ? s.need.span.until : s.activity.index);
    const first = (s: Span) => this.model.first.get(s.activity.step.ref) ?? s.activity.index;
    return this.#precedes(last(p), first(q)) || this.#precedes(last(q), first(p));
  }

  #addHeat(): void {
    const { model } = this;
    const byKind = groupedBy(
      this.#spansOf((kind) => (HEATED as readonly string[]).includes(kind)),
      (s) => s.need.use.what,
    );
    for (const [kind, spans] of byKind) {
      const equipment = model.dish.equipment.filter((e) => e.kind === kind);
      const inMl = kind === "bath";
      const room = equipment.reduce((sum, e) => sum + (inMl ? (e.litres ?? Number.POSITIVE_INFINITY) : e.racks), 0);
      const size = (s: Span) => (inMl ? s.need.use.litres : s.need.use.racks);
      if (Number.isFinite(room))
        this.#addCapacity(
          spans.map((s) => ({ from: s.from, to: s.to, size: size(s), when: s.when })),
          room,
        );
      const only = equipment[0];
      const clashes: [Span, Span][] = [];
      if (equipment.length !== 1 || !only) continue;
      for (let i = 0; i < spans.length; i++) {
        const p = spans[i] as Span;
        for (let j = i + 1; j < spans.length; j++) {
          const q = spans[j] as Span;
          if (p.activity === q.activity) continue;
          const [a, b] = [p.need.use, q.need.use];
          const apart = Math.max(0, Math.abs(a.tempC - b.tempC) - a.toleranceC - b.toleranceC);
          const modes = a.mode !== "any" && b.mode !== "any" && a.mode !== b.mode;
          if (apart === 0 && !modes && size(p) + size(q) <= room + 1e-6) continue;
          const ramps = (a.ramp || b.ramp) && componentOf(p.activity.step.ref) === componentOf(q.activity.step.ref);
          const begun = p.activity.fact && q.activity.fact;
          if (begun) continue;
          const gapsFor = (degrees: number): [number, number] => {
            const [rise, fall] = ramps ? [0, 0] : [minutesToChange(only, 0, degrees), minutesToChange(only, degrees, 0)];
            return b.tempC > a.tempC ? [rise, fall] : [fall, rise];
          };
          const gaps = gapsFor(apart);
          const wished = gapsFor(Math.abs(a.tempC - b.tempC));
          if (Math.max(...wished) === 0 && this.#isOrdered(p, q)) continue;
          this.#apart(p, q, gaps, [underAny(p, q)], [p.activity.index, q.activity.index]);
          if (wished[0] > gaps[0] || wished[1] > gaps[1])
            this.#apart(p, q, wished, [[this.wishedHeat]], [p.activity.index, q.activity.index]);
          if (apart > 0 || modes) clashes.push([p, q]);
        }
      }
      this.#addShared(spans, clashes);
    }
  }

  /** Between two users of which one setting cannot suit both, the setting changes, and then nothing stands inside. */
  #addShared(spans: readonly Span[], clashes: readonly (readonly [Span, Span])[]): void {
    const { solver } = this;
    const clash = (p: Span, q: Span) => clashes.some(([a, b]) => (a === p && b === q) || (a === q && b === p));
    const known = new Map<string, number | undefined>();
    /** The literal "p ends before q begins"; undefined: always so or never, by `always`. */
    const before = (p: Span, q: Span): number | undefined => {
      const key = `${spans.indexOf(p)} ${spans.indexOf(q)}`;
      if (!known.has(key)) {
        const literal = this.earliest(p.to) <= this.latest(q.from) ? solver.newLiteral() : undefined;
        if (literal !== undefined) this.lag(p.to, q.from, 0, literal);
        known.set(key, literal);
      }
      return known.get(key);
    };
    let triples = 0;
    for (const [p, q] of clashes) {
      for (const between of spans) {
        if (between === p || between === q || clash(between, p) || clash(between, q) || between.need.use.ramp) continue;
        for (const [a, c] of [
          [p, q],
          [q, p],
        ] as const) {
          // It can reach over the change only if it can begin before `a` ends and end after `c` begins.
          if (this.earliest(between.from) >= this.latest(a.to) || this.latest(between.to) <= this.earliest(c.from)) continue;
          if (this.earliest(a.to) > this.latest(c.from) || ++triples > MOST_TRIPLES) continue;
          const [ca, bc, ab] = [before(c, a), before(between, c), before(a, between)];
          const lits = [ca, bc, ab].flatMap((l) => (l === undefined ? [] : [l, truth(l)]));
          solver.addClause([...lits, ...underAny(p, q, between).flatMap((l) => [l ^ 1, truth(l ^ 1)])]);
        }
      }
    }
  }

  #addCapacity(tasks: readonly Task[], room: number): void {
    const inside = tasks
      .map((t) => ({ ...t, size: Math.floor(t.size * ML + 1e-6) }))
      .filter((t) => t.size > 0 && this.latest(t.to) > this.earliest(t.from));
    const capacity = Math.ceil(room * ML - 1e-6);
    if (inside.length === 0 || inside.reduce((sum, t) => sum + t.size, 0) <= capacity) return;
    this.#share(inside, capacity);
  }

  #share(tasks: readonly Task[], capacity: number): void {
    // What stands in the log is not argued with, even where it asked for more than there is.
    const stands = tasks.filter((t) => t.from.v === this.#zero && t.to.v === this.#zero && t.size > 0);
    const asked = stands.map((s) =>
      stands.reduce((sum, t) => (t.from.plus <= s.from.plus && s.from.plus < t.to.plus ? sum + t.size : sum), 0),
    );
    if (Math.max(0, ...asked) > capacity) return;
    const shared = new Cumulative(this.solver, capacity, tasks);
    this.solver.addPropagator(shared, shared.bounds());
  }

  #isFact(activity: number): boolean {
    return this.model.activities[activity]?.fact !== undefined;
  }

  // --- Waits ------------------------------------------------------------------------------------------------------

  /** When what is taken is ready; undefined for a fact of long ago. */
  readyOf(t: Taking): Moment {
    if (t.maker === undefined) return this.fixed(t.readyAt as number);
    if (t.batchEnd === undefined) return this.end[t.maker] as Moment;
    const start = this.start[t.maker] as Moment;
    return { v: start.v, plus: start.plus + t.batchEnd };
  }

  #addHolds(): void {
    const { model, solver } = this;
    for (const t of model.takings) {
      const taker = model.activities[t.taker] as Activity;
      const during = t.during !== undefined && t.maker !== undefined;
      if (taker.fact || t.holds.length === 0 || (t.holds.length === 1 && !during)) continue;
      const ready = this.readyOf(t);
      const start = this.start[t.taker] as Moment;
      const literals = t.holds.map((hold) => {
        const literal = solver.newLiteral();
        this.lag(ready, start, hold.min, literal);
        if (hold.max !== undefined) this.lag(start, ready, -hold.max, literal);
        return literal;
      });
      const inside = during ? solver.newLiteral() : undefined;
      if (inside !== undefined) this.lag(start, ready, 0, inside);
      const all = inside === undefined ? literals : [...literals, inside];
      solver.addClause(all.flatMap((l) => [l, truth(l)]));
      this.holds.set(t, { literals, during: inside });
    }
  }

  #addStores(): void {
    const { model } = this;
    for (const place of STORES) {
      const room = model.storeLitres.get(place) ?? Number.POSITIVE_INFINITY;
      if (!Number.isFinite(room)) continue;
      const tasks: Task[] = this.#spansOf((kind) => kind === place).map((s) => ({
        from: s.from,
        to: s.to,
        size: s.need.use.litres,
        when: s.when,
      }));
      for (const w of model.waitings) {
        if (w.place === place && w.litres > 0) tasks.push({ from: this.moment(w.from), to: this.moment(w.to), size: w.litres, when: -1 });
      }
      for (const takings of groupedBy(model.takings, (t) => t.output).values()) {
        const holds = takings[0]?.holds ?? [];
        holds.forEach((hold, h) => {
          if (hold.place !== place || hold.litres <= 0) return;
          tasks.push(...this.#keptUnder(takings, h, hold.litres));
        });
      }
      this.#addCapacity(tasks, room);
    }
  }

  /** What is kept of an output under one of its holds: from its making to the end of the last taker under that hold. */
  #keptUnder(takings: readonly Taking[], hold: number, litres: number): Task[] {
    const { solver } = this;
    const one = takings[0];
    if (!one) return [];
    const made = one.maker === undefined ? this.fixed(one.readyAt as number) : (this.end[one.maker] as Moment);
    const literal = (t: Taking) => this.holds.get(t)?.literals[hold] ?? -1;
    // A taker that has begun took under a hold that nobody asks for any more.
    const live = takings.filter((t) => !this.model.activities[t.taker]?.fact && t.holds.length > hold);
    if (live.length === 0 || live.some((t) => t.maker !== one.maker)) return [];
    if (live.length === 1) {
      const t = live[0] as Taking;
      return [{ from: made, to: this.end[t.taker] as Moment, size: litres, when: literal(t) }];
    }
    const until = solver.newVariable(Math.min(...live.map((t) => this.earliest(this.end[t.taker] as Moment))), this.model.last - this.base);
    for (const t of live) this.lag(this.end[t.taker] as Moment, { v: until, plus: 0 }, 0, literal(t));
    if (live.some((t) => literal(t) < 0)) return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: -1 }];
    const used = solver.newLiteral();
    for (const t of live) solver.addClause([used, truth(used), literal(t) ^ 1, truth(literal(t) ^ 1)]);
    return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: used }];
  }
}

function groupedBy<T, K>(list: readonly T[], key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}

/** The literals under which all of these count. */
const underAny = (...spans: readonly Span[]) => [...new Set(spans.map((s) => s.when))].filter((l) => l >= 0);

const unionOf = (lists: readonly Intervals[]) => union(lists.flat());

const minutesOf = (list: Intervals) => list.reduce((sum, [a, b]) => sum + b - a, 0);

/** For each activity, those that can only start once it has ended, by time lags that lose no time. */
function reachable(model: Model): Uint8Array[] {
  const n = model.activities.length;
  const out: number[][] = Array.from({ length: 2 * n }, () => []);
  for (const { from, to, lag } of model.lags) if (lag >= 0) (out[from] as number[]).push(to);
  return model.activities.map((a) => {
    const seen = new Uint8Array(2 * n);
    const stack = [2 * a.index + 1];
    const after = new Uint8Array(n);
    for (let v = stack.pop(); v !== undefined; v = stack.pop()) {
      for (const w of out[v] as number[]) {
        if (seen[w]) continue;
        seen[w] = 1;
        if (!(w & 1)) after[w >> 1] = 1;
        stack.push(w);
      }
    }
    return after;
  });
}
