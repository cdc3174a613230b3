"use client";
// The morning after a night that was handed over: what happened meanwhile, one press each.
import { type Entry, type EntryBody, QUANTITIES, ticksOf } from "@/core/record/entries";
import type { WallClock } from "@/core/time/wall-clock";
import { morningOf } from "@/core/view/morning";
import type { PlanView, StepView } from "@/core/view/plan-view";
import { MORNING } from "@/words/bedtime";
import { useSpoken } from "../shell/conventions";

interface MorningCardProps {
  readonly plan: PlanView;
  readonly entries: readonly Entry[];
  readonly now: number;
  readonly clock: WallClock;
  readonly write: (...bodies: readonly EntryBody[]) => void;
  readonly onPress: (kind: "ended" | "estimate", step: StepView, inMinutes?: number) => void;
}

const LIST = "morning";
const NOT_YET_MINUTES = 15;

export function MorningCard({ plan, entries, now, clock, write, onPress }: MorningCardProps) {
  const spoken = useSpoken();
  const morning = morningOf(plan, entries, now, ticksOf(entries, LIST));
  if (!morning) return null;
  const nameOf = (ref: string) => plan.steps.find((s) => s.ref === ref)?.name ?? ref;
  const row = "flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-rule py-1.5 first:border-0";
  return (
    <section aria-label={MORNING.title} className="mb-5 border-l-[5px] border-night py-1 pl-4">
      <h2 className="text-[21px]">{MORNING.title}</h2>
      <ul className="text-[17px]">
        {morning.over.map(({ step, since }) => (
          <li key={step.ref} className={row}>
            <span className="min-w-0 flex-1 max-sm:basis-full">{MORNING.over(step.name, clock.near(since, now))}</span>
            <button
              type="button"
              className="act min-h-[56px] px-5"
              data-main
              aria-label={MORNING.doneNamed(step.name)}
              onClick={() => onPress("ended", step)}
            >
              {MORNING.done}
            </button>
            <button
              type="button"
              className="act min-h-[56px] px-5"
              aria-label={MORNING.notYetNamed(step.name)}
              onClick={() => onPress("estimate", step, NOT_YET_MINUTES)}
            >
              {MORNING.notYet}
            </button>
          </li>
        ))}
        {morning.missed.map((m) => (
          <li key={`${m.step.ref} ${m.what}`} className={row}>
            {MORNING.missed(m.what, m.times, m.step.name)}
          </li>
        ))}
        {morning.read.map((r) => {
          const unit = QUANTITIES[r.quantity as keyof typeof QUANTITIES].unit;
          const figure = (value: number) => spoken(unit === "pH" ? `pH ${value}` : `${Math.round(value * 10) / 10} ${unit}`);
          return (
            <li key={`${r.step} ${r.quantity}`} className={row}>
              {MORNING.read(nameOf(r.step), figure(r.low), figure(r.high), figure(r.last))}
            </li>
          );
        })}
        {morning.rang.map((t) => (
          <li key={`${t.name} ${t.at}`} className={row}>
            {MORNING.rang(t.name, clock.near(t.at, now))}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="act mt-1 min-h-[56px] px-6"
        onClick={() => write({ kind: "tick", list: LIST, item: String(morning.bed), done: true })}
      >
        {MORNING.close}
      </button>
    </section>
  );
}
