// JSON Patch (RFC 6902), the operations that repairs are written in: add, remove, replace, move.
import { z } from "zod";

export const PatchOperation = z.discriminatedUnion("op", [
  z.object({ op: z.literal("add"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("replace"), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal("remove"), path: z.string() }),
  z.object({ op: z.literal("move"), from: z.string(), path: z.string() }),
]);
export type PatchOperation = z.output<typeof PatchOperation>;

const SLASH = /~1/g;
const TILDE = /~0/g;

/**
 * The document with the operations applied, one after another; the one given stays as it is.
 * @throws Error for a path that is not there
 */
export function applyPatch<T>(document: T, operations: readonly PatchOperation[]): T {
  const root = { document: structuredClone(document) as unknown };
  for (const operation of operations) {
    if (operation.op === "move") {
      const value = read(root, operation.from);
      put(root, operation.from, undefined, "remove");
      put(root, operation.path, value, "add");
    } else put(root, operation.path, "value" in operation ? structuredClone(operation.value) : undefined, operation.op);
  }
  return root.document as T;
}

function keysOf(path: string): string[] {
  if (path !== "" && !path.startsWith("/")) throw new Error(`patch: "${path}" is no pointer`);
  return [
    "document",
    ...path
      .split("/")
      .slice(1)
      .map((k) => k.replace(SLASH, "/").replace(TILDE, "~")),
  ];
}

function read(root: object, path: string): unknown {
  return keysOf(path).reduce<unknown>((at, key) => {
    if (typeof at !== "object" || at === null || !Object.hasOwn(at, key)) throw new Error(`patch: nothing stands at "${path}"`);
    return (at as Record<string, unknown>)[key];
  }, root);
}

function put(root: object, path: string, value: unknown, op: "add" | "replace" | "remove"): void {
  const keys = keysOf(path);
  const key = keys.pop() as string;
  const parent = keys.reduce<unknown>(
    (at, k) => (typeof at === "object" && at !== null && Object.hasOwn(at, k) ? (at as Record<string, unknown>)[k] : undefined),
    root,
  );
  if (typeof parent !== "object" || parent === null || key === "__proto__") throw new Error(`patch: nothing stands above "${path}"`);
  if (op !== "add" && !Object.hasOwn(parent, key)) throw new Error(`patch: nothing stands at "${path}"`);
  if (Array.isArray(parent)) {
    const index = key === "-" ? parent.length : Number(key);
    if (!Number.isInteger(index) || index < 0 || index > parent.length) throw new Error(`patch: "${path}" is no place in the list`);
    if (op === "add") parent.splice(index, 0, value);
    else if (op === "remove") parent.splice(index, 1);
    else parent[index] = value;
  } else if (op === "remove") delete (parent as Record<string, unknown>)[key];
  else (parent as Record<string, unknown>)[key] = value;
}
