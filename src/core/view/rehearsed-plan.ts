// What is kept of a rehearsal: how it was followed, when each run was served, what failed or nearly did.
import { z } from "zod";

const text = (most: number) => z.string().max(most);
const minute = z.number().int().min(-1_000_000).max(1_000_000);

export const KeptRehearsal = z.object({
  /** As `rondeau rehearse --policy` reads it. */
  policy: text(80),
  runs: z
    .array(
      z.object({
        index: z.number().int().min(0).max(10_000),
        lateMinutes: minute.optional(),
        spareMinutes: minute,
        decidedBy: text(161).optional(),
      }),
    )
    .min(1)
    .max(1_000),
  weak: z
    .array(
      z.object({
        kind: z.enum(["unserved", "late", "unsafe", "wait", "hands", "place"]),
        about: text(200),
        at: z.number().int().optional(),
        text: text(400),
        share: z.number().min(0).max(1),
      }),
    )
    .max(200),
});
export type KeptRehearsal = z.output<typeof KeptRehearsal>;
