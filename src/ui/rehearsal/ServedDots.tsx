"use client";
// Each rehearsal a dot under the minute at which everything was ready, or served late; the hour of serving is the upright.
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import type { RehearsedRun } from "@/core/view/rehearsed-plan";
import { REHEARSAL } from "@/words/rehearsal";
import { useNarrow } from "../shell/use-narrow";
import type { Rehearsed } from "./rehearsed";

interface ServedDotsProps {
  readonly done: Rehearsed;
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly watched: number | undefined;
  readonly onWatch: (index: number) => void;
}

/** Columns of the picture, and the least minutes of one. */
const COLUMNS = 46;
const COLUMNS_NARROW = 16;
const STEPS = [1, 2, 5, 10, 15, 30, 60, 120, 240];
/** Minutes before and after the hour that are always drawn. */
const LEAST_SIDE = 12;
const CELL = 20;
const ROWS = 8;
/** A column that is full goes on beside itself: its dots stand this share of a cell apart. */
const BESIDE = 0.72;

export function ServedDots({ done, plan, clock, watched, onWatch }: ServedDotsProps) {
  const { runs, of } = done;
  const served = runs.flatMap((r) => readyOf(r) ?? []).sort((a, b) => a - b);
  const onTime = served.filter((m) => m <= 0).length;
  const late = served.filter((m) => m > 0);
  const none = runs.length - served.length;
  const median = served.length ? -(served[Math.floor(served.length / 2)] as number) : 0;
  return (
    <section aria-label={REHEARSAL.when} className="border-b border-rule pt-4 pb-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="font-serif text-[54px] leading-none font-semibold">{onTime}</span>
        <p>
          {REHEARSAL.readyBy(done.weak ? runs.length : of, clock.time(plan.serveAt))}
          <span className="block text-[14px] text-quiet">
            {[
              REHEARSAL.halfEarly(median),
              late.length ? REHEARSAL.late(late.length, late.at(-1) as number) : "",
              none ? REHEARSAL.noWay(none) : "",
            ]
              .filter(Boolean)
              .join(", ")}
          </span>
        </p>
      </div>
      <Dots runs={runs} serveAt={plan.serveAt} clock={clock} watched={watched} onWatch={onWatch} />
      <p className="text-[13px] text-quiet">{REHEARSAL.press}</p>
      <details className="pt-1 text-[13.5px]">
        <summary className="min-h-6 cursor-pointer py-1 text-quiet">{REHEARSAL.table}</summary>
        <table className="mt-1">
          <thead>
            <tr className="text-left text-quiet">
              {[REHEARSAL.number, REHEARSAL.served, REHEARSAL.because].map((h) => (
                <th key={h} className="pr-6 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {runs.map((r) => (
              <tr key={r.index} className="border-t border-rule">
                <td className="pr-6">
                  <button
                    type="button"
                    className="link clock min-h-7 min-w-14 text-left"
                    aria-label={REHEARSAL.watch(r.index + 1)}
                    onClick={() => onWatch(r.index)}
                  >
                    {r.index + 1}
                  </button>
                </td>
                <td className="pr-6">{servedText(r)}</td>
                <td>{plan.steps.find((s) => s.ref === r.decidedBy)?.name ?? ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

/** Minutes after the hour of serving at which everything was ready; undefined where it was not served. */
const readyOf = ({ lateMinutes, spareMinutes }: RehearsedRun) =>
  lateMinutes === undefined ? undefined : lateMinutes > 0 ? lateMinutes : lateMinutes - spareMinutes;

const servedText = (run: RehearsedRun) => {
  const m = readyOf(run);
  return m === undefined ? REHEARSAL.notServed : m === 0 ? REHEARSAL.onTimeExactly : m < 0 ? REHEARSAL.early(-m) : REHEARSAL.lateBy(m);
};

function Dots({
  runs,
  serveAt,
  clock,
  watched,
  onWatch,
}: Omit<ServedDotsProps, "done" | "plan"> & { runs: readonly RehearsedRun[]; serveAt: number }) {
  const columns = useNarrow() ? COLUMNS_NARROW : COLUMNS;
  const minutes = runs.flatMap((r) => readyOf(r) ?? []);
  const [least, most] = [Math.min(-LEAST_SIDE, ...minutes), Math.max(LEAST_SIDE, ...minutes)];
  const step = STEPS.find((s) => (most - least) / s <= columns) ?? (STEPS.at(-1) as number);
  // A column begins just after its lower edge, so that what is served on the minute stands left of the upright.
  const columnOf = (m: number) => Math.ceil(m / step) - 1;
  const [first, last] = [columnOf(least) - 1, Math.max(0, columnOf(most)) + 2];
  const stacks = new Map<number, RehearsedRun[]>();
  for (const r of runs) {
    const ready = readyOf(r);
    const column = ready === undefined ? last : columnOf(ready);
    stacks.set(column, [...(stacks.get(column) ?? []), r]);
  }
  const tallest = Math.min(ROWS, Math.max(2, ...[...stacks.values()].map((s) => s.length)));
  const [width, height] = [(last - first + 1) * CELL, tallest * CELL];
  const x = (column: number) => (column - first) * CELL;
  const table = x(0);
  const every = Math.max(1, Math.round((last - first) / 6));
  const marks = Array.from({ length: last - first }, (_, i) => first + 1 + i).filter(
    (c) => c % every === 0 && c !== 0 && x(c) > 20 && x(c) < width - 40,
  );
  return (
    <svg viewBox={`0 0 ${width} ${height + 30}`} className="mt-2 block w-full" style={{ maxWidth: width * 1.35 }}>
      <title>{REHEARSAL.when}</title>
      <path d={`M0 24H${width}`} stroke="var(--ink)" strokeWidth="1.2" />
      {marks.map((c) => (
        <text key={c} x={x(c)} y={16} fontSize="10.5" textAnchor="middle" className="clock" fill="var(--quiet)">
          {clock.time(serveAt + c * step)}
        </text>
      ))}
      <path d={`M${table} 20V${height + 28}`} stroke="var(--ink)" strokeWidth="3" />
      <text
        x={table}
        y={14}
        fontSize="12"
        fontWeight="600"
        textAnchor="middle"
        className="clock"
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {clock.time(serveAt)}
      </text>
      {[...stacks].map(([column, stack]) =>
        stack.map((r, i) => {
          const beside = Math.floor(i / ROWS) * BESIDE * CELL * (column < 0 ? -1 : 1);
          const [cx, cy] = [x(column) + CELL / 2 + beside, 36 + (i % ROWS) * CELL];
          const tone =
            r.lateMinutes === undefined || r.lateMinutes > 15 ? "var(--beet)" : r.lateMinutes > 0 ? "var(--saffron)" : "var(--leaf)";
          return (
            // biome-ignore lint/a11y/useSemanticElements: a button can not stand inside a drawing
            <g
              key={r.index}
              role="button"
              tabIndex={0}
              aria-label={REHEARSAL.dot(r.index + 1, servedText(r))}
              aria-pressed={watched === r.index}
              className="cursor-pointer"
              onClick={() => onWatch(r.index)}
              onKeyDown={(e) => {
                if (e.key !== "Enter" && e.key !== " ") return;
                e.preventDefault();
                onWatch(r.index);
              }}
            >
              <rect x={cx - CELL / 2} y={cy - CELL / 2} width={CELL} height={CELL} fill="transparent" />
              <circle cx={cx} cy={cy} r={6} fill={tone} stroke={watched === r.index ? "var(--ink)" : "none"} strokeWidth="2" />
            </g>
          );
        }),
      )}
    </svg>
  );
}
