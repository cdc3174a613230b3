// How full the places of a kitchen are over time: litres in fridge, freezer and larder, racks in ovens and grills, burners on the hob.
// Counted from the plan by the reading R21 of the planner's contract (litres count until the end of the last taker under a hold).
import { type Dish, HEATED, STORES } from "../dish/model";
import type { Occupancy, OpenPlace, Tenant } from "../dish/occupied";
import type { Plan } from "../planner/plan";
import { stepsInForce } from "./plan-view";

export type { Occupancy, OpenPlace, Tenant } from "../dish/occupied";

/** Places that the plan uses, each with what is in it when. */
export function occupancyOf(dish: Dish, plan: Plan): Occupancy[] {
  const inForce = stepsInForce(dish, plan);
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const tenants = new Map<OpenPlace, Tenant[]>();
  const put = (place: OpenPlace, tenant: Tenant) => {
    if (tenant.amount > 0 && tenant.to > tenant.from) tenants.set(place, [...(tenants.get(place) ?? []), tenant]);
  };
  for (const step of inForce) {
    const at = planned.get(step.ref);
    if (!at) continue;
    const component = step.ref.slice(0, step.ref.indexOf("."));
    step.uses.forEach((use, index) => {
      for (const span of at.equipment.filter((e) => e.use === index)) {
        const common = { name: step.name, component, from: span.from, to: span.to };
        if (use.what === "burner") put("hob", { ...common, amount: span.count });
        else if (isHeated(use.what)) put(use.what, { ...common, amount: use.what === "bath" ? use.litres : use.racks });
        else if (isStore(use.what)) put(use.what, { ...common, amount: use.litres });
      }
      if (isStore(use.what) && !at.equipment.some((e) => e.use === index))
        put(use.what, { name: step.name, component, from: at.start, to: at.end, amount: use.litres });
    });
    for (const output of step.makes) {
      output.holds.forEach((hold, h) => {
        if (!isStore(hold.place)) return;
        const under = plan.holds.filter((p) => p.output === output.ref && p.hold === h);
        const to = Math.max(0, ...under.map((p) => planned.get(p.taker)?.end ?? p.to));
        if (under.length) put(hold.place, { name: output.name, component, from: at.end, to, amount: hold.litres });
      });
    }
    for (const link of step.links) {
      const other = planned.get(link.step);
      if (other && isStore(link.place)) {
        const from = link.from === "start" ? other.start : other.end;
        put(link.place, {
          name: inForce.find((s) => s.ref === link.step)?.name ?? step.name,
          component,
          from,
          to: at.start,
          amount: link.litres,
        });
      }
    }
  }
  return [...tenants].map(([place, list]) => ({
    place,
    unit: place === "hob" ? "burners" : place === "oven" || place === "grill" ? "racks" : "L",
    capacity: capacityOf(dish, place),
    tenants: list.sort((a, b) => a.from - b.from || a.to - b.to),
    levels: levelsOf(list),
  }));
}

const isStore = (what: string): what is "fridge" | "freezer" | "cellar" => (STORES as readonly string[]).includes(what);
const isHeated = (what: string): what is "oven" | "grill" | "bath" => (HEATED as readonly string[]).includes(what);

function capacityOf(dish: Dish, place: OpenPlace): number {
  const kind = place === "hob" ? "burner" : place;
  return dish.equipment
    .filter((e) => e.kind === kind)
    .reduce(
      (sum, e) => sum + (place === "hob" ? e.count : place === "oven" || place === "grill" ? e.racks * e.count : (e.litres ?? 0) * e.count),
      0,
    );
}

function levelsOf(tenants: readonly Tenant[]): [number, number][] {
  const changes = new Map<number, number>();
  for (const t of tenants) {
    changes.set(t.from, (changes.get(t.from) ?? 0) + t.amount);
    changes.set(t.to, (changes.get(t.to) ?? 0) - t.amount);
  }
  let amount = 0;
  return [...changes]
    .sort((a, b) => a[0] - b[0])
    .map(([at, by]): [number, number] => {
      amount += by;
      return [at, Math.max(0, Number(amount.toFixed(6)))];
    });
}
