// H10 oven, bath and grill: one setting at a time that all inside tolerate, room for all, time to heat and to cool.
// H12 windows.
import { componentOf, type Equipment, HEATED, type Step, type Use, type Window } from "../../dish/model";
import { covers, type Interval, type Intervals, intersect, overlaps, subtract, union } from "../../time/interval";
import type { PlannedStep, Setting } from "../plan";
import { type Break, type Context, isDone, workOf } from "./context";
import { neededSpans } from "./equipment";
import { handsIntervals } from "./hands";

const TOLERANCE = 1e-6;
/** So long without a user, the equipment counts as at idle. */
const RESTS_AT_IDLE_MINUTES = 60;

interface User {
  readonly step: Step;
  readonly use: Use;
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

export function checkHeat(ctx: Context, breaks: Break): void {
  const heatUps: { readonly from: number; readonly to: number; readonly for: string }[] = [];
  for (const equipment of ctx.dish.equipment) {
    if (!(HEATED as readonly string[]).includes(equipment.kind)) continue;
    const users = usersOf(ctx, equipment);
    const settings = ctx.plan.settings.filter((s) => s.id === equipment.id).sort((a, b) => a.from - b.from);
    checkRoom(equipment, users, breaks);
    for (const user of users) if (!isDone(ctx, user.step.ref)) checkSuits(user, users, settings, equipment, breaks);
    for (const [from, to] of checkChanges(ctx, equipment, users, settings, breaks)) {
      const first = users.find((u) => u.from >= to);
      heatUps.push({ from, to, for: first?.step.ref ?? equipment.id });
    }
  }
  checkWindows(ctx, heatUps, breaks);
}

function usersOf(ctx: Context, equipment: Equipment): User[] {
  return ctx.inForce
    .flatMap((step) => {
      const planned = ctx.planned(step.ref);
      return step.uses.flatMap((use, index): User[] => {
        if (!planned || use.what !== equipment.kind) return [];
        return planned.equipment
          .filter((e) => e.use === index && e.id === equipment.id)
          .map((e) => ({ step, use, from: e.from, to: e.to, size: equipment.kind === "bath" ? use.litres : use.racks }));
      });
    })
    .filter((u) => u.from < u.to)
    .sort((a, b) => a.from - b.from);
}

function checkRoom(equipment: Equipment, users: readonly User[], breaks: Break): void {
  const room = equipment.kind === "bath" ? (equipment.litres ?? Number.POSITIVE_INFINITY) : equipment.racks;
  const told = new Set<string>();
  for (const user of users) {
    const inside = users.filter((u) => u.from <= user.from && user.from < u.to);
    const sum = inside.reduce((total, u) => total + u.size, 0);
    const steps = inside.map((u) => u.step.ref);
    if (sum > room + TOLERANCE && !told.has(steps.join(" "))) {
      told.add(steps.join(" "));
      breaks(
        "H10",
        steps,
        user.from,
        user.to,
        `${Number(sum.toPrecision(4))} ${equipment.kind === "bath" ? "L" : "racks"} are needed of "${equipment.id}"; it has ${room}.`,
        { step: user.step.ref, spans: [[user.from, user.to]], all: steps },
      );
    }
  }
}

const suits = (use: Use, setting: Setting) =>
  Math.abs(setting.tempC - use.tempC) <= use.toleranceC + TOLERANCE && (use.mode === "any" || use.mode === setting.mode);

/** The step of the same component that ends as a ramp step starts: the food stays in while the setting changes. */
function rampFrom(user: User, users: readonly User[]): User | undefined {
  if (!user.use.ramp) return undefined;
  return users.find((u) => u !== user && u.to === user.from && componentOf(u.step.ref) === componentOf(user.step.ref));
}

function changeMinutes(equipment: Equipment, fromC: number, toC: number): number {
  return Math.ceil(Math.abs(toC - fromC) / (toC > fromC ? equipment.heatCPerMin : equipment.coolCPerMin) - TOLERANCE);
}

function checkSuits(user: User, users: readonly User[], settings: readonly Setting[], equipment: Equipment, breaks: Break): void {
  const bad = (why: string, spans: Intervals = [[user.from, user.to]]) =>
    breaks("H10", [user.step.ref], user.from, user.to, why, { step: user.step.ref, spans });
  if (user.use.tempC - user.use.toleranceC > equipment.maxC) return bad(`"${equipment.id}" reaches ${equipment.maxC} °C.`);
  let from = user.from;
  if (rampFrom(user, users)) {
    const before = settings.findLast((s) => s.from < user.from && s.to >= user.from);
    const after = settings.find((s) => s.from <= user.from && s.to > user.from);
    if (before && after) {
      const change = changeMinutes(equipment, before.tempC, after.tempC);
      from = Math.min(user.to, user.from + change);
      for (const other of users) {
        if (other === user || other.to <= user.from || other.from >= from) continue;
        const [low, high] = [Math.min(before.tempC, after.tempC), Math.max(before.tempC, after.tempC)];
        if (low < other.use.tempC - other.use.toleranceC - TOLERANCE || high > other.use.tempC + other.use.toleranceC + TOLERANCE) {
          breaks(
            "H10",
            [user.step.ref, other.step.ref],
            user.from,
            from,
            `The setting changes from ${before.tempC} to ${after.tempC} °C while "${other.step.ref}" is inside.`,
            { step: user.step.ref, spans: [[user.from, from]], all: [other.step.ref] },
          );
        }
      }
    }
  }
  const fitting = union(settings.filter((s) => suits(user.use, s)).map((s) => [s.from, s.to] as const));
  if (!covers(fitting, from, user.to))
    bad(`"${equipment.id}" is not at ${user.use.tempC} °C all that time.`, subtract([[from, user.to]], fitting));
}

/** Checks the time between settings; returns when the equipment heats up or cools with nothing inside. */
function checkChanges(ctx: Context, equipment: Equipment, users: readonly User[], settings: readonly Setting[], breaks: Break): Interval[] {
  const changes: Interval[] = [];
  settings.forEach((setting, i) => {
    const bad = (why: string) =>
      breaks(
        "H10",
        [...new Set(users.filter((u) => u.from < setting.to && setting.from < u.to).map((u) => u.step.ref))],
        setting.from,
        setting.to,
        why,
      );
    if (setting.tempC > equipment.maxC) bad(`"${equipment.id}" reaches ${equipment.maxC} °C, not ${setting.tempC}.`);
    if (setting.to <= setting.from) return bad("A setting must last.");
    const begun = users.some((u) => ctx.events.has(u.step.ref) && u.from <= ctx.now && u.from < setting.to && setting.from < u.to);
    const before = settings[i - 1];
    if (before && before.to > setting.from) return bad(`"${equipment.id}" has two settings at once.`);
    if (users.some((u) => u.use.ramp && u.from === setting.from && rampFrom(u, users)) && before?.to === setting.from) return;
    const lastUse = Math.max(...users.filter((u) => u.to <= setting.from).map((u) => u.to), Number.NEGATIVE_INFINITY);
    const nextUse = Math.min(...users.filter((u) => u.from >= setting.from).map((u) => u.from), setting.to);
    const left = before ? { tempC: before.tempC, at: Math.max(lastUse, before.from) } : foundWarm(ctx, equipment);
    const warm = left && nextUse - left.at <= RESTS_AT_IDLE_MINUTES ? left : undefined;
    const need = warm
      ? changeMinutes(equipment, warm.tempC, setting.tempC)
      : Math.max(0, changeMinutes(equipment, equipment.idleC, Math.max(setting.tempC, equipment.idleC)));
    const since = before ? before.to : Math.min(ctx.now, setting.from);
    const start = before ? before.to : ctx.now;
    if (!begun && setting.from - start < need) {
      bad(`"${equipment.id}" needs ${need} min to come to ${setting.tempC} °C and has ${Math.max(0, setting.from - start)}.`);
    }
    if (need > 0 && setting.from > since && !begun) changes.push([setting.from - need, setting.from]);
  });
  return changes;
}

/** What the log leaves warm at the beginning: equipment that it says is on, or the use of a step that has just ended. */
function foundWarm(ctx: Context, equipment: Equipment): { tempC: number; at: number } | undefined {
  const on = ctx.heat.find((h) => h.id === equipment.id && h.since <= ctx.now);
  if (on) return { tempC: Math.min(on.tempC, equipment.maxC, equipment.idleC + (ctx.now - on.since) * equipment.heatCPerMin), at: ctx.now };
  let newest: { tempC: number; at: number } | undefined;
  for (const step of ctx.inForce) {
    const ended = ctx.events.get(step.ref)?.ended;
    for (const use of step.uses) {
      const fits = (e: Equipment) => e.kind === use.what && e.maxC >= use.tempC - use.toleranceC;
      if (ended === undefined || ended > ctx.now || !fits(equipment) || ctx.dish.equipment.find(fits) !== equipment) continue;
      if (!newest || ended >= newest.at) newest = { tempC: use.tempC, at: ended };
    }
  }
  return newest && ctx.now - newest.at <= RESTS_AT_IDLE_MINUTES ? newest : undefined;
}

function checkWindows(
  ctx: Context,
  heatUps: readonly { readonly from: number; readonly to: number; readonly for: string }[],
  breaks: Break,
): void {
  for (const window of ctx.dish.windows) {
    const closed = ctx.hours(window.hours);
    const because = window.why ? ` (${window.why})` : "";
    for (const step of ctx.inForce) {
      const planned = ctx.planned(step.ref);
      if (!planned || isDone(ctx, step.ref) || window.allow.has(step.ref)) continue;
      for (const [from, to, what] of forbiddenSpans(ctx, step, planned, window)) {
        const a = ctx.events.has(step.ref) ? Math.max(from, ctx.now) : from;
        if (overlaps(closed, a, to))
          breaks("H12", [step.ref], a, to, `${what} is not done then${because}.`, { step: step.ref, spans: intersect([[a, to]], closed) });
      }
    }
    for (const heatUp of heatUps) {
      if (window.allow.has(heatUp.for)) continue;
      const to = window.forbid.has("heat") ? heatUp.to : window.forbid.has("start-heat") ? heatUp.from + 1 : heatUp.from;
      if (overlaps(closed, heatUp.from, to)) breaks("H12", [heatUp.for], heatUp.from, to, `Heating up is not done then${because}.`);
    }
  }
}

function forbiddenSpans(ctx: Context, step: Step, planned: PlannedStep, window: Window): (readonly [number, number, string])[] {
  const found: (readonly [number, number, string])[] = [];
  const add = (spans: Intervals, what: string) => {
    for (const [a, b] of spans) found.push([a, b, what]);
  };
  const all = window.forbid.has("*");
  const tag = [...step.tags].find((t) => window.forbid.has(t));
  if (tag) add(workOf(step, planned), `What is "${tag}"`);
  if (all || window.forbid.has("hands")) {
    add(handsIntervals(ctx, step, planned), "Work by hand");
    add(
      planned.rounds.map((r) => [r.at, r.at + Math.max(1, step.tends[r.tend]?.takes ?? 1)] as const),
      "A round",
    );
  }
  if (all && step.attention === "nearby") add(workOf(step, planned), "Staying with it");
  for (const use of step.uses) {
    if (use.what !== "burner" && !(HEATED as readonly string[]).includes(use.what)) continue;
    const spans = neededSpans(ctx, step, planned, use);
    if (window.forbid.has("heat")) add(spans, "Heat");
    if (window.forbid.has("start-heat") && !(ctx.events.has(step.ref) && planned.start < ctx.now))
      add(
        spans.map(([a]) => [a, a + 1] as const),
        "Lighting",
      );
  }
  return found;
}
