// Dough: bakers' percentages both ways, preferments, hydration, the temperature of the water.
// Sources: J. Hamelman, Bread, 2013; E. Pyler and L. Gorton, Baking Science, 2008. All flour is 100 %, that in preferments included.
import { CalculationError, checked, row } from "./calculation-error";
import { rounded } from "./rounding";

const grams = (g: number) => rounded(g, g < 10 ? 2 : 1);

function amounts(field: string, given: unknown, most: number): [string, number][] {
  if (typeof given !== "object" || given === null || Array.isArray(given))
    throw new CalculationError(field, "E_NOT_FINITE", `${field}: give figures by name.`);
  return Object.entries(given).map(([name, value]) => [name, checked(`${field}.${name}`, value, 0, most)]);
}

/**
 * Weights from percentages of flour, for so much flour or so much dough.
 * @param input flourG or doughG (1–1e6, one of them); percents 0–200 by name
 * @returns grams by name with flour first, totalG, sumPct
 * @throws {CalculationError} E_ONE_OF, E_RANGE, E_NOT_FINITE
 * @example bakersToGrams({ flourG: 500, percents: { water: 70, salt: 2.2, oil: 3 } }).totalG // 876
 */
export function bakersToGrams({
  flourG,
  doughG,
  percents,
}: {
  readonly flourG?: number;
  readonly doughG?: number;
  readonly percents: Readonly<Record<string, number>>;
}) {
  if ((flourG === undefined) === (doughG === undefined))
    throw new CalculationError("flourG|doughG", "E_ONE_OF", "Give exactly one of flourG and doughG.");
  const parts = amounts("percents", percents, 200);
  const sum = 100 + parts.reduce((n, [, p]) => n + p, 0);
  const flour = flourG === undefined ? (checked("doughG", doughG, 1, 1e6, "g") * 100) / sum : checked("flourG", flourG, 1, 1e6, "g");
  const made: Record<string, number> = { flour: grams(flour) };
  for (const [name, p] of parts) made[name] = grams((flour * p) / 100);
  return { grams: made, totalG: rounded((flour * sum) / 100, 1), sumPct: rounded(sum, 2) };
}

/**
 * Percentages of flour from weights; the flours together are 100 %.
 * @param input flours and others: grams by name, 0–1e6
 * @returns flourG, percents (2 decimals)
 * @throws {CalculationError} E_RANGE without flour, E_NOT_FINITE
 * @example gramsToBakers({ flours: { bread: 800, rye: 200 }, others: { water: 720 } }).percents.water // 72
 */
export function gramsToBakers({
  flours,
  others,
}: {
  readonly flours: Readonly<Record<string, number>>;
  readonly others: Readonly<Record<string, number>>;
}) {
  const ground = amounts("flours", flours, 1e6);
  const flourG = ground.reduce((n, [, g]) => n + g, 0);
  if (!(flourG > 0)) throw new CalculationError("flours", "E_RANGE", "flours: a dough needs some.");
  const percents: Record<string, number> = {};
  for (const [name, g] of [...ground, ...amounts("others", others, 1e6)]) percents[name] = rounded((g / flourG) * 100, 2);
  return { flourG: rounded(flourG, 1), percents };
}

/**
 * A preferment taken out of a dough's own flour and water, so that the sums stay those of the formula. The seed's flour is counted.
 * @param input flourG, waterG 1–1e6; prefermentedFlourPct 1–100; prefermentHydrationPct 45–200; inoculationPct 0–300 on fresh flour
 * @returns grams of the preferment, of its seed, fresh flour and water, and what is left for the final dough (1 decimal)
 * @throws {CalculationError} E_NOT_ENOUGH_WATER, E_RANGE, E_NOT_FINITE
 */
export function prefermentSplit({
  flourG,
  waterG,
  prefermentedFlourPct,
  prefermentHydrationPct,
  inoculationPct = 0,
}: {
  readonly flourG: number;
  readonly waterG: number;
  readonly prefermentedFlourPct: number;
  readonly prefermentHydrationPct: number;
  readonly inoculationPct?: number;
}) {
  const flour = checked("flourG", flourG, 1, 1e6, "g");
  const water = checked("waterG", waterG, 0, 1e6, "g");
  const h = checked("prefermentHydrationPct", prefermentHydrationPct, 45, 200, "%") / 100;
  const inside = (flour * checked("prefermentedFlourPct", prefermentedFlourPct, 1, 100, "%")) / 100;
  const i = checked("inoculationPct", inoculationPct, 0, 300, "%") / 100;
  const wet = inside * h;
  if (wet > water + 1e-9)
    throw new CalculationError(
      "waterG",
      "E_NOT_ENOUGH_WATER",
      `waterG: the preferment alone wants ${rounded(wet, 0)} g. Make it stiffer or smaller.`,
    );
  const fresh = inside / (1 + i / (1 + h));
  const seed = i * fresh;
  return {
    prefermentG: rounded(inside + wet, 1),
    seedG: rounded(seed, 1),
    freshFlourG: rounded(fresh, 1),
    freshWaterG: rounded(wet - (seed * h) / (1 + h), 1),
    finalFlourG: rounded(flour - inside, 1),
    finalWaterG: rounded(water - wet, 1),
  };
}

/**
 * A starter built up by a ratio of seed, flour and water.
 * @param input targetG 1–1e5; ratios 0–100, seed and flour above 0
 * @returns grams of each (1 decimal) and the dilution, whole over seed
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example starterBuild({ targetG: 220, ratioSeed: 1, ratioFlour: 5, ratioWater: 5 }).seedG // 20
 */
export function starterBuild({
  targetG,
  ratioSeed,
  ratioFlour,
  ratioWater,
}: {
  readonly targetG: number;
  readonly ratioSeed: number;
  readonly ratioFlour: number;
  readonly ratioWater: number;
}) {
  const target = checked("targetG", targetG, 1, 1e5, "g");
  const [s, f, w] = [
    checked("ratioSeed", ratioSeed, 0.01, 100),
    checked("ratioFlour", ratioFlour, 0.01, 100),
    checked("ratioWater", ratioWater, 0, 100),
  ];
  const part = target / (s + f + w);
  return { seedG: rounded(part * s, 1), flourG: rounded(part * f, 1), waterG: rounded(part * w, 1), dilution: rounded((s + f + w) / s, 2) };
}

/** Share of water in what goes into doughs. */
const WATER_SHARE: Readonly<Record<string, number>> = {
  water: 1,
  milk: 0.88,
  cream: 0.58,
  yogurt: 0.87,
  egg: 0.76,
  yolk: 0.5,
  white: 0.88,
  butter: 0.16,
  honey: 0.17,
  malt_syrup: 0.2,
  cooked_potato: 0.78,
  beer: 0.93,
  oil: 0,
  sugar: 0,
  salt: 0,
  flour: 0,
};

interface DoughItem {
  readonly kind: string;
  readonly g: number;
  /** Of a starter. */
  readonly hydrationPct?: number;
}

/**
 * Water of a whole dough over its flour, what eggs, milk and butter bring included; a starter is taken apart.
 * @param input items: kind (flour, water, milk, …, starter) and grams 0–1e6
 * @returns flourG, waterG, hydrationPct (1 decimal)
 * @throws {CalculationError} E_RANGE without flour, E_UNKNOWN, E_NOT_FINITE
 */
export function totalHydration({ items }: { readonly items: readonly DoughItem[] }) {
  if (!Array.isArray(items)) throw new CalculationError("items", "E_NOT_FINITE", "items: give a list of kinds and grams.");
  let flour = 0;
  let water = 0;
  (items as readonly DoughItem[]).forEach((item, i) => {
    const g = checked(`items.${i}.g`, item?.g, 0, 1e6, "g");
    if (item.kind === "starter") {
      const h = checked(`items.${i}.hydrationPct`, item.hydrationPct ?? 100, 0, 500, "%") / 100;
      flour += g / (1 + h);
      water += (g * h) / (1 + h);
    } else {
      water += g * row(`items.${i}.kind`, WATER_SHARE, item.kind);
      if (item.kind === "flour") flour += g;
    }
  });
  if (!(flour > 0)) throw new CalculationError("items", "E_RANGE", "items: there is no flour among them.");
  return { flourG: rounded(flour, 1), waterG: rounded(water, 1), hydrationPct: rounded((water / flour) * 100, 1) };
}

/**
 * How warm the water has to be for a dough of a wished temperature. N-factor: N·DDT − ΣT − friction (the bakers' way, the default); heat
 * balance: by the heat that each part holds (for very stiff, very wet doughs, very small or large preferments).
 * @param input ddtC 10–35; flourC, roomC, prefermentC −5–45; frictionC −5–30; method nFactor or heatBalance with masses
 * @returns waterC (1 decimal); a warning where yeast belongs into the flour
 * @throws {CalculationError} E_YEAST_HEAT above 50 °C, E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example waterTemperature({ ddtC: 25, flourC: 21, roomC: 22, frictionC: 3 }) // { waterC: 29 }
 */
export function waterTemperature({
  ddtC,
  flourC,
  roomC,
  frictionC,
  prefermentC,
  method = "nFactor",
  masses,
}: {
  readonly ddtC: number;
  readonly flourC: number;
  readonly roomC: number;
  readonly frictionC: number;
  readonly prefermentC?: number;
  readonly method?: "nFactor" | "heatBalance";
  readonly masses?: { readonly flourG: number; readonly waterG: number; readonly prefermentG?: number };
}) {
  const ddt = checked("ddtC", ddtC, 10, 35, "°C");
  const flour = checked("flourC", flourC, -20, 45, "°C");
  const room = checked("roomC", roomC, -5, 45, "°C");
  const friction = checked("frictionC", frictionC, -5, 30, "°C");
  const preferment = prefermentC === undefined ? undefined : checked("prefermentC", prefermentC, -5, 45, "°C");
  if (method !== "nFactor" && method !== "heatBalance")
    throw new CalculationError("method", "E_UNKNOWN", "method: give nFactor or heatBalance.");
  let water: number;
  if (method === "nFactor") water = (preferment === undefined ? 3 : 4) * ddt - flour - room - (preferment ?? 0) - friction;
  else {
    const mf = checked("masses.flourG", masses?.flourG, 1, 1e6, "g");
    const mw = checked("masses.waterG", masses?.waterG, 1, 1e6, "g");
    const mp = preferment === undefined ? 0 : checked("masses.prefermentG", masses?.prefermentG ?? 0, 0, 1e6, "g");
    water = ((mf * 1.8 + mw * 4.18 + mp * 2.8) * (ddt - friction / 3) - mf * 1.8 * flour - mp * 2.8 * (preferment ?? 0)) / (mw * 4.18);
  }
  if (water > 50)
    throw new CalculationError(
      "ddtC",
      "E_YEAST_HEAT",
      `The water would have to be ${rounded(water, 0)} °C, which kills yeast. Warm the flour or the room instead.`,
    );
  return { waterC: rounded(water, 1), ...(water > 43 ? { warnings: ["W_ADD_YEAST_TO_FLOUR"] } : {}) };
}

/**
 * What a mixer's friction adds, measured once: N·dough − Σ of what went in.
 * @param input temperatures −20–50 °C
 * @returns frictionC (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example frictionFromTrial({ doughC: 27, flourC: 22, roomC: 22, waterC: 24 }) // { frictionC: 13 }
 */
export function frictionFromTrial({
  doughC,
  flourC,
  roomC,
  waterC,
  prefermentC,
}: {
  readonly doughC: number;
  readonly flourC: number;
  readonly roomC: number;
  readonly waterC: number;
  readonly prefermentC?: number;
}) {
  const t = (name: string, v: unknown) => checked(name, v, -20, 50, "°C");
  const sum =
    t("flourC", flourC) + t("roomC", roomC) + t("waterC", waterC) + (prefermentC === undefined ? 0 : t("prefermentC", prefermentC));
  return { frictionC: rounded((prefermentC === undefined ? 3 : 4) * t("doughC", doughC) - sum, 1) };
}

/**
 * Ice and tap water that make water of a wished temperature: W·(tap − target)/(tap + 79.7). A target below 0 is met by the ice's melting.
 * @param input totalG 1–1e6; tapC 0–40; targetC −60–40
 * @returns iceG, tapG (whole)
 * @throws {CalculationError} E_UNREACHABLE where more than three quarters would be ice: chill the flour instead; E_RANGE, E_NOT_FINITE
 * @example iceForWater({ totalG: 650, tapC: 18, targetC: 5 }) // { iceG: 86, tapG: 564 }
 */
export function iceForWater({ totalG, tapC, targetC }: { readonly totalG: number; readonly tapC: number; readonly targetC: number }) {
  const total = checked("totalG", totalG, 1, 1e6, "g");
  const tap = checked("tapC", tapC, 0, 40, "°C");
  const target = checked("targetC", targetC, -60, 40, "°C");
  const ice = target >= tap ? 0 : (total * (tap - target)) / (tap + 79.7);
  if (ice > 0.75 * total)
    throw new CalculationError(
      "targetC",
      "E_UNREACHABLE",
      `targetC: ${target} °C would take ${rounded((ice / total) * 100, 0)} % ice. Chill the flour instead.`,
    );
  return { iceG: rounded(ice, 0), tapG: rounded(total - rounded(ice, 0), 0) };
}

const YEAST: Readonly<Record<string, number>> = { fresh: 1, activeDry: 0.4, instant: 0.33 };

/**
 * One kind of yeast for another: fresh 1, active dry 0.40, instant 0.33.
 * @param input g 0–1e5; from and to: fresh, activeDry, instant
 * @returns g (2 decimals)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example yeastConvert({ g: 21, from: "fresh", to: "instant" }) // { g: 6.93 }
 */
export function yeastConvert({ g, from, to }: { readonly g: number; readonly from: string; readonly to: string }) {
  return { g: rounded((checked("g", g, 0, 1e5, "g") / row("from", YEAST, from)) * row("to", YEAST, to), 2) };
}

/**
 * Sodium carbonate from baking soda, baked at 120 to 150 °C until it loses no more weight: × 105.988 / 168.014.
 * @param input bicarbonateG 0–2000
 * @returns carbonateG (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example bakedSoda({ bicarbonateG: 100 }) // { carbonateG: 63.1 }
 */
export function bakedSoda({ bicarbonateG }: { readonly bicarbonateG: number }) {
  return { carbonateG: rounded((checked("bicarbonateG", bicarbonateG, 0, 2000, "g") * 105.988) / 168.014, 1) };
}

/**
 * Springy wheat noodles: alkali, water and salt on flour. Weighed dry, with gloves, never lye.
 * @param input flourG 1–1e5; alkaliPct 0.2–2.5; potassiumShare 0–1 (0.6); hydrationPct 26–50; saltPct 0–3 (1)
 * @returns grams and the alkalinity in meq per kg of flour
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @see Fu 2008; Hou 2010
 */
export function alkalineNoodle({
  flourG,
  alkaliPct,
  potassiumShare = 0.6,
  hydrationPct,
  saltPct = 1,
}: {
  readonly flourG: number;
  readonly alkaliPct: number;
  readonly potassiumShare?: number;
  readonly hydrationPct: number;
  readonly saltPct?: number;
}) {
  const flour = checked("flourG", flourG, 1, 1e5, "g");
  const alkali = checked("alkaliPct", alkaliPct, 0.2, 2.5, "%");
  const share = checked("potassiumShare", potassiumShare, 0, 1);
  const water = (flour * checked("hydrationPct", hydrationPct, 26, 50, "%")) / 100;
  const salt = (flour * checked("saltPct", saltPct, 0, 3, "%")) / 100;
  const [potassium, sodium] = [(flour * alkali * share) / 100, (flour * alkali * (1 - share)) / 100];
  return {
    potassiumCarbonateG: rounded(potassium, 2),
    sodiumCarbonateG: rounded(sodium, 2),
    waterG: rounded(water, 1),
    saltG: rounded(salt, 1),
    totalG: rounded(flour + potassium + sodium + water + salt, 1),
    alkalinityMeqPerKgFlour: rounded(((potassium / 138.205 + sodium / 105.988) * 2e6) / flour, 0),
    warnings: ["W_CAUSTIC", ...(alkali > 1.5 ? ["W_SOAPY"] : [])],
  };
}
