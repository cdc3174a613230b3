// What would ease a heavy place of a plan: less of that evening, a helper, a quicker way of making something, the bought stand-in. Each is
// planned with and measured at that place; what does not make it clearly lighter is not offered. The same form as a repair.

import { componentOf } from "../dish/model";
import type { PatchOperation } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { lower } from "../sentence";
import { type Repair, Trial, type Tried } from "./explain/repairs/trial";
import { momentText } from "./explain/words";
import type { PlanOptions } from "./index";
import type { Plan } from "./plan";
import { LATE } from "./regret";

/** A heavy place, as sheets/load.ts tells it. */
export interface HeavyPlace {
  readonly kind: "late-evening" | "full-day" | "crowded-hour" | "last-hour";
  /** A minute of the day (or hour) meant. */
  readonly at: number;
}

/** A way to ease: a change of the dish, or a method to be fixed (as a pin of the log), that has been planned with. */
export interface Ease extends Repair {
  readonly methods?: Readonly<Record<string, string>>;
}

/** A way counts where no more than this share of the load is left. */
const CLEARLY_LIGHTER = 0.75;
const ROUNDS = 20;
const HELPERS_MINUTES = 240;

/**
 * Ways to ease a place, the least trouble first.
 * @param plan the plan that is heavy there, of this document with these options
 */
export function easeLoad(document: DishFile, options: PlanOptions, plan: Plan, place: HeavyPlace): Ease[] {
  const trial = new Trial(document, options, options.stop ?? (() => false));
  const { zone } = trial.dish;
  const day = zone.dayNumber(place.at);
  const minute = (timeOfDay: number) => zone.minuteOfDay(day, timeOfDay);
  const before = loadAt(plan, trial, place);
  const stamp = (from: number, to: number) => ({ from: zone.toWallInstant(from), to: zone.toWallInstant(to) });
  const busy = [...new Set(plan.steps.filter((s) => s.hands.some((h) => zone.dayNumber(h.from) === day)).map((s) => componentOf(s.step)))];
  const tried: (Tried & Ease)[] = [];
  const offer = (
    kind: Repair["kind"],
    text: string,
    change: readonly PatchOperation[],
    trouble: number,
    methods?: Record<string, string>,
  ) => {
    const eased = trial.plan(change, { rounds: ROUNDS, ...(methods ? { methods: { ...options.methods, ...methods } } : {}) });
    if (!eased || loadAt(eased, trial, place) > before * CLEARLY_LIGHTER) return;
    tried.push({ kind, text, change, trouble, leadMinutes: eased.leadMinutes, regret: eased.regret, ...(methods ? { methods } : {}) });
  };
  if (place.kind === "late-evening") {
    // The evening is closed at half past nine for everybody; what was done then goes elsewhere.
    const closed = stamp(minute(LATE), minute(1440));
    const change = trial.dish.cooks.flatMap((_, c): PatchOperation[] => [
      ...(c === 0 ? trial.kitchen("cooks") : []),
      document.kitchen?.cooks?.[c]?.away || !document.kitchen?.cooks
        ? { op: "add", path: `/kitchen/cooks/${c}/away/-`, value: closed }
        : { op: "add", path: `/kitchen/cooks/${c}/away`, value: [closed] },
    ]);
    offer("another-day", `Nothing by hand from ${momentText(trial.dish, minute(LATE))} on: it is done before.`, change, 20);
  }
  const from = place.kind === "full-day" ? minute(9 * 60) : Math.max(minute(0), place.at - HELPERS_MINUTES + 60);
  const shift = stamp(from, from + HELPERS_MINUTES);
  offer(
    "helper",
    `A helper from ${momentText(trial.dish, from)}, for four hours.`,
    [
      ...trial.kitchen("cooks"),
      {
        op: "add",
        path: "/kitchen/cooks/-",
        value: { id: trial.freshId("cooks", "helper"), name: "A helper", hours: [shift], awake: [shift] },
      },
    ],
    30 + HELPERS_MINUTES,
  );
  document.components.forEach((component, c) => {
    if (!busy.includes(component.id)) return;
    const now = plan.methods[component.id];
    for (const method of component.methods) {
      if (method.id === now) continue;
      // Fixed, not only preferred: left to choose, the planner would weigh its quality again.
      offer("method", `${component.name}: ${lower(method.name ?? method.id)} instead.`, [], 600 * (1 - (method.quality ?? 1)), {
        [component.id]: method.id,
      });
    }
    const { fallback } = component;
    if (!fallback || component.onHand?.length) return;
    const ready = trial.dish.components[c]?.fallback?.lead ?? 0;
    offer(
      "stand-in",
      `${fallback.name} in place of ${lower(component.name)}.`,
      [trial.standIn(c, plan.now + ready)],
      200 + 600 * (1 - (fallback.quality ?? 1)),
    );
  });
  return tried.sort((a, b) => a.trouble + a.regret.total - b.trouble - b.regret.total).map(({ trouble: _, ...repair }) => repair);
}

/** The load of a place, in minutes of hands, or in things that want somebody at once. */
function loadAt(plan: Plan, trial: Trial, place: HeavyPlace): number {
  const { zone } = trial.dish;
  const day = zone.dayNumber(place.at);
  const within = (from: number, to: number) =>
    plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + Math.max(0, Math.min(h.to, to) - Math.max(h.from, from)), 0);
  if (place.kind === "late-evening") return within(zone.minuteOfDay(day, LATE), zone.minuteOfDay(day, 1440));
  if (place.kind === "last-hour") return within(plan.serveAt - 60, plan.serveAt);
  if (place.kind === "full-day") {
    const perCook = new Map<string, number>();
    for (const h of plan.steps.flatMap((s) => s.hands))
      if (zone.dayNumber(h.from) === day) perCook.set(h.cook, (perCook.get(h.cook) ?? 0) + h.to - h.from);
    return Math.max(0, ...perCook.values());
  }
  const wants = plan.steps.filter((s) => {
    const step = trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((x) => x.ref === s.step);
    return step?.attention !== "unattended" && zone.dayNumber(s.start) === day;
  });
  return Math.max(0, ...wants.map((s) => wants.filter((o) => o.start <= s.start && s.start < o.end).length));
}
