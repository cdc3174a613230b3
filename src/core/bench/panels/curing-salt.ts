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
  does: "Curing salt of 6.25 % nitrite for one piece, in parts per million that go in. Past the limit for its kind no dose is given.",
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
    { key: "strength", label: "Nitrite in the curing salt", of: "share", start: 6.25, low: 0, high: 100, hint: "6.25 % only" },
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

export const NITRITE_OF_A_DOSE: Panel = {
  id: "nitrite-check",
  subject: "Small sums",
  title: "A recipe's curing salt, checked",
  does: "What the curing salt of somebody's recipe puts in of nitrite. Past a limit nothing is told but that.",
  fields: [
    {
      key: "product",
      label: "What it becomes",
      of: "choice",
      start: "dry",
      choices: PRODUCTS,
    },
    { key: "cure", label: "Curing salt of 6.25 %", of: "grams", start: 3, low: 0, high: 10_000 },
    { key: "meat", label: "Meat", of: "mass", usual: "g", start: 1500, low: 50, high: 50_000 },
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
  ],
  reckon(v, { call, say }) {
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
        `That is more than the ${got.homeCapPpm} ppm of nitrite that a kitchen has need of. Weigh less curing salt.`,
      );
    return {
      headline: `${say(got.ppm, "ppm")} of nitrite; at most ${got.homeCapPpm} for its kind.`,
      figures: [
        { key: "ppm", label: "Nitrite that goes in", value: got.ppm, of: "ppm" },
        { key: "limit", label: "The most for its kind", value: got.homeCapPpm, of: "ppm" },
      ],
      notes: [{ text: "Limits of your country may be lower. Weigh to a tenth of a gram.", caution: true }],
    };
  },
};

export const CURING_SALT: readonly Panel[] = [CURING, INJECT];
