"use client";
// What the plan under way cannot keep, what it plans shorter, what must go: shown before anything else.
import type { Conflict } from "@/core/sheets/conflict";
import type { PlanView } from "@/core/view/plan-view";
import { PLAN, PLAN_NOTES } from "@/words/cook";
import { Repairs } from "../shell/Repairs";

interface PlanNotesProps {
  readonly plan: PlanView;
  readonly slug?: string;
  readonly around?: Pick<Conflict, "answer" | "repairs"> | undefined;
}

/** Exceptions that are shown; more than these are a plan to be thought over anyway. */
const MOST_SHOWN = 5;

export function PlanNotes({ plan, slug = "", around }: PlanNotesProps) {
  const all = plan.exceptions.length;
  /** Ways that do without one exception and not all, and those that do without all. */
  const waysFor = (exception: number | undefined) =>
    (around?.repairs ?? []).flatMap(({ spares }, i) => {
      const whole = spares === undefined || spares.length === all;
      return (exception === undefined ? whole : !whole && spares?.includes(exception)) ? [i] : [];
    });
  const whole = waysFor(undefined);
  if (plan.exceptions.length + plan.shortened.length + plan.gone.length === 0) return null;
  return (
    <section aria-label={PLAN_NOTES.aboutThisPlan} className="mx-auto max-w-[70rem] px-4 pt-5 text-[15.5px] sm:px-7">
      {plan.gone.map((name) => (
        <p key={name} role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          <strong className="font-semibold text-beet">{PLAN_NOTES.danger}</strong> {PLAN.gone(name)}
        </p>
      ))}
      {plan.exceptions.length > 0 && (
        <div className="mb-2 border-l-[3px] border-beet pl-3">
          <h2 className="font-sans text-[16px] font-semibold">{PLAN.exceptions(plan.exceptions.length)}</h2>
          <ul>
            {plan.exceptions.slice(0, MOST_SHOWN).map((e, i) => {
              const own = waysFor(i);
              return (
                <li key={`${e.text} ${e.from}`} className="pb-1">
                  <span className="font-medium">{e.text}</span>
                  {around && own.length > 0 && <Repairs slug={slug} {...around} underWay title={PLAN.instead} only={own} />}
                </li>
              );
            })}
          </ul>
          <p className="text-[14px] text-quiet">
            {PLAN.exceptionsHelp} {around && around.repairs.length > 0 && PLAN.exceptionsChoice}
          </p>
          {around && whole.length > 0 && (
            <Repairs slug={slug} {...around} underWay title={all === 1 ? PLAN.instead : PLAN.insteadOfAll} only={whole} />
          )}
        </div>
      )}
      {plan.shortened.length > 0 && (
        <details className="border-l-[3px] border-saffron pl-3">
          <summary className="min-h-[44px] cursor-pointer py-2">
            {PLAN.shortened}: {plan.shortened.length === 1 ? PLAN_NOTES.oneStep : PLAN_NOTES.steps(plan.shortened.length)}
          </summary>
          <ul>
            {plan.shortened.map((s) => (
              <li key={s.name}>{PLAN.shorter(s)}.</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
