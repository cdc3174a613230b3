"use client";
// The last hour: one thing at a time in letters that are read at two metres, what comes after it, and what goes on each plate.
import Link from "next/link";
import { useMemo } from "react";
import type { Entry } from "@/core/record/entries";
import { spokenDuration } from "@/core/time/duration";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import type { LastHour, LastLine } from "@/core/view/last-hour";
import { LAST_HOUR } from "@/words/last-hour";
import { colourOf } from "../route-chart/colours";
import { useNow } from "../shell/StatusLine";
import { useTicks } from "../shell/use-ticks";
import { addPress, type Press } from "./press-queue";
import { usePressQueue } from "./use-press-queue";

interface LastHourViewProps {
  readonly slug: string;
  readonly hour: LastHour;
  readonly offsets: Offsets;
  readonly now: number;
  readonly serves: number;
  readonly entries: readonly Entry[];
  readonly clockMs: number;
}

const MOST_NEXT = 5;
const MORE_MINUTES = 2;
const LONG_MINUTES = 120;
const BIG = "act min-h-[64px] px-6 text-[20px]";

export function LastHourView({ slug, hour, offsets, now: serverNow, serves, entries, clockMs }: LastHourViewProps) {
  const now = useNow(serverNow);
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const { ticked, tick } = useTicks(slug, "last hour", entries, clockMs);
  const { busy, setBusy, trouble, send } = usePressQueue(slug);
  const press: CurrentProps["onPress"] = (kind, step, inMinutes = 0) => {
    addPress(slug, { key: crypto.randomUUID(), kind, step, inMinutes, pressedAt: Date.now() });
    setBusy(step);
    void send();
  };
  const open = hour.lines.filter((l) => !l.done && !ticked.has(l.key));
  const [current, ...later] = open;
  const left = hour.at - now;
  return (
    <div data-large className="mx-auto grid max-w-[70rem] gap-x-14 px-4 pt-4 pb-14 sm:px-7 md:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
      <section aria-label={LAST_HOUR.now}>
        <h1 className="sr-only">
          {LAST_HOUR.title} {hour.course}
        </h1>
        <Strip hour={hour} open={open} now={now} />
        <p className="flex items-baseline gap-3">
          <span className={`font-serif leading-none font-semibold ${left > LONG_MINUTES ? "text-[44px]" : "text-[72px]"}`}>
            {left > LONG_MINUTES ? spokenDuration(left) : Math.abs(left)}
          </span>
          <span className={`text-[20px] ${left < 0 ? "text-beet" : "text-quiet"}`}>
            {left < 0 ? LAST_HOUR.late : left > LONG_MINUTES ? LAST_HOUR.long : LAST_HOUR.minutes}
          </span>
        </p>
        {trouble && (
          <p role="alert" className="mt-2 border-l-[3px] border-beet pl-3">
            {trouble}
          </p>
        )}
        {current ? (
          <Current line={current} now={now} clock={clock} busy={busy !== undefined} onPress={press} onTick={() => tick(current.key)} />
        ) : (
          <p className="pt-4 font-serif text-[30px] leading-tight font-semibold">{LAST_HOUR.allDone}</p>
        )}
        <ol aria-label={LAST_HOUR.next} className="pt-5">
          {later.slice(0, MOST_NEXT).map((l) => (
            <li key={l.key} className="grid grid-cols-[max-content_1fr] items-baseline border-t border-rule py-2">
              <span className="clock clock-column text-[22px]">{clock.time(l.at)}</span>
              <span className="text-[21px]">{l.what}</span>
            </li>
          ))}
          <li className="grid grid-cols-[max-content_1fr] items-baseline border-t-[3px] border-ink py-2">
            <span className="clock clock-column text-[22px]">{clock.time(hour.at)}</span>
            <span className="font-serif text-[22px] font-semibold">{hour.course || LAST_HOUR.table}</span>
          </li>
        </ol>
      </section>
      <section aria-label={LAST_HOUR.plates} className="pt-3">
        {hour.plates.length > 0 && (
          <>
            <h2 className="flex items-baseline justify-between border-t-2 border-rim pt-2 text-[18px] md:border-t-0">
              {LAST_HOUR.plates} <span className="font-sans text-[13px] font-normal text-quiet">{LAST_HOUR.all(serves)}</span>
            </h2>
            <ol>
              {hour.plates.map((p, i) => (
                <li
                  key={p.name}
                  className="grid grid-cols-[1.8rem_1fr_auto_minmax(5.5rem,max-content)] items-baseline gap-x-2 border-t border-rule py-2"
                >
                  <b className="text-[18px]" style={{ color: colourOf(p.kind) }}>
                    {i + 1}
                  </b>
                  <span className="text-[19px]">{p.name}</span>
                  <span className="clock text-[19px] whitespace-nowrap">{p.each}</span>
                  <span className="clock text-right text-[14px] whitespace-nowrap text-quiet">{p.amount}</span>
                </li>
              ))}
            </ol>
          </>
        )}
        {hour.limits.map((l) => (
          <p key={l.name} className="mt-3 border-l-[3px] border-saffron pl-3 text-[16px]">
            {LAST_HOUR.serveBy(l.name, clock.time(l.until))}
          </p>
        ))}
        <p className="pt-4">
          <Link href={`/d/${slug}/cook`} className="link inline-flex min-h-[44px] items-center text-[16px]">
            {LAST_HOUR.cook}
          </Link>
        </p>
      </section>
    </div>
  );
}

interface CurrentProps {
  readonly line: LastLine;
  readonly now: number;
  readonly clock: WallClock;
  readonly busy: boolean;
  readonly onPress: (kind: Press["kind"], step: string, inMinutes?: number) => void;
  readonly onTick: () => void;
}

function Current({ line, now, clock, busy, onPress, onTick }: CurrentProps) {
  const begins = line.kind === "start" && line.at > now;
  const ends = line.kind === "start" ? line.until : line.at;
  const done = () => {
    if (line.step === undefined) onTick();
    else onPress("ended", line.step);
  };
  return (
    <article aria-label={line.what} aria-live="polite" className="mt-4 border-l-[5px] border-saffron pl-4">
      <h2 className="text-[40px] leading-[1.08] max-sm:text-[34px]">{line.what}</h2>
      {line.more && <p className="text-[22px] leading-snug">{line.more}</p>}
      <p className={`pt-1 text-[17px] ${ends < now ? "text-beet" : "text-quiet"}`}>
        {begins
          ? LAST_HOUR.from(clock.near(line.at, now), spokenDuration(line.at - now))
          : ends >= now
            ? LAST_HOUR.until(clock.near(ends, now), spokenDuration(ends - now))
            : LAST_HOUR.overdue(now - ends)}
      </p>
      <div className="flex gap-3 pt-3">
        <button
          type="button"
          className={`${BIG} ${line.toStart ? "" : "flex-1"}`}
          data-main={line.toStart ? undefined : true}
          disabled={busy}
          aria-label={LAST_HOUR.named(LAST_HOUR.done, line.what)}
          onClick={done}
        >
          {LAST_HOUR.done}
        </button>
        {line.toStart && (
          <button
            type="button"
            className={`${BIG} order-first flex-1`}
            data-main
            disabled={busy}
            aria-label={LAST_HOUR.named(LAST_HOUR.start, line.what)}
            onClick={() => onPress("started", line.step as string)}
          >
            {LAST_HOUR.start}
          </button>
        )}
        {line.step !== undefined && !begins && (
          <button
            type="button"
            className={BIG}
            disabled={busy}
            aria-label={LAST_HOUR.named(LAST_HOUR.more, line.what)}
            onClick={() => onPress("estimate", line.step as string, Math.max(ends - now, 0) + MORE_MINUTES)}
          >
            {LAST_HOUR.more}
          </button>
        )}
      </div>
    </article>
  );
}

/** The hour as one strip: what is done is filled, now is the saffron line, the table stands at its end. */
function Strip({ hour, open, now }: { readonly hour: LastHour; readonly open: readonly LastLine[]; readonly now: number }) {
  const from = Math.min(hour.at - 60, ...hour.lines.map((l) => l.at));
  const x = (minute: number) => Math.min(100, Math.max(0, ((minute - from) / Math.max(1, hour.at - from)) * 100));
  const waiting = new Set(open.map((l) => l.key));
  return (
    <svg viewBox="0 0 100 8" preserveAspectRatio="none" className="mb-3 block h-7 w-full" aria-hidden="true">
      {hour.lines
        .filter((l) => l.kind === "start")
        .map((l) => (
          <rect
            key={l.key}
            x={x(l.at)}
            y={1.5}
            width={Math.max(0.6, x(l.until) - x(l.at) - 0.3)}
            height={5}
            fill={waiting.has(l.key) ? "var(--rim)" : "var(--rule)"}
          />
        ))}
      <rect x={0} y={7.4} width={100} height={0.4} fill="var(--ink)" />
      <rect x={99.2} y={0} width={0.8} height={8} fill="var(--ink)" />
      <rect x={x(now) - 0.3} y={0} width={0.6} height={8} fill="var(--saffron)" />
    </svg>
  );
}
