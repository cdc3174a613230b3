"use client";
// Plans to choose from: what more lead buys. Each is a row on one axis that ends at the table, so that its length is its lead; late runs are dots.
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { toast } from "sonner";
import { type Wished, wishChange } from "@/core/dish/wishes";
import { spokenDuration } from "@/core/time/duration";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { CHOICES } from "@/words/choices";
import { PLAN_CHOICES } from "@/words/route-chart";
import { ask, reason } from "../shell/ask";
import { seenVersions } from "../shell/seen-versions";
import { colourOf } from "./colours";

export interface PlanChoice {
  readonly view: PlanView;
  readonly file: { readonly planAt: "likely" | "cautious" | "longest" } & Record<string, unknown>;
  readonly onTime: number;
  readonly within15: number;
  readonly chosen: boolean;
}

interface PlanChoicesProps {
  readonly slug: string;
  readonly version: number;
  readonly wishes: Wished["wishes"];
  readonly reached: boolean;
  readonly wish: number;
  readonly plans: readonly PlanChoice[];
  readonly offsets: Offsets;
}

const WIDTH = 560;
const ROW = 54;
const MOST_DOTS = 24;

export function PlanChoices({ slug, version, wishes, reached, wish, plans, offsets }: PlanChoicesProps) {
  const router = useRouter();
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const from = Math.min(...plans.map((p) => p.view.begins));
  const to = Math.max(...plans.map((p) => p.view.ends));
  const x = (minute: number) => ((minute - from) / Math.max(1, to - from)) * WIDTH;
  const days = useMemo(() => midnights(from, to, clock), [from, to, clock]);
  const choose = async (plan: PlanChoice) => {
    setBusy(true);
    const file = {
      ...plan.file,
      sure: { reached, wish },
      choices: plans.map((p) => ({ file: p.file, onTime: p.onTime, within15: p.within15, chosen: p === plan })),
    };
    const change = wishChange({ wishes }, { planAt: plan.file.planAt });
    const got = await ask(`/api/dishes/${slug}/change`, "POST", {
      ...seenVersions(slug),
      version,
      change,
      label: CHOICES.label(plan.view.leadMinutes),
      plan: file,
    });
    setBusy(false);
    setTrouble(got.ok ? undefined : reason(got));
    if (got.ok) toast(CHOICES.done);
    router.refresh();
  };
  return (
    <section aria-label={CHOICES.title} id="choices" className="mx-5 mt-2 border-t-2 border-rim pt-3 pb-4 sm:mx-7" data-screen>
      <h2 className="text-[21px]">{CHOICES.title}</h2>
      <p className={`max-w-[70ch] text-[15px] ${reached ? "text-quiet" : "border-l-[3px] border-beet pl-3"}`}>
        {reached ? CHOICES.help : CHOICES.none(Math.round(wish * 100))}
      </p>
      {trouble && (
        <p role="alert" className="border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <ul className="mt-2">
        {plans.map((plan) => {
          const late = Math.round((1 - plan.within15) * 100);
          return (
            <li
              key={`${plan.view.begins} ${plan.file.planAt}`}
              className={`grid items-center gap-x-6 gap-y-1 border-t border-rule py-2 pl-3 md:grid-cols-[12rem_minmax(0,1fr)_11rem_7rem] ${plan.chosen ? "border-l-[4px] border-l-saffron" : "border-l-[4px] border-l-transparent"}`}
            >
              <div>
                <p className="font-serif text-[18px] leading-tight font-semibold">
                  {spokenDuration(plan.view.leadMinutes)} {PLAN_CHOICES.ahead}
                </p>
                <p className="text-[13.5px] text-quiet">
                  {CHOICES.starts(clock.dayTime(plan.view.begins))}, {CHOICES.lengths[plan.file.planAt]}
                </p>
              </div>
              <svg
                viewBox={`0 0 ${WIDTH} ${ROW}`}
                className="w-full"
                role="img"
                aria-label={CHOICES.picture(plan.view.steps.filter((s) => s.hands.length).length)}
              >
                {days.map((day) => (
                  <line key={day} x1={x(day)} x2={x(day)} y1={4} y2={ROW - 4} stroke="var(--rule)" />
                ))}
                <line x1={x(plan.view.begins)} x2={x(plan.view.serveAt)} y1={ROW - 8} y2={ROW - 8} stroke="var(--ink)" strokeWidth={1.5} />
                {plan.view.components.map((c, i) => {
                  const y = 6 + (i * (ROW - 20)) / Math.max(1, plan.view.components.length - 1);
                  const steps = plan.view.steps.filter((s) => s.component === c.id);
                  const first = Math.min(...steps.map((s) => s.start));
                  const last = Math.max(...steps.map((s) => s.end));
                  return (
                    <g key={c.id} stroke={colourOf(c.kind)} opacity={plan.chosen ? 1 : 0.6}>
                      <line x1={x(first)} x2={x(last)} y1={y} y2={y} strokeWidth={0.8} strokeDasharray="1.5 2" />
                      {steps
                        .flatMap((s) => s.hands)
                        .map((h) => (
                          <line
                            key={`${h.from} ${h.cook}`}
                            x1={x(h.from)}
                            x2={Math.max(x(h.to), x(h.from) + 1.5)}
                            y1={y}
                            y2={y}
                            strokeWidth={3}
                          />
                        ))}
                    </g>
                  );
                })}
                <circle
                  cx={x(plan.view.begins)}
                  cy={ROW - 8}
                  r={4}
                  fill={plan.chosen ? "var(--saffron)" : "var(--raised)"}
                  stroke="var(--rim)"
                  strokeWidth={1.5}
                />
                <line x1={x(plan.view.serveAt)} x2={x(plan.view.serveAt)} y1={0} y2={ROW} stroke="var(--ink)" strokeWidth={3} />
              </svg>
              <div>
                <p className="text-[15px]">
                  <span className="font-serif text-[22px] font-semibold">{Math.round(plan.within15 * 100)}</span> {CHOICES.of100}
                </p>
                <svg viewBox={`0 0 ${MOST_DOTS * 7} 8`} width={MOST_DOTS * 7} height={8} aria-hidden>
                  {Array.from({ length: Math.min(MOST_DOTS, late) }, (_, i) => 4 + i * 7).map((cx) => (
                    <circle key={cx} cx={cx} cy={4} r={2.6} fill="var(--beet)" />
                  ))}
                </svg>
                <p className="text-[13px] text-quiet">{CHOICES.late(late)}</p>
              </div>
              {plan.chosen ? (
                <span className="text-[14px] text-quiet">{CHOICES.inUse}</span>
              ) : (
                <button
                  type="button"
                  className="act"
                  disabled={busy}
                  onClick={() => void choose(plan)}
                  aria-label={CHOICES.labelOfUse(spokenDuration(plan.view.leadMinutes))}
                >
                  {CHOICES.use}
                </button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Midnights between two minutes by the wall clock. */
function midnights(from: number, to: number, clock: WallClock): number[] {
  const found: number[] = [];
  for (let minute = from - clock.timeOfDay(from) + 1440; minute < to && found.length < 60; minute += 1440) found.push(minute);
  return found;
}
