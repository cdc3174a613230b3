"use client";
import { useEffect, useRef, useState } from "react";
import type { FindingView } from "@/core/safety/view";
import type { PlanView } from "@/core/view/plan-view";
import { CALL } from "@/words/cook";
import { callsBetween, type DialMark } from "./agenda";

const SHOWN_MS = 6_000;

interface CallProps {
  readonly plan: PlanView;
  readonly now: number;
  readonly listening: boolean;
  /** Those with a check call at its hour. */
  readonly findings: readonly FindingView[];
}

/** Calls across the kitchen when something is due: two tones, and the whole screen in saffron with what it is. */
export function Call({ plan, now, listening, findings }: CallProps) {
  const heard = useRef(now);
  const [calls, setCalls] = useState<readonly DialMark[]>([]);
  useEffect(() => {
    const due = listening ? callsBetween(plan, heard.current, now, findings) : [];
    heard.current = now;
    if (due.length === 0) return;
    setCalls(due);
    sound();
  }, [plan, now, listening, findings]);
  useEffect(() => {
    if (calls.length === 0) return;
    const timer = setTimeout(() => setCalls([]), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [calls]);
  if (calls.length === 0) return null;
  return (
    <button
      type="button"
      className="fixed inset-0 z-50 flex flex-col items-center justify-center gap-3 bg-(--call) p-6 text-center text-(--call-ink)"
      onClick={() => setCalls([])}
    >
      <span role="alert" className="contents">
        <span className="font-serif text-[56px] leading-none font-semibold">{CALL.now}</span>
        {calls.slice(0, 4).map((call) => (
          <span key={`${call.kind} ${call.step.ref}`} className="text-[28px] leading-tight font-semibold">
            {call.what}
          </span>
        ))}
      </span>
      <span className="text-[17px]">{CALL.pressAnywhereToGoOn}</span>
    </button>
  );
}

/** Two short tones. A browser that wants a press before it makes a sound stays silent until there was one. */
function sound(): void {
  try {
    const audio = new AudioContext();
    for (const [pitch, at] of [
      [660, 0],
      [880, 0.28],
    ] as const) {
      const tone = audio.createOscillator();
      const volume = audio.createGain();
      tone.frequency.value = pitch;
      volume.gain.setValueAtTime(0.25, audio.currentTime + at);
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.25);
      tone.connect(volume).connect(audio.destination);
      tone.start(audio.currentTime + at);
      tone.stop(audio.currentTime + at + 0.26);
    }
    setTimeout(() => void audio.close(), 1500);
  } catch {
    // No sound here; the screen says it all the same.
  }
}
