// From an hour before serving: everything that is done, in its order, what goes on each plate, and what has to be eaten soon. Pure.
import type { Dish } from "../dish/model";
import { type Quantity, quantityText } from "../dish/units";
import type { PlanView, StepView } from "./plan-view";
import { withAmounts } from "./with-amounts";

export interface LastLine {
  readonly key: string;
  readonly at: number;
  readonly until: number;
  /** The step that a press speaks of; undefined for plates. */
  readonly step: string | undefined;
  readonly kind: "start" | "end" | "plates";
  readonly what: string;
  /** What goes into it, or what ends it. */
  readonly more: string;
  /** It runs by itself once it has begun, and has not. */
  readonly toStart: boolean;
  readonly done: boolean;
}

interface PlateRow {
  readonly name: string;
  readonly each: string;
  readonly amount: string;
  /** The kind of the component that it comes from, for its colour. */
  readonly kind: string;
}

export interface LastHour {
  /** The minute of serving, of the dish or of a course. */
  readonly at: number;
  readonly course: string;
  readonly lines: readonly LastLine[];
  readonly plates: readonly PlateRow[];
  /** Food on its way to the table that does not keep long, with its minute. */
  readonly limits: readonly { readonly name: string; readonly until: number }[];
}

const HOUR = 60;
/** Plates go into the warmth so long before serving. */
const WARM_MINUTES = 15;
/** What keeps longer than this after serving needs no word. */
const SOON_MINUTES = 120;
const HOT = new Set(["hob", "oven", "grill", "bath"]);

interface Course {
  readonly name: string;
  readonly at: number;
  readonly step: string;
}

/** The servings of a meal: the dish itself and each of its courses, in order. */
const servingsOf = (plan: PlanView): Course[] =>
  [{ name: "", at: plan.serveAt, step: plan.serveStep }, ...plan.courses.map((c) => ({ name: c.name, at: c.at, step: c.step }))].sort(
    (a, b) => a.at - b.at,
  );

/**
 * The hour before the serving that comes next; after the last one, that of the last.
 * @param serves how many plates there are
 */
export function lastHourOf(plan: PlanView, dish: Dish, serves: number, now: number): LastHour {
  const servings = servingsOf(plan);
  const state = new Map(plan.steps.map((s) => [s.ref, s.state]));
  const over = (c: Course) => state.get(c.step) === "done" || now > c.at + HOUR;
  const course = servings.find((c) => !over(c)) ?? (servings.at(-1) as Course);
  const before = servings[servings.indexOf(course) - 1];
  // What belongs to the serving before is over by then.
  const from = Math.max(course.at - HOUR, before?.at ?? Number.NEGATIVE_INFINITY);
  const lines = [...plan.steps.flatMap((s) => linesOf(s, from, course)), ...platesOf(plan, course, serves)].sort(
    (a, b) => a.at - b.at || a.until - b.until,
  );
  return { at: course.at, course: course.name, lines, plates: onEachPlate(plan, dish, course, serves), limits: soonOver(plan, course) };
}

function linesOf(s: StepView, from: number, { at, step }: Course): LastLine[] {
  const serving = s.ref === step;
  const lines: LastLine[] = [];
  const common = { step: s.ref, until: s.end };
  if ((s.start >= from && s.start <= at) || serving)
    lines.push({
      ...common,
      key: `start ${s.ref}`,
      kind: "start",
      at: s.start,
      what: s.name,
      more: withAmounts(s),
      toStart: s.attention !== "hands" && !serving && s.state === "planned",
      // What runs by itself is done with once it has begun: its end has a line of its own.
      done: s.attention === "hands" || serving ? s.state === "done" : s.state !== "planned",
    });
  if (!serving && s.attention !== "hands" && s.end >= from && s.end <= at && s.end > s.start + 1)
    lines.push({
      ...common,
      key: `end ${s.ref}`,
      kind: "end",
      at: s.end,
      what: HOT.has(s.place) ? `Off the heat: ${s.name}` : `Ready: ${s.name}`,
      more: s.cue ?? "",
      toStart: false,
      done: s.state === "done",
    });
  return lines;
}

/** Warm plates for what comes hot to the table. */
function platesOf(plan: PlanView, course: Course, serves: number): LastLine[] {
  const hot = plan.steps.some((s) => HOT.has(s.place) && s.end > course.at - HOUR / 2 && s.end <= course.at && s.ref !== course.step);
  const kept = plan.waits.some((w) => HOT.has(w.place) && w.to >= course.at - HOUR / 2 && w.to <= course.at);
  if (!hot && !kept) return [];
  const at = course.at - WARM_MINUTES;
  return [
    {
      key: `plates ${course.at}`,
      kind: "plates",
      step: undefined,
      at,
      until: course.at,
      what: serves === 1 ? "Warm the plate" : `Warm ${serves} plates`,
      more: "",
      toStart: false,
      done: false,
    },
  ];
}

/** A portion as it is judged by eye and scale: whole grams, and fives from a hundred on. */
function share(q: Quantity, parts: number): string {
  const value = q.value / parts;
  if (q.dimension === "count" || value < 10) return quantityText({ ...q, value });
  const to = value < 100 ? 1 : 5;
  return quantityText({ ...q, value: Math.round(value / to) * to });
}

/** What lies on each plate: as the dish says it, else what the steps that serve take and make nothing else of. */
function onEachPlate(plan: PlanView, dish: Dish, course: Course, serves: number): PlateRow[] {
  const own = course.step.split(".")[0] ?? "";
  const kinds = new Map(plan.components.map((c) => [c.id, c.kind]));
  const steps = dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps));
  const outputs = new Map(steps.flatMap((s) => s.makes.map((o) => [o.ref, o] as const)));
  const inPlan = new Set(plan.steps.filter((s) => s.ref.startsWith(`${own}.`)).map((s) => s.ref));
  const taken =
    dish.plate.length && course.step === plan.serveStep
      ? dish.plate.map((p) => ({ from: p.from, quantity: p.quantity as Quantity | undefined }))
      : steps.filter((s) => inPlan.has(s.ref) && (s.makes.length === 0 || s.ref === course.step)).flatMap((s) => s.takes);
  return taken.map(({ from, quantity }) => {
    const output = outputs.get(from);
    const all = quantity ?? output?.quantity;
    return {
      name: output?.name ?? from,
      each: all ? share(all, Math.max(1, serves)) : "",
      amount: all ? quantityText(all) : "",
      kind: kinds.get(from.split(".")[0] ?? "") ?? "other",
    };
  });
}

function soonOver(plan: PlanView, course: Course): { name: string; until: number }[] {
  return plan.waits
    .filter((w) => w.to >= course.at - HOUR && w.to <= course.at && w.window?.max !== undefined && w.window.limit === "safety")
    .map((w) => ({ name: w.name, until: w.from + (w.window?.max ?? 0) }))
    .filter((l) => l.until - course.at <= SOON_MINUTES)
    .sort((a, b) => a.until - b.until);
}
