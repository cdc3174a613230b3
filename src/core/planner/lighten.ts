// What would lighten a heavy place of a plan: less of that evening, a helper, a quicker way of making something, the bought stand-in. Each is
// planned with and measured at that place; what does not make it clearly lighter is not offered. The same form as a repair.

import { componentOf } from "../dish/model";
import type { PatchOperation } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { pinCookChange, pinMethodsChange, wishChange } from "../dish/wishes";
import { lower } from "../sentence";
import { type Repair, Trial, type Tried } from "./explain/repairs/trial";
import { momentText } from "./explain/words";
import type { PlanOptions } from "./index";
import type { Plan, Style } from "./plan";
import { LATE } from "./regret";

/** A heavy place, as sheets/load.ts tells it. */
export interface HeavyPlace {
  readonly kind: "late-evening" | "full-day" | "crowded-hour" | "last-hour";
  /** A minute of the day (or hour) meant. */
  readonly at: number;
}

/** A way counts where no more than this share of the load is left. */
const CLEARLY_LIGHTER = 0.85;
const ROUNDS = 20;
/** Another layout is another plan altogether and has to be looked for longer. */
const LAYOUT_ROUNDS = 200;
const LAYOUTS: Partial<Record<HeavyPlace["kind"], { readonly style: Style; readonly text: string }>> = {
  "full-day": { style: "even", text: "Schedule style Even: no day too full." },
  "last-hour": { style: "ahead", text: "Schedule style Ahead: little left for the last hours." },
};
const HELPERS_MINUTES = 240;

/**
 * Ways to lighten a place, the least trouble first.
 * @param plan the plan that is heavy there, of this document with these options
 */
export function lightenLoad(document: DishFile, options: PlanOptions, plan: Plan, place: HeavyPlace): Repair[] {
  const trial = new Trial(document, options, options.stop ?? (() => false));
  const { zone } = trial.dish;
  const day = zone.dayNumber(place.at);
  const minute = (timeOfDay: number) => zone.minuteOfDay(day, timeOfDay);
  const stamp = (from: number, to: number) => ({ from: zone.toWallInstant(from), to: zone.toWallInstant(to) });
  const busy = [...new Set(plan.steps.filter((s) => s.hands.some((h) => zone.dayNumber(h.from) === day)).map((s) => componentOf(s.step)))];
  const tried: Tried[] = [];
  const offer = (
    kind: Repair["kind"],
    text: string,
    change: readonly PatchOperation[],
    trouble: number,
    how: Partial<PlanOptions> = {},
  ) => {
    // Near the plan as it is: what is measured is the change and not another plan's other ways.
    const lightened = trial.plan(change, { rounds: ROUNDS, previous: plan, ...how });
    if (!lightened || shareLeft(plan, lightened, trial, place) > CLEARLY_LIGHTER) return;
    tried.push({ kind, text, change, trouble, leadMinutes: lightened.leadMinutes, regret: lightened.regret });
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
    offer("another-day", `No hands-on work from ${momentText(trial.dish, minute(LATE))} on: it is done earlier.`, change, 20);
  }
  const layout = LAYOUTS[place.kind];
  if (layout && plan.style !== layout.style)
    offer("layout", layout.text, wishChange(document, { style: layout.style }), 40, {
      style: layout.style,
      rounds: LAYOUT_ROUNDS,
      previous: undefined,
    });
  const from =
    place.kind === "full-day" ? busiestStart(plan, minute(8 * 60), minute(21 * 60)) : Math.max(minute(0), place.at - HELPERS_MINUTES + 60);
  const shift = stamp(from, from + HELPERS_MINUTES);
  const id = trial.freshId("cooks", "helper");
  // Left to the planner a helper is used where there is no other way; to be lightened, somebody has to hand over.
  const handed = handedOver(plan, trial, place, from, from + HELPERS_MINUTES);
  const names = handed.map((ref) => `“${lower(nameOf(trial, ref))}”`);
  offer(
    "helper",
    `A helper from ${momentText(trial.dish, from)}, for four hours${names.length ? `, for ${names.slice(0, 2).join(", ")}${names.length > 2 ? ` and ${names.length - 2} more` : ""}` : ""}.`,
    [
      ...trial.kitchen("cooks"),
      { op: "add", path: "/kitchen/cooks/-", value: { id, name: "A helper", hours: [shift], awake: [shift] } },
      ...(handed.length ? pinCookChange(document, handed, id) : []),
    ],
    30 + HELPERS_MINUTES,
  );
  document.components.forEach((component) => {
    if (!busy.includes(component.id)) return;
    const now = plan.methods[component.id];
    for (const method of component.methods) {
      if (method.id === now) continue;
      // Fixed, not only preferred: left to choose, the planner would weigh its quality again.
      const fixed = pinMethodsChange(document, { [component.id]: method.id });
      offer("method", `${component.name}: ${lower(method.name ?? method.id)} instead.`, fixed, 600 * (1 - (method.quality ?? 1)));
    }
    const { fallback } = component;
    if (!fallback || component.onHand?.length || now === "fallback") return;
    const bought = pinMethodsChange(document, { [component.id]: "fallback" });
    offer("stand-in", `${fallback.name} instead of ${lower(component.name)}.`, bought, 200 + 600 * (1 - (fallback.quality ?? 1)));
  });
  return tried.sort((a, b) => a.trouble + a.regret.total - b.trouble - b.regret.total).map(({ trouble: _, ...repair }) => repair);
}

const nameOf = (trial: Trial, ref: string) =>
  trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref)?.name ?? ref;

/** Work by hand within a stretch that the busiest cook could hand over: the longest first, about half of what that cook has there. */
function handedOver(plan: Plan, trial: Trial, place: HeavyPlace, from: number, to: number): string[] {
  if (place.kind !== "full-day" && place.kind !== "last-hour") return [];
  const perCook = new Map<string, number>();
  for (const h of plan.steps.flatMap((s) => s.hands)) {
    const inside = Math.min(h.to, to) - Math.max(h.from, from);
    if (inside > 0) perCook.set(h.cook, (perCook.get(h.cook) ?? 0) + inside);
  }
  const [busiest] = [...perCook].sort((a, b) => b[1] - a[1]);
  if (!busiest) return [];
  const free = (ref: string) => {
    const step = trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref);
    return step?.attention === "hands" && step.cooks === undefined && ref !== trial.dish.serve;
  };
  const own = plan.steps
    .filter((s) => s.start >= from && s.end <= to && s.hands.length > 0 && s.hands.every((h) => h.cook === busiest[0]) && free(s.step))
    .sort((a, b) => b.minutes - a.minutes);
  let handed = 0;
  return own.flatMap((s) => {
    if (handed >= busiest[1] / 2) return [];
    handed += s.minutes;
    return [s.step];
  });
}

/** The beginning of the four hours in which most is done by hand, to the half hour. */
function busiestStart(plan: Plan, from: number, to: number): number {
  const hands = plan.steps.flatMap((s) => s.hands);
  const load = (at: number) => hands.reduce((sum, h) => sum + Math.max(0, Math.min(h.to, at + HELPERS_MINUTES) - Math.max(h.from, at)), 0);
  let best = from;
  for (let at = from; at + HELPERS_MINUTES <= to; at += 30) if (load(at) > load(best)) best = at;
  return best;
}

/** What is left of a place's load: the lesser of the shares that remain of all the work and of the busiest cook's. */
function shareLeft(before: Plan, after: Plan, trial: Trial, place: HeavyPlace): number {
  const share = (part: (plan: Plan) => number) => part(after) / Math.max(1, part(before));
  const all = share((plan) => loadAt(plan, trial, place));
  return place.kind === "full-day"
    ? Math.min(
        all,
        share((plan) => busiestLoad(plan, trial, place)),
      )
    : all;
}

/** Minutes of the cook who has most to do in that day, or in the last hour. */
function busiestLoad(plan: Plan, trial: Trial, place: HeavyPlace): number {
  const { zone } = trial.dish;
  const day = zone.dayNumber(place.at);
  const [from, to] =
    place.kind === "last-hour" ? [plan.serveAt - 60, plan.serveAt] : [zone.minuteOfDay(day, 0), zone.minuteOfDay(day, 1440)];
  const perCook = new Map<string, number>();
  for (const h of plan.steps.flatMap((s) => s.hands)) {
    const inside = Math.min(h.to, to) - Math.max(h.from, from);
    if (inside > 0) perCook.set(h.cook, (perCook.get(h.cook) ?? 0) + inside);
  }
  return Math.max(0, ...perCook.values());
}

/** The load of a place, in minutes of hands, or in things that want somebody at once. */
function loadAt(plan: Plan, trial: Trial, place: HeavyPlace): number {
  const { zone } = trial.dish;
  const day = zone.dayNumber(place.at);
  const within = (from: number, to: number) =>
    plan.steps.flatMap((s) => s.hands).reduce((sum, h) => sum + Math.max(0, Math.min(h.to, to) - Math.max(h.from, from)), 0);
  if (place.kind === "late-evening") return within(zone.minuteOfDay(day, LATE), zone.minuteOfDay(day, 1440));
  if (place.kind === "last-hour") return within(plan.serveAt - 60, plan.serveAt);
  if (place.kind === "full-day") return within(zone.minuteOfDay(day, 0), zone.minuteOfDay(day, 1440));
  const wants = plan.steps.filter((s) => {
    const step = trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((x) => x.ref === s.step);
    return step?.attention !== "unattended" && zone.dayNumber(s.start) === day;
  });
  return Math.max(0, ...wants.map((s) => wants.filter((o) => o.start <= s.start && s.start < o.end).length));
}
