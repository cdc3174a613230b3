"use client";
// The route chart on a phone, upright. A tap on a row or a line opens what belongs to it; a tap on a pleat unfolds it.
import { Moon } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { UPRIGHT } from "@/words/timetable";
import { colourOf } from "./colours";
import { PLACE_NAMES } from "./place-names";
import { CLOCK_WIDTH, HANDS_WIDTH, type Upright, type UprightPleat, uprightChart } from "./upright";
import { placeWords } from "./words";

interface UprightChartProps {
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly now: number;
  readonly selected: string | undefined;
  readonly focused: string | undefined;
  readonly onSelect: (component: string | undefined, step: string | undefined) => void;
}

const COOKS = ["var(--saffron)", "var(--teal)", "var(--plum)"];
/** The head of days and lanes stays in sight. */
const HEAD = 76;

export function UprightChart({ plan, clock, now, selected, focused, onSelect }: UprightChartProps) {
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const chart = useMemo(() => uprightChart(plan, { clock, now, open }), [plan, clock, now, open]);
  const body = useRef<HTMLDivElement>(null);
  const goTo = (y: number) => {
    const top = (body.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
    window.scrollTo({ top: top + y - HEAD - 16 });
  };
  const opened = useRef(false);
  // Where something is going on the chart opens at now.
  useEffect(() => {
    if (opened.current || chart.now === undefined || !plan.steps.some((s) => s.state !== "planned")) return;
    opened.current = true;
    const top = (body.current?.getBoundingClientRect().top ?? 0) + window.scrollY;
    window.scrollTo({ top: top + chart.now - 220 });
  }, [chart, plan]);
  const left = (chart.lanes.at(-1)?.x1 ?? 0) + 8;
  const quiet = (component: string) => selected !== undefined && component !== selected;
  const nameOf = (id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
  const kindOf = (id: string) => plan.components.find((c) => c.id === id)?.kind ?? "other";
  return (
    <div className="-mx-5 sm:-mx-7" data-upright>
      <Head chart={chart} clock={clock} now={now} onDay={goTo} />
      <div ref={body} className="relative" style={{ height: chart.height }}>
        <Lines chart={chart} quiet={quiet} />
        {chart.pleats.map((p) => (
          <Pleat key={p.from} pleat={p} left={left} onOpen={() => setOpen(new Set([...open, p.from]))} />
        ))}
        <ul aria-label={UPRIGHT.steps}>
          {chart.rows.map(({ step, y, time }) => (
            <li key={step.ref} className={quiet(step.component) ? "opacity-45" : ""}>
              {/* The time of now is shown instead where both would overlap. */}
              {time && !(chart.now !== undefined && Math.abs(chart.now - y) < 16) && (
                <span className="clock absolute left-1 text-[12px] leading-6" style={{ top: y - 12 }}>
                  {time}
                </span>
              )}
              <button
                type="button"
                aria-pressed={focused === step.ref}
                aria-label={`${clock.dayTime(step.start)}, ${nameOf(step.component)}: ${step.name}, ${placeWords(step)}`}
                className={`absolute right-0 h-6 truncate pr-3 text-left text-[13px] leading-6 ${focused === step.ref ? "bg-saffron-wash" : ""}`}
                style={{ top: y - 12, left }}
                onClick={() => onSelect(step.component, step.ref)}
              >
                <b className="font-semibold" style={{ color: colourOf(kindOf(step.component)) }}>
                  {shortName(nameOf(step.component))}
                </b>{" "}
                {step.name.replace(/^./, (c) => c.toLowerCase())}
              </button>
            </li>
          ))}
        </ul>
        <p className="absolute right-0 h-6 pr-3 font-serif text-[19px] leading-6 font-semibold" style={{ top: chart.serve - 12, left }}>
          {clock.time(plan.serveAt)} <span className="font-sans text-[13px] font-normal text-quiet">{UPRIGHT.serving}</span>
        </p>
        {chart.now !== undefined && (
          <div className="pointer-events-none absolute inset-x-0 z-10" style={{ top: chart.now }}>
            <div className="border-t-2 border-saffron" style={{ width: left - 6 }} />
            <span className="clock absolute left-0 -top-[11px] bg-saffron px-1 text-[12px] text-[#18212f]">{clock.time(now)}</span>
          </div>
        )}
      </div>
    </div>
  );
}

/** The first word that says something, of a name that has no short one. */
export function shortName(name: string): string {
  const words = name.split(/\s+/).filter((w) => !/^(the|a|an|my|to|of|for|with|in|on)$/i.test(w));
  const first = (words[0] ?? name).replace(/^./, (c) => c.toUpperCase());
  return first.length > 12 ? `${first.slice(0, 11)}…` : first;
}

function Head({
  chart,
  clock,
  now,
  onDay,
}: {
  readonly chart: Upright;
  readonly clock: WallClock;
  readonly now: number;
  readonly onDay: (y: number) => void;
}) {
  return (
    <div className="sticky top-0 z-20 border-b border-rule bg-paper">
      <nav aria-label={UPRIGHT.days} className="flex overflow-x-auto">
        {chart.days.map((d) => (
          <button
            key={d.day}
            type="button"
            className={`min-h-11 flex-1 px-1 text-center text-[12px] leading-tight ${clock.dayNumber(now) === d.day ? "bg-saffron-wash font-semibold" : "text-quiet"}`}
            onClick={() => onDay(d.y)}
          >
            {clock.day(d.minute)}
            <span className="clock block">{clock.shortDate(d.minute).replace(/^\D+/, "")}</span>
          </button>
        ))}
      </nav>
      <div className="relative h-5 text-[11px] text-quiet" aria-hidden="true">
        {chart.lanes.map((l) => (
          <span key={l.place} className="absolute -translate-x-1/2 leading-5" style={{ left: (l.x0 + l.x1) / 2 }}>
            {PLACE_NAMES[l.place]}
          </span>
        ))}
      </div>
    </div>
  );
}

function Lines({ chart, quiet }: { readonly chart: Upright; readonly quiet: (component: string) => boolean }) {
  const right = chart.lanes.at(-1)?.x1 ?? 0;
  return (
    <svg width={right + 8} height={chart.height} className="absolute top-0 left-0" aria-hidden="true">
      {chart.lanes.map((l) => (
        <rect
          key={l.place}
          x={l.x0}
          y={0}
          width={l.x1 - l.x0 - 1}
          height={chart.height}
          fill={
            l.place === "freezer" || l.place === "fridge" || l.place === "cellar"
              ? "var(--cold-wash)"
              : l.place === "counter"
                ? "none"
                : "var(--warm-wash)"
          }
        />
      ))}
      {chart.hands.map((h) => (
        <rect
          key={`${h.y0} ${h.cook}`}
          x={CLOCK_WIDTH + h.cook * 5}
          y={h.y0}
          width={h.cook === 0 ? HANDS_WIDTH - 2 : 7}
          height={h.y1 - h.y0}
          fill={COOKS[h.cook % 3]}
        />
      ))}
      {chart.lines.map((line) => (
        <g key={line.component} fill="none" stroke={colourOf(line.kind)} opacity={quiet(line.component) ? 0.25 : 1}>
          <path d={line.waits} strokeWidth="1.3" strokeDasharray="1.5 3" />
          <path d={line.moves} strokeWidth="1.5" />
          <path d={line.hands} strokeWidth="5" />
        </g>
      ))}
      {chart.rows.map((r) => (
        <path key={r.step.ref} d={`M${right + 1} ${r.y}h6`} stroke="var(--quiet)" strokeWidth="1" />
      ))}
      <path d={`M0 ${chart.serve}H${right + 8}`} stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}

function Pleat({ pleat: p, left, onOpen }: { readonly pleat: UprightPleat; readonly left: number; readonly onOpen: () => void }) {
  return (
    <button
      type="button"
      aria-label={UPRIGHT.unfold(spokenDuration(p.to - p.from))}
      className={`absolute inset-x-0 overflow-hidden text-left text-[12.5px] leading-tight opacity-95 ${p.night ? "bg-night-wash text-night" : "bg-[var(--fold-wash)] text-quiet"}`}
      style={{ top: p.y0, height: p.y1 - p.y0, paddingLeft: left }}
      onClick={onOpen}
    >
      <span className="flex items-center gap-1.5">
        {p.night && <Moon size={12} className="fill-current" aria-hidden="true" />}
        {UPRIGHT.rest(spokenDuration(p.to - p.from))}
      </span>
      {p.night && p.waiting.length > 0 && (
        <span className="block truncate pr-3 text-[11.5px]">{UPRIGHT.waiting(p.waiting.map(shortName))}</span>
      )}
    </button>
  );
}
