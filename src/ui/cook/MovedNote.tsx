"use client";
// What the plan has moved under the cook's eyes.
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { COOK_VIEW } from "@/words/cook";
import type { Move } from "./agenda";

export function MovedNote({ moved, clock }: { readonly moved: readonly Move[]; readonly clock: WallClock }) {
  if (moved.length === 0) return null;
  return (
    <div className="mb-4 border-l-[3px] border-saffron bg-saffron-wash py-2 pl-4" role="status">
      <h2 className="text-[18px]">{moved.length === 1 ? COOK_VIEW.oneStepHasMoved : COOK_VIEW.stepsHaveMoved(moved.length)}</h2>
      <ul className="text-[15px]">
        {moved.slice(0, 4).map(({ step, by }) => (
          <li key={step.ref}>
            {step.name}
            {COOK_VIEW.now} {clock.dayTime(step.start)}, {spokenDuration(Math.abs(by))} {by > 0 ? "later" : "earlier"}
          </li>
        ))}
      </ul>
    </div>
  );
}
