import type { PlanView } from "@/core/sheets/plan-view";
import type { WallClock } from "@/core/time/wall-clock";
import { type Geometry, LEFT, TOP } from "./geometry";
import { PLACE_NAMES } from "./RouteChart";

const COLD = new Set(["freezer", "fridge", "cellar"]);

/** What stands still behind the lines: places, days, pleats, hours, the table, the hands strip. */
export function Furniture({
  geometry,
  plan,
  clock,
  onPleat,
}: {
  geometry: Geometry;
  plan: PlanView;
  clock: WallClock;
  onPleat: (from: number) => void;
}) {
  const { bands, width, tableY, handsY } = geometry;
  const right = width - 30;
  const cooks = plan.cooks.filter((c) => plan.steps.some((s) => s.hands.some((h) => h.cook === c.id)));
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
          <text
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
          {band.scale.map((mark) => (
            <g key={mark.tempC}>
              <line x1={LEFT} x2={right} y1={mark.y} y2={mark.y} stroke="var(--rule)" strokeDasharray="2 5" />
              <text x={right + 4} y={mark.y + 4} fontSize={11} className="clock" fill="var(--quiet)">
                {mark.tempC}°
              </text>
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
            transform={`translate(${(pleat.x0 + pleat.x1) / 2 + 4} ${tableY - 8}) rotate(-90)`}
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
        <text key={day.text} x={day.x} y={22} fontSize={14.5} fontWeight={600} fill="var(--ink)" fontFamily="var(--font-serif)">
          {day.text}
        </text>
      ))}
      <line x1={LEFT} x2={right} y1={tableY} y2={tableY} stroke="var(--ink)" strokeWidth={2.4} />
      <text x={LEFT - 10} y={tableY + 4} textAnchor="end" fontSize={11} letterSpacing="0.07em" fill="var(--quiet)" fontVariant="small-caps">
        table
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
