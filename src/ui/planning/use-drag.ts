"use client";
// A step in the hand: where it is wanted, where the planner lets it be, what moves with it. One question is under way at a time; when its
// answer is there the newest wish is asked for, and those in between are forgotten.
import { startTransition, useCallback, useRef, useState } from "react";
import type { ViewChange } from "@/core/view/view-change";
import { USE_DRAG } from "@/words/planning";
import type { Dragged } from "@/workers/plan-desk";
import type { Desk } from "./desk";

export interface Held {
  readonly step: string;
  /** Where it was wanted when the last answer came. */
  readonly wanted: number;
  /** The last minute at which there is a plan with it; undefined before the first answer. */
  readonly at: number | undefined;
  /** What is otherwise than in the plan in force, with the step there. */
  readonly change: ViewChange | undefined;
  readonly moved: readonly string[];
  /** Why it can go no further, if it is wanted further. */
  readonly stuck: string | undefined;
  readonly by: "pointer" | "keys";
}

export interface Drag {
  readonly held: Held | undefined;
  readonly take: (step: string, at: number, by: Held["by"]) => void;
  /** @param wanted a minute, or how far from the last one wanted */
  readonly move: (wanted: number | { readonly by: number }) => void;
  /** Ends it. @returns where it is to be held, once the last wish is answered; undefined where it goes nowhere */
  readonly release: () => Promise<{ readonly step: string; readonly at: number; readonly stuck: string | undefined } | undefined>;
  readonly drop: () => void;
}

const MS_BETWEEN_ANSWERS = 50;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)));

export function useDrag(desk: () => Desk): Drag {
  const [held, setHeld] = useState<Held>();
  // What is wanted changes with every move of the pointer and is not drawn; only what is answered is.
  const hand = useRef<{ held: Held; wanted: number; start: number; asking: Promise<void> | undefined }>(undefined);

  const show = useCallback((change: Partial<Held>) => {
    if (!hand.current) return;
    const held = { ...hand.current.held, ...change };
    hand.current.held = held;
    // Drawn in slices between the moves of the pointer, which come first.
    startTransition(() => setHeld(hand.current ? held : undefined));
  }, []);

  const pump = useCallback(async () => {
    const mine = hand.current;
    if (!mine) return;
    const shell = await desk().hand();
    for (let asked: number | undefined; hand.current === mine && asked !== mine.wanted; ) {
      const { wanted, held } = mine;
      const { step } = held;
      asked = wanted;
      const began = performance.now();
      const answer = (await shell.drag(step, wanted)) as Dragged | undefined;
      performance.measure("rondeau drag", { start: began });
      if (hand.current !== mine || !answer) return;
      if (answer.status === "moved") show({ wanted, at: answer.at, change: answer.change, moved: answer.moved, stuck: undefined });
      else show({ wanted, stuck: answer.because });
      // The chart is drawn some twenty times a second; between, the pointer has the page to itself.
      await pause(began + MS_BETWEEN_ANSWERS - performance.now());
    }
  }, [desk, show]);

  const ask = useCallback(() => {
    const mine = hand.current;
    if (!mine || mine.asking) return;
    mine.asking = pump()
      .catch(() => show({ stuck: USE_DRAG.thePlannerCouldNotBe }))
      .finally(() => {
        mine.asking = undefined;
      });
  }, [pump, show]);

  const take = useCallback<Drag["take"]>(
    (step, at, by) => {
      const first: Held = { step, wanted: at, at: undefined, change: undefined, moved: [], stuck: undefined, by };
      hand.current = { held: first, wanted: at, start: at, asking: undefined };
      setHeld(first);
      // The planner is woken up before the first move is made.
      void desk()
        .hand()
        .catch(() => {});
    },
    [desk],
  );

  const move = useCallback(
    (to: number | { readonly by: number }) => {
      const wanted = typeof to === "number" ? to : (hand.current?.wanted ?? 0) + to.by;
      if (!hand.current || hand.current.wanted === wanted) return;
      hand.current.wanted = wanted;
      ask();
    },
    [ask],
  );

  const drop = useCallback(() => {
    hand.current = undefined;
    setHeld(undefined);
  }, []);

  const release = useCallback(async () => {
    const mine = hand.current;
    if (!mine) return undefined;
    await mine.asking;
    const { step, at, stuck } = mine.held;
    if (at === undefined || at === mine.start) {
      drop();
      return at === undefined && stuck ? { step, at: mine.start, stuck } : undefined;
    }
    return { step, at, stuck };
  }, [drop]);

  return { held, take, move, release, drop };
}
