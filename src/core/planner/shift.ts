// A plan with some of its steps moved by so many minutes and nothing else: whether it still holds is the verifier's to say.
import type { Dish } from "../dish/model";
import type { Plan, PlannedStep } from "./plan";
import { priceOf } from "./regret";
import { withExceptions } from "./verify";

/**
 * @param by minutes, negative for earlier
 * @returns the plan with its waits and figures counted anew; undefined where it breaks a rule
 */
export function shifted(dish: Dish, plan: Plan, steps: ReadonlySet<string>, by: number): Plan | undefined {
  const moved = plan.steps.map((s): PlannedStep => {
    if (!steps.has(s.step)) return s;
    const span = <T extends { readonly from: number; readonly to: number }>(x: T): T => ({ ...x, from: x.from + by, to: x.to + by });
    return {
      ...s,
      start: s.start + by,
      end: s.end + by,
      pieces: s.pieces.map(([a, b]) => [a + by, b + by] as const),
      hands: s.hands.map(span),
      rounds: s.rounds.map((r) => ({ ...r, at: r.at + by })),
      equipment: s.equipment.map(span),
    };
  });
  const stepOf = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => (plan.methods[c.id] === m.id ? m.steps.map((s) => [s.ref, s] as const) : []))),
  );
  const at = new Map(moved.map((s) => [s.step, s]));
  // A pot kept until another step ends is kept until it ends there now.
  const kept = moved.map((s): PlannedStep => {
    const uses = stepOf.get(s.step)?.uses ?? [];
    if (!uses.some((u) => u.until !== undefined)) return s;
    return {
      ...s,
      equipment: s.equipment.map((e) => {
        const until = uses[e.use]?.until;
        const last = until === undefined ? undefined : at.get(until);
        return last ? { ...e, from: s.start, to: Math.max(s.end, last.end) } : e;
      }),
    };
  });
  const makerOf = new Map([...stepOf.values()].flatMap((s) => s.makes.map((o) => [o.ref, s.ref] as const)));
  const holds = plan.holds.map((h) => {
    const from = h.from + (steps.has(makerOf.get(h.output) ?? "") ? by : 0);
    const to = h.to + (steps.has(h.taker) ? by : 0);
    const best = stepOf.get(makerOf.get(h.output) ?? "")?.makes.find((o) => o.ref === h.output)?.holds[h.hold]?.best;
    const state = best && to - from < best[0] ? ("early" as const) : best && to - from > best[1] ? ("late" as const) : ("best" as const);
    return { ...h, from, to, state: best ? state : h.state };
  });
  const draft = { ...plan, steps: [...kept].sort((a, b) => a.start - b.start || a.end - b.end), holds };
  const held = withExceptions(dish, draft, { now: plan.now, serveAt: plan.serveAt });
  if (held.status === "broken" || held.plan.exceptions?.length) return undefined;
  return { ...held.plan, ...priceOf(held.plan, dish, [...stepOf.values()], plan.style) };
}
