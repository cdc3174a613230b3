// Pots, burners, machines and what is hot, for the learning solver: how long a step holds what, and what cannot be at once.
import { componentOf, HEATED, isWare } from "../../dish/model";
import { minutesToChange } from "../heat-settings";
import { type Activity, isUnitLike, type Need } from "../model";
import type { Moment } from "./cumulative";
import type { Encoding } from "./encode";
import { truth } from "./solver";

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

/** For how long the steps hold what is of a kind. What is past is nobody's any more. */
export function spansOf(e: Encoding, kinds: (kind: string) => boolean): Span[] {
  const { model } = e;
  const spans: Span[] = [];
  const now = model.now - e.base;
  for (const activity of model.activities) {
    for (const need of activity.needs) {
      if (!kinds(need.use.what)) continue;
      const add = (from: Moment, to: Moment, when = -1) => {
        const past = activity.fact?.done && need.use.until === undefined;
        const begin = past ? e.fixed(model.now) : from;
        if (past && e.latest(to) <= now) return;
        if (e.latest(to) > e.earliest(begin)) spans.push({ activity, need, from: begin, to, when });
      };
      const first = model.first.get(activity.step.ref) ?? activity.index;
      const last = model.lastOf.get(activity.step.ref) ?? activity.index;
      const start = e.start[activity.index] as Moment;
      const end = e.end[activity.index] as Moment;
      if (typeof need.span === "object") {
        if (activity.index === last) add(e.start[first] as Moment, e.end[need.span.until] as Moment);
      } else if (need.span === "hands") {
        if (activity.fact) continue;
        for (const h of e.hands) if (h.activity === activity.index) add(h.from, h.to, h.even ? e.evenPieces : -1);
      } else if (need.throughout && first !== last) {
        if (activity.index === last) add(e.start[first] as Moment, end);
      } else if (activity.minPiece === undefined || isWare(need.use.what)) add(start, end);
      // A machine is held during the pieces only; for finding, from the first to the last.
      else add(start, end, e.evenPieces);
    }
  }
  return spans;
}

export function encodeUnits(e: Encoding): void {
  const { model } = e;
  const byKind = groupedBy(
    spansOf(e, isUnitLike).filter((s) => s.need.fitting.length > 0),
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
        oneAtATime(e, p, q, p.activity.step === q.activity.step ? 0 : cleaning(either));
      }
    }
    const sets = new Map<string, readonly number[]>();
    for (const s of spans) sets.set([...s.need.fitting].sort().join(), s.need.fitting);
    for (const fitting of sets.values()) {
      const inside = spans.filter((s) => s.need.fitting.every((u) => fitting.includes(u)));
      const clean = inside.some((s) => s.activity.step.each) ? 0 : cleaning(fitting);
      if (fitting.length < 2 || inside.reduce((sum, s) => sum + s.need.use.count, 0) <= fitting.length) continue;
      e.share(
        inside.map((s) => ({ from: s.from, to: { v: s.to.v, plus: s.to.plus + clean }, size: s.need.use.count, when: s.when })),
        fitting.length,
      );
    }
  }
}

function oneAtATime(e: Encoding, p: Span, q: Span, gap: number): void {
  if ((gap === 0 && isOrdered(e, p, q)) || (p.activity.fact && q.activity.fact)) return;
  e.apart(p, q, [gap, gap], [underAny(p, q)], [p.activity.index, q.activity.index]);
}

/** By links alone; what is kept `until` a later step ends with that step. */
function isOrdered(e: Encoding, p: Span, q: Span): boolean {
  const last = (s: Span) => (typeof s.need.span === "object" ? s.need.span.until : s.activity.index);
  const first = (s: Span) => e.model.first.get(s.activity.step.ref) ?? s.activity.index;
  return e.precedes(last(p), first(q)) || e.precedes(last(q), first(p));
}

export function encodeHeat(e: Encoding): void {
  const { model } = e;
  const byKind = groupedBy(
    spansOf(e, (kind) => (HEATED as readonly string[]).includes(kind)),
    (s) => s.need.use.what,
  );
  for (const [kind, spans] of byKind) {
    const equipment = model.dish.equipment.filter((e) => e.kind === kind);
    const inMl = kind === "bath";
    const room = equipment.reduce((sum, e) => sum + (inMl ? (e.litres ?? Number.POSITIVE_INFINITY) : e.racks), 0);
    const size = (s: Span) => (inMl ? s.need.use.litres : s.need.use.racks);
    if (Number.isFinite(room))
      e.addCapacity(
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
        if (Math.max(...wished) === 0 && isOrdered(e, p, q)) continue;
        e.apart(p, q, gaps, [underAny(p, q)], [p.activity.index, q.activity.index]);
        if (wished[0] > gaps[0] || wished[1] > gaps[1]) e.apart(p, q, wished, [[e.wishedHeat]], [p.activity.index, q.activity.index]);
        if (apart > 0 || modes) clashes.push([p, q]);
      }
    }
    addShared(e, spans, clashes);
  }
}

/** Between two users of which one setting cannot suit both, the setting changes, and then nothing stands inside. */
function addShared(e: Encoding, spans: readonly Span[], clashes: readonly (readonly [Span, Span])[]): void {
  const { solver } = e;
  const clash = (p: Span, q: Span) => clashes.some(([a, b]) => (a === p && b === q) || (a === q && b === p));
  const known = new Map<string, number | undefined>();
  /** The literal "p ends before q begins"; undefined: always so or never, by `always`. */
  const before = (p: Span, q: Span): number | undefined => {
    const key = `${spans.indexOf(p)} ${spans.indexOf(q)}`;
    if (!known.has(key)) {
      const literal = e.earliest(p.to) <= e.latest(q.from) ? solver.newLiteral() : undefined;
      if (literal !== undefined) e.lag(p.to, q.from, 0, literal);
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
        if (e.earliest(between.from) >= e.latest(a.to) || e.latest(between.to) <= e.earliest(c.from)) continue;
        if (e.earliest(a.to) > e.latest(c.from) || ++triples > MOST_TRIPLES) continue;
        const [ca, bc, ab] = [before(c, a), before(between, c), before(a, between)];
        const lits = [ca, bc, ab].flatMap((l) => (l === undefined ? [] : [l, truth(l)]));
        solver.addClause([...lits, ...underAny(p, q, between).flatMap((l) => [l ^ 1, truth(l ^ 1)])]);
      }
    }
  }
}

export function groupedBy<T, K>(list: readonly T[], key: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item]);
  return groups;
}

/** The literals under which all of these count. */
const underAny = (...spans: readonly Span[]) => [...new Set(spans.map((s) => s.when))].filter((l) => l >= 0);
