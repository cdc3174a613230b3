import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import type { Occupancy } from "@/core/view/occupancy";
import { PLACE_STRIP } from "@/words/route-chart";
import { type Geometry, LEFT } from "./geometry";

const HEIGHT = 74;
const WORDS: Readonly<Record<Occupancy["unit"], string>> = { L: "litres", racks: "racks", burners: "burners" };

/** A place opened: how much of it is taken over the same time as above it, against what there is. */
export function PlaceStrip({
  geometry,
  occupancy,
  name,
  clock,
}: {
  geometry: Geometry;
  occupancy: Occupancy;
  name: string;
  clock: WallClock;
}) {
  const { capacity, levels, tenants, unit } = occupancy;
  const most = Math.max(capacity, ...levels.map(([, amount]) => amount), 1);
  const y = (amount: number) => HEIGHT - 6 - (amount / most) * (HEIGHT - 22);
  const right = geometry.width - 30;
  const path = levels.map(([at, amount], i) => `${i === 0 ? `M${geometry.x(at)} ${y(0)}V` : `H${geometry.x(at)}V`}${y(amount)}`).join("");
  const fullest = levels.reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0] as readonly [number, number]);
  const inside = tenants.filter((t) => t.from <= fullest[0] && fullest[0] < t.to);
  return (
    <figure data-place={occupancy.place}>
      <svg width={geometry.width} height={HEIGHT} viewBox={`0 0 ${geometry.width} ${HEIGHT}`} aria-hidden="true" className="block">
        <text
          x={LEFT - 10}
          y={y(most / 2) + 4}
          textAnchor="end"
          fontSize={11}
          letterSpacing="0.05em"
          fill="var(--quiet)"
          fontVariant="small-caps"
        >
          {name}
        </text>
        <line x1={LEFT} x2={right} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
        <line x1={LEFT} x2={right} y1={y(capacity)} y2={y(capacity)} stroke="var(--beet)" strokeWidth={1.4} strokeDasharray="6 4" />
        <text x={right + 4} y={y(capacity) + 4} fontSize={11} className="clock" fill="var(--quiet)">
          {Number(capacity.toFixed(1))}
        </text>
        <path d={`${path}Z`} fill="var(--rim)" fillOpacity={0.22} stroke="var(--rim)" strokeWidth={1.5} />
      </svg>
      <figcaption className="pl-[74px] text-[13.5px]">
        {levels.length === 0
          ? PLACE_STRIP.nothingIsInThe(name)
          : PLACE_STRIP.theIsFullestOfWith(
              name,
              clock.dayTime(fullest[0]),
              Number(fullest[1].toFixed(1)),
              Number(capacity.toFixed(1)),
              WORDS[unit],
              inside
                .map((t) => lower(t.name))
                .slice(0, 4)
                .join(", "),
              inside.length > 4 ? " and more" : "",
            )}
      </figcaption>
      <details className="pl-[74px] text-[13.5px]">
        <summary className="cursor-pointer text-quiet">{PLACE_STRIP.showAsTable}</summary>
        <table className="mt-1 max-w-[40rem]">
          <thead className="caps text-left">
            <tr>
              <th className="pr-4 font-normal">{PLACE_STRIP.from}</th>
              <th className="pr-4 font-normal">{PLACE_STRIP.to}</th>
              <th className="pr-4 font-normal">{PLACE_STRIP.what}</th>
              <th className="font-normal">{WORDS[unit]}</th>
            </tr>
          </thead>
          <tbody>
            {tenants.map((t) => (
              <tr key={`${t.name} ${t.from} ${t.amount}`} className="border-t border-rule">
                <td className="clock pr-4 text-[13px]">{clock.dayTime(t.from)}</td>
                <td className="clock pr-4 text-[13px]">{clock.dayTime(t.to)}</td>
                <td className="pr-4">{t.name}</td>
                <td className="clock text-[13px]">{Number(t.amount.toFixed(1))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  );
}
