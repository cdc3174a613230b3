"use client";
import { type KeyboardEvent, type ReactNode, type RefObject, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { StepPin } from "@/core/dish/wishes";
import type { Why } from "@/core/planner/explain/why";
import { axisX } from "@/core/time/folded-axis";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView, ViewPlace } from "@/core/view/plan-view";
import { changedView } from "@/core/view/view-change";
import { ROUTE_CHART } from "@/words/route-chart";
import type { Desk } from "../planning/desk";
import { useDrag } from "../planning/use-drag";
import { colourOf } from "./colours";
import { Furniture, HandsStrip } from "./Furniture";
import { type Geometry, LEFT, type Route, routeGeometry } from "./geometry";
import { HeldNote } from "./HeldNote";
import { restKey } from "./lanes";
import { Chain, Clash, type FactMark, Ghosts, LastMoments, Nails, SlackBand, WaitWindow, WishedTable } from "./Overlays";
import { RouteLine, RouteWords, WaitSpots } from "./RouteLine";
import { GRID, usePointer } from "./use-pointer";
import { heldWords, stepWords, waitsWords, waitWords } from "./words";

export interface RouteChartProps {
  readonly plan: PlanView;
  /** A plan that this one is compared with: where its steps stood is outlined. */
  readonly before?: PlanView | undefined;
  readonly clock: WallClock;
  readonly now: number;
  readonly selected: string | undefined;
  readonly focused: string | undefined;
  readonly trueScale: boolean;
  /** Only what lies between these minutes. */
  readonly window: readonly [number, number] | undefined;
  readonly whys: readonly Why[];
  readonly pins: readonly StepPin[];
  readonly lastMoments: readonly { readonly component: string; readonly decideBy: number }[];
  /** Components whose lines are quieted. */
  readonly quieted: ReadonlySet<string>;
  /** Only these steps are lit; undefined: all. */
  readonly lit: readonly string[] | undefined;
  readonly clash: readonly FactMark[];
  /** An hour of serving that is wished and cannot be. */
  readonly wishedAt: number | undefined;
  readonly desk: () => Desk;
  /** Filled with what takes a step in the hand: a button beside the chart does so too. */
  readonly hand: RefObject<((step: string) => void) | undefined>;
  readonly onSelect: (component: string | undefined, step: string | undefined) => void;
  /** A step was let go of where there is a plan with it; over when what comes of it is settled. */
  readonly onRelease: (step: string, at: number) => Promise<void>;
  readonly onDay: (minute: number) => void;
  readonly onPlace: (place: ViewPlace) => void;
  /** What is drawn under the chart on the same axis: a place that is opened. */
  readonly strip: (geometry: Geometry) => ReactNode;
}

/** The route chart: each component's way through the kitchen to the table. */
export function RouteChart(props: RouteChartProps) {
  const { clock, now, selected, focused, trueScale, window: part, whys, hand, onSelect } = props;
  // Held here and not further up: while a step is dragged, nothing but the chart is drawn anew.
  const drag = useDrag(props.desk);
  const { held, drop } = drag;
  const inHand = held !== undefined;
  useEffect(() => {
    // Escape puts it back, wherever the keys go: a finger on the chart has not moved them there.
    const back = (event: globalThis.KeyboardEvent) => inHand && event.key === "Escape" && drop();
    window.addEventListener("keydown", back);
    return () => window.removeEventListener("keydown", back);
  }, [inHand, drop]);
  const change = held?.change;
  const plan = useMemo(() => (change ? changedView(props.plan, change) : props.plan), [change, props.plan]);
  const frame = useRef<HTMLDivElement>(null);
  const note = useRef<HTMLDivElement>(null);
  const { width, fit } = useRoom(frame);
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const [pointed, setPointed] = useState<string>();
  const [pointedWait, setPointedWait] = useState<string>();

  // True scale gets the room that it needs and scrolls; folded time fits the page.
  const hours = part ? 0 : (props.plan.ends - props.plan.begins) / 60;
  const span = trueScale ? Math.max(width, hours * 24) : width;
  const how = useMemo(
    () => ({ width: span, open: trueScale ? ("all" as const) : open, clock, fit, now, window: part }),
    [span, open, trueScale, clock, fit, now, part],
  );
  const base = useMemo(() => routeGeometry(props.plan, { ...how, also: props.before }), [props.plan, props.before, how]);
  // While a step is in the hand, axis, places and lanes stay: only what moves with it moves.
  const geometry = useMemo(
    () => (change ? routeGeometry(plan, { ...how, also: props.plan, frozen: base }) : base),
    [change, plan, base, props.plan, how],
  );
  const toggle = useCallback(
    (from: number) => setOpen((before) => (before.has(from) ? new Set([...before].filter((f) => f !== from)) : new Set([...before, from]))),
    [],
  );

  const current = held?.step ?? pointed ?? focused;
  const spoken = plan.steps.find((s) => s.ref === current);
  const wait = geometry.routes.flatMap((r) => r.rests).find((r) => restKey(r.wait) === pointedWait);
  // The selected line lies on top.
  const drawn = geometry.routes.toSorted((a, b) => Number(a.id === selected) - Number(b.id === selected));
  const lit = useMemo(() => (props.lit ? new Set(props.lit) : undefined), [props.lit]);
  const isQuiet = (route: string) =>
    props.quieted.has(route) ||
    (lit === undefined && held === undefined && selected !== undefined && selected !== route && spoken?.component !== route);
  const { wasDragged, ...pointer } = usePointer({
    geometry,
    drag,
    plan: props.plan,
    focused,
    frame,
    note,
    onRelease: () => void release(),
  });
  // One function for all lines and all times, so that lines that stay as they are need not be drawn anew.
  const pick = useRef((_route: string, _step: string | undefined) => {});
  pick.current = (route, step) => {
    if (!wasDragged()) onSelect(selected === route && step === undefined ? undefined : route, step);
  };
  const onLine = useCallback((route: string, step: string | undefined) => pick.current(route, step), []);
  const release = async () => {
    const where = await drag.release();
    if (where && where.at !== props.plan.steps.find((s) => s.ref === where.step)?.start) await props.onRelease(where.step, where.at);
    drag.drop();
  };
  hand.current = (ref) => {
    const step = props.plan.steps.find((s) => s.ref === ref);
    if (step?.state !== "planned") return;
    drag.take(ref, step.start, "keys");
    frame.current?.querySelector<SVGElement>("svg[role=application]")?.focus();
  };
  const why = held ? undefined : whys.find((w) => w.step === focused);
  const bright = useMemo(
    () => new Set([...(why ? [...why.laterChain, ...why.earlierChain].map((h) => h.step) : []), ...(lit ?? [])]),
    [why, lit],
  );
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id))).map((c) => c.id);

  const keys = (event: KeyboardEvent) => {
    if (held?.by === "keys") {
      const by = event.key === "ArrowLeft" ? -1 : event.key === "ArrowRight" ? 1 : 0;
      if (by) drag.move({ by: by * (event.shiftKey ? 60 : GRID) });
      else if (event.key === "Enter" || event.key === " ") void release();
      else return;
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    if (held) return;
    if (event.key.toLowerCase() === "m" && spoken?.state === "planned" && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      drag.take(spoken.ref, spoken.start, "keys");
      return;
    }
    const to = neighbourOf(plan, geometry, focused, event.key);
    if (to) {
      event.preventDefault();
      onSelect(selected ? to.component : undefined, to.ref);
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      const step = plan.steps.find((s) => s.ref === focused);
      onSelect(selected ? undefined : step?.component, step?.ref);
    } else if (event.key === "Escape") onSelect(undefined, undefined);
  };

  const known = new Set(base.routes);
  const moving = held ? drawn.filter((route) => !known.has(route)) : [];
  const still = held ? drawn.filter((route) => known.has(route)) : drawn;
  const line = (route: Route) => (
    <RouteLine
      key={route.id}
      route={route}
      colour={colourOf(route.kind)}
      quiet={isQuiet(route.id)}
      bright={bright}
      lit={lit}
      current={route.segments.some((s) => s.step.ref === current) ? current : undefined}
      movable={held === undefined}
      onPoint={setPointed}
      onSelect={onLine}
    />
  );
  const words = (route: Route) => (
    <RouteWords
      key={`${route.id} words`}
      route={route}
      colour={colourOf(route.kind)}
      quiet={isQuiet(route.id) || lit !== undefined}
      bright={bright}
      onSelect={onLine}
    />
  );

  return (
    <div ref={frame} className="relative">
      <div className="overflow-x-auto">
        <svg
          width={span}
          height={geometry.height}
          viewBox={`0 0 ${span} ${geometry.height}`}
          role="application"
          aria-label={ROUTE_CHART.routeChartArrowKeysMove}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: one stop for the whole chart; arrow keys walk along it and the live text below speaks
          tabIndex={0}
          onKeyDown={keys}
          {...pointer}
          className="block select-none outline-offset-[-2px] focus:outline-none focus-visible:outline-[2.5px] focus-visible:outline-rim"
        >
          <defs>
            <clipPath id="route-chart-room">
              <rect x={LEFT - 70} y={0} width={span - LEFT + 66} height={geometry.height} />
            </clipPath>
          </defs>
          <g>
            <Furniture geometry={geometry} clock={clock} onPleat={toggle} onDay={props.onDay} onPlace={props.onPlace} />
            <g clipPath={part ? "url(#route-chart-room)" : undefined}>
              {props.before && !held ? <Ghosts geometry={geometry} /> : null}
              {why && <SlackBand geometry={geometry} why={why} />}
              {!held && <WaitSpots routes={geometry.routes} onPoint={setPointedWait} />}
              {still.map(line)}
              {why && <Chain geometry={geometry} steps={[why.step, ...why.laterChain.map((h) => h.step)]} />}
              {why && <Chain geometry={geometry} steps={[why.step, ...why.earlierChain.map((h) => h.step)]} dashed />}
              {lit && <Chain geometry={geometry} steps={props.lit ?? []} />}
              {wait && <WaitWindow rest={wait} />}
              {still.map(words)}
            </g>
          </g>
          <HandsStrip geometry={geometry} plan={plan} />
          <g clipPath={part ? "url(#route-chart-room)" : undefined}>
            {held ? <Ghosts geometry={geometry} /> : null}
            {moving.map(line)}
            {moving.map(words)}
            <LastMoments
              geometry={geometry}
              moments={props.lastMoments}
              clock={clock}
              names={new Map(plan.components.flatMap((c) => (c.fallback ? [[c.id, c.fallback] as const] : [])))}
            />
            <Nails geometry={geometry} pins={props.pins} clock={clock} />
            {props.wishedAt !== undefined && <WishedTable geometry={geometry} at={props.wishedAt} text={clock.dayTime(props.wishedAt)} />}
            {props.clash.length > 0 && <Clash geometry={geometry} facts={props.clash} now={now} cooks={cooks} />}
          </g>
          {now > plan.begins && now < plan.ends && !part && <NowLine geometry={geometry} now={now} />}
        </svg>
        {props.strip(geometry)}
      </div>
      {held && <HeldNote ref={note} held={held} plan={plan} clock={clock} geometry={geometry} />}
      <p role="status" aria-live="polite" className="min-h-[2.6em] pt-1 pl-[74px] text-[13.5px] text-quiet" data-screen>
        {held
          ? heldWords(held, plan, clock)
          : wait
            ? waitWords(wait.wait)
            : spoken
              ? `${stepWords(spoken, plan, clock)} ${waitsWords(spoken, plan)}`
              : ROUTE_CHART.pointAtALineOr}
      </p>
    </div>
  );
}

/** Width of the frame, and the height down to the bottom of the page. */
function useRoom(frame: RefObject<HTMLDivElement | null>) {
  const [width, setWidth] = useState(920);
  const [fit, setFit] = useState(590);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.max(640, Math.floor(entry.contentRect.width))));
    watch.observe(element);
    const measure = () => setFit(Math.max(420, window.innerHeight - element.getBoundingClientRect().top - window.scrollY - 112));
    measure();
    window.addEventListener("resize", measure);
    return () => {
      watch.disconnect();
      window.removeEventListener("resize", measure);
    };
  }, [frame]);
  return { width, fit };
}

function NowLine({ geometry, now }: { geometry: Geometry; now: number }) {
  const x = LEFT + axisX(geometry.axis, now);
  return (
    <g>
      <line x1={x} x2={x} y1={42} y2={geometry.tableY} stroke="var(--saffron)" strokeWidth={2} />
      <path d={`M${x - 6} 36h12l-6 9z`} fill="var(--saffron)" />
    </g>
  );
}

/** Left and right: the step before and after in time. Up and down: the nearest in time of the component above or below. */
function neighbourOf(plan: PlanView, geometry: Geometry, focused: string | undefined, key: string) {
  const steps = plan.steps;
  const at = steps.findIndex((s) => s.ref === focused);
  const here = steps[at];
  if (key === "Home") return steps[0];
  if (key === "End") return steps.at(-1);
  if (key === "ArrowRight") return steps[Math.min(steps.length - 1, at + 1)];
  if (key === "ArrowLeft") return steps[Math.max(0, at < 0 ? 0 : at - 1)];
  if (key !== "ArrowUp" && key !== "ArrowDown") return undefined;
  if (!here) return steps[0];
  const order = geometry.routes.map((r) => r.id);
  const component = order[order.indexOf(here.component) + (key === "ArrowUp" ? -1 : 1)];
  return steps
    .filter((s) => s.component === component)
    .toSorted((a, b) => Math.abs(a.start - here.start) - Math.abs(b.start - here.start))[0];
}
