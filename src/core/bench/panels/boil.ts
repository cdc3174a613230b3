// Reducing, topping up, thickening, setting, sugar.
import { boilingPoint, sugarStageTemp, sugarSyrup } from "../../measures/boiling";
import { CalculationError } from "../../measures/calculation-error";
import { evaporationRate, reductionTime, saltAfterReduction, saltToFinish, topUpPlan } from "../../measures/reduction";
import { gelatinBloomSwap, gelatinDose, starchDose, stockGelatin, stockSetCheck } from "../../measures/thickening";
import { stockYield } from "../../measures/yields";
import { type ChoiceField, type FigureField, num, type Panel, str, yes } from "../panel";

const SUBJECT = "Boil, thicken, set";
const pot: FigureField = { key: "pot", label: "Pot, across", of: "length", usual: "cm", start: 260, low: 80, high: 600 };
const vigour: ChoiceField = {
  key: "vigour",
  label: "Heat",
  of: "choice",
  start: "simmer",
  choices: [
    ["hot80", "hot, hardly moving"],
    ["bareSimmer", "a bare simmer"],
    ["simmer", "a simmer"],
    ["gentleBoil", "a gentle boil"],
    ["rollingBoil", "a rolling boil"],
  ],
};
const lid: ChoiceField = {
  key: "lid",
  label: "Lid",
  of: "choice",
  start: "off",
  choices: [
    ["off", "off"],
    ["ajar", "ajar"],
    ["on", "on"],
  ],
};

const REDUCE: Panel = {
  id: "reduction",
  subject: SUBJECT,
  title: "Reducing",
  does: "How long it takes to reduce a liquid in this pot, and how salty it is then.",
  fields: [
    { key: "start", label: "Liquid", of: "volume", usual: "L", start: 3000, low: 10, high: 60_000 },
    { key: "to", label: "Down to", of: "volume", usual: "L", start: 1000, low: 5, high: 60_000 },
    pot,
    vigour,
    lid,
    { key: "salt", label: "Salt now", of: "share", start: 0.3, low: 0, high: 10 },
    { key: "wanted", label: "Salt at the end", of: "share", start: 0.8, low: 0.1, high: 5 },
  ],
  calculate(v, { call, say }) {
    const fraction = num(v, "to") / num(v, "start");
    if (!(fraction <= 0.99 && fraction >= 0.05))
      throw new CalculationError("to", "E_RANGE", "Down to: give an amount between a twentieth of the liquid and almost all of it.");
    const where = { diameterMm: num(v, "pot"), vigour: str(v, "vigour"), lid: str(v, "lid") };
    const rate = call(evaporationRate, where);
    const time = call(reductionTime, { start_mL: num(v, "start"), fraction, ...where });
    const salt = call(saltAfterReduction, { saltPct: num(v, "salt"), fraction });
    const finish = call(saltToFinish, { finalG: num(v, "to"), currentSaltPct: salt.saltPct, targetSaltPct: num(v, "wanted") });
    const points = Array.from({ length: 21 }, (_, i) => i / 20);
    return {
      headline: `About ${say(time.minutes, "time")}; its salt is then ${say(salt.saltPct, "share")}.`,
      figures: [
        { key: "minutes", label: "Time to reduce", value: time.minutes, of: "time", low: time.low, high: time.high },
        { key: "rate", label: "Loss per hour", value: rate.mLph, of: "volume", low: rate.low, high: rate.high },
        { key: "saltPct", label: "Salt at the end", value: salt.saltPct, of: "share" },
        {
          key: "add",
          label: finish.saltG >= 0 && finish.diluteG === 0 ? "Salt to add" : "Water to thin it",
          value: finish.diluteG > 0 ? finish.diluteG : finish.saltG,
          of: finish.diluteG > 0 ? "water" : "grams",
        },
      ],
      curve: {
        title: "Liquid in the pot",
        x: { label: "boiling", of: "time" },
        y: { label: "left", of: "volume", from: 0 },
        lines: [
          {
            name: "left",
            look: "copper",
            points: points.map((p) => [time.minutes * p, num(v, "start") - (num(v, "start") - num(v, "to")) * p]),
            band: points.map((p) => {
              const left = (minutes: number) =>
                Math.max(num(v, "to"), num(v, "start") - ((num(v, "start") - num(v, "to")) * time.minutes * p) / minutes);
              return [time.minutes * p, left(time.low), left(time.high)] as const;
            }),
          },
        ],
        marks: [{ on: "y", at: num(v, "to"), label: "done" }],
      },
      notes: [{ text: "Start checking at the low end of the range, with a ruler in the pot. Salt at the end." }],
      writes: [
        { kind: "time", label: "boiling down", find: "reduc|boil|down|simmer", low: time.low, minutes: time.minutes, high: time.high },
      ],
    };
  },
};

const TOP_UP: Panel = {
  id: "top-ups",
  subject: SUBJECT,
  title: "Topping up a long simmer",
  does: "How much a long boil loses, and when to top it up with how much.",
  fields: [
    { key: "start", label: "Water in the pot", of: "volume", usual: "L", start: 6000, low: 50, high: 60_000 },
    { key: "least", label: "Never below", of: "share", start: 80, low: 30, high: 98, hint: "of the start" },
    { key: "hours", label: "Simmering time", of: "time", usual: "h", start: 600, low: 0, high: 2880 },
    { key: "solids", label: "Bones and vegetables", of: "mass", usual: "g", start: 2500, low: 0, high: 50_000 },
    pot,
    { ...vigour, start: "bareSimmer" },
    lid,
  ],
  calculate(v, { call, say }) {
    const rate = call(evaporationRate, { diameterMm: num(v, "pot"), vigour: str(v, "vigour"), lid: str(v, "lid") });
    const hours = num(v, "hours") / 60;
    const plan = call(topUpPlan, { start_mL: num(v, "start"), minFraction: num(v, "least") / 100, hours, mLph: rate.mLph });
    const added = plan.topUps * plan.each_mL;
    const stock = call(stockYield, {
      water_mL: num(v, "start"),
      solidsG: num(v, "solids"),
      evaporation_mLph: rate.mLph,
      hours,
      topUp_mL: added,
    });
    const points: [number, number][] = [[0, num(v, "start")]];
    let level = num(v, "start");
    for (let i = 1; i <= plan.topUps; i++) {
      const at = i * (plan.everyMin ?? 0);
      level -= ((plan.everyMin ?? 0) / 60) * rate.mLph;
      points.push([at, level]);
      level += plan.each_mL;
      points.push([at, level]);
    }
    points.push([num(v, "hours"), plan.end_mL]);
    return {
      headline: plan.topUps
        ? `${plan.topUps} times ${say(plan.each_mL, "volume")}, every ${say(plan.everyMin ?? 0, "time")}.`
        : "No topping up is needed.",
      figures: [
        { key: "loss", label: "Total loss", value: plan.totalLoss_mL, of: "volume" },
        { key: "times", label: "Top-ups", value: plan.topUps, of: "count" },
        { key: "each", label: "Each", value: plan.each_mL, of: "volume" },
        { key: "every", label: "Every", value: plan.everyMin ?? Number.POSITIVE_INFINITY, of: "time" },
        { key: "stock", label: "Strained stock", value: stock.stock_mL, of: "volume" },
      ],
      curve: {
        title: "Level in the pot",
        x: { label: "simmering", of: "time" },
        y: { label: "in the pot", of: "volume", from: 0 },
        lines: [{ name: "in the pot", look: "copper", points }],
        marks: [{ on: "y", at: (num(v, "start") * num(v, "least")) / 100, label: "never below" }],
      },
      notes: [
        {
          text: "Top up with boiling water. A pot left alone at night can boil dry: someone stays awake, or stop and chill it.",
          caution: true,
        },
      ],
    };
  },
};

const STARCH: Panel = {
  id: "thicken",
  subject: SUBJECT,
  title: "Thickening with starch",
  does: "How much starch for the thickness you want.",
  fields: [
    { key: "liquid", label: "Liquid", of: "water", usual: "g", start: 1000, low: 1, high: 50_000 },
    {
      key: "texture",
      label: "Thickness",
      of: "choice",
      start: "sauce",
      choices: [
        ["light_coat", "just coats"],
        ["sauce", "a sauce"],
        ["gravy", "a gravy"],
        ["thick", "thick"],
        ["filling", "a firm filling"],
      ],
    },
    {
      key: "starch",
      label: "Starch",
      of: "choice",
      start: "wheat_flour",
      choices: [
        ["wheat_flour", "wheat flour"],
        ["corn", "cornflour"],
        ["rice_flour", "rice flour"],
        ["potato", "potato starch"],
        ["tapioca", "tapioca"],
        ["arrowroot", "arrowroot"],
        ["sweet_potato", "sweet-potato starch"],
      ],
    },
    {
      key: "roux",
      label: "As a roux",
      of: "choice",
      start: "blond",
      choices: [
        ["none", "no, stirred in cold water"],
        ["white", "white"],
        ["blond", "blond"],
        ["brown", "brown"],
        ["dark", "dark"],
      ],
      when: (v) => v.starch === "wheat_flour",
    },
  ],
  calculate(v, { call, say }) {
    const roux = v.starch === "wheat_flour" ? str<"none">(v, "roux") : "none";
    const got = call(starchDose, { liquidG: num(v, "liquid"), texture: str(v, "texture"), starch: str(v, "starch"), roux });
    return {
      headline: `${say(got.starchG, "mass")} of starch${got.fatG ? ` in ${say(got.fatG, "mass")} of fat` : `, stirred into ${say(got.slurryWaterG, "water")} of cold water`}.`,
      figures: [
        { key: "starchG", label: "Starch or flour", value: got.starchG, of: "mass" },
        { key: "pct", label: "of the liquid", value: got.pctOfLiquid, of: "share" },
        ...(got.fatG ? [{ key: "fat", label: "Fat for the roux", value: got.fatG, of: "mass" } as const] : []),
        ...(got.slurryWaterG ? [{ key: "slurry", label: "Cold water to stir it in", value: got.slurryWaterG, of: "water" } as const] : []),
      ],
      writes: [{ kind: "ingredient", name: "flour or starch", find: "flour|starch|cornflour", grams: got.starchG }],
    };
  },
};

const SETS = [
  ["mousse", "a mousse"],
  ["panna_cotta", "a set cream"],
  ["spoon_jelly", "a jelly for the spoon"],
  ["unmoulded", "a jelly turned out"],
  ["sliceable_aspic", "an aspic to slice"],
  ["dumpling_aspic", "an aspic for dumplings"],
  ["gummy", "gums"],
] as const;

const GELATIN: Panel = {
  id: "gelatin",
  subject: SUBJECT,
  title: "Setting with gelatin",
  does: "Gelatin for a set, and the same in another grade.",
  fields: [
    { key: "liquid", label: "Liquid", of: "water", usual: "g", start: 1000, low: 1, high: 50_000 },
    { key: "set", label: "Set", of: "choice", start: "unmoulded", choices: SETS },
    { key: "bloom", label: "Strength of the gelatin", of: "bloom", start: 200, low: 80, high: 300 },
    { key: "sheet", label: "A sheet weighs", of: "grams", start: 1.7, low: 1, high: 6 },
    { key: "other", label: "Another strength", of: "bloom", start: 250, low: 80, high: 300 },
    { key: "alcohol", label: "Alcohol", of: "share", start: 0, low: 0, high: 60 },
    { key: "fruit", label: "Raw pineapple, kiwi, papaya, fig or ginger in it", of: "yes", start: false },
  ],
  calculate(v, { call, say }) {
    const got = call(gelatinDose, {
      liquidG: num(v, "liquid"),
      set: str(v, "set"),
      bloom: num(v, "bloom"),
      sheetG: num(v, "sheet"),
      rawEnzymeFruit: yes(v, "fruit"),
      alcoholPct: num(v, "alcohol"),
    });
    const swap = call(gelatinBloomSwap, { g: got.gelatinG, fromBloom: num(v, "bloom"), toBloom: num(v, "other") });
    // No shop sells parts of a sheet, and too little does not set.
    const sheets = Math.ceil(((got as { sheets?: number }).sheets ?? 0) - 0.05);
    return {
      headline: `${say(got.gelatinG, "grams")} of gelatin, or ${say(sheets, "count")} sheets.`,
      figures: [
        { key: "gelatin", label: "Gelatin", value: got.gelatinG, of: "grams" },
        { key: "sheets", label: "Sheets", value: sheets, of: "count" },
        { key: "pct", label: "of the liquid", value: got.pct, of: "share" },
        { key: "bloomWater", label: "Cold water to soak powder in", value: got.bloomWaterG, of: "water" },
        { key: "swap", label: "Of the other grade", value: swap.g, of: "grams" },
      ],
      notes: [{ text: "Never boil it. It sets in the fridge in four hours, firmer by the next day." }],
      writes: [{ kind: "ingredient", name: "gelatin", find: "gelatin", grams: got.gelatinG }],
    };
  },
};

const BONES = [
  ["pig_trotter", "pig's trotters"],
  ["pork_skin", "pork skin"],
  ["pork_bones", "pork bones"],
  ["chicken_feet", "chicken feet"],
  ["chicken_wings", "chicken wings"],
  ["chicken_carcass", "chicken carcasses"],
  ["veal_knuckle", "veal knuckle"],
  ["beef_knuckle", "beef knuckle"],
  ["oxtail", "oxtail"],
  ["beef_bones_lean", "lean beef bones"],
  ["fish_frames", "fish bones"],
] as const;

const STOCK: Panel = {
  id: "stock-set",
  subject: SUBJECT,
  title: "Will the stock set?",
  does: "How much gelatin bones give over time, and what a stock needs to set.",
  fields: [
    { key: "kind", label: "First source", of: "choice", start: "chicken_carcass", choices: BONES },
    { key: "g", label: "Weight of the first", of: "mass", usual: "g", start: 2000, low: 1, high: 50_000 },
    { key: "kind2", label: "Second source", of: "choice", start: "pig_trotter", choices: BONES },
    { key: "g2", label: "Weight of the second", of: "mass", usual: "g", start: 500, low: 0, high: 50_000 },
    { key: "hours", label: "Simmering time", of: "time", usual: "h", start: 360, low: 6, high: 2880 },
    { key: "pressure", label: "Under pressure", of: "yes", start: false },
    { key: "final", label: "Finished stock", of: "volume", usual: "L", start: 3000, low: 50, high: 60_000 },
    {
      key: "seen",
      label: "Cold-spoon test",
      of: "choice",
      start: "wobble",
      choices: [
        ["liquid", "stays liquid"],
        ["wobble", "wobbles"],
        ["spoonable", "can be spooned"],
        ["unmoulds", "turns out"],
        ["sliceable_firm", "can be sliced"],
      ],
    },
    { key: "set", label: "Set wanted", of: "choice", start: "unmoulded", choices: SETS },
  ],
  calculate(v, { call, say }) {
    const sources = [{ kind: str(v, "kind"), g: num(v, "g") }, ...(num(v, "g2") > 0 ? [{ kind: str(v, "kind2"), g: num(v, "g2") }] : [])];
    const got = call(stockGelatin, { sources, hours: num(v, "hours") / 60, pressure: yes(v, "pressure"), final_mL: num(v, "final") });
    const check = call(stockSetCheck, { observed: str(v, "seen"), target: str(v, "set") });
    const to = check.reduceToFraction ?? 1;
    const words: Readonly<Record<string, string>> = {
      liquid: "it stays liquid",
      wobble: "it wobbles",
      spoonable: "it can be spooned",
      unmoulds: "it turns out",
      sliceable_firm: "it can be sliced",
    };
    return {
      headline: `${say(got.pct, "share")} of gelatin: cold, ${words[got.setClass] ?? got.setClass}. ${check.action === "ok" ? "The cold-spoon test shows enough." : `By the cold-spoon test: reduce it to ${say(to * num(v, "final"), "volume")}${check.addGelatinPct ? ` and add ${say((check.addGelatinPct / 100) * num(v, "final") * to, "grams")} of gelatin` : ""}.`}`,
      figures: [
        { key: "gelatin", label: "Gelatin in it", value: got.gelatinG, of: "grams" },
        { key: "pct", label: "of the stock", value: got.pct, of: "share", low: got.low, high: got.high },
        { key: "to", label: "By the cold-spoon test: reduce to", value: to * num(v, "final"), of: "volume" },
        { key: "addG", label: "and add gelatin", value: ((check.addGelatinPct ?? 0) / 100) * num(v, "final") * to, of: "grams" },
      ],
    };
  },
};

const STAGES = [
  ["thread", "thread"],
  ["soft_ball", "soft ball"],
  ["firm_ball", "firm ball"],
  ["hard_ball", "hard ball"],
  ["soft_crack", "soft crack"],
  ["hard_crack", "hard crack"],
  ["light_caramel", "light caramel"],
  ["dark_caramel", "dark caramel"],
] as const;

const SUGAR: Panel = {
  id: "sugar",
  subject: SUBJECT,
  title: "Syrup and boiled sugar",
  does: "Strength of a syrup, and the temperatures of boiled sugar at your altitude.",
  fields: [
    { key: "sugar", label: "Sugar", of: "mass", usual: "g", start: 500, low: 1, high: 50_000 },
    { key: "water", label: "Water", of: "water", usual: "g", start: 500, low: 1, high: 50_000 },
    { key: "stage", label: "Stage", of: "choice", start: "soft_ball", choices: STAGES },
    { key: "altitude", label: "Altitude", of: "altitude", start: 100, low: -400, high: 5500 },
  ],
  calculate(v, { call, say }) {
    const syrup = call(sugarSyrup, { sugarG: num(v, "sugar"), waterG: num(v, "water") });
    const stage = call(sugarStageTemp, { stage: str<"thread">(v, "stage"), altitudeM: num(v, "altitude") });
    const boil = call(boilingPoint, { altitudeM: num(v, "altitude") });
    return {
      headline: `${say(syrup.brix, "brix")}, ${say(syrup.volume_mL, "volume")} of syrup; the stage at ${say(stage.lowC, "temp")} to ${say(stage.highC, "temp")}.`,
      figures: [
        { key: "brix", label: "Sugar in the syrup", value: syrup.brix, of: "brix" },
        { key: "volume", label: "Syrup", value: syrup.volume_mL, of: "volume" },
        { key: "low", label: "Stage starts at", value: stage.lowC, of: "temp" },
        { key: "high", label: "Stage ends at", value: stage.highC, of: "temp" },
        { key: "boil", label: "Water boils at", value: boil.celsius, of: "temp" },
      ],
      notes: [
        {
          text: "Hot sugar burns deep and sticks: long sleeves, a bowl of cold water beside you, no children in the kitchen.",
          caution: true,
        },
      ],
      writes: [
        { kind: "ingredient", name: "sugar", find: "sugar", grams: num(v, "sugar") },
        { kind: "ingredient", name: "water", find: "water", grams: num(v, "water") },
        { kind: "probe", label: "the sugar", find: "sugar|syrup|caramel|boil", pullC: stage.lowC },
      ],
    };
  },
};

export const BOIL: readonly Panel[] = [REDUCE, TOP_UP, STARCH, GELATIN, STOCK, SUGAR];
