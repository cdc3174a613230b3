// Why there is no plan and what would help, within so long: the smallest conflict gets its share of the time, the ways out the rest.
import type { DishFile } from "../core/dish/schema";
import type { Infeasible, PlanOptions } from "../core/planner";
import { type Diagnosis, diagnose } from "../core/planner/explain";

const SHARE_OF_THE_CONFLICT = 0.4;

/** The first words come after so long at most, and what is found after them at most so often. */
const FIRST_WORDS_MS = 400;
const BETWEEN_WORDS_MS = 900;

/**
 * @param ms the most that is spent; the options' own `stop` ends it earlier
 * @param tell told what is known so far, while more is looked for
 */
export function explainWithin(
  ms: number,
  document: DishFile,
  options: PlanOptions,
  refusal: Infeasible,
  tell?: (sofar: Diagnosis) => void,
): Diagnosis {
  const began = Date.now();
  const since = (limit: number) => () => Date.now() - began > limit;
  const stop = () => options.stop?.() === true || since(ms)();
  let last = Number.NEGATIVE_INFINITY;
  const sometimes = (sofar: Diagnosis) => {
    if (Date.now() - last < BETWEEN_WORDS_MS) return;
    last = Date.now();
    tell?.(sofar);
  };
  const telling = { enough: since(ms * SHARE_OF_THE_CONFLICT), hurry: since(FIRST_WORDS_MS), tell: sometimes };
  return diagnose(document, { ...options, stop }, refusal, telling);
}
