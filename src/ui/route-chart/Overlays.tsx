// What is laid over the lines when it is asked for: why a step stands where it stands, the window of a wait, where steps stood before,
// what clashes, what is fixed by hand, the last moments for a stand-in.

import type { StepPin } from "@/core/dish/wishes";
import type { Why } from "@/core/planner/explain/why";
import type { WallClock } from "@/core/time/wall-clock";
import { OVERLAYS } from "@/words/route-chart";
import { type Geometry, LEFT, type Rest, type Segment, TOP } from "./geometry";

const segmentsOf = (geometry: Geometry) => new Map(geometry.routes.flatMap((r) => r.segments.map((s) => [s.step.ref, s] as const)));

/** How far a step could go either way, as a band on its line. */
export function SlackBand({ geometry, why }: { geometry: Geometry; why: Why }) {
  const segment = segmentsOf(geometry).get(why.step);
  if (!segment) return null;
  const length = segment.step.end - segment.step.start;
  const [x0, x1] = [geometry.x(why.earliest), geometry.x(why.latest + length)];
  return (
    <g pointerEvents="none">
      <rect x={x0} y={segment.y - 7} width={Math.max(3, x1 - x0)} height={14} fill="var(--saffron)" fillOpacity={0.2} />
      {[x0, x1].map((x) => (
        <line key={x} x1={x} x2={x} y1={segment.y - 11} y2={segment.y + 11} stroke="var(--saffron-ink)" strokeWidth={1.6} />
      ))}
    </g>
  );
}

/** Steps that hold one another, joined in their order; arrowheads point to what is held. */
export function Chain({ geometry, steps, dashed }: { geometry: Geometry; steps: readonly string[]; dashed?: boolean }) {
  const known = segmentsOf(geometry);
  const along = steps.flatMap((s) => known.get(s) ?? []);
  return (
    <g pointerEvents="none" fill="none" stroke="var(--saffron-ink)" strokeWidth={1.8} strokeDasharray={dashed ? "5 4" : undefined}>
      {along.slice(1).map((to, i) => {
        const from = along[i] as Segment;
        const [a, b] = from.x0 <= to.x0 ? [from, to] : [to, from];
        const [x0, x1] = [Math.min(a.x1, b.x0), b.x0];
        const bend = Math.max(10, Math.abs(x1 - x0) / 2);
        return (
          <g key={`${from.step.ref} ${to.step.ref}`}>
            <path d={`M${x0} ${a.y}C${x0 + bend} ${a.y} ${x1 - bend} ${b.y} ${x1} ${b.y}`} />
            <path d={`M${x1 - 6} ${b.y - 4}L${x1} ${b.y}L${x1 - 6} ${b.y + 4}`} strokeDasharray="none" />
          </g>
        );
      })}
    </g>
  );
}

/** Least, best and longest of a wait on its own line: what is past the longest is not drawn, it may not be. */
export function WaitWindow({ rest }: { rest: Rest }) {
  const { window, wait, x0, y } = rest;
  if (!wait.window) return null;
  const safety = wait.window.limit === "safety";
  const max = window.max;
  return (
    <g pointerEvents="none">
      {window.best && window.best[1] > window.best[0] && (
        <line x1={window.best[0]} x2={window.best[1]} y1={y + 6} y2={y + 6} stroke="var(--leaf)" strokeWidth={5} />
      )}
      <line x1={x0} x2={Math.max(rest.x1, max ?? rest.x1)} y1={y + 6} y2={y + 6} stroke="var(--quiet)" strokeWidth={1.2} />
      {window.min !== undefined && <line x1={window.min} x2={window.min} y1={y + 1} y2={y + 11} stroke="var(--ink)" strokeWidth={1.8} />}
      {max !== undefined && (
        <line x1={max} x2={max} y1={y - 1} y2={y + 13} stroke={safety ? "var(--beet)" : "var(--quiet)"} strokeWidth={safety ? 3 : 1.6} />
      )}
      <path d={`M${rest.x1 - 5} ${y - 3}h10l-5 8z`} fill="var(--saffron)" />
    </g>
  );
}

/** Outlines of where steps stood in the plan that this one is compared with, tied to where they stand now. */
export function Ghosts({ geometry }: { geometry: Geometry }) {
  const known = segmentsOf(geometry);
  return (
    <g pointerEvents="none" data-ghosts={geometry.ghosts.length}>
      {geometry.ghosts.map((ghost) => {
        const now = known.get(ghost.step);
        if (!now || Math.abs(now.x0 - ghost.x0) < 2) return null;
        const later = now.x0 > ghost.x0;
        return (
          <g key={ghost.step} stroke="var(--quiet)" fill="none">
            <rect x={ghost.x0} y={ghost.y - 4} width={Math.max(4, ghost.x1 - ghost.x0)} height={8} rx={4} strokeDasharray="2.5 2.5" />
            <line
              x1={later ? Math.min(ghost.x1, now.x0) : Math.max(ghost.x0, now.x1)}
              x2={later ? now.x0 : now.x1}
              y1={ghost.y}
              y2={now.y}
              strokeWidth={1}
              strokeDasharray="1 3"
            />
          </g>
        );
      })}
    </g>
  );
}

/** A nail through what the cook has fixed; an edge where it may not go past. */
export function Nails({ geometry, pins, clock }: { geometry: Geometry; pins: readonly StepPin[]; clock: WallClock }) {
  const known = segmentsOf(geometry);
  return (
    <g pointerEvents="none">
      {pins.map((pin) => {
        const segment = known.get(pin.step);
        if (!segment) return null;
        const edge = (minute: number, way: 1 | -1) => {
          const x = geometry.x(minute);
          return (
            <path
              key={way}
              d={`M${x + 5 * way} ${segment.y - 10}H${x}V${segment.y + 10}H${x + 5 * way}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.8}
            />
          );
        };
        return (
          <g key={pin.step} data-nail={pin.step}>
            {pin.at !== undefined && (
              <g>
                <title>{OVERLAYS.fixedAt(clock.dayTime(pin.at))}</title>
                <line x1={segment.x0} x2={segment.x0} y1={segment.y - 13} y2={segment.y + 6} stroke="var(--ink)" strokeWidth={1.8} />
                <circle cx={segment.x0} cy={segment.y - 14} r={3.4} fill="var(--ink)" stroke="var(--paper)" />
              </g>
            )}
            {pin.notBefore !== undefined && edge(pin.notBefore, 1)}
            {pin.notAfter !== undefined && edge(pin.notAfter, -1)}
          </g>
        );
      })}
    </g>
  );
}

/** Until when one may still decide for a stand-in, on the line of the component that it would replace. */
export function LastMoments({
  geometry,
  moments,
  clock,
  names,
}: {
  geometry: Geometry;
  moments: readonly { readonly component: string; readonly decideBy: number }[];
  clock: WallClock;
  names: ReadonlyMap<string, string>;
}) {
  return (
    <g>
      {moments.map(({ component, decideBy }) => {
        const route = geometry.routes.find((r) => r.id === component);
        const at = route && heightAt(route.segments, route.rests, geometry.x(decideBy));
        if (at === undefined) return null;
        const x = geometry.x(decideBy);
        return (
          <g key={component} data-last-moment={component}>
            <title>{OVERLAYS.lastTimeToDecideFor(clock.dayTime(decideBy), names.get(component) ?? "the replacement")}</title>
            <path d={`M${x} ${at - 6}l5 6l-5 6l-5-6z`} fill="var(--paper)" stroke="var(--beet)" strokeWidth={1.6} />
          </g>
        );
      })}
    </g>
  );
}

function heightAt(segments: readonly Segment[], rests: readonly Rest[], x: number): number | undefined {
  const segment = segments.find((s) => s.x0 <= x && x <= s.x1);
  if (segment) return segment.y;
  const rest = rests.find((r) => r.visible && r.x0 <= x && x <= r.x1);
  return rest?.y ?? segments.toSorted((a, b) => Math.abs(a.x0 - x) - Math.abs(b.x0 - x))[0]?.y;
}

export interface FactMark {
  readonly steps: readonly string[];
  readonly kind?: string | undefined;
  readonly about?: string | undefined;
}

/** The facts that clash, each with its number where it bites: on the steps, on a cook's hands, on a place, at this hour or at the table. */
export function Clash({
  geometry,
  facts,
  now,
  cooks,
}: {
  geometry: Geometry;
  facts: readonly FactMark[];
  now: number;
  cooks: readonly string[];
}) {
  const known = segmentsOf(geometry);
  const taken: [number, number][] = [];
  const spot = (x: number, y: number): [number, number] => {
    let at: [number, number] = [x, y];
    while (taken.some(([a, b]) => Math.abs(a - at[0]) < 17 && Math.abs(b - at[1]) < 17)) at = [at[0] + 18, at[1]];
    taken.push(at);
    return at;
  };
  return (
    <g pointerEvents="none" data-clash={facts.length}>
      {facts.map((fact, i) => {
        const segments = fact.steps.flatMap((s) => known.get(s) ?? []);
        const [x, y] = spot(...anchorOf(geometry, fact, segments, now, cooks));
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: facts are told by their numbers
          <g key={i}>
            {segments.map((s) => (
              <line key={s.step.ref} x1={s.x0} x2={s.x1} y1={s.y + 7} y2={s.y + 7} stroke="var(--beet)" strokeWidth={2.4} />
            ))}
            {segments.length > 1 && (
              <path
                d={`M${segments.map((s) => `${(s.x0 + s.x1) / 2} ${s.y + 7}`).join("L")}`}
                fill="none"
                stroke="var(--beet)"
                strokeWidth={1.2}
                strokeDasharray="3 3"
              />
            )}
            <circle cx={x} cy={y} r={8.5} fill="var(--beet)" stroke="var(--paper)" strokeWidth={1.5} />
            <text x={x} y={y + 4} textAnchor="middle" fontSize={11} fontWeight={700} fill="var(--paper)">
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** The hour of serving that is wished and cannot be, beside the one that stands. */
export function WishedTable({ geometry, at, text }: { geometry: Geometry; at: number; text: string }) {
  const x = geometry.x(at);
  return (
    <g pointerEvents="none" data-wished={at}>
      <line x1={x} x2={x} y1={TOP - 8} y2={geometry.tableY} stroke="var(--beet)" strokeWidth={2.2} strokeDasharray="7 4" />
      <text
        x={x + 6}
        y={TOP - 8}
        fontSize={15}
        fontWeight={650}
        fontFamily="var(--font-serif)"
        fill="var(--beet)"
        style={{ paintOrder: "stroke", stroke: "var(--paper)", strokeWidth: 4 }}
      >
        {text}
      </text>
    </g>
  );
}

function anchorOf(
  geometry: Geometry,
  fact: FactMark,
  segments: readonly Segment[],
  now: number,
  cooks: readonly string[],
): [number, number] {
  const first = segments[0];
  if (first) return [Math.max(LEFT + 10, (first.x0 + first.x1) / 2), first.y - 15];
  const cook = geometry.handsY[cooks.indexOf(fact.about ?? "")];
  if (cook !== undefined) return [LEFT + 10, cook - 8];
  if (fact.kind === "now") return [Math.max(LEFT + 4, geometry.x(now)), TOP - 12];
  const band = geometry.bands.find((b) => fact.about?.startsWith(b.place));
  if (band) return [LEFT + 10, (band.y0 + band.y1) / 2];
  return [LEFT + 10, geometry.tableY - 12];
}
