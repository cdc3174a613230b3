"use client";
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from "react";
import type { PLACES, PlanView } from "@/core/sheets/plan-view";
import { axisX } from "@/core/time/folded-axis";
import type { WallClock } from "@/core/time/wall-clock";
import { colourOf } from "./colours";
import { Furniture } from "./Furniture";
import { type Geometry, LEFT, routeGeometry } from "./geometry";
import { RouteLine, RouteWords } from "./RouteLine";
import { stepWords } from "./words";

export interface RouteChartProps {
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly now: number;
  readonly selected: string | undefined;
  readonly focused: string | undefined;
  readonly trueScale: boolean;
  readonly onSelect: (component: string | undefined, step: string | undefined) => void;
}

/** The route chart: each component's way through the kitchen to the table. */
export function RouteChart({ plan, clock, now, selected, focused, trueScale, onSelect }: RouteChartProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(920);
  const [fit, setFit] = useState(590);
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const [pointed, setPointed] = useState<string>();

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => entry && setWidth(Math.max(640, Math.floor(entry.contentRect.width))));
    watch.observe(element);
    const measure = () => setFit(window.innerHeight - element.getBoundingClientRect().top - window.scrollY - 112);
    measure();
    window.addEventListener("resize", measure);
    return () => {
      watch.disconnect();
      window.removeEventListener("resize", measure);
    };
  }, []);

  // True scale gets the room that it needs and scrolls; folded time fits the page.
  const span = trueScale ? Math.max(width, ((plan.ends - plan.begins) / 60) * 24) : width;
  const geometry = useMemo(
    () => routeGeometry(plan, { width: span, open: trueScale ? "all" : open, clock, fit, now }),
    [plan, span, open, trueScale, clock, fit, now],
  );
  const toggle = (from: number) =>
    setOpen((before) => (before.has(from) ? new Set([...before].filter((f) => f !== from)) : new Set([...before, from])));
  const current = pointed ?? focused;
  const spoken = plan.steps.find((s) => s.ref === current);
  // The selected line lies on top.
  const drawn = geometry.routes.toSorted((a, b) => Number(a.id === selected) - Number(b.id === selected));
  const isQuiet = (route: string) => selected !== undefined && selected !== route && spoken?.component !== route;
  const select = (route: string, step: string | undefined) => onSelect(selected === route && step === undefined ? undefined : route, step);

  const keys = (event: KeyboardEvent) => {
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

  return (
    <div ref={frame} className="relative">
      <div className="overflow-x-auto">
        <svg
          width={span}
          height={geometry.height}
          viewBox={`0 0 ${span} ${geometry.height}`}
          role="application"
          aria-label="Route chart. Arrow keys walk from step to step, Enter selects a component; the list below says the same."
          // biome-ignore lint/a11y/noNoninteractiveTabindex: one stop for the whole chart; arrow keys walk along it and the live text below speaks
          tabIndex={0}
          onKeyDown={keys}
          className="block select-none"
        >
          <Furniture geometry={geometry} plan={plan} clock={clock} onPleat={toggle} />
          {drawn.map((route) => (
            <RouteLine
              key={route.id}
              route={route}
              colour={colourOf(route.kind)}
              quiet={isQuiet(route.id)}
              current={current}
              onPoint={setPointed}
              onSelect={(step) => select(route.id, step)}
            />
          ))}
          {drawn.map((route) => (
            <RouteWords
              key={route.id}
              route={route}
              colour={colourOf(route.kind)}
              quiet={isQuiet(route.id)}
              onSelect={(step) => select(route.id, step)}
            />
          ))}
          {now > plan.begins && now < plan.ends && <NowLine geometry={geometry} now={now} />}
        </svg>
      </div>
      <p role="status" aria-live="polite" className="min-h-[2.6em] pt-1 pl-[74px] text-[13.5px] text-quiet">
        {spoken ? stepWords(spoken, plan, clock) : "Point at a line, or walk along it with the arrow keys."}
      </p>
    </div>
  );
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

export const PLACE_NAMES: Readonly<Record<(typeof PLACES)[number], string>> = {
  freezer: "freezer",
  fridge: "fridge",
  cellar: "larder",
  counter: "counter",
  hob: "hob",
  oven: "oven",
  grill: "grill",
  bath: "bath",
};
