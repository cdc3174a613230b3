// What was written down, as lines of the log, and put between the presses by its minute.
import { useMemo } from "react";
import { type Entry, standing } from "@/core/record/entries";
import type { LogLine } from "@/core/record/log-lines";
import { entryWords } from "@/words/record";
import { useFigures, useUnits } from "../shell/conventions";
import { readingSaid } from "./reading";

export interface Written {
  readonly id: number;
  /** The minute that it speaks of. */
  readonly at: number;
  readonly text: string;
  readonly step: string | undefined;
}

/** Entries that say something to whoever reads the log. */
export function useWritten(
  entries: readonly Entry[],
  steps: readonly { readonly ref: string; readonly name: string }[],
  components: readonly { readonly id: string; readonly name: string }[],
): readonly Written[] {
  const units = useUnits();
  const told = useFigures();
  return useMemo(() => {
    const names = new Map(steps.map((s) => [s.ref, s.name]));
    return standing(entries).flatMap(({ id, at, body }): Written[] => {
      const text = entryWords(
        body,
        (quantity, value) => told(readingSaid(quantity, value, units)),
        (id) => components.find((c) => c.id === id)?.name ?? id,
      );
      return text === undefined
        ? []
        : [{ id, at: Math.floor(at / 60_000), text, step: "step" in body && body.step ? names.get(body.step) : undefined }];
    });
  }, [entries, steps, components, units, told]);
}

/** Presses, the newest first as they were pressed, with what was written down between them by its minute. */
export function merged(lines: readonly LogLine[], written: readonly Written[]): (LogLine | Written)[] {
  const left = [...written].sort((a, b) => b.at - a.at || b.id - a.id);
  const all: (LogLine | Written)[] = [];
  for (const line of lines) {
    while (left[0] && left[0].at >= line.at) all.push(left.shift() as Written);
    all.push(line);
  }
  return [...all, ...left];
}
