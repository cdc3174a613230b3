// What a cook has ticked off a list, kept in the browser so that a reload loses none.
import { useEffect, useState } from "react";

/** @param place names the list; what was ticked there before is there again */
export function useTicks(place: string): { readonly ticked: ReadonlySet<string>; readonly tick: (key: string) => void } {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    try {
      setTicked(new Set(JSON.parse(localStorage.getItem(place) ?? "[]") as string[]));
    } catch {
      // What cannot be read is nothing.
    }
  }, [place]);
  const tick = (key: string) => {
    const next = new Set(ticked);
    if (!next.delete(key)) next.add(key);
    setTicked(next);
    localStorage.setItem(place, JSON.stringify([...next]));
  };
  return { ticked, tick };
}
