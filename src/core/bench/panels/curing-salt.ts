// Curing salt by its nitrite: the dose for a piece, what a pumped brine brings, and what a dose comes to; past the limit of its kind no figure is given.

import { cureTimeRule } from "../../measures/brine";
import { CalculationError } from "../../measures/calculation-error";
import { curingSaltDose, injectionCure, nitritePpm } from "../../measures/curing-salt";
import { diffusionDays } from "../../measures/diffusion";
import { type Note, num, type Panel, str } from "../panel";
import { PRODUCTS } from "./choices";
import { cold, meat, thick } from "./piece";

const SUBJECT = "Brine and cure";

const NITRITE: Note = {
  text: "Curing salt is poisonous in small amounts. Weigh it to a tenth of a gram, keep it labelled, never guess and never scale it from another recipe. Limits of your country may be lower (the EU counts less for many products).",
  caution: true,
};

const CURING: Panel = {
  id: "curing-salt",
  subject: SUBJECT,
  title: "Curing salt",
  does: "Curing salt with 6.25 % nitrite for one piece, in parts per million. Above the limit for its kind no dose is given.",
  fields: [
    { key: "product", label: "Product", of: "choice", start: "dry", choices: PRODUCTS },
    meat,
    {
      key: "liquid",
      label: "Brine",
      of: "water",
      usual: "g",
      start: 1000,
      low: 1,
      high: 50_000,
      when: (v) => str(v, "product").endsWith("immersion"),
    },
    { key: "ppm", label: "Nitrite added", of: "ppm", start: 120, low: 40, high: 1000 },
    { key: "total", label: "Total salt, % of the same weight", of: "share", start: 2.5, low: 0.5, high: 10 },
    { key: "strength", label: "Nitrite in the curing salt", of: "share", start: 6.25, low: 0, high: 100, hint: "6.25 % only" },
  ],
  calculate(v, { call, say }) {
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
        { key: "got", label: "Nitrite added", value: dose.ppm, of: "ppm" },
        { key: "pct", label: "Curing salt, % of the weight", value: dose.pctOfBasis, of: "share" },
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
  title: "Injecting brine",
  does: "How much brine a piece takes up, how much nitrite and salt that is, and the days that injecting saves.",
  fields: [
    {
      key: "product",
      label: "Product",
      of: "choice",
      start: "immersion",
      choices: [
        ["immersion", "Ham and the like"],
        ["bacon_pumped", "Bacon"],
      ],
    },
    { ...meat, label: "Weight before", start: 3000 },
    { key: "pump", label: "Injected, % of its weight", of: "share", start: 10, low: 3, high: 25 },
    { key: "brine", label: "Brine mixed", of: "mass", usual: "g", start: 1000, low: 10, high: 50_000 },
    { key: "cure", label: "Curing salt in the brine", of: "grams", start: 16, low: 0, high: 10_000 },
    { key: "saltG", label: "Salt in the brine", of: "grams", start: 120, low: 0, high: 10_000 },
    { ...thick, start: 60, low: 5, high: 150 },
    cold,
  ],
  calculate(v, { call, say }) {
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
        { key: "ppm", label: "Nitrite added", value: got.ingoingPpm, of: "ppm" },
        { key: "salt", label: "Salt in the injected piece", value: got.saltPctInPumped, of: "share" },
        { key: "days", label: "Equalising time", value: days.days * 1440, of: "time", school: "pumped" },
        { key: "soaked", label: "The same piece, only soaked", value: soaked.days * 1440, of: "time", school: "soaked, by the rule" },
        {
          key: "through",
          label: "and 90 % equilibrated",
          value: through.days * 1440,
          of: "time",
          low: through.low * 1440,
          high: through.high * 1440,
          school: "soaked, by diffusion",
        },
      ],
      curve: {
        title: "Time by thickness",
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
        { text: "A needle carries germs inside: clean it in boiling water, and keep brine and meat below 4 °C.", caution: true },
      ],
      writes: [{ kind: "time", label: "equalising", find: "cure|rest|level|stand", minutes: days.days * 1440 }],
    };
  },
};

export const NITRITE_OF_A_DOSE: Panel = {
  id: "nitrite-check",
  subject: "Conversions",
  title: "Check a recipe's curing salt",
  does: "How much nitrite a recipe's curing salt adds. Above a limit only that is shown.",
  fields: [
    {
      key: "product",
      label: "Product",
      of: "choice",
      start: "dry",
      choices: PRODUCTS,
    },
    { key: "cure", label: "Curing salt, 6.25 % nitrite", of: "grams", start: 3, low: 0, high: 10_000 },
    { key: "meat", label: "Meat", of: "mass", usual: "g", start: 1500, low: 50, high: 50_000 },
    {
      key: "liquid",
      label: "Brine",
      of: "water",
      usual: "g",
      start: 1000,
      low: 1,
      high: 50_000,
      when: (v) => str(v, "product").endsWith("immersion"),
    },
  ],
  calculate(v, { call, say }) {
    const wet = str(v, "product").endsWith("immersion");
    const got = call(nitritePpm, {
      product: str(v, "product"),
      cureG: num(v, "cure"),
      meatG: num(v, "meat"),
      ...(wet ? { liquidG: num(v, "liquid") } : {}),
    });
    if (!got.withinHomeCap)
      throw new CalculationError(
        "cure",
        "E_NITRITE_LIMIT",
        `That is more than the ${got.homeCapPpm} ppm of nitrite that a home cure needs. Weigh less curing salt.`,
      );
    return {
      headline: `${say(got.ppm, "ppm")} of nitrite; at most ${got.homeCapPpm} for its kind.`,
      figures: [
        { key: "ppm", label: "Nitrite added", value: got.ppm, of: "ppm" },
        { key: "limit", label: "Limit for its kind", value: got.homeCapPpm, of: "ppm" },
      ],
      notes: [{ text: "Limits of your country may be lower. Weigh to a tenth of a gram.", caution: true }],
    };
  },
};

export const CURING_SALT: readonly Panel[] = [CURING, INJECT];
