import { memo } from "react";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { FURNITURE } from "@/words/route-chart";
import { type Geometry, LEFT, TOP } from "./geometry";
import { PLACE_NAMES } from "./place-names";

const COLD = new Set(["freezer", "fridge", "cellar"]);

/** Whether a mark of a scale is far enough from the last one below it that is written out. */
function apart(scale: Geometry["bands"][number]["scale"], at: number): boolean {
  let written = 0;
  for (let i = 1; i <= at; i++) {
    const [a, b] = [scale[written], scale[i]];
    if (a && b && a.y - b.y >= 11) written = i;
  }
  return written === at;
}

interface FurnitureProps {
  geometry: Geometry;
  clock: WallClock;
  onPleat: (from: number) => void;
  onDay: (minute: number) => void;
  onPlace: (place: Geometry["bands"][number]["place"]) => void;
}

/** What stands still behind the lines: places, days, pleats, hours, the table. */
export const Furniture = memo(function Furniture({ geometry, clock, onPleat, onDay, onPlace }: FurnitureProps) {
  const { bands, width, tableY } = geometry;
  const right = width - 30;
  return (
    <g>
      {bands.map((band) => (
        <g key={band.place}>
          <rect
            x={LEFT}
            y={band.y0}
            width={right - LEFT}
            height={band.y1 - band.y0}
            fill={COLD.has(band.place) ? "var(--cold-wash)" : band.place === "counter" ? "transparent" : "var(--warm-wash)"}
          />
          <line x1={LEFT} x2={right} y1={band.y1 + 2} y2={band.y1 + 2} stroke="var(--rule)" />
          {/* biome-ignore lint/a11y/noStaticElementInteractions: places are also opened by buttons of the page */}
          <text
            onClick={() => onPlace(band.place)}
            style={{ cursor: band.place === "counter" ? undefined : "pointer" }}
            x={LEFT - 10}
            y={(band.y0 + band.y1) / 2 + 4}
            textAnchor="end"
            fontSize={11}
            letterSpacing="0.07em"
            fill="var(--quiet)"
            fontVariant="small-caps"
          >
            {PLACE_NAMES[band.place]}
          </text>
          {band.scale.map((mark, i) => (
            <g key={mark.tempC}>
              <line x1={LEFT} x2={right} y1={mark.y} y2={mark.y} stroke="var(--rule)" strokeDasharray="2 5" />
              {(i === 0 || apart(band.scale, i)) && (
                <text x={right + 4} y={mark.y + 4} fontSize={11} className="clock" fill="var(--quiet)">
                  {mark.tempC}°
                </text>
              )}
            </g>
          ))}
        </g>
      ))}
      {geometry.hours.map((hour) => (
        <g key={hour.x}>
          <line x1={hour.x} x2={hour.x} y1={TOP - 2} y2={tableY} stroke="var(--rule)" strokeOpacity={0.6} />
          <text x={hour.x} y={tableY + 18} textAnchor="middle" fontSize={11} className="clock" fill="var(--quiet)">
            {hour.text}
          </text>
        </g>
      ))}
      {geometry.pleats.map((pleat) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: unfolding is also a button of the page
        <g key={pleat.from} onClick={() => onPleat(pleat.from)} style={{ cursor: "pointer" }} data-pleat={pleat.from}>
          <rect
            x={pleat.x0 + 1}
            y={TOP - 8}
            width={pleat.x1 - pleat.x0 - 2}
            height={tableY - TOP + 8}
            fill={pleat.night ? "var(--night-wash)" : "var(--fold-wash)"}
            fillOpacity={0.88}
          />
          {[0.33, 0.67].map((share) => (
            <line
              key={share}
              x1={pleat.x0 + (pleat.x1 - pleat.x0) * share}
              x2={pleat.x0 + (pleat.x1 - pleat.x0) * share}
              y1={TOP - 8}
              y2={tableY}
              stroke="var(--rule)"
              strokeOpacity={0.7}
            />
          ))}
          <text
            transform={`translate(${(pleat.x0 + pleat.x1) / 2 + 4} ${pleat.textY}) rotate(-90)`}
            fontSize={11}
            fill={pleat.night ? "var(--night)" : "var(--quiet)"}
          >
            {pleat.text}
          </text>
          {pleat.night && (
            <path
              transform={`translate(${(pleat.x0 + pleat.x1) / 2 - 5} 32)`}
              d="M8.5 0.8a5 5 0 1 0 0 9.4a4.2 4.2 0 0 1 0-9.4z"
              fill="var(--night)"
            />
          )}
        </g>
      ))}
      {geometry.days.map((day) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: days are also chosen by buttons of the page
        <text
          key={day.text}
          onClick={() => onDay(day.at)}
          style={{ cursor: "zoom-in" }}
          x={day.x}
          y={22}
          fontSize={14.5}
          fontWeight={600}
          fill="var(--ink)"
          fontFamily="var(--font-serif)"
        >
          {day.text}
        </text>
      ))}
      <line x1={LEFT} x2={right} y1={tableY} y2={tableY} stroke="var(--ink)" strokeWidth={2.4} />
      <text x={LEFT - 10} y={tableY + 4} textAnchor="end" fontSize={11} letterSpacing="0.07em" fill="var(--quiet)" fontVariant="small-caps">
        {FURNITURE.table}
      </text>
      {geometry.servings.map((serving) => (
        <g key={serving.at}>
          <line x1={serving.x} x2={serving.x} y1={serving.y} y2={tableY} stroke="var(--ink)" strokeWidth={serving.main ? 3.6 : 2} />
          {serving.main && (
            <text
              x={serving.x + 5}
              y={tableY - 8}
              textAnchor="end"
              fontSize={24}
              fontWeight={650}
              fontFamily="var(--font-serif)"
              fill="var(--ink)"
              style={{ paintOrder: "stroke", stroke: "var(--paper)", strokeWidth: 5 }}
              dx={-9}
            >
              {clock.time(serving.at)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}, same);

/** Whether two charts have the same furniture: one that is frozen while something is dragged keeps its own. */
function same(a: FurnitureProps, b: FurnitureProps): boolean {
  const [g, h] = [a.geometry, b.geometry];
  return (
    g.width === h.width &&
    g.bands === h.bands &&
    g.pleats === h.pleats &&
    g.hours === h.hours &&
    g.days === h.days &&
    g.servings.map((s) => `${s.x} ${s.y}`).join() === h.servings.map((s) => `${s.x} ${s.y}`).join() &&
    a.clock === b.clock &&
    a.onPleat === b.onPleat &&
    a.onDay === b.onDay &&
    a.onPlace === b.onPlace
  );
}

/** Minutes of work per quarter hour, one bar per cook. */
export function HandsStrip({ geometry, plan }: { geometry: Geometry; plan: PlanView }) {
  const { handsY, width } = geometry;
  const right = width - 30;
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id)));
  return (
    <g>
      {handsY.map((y, i) => (
        <g key={y}>
          <line x1={LEFT} x2={right} y1={y} y2={y} stroke="var(--quiet)" strokeOpacity={0.6} />
          <text x={LEFT - 10} y={y - 4} textAnchor="end" fontSize={11} letterSpacing="0.05em" fill="var(--quiet)" fontVariant="small-caps">
            {cooks[i]?.name.toLowerCase()}
          </text>
        </g>
      ))}
      {geometry.hands.map((bar) => {
        const height = (bar.minutes / bar.of) * 20;
        const y = handsY[bar.cook] ?? 0;
        return (
          <rect
            key={`${bar.cook} ${bar.x0}`}
            x={bar.x0}
            y={y - height}
            width={Math.max(1.5, bar.x1 - bar.x0 - 1)}
            height={height}
            fill="var(--saffron)"
          />
        );
      })}
    </g>
  );
}
