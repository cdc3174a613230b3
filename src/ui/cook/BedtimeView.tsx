"use client";
// The hand-over at bedtime: first whether anything is hot, then what is looked at, what can call, and what comes first tomorrow.
import Link from "next/link";
import { useMemo } from "react";
import { type Entry, lastHandover, ticksOf } from "@/core/record/entries";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import type { Bedtime } from "@/core/view/bedtime";
import { BEDTIME as WORDS } from "@/words/bedtime";
import { BEDTIME_VIEW } from "@/words/cook";
import { Spoken } from "../shell/conventions";
import { useEntries } from "../shell/use-entries";

interface BedtimeViewProps {
  readonly slug: string;
  readonly bedtime: Bedtime;
  readonly offsets: Offsets;
  readonly now: number;
  readonly entries: readonly Entry[];
  readonly clockMs: number;
}

interface CheckLine {
  readonly key: string;
  readonly text: string;
  readonly more: string | undefined;
  /** It has to be ticked before the night is handed over. */
  readonly must: boolean;
}

export function BedtimeView({ slug, bedtime: b, offsets, now, entries, clockMs }: BedtimeViewProps) {
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const checks: CheckLine[] = [
    ...b.hot.map((h) => ({
      key: h.step,
      text: h.allowed ? WORDS.look(h.name) : WORDS.confirm(h.name),
      more: `${WORDS.on(h.where, clock.fromNow(h.until, now))} ${h.allowed ? WORDS.hotAllowed : WORDS.hotNotAllowed}`,
      must: true,
    })),
    ...b.cold.map((w) => ({
      key: `${w.fromStep} ${w.name} ${w.place}`,
      text: WORDS.inPlace(w.name, w.place === "cellar" ? "larder" : w.place),
      more: w.window?.max === undefined ? undefined : WORDS.good(clock.fromNow(w.from + w.window.max, now)),
      must: w.window?.limit === "safety",
    })),
  ];
  const { entries: all, write, trouble } = useEntries(slug, entries, clockMs);
  const list = `bedtime ${b.night.bed}`;
  const ticked = ticksOf(all, list);
  const tick = (item: string) => write({ kind: "tick", list, item, done: !ticked.has(item) });
  const handed = lastHandover(all);
  const over = handed?.bed === b.night.bed ? handed : undefined;
  const left = checks.filter((c) => c.must && !ticked.has(c.key)).length;
  return (
    <div className="mx-auto max-w-[44rem] px-5 pt-5 pb-16 sm:px-7">
      <p className="caps">{WORDS.lead(clock.dayTime(b.night.bed), clock.dayTime(b.night.wake))}</p>
      <h1 className={`text-[27px] leading-tight ${b.hot.length ? "text-beet" : ""}`}>
        {b.hot.length ? WORDS.hot(b.hot.map((h) => h.name).join(", ")) : WORDS.nothingHot}
      </h1>
      {trouble && (
        <p role="alert" className="mt-3 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {b.before.length > 0 && (
        <Part title={WORDS.before}>
          {b.before.map((t) => (
            <Line key={`${t.step} ${t.at}`} at={clock.near(t.at, now)}>
              {t.name}{" "}
              <span className="text-quiet">
                {t.minutes} {BEDTIME_VIEW.min}
              </span>
            </Line>
          ))}
        </Part>
      )}
      {checks.length > 0 && (
        <Part title={WORDS.check}>
          {checks.map((c) => (
            <li key={c.key} className="border-t border-rule">
              <label className="flex min-h-[60px] cursor-pointer items-center gap-4 py-2">
                <input
                  type="checkbox"
                  className="size-6 shrink-0 accent-(--rim)"
                  checked={ticked.has(c.key)}
                  onChange={() => tick(c.key)}
                />
                <span>
                  <span className="text-[17px]">{c.text}</span>
                  {c.more && (
                    <span className="block text-[14px] text-quiet">
                      <Spoken>{c.more}</Spoken>
                    </span>
                  )}
                </span>
              </label>
            </li>
          ))}
        </Part>
      )}
      {b.runs.length + b.out.length > 0 && (
        <Part title={WORDS.runs}>
          {b.runs.map((s) => (
            <Line key={s.ref} at="">
              {s.name} <span className="text-quiet">{WORDS.until(clock.fromNow(s.end, now))}</span>
            </Line>
          ))}
          {b.out.map((w) => (
            <Line key={`${w.fromStep} ${w.name}`} at="">
              {w.name}{" "}
              <span className="text-quiet">
                {BEDTIME_VIEW.counter}
                {w.window?.max === undefined ? "" : `, ${WORDS.good(clock.fromNow(w.from + w.window.max, now))}`}
              </span>
            </Line>
          ))}
        </Part>
      )}
      <Part title={WORDS.calls}>
        {b.calls.length === 0 && <li className="border-t border-rule py-2 text-quiet">{WORDS.noCalls}</li>}
        {b.calls.map((c) => (
          <Line key={`${c.at} ${c.what}`} at={clock.time(c.at)}>
            {c.what}
          </Line>
        ))}
      </Part>
      <Part title={WORDS.tomorrow}>
        {b.tomorrow.length === 0 && <li className="border-t border-rule py-2 text-quiet">{WORDS.noTomorrow}</li>}
        {b.tomorrow.map((t) => (
          <Line key={`${t.at} ${t.name}`} at={clock.fromNow(t.at, now)}>
            {t.name}
          </Line>
        ))}
      </Part>
      <p
        role="status"
        className={`mt-6 flex min-h-[60px] items-center border-l-[5px] pl-4 font-serif text-[21px] font-semibold ${left ? "border-beet text-beet" : "border-leaf"}`}
      >
        {left ? WORDS.left(left) : WORDS.done}
      </p>
      {over ? (
        <p className="pt-3 text-[17px]">{WORDS.finished(clock.near(Math.floor(over.at / 60_000), now))}</p>
      ) : (
        <button
          type="button"
          className="act mt-3 mr-3 min-h-[56px] px-6"
          data-main
          disabled={left > 0}
          onClick={() =>
            write({
              kind: "handover",
              ...b.night,
              confirmed: b.hot.filter((h) => !h.allowed && ticked.has(h.step)).map((h) => h.step),
            })
          }
        >
          {WORDS.finish}
        </button>
      )}
      <Link href={`/d/${slug}/cook`} className="act mt-3 min-h-[56px] px-6">
        {WORDS.back}
      </Link>
    </div>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <section aria-label={title} className="pt-5">
      <h2 className="caps pb-1 font-sans font-normal">{title}</h2>
      <ul>{children}</ul>
    </section>
  );
}

const Line = ({ at, children }: { readonly at: string; readonly children: React.ReactNode }) => (
  <li className="flex gap-3 border-t border-rule py-2 text-[16px]">
    {at && <span className="clock shrink-0">{at}</span>}
    <span>{children}</span>
  </li>
);
