// Waits for the learning solver: under which hold what is made stands, and the litres that it takes there.
import { STORES } from "../../dish/model";
import type { Activity, Taking } from "../model";
import type { Moment, Task } from "./cumulative";
import type { Encoding } from "./encode";
import { groupedBy, spansOf } from "./encode-equipment";
import { truth } from "./solver";

export function encodeHolds(e: Encoding): void {
  const { model, solver } = e;
  for (const t of model.takings) {
    const taker = model.activities[t.taker] as Activity;
    const during = t.during !== undefined && t.maker !== undefined;
    if (taker.fact || t.holds.length === 0 || (t.holds.length === 1 && !during)) continue;
    const ready = e.readyOf(t);
    const start = e.start[t.taker] as Moment;
    const literals = t.holds.map((hold) => {
      const literal = solver.newLiteral();
      e.lag(ready, start, hold.min, literal);
      if (hold.max !== undefined) e.lag(start, ready, -hold.max, literal);
      return literal;
    });
    const inside = during ? solver.newLiteral() : undefined;
    if (inside !== undefined) e.lag(start, ready, 0, inside);
    const all = inside === undefined ? literals : [...literals, inside];
    solver.addClause(all.flatMap((l) => [l, truth(l)]));
    e.holds.set(t, { literals, during: inside });
  }
}

export function encodeStores(e: Encoding): void {
  const { model } = e;
  for (const place of STORES) {
    const room = model.storeLitres.get(place) ?? Number.POSITIVE_INFINITY;
    if (!Number.isFinite(room)) continue;
    const tasks: Task[] = spansOf(e, (kind) => kind === place).map((s) => ({
      from: s.from,
      to: s.to,
      size: s.need.use.litres,
      when: s.when,
    }));
    for (const w of model.waitings) {
      if (w.place === place && w.litres > 0) tasks.push({ from: e.moment(w.from), to: e.moment(w.to), size: w.litres, when: -1 });
    }
    for (const takings of groupedBy(model.takings, (t) => t.output).values()) {
      const holds = takings[0]?.holds ?? [];
      holds.forEach((hold, h) => {
        if (hold.place !== place || hold.litres <= 0) return;
        tasks.push(...keptUnder(e, takings, h, hold.litres));
      });
    }
    e.addCapacity(tasks, room);
  }
}

/** What is kept of an output under one of its holds: from its making to the end of the last taker under that hold. */
function keptUnder(e: Encoding, takings: readonly Taking[], hold: number, litres: number): Task[] {
  const { solver } = e;
  const one = takings[0];
  if (!one) return [];
  const made = one.maker === undefined ? e.fixed(one.readyAt as number) : (e.end[one.maker] as Moment);
  const literal = (t: Taking) => e.holds.get(t)?.literals[hold] ?? -1;
  // A taker that has begun took under a hold that nobody asks for any more.
  const live = takings.filter((t) => !e.model.activities[t.taker]?.fact && t.holds.length > hold);
  if (live.length === 0 || live.some((t) => t.maker !== one.maker)) return [];
  if (live.length === 1) {
    const t = live[0] as Taking;
    return [{ from: made, to: e.end[t.taker] as Moment, size: litres, when: literal(t) }];
  }
  const until = solver.newVariable(Math.min(...live.map((t) => e.earliest(e.end[t.taker] as Moment))), e.model.last - e.base);
  for (const t of live) e.lag(e.end[t.taker] as Moment, { v: until, plus: 0 }, 0, literal(t));
  if (live.some((t) => literal(t) < 0)) return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: -1 }];
  const used = solver.newLiteral();
  for (const t of live) solver.addClause([used, truth(used), literal(t) ^ 1, truth(literal(t) ^ 1)]);
  return [{ from: made, to: { v: until, plus: 0 }, size: litres, when: used }];
}
