import { memo } from "react";
import type { Route, Segment } from "./geometry";
import { restKey } from "./lanes";

interface RouteLineProps {
  readonly route: Route;
  readonly colour: string;
  readonly quiet: boolean;
  /** Steps that stay bright on a quieted line. */
  readonly bright: ReadonlySet<string>;
  /** Only these steps are lit; undefined: all. */
  readonly lit: ReadonlySet<string> | undefined;
  readonly current: string | undefined;
  readonly movable: boolean;
  readonly onPoint: (step: string | undefined) => void;
  readonly onSelect: (route: string, step: string | undefined) => void;
}

/** One component's line: thick where hands work, thin where it goes on alone, dotted where it holds. */
export const RouteLine = memo(function RouteLine({
  route,
  colour,
  quiet,
  bright,
  lit,
  current,
  movable,
  onPoint,
  onSelect,
}: RouteLineProps) {
  return (
    <g data-component={route.id} style={{ cursor: "pointer" }}>
      {route.rests.map((rest) => (
        <g key={restKey(rest.wait)} opacity={lit || quiet ? FAINT : 1} pointerEvents="none">
          <path
            d={rest.path}
            fill="none"
            stroke={colour}
            strokeWidth={rest.joins ? 1.5 : 1.8}
            strokeDasharray={rest.visible ? "1.2 3.6" : undefined}
            strokeLinecap="round"
          />
          {rest.joins && (
            <circle
              cx={rest.x1}
              cy={rest.visible ? endY(rest.path) : rest.y}
              r={3.2}
              fill="var(--paper)"
              stroke={colour}
              strokeWidth={1.6}
            />
          )}
        </g>
      ))}
      {route.segments.map((segment) => (
        <StepMark
          key={segment.step.ref}
          segment={segment}
          colour={colour}
          current={current === segment.step.ref}
          lit={bright.has(segment.step.ref) || (!quiet && (lit === undefined || lit.has(segment.step.ref)))}
          movable={movable && segment.step.state === "planned"}
          onPoint={onPoint}
          onSelect={(step) => onSelect(route.id, step)}
        />
      ))}
    </g>
  );
});

/** Where a wait can be pointed at: under all lines, so that no step is ever covered by another component's waiting. */
export function WaitSpots({ routes, onPoint }: { routes: readonly Route[]; onPoint: (wait: string | undefined) => void }) {
  return (
    <g stroke="transparent" strokeWidth={12}>
      {routes.flatMap((route) =>
        route.rests.map(
          (rest) =>
            rest.visible &&
            rest.wait.window && (
              <line
                key={restKey(rest.wait)}
                data-wait={restKey(rest.wait)}
                x1={rest.x0 + 4}
                x2={rest.x1 - 4}
                y1={rest.y}
                y2={rest.y}
                onPointerEnter={() => onPoint(restKey(rest.wait))}
                onPointerLeave={() => onPoint(undefined)}
              />
            ),
        ),
      )}
    </g>
  );
}

/** Its name and the labels of its steps, drawn over all lines. */
export const RouteWords = memo(function RouteWords({
  route,
  colour,
  quiet,
  bright,
  onSelect,
}: Pick<RouteLineProps, "route" | "colour" | "quiet" | "bright" | "onSelect">) {
  const named = quiet && !route.segments.some((s) => bright.has(s.step.ref));
  return (
    <g>
      {route.segments.map(
        (s) =>
          s.label && (
            <text
              key={s.step.ref}
              x={s.label.x}
              y={s.label.y}
              fontSize={11}
              fill="var(--ink)"
              opacity={quiet && !bright.has(s.step.ref) ? FAINT : 1}
              style={HALO}
              pointerEvents="none"
            >
              {s.label.text}
            </text>
          ),
      )}
      {route.title && (
        // biome-ignore lint/a11y/noStaticElementInteractions: the chart takes the keys for its lines
        <text
          x={route.title.x}
          y={route.title.y}
          textAnchor={route.title.anchor}
          fontSize={12.5}
          fontWeight={650}
          fill={colour}
          style={HALO}
          opacity={named ? FAINT : 1}
          onClick={() => onSelect(route.id, undefined)}
        >
          {route.name}
        </text>
      )}
    </g>
  );
});

/** What is quieted can still be made out. */
const FAINT = 0.16;

const HALO = { paintOrder: "stroke", stroke: "var(--paper)", strokeWidth: 3, strokeLinejoin: "round" } as const;

const endY = (path: string) => Number(path.slice(path.lastIndexOf(" ") + 1));

function StepMark({
  segment,
  colour,
  current,
  lit,
  movable,
  onPoint,
  onSelect,
}: {
  segment: Segment;
  colour: string;
  current: boolean;
  lit: boolean;
  movable: boolean;
  onPoint: (s: string | undefined) => void;
  onSelect: (s: string | undefined) => void;
}) {
  const { step, x0, x1, y } = segment;
  const done = step.state === "done";
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the chart takes the keys for its lines
    <g
      data-step={step.ref}
      opacity={!lit ? FAINT : done ? 0.45 : 1}
      style={{ cursor: movable ? "grab" : "pointer" }}
      onPointerEnter={() => onPoint(step.ref)}
      onPointerLeave={() => onPoint(undefined)}
      onClick={() => onSelect(step.ref)}
    >
      {current && (
        <rect
          x={x0 - 4}
          y={y - 9}
          width={x1 - x0 + 8}
          height={18}
          rx={4}
          fill="var(--saffron-wash)"
          stroke="var(--saffron)"
          strokeWidth={1.5}
        />
      )}
      {segment.soft && segment.soft[1] > segment.soft[0] + 1 && (
        <g stroke={colour} data-soft={step.ref}>
          <path
            d={`M${segment.soft[0]} ${y - 3.2}L${segment.soft[1]} ${y}L${segment.soft[0]} ${y + 3.2}z`}
            fill={colour}
            fillOpacity={0.28}
            stroke="none"
          />
          <line x1={segment.soft[1]} x2={segment.soft[1]} y1={y - 4} y2={y + 4} strokeWidth={1} strokeOpacity={0.7} />
        </g>
      )}
      <line x1={x0} x2={x1} y1={y} y2={y} stroke={colour} strokeWidth={2.4} strokeLinecap="round" />
      {segment.thick.map(([a, b]) => (
        <line key={a} x1={a + 2} x2={Math.max(a + 2.2, b - 2)} y1={y} y2={y} stroke={colour} strokeWidth={7} strokeLinecap="round" />
      ))}
      {segment.ticks.map((tick) => (
        <line key={`${tick.at} ${tick.what}`} x1={tick.x} x2={tick.x} y1={y - 5} y2={y + 5} stroke={colour} strokeWidth={1.4} />
      ))}
      {step.state === "running" && <circle cx={x0} cy={y} r={5.5} fill="var(--paper)" stroke="var(--saffron)" strokeWidth={3} />}
      <rect x={x0 - 3} y={y - 9} width={Math.max(8, x1 - x0 + 6)} height={18} fill="transparent" />
    </g>
  );
}
