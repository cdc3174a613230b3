// What a device in the kitchen keeps to itself: whose it is, what moved under its eyes, and that its screen stays on.
import { useEffect, useRef, useState } from "react";
import type { PlanView } from "@/core/view/plan-view";
import { movesBetween } from "./agenda";

/** The cook whose device this is, remembered on it. */
export function useWho(slug: string, plan: PlanView): [string | undefined, (id: string) => void] {
  const place = `rondeau.who.${slug}`;
  const [who, setWho] = useState<string>();
  useEffect(() => setWho(localStorage.getItem(place) ?? undefined), [place]);
  const set = (id: string) => {
    setWho(id || undefined);
    if (id) localStorage.setItem(place, id);
    else localStorage.removeItem(place);
  };
  return [plan.cooks.some((c) => c.id === who) ? who : undefined, set];
}

/** What moved when the plan last changed under the page. */
export function useMoves(plan: PlanView) {
  const before = useRef(plan);
  const [moved, setMoved] = useState<ReturnType<typeof movesBetween>>([]);
  useEffect(() => {
    const moves = movesBetween(before.current, plan);
    if (moves.length) setMoved(moves);
    before.current = plan;
  }, [plan]);
  return moved;
}

/** Keeps the screen awake while cooking, where the browser can. */
export function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    const take = () => {
      if (document.visibilityState === "visible")
        navigator.wakeLock.request("screen").then(
          (l) => {
            lock = l;
          },
          () => {},
        );
    };
    take();
    document.addEventListener("visibilitychange", take);
    return () => {
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [wanted]);
}
