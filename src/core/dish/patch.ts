// JSON Patch (RFC 6902): what repairs are written in, so that any program can apply them. The work is the rfc6902 package's.
import { applyPatch as applyInPlace, createPatch } from "rfc6902";
import { z } from "zod";

export const PatchOperation = z.discriminatedUnion("op", [
  z.object({ op: z.literal("add"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("replace"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("remove"), path: z.string() }),
  z.object({ op: z.literal("move"), from: z.string(), path: z.string() }),
]);
export type PatchOperation = z.output<typeof PatchOperation>;

/** What the package would pass over in a path, so that the value lands a level higher than named. No dish has such a key. */
const NO_KEY = /(?:^|\/)(?:__proto__|constructor|prototype)(?:\/|$)/;

/**
 * The document with the operations applied, one after another; the one given stays as it is.
 * @throws Error naming the first path that is not there; nothing is half-applied
 */
export function applyPatch<T>(document: T, operations: readonly PatchOperation[]): T {
  for (const operation of operations)
    for (const path of "from" in operation ? [operation.from, operation.path] : [operation.path])
      if (NO_KEY.test(path)) throw new Error(`patch: no dish has "${path}"`);
  const copy = structuredClone(document);
  const failed = applyInPlace(copy, structuredClone([...operations])).findIndex((error) => error !== null);
  if (failed >= 0) throw new Error(`patch: nothing stands at "${operations[failed]?.path}"`);
  return copy;
}

/**
 * The operations that lead from one document to another.
 * Post: applyPatch(before, patchBetween(before, after)) equals `after` as JSON.
 */
export function patchBetween(before: unknown, after: unknown): PatchOperation[] {
  return createPatch(JSON.parse(JSON.stringify(before)), JSON.parse(JSON.stringify(after))) as PatchOperation[];
}
