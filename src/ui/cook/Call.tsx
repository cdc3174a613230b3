"use client";
import { useEffect, useRef, useState } from "react";
import type { FindingView } from "@/core/safety/view";
import type { PlanView } from "@/core/view/plan-view";
import { CALL } from "@/words/cook";
import { callsBetween, type DialMark } from "./agenda";
import { notice, sound } from "./alerts";

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
    sound(due.every((d) => d.kind === "check" || d.kind === "round") ? "look" : "due");
    notice(due.map((d) => d.what).join("; "));
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
