"use client";
import { usePathname, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import type { Why } from "@/core/planner/explain/why";
import { lower } from "@/core/sentence";
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
  readonly reasons: Reasons;
}

/** Why each step stands where it stands, and how the plan went when it was rehearsed. */
export interface Reasons {
  readonly whys: readonly Why[];
  readonly rehearsed: { readonly onTime: number; readonly within15: number; readonly blame?: string | undefined } | undefined;
}

/** The Timetable: chart, and beside it what the selected component does, or what the plan is like. */
export function Timetable({ plan, style, offsets, now: serverNow, reasons }: TimetableProps) {
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
        <p className="flex flex-wrap gap-x-4 pb-3 pl-[74px] text-[13px]">
          <span>
            Begins {begins}, {spokenDuration(plan.leadMinutes)} before the table.
          </span>
          {reasons.rehearsed && <span>{rehearsal(reasons.rehearsed, plan)}</span>}
          <span className="flex gap-x-4 whitespace-nowrap">
            <button type="button" className="link" onClick={() => show({ scale: trueScale ? undefined : "true" })}>
              {trueScale ? "fold the quiet hours" : "unfold to true scale"}
            </button>
            <button type="button" className="link" onClick={() => requestPlan({ fresh: true })}>
              plan again
            </button>
          </span>
        </p>
      </section>
      <aside className="border-rule lg:border-l lg:pl-6" aria-label={selected ? "The selected component" : "The plan"}>
        {selected ? (
          <ComponentPanel plan={plan} component={selected} focused={focused} clock={clock} whys={reasons.whys} onSelect={select} />
        ) : (
          <PlanPanel plan={plan} style={style} clock={clock} onSelect={(component) => select(component, undefined)} />
        )}
      </aside>
    </div>
  );
}

/** "On time in 93 of 100 rehearsals; the cultured butter decides." */
function rehearsal({ onTime, within15, blame }: NonNullable<Reasons["rehearsed"]>, plan: PlanView): string {
  const hundred = (share: number) => (share > 0.995 && share < 1 ? 99 : Math.round(share * 100));
  const culprit = blame && plan.components.find((c) => blame.startsWith(`${c.id}.`))?.name;
  const late = hundred(within15) > hundred(onTime) ? `, ${hundred(within15)} with a quarter of an hour` : "";
  return `On time in ${hundred(onTime)} of 100 rehearsals${late}${culprit && onTime < 0.995 ? `; the ${lower(culprit.replace(/^The /, ""))} decides` : ""}.`;
}
