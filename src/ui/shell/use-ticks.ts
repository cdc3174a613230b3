// What is ticked off a list: an entry of the record, so that a reload loses none and every device shows the same.
import type { Entry } from "@/core/record/entries";
import { ticksOf } from "@/core/record/entries";
import { useEntries } from "./use-entries";

interface Ticks {
  readonly ticked: ReadonlySet<string>;
  readonly tick: (key: string) => void;
  readonly trouble: string | undefined;
}

/** @param list names the list within its dish; what was ticked there before is there again */
export function useTicks(slug: string, list: string, stored: readonly Entry[], clockMs: number): Ticks {
  const { entries, write, trouble } = useEntries(slug, stored, clockMs);
  const ticked = ticksOf(entries, list);
  return { ticked, trouble, tick: (item) => write({ kind: "tick", list, item, done: !ticked.has(item) }) };
}
