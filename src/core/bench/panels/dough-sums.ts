// Conversions of a dough: one yeast for another, what the mixer warms, all its water, lye doughs.
import { alkalineNoodle, bakedSoda, frictionFromTrial, totalHydration, yeastConvert } from "../../measures/dough";
import { num, type Panel, str } from "../panel";

const SUBJECT = "Conversions";

const YEASTS: Panel = {
  id: "yeasts",
  subject: SUBJECT,
  title: "One yeast for another",
  does: "Fresh, active dry and instant yeast for each other.",
  fields: [
    { key: "g", label: "Yeast", of: "grams", start: 21, low: 0, high: 10_000 },
    {
      key: "from",
      label: "Kind",
      of: "choice",
      start: "fresh",
      choices: [
        ["fresh", "fresh"],
        ["activeDry", "active dry"],
        ["instant", "instant"],
      ],
    },
  ],
  calculate(v, { call, say }) {
    const to = (kind: "fresh" | "activeDry" | "instant") =>
      call(yeastConvert, { g: num(v, "g"), from: str<"fresh">(v, "from"), to: kind }).g;
    const [fresh, dry, instant] = [to("fresh"), to("activeDry"), to("instant")];
    return {
      headline: `${say(fresh, "grams")} fresh, ${say(dry, "grams")} active dry, ${say(instant, "grams")} instant.`,
      figures: [
        { key: "fresh", label: "Fresh", value: fresh, of: "grams" },
        { key: "dry", label: "Active dry", value: dry, of: "grams" },
        { key: "instant", label: "Instant", value: instant, of: "grams" },
      ],
    };
  },
};

const MIXER: Panel = {
  id: "mixer-warms",
  subject: SUBJECT,
  title: "Friction of the mixer",
  does: "From one dough you measured: how much mixing warms it, for the next dough's water.",
  fields: [
    { key: "dough", label: "Dough after mixing", of: "temp", start: 26, low: 0, high: 50 },
    { key: "flour", label: "Flour", of: "temp", start: 21, low: -20, high: 50 },
    { key: "room", label: "Room", of: "temp", start: 21, low: -5, high: 45 },
    { key: "water", label: "Water", of: "temp", start: 24, low: 0, high: 50 },
  ],
  calculate(v, { call, say }) {
    const got = call(frictionFromTrial, {
      doughC: num(v, "dough"),
      flourC: num(v, "flour"),
      roomC: num(v, "room"),
      waterC: num(v, "water"),
    });
    return {
      headline: `Mixing warmed it by ${say(got.frictionC, "warmth")}, as the rule of three temperatures counts.`,
      figures: [{ key: "friction", label: "Friction", value: got.frictionC, of: "warmth" }],
    };
  },
};

const ALL_WATER: Panel = {
  id: "all-the-water",
  subject: SUBJECT,
  title: "Hydration of a dough",
  does: "The water in milk, eggs, butter and a starter, together with the water itself.",
  fields: [
    { key: "flour", label: "Flour", of: "mass", usual: "g", start: 1000, low: 1, high: 50_000 },
    { key: "water", label: "Water", of: "water", usual: "g", start: 350, low: 0, high: 50_000 },
    { key: "milk", label: "Milk", of: "water", usual: "g", start: 150, low: 0, high: 50_000 },
    { key: "egg", label: "Eggs, shelled", of: "mass", usual: "g", start: 100, low: 0, high: 50_000 },
    { key: "butter", label: "Butter", of: "mass", usual: "g", start: 80, low: 0, high: 50_000 },
    { key: "starter", label: "Starter", of: "mass", usual: "g", start: 0, low: 0, high: 50_000 },
    { key: "starterWater", label: "Hydration of the starter", of: "share", start: 100, low: 0, high: 500 },
  ],
  calculate(v, { call, say }) {
    const got = call(totalHydration, {
      items: [
        ...["flour", "water", "milk", "egg", "butter"].map((kind) => ({ kind, g: num(v, kind) })),
        { kind: "starter", g: num(v, "starter"), hydrationPct: num(v, "starterWater") },
      ],
    });
    return {
      headline: `${say(got.hydrationPct, "share")} of water to flour, everything counted.`,
      figures: [
        { key: "share", label: "Hydration", value: got.hydrationPct, of: "share" },
        { key: "waterG", label: "Total water", value: got.waterG, of: "water" },
        { key: "flourG", label: "Total flour", value: got.flourG, of: "mass" },
      ],
    };
  },
};

const LYE: Panel = {
  id: "alkaline-dough",
  subject: SUBJECT,
  title: "Springy alkaline noodles",
  does: "Carbonates, water and salt for alkaline noodles, and soda baked into carbonate.",
  fields: [
    { key: "flour", label: "Flour", of: "mass", usual: "g", start: 500, low: 1, high: 50_000 },
    { key: "alkali", label: "Carbonates, % of the flour", of: "share", start: 1, low: 0.2, high: 2.5 },
    { key: "potassium", label: "Potassium carbonate, share of it", of: "share", start: 60, low: 0, high: 100 },
    { key: "water", label: "Hydration", of: "share", start: 36, low: 26, high: 50 },
    { key: "salt", label: "Salt, % of the flour", of: "share", start: 1, low: 0, high: 3 },
    { key: "soda", label: "Baking soda to bake", of: "grams", start: 30, low: 0, high: 2000 },
  ],
  calculate(v, { call, say }) {
    const got = call(alkalineNoodle, {
      flourG: num(v, "flour"),
      alkaliPct: num(v, "alkali"),
      potassiumShare: num(v, "potassium") / 100,
      hydrationPct: num(v, "water"),
      saltPct: num(v, "salt"),
    });
    const soda = call(bakedSoda, { bicarbonateG: num(v, "soda") });
    return {
      headline: `${say(got.potassiumCarbonateG, "grams")} of potassium carbonate, ${say(got.sodiumCarbonateG, "grams")} of sodium carbonate, ${say(got.waterG, "water")} of water.`,
      figures: [
        { key: "k", label: "Potassium carbonate", value: got.potassiumCarbonateG, of: "grams" },
        { key: "na", label: "Sodium carbonate", value: got.sodiumCarbonateG, of: "grams" },
        { key: "waterG", label: "Water", value: got.waterG, of: "water" },
        { key: "saltG", label: "Salt", value: got.saltG, of: "grams" },
        { key: "dough", label: "Dough", value: got.totalG, of: "mass" },
        { key: "baked", label: "Carbonate from the soda", value: soda.carbonateG, of: "grams" },
      ],
      notes: [
        {
          text: "Carbonates burn eyes and skin: weigh them, gloves on, dissolve them in the water first, never in aluminium.",
          caution: true,
        },
      ],
    };
  },
};

export const DOUGH_SUMS: readonly Panel[] = [YEASTS, MIXER, ALL_WATER, LYE];
