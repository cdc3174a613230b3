"use client";
// A wait, and what fits into it.
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { FreeWindow } from "@/core/view/fill-window";
import type { StepView } from "@/core/view/plan-view";
import { COOK_VIEW, WINDOW } from "@/words/cook";

interface FreeWindowPartProps {
  readonly window: FreeWindow;
  readonly now: number;
  readonly clock: WallClock;
  readonly onStart: (step: StepView) => void;
}

export function FreeWindowPart({ window: w, now, clock, onStart }: FreeWindowPartProps) {
  if (w.fits.length + w.tooLong.length === 0) return null;
  const title = WINDOW.title(clock.near(w.until, now), spokenDuration(w.until - now));
  return (
    <section aria-label={title} className="mt-5 border-t-2 border-rim pt-2">
      <h2 className="text-[19px]">
        {title} <span className="font-sans text-[14px] font-normal text-quiet">{WINDOW.next(lower(w.next))}</span>
      </h2>
      {w.fits.length === 0 && <p className="text-[15px] text-quiet">{WINDOW.nothing}</p>}
      <ul>
        {w.fits.map(({ step, minutes }) => (
          <li key={step.ref} className="flex items-center justify-between gap-3 border-t border-rule py-1.5">
            <span className="text-[16px]">{WINDOW.fits(step.name, spokenDuration(minutes))}</span>
            <button
              type="button"
              className="act min-h-[56px] shrink-0 px-5 text-[16px]"
              aria-label={COOK_VIEW.startNowNamed(step.name)}
              onClick={() => onStart(step)}
            >
              {COOK_VIEW.startNow}
            </button>
          </li>
        ))}
      </ul>
      {w.tooLong.length > 0 && (
        <p className="text-[14.5px] text-quiet">
          {WINDOW.tooLong(w.tooLong.map(({ step, minutes }) => `${lower(step.name)} (${spokenDuration(minutes)})`).join(", "))}
        </p>
      )}
    </section>
  );
}
