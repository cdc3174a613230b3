"use client";
// One rehearsal, played on the route chart: the plan as it stood at each minute, and what was pressed.
import { Slider } from "radix-ui";
import { useEffect, useMemo, useRef, useState } from "react";
import { said } from "@/core/bench/quantity";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import { miniRoute } from "@/core/view/mini-route";
import type { PlanView } from "@/core/view/plan-view";
import { REHEARSAL } from "@/words/rehearsal";
import type { CookDecisions, Replay } from "@/workers/rehearsal-desk";
import { MiniChart } from "../home/MiniChart";
import type { Desk } from "../planning/desk";
import { Choice } from "../shell/Choice";
import { useFigures, useUnits } from "../shell/conventions";
import { useNarrow } from "../shell/use-narrow";
import { OwnChoices } from "./OwnChoices";

interface ReplayPartProps {
  readonly desk: () => Desk;
  readonly policy: string;
  readonly index: number;
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly onClose: () => void;
}

const TICK_MS = 100;
const CHART_WIDTH = 1100;
const CHART_WIDTH_NARROW = 400;
const SHOWN = 4;
/** Who decides stands a minute before the first press. */
const BEFORE = 1;

export function ReplayPart({ desk, policy, index, plan, clock, onClose }: ReplayPartProps) {
  const [replay, setReplay] = useState<Replay>();
  const [at, setAt] = useState(plan.begins);
  const [playing, setPlaying] = useState(false);
  const [pace, setPace] = useState("60");
  // The cook's own choices; undefined while the policy decides.
  const [own, setOwn] = useState<CookDecisions>();
  const begun = useRef(false);
  useEffect(() => {
    let here = true;
    void desk()
      .hand()
      .then((shell) => shell.replay(policy, index, own))
      .then((found) => {
        if (!here || !found) return;
        const got = found as Replay;
        setReplay(got);
        // A choice goes on from where it was made.
        if (begun.current) return;
        begun.current = true;
        setAt((got.presses[0]?.at ?? plan.begins) - (own ? BEFORE : 0));
        setPlaying(own === undefined);
      });
    return () => {
      here = false;
    };
  }, [desk, policy, index, plan.begins, own]);
  const [from, to] = [
    (replay?.presses[0]?.at ?? plan.begins) - (own ? BEFORE : 0),
    replay?.asked?.at ?? replay?.presses.at(-1)?.at ?? plan.ends,
  ];
  useEffect(() => {
    if (!playing) return;
    const timer = setInterval(() => setAt((t) => Math.min(to, t + (Number(pace) * TICK_MS) / 1000)), TICK_MS);
    return () => clearInterval(timer);
  }, [playing, pace, to]);
  const over = at >= to;
  useEffect(() => {
    if (over) setPlaying(false);
  }, [over]);
  const view = replay?.plans.findLast((p) => p.from <= at)?.view ?? plan;
  const minute = Math.round(at);
  const width = useNarrow() ? CHART_WIDTH_NARROW : CHART_WIDTH;
  const mini = useMemo(() => miniRoute(view, clock, minute, width), [view, clock, minute, width]);
  const pressed = replay?.presses.filter((p) => p.at <= at).slice(-SHOWN) ?? [];
  const next = replay?.presses.find((p) => p.at > at);
  const playOrPause = () => {
    if (over) setAt(from);
    setPlaying(over || !playing);
  };
  const toNext = () => {
    setPlaying(false);
    if (next) setAt(next.at);
  };
  const decide = (on: boolean) => {
    begun.current = false;
    setPlaying(false);
    setOwn(on ? { late: {}, ways: [] } : undefined);
  };
  const [units, told] = [useUnits(), useFigures()];
  const name = (ref: string) => plan.steps.find((s) => s.ref === ref)?.name ?? view.steps.find((s) => s.ref === ref)?.name ?? ref;
  return (
    <section aria-label={REHEARSAL.watch(index + 1)} className="border-b border-rule py-4">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <h2 className="mr-2 text-[19px]">{REHEARSAL.watch(index + 1)}</h2>
        <span className="clock min-w-[7.5rem] text-[17px]">{clock.dayTime(minute)}</span>
        <button type="button" className="act" onClick={playOrPause}>
          {playing ? REHEARSAL.pause : REHEARSAL.play}
        </button>
        <button type="button" className="act" disabled={!next} onClick={toNext}>
          {REHEARSAL.nextCall}
        </button>
        <Choice label={REHEARSAL.pace} value={pace} options={REHEARSAL.paces} onChange={setPace} />
        <label className="flex min-h-[36px] items-center gap-x-2">
          <input type="checkbox" checked={own !== undefined} onChange={(e) => decide(e.target.checked)} />
          {REHEARSAL.decide}
        </label>
        <button type="button" className="link min-h-[36px]" onClick={onClose}>
          {REHEARSAL.close}
        </button>
      </div>
      <div className="pt-3">
        <MiniChart mini={mini} wide />
      </div>
      <Slider.Root
        className="relative flex h-8 w-full touch-none max-md:h-14 items-center"
        min={from}
        max={Math.max(to, from + 1)}
        step={1}
        value={[minute]}
        onValueChange={([m]) => {
          setPlaying(false);
          setAt(m as number);
        }}
      >
        <Slider.Track className="h-0.5 w-full bg-rule">
          <Slider.Range className="absolute h-0.5 bg-saffron" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={REHEARSAL.moment}
          aria-valuetext={clock.dayTime(minute)}
          className="block h-6 w-6 rounded-full border-2 border-rim bg-raised"
        />
      </Slider.Root>
      {own && <p className="text-[14px] text-quiet">{REHEARSAL.decideHelp}</p>}
      {own && replay && (
        <OwnChoices {...{ replay, own, at, next, clock, name }} onGoOn={toNext} onDecide={setOwn} onStartOver={() => decide(true)} />
      )}
      <ol className="min-h-[6.5rem] text-[15px]">
        {pressed.map((p) => (
          <li key={`${p.at} ${p.step} ${p.kind}`} className="flex gap-x-3 py-0.5">
            <span className="clock clock-column" data-day>
              {clock.dayTime(p.at)}
            </span>
            <span>
              {name(p.step)}:{" "}
              {p.probe
                ? REHEARSAL.probe(told(said(p.probe.coreC, "temp", units)), clock.near(p.probe.until, p.at))
                : (REHEARSAL.pressed[p.kind] ?? lower(p.kind))}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
