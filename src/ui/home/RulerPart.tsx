// From now to the table: a ruler on a desk, three lines on a phone.

import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { HouseNow } from "@/core/view/now-next";
import { type Ruler, ruler } from "@/core/view/ruler";
import { HOME, RULER_PART } from "@/words/home";

interface RulerPartProps {
  readonly house: HouseNow;
  readonly clock: WallClock;
  readonly now: number;
  readonly serve: { readonly dish: string; readonly at: number };
}

const WIDTH = 1224;
const LINE = 62;
const COOK_COLOURS = ["var(--saffron)", "var(--teal)", "var(--plum)"];

export function RulerPart({ house, clock, now, serve }: RulerPartProps) {
  const calls = house.calls.filter((c) => c.from < serve.at + 30);
  const cooks = [...new Set(calls.map((c) => c.cook))];
  const drawn = ruler({ calls, cooks, now, serveAt: serve.at, clock, width: WIDTH });
  if (!drawn) return null;
  const work = (cook: string) => calls.filter((c) => c.cook === cook).reduce((sum, c) => sum + c.to - Math.max(now, c.from), 0);
  const tomorrow = calls.find((c) => clock.dayNumber(c.from) > clock.dayNumber(now));
  return (
    <section aria-label={HOME.ruler} className="mt-6 border-t border-rule pt-3">
      <p className="flex flex-wrap items-baseline gap-x-5 gap-y-1 pb-2 text-[14px]">
        <span className="caps">{HOME.ruler}</span>
        {cooks.map((cook, i) => (
          <span key={cook} className="text-quiet">
            <span aria-hidden="true" className="mr-1.5 inline-block size-2.5" style={{ background: COOK_COLOURS[i % 3] }} />
            {HOME.work(cook, spokenDuration(work(cook)))}
          </span>
        ))}
        <span className="sm:ml-auto">{HOME.toTable(spokenDuration(serve.at - now), serve.dish)}</span>
      </p>
      <Drawn ruler={drawn} clock={clock} now={now} serve={serve} />
      <ul className="text-[15px] sm:hidden">
        {calls
          .filter((c) => c.from > now && clock.dayNumber(c.from) === clock.dayNumber(now))
          .slice(0, 3)
          .map((c) => (
            <li key={`${c.step} ${c.from}`} className="border-t border-rule py-1.5">
              <span className="clock mr-3">{clock.time(c.from)}</span>
              {c.name}
            </li>
          ))}
        {tomorrow && (
          <li className="border-t border-rule bg-night-wash px-2 py-1.5">
            {HOME.tomorrow(clock.fromNow(tomorrow.from, now), lower(tomorrow.name))}
          </li>
        )}
      </ul>
      <details className="pt-1 text-[13.5px] max-sm:hidden">
        <summary className="cursor-pointer text-quiet">{RULER_PART.showAsTable}</summary>
        <table className="mt-1">
          <tbody>
            {calls.slice(0, 60).map((c) => (
              <tr key={`${c.step} ${c.from} ${c.cook}`} className="border-t border-rule">
                <td className="clock py-0.5 pr-4">{clock.fromNow(c.from, now)}</td>
                <td className="pr-4">{spokenDuration(c.to - c.from)}</td>
                <td className="pr-4">{c.name}</td>
                <td className="pr-4 text-quiet">{c.dish}</td>
                <td className="text-quiet">{c.cook}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

function Drawn({
  ruler: r,
  clock,
  now,
  serve,
}: {
  readonly ruler: Ruler;
  readonly clock: WallClock;
  readonly now: number;
  readonly serve: RulerPartProps["serve"];
}) {
  return (
    <svg viewBox={`0 -12 ${WIDTH} 132`} className="block w-full max-sm:hidden" aria-hidden="true">
      {r.rests.map((p) => (
        <g key={p.x0}>
          <rect x={p.x0} y={12} width={p.x1 - p.x0} height={LINE - 12} fill={p.night ? "var(--night-wash)" : "var(--fold-wash)"} />
          {p.x1 - p.x0 > 66 ? (
            <text x={(p.x0 + p.x1) / 2} y={42} textAnchor="middle" fontSize="12.5" fill={p.night ? "var(--night)" : "var(--quiet)"}>
              {HOME.rest(spokenDuration(p.minutes))}
            </text>
          ) : (
            p.x1 - p.x0 > 15 && (
              <text
                transform={`translate(${(p.x0 + p.x1) / 2 + 4} ${LINE - 6}) rotate(-90)`}
                fontSize="11"
                fill={p.night ? "var(--night)" : "var(--quiet)"}
              >
                {spokenDuration(p.minutes)}
              </text>
            )
          )}
        </g>
      ))}
      {r.bars.map((b) => (
        <rect
          key={`${b.x0} ${b.cook}`}
          x={b.x0}
          y={b.cook === 0 ? 24 : 10 - 10 * (b.cook - 1)}
          width={b.x1 - b.x0}
          height={b.cook === 0 ? LINE - 24 : 8}
          fill={COOK_COLOURS[b.cook % 3]}
        />
      ))}
      <path d={`M0 ${LINE}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1.6" />
      {r.hours.map((h) => (
        <g key={h.x}>
          <path d={`M${h.x} ${LINE}v${h.long ? 7 : 4}`} stroke="var(--ink)" strokeWidth="1.2" />
          {h.long && h.x < r.serve - 50 && (
            <text x={h.x} y={LINE + 20} fontSize="12" textAnchor={h.x < 24 ? "start" : "middle"} className="clock" fill="var(--quiet)">
              {h.label}
            </text>
          )}
        </g>
      ))}
      <path d={`M${r.now} -4V${LINE}`} stroke="var(--saffron)" strokeWidth="2.5" />
      <path d={`M${Math.max(0, r.now - 7)} -10h14l-7 9Z`} fill="var(--saffron)" />
      <path d={`M${r.serve} 2V${LINE}`} stroke="var(--ink)" strokeWidth="4" />
      <text x={r.serve} y={LINE + 20} fontSize="13" textAnchor="middle" className="clock" fill="var(--ink)">
        {clock.time(serve.at)}
      </text>
      {r.calls.map(({ x, call }) => (
        <g key={x}>
          <path d={`M${x} ${LINE + 7}v22`} stroke="var(--rule)" />
          <text x={x + 5} y={LINE + 38} fontSize="12.5" fill="var(--ink)">
            {call.name.length > 21 ? `${call.name.slice(0, 20)}…` : call.name}
          </text>
          <text x={x + 5} y={LINE + 53} fontSize="12" fill="var(--quiet)">
            {clock.fromNow(call.from, now)}
          </text>
        </g>
      ))}
    </svg>
  );
}
