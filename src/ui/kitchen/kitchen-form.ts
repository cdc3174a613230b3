// What the kitchen's form edits, and the way to and from the file.
import type { KitchenFile } from "@/core/dish/schema";

interface HoursLine {
  days?: string;
  from: string;
  to: string;
}

interface QuietLine {
  weekly?: { days: string; from: string; to: string };
  from?: string;
  to?: string;
  forbid: string[];
  why?: string | undefined;
}

/** The schema's types without their open ends, which a form's field names cannot carry. */
export interface KitchenValues {
  cooks: { id: string; name?: string; hours?: HoursLine[]; awake?: HoursLine[]; away?: HoursLine[] }[];
  equipment: {
    id: string;
    kind: string;
    name?: string | undefined;
    count?: number | undefined;
    litres?: number | undefined;
    everydayLitres?: number | undefined;
    racks?: number | undefined;
    available?: HoursLine[];
  }[];
  windows: QuietLine[];
}

export type HoursPath = `cooks.${number}.hours` | `cooks.${number}.awake` | `cooks.${number}.away` | `equipment.${number}.available`;

/** A name left empty is none: the thing is then called by its kind. */
export const NAMELESS = { setValueAs: (v: unknown) => (typeof v === "string" && v.trim() === "" ? undefined : v) };

export const asForm = (kitchen: KitchenFile): KitchenValues =>
  ({
    ...kitchen,
    cooks: kitchen.cooks ?? [],
    equipment: kitchen.equipment ?? [],
    windows: kitchen.windows ?? [],
  }) as unknown as KitchenValues;

const LISTS_OF_HOURS = new Set(["hours", "awake", "away", "available"]);

/** An empty list of hours means the default, and an empty figure means none stated. */
export function asFile(values: KitchenValues): KitchenFile {
  const clean = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(clean);
    if (typeof value === "object" && value !== null)
      return Object.fromEntries(
        Object.entries(value)
          .filter(([k, v]) => v !== undefined && v !== "" && !(LISTS_OF_HOURS.has(k) && Array.isArray(v) && v.length === 0))
          .map(([k, v]) => [k, clean(v)]),
      );
    return value;
  };
  return clean(values) as KitchenFile;
}

export function freshId(wish: string, taken: readonly string[]): string {
  if (!taken.includes(wish)) return wish;
  for (let n = 2; ; n++) if (!taken.includes(`${wish}-${n}`)) return `${wish}-${n}`;
}

/** The first message in a tree of errors. */
export function firstMessage(errors: unknown): string | undefined {
  if (typeof errors !== "object" || errors === null) return undefined;
  if ("message" in errors && typeof errors.message === "string") return errors.message;
  for (const value of Object.values(errors)) {
    const found = firstMessage(value);
    if (found) return found;
  }
  return undefined;
}

const NAMES = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;

/** Days as the file writes them, shortest first: "all", "mon-fri", "sat,sun". @param days ISO weekdays, 1 Monday to 7 Sunday */
export function daysText(days: readonly number[]): string {
  const sorted = [...new Set(days)].sort((a, b) => a - b);
  if (sorted.length === 7) return "all";
  const runs: [number, number][] = [];
  for (const day of sorted) {
    const last = runs.at(-1);
    if (last && last[1] === day - 1) last[1] = day;
    else runs.push([day, day]);
  }
  const name = (day: number) => NAMES[day - 1] as string;
  return runs.map(([a, b]) => (a === b ? name(a) : b === a + 1 ? `${name(a)},${name(b)}` : `${name(a)}-${name(b)}`)).join(",");
}
