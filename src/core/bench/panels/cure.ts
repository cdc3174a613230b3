// Brine and cure: both schools of brining on one chart, dry salting and its days, curing salt and injection with their stops, soaking out.
import { cureTimeRule, desalt, drySalt, equilibriumBrine, gradientBrine } from "../../measures/brine";
import { curingSaltDose, injectionCure } from "../../measures/curing-salt";
import { diffusionDays, diffusionFraction, type Geometry } from "../../measures/diffusion";
import { type FigureField, type Note, num, type Panel, type Scene, str, type Values } from "../panel";
import { PRODUCTS } from "./choices";

const SUBJECT = "Brine and cure";
const SHAPES = [
  ["slab", "Flat: goes in from two sides"],
  ["cylinder", "Round and long"],
  ["sphere", "Round all over"],
] as const;
const meat: FigureField = { key: "meat", label: "Meat or fish", of: "mass", usual: "g", start: 1500, low: 50, high: 50_000 };
const thick: FigureField = { key: "thick", label: "At its thickest", of: "length", usual: "cm", start: 50, low: 2, high: 300 };
const cold: FigureField = { key: "tempC", label: "The fridge, measured", of: "temp", start: 4, low: 0, high: 20 };
const shape = { key: "shape", label: "Its shape", of: "choice", start: "slab", choices: SHAPES } as const;
const WEIGH: Note = { text: "Salt is weighed: a spoon of one salt holds twice that of another." };

/** How even a piece is over time: its mean and its middle, in % of the end. */
function fractions(v: Values, { call }: Scene, days: readonly number[]) {
  return days.map((d) => {
    const input = { geometry: str<Geometry>(v, "shape"), thicknessMm: num(v, "thick"), days: d, tempC: num(v, "tempC") };
    return [d, d === days.at(-1) ? call(diffusionFraction, input) : diffusionFraction(input)] as const;
  });
}

const BRINE: Panel = {
  id: "brine",
  subject: SUBJECT,
  title: "Wet brine, both schools",
  does: "One school weighs the salt for meat and water together and cannot over-salt. The other makes a strong brine and takes the meat out in time.",
  fields: [
    meat,
    { key: "water", label: "Water over it", of: "water", usual: "g", start: 1500, low: 50, high: 50_000 },
    { key: "target", label: "Salt wanted in the meat", of: "share", start: 1.5, low: 0.3, high: 6 },
    { ...thick, start: 25 },
    shape,
    cold,
    { key: "strong", label: "The strong brine, of its water", of: "share", start: 6, low: 0.5, high: 26.4 },
    { key: "hours", label: "and out after", of: "time", usual: "h", start: 720, low: 0, high: 14_400 },
  ],
  reckon(v, scene) {
    const { call, say } = scene;
    call(cureTimeRule, { thicknessMm: Math.min(150, Math.max(5, num(v, "thick"))), tempC: Math.max(0.5, num(v, "tempC")) });
    const even = call(equilibriumBrine, { meatG: num(v, "meat"), waterG: num(v, "water"), targetPct: num(v, "target") });
    const where = { thicknessMm: num(v, "thick"), geometry: str<Geometry>(v, "shape"), tempC: num(v, "tempC") };
    const strong = call(gradientBrine, { waterG: num(v, "water"), pctOfWater: num(v, "strong"), hours: num(v, "hours") / 60, ...where });
    const days = call(diffusionDays, { ...where, targetPct: 90 });
    const end = Math.min(60, Math.max(1, days.days * 1.6, (num(v, "hours") / 1440) * 1.5));
    const at = Array.from({ length: 31 }, (_, i) => end * (i / 30) ** 2);
    const shares = fractions(v, scene, at);
    const strongEnd = (num(v, "strong") / (100 + num(v, "strong"))) * 75;
    const over = strong.predictedMeatSaltPct > num(v, "target") * 1.25;
    return {
      headline: `${say(even.saltG, "grams")} of salt and ${say(days.days * 1440, "time")} for the brine that cannot over-salt; or ${say(strong.saltG, "grams")} and out after ${say(num(v, "hours"), "time")}.`,
      figures: [
        { key: "salt", label: "Salt, weighed for both", value: even.saltG, of: "grams", school: "equilibrium" },
        {
          key: "strength",
          label: "That brine, of its water",
          value: even.brineStrengthPctOfWater ?? 0,
          of: "share",
          school: "equilibrium",
        },
        { key: "settles", label: "The meat settles at", value: even.predictedMeatSaltPct, of: "share", school: "equilibrium" },
        {
          key: "days",
          label: "Even to nine tenths after",
          value: days.days * 1440,
          of: "time",
          low: days.low * 1440,
          high: days.high * 1440,
          school: "equilibrium",
        },
        { key: "strongSalt", label: "Salt for the strong brine", value: strong.saltG, of: "grams", school: "strong and short" },
        {
          key: "strongMeat",
          label: "The meat, when it comes out",
          value: strong.predictedMeatSaltPct,
          of: "share",
          school: "strong and short",
        },
      ],
      curve: {
        title: "Salt in the meat",
        x: { label: "in the brine", of: "time" },
        y: { label: "salt", of: "share", from: 0 },
        lines: [
          {
            name: "equilibrium, mean",
            look: "rim",
            points: shares.map(([d, f]) => [d * 1440, (even.predictedMeatSaltPct * f.averagePct) / 100]),
          },
          {
            name: "equilibrium, middle",
            look: "rim",
            dash: true,
            points: shares.map(([d, f]) => [d * 1440, (even.predictedMeatSaltPct * f.centrePct) / 100]),
          },
          { name: "strong, mean", look: "beet", points: shares.map(([d, f]) => [d * 1440, (strongEnd * f.averagePct) / 100]) },
        ],
        marks: [
          { on: "y", at: num(v, "target"), label: "wanted" },
          { on: "x", at: num(v, "hours"), label: "out of the strong one" },
        ],
      },
      notes: [
        WEIGH,
        { text: "A brine is used once. What touched raw meat is boiled or thrown away.", caution: true },
        ...(over
          ? [{ text: `Left so long the strong brine makes it saltier than wanted: take it out sooner, or soak it afterwards.` }]
          : []),
      ],
      writes: [
        { kind: "ingredient", name: "salt", find: "salt(?!petre)", grams: even.saltG },
        { kind: "ingredient", name: "water", find: "water", grams: num(v, "water") },
        {
          kind: "time",
          label: "in the brine that cannot over-salt",
          find: "brine|soak|cure|stand",
          low: days.low * 1440,
          minutes: days.days * 1440,
          high: days.high * 1440,
        },
        { kind: "time", label: "in the strong brine", find: "brine|soak|cure|stand", minutes: num(v, "hours") },
      ],
    };
  },
};

const DRY: Panel = {
  id: "dry-cure",
  subject: SUBJECT,
  title: "Dry salt, and how long",
  does: "Salt and sugar by weight, and the days by the two schools: so many a centimetre, or until the middle has nine tenths of the end.",
  fields: [
    meat,
    { key: "salt", label: "Salt, of the meat", of: "share", start: 2.5, low: 0.5, high: 10 },
    { key: "sugar", label: "Sugar, of the meat", of: "share", start: 1, low: 0, high: 20 },
    { key: "bone", label: "Of it bone", of: "share", start: 0, low: 0, high: 60 },
    { ...thick, high: 150, low: 5 },
    shape,
    cold,
    {
      key: "rule",
      label: "The rule of so many days",
      of: "choice",
      start: "extension",
      choices: [
        ["extension", "By the thickness, as advisers teach it"],
        ["perQuarterInch", "So many days a quarter inch"],
      ],
    },
  ],
  reckon(v, scene) {
    const { call, say } = scene;
    const dose = call(drySalt, {
      meatG: num(v, "meat"),
      saltPct: num(v, "salt"),
      sugarPct: num(v, "sugar"),
      boneFraction: num(v, "bone") / 100,
    });
    const rule = call(cureTimeRule, { thicknessMm: num(v, "thick"), method: str(v, "rule"), tempC: num(v, "tempC") });
    const where = { geometry: str<Geometry>(v, "shape"), thicknessMm: num(v, "thick"), tempC: num(v, "tempC") };
    const through = call(diffusionDays, { ...where, targetPct: 90 });
    const end = Math.min(365, Math.max(rule.days, through.days) * 1.5);
    const shares = fractions(
      v,
      scene,
      Array.from({ length: 31 }, (_, i) => end * (i / 30) ** 2),
    );
    return {
      headline: `${say(dose.saltG, "grams")} of salt${dose.sugarG > 0 ? ` and ${say(dose.sugarG, "grams")} of sugar` : ""}; ${say(rule.days * 1440, "time")} by the rule, ${say(through.days * 1440, "time")} by the salt's own pace.`,
      figures: [
        { key: "saltG", label: "Salt", value: dose.saltG, of: "grams" },
        { key: "sugarG", label: "Sugar", value: dose.sugarG, of: "grams" },
        { key: "ruleDays", label: "In the cure", value: rule.days * 1440, of: "time", school: "rule by thickness" },
        { key: "even", label: "Left to level out after", value: rule.equaliseDays * 1440, of: "time", school: "rule by thickness" },
        {
          key: "days",
          label: "In the cure",
          value: through.days * 1440,
          of: "time",
          low: through.low * 1440,
          high: through.high * 1440,
          school: "diffusion",
        },
      ],
      curve: {
        title: "How far the salt has come",
        x: { label: "in the cure", of: "time" },
        y: { label: "of its end", of: "share", from: 0, to: 100 },
        lines: [
          { name: "mean", look: "rim", points: shares.map(([d, f]) => [d * 1440, f.averagePct]) },
          { name: "middle", look: "beet", dash: true, points: shares.map(([d, f]) => [d * 1440, f.centrePct]) },
        ],
        marks: [
          { on: "x", at: rule.days * 1440, label: "by the rule" },
          { on: "y", at: 90, label: "nine tenths" },
        ],
      },
      notes: [
        WEIGH,
        {
          text: "Keep it below 5 °C all the time, turn it every other day. What dries at room temperature wants curing salt and a tested recipe.",
          caution: true,
        },
      ],
      writes: [
        { kind: "ingredient", name: "salt", find: "salt(?!petre)", grams: dose.saltG },
        ...(dose.sugarG > 0 ? [{ kind: "ingredient" as const, name: "sugar", find: "sugar", grams: dose.sugarG }] : []),
        {
          kind: "time",
          label: "in the cure",
          find: "cure|salt|rub",
          low: Math.min(rule.days, through.low) * 1440,
          minutes: Math.max(rule.days, through.days) * 1440,
          high: Math.max(rule.days, through.high) * 1440,
        },
      ],
    };
  },
};

const NITRITE: Note = {
  text: "Curing salt is poisonous in small amounts. Weigh it to a tenth of a gram, keep it labelled, never guess and never scale it from another recipe. Limits of your country may be lower (the EU counts less for many products).",
  caution: true,
};

const CURING: Panel = {
  id: "curing-salt",
  subject: SUBJECT,
  title: "Curing salt",
  does: "Curing salt of 6.25 % nitrite for one piece, in parts per million that go in. Past the limit of its kind nothing is reckoned.",
  fields: [
    { key: "product", label: "What it becomes", of: "choice", start: "dry", choices: PRODUCTS },
    meat,
    {
      key: "liquid",
      label: "Brine over it",
      of: "water",
      usual: "g",
      start: 1000,
      low: 1,
      high: 50_000,
      when: (v) => str(v, "product").endsWith("immersion"),
    },
    { key: "ppm", label: "Nitrite that goes in", of: "ppm", start: 120, low: 40, high: 1000 },
    { key: "total", label: "Salt in all, of the same weight", of: "share", start: 2.5, low: 0.5, high: 10 },
    { key: "strength", label: "Nitrite in the curing salt", of: "share", start: 6.25, low: 0, high: 100, hint: "only 6.25 % is reckoned" },
  ],
  reckon(v, { call, say }) {
    const wet = str(v, "product").endsWith("immersion");
    const dose = call(curingSaltDose, {
      product: str(v, "product"),
      meatG: num(v, "meat"),
      ...(wet ? { liquidG: num(v, "liquid") } : {}),
      targetPpm: num(v, "ppm"),
      cureStrengthPct: num(v, "strength"),
      totalSaltPct: num(v, "total"),
    });
    const plain = (dose as { plainSaltG?: number }).plainSaltG ?? 0;
    return {
      headline: `${say(dose.cureG, "grams")} of curing salt and ${say(plain, "grams")} of plain salt: ${say(dose.ppm, "ppm")} of nitrite.`,
      figures: [
        { key: "cure", label: "Curing salt", value: dose.cureG, of: "grams" },
        { key: "plain", label: "Plain salt", value: plain, of: "grams" },
        { key: "got", label: "Nitrite that goes in", value: dose.ppm, of: "ppm" },
        { key: "pct", label: "Curing salt, of the weight", value: dose.pctOfBasis, of: "share" },
      ],
      notes: [NITRITE],
      writes: [
        { kind: "ingredient", name: "curing salt, 6.25 % nitrite", find: "curing|nitrite", grams: dose.cureG },
        { kind: "ingredient", name: "salt", find: "^(?!.*(?:curing|nitrite)).*salt(?!petre)", grams: plain },
      ],
    };
  },
};

const INJECT: Panel = {
  id: "injection",
  subject: SUBJECT,
  title: "Brine pumped in",
  does: "How much brine a piece takes up, what of nitrite and salt goes in with it, and the days that pumping saves.",
  fields: [
    {
      key: "product",
      label: "What it becomes",
      of: "choice",
      start: "immersion",
      choices: [
        ["immersion", "Ham and the like"],
        ["bacon_pumped", "Bacon"],
      ],
    },
    { ...meat, label: "The piece, before", start: 3000 },
    { key: "pump", label: "Pumped in, of its weight", of: "share", start: 10, low: 3, high: 25 },
    { key: "brine", label: "Brine mixed", of: "mass", usual: "g", start: 1000, low: 10, high: 50_000 },
    { key: "cure", label: "of it curing salt", of: "grams", start: 16, low: 0, high: 10_000 },
    { key: "saltG", label: "of it salt", of: "grams", start: 120, low: 0, high: 10_000 },
    { ...thick, start: 60, low: 5, high: 150 },
    cold,
  ],
  reckon(v, { call, say }) {
    const got = call(injectionCure, {
      greenG: num(v, "meat"),
      pumpPct: num(v, "pump"),
      brineG: num(v, "brine"),
      cureG: num(v, "cure"),
      saltG: num(v, "saltG"),
      product: str<"immersion" | "bacon_pumped">(v, "product"),
    });
    const at = { thicknessMm: num(v, "thick"), tempC: num(v, "tempC") };
    const days = call(cureTimeRule, { ...at, method: "injected" });
    const soaked = call(cureTimeRule, { ...at, method: "extension" });
    const through = call(diffusionDays, { ...at, geometry: "slab", targetPct: 90 });
    // Twice as thick takes four times as long, exactly: one thickness gives the curve.
    const thickest = diffusionDays({ thicknessMm: 150, tempC: at.tempC, geometry: "slab", targetPct: 90 }).days;
    const by = (of: (mm: number) => number) =>
      Array.from({ length: 19 }, (_, i) => 10 + (i / 18) * (Math.min(150, Math.max(90, at.thicknessMm * 1.3)) - 10)).map(
        (mm) => [mm, of(mm) * 1440] as const,
      );
    return {
      headline: `It takes up ${say(got.pickupG, "mass")} of brine: ${say(got.ingoingPpm, "ppm")} of nitrite and ${say(got.saltPctInPumped, "share")} of salt.`,
      figures: [
        { key: "pickup", label: "Brine taken up", value: got.pickupG, of: "mass" },
        { key: "prepare", label: "Brine to mix", value: got.brineToPrepareG, of: "mass" },
        { key: "ppm", label: "Nitrite that goes in", value: got.ingoingPpm, of: "ppm" },
        { key: "salt", label: "Salt in the pumped piece", value: got.saltPctInPumped, of: "share" },
        { key: "days", label: "Left to level out", value: days.days * 1440, of: "time", school: "pumped" },
        { key: "soaked", label: "The same piece only laid in it", value: soaked.days * 1440, of: "time", school: "soaked, by the rule" },
        {
          key: "through",
          label: "and even to nine tenths",
          value: through.days * 1440,
          of: "time",
          low: through.low * 1440,
          high: through.high * 1440,
          school: "soaked, by diffusion",
        },
      ],
      curve: {
        title: "How long, by how thick it is",
        x: { label: "at its thickest", of: "length" },
        y: { label: "in the cure", of: "time", from: 0 },
        lines: [
          {
            name: "pumped",
            look: "beet",
            points: by((thicknessMm) => cureTimeRule({ ...at, thicknessMm, method: "injected" }).days),
          },
          { name: "soaked, by the rule", look: "rim", points: by((thicknessMm) => cureTimeRule({ ...at, thicknessMm }).days) },
          {
            name: "soaked, by diffusion",
            look: "rim",
            dash: true,
            points: by((mm) => thickest * (mm / 150) ** 2),
          },
        ],
        marks: [{ on: "x", at: num(v, "thick"), label: "this piece" }],
      },
      notes: [
        NITRITE,
        { text: "A needle carries what is outside inside: clean it in boiling water, keep brine and meat below 4 °C.", caution: true },
      ],
      writes: [{ kind: "time", label: "levelling out", find: "cure|rest|level|stand", minutes: days.days * 1440 }],
    };
  },
};

const SOAK: Panel = {
  id: "soak-out",
  subject: SUBJECT,
  title: "Soaking salt out",
  does: "What is left of the salt after so many waters.",
  fields: [
    { ...meat, label: "Salted food", start: 1000 },
    { key: "salt", label: "Salt in it", of: "share", start: 6, low: 0.5, high: 25 },
    { key: "water", label: "Water each time", of: "water", usual: "g", start: 4000, low: 1, high: 50_000 },
    { key: "changes", label: "Waters", of: "count", start: 3, low: 1, high: 12 },
    { key: "each", label: "Each for", of: "time", usual: "h", start: 480, low: 15, high: 1440 },
    { ...thick, start: 30 },
    shape,
    cold,
  ],
  reckon(v, { call, say }) {
    const changes = Math.round(num(v, "changes"));
    const got = call(desalt, {
      saltPct: num(v, "salt"),
      foodG: num(v, "meat"),
      waterG: num(v, "water"),
      changes,
      hoursEach: num(v, "each") / 60,
      thicknessMm: num(v, "thick"),
      geometry: str<Geometry>(v, "shape"),
      tempC: num(v, "tempC"),
    });
    const all = changes * num(v, "each");
    return {
      headline: `After ${say(all, "time")} it holds ${say(got.saltPct, "share")} of salt.`,
      figures: [
        { key: "left", label: "Salt that is left", value: got.saltPct, of: "share" },
        { key: "all", label: "In water, in all", value: all, of: "time" },
      ],
      curve: {
        title: "Salt that is left",
        x: { label: "in water", of: "time" },
        y: { label: "salt", of: "share", from: 0 },
        lines: [
          {
            name: "salt in the food",
            look: "rim",
            points: [[0, num(v, "salt")], ...got.steps.map((s, i) => [(i + 1) * num(v, "each"), s] as const)],
          },
        ],
      },
      notes: [{ text: "Soak in the fridge: a bowl on the counter is warm long before it is fresh.", caution: true }],
      writes: [{ kind: "time", label: "soaking", find: "soak|water|desalt|freshen", minutes: all }],
    };
  },
};

export const CURE: readonly Panel[] = [BRINE, DRY, CURING, INJECT, SOAK];
