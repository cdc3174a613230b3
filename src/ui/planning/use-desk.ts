"use client";
import { useCallback, useEffect, useRef } from "react";
import { Desk } from "./desk";

/** A scene says what hour it is: after so long it is fetched anew, or a page left open would plan into the past. */
const FRESH_MS = 5 * 60_000;

/** A desk over the dish as it stands; another one as soon as dish, kitchen, plan, run or the hour are not what they were. */
export function useDesk(slug: string, stamp: string): () => Desk {
  const held = useRef<{ readonly stamp: string; readonly desk: Desk; readonly since: number }>(undefined);
  const now = useRef(stamp);
  now.current = stamp;
  useEffect(
    () => () => {
      held.current?.desk.close();
      held.current = undefined;
    },
    [],
  );
  return useCallback(() => {
    const { current } = held;
    if (current?.stamp === now.current && performance.now() - current.since < FRESH_MS) return current.desk;
    current?.desk.close();
    const desk = new Desk(slug);
    held.current = { stamp: now.current, desk, since: performance.now() };
    return desk;
  }, [slug]);
}
