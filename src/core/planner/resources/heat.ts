// Heat: ovens, baths and other heated equipment, with the temperatures they are set to.
import { componentOf } from "../../dish/model";
import { covers, type Interval, minutesAbove, union } from "../../time/interval";
import { type HeatUser, minutesToChange, settle } from "../heat-settings";
import type { Activity, Need } from "../model";
import type { Setting } from "../plan";
import type { Commitments } from "./commitments";

export class Heat {
  readonly #state: Commitments;
  readonly #heatUsers = new Map<string, readonly HeatUser[]>();
  readonly #heatSettings = new Map<string, readonly Setting[]>();

  constructor(state: Commitments) {
    this.#state = state;
  }

  /** Gives the first equipment of the kind that can be set so that all its users get their heat. */
  give(activity: Activity, need: Need, from: number, to: number): boolean {
    const { use } = need;
    const user: HeatUser = {
      step: activity.step.ref,
      component: componentOf(activity.step.ref),
      use,
      from,
      to,
      begun: activity.fact !== undefined,
    };
    if (activity.fact?.done && to <= this.#state.model.now) return true;
    for (const equipment of this.#state.model.dish.equipment) {
      if (equipment.kind !== use.what || equipment.maxC < use.tempC - use.toleranceC) continue;
      const available = this.#state.model.units.get(equipment.kind)?.find((u) => u.id === equipment.id)?.available;
      if (available && !activity.fact && !covers(available, from, to)) continue;
      const users = [...(this.#heatUsers.get(equipment.id) ?? []), user];
      const settings = settle(
        equipment,
        users,
        this.#state.model.now,
        {
          heat: (step) => this.#state.model.closed("heat", step),
          lighting: (step) => this.#state.model.closed("start-heat", step),
        },
        this.#state.model.warmth.get(equipment.id),
      );
      if (!settings) continue;
      this.#state.setMap(this.#heatUsers, equipment.id, users);
      this.#state.setMap(this.#heatSettings, equipment.id, settings);
      this.#state.note(`heat ${equipment.id}`, () => this.#prune(equipment.id));
      return true;
    }
    return false;
  }

  settings(): Setting[] {
    return [...this.#heatSettings.values()].flat().sort((a, b) => a.from - b.from || (a.id < b.id ? -1 : 1));
  }

  users(): ReadonlyMap<string, readonly HeatUser[]> {
    return this.#heatUsers;
  }

  #prune(id: string): boolean {
    const equipment = this.#state.model.dish.equipment.find((e) => e.id === id);
    if (!equipment || this.#state.model.dish.equipment.some((e) => e !== equipment && e.kind === equipment.kind)) return true;
    const users = this.#heatUsers.get(id) ?? [];
    const room = equipment.kind === "bath" ? (equipment.litres ?? Number.POSITIVE_INFINITY) : equipment.racks;
    for (const { activity, need } of this.#state.usersOf(equipment.kind)) {
      if (!this.#state.isOpen(activity) || activity.stretch > 0 || activity.minPiece !== undefined || need.span !== "run") continue;
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
      if (blocked.length && !this.#state.avoid(activity, need, blocked, "H10")) return false;
    }
    return true;
  }
}
