// Brine and cure: both schools of brining on one chart, dry salting and its days, soaking out.
import { cureTimeRule, desalt, drySalt, equilibriumBrine, gradientBrine } from "../../measures/brine";
import { diffusionDays, diffusionFraction, type Geometry } from "../../measures/diffusion";
import { type Note, num, type Panel, type Scene, str, type Values } from "../panel";
import { CURING_SALT } from "./curing-salt";
import { cold, meat, thick } from "./piece";

const SUBJECT = "Brine and cure";
const SHAPES = [
  ["slab", "Flat, salted from two sides"],
  ["cylinder", "Long and round"],
  ["sphere", "Ball"],
] as const;
const shape = { key: "shape", label: "Shape", of: "choice", start: "slab", choices: SHAPES } as const;
const WEIGH: Note = { text: "Weigh the salt: a spoon of one salt weighs twice as much as of another." };

/** How even a piece is over time: its mean and its middle, in % of the end. */
function fractions(v: Values, { call }: Scene, days: readonly number[]) {
  return days.map((d) => {
    const input = { geometry: str<Geometry>(v, "shape"), thicknessMm: num(v, "thick"), days: d, tempC: num(v, "tempC") };
    return [d, d === days.at(-1) ? call(diffusionFraction, input) : diffusionFraction(input)] as const;
  });
}

/** Nearer to what was wanted than that nothing is said. */
const NEAR = 0.95;
/** Longer than that nobody brines. */
const LONG_DAYS = 21;

const BRINE: Panel = {
  id: "brine",
  subject: SUBJECT,
  title: "Wet brine, two methods",
  does: "An equilibrium brine is weighed for meat and water together and cannot over-salt. A gradient brine is strong, and the meat comes out in time.",
  fields: [
    meat,
    { key: "water", label: "Water", of: "water", usual: "g", start: 1500, low: 50, high: 50_000 },
    { key: "target", label: "Wanted salt in the meat", of: "share", start: 1.5, low: 0.3, high: 6 },
    { ...thick, start: 25 },
    shape,
    cold,
    { key: "strong", label: "Gradient brine, % of the water", of: "share", start: 6, low: 0.5, high: 26.4 },
    { key: "hours", label: "Out of it after", of: "time", usual: "h", start: 720, low: 0, high: 14_400 },
  ],
  calculate(v, scene) {
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
      headline: `${say(even.saltG, "grams")} of salt and ${say(days.days * 1440, "time")} for the equilibrium brine; or ${say(strong.saltG, "grams")} and out after ${say(num(v, "hours"), "time")}.`,
      figures: [
        { key: "salt", label: "Salt, equilibrium brine", value: even.saltG, of: "grams", school: "equilibrium" },
        {
          key: "strength",
          label: "Equilibrium brine, % of the water",
          value: even.brineStrengthPctOfWater ?? 0,
          of: "share",
          school: "equilibrium",
        },
        { key: "settles", label: "Salt in the meat at the end", value: even.predictedMeatSaltPct, of: "share", school: "equilibrium" },
        {
          key: "days",
          label: "90 % equilibrated after",
          value: days.days * 1440,
          of: "time",
          low: days.low * 1440,
          high: days.high * 1440,
          school: "equilibrium",
        },
        { key: "strongSalt", label: "Salt, gradient brine", value: strong.saltG, of: "grams", school: "gradient brine" },
        {
          key: "strongMeat",
          label: "Salt in the meat when it comes out",
          value: strong.predictedMeatSaltPct,
          of: "share",
          school: "gradient brine",
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
          { name: "gradient, mean", look: "beet", points: shares.map(([d, f]) => [d * 1440, (strongEnd * f.averagePct) / 100]) },
        ],
        marks: [
          { on: "y", at: num(v, "target"), label: "wanted" },
          { on: "x", at: num(v, "hours"), label: "out" },
        ],
      },
      notes: [
        WEIGH,
        { text: "Use a brine once. Boil or throw away whatever touched raw meat.", caution: true },
        ...(even.predictedMeatSaltPct < num(v, "target") * NEAR
          ? [
              {
                text: `The meat gives water to the brine and settles at ${say(even.predictedMeatSaltPct, "share")}. For ${say(num(v, "target"), "share")} in the meat, weigh for ${say(Math.min(6, num(v, "target") ** 2 / even.predictedMeatSaltPct), "share")}.`,
              },
            ]
          : []),
        ...(days.days > LONG_DAYS
          ? [
              {
                text: `A piece this thick takes ${say(days.days * 1440, "time")} to cure to the middle. Inject the brine, salt it dry, or take the bone out and cut it thinner.`,
                caution: true,
              },
            ]
          : []),
        ...(over
          ? [{ text: `That long in the gradient brine it gets saltier than wanted: take it out sooner, or soak it afterwards.` }]
          : []),
      ],
      writes: [
        { kind: "ingredient", name: "salt", find: "salt(?!petre)", grams: even.saltG },
        { kind: "ingredient", name: "water", find: "water", grams: num(v, "water") },
        {
          kind: "time",
          label: "in the equilibrium brine",
          find: "brine|soak|cure|stand",
          low: days.low * 1440,
          minutes: days.days * 1440,
          high: days.high * 1440,
        },
        { kind: "time", label: "in the gradient brine", find: "brine|soak|cure|stand", minutes: num(v, "hours") },
      ],
    };
  },
};

const DRY: Panel = {
  id: "dry-cure",
  subject: SUBJECT,
  title: "Dry salt and curing time",
  does: "Salt and sugar by weight, and the curing time by two methods: by thickness, or until 90 % equilibrated.",
  fields: [
    meat,
    { key: "salt", label: "Salt, % of the meat", of: "share", start: 2.5, low: 0.5, high: 10 },
    { key: "sugar", label: "Sugar, % of the meat", of: "share", start: 1, low: 0, high: 20 },
    { key: "bone", label: "Bone, % of the weight", of: "share", start: 0, low: 0, high: 60 },
    { ...thick, high: 150, low: 5 },
    shape,
    cold,
    {
      key: "rule",
      label: "Rule for the days",
      of: "choice",
      start: "extension",
      choices: [
        ["extension", "By thickness, extension rule"],
        ["perQuarterInch", "Days for each quarter inch"],
      ],
    },
  ],
  calculate(v, scene) {
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
      headline: `${say(dose.saltG, "grams")} of salt${dose.sugarG > 0 ? ` and ${say(dose.sugarG, "grams")} of sugar` : ""}; ${say(rule.days * 1440, "time")} by the rule, ${say(through.days * 1440, "time")} by diffusion.`,
      figures: [
        { key: "saltG", label: "Salt", value: dose.saltG, of: "grams" },
        { key: "sugarG", label: "Sugar", value: dose.sugarG, of: "grams" },
        { key: "ruleDays", label: "In the cure", value: rule.days * 1440, of: "time", school: "rule by thickness" },
        { key: "even", label: "Equalising time after", value: rule.equaliseDays * 1440, of: "time", school: "rule by thickness" },
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
        title: "How far the salt has got",
        x: { label: "in the cure", of: "time" },
        y: { label: "% equilibrated", of: "share", from: 0, to: 100 },
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
          text: "Keep it below 5 °C and turn it every other day. Meat dried at room temperature needs curing salt and a tested recipe.",
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

const SOAK: Panel = {
  id: "soak-out",
  subject: SUBJECT,
  title: "Soaking salt out",
  does: "How much salt is left after changing the water.",
  fields: [
    { ...meat, label: "Salted food", start: 1000 },
    { key: "salt", label: "Salt in the food", of: "share", start: 6, low: 0.5, high: 25 },
    { key: "water", label: "Water for each change", of: "water", usual: "g", start: 4000, low: 1, high: 50_000 },
    { key: "changes", label: "Changes of water", of: "count", start: 3, low: 1, high: 12 },
    { key: "each", label: "Time for each", of: "time", usual: "h", start: 480, low: 15, high: 1440 },
    { ...thick, start: 30 },
    shape,
    cold,
  ],
  calculate(v, { call, say }) {
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
      headline: `After ${say(all, "time")} it has ${say(got.saltPct, "share")} of salt.`,
      figures: [
        { key: "left", label: "Salt left", value: got.saltPct, of: "share" },
        { key: "all", label: "Total time in water", value: all, of: "time" },
      ],
      curve: {
        title: "Salt left",
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
      notes: [{ text: "Soak in the fridge: on the counter it gets warm long before the salt is out.", caution: true }],
      writes: [{ kind: "time", label: "soaking", find: "soak|water|desalt|freshen", minutes: all }],
    };
  },
};

export const CURE: readonly Panel[] = [BRINE, DRY, ...CURING_SALT, SOAK];
