// Things of a kitchen in a cook's words: "10 L pot", "oven 220 fan", "2 trays", "water bath at 65, 8 L", "fridge 4 L", "mixer until shape".
import type { DishStep } from "../dish/schema";
import { numberAt } from "./numbers";
import { findTemperatures } from "./temperatures";

type Use = NonNullable<DishStep["uses"]>[number];
/** A use as typed; `keptUntil` is the step named in words. */
export type EquipmentUse = Pick<Use, "what" | "count" | "tempC" | "racks" | "mode" | "litres" | "pieces" | "toleranceC" | "part"> & {
  readonly keptUntil?: string;
};

const KINDS: readonly (readonly [words: string, kind: string])[] = [
  ["slow[- ](?:pot|cooker)s?", "slow-pot"],
  ["pressure[- ](?:pot|cooker)s?", "pressure-pot"],
  ["(?:sheet[- ]pans?|baking sheets?)", "sheet-pan"],
  ["(?:food )?processors?", "processor"],
  ["(?:stand |spiral )?mixers?", "mixer"],
  ["blenders?", "blender"],
  ["(?:pasta |dough )?rollers?", "roller"],
  ["(?:waffle |krumkake |flat )?irons?", "iron"],
  ["(?:water )?baths?", "bath"],
  ["ovens?", "oven"],
  ["(?:charcoal |kettle )?grills?|smokers?", "grill"],
  ["burners?|hobs?|rings?", "burner"],
  ["pots?|saucepans?|casseroles?|pans?", "pot"],
  ["trays?", "tray"],
  ["(?:cake |loaf |pie )?tins?", "tin"],
  ["jars?|crocks?", "jar"],
  ["bowls?", "bowl"],
  ["sinks?", "sink"],
  ["fridges?", "fridge"],
  ["freezers?", "freezer"],
  ["cellars?|larders?", "cellar"],
];
const HEATED = new Set(["oven", "bath", "grill"]);
const STORES = new Set(["fridge", "freezer", "cellar"]);
const FILLER = /^(?:in|on|with|uses?|needs?|an?|the|one|at|of|and|set|to|big|large|small|heavy|wide|°|c|over)$/i;

/**
 * What a part of a line asks of the kitchen.
 * @param kinds further kinds that the kitchen has
 * @returns undefined where the part says anything else beside it
 * @example readEquipment("10 L pot") // { what: "pot", litres: 10 }
 */
export function readEquipment(clause: string, kinds: readonly string[] = []): EquipmentUse | undefined {
  let rest = clause.trim();
  const kept = /\s*\b(?:kept )?(?:until|till)\s+(.+)$/i.exec(rest);
  if (kept) rest = rest.slice(0, kept.index);
  const own = kinds.map((k) => [k.replace(/-/g, "[- ]"), k] as const);
  const known = [...own, ...KINDS]
    .map(([words, kind]) => [new RegExp(`\\b(?:${words})\\b`, "i").exec(rest), kind] as const)
    .find(([m]) => m);
  const match = known?.[0];
  const kind = known?.[1];
  if (!match || !kind) return undefined;
  rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
  const use: { -readonly [K in keyof EquipmentUse]: EquipmentUse[K] } = { what: kind };
  const cut = (pattern: RegExp): RegExpExecArray | null => {
    const m = pattern.exec(rest);
    if (m) rest = rest.replace(m[0], " ");
    return m;
  };
  const figure = (text: string | undefined) => Number((text ?? "").replace(",", "."));
  const litres = cut(/(\d+(?:[.,]\d+)?)\s*-?\s*(?:l|litres?|liters?)\b/i);
  if (litres) use.litres = figure(litres[1]);
  const racks = cut(/(\d+(?:[.,]\d+)?|one|two|three)\s+racks?\b/i);
  if (racks) use.racks = numberAt(racks[1] as string, 0, true)?.value ?? 1;
  const pieces = cut(/(\d+)\s+pieces?\b/i);
  if (pieces) use.pieces = figure(pieces[1]);
  const centimetres = cut(/(\d+(?:[.,]\d+)?)\s*-?\s*cm\b/i);
  const tolerance = cut(/(?:±|\+\/-|give or take)\s*(\d+(?:[.,]\d+)?)(?:\s*°?c)?/i);
  if (tolerance && HEATED.has(kind)) use.toleranceC = figure(tolerance[1]);
  if (HEATED.has(kind)) {
    const [heat] = findTemperatures(rest);
    if (heat) {
      use.tempC = heat.value;
      rest = `${rest.slice(0, heat.start)} ${rest.slice(heat.end)}`;
    } else {
      const bare = cut(/\b(\d{2,3})\b/);
      // Nobody has an oven at 350 °C: such a number is °F.
      if (bare) use.tempC = figure(bare[1]) > 290 ? Math.round(((figure(bare[1]) - 32) * 5) / 9 / 5) * 5 : figure(bare[1]);
    }
    if (use.tempC === undefined) return undefined;
    const mode = cut(/\b(fan|still|grill)\b/i);
    if (mode) use.mode = (mode[1] as string).toLowerCase() as "fan" | "still" | "grill";
    if (kind !== "bath" && use.racks === undefined) use.racks = 1;
  }
  if (cut(/\b(?:only )?(?:while by hand|hands only)\b/i)) use.part = "hands";
  const count = cut(/(?:^|\s)(\d{1,2}|two|three|four|five|six)(?:\s*[x×])?(?=\s|$)/i);
  if (count) use.count = numberAt(count[1] as string, 0, true)?.value ?? 1;
  const left = rest.split(/[\s,]+/).filter((w) => w !== "" && !FILLER.test(w));
  if (left.length > 0) return undefined;
  if (use.count === 1) delete use.count;
  if (centimetres && use.litres === undefined && kind !== "tin") return undefined;
  if (STORES.has(kind) && use.count !== undefined) return undefined;
  return kept ? { ...use, keptUntil: (kept[1] as string).trim() } : use;
}
