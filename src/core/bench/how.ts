// How a figure was calculated, for whoever asks: formula, inputs with their units, school where there is one, source.
import { MEASURES } from "../catalogue";
import type { Made } from "./panel";

interface How {
  readonly formula: string;
  readonly source: string;
  readonly school?: string;
}
const how = (formula: string, source: string, school?: string): How => ({ formula, source, ...(school ? { school } : {}) });

const HAMELMAN = "Hamelman, Bread, 2013";
const FIT = "fitted to published doughs (Hamelman 2013, Calvel 2001, Gänzle 1998), −30 to +35 %";
const CRANK = "Crank, The Mathematics of Diffusion, 1975; salt in lean meat by Gou 2003, Graiver 2006";
const FSIS = "9 CFR 424.21; USDA FSIS Processing Inspectors' Calculations Handbook, 1995";
const INCROPERA = "Incropera and others, Heat and Mass Transfer, 2007";
const GISSLEN = "Gisslen, Professional Cooking, 2018; Molt, Food for Fifty, 2017";
const BALANCE = "balance of masses";
const HEAT_BALANCE = "balance of heats";
const FIRE = "heat balance; constants indicative, ± 40 %";

/** By the name of the calculation. */
export const HOW: Readonly<Record<string, How>> = {
  gasMarkToCelsius: how("F = 250 + 25 · mark; C = (F − 32) · 5/9", "British scale"),
  convertTemperature: how("F = C · 1.8 + 32", "definition"),
  convertVolume: how("count · millilitres of the measure, by country", "NIST Handbook 44, appendix C; national standards"),
  toUsMeasure: how("the nearest spoon or cup", "NIST Handbook 44, appendix C"),
  countToMass: how("count · weight of one, with its band", "USDA AH-456 (Adams 1975)"),
  massToVolume: how("g / density", "USDA AH-456 (Adams 1975)"),
  yeastConvert: how("fresh 1, active dry 0.4, instant 0.33", HAMELMAN),
  frictionFromTrial: how("3 · dough − flour − room − water", "Pyler & Gorton, Baking Science, 2008"),
  totalHydration: how("Σ water of each / Σ flour", HAMELMAN),
  alkalineNoodle: how("shares of the flour", "household trials; 1 % is usual"),
  bakedSoda: how("2 NaHCO₃ → Na₂CO₃ + H₂O + CO₂: 0.63 of the weight", "stoichiometry"),
  brineStrength: how("salt / water; salt / (salt + water); of a saturated brine of 26.4 %", BALANCE),
  turnSchedule: how("every other day", "culinary practice"),
  nitritePpm: how("curing salt · 62 500 / weight", FSIS),
  iceBalance: how("heat of the stock = heat to melt and warm the ice", HEAT_BALANCE),
  iceForTarget: how("the same, solved for the ice", HEAT_BALANCE),
  batchesNeeded: how("⌈whole / most⌉", "arithmetic"),
  pressureCookerTemp: how("boiling point at that pressure; times halve every 12 °C", "Antoine (Stull 1947)"),
  judgeCooling: how("minutes from 57 to 21 °C, and to 5 °C, by the slowest point", "FDA Food Code 2022, 3-501.14; UK FSA 2020"),
  hotHold: how("minutes below 60 °C, on straight lines between readings", "FDA Food Code 2022, 3-501.16"),
  logReduction: how("Σ 10^((T − Tref) / z) / D", "USDA FSIS Appendix A, 2021"),
  insulatedBox: how("ice melts at UA · T; then m c dT/dt = UA (outside − T)", HEAT_BALANCE),
  bakersToGrams: how("each = flour · share / 100; flour = dough · 100 / Σ shares", HAMELMAN, "flour of a preferment counts as flour"),
  prefermentSplit: how("flour ahead = flour · share; its water = that · hydration; the rest on the day", HAMELMAN),
  waterTemperature: how(
    "n · wanted − Σ temperatures − friction",
    "Pyler & Gorton, Baking Science, 2008",
    "factor rule; the balance of heats is the other",
  ),
  iceForWater: how("ice · (334 + 4.18 · target) = tap · 4.18 · (tap − target)", HEAT_BALANCE),
  doughCoolingTau: how("τ = ρ c R / 3h + R² / π²α", "lumped body with its inner resistance, ± 25 %"),
  fermentSchedule: how(
    "Σ rate(T) · Δt against the hours at 24 °C that the dough needs",
    FIT,
    "two-slope Arrhenius; a doubling every 10 °C overstates a fridge threefold",
  ),
  fermentFinishTime: how("the minute at which Σ rate(T) · Δt meets the need", FIT),
  yeastForSchedule: how("yeast = (2 · target / equivalent hours / brakes)^(1 / 0.65)", FIT),
  starterBuild: how("seed : flour : water, their sum the starter wanted", HAMELMAN),
  starterPeak: how("hours by dilution and rate(T)", "Gänzle 1998; household trials"),
  equilibriumBrine: how("salt = target · (meat + water) / 100", BALANCE, "equilibrium: it cannot over-salt"),
  gradientBrine: how(
    "salt = share · water; in the meat: strength · 75 % · Crank's mean fraction",
    CRANK,
    "strong and short: it over-salts if forgotten",
  ),
  diffusionDays: how("the time at which Crank's series reaches the share; D ∝ e^(−22 kJ/mol / RT), band for D 1 to 4.5 · 10⁻¹⁰", CRANK),
  diffusionFraction: how("1 − Σ aₙ e^(−βₙ² D t / L²)", CRANK),
  drySalt: how("share · weight without bone", BALANCE),
  cureTimeRule: how("7 days for each inch (25.4 mm), then a day for each inch to even out; refused above 5 °C", "Nummer & Andress 2002"),
  curingSaltDose: how("curing salt = ppm · weight / (62 500 ppm)", FSIS, "ingoing nitrite on meat, or on meat and brine for an immersion"),
  injectionCure: how("ppm = pumped share · curing salt / brine · 62 500", FSIS),
  desalt: how("water and food share the salt after each water, as far as Crank's series lets them", CRANK),
  pickleAcidity: how("vinegar · strength over all the liquid, that of the vegetables too", "USDA Complete Guide to Home Canning, 2015"),
  vinegarForAcidity: how("vinegar = total · wanted / strength, rounded up", "balance of acid"),
  pickleReady: how("Crank's series to four fifths, faster if poured boiling, slower through skin", CRANK),
  pickleKeep: how(
    "days by acidity and pour, halved by low-acid additions",
    "USDA Complete Guide to Home Canning, 2015; fridge pickles only",
  ),
  shelfStableClaim: how("a jar keeps on the shelf by a tested recipe only", "USDA Complete Guide to Home Canning, 2015; 21 CFR 114"),
  jarLiquid: how("jar − π/4 · mouth² · headspace, times the share that the packing leaves", "household trials, ± 7 %"),
  vegetableSalt: how(
    "salt = share · (vegetables + water)",
    BALANCE,
    "on everything in the jar; others count the water or the vegetables alone",
  ),
  fermentPh: how(
    "a lag of 0.75 days, then an exponential of 2.5 days; 75 kJ/mol, slowed by salt",
    "fitted to Pederson & Albury 1969, Cheigh & Park 1994",
  ),
  fermentDaysToPh: how("as the pH curve, solved for the day", "fitted to Pederson & Albury 1969, Cheigh & Park 1994"),
  fermentCheck: how("by what is seen and measured; pH 4.6 is the mark", "USDA; 21 CFR 114.3"),
  culturedDairy: how("hours · 2^((T₀ − T) / 8)", "Tamime & Robinson, Yoghurt, 2007"),
  compareCooling: how(
    "stirred or thin: m c dT/dt = −UA (T − Ta) − steam; thick: Fourier's equation from the middle (Crank–Nicolson)",
    `${INCROPERA}; ASHRAE Refrigeration, 2018`,
  ),
  iceBathIce: how("m c ΔT + heat from the air, over the latent heat of ice", HEAT_BALANCE),
  recipeSplitWithIce: how("hot · c · (T − target) = ice · (c ice · 18 + 334 + 4.18 · target)", HEAT_BALANCE),
  vesselGeometry: how("areas and depth of a cylinder or tray", "geometry"),
  iceWand: how("heat goes through the bottles' walls into ice, until it has melted", "balance of heats; 250 W/m²K stirred"),
  coolStaged: how("m c dT/dt = −UA (T − Ta) − steam, by Runge–Kutta", INCROPERA),
  fridgeWithLoad: how("air and load coupled; compressor 110 W, cabinet 1.1 W/K", "household fridge, indicative"),
  dangerZoneAccount: how("Σ minutes between 5 and 60 °C, twice above 32 °C", "2-hour/4-hour rule (FSANZ); FDA Food Code 2022"),
  thawTime: how("Plank · 0.77 with shape factors", "Cleland & Earle 1984"),
  thawEnthalpySlab: how("enthalpy by explicit differences through the thickness", "Cleland & Earle 1984; ASHRAE Refrigeration, 2018"),
  burnerPower: how("rated watts · share that reaches the pot (gas 0.4, hotplate 0.65, induction 0.85)", "US DOE cooktop tests, indicative"),
  potHeatTime: how("m c dT/dt = P − loss · (T − room)", HEAT_BALANCE),
  judgeReheat: how("74 °C for 15 s, within two hours, once", "FDA Food Code 2022, 3-403.11"),
  heatThroughTime: how("Fourier's equation, Crank–Nicolson, until the middle is there", INCROPERA),
  bagComeUp: how("first terms of the series for the shape at Bi = h L / k", `${INCROPERA}; Baldwin 2012`),
  bagPasteurise: how("Σ 10^((T − Tref) / z) / D at the core, until the logs are met", "USDA FSIS Appendix A, 2021; Baldwin 2012"),
  holdForLog: how("logs · D · 10^((Tref − T) / z)", "USDA FSIS Appendix A, 2021"),
  seriesTheta: how("Σ Cₙ e^(−ζₙ² Fo)", INCROPERA),
  equivalentHalf: how("radius of a sphere or log of that weight at 1060 kg/m³", "geometry"),
  pullTemperature: how(
    "Fourier's equation in the oven, then in the room, halved until the peak is the target",
    `${INCROPERA}; surface evaporation 0.4 of wet`,
    "upper guess of the rise",
  ),
  roastAndRest: how(
    "Fourier's equation in the oven, its surface wet at first and drying (180 min · e^((120 − oven) / 17), at least 5), then in the room until the middle stops rising",
    `${INCROPERA}; drying fitted to commonly given roasting times`,
  ),
  carryOverRule: how("rise by oven and weight from a table", "culinary practice", "lower guess of the rise"),
  roastForecast: how("weighted grid of spheres fitted to the readings, with stall and wrapping", "Heisler 1947; Bayesian grid"),
  stallTemperature: how("heat from the pit = heat of the steam from a wet surface", INCROPERA),
  fuelBurn: how("(base + W/K · (inside − outside)) · wind / heat of the fuel, + 15 % + 0.35 kg", FIRE),
  topUpMinutes: how("usable fuel / burn rate − time to light", FIRE),
  ovenPreheat: how("C/U · ln((Teq − start) / (Teq − set))", `${INCROPERA}; household ovens, indicative`),
  ovenCoolDown: how("τ ln((start − room) / (target − room))", "household ovens, indicative"),
  fryBatch: how("m c dT/dt = burner − heat and steam of the food", "balance of energy"),
  fryMaxBatch: how("the batch at which the lowest point is the floor", "balance of energy"),
  slowCooker: how("m c dT/dt = W − UA (T − room)", "USDA FSIS, Slow Cookers and Food Safety, 2013; constants fitted"),
  evaporationRate: how("surface · flux by vigour · lid, at most power / 2257 kJ/kg", "latent heat; ASHRAE's open tanks; −40 to +50 %"),
  reductionTime: how("(start − end) / rate", "latent heat; ASHRAE's open tanks; −40 to +50 %"),
  saltAfterReduction: how("salt / what is left", BALANCE),
  saltToFinish: how("m · (target − now) / (100 − target)", BALANCE),
  topUpPlan: how("as many as keep the level above the mark", BALANCE),
  stockYield: how("water − steam + top-ups − what solids hold", BALANCE),
  starchDose: how("share by texture and starch, more for a darker roux", "McGee, On Food and Cooking, 2004"),
  gelatinDose: how("share by set · √(200 / Bloom)", "Gelatin Handbook, GMIA, 2012"),
  gelatinBloomSwap: how("g · √(Bloom / Bloom)", "Gelatin Handbook, GMIA, 2012", "square root; some take the plain ratio"),
  stockGelatin: how("Σ g · yield · (1 − e^(−h/τ)), four times as fast under pressure", "Schrieber & Gareis 2007; −40 to +40 %"),
  stockSetCheck: how("gelatin by the look of a chilled spoon, against the set wanted", "household trials"),
  sugarSyrup: how("°Bx = sugar / (sugar + water) · 100; density by Brix", "Bates and others, NIST C440"),
  sugarStageTemp: how("stage at the sea − what water boils lower", "Stull 1947; McGee 2004"),
  boilingPoint: how("pressure by height, boiling by Antoine's constants", "ICAO 1993; Stull 1947"),
  guestEquivalents: how("Σ count · appetite · courses · (1 + left over)", GISSLEN),
  portionRaw: how("portion as bought · appetites; of n things each 1.15 / n", GISSLEN),
  chainYield: how("Π yields", "USDA AH-102; Bognár 2002"),
  rawNeeded: how("plate / Π yields · (1 + spare)", "USDA AH-102; Bognár 2002"),
  dryingYield: how("dry matter stays: m · (100 − wet) / (100 − dry)", BALANCE),
  doughPiecePlan: how("pieces · weight / (1 − loss)", GISSLEN),
  panScale: how("area / area · depth / depth", "geometry"),
  scaleAmount: how("amount · factor^exponent (spice 0.85, surface ⅔)", GISSLEN),
  scaleTime: how("minutes · factor^exponent by what bounds it", GISSLEN),
  volumeToMass: how("mL · density, with the band of hands", "USDA AH-456 (Adams 1975)"),
  saltPerServing: how("Σ weight · salt · share eaten / guests", "WHO 2012: 5 g a day"),
  alcoholRetained: how("share by how and how long it cooked", "Augustin 1992; USDA Retention Factors 6, 2007"),
};

export interface Explained extends How {
  readonly name: string;
  readonly says: string;
  /** Each input with its unit. */
  readonly inputs: readonly (readonly [name: string, value: string])[];
}

/** What a made calculation tells of itself. */
export function explained({ name, input }: Made): Explained {
  const measure = MEASURES[name];
  const units = new Map(measure?.inputs.map((i) => [i.name, i.unit ?? ""]));
  const told = (value: unknown) =>
    typeof value === "number"
      ? String(Number(value.toPrecision(5)))
      : typeof value === "object"
        ? JSON.stringify(value, (_, x) => (typeof x === "number" ? Number(x.toPrecision(4)) : x))
        : String(value);
  return {
    ...(HOW[name] ?? how("", "")),
    name,
    says: measure?.says ?? name,
    inputs: Object.entries(input).map(([key, value]) => [key, `${told(value)} ${units.get(key) ?? ""}`.trim()]),
  };
}
