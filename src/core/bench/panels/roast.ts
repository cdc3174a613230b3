// Roast and smoke: when to pull a joint, how it rises, and when it will be done by its probe.
import { CalculationError } from "../../measures/calculation-error";
import { makeConduction } from "../../measures/heat/conduction";
import { roastForecast } from "../../measures/heat/forecast";
import { carryOverRule, dryingTime, equivalentHalf, roastAndRest, stallTemperature } from "../../measures/heat/roast";
import { type FigureField, type Line, num, type Panel, readings, str, type Values, yes } from "../panel";

const SUBJECT = "Roast, smoke, fry";
const mass: FigureField = { key: "mass", label: "Joint", of: "mass", usual: "kg", start: 2000, low: 100, high: 20_000 };
const SHAPES = [
  ["sphere", "compact"],
  ["log", "long"],
] as const;
/** A whole bird is hollow, and a bone leads heat: both cook as if they were thinner. */
const ROAST_SHAPES = [...SHAPES, ["bird", "a whole bird, or on the bone"]] as const;
const BIRD = 0.85;
const shape = { key: "shape", label: "Shape", of: "choice", start: "sphere", choices: SHAPES } as const;
const long: FigureField & { readonly when: (v: Values) => boolean } = {
  key: "long",
  label: "Length",
  of: "length",
  usual: "cm",
  start: 250,
  low: 30,
  high: 1500,
  when: (v) => v.shape === "log",
};
const geometryOf = (kind: string) => (kind === "log" ? ("cylinder" as const) : ("sphere" as const));

/** A joint rests for about a fifth of its time in the oven. Culinary practice. */
const [REST_SHARE, REST_LEAST_MIN, REST_MOST_MIN] = [0.2, 10, 45];
/** How far commonly given times lie from the calculated one, as shares of it. */
const [LEAST, MOST] = [0.8, 1.2];

const ROAST: Panel = {
  id: "roast",
  subject: SUBJECT,
  title: "Roast and its rest",
  does: "When to take a joint out so that it ends at the right temperature, and how long it takes.",
  heavy: true,
  fields: [
    mass,
    { ...shape, choices: ROAST_SHAPES },
    long,
    { key: "from", label: "From", of: "temp", start: 6, low: -2, high: 40 },
    { key: "oven", label: "Oven", of: "temp", start: 160, low: 60, high: 300 },
    { key: "fan", label: "Fan on", of: "yes", start: false },
    { key: "target", label: "Final core temperature", of: "temp", start: 58, low: 40, high: 95 },
  ],
  calculate(v, { call, say }) {
    const half = call(equivalentHalf, {
      massKg: num(v, "mass") / 1000,
      shape: v.shape === "log" ? "cylinder" : "sphere",
      ...(v.shape === "log" ? { lengthM: num(v, "long") / 1000 } : {}),
    }).value;
    const dryingMin = dryingTime({ ovenC: num(v, "oven") }).minutes;
    const rule = call(carryOverRule, { ovenC: num(v, "oven"), massKg: num(v, "mass") / 1000 });
    const pull = num(v, "target") - rule.value;
    const body = {
      geometry: geometryOf(str(v, "shape")),
      halfM: v.shape === "bird" ? half * BIRD : half,
      t0: num(v, "from"),
      ovenC: num(v, "oven"),
      hOven: yes(v, "fan") ? 35 : 20,
      dryingMin,
    };
    const got = call(roastAndRest, { ...body, tPull: pull });
    if (got.cookMin === null)
      return {
        headline: "In this oven it does not get there within 20 hours.",
        figures: [{ key: "cook", label: "In the oven", value: Number.POSITIVE_INFINITY, of: "time" }],
      };
    const rest = Math.min(REST_MOST_MIN, Math.max(REST_LEAST_MIN, got.cookMin * REST_SHARE));
    return {
      headline: `Out at ${say(pull, "temp")}, after about ${say(got.cookMin, "time")}; it rises to ${say(num(v, "target"), "temp")} or a little more while it rests.`,
      figures: [
        { key: "pull", label: "Take it out at", value: pull, of: "temp" },
        { key: "cook", label: "In the oven", value: got.cookMin, of: "time", low: got.cookMin * LEAST, high: got.cookMin * MOST },
        { key: "rise", label: "Carry-over", value: rule.value, of: "warmth", low: rule.value, high: rule.value * 2 },
        { key: "rest", label: "Rest for", value: rest, of: "time" },
      ],
      curve: roastCurve(body, got.cookMin, num(v, "target"), pull),
      notes: [
        {
          text: "The carry-over comes from a table and can be twice that if the joint stays covered on a hot tray. Ovens and joints differ by a fifth either way: the probe decides.",
        },
        {
          text: "Safe marks: poultry 74 °C, mince 71 °C, whole cuts of red meat 63 °C and three minutes' rest. Below that is a choice to tell guests.",
          caution: true,
        },
      ],
      writes: [
        {
          kind: "time",
          label: "roasting",
          find: "roast|oven|bake",
          low: got.cookMin * LEAST,
          minutes: got.cookMin,
          high: got.cookMin * MOST,
        },
        { kind: "probe", label: "roasting", find: "roast|oven|bake", pullC: pull, restToC: num(v, "target") },
        { kind: "time", label: "resting", find: "rest", minutes: rest },
      ],
    };
  },
};

function roastCurve(
  body: { geometry: "sphere" | "cylinder"; halfM: number; t0: number; ovenC: number; hOven: number; dryingMin: number },
  cookMin: number,
  target: number,
  pull: number,
) {
  const inside = { geometry: body.geometry, halfM: body.halfM, k: 0.48, rho: 1060, cp: 3500 };
  const roast = makeConduction({ ...inside, t0: body.t0, h: body.hOven, tEnv: body.ovenC, wetness: 0.4, dryingS: body.dryingMin * 60 });
  const core: [number, number][] = [[0, body.t0]];
  const every = Math.max(120, (cookMin * 60) / 40);
  while (roast.seconds < cookMin * 60) {
    roast.step(30);
    if (roast.seconds >= core.length * every) core.push([roast.seconds / 60, roast.temps[0] as number]);
  }
  core.push([cookMin, pull]);
  return {
    title: "Core temperature",
    x: { label: "from the start", of: "time" as const },
    y: { label: "middle", of: "temp" as const, from: 0 },
    lines: [{ name: "middle", look: "copper" as const, points: core }],
    // It ends where the joint comes out.
    marks: [{ on: "y" as const, at: target, label: "wanted" }],
  };
}

const FORECAST: Panel = {
  id: "forecast",
  subject: SUBJECT,
  title: "When will it be done?",
  does: "From probe readings: how much longer the joint takes, with a range, through the stall and after wrapping.",
  heavy: true,
  fields: [
    {
      key: "readings",
      label: "Readings",
      of: "readings",
      start: [
        [0, 6],
        [30, 12],
        [60, 21],
        [90, 31],
        [120, 40],
      ],
      reading: "temp",
      usual: "min",
      hint: "30 min 14; 60 min 26",
    },
    { key: "target", label: "Done at", of: "temp", start: 58, low: 35, high: 100 },
    { key: "chamber", label: "Oven or smoker", of: "temp", start: 160, low: 50, high: 320 },
    { ...mass, start: 2000 },
    shape,
    long,
    { key: "bare", label: "Smoked without wrapping", of: "yes", start: false },
  ],
  calculate(v, { call, say }) {
    const half = call(equivalentHalf, {
      massKg: num(v, "mass") / 1000,
      shape: v.shape === "log" ? "cylinder" : "sphere",
      ...(v.shape === "log" ? { lengthM: num(v, "long") / 1000 } : {}),
    }).value;
    const taken = readings(v, "readings");
    if (taken.length < 2) throw new CalculationError("readings", "E_RANGE", "Readings: give at least two, such as “30 min 14; 60 min 26”.");
    const got = call(roastForecast, {
      readings: taken.map(([m, c]) => [m, c] as const),
      targetC: num(v, "target"),
      chamberC: num(v, "chamber"),
      halfM: Math.min(0.3, Math.max(0.01, half)),
      geometry: geometryOf(str(v, "shape")),
      unwrapped: yes(v, "bare"),
    });
    const words: Readonly<Record<string, string>> = {
      noData: "There are not enough readings yet.",
      never: "It will never get there: the oven or smoker is too cool.",
      done: "It is done.",
      learning: "Too early to say much:",
      forecast: "",
      beforeStall: "Before its stall:",
      stall: "It has stalled, as smoked joints do:",
    };
    const eta = got.etaMin ?? Number.POSITIVE_INFINITY;
    const last = taken.at(-1) as (typeof taken)[number];
    const lines: Line[] = [{ name: "readings", look: "copper", dots: true, points: taken.map(([m, c]) => [m, c] as const) }];
    if (Number.isFinite(eta) && eta > 0)
      lines.push({
        name: "forecast",
        look: "rim",
        dash: true,
        points: [
          [last[0], last[1]],
          [last[0] + eta, num(v, "target")],
        ],
      });
    const stall =
      yes(v, "bare") && num(v, "chamber") <= 200 && num(v, "chamber") >= 60
        ? call(stallTemperature, { pitC: num(v, "chamber") })
        : undefined;
    return {
      headline:
        `${words[got.status] ?? ""} ${Number.isFinite(eta) ? `about ${say(eta, "time")} more, ${say(got.lowMin ?? eta, "time")} to ${say(got.highMin ?? eta, "time")}.` : ""}`.trim(),
      figures: [
        {
          key: "eta",
          label: "Time left",
          value: eta,
          of: "time",
          ...(got.lowMin !== null && got.highMin !== null ? { low: got.lowMin, high: got.highMin } : {}),
        },
        ...(stall ? [{ key: "stall", label: "It stalls at about", value: stall.value, of: "temp" } as const] : []),
      ],
      curve: {
        title: "The probe",
        x: { label: "from the first reading", of: "time" },
        y: { label: "middle", of: "temp", from: 0 },
        lines,
        marks: [{ on: "y", at: num(v, "target"), label: "done" }],
      },
      notes: [
        {
          text: "The range is wide on purpose. If you open the door, move the probe or change the setting, start the readings again.",
        },
      ],
    };
  },
};

export const ROAST_PANELS: readonly Panel[] = [ROAST, FORECAST];
