"use client";
import { useCallback, useEffect, useRef } from "react";

/** A page that takes longer to come in than this was asked for on purpose, after. */
const LATE_MS = 10_000;

/**
 * The address reopens what is seen, without a walk to the server. A page that was asked for anew before and comes in after brings the
 * address of then back with it: it is put right. Any other address is where the cook has gone on to.
 * @param came what the page brings from the server, or the address that it takes itself to have
 */
export function useAddress(came: unknown): (to: string) => void {
  const written = useRef<{ readonly from: readonly string[]; readonly to: string; readonly at: number }>(undefined);
  const put = useCallback((to: string) => {
    const now = here();
    const before = written.current && Date.now() - written.current.at < LATE_MS ? written.current.from : [];
    if (now !== to) written.current = { from: [...before.filter((a) => a !== to), now], to, at: Date.now() };
    window.history.replaceState(null, "", to);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what comes in is what it waits for
  useEffect(() => {
    const last = written.current;
    if (last && here() !== last.to && last.from.includes(here()) && Date.now() - last.at < LATE_MS)
      window.history.replaceState(null, "", last.to);
  }, [came]);
  return put;
}

const here = (): string => window.location.pathname + window.location.search;
