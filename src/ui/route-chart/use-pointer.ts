"use client";
// The pointer on the chart: a step under a mouse or a finger is taken, carried along the axis and let go of.
import { type PointerEvent, type RefObject, useEffect, useRef } from "react";
import { axisMinute } from "@/core/time/folded-axis";
import type { PlanView } from "@/core/view/plan-view";
import type { Drag } from "../planning/use-drag";
import { type Geometry, LEFT } from "./geometry";
import { noteAt } from "./HeldNote";

/** Steps move along a grid of so many minutes. */
export const GRID = 5;

/** So far a pointer may tremble before it drags. */
const TREMBLE = 4;

interface Grip {
  readonly id: number;
  readonly step: string;
  readonly x: number;
  readonly start: number;
  dragging: boolean;
  /** Where the frame stood when it was taken, and whether that was on its right. */
  readonly left: number;
  readonly top: number;
  readonly right: boolean;
}

interface Pointing {
  readonly geometry: Geometry;
  readonly drag: Drag;
  readonly plan: PlanView;
  readonly focused: string | undefined;
  readonly frame: RefObject<HTMLDivElement | null>;
  readonly note: RefObject<HTMLDivElement | null>;
  readonly onRelease: () => void;
}

/** A step under a mouse is dragged at once; under a finger once it is the selected one, so that the page can still be pushed. */
export function usePointer({ geometry, drag, plan, focused, frame, note, onRelease }: Pointing) {
  const down = useRef<Grip>(undefined);
  const dragged = useRef(false);
  // A finger on the selected step moves the step, not the page: that has to be said to the browser at its first move.
  useEffect(() => {
    const element = frame.current;
    const stay = (event: TouchEvent) => down.current && event.preventDefault();
    element?.addEventListener("touchmove", stay, { passive: false });
    return () => element?.removeEventListener("touchmove", stay);
  }, [frame]);
  const minuteAt = (dx: number, start: number) => {
    const x = geometry.x(start) - LEFT + dx;
    return Math.round(axisMinute(geometry.axis, x) / GRID) * GRID;
  };
  const carry = (event: PointerEvent) => {
    // The note follows the pointer by itself. Only its own style is touched: a value set further up would restyle the whole chart.
    const grip = down.current;
    if (!grip || !note.current) return;
    note.current.style.transform = noteAt(event.clientX - grip.left, event.clientY - grip.top, grip.right);
  };
  return {
    wasDragged: () => dragged.current,
    onPointerDown: (event: PointerEvent) => {
      dragged.current = false;
      const ref = event.button === 0 ? (event.target as Element).closest("[data-step]")?.getAttribute("data-step") : undefined;
      const step = plan.steps.find((s) => s.ref === ref);
      if (step?.state !== "planned" || drag.held || (event.pointerType !== "mouse" && step.ref !== focused)) return;
      // Measured once: asking for it while the pointer moves would lay the page out anew each time.
      const { left = 0, top = 0, width = 0 } = frame.current?.getBoundingClientRect() ?? {};
      const right = event.clientX - left > width * 0.6;
      down.current = { id: event.pointerId, step: step.ref, x: event.clientX, start: step.start, dragging: false, left, top, right };
    },
    onPointerMove: (event: PointerEvent) => {
      const grip = down.current;
      if (!grip || grip.id !== event.pointerId) return;
      const dx = event.clientX - grip.x;
      if (!grip.dragging) {
        if (Math.abs(dx) < TREMBLE) return;
        grip.dragging = true;
        dragged.current = true;
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
        drag.take(grip.step, grip.start, "pointer");
      }
      carry(event);
      drag.move(minuteAt(dx, grip.start));
    },
    onPointerUp: (event: PointerEvent) => {
      const grip = down.current;
      down.current = undefined;
      if (grip?.dragging && grip.id === event.pointerId) onRelease();
    },
    onPointerCancel: () => {
      down.current = undefined;
      drag.drop();
    },
  };
}
