"use client";
import Link from "next/link";
import { useEffect, useRef, useState } from "react";
import { PLAN_NOTE } from "@/words/editor";
import type { Saving } from "./use-editing";

/** What the timetable says of the dish as it stands. */
export interface PlanStateOf {
  /** "Begins Tue 18:30"; undefined where there is no plan. */
  readonly begins: string | undefined;
  readonly stale: boolean;
  /** Why there is none, in the planner's words. */
  readonly impossible: string | undefined;
}

/** The plan's state while the dish is edited: still good, moved, impossible. */
export function PlanNote({ slug, plan, saving }: { slug: string; plan: PlanStateOf; saving: Saving }) {
  const settled = useRef<string>(undefined);
  const [moved, setMoved] = useState<string>();
  useEffect(() => {
    if (plan.stale || !plan.begins) return;
    setMoved(settled.current !== undefined && settled.current !== plan.begins ? settled.current : undefined);
    settled.current = plan.begins;
  }, [plan.stale, plan.begins]);
  const working = plan.stale || saving === "saving";
  const text =
    saving === "waiting"
      ? PLAN_NOTE.theServerDoesNotAnswer
      : plan.impossible && !working
        ? PLAN_NOTE.noPlan(plan.impossible)
        : !plan.begins
          ? PLAN_NOTE.thePlanIsBeingWorkedOut
          : working
            ? PLAN_NOTE.savedReplanningSoFarItStarts(plan.begins)
            : moved
              ? PLAN_NOTE.thePlanHasChangedIt(plan.begins, moved)
              : PLAN_NOTE.thePlanStillWorksItStarts(plan.begins);
  const bad = saving === "waiting" || (plan.impossible !== undefined && !working);
  return (
    <p
      role="status"
      aria-label={PLAN_NOTE.thePlan}
      className={`text-[13.5px] ${bad ? "text-beet" : "text-quiet"}`}
      data-plan-state={
        saving === "waiting" ? "waiting" : bad ? "impossible" : working || !plan.begins ? "working" : moved ? "moved" : "good"
      }
    >
      {text}{" "}
      <Link href={`/d/${slug}/timetable`} className="link">
        {PLAN_NOTE.open}
      </Link>
    </p>
  );
}
