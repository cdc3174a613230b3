// Things that a dish asks for and its kitchen has not.
import { kindWords } from "../../entry/words-said";
import { DEFAULT_KITCHEN } from "../default-kitchen";
import type { DishFile } from "../schema";

const equipmentOf = (document: DishFile) => document.kitchen?.equipment ?? DEFAULT_KITCHEN.equipment ?? [];
const usesOf = (document: DishFile) => document.components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => s.uses ?? [])));

/** Kinds that steps use and the kitchen does not list. */
export function missingKinds(document: DishFile): string[] {
  const known = new Set(equipmentOf(document).map((e) => e.kind));
  return [...new Set(usesOf(document).map((u) => u.what))].filter((kind) => !known.has(kind));
}

/** Vessels of which steps name a size, in litres, that the largest of the kitchen's does not reach. */
function tooSmall(document: DishFile): ReadonlyMap<string, number> {
  const needs = new Map<string, number>();
  const more = document.dish.serves / (document.dish.baseServes ?? document.dish.serves);
  for (const { what, litres: said, fixed } of usesOf(document)) {
    if (said === undefined) continue;
    const litres = fixed ? said : Math.ceil(said * more * 2) / 2;
    const sizes = equipmentOf(document).filter((e) => e.kind === what);
    if (sizes.length && sizes.every((e) => e.litres !== undefined && e.litres < litres))
      needs.set(what, Math.max(litres, needs.get(what) ?? 0));
  }
  return needs;
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

/** The document with one of each missing kind in its kitchen, and one large enough of each that has a size in the recipe. */
export function withBorrowed(document: DishFile): DishFile {
  const larger = tooSmall(document);
  const kinds = [...missingKinds(document), ...larger.keys()];
  if (kinds.length === 0) return document;
  const equipment = equipmentOf(document);
  const taken = new Set(equipment.map((e) => e.id));
  const things = kinds.map((kind) => {
    let id = `borrowed-${kind}`;
    for (let n = 2; taken.has(id); n++) id = `borrowed-${kind}-${n}`;
    taken.add(id);
    const litres = larger.get(kind);
    return { id, kind, name: `Borrowed ${kindWords(kind)}`, ...SIZES[kind], ...(litres === undefined ? {} : { litres }) };
  });
  return { ...document, kitchen: { ...(document.kitchen ?? DEFAULT_KITCHEN), equipment: [...equipment, ...things] } };
}
