// Ways on for a plan under way that has none left at its lengths: what a cook is asked to decide, each planned and priced, in the order in
// which they are offered: what is inside its range is taken as it is, what may wait waits a little longer, the table waits some minutes or is laid a
// little earlier, a stand-in, a wait at some cost to quality, the table waits longer.
// Each is a JSON Patch on the dish, or a press. A safety limit is never touched.
import { DEFAULT_KITCHEN } from "../dish/default-kitchen";
import type { Dish, Step } from "../dish/model";
import { applyPatch, type PatchOperation } from "../dish/patch";
import { plannedLength } from "../dish/planned-length";
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { intervalsOfHours } from "../time/calendar";
import { durationText, parseDuration, spokenDuration } from "../time/duration";
import { momentText } from "./explain/words";
import { type Planned, type PlanOptions, planDish, planningNow } from "./index";
import type { Log } from "./log";
import type { Plan } from "./plan";
import { leastMinutes, mayBeTaken } from "./policy";

export interface WayOn {
  readonly kind: "stay-up" | "longer-wait" | "work-longer" | "serve-later" | "serve-earlier" | "take-now" | "stand-in";
  readonly text: string;
  readonly change: readonly PatchOperation[];
  /** A step that is pressed as done now. */
  readonly press?: string;
  /** Events of a component that is replaced are passed over from then on. */
  readonly replaced?: string;
  readonly plan: Plan;
}

/** What waits for quality only may wait longer by such a share before anything else is asked. */
const A_LITTLE = 0.25;
const HOUR = 60;
const SOON = [5, 15, 30, 45, 60];
const LATE = [90, 120, 180, 240, 300, 360];
const A_BIT_LONGER = [5, 10, 20, 30, 45];
const MUCH_LONGER = [60, 90, 120, 180];
const EARLIER = [5, 10, 15, 20, 30];
/** How far a quick try lets what has begun go past hours and waits. */
const LOOSE = { hours: 4000, waits: 4000 };

export interface Scene {
  readonly document: DishFile;
  readonly dish: Dish;
  readonly options: PlanOptions;
  readonly log: Log | undefined;
  readonly serveAt: number;
  readonly now: number;
}

export function sceneOf(document: DishFile, options: PlanOptions): Scene {
  const dish = dishModel(document);
  return { document, dish, options, log: options.log, serveAt: options.serveAt ?? dish.serveAt, now: planningNow(dish, options) };
}

/**
 * @param options as for the plan that failed, with its log and the plan so far
 * @param most so many at most; 1 for the first that works
 */
export function waysOn(document: DishFile, options: PlanOptions, most = 3): WayOn[] {
  const scene = sceneOf(document, options);
  const found: WayOn[] = [];
  const kinds: ((scene: Scene) => WayOn | undefined)[] = [
    servedAsItRuns,
    takeNow,
    (s) => longerWait(s, A_LITTLE),
    (s) => longerToday(s, A_BIT_LONGER),
    (s) => later(s, 0, SOON),
    earlier,
    standIn,
    (s) => longerToday(s, MUCH_LONGER),
    (s) => longerWait(s, Number.POSITIVE_INFINITY),
    (s) => later(s, HOUR, LATE),
  ];
  for (const way of kinds) {
    if (options.stop?.() || found.length >= most) break;
    const planned = way(scene);
    if (planned && !found.some((f) => f.kind === planned.kind)) found.push(planned);
  }
  return found;
}

export const feasible = (planned: Planned): Plan | undefined => (planned.status === "feasible" ? planned.plan : undefined);
const quick = (dish: Dish, options: PlanOptions) => feasible(planDish(dish, { ...options, quick: true, lenience: LOOSE }));

export const servingAt = (scene: Scene, minutes: number, plan: Plan): WayOn => {
  const at = scene.serveAt + minutes;
  return {
    kind: minutes > 0 ? "serve-later" : "serve-earlier",
    text: `Serve at ${momentText(scene.dish, at)}, ${spokenDuration(Math.abs(minutes))} ${minutes > 0 ? "later" : "earlier"}.`,
    change: [{ op: "replace", path: "/dish/serveAt", value: scene.dish.zone.toWallInstant(at) }],
    plan,
  };
};

/** Serving has begun: the table is served when it is over. */
function servedAsItRuns(scene: Scene): WayOn | undefined {
  const { dish, options, log, serveAt, now } = scene;
  const ends = [{ step: dish.serve, after: 0 }, ...dish.courses.map((c) => ({ step: c.serve, after: c.after }))];
  for (const { step, after } of ends) {
    const event = log?.events.get(step);
    if (!event || event.ended !== undefined) continue;
    const planned = options.previous?.steps.find((s) => s.step === step);
    const usual = plannedLengthOf(dish, step, options);
    const length = planned?.shortenedFrom === undefined ? usual : planned.minutes;
    const minutes = Math.max(event.estimate ?? event.started + length, now) - after - serveAt;
    const plan = minutes === 0 ? undefined : feasible(planDish(dish, { ...options, serveAt: serveAt + minutes }));
    if (plan) return servingAt(scene, minutes, plan);
  }
  return undefined;
}

const plannedLengthOf = (dish: Dish, ref: string, { planAt = "cautious" }: PlanOptions): number => {
  const step = stepOf(dish, ref);
  return step ? plannedLength(step.time, planAt, step.k, step.grows) * step.batches : 0;
};

/** Who works today goes on for some minutes past their hours, and up to bed so much later. */
function longerToday(scene: Scene, steps: readonly number[]): WayOn | undefined {
  const { document, dish, options, now } = scene;
  const day = dish.zone.dayNumber(now);
  const [midnight, next] = [dish.zone.minuteOfDay(day, 0), dish.zone.minuteOfDay(day, 1440)];
  const own = document.kitchen?.cooks ? [] : [{ op: "add" as const, path: "/kitchen", value: { ...DEFAULT_KITCHEN, ...document.kitchen } }];
  const change = (minutes: number): PatchOperation[] => [
    ...own,
    ...dish.cooks.flatMap((cook, c): PatchOperation[] => {
      const works = cook.hours ? intervalsOfHours(cook.hours, dish.zone, midnight, next) : [];
      const end = works.at(-1)?.[1];
      if (end === undefined || !cook.hours) return [];
      const [from, to] = [Math.min(end, Math.max(now, midnight)), end + minutes];
      const value = { from: dish.zone.toWallInstant(from), to: dish.zone.toWallInstant(to) };
      const awake = (document.kitchen?.cooks ?? DEFAULT_KITCHEN.cooks)?.[c]?.awake;
      return [
        { op: "add", path: `/kitchen/cooks/${c}/hours/-`, value },
        ...(awake ? [{ op: "add" as const, path: `/kitchen/cooks/${c}/awake/-`, value }] : []),
      ];
    }),
  ];
  const changed = (minutes: number) => dishModel(applyPatch(document, change(minutes)) as DishFile);
  const minutes = steps.find((m) => quick(changed(m), options));
  const plan = minutes === undefined ? undefined : feasible(planDish(changed(minutes), options));
  if (minutes === undefined || !plan) return undefined;
  return { kind: "work-longer", text: `Work up to ${spokenDuration(minutes)} longer today.`, change: change(minutes), plan };
}

/** The table waits: as few minutes as there is a plan for. */
function later(scene: Scene, from: number, steps: readonly number[]): WayOn | undefined {
  const { dish, options, serveAt } = scene;
  const works = (minutes: number) => quick(dish, { ...options, serveAt: serveAt + minutes }) !== undefined;
  // Later is not always easier (hours end, quiet times begin), so every step up is looked at before it is halved down.
  let low = from;
  let high: number | undefined;
  for (const minutes of steps) {
    if (works(minutes)) {
      high = minutes;
      break;
    }
    low = minutes;
  }
  if (high === undefined) return undefined;
  while (high - low > 1) {
    const middle: number = (low + high) >> 1;
    if (works(middle)) high = middle;
    else low = middle;
  }
  for (const minutes of [high, high + 5, high + 15]) {
    const plan = feasible(planDish(dish, { ...options, serveAt: serveAt + minutes }));
    if (plan) return servingAt(scene, minutes, plan);
  }
  return undefined;
}

/** The table is laid a little earlier, where what is ready would wait too long. */
function earlier(scene: Scene): WayOn | undefined {
  const { dish, options, serveAt } = scene;
  for (const minutes of EARLIER) {
    if (!quick(dish, { ...options, serveAt: serveAt - minutes })) continue;
    const plan = feasible(planDish(dish, { ...options, serveAt: serveAt - minutes }));
    if (plan) return servingAt(scene, -minutes, plan);
  }
  return undefined;
}

/** A step that has run for its least time and needs no heat is taken as it is: its length is a range. */
export function* takenNow({ dish, options, log, now }: Scene): Generator<WayOn> {
  const running = dish.components
    .flatMap((c) => c.methods.flatMap((m) => m.steps))
    .flatMap((step) => {
      const event = log?.events.get(step.ref);
      const may = event && event.ended === undefined && !event.pieces && mayBeTaken(step);
      return may && now - event.started >= leastMinutes(step) && (event.estimate ?? now) > now ? [{ step, event }] : [];
    });
  for (const { step, event } of running) {
    const events = new Map(log?.events).set(step.ref, { ...event, ended: now });
    const plan = feasible(planDish(dish, { ...options, log: { ...(log as Log), events } }));
    if (!plan) continue;
    const ran = spokenDuration(now - event.started);
    yield {
      kind: "take-now",
      text: `Count “${step.name}” as done: it has had ${ran}, which is within its range.`,
      change: [],
      press: step.ref,
      plan,
    };
  }
}
const takeNow = (scene: Scene): WayOn | undefined => takenNow(scene).next().value ?? undefined;

/** Waits that only quality limits are made longer by a share at most: those that the plan then uses, no longer than it uses them. */
function longerWait({ document, dish, options }: Scene, share: number): WayOn | undefined {
  const waits = qualityWaits(document);
  if (waits.length === 0) return undefined;
  const wider = (list: readonly (QualityWait & { readonly minutes: number })[]): PatchOperation[] =>
    list.map((w) => ({ op: "replace", path: `${w.path}/max`, value: durationText(w.minutes) }));
  const widest = waits.map((w) => ({ ...w, minutes: Number.isFinite(share) ? Math.floor(w.max * (1 + share)) : w.max + 2880 }));
  const all = quick(dishModel(applyPatch(document, wider(widest)) as DishFile), options);
  const used = all ? waits.flatMap((w) => (waited(all, dish, w) > w.max ? [{ ...w, minutes: waited(all, dish, w) }] : [])) : [];
  if (used.length === 0) return undefined;
  const change = wider(used);
  const plan = feasible(planDish(dishModel(applyPatch(document, change) as DishFile), options));
  if (!plan) return undefined;
  const names = used.map((w) => `“${w.name}” ${spokenDuration(w.minutes)} instead of ${spokenDuration(w.max)}`);
  return { kind: "longer-wait", text: `Let ${names.join(" and ")} wait. That costs quality, not safety.`, change, plan };
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

/** Longest waits of the document that are no matter of safety. */
function qualityWaits(document: DishFile): QualityWait[] {
  const found: QualityWait[] = [];
  document.components.forEach((component, c) => {
    component.methods.forEach((method, m) => {
      method.steps.forEach((step, s) => {
        const at = `/components/${c}/methods/${m}/steps/${s}`;
        const own = { name: step.name ?? step.id, step: `${component.id}.${step.id}` };
        step.makes?.forEach((output, o) => {
          output.holds?.forEach((hold, h) => {
            const max = hold.max === undefined || hold.limit === "safety" ? undefined : parseDuration(hold.max);
            const place = { path: `${at}/makes/${o}/holds/${h}`, output: `${component.id}.${output.id}`, hold: h };
            if (max !== undefined) found.push({ ...own, ...place, max, name: output.name ?? output.id });
          });
        });
        step.after?.forEach((link, l) => {
          if (typeof link === "string" || link.max === undefined || link.limit === "safety") return;
          const max = parseDuration(link.max);
          const after = link.step.includes(".") ? link.step : `${component.id}.${link.step}`;
          if (max !== undefined) found.push({ ...own, path: `${at}/after/${l}`, max, after });
        });
      });
    });
  });
  return found;
}

/** How long something waits in a plan, in minutes; 0 where it does not. */
function waited(plan: Plan, dish: Dish, wait: QualityWait): number {
  if (wait.output !== undefined)
    return Math.max(0, ...plan.holds.filter((h) => h.output === wait.output && h.hold === wait.hold).map((h) => h.to - h.from));
  const here = plan.steps.find((s) => s.step === wait.step);
  const other = plan.steps.find((s) => s.step === wait.after);
  const link = stepOf(dish, wait.step)?.links.find((l) => l.step === wait.after);
  return here && other ? here.start - (link?.from === "start" ? other.start : other.end) : 0;
}

const stepOf = (dish: Dish, ref: string): Step | undefined =>
  dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref);

/** The bought stand-in of a component of which nothing has been taken yet. */
export function standIn({ document, dish, options, log }: Scene): WayOn | undefined {
  const taken = (component: string) =>
    [...(log?.events.keys() ?? [])].some(
      (ref) => !ref.startsWith(`${component}.`) && stepOf(dish, ref)?.takes.some((t) => t.from.startsWith(`${component}.`)),
    );
  for (const component of dish.components) {
    const replaced = options.previous?.methods[component.id] === "fallback" || options.methods?.[component.id] === "fallback";
    if (!component.fallback || component.onHand.length || replaced || taken(component.id)) continue;
    const plan = feasible(
      planDish(dish, {
        ...options,
        log: log && withoutComponent(log, component.id),
        methods: { ...options.methods, [component.id]: "fallback" },
      }),
    );
    if (!plan) continue;
    const wishes = document.wishes ?? {};
    const pins = [
      ...(wishes.pins ?? []).filter((p) => !("component" in p && p.component === component.id)),
      { component: component.id, method: "fallback" },
    ];
    return {
      kind: "stand-in",
      text: `${component.fallback.name} instead of ${component.name}.`,
      change: [{ op: document.wishes ? "replace" : "add", path: "/wishes", value: { ...wishes, pins } }],
      replaced: component.id,
      plan,
    };
  }
  return undefined;
}

/** A log without what was done of a component. */
export function withoutComponent(log: Log, component: string): Log {
  return { ...log, events: new Map([...log.events].filter(([ref]) => !ref.startsWith(`${component}.`))) };
}
