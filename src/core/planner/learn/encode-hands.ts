// Hands for the learning solver: who may do which piece of work, one thing at a time, and pieces of what may be put down.
import { type Interval, type Intervals, intersect, shift, startsFitting, union } from "../../time/interval";
import type { Activity } from "../model";
import { Alternatives, type Piece } from "./alternatives";
import type { Moment, Task } from "./cumulative";
import type { Encoding, Hands } from "./encode";
import { truth } from "./solver";

export function encodeHands(e: Encoding): void {
  const { model, solver } = e;
  for (const activity of model.activities) addHandsOf(e, activity);
  for (let i = 0; i < e.hands.length; i++) {
    const p = e.hands[i] as Hands;
    for (let j = i + 1; j < e.hands.length; j++) {
      const q = e.hands[j] as Hands;
      if (
        p.activity === q.activity ||
        (e.isFact(p.activity) && e.isFact(q.activity)) ||
        e.precedes(p.activity, q.activity) ||
        e.precedes(q.activity, p.activity)
      )
        continue;
      const unless: number[][] = [];
      for (const a of p.options) {
        const b = q.options.find((o) => o.cook === a.cook);
        if (b) unless.push([a.does, b.does, p.even || q.even ? e.evenPieces : -1].filter((l) => l >= 0));
      }
      if (unless.length) e.apart(p, q, [0, 0], unless, [p.activity, q.activity]);
    }
  }
  if (model.dish.cooks.length < 2) return;
  const pieces = e.hands
    .filter((h) => h.minutes > 0)
    .map(
      (h): Piece => ({
        owner: h.activity,
        v: h.from.v,
        plus: h.from.plus,
        minutes: h.minutes,
        when: h.even ? e.evenPieces : -1,
        options: h.options,
      }),
    );
  if (pieces.some((p) => p.options.length > 1)) {
    const alternatives = new Alternatives(solver, pieces);
    solver.addPropagator(alternatives, alternatives.bounds());
  }
  if (e.hands.some((h) => h.options.length > 1)) addTeam(e);
}

/** All cooks together: no more hands at work than there are cooks in their hours. */
function addTeam(e: Encoding): void {
  const { model } = e;
  const cooks = model.dish.cooks.length;
  // What runs already may run out of hours.
  const tasks: Task[] = e.hands
    .filter((h) => !h.even && h.options.every((o) => o.works.length > 0))
    .map((h) => ({ from: h.from, to: h.to, size: 1, when: -1 }));
  for (let c = 0; c < cooks; c++) {
    const works = model.activities.filter((a) => a.cooks.includes(c)).map((a) => a.works[a.cooks.indexOf(c)] as Intervals);
    // The widest of the cook's calendars: windows that forbid one step may allow another.
    const widest = works.reduce<Intervals>((a, b) => (minutesOf(b) > minutesOf(a) ? b : a), []);
    if (works.some((w) => minutesOf(intersect(w, widest)) < minutesOf(w))) continue;
    let at = model.now - 1440;
    for (const [from, to] of [...widest, [model.last + 1440, model.last + 1440] as Interval]) {
      if (from > at) tasks.push({ from: e.fixed(at), to: e.fixed(from), size: 1, when: -1 });
      at = to;
    }
  }
  e.share(tasks, cooks);
}

function addHandsOf(e: Encoding, activity: Activity): void {
  const { model } = e;
  const { fact } = activity;
  if (fact?.done) return;
  if (activity.minPiece !== undefined && !fact) {
    addPieces(e, activity, activity.minPiece);
    return;
  }
  const start = e.start[activity.index] as Moment;
  const end = e.end[activity.index] as Moment;
  activity.parts.forEach((part, i) => {
    const last = i === activity.parts.length - 1;
    const open = last && activity.step.attention === "hands" && (activity.stretch > 0 || fact);
    let from: Moment =
      part.atEnd && (activity.stretch > 0 || fact)
        ? { v: end.v, plus: end.plus - part.minutes }
        : { v: start.v, plus: start.plus + (part.atEnd ? activity.minutes - part.minutes : part.offset) };
    const to: Moment = open ? end : part.atEnd && (activity.stretch > 0 || fact) ? end : { v: from.v, plus: from.plus + part.minutes };
    if (fact) {
      if (from.v === e.zero) from = { ...from, plus: Math.max(from.plus, Math.min(model.now - e.base, e.latest(to))) };
      if (e.latest(from) >= e.latest(to)) return;
      // A fact needs no hours; whose hands they are is open where several may.
      if (activity.cooks.length === 1)
        e.hands.push({
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
    const options = cooksFor(e, activity, [{ from, minutes: part.minutes }]);
    e.hands.push({ activity: activity.index, part: i, from, to, minutes: open ? 0 : part.minutes, options, even: false });
  });
}

/** Who may do all of these pieces; a literal each where several may. */
function cooksFor(
  e: Encoding,
  activity: Activity,
  pieces: readonly { readonly from: Moment; readonly minutes: number }[],
): Piece["options"] {
  const { solver } = e;
  const able = activity.cooks
    .map((cook, c) => ({ cook, works: shift(activity.works[c] as Intervals, -e.base) }))
    .filter(({ works }) =>
      pieces.every(({ from, minutes }) =>
        startsFitting(works, minutes, [-1e9, 1e9]).some(([a, b]) => a <= e.latest(from) && b > e.earliest(from)),
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
function addPieces(e: Encoding, activity: Activity, least: number): void {
  const { solver, evenPieces } = e;
  const { index, minutes } = activity;
  if (minutes === 0) return;
  const start = e.start[index] as Moment;
  const end = e.end[index] as Moment;
  if (minutes < 2 * least) {
    const options = cooksFor(e, activity, [{ from: start, minutes }]);
    e.hands.push({ activity: index, part: 0, from: start, to: end, minutes, options, even: false });
    e.pieces.set(index, [{ from: start, minutes }]);
    return;
  }
  const last: Moment = { v: end.v, plus: end.plus - least };
  const options = cooksFor(e, activity, [
    { from: start, minutes: least },
    { from: last, minutes: least },
  ]);
  e.hands.push(
    { activity: index, part: -1, from: start, to: { v: start.v, plus: start.plus + least }, minutes: least, options, even: false },
    { activity: index, part: -1, from: last, to: end, minutes: least, options, even: false },
  );
  const count = Math.floor(minutes / least);
  const pieces = Array.from({ length: count }, (_, k) => {
    const length = Math.floor(((k + 1) * minutes) / count) - Math.floor((k * minutes) / count);
    const starts = intersect(unionOf(options.map((o) => startsFitting(o.works, length, [-1e9, 1e9]))), [
      [e.earliest(start), e.latest(end) - length + 1],
    ]);
    if (starts.length === 0) {
      solver.assert(evenPieces ^ 1, truth(evenPieces ^ 1));
      return { from: start, minutes: length };
    }
    return { from: { v: solver.newVariable(starts[0]?.[0] ?? 0, (starts.at(-1)?.[1] ?? 1) - 1, starts), plus: 0 }, minutes: length };
  });
  const both = (a: Moment, b: Moment) => {
    e.lag(a, b, 0, evenPieces);
    e.lag(b, a, 0, evenPieces);
  };
  pieces.forEach(({ from, minutes: length }, k) => {
    const to = { v: from.v, plus: from.plus + length };
    if (k === 0) both(start, from);
    if (k === count - 1) both(to, end);
    const next = pieces[k + 1];
    if (next) e.lag(to, next.from, 0, evenPieces);
    e.hands.push({ activity: index, part: k, from, to, minutes: length, options, even: true });
  });
  e.pieces.set(index, pieces);
}

const unionOf = (lists: readonly Intervals[]) => union(lists.flat());

const minutesOf = (list: Intervals) => list.reduce((sum, [a, b]) => sum + b - a, 0);
