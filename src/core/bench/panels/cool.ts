// Cooling a pot against the two stages, each way a curve; what the hot load does to the fridge; ice; time in the danger zone.
import { type CoolingWayKey, compareCooling, coolingWays } from "../../measures/heat/compare-cooling";
import { coolStaged } from "../../measures/heat/cooling";
import { FOOD, vesselGeometry } from "../../measures/heat/foods";
import { fridgeWithLoad, iceBathIce, iceWand, recipeSplitWithIce } from "../../measures/heat/ice";
import { dangerZoneAccount } from "../../measures/heat/verdicts";
import { type ChoiceField, type Line, num, type Panel, str, yes } from "../panel";

const SUBJECT = "Cool and warm";
export const POT_FOODS: ChoiceField["choices"] = [
  ["waterStock", "Stock or broth"],
  ["gelledStock", "Stock that sets"],
  ["thinSauce", "Thin sauce or soup"],
  ["thickSauce", "Thick sauce"],
  ["pulseStew", "Beans or stew"],
  ["milkCream", "Milk or cream"],
  ["mash", "Mash or purée"],
  ["cookedRice", "Cooked rice"],
];
const WAYS_SAID: Readonly<Record<CoolingWayKey, string>> = {
  potCounterThenFridge: "On the counter to 60 °C, then the fridge",
  potFridgeAtOnce: "Into the fridge at once",
  coldWaterThenFridge: "A tub of tap water, then the fridge",
  iceBathStill: "Ice bath, left standing",
  iceBathStirred: "Ice bath, both stirred",
  iceAsRecipeWater: "A quarter of its water put in as ice, then the fridge",
  trays: "Open trays, still fridge",
  traysFan: "Open trays, fridge with a fan",
  traysHalf: "Trays half as deep, still fridge",
  traysHalfFan: "Trays half as deep, fridge with a fan",
};
const WAYS: ChoiceField["choices"] = Object.entries(WAYS_SAID);
const SHORT: Readonly<Record<string, string>> = {
  potCounterThenFridge: "counter, then fridge",
  potFridgeAtOnce: "fridge at once",
  coldWaterThenFridge: "tap water, then fridge",
  iceBathStill: "ice bath",
  iceBathStirred: "ice bath, stirred",
  iceAsRecipeWater: "ice in it, then fridge",
  trays: "trays",
  traysFan: "trays, fan",
  traysHalf: "flatter trays",
  traysHalfFan: "flatter trays, fan",
};
/** How long bottles are stirred in, and the coefficient of a desk fan on a pot, W/m²K. */
const [WAND_S, FAN_H] = [900, 25];
const VERDICTS: Readonly<Record<string, string>> = { ok: "in time", fail1: "too slow to 21 °C", fail2: "too slow to 5 °C" };

export const COOLING: Panel = {
  id: "cooling",
  subject: SUBJECT,
  title: "Cooling a pot",
  does: "Ten ways to cool one pot, checked against two stages: to 21 °C within two hours and to 5 °C within six.",
  heavy: true,
  fields: [
    { key: "food", label: "Food", of: "choice", start: "waterStock", choices: POT_FOODS },
    { key: "volume", label: "Amount", of: "volume", usual: "L", start: 6000, low: 200, high: 40_000 },
    { key: "pot", label: "Pot, across", of: "length", usual: "cm", start: 260, low: 50, high: 600 },
    { key: "hot", label: "Temperature now", of: "temp", start: 95, low: 60, high: 100 },
    { key: "fridge", label: "Fridge, measured", of: "temp", start: 3.5, low: 0, high: 10 },
    { key: "room", label: "Room temperature", of: "temp", start: 21, low: 0, high: 45 },
    { key: "tap", label: "Tap water", of: "temp", start: 14, low: 1, high: 30 },
    { key: "tray", label: "Depth in the trays", of: "length", usual: "cm", start: 50, low: 10, high: 120 },
    { key: "stirred", label: "Stirred now and then", of: "yes", start: true },
    { key: "way", label: "Method", of: "choice", start: "iceBathStirred", choices: WAYS },
  ],
  calculate(v, { call, say, record }) {
    const input = {
      volumeL: num(v, "volume") / 1000,
      food: str(v, "food"),
      potDiameterCm: num(v, "pot") / 10,
      startC: num(v, "hot"),
      fridgeC: num(v, "fridge"),
      roomC: num(v, "room"),
      tapC: num(v, "tap"),
      trayDepthCm: num(v, "tray") / 10,
      stirred: yes(v, "stirred"),
    };
    const ways = coolingWays(input).map((w) => ({ ...w, label: WAYS_SAID[w.key] }));
    record(compareCooling, input);
    const meant = ways.find((w) => w.key === str(v, "way")) ?? (ways[0] as (typeof ways)[number]);
    const inTime = ways.filter((w) => w.verdict === "ok").sort((a, b) => (a.t5Min ?? 0) - (b.t5Min ?? 0));
    const food = FOOD[str(v, "food")] as (typeof FOOD)[string];
    const massKg = (input.volumeL * food.rho) / 1000;
    const ice = call(iceBathIce, { massKg, cp: food.cp, t0: num(v, "hot"), t1: 5 }).value * 1.15;
    const split = call(recipeSplitWithIce, { finalKg: massKg, hotC: num(v, "hot"), targetC: 21 });
    const pot = call(vesselGeometry, { shape: "cylinder", volumeL: input.volumeL, diameterCm: input.potDiameterCm });
    // Two bottles of a litre, frozen, stirred in for as long as one stands there; and a fan over an open pot.
    const wand =
      massKg <= 100
        ? call(iceWand, { massKg, cp: food.cp, t0: num(v, "hot"), wandKg: 0.95, wandM2: 0.055, count: 2, seconds: WAND_S })
        : undefined;
    const blown = call(coolStaged, {
      t0: num(v, "hot"),
      massKg,
      cp: food.cp,
      stages: [
        {
          tEnv: num(v, "room"),
          uaWK: FAN_H * (pot.sideM2 + pot.bottomM2 / 2),
          topM2: pot.topM2,
          tAir: num(v, "room"),
          wetness: food.body === "thin" ? 0.6 : 0.4,
          hConv: FAN_H,
          untilC: 30,
        },
      ],
      marks: [60, 30],
    });
    const warm = call(fridgeWithLoad, {
      loadKg: massKg,
      cp: food.cp,
      loadC: Math.min(60, num(v, "hot")),
      uaLoadWK: Math.min(100, 7 * (pot.topM2 + pot.sideM2 + pot.bottomM2 / 2)),
      setC: num(v, "fridge"),
    });
    const minutes = (m: number | null) => (m === null ? Number.POSITIVE_INFINITY : m);
    const shown = ways.filter((w) => w.key === meant.key || w.key === "potCounterThenFridge" || w.key === inTime[0]?.key);
    const last = Math.max(480, Math.min(1440, ...shown.map((w) => minutes(w.t5Min) * 1.1)));
    const looks: readonly Line["look"][] = ["copper", "leaf", "rim"];
    return {
      headline: `${meant.label}: ${say(minutes(meant.t21Min), "time")} to ${say(21, "temp")}, ${say(minutes(meant.t5Min), "time")} to ${say(5, "temp")}: ${VERDICTS[meant.verdict] ?? meant.verdict}.`,
      figures: [
        { key: "to21", label: `To ${say(21, "temp")}`, value: minutes(meant.t21Min), of: "time" },
        { key: "to5", label: `To ${say(5, "temp")}`, value: minutes(meant.t5Min), of: "time" },
        { key: "ice", label: "Ice for an ice bath", value: ice * 1000, of: "mass" },
        { key: "iceIn", label: `Or as ice in it, to reach ${say(21, "temp")} at once`, value: split.iceKg * 1000, of: "mass" },
        { key: "cookLess", label: "then cooked in only", value: split.concentrateKg * 1000, of: "mass" },
        ...(wand && (food.body === "thin" || yes(v, "stirred"))
          ? [
              {
                key: "wand",
                label: `With two frozen litre bottles stirred in, after ${say(WAND_S / 60, "time")}`,
                value: wand.tempC,
                of: "temp",
              } as const,
            ]
          : []),
        ...(food.body === "thin" || yes(v, "stirred")
          ? [
              {
                key: "fan",
                label: `With a fan over the open pot, to ${say(30, "temp")}`,
                value: (blown.timesS[30] ?? Number.POSITIVE_INFINITY) / 60,
                of: "time",
              } as const,
            ]
          : []),
        { key: "fridgeAir", label: "Put into the fridge warm, its air comes to", value: warm.peakAirC, of: "temp" },
        { key: "fridgeOver", label: "and stays above 5 °C for", value: warm.minutesAirOver5, of: "time" },
      ],
      curve: {
        title: "How it cools",
        x: { label: "from the end of cooking", of: "time" },
        y: { label: "slowest point", of: "temp", from: 0, to: 100 },
        lines: shown.map((w, i) => ({
          name: SHORT[w.key] ?? w.key,
          look: looks[i % looks.length] as Line["look"],
          ...(w.key === meant.key ? {} : { dash: true }),
          points: w.curve.filter(([s]) => s / 60 <= last).map(([s, c]) => [s / 60, c] as const),
        })),
        marks: [
          { on: "y", at: 60, label: "danger begins" },
          { on: "y", at: 21, label: "within 2 h" },
          { on: "y", at: 5, label: "within 6 h" },
        ],
      },
      table: {
        caption: "Ten ways to cool this pot, from the end of cooking",
        head: ["Way", `to ${say(21, "temp")}`, `to ${say(5, "temp")}`, "Result"],
        rows: ways.map((w) => [w.label, say(minutes(w.t21Min), "time"), say(minutes(w.t5Min), "time"), VERDICTS[w.verdict] ?? w.verdict]),
      },
      notes: [
        ...(inTime.length === 0
          ? [{ text: "None of these is quick enough. Divide it into flatter trays, or stir it in ice.", caution: true }]
          : []),
        ...(num(v, "fridge") >= 5
          ? [
              {
                text: `A fridge at ${say(num(v, "fridge"), "temp")} never brings food to ${say(5, "temp")}. Set it colder before you count on it.`,
                caution: true,
              },
            ]
          : []),
        {
          text: "From 57 to 21 °C within 2 hours, and to 5 °C within 6 in all, by the slowest point (FDA Food Code 2022, 3-501.14). An estimate for planning; a thermometer in the middle of the pot decides.",
          caution: true,
        },
      ],
      writes:
        meant.t5Min === null
          ? []
          : [{ kind: "time", label: "cooling", find: "cool|chill", low: meant.t5Min * 0.8, minutes: meant.t5Min, high: meant.t5Min * 1.3 }],
    };
  },
};

const DANGER: Panel = {
  id: "danger-time",
  subject: SUBJECT,
  title: "Time in the danger zone",
  does: "How long a food has been between 5 and 60 °C, and how long it has left.",
  fields: [
    { key: "prep", label: "On the counter", of: "time", usual: "min", start: 40, low: 0, high: 2880 },
    { key: "prepC", label: "Kitchen temperature", of: "temp", start: 21, low: 0, high: 45 },
    { key: "serve", label: "On the table", of: "time", usual: "min", start: 60, low: 0, high: 2880 },
    { key: "serveC", label: "Room temperature there", of: "temp", start: 23, low: 0, high: 45 },
    { key: "way", label: "Carried, not cooled", of: "time", usual: "min", start: 30, low: 0, high: 2880 },
    { key: "wayC", label: "Temperature on the way", of: "temp", start: 25, low: 0, high: 50 },
  ],
  calculate(v, { call, say, exactly }) {
    const leg = (place: string, key: string) => ({
      place,
      minutes: num(v, key),
      fromC: num(v, `${key}C`),
      toC: num(v, `${key}C`),
      ambientC: num(v, `${key}C`),
    });
    const got = call(dangerZoneAccount, { legs: [leg("worktop", "prep"), leg("on the way", "way"), leg("table", "serve")] });
    const words = { ok: "It can go back into the fridge.", useNow: "Eat it now; do not keep it.", discard: "Throw it away." } as Readonly<
      Record<string, string>
    >;
    return {
      headline: `${exactly(got.effectiveMin, "time")} in the warm. ${words[got.verdict] ?? ""}`,
      figures: [
        { key: "total", label: "In the danger zone", value: got.totalMin, of: "time", exact: true },
        { key: "counts", label: `counted double above ${say(32, "temp")}`, value: got.effectiveMin, of: "time", exact: true },
        { key: "chill", label: "Time left to keep it", value: got.leftToChillMin, of: "time", exact: true },
        { key: "use", label: "Time left to eat it", value: got.leftToUseMin, of: "time", exact: true },
      ],
      notes: [
        {
          text: "Up to two hours in total: it can be kept. Up to four: eat it now. After that, throw it away (2-hour/4-hour rule). For guests who need care take half.",
          caution: true,
        },
      ],
    };
  },
};

export const COOL: readonly Panel[] = [COOLING, DANGER];
