"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { STATUS_LINE } from "@/words/shell";
import { Mark } from "./Mark";
import { statusParts } from "./status-line";

interface StatusLineProps {
  readonly slug: string;
  readonly name: string;
  readonly plan: PlanView | undefined;
  readonly serveAt: number;
  readonly serves: number;
  readonly now: number;
  readonly offsets: Offsets;
  readonly running: boolean;
  /** The plan keeps every rule by what has happened. */
  readonly holds: boolean;
}

/** Pages that hang under one of the four. */
const BELONGS: Readonly<Record<string, string>> = {
  labels: "days",
  shopping: "days",
  bedtime: "cook",
  changed: "cook",
  rehearsal: "timetable",
  "last-hour": "cook",
};

const VIEWS = [
  ["dish", STATUS_LINE.recipe],
  ["timetable", STATUS_LINE.timetable],
  ["days", STATUS_LINE.days],
  ["cook", STATUS_LINE.cook],
] as const;

/** The line above all, and the way between the views. */
export function StatusLine(props: StatusLineProps) {
  const { slug, name } = props;
  const now = useNow(props.now);
  const clock = useMemo(() => new WallClock(props.offsets), [props.offsets]);
  const parts = statusParts(props.plan, props.serveAt, props.serves, now, clock, props.holds, props.running);
  const page = usePathname().split("/")[3] ?? "";
  const here = BELONGS[page] ?? page;
  const tab = (view: string, label: string) => (
    <Link
      key={view}
      href={`/d/${slug}/${view}`}
      aria-current={here === view ? "page" : undefined}
      className={`border-b-[3px] px-0.5 pt-2 pb-1.5 font-medium ${here === view ? "border-saffron text-ink" : "border-transparent text-quiet hover:text-ink"}`}
    >
      {label}
    </Link>
  );
  return (
    <header data-screen>
      <div className="flex flex-wrap items-start gap-x-10 gap-y-1 border-b-[2.5px] border-rim lg:flex-nowrap px-5 pt-3 pb-2.5 sm:px-7">
        <Link href="/" className="flex shrink-0 items-center gap-3" aria-label={STATUS_LINE.allDishes(name)}>
          <Mark />
          <span className="font-serif text-[23px] font-semibold leading-tight">{name}</span>
        </Link>
        <div className="flex min-w-0 flex-wrap gap-x-9 gap-y-1 lg:flex-nowrap" role="status" aria-label={STATUS_LINE.status}>
          {parts.map((part) => (
            <div
              key={part.under + part.strong}
              className={`${part.rest.length > 20 ? "min-w-0" : "shrink-0"} ${part.idle ? "max-sm:hidden" : ""}`}
            >
              <div className={`max-w-[29rem] sm:truncate ${part.tone === "warn" ? "text-beet" : ""}`}>
                <span className="font-serif text-[17px] font-semibold">{part.strong}</span> <span className="text-[15px]">{part.rest}</span>
              </div>
              <div className="text-[12.5px] text-quiet">{part.under}</div>
            </div>
          ))}
        </div>
        <span className="clock ml-auto hidden shrink-0 pt-1 text-[14px] sm:inline">{clock.dayTime(now)}</span>
      </div>
      <nav aria-label={STATUS_LINE.views} className="flex gap-6 px-5 sm:px-7">
        {VIEWS.map(([view, label]) => tab(view, label))}
      </nav>
    </header>
  );
}

/** The server's minute, moved on by this page's own clock. */
export function useNow(start: number): number {
  const [now, setNow] = useState(start);
  useEffect(() => {
    const began = Date.now();
    setNow(start);
    const timer = setInterval(() => setNow(start + Math.floor((Date.now() - began) / 60_000)), 5_000);
    return () => clearInterval(timer);
  }, [start]);
  return now;
}
