"use client";
import { useState } from "react";
import type { TimeSpread } from "@/core/dish/planned-length";
import { type Remaining, remainingLength } from "@/core/dish/remaining-length";
import type { FindingView } from "@/core/safety/view";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { looksOf } from "@/core/view/looks";
import type { StepView } from "@/core/view/plan-view";
import { checkText } from "@/core/view/step-check";
import { withAmounts } from "@/core/view/with-amounts";
import { LOOKS, STEP_CARDS } from "@/words/cook";
import { NOTEBOOK } from "@/words/notebook";
import { placeWords } from "../route-chart/words";
import { FindingCard } from "../safety/FindingCard";
import { Spoken } from "../shell/conventions";
import type { Press } from "./press-queue";

interface CardProps {
  readonly step: StepView;
  readonly component: string;
  readonly now: number;
  readonly clock: WallClock;
  readonly busy: boolean;
  /** What the rules of safety find about the step. */
  readonly findings: readonly FindingView[];
  readonly onKnown: (finding: FindingView) => void;
  readonly onPress: (kind: Press["kind"], inMinutes?: number) => void;
  /** What was noted at the step the last time. */
  readonly lastNotes?: readonly string[];
  /** What is written down at the step. */
  readonly children?: React.ReactNode;
}

/** What is to be looked at while a step runs; once its hour has come it stands out. */
function Checks({ step, findings, now, clock }: Pick<CardProps, "step" | "findings" | "now" | "clock">) {
  const all = findings.flatMap((f) => (f.check ? [{ id: f.id, at: step.start + f.check.afterMinutes, ...f.check }] : []));
  // Of several that have come due the last one counts.
  const last = all.findLast((c) => now >= c.at);
  const checks = all.filter((c) => now < c.at || c === last);
  return checks.map((c) => (
    <p
      key={c.id}
      data-check={now >= c.at ? "due" : "later"}
      className={now >= c.at ? "my-1 border-l-[3px] border-saffron pl-3 text-[18px]" : "text-[15px] text-quiet"}
    >
      {now >= c.at ? STEP_CARDS.checkNow : STEP_CARDS.check(clock.near(c.at, now))}
      <Spoken>{checkText(c)}</Spoken>
    </p>
  ));
}

const LastNotes = ({ notes = [] }: { readonly notes?: readonly string[] | undefined }) =>
  notes.map((note) => (
    <p key={note} className="text-[16px] break-words">
      {NOTEBOOK.lastTime(note)}
    </p>
  ));

const BIG = "act min-h-[56px] px-6 text-[18px]";

/** The three-point length of a step as it is planned; what is certain has no spread. */
function spreadOf(step: StepView): TimeSpread {
  const [min, likely, max] = step.uncertain ?? [step.end - step.start, step.end - step.start, step.end - step.start];
  return { min, likely, max };
}

/** A step that runs: its cue large, since the cue and not the clock ends it. */
export function RunningCard({ step, component, now, clock, busy, findings, lastNotes, onPress, children }: CardProps) {
  const left = step.end - now;
  const looks = looksOf(step);
  const [answer, setAnswer] = useState<{ readonly remaining: Remaining; readonly now: number; readonly at: number }>();
  return (
    <article aria-label={STEP_CARDS.running(step.name)} className="mb-4 border-l-[5px] border-rim py-1 pl-4">
      <p className="text-[14px] text-quiet">
        {component}
        {STEP_CARDS.since} {clock.near(step.start, now)}, <Spoken>{placeWords(step)}</Spoken>
      </p>
      <h2 className="text-[24px]">{step.name}</h2>
      {step.cue && (
        <p className="text-[21px] leading-snug">
          {STEP_CARDS.until} {step.cue}
          {step.probeC !== undefined && <Spoken>{STEP_CARDS.cInTheMiddle(step.probeC)}</Spoken>}
        </p>
      )}
      <p className="pb-2 text-[16px]">
        {step.paused
          ? "paused"
          : left > 0
            ? STEP_CARDS.untilAboutIn(clock.near(step.end, now), spokenDuration(left))
            : left === 0
              ? STEP_CARDS.dueNow
              : STEP_CARDS.dueSince(clock.near(step.end, now))}
        {looks &&
          (now < step.start + looks.from
            ? `; ${LOOKS.first(clock.near(step.start + looks.from, now), looks.every)}`
            : `; ${LOOKS.every(looks.every)}`)}
      </p>
      {answer && now <= answer.at && (
        <p role="status" className="mb-2 border-l-[3px] border-saffron pl-3 text-[16px]">
          {LOOKS.answer(
            spokenDuration(now - step.start),
            clock.near(answer.at, now),
            answer.remaining.over
              ? undefined
              : [clock.near(answer.now + answer.remaining.low, now), clock.near(answer.now + answer.remaining.high, now)],
          )}
        </p>
      )}
      <LastNotes notes={lastNotes} />
      <Checks step={step} findings={findings} now={now} clock={clock} />
      <div className="flex flex-wrap gap-2.5">
        <button type="button" className={BIG} data-main disabled={busy} onClick={() => onPress("ended")}>
          {busy ? STEP_CARDS.saving : STEP_CARDS.done}
        </button>
        {step.split && (
          <button type="button" className={BIG} disabled={busy} onClick={() => onPress(step.paused ? "taken-up" : "put-down")}>
            {step.paused ? STEP_CARDS.resume : STEP_CARDS.pause}
          </button>
        )}
        {looks &&
          (["not-yet", "nearly"] as const).map((seen) => (
            <button
              key={seen}
              type="button"
              className={BIG}
              disabled={busy}
              aria-label={`${LOOKS[seen]}: ${step.name}`}
              onClick={() => {
                const remaining = remainingLength(spreadOf(step), now - step.start, seen);
                setAnswer({ remaining, now, at: now + remaining.likely });
                onPress("estimate", remaining.likely);
              }}
            >
              {LOOKS[seen]}
            </button>
          ))}
        {(looks ? [10] : [10, 30]).map((minutes) => (
          <button
            key={minutes}
            type="button"
            className={BIG}
            disabled={busy}
            onClick={() => {
              setAnswer(undefined);
              onPress("estimate", Math.max(left, 0) + minutes);
            }}
            aria-label={STEP_CARDS.notYetMinutesMore(step.name, minutes)}
          >
            {minutes} {STEP_CARDS.minMore}
          </button>
        ))}
        <button
          type="button"
          className="link min-h-[56px] px-2"
          disabled={busy}
          onClick={() => onPress("withdrawn")}
          aria-label={STEP_CARDS.undoNamed(step.name)}
        >
          {STEP_CARDS.undo}
        </button>
      </div>
      {children}
    </article>
  );
}

/** A step that runs for hours with nobody's hands. */
export function AloneRow({ step, component, now, clock, busy, findings, onPress, children }: CardProps) {
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-t border-rule py-1.5" aria-label={STEP_CARDS.running(step.name)}>
      <span>
        <span className="text-[17px] font-medium">{step.name}</span> <span className="text-[14px] text-quiet">{lower(component)}</span>
        <span className="block text-[15px]">
          {STEP_CARDS.sinceInRow} {clock.near(step.start, now)}
          {STEP_CARDS.andUntil} {step.cue ? `${step.cue}, ` : ""}
          {STEP_CARDS.about} {clock.near(step.end, now)}
        </span>
        {/* A check that is due stands in a card of its own. */}
        <Checks step={step} findings={findings.filter((f) => f.check && now < step.start + f.check.afterMinutes)} now={now} clock={clock} />
      </span>
      <button type="button" className="act min-h-[56px] px-5 text-[17px]" disabled={busy} onClick={() => onPress("ended")}>
        {STEP_CARDS.done}
      </button>
      <div className="col-span-2">{children}</div>
    </li>
  );
}

/** What is to be looked at now of a step that runs by itself, or is done. */
export function CheckCard({ step, component, now, clock, findings }: CardProps) {
  return (
    <article aria-label={STEP_CARDS.checkNamed(step.name)} className="mb-4 border-l-[5px] border-saffron py-1 pl-4">
      <p className="text-[14px] text-quiet">
        {component}, {lower(step.name)},{" "}
        {step.state === "done" ? STEP_CARDS.doneNamed(clock.near(step.end, now)) : STEP_CARDS.sinceNamed(clock.near(step.start, now))}
      </p>
      <Checks step={step} findings={findings} now={now} clock={clock} />
    </article>
  );
}

/** A step that is due, or comes next. */
export function DueCard({ step, component, now, clock, busy, findings, lastNotes, onKnown, onPress }: CardProps) {
  const late = now - step.start;
  const open = findings.some((f) => f.severity === "stop" && !f.acknowledged);
  return (
    <article
      aria-label={`${late >= -5 ? STEP_CARDS.due : STEP_CARDS.next}: ${step.name}`}
      className="mb-4 border-l-[5px] border-saffron py-1 pl-4"
    >
      <p className="text-[14px] text-quiet">
        {component}, {late > 0 ? STEP_CARDS.dueSince(clock.near(step.start, now)) : late >= -5 ? "now" : clock.dayTime(step.start)};{" "}
        {spokenDuration(step.pieces.reduce((sum, [a, b]) => sum + b - a, 0))}, <Spoken>{placeWords(step)}</Spoken>
      </p>
      <h2 className="text-[24px]">{step.name}</h2>
      {withAmounts(step) !== "" && (
        <p className="text-[16px]">
          {STEP_CARDS.withIt} <Spoken>{withAmounts(step)}</Spoken>
        </p>
      )}
      {step.note && <p className="text-[15px] text-quiet">{step.note}</p>}
      <LastNotes notes={lastNotes} />
      {findings
        .filter((f) => !f.check)
        .map((f) => (
          <FindingCard key={f.id} finding={f} here open={f.severity !== "note"} onMend={undefined} onKnown={onKnown} />
        ))}
      <div className="flex flex-wrap gap-2.5 pt-2">
        <button type="button" className={BIG} data-main disabled={busy || open} onClick={() => onPress("started")}>
          {busy ? STEP_CARDS.saving : STEP_CARDS.start}
        </button>
        <button
          type="button"
          className={BIG}
          disabled={busy}
          onClick={() => onPress("ended")}
          aria-label={STEP_CARDS.doneAlreadyNamed(step.name)}
        >
          {STEP_CARDS.doneAlready}
        </button>
      </div>
    </article>
  );
}
