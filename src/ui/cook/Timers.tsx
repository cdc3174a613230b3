"use client";
// Timers by hand: each with its name, what is left in large figures, and a call when it rings. Their ends are in the record, not in this page.
import { useEffect, useRef, useState } from "react";
import type { Entry, EntryBody, Timer } from "@/core/record/entries";
import { timersOf } from "@/core/record/entries";
import { countdown, readTimer } from "@/core/spoken/typed-timer";
import { TIMERS } from "@/words/record";
import { isSaved, useClockMs } from "../shell/use-entries";
import { notice, sound } from "./alerts";

interface TimersProps {
  readonly entries: readonly Entry[];
  readonly write: (...bodies: readonly EntryBody[]) => void;
  readonly clockMs: number;
  /** Names what a timer without a name of its own is for. */
  readonly stepName: (ref: string) => string | undefined;
}

const MORE_MINUTES = 2;
/** Rung and not answered, it calls again so often. */
const AGAIN_MS = 60_000;

export function Timers({ entries, write, clockMs, stepName }: TimersProps) {
  const now = useClockMs(clockMs);
  const timers = timersOf(entries);
  const rung = timers.filter((t) => t.ends <= now);
  useRinging(rung, now, (t) => t.name || stepName(t.step ?? "") || TIMERS.unnamed);
  if (timers.length === 0) return null;
  return (
    <section aria-label={TIMERS.title} className="mb-4">
      <ul aria-live="polite">
        {[...rung, ...timers.filter((t) => t.ends > now)].map((t) => (
          <TimerRow key={t.id} timer={t} now={now} write={write} />
        ))}
      </ul>
    </section>
  );
}

function TimerRow({ timer, now, write }: { readonly timer: Timer; readonly now: number; readonly write: TimersProps["write"] }) {
  const over = timer.ends <= now;
  const answer = (how: "acknowledged" | "cancelled" | "more") =>
    write({ kind: "timer-answer", of: timer.id, answer: how, ...(how === "more" ? { seconds: MORE_MINUTES * 60 } : {}) });
  return (
    <li
      data-timer={over ? "rung" : "running"}
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule py-1.5 ${over ? "bg-saffron-wash px-3" : ""}`}
    >
      <span className="clock text-[28px] leading-none font-semibold">{countdown(timer.ends - now)}</span>
      <span className="min-w-0 flex-1 basis-28 text-[18px] break-words">
        {timer.name}
        {over && <span className="block text-[14px]">{TIMERS.rang(countdown(now - timer.ends))}</span>}
      </span>
      {isSaved(timer.id) && (
        <span className="flex gap-2">
          {over && (
            <button
              type="button"
              className="act min-h-[56px] px-6 text-[18px]"
              data-main
              aria-label={TIMERS.named(TIMERS.ok, timer.name)}
              onClick={() => answer("acknowledged")}
            >
              {TIMERS.ok}
            </button>
          )}
          {over && (
            <button
              type="button"
              className="act min-h-[56px] px-4 text-[17px]"
              aria-label={TIMERS.named(TIMERS.more(MORE_MINUTES), timer.name)}
              onClick={() => answer("more")}
            >
              {TIMERS.more(MORE_MINUTES)}
            </button>
          )}
          {!over && (
            <button
              type="button"
              className="link min-h-[56px] px-2 text-[15px]"
              aria-label={TIMERS.named(TIMERS.cancel, timer.name)}
              onClick={() => answer("cancelled")}
            >
              {TIMERS.cancel}
            </button>
          )}
        </span>
      )}
    </li>
  );
}

/** Sets a timer by one line: a length and what it is for. */
export function NewTimer({ write }: { readonly write: TimersProps["write"] }) {
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState(false);
  return (
    <form
      className="mt-6 flex flex-wrap items-end gap-2 border-t border-rule pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        const read = readTimer(text);
        setWrong(!read);
        if (!read) return;
        write({ kind: "timer", name: read.name || TIMERS.unnamed, seconds: read.seconds });
        setText("");
      }}
    >
      <label className="min-w-0 flex-1 text-[14px] text-quiet">
        {TIMERS.field}
        <input
          className="field mt-0.5 block min-h-[56px] w-full text-[18px] text-ink"
          value={text}
          placeholder={TIMERS.example}
          autoComplete="off"
          aria-invalid={wrong}
          aria-describedby={wrong ? "timer-help" : undefined}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(false);
          }}
        />
      </label>
      <button type="submit" className="act min-h-[56px] px-6 text-[18px]">
        {TIMERS.set}
      </button>
      {wrong && (
        <p id="timer-help" role="alert" className="basis-full text-[14px] text-beet">
          {TIMERS.help}
        </p>
      )}
    </form>
  );
}

const COUNTED = /^\(\d+\) /;

/** Sounds and notices as a timer rings, again until it is answered, and how many have rung in the page's title. */
function useRinging(rung: readonly Timer[], now: number, nameOf: (timer: Timer) => string): void {
  const called = useRef(new Map<string, number>());
  useEffect(() => {
    const due = rung.filter((t) => now - (called.current.get(`${t.id} ${t.ends}`) ?? Number.NEGATIVE_INFINITY) >= AGAIN_MS);
    if (due.length === 0) return;
    for (const t of due) called.current.set(`${t.id} ${t.ends}`, now);
    sound("danger");
    notice(due.map(nameOf).join("; "));
  }, [rung, now, nameOf]);
  const count = rung.length;
  // Every second anew: the title is also written when the page is drawn from the server.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the second is what it follows
  useEffect(() => {
    const plain = document.title.replace(COUNTED, "");
    const wanted = count ? `(${count}) ${plain}` : plain;
    if (document.title !== wanted) document.title = wanted;
  }, [count, now]);
  useEffect(
    () => () => {
      document.title = document.title.replace(COUNTED, "");
    },
    [],
  );
}
