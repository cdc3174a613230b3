// Conversions: units, weights of pieces, strengths of a brine, ice thrown in, batches, pressure.
import { pressureCookerTemp } from "../../measures/boiling";
import { brineStrength, turnSchedule } from "../../measures/brine";
import { CalculationError } from "../../measures/calculation-error";
import { countToMass, massToVolume } from "../../measures/density";
import { iceBalance, iceForTarget } from "../../measures/heat/ice";
import { toUsMeasure } from "../../measures/rounding";
import { batchesNeeded } from "../../measures/scaling";
import pieces from "../../measures/tables/pieces.json";
import { convertTemperature, convertVolume, gasMarkToCelsius } from "../../measures/units";
import { num, type Panel, str } from "../panel";
import { OF_WHAT } from "./choices";
import { NITRITE_OF_A_DOSE } from "./curing-salt";
import { DOUGH_SUMS } from "./dough-sums";

const SUBJECT = "Conversions";

const OVEN_MARKS: Panel = {
  id: "oven-marks",
  subject: SUBJECT,
  title: "Gas marks and degrees",
  does: "A gas mark in °C and °F.",
  fields: [{ key: "mark", label: "Gas mark", of: "number", start: 4, low: 0.25, high: 10 }],
  calculate(v, { call }) {
    const got = call(gasMarkToCelsius, { mark: num(v, "mark") });
    const exact = call(convertTemperature, { value: got.fahrenheit, from: "F", to: "C" });
    return {
      headline: `${got.fahrenheit} degrees Fahrenheit, ${got.celsius} degrees Celsius: set the oven to ${got.fahrenheit} or to ${got.celsiusOven}.`,
      figures: [
        { key: "c", label: "Oven", value: got.celsiusOven, of: "temp", exact: true },
        { key: "true", label: "Exact", value: exact.value, of: "temp", exact: true },
      ],
    };
  },
};

const SPOONS: Panel = {
  id: "spoons",
  subject: SUBJECT,
  title: "Cups and spoons by country",
  does: "A measure of one country in millilitres and in US cups.",
  fields: [
    { key: "value", label: "Count", of: "number", start: 1, low: 0, high: 1000 },
    {
      key: "from",
      label: "of",
      of: "choice",
      start: "cup",
      choices: [
        ["cup", "cups"],
        ["tbsp", "tablespoons"],
        ["tsp", "teaspoons"],
        ["pint", "pints"],
      ],
    },
    {
      key: "system",
      label: "Country",
      of: "choice",
      start: "us",
      choices: [
        ["us", "the United States"],
        ["uk", "Britain"],
        ["au", "Australia"],
        ["metric", "metric books"],
        ["jp", "Japan"],
      ],
    },
  ],
  calculate(v, { call, say }) {
    const mL = call(convertVolume, { value: num(v, "value"), from: str(v, "from"), to: "mL", system: str(v, "system") }).value;
    if (mL > 4000) throw new CalculationError("value", "E_RANGE", "Count: that is more than four litres; measure it in a jug.");
    const us = call(toUsMeasure, { mL });
    return {
      headline: `${say(mL, "volume")}; in American spoons and cups ${us.text}.`,
      figures: [{ key: "mL", label: "Volume", value: mL, of: "volume", exact: true }],
    };
  },
};

const PIECES: Panel = {
  id: "pieces-weigh",
  subject: SUBJECT,
  title: "Weight of pieces",
  does: "Onions, eggs, cloves of garlic by the piece, as bought or ready to use.",
  fields: [
    { key: "piece", label: "Food", of: "choice", start: pieces[0]?.key ?? "", choices: pieces.map((p) => [p.key, p.name] as const) },
    { key: "count", label: "Count", of: "count", start: 3, low: 0, high: 1000 },
    {
      key: "state",
      label: "State",
      of: "choice",
      start: "edible",
      choices: [
        ["edible", "ready to use"],
        ["asBought", "as bought"],
      ],
    },
  ],
  calculate(v, { call, say }) {
    const got = call(countToMass, { piece: str(v, "piece"), count: num(v, "count"), state: str<"edible">(v, "state") });
    return {
      headline: `${say(got.g, "mass")}.`,
      figures: [{ key: "g", label: "Weight", value: got.g, of: "mass", low: got.low, high: got.high }],
    };
  },
};

const VOLUME: Panel = {
  id: "weight-to-volume",
  subject: SUBJECT,
  title: "Weight to cups and spoons",
  does: "The volume of a weight, if you have no scale. What must be weighed is not converted.",
  fields: [OF_WHAT, { key: "g", label: "Weight", of: "mass", usual: "g", start: 250, low: 0, high: 50_000 }],
  calculate(v, { call, say }) {
    const got = call(massToVolume, { g: num(v, "g"), ingredient: str(v, "what") });
    return { headline: `${say(got.mL, "volume")}.`, figures: [{ key: "mL", label: "Volume", value: got.mL, of: "volume" }] };
  },
};

const STRENGTH: Panel = {
  id: "brine-strength",
  subject: SUBJECT,
  title: "Strength of a brine",
  does: "One brine in the three scales that books use.",
  fields: [
    { key: "salt", label: "Salt", of: "grams", start: 60, low: 0, high: 100_000 },
    { key: "water", label: "Water", of: "water", usual: "g", start: 1000, low: 1, high: 50_000 },
    { key: "days", label: "Time in the brine", of: "time", usual: "d", start: 7 * 1440, low: 0, high: 365 * 1440 },
  ],
  calculate(v, { call, say }) {
    const got = call(brineStrength, { saltG: num(v, "salt"), waterG: num(v, "water") });
    const turns = call(turnSchedule, { days: Math.round(num(v, "days") / 1440) });
    return {
      headline: `${say(got.pctOfWater, "share")} of the water, ${say(got.pctByWeight, "share")} of the whole, ${Math.round(got.salometer)} on the salometer.`,
      figures: [
        { key: "water", label: "Of the water", value: got.pctOfWater, of: "share" },
        { key: "whole", label: "Of the whole", value: got.pctByWeight, of: "share" },
        { key: "salometer", label: "Salometer", value: got.salometer, of: "number" },
      ],
      notes: turns.turnDays.length
        ? [{ text: `Turn the food on day ${turns.turnDays.slice(0, 12).join(", ")}${turns.turnDays.length > 12 ? " …" : ""}.` }]
        : [],
    };
  },
};

const ICE: Panel = {
  id: "ice-in",
  subject: SUBJECT,
  title: "Adding ice",
  does: "How warm a stock is with ice added, and how much ice brings it to the temperature you want.",
  fields: [
    { key: "stock", label: "Stock", of: "mass", usual: "kg", start: 4000, low: 10, high: 60_000 },
    { key: "hot", label: "at", of: "temp", start: 90, low: 1, high: 100 },
    { key: "ice", label: "Ice", of: "mass", usual: "kg", start: 1500, low: 0, high: 60_000 },
    { key: "target", label: "Target temperature", of: "temp", start: 21, low: 0.5, high: 90 },
  ],
  calculate(v, { call, say }) {
    const got = call(iceBalance, { stockKg: num(v, "stock") / 1000, stockC: num(v, "hot"), iceKg: num(v, "ice") / 1000 });
    if (num(v, "target") > num(v, "hot"))
      throw new CalculationError("target", "E_RANGE", "Target temperature: ice does not make it hotter than it is.");
    const wanted = call(iceForTarget, { stockKg: num(v, "stock") / 1000, stockC: num(v, "hot"), targetC: num(v, "target") });
    return {
      headline: `${say(got.tempC, "temp")} with that ice; ${say(wanted.value * 1000, "mass")} bring it to ${say(num(v, "target"), "temp")}.`,
      figures: [
        { key: "temp", label: "Temperature with that ice", value: got.tempC, of: "temp" },
        { key: "melted", label: "Ice melted", value: got.meltedKg * 1000, of: "mass" },
        { key: "wanted", label: `Ice to reach ${say(num(v, "target"), "temp")}`, value: wanted.value * 1000, of: "mass" },
      ],
    };
  },
};

const BATCHES: Panel = {
  id: "batches",
  subject: SUBJECT,
  title: "Batches",
  does: "How many times to fill a pot, tray or pan, and with how much.",
  fields: [
    { key: "total", label: "Total", of: "mass", usual: "kg", start: 5200, low: 1, high: 50_000 },
    { key: "each", label: "Most at a time", of: "mass", usual: "kg", start: 1500, low: 1, high: 50_000 },
  ],
  calculate(v, { call, say }) {
    const got = call(batchesNeeded, { total: num(v, "total"), capacity: num(v, "each") });
    return {
      headline: `${got.batches} ${got.batches === 1 ? "batch" : "batches"} of ${say(got.each, "mass")}.`,
      figures: [
        { key: "batches", label: "Batches", value: got.batches, of: "count" },
        { key: "size", label: "Each", value: got.each, of: "mass" },
      ],
    };
  },
};

const PRESSURE: Panel = {
  id: "pressure",
  subject: SUBJECT,
  title: "Pressure cooker",
  does: "How hot it is inside, and how much shorter the cooking time is, at your altitude.",
  fields: [
    { key: "gauge", label: "Gauge pressure", of: "pressure", start: 80, low: 0, high: 110 },
    { key: "altitude", label: "Altitude", of: "altitude", start: 100, low: -400, high: 4500 },
    { key: "time", label: "Time in an open pot", of: "time", usual: "h", start: 180, low: 1, high: 2880 },
  ],
  calculate(v, { call, say }) {
    const got = call(pressureCookerTemp, { gaugeKPa: num(v, "gauge"), altitudeM: num(v, "altitude") });
    return {
      headline: `${say(got.celsius, "temp")} inside: about ${say(num(v, "time") * got.timeFactor, "time")} instead of ${say(num(v, "time"), "time")}.`,
      figures: [
        { key: "inside", label: "Temperature inside", value: got.celsius, of: "temp" },
        { key: "time", label: "Time under pressure, about", value: num(v, "time") * got.timeFactor, of: "time" },
      ],
      notes: [
        {
          text: "Fill it two thirds at most, half for beans and grains. Keep the vent clear, and open the lid only when the pressure has gone.",
          caution: true,
        },
      ],
    };
  },
};

export const SMALL_SUMS: readonly Panel[] = [
  NITRITE_OF_A_DOSE,
  STRENGTH,
  ...DOUGH_SUMS,
  ICE,
  BATCHES,
  PRESSURE,
  PIECES,
  VOLUME,
  SPOONS,
  OVEN_MARKS,
];
