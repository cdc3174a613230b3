// Cooling with ice and cold water: balances of energy. Ice that goes into food is food: potable water, clean trays.
// Sources: latent heat 334 kJ/kg, ice 2.1 and water 4.18 kJ/kgK.
import { CalculationError, checked } from "../calculation-error";

const [ICE_CP, FUSION, WATER_CP] = [2100, 334_000, 4180];
const iceTemp = (iceC: unknown) => checked("iceC", iceC, -30, 0, "°C");
const mass = (field: string, kg: unknown, low = 0.01) => checked(field, kg, low, 100, "kg");
const specific = (cp: unknown) => checked("cp", cp, 500, 5000, "J/kgK");
const hot = (field: string, t: unknown) => checked(field, t, -5, 130, "°C");

/**
 * A stock and the ice thrown into it, with no loss to the room.
 * @param input stockKg 0.01–100; stockC; iceKg 0–100; iceC −30–0 (−18); cp (4180)
 * @returns tempC (0 where ice is left), meltedKg
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function iceBalance(input: {
  readonly stockKg: number;
  readonly stockC: number;
  readonly iceKg: number;
  readonly iceC?: number;
  readonly cp?: number;
}) {
  const heat = mass("stockKg", input.stockKg) * specific(input.cp ?? WATER_CP);
  const stock = hot("stockC", input.stockC);
  const ice = mass("iceKg", input.iceKg, 0);
  const cold = iceTemp(input.iceC ?? -18);
  const temp = (heat * stock - ice * (ICE_CP * -cold + FUSION)) / (heat + ice * WATER_CP);
  if (temp >= 0) return { tempC: temp, meltedKg: ice };
  return { tempC: 0, meltedKg: Math.max(0, heat * stock - ice * ICE_CP * -cold) / FUSION };
}

/**
 * Ice that brings a stock to a temperature.
 * @param input stockKg; stockC; targetC 0 up to stockC; iceC (−18); cp (4180)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function iceForTarget(input: {
  readonly stockKg: number;
  readonly stockC: number;
  readonly targetC: number;
  readonly iceC?: number;
  readonly cp?: number;
}) {
  const stock = hot("stockC", input.stockC);
  const target = checked("targetC", input.targetC, 0, stock, "°C");
  const per = ICE_CP * -iceTemp(input.iceC ?? -18) + FUSION + WATER_CP * target;
  return { value: (mass("stockKg", input.stockKg) * specific(input.cp ?? WATER_CP) * (stock - target)) / per };
}

/**
 * A stock cooked with less water and brought to its weight with ice. A strength above 1.6 usually scorches.
 * @param input finalKg; hotC; targetC 0 up to hotC; iceC (−18)
 * @returns concentrateKg, iceKg, strength: how many times stronger the cooked part is seasoned
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function recipeSplitWithIce(input: {
  readonly finalKg: number;
  readonly hotC: number;
  readonly targetC: number;
  readonly iceC?: number;
}) {
  const final = mass("finalKg", input.finalKg);
  const from = hot("hotC", input.hotC);
  const target = checked("targetC", input.targetC, 0, from, "°C");
  const taken = WATER_CP * (from - target);
  const given = ICE_CP * -iceTemp(input.iceC ?? -18) + FUSION + WATER_CP * target;
  const ice = (final * taken) / (taken + given);
  return { concentrateKg: final - ice, iceKg: ice, strength: final / (final - ice) };
}

/**
 * Ice for a bath around a pot. Tap water first, down to about 30 °C, halves it.
 * @param input massKg; cp; t0, t1 °C; bathC 0–20 (2); iceC −30–0 (−5); airGainW 0–500 (40); minutes 0–600 (45)
 * @returns kg of ice
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function iceBathIce(input: {
  readonly massKg: number;
  readonly cp: number;
  readonly t0: number;
  readonly t1: number;
  readonly bathC?: number;
  readonly iceC?: number;
  readonly airGainW?: number;
  readonly minutes?: number;
}) {
  const from = hot("t0", input.t0);
  const heat = mass("massKg", input.massKg) * specific(input.cp) * (from - checked("t1", input.t1, -5, from, "°C"));
  const gain = checked("airGainW", input.airGainW ?? 40, 0, 500, "W") * 60 * checked("minutes", input.minutes ?? 45, 0, 600, "min");
  return {
    value: (heat + gain) / (ICE_CP * -iceTemp(input.iceC ?? -5) + FUSION + WATER_CP * checked("bathC", input.bathC ?? 2, 0, 20, "°C")),
  };
}

/**
 * A pot in a tub of cold water that warms. Where they meet above 21 °C, one fill does not do.
 * @param input massKg; cp; t0; waterKg; waterC; uaWK 1e-4–1e4; seconds 0–1e6
 * @returns foodC, waterC, meetC
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function coldBathTwoBody(input: {
  readonly massKg: number;
  readonly cp: number;
  readonly t0: number;
  readonly waterKg: number;
  readonly waterC: number;
  readonly uaWK: number;
  readonly seconds: number;
}) {
  const food = mass("massKg", input.massKg) * specific(input.cp);
  const water = checked("waterKg", input.waterKg, 0.01, 500, "kg") * WATER_CP;
  const [t0, tw] = [hot("t0", input.t0), hot("waterC", input.waterC)];
  const rate = checked("uaWK", input.uaWK, 1e-4, 1e4, "W/K") * (1 / food + 1 / water);
  const meet = (food * t0 + water * tw) / (food + water);
  const left = Math.exp(-rate * checked("seconds", input.seconds, 0, 1e6, "s"));
  return { foodC: meet + (t0 - meet) * left, waterC: meet + (tw - meet) * left, meetC: meet };
}

const WAND_STEP = 5;

/**
 * Sealed bottles of frozen water stirred in a pot. Washed and hot-rinsed outside; never soft plastic above what it stands.
 * @param input massKg; cp; t0; wandKg 0.05–10, wandM2 0.001–1 of each; count 1–10 (1); wandC −30–0 (−18); h 1–2000 (250); seconds 0–36000
 * @returns tempC, meltedFraction
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function iceWand(input: {
  readonly massKg: number;
  readonly cp: number;
  readonly t0: number;
  readonly wandKg: number;
  readonly wandM2: number;
  readonly count?: number;
  readonly wandC?: number;
  readonly h?: number;
  readonly seconds: number;
}) {
  const capacity = mass("massKg", input.massKg) * specific(input.cp);
  const count = checked("count", input.count ?? 1, 1, 10);
  const kg = checked("wandKg", input.wandKg, 0.05, 10, "kg") * count;
  const area = checked("wandM2", input.wandM2, 0.001, 1, "m²") * count;
  const cold = checked("wandC", input.wandC ?? -18, -30, 0, "°C");
  const h = checked("h", input.h ?? 250, 1, 2000, "W/m²K");
  const end = checked("seconds", input.seconds, 0, 36_000, "s");
  const [warm, melt] = [kg * ICE_CP * -cold, kg * FUSION];
  const wandAt = (e: number) => (e < warm ? cold + e / (kg * ICE_CP) : e < warm + melt ? 0 : (e - warm - melt) / (kg * WATER_CP));
  let [t, energy] = [hot("t0", input.t0), 0];
  for (let s = 0; s < end - 1e-9; s += WAND_STEP) {
    const q = h * area * (t - wandAt(energy)) * Math.min(WAND_STEP, end - s);
    energy += q;
    t -= q / capacity;
  }
  return { tempC: t, meltedFraction: Math.min(1, Math.max(0, (energy - warm) / melt)) };
}

const FRIDGE_STEP = 20;

/**
 * What hot food does to a fridge: its air, its load, its compressor at full power.
 * @param input loadKg 0.01–100; cp; loadC; uaLoadWK 0.01–100; roomC 5–45 (21); setC 0–10 (4); capacityW 10–1000 (110); uaCabinetWK 0.1–20 (1.1);
 *   cabinetJK 1000–1e6 (25000); hours 0.1–96 (12)
 * @returns peakAirC, minutesAirOver5, minutesAirOver8, loadTo5Min (null where not in time), endLoadC, endAirC
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function fridgeWithLoad(input: {
  readonly loadKg: number;
  readonly cp: number;
  readonly loadC: number;
  readonly uaLoadWK: number;
  readonly roomC?: number;
  readonly setC?: number;
  readonly capacityW?: number;
  readonly uaCabinetWK?: number;
  readonly cabinetJK?: number;
  readonly hours?: number;
}) {
  const capacity = mass("loadKg", input.loadKg) * specific(input.cp);
  const ua = checked("uaLoadWK", input.uaLoadWK, 0.01, 100, "W/K");
  const room = checked("roomC", input.roomC ?? 21, 5, 45, "°C");
  const set = checked("setC", input.setC ?? 4, 0, 10, "°C");
  const power = checked("capacityW", input.capacityW ?? 110, 10, 1000, "W");
  const cabinet = checked("uaCabinetWK", input.uaCabinetWK ?? 1.1, 0.1, 20, "W/K");
  const inside = checked("cabinetJK", input.cabinetJK ?? 25_000, 1000, 1e6, "J/K");
  const steps = Math.round((checked("hours", input.hours ?? 12, 0.1, 96, "h") * 3600) / FRIDGE_STEP);
  if (inside < ((ua + cabinet + 40) * FRIDGE_STEP) / 2)
    throw new CalculationError("cabinetJK", "E_RANGE", "cabinetJK: too small a cabinet for this load; give a larger one.");
  let [air, load] = [set, hot("loadC", input.loadC)];
  let [peak, over5, over8] = [air, 0, 0];
  let to5: number | null = load <= 5 ? 0 : null;
  for (let i = 0; i < steps; i++) {
    const removed = Math.min(power, Math.max(0, cabinet * (room - set) + 40 * (air - set)));
    const nextAir = air + ((cabinet * (room - air) + ua * (load - air) - removed) / inside) * FRIDGE_STEP;
    const nextLoad = load - ((ua * (load - air)) / capacity) * FRIDGE_STEP;
    if (to5 === null && nextLoad <= 5) to5 = (i + (load - 5) / (load - nextLoad)) * (FRIDGE_STEP / 60);
    [air, load] = [nextAir, nextLoad];
    peak = Math.max(peak, air);
    if (air > 5) over5 += FRIDGE_STEP / 60;
    if (air > 8) over8 += FRIDGE_STEP / 60;
  }
  return { peakAirC: peak, minutesAirOver5: over5, minutesAirOver8: over8, loadTo5Min: to5, endLoadC: load, endAirC: air };
}

/**
 * A box with food and ice, or hot food alone, on the road. Opening costs about a degree each time; take a reading on arrival.
 * @param input foodKg; cp; foodC; iceKg 0–50 (0); ambientC −20–50; uaWK 0.05–20 (0.6 foam, 1.2 soft bag, 1.5 blanket); hours 0–72
 * @returns iceHours, tempC at the end
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function insulatedBox(input: {
  readonly foodKg: number;
  readonly cp: number;
  readonly foodC: number;
  readonly iceKg?: number;
  readonly ambientC: number;
  readonly uaWK?: number;
  readonly hours: number;
}) {
  const capacity = mass("foodKg", input.foodKg) * specific(input.cp);
  const food = hot("foodC", input.foodC);
  const ice = checked("iceKg", input.iceKg ?? 0, 0, 50, "kg");
  const ambient = checked("ambientC", input.ambientC, -20, 50, "°C");
  const ua = checked("uaWK", input.uaWK ?? 0.6, 0.05, 20, "W/K");
  const seconds = checked("hours", input.hours, 0, 72, "h") * 3600;
  const spare = ice * FUSION - capacity * (food - 1);
  const lasts = ice > 0 && spare > 0 ? (ambient > 1 ? spare / (ua * (ambient - 1)) : Number.POSITIVE_INFINITY) : 0;
  if (lasts >= seconds && lasts > 0) return { iceHours: lasts / 3600, tempC: 1 };
  // Ice that cannot hold the box takes what it can out of the food first.
  const start = lasts > 0 ? 1 : ice > 0 ? iceBalanceC(capacity, food, ice) : food;
  const passed = seconds - lasts;
  return { iceHours: lasts / 3600, tempC: ambient + (start - ambient) * Math.exp((-ua * passed) / (capacity + ice * WATER_CP)) };
}

const iceBalanceC = (capacity: number, food: number, ice: number) => (capacity * food - ice * FUSION) / (capacity + ice * WATER_CP);
