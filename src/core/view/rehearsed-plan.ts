// What rehearsals of a plan come to, as it is shown and kept: how it was followed, when each run was served, what failed or nearly did.
import { z } from "zod";

const text = (most: number) => z.string().max(most);
const minute = z.number().int().min(-1_000_000).max(1_000_000);

const RehearsedRun = z.object({
  index: z.number().int().min(0).max(10_000),
  /** After the hour of serving; missing where there was no way on. */
  lateMinutes: minute.optional(),
  /** For so long everything stood ready before. */
  spareMinutes: minute,
  /** The step that put serving off. */
  decidedBy: text(161).optional(),
});
/** One rehearsal as a dot. */
export type RehearsedRun = z.output<typeof RehearsedRun>;

const WeakPoint = z.object({
  kind: z.enum(["unserved", "late", "unsafe", "wait", "hands", "place", "round"]),
  /** The step, the output, the number of the day, or the place that it is about. */
  about: text(200),
  /** A minute at which it happened, in one of the runs. */
  at: z.number().int().optional(),
  text: text(400),
  /** Of a round: what is done in it. */
  what: text(200).optional(),
  /** Share of the runs, from 0 to 1. */
  share: z.number().min(0).max(1),
});
export type WeakPoint = z.output<typeof WeakPoint>;

export const KeptRehearsal = z.object({
  /** As `rondeau rehearse --policy` reads it. */
  policy: text(80),
  runs: z.array(RehearsedRun).min(1).max(1_000),
  weak: z.array(WeakPoint).max(200),
});
export type KeptRehearsal = z.output<typeof KeptRehearsal>;
