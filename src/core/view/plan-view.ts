// A plan read for people: where each component's food is at every moment, what its waits may be, who works when.
// Pure data, made once on the server and drawn by the chart, the day list, the Cook view and paper alike.
import type { Dish, Hold, Step } from "../dish/model";
import { componentOf } from "../dish/model";
import { quantityText } from "../dish/units";
import { isPutDown, type LogEvent } from "../planner/log";
import type { Plan, PlannedStep } from "../planner/plan";
import type { Progress } from "../record/progress";
import { PLACES, type ViewPlace } from "./places";

export type { ViewPlace } from "./places";

interface WindowView {
  readonly min: number;
  readonly max: number | undefined;
  readonly best: readonly [number, number] | undefined;
  readonly limit: "quality" | "safety" | undefined;
}

export interface StepView {
  readonly ref: string;
  readonly component: string;
  readonly name: string;
  readonly note: string | undefined;
  readonly start: number;
  readonly end: number;
  readonly pieces: readonly (readonly [number, number])[];
  readonly hands: readonly { readonly cook: string; readonly from: number; readonly to: number }[];
  readonly rounds: readonly { readonly at: number; readonly what: string; readonly takes: number }[];
  readonly attention: "hands" | "nearby" | "unattended";
  readonly place: ViewPlace;
  readonly tempC: number | undefined;
  readonly equipment: readonly string[];
  readonly cue: string | undefined;
  readonly probeC: number | undefined;
  readonly checkFrom: number | undefined;
  readonly checkEvery: number | undefined;
  /** It may be put down and taken up again. */
  readonly split: boolean;
  readonly paused: boolean;
  readonly uncertain: readonly [number, number, number] | undefined;
  readonly danger: readonly string[];
  /** Ingredients that come in here, with their amounts for the guests that come. */
  readonly goesIn: readonly { readonly name: string; readonly amount: string }[];
  readonly takes: readonly { readonly name: string; readonly component: string; readonly amount: string }[];
  readonly makes: readonly { readonly name: string; readonly amount: string }[];
  readonly state: "planned" | "running" | "done";
}

/** Food at rest between two steps: in its own component, or on its way to another's. */
export interface WaitView {
  readonly component: string;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly place: ViewPlace;
  readonly fromStep: string;
  readonly toStep: string;
  readonly window: WindowView | undefined;
}

export interface ComponentView {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly course: string | undefined;
  readonly method: string;
  readonly methods: readonly { readonly id: string; readonly name: string; readonly quality: number }[];
  readonly methodId: string;
  readonly fallback: string | undefined;
}

export interface PlanView {
  readonly serveAt: number;
  readonly serveStep: string;
  readonly begins: number;
  readonly ends: number;
  readonly leadMinutes: number;
  readonly boundMinutes: number;
  readonly courses: readonly { readonly name: string; readonly at: number; readonly step: string }[];
  readonly components: readonly ComponentView[];
  readonly steps: readonly StepView[];
  readonly waits: readonly WaitView[];
  readonly cooks: readonly { readonly id: string; readonly name: string }[];
  readonly settings: readonly {
    readonly id: string;
    readonly name: string;
    readonly tempC: number;
    readonly mode: string;
    readonly from: number;
    readonly to: number;
  }[];
  readonly ovenRange: readonly [number, number] | undefined;
  /** Rules that what has begun cannot keep, each in a sentence. */
  readonly exceptions: readonly { readonly text: string; readonly step: string | undefined; readonly from: number; readonly to: number }[];
  /** Steps planned shorter than their usual length, inside their range. */
  readonly shortened: readonly {
    readonly name: string;
    readonly minutes: number;
    readonly from: number;
    readonly least: number;
    readonly most: number;
  }[];
  /** What waited too long to be safe and must go. */
  readonly gone: readonly string[];
}

/** The view of a plan. Pre: the plan belongs to the dish. */
export function planView(dish: Dish, plan: Plan, progress: Progress = new Map()): PlanView {
  const inForce = stepsInForce(dish, plan);
  const planned = new Map(plan.steps.map((s) => [s.step, s]));
  const outputs = new Map(
    dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => s.makes.map((o) => [o.ref, o.name] as const)))),
  );
  const steps = inForce.flatMap((step): StepView[] => {
    const at = planned.get(step.ref);
    return at ? [stepView(dish, step, at, outputs, progress)] : [];
  });
  const ends = Math.max(plan.serveAt, ...steps.map((s) => s.end));
  const courses = dish.courses.map((c) => ({ name: c.name, at: plan.serveAt + c.after, step: c.serve }));
  const temperatures = steps.filter((s) => s.place === "oven" && s.tempC !== undefined).map((s) => s.tempC as number);
  return {
    serveAt: plan.serveAt,
    serveStep: dish.serve,
    begins: Math.min(plan.serveAt, ...steps.map((s) => s.start)),
    ends,
    leadMinutes: plan.leadMinutes,
    boundMinutes: plan.boundMinutes,
    courses,
    components: dish.components
      .filter((c) => steps.some((s) => s.component === c.id))
      .map((c) => {
        const id = plan.methods[c.id];
        const method = c.methods.find((m) => m.id === id) ?? c.methods[0];
        return {
          id: c.id,
          name: c.name,
          kind: c.kind,
          course: c.course,
          method: id === "fallback" ? (c.fallback?.name ?? "stand-in") : (method?.name ?? ""),
          methods: c.methods.map((m) => ({ id: m.id, name: m.name, quality: m.quality })),
          methodId: id ?? c.methods[0]?.id ?? "",
          fallback: c.fallback?.name,
        };
      }),
    steps: steps.sort((a, b) => a.start - b.start || a.end - b.end),
    waits: waitsOf(plan, inForce, planned, outputs),
    cooks: dish.cooks.map((c) => ({ id: c.id, name: c.name })),
    settings: plan.settings.map((s) => ({ ...s, name: dish.equipment.find((e) => e.id === s.id)?.name ?? s.id })),
    ovenRange: temperatures.length ? [Math.min(...temperatures), Math.max(...temperatures)] : undefined,
    exceptions: (plan.exceptions ?? []).map(({ text, step, from, to }) => ({ text, step, from, to })),
    shortened: plan.steps.flatMap((s) => {
      const step = inForce.find((x) => x.ref === s.step);
      if (!step || s.shortenedFrom === undefined || progress.get(s.step)?.ended !== undefined) return [];
      const by = step.k ** step.grows * step.batches;
      return [
        {
          name: step.name,
          minutes: s.minutes,
          from: s.shortenedFrom,
          least: Math.round(step.time.min * by),
          most: Math.round(step.time.max * by),
        },
      ];
    }),
    gone: (plan.gone ?? []).map((g) => outputs.get(g.output) ?? g.output),
  };
}

/** Steps of the methods that a plan has in force. */
export function stepsInForce(dish: Dish, plan: Pick<Plan, "methods">): Step[] {
  return dish.components.flatMap((c) => {
    if (c.onHand.length || plan.methods[c.id] === "fallback") return [];
    return (c.methods.find((m) => m.id === plan.methods[c.id]) ?? c.methods[0])?.steps ?? [];
  });
}

function placeOf(step: Step): { place: ViewPlace; tempC: number | undefined } {
  for (const kind of ["oven", "grill", "bath", "freezer", "fridge", "cellar"] as const) {
    const use = step.uses.find((u) => u.what === kind && u.part === "all");
    if (use) return { place: kind, tempC: kind === "oven" || kind === "grill" || kind === "bath" ? use.tempC : undefined };
  }
  return { place: step.uses.some((u) => u.what === "burner") ? "hob" : "counter", tempC: undefined };
}

function stepView(dish: Dish, step: Step, at: PlannedStep, outputs: ReadonlyMap<string, string>, progress: Progress): StepView {
  const event = progress.get(step.ref);
  const planned = at;
  at = event ? asItRuns(planned, event) : planned;
  const { time, file } = step;
  const minutes = (text: string | undefined) => (text === undefined ? undefined : durationMinutes(text));
  return {
    ref: step.ref,
    component: componentOf(step.ref),
    name: step.name,
    note: file.note,
    start: at.start,
    end: at.end,
    pieces: at.pieces,
    hands: at.hands,
    rounds: at.rounds.map((r) => ({ at: r.at, what: step.tends[r.tend]?.what ?? "check it", takes: step.tends[r.tend]?.takes ?? 0 })),
    attention: step.attention,
    ...placeOf(step),
    equipment: [...new Set(at.equipment.map((e) => dish.equipment.find((q) => q.id === e.id)?.name ?? e.id))],
    cue: file.done?.cue,
    probeC: file.done?.probeC,
    checkFrom: minutes(file.done?.checkFrom),
    checkEvery: minutes(file.done?.checkEvery),
    split: step.minPiece !== undefined,
    paused: isPutDown(event),
    uncertain: time.max > time.min ? [time.min, time.likely, time.max] : undefined,
    danger: file.danger ?? [],
    goesIn: step.goesIn.map((i) => ({ name: i.name, amount: i.quantity ? quantityText(i.quantity) : "" })),
    takes: step.takes.map((t) => ({
      name: outputs.get(t.from) ?? t.from,
      component: componentOf(t.from),
      amount: t.quantity ? quantityText(t.quantity) : "",
    })),
    makes: step.makes.map((o) => ({ name: o.name, amount: o.quantity ? quantityText(o.quantity) : "" })),
    state: event === undefined ? "planned" : event.ended === undefined ? "running" : "done",
  };
}

/** A step that was pressed stands where the presses have it, whether or not a plan knows of them yet. */
function asItRuns(at: PlannedStep, event: LogEvent): PlannedStep {
  const end = event.ended ?? event.estimate ?? Math.max(event.started, at.end + event.started - at.start);
  if (event.started === at.start && end === at.end) return at;
  if (event.pieces || at.pieces.length > 1) return { ...at, start: event.started, end: Math.max(end, event.started) };
  return { ...at, start: event.started, end, pieces: [[event.started, end]] };
}

function durationMinutes(text: string): number {
  const parts = /^(?:(\d+)d)?(?:(\d+)h)?(?:(\d+)m)?$/.exec(text);
  return parts ? Number(parts[1] ?? 0) * 1440 + Number(parts[2] ?? 0) * 60 + Number(parts[3] ?? 0) : 0;
}

const restingPlace = (place: string): ViewPlace => ((PLACES as readonly string[]).includes(place) ? (place as ViewPlace) : "counter");

function windowOf(hold: Pick<Hold, "min" | "max" | "best" | "limit"> | undefined): WindowView | undefined {
  if (!hold || (hold.min === 0 && hold.max === undefined && !hold.best)) return undefined;
  return { min: hold.min, max: hold.max, best: hold.best, limit: hold.limit };
}

/** Waits of outputs until they are taken, and waits along links inside a component. */
function waitsOf(
  plan: Plan,
  inForce: readonly Step[],
  planned: ReadonlyMap<string, PlannedStep>,
  outputs: ReadonlyMap<string, string>,
): WaitView[] {
  const waits: WaitView[] = [];
  const makerOf = new Map(inForce.flatMap((s) => s.makes.map((o) => [o.ref, { step: s, output: o }] as const)));
  const covered = new Set<string>();
  for (const step of inForce) {
    const here = planned.get(step.ref);
    if (!here) continue;
    for (const take of step.takes) {
      const made = makerOf.get(take.from);
      const maker = made && planned.get(made.step.ref);
      if (!made || !maker) continue;
      covered.add(`${made.step.ref} ${step.ref}`);
      const hold = plan.holds.find((h) => h.output === take.from && h.taker === step.ref);
      const chosen = hold && made.output.holds[hold.hold];
      waits.push({
        component: componentOf(made.step.ref),
        name: outputs.get(take.from) ?? take.from,
        from: Math.min(maker.end, here.start),
        to: here.start,
        place: restingPlace(chosen?.place ?? "counter"),
        fromStep: made.step.ref,
        toStep: step.ref,
        window: windowOf(chosen),
      });
    }
  }
  for (const step of inForce) {
    const here = planned.get(step.ref);
    for (const link of step.links) {
      const other = planned.get(link.step);
      if (
        !here ||
        !other ||
        link.from === "start" ||
        componentOf(link.step) !== componentOf(step.ref) ||
        covered.has(`${link.step} ${step.ref}`)
      )
        continue;
      if (here.start < other.end) continue;
      const before = inForce.find((s) => s.ref === link.step);
      // Food that is left where it was: a wait without a place stays cold if it was cold.
      const stays = before && ["fridge", "freezer", "cellar"].includes(placeOf(before).place) ? placeOf(before).place : "counter";
      waits.push({
        component: componentOf(step.ref),
        name: before?.name ?? link.step,
        from: other.end,
        to: here.start,
        place: link.place !== "none" ? restingPlace(link.place) : stays,
        fromStep: link.step,
        toStep: step.ref,
        window: windowOf(link),
      });
    }
  }
  return waits.sort((a, b) => a.from - b.from);
}
