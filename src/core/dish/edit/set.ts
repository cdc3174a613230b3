// One field of a document set, emptied or filled, by its path. The schema decides whether the outcome is a dish.
import type { DishFile } from "../schema";

type FieldPath = readonly (string | number)[];

/** The value at a path; undefined where something on the way is missing. */
export function valueAt(document: unknown, path: FieldPath): unknown {
  let at = document;
  for (const key of path) {
    if (typeof at !== "object" || at === null || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<string | number, unknown>)[key];
  }
  return at;
}

/**
 * The document with the value at a path; undefined takes the field out, and with it objects and lists that it leaves empty.
 * Objects on the way are made where they are missing.
 */
export function setField(document: DishFile, path: FieldPath, value: unknown): DishFile {
  return set(document, path, value) as DishFile;
}

function set(at: unknown, path: FieldPath, value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (key === "__proto__" || key === "constructor" || key === "prototype") throw new Error(`set: no field may be called "${key}"`);
  if (typeof key === "number") {
    const list = Array.isArray(at) ? [...at] : [];
    const next = set(list[key], rest, value);
    if (next === undefined) list.splice(key, 1);
    else list[key] = next;
    return list;
  }
  const object: Record<string, unknown> = { ...(typeof at === "object" && at !== null ? at : {}) };
  const next = set(object[key], rest, value);
  if (next === undefined || isEmpty(next, rest)) delete object[key];
  else object[key] = next;
  return object;
}

/** Emptied by taking something out below it, which is not the same as having been empty. */
const isEmpty = (value: unknown, below: FieldPath): boolean =>
  below.length > 0 && typeof value === "object" && value !== null && Object.keys(value).length === 0;
