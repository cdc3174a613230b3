// Random numbers that are the same everywhere for one seed, for simulated devices.
import { checked } from "../measures/calculation-error";
import { seededRandom } from "../random";

/** One normal number from two uniform ones. */
export const normal = (draw: () => number) => Math.sqrt(-2 * Math.log(1 - draw())) * Math.cos(2 * Math.PI * draw());

const draws = (input: { readonly seed: number; readonly draws: number }, next: (draw: () => number) => number) => {
  const draw = seededRandom(checked("seed", input.seed, -(2 ** 31), 2 ** 32));
  return { value: Array.from({ length: Math.round(checked("draws", input.draws, 1, 10_000)) }, () => next(draw)) };
};

/**
 * Uniform numbers of a seed.
 * @param input seed; draws 1–10000
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export const rng32 = (input: { readonly seed: number; readonly draws: number }) => draws(input, (draw) => draw());

/**
 * Normal numbers of a seed.
 * @param input seed; draws 1–10000
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export const gauss = (input: { readonly seed: number; readonly draws: number }) => draws(input, normal);
