// A conflict of many facts told in few: what follows one another is one line, what may not wait is one line, what takes its time is one.

import type { Clashing } from "../planner/plan";
import { lower } from "../sentence";

export interface FactGroup {
  readonly text: string;
  readonly steps: readonly string[];
  readonly kind: string | undefined;
  readonly about: string | undefined;
  /** The facts that it stands for, if they are several. */
  readonly parts: readonly string[];
}

/** Up to so many facts are told one by one. */
const FEW = 7;
const SEQUENCE = new Set(["take", "link-min", "hold-min", "within"]);
const HURRY = new Set(["link-max", "hold-max"]);
const WORK = new Set(["length", "hands", "nearby", "rounds"]);

/** @param nameOf the name of a step by its reference */
export function condense(facts: readonly Clashing[], nameOf: (step: string) => string): FactGroup[] {
  const single = (f: Clashing): FactGroup => ({ text: f.text, steps: f.steps, kind: f.kind, about: f.about, parts: [] });
  if (facts.length <= FEW) return facts.map(single);
  const groups: FactGroup[] = [];
  const gather = (kinds: ReadonlySet<string>, say: (steps: readonly string[], count: number) => string) => {
    const own = facts.filter((f) => f.kind !== undefined && kinds.has(f.kind));
    if (own.length === 0) return;
    const [one] = own;
    if (own.length === 1 && one) {
      groups.push(single(one));
      return;
    }
    const steps = [...new Set(own.flatMap((f) => f.steps))];
    groups.push({ text: say(steps, own.length), steps, kind: one?.kind, about: one?.about, parts: own.map((f) => f.text) });
  };
  const quoted = (ref: string | undefined) => `“${lower(nameOf(ref ?? ""))}”`;
  gather(SEQUENCE, (steps) => `${steps.length} steps wait for each other, from ${quoted(steps[0])} to ${quoted(steps.at(-1))}.`);
  gather(HURRY, (_, count) => `${count} of the waits between them must not last long.`);
  gather(WORK, (steps) => `${steps.length} of them need time and someone's hands or attention.`);
  const told = new Set([...SEQUENCE, ...HURRY, ...WORK]);
  return [...groups, ...facts.filter((f) => f.kind === undefined || !told.has(f.kind)).map(single)];
}
