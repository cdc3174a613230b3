// Things that a dish asks for and its kitchen has not.
import { kindWords } from "../../entry/words-said";
import { DEFAULT_KITCHEN } from "../default-kitchen";
import type { DishFile } from "../schema";

/** Kinds that steps use and the kitchen does not list. */
export function missingKinds(document: DishFile): string[] {
  const equipment = document.kitchen?.equipment ?? DEFAULT_KITCHEN.equipment ?? [];
  const known = new Set(equipment.map((e) => e.kind));
  const used = document.components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => (s.uses ?? []).map((u) => u.what))));
  return [...new Set(used)].filter((kind) => !known.has(kind));
}

/** What a borrowed thing of a kind is taken to be. */
const SIZES: Readonly<Record<string, object>> = {
  oven: { racks: 2, maxC: 250 },
  grill: { racks: 2 },
  bath: { litres: 12 },
  fridge: { litres: 40 },
  freezer: { litres: 20 },
  cellar: { litres: 40 },
};

/** The document with one of each missing kind in its kitchen. */
export function withBorrowed(document: DishFile): DishFile {
  const kinds = missingKinds(document);
  if (kinds.length === 0) return document;
  const kitchen = document.kitchen ?? DEFAULT_KITCHEN;
  const equipment = kitchen.equipment ?? DEFAULT_KITCHEN.equipment ?? [];
  const things = kinds.map((kind) => ({ id: `borrowed-${kind}`, kind, name: `Borrowed ${kindWords(kind)}`, ...SIZES[kind] }));
  return { ...document, kitchen: { ...kitchen, equipment: [...equipment, ...things] } };
}
