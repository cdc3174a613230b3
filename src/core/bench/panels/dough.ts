// Dough: percentages both ways, water for a temperature, rising through room and fridge, starters.

import { CalculationError } from "../../measures/calculation-error";
import { bakersToGrams, iceForWater, prefermentSplit, starterBuild, waterTemperature } from "../../measures/dough";
import { doughCoolingTau, fermentFinishTime, fermentSchedule, type Organism, starterPeak, yeastForSchedule } from "../../measures/proofing";
import { type Figure, num, type Panel, str, type Values } from "../panel";

const SUBJECT = "Dough";
const share = (key: string, label: string, start: number, low: number, high: number, hint?: string) =>
  ({ key, label, of: "share", start, low, high, ...(hint ? { hint } : {}) }) as const;

const PERCENT: Panel = {
  id: "dough-percentages",
  subject: SUBJECT,
  title: "Baker's percentages",
  does: "Flour is 100 %. Enter the flour and the percentages, or lock the weight of the dough to get the flour.",
  fields: [
    { key: "flour", label: "Flour", of: "mass", usual: "g", start: 1000, low: 50, high: 50_000 },
    share("water", "Water", 68, 30, 150),
    share("salt", "Salt", 2, 0, 5),
    share("yeast", "Instant yeast", 0.6, 0, 5),
    share("fat", "Fat", 0, 0, 60),
    share("sugar", "Sugar", 0, 0, 40),
    share("early", "Prefermented flour", 0, 0, 60, "0: no preferment"),
    { ...share("earlyWater", "Hydration of the preferment", 100, 45, 200), when: (v) => num(v, "early") > 0 },
  ],
  calculate(v, { call, say }) {
    const percents = Object.fromEntries(["water", "salt", "yeast", "fat", "sugar"].map((k) => [k, num(v, k)]));
    const { grams, totalG } = call(bakersToGrams, { flourG: num(v, "flour"), percents });
    const early = num(v, "early");
    const split =
      early >= 1
        ? call(prefermentSplit, {
            flourG: num(v, "flour"),
            waterG: grams.water ?? 0,
            prefermentedFlourPct: early,
            prefermentHydrationPct: num(v, "earlyWater"),
          })
        : undefined;
    const g = (key: string, label: string, value: number, of: Figure["of"] = "mass"): Figure => ({ key, label, value, of });
    const parts = (["water", "salt", "yeast", "fat", "sugar"] as const).filter((k) => (grams[k] ?? 0) > 0);
    const names = { water: "Water", salt: "Salt", yeast: "Instant yeast", fat: "Fat", sugar: "Sugar" };
    return {
      headline: `${say(num(v, "flour"), "mass")} of flour and ${say(grams.water ?? 0, "water")} of water make ${say(totalG, "mass")} of dough.`,
      figures: [
        g("dough", "Dough", totalG),
        ...parts.map((k) => g(k, names[k], grams[k] ?? 0, k === "water" ? "water" : "mass")),
        ...(split
          ? [
              g("preferment", "Preferment", split.prefermentG),
              g("prefermentFlour", "Flour in the preferment", split.freshFlourG),
              g("prefermentWater", "Water in the preferment", split.freshWaterG, "water"),
              g("finalFlour", "Flour on the day", split.finalFlourG),
              g("finalWater", "Water on the day", split.finalWaterG, "water"),
            ]
          : []),
      ],
      writes: [
        { kind: "ingredient", name: "flour", find: "flour", grams: num(v, "flour") },
        ...parts.map((k) => ({
          kind: "ingredient" as const,
          name: k === "yeast" ? "instant yeast" : k,
          find: k === "fat" ? "butter|lard|oil|fat" : k,
          grams: grams[k] ?? 0,
        })),
      ],
    };
  },
};

const WATER: Panel = {
  id: "dough-water",
  subject: SUBJECT,
  title: "Water for a dough temperature",
  does: "How warm the water must be for the dough temperature you want.",
  fields: [
    { key: "dough", label: "Dough after mixing", of: "temp", start: 24, low: 10, high: 35 },
    { key: "flour", label: "Flour", of: "temp", start: 21, low: -20, high: 45 },
    { key: "room", label: "Room", of: "temp", start: 21, low: -5, high: 45 },
    {
      key: "friction",
      label: "Friction",
      of: "warmth",
      start: 4,
      low: -5,
      high: 30,
      hint: "by hand almost nothing, in a mixer most",
    },
    { key: "water", label: "Total water", of: "water", usual: "g", start: 680, low: 1, high: 50_000 },
    { key: "tap", label: "Tap water", of: "temp", start: 14, low: 0, high: 40 },
  ],
  calculate(v, { call, say }) {
    const { waterC, warnings } = call(waterTemperature, {
      ddtC: num(v, "dough"),
      flourC: num(v, "flour"),
      roomC: num(v, "room"),
      frictionC: num(v, "friction"),
    }) as { waterC: number; warnings?: readonly string[] };
    const tap = num(v, "tap");
    const ice = waterC < tap && waterC >= -60 ? call(iceForWater, { totalG: num(v, "water"), tapC: tap, targetC: waterC }) : undefined;
    return {
      headline: ice
        ? `Water at ${say(waterC, "temp")}: ${say(ice.iceG, "mass")} of ice in ${say(ice.tapG, "water")} from the tap.`
        : `Water at ${say(waterC, "temp")}.`,
      figures: [
        { key: "waterC", label: "Water", value: waterC, of: "temp" },
        ...(ice
          ? [
              { key: "ice", label: "Ice", value: ice.iceG, of: "mass" } as const,
              { key: "tapG", label: "From the tap", value: ice.tapG, of: "water" } as const,
            ]
          : []),
      ],
      notes: warnings?.length ? [{ text: "Pour water this warm onto the flour, never straight onto yeast: above 40 °C it harms it." }] : [],
    };
  },
};

const stretches = (v: Values) =>
  [
    { hours: num(v, "first") / 60, ambientC: num(v, "firstC") },
    { hours: num(v, "cold") / 60, ambientC: num(v, "coldC") },
    { hours: num(v, "last") / 60, ambientC: num(v, "lastC") },
  ].filter((s) => s.hours > 0);

const RISE: Panel = {
  id: "dough-rise",
  subject: SUBJECT,
  title: "Rising through room and fridge",
  does: "How far a schedule of room and fridge takes a dough, how much yeast would make it ready in time, and when it is ready if left.",
  heavy: true,
  fields: [
    {
      key: "by",
      label: "Leavened with",
      of: "choice",
      start: "yeast",
      choices: [
        ["yeast", "Instant yeast"],
        ["sourdough", "A ripe starter"],
      ],
    },
    { ...share("yeast", "Instant yeast, % of the flour", 0.2, 0.01, 3), when: (v) => v.by === "yeast" },
    { ...share("leaven", "Flour fermented in the starter", 15, 1, 50), when: (v) => v.by === "sourdough" },
    { key: "mass", label: "Weight of each piece", of: "mass", usual: "g", start: 1000, low: 10, high: 20_000 },
    { key: "startC", label: "Dough after mixing", of: "temp", start: 24, low: 0, high: 40 },
    { key: "first", label: "First at room temperature", of: "time", usual: "h", start: 120, low: 0, high: 14_400 },
    { key: "firstC", label: "Room temperature", of: "temp", start: 21, low: -5, high: 45 },
    { key: "cold", label: "Then in the fridge", of: "time", usual: "h", start: 840, low: 0, high: 14_400 },
    { key: "coldC", label: "Fridge temperature", of: "temp", start: 4, low: -5, high: 45 },
    { key: "last", label: "Last at room temperature", of: "time", usual: "h", start: 90, low: 0, high: 14_400 },
    { key: "lastC", label: "Room temperature then", of: "temp", start: 22, low: -5, high: 45 },
    share("salt", "Salt, % of the flour", 2, 0, 4),
    share("sugar", "Sugar, % of the flour", 0, 0, 30),
  ],
  calculate(v, { call, say }) {
    const segments = stretches(v);
    if (segments.length === 0) throw new CalculationError("first", "E_RANGE", "Give the dough some time: all three stretches are 0.");
    const organism = str<Organism>(v, "by");
    const { tauH } = call(doughCoolingTau, { massG: num(v, "mass") });
    const leavening = {
      organism,
      ...(organism === "yeast" ? { yeastPct: num(v, "yeast") } : { prefermentedFlourPct: num(v, "leaven") }),
      saltPct: num(v, "salt"),
      sugarPct: num(v, "sugar"),
    };
    const startC = num(v, "startC");
    const all = call(fermentSchedule, { segments, startC, tauH, ...leavening });
    const total = segments.reduce((n, s) => n + s.hours, 0);
    const last = segments.at(-1) as (typeof segments)[number];
    const { hours: alone } = orNever(() =>
      call(fermentFinishTime, { segments: segments.slice(0, -1), startC, tauH, ambientC: last.ambientC, ...leavening }),
    );
    const before = total - last.hours;
    const yeast =
      organism === "yeast"
        ? wanted(() => call(yeastForSchedule, { segments, startC, tauH, saltPct: num(v, "salt"), sugarPct: num(v, "sugar") }))
        : undefined;
    const points: [number, number][] = [[0, 0]];
    const temps: [number, number][] = [[0, startC]];
    // Each stretch is cut into pieces; the schedule up to each gives the curve.
    const done: { hours: number; ambientC: number }[] = [];
    let passed = 0;
    for (const s of segments) {
      const pieces = Math.max(4, Math.min(16, Math.round(s.hours)));
      for (let i = 1; i <= pieces; i++) {
        const part = fermentSchedule({ segments: [...done, { ...s, hours: (s.hours * i) / pieces }], startC, tauH, ...leavening });
        points.push([(passed + (s.hours * i) / pieces) * 60, Math.min(300, (part.eqHours / part.neededEqHours) * 100)]);
        temps.push([(passed + (s.hours * i) / pieces) * 60, part.segments.at(-1)?.endC ?? startC]);
      }
      done.push(s);
      passed += s.hours;
    }
    const over = (all as { warnings?: readonly string[] }).warnings?.includes("W_OVERPROOF");
    return {
      headline:
        all.progressPct < 85
          ? `At the end the dough is ${say(all.progressPct, "share")} of the way: it needs more time, more warmth or more ${organism === "yeast" ? "yeast" : "starter"}.`
          : all.progressPct <= 125
            ? `Ready at the end, after ${say(total * 60, "time")}.`
            : `It is past its best at the end: ${say(all.progressPct, "share")} of the way.`,
      figures: [
        { key: "progress", label: "Risen at the end", value: all.progressPct, of: "share" },
        {
          key: "ready",
          label: `Ready after, at ${say(last.ambientC, "temp")} at last`,
          value: (before + alone) * 60,
          of: "time",
          low: (before + alone * 0.7) * 60,
          high: (before + alone * 1.35) * 60,
        },
        ...(yeast ? [{ key: "yeastWanted", label: "Instant yeast for this schedule", value: yeast.instantPct, of: "share" } as const] : []),
        { key: "tau", label: "Cooling time constant", value: tauH * 60, of: "time" },
        { key: "endC", label: "Dough at the end", value: all.segments.at(-1)?.endC ?? startC, of: "temp" },
      ],
      curve: {
        title: "How far the dough has risen",
        x: { label: "after mixing", of: "time" },
        y: { label: "risen", of: "share", from: 0 },
        lines: [{ name: "risen", points, look: "leaf" }],
        marks: [{ on: "y", at: 100, label: "ready" }],
      },
      notes: [
        { text: "Check the dough when 70 % of the time has passed: the dough decides, not the clock." },
        ...(over ? [{ text: "Past 160 % a dough slackens and tears; knock it back and shape it anew, or give it less yeast." }] : []),
      ],
      writes: [
        {
          kind: "time",
          label: "rising",
          find: "ris|proof|prov|ferment|bulk",
          low: (before + alone * 0.7) * 60,
          minutes: (before + alone) * 60,
          high: (before + alone * 1.35) * 60,
        },
      ],
    };
  },
};

const STARTER: Panel = {
  id: "dough-starter",
  subject: SUBJECT,
  title: "Feeding a starter",
  does: "Seed, flour and water for a starter, and when it is at its peak.",
  fields: [
    { key: "target", label: "Starter wanted", of: "mass", usual: "g", start: 250, low: 1, high: 20_000 },
    { key: "flour", label: "Flour for each part of seed", of: "number", start: 3, low: 0.1, high: 20 },
    { key: "water", label: "Water for each part of seed", of: "number", start: 3, low: 0, high: 20 },
    { key: "tempC", label: "Temperature", of: "temp", start: 24, low: 4, high: 38 },
  ],
  calculate(v, { call, say }) {
    const b = call(starterBuild, { targetG: num(v, "target"), ratioSeed: 1, ratioFlour: num(v, "flour"), ratioWater: num(v, "water") });
    const peak = call(starterPeak, { dilution: b.dilution, tempC: num(v, "tempC") });
    return {
      headline: `${say(b.seedG, "mass")} of starter, ${say(b.flourG, "mass")} of flour, ${say(b.waterG, "water")} of water; at its peak after about ${say(peak.hours * 60, "time")}.`,
      figures: [
        { key: "seed", label: "Seed", value: b.seedG, of: "mass" },
        { key: "flourG", label: "Flour", value: b.flourG, of: "mass" },
        { key: "waterG", label: "Water", value: b.waterG, of: "water" },
        { key: "peak", label: "At its peak after", value: peak.hours * 60, of: "time", low: peak.low * 60, high: peak.high * 60 },
      ],
      writes: [
        {
          kind: "time",
          label: "ripening",
          find: "ripen|feed|starter|levain",
          low: peak.low * 60,
          minutes: peak.hours * 60,
          high: peak.high * 60,
        },
      ],
    };
  },
};

/** A dough that is not ready within ten days is never ready; that is an answer, not a slip. */
function orNever(ask: () => { hours: number }): { hours: number } {
  try {
    return ask();
  } catch (error) {
    if (error instanceof CalculationError && error.code === "E_NO_FERMENT") return { hours: Number.POSITIVE_INFINITY };
    throw error;
  }
}
/** No dose fits a schedule that is far too short or too long: then none is said. */
function wanted<T>(ask: () => T): T | undefined {
  try {
    return ask();
  } catch (error) {
    if (error instanceof CalculationError && (error.code === "E_TOO_SHORT" || error.code === "E_TOO_LONG")) return undefined;
    throw error;
  }
}

export const DOUGH: readonly Panel[] = [PERCENT, WATER, RISE, STARTER];
