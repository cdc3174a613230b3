// A ready component: a dish file whose components but the table are taken into other dishes. What a search needs to know of one.

import type { Method } from "../model";
import { dishModel } from "../read-model";
import type { DishFile } from "../schema";
import { type Quantity, quantityOf } from "../units";
import { mainOutput } from "./places";

/** The component that only serves what the file is about. */
export const TABLE = "table";

interface LibraryMethod {
  readonly id: string;
  readonly name: string;
  readonly quality: number;
  /** Minutes by hand, rounds included. */
  readonly handsMinutes: number;
  /** Minutes from the first step to the last at the least, waits that have to be included. */
  readonly leadMinutes: number;
}

export interface LibraryEntry {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly note: string;
  /** Components that are taken together, the one it is about last. */
  readonly components: readonly string[];
  readonly methods: readonly LibraryMethod[];
  readonly equipment: readonly string[];
  /** What it makes for baseServes. */
  readonly makes: Quantity | undefined;
  readonly baseServes: number;
  /** Longest that it may wait once made, minutes; 0 where it is served at once; undefined: no limit. */
  readonly keepsMinutes: number | undefined;
  /** The same without the freezer. */
  readonly unfrozenMinutes: number | undefined;
  readonly allergens: readonly string[];
  /** Words that a search looks through. */
  readonly words: string;
}

export function libraryEntry(document: DishFile): LibraryEntry {
  const dish = dishModel(document);
  const own = dish.components.filter((c) => c.id !== TABLE);
  const files = document.components.filter((c) => c.id !== TABLE);
  const last = files.at(-1);
  const subject = own.at(-1);
  if (!last || !subject) throw new Error(`library: ${document.dish.id} has no component`);
  const output = mainOutput(last);
  const holds = subject.methods[0]?.steps.flatMap((s) => s.makes).find((o) => o.ref === `${last.id}.${output?.id}`)?.holds ?? [];
  const others = own.slice(0, -1).flatMap((c) => c.methods.slice(0, 1));
  return {
    id: document.dish.id,
    name: document.dish.name,
    kind: last.kind,
    note: document.dish.note ?? "",
    components: files.map((c) => c.id),
    methods: subject.methods.map((m) => ({
      id: m.id,
      name: m.name,
      quality: m.quality,
      handsMinutes: [m, ...others].reduce((sum, each) => sum + handsOf(each), 0),
      leadMinutes: leadOf(m) + Math.max(0, ...others.map(leadOf)),
    })),
    equipment: [...new Set(own.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => s.uses.map((u) => u.what)))))].sort(),
    makes: output?.amount && quantityOf(output.amount),
    baseServes: document.dish.baseServes,
    keepsMinutes: longest(holds),
    unfrozenMinutes: longest(holds.filter((h) => h.place !== "freezer")),
    allergens: [...new Set(files.flatMap((c) => c.methods.flatMap((m) => (m.ingredients ?? []).flatMap((i) => i.allergens ?? []))))].sort(),
    words: [
      document.dish.name,
      document.dish.note,
      last.kind,
      ...files.flatMap((c) => [c.name, ...c.methods.flatMap((m) => (m.ingredients ?? []).map((i) => i.name))]),
    ]
      .join(" ")
      .toLowerCase(),
  };
}

const longest = (holds: readonly { readonly max: number | undefined }[]): number | undefined =>
  holds.some((h) => h.max === undefined) ? undefined : Math.max(0, ...holds.map((h) => h.max ?? 0));

/** Minutes by hand of a method, its rounds included. */
export function handsOf(method: Method): number {
  return method.steps.reduce((sum, s) => {
    const own = s.attention === "hands" ? s.time.likely : s.handsStart + s.handsEnd;
    const rounds = s.tends.reduce(
      (n, t) => n + t.takes * Math.floor(Math.max(0, (t.until ?? s.time.likely) - t.first) / t.every + (s.time.likely >= t.first ? 1 : 0)),
      0,
    );
    return sum + (own + rounds) * s.batches;
  }, 0);
}

/** The longest chain through a method's own steps: their likely times and the waits that have to be. */
export function leadOf(method: Method): number {
  const ends = new Map<string, number>();
  for (const s of method.steps) {
    let start = 0;
    for (const l of s.links) {
      const end = ends.get(l.step);
      if (end !== undefined && l.from === "end") start = Math.max(start, end + l.min);
    }
    for (const t of s.takes)
      for (const maker of method.steps) {
        const output = maker.makes.find((o) => o.ref === t.from);
        const end = output && ends.get(maker.ref);
        if (output && end !== undefined)
          start = Math.max(start, end + Math.min(...(output.holds.length ? output.holds.map((h) => h.min) : [0])));
      }
    ends.set(s.ref, start + s.time.likely * s.batches);
  }
  return Math.max(0, ...ends.values());
}

interface LibrarySearch {
  readonly text?: string;
  readonly kind?: string;
  /** Ready within so many minutes by one of its methods. */
  readonly withinMinutes?: number;
  /** Can be done so many minutes ahead: it keeps so long. */
  readonly aheadMinutes?: number;
  /** At most so many minutes by hand. */
  readonly handsMinutes?: number;
  /** Kinds that the kitchen has; what needs another is left out. */
  readonly equipment?: ReadonlySet<string>;
  readonly without?: string;
}

/** Entries that fit a search, in the order given. */
export function searchLibrary(entries: readonly LibraryEntry[], search: LibrarySearch): LibraryEntry[] {
  const words = (search.text ?? "").toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter(
    (e) =>
      words.every((w) => e.words.includes(w)) &&
      (!search.kind || e.kind === search.kind) &&
      (search.withinMinutes === undefined || e.methods.some((m) => m.leadMinutes <= (search.withinMinutes ?? 0))) &&
      (search.handsMinutes === undefined || e.methods.some((m) => m.handsMinutes <= (search.handsMinutes ?? 0))) &&
      (search.aheadMinutes === undefined || e.keepsMinutes === undefined || e.keepsMinutes >= search.aheadMinutes) &&
      (!search.equipment || e.equipment.every((kind) => search.equipment?.has(kind))) &&
      (!search.without || !e.allergens.includes(search.without)),
  );
}
