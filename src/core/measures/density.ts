// Weight of what is measured by volume or counted. Keys are a closed list: ingredient-keys.ts finds them for names that people write.
// Sources: USDA Agriculture Handbook 456 (C. Adams, 1975), USDA household measures; bands and fill methods stand in the tables.
import { CalculationError, checked, row } from "./calculation-error";
import { rounded } from "./rounding";
import densities from "./tables/densities.json";
import pieces from "./tables/pieces.json";

export const DENSITY = Object.fromEntries(densities.map((d) => [d.key, d]));
export const PIECE = Object.fromEntries(pieces.map((p) => [p.key, p]));

/** Never by the spoon: a slip of the hand is a poison. */
const WEIGH_ONLY = new Set(["curing_salt_6_25", "sodium_carbonate"]);
/** Grains of very different size go by one name. */
const WEIGH_PREFERRED = new Set(["salt_flake_light", "salt_coarse_dense", "salt_sea_flake"]);
/** Relative width of a band from which on a scale should be used. */
const WIDE = 0.15;

/**
 * Grams of a volume of an ingredient, with the band that filling a cup brings.
 * @param input mL 0–1e6; ingredient a key of the densities table
 * @returns g, low, high (1 decimal); warnings where the band is wide
 * @throws {CalculationError} E_WEIGH_ONLY for curing salt and sodium carbonate: a hard stop; E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example volumeToMass({ mL: 236.588, ingredient: "flour_ap" }).g // 125.4
 */
export function volumeToMass({ mL, ingredient }: { readonly mL: number; readonly ingredient: string }) {
  const v = checked("mL", mL, 0, 1e6, "mL");
  const d = row("ingredient", DENSITY, ingredient);
  if (WEIGH_ONLY.has(ingredient))
    throw new CalculationError(
      "ingredient",
      "E_WEIGH_ONLY",
      `${d.name} is only ever weighed, on a scale that reads tenths of a gram. A spoon cannot measure it safely.`,
    );
  const warnings = [
    ...(WEIGH_PREFERRED.has(ingredient) ? ["W_WEIGH_PREFERRED"] : []),
    ...((d.high - d.low) / d.gPerMl > WIDE ? ["W_WIDE_BAND"] : []),
  ];
  return {
    g: rounded(v * d.gPerMl, 1),
    low: rounded(v * d.low, 1),
    high: rounded(v * d.high, 1),
    ...(warnings.length ? { warnings } : {}),
  };
}

/**
 * Millilitres of a weight of an ingredient.
 * @param input g 0–1e6; ingredient a key of the densities table
 * @returns mL (1 decimal)
 * @throws {CalculationError} E_WEIGH_ONLY (a hard stop), E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example massToVolume({ g: 500, ingredient: "honey" }) // { mL: 352.1 }
 */
export function massToVolume({ g, ingredient }: { readonly g: number; readonly ingredient: string }) {
  const m = checked("g", g, 0, 1e6, "g");
  const d = row("ingredient", DENSITY, ingredient);
  if (WEIGH_ONLY.has(ingredient)) throw new CalculationError("ingredient", "E_WEIGH_ONLY", `${d.name} is only ever weighed.`);
  return { mL: rounded(m / d.gPerMl, 1) };
}

/**
 * Grams of so many pieces.
 * @param input piece a key of the pieces table; count 0–1e4; state asBought (default) or edible
 * @returns g, low, high (1 decimal)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example countToMass({ piece: "egg_us_large", count: 3, state: "edible" }).g // 150
 */
export function countToMass({
  piece,
  count,
  state = "asBought",
}: {
  readonly piece: string;
  readonly count: number;
  readonly state?: "asBought" | "edible";
}) {
  const n = checked("count", count, 0, 1e4);
  const p = row("piece", PIECE, piece);
  const each = row("state", { asBought: p.asBoughtG, edible: p.edibleG }, state);
  const part = each / p.asBoughtG;
  return { g: rounded(n * each, 1), low: rounded(n * p.low * part, 1), high: rounded(n * p.high * part, 1) };
}
