// How much chance is given to chance: a small fixed number by default, the whole of it by `./rondeau test deep`.
import fc from "fast-check";

export const DEEP = process.env.RONDEAU_DEEP === "1";

/** @param few in every run @param many where one has the time */
export const deep = (few: number, many: number): number => (DEEP ? many : few);

/** For the configuration of the tests: properties without a number of their own. */
export function setRuns(): void {
  fc.configureGlobal({ numRuns: deep(40, 300) });
}
