"use client";
// The plan in force, rehearsed: how often it is on time, what failed or nearly did, a fix that is tried on all of it, and any one to watch.
import { useMemo, useRef, useState } from "react";
import type { Offsets } from "@/core/time/wall-clock";
import { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import type { KeptRehearsal, RehearsedRun } from "@/core/view/rehearsed-plan";
import { REHEARSAL } from "@/words/rehearsal";
import { listener } from "../planning/desk";
import { useDesk } from "../planning/use-desk";
import { ask } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { ReplayPart } from "./ReplayPart";
import type { Rehearsed } from "./rehearsed";
import { ServedDots } from "./ServedDots";
import { WeakPoints } from "./WeakPoints";

interface RehearsalViewProps {
  readonly slug: string;
  readonly version: number;
  readonly kitchenVersion: number;
  readonly stamp: string;
  readonly plan: PlanView;
  readonly offsets: Offsets;
  readonly planStamp: string;
  /** The newest that was kept. */
  readonly last: { readonly planStamp: string; readonly at: number; readonly rehearsal: KeptRehearsal } | undefined;
}

const TIMES = [20, 50, 100];

export function RehearsalView(props: RehearsalViewProps) {
  const { slug, stamp, plan, offsets } = props;
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const desk = useDesk(slug, stamp);
  const [policy, setPolicy] = useState("follow");
  const [probe, setProbe] = useState(false);
  const [times, setTimes] = useState(TIMES[1] as number);
  const { last, planStamp } = props;
  // What was kept is shown again as long as the plan is the one that was rehearsed.
  const again = last?.planStamp === planStamp ? last : undefined;
  const [done, setDone] = useState<Rehearsed | undefined>(again && { ...again.rehearsal, of: again.rehearsal.runs.length });
  const [watched, setWatched] = useState<number>();
  const [trouble, setTrouble] = useState<string>();
  const turn = useRef(0);
  const running = done !== undefined && done.weak === undefined;

  const stop = () => {
    turn.current++;
    desk().giveUp();
    setDone((d) => d && { ...d, of: d.runs.length, weak: [] });
  };
  const roasted = plan.steps.some((s) => s.probeC !== undefined && s.tempC !== undefined && s.tempC > s.probeC);
  const start = async () => {
    const followed = roasted && probe ? `${policy},probe` : policy;
    const mine = ++turn.current;
    setTrouble(undefined);
    setWatched(undefined);
    setDone({ policy: followed, of: times, runs: [], weak: undefined });
    // What is told on the way has a line of its own, and may come in behind the answer that holds it already.
    const tell = (run: RehearsedRun) =>
      turn.current === mine && setDone((d) => (d && d.weak === undefined ? { ...d, runs: [...d.runs, run] } : d));
    try {
      const shell = await desk().mind();
      const notes = (await shell.rehearse(followed, times, listener(tell))) as Pick<KeptRehearsal, "runs" | "weak">;
      if (turn.current !== mine) return;
      setDone({ policy: followed, of: times, ...notes });
      void ask(`/api/dishes/${slug}/rehearsals`, "POST", { planStamp, rehearsal: { policy: followed, ...notes } });
    } catch (error) {
      if (turn.current !== mine) return;
      setDone(undefined);
      setTrouble(error instanceof Error ? error.message : String(error));
    }
  };

  return (
    <div data-large className="mx-auto max-w-[80rem] px-5 pt-5 pb-16 sm:px-7">
      <header className="border-b-2 border-rim pb-3">
        <h1 className="text-[29px] leading-tight">{REHEARSAL.title}</h1>
        <p className="max-w-[76ch] pt-0.5 text-[14px] text-quiet">{REHEARSAL.nothingIsWritten}</p>
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pt-3">
          <span className="flex flex-col text-[13px] text-quiet">
            {REHEARSAL.how}
            <Choice
              label={REHEARSAL.how}
              value={policy}
              options={REHEARSAL.policies}
              onChange={setPolicy}
              disabled={running}
              className="mt-0.5"
            />
          </span>
          <span className="flex flex-col text-[13px] text-quiet">
            {REHEARSAL.often}
            <Choice
              label={REHEARSAL.often}
              value={String(times)}
              options={TIMES.map((n) => [String(n), REHEARSAL.times(n)] as const)}
              onChange={(n) => setTimes(Number(n))}
              disabled={running}
              className="mt-0.5"
            />
          </span>
          {roasted && (
            <label className="flex min-h-[44px] items-center gap-x-2">
              <input type="checkbox" checked={probe} onChange={(e) => setProbe(e.target.checked)} disabled={running} />
              {REHEARSAL.thermometer}
            </label>
          )}
          <button type="button" className="act" data-main={!running || undefined} onClick={() => (running ? stop() : void start())}>
            {running ? REHEARSAL.stop : REHEARSAL.rehearse}
          </button>
          <span aria-live="polite" className="pb-1.5 text-[14px] text-quiet">
            {running && REHEARSAL.soFar(done.runs.length, done.of)}
            {!running && last && (again ? REHEARSAL.lastOne : REHEARSAL.lastOfOther)(clock.dateTime(last.at))}
          </span>
        </div>
      </header>
      {trouble && (
        <p role="alert" className="mt-3 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {done && done.runs.length > 0 && <ServedDots {...{ done, plan, clock, watched }} onWatch={setWatched} />}
      {done && watched !== undefined && (
        <ReplayPart
          key={`${done.policy} ${watched}`}
          policy={done.policy}
          index={watched}
          {...{ desk, plan, clock }}
          onClose={() => setWatched(undefined)}
        />
      )}
      {done?.weak && <WeakPoints {...props} {...{ desk, done }} />}
    </div>
  );
}
