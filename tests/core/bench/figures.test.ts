// What each panel says for figures that were worked out elsewhere, by hand or in the reference: a field that reached the wrong input would show.
import { describe, expect, test } from "vitest";
import { benchAnswer } from "../../../src/core/bench/ask";
import { type Panel, startOf } from "../../../src/core/bench/panel";
import { PANELS, panelOf } from "../../../src/core/bench/panels";

type Typed = Readonly<Record<string, string>>;
type Row = readonly [panel: string, why: string, typed: Typed, figures: Readonly<Record<string, readonly [value: number, within: number]>>];

const H = 60;
const DAY = 1440;

const DOUGH: Row[] = [
  [
    "dough-percentages",
    "flour 500 g at 70, 2.2 and 3 %",
    { flour: "500 g", water: "70%", salt: "2.2%", yeast: "0", fat: "3%", early: "0" },
    { dough: [876, 0.5], water: [350, 0.1], salt: [11, 0.01] },
  ],
  [
    "dough-percentages",
    "a fifth of the flour in a poolish: nothing is added by it",
    { flour: "1 kg", water: "70%", salt: "0", yeast: "0", early: "20%", earlyWater: "100%" },
    { dough: [1700, 0.5], water: [700, 0.1] },
  ],
  [
    "dough-water",
    "three temperatures: 3 × 25 − 21 − 22 − 3",
    { dough: "25 C", flour: "21 C", room: "22 C", friction: "3 C" },
    { waterC: [29, 0.05] },
  ],
  [
    "dough-water",
    "a warm room and a fast mixer: 72 − 26 − 28 − 13",
    { dough: "24 C", flour: "26 C", room: "28 C", friction: "13 C" },
    { waterC: [5, 0.05] },
  ],
  [
    "mixer-warms",
    "three times 27, less the three that went in",
    { dough: "27 C", flour: "22 C", room: "22 C", water: "24 C" },
    { friction: [13, 0.05] },
  ],
  [
    "dough-starter",
    "one to five to five: eleven parts",
    { target: "220 g", flour: "5", water: "5", tempC: "25 C" },
    { seed: [20, 0.1], flourG: [100, 0.1], waterG: [100, 0.1], peak: [8 * H, 8] },
  ],
  [
    "dough-starter",
    "one to one to one, warm, is sooner at its peak",
    { target: "150 g", flour: "1", water: "1", tempC: "28 C" },
    { seed: [50, 0.1], peak: [3.1 * H, 8] },
  ],
  ["yeasts", "fresh to instant is a third, less a little", { g: "21 g", from: "fresh" }, { instant: [6.93, 0.01], fresh: [21, 0] }],
  ["yeasts", "instant to active dry is a fifth more", { g: "7 g", from: "instant" }, { dry: [8.48, 0.01] }],
  [
    "all-the-water",
    "milk, egg and butter count by their water",
    { flour: "500 g", water: "0 g", milk: "150 g", egg: "200 g", butter: "250 g", starter: "0" },
    { share: [64.8, 0.1], waterG: [324, 0.1], flourG: [500, 0.1] },
  ],
  [
    "all-the-water",
    "half of a starter of 100 % is flour",
    { flour: "900 g", water: "600 g", milk: "0", egg: "0", butter: "0", starter: "200 g", starterWater: "100%" },
    { share: [70, 0.05], flourG: [1000, 0.1] },
  ],
  [
    "alkaline-dough",
    "1.2 % of alkali, three fifths of it potassium",
    { flour: "500 g", alkali: "1.2%", potassium: "60%", water: "35%", salt: "1%", soda: "100 g" },
    { k: [3.6, 0.05], na: [2.4, 0.05], waterG: [175, 0.1], saltG: [5, 0.05], dough: [686, 0.5], baked: [63.1, 0.1] },
  ],
  ["pieces", "six of 250 g and 1.5 % lost", { piece: "250 g", count: "6", loss: "1.5%" }, { dough: [1523, 3] }],
  [
    "dough-rise",
    "a warm hour, a day in the cold and much yeast is too far",
    {
      by: "yeast",
      yeast: "0.5%",
      mass: "1 kg",
      startC: "24 C",
      first: "1 h",
      firstC: "24 C",
      cold: "24 h",
      coldC: "4 C",
      last: "0",
      lastC: "22 C",
    },
    { tau: [3.64 * H, 2], progress: [176, 6] },
  ],
];

const CURE: Row[] = [
  [
    "brine",
    "1.5 % of meat and water together",
    { meat: "1 kg", water: "1 kg", target: "1.5%", strong: "6%", hours: "4 h", thick: "35 mm" },
    { salt: [30, 0.05], strength: [3, 0.02], settles: [1.29, 0.01], strongSalt: [60, 0.1], strongMeat: [0.49, 0.03] },
  ],
  ["brine", "four tenths more water, four tenths more salt", { meat: "1 kg", water: "1.4 kg", target: "1.5%" }, { salt: [36, 0.05] }],
  [
    "brine",
    "nine tenths of the way through 4 cm by the series of a slab: Fo 0.848",
    { thick: "40 mm", shape: "slab" },
    { days: [(0.848 * 0.02 ** 2 * DAY) / (2.2e-10 * 86_400), 0.1 * DAY] },
  ],
  [
    "dry-cure",
    "2.5 % of salt, 1 % of sugar",
    { meat: "1.8 kg", salt: "2.5%", sugar: "1%", thick: "40 mm" },
    { saltG: [45, 0.05], sugarG: [18, 0.05], ruleDays: [12 * DAY, 0], even: [2 * DAY, 0] },
  ],
  ["dry-cure", "a tenth of it bone takes a tenth less", { meat: "2 kg", salt: "3%", sugar: "0", bone: "10%" }, { saltG: [54, 0.05] }],
  ["dry-cure", "so many days a quarter inch", { thick: "40 mm", rule: "perQuarterInch" }, { ruleDays: [9 * DAY, 0] }],
  [
    "curing-salt",
    "120 ppm of 1500 g",
    { product: "bacon_dry", meat: "1.5 kg", ppm: "120", total: "2.5%" },
    { cure: [2.88, 0.001], plain: [34.8, 0.05], got: [120, 0.1], pct: [0.192, 0.001] },
  ],
  [
    "curing-salt",
    "in a brine the water counts",
    { product: "immersion", meat: "2 kg", liquid: "1.5 kg", ppm: "150", total: "2%" },
    { cure: [8.4, 0.001], plain: [62.1, 0.1] },
  ],
  [
    "nitrite-check",
    "8 g of 6.25 % on 3.5 kg",
    { product: "immersion", cure: "8.4 g", meat: "2 kg", liquid: "1.5 kg" },
    { ppm: [150, 0.1], limit: [200, 0] },
  ],
  [
    "nitrite-check",
    "a sausage is allowed less",
    { product: "comminuted", cure: "2.4 g", meat: "1 kg" },
    { ppm: [150, 0.1], limit: [156, 0] },
  ],
  [
    "injection",
    "a tenth pumped in of a brine with 3 % of curing salt",
    { product: "immersion", meat: "3 kg", pump: "10%", brine: "1 kg", cure: "30 g", saltG: "150 g", thick: "75 mm" },
    { pickup: [300, 0.5], prepare: [300, 0.5], ppm: [187.5, 0.1], salt: [1.62, 0.01], days: [11 * DAY, 0] },
  ],
  ["injection", "a thin piece levels out in the least that is allowed", { cure: "10 g", thick: "15 mm" }, { days: [3 * DAY, 0] }],
  [
    "soak-out",
    "three waters of eight hours halve it",
    { meat: "500 g", salt: "8%", water: "3 kg", changes: "3", each: "8 h", thick: "25 mm" },
    { left: [4, 0.03], all: [24 * H, 0] },
  ],
  [
    "soak-out",
    "one long water",
    { meat: "1 kg", salt: "5%", water: "2 kg", changes: "1", each: "12 h", thick: "40 mm" },
    { left: [4.33, 0.03] },
  ],
  [
    "brine-strength",
    "saturated, nearly",
    { salt: "264 g", water: "1 kg" },
    { water: [26.4, 0.02], whole: [20.89, 0.02], salometer: [79.1, 0.1] },
  ],
];

const JARS: Row[] = [
  [
    "pickle",
    "half and half of 5 %",
    { vinegar: "500 mL", acid: "5%", water: "500 mL", produce: "800 g", thick: "20 mm", pour: "cold", fridge: "4 C", wanted: "2.5%" },
    { brine: [2.5, 0.01], jar: [1.45, 0.01], ready: [39.4 * H, 20], flavour: [120 * H, 0], mixVinegar: [500, 1], mixWater: [500, 1] },
  ],
  [
    "pickle",
    "what the salt has drawn out does not thin it",
    { vinegar: "500 mL", acid: "5%", water: "0 mL", produce: "500 g", drained: "450 g" },
    { brine: [5, 0.01], jar: [5, 0.01] },
  ],
  [
    "jars",
    "four of half a litre with slices",
    { jar: "500 mL", jars: "4", head: "12.7 mm", mouth: "75 mm", packing: "slices", spare: "10%" },
    { total: [840, 2], each: [191, 1], produce: [253, 1], free: [56, 1] },
  ],
  [
    "jars",
    "one of a litre with spears",
    { jar: "1 L", jars: "1", head: "25 mm", mouth: "85 mm", packing: "spears" },
    { total: [360, 2], each: [326, 1] },
  ],
  [
    "ferment",
    "2.25 % of the cabbage",
    { veg: "1 kg", water: "0", salt: "2.25%", method: "dry", tempC: "20 C" },
    { saltG: [22.5, 0.05], levelled: [2.25, 0.01], safe: [2.8 * DAY, 150] },
  ],
  [
    "ferment",
    "3 % of all, where there is a brine",
    { veg: "800 g", water: "700 g", salt: "3%", method: "brineEquilibrium" },
    { saltG: [45, 0.05], levelled: [3, 0.01] },
  ],
  [
    "ferment",
    "5 % of the water is 2.33 % in the end",
    { veg: "800 g", water: "700 g", salt: "5%", method: "brineOfWater" },
    { saltG: [35, 0.05], levelled: [2.33, 0.01] },
  ],
  [
    "cultured-dairy",
    "yoghurt at 43 °C",
    { type: "yogurt", milk: "1 kg", tempC: "43 C" },
    { culture: [25, 0.1], hours: [6 * H, 4], ph: [4.5, 0] },
  ],
  [
    "cultured-dairy",
    "cream at 20 °C overnight and longer",
    { type: "creme_fraiche", milk: "500 g", tempC: "20 C" },
    { culture: [25, 0.1], hours: [21.4 * H, 4], ph: [4.6, 0] },
  ],
];

const HEAT: Row[] = [
  [
    "reheat",
    "5 kg and 1200 W that reach it",
    { food: "waterStock", volume: "5 L", from: "5 C", to: "74 C", burner: "3000", kind: "gas", reheats: "0" },
    { power: [1200, 1], minutes: [1241 / 60, 0.4] },
  ],
  [
    "ice-in",
    "2 kg of ice in 4 of stock",
    { stock: "4 kg", hot: "95 C", ice: "2 kg", target: "21 C" },
    { temp: [33.7, 0.1], melted: [2000, 1], wanted: [2692, 3] },
  ],
  [
    "ice-in",
    "too much ice does not all melt",
    { stock: "2 kg", hot: "30 C", ice: "2 kg", target: "5 C" },
    { temp: [0, 0.01], melted: [525, 3] },
  ],
  [
    "low-bath",
    "25 mm of red meat at 60 °C",
    { kills: "salmonellaRedMeat", thick: "25 mm", shape: "slab", from: "5 C", bath: "60 C" },
    { safe: [70.5, 1], rise: [40.25, 1], hold: [12, 0.1] },
  ],
  [
    "low-bath",
    "40 mm of poultry at 63 °C",
    { kills: "salmonellaPoultry", thick: "40 mm", shape: "slab", from: "5 C", bath: "63 C" },
    { safe: [124.5, 1], hold: [11.07, 0.05] },
  ],
  [
    "heat-kills",
    "up from 20 to 56 °C: nothing is counted before 54",
    { kills: "salmonellaPoultry", readings: "0 min 20 C; 2 h 56 C" },
    { goal: [7, 0] },
  ],
  [
    "heat-kills",
    "up to 66 °C in a quarter of an hour",
    { kills: "listeria", readings: "0 min 58 C; 10 min 65 C; 14 min 66 C" },
    { logs: [5.74, 0.01], goal: [6, 0] },
  ],
  [
    "hot-hold",
    "fell below 60 °C at the end of the first hour",
    { readings: "0 min 70 C; 60 min 58 C; 150 min 52 C" },
    { min: [52, 0.01], below: [100, 0.1] },
  ],
  [
    "cooling-check",
    "57 to 21 in 85 min, all in 295",
    { rule: "twoStage", readings: "1 min 63 C; 5 min 57 C; 90 min 21 C; 300 min 5 C" },
    { stage1: [85, 0.1], total: [295, 0.1], last: [5, 0.01] },
  ],
  [
    "danger-time",
    "an hour and a half at the table, an hour on a hot way counts twice",
    { prep: "0", prepC: "21 C", serve: "90 min", serveC: "21 C", way: "60 min", wayC: "34 C" },
    { total: [150, 0.5], counts: [210, 0.5], chill: [0, 0], use: [30, 0.5] },
  ],
  [
    "thaw",
    "a turkey of 6 kg in the fridge, three days",
    { form: "bird", mass: "6 kg", medium: "fridgeStill", at: "4 C" },
    { thawed: [3 * 1440, 500] },
  ],
  [
    "thaw",
    "and in cold water, half an hour a pound",
    { form: "bird", mass: "6 kg", medium: "coldWaterStill", at: "10 C" },
    { thawed: [400, 120] },
  ],
  [
    "thaw",
    "a chicken of 2 kg in the fridge, a day and a half",
    { form: "bird", mass: "2 kg", medium: "fridgeStill", at: "4 C" },
    { thawed: [1.6 * 1440, 250] },
  ],
  [
    "roast",
    "2 kg at 210 °C with the fan take about two hours, and one pull temperature is named",
    { mass: "2 kg", shape: "sphere", from: "6 C", oven: "210 C", fan: "yes", target: "74 C" },
    { cook: [110, 15], pull: [68, 0.01], rise: [6, 0.01] },
  ],
  [
    "roast",
    "the rule for 2 kg at 180 °C is six degrees",
    { mass: "2 kg", shape: "sphere", from: "8 C", oven: "180 C", target: "57 C" },
    { pull: [51, 0.01] },
  ],
  [
    "oven",
    "to 200 °C",
    { oven: "electricStill", set: "200 C", start: "21 C", to: "60 C", ajar: "no" },
    { soak: [17.6 + 10, 0.1], cool: [79.2, 0.5] },
  ],
  [
    "oven",
    "with its door ajar it cools in less than half the time",
    { oven: "electricStill", set: "200 C", to: "60 C", ajar: "yes" },
    { cool: [31.7, 0.3] },
  ],
  [
    "fry",
    "300 g in 1.8 kg at 175 °C",
    { oil: "1.8 kg", oilC: "175 C", food: "300 g", foodC: "6 C", least: "155 C" },
    { ratio: [6, 0.01], min: [159.6, 0.6] },
  ],
  [
    "slow-cooker",
    "3.5 kg in 5.5 L on low",
    { capacity: "5.5 L", food: "3.5 kg", from: "5 C", setting: "low" },
    { fill: [63.6, 0.1], to60: [79.6, 0.5], to90: [187.5, 0.5], end: [97, 0.1] },
  ],
  [
    "fuel",
    "a kettle with briquettes, eight hours",
    { cooker: "kettle", fuel: "briquettes", chamber: "110 C", hours: "8 h", wind: "1", outside: "20 C", charge: "2 kg", light: "20 min" },
    { total: [2475, 120], hour: [231, 12] },
  ],
  [
    "pressure",
    "a bar over, at the sea",
    { gauge: "103.4 kPa", altitude: "0 m", time: "100 min" },
    { inside: [121.1, 0.1], time: [30, 0.6] },
  ],
  [
    "on-the-road",
    "hot food in a box for three hours",
    { food: "6 kg", foodC: "80 C", ice: "0", outside: "18 C", hours: "3 h", box: "foam" },
    { temp: [64, 1.5] },
  ],
];

const POTS: Row[] = [
  [
    "reduction",
    "half of two litres in a 24 cm pot",
    { start: "2 L", to: "1 L", pot: "24 cm", vigour: "gentleBoil", lid: "off", salt: "0.8%", wanted: "2%" },
    { minutes: [66, 1], saltPct: [1.6, 0.01] },
  ],
  [
    "top-ups",
    "evaporation of a 24 cm pot at a simmer",
    { start: "6 L", pot: "24 cm", vigour: "simmer", lid: "off", hours: "1 h", least: "50%", solids: "0" },
    { loss: [407, 6], times: [0, 0] },
  ],
  [
    "top-ups",
    "a lid ajar keeps two thirds of it",
    { start: "6 L", pot: "24 cm", vigour: "simmer", lid: "ajar", hours: "1 h", least: "50%", solids: "0" },
    { loss: [143, 5] },
  ],
  [
    "thicken",
    "maize starch to a sauce",
    { liquid: "500 g", texture: "sauce", starch: "corn", roux: "none" },
    { starchG: [12.5, 0.1], pct: [2.5, 0.02] },
  ],
  [
    "thicken",
    "a brown roux thickens half as well",
    { liquid: "1 kg", texture: "gravy", starch: "wheat_flour", roux: "brown" },
    { starchG: [107.7, 0.2], fat: [107.7, 0.2] },
  ],
  [
    "gelatin",
    "a cream to be turned out",
    { liquid: "500 g", set: "panna_cotta", bloom: "200", sheet: "2 g", other: "160" },
    { gelatin: [4, 0.05], pct: [0.8, 0.01], bloomWater: [20, 0.5] },
  ],
  [
    "gelatin",
    "weaker sheets, more of them",
    { liquid: "1 kg", set: "dumpling_aspic", bloom: "160", sheet: "2.5 g" },
    { gelatin: [33.5, 0.1], sheets: [14, 0.01], bloomWater: [168, 1] },
  ],
  [
    "stock-set",
    "a trotter and bones, ten hours",
    { kind: "pig_trotter", g: "1 kg", kind2: "pork_bones", g2: "1.5 kg", hours: "10 h", pressure: "no", final: "3 L" },
    { gelatin: [99, 0.5], pct: [3.3, 0.02] },
  ],
  [
    "stock-set",
    "feet under pressure",
    { kind: "chicken_feet", g: "500 g", kind2: "chicken_carcass", g2: "1.5 kg", hours: "1h15", pressure: "yes", final: "2.5 L" },
    { gelatin: [65, 0.5], pct: [2.6, 0.02] },
  ],
  [
    "sugar",
    "two to one",
    { sugar: "400 g", water: "200 g", stage: "soft_ball", altitude: "0 m" },
    { brix: [66.7, 0.1], volume: [450, 1], low: [112, 0], high: [116, 0], boil: [100, 0.1] },
  ],
  [
    "sugar",
    "a mile up the ball is five degrees cooler",
    { sugar: "200 g", water: "200 g", stage: "soft_ball", altitude: "1600 m" },
    { low: [107, 0.5], high: [111, 0.5], boil: [94.7, 0.1] },
  ],
];

const TABLE: Row[] = [
  [
    "portions",
    "four and two children, three courses and a quarter over",
    {
      adult: "4",
      hearty: "0",
      light: "0",
      teen: "0",
      child: "2",
      toddler: "0",
      category: "meat_bone_heavy",
      courses: "3",
      left: "25%",
      options: "1",
    },
    { like: [5.2, 0.01], total: [2340, 5] },
  ],
  [
    "yields",
    "more than half of a leek is green",
    { final: "900 g", first: "trim_leek", second: "none", third: "none", safety: "5%" },
    { raw: [1970, 5], left: [48, 0.1] },
  ],
  [
    "drying",
    "tomatoes from 94 to 20 %",
    { start: "2 kg", wet: "94%", dry: "20%" },
    { end: [150, 0.5], lost: [1850, 0.5], part: [7.5, 0.05] },
  ],
  [
    "tins",
    "20 to 26 cm",
    { from: "round", fromD: "20 cm", to: "round", toD: "26 cm", depth: "1", amount: "100 g", rule: "linear" },
    { factor: [1.69, 0.001], scaled: [169, 0.1] },
  ],
  [
    "tins",
    "round into square, twice as much spice by the rule for strong ones",
    { from: "round", fromD: "23 cm", to: "rect", toL: "33 cm", toW: "23 cm", amount: "10 g", rule: "potent" },
    { factor: [1.827, 0.001], scaled: [10 * 1.827 ** 0.85, 0.01] },
  ],
  [
    "tins",
    "half as thick again is two and a quarter times as long",
    { from: "round", fromD: "20 cm", to: "round", toD: "20 cm", depth: "1.5", time: "40 min", mode: "thicknessConduction" },
    { minutes: [90, 0.5] },
  ],
  ["batches", "5.2 kg in a pot for 1.5", { total: "5.2 kg", each: "1.5 kg" }, { batches: [4, 0], size: [1300, 0.1] }],
  ["weigh", "a cup of flour, spooned", { what: "flour_ap", volume: "1 cup" }, { g: [125.4, 0.1] }],
  ["weight-to-volume", "a pound of honey, nearly", { what: "honey", g: "500 g" }, { mL: [352.1, 0.1] }],
  ["pieces-weigh", "two onions", { piece: "onion_medium", count: "2", state: "asBought" }, { g: [300, 0.1] }],
  ["spoons", "the Australian spoon is four small ones", { value: "3", from: "tbsp", system: "au" }, { mL: [60, 0.01] }],
  ["spoons", "a British pint", { value: "1", from: "pint", system: "uk" }, { mL: [568.26, 0.01] }],
  ["oven-marks", "mark 4", { mark: "4" }, { c: [175, 0], true: [176.67, 0.4] }],
  ["oven-marks", "half a mark", { mark: "0.5" }, { c: [120, 0] }],
  [
    "salt-per-guest",
    "half of a salty cheese left on the plate",
    {
      g1: "1 kg",
      s1: "2%",
      e1: "100%",
      g2: "1 kg",
      s2: "2%",
      e2: "50%",
      g3: "0",
      s3: "0",
      e3: "100%",
      g4: "0",
      s4: "0",
      e4: "100%",
      servings: "6",
    },
    { salt: [5, 0.01], day: [100, 0.5], sodium: [5 * 0.3934, 0.01] },
  ],
  [
    "alcohol",
    "three quarters of an hour of simmering",
    { volume: "250 mL", abv: "13%", mode: "simmered", minutes: "45 min", servings: "6" },
    { kept: [30, 0.1], each: [1.28, 0.02], all: [7.7, 0.1] },
  ],
  [
    "alcohol",
    "flames leave most of it",
    { volume: "60 mL", abv: "40%", mode: "flamed", servings: "4" },
    { kept: [75, 0.1], each: [3.55, 0.02] },
  ],
];

const ROWS = [...DOUGH, ...CURE, ...JARS, ...HEAT, ...POTS, ...TABLE];
const ask = (id: string, typed: Typed, units: "metric" | "us" = "metric") => {
  const panel = panelOf(id) as Panel;
  const unknown = Object.keys(typed).filter((key) => !panel.fields.some((f) => f.key === key));
  if (unknown.length) throw new Error(`${id} has no field ${unknown}`);
  return benchAnswer({ panel: id, typed: { ...startOf(panel, units), ...typed }, units }).answer;
};

describe.each(ROWS.map(([id, why, ...rest]) => [id, why, ...rest] as const))("%s: %s", (id, _, typed, wanted) => {
  test.each(Object.entries(wanted))("%s", (key, [value, within]) => {
    const got = ask(id, typed);
    if (!got.ok) throw new Error(got.message);
    const figure = got.result.figures.find((f) => f.key === key);
    expect(figure, `no figure ${key}: ${got.result.figures.map((f) => f.key)}`).toBeDefined();
    expect(Math.abs((figure?.value ?? Number.NaN) - value), `${figure?.value} for ${value}`).toBeLessThanOrEqual(within + 1e-9);
  });
  test("the same in American units", () => {
    const [a, b] = [ask(id, typed), ask(id, typed, "us")];
    // What was typed with its unit is the same whatever units were chosen; what was left as the panel opens is rounded to them.
    if (!a.ok || !b.ok) throw new Error("one of them gives no answer");
    expect(b.result.figures.map((f) => f.key)).toEqual(a.result.figures.map((f) => f.key));
  });
});

test("only what solves an equation step by step, or forecasts, is left to the tests of its solver", () => {
  const covered = new Set(ROWS.map(([id]) => id));
  expect(PANELS.map((p) => p.id).filter((id) => !covered.has(id))).toEqual(["cooling", "heat-through", "forecast"]);
});

test.each([
  ["yogurt", /82 to 85 °C/],
  ["creme_fraiche", /raw milk to 72 °C/],
])("milk for %s says how hot it gets first", (type, said) => {
  const { answer } = benchAnswer({ panel: "cultured-dairy", typed: { type, tempC: type === "yogurt" ? "42 C" : "22 C" }, units: "metric" });
  if (!answer.ok) throw new Error(answer.message);
  expect((answer.result.notes ?? []).map((n) => n.text).join(" ")).toMatch(said);
});
