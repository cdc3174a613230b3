// What a device in the kitchen keeps to itself: whose it is, what moved under its eyes, and that its screen stays on.
import { useEffect, useRef, useState } from "react";
import type { PlanView } from "@/core/view/plan-view";
import { movesBetween } from "./agenda";

/** What a device remembers about itself under a key; "" for nothing. */
function useKept(key: string): [string, (value: string) => void] {
  const [kept, setKept] = useState("");
  useEffect(() => setKept(localStorage.getItem(key) ?? ""), [key]);
  const keep = (value: string) => {
    setKept(value);
    if (value) localStorage.setItem(key, value);
    else localStorage.removeItem(key);
  };
  return [kept, keep];
}

/** The cook whose device this is, and whether it shows only what that cook does; remembered on it. */
export function useWho(slug: string, plan: PlanView) {
  const [who, setWho] = useKept(`rondeau.who.${slug}`);
  const [mine, setMine] = useKept(`rondeau.mine.${slug}`);
  const by = plan.cooks.some((c) => c.id === who) ? who : undefined;
  return { by, setBy: setWho, mine: by !== undefined && mine !== "", setMine: (only: boolean) => setMine(only ? "yes" : "") };
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
