"use client";
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from "react";
import { type MaterialFlow, weightText } from "@/core/sheets/material-flow";
import { BREAKDOWN_MAP } from "@/words/breakdown-map";
import { colourOf } from "../route-chart/colours";
import { useSpoken } from "../shell/conventions";
import { layoutMap, type PlacedPool, type PlacedStream } from "./layout";

interface BreakdownMapProps {
  readonly materialFlow: MaterialFlow;
  readonly selected: string | undefined;
  readonly selectedStream: string | undefined;
  readonly onSelect: (component: string) => void;
  readonly onStream: (stream: string) => void;
  /** Dragged from one pool to another: what the first makes goes into the second. */
  readonly onJoin: (from: string, to: string) => void;
}

interface Pull {
  readonly from: string;
  readonly x: number;
  readonly y: number;
  readonly over: string | undefined;
}

/** Raw goods at the top, the table at the bottom; each stream as wide as it is heavy. */
export function BreakdownMap({ materialFlow, selected, selectedStream, onSelect, onStream, onJoin }: BreakdownMapProps) {
  const spoken = useSpoken();
  const layout = useMemo(() => layoutMap(materialFlow, spoken), [materialFlow, spoken]);
  const svg = useRef<SVGSVGElement>(null);
  const [pull, setPull] = useState<Pull>();
  const [hovered, setHovered] = useState<string>();
  const lit = (s: PlacedStream) =>
    s.stream.id === (hovered ?? selectedStream) || (selected !== undefined && (s.stream.from === selected || s.stream.to === selected));
  const someLit = selected !== undefined || selectedStream !== undefined;
  const where = (event: PointerEvent) => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return { x: 0, y: 0 };
    return { x: (event.clientX - matrix.e) / matrix.a, y: (event.clientY - matrix.f) / matrix.d };
  };
  const poolAt = (x: number, y: number) =>
    layout.pools.find((p) => Math.abs(x - p.x) <= p.width / 2 + 4 && y >= p.y - p.height / 2 - 14 && y <= p.y + p.height / 2 + 6)?.pool.id;
  const move = (event: PointerEvent) => {
    if (!pull) return;
    const at = where(event);
    setPull({ ...pull, ...at, over: poolAt(at.x, at.y) });
  };
  const drop = () => {
    if (pull?.over && pull.over !== pull.from) onJoin(pull.from, pull.over);
    setPull(undefined);
  };
  const walk = (event: KeyboardEvent) => {
    const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[event.key];
    const here = (event.target as Element).closest("[data-pool]")?.getAttribute("data-pool");
    const from = layout.pools.find((p) => p.pool.id === here);
    if (!step || !from) return;
    event.preventDefault();
    const next = nearest(layout.pools, from, step as [number, number]);
    if (next) (svg.current?.querySelector(`[data-pool="${next.pool.id}"]`) as SVGElement | null)?.focus();
  };
  const pulled = pull && layout.pools.find((p) => p.pool.id === pull.from);
  return (
    <div className="overflow-x-auto">
      <svg
        ref={svg}
        viewBox={`0 0 ${layout.width} ${layout.height}`}
        width={layout.width}
        height={layout.height}
        className="mx-auto block h-auto max-w-full touch-pan-x touch-pan-y select-none"
        // Words stay readable: rather than under nine tenths of its size the map is pushed sideways.
        style={{ minWidth: layout.width * 0.9 }}
        role="application"
        aria-label={BREAKDOWN_MAP.breakdownMapArrowKeysMove}
        onPointerMove={move}
        onPointerUp={drop}
        onPointerLeave={() => setPull(undefined)}
        onKeyDown={walk}
      >
        <title>{BREAKDOWN_MAP.breakdownMap}</title>
        <defs>
          <pattern id="map-short" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--paper)" />
            <rect width="3" height="6" fill="var(--beet)" />
          </pattern>
        </defs>
        {layout.pools.map((p) => p.spring && <Spring key={p.pool.id} place={p} quiet={someLit && p.pool.id !== selected} />)}
        {[...layout.streams]
          .sort((a, b) => Number(lit(a)) - Number(lit(b)))
          .map((s) => (
            <Course
              key={s.stream.id}
              placed={s}
              kind={materialFlow.pools.find((p) => p.id === s.stream.from)?.kind ?? "other"}
              quiet={someLit && !lit(s)}
              lit={lit(s)}
              onPress={onStream}
              onHover={setHovered}
            />
          ))}
        {layout.pools.map((p) => (
          <PoolMark
            key={p.pool.id}
            place={p}
            selected={p.pool.id === selected}
            target={pull?.over === p.pool.id && pull.from !== p.pool.id}
            onSelect={onSelect}
            onPull={(event) => setPull({ from: p.pool.id, ...where(event), over: undefined })}
          />
        ))}
        {layout.streams.map((s) => s.label && <Amount key={s.stream.id} placed={s} quiet={someLit && !lit(s)} />)}
        {pull && pulled && (
          <path
            d={`M${pulled.x},${pulled.y + pulled.height / 2} L${pull.x},${pull.y}`}
            stroke="var(--saffron)"
            strokeWidth={3}
            strokeDasharray="6 4"
            fill="none"
            pointerEvents="none"
          />
        )}
      </svg>
    </div>
  );
}

/** The pool that lies next in a direction: up and down before left and right. */
function nearest(pools: readonly PlacedPool[], from: PlacedPool, [dx, dy]: readonly [number, number]): PlacedPool | undefined {
  const ahead = pools.filter((p) => (dx ? (p.x - from.x) * dx > 4 && Math.abs(p.y - from.y) < 60 : (p.y - from.y) * dy > 4));
  const fallback = dx ? pools.filter((p) => (p.x - from.x) * dx > 4) : [];
  return [...(ahead.length ? ahead : fallback)].sort(
    (a, b) => Math.hypot(a.x - from.x, (a.y - from.y) * 1.5) - Math.hypot(b.x - from.x, (b.y - from.y) * 1.5),
  )[0];
}

function Spring({ place, quiet }: { place: PlacedPool; quiet: boolean }) {
  const { x, y, height, spring } = place;
  if (!spring) return null;
  const bottom = y - height / 2;
  const half = spring.width / 2;
  // Thin at its source, as wide as its weight where it runs in.
  const path = `M${x - half},${bottom} C${x - half},${bottom - 16} ${x - 1.5},${bottom - 12} ${x - 1.5},${bottom - 24} L${x + 1.5},${bottom - 24} C${x + 1.5},${bottom - 12} ${x + half},${bottom - 16} ${x + half},${bottom} Z`;
  return (
    <g opacity={quiet ? 0.4 : 1}>
      <path d={path} fill="var(--leaf)" fillOpacity={0.32} />
      <text x={x} y={bottom - 28} textAnchor="middle" fontSize={11} fill="var(--quiet)">
        {spring.text}
      </text>
    </g>
  );
}

interface CourseProps {
  readonly placed: PlacedStream;
  readonly kind: string;
  readonly quiet: boolean;
  readonly lit: boolean;
  readonly onPress: (stream: string) => void;
  readonly onHover: (stream: string | undefined) => void;
}

function Course({ placed, kind, quiet, lit, onPress, onHover }: CourseProps) {
  const { stream, path, width, end } = placed;
  const unused = stream.to === undefined;
  const said = `${stream.name}: ${stream.amount}, ${unused ? "unused" : BREAKDOWN_MAP.forIt(stream.stepName)}${stream.short ? BREAKDOWN_MAP.moreIsUsedThanMade : ""}`;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a course in a drawing is pressed
    <g
      role="button"
      tabIndex={-1}
      aria-label={said}
      data-stream={stream.id}
      className="cursor-pointer"
      opacity={quiet ? 0.25 : 1}
      onClick={() => onPress(stream.id)}
      onKeyDown={(e) => e.key === "Enter" && onPress(stream.id)}
      onPointerEnter={() => onHover(stream.id)}
      onPointerLeave={() => onHover(undefined)}
    >
      <title>{said}</title>
      <path d={path} stroke="transparent" strokeWidth={Math.max(12, width)} fill="none" />
      <path
        d={path}
        stroke={stream.short ? "url(#map-short)" : colourOf(kind)}
        strokeOpacity={lit ? 0.85 : 0.45}
        strokeWidth={width}
        strokeDasharray={stream.stated ? undefined : `${Math.max(7, width * 0.8)} 3`}
        fill="none"
      />
      {unused && (
        <>
          <path d={`M${end[0] - 10},${end[1]} h20 M${end[0] - 6},${end[1] + 4} h12`} stroke="var(--quiet)" strokeWidth={1.5} />
          <text
            x={end[0] + 12}
            y={end[1] + 16}
            textAnchor="end"
            fontSize={11}
            fill="var(--saffron-ink)"
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {stream.amount === "all of it" ? "unused" : BREAKDOWN_MAP.unused(stream.amount)}
          </text>
          <text
            x={end[0] + 12}
            y={end[1] + 27}
            textAnchor="end"
            fontSize={11}
            fill="var(--quiet)"
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {stream.name.length > 18 ? `${stream.name.slice(0, 17)}…` : stream.name.toLowerCase()}
          </text>
        </>
      )}
    </g>
  );
}

function Amount({ placed, quiet }: { placed: PlacedStream; quiet: boolean }) {
  const { label } = placed;
  if (!label) return null;
  return (
    <text
      x={label.x}
      y={label.y + 4}
      textAnchor="middle"
      fontSize={11}
      fontFamily="var(--font-mono)"
      fill="var(--ink)"
      stroke="var(--paper)"
      strokeWidth={3.5}
      paintOrder="stroke"
      opacity={quiet ? 0.3 : 1}
      pointerEvents="none"
    >
      {label.text}
    </text>
  );
}

interface PoolProps {
  readonly place: PlacedPool;
  readonly selected: boolean;
  readonly target: boolean;
  readonly onSelect: (component: string) => void;
  readonly onPull: (event: PointerEvent) => void;
}

function PoolMark({ place, selected, target, onSelect, onPull }: PoolProps) {
  const spoken = useSpoken();
  const { pool, x, y, width, height } = place;
  const colour = colourOf(pool.kind);
  const said = `${pool.name}, ${pool.kind}${pool.onHand ? BREAKDOWN_MAP.onHand : ""}${pool.raw.count ? BREAKDOWN_MAP.ingredients(pool.raw.count, spoken(weightText(pool.raw))) : ""}${pool.methods > 1 ? BREAKDOWN_MAP.methods(pool.methods) : ""}`;
  const left = x - width / 2;
  const top = y - height / 2;
  // A basin: level above, rounded below; the table's is a board on two feet.
  const basin = pool.serves
    ? `M${left},${top} h${width} v${height - 8} h-${width} Z`
    : `M${left},${top} h${width} v${height - 17} q0,17 -17,17 h-${width - 34} q-17,0 -17,-17 Z`;
  return (
    <g>
      {/* biome-ignore lint/a11y/useSemanticElements: a basin in a drawing is pressed */}
      <g
        role="button"
        tabIndex={0}
        aria-label={said}
        aria-pressed={selected}
        data-pool={pool.id}
        className="cursor-pointer outline-none [&:focus-visible>path]:[stroke-width:4px]"
        onClick={() => onSelect(pool.id)}
        onKeyDown={(e) => {
          if (e.key !== "Enter" && e.key !== " ") return;
          e.preventDefault();
          onSelect(pool.id);
        }}
      >
        <path
          d={basin}
          fill={selected ? "var(--saffron-wash)" : "var(--raised)"}
          stroke={target ? "var(--saffron)" : colour}
          strokeWidth={selected || target ? 2.5 : 1.5}
        />
        {pool.serves && (
          <path d={`M${left + 14},${top + height - 8} v8 M${left + width - 14},${top + height - 8} v8`} stroke={colour} strokeWidth={1.5} />
        )}
        {place.lines.map((line, i) => (
          <text
            key={line}
            x={x}
            y={y + (pool.serves ? 1 : 4) + (i - (place.lines.length - 1) / 2) * 15}
            textAnchor="middle"
            fontSize={13}
            fontWeight={600}
            fill={colour}
          >
            {line}
          </text>
        ))}
        {pool.onHand && (
          <text x={x} y={top - 5} textAnchor="middle" fontSize={11} fill="var(--quiet)">
            {BREAKDOWN_MAP.inTheLarder}
          </text>
        )}
      </g>
      {!pool.serves && (
        <circle
          cx={x + width / 2 - 5}
          cy={y + height / 2 - 5}
          r={5.5}
          fill="var(--paper)"
          stroke={colour}
          strokeWidth={1.5}
          className="cursor-grab touch-none"
          onPointerDown={(e) => {
            e.preventDefault();
            onPull(e);
          }}
        >
          <title>{BREAKDOWN_MAP.dragFromHereToWhere}</title>
        </circle>
      )}
    </g>
  );
}
