// Boiling: by altitude, under pressure, of syrups. Sources: ICAO standard atmosphere 1993; Stull 1947 (Antoine's constants).
// No time for preserving in jars is computed from it, and none can be: no thermal process is in this application.
import { checked, row, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

const SEA_KPA = 101.325;
const MMHG = 7.500617;

const pressureAt = (altitudeM: number) => SEA_KPA * (1 - 2.25577e-5 * altitudeM) ** 5.25588;

/** Boiling point of water, °C, at an absolute pressure; two sets of constants, joined so that 100 °C is whole. */
function boilsAt(kPa: number): number {
  const p = Math.log10(kPa * MMHG);
  if (kPa <= SEA_KPA) return 1730.63 / (8.07131 - p) - 233.426;
  return 1810.94 / (8.14019 - p) - 244.485 + 0.159 * Math.max(0, 1 - (kPa - SEA_KPA) / 50);
}

/**
 * Boiling point of water by altitude; weather moves it by 0.8 °C.
 * @param input altitudeM −430–5500
 * @returns kPa, celsius (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example boilingPoint({ altitudeM: 1600 }) // { kPa: 83.5, celsius: 94.7 }
 */
export function boilingPoint({ altitudeM }: { readonly altitudeM: number }) {
  const kPa = pressureAt(checked("altitudeM", altitudeM, -430, 5500, "m"));
  return { kPa: rounded(kPa, 1), celsius: rounded(boilsAt(kPa), 1) };
}

/**
 * Temperature in a pressure cooker, and what it makes of a time at 100 °C for collagen and pulses: halved every 12 °C.
 * @param input gaugeKPa 0–110; altitudeM −430–4500 (0)
 * @returns celsius (1 decimal), timeFactor (2)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example pressureCookerTemp({ gaugeKPa: 103.4 }) // { celsius: 121.1, timeFactor: 0.3 }
 */
export function pressureCookerTemp({ gaugeKPa, altitudeM = 0 }: { readonly gaugeKPa: number; readonly altitudeM?: number }) {
  const t = boilsAt(checked("gaugeKPa", gaugeKPa, 0, 110, "kPa") + pressureAt(checked("altitudeM", altitudeM, -430, 4500, "m")));
  return { celsius: rounded(t, 1), timeFactor: rounded(2 ** (-(t - 100) / 12), 2) };
}

/**
 * Strength, weight and volume of a syrup; within 0.4 % to 67 Brix.
 * @param input sugarG 0–1e5; waterG 1–1e5
 * @returns brix (1 decimal), specificGravity (3), volume_mL
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example sugarSyrup({ sugarG: 200, waterG: 200 }) // { brix: 50, specificGravity: 1.233, volume_mL: 324 }
 */
export function sugarSyrup({ sugarG, waterG }: { readonly sugarG: number; readonly waterG: number }) {
  const sugar = checked("sugarG", sugarG, 0, 1e5, "g");
  const water = checked("waterG", waterG, 1, 1e5, "g");
  const brix = (100 * sugar) / (sugar + water);
  const gravity = 1 + brix / (258.6 - (brix / 258.2) * 227.1);
  return withWarnings(
    { brix: rounded(brix, 1), specificGravity: rounded(gravity, 3), volume_mL: rounded((sugar + water) / gravity, 0) },
    { W_MAY_CRYSTALLISE: brix > 67 },
  );
}

/** °C at sea level; what is set by the water left in it moves with the boiling point, caramel does not. */
const STAGES: Readonly<Record<string, readonly [low: number, high: number, boils: boolean]>> = {
  thread: [106, 112, true],
  soft_ball: [112, 116, true],
  firm_ball: [118, 121, true],
  hard_ball: [121, 130, true],
  soft_crack: [132, 143, true],
  hard_crack: [146, 154, true],
  light_caramel: [160, 168, false],
  dark_caramel: [170, 180, false],
};

/**
 * Temperatures of boiled sugar. It sticks and burns: ice water ready, no children near.
 * @param input stage thread, soft_ball, firm_ball, hard_ball, soft_crack, hard_crack, light_caramel, dark_caramel; altitudeM −430–5500 (0)
 * @returns lowC, highC, always warned of
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function sugarStageTemp({ stage, altitudeM = 0 }: { readonly stage: string; readonly altitudeM?: number }) {
  const [low, high, boils] = row("stage", STAGES, stage);
  const lower = 100 - boilsAt(pressureAt(checked("altitudeM", altitudeM, -430, 5500, "m")));
  const shift = boils ? lower : 0;
  return { lowC: rounded(low - shift, 0), highC: rounded(high - shift, 0), warnings: ["W_SYRUP_BURN"] };
}
