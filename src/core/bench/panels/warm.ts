// Thawing, warming through, low baths.
import { heatThroughTime, makeConduction } from "../../measures/heat/conduction";
import { FOOD } from "../../measures/heat/foods";
import { bagPasteurise, holdForLog } from "../../measures/heat/pasteurise";
import { quickThaw, thawEnthalpySlab } from "../../measures/heat/thaw";
import { judgeReheat } from "../../measures/heat/verdicts";
import { bagComeUp, burnerPower, potHeatTime, seriesTheta, thawTime } from "../../measures/heat/warming";
import { type Calculated, type ChoiceField, num, type Panel, type Scene, str, type Values } from "../panel";
import { KILLS } from "./choices";
import { POT_FOODS } from "./cool";

const SUBJECT = "Cool and warm";
const FROZEN: ChoiceField["choices"] = [
  ["leanMeat", "lean meat"],
  ["fattyMeat", "fat meat"],
  ["poultry", "poultry"],
  ["fish", "fish"],
  ["stock", "stock"],
  ["stew", "stew"],
  ["dough", "dough"],
  ["fruit", "fruit"],
];
/** Where it thaws: coefficient W/m²K and whether its outside is in the warm meanwhile. */
const MEDIA: Readonly<Record<string, readonly [label: string, h: number]>> = {
  fridgeStill: ["fridge", 7],
  fridgeFan: ["fridge with a fan", 12],
  coldWaterStill: ["cold water, changed each half hour", 120],
  coldWaterRunning: ["cold running water", 300],
};

/** A whole bird as a ball of its weight, by so much of its width: its inside is hollow, and water comes into it. Fitted to USDA FSIS, "Turkey Basics", 2023. */
const BALL = { fridge: 0.75, water: 0.55 } as const;
const POULTRY_KG_M3 = 1050;
/** How far birds and fridges differ, as shares of the calculated time. */
const [BIRD_LEAST, BIRD_MOST] = [0.6, 1.4];
const LONG_THAW_MIN = 4 * 1440;
const birdWidthM = (kg: number, medium: string) =>
  ((6 * kg) / (POULTRY_KG_M3 * Math.PI)) ** (1 / 3) * (medium.startsWith("fridge") ? BALL.fridge : BALL.water);
/** A flat pack is taken for square. Density of meat and fish, close enough for the rest. */
const packSideM = (kg: number, thickM: number) => Math.min(2, Math.max(thickM, Math.sqrt(kg / (POULTRY_KG_M3 * thickM))));
const isBird = (v: Values) => v.food === "poultry" && v.form === "bird";

const placed = (label: string) => (label.startsWith("fridge") ? `the ${label}` : label);

const THAW: Panel = {
  id: "thaw",
  subject: SUBJECT,
  title: "Thawing",
  does: "How long a frozen piece takes to thaw, and how long its outside is warm.",
  heavy: true,
  fields: [
    { key: "food", label: "Food", of: "choice", start: "poultry", choices: FROZEN },
    {
      key: "form",
      label: "Shape",
      of: "choice",
      start: "flat",
      when: (v) => v.food === "poultry",
      choices: [
        ["flat", "a flat pack or a cut"],
        ["bird", "a whole bird"],
      ],
    },
    { key: "thick", label: "Thickness", of: "length", usual: "cm", start: 50, low: 3, high: 200, when: (v) => !isBird(v) },
    { key: "mass", label: "Weight", of: "mass", usual: "kg", start: 1000, low: 50, high: 15_000 },
    {
      key: "medium",
      label: "Thawing in",
      of: "choice",
      start: "fridgeStill",
      choices: Object.entries(MEDIA).map(([k, [label]]) => [k, label] as const),
    },
    { key: "at", label: "Temperature there", of: "temp", start: 4, low: -0.5, high: 21 },
    { key: "start", label: "Freezer temperature", of: "temp", start: -18, low: -40, high: -2 },
  ],
  calculate(v, { call, say }) {
    const [label, h] = MEDIA[str(v, "medium")] ?? ["fridge", 7];
    if (isBird(v)) return thawedBird(v, label, h, { call, say });
    const common = { food: str(v, "food"), thicknessM: num(v, "thick") / 1000, h, tMedium: num(v, "at"), tStart: num(v, "start") };
    const side = packSideM(num(v, "mass") / 1000, common.thicknessM);
    const plank = call(thawTime, { ...common, lengthM: side, widthM: side });
    const slab = call(thawEnthalpySlab, { ...common, ...quickThaw(common) });
    // The slab is endless; the pack thaws from its edges as well, sooner by what Plank's formula makes of its sides.
    const byEdges = plank.seconds / call(thawTime, common).seconds;
    const minutes = Math.max(plank.seconds, slab.seconds * byEdges) / 60;
    const warm = ((slab.surfaceOver5S ?? 0) * byEdges) / 60;
    return {
      headline: `${say(minutes, "time")} in ${placed(label)}.`,
      figures: [
        { key: "thawed", label: "Thawed after", value: minutes, of: "time", low: minutes * 0.75, high: minutes * 1.4 },
        { key: "surface", label: "Outside temperature then", value: slab.surfaceC ?? num(v, "at"), of: "temp" },
        { key: "warm", label: "Outside above 5 °C for", value: warm, of: "time" },
      ],
      notes: [
        ...(num(v, "at") > 8 || warm > 120
          ? [
              {
                text: "The outside is warm too long: thaw it in the fridge, or in cold water changed each half hour, and cook it at once.",
                caution: true,
              },
            ]
          : []),
        {
          text: "Never on the counter. Cook food thawed in water at once; thawed in the fridge it keeps a day or two.",
          caution: true,
        },
      ],
      writes: [{ kind: "time", label: "thawing", find: "thaw|defrost", low: minutes * 0.75, minutes, high: minutes * 1.4 }],
    };
  },
};

function thawedBird(v: Values, label: string, h: number, { call, say }: Pick<Scene, "call" | "say">): Calculated {
  const width = birdWidthM(num(v, "mass") / 1000, str(v, "medium"));
  const ball = { thicknessM: width, lengthM: width, widthM: width };
  const { seconds } = call(thawTime, { food: "poultry", ...ball, h, tMedium: num(v, "at"), tStart: num(v, "start") });
  const minutes = seconds / 60;
  const inFridge = str(v, "medium").startsWith("fridge");
  return {
    headline: `About ${say(minutes, "time")} in ${placed(label)}.`,
    figures: [{ key: "thawed", label: "Thawed after", value: minutes, of: "time", low: minutes * BIRD_LEAST, high: minutes * BIRD_MOST }],
    notes: [
      ...(inFridge && minutes > LONG_THAW_MIN
        ? [
            {
              text: "That is too long: the outside is thawed for days before the middle. Thaw it in cold water, changed each half hour.",
              caution: true,
            },
          ]
        : []),
      ...(!inFridge && num(v, "at") > 15
        ? [
            {
              text: "That water is too warm: its outside would spoil before the middle is thawed. Keep it at 15 °C or below.",
              caution: true,
            },
          ]
        : []),
      {
        text: inFridge
          ? "In its wrapping, breast up, on a tray. It keeps a day or two once thawed."
          : "In its wrapping, under the water, changed each half hour. Cook it at once when it is thawed.",
      },
      { text: "Never on the counter.", caution: true },
    ],
    writes: [{ kind: "time", label: "thawing", find: "thaw|defrost", low: minutes * BIRD_LEAST, minutes, high: minutes * BIRD_MOST }],
  };
}

const REHEAT: Panel = {
  id: "reheat",
  subject: SUBJECT,
  title: "Reheating on the stove",
  does: "How long until a pot is hot all through on this burner, and whether that is fast enough.",
  fields: [
    { key: "food", label: "Food", of: "choice", start: "pulseStew", choices: POT_FOODS },
    { key: "volume", label: "Amount", of: "volume", usual: "L", start: 3000, low: 100, high: 40_000 },
    { key: "from", label: "From", of: "temp", start: 4, low: -1, high: 60 },
    { key: "to", label: "To", of: "temp", start: 75, low: 60, high: 99 },
    { key: "burner", label: "Burner", of: "power", start: 1800, low: 200, high: 8000 },
    {
      key: "kind",
      label: "Kind",
      of: "choice",
      start: "induction",
      choices: [
        ["induction", "induction"],
        ["glassCeramic", "glass ceramic"],
        ["coil", "a hotplate"],
        ["gas", "gas"],
      ],
    },
    { key: "reheats", label: "Times reheated before", of: "count", start: 0, low: 0, high: 5 },
  ],
  calculate(v, { call, say }) {
    const food = FOOD[str(v, "food")] as (typeof FOOD)[string];
    const massKg = (num(v, "volume") / 1e6) * food.rho;
    const power = call(burnerPower, { ratedW: num(v, "burner"), kind: str(v, "kind") });
    const heat = (target: number) => call(potHeatTime, { massKg, cp: food.cp, t0: num(v, "from"), target, powerW: power.value }).value / 60;
    const minutes = heat(num(v, "to"));
    const to74 = heat(74);
    const verdict = call(judgeReheat, {
      minutesTo74: Math.min(10_000, to74),
      reached74: num(v, "to") >= 74 && Number.isFinite(to74),
      reheats: Math.round(num(v, "reheats")),
    });
    return {
      headline: `${say(minutes, "time")} to ${say(num(v, "to"), "temp")}${verdict.verdict === "ok" ? "." : `: ${verdict.verdict === "warn" ? "not good" : "not safe"}.`}`,
      figures: [
        { key: "minutes", label: `To ${say(num(v, "to"), "temp")}`, value: minutes, of: "time" },
        { key: "to74", label: `To ${say(74, "temp")}`, value: to74, of: "time" },
        { key: "power", label: "Heat that reaches the pot", value: power.value, of: "power" },
      ],
      notes: [
        {
          text: "To 74 °C in the middle, within two hours, and only once. Stir a thick stew, or it burns below and stays cold in the middle.",
          caution: true,
        },
      ],
      writes: [
        { kind: "time", label: "warming", find: "warm|heat|reheat", minutes },
        { kind: "probe", label: "warming", find: "warm|heat|reheat", pullC: Math.max(74, num(v, "to")) },
      ],
    };
  },
};

const BATH: Panel = {
  id: "low-bath",
  subject: SUBJECT,
  title: "Bag in a water bath",
  does: "How long until the middle reaches the bath temperature, and until it is safe.",
  heavy: true,
  fields: [
    { key: "kills", label: "Food", of: "choice", start: "salmonellaPoultry", choices: KILLS },
    { key: "thick", label: "Thickness", of: "length", usual: "mm", start: 30, low: 3, high: 150 },
    {
      key: "shape",
      label: "Shape",
      of: "choice",
      start: "slab",
      choices: [
        ["slab", "flat"],
        ["cylinder", "round and long"],
        ["sphere", "round all over"],
      ],
    },
    { key: "from", label: "From", of: "temp", start: 5, low: -2, high: 40 },
    { key: "bath", label: "Bath", of: "temp", start: 62, low: 40, high: 95 },
  ],
  calculate(v, { call, say }) {
    const body = { shape: str<"slab">(v, "shape"), thicknessMm: num(v, "thick"), tStart: num(v, "from"), tBath: num(v, "bath") };
    const up = call(bagComeUp, body).value / 60;
    const safe = call(bagPasteurise, { ...body, organism: str(v, "kills") });
    const hold = call(holdForLog, { organism: str(v, "kills"), tempC: num(v, "bath") });
    const [h, k, alpha] = [100, 0.48, 1.2e-7];
    const half = num(v, "thick") / 2000;
    const end = Math.min(1440, Math.max(up, Number.isFinite(safe.minutes) ? safe.minutes : 0) * 1.15);
    const at = (minutes: number) => {
      const input = { shape: body.shape, bi: (h * half) / k, fo: (alpha * minutes * 60) / half ** 2 };
      return body.tBath + (body.tStart - body.tBath) * (minutes === end ? call(seriesTheta, input) : seriesTheta(input)).value;
    };
    const points = Array.from({ length: 41 }, (_, i) => [(end * i) / 40, i === 0 ? body.tStart : at((end * i) / 40)] as const);
    const cold = num(v, "bath") < 54.5;
    return {
      headline: `Warm through after ${say(up, "time")}, safe after ${say(safe.minutes, "time")}.`,
      figures: [
        { key: "up", label: `Within half a degree of ${say(num(v, "bath"), "temp")}`, value: up, of: "time" },
        { key: "safe", label: "Safe after, in total", value: safe.minutes, of: "time" },
        { key: "hold", label: "Of that, holding time", value: hold.value, of: "time" },
        { key: "rise", label: "Past 54.4 °C in the middle after", value: safe.riseTo54Min ?? Number.POSITIVE_INFINITY, of: "time" },
      ],
      curve: {
        title: "Core temperature",
        x: { label: "in the bath", of: "time" },
        y: { label: "middle", of: "temp" },
        lines: [{ name: "middle", look: "copper", points }],
        marks: [
          { on: "y", at: num(v, "bath"), label: "bath" },
          ...(Number.isFinite(safe.minutes) && safe.minutes <= end ? [{ on: "x" as const, at: safe.minutes, label: "safe" }] : []),
        ],
      },
      notes: [
        ...(cold
          ? [{ text: "Below 54.5 °C bacteria grow: four hours in total at most, and not for guests who need care.", caution: true }]
          : []),
        ...(safe.over6h
          ? [{ text: "It takes more than six hours to pass 54.4 °C: make it thinner, or do not cook it this way.", caution: true }]
          : []),
        { text: "Cool a bag in ice water to below 3 °C, or eat it at once.", caution: true },
      ],
      writes: Number.isFinite(safe.minutes)
        ? [{ kind: "time", label: "in the bath", find: "bath|bag|cook", minutes: Math.max(up, safe.minutes) }]
        : [],
    };
  },
};

const OVEN_HEAT: Panel = {
  id: "heat-through",
  subject: SUBJECT,
  title: "Reheating in the oven",
  does: "How long until the middle of a dish from the fridge is hot.",
  heavy: true,
  fields: [
    {
      key: "food",
      label: "Food",
      of: "choice",
      start: "pulseStew",
      choices: [...POT_FOODS, ["leanMeat", "Meat in a piece"], ["vegetable", "Vegetables"]],
    },
    { key: "thick", label: "Thickness", of: "length", usual: "cm", start: 50, low: 5, high: 200 },
    { key: "from", label: "From", of: "temp", start: 4, low: -1, high: 60 },
    { key: "oven", label: "Oven", of: "temp", start: 160, low: 90, high: 250 },
    { key: "to", label: "Core temperature wanted", of: "temp", start: 75, low: 40, high: 95 },
    {
      key: "fan",
      label: "Fan on",
      of: "choice",
      start: "still",
      choices: [
        ["still", "no"],
        ["fan", "yes"],
      ],
    },
  ],
  calculate(v, { call, say }) {
    const food = FOOD[str(v, "food")] as (typeof FOOD)[string];
    const body = {
      geometry: "slab" as const,
      halfM: num(v, "thick") / 2000,
      k: food.k,
      rho: food.rho,
      cp: food.cp,
      t0: num(v, "from"),
      h: v.fan === "fan" ? 35 : 20,
      tEnv: num(v, "oven"),
    };
    const got = call(heatThroughTime, { ...body, target: num(v, "to") });
    const minutes = got.seconds / 60;
    const run = makeConduction(body);
    const points: [number, number][] = [[0, num(v, "from")]];
    const end = Math.min(1440, Number.isFinite(minutes) ? minutes * 1.1 : 600);
    while (run.seconds < end * 60) {
      run.step(60);
      if (points.length < run.seconds / (end * 1.5)) points.push([run.seconds / 60, run.temps[0] as number]);
    }
    return {
      headline: `The middle is at ${say(num(v, "to"), "temp")} after ${say(minutes, "time")}.`,
      figures: [
        { key: "minutes", label: `The middle at ${say(num(v, "to"), "temp")}`, value: minutes, of: "time" },
        { key: "surface", label: "Outside temperature then", value: got.surfaceC ?? num(v, "oven"), of: "temp" },
      ],
      curve: {
        title: "Core temperature",
        x: { label: "in the oven", of: "time" },
        y: { label: "middle", of: "temp", from: 0 },
        lines: [{ name: "middle", look: "copper", points }],
        marks: [{ on: "y", at: 74, label: "hot enough" }],
      },
      notes: [{ text: "To 74 °C in the middle, within two hours, and only once. Cover what dries.", caution: true }],
      writes: [{ kind: "time", label: "warming", find: "warm|heat|reheat|oven", minutes }],
    };
  },
};

export const WARM: readonly Panel[] = [THAW, REHEAT, OVEN_HEAT, BATH];
