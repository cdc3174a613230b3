"use client";
// A rehearsal in which the cook decides: whether the next thing is begun on time, and how to go on where no plan is left.
import type { WallClock } from "@/core/time/wall-clock";
import { REHEARSAL } from "@/words/rehearsal";
import type { CookDecisions, Replay } from "@/workers/rehearsal-desk";

interface OwnChoicesProps {
  readonly replay: Replay;
  readonly own: CookDecisions;
  /** The minute that is shown. */
  readonly at: number;
  readonly next: Replay["presses"][number] | undefined;
  readonly clock: WallClock;
  readonly name: (step: string) => string;
  readonly onGoOn: () => void;
  readonly onDecide: (own: CookDecisions) => void;
  readonly onStartOver: () => void;
}

const LATE_STARTS = [15, 60];

export function OwnChoices({ replay, own, at, next, clock, name, onGoOn, onDecide, onStartOver }: OwnChoicesProps) {
  const { asked, lateMinutes } = replay;
  const late = (step: string, minutes: number) => onDecide({ ...own, late: { ...own.late, [step]: minutes } });
  const startOver = (
    <button type="button" className="link min-h-[36px]" onClick={onStartOver}>
      {REHEARSAL.startOver}
    </button>
  );
  if (next)
    return (
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 py-2" aria-live="polite">
        <p className="text-[16px]">
          {REHEARSAL.nextIs(
            clock.fromNow(next.at, Math.round(at)),
            next.kind === "started" ? name(next.step) : `${name(next.step)}, ${REHEARSAL.pressed[next.kind] ?? next.kind}`,
          )}
        </p>
        <button type="button" className="act" data-main onClick={onGoOn}>
          {next.kind === "started" && own.late[next.step] === undefined ? REHEARSAL.onTime : REHEARSAL.goOn}
        </button>
        {next.kind === "started" &&
          own.late[next.step] === undefined &&
          LATE_STARTS.map((minutes) => (
            <button key={minutes} type="button" className="act" onClick={() => late(next.step, minutes)}>
              {REHEARSAL.lateStart(minutes)}
            </button>
          ))}
        {startOver}
      </div>
    );
  return (
    <div className="py-2" aria-live="polite">
      {asked ? (
        <>
          <p className="text-[16px]">{REHEARSAL.chooseOne(name(asked.step))}</p>
          <ul>
            {asked.ways.map((way, i) => (
              <li key={way.kind} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1">
                <button
                  type="button"
                  className="act"
                  data-main={i === 0 || undefined}
                  onClick={() => onDecide({ ...own, ways: [...own.ways, i] })}
                >
                  {way.text}
                </button>
                <span className="text-[14px] text-quiet">{REHEARSAL.servedThen(way.lateMinutes)}</span>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="text-[16px]">{lateMinutes === undefined ? REHEARSAL.notServed : REHEARSAL.servedThen(lateMinutes)}</p>
      )}
      {startOver}
    </div>
  );
}
