// Ways on for a plan under way that has none left at its lengths: what a cook is asked to decide, each planned and priced, in the order in
// which they are offered: what may wait waits a little longer, the table waits some minutes, a stand-in, the table waits longer.
// Each is a JSON Patch on the dish. A safety limit is never touched.
import { type Dish, dishModel } from "../dish/model";
import { applyPatch, type PatchOperation } from "../dish/patch";
import type { DishFile } from "../dish/schema";
import { durationText, parseDuration, spokenDuration } from "../time/duration";
import { momentText } from "./explain/words";
import { type Planned, type PlanOptions, planDish } from "./index";
import type { Plan } from "./plan";

export interface WayOn {
  readonly kind: "longer-wait" | "serve-later" | "stand-in";
  readonly text: string;
  readonly change: readonly PatchOperation[];
  readonly plan: Plan;
}

/** What waits for quality only may wait longer by such a share. */
const LONGER_BY = 0.25;
const HOUR = 60;
const MOST_LATER = 6 * HOUR;

/**
 * @param options as for the plan that failed, with its log and the plan so far
 * @param first only the first that works
 */
export function waysOn(document: DishFile, options: PlanOptions, { first = false } = {}): WayOn[] {
  const found: WayOn[] = [];
  for (const way of [longerWait, (d: DishFile, o: PlanOptions) => later(d, o, HOUR), standIn, (d: DishFile, o: PlanOptions) => later(d, o, MOST_LATER)]) {
    if (options.stop?.() || (first && found.length)) break;
    if (way !== longerWait && way !== standIn && found.some((f) => f.kind === "serve-later")) continue;
    const planned = way(document, options);
    if (planned) found.push(planned);
  }
  return found;
}

const feasible = (planned: Planned): Plan | undefined => (planned.status === "feasible" ? planned.plan : undefined);

/** The table waits: as few minutes as there is a plan for. */
function later(document: DishFile, options: PlanOptions, most: number): WayOn | undefined {
  const dish = dishModel(document);
  const serveAt = options.serveAt ?? dish.serveAt;
  const quick = (minutes: number) =>
    feasible(planDish(dish, { ...options, serveAt: serveAt + minutes, quick: true, lenience: { hours: 4000, waits: 4000 } }));
  const whole = (minutes: number) => feasible(planDish(dish, { ...options, serveAt: serveAt + minutes }));
  // Later is not always easier (hours end, quiet times begin), so every step up is looked at before it is halved down.
  const steps = most === HOUR ? [5, 15, 30, 45, 60] : [90, 120, 180, 240, 300, 360];
  let low = most === HOUR ? 0 : HOUR;
  let high: number | undefined;
  for (const minutes of steps) {
    if (quick(minutes)) {
      high = minutes;
      break;
    }
    low = minutes;
  }
  if (high === undefined) return undefined;
  while (high - low > 1) {
    const middle: number = (low + high) >> 1;
    if (quick(middle)) high = middle;
    else low = middle;
  }
  for (const minutes of [high, high + 5, high + 15]) {
    const plan = whole(minutes);
    if (!plan) continue;
    const at = dish.zone.toWallInstant(serveAt + minutes);
    return {
      kind: "serve-later",
      text: `Serve at ${momentText(dish, serveAt + minutes)}, ${spokenDuration(minutes)} later.`,
      change: [{ op: "replace", path: "/dish/serveAt", value: at }],
      plan: { ...plan, serveAt: serveAt + minutes },
    };
  }
  return undefined;
}

/** Waits that only quality limits, a quarter longer: those that the plan then uses. */
function longerWait(document: DishFile, options: PlanOptions): WayOn | undefined {
  const waits = qualityWaits(document);
  if (waits.length === 0) return undefined;
  const wider = (list: readonly QualityWait[]): PatchOperation[] =>
    list.map((w) => ({ op: "replace", path: `${w.path}/max`, value: durationText(Math.floor(w.max * (1 + LONGER_BY))) }));
  const all = feasible(planDish(dishModel(applyPatch(document, wider(waits)) as DishFile), { ...options, quick: true, lenience: { hours: 4000, waits: 4000 } }));
  if (!all) return undefined;
  const dish = dishModel(document);
  const used = waits.filter((w) => usedBeyond(all, dish, w));
  const change = wider(used.length ? used : waits);
  const plan = feasible(planDish(dishModel(applyPatch(document, change) as DishFile), options));
  if (!plan || used.length === 0) return undefined;
  const names = used.map((w) => w.name);
  return { kind: "longer-wait", text: `Let ${names.join(" and ")} wait up to a quarter longer. It is a matter of quality, not of safety.`, change, plan };
}

interface QualityWait {
  readonly path: string;
  readonly max: number;
  readonly name: string;
  readonly step: string;
  readonly output?: string;
  readonly hold?: number;
  readonly after?: string;
}

function qualityWaits(document: DishFile): QualityWait[] {
  const found: QualityWait[] = [];
  document.components.forEach((component, c) => {
    component.methods.forEach((method, m) => {
      method.steps.forEach((step, s) => {
        const at = `/components/${c}/methods/${m}/steps/${s}`;
        const ref = `${component.id}.${step.id}`;
        step.makes?.forEach((output, o) => {
          output.holds?.forEach((hold, h) => {
            const max = hold.max === undefined || hold.limit !== "quality" ? undefined : parseDuration(hold.max);
            if (max) found.push({ path: `${at}/makes/${o}/holds/${h}`, max, name: output.name ?? output.id, step: ref, output: `${component.id}.${output.id}`, hold: h });
          });
        });
        step.after?.forEach((link, l) => {
          if (typeof link === "string" || link.max === undefined || link.limit === "safety") return;
          const max = parseDuration(link.max);
          const after = link.step.includes(".") ? link.step : `${component.id}.${link.step}`;
          if (max) found.push({ path: `${at}/after/${l}`, max, name: step.name ?? step.id, step: ref, after });
        });
      });
    });
  });
  return found;
}

/** Whether a plan lets something wait longer than the dish has it. */
function usedBeyond(plan: Plan, dish: Dish, wait: QualityWait): boolean {
  if (wait.output !== undefined) return plan.holds.some((h) => h.output === wait.output && h.hold === wait.hold && h.to - h.from > wait.max);
  const here = plan.steps.find((s) => s.step === wait.step);
  const other = plan.steps.find((s) => s.step === wait.after);
  const link = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === wait.step)?.links.find((l) => l.step === wait.after);
  return here !== undefined && other !== undefined && here.start - (link?.from === "start" ? other.start : other.end) > wait.max;
}

/** The bought stand-in of a component that has not been taken yet. */
function standIn(document: DishFile, options: PlanOptions): WayOn | undefined {
  const dish = dishModel(document);
  const begun = (component: string) =>
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).some((s) => options.log?.events.has(s.ref) && s.takes.some((t) => t.from.startsWith(`${component}.`)) && !s.ref.startsWith(`${component}.`));
  for (const component of dish.components) {
    if (!component.fallback || component.onHand.length || options.previous?.methods[component.id] === "fallback" || begun(component.id)) continue;
    const events = new Map([...(options.log?.events ?? [])].filter(([ref]) => !ref.startsWith(`${component.id}.`)));
    const log = options.log && { ...options.log, events };
    const plan = feasible(planDish(dish, { ...options, log, methods: { ...options.methods, [component.id]: "fallback" } }));
    if (!plan) continue;
    const index = document.components.findIndex((c) => c.id === component.id);
    const wishes = document.wishes ?? {};
    const pins = [...(wishes.pins ?? []).filter((p) => !("component" in p && p.component === component.id)), { component: component.id, method: "fallback" }];
    return {
      kind: "stand-in",
      text: `${component.fallback.name} in place of ${document.components[index]?.name ?? component.id}.`,
      change: [{ op: document.wishes ? "replace" : "add", path: "/wishes", value: { ...wishes, pins } }],
      plan,
    };
  }
  return undefined;
}
