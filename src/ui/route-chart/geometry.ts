// Where everything of the route chart stands: places down the side, folded time across, one line for each component.
// Pure: a plan and a width in, coordinates out. The chart only draws what this says; tests read it too.

import { spokenDuration } from "@/core/time/duration";
import { type AxisPart, axisX, foldedAxis } from "@/core/time/folded-axis";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, StepView, ViewPlace, WaitView } from "@/core/view/plan-view";
import { Collisions, daysOf, handsOf, holdsNight, hoursOf, LETTER, labelOf, titleOf } from "./labels";
import { bandsOf, dealLanes, heightIn, LEAST_SQUEEZE, TOP, waitKey } from "./lanes";

import { type Geometry, LEFT, type Rest, type Route, type Segment } from "./shapes";

export { type Band, TOP, waitKey } from "./lanes";

export { type Geometry, type HandsBar, LEFT, type Rest, type Route, type Segment } from "./shapes";

const HANDS_ROW = 27;

interface GeometryOptions {
  readonly width: number;
  readonly open: ReadonlySet<number> | "all";
  readonly clock: WallClock;
  /** The height to fit into, as far as lines stay apart. */
  readonly fit?: number;
  /** What lies before this minute is past. */
  readonly now?: number;
  /** Only what lies between these minutes. */
  readonly window?: readonly [number, number] | undefined;
  /** A plan that this one is compared with: both lie on one axis. */
  readonly also?: PlanView | undefined;
  /** A chart whose axis, places and lanes stay as they are: while something is dragged nothing else may jump. */
  readonly frozen?: Geometry | undefined;
}

/** How wide the time of serving is in its large figures, beside the line of the table, and how high. */
const servingWidth = (text: string) => text.length * 14 + 12;
const SERVING_HEIGHT = 34;

export function routeGeometry(whole: PlanView, options: GeometryOptions): Geometry {
  const { width, clock, fit, now = Number.NEGATIVE_INFINITY, window, also, frozen } = options;
  const plan = window ? within(whole, window) : whole;
  const axis = frozen?.axis ?? axisOf(plan, options);
  const x = (minute: number) => LEFT + axisX(axis, minute);
  const lanes = dealLanes(plan, x, frozen?.lanes);
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id)));
  const below = 26 + HANDS_ROW * cooks.length;
  const squeeze =
    frozen?.squeeze ??
    (fit === undefined ? 1 : Math.min(1, Math.max(LEAST_SQUEEZE, (fit - below - TOP) / (bandsOf(plan, lanes, 1).tableY - TOP))));
  const { bands, tableY } = frozen ?? bandsOf(plan, lanes, squeeze);
  const yOf = (key: string, place: ViewPlace, tempC: number | undefined) =>
    heightIn(bands, place, lanes.lane.get(key) ?? 0, tempC, squeeze);
  const taken = new Collisions();
  // The hour of serving stands large beside the table: names keep away from it.
  for (const s of servingsOf(plan, x, yOf))
    if (s.main) taken.add(s.x - servingWidth(clock.time(s.at)), tableY - SERVING_HEIGHT, s.x + 6, tableY);
  // The words of a pleat stand upright at its foot.
  for (const p of axis) if (p.folded) taken.add(LEFT + p.x0, tableY - 8 - LETTER.step * 12, LEFT + p.x1, tableY);
  const routes = plan.components.map((component): Route => {
    const steps = plan.steps.filter((s) => s.component === component.id);
    const segments = steps.map((step): Segment => {
      const y = yOf(step.ref, step.place, step.tempC);
      return {
        step,
        x0: x(step.start),
        x1: Math.max(x(step.end), x(step.start) + 2),
        y,
        thick: step.hands.map((h) => [x(h.from), Math.max(x(h.to), x(h.from) + 2.5)] as const),
        ticks: step.rounds.map((r) => ({ x: x(r.at), what: r.what, at: r.at })),
        label: undefined,
        soft: softOf(step, x),
      };
    });
    const rests = plan.waits.filter((w) => w.component === component.id).map((wait) => restOf(wait, whole, x, yOf));
    const first = segments.reduce<Segment | undefined>((a, b) => (!a || b.x0 < a.x0 ? b : a), undefined);
    return {
      id: component.id,
      name: component.name,
      kind: component.kind,
      segments,
      rests,
      title: { x: first?.x0 ?? LEFT, y: first?.y ?? 0, anchor: "end" },
      look: "",
    };
  });
  // With the dots at its ends.
  for (const route of routes) for (const s of route.segments) taken.add(s.x0 - 3, s.y - 4, s.x1 + 3, s.y + 4);
  // In a frozen chart what has not moved is the very same, its names and labels too.
  const looks = new Map(routes.map((route) => [route.id, lookOf(route)]));
  const stays = new Map(frozen?.routes.filter((route) => route.look === looks.get(route.id)).map((route) => [route.id, route]));
  const titled = routes.map((route) => stays.get(route.id) ?? { ...route, title: titleOf(route, taken, width, x(now)) });
  const labelled = titled.map(
    (route) =>
      stays.get(route.id) ?? {
        ...route,
        segments: route.segments.map((s) => ({ ...s, label: labelOf(s, taken, width) })),
        look: looks.get(route.id) ?? "",
      },
  );
  const main = servingsOf(plan, x, yOf).find((s) => s.main);
  const beside = (x0: number, x1: number) => main !== undefined && x1 > main.x - servingWidth(clock.time(main.at)) && x0 < main.x;
  const handsY = cooks.map((_, i) => tableY + 24 + HANDS_ROW * (i + 1));
  return {
    width,
    axis,
    bands,
    routes: labelled,
    tableY,
    x,
    height: tableY + below + 2,
    servings: servingsOf(plan, x, yOf),
    days: frozen?.days ?? daysOf(axis, x, clock),
    hours: frozen?.hours ?? hoursOf(axis, x, clock),
    pleats:
      frozen?.pleats ??
      axis
        .filter((p) => p.folded)
        .map((p) => ({
          x0: LEFT + p.x0,
          x1: LEFT + p.x1,
          from: p.from,
          to: p.to,
          text: `${spokenDuration(p.to - p.from)} ${p.to <= now ? "gone" : "rest"}`,
          night: holdsNight(p.from, p.to, clock),
          // Its words start above the large time of serving where that lies before them.
          textY: beside(LEFT + p.x0, LEFT + p.x1) ? tableY - SERVING_HEIGHT - 4 : tableY - 8,
        })),
    hands: handsOf(
      plan,
      cooks.map((c) => c.id),
      x,
    ),
    handsY,
    lanes,
    squeeze,
    ghosts: also ? ghostsOf(also, plan, x, yOf) : [],
  };
}

function lookOf({ segments, rests }: Route): string {
  const steps = segments.map((s) => `${s.step.ref} ${n(s.x0)} ${n(s.x1)} ${s.y} ${s.step.state} ${s.thick} ${s.soft}`);
  return [...steps, ...rests.map((r) => r.path)].join("|");
}

function axisOf(plan: PlanView, { width, open, window, also }: GeometryOptions): AxisPart[] {
  const plans = also && !window ? [plan, also] : [plan];
  const steps = plans.flatMap((p) => p.steps);
  return foldedAxis({
    from: window?.[0] ?? Math.min(...plans.map((p) => p.begins)) - 20,
    to: window?.[1] ?? Math.max(...plans.map((p) => p.ends)) + 8,
    width: width - LEFT - 34,
    busy: steps.flatMap((s) => s.hands.map((h) => [h.from, h.to] as const)),
    open,
    lastHours: plan.serveAt - 180,
    moments: steps.flatMap((s) => [s.start, s.end]),
  });
}

/** What of a plan lies within a stretch of time. */
function within(plan: PlanView, [from, to]: readonly [number, number]): PlanView {
  const inside = (a: number, b: number) => b > from && a < to;
  const steps = plan.steps
    .filter((s) => inside(s.start, Math.max(s.end, s.start + 1)))
    .map((s) => ({ ...s, hands: s.hands.filter((h) => inside(h.from, h.to)), rounds: s.rounds.filter((r) => inside(r.at, r.at + 1)) }));
  const known = new Set(plan.steps.map((s) => s.ref));
  const waits = plan.waits.filter((w) => inside(w.from, Math.max(w.to, w.from + 1)) && known.has(w.fromStep) && known.has(w.toStep));
  const used = new Set([...steps.map((s) => s.component), ...waits.map((w) => w.component)]);
  return { ...plan, steps, waits, components: plan.components.filter((c) => used.has(c.id)) };
}

/** The uncertain end of a step that is not over: from its least length to its longest. */
function softOf(step: StepView, x: (m: number) => number): Segment["soft"] {
  if (!step.uncertain || step.state === "done") return undefined;
  return [x(step.start + step.uncertain[0]), x(Math.max(step.end, step.start + step.uncertain[2]))];
}

function ghostsOf(
  before: PlanView,
  plan: PlanView,
  x: (m: number) => number,
  yOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
): Geometry["ghosts"] {
  const now = new Map(plan.steps.map((s) => [s.ref, s]));
  return before.steps.flatMap((old) => {
    const step = now.get(old.ref);
    if (!step || step.start === old.start) return [];
    return [{ step: old.ref, x0: x(old.start), x1: Math.max(x(old.end), x(old.start) + 2), y: yOf(step.ref, step.place, step.tempC) }];
  });
}

// --- Lines --------------------------------------------------------------------------------------------------------

function restOf(
  wait: WaitView,
  plan: PlanView,
  x: (m: number) => number,
  yOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
): Rest {
  const maker = plan.steps.find((s) => s.ref === wait.fromStep) as StepView;
  const taker = plan.steps.find((s) => s.ref === wait.toStep) as StepView;
  const yFrom = yOf(maker.ref, maker.place, maker.tempC);
  const yTo = yOf(taker.ref, taker.place, taker.tempC);
  const [x0, x1] = [x(wait.from), x(wait.to)];
  const visible = x1 - x0 >= 5;
  const y = visible ? yOf(waitKey(wait), wait.place, undefined) : yTo;
  const joins = taker.component !== wait.component;
  const path = visible
    ? `M${n(x0)} ${n(yFrom)}${travel(x0, yFrom, y, Math.min(6, (x1 - x0) / 2), true)}L${n(x1 - Math.min(6, (x1 - x0) / 2))} ${n(y)}${travel(x1, y, yTo, Math.min(6, (x1 - x0) / 2), false)}`
    : `M${n(x0)} ${n(yFrom)}L${n(x1)} ${n(yTo)}`;
  const { min = 0, max, best } = wait.window ?? {};
  const window = {
    min: min > 0 ? x(wait.from + min) : undefined,
    best: best && ([x(wait.from + best[0]), x(wait.from + best[1])] as const),
    max: max === undefined ? undefined : x(wait.from + max),
  };
  return { wait, path, x0, x1, y, visible, joins, window };
}

const n = (value: number) => value.toFixed(1);

/** From one height to another within a few pixels, leaving and arriving flat, as a line on a string chart does. */
function travel(x: number, yFrom: number, yTo: number, width: number, leaving: boolean): string {
  const [a, b] = leaving ? [x, x + width] : [x - width, x];
  return `C${n(a + width * 0.85)} ${n(yFrom)} ${n(b - width * 0.85)} ${n(yTo)} ${n(b)} ${n(yTo)}`;
}

function servingsOf(
  plan: PlanView,
  x: (m: number) => number,
  yOf: (key: string, place: ViewPlace, tempC: number | undefined) => number,
): Geometry["servings"] {
  return [{ step: plan.serveStep, at: plan.serveAt, name: "", main: true }, ...plan.courses.map((c) => ({ ...c, main: false }))].map(
    ({ step, at, name, main }) => {
      const last = plan.steps.find((s) => s.ref === step);
      return { x: x(at), y: last ? yOf(last.ref, last.place, last.tempC) : TOP, at, name, main };
    },
  );
}
