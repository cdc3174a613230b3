// What is hot, or on its way, in the kitchen of a cook who follows a plan: nobody logs the lighting of an oven, yet the next
// plan must know of it.
import type { Dish, Equipment } from "../dish/model";
import { minutesToChange, RESTS_AT_IDLE_MINUTES } from "../planner/heat-settings";
import type { HeatOn } from "../planner/log";
import type { Plan, Setting } from "../planner/plan";

/** Ovens, grills and baths that are on at `now` by the plan followed so far. */
export function heatOnAt(dish: Dish, plan: Plan, now: number): HeatOn[] {
  return dish.equipment.flatMap((equipment) => {
    const settings = plan.settings.filter((s) => s.id === equipment.id).sort((a, b) => a.from - b.from);
    let on: HeatOn | undefined;
    settings.forEach((setting, i) => {
      const begun = beginningOf(equipment, setting, settings[i - 1]);
      if (begun.at <= now && now <= setting.to + RESTS_AT_IDLE_MINUTES) on = heatOf(equipment, setting, begun, now);
    });
    return on ? [on] : [];
  });
}

/** When a setting is turned to, at the latest, and how warm the equipment is then. */
function beginningOf(equipment: Equipment, setting: Setting, before: Setting | undefined): { at: number; tempC: number } {
  const warm = before && setting.from - before.to <= RESTS_AT_IDLE_MINUTES ? before.tempC : equipment.idleC;
  const minutes = before === undefined && setting.tempC < warm ? 0 : minutesToChange(equipment, warm, setting.tempC);
  return { at: setting.from - minutes, tempC: warm };
}

/** As the log says it: set to so many degrees since when, counted up from idle. */
function heatOf(equipment: Equipment, setting: Setting, begun: { readonly at: number; readonly tempC: number }, now: number): HeatOn {
  const cooling = Math.max(setting.tempC, begun.tempC - (now - begun.at) * equipment.coolCPerMin);
  const tempC = setting.tempC < begun.tempC ? cooling : setting.tempC;
  const ahead = setting.tempC < begun.tempC ? tempC : begun.tempC;
  return { id: equipment.id, tempC, since: begun.at - Math.ceil(Math.max(0, ahead - equipment.idleC) / equipment.heatCPerMin) };
}
