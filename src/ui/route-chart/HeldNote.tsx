import { type RefObject, useLayoutEffect } from "react";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { HELD_NOTE } from "@/words/route-chart";
import type { Held } from "../planning/use-drag";
import type { Geometry } from "./geometry";

/** Where the note stands for a pointer there: moved by the compositor alone, so that nothing is laid out anew. */
export const noteAt = (x: number, y: number, right: boolean) =>
  `translate3d(${Math.round(x)}px, ${Math.round(y + 20)}px, 0)${right ? " translateX(-100%)" : ""}`;

interface HeldNoteProps {
  readonly ref: RefObject<HTMLDivElement | null>;
  readonly held: Held;
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly geometry: Geometry;
}

/** At the pointer, or at the step where keys move it: the hour, what moves with it, or why it can go no further. */
export function HeldNote({ ref, held, plan, clock, geometry }: HeldNoteProps) {
  const others = held.moved.filter((s) => s !== held.step);
  const names = others.map((step) => plan.steps.find((s) => s.ref === step)?.name).filter((n) => n !== undefined);
  const segment = geometry.routes.flatMap((r) => r.segments).find((s) => s.step.ref === held.step);
  const right = segment !== undefined && segment.x0 > geometry.width * 0.6;
  // The pointer places the note by itself; before its first move, and where keys move the step, it stands at the step.
  const start = segment && noteAt(segment.x0, segment.y, right);
  useLayoutEffect(() => {
    if (start && ref.current && (held.by === "keys" || !ref.current.style.transform)) ref.current.style.transform = start;
  }, [start, held.by, ref]);
  return (
    <div
      ref={ref}
      data-held={held.step}
      className="pointer-events-none absolute top-0 left-0 z-20 w-max max-w-[19rem] rounded border border-rule bg-raised px-3 py-1.5 text-[13px] shadow-lg will-change-transform"
      aria-hidden="true"
    >
      <p>
        <span className="clock text-[14px] font-semibold">{clock.dayTime(held.at ?? held.wanted)}</span>
        {held.at !== undefined && (
          <span className="text-quiet">
            {" "}
            {others.length === 0
              ? HELD_NOTE.nothingElseMoves
              : `${others.length === 1 ? HELD_NOTE.oneOtherMoves : HELD_NOTE.othersMove(others.length)}`}
          </span>
        )}
      </p>
      {!held.stuck && names.length > 0 && (
        <p className="text-quiet">
          {names.slice(0, 3).map(lower).join(", ")}
          {names.length > 3 ? HELD_NOTE.andMore : ""}
        </p>
      )}
      {held.stuck && <p className="border-l-[3px] border-beet pl-2">{held.stuck}</p>}
    </div>
  );
}
