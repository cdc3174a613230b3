// The calculations of the kitchen by name, each with what it says and its inputs.
// One line an input: `name low..high unit`, `name a|b|c`, or `name` and what it is; a `?` after the name: it may be left out; `=` its default.
import { allergensOf } from "../foods/allergens";
import * as boiling from "../measures/boiling";
import * as brine from "../measures/brine";
import * as curing from "../measures/curing-salt";
import * as density from "../measures/density";
import * as diffusion from "../measures/diffusion";
import * as dough from "../measures/dough";
import * as ferment from "../measures/ferment";
import { jarLiquid } from "../measures/jars";
import { parseAmount } from "../measures/parse-amount";
import * as pickle from "../measures/pickle";
import * as portions from "../measures/portions";
import * as proofing from "../measures/proofing";
import * as reduction from "../measures/reduction";
import * as rounding from "../measures/rounding";
import * as scaling from "../measures/scaling";
import * as serving from "../measures/serving";
import * as thickening from "../measures/thickening";
import * as units from "../measures/units";
import * as yields from "../measures/yields";

/** By subject and name. */
export type Rows = Readonly<Record<string, Readonly<Record<string, Row>>>>;
export type Row = readonly [run: (input: never) => object, says: string, inputs: string];

const LEAVENING =
  "yeastPct? 0.01..3 % of flour; prefermentedFlourPct? 1..50 % of flour; saltPct? 0..4 % of flour = 2; sugarPct? 0..30 % of flour = 0; target? 0.2..2 = 1";
const ORGANISM = "organism? yeast|sourdough = yeast";
export const GEOMETRY = "slab|cylinder|sphere";
const POT = "diameterMm 80..600 mm; vigour hot80|bareSimmer|simmer|gentleBoil|rollingBoil; lid? off|ajar|on = off; netPowerW? 50..10000 W";
const LACTIC = "tempC 3..32 °C; saltPct 1.5..8 %; ph0? 5..7 pH = 6; phEnd? 3.1..4.2 pH = 3.5";
const CURED = "meatG 50..100000 g; liquidG? 0..100000 g = 0; cureStrengthPct? 6.25..6.25 % = 6.25";
const D4 = "D4? 1e-10..4.5e-10 m²/s = 2.2e-10";

export const KITCHEN: Rows = {
  "Units and amounts": {
    convertMass: [
      units.convertMass,
      "A mass in another unit",
      "value 0..1e7; from mg|g|kg|oz|lb|stick_butter|jin|liang; to mg|g|kg|oz|lb|stick_butter|jin|liang",
    ],
    convertVolume: [
      units.convertVolume,
      "A volume in another unit or system",
      "value 0..1e7; from unit of volume; to unit of volume; system? us|us_label|metric|uk|imperial_old|au|jp = us; toSystem? us|us_label|metric|uk|imperial_old|au|jp",
    ],
    convertLength: [units.convertLength, "A length in another unit", "value 0..1e7; from mm|cm|m|in|ft; to mm|cm|m|in|ft"],
    convertTemperature: [units.convertTemperature, "A temperature in another unit", "value number; from C|F|K; to C|F|K"],
    convertTemperatureDelta: [units.convertTemperatureDelta, "A difference of temperatures", "value number; from C|F|K; to C|F|K"],
    gasMarkToCelsius: [units.gasMarkToCelsius, "A gas mark as a temperature", "mark 0.25..10"],
    volumeToMass: [density.volumeToMass, "The weight of a volume", "mL 0..1e6 mL; ingredient ingredient key"],
    massToVolume: [density.massToVolume, "The volume of a weight", "g 0..1e6 g; ingredient ingredient key"],
    countToMass: [density.countToMass, "The weight of pieces", "piece piece key; count 0..10000; state? asBought|edible = asBought"],
    parseAmount: [
      parseAmount,
      "An amount as it is typed",
      "text text; system? us|us_label|metric|uk|imperial_old|au|jp = us; locale? en|eu = en; hint? temperature",
    ],
    scaleAmount: [
      scaling.scaleAmount,
      "An amount for more or fewer",
      "amount 0..1e7; factor 0.05..100; rule? linear|potent|surface|none = linear",
    ],
    scaleTime: [
      scaling.scaleTime,
      "A time for more or fewer",
      "minutes 0..100000 min; factor 0.05..100; mode none|handwork|reduceSamePot|reduceSimilarPot|heatUpSamePower|roastByMass|thicknessConduction|thicknessSurface",
    ],
    panScale: [scaling.panScale, "From one tin to another", "from tin; to tin; depthRatio? 0.1..10 = 1"],
    batchesNeeded: [scaling.batchesNeeded, "How many batches", "total 0..1e9; capacity 1e-6..1e9"],
    roundKitchen: [
      rounding.roundKitchen,
      "A figure as a kitchen can measure it",
      "value 0..1e7; unit g|mL|min|C_oven|C_water|count|mm; mode? nearest|floor|ceil = nearest",
    ],
    toUsMeasure: [rounding.toUsMeasure, "Millilitres in cups and spoons", "mL 0..4000 mL"],
  },
  "Portions and yields": {
    guestEquivalents: [
      portions.guestEquivalents,
      "Appetites at the table",
      "guests list of guests; courses? 1..8 = 1; leftoverPct? 0..300 % = 0",
    ],
    portionRaw: [portions.portionRaw, "What to buy for so many", "category portion key; equivalents 0.1..2000; options? 1..6 = 1"],
    doughPiecePlan: [
      portions.doughPiecePlan,
      "Dough for so many pieces",
      "piece? piece of dough; pieceG? 1..3000 g; count 1..10000; lossPct? 0..15 % = 2",
    ],
    piecesFromDough: [portions.piecesFromDough, "Pieces from a dough", "doughG 1..1e6 g; pieceG 1..3000 g"],
    chainYield: [yields.chainYield, "What is left after each loss", "yields list of 1 to 8 yield keys or factors"],
    rawNeeded: [
      yields.rawNeeded,
      "What to buy for what reaches the plate",
      "finalG 1..1e6 g; yields list of 1 to 8 yield keys or factors; safetyPct? 0..50 % = 5",
    ],
    dryingYield: [yields.dryingYield, "What drying leaves", "startG 1..1e6 g; moistureStartPct 1..99 %; moistureEndPct 0..98 %"],
    stockYield: [
      yields.stockYield,
      "Stock that a pot gives",
      "water_mL 50..100000 mL; solidsG 0..100000 g; retentionPct? 0..60 % = 12; evaporation_mLph 0..20000 mL/h; hours 0..48 h; topUp_mL? 0..100000 mL = 0",
    ],
  },
  Dough: {
    bakersToGrams: [
      dough.bakersToGrams,
      "Weights from bakers' percentages",
      "flourG? 1..1e6 g; doughG? 1..1e6 g; percents figures by name, 0 to 200 %",
    ],
    gramsToBakers: [dough.gramsToBakers, "Bakers' percentages from weights", "flours weights by name, g; others weights by name, g"],
    prefermentSplit: [
      dough.prefermentSplit,
      "Flour and water for a preferment",
      "flourG 1..1e6 g; waterG 0..1e6 g; prefermentedFlourPct 1..100 %; prefermentHydrationPct 45..200 %; inoculationPct? 0..300 % = 0",
    ],
    totalHydration: [dough.totalHydration, "All the water of a dough", "items list of kind and g"],
    starterBuild: [
      dough.starterBuild,
      "A starter by its ratio",
      "targetG 1..100000 g; ratioSeed 0.01..100; ratioFlour 0.01..100; ratioWater 0..100",
    ],
    waterTemperature: [
      dough.waterTemperature,
      "Water for a dough of the wanted temperature",
      "ddtC 10..35 °C; flourC -20..45 °C; roomC -5..45 °C; frictionC -5..30 °C; prefermentC? -5..45 °C; method? nFactor|heatBalance = nFactor; masses? weights",
    ],
    frictionFromTrial: [
      dough.frictionFromTrial,
      "What a mixer warms",
      "doughC -20..50 °C; flourC -20..50 °C; roomC -20..50 °C; waterC -20..50 °C; prefermentC? -20..50 °C",
    ],
    iceForWater: [dough.iceForWater, "Ice for cold water", "totalG 1..1e6 g; tapC 0..40 °C; targetC -60..40 °C"],
    yeastConvert: [dough.yeastConvert, "One yeast for another", "g 0..100000 g; from fresh|activeDry|instant; to fresh|activeDry|instant"],
    fermentRate: [proofing.fermentRate, "How fast a dough ferments, 24 °C = 1", `tempC -20..50 °C; ${ORGANISM}`],
    fermentTimeConstant: [proofing.fermentTimeConstant, "Hours to rise at one temperature", `tempC -20..50 °C; ${ORGANISM}; ${LEAVENING}`],
    doughCoolingTau: [
      proofing.doughCoolingTau,
      "How slowly a dough takes up the cold",
      "massG 10..20000 g; shape? ball|slab = ball; thicknessMm? 5..300 mm; h? 1..100 W/m²K = 6",
    ],
    fermentSchedule: [
      proofing.fermentSchedule,
      "A dough through room and fridge",
      `segments list of 1 to 20 with hours 0 to 240 and ambientC -5 to 45; startC 0..40 °C; tauH 0..24 h; ${ORGANISM}; ${LEAVENING}`,
    ],
    fermentFinishTime: [
      proofing.fermentFinishTime,
      "Hours until a dough is ready",
      `segments? list of up to 20; startC 0..40 °C; tauH 0..24 h; ambientC -5..45 °C; ${ORGANISM}; ${LEAVENING}`,
    ],
    yeastForSchedule: [
      proofing.yeastForSchedule,
      "Yeast for a schedule",
      "segments list of 1 to 20 with hours 0 to 240 and ambientC -5 to 45; startC 0..40 °C; tauH 0..24 h; saltPct? 0..4 % of flour = 2; sugarPct? 0..30 % of flour = 0; target? 0.2..2 = 1",
    ],
    starterPeak: [proofing.starterPeak, "When a starter is at its peak", "dilution 1.5..60; tempC 4..38 °C"],
    bakedSoda: [dough.bakedSoda, "Carbonate from baking soda", "bicarbonateG 0..2000 g"],
    alkalineNoodle: [
      dough.alkalineNoodle,
      "Dough for alkaline noodles",
      "flourG 1..100000 g; alkaliPct 0.2..2.5 %; potassiumShare? 0..1 = 0.6; hydrationPct 26..50 %; saltPct? 0..3 % = 1",
    ],
  },
  "Brine and cure": {
    equilibriumBrine: [
      brine.equilibriumBrine,
      "A brine that cannot over-salt",
      "meatG 1..100000 g; waterG 0..100000 g; targetPct 0.3..6 %; boneFraction? 0..0.6 = 0; sugarPct? 0..20 % = 0; meatWaterFraction? 0.4..0.9 = 0.75",
    ],
    gradientBrine: [
      brine.gradientBrine,
      "A strong brine for a short time",
      `waterG 1..100000 g; pctOfWater 0.5..26.4 %; thicknessMm 1..300 mm; hours 0..240 h; geometry? ${GEOMETRY} = slab; tempC? 0..5 °C = 4; meatWaterFraction? 0.4..0.9 = 0.75`,
    ],
    brineStrength: [brine.brineStrength, "One brine in three scales", "saltG 0..100000 g; waterG 1..1e6 g"],
    drySalt: [brine.drySalt, "Salt rubbed on", "meatG 1..100000 g; saltPct 0.5..10 %; sugarPct? 0..20 % = 0; boneFraction? 0..0.6 = 0"],
    vegetableSalt: [
      brine.vegetableSalt,
      "Salt for a ferment",
      "vegG 1..100000 g; waterG? 0..100000 g = 0; targetPct 1..12 %; method? dry|brineEquilibrium|brineOfWater = dry",
    ],
    nitritePpm: [
      curing.nitritePpm,
      "Nitrite of a dose",
      `product comminuted|immersion|dry|bacon_immersion|bacon_dry; cureG 0..10000 g; ${CURED}`,
    ],
    curingSaltDose: [
      curing.curingSaltDose,
      "Curing salt for a piece",
      `product comminuted|immersion|dry|bacon_immersion|bacon_dry; targetPpm? 40..1000 ppm; totalSaltPct? 0.5..10 %; ${CURED}`,
    ],
    injectionCure: [
      curing.injectionCure,
      "A brine pumped in",
      "greenG 50..100000 g; pumpPct 3..25 %; brineG 10..100000 g; cureG 0..10000 g; saltG 0..10000 g; product? immersion|bacon_pumped = immersion; sprayLossPct? 0..40 % = 0",
    ],
    diffusionCoefficient: [diffusion.diffusionCoefficient, "How fast salt moves", `tempC 0..10 °C; ${D4}`],
    diffusionFraction: [
      diffusion.diffusionFraction,
      "How far a cure has come",
      `geometry ${GEOMETRY}; thicknessMm 1..300 mm; days 0..365 days; tempC? 0..10 °C = 4; ${D4}; faces? 1..2 = 2`,
    ],
    diffusionDays: [
      diffusion.diffusionDays,
      "Days until a cure has come so far",
      `geometry ${GEOMETRY}; thicknessMm 1..300 mm; targetPct 5..99 %; where? average|centre = average; tempC? 0..5 °C = 4; ${D4}`,
    ],
    cureTimeRule: [
      brine.cureTimeRule,
      "Days in the cure by the rule",
      "thicknessMm 5..150 mm; method? extension|perQuarterInch|injected = extension; tempC? 0.5..5 °C = 4",
    ],
    turnSchedule: [brine.turnSchedule, "Days to turn a piece", "days 0..365 days; everyDays? 1..7 days = 2"],
    desalt: [
      brine.desalt,
      "Salt left after soaking",
      `saltPct 0.5..25 %; foodG 1..100000 g; waterG 1..100000 g; changes 1..12; hoursEach 0.25..24 h; thicknessMm 1..300 mm; geometry? ${GEOMETRY} = slab; tempC? 0..7 °C = 4; foodWaterFraction? 0.2..0.95 = 0.6`,
    ],
  },
  "Pickle and ferment": {
    pickleAcidity: [
      pickle.pickleAcidity,
      "Acidity of brine and jar",
      "vinegar_mL 0..100000 mL; vinegarPct 3..12 %; water_mL? 0..100000 mL = 0; produceG 0..100000 g; produceWaterFraction? 0.3..0.98 = 0.9; drainedG? 0..100000 g = 0",
    ],
    vinegarForAcidity: [
      pickle.vinegarForAcidity,
      "Vinegar for an acidity",
      "total_mL 10..100000 mL; targetBrineAcidPct 0.1..12 %; vinegarPct 3..12 %",
    ],
    jarLiquid: [
      jarLiquid,
      "Liquid for jars",
      "jar_mL 50..20000 mL; headspaceMm 5..60 mm; mouthDiameterMm 20..300 mm; packing slices|spears|whole_small|whole_large|onion_rings|shredded_pressed|florets|sticks|berries|cherries|eggs|chunks; jars? 1..200 = 1; sparePct? 0..100 % = 10",
    ],
    pickleReady: [
      pickle.pickleReady,
      "When the brine is through",
      `thicknessMm 1..120 mm; geometry? ${GEOMETRY} = slab; pour cold|hot; skinOn? yes or no; targetPct? 30..95 % = 80`,
    ],
    pickleKeep: [
      pickle.pickleKeep,
      "How long a pickle keeps",
      "equilibriumAcidPct 0..12 %; pour cold|hot; fridgeC -30..5 °C; thicknessMm? 1..120 mm = 8; lowAcidAddIn? yes or no",
    ],
    shelfStableClaim: [
      pickle.shelfStableClaim,
      "What may be said of the shelf",
      "testedSource? yes or no; unmodified? yes or no; processedAsWritten? yes or no; altitudeAdjusted? yes or no; measuredPh? 0..14 pH",
    ],
    fermentPh: [ferment.fermentPh, "The pH to expect", `days 0..365 days; ${LACTIC}`],
    fermentDaysToPh: [ferment.fermentDaysToPh, "Days until a pH", `targetPh 3.1..7 pH; ${LACTIC}`],
    fermentCheck: [
      ferment.fermentCheck,
      "What to do with a ferment",
      "days 0..365 days; tempC 3..32 °C; saltPct 1.5..8 %; measuredPh? 2..8 pH; mould? yes or no; putrid? yes or no; slime? yes or no; kahm? yes or no; submerged? yes or no",
    ],
    culturedDairy: [
      ferment.culturedDairy,
      "Culture and hours for dairy",
      "type yogurt|creme_fraiche|buttermilk|kefir|quark|villi_type_mesophilic; milkG 50..50000 g; tempC number, °C in the range of the culture",
    ],
  },
  "Reduction and sets": {
    evaporationRate: [reduction.evaporationRate, "What boils off", POT],
    reductionTime: [reduction.reductionTime, "Minutes to reduce", `start_mL 10..100000 mL; fraction 0.05..0.99; ${POT}`],
    topUpPlan: [
      reduction.topUpPlan,
      "Topping up a long boil",
      "start_mL 50..100000 mL; minFraction? 0.3..0.98 = 0.8; hours 0..48 h; mLph 0..20000 mL/h",
    ],
    saltAfterReduction: [reduction.saltAfterReduction, "Salt that reduction gathers", "saltPct 0..30 %; fraction 0.03..1"],
    saltToFinish: [reduction.saltToFinish, "Salt to add at the end", "finalG 1..1e6 g; currentSaltPct 0..30 %; targetSaltPct 0.1..5 %"],
    starchDose: [
      thickening.starchDose,
      "Starch for a texture",
      "liquidG 1..100000 g; texture light_coat|sauce|gravy|thick|filling; starch corn|wheat_flour|rice_flour|potato|tapioca|arrowroot|sweet_potato; roux? none|white|blond|brown|dark = none; ph? 2..8 pH",
    ],
    gelatinDose: [
      thickening.gelatinDose,
      "Gelatin for a set",
      "liquidG 1..100000 g; set mousse|panna_cotta|spoon_jelly|unmoulded|sliceable_aspic|dumpling_aspic|gummy; bloom? 80..300 Bloom = 200; sheetG? 1..6 g; rawEnzymeFruit? yes or no; alcoholPct? 0..100 % = 0",
    ],
    gelatinBloomSwap: [
      thickening.gelatinBloomSwap,
      "Gelatin of another grade",
      "g 0..10000 g; fromBloom 80..300 Bloom; toBloom 80..300 Bloom; rule? sqrt|linear = sqrt",
    ],
    stockGelatin: [
      thickening.stockGelatin,
      "Gelatin of a stock",
      "sources list of 1 to 12 with kind and g; hours 0.1..48 h; pressure? yes or no; final_mL 50..100000 mL",
    ],
    stockSetCheck: [
      thickening.stockSetCheck,
      "What a stock needs to set",
      "observed liquid|wobble|spoonable|unmoulds|sliceable_firm; target mousse|panna_cotta|spoon_jelly|unmoulded|sliceable_aspic|dumpling_aspic|gummy",
    ],
    sugarSyrup: [boiling.sugarSyrup, "Strength of a syrup", "sugarG 0..100000 g; waterG 1..100000 g"],
    sugarStageTemp: [
      boiling.sugarStageTemp,
      "Temperatures of boiled sugar",
      "stage thread|soft_ball|firm_ball|hard_ball|soft_crack|hard_crack|light_caramel|dark_caramel; altitudeM? -430..5500 m = 0",
    ],
    boilingPoint: [boiling.boilingPoint, "Boiling point by altitude", "altitudeM -430..5500 m"],
    pressureCookerTemp: [boiling.pressureCookerTemp, "Heat of a pressure cooker", "gaugeKPa 0..110 kPa; altitudeM? -430..4500 m = 0"],
  },
  "At the table": {
    saltPerServing: [
      serving.saltPerServing,
      "Salt of the dish for a guest",
      "items list of 1 to 60 with g, saltPct and eaten 0 to 1; servings 1..500",
    ],
    alcoholRetained: [
      serving.alcoholRetained,
      "Alcohol that cooking leaves",
      "mode raw|overnight_uncooked|flamed|baked_unstirred_25|simmered; minutes? 0..1440 min = 0; mL 0..100000 mL; abvPct 0..96 %; servings? 1..500 = 1",
    ],
    allergensOf: [allergensOf, "Allergens of ingredients", "ingredients list of names; region EU|US"],
  },
};
