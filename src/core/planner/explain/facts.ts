// The facts of a planning problem that could be otherwise, one by one: a wait's end, a step's length or hands, a pot, an evening.
// Each can be let go; what is left when the rest is let go is tried anew. Conflicts are sets of these facts.
import type { Component, Dish, Method, Step } from "../../dish/model";
import type { PlanAt } from "../../dish/planned-length";
import type { Log } from "../log";
import type { Draft, Fact } from "./fact";
import { equipmentOf, nowOf, onePairOf, pinOf, timesOf, windowOf } from "./kitchen-facts";
import { holdsOf, waitsOf, workOf } from "./step-facts";

export type { Fact } from "./fact";

/** Facts of the methods in force, those that a cook thinks of first in front, `now` at the end. */
export function factsOf(dish: Dish, inForce: readonly Step[], now: number, planAt: PlanAt, log: Log): Fact[] {
  const nameOf = (ref: string) => inForce.find((s) => s.ref === ref)?.name ?? ref;
  return [
    ...inForce.flatMap((s) => waitsOf(s, nameOf, inForce)),
    ...inForce.flatMap((s) => holdsOf(s, inForce)),
    ...inForce.flatMap((s) => workOf(s, planAt)),
    ...dish.cooks.map(onePairOf),
    ...dish.equipment
      .filter((e) =>
        inForce.some((s) => s.uses.some((u) => u.what === e.kind) || s.makes.some((o) => o.holds.some((h) => h.place === e.kind))),
      )
      .flatMap(equipmentOf),
    ...dish.windows.map(windowOf),
    ...dish.cooks.flatMap(timesOf),
    ...log.pins.map((pin) => pinOf(pin, dish, nameOf)),
    nowOf(dish, now),
  ];
}

/** The dish in which only the facts of `kept` hold. Methods other than the given choice are left as they are. */
export function without(
  dish: Dish,
  now: number,
  log: Log,
  facts: readonly Fact[],
  kept: ReadonlySet<Fact>,
): { dish: Dish; now: number; log: Log } {
  const draft: Draft = {
    now,
    steps: new Map(dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [s.ref + m.id, { ...s }] as const)))),
    cooks: dish.cooks.map((c) => ({ ...c })),
    equipment: dish.equipment.map((e) => ({ ...e })),
    windows: [...dish.windows],
    pins: log.pins,
  };
  for (const fact of facts) if (!kept.has(fact)) fact.letGo(draft);
  const components = dish.components.map(
    (c): Component => ({
      ...c,
      methods: c.methods.map((m): Method => ({ ...m, steps: m.steps.map((s) => draft.steps.get(s.ref + m.id) as Step) })),
    }),
  );
  return {
    dish: { ...dish, components, cooks: draft.cooks, equipment: draft.equipment, windows: draft.windows },
    now: draft.now,
    log: { ...log, pins: draft.pins },
  };
}
