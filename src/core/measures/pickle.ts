// Vinegar pickles: acidity of brine and jar, when they are through, how long they keep in the fridge. Nothing here makes a jar safe for a shelf.
// Sources: balances of mass; USDA Complete Guide to Home Canning, 2015; 21 CFR 114. Days are limits of quality first, and cautious.
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { type Geometry, halfOf, secondsTo } from "./diffusion";
import { ceilTo, rounded } from "./rounding";

interface AcidityInput {
  readonly vinegar_mL: number;
  readonly vinegarPct: number;
  readonly water_mL?: number;
  readonly produceG: number;
  readonly produceWaterFraction?: number;
  readonly drainedG?: number;
}

/**
 * Acidity of the brine as poured, and of the jar once vegetables and brine are even.
 * @param input vinegar_mL, water_mL 0–1e5; vinegarPct 3–12 (g acetic acid in 100 mL); produceG 0–1e5; produceWaterFraction 0.3–0.98 (0.9);
 *   drainedG 0–1e5: water drawn out by salting before
 * @returns brineAcidPct, equilibriumAcidPct (2 decimals); warned of below 2.5 % in the brine, 1 % in the jar, 5 % in the bottle
 * @throws {CalculationError} E_RANGE (no liquid too), E_NOT_FINITE
 * @example pickleAcidity({ vinegar_mL: 500, vinegarPct: 5, water_mL: 500, produceG: 800 }) // { brineAcidPct: 2.5, equilibriumAcidPct: 1.45 }
 */
export function pickleAcidity(input: AcidityInput) {
  const vinegar = checked("vinegar_mL", input.vinegar_mL, 0, 1e5, "mL");
  const strength = checked("vinegarPct", input.vinegarPct, 3, 12, "%");
  const water = checked("water_mL", input.water_mL ?? 0, 0, 1e5, "mL");
  const produce = checked("produceG", input.produceG, 0, 1e5, "g");
  const wet = checked("produceWaterFraction", input.produceWaterFraction ?? 0.9, 0.3, 0.98);
  const drained = checked("drainedG", input.drainedG ?? 0, 0, 1e5, "g");
  if (vinegar + water <= 0) throw new CalculationError("vinegar_mL", "E_RANGE", "vinegar_mL: there is no liquid. Give vinegar or water.");
  const acid = vinegar * strength;
  const brine = acid / (vinegar + water);
  const even = acid / (vinegar + water + Math.max(0, produce * wet - drained));
  return withWarnings(
    { brineAcidPct: rounded(brine, 2), equilibriumAcidPct: rounded(even, 2) },
    { W_WEAK_BRINE: brine < 2.5 - 1e-9, W_TREAT_AS_SALAD: even < 1, W_VINEGAR_UNDER_5: strength < 5 },
  );
}

/**
 * Vinegar and water for a brine of a wanted acidity.
 * @param input total_mL 10–1e5; targetBrineAcidPct 0.1–12; vinegarPct 3–12
 * @returns vinegar_mL (rounded up), water_mL
 * @throws {CalculationError} E_UNREACHABLE where the vinegar itself is weaker; E_RANGE, E_NOT_FINITE
 * @example vinegarForAcidity({ total_mL: 1000, targetBrineAcidPct: 3, vinegarPct: 6 }) // { vinegar_mL: 500, water_mL: 500 }
 */
export function vinegarForAcidity(input: { readonly total_mL: number; readonly targetBrineAcidPct: number; readonly vinegarPct: number }) {
  const total = checked("total_mL", input.total_mL, 10, 1e5, "mL");
  const target = checked("targetBrineAcidPct", input.targetBrineAcidPct, 0.1, 12, "%");
  const strength = checked("vinegarPct", input.vinegarPct, 3, 12, "%");
  if (target > strength)
    throw new CalculationError(
      "targetBrineAcidPct",
      "E_UNREACHABLE",
      `targetBrineAcidPct: vinegar of ${strength} % cannot give ${target} %.`,
    );
  const vinegar = Math.min(total, ceilTo((total * target) / strength, 1));
  return { vinegar_mL: vinegar, water_mL: rounded(total - vinegar, 1) };
}

/** Acid moves faster in what a hot pour has opened. m²/s */
const POUR_D = { cold: 4e-10, hot: 8e-10 } as const;
type Pour = keyof typeof POUR_D;

/**
 * When the brine has gone through a piece: for a quick pickle the hours, for a keeping one the later of these and the hours for flavour.
 * @param input thicknessMm 1–120; geometry (slab); pour cold or hot; skinOn; targetPct 30–95 (80)
 * @returns hours, low, high (1 decimal), flavourMinHours
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example pickleReady({ thicknessMm: 20, pour: "cold" }).hours // 39.4
 */
export function pickleReady(input: {
  readonly thicknessMm: number;
  readonly geometry?: Geometry;
  readonly pour: Pour;
  readonly skinOn?: boolean;
  readonly targetPct?: number;
}) {
  const mm = checked("thicknessMm", input.thicknessMm, 1, 120, "mm");
  const d = row("pour", POUR_D, input.pour) * (input.skinOn === true ? 0.3 : 1);
  const share = checked("targetPct", input.targetPct ?? 80, 30, 95, "%") / 100;
  const hours = secondsTo(input.geometry ?? "slab", halfOf(mm), d, share, "average") / 3600;
  return {
    hours: rounded(hours, 1),
    low: rounded(hours / 1.6, 1),
    high: rounded(hours * 1.8, 1),
    flavourMinHours: mm <= 4 ? 12 : mm <= 12 ? 48 : 120,
  };
}

/** Days in the fridge by the acidity of the jar, hot and cold poured. */
const KEEPS: readonly (readonly [least: number, hot: number, cold: number])[] = [
  [1.7, 60, 30],
  [1, 30, 14],
  [0.6, 14, 7],
  [0, 3, 3],
];

/**
 * How long a pickle keeps in the fridge; nowhere else.
 * @param input equilibriumAcidPct 0–12; pour; fridgeC −1–5; thicknessMm 1–120 (8); lowAcidAddIn: garlic, eggs, meat, fresh herbs, a layer of oil
 * @returns days, storage (always fridge_only)
 * @throws {CalculationError} E_FRIDGE_WARM (hard stop) above 5 °C; E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example pickleKeep({ equilibriumAcidPct: 1.45, pour: "hot", fridgeC: 4 }) // { days: 30, storage: "fridge_only" }
 */
export function pickleKeep(input: {
  readonly equilibriumAcidPct: number;
  readonly pour: Pour;
  readonly fridgeC: number;
  readonly thicknessMm?: number;
  readonly lowAcidAddIn?: boolean;
}) {
  const acid = checked("equilibriumAcidPct", input.equilibriumAcidPct, 0, 12, "%");
  row("pour", POUR_D, input.pour);
  const fridge = checked("fridgeC", input.fridgeC, -30, 60, "°C");
  if (fridge > 5)
    throw new CalculationError(
      "fridgeC",
      "E_FRIDGE_WARM",
      `fridgeC: a fridge at ${fridge} °C keeps no pickle safely. Bring it to 5 °C or below.`,
    );
  const mm = checked("thicknessMm", input.thicknessMm ?? 8, 1, 120, "mm");
  const [, hot, cold] = KEEPS.find(([least]) => acid >= least) as readonly [number, number, number];
  let days = input.pour === "hot" ? hot : cold;
  if (mm <= 4) days = Math.floor(days * 0.7 + 1e-9);
  if (input.lowAcidAddIn === true) days = Math.min(days, 14);
  return withWarnings(
    { days, storage: "fridge_only" as const },
    { W_TREAT_AS_SALAD: acid < 0.6, W_THICK_COLD: mm > 25 && input.pour === "cold" },
  );
}

/**
 * What may be said of keeping a jar on a shelf: at most that the tested recipe is to be followed. It never says that a jar is safe there.
 * @param input testedSource, unmodified, processedAsWritten, altitudeAdjusted: each must be true; measuredPh 0–14 where measured
 * @returns claim fridge_only or follow_the_tested_recipe, and the reasons against the shelf
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE (measuredPh)
 */
export function shelfStableClaim(input: {
  readonly testedSource?: boolean;
  readonly unmodified?: boolean;
  readonly processedAsWritten?: boolean;
  readonly altitudeAdjusted?: boolean;
  readonly measuredPh?: number;
}) {
  const ph = input.measuredPh === undefined ? undefined : checked("measuredPh", input.measuredPh, 0, 14);
  const reasons = [
    ...(input.testedSource === true ? [] : ["NO_TESTED_RECIPE"]),
    ...(input.unmodified === true ? [] : ["RECIPE_CHANGED"]),
    ...(input.processedAsWritten === true ? [] : ["NOT_PROCESSED"]),
    ...(input.altitudeAdjusted === true ? [] : ["ALTITUDE_NOT_SET"]),
    ...(ph !== undefined && ph > 4.6 ? ["PH_TOO_HIGH"] : []),
  ];
  return { claim: reasons.length ? ("fridge_only" as const) : ("follow_the_tested_recipe" as const), reasons };
}
