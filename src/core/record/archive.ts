// A dish with all its runs as one file: what was pressed and written down, and the photographs. It can be brought in anywhere like a dish file.
import { z } from "zod";
import { ENTRY_KINDS, PHOTOGRAPH_SUM } from "./entries";
import { RunEventKind } from "./progress";

export const ARCHIVE_FORMAT = "rondeau-archive/1";

const instant = z.string().refine((text) => Number.isFinite(Date.parse(text)), { message: "is not a date and time" });
const step = z.string().min(3).max(161);
const MOST_RUNS = 2_000;
const MOST_ROWS = 200_000;

export const ArchiveFile = z
  .object({
    format: z.literal(ARCHIVE_FORMAT),
    dish: z.unknown(),
    run: z
      .array(z.object({ id: z.uuid(), started_at: instant, ended_at: instant.nullable() }))
      .max(MOST_RUNS)
      .default([]),
    run_event: z
      .array(
        z.object({
          run_id: z.uuid(),
          sequence: z.number().int().min(1),
          kind: RunEventKind,
          step,
          at: instant,
          data: z.looseObject({ of: z.number().int().min(1).optional(), by: z.string().max(80).optional() }),
          recorded_at: instant,
        }),
      )
      .max(MOST_ROWS)
      .refine((rows) => new Set(rows.map((r) => `${r.run_id} ${r.sequence}`)).size === rows.length, {
        message: "two log entries have the same number",
      })
      .default([]),
    record_entry: z
      .array(
        z.object({
          id: z.number().int().min(1),
          run_id: z.uuid().nullable(),
          kind: z.enum(ENTRY_KINDS),
          step: step.nullable(),
          at: instant,
          data: z.looseObject({}),
          recorded_at: instant,
        }),
      )
      .max(MOST_ROWS)
      .default([]),
    /** Pictures by the sums of their bytes, in base64. */
    photographs: z.record(z.string().regex(PHOTOGRAPH_SUM), z.base64()).default({}),
  })
  .refine(
    (a) => {
      const runs = new Set(a.run.map((r) => r.id));
      return [...a.run_event, ...a.record_entry].every((row) => row.run_id === null || runs.has(row.run_id));
    },
    { message: "an entry belongs to a run that is not in the file" },
  );
export type ArchiveFile = z.output<typeof ArchiveFile>;

/** The archive in a text; undefined where it is something else, such as a dish file. */
export function archiveIn(text: string): { readonly value: unknown } | undefined {
  if (!text.includes('"rondeau-archive/')) return undefined;
  try {
    const value: unknown = JSON.parse(text);
    const format = typeof value === "object" && value !== null && "format" in value ? value.format : undefined;
    return typeof format === "string" && format.startsWith("rondeau-archive/") ? { value } : undefined;
  } catch {
    return undefined;
  }
}
