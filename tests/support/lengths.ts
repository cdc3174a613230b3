// Lengths of dish files for tests: least, likely and longest, in minutes.
import { minutesOf } from "../../src/core/time/duration";

export function spread(time: unknown): readonly [number, number, number] {
  if (typeof time === "string") return [minutesOf(time), minutesOf(time), minutesOf(time)];
  const { min, likely, max } = time as { min: string; likely: string; max: string };
  return [minutesOf(min), minutesOf(likely), minutesOf(max)];
}
