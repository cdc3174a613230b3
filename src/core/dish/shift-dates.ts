// The same dish some days later: every dated instant of the document moves, wall-clock hours stay.
import type { DishFile } from "./schema";

const DATED = /^(\d{4}-\d{2}-\d{2})(T\d{2}:\d{2})$/;

/**
 * A copy of the document with every dated instant moved by whole days.
 * @param days whole; use multiples of 7 to keep weekdays
 */
export function shiftDates(document: DishFile, days: number): DishFile {
  const moved = (value: unknown): unknown => {
    if (typeof value === "string") {
      const parts = DATED.exec(value);
      if (!parts) return value;
      const date = new Date(`${parts[1]}T00:00Z`);
      date.setUTCDate(date.getUTCDate() + days);
      return `${date.toISOString().slice(0, 10)}${parts[2]}`;
    }
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value === "object" && value !== null) return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, moved(v)]));
    return value;
  };
  return moved(document) as DishFile;
}
