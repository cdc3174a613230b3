// JSON Patch (RFC 6902): what repairs are written in, so that any program can apply them. The work is the rfc6902 package's.
import { applyPatch as applyInPlace, createPatch } from "rfc6902";
import { z } from "zod";

export const PatchOperation = z.discriminatedUnion("op", [
  z.object({ op: z.literal("add"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("replace"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("remove"), path: z.string() }),
  z.object({ op: z.literal("move"), from: z.string(), path: z.string() }),
  z.object({ op: z.literal("test"), path: z.string(), value: z.unknown() }),
]);
export type PatchOperation = z.output<typeof PatchOperation>;

/** What the package would pass over in a path, so that the value lands a level higher than named. No dish has such a key. */
const NO_KEY = /(?:^|\/)(?:__proto__|constructor|prototype)(?:\/|$)/;
const INDEX = /^(?:0|[1-9]\d{0,9})$/;
const MOST_OPERATIONS = 1_000;
const MOST_WITH_TESTS = 10 * MOST_OPERATIONS;
const MOST_DEPTH = 64;
/** As long as a file of a dish may be. */
const MOST_BYTES = 8_000_000;

const tokensOf = (path: string): string[] =>
  path
    .split("/")
    .slice(1)
    .map((token) => token.replaceAll("~1", "/").replaceAll("~0", "~"));

/** @throws Error where a path leads nowhere: a key of the language itself, a list by anything but a place in it, too deep */
function checkPath(document: unknown, path: string, adds: boolean): void {
  const nowhere = () => new Error(`patch: nothing is at "${path.slice(0, 200)}"`);
  if (NO_KEY.test(path)) throw new Error(`patch: no dish has "${path.slice(0, 200)}"`);
  if (path !== "" && !path.startsWith("/")) throw nowhere();
  const tokens = tokensOf(path);
  if (tokens.length > MOST_DEPTH) throw new Error(`patch: "${path.slice(0, 80)}…" goes deeper than any dish`);
  let at: unknown = document;
  for (const [i, token] of tokens.entries()) {
    if (!Array.isArray(at)) {
      if (at === null || typeof at !== "object") throw nowhere();
      at = Object.hasOwn(at, token) ? (at as Record<string, unknown>)[token] : undefined;
      continue;
    }
    const last = i === tokens.length - 1;
    if (last && adds && (token === "-" || (INDEX.test(token) && Number(token) <= at.length))) return;
    if (!INDEX.test(token) || Number(token) >= at.length) throw nowhere();
    at = at[Number(token)];
  }
}

/** Does one operation on a document that is its own. */
function applyOne(copy: unknown, operation: PatchOperation): void {
  if (operation.path === "" && operation.op !== "test") throw new Error("patch: a dish is not replaced as a whole");
  if (operation.op === "move" && `${operation.path}/`.startsWith(`${operation.from}/`) && operation.path !== operation.from)
    throw new Error(`patch: "${operation.from}" cannot be moved into itself`);
  if ("from" in operation) checkPath(copy, operation.from, false);
  checkPath(copy, operation.path, operation.op === "add" || operation.op === "move");
  const [failed] = applyInPlace(copy, [structuredClone(operation)]);
  if (failed?.name === "TestError") throw new Error(`patch: something else is at "${operation.path}" by now`);
  if (failed) throw new Error(`patch: nothing is at "${operation.path}"`);
}

/**
 * The document with the operations applied, one after another; the one given stays as it is.
 * @throws Error naming the first path that is not there, or a result that is larger than any dish; nothing is half-applied
 */
export function applyPatch<T>(document: T, operations: readonly PatchOperation[]): T {
  if (operations.filter((o) => o.op !== "test").length > MOST_OPERATIONS || operations.length > MOST_WITH_TESTS)
    throw new Error(`patch: more than ${MOST_OPERATIONS} operations`);
  const copy = structuredClone(document);
  for (const operation of operations) applyOne(copy, operation);
  if (operations.length && JSON.stringify(copy).length > MOST_BYTES)
    throw new Error("patch: the dish would be larger than its own file may be");
  return copy;
}

/**
 * The operations with a `test` before each: that the things in lists which its path goes through are those that its author saw, by their ids,
 * and that what it replaces or removes is as it was. Applied to a document that others have changed, they land on what was meant or not at all.
 * @param seen the document that the operations were made for
 */
export function guarded(seen: unknown, operations: readonly PatchOperation[]): PatchOperation[] {
  const state = structuredClone(seen);
  const all: PatchOperation[] = [];
  for (const operation of operations) {
    for (const path of "from" in operation ? [operation.from, operation.path] : [operation.path]) all.push(...testsOf(state, path));
    if (operation.op !== "move" && operation.op !== "test") {
      const before = valueAt(state, operation.path);
      // A new thing in a list moves the others along and replaces none.
      const inserts = operation.op === "add" && Array.isArray(valueAt(state, parentOf(operation.path)));
      if (before !== undefined && !inserts) all.push({ op: "test", path: operation.path, value: structuredClone(before) });
    }
    all.push(operation);
    applyOne(state, operation);
  }
  return all;
}

const parentOf = (path: string) => path.slice(0, Math.max(0, path.lastIndexOf("/")));

function valueAt(document: unknown, path: string): unknown {
  let at = document;
  for (const token of tokensOf(path)) {
    if (at === null || typeof at !== "object" || !Object.hasOwn(at, token)) return undefined;
    at = (at as Record<string, unknown>)[token];
  }
  return at;
}

function testsOf(document: unknown, path: string): PatchOperation[] {
  const tests: PatchOperation[] = [];
  const parts = path.split("/").slice(1);
  for (let i = 0; i < parts.length; i++) {
    const within = `/${parts.slice(0, i + 1).join("/")}`;
    const item = valueAt(document, within) as { id?: unknown } | undefined;
    if (Array.isArray(valueAt(document, parentOf(within))) && typeof item?.id === "string")
      tests.push({ op: "test", path: `${within}/id`, value: item.id });
  }
  return tests;
}

type Json = Record<string, unknown>;
const isObject = (x: unknown): x is Json => x !== null && typeof x === "object" && !Array.isArray(x);
const idOf = (x: unknown) => (isObject(x) && typeof x.id === "string" ? x.id : undefined);
/** Lists of the same things in the same order, by their ids. */
const areSame = (a: readonly unknown[], b: readonly unknown[]) =>
  a.length === b.length && a.every((x, i) => idOf(x) !== undefined && idOf(x) === idOf(b[i]));
const tokenOf = (key: string | number) => String(key).replaceAll("~", "~0").replaceAll("/", "~1");

/** Walks down to where two documents differ; only there the package compares lists, which takes it long. */
function differences(before: unknown, after: unknown, path: string): PatchOperation[] {
  if (Array.isArray(before) && Array.isArray(after) && areSame(before, after))
    return before.flatMap((x, i) => changed(x, after[i], `${path}/${i}`));
  if (isObject(before) && isObject(after)) {
    const [old, now] = [Object.keys(before), Object.keys(after)];
    return [
      ...old.filter((k) => !Object.hasOwn(after, k)).map((k): PatchOperation => ({ op: "remove", path: `${path}/${tokenOf(k)}` })),
      ...now
        .filter((k) => !Object.hasOwn(before, k))
        .map((k): PatchOperation => ({ op: "add", path: `${path}/${tokenOf(k)}`, value: after[k] })),
      ...now.filter((k) => Object.hasOwn(before, k)).flatMap((k) => changed(before[k], after[k], `${path}/${tokenOf(k)}`)),
    ];
  }
  return (createPatch(before, after) as PatchOperation[]).map((o) => ({
    ...o,
    path: `${path}${o.path}`,
    ...("from" in o ? { from: `${path}${o.from}` } : {}),
  }));
}
const changed = (before: unknown, after: unknown, path: string): PatchOperation[] =>
  JSON.stringify(before) === JSON.stringify(after) ? [] : differences(before, after, path);

/**
 * The operations that lead from one document to another.
 * Post: applyPatch(before, patchBetween(before, after)) equals `after` as JSON.
 */
export function patchBetween(before: unknown, after: unknown): PatchOperation[] {
  return changed(JSON.parse(JSON.stringify(before)), JSON.parse(JSON.stringify(after)), "");
}
