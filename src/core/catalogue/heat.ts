// The calculations of cooling, warming and safety, by name; the form of a line is explained in catalogue-kitchen.ts.
import * as joint from "../devices/joint";
import * as random from "../devices/random";
import * as simulate from "../devices/simulate";
import { compareCooling } from "../measures/heat/compare-cooling";
import * as conduction from "../measures/heat/conduction";
import * as cooling from "../measures/heat/cooling";
import * as equipment from "../measures/heat/equipment";
import * as foods from "../measures/heat/foods";
import * as forecast from "../measures/heat/forecast";
import * as ice from "../measures/heat/ice";
import * as pasteurise from "../measures/heat/pasteurise";
import * as roast from "../measures/heat/roast";
import { thawEnthalpySlab } from "../measures/heat/thaw";
import * as verdicts from "../measures/heat/verdicts";
import * as warming from "../measures/heat/warming";
import { GEOMETRY, type Rows } from "./kitchen";

const SOLID = `geometry ${GEOMETRY}; halfM 0.001..0.3 m; nodes? 4..400 = 40; k 0.01..10 W/mK; rho 50..3000 kg/m³; cp 500..5000 J/kgK; t0 -40..300 °C; h 0..100000 W/m²K; tEnv -80..400 °C; hInner? 0..100000 W/m²K = 0; tInner? -80..400 °C; wetness? 0..1 = 0; airVapourPa? 0..100000 Pa = 3000; dryingS? 60..1000000 s; stepS? 1..600 s = 20`;
const LUMP = "t0 -40..300 °C; tEnv -80..400 °C; uaWK 0.0001..10000 W/K; massKg 0.01..100 kg; cp 500..5000 J/kgK";
const LOAD = "massKg 0.01..100 kg; cp 500..5000 J/kgK; t0 -5..130 °C";
const JOINT = `geometry ${GEOMETRY}; halfM 0.001..0.3 m; t0 -2..60 °C; ovenC 60..350 °C; hOven 2..200 W/m²K; hRest? 2..50 W/m²K = 9; roomC? -10..45 °C = 21; wetness? 0..1 = 0.4; restWetness? 0..1 = 0.3; dryingMin? 1..10000 min`;
const FRYER =
  "oilKg 0.2..15 kg; oilC 100..210 °C; foodC? -30..90 °C = 5; waterOff? 0..0.9 = 0.25; tauS? 5..1000 s = 90; burnerW? 50..20000 W = 1200";
const STATE = "state what it is at; stepS 0.1..86400 s; steps? 1..20000 = 1";
const DEATHS =
  "salmonellaRedMeat|salmonellaPoultry|ecoliMince|listeria|perfringensVegetative|salmonellaEgg|milk|botulinumNonProteolytic|ukCore70";
const READINGS = "readings list of [minute, °C] in order";
const BATH = "h? 10..2000 W/m²K = 100; k? 0.05..2 W/mK = 0.48; alpha? 5e-8..3e-7 m²/s = 1.2e-7";

export const HEAT: Rows = {
  "Cooling and ice": {
    foodThermal: [
      foods.foodThermal,
      "Thermal properties from composition",
      "water? 0..1 = 0; protein? 0..1 = 0; fat? 0..1 = 0; carb? 0..1 = 0; fibre? 0..1 = 0; ash? 0..1 = 0; tempC 0..120 °C",
    ],
    vesselGeometry: [
      foods.vesselGeometry,
      "Surfaces and depth of pots and trays",
      "shape cylinder|tray; volumeL 0.05..60 L; diameterCm? 5..60 cm; lengthCm? 5..80 cm; widthCm? 5..80 cm; count? 1..40 = 1",
    ],
    biotNumber: [foods.biotNumber, "How far the inside lags behind", "h 0.1..100000 W/m²K; k 0.01..10 W/mK; lengthM 0.0001..1 m"],
    chooseCoolingModel: [
      foods.chooseCoolingModel,
      "Which model of cooling fits",
      "body thin|thick|solid; stirred? yes or no; h 0.1..100000 W/m²K; k 0.01..10 W/mK; lengthM 0.0001..1 m",
    ],
    coolLumped: [cooling.coolLumped, "A stirred pot after so many seconds", `${LUMP}; seconds 0..1e7 s`],
    lumpedTimeTo: [cooling.lumpedTimeTo, "Seconds until a stirred pot is there", `${LUMP}; target -80..400 °C`],
    openSurfaceFlux: [
      cooling.openSurfaceFlux,
      "What an open hot liquid loses",
      "tSurface -20..150 °C; tAir -40..150 °C; rh? 0..1 = 0.5; wetness? 0..1 = 0.6; hConv? 0.5..200 W/m²K",
    ],
    coolStaged: [
      cooling.coolStaged,
      "A pot through a route of places",
      "t0 -40..300 °C; massKg 0.01..100 kg; cp 500..5000 J/kgK; stages list of 1 to 12 with tEnv and uaWK; stepS? 1..60 s = 10; marks? list of °C",
    ],
    conductionAt: [conduction.conductionAt, "Temperatures inside after so many seconds", `${SOLID}; seconds 0..1e6 s`],
    conductionTimes: [
      conduction.conductionTimes,
      "When the slowest point has cooled",
      `${SOLID}; marks list of °C; at? slowest|core|mean = slowest; maxHours? 0.1..240 h = 48`,
    ],
    explicitMaxStep: [
      conduction.explicitMaxStep,
      "Longest step of an explicit scheme",
      "dxM 0.00001..0.1 m; k 0.01..10 W/mK; rho 50..3000 kg/m³; cp 500..5000 J/kgK; h 0..100000 W/m²K",
    ],
    compareCooling: [
      compareCooling,
      "Ten ways of cooling a pot",
      `volumeL 0.2..40 L; food ${Object.keys(foods.FOOD).join("|")}; potDiameterCm 5..60 cm; startC? 60..100 °C = 95; roomC? 0..45 °C = 21; fridgeC? 0..10 °C = 3.5; tapC? 1..30 °C = 14; trayDepthCm? 1..12 cm = 5; iceShare? 0.05..0.45 = 0.25; stirred? yes or no`,
    ],
    judgeCooling: [
      verdicts.judgeCooling,
      "Whether a cooling is fast enough",
      "times seconds at t63, t57, t21, t5; lastSeconds? 0..1e7 s; rule? twoStage|twoStageStrict|ninety = twoStage",
    ],
    iceBalance: [
      ice.iceBalance,
      "Ice thrown into a stock",
      "stockKg 0.01..100 kg; stockC -5..130 °C; iceKg 0..100 kg; iceC? -30..0 °C = -18; cp? 500..5000 J/kgK = 4180",
    ],
    iceForTarget: [
      ice.iceForTarget,
      "Ice for a temperature",
      "stockKg 0.01..100 kg; stockC -5..130 °C; targetC number, °C from 0 to that of the stock; iceC? -30..0 °C = -18; cp? 500..5000 J/kgK = 4180",
    ],
    recipeSplitWithIce: [
      ice.recipeSplitWithIce,
      "Cook with less water, finish with ice",
      "finalKg 0.01..100 kg; hotC -5..130 °C; targetC number, °C from 0 to hotC; iceC? -30..0 °C = -18",
    ],
    iceBathIce: [
      ice.iceBathIce,
      "Ice for a bath",
      `${LOAD}; t1 number, °C up to t0; bathC? 0..20 °C = 2; iceC? -30..0 °C = -5; airGainW? 0..500 W = 40; minutes? 0..600 min = 45`,
    ],
    coldBathTwoBody: [
      ice.coldBathTwoBody,
      "A pot in a tub that warms",
      `${LOAD}; waterKg 0.01..500 kg; waterC -5..130 °C; uaWK 0.0001..10000 W/K; seconds 0..1e6 s`,
    ],
    iceWand: [
      ice.iceWand,
      "Frozen bottles stirred in",
      `${LOAD}; wandKg 0.05..10 kg; wandM2 0.001..1 m²; count? 1..10 = 1; wandC? -30..0 °C = -18; h? 1..2000 W/m²K = 250; seconds 0..36000 s`,
    ],
    fridgeWithLoad: [
      ice.fridgeWithLoad,
      "What hot food does to a fridge",
      "loadKg 0.01..100 kg; cp 500..5000 J/kgK; loadC -5..130 °C; uaLoadWK 0.01..100 W/K; roomC? 5..45 °C = 21; setC? 0..10 °C = 4; capacityW? 10..1000 W = 110; uaCabinetWK? 0.1..20 W/K = 1.1; cabinetJK? 1000..1e6 J/K = 25000; hours? 0.1..96 h = 12",
    ],
    insulatedBox: [
      ice.insulatedBox,
      "A box on the road",
      "foodKg 0.01..100 kg; cp 500..5000 J/kgK; foodC -5..130 °C; iceKg? 0..50 kg = 0; ambientC -20..50 °C; uaWK? 0.05..20 W/K = 0.6; hours 0..72 h",
    ],
  },
  "Warming and safety": {
    seriesRoots: [warming.seriesRoots, "Roots of the series of a shape", `shape ${GEOMETRY}; bi 0.001..1e6; count? 1..20 = 6`],
    seriesTheta: [
      warming.seriesTheta,
      "Difference that is left at a place",
      `shape ${GEOMETRY}; bi 0.001..1e6; fo 0..10000; position? 0..1 = 0; terms? 1..20 = 6`,
    ],
    bagComeUp: [
      warming.bagComeUp,
      "Seconds until a bag is warm through",
      `shape ${GEOMETRY}; thicknessMm 3..150 mm; tStart -2..100 °C; tBath 20..100 °C; withinC? 0.1..20 °C = 0.5; ${BATH}`,
    ],
    heatThroughTime: [conduction.heatThroughTime, "Seconds until the centre is hot", `${SOLID}; target -40..300 °C`],
    thawTime: [
      warming.thawTime,
      "Seconds to thaw",
      "food leanMeat|fattyMeat|poultry|fish|stock|stew|dough|fruit; thicknessM 0.003..0.4 m; lengthM? 0.003..2 m; widthM? 0.003..2 m; h 1..2000 W/m²K; tMedium -20..60 °C; tStart? -40..-2 °C = -18",
    ],
    thawEnthalpySlab: [
      thawEnthalpySlab,
      "A flat pack thawing, with its surface",
      "food leanMeat|fattyMeat|poultry|fish|stock|stew|dough|fruit; thicknessM 0.003..0.2 m; h 1..2000 W/m²K; tMedium -20..40 °C; tStart? -40..-2 °C = -18; endCoreC? -5..10 °C = -0.5; nodes? 4..60 = 12; dt? 0.01..10 s = 0.5",
    ],
    burnerPower: [warming.burnerPower, "Watts that reach a pot", "ratedW 50..20000 W; kind gas|coil|glassCeramic|induction"],
    potHeatTime: [
      warming.potHeatTime,
      "Seconds until a pot is hot",
      `${LOAD}; target -5..250 °C; powerW 1..20000 W; lossWK? 0.1..50 W/K = 2; roomC? -5..45 °C = 21`,
    ],
    judgeReheat: [
      verdicts.judgeReheat,
      "Whether a reheating is good",
      "minutesTo74 0..10000 min; reached74? yes or no; heldS? 0..3600 s = 15; reheats? 0..20 = 0",
    ],
    dValue: [pasteurise.dValue, "Minutes for one log", `organism ${DEATHS}; tempC -40..150 °C`],
    holdForLog: [pasteurise.holdForLog, "Minutes to hold", `organism ${DEATHS}; tempC -40..150 °C; logs? 0.1..12`],
    logReduction: [pasteurise.logReduction, "Logs that readings have earned", `organism ${DEATHS}; ${READINGS}`],
    bagPasteurise: [
      pasteurise.bagPasteurise,
      "Minutes in a bath until safe",
      `shape? ${GEOMETRY} = slab; thicknessMm 3..150 mm; tStart -2..60 °C; tBath 30..100 °C; organism ${DEATHS}; h? 0..100000 W/m²K = 100; k? 0.01..10 W/mK = 0.48; alpha? 5e-8..3e-7 m²/s = 1.2e-7`,
    ],
    minutesInZone: [
      verdicts.minutesInZone,
      "Minutes between 5 and 60 °C",
      "minutes 0..20160 min; fromC -60..300 °C; toC -60..300 °C; lo? -60..300 °C = 5; hi? number, °C above lo = 60",
    ],
    dangerZoneAccount: [
      verdicts.dangerZoneAccount,
      "The whole route of a food",
      "legs list of 1 to 60 with place, minutes, fromC, toC; coolingPassed? yes or no",
    ],
    hotHold: [verdicts.hotHold, "Food kept hot", `${READINGS}; limitC? 50..80 °C = 60`],
    growthGamma: [
      pasteurise.growthGamma,
      "Growth relative to its best",
      "tempC -40..150 °C; tMin -20..60 °C; tOpt number, °C above tMin; tMax number, °C above tOpt",
    ],
    growthEquivalentHours: [
      pasteurise.growthEquivalentHours,
      "Hours at best growth",
      `organism cPerfringens|bCereus|salmonella|listeria|sAureus|bakersYeast|lacticMesophile; ${READINGS}`,
    ],
  },
  "Roast and smoke": {
    wetBulb: [
      roast.wetBulb,
      "Wet-bulb temperature",
      "dryC -10..300 °C; vapourPa number, Pa from 0 to 99 % of the pressure; pressurePa? 50000..110000 Pa = 101325",
    ],
    stallTemperature: [
      roast.stallTemperature,
      "Where a smoked joint stands still",
      "pitC 60..200 °C; vapourPa? 0..50000 Pa = 3000; hTotal? 2..100 W/m²K = 16; hConvFrac? 0.05..1 = 0.5; wetness? 0.01..1 = 0.25",
    ],
    equivalentHalf: [
      roast.equivalentHalf,
      "Radius that stands for a joint",
      "massKg 0.05..20 kg; shape sphere|log|cylinder; lengthM? 0.03..1.5 m",
    ],
    tauFor: [
      roast.tauFor,
      "Time constant of a joint",
      `geometry ${GEOMETRY}; halfM 0.001..0.3 m; h 1..1000 W/m²K; alpha? 5e-8..3e-7 m²/s = 1.3e-7`,
    ],
    roastAndRest: [roast.roastAndRest, "A roast and its rest", `${JOINT}; tPull 20..110 °C`],
    pullTemperature: [roast.pullTemperature, "When to pull a joint", `${JOINT}; targetC 30..100 °C`],
    cleanReadings: [forecast.cleanReadings, "Readings without slips of the probe", "raw list of [minute, °C or null]"],
    stallPrior: [forecast.stallPrior, "How long a stall may last", "halfM 0.01..0.3 m; elapsedMin? 0..10000 min = 0"],
    roastForecast: [
      forecast.roastForecast,
      "When a roast will be done",
      `readings list of [minute, °C or null]; targetC 35..100 °C; chamberC 50..320 °C; halfM 0.01..0.3 m; geometry? ${GEOMETRY} = sphere; hChamber? 5..100 W/m²K = 20; unwrapped? yes or no; wrappedAtMin? 0..100000 min; sigma? 0.1..5 °C = 0.6; inflate? 1..50 = 7; halfLifeMin? 5..600 min = 60`,
    ],
    carryOverRule: [roast.carryOverRule, "The rise after pulling, by the table", "ovenC 60..350 °C; massKg 0.05..20 kg"],
  },
  "Ovens, frying, fire": {
    ovenPreheat: [
      equipment.ovenPreheat,
      "Minutes to heat an oven",
      "startC? -10..700 °C = 21; setC 30..700 °C; powerW? 200..30000 W = 2500; heatCapJK? 500..1e6 J/K = 12500; lossWK? 0.5..50 W/K = 4; roomC? -10..45 °C = 21",
    ],
    ovenCoolDown: [
      equipment.ovenCoolDown,
      "Minutes until an oven has cooled",
      "startC -10..700 °C; targetC -10..700 °C; tauMin? 5..3000 min = 52; doorAjar? yes or no; roomC? -10..45 °C = 21",
    ],
    fryBatch: [equipment.fryBatch, "How far oil falls under a batch", `${FRYER}; foodKg 0..5 kg`],
    fryMaxBatch: [equipment.fryMaxBatch, "The largest batch for hot oil", `${FRYER}; minC number, °C from 100 to that of the oil`],
    fuelBurn: [
      equipment.fuelBurn,
      "Fuel for a fire",
      "cooker insulatedCeramic|kettle|steelBarrel|offset|bulletWater; fuel lumpCharcoal|briquettes|hardwood15|hardwood25; chamberC 60..400 °C; ambientC? -30..45 °C = 15; hours 0.1..72 h; windFactor? 1..2 = 1",
    ],
    topUpMinutes: [
      equipment.topUpMinutes,
      "Minutes until a fire wants more",
      "chargeKg 0.05..50 kg; kgPerHour 0.01..20 kg/h; usable? 0.1..1 = 0.65; lightMin? 0..120 min = 15",
    ],
    slowCooker: [
      equipment.slowCooker,
      "A slow cooker's heating up",
      "capacityL 1..9 L; foodKg 0.1..9 kg; density? 0.5..1.5 kg/L = 1; t0? 0..95 °C = 5; setting? low|high = low; roomC? 5..40 °C = 21",
    ],
  },
  "Simulated devices": {
    rng32: [random.rng32, "Uniform numbers of a seed", "seed -2147483648..4294967296; draws 1..10000"],
    gauss: [random.gauss, "Normal numbers of a seed", "seed -2147483648..4294967296; draws 1..10000"],
    roastParams: [joint.roastParams, "What a simulated roast is made of", "massKg 0.1..20 kg; slim? 0.4..1 = 0.85"],
    smokedParams: [joint.smokedParams, "What a simulated smoked joint is made of", "massKg 0.1..20 kg; slim? 0.4..1 = 0.85"],
    stepRoast: [
      joint.stepRoast,
      "A simulated roast over time",
      `${STATE}; params those of roastParams; env chamberC, vapourPa, fan, wrapped`,
    ],
    stepSmokedJoint: [
      joint.stepSmokedJoint,
      "A simulated smoked joint over time",
      `${STATE}; params those of smokedParams; env chamberC, vapourPa, fan, wrapped`,
    ],
    stepPot: [simulate.stepPot, "A simulated pot over time", `${STATE}; params massKg and cp; env tEnvC, uaWK, topM2, airC, burnerW`],
    stepDough: [simulate.stepDough, "A simulated dough over time", `${STATE}; params yeastPct, massKg, maxRise; env roomC`],
    stepOven: [simulate.stepOven, "A simulated oven over time", `${STATE}; params? powerW; env setC, roomC, door`],
    stepFridge: [simulate.stepFridge, "A simulated fridge over time", `${STATE}; params? none; env? setC, roomC, doorOpen`],
    stepFerment: [simulate.stepFerment, "A simulated ferment over time", `${STATE}; params? saltPct; env tempC`],
    readPhMeter: [
      simulate.readPhMeter,
      "Readings of a simulated pH meter",
      "truePh 2..9 pH; hours 0..10000 h; seed -2147483648..4294967296; reads 1..1000; offset? -1..1 pH = 0",
    ],
  },
};
