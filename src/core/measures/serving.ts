// What a guest gets of salt and of alcohol. Sources: WHO 2012 (5 g salt a day); Augustin 1992 and USDA Retention Factors 6, 2007 (alcohol).
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

const SODIUM_MG = 393.4;
const DAY_G = 5;

export interface SaltedItem {
  readonly g: number;
  readonly saltPct: number;
  /** Share that is eaten: of pasta water 0.02–0.05, of a broth 0.5–1. */
  readonly eaten?: number;
}

/**
 * Salt of a whole dish for one guest, every component counted once.
 * @param input items 1–60 of g 0–1e6, saltPct 0–100, eaten 0–1 (1); servings 1–500
 * @returns saltG (2 decimals), sodiumMg, pctOf5g (whole); warned of above 2.5 g and above 5 g
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function saltPerServing({ items, servings }: { readonly items: readonly SaltedItem[]; readonly servings: number }) {
  if (!Array.isArray(items) || items.length < 1 || items.length > 60)
    throw new CalculationError("items", "E_RANGE", "items: give a list of 1 to 60 with g and saltPct.");
  const all = (items as readonly SaltedItem[]).reduce(
    (sum, item, i) =>
      sum +
      ((checked(`items.${i}.g`, item?.g, 0, 1e6, "g") * checked(`items.${i}.saltPct`, item?.saltPct, 0, 100, "%")) / 100) *
        checked(`items.${i}.eaten`, item?.eaten ?? 1, 0, 1),
    0,
  );
  const salt = all / checked("servings", servings, 1, 500);
  return withWarnings(
    { saltG: rounded(salt, 2), sodiumMg: rounded(salt * SODIUM_MG, 0), pctOf5g: rounded((salt / DAY_G) * 100, 0) },
    { W_HIGH: salt > 2.5 && salt <= DAY_G, W_OVER_DAY: salt > DAY_G },
  );
}

/** Minutes of simmering and the % of alcohol that is left. */
const SIMMERED: readonly (readonly [minutes: number, pct: number])[] = [
  [0, 85],
  [15, 40],
  [30, 35],
  [60, 25],
  [90, 20],
  [120, 10],
  [150, 5],
];

function simmered(minutes: number): number {
  const after = SIMMERED.findIndex(([m]) => m >= minutes);
  if (after < 0) return (SIMMERED[SIMMERED.length - 1] as readonly [number, number])[1];
  const [m1, p1] = SIMMERED[after] as readonly [number, number];
  const [m0, p0] = SIMMERED[Math.max(0, after - 1)] as readonly [number, number];
  return m1 === m0 ? p1 : p0 + ((p1 - p0) * (minutes - m0)) / (m1 - m0);
}

const MODES: Readonly<Record<string, (minutes: number) => number>> = {
  raw: () => 100,
  overnight_uncooked: () => 70,
  flamed: () => 75,
  baked_unstirred_25: () => 45,
  simmered,
};

/**
 * Alcohol that cooking leaves. It never burns off wholly: said wherever any is left.
 * @param input mode raw, overnight_uncooked, flamed, baked_unstirred_25, simmered; minutes 0–1440 (0); mL 0–1e5; abvPct 0–96; servings 1–500 (1)
 * @returns retainedPct, ethanolG (1 decimal), perServingG (2)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example alcoholRetained({ mode: "simmered", minutes: 45, mL: 250, abvPct: 13, servings: 6 }).ethanolG // 7.7
 */
export function alcoholRetained(input: {
  readonly mode: string;
  readonly minutes?: number;
  readonly mL: number;
  readonly abvPct: number;
  readonly servings?: number;
}) {
  const left = row("mode", MODES, input.mode)(checked("minutes", input.minutes ?? 0, 0, 1440, "min"));
  const ethanol = (checked("mL", input.mL, 0, 1e5, "mL") * checked("abvPct", input.abvPct, 0, 96, "%") * 0.789 * left) / 1e4;
  const servings = checked("servings", input.servings ?? 1, 1, 500);
  return withWarnings(
    { retainedPct: rounded(left, 1), ethanolG: rounded(ethanol, 1), perServingG: rounded(ethanol / servings, 2) },
    { W_NOT_ALCOHOL_FREE: ethanol > 0 },
  );
}
