"use client";
import { usePathname, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { PlanView } from "@/core/sheets/plan-view";
import { spokenDuration } from "@/core/time/duration";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { requestPlan } from "../shell/PlanKeeper";
import { useNow } from "../shell/StatusLine";
import { ComponentPanel } from "./ComponentPanel";
import { PlanPanel } from "./PlanPanel";
import { RouteChart } from "./RouteChart";

export interface TimetableProps {
  readonly plan: PlanView;
  readonly style: string;
  readonly offsets: Offsets;
  readonly now: number;
}

/** The Timetable: chart, and beside it what the selected component does, or what the plan is like. */
export function Timetable({ plan, style, offsets, now: serverNow }: TimetableProps) {
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const now = useNow(serverNow);
  const params = useSearchParams();
  const path = usePathname();
  const selected = plan.components.some((c) => c.id === params.get("c")) ? (params.get("c") ?? undefined) : undefined;
  const trueScale = params.get("scale") === "true";
  const [focused, setFocused] = useState<string | undefined>(params.get("s") ?? undefined);

  // What is seen stands in the address, so that a link reopens it; moving the focus is not worth an entry in the history.
  const show = useCallback(
    (changes: Record<string, string | undefined>) => {
      const next = new URLSearchParams(window.location.search);
      for (const [key, value] of Object.entries(changes)) {
        if (value === undefined) next.delete(key);
        else next.set(key, value);
      }
      window.history.replaceState(null, "", next.size ? `${path}?${next}` : path);
    },
    [path],
  );
  const select = useCallback(
    (component: string | undefined, step: string | undefined) => {
      setFocused(step);
      show({ c: component, s: step });
    },
    [show],
  );

  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (!typing && !event.ctrlKey && !event.metaKey && event.key.toLowerCase() === "f") show({ scale: trueScale ? undefined : "true" });
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [show, trueScale]);

  const begins = clock.dayTime(plan.begins);
  return (
    <div className="grid gap-x-6 px-5 pt-3 sm:px-7 lg:grid-cols-[minmax(0,1fr)_290px]">
      <section aria-label="Route chart" className="min-w-0">
        <RouteChart plan={plan} clock={clock} now={now} selected={selected} focused={focused} trueScale={trueScale} onSelect={select} />
        <p className="flex flex-wrap gap-x-5 pb-3 pl-[74px] text-[13.5px]">
          <span>
            Begins {begins}, {spokenDuration(plan.leadMinutes)} before the table.
          </span>
          <button type="button" className="link" onClick={() => show({ scale: trueScale ? undefined : "true" })}>
            {trueScale ? "fold the quiet hours" : "unfold to true scale"}
          </button>
          <button type="button" className="link" onClick={() => requestPlan({ fresh: true })}>
            plan again
          </button>
        </p>
      </section>
      <aside className="border-rule lg:border-l lg:pl-6" aria-label={selected ? "The selected component" : "The plan"}>
        {selected ? (
          <ComponentPanel plan={plan} component={selected} focused={focused} clock={clock} onSelect={select} />
        ) : (
          <PlanPanel plan={plan} style={style} clock={clock} onSelect={(component) => select(component, undefined)} />
        )}
      </aside>
    </div>
  );
}
