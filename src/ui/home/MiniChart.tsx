import type { MiniRoute } from "@/core/view/mini-route";
import { colourOf } from "../route-chart/colours";

/** The plan of a dish as a small route chart. What it shows is said in words beside it. */
export function MiniChart({ mini, wide }: { readonly mini: MiniRoute; readonly wide?: boolean }) {
  const { width, height, lines, days, nights, serve, now } = mini;
  return (
    <svg viewBox={`0 0 ${width} ${height + 15}`} className={`block h-auto w-full ${wide ? "" : "max-w-[420px]"}`} aria-hidden="true">
      {nights.map(([x0, x1]) => (
        <rect key={x0} x={x0} y={0} width={x1 - x0} height={height} fill="var(--night-wash)" />
      ))}
      {lines.map((line, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines have no other name, and never change places
        <g key={i} fill="none" stroke={colourOf(line.kind)}>
          <path d={line.waits} strokeWidth="1" strokeDasharray="1.5 2" />
          <path d={line.moves} strokeWidth="1.1" />
          <path d={line.hands} strokeWidth="3.2" />
        </g>
      ))}
      {now !== undefined && (
        <>
          <rect x={0} y={0} width={now} height={height} fill="var(--paper)" opacity="0.5" />
          <path d={`M${now} 0V${height}`} stroke="var(--saffron)" strokeWidth="1.6" />
          <path d={`M${now - 4} 0h8l-4 5.5Z`} fill="var(--saffron)" />
        </>
      )}
      <path d={`M0 ${height - 1}H${width}`} stroke="var(--ink)" strokeWidth="1.4" />
      <path d={`M${serve.x} ${height - 30}V${height}`} stroke="var(--ink)" strokeWidth="3" />
      {days.map((d) => (
        <text key={d.x} x={d.x} y={height + 12} fontSize="11" fill="var(--quiet)">
          {d.label}
        </text>
      ))}
      <text
        x={Math.min(serve.x, width)}
        y={height + 12}
        fontSize="11"
        textAnchor={serve.x > width - 40 ? "end" : "middle"}
        className="clock"
        fill="var(--ink)"
      >
        {serve.label}
      </text>
    </svg>
  );
}
