// Ovens, frying, fire and slow cookers, by balances of energy; their constants are fitted to household things and say so.
// Sources: USDA FSIS Slow Cookers and Food Safety 2013; heating values of charcoal and wood. Fire burns outdoors only: carbon monoxide.
import { CalculationError, checked, row } from "../calculation-error";
import tables from "../tables/heat.json";

const OVEN = tables.OVENS.electricStill;
const SOAK_MIN = 10;

/**
 * Minutes until an oven's air is hot, and the soak that its walls want after it.
 * @param input startC −10–400 (21); setC 30–700; powerW 200–30000 (2500); heatCapJK 500–1e6 (12500); lossWK 0.5–50 (4); roomC −10–45 (21)
 * @returns minutes (Infinity where it cannot get there), soakMin (null then)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function ovenPreheat(input: {
  readonly startC?: number;
  readonly setC: number;
  readonly powerW?: number;
  readonly heatCapJK?: number;
  readonly lossWK?: number;
  readonly roomC?: number;
}) {
  const room = checked("roomC", input.roomC ?? 21, -10, 45, "°C");
  const start = checked("startC", input.startC ?? room, -10, 700, "°C");
  const set = checked("setC", input.setC, 30, 700, "°C");
  const loss = checked("lossWK", input.lossWK ?? OVEN.lossWK, 0.5, 50, "W/K");
  const end = room + checked("powerW", input.powerW ?? OVEN.powerW, 200, 30_000, "W") / loss;
  const capacity = checked("heatCapJK", input.heatCapJK ?? OVEN.heatCapJK, 500, 1e6, "J/K");
  if (start >= set) return { minutes: 0, soakMin: SOAK_MIN };
  if (end <= set) return { minutes: Number.POSITIVE_INFINITY, soakMin: null };
  return { minutes: ((capacity / loss) * Math.log((end - start) / (end - set))) / 60, soakMin: SOAK_MIN };
}

/**
 * Minutes until an oven has cooled.
 * @param input startC, targetC up to 700; tauMin 5–3000 (52; masonry 1400); doorAjar; roomC −10–45 (21)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function ovenCoolDown(input: {
  readonly startC: number;
  readonly targetC: number;
  readonly tauMin?: number;
  readonly doorAjar?: boolean;
  readonly roomC?: number;
}) {
  const room = checked("roomC", input.roomC ?? 21, -10, 45, "°C");
  const start = checked("startC", input.startC, -10, 700, "°C");
  const target = checked("targetC", input.targetC, -10, 700, "°C");
  const tau = checked("tauMin", input.tauMin ?? 52, 5, 3000, "min") * (input.doorAjar === true ? 0.4 : 1);
  if (start <= target) return { value: 0 };
  return { value: target <= room ? Number.POSITIVE_INFINITY : tau * Math.log((start - room) / (target - room)) };
}

interface FryInput {
  readonly oilKg: number;
  readonly oilC: number;
  readonly foodC?: number;
  readonly waterOff?: number;
  readonly tauS?: number;
  readonly burnerW?: number;
}

const OIL_CP = 2200;

function fryer(input: FryInput) {
  const oil = checked("oilKg", input.oilKg, 0.2, 15, "kg");
  const oilC = checked("oilC", input.oilC, 100, 210, "°C");
  const food = checked("foodC", input.foodC ?? 5, -30, 90, "°C");
  const waterOff = checked("waterOff", input.waterOff ?? 0.25, 0, 0.9);
  const tau = checked("tauS", input.tauS ?? 90, 5, 1000, "s");
  const burner = checked("burnerW", input.burnerW ?? 1200, 50, 20_000, "W");
  const perKg = 3600 * (95 - Math.max(food, 0)) + (food < 0 ? 250_000 : 0) + waterOff * 2_257_000;
  const lowest = (foodKg: number) => {
    const demand = foodKg * perKg;
    const at = demand / tau > burner ? tau * Math.log(demand / (tau * burner)) : 0;
    const change = (burner * at - demand * (1 - Math.exp(-at / tau))) / (oil * OIL_CP);
    return { at, minC: oilC + change, demand };
  };
  return { oil, oilC, burner, lowest };
}

/**
 * How far oil falls under a batch, when it is lowest and when it is back. Pot half full at most; frozen wet food boils over.
 * @param input oilKg 0.2–15; oilC 100–210; foodKg 0–5; foodC −30–90 (5); waterOff 0–0.9 (0.25); tauS 5–1000 (90); burnerW useful (1200)
 * @returns minC, dropC, atS, recoverS, ratio of oil to food
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function fryBatch(input: FryInput & { readonly foodKg: number }) {
  const f = fryer(input);
  const food = checked("foodKg", input.foodKg, 0, 5, "kg");
  const { at, minC, demand } = f.lowest(food);
  return {
    minC,
    dropC: f.oilC - minC,
    atS: at,
    recoverS: Math.max(at, demand / f.burner),
    ratio: food > 0 ? f.oil / food : Number.POSITIVE_INFINITY,
  };
}

/**
 * The largest batch that keeps the oil above a temperature, kg.
 * @param input as fryBatch; minC 100 up to oilC
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function fryMaxBatch(input: FryInput & { readonly minC: number }) {
  const f = fryer(input);
  const least = checked("minC", input.minC, 100, f.oilC, "°C");
  let [low, high] = [0, 5];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (f.lowest(middle).minC >= least) low = middle;
    else high = middle;
  }
  return { value: low };
}

const FUEL: Readonly<Record<string, { readonly mj: number; readonly ashPct: number }>> = tables.FUEL;
const COOKERS: Readonly<Record<string, { readonly baseW: number; readonly wPerK: number }>> = tables.COOKERS;

/**
 * Fuel for a fire, give or take 40 %. Outdoors only; ash cold for two days in metal.
 * @param input cooker, fuel rows of the tables; chamberC 60–400; ambientC −30–45 (15); hours 0.1–72; windFactor 1–2 (1)
 * @returns watts, kgPerHour, totalKg with lighting and a margin, ashKg
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function fuelBurn(input: {
  readonly cooker: string;
  readonly fuel: string;
  readonly chamberC: number;
  readonly ambientC?: number;
  readonly hours: number;
  readonly windFactor?: number;
}) {
  const c = row("cooker", COOKERS, input.cooker);
  const f = row("fuel", FUEL, input.fuel);
  const warmer = checked("chamberC", input.chamberC, 60, 400, "°C") - checked("ambientC", input.ambientC ?? 15, -30, 45, "°C");
  const watts = (c.baseW + c.wPerK * warmer) * checked("windFactor", input.windFactor ?? 1, 1, 2);
  const kgPerHour = (watts * 3600) / (f.mj * 1e6);
  const hours = checked("hours", input.hours, 0.1, 72, "h");
  return { watts, kgPerHour, totalKg: kgPerHour * hours * 1.15 + 0.35, ashKg: (kgPerHour * hours * f.ashPct) / 100 };
}

/**
 * Minutes until a charge wants topping up, the lighting of the next counted.
 * @param input chargeKg 0.05–50; kgPerHour 0.01–20; usable 0.1–1 (0.65); lightMin 0–120 (15)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function topUpMinutes(input: {
  readonly chargeKg: number;
  readonly kgPerHour: number;
  readonly usable?: number;
  readonly lightMin?: number;
}) {
  const burns = checked("chargeKg", input.chargeKg, 0.05, 50, "kg") * checked("usable", input.usable ?? 0.65, 0.1, 1);
  const minutes = (burns / checked("kgPerHour", input.kgPerHour, 0.01, 20, "kg/h")) * 60;
  return { value: Math.max(0, minutes - checked("lightMin", input.lightMin ?? 15, 0, 120, "min")) };
}

const SETTINGS: Readonly<Record<string, { readonly wPerL: number; readonly most: number }>> = {
  low: { wPerL: 33, most: 97 },
  high: { wPerL: 52, most: 99 },
};

/**
 * A slow cooker's heating up, and whether it is soon enough. Kidney beans never raw, no frozen meat, no reheating in it.
 * @param input capacityL 1–9; foodKg 0.1–9; density 0.5–1.5 (1); t0 0–95 (5); setting low (default) or high; roomC 5–40 (21)
 * @returns fill, fillVerdict ok, tooEmpty, tooFull; to60Min, to90Min (Infinity where never); endC; safety ok, startHot, no
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function slowCooker(input: {
  readonly capacityL: number;
  readonly foodKg: number;
  readonly density?: number;
  readonly t0?: number;
  readonly setting?: string;
  readonly roomC?: number;
}) {
  const capacity = checked("capacityL", input.capacityL, 1, 9, "L");
  const food = checked("foodKg", input.foodKg, 0.1, 9, "kg");
  const fill = food / checked("density", input.density ?? 1, 0.5, 1.5, "kg/L") / capacity;
  if (fill > 1.05) throw new CalculationError("foodKg", "E_RANGE", `foodKg: ${food} kg do not go into ${capacity} L.`);
  const t0 = checked("t0", input.t0 ?? 5, 0, 95, "°C");
  const s = row("setting", SETTINGS, input.setting ?? "low");
  const loss = 0.55 + 0.29 * capacity;
  const end = checked("roomC", input.roomC ?? 21, 5, 40, "°C") + (capacity * s.wPerL) / loss;
  const to = (target: number) => {
    if (t0 >= target) return 0;
    return end <= target ? Number.POSITIVE_INFINITY : (((food * 3700) / loss) * Math.log((end - t0) / (end - target))) / 60;
  };
  const to60 = to(60);
  return {
    fill,
    fillVerdict: fill < 0.5 ? "tooEmpty" : fill > 0.75 ? "tooFull" : "ok",
    to60Min: to60,
    to90Min: to(90),
    endC: Math.min(s.most, end),
    safety: to60 <= 120 ? "ok" : to60 <= 240 ? "startHot" : "no",
  };
}
