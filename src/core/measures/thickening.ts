// Starch, gelatin, the gelatin of a stock and its set. Sources: McGee 2004; BeMiller 2019; GMIA gelatin handbook 2012; Schrieber & Gareis 2007.
import { CalculationError, checked, row, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

/** Corn starch in % of the liquid. */
const TEXTURE: Readonly<Record<string, number>> = { light_coat: 1.5, sauce: 2.5, gravy: 3.5, thick: 5, filling: 7 };
/** Thickening power, corn starch = 1. */
const POWER: Readonly<Record<string, number>> = {
  corn: 1,
  wheat_flour: 0.5,
  rice_flour: 0.55,
  potato: 1.3,
  tapioca: 1.05,
  arrowroot: 1.15,
  sweet_potato: 1,
};
/** What browning leaves of it. */
const ROUX: Readonly<Record<string, number>> = { none: 1, white: 1, blond: 0.9, brown: 0.65, dark: 0.4 };
const FLOURS = ["wheat_flour", "rice_flour"];
const FRAGILE = ["potato", "arrowroot", "tapioca"];

/**
 * Starch for a texture: as a slurry with twice its water, or as a roux with its own weight of fat.
 * @param input liquidG 1–1e5; texture light_coat, sauce, gravy, thick, filling; starch; roux none (default), white, blond, brown, dark; ph 2–8
 * @returns starchG (1 decimal), pctOfLiquid (2), fatG, slurryWaterG
 * @throws {CalculationError} E_UNKNOWN (also for a roux of pure starch), E_RANGE, E_NOT_FINITE
 * @example starchDose({ liquidG: 500, texture: "sauce", starch: "corn" }).starchG // 12.5
 */
export function starchDose(input: {
  readonly liquidG: number;
  readonly texture: string;
  readonly starch: string;
  readonly roux?: string;
  readonly ph?: number;
}) {
  const liquid = checked("liquidG", input.liquidG, 1, 1e5, "g");
  const texture = row("texture", TEXTURE, input.texture);
  const power = row("starch", POWER, input.starch);
  const roux = input.roux ?? "none";
  const left = row("roux", ROUX, roux);
  if (roux !== "none" && !FLOURS.includes(input.starch))
    throw new CalculationError("roux", "E_UNKNOWN", "roux: a roux is made with flour; pure starch goes in as a slurry.");
  const ph = input.ph === undefined ? undefined : checked("ph", input.ph, 2, 8);
  const pct = texture / (power * left);
  const starch = (liquid * pct) / 100;
  return withWarnings(
    {
      starchG: rounded(starch, 1),
      pctOfLiquid: rounded(pct, 2),
      fatG: roux === "none" ? 0 : rounded(starch, 1),
      slurryWaterG: roux === "none" ? rounded(starch * 2, 1) : 0,
    },
    { W_ACID_THINS: ph !== undefined && ph < 4, W_DO_NOT_BOIL_LONG: FRAGILE.includes(input.starch) },
  );
}

/** Gelatin of 200 Bloom in % of the liquid. */
const SETS: Readonly<Record<string, number>> = {
  mousse: 0.7,
  panna_cotta: 0.8,
  spoon_jelly: 1.2,
  unmoulded: 1.8,
  sliceable_aspic: 2.5,
  dumpling_aspic: 3,
  gummy: 8,
};

/**
 * Gelatin for a set; the firmness of a gel goes with the square of its strength, so weaker grades want the square root more.
 * @param input liquidG 1–1e5; set; bloom 80–300 (200); sheetG 1–6; rawEnzymeFruit: raw pineapple, kiwi, papaya, fig, melon or ginger;
 *   alcoholPct 0–100
 * @returns gelatinG (1 decimal), pct (2), bloomWaterG, and sheets to the half where sheetG is given
 * @throws {CalculationError} E_ENZYME_FRUIT, E_NO_SET above 40 % alcohol; E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example gelatinDose({ liquidG: 500, set: "panna_cotta" }) // { gelatinG: 4, pct: 0.8, bloomWaterG: 20 }
 */
export function gelatinDose(input: {
  readonly liquidG: number;
  readonly set: string;
  readonly bloom?: number;
  readonly sheetG?: number;
  readonly rawEnzymeFruit?: boolean;
  readonly alcoholPct?: number;
}) {
  const liquid = checked("liquidG", input.liquidG, 1, 1e5, "g");
  const strength = row("set", SETS, input.set);
  const bloom = checked("bloom", input.bloom ?? 200, 80, 300, "Bloom");
  if (input.rawEnzymeFruit === true)
    throw new CalculationError(
      "rawEnzymeFruit",
      "E_ENZYME_FRUIT",
      "rawEnzymeFruit: raw, this fruit digests gelatin. Heat it above 80 °C first.",
    );
  if (checked("alcoholPct", input.alcoholPct ?? 0, 0, 100, "%") > 40)
    throw new CalculationError("alcoholPct", "E_NO_SET", "alcoholPct: above 40 % gelatin does not set. Dilute it.");
  const pct = strength * Math.sqrt(200 / bloom);
  const grams = (liquid * pct) / 100;
  const dose = { gelatinG: rounded(grams, 1), pct: rounded(pct, 2), bloomWaterG: rounded(grams * 5, 0) };
  if (input.sheetG === undefined) return dose;
  return { ...dose, sheets: rounded((grams / checked("sheetG", input.sheetG, 1, 6, "g")) * 2, 0) / 2 };
}

const SWAPS = { sqrt: Math.sqrt, linear: (x: number) => x };

/**
 * Gelatin of one grade for another.
 * @param input g 0–1e4; fromBloom, toBloom 80–300; rule sqrt (default) or linear
 * @returns g (2 decimals)
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 * @example gelatinBloomSwap({ g: 10, fromBloom: 200, toBloom: 160 }) // { g: 11.18 }
 */
export function gelatinBloomSwap(input: {
  readonly g: number;
  readonly fromBloom: number;
  readonly toBloom: number;
  readonly rule?: keyof typeof SWAPS;
}) {
  const g = checked("g", input.g, 0, 1e4, "g");
  const ratio = checked("fromBloom", input.fromBloom, 80, 300, "Bloom") / checked("toBloom", input.toBloom, 80, 300, "Bloom");
  return { g: rounded(g * row("rule", SWAPS, input.rule ?? "sqrt")(ratio), 2) };
}

/** Gelatin that a source gives in the end, in % of its weight, and the hours that its release takes. */
const SOURCES: Readonly<Record<string, readonly [pct: number, tauH: number]>> = {
  pig_trotter: [8, 6],
  pork_skin: [22, 4],
  pork_bones: [3, 7],
  chicken_feet: [9, 3],
  chicken_wings: [3.5, 3],
  chicken_carcass: [2.5, 3.5],
  veal_knuckle: [5.5, 6],
  beef_knuckle: [4, 9],
  oxtail: [4.5, 6],
  beef_bones_lean: [2, 9],
  fish_frames: [2.2, 0.5],
};
const CLASSES: readonly (readonly [below: number, name: string])[] = [
  [0.6, "liquid"],
  [1, "wobble"],
  [1.8, "spoonable"],
  [2.8, "unmoulds"],
  [Number.POSITIVE_INFINITY, "sliceable_firm"],
];

/**
 * Gelatin that bones, feet and skin give a stock, and how it will set.
 * @param input sources 1–12 of kind and g (0–1e5); hours 0.1–48; pressure (four times as fast near 120 °C); final_mL 50–1e5
 * @returns gelatinG (whole), pct, low, high (2 decimals), setClass
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function stockGelatin(input: {
  readonly sources: readonly { readonly kind: string; readonly g: number }[];
  readonly hours: number;
  readonly pressure?: boolean;
  readonly final_mL: number;
}) {
  if (!Array.isArray(input.sources) || input.sources.length < 1 || input.sources.length > 12)
    throw new CalculationError("sources", "E_RANGE", "sources: give a list of 1 to 12 with kind and g.");
  const hours = checked("hours", input.hours, 0.1, 48, "h") * (input.pressure === true ? 4 : 1);
  const final = checked("final_mL", input.final_mL, 50, 1e5, "mL");
  const grams = (input.sources as readonly { readonly kind: string; readonly g: number }[]).reduce((sum, s, i) => {
    const [pct, tau] = row(`sources.${i}.kind`, SOURCES, s?.kind);
    return sum + ((checked(`sources.${i}.g`, s.g, 0, 1e5, "g") * pct) / 100) * (1 - Math.exp(-hours / tau));
  }, 0);
  const pct = (grams / final) * 100;
  return {
    gelatinG: rounded(grams, 0),
    pct: rounded(pct, 2),
    low: rounded(pct * 0.6, 2),
    high: rounded(pct * 1.4, 2),
    setClass: (CLASSES.find(([below]) => pct < below) as readonly [number, string])[1],
  };
}

/** Gelatin by what a spoonful does on a cold plate, %. */
const OBSERVED: Readonly<Record<string, number>> = { liquid: 0.4, wobble: 0.8, spoonable: 1.4, unmoulds: 2.2, sliceable_firm: 3 };

/**
 * What a stock needs to set as wanted, by 10 mL on a plate at 5 °C for a quarter of an hour; overnight is truer.
 * @param input observed liquid, wobble, spoonable, unmoulds, sliceable_firm; target a set of gelatinDose
 * @returns estimatedPct, action ok, reduce or reduce_and_add_gelatin, reduceToFraction (2 decimals), addGelatinPct
 * @throws {CalculationError} E_UNKNOWN
 */
export function stockSetCheck({ observed, target }: { readonly observed: string; readonly target: string }) {
  const has = row("observed", OBSERVED, observed);
  const wants = row("target", SETS, target);
  const share = has / wants;
  if (share >= 0.95) return { estimatedPct: has, action: "ok", reduceToFraction: 1, addGelatinPct: 0 };
  if (share >= 0.5) return { estimatedPct: has, action: "reduce", reduceToFraction: rounded(share, 2), addGelatinPct: 0 };
  return { estimatedPct: has, action: "reduce_and_add_gelatin", reduceToFraction: 0.5, addGelatinPct: rounded(wants - 2 * has, 2) };
}
