import type { Route, Segment } from "./geometry";

export interface RouteLineProps {
  readonly route: Route;
  readonly colour: string;
  readonly quiet: boolean;
  readonly current: string | undefined;
  readonly onPoint: (step: string | undefined) => void;
  readonly onSelect: (step: string | undefined) => void;
}

/** One component's line: thick where hands work, thin where it goes on alone, dotted where it holds. */
export function RouteLine({ route, colour, quiet, current, onPoint, onSelect }: RouteLineProps) {
  return (
    <g opacity={quiet ? 0.16 : 1} data-component={route.id} style={{ cursor: "pointer" }}>
      {route.rests.map((rest) => (
        <g key={`${rest.wait.fromStep} ${rest.wait.toStep} ${rest.wait.name}`}>
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
          onPoint={onPoint}
          onSelect={onSelect}
        />
      ))}
    </g>
  );
}

/** Its name and the labels of its steps, drawn over all lines. */
export function RouteWords({ route, colour, quiet, onSelect }: Pick<RouteLineProps, "route" | "colour" | "quiet" | "onSelect">) {
  return (
    <g opacity={quiet ? 0.16 : 1}>
      {route.segments.map(
        (s) =>
          s.label && (
            <text key={s.step.ref} x={s.label.x} y={s.label.y} fontSize={11} fill="var(--ink)" style={HALO} pointerEvents="none">
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
          onClick={() => onSelect(undefined)}
        >
          {route.name}
        </text>
      )}
    </g>
  );
}

const HALO = { paintOrder: "stroke", stroke: "var(--paper)", strokeWidth: 3, strokeLinejoin: "round" } as const;

const endY = (path: string) => Number(path.slice(path.lastIndexOf(" ") + 1));

function StepMark({
  segment,
  colour,
  current,
  onPoint,
  onSelect,
}: {
  segment: Segment;
  colour: string;
  current: boolean;
  onPoint: (s: string | undefined) => void;
  onSelect: (s: string | undefined) => void;
}) {
  const { step, x0, x1, y } = segment;
  const done = step.state === "done";
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the chart takes the keys for its lines
    <g
      data-step={step.ref}
      opacity={done ? 0.45 : 1}
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
