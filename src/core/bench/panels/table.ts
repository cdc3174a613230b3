// Portions and amounts: portions, yields, other tins, weights of volumes, salt and alcohol for a guest.
import { volumeToMass } from "../../measures/density";
import { doughPiecePlan, guestEquivalents, PORTION_CATEGORIES, portionRaw } from "../../measures/portions";
import { panScale, scaleAmount, scaleTime } from "../../measures/scaling";
import { alcoholRetained, saltPerServing } from "../../measures/serving";
import yieldsTable from "../../measures/tables/yields.json";
import { chainYield, dryingYield, rawNeeded } from "../../measures/yields";
import { type ChoiceField, type FigureField, num, type Panel, str } from "../panel";
import { OF_WHAT } from "./choices";

const SUBJECT = "Portions and amounts";
/** Groups of the tables, as a cook calls what is done. */
const GROUPS: Readonly<Record<string, string>> = {
  trim: "trimming",
  boneout: "off the bone",
  cook: "cooking",
  reduce: "boiling or roasting down",
  hydrate: "soaking or cooking",
  dairy: "dairy",
  dry: "drying",
  stock: "stock",
  render: "rendering",
};
const PORTION_WORDS: Readonly<Record<string, string>> = {
  meat_boneless_lean: "lean meat, boneless",
  meat_boneless_braise: "boneless meat to braise",
  meat_bone_moderate: "meat with some bone",
  meat_bone_heavy: "meat with much bone",
  meat_ground: "mince",
  veg_side_trimmed: "vegetables at the side, trimmed",
  leafy_to_wilt: "leaves to wilt",
  kraut_or_kimchi_side: "fermented vegetables",
  pickle_condiment: "pickle",
};
/** Keys of a table as words. */
const words = (key: string) => {
  if (Object.hasOwn(PORTION_WORDS, key)) return PORTION_WORDS[key] as string;
  const [head = "", ...rest] = key.replace(/_mL$/, "").split("_");
  const group = GROUPS[head];
  return group ? `${group}: ${rest.join(" ")}` : [head, ...rest].join(" ");
};

/** Rows of the table that stand for dishes we do not show. */
const SHOWN_BY_OTHERS = /brisket|noodle|pizza|couscous|burger|masa|pork_butt/;

const count = (key: string, label: string, start: number, high = 500): FigureField => ({ key, label, of: "count", start, low: 0, high });

const PORTIONS: Panel = {
  id: "portions",
  subject: SUBJECT,
  title: "How much to buy",
  does: "What to buy for your guests, with children and big eaters counted.",
  fields: [
    count("adult", "Adults", 6),
    count("hearty", "Big eaters", 1),
    count("light", "Small eaters", 0),
    count("teen", "Teenagers", 0),
    count("child", "Children", 2),
    count("toddler", "Small children", 0),
    {
      key: "category",
      label: "Food",
      of: "choice",
      start: "meat_boneless_braise",
      choices: PORTION_CATEGORIES.filter((k) => !SHOWN_BY_OTHERS.test(k)).map((k) => [k, words(k)] as const),
    },
    { key: "courses", label: "Courses", of: "count", start: 1, low: 1, high: 8 },
    { key: "options", label: "Dishes of that kind", of: "count", start: 1, low: 1, high: 6 },
    { key: "left", label: "Planned leftovers", of: "share", start: 0, low: 0, high: 300 },
  ],
  calculate(v, { call, say }) {
    const guests = Object.fromEntries(["adult", "hearty", "light", "teen", "child", "toddler"].map((k) => [k, Math.round(num(v, k))]));
    const table = call(guestEquivalents, { guests, courses: Math.round(num(v, "courses")), leftoverPct: num(v, "left") });
    const got = call(portionRaw, { category: str(v, "category"), equivalents: table.equivalents, options: Math.round(num(v, "options")) });
    const of = str(v, "category").endsWith("_mL") ? ("volume" as const) : ("mass" as const);
    return {
      headline: `${say(got.total, of)} for ${table.heads} guests, who eat like ${say(table.equivalents, "number")}.`,
      figures: [
        { key: "total", label: "As bought", value: got.total, of, low: got.low, high: got.high },
        { key: "like", label: "Adult portions", value: table.equivalents, of: "number" },
      ],
    };
  },
};
const YIELD_CHOICES: ChoiceField["choices"] = [
  ["none", "no more"],
  ...yieldsTable.filter((y) => !SHOWN_BY_OTHERS.test(y.key)).map((y) => [y.key, words(y.key)] as const),
];

const YIELDS: Panel = {
  id: "yields",
  subject: SUBJECT,
  title: "From the shop to the plate",
  does: "What to buy, so that enough is left after trimming and cooking.",
  fields: [
    { key: "final", label: "On the plate", of: "mass", usual: "g", start: 1500, low: 1, high: 50_000 },
    { key: "first", label: "First loss", of: "choice", start: "trim_carrot_peeled", choices: YIELD_CHOICES.slice(1) },
    { key: "second", label: "then", of: "choice", start: "none", choices: YIELD_CHOICES },
    { key: "third", label: "Second loss", of: "choice", start: "none", choices: YIELD_CHOICES },
    { key: "safety", label: "Extra", of: "share", start: 5, low: 0, high: 50 },
  ],
  calculate(v, { call, say }) {
    const losses = ["first", "second", "third"].map((k) => str(v, k)).filter((k) => k !== "none");
    const chain = call(chainYield, { yields: losses });
    const got = call(rawNeeded, { finalG: num(v, "final"), yields: losses, safetyPct: num(v, "safety") });
    return {
      headline: `Buy ${say(got.rawG, "mass")}.`,
      figures: [
        { key: "raw", label: "To buy", value: got.rawG, of: "mass", low: num(v, "final") / chain.high, high: num(v, "final") / chain.low },
        { key: "left", label: "Yield", value: chain.factor * 100, of: "share", low: chain.low * 100, high: chain.high * 100 },
      ],
    };
  },
};

const DRYING: Panel = {
  id: "drying",
  subject: SUBJECT,
  title: "Drying",
  does: "How much is left of a food when it dries.",
  fields: [
    { key: "start", label: "Fresh", of: "mass", usual: "g", start: 1000, low: 1, high: 50_000 },
    { key: "wet", label: "Water when fresh", of: "share", start: 85, low: 1, high: 99 },
    { key: "dry", label: "Water when dried", of: "share", start: 20, low: 0, high: 98 },
  ],
  calculate(v, { call, say }) {
    const got = call(dryingYield, { startG: num(v, "start"), moistureStartPct: num(v, "wet"), moistureEndPct: num(v, "dry") });
    return {
      headline: `${say(got.endG, "mass")} are left; ${say(got.waterLostG, "water")} of water has gone.`,
      figures: [
        { key: "end", label: "Dried", value: got.endG, of: "mass" },
        { key: "lost", label: "Water lost", value: got.waterLostG, of: "water" },
        { key: "part", label: "Yield", value: got.factor * 100, of: "share" },
      ],
    };
  },
};

const PIECES: Panel = {
  id: "pieces",
  subject: SUBJECT,
  title: "Dough for pieces",
  does: "How much dough for rolls, wrappers or loaves.",
  fields: [
    { key: "piece", label: "Weight of each", of: "mass", usual: "g", start: 60, low: 1, high: 3000 },
    { key: "count", label: "Count", of: "count", start: 16, low: 1, high: 10_000 },
    { key: "loss", label: "Lost on bowl and hands", of: "share", start: 2, low: 0, high: 15 },
  ],
  calculate(v, { call, say }) {
    const got = call(doughPiecePlan, { pieceG: num(v, "piece"), count: Math.round(num(v, "count")), lossPct: num(v, "loss") });
    return { headline: `${say(got.doughG, "mass")} of dough.`, figures: [{ key: "dough", label: "Dough", value: got.doughG, of: "mass" }] };
  },
};

const side = (
  key: string,
  label: string,
  start: number,
  when: (v: Readonly<Record<string, unknown>>) => boolean,
): Panel["fields"][number] => ({ key, label, of: "length", usual: "cm", start, low: 20, high: 2000, when });
const TINS: ChoiceField["choices"] = [
  ["round", "round"],
  ["rect", "with corners"],
];
const TIN: Panel = {
  id: "tins",
  subject: SUBJECT,
  title: "Another tin, more guests",
  does: "How to scale amounts, spices and times for another tin or number of guests.",
  fields: [
    { key: "from", label: "The recipe's tin", of: "choice", start: "round", choices: TINS },
    side("fromD", "across", 240, (v) => v.from === "round"),
    side("fromL", "long", 300, (v) => v.from === "rect"),
    side("fromW", "wide", 200, (v) => v.from === "rect"),
    { key: "to", label: "Your tin", of: "choice", start: "round", choices: TINS },
    side("toD", "Width of yours", 280, (v) => v.to === "round"),
    side("toL", "Length of yours", 300, (v) => v.to === "rect"),
    side("toW", "Width of yours, short side", 200, (v) => v.to === "rect"),
    { key: "depth", label: "Depth, times the recipe's", of: "number", start: 1, low: 0.1, high: 10 },
    { key: "amount", label: "An amount of the recipe", of: "mass", usual: "g", start: 250, low: 0, high: 50_000 },
    {
      key: "rule",
      label: "It scales",
      of: "choice",
      start: "linear",
      choices: [
        ["linear", "fully"],
        ["potent", "less: strong spice, chilli, smoke"],
        ["surface", "with the surface: crumbs, glaze"],
        ["none", "not at all"],
      ],
    },
    { key: "time", label: "A time of the recipe", of: "time", usual: "min", start: 40, low: 0, high: 2880 },
    {
      key: "mode",
      label: "Kind",
      of: "choice",
      start: "thicknessSurface",
      choices: [
        ["none", "does not change"],
        ["handwork", "work by hand"],
        ["reduceSamePot", "boiling down in one pot"],
        ["heatUpSamePower", "heating up on one burner"],
        ["roastByMass", "roasting, by weight"],
        ["thicknessConduction", "baking through, thick"],
        ["thicknessSurface", "baking through, thin"],
      ],
    },
  ],
  calculate(v, { call, say }) {
    const tin = (k: "from" | "to") =>
      v[k] === "round"
        ? ({ shape: "round", diameterMm: num(v, `${k}D`) } as const)
        : ({ shape: "rect", lengthMm: num(v, `${k}L`), widthMm: num(v, `${k}W`) } as const);
    const { factor } = call(panScale, { from: tin("from"), to: tin("to"), depthRatio: num(v, "depth") });
    const amount = call(scaleAmount, { amount: num(v, "amount"), factor, rule: str<"linear">(v, "rule") });
    const time = call(scaleTime, { minutes: num(v, "time"), factor, mode: str<"none">(v, "mode") });
    return {
      headline: `${say(factor, "number")} times as much: ${say(amount.amount, "mass")}, and ${say(time.minutes, "time")}.`,
      figures: [
        { key: "factor", label: "Factor", value: factor, of: "number" },
        { key: "scaled", label: "Amount", value: amount.amount, of: "mass" },
        { key: "minutes", label: "Time", value: time.minutes, of: "time" },
      ],
    };
  },
};

const WEIGH: Panel = {
  id: "weigh",
  subject: SUBJECT,
  title: "Cups and spoons to weight",
  does: "What a volume of an ingredient weighs, and how much that varies.",
  fields: [OF_WHAT, { key: "volume", label: "Volume", of: "volume", usual: "mL", start: 240, low: 0, high: 40_000 }],
  calculate(v, { call, say }) {
    const got = call(volumeToMass, { mL: num(v, "volume"), ingredient: str(v, "what") });
    return {
      headline: `${say(got.g, "mass")}.`,
      figures: [{ key: "g", label: "Weight", value: got.g, of: "mass", low: got.low, high: got.high }],
      notes: got.high - got.low > got.g * 0.15 ? [{ text: "People fill a cup of this very differently: weigh it." }] : [],
    };
  },
};

const saltRow = (n: number, label: string, g: number, pct: number, eaten: number): Panel["fields"] => [
  { key: `g${n}`, label, of: "mass", usual: "g", start: g, low: 0, high: 50_000 },
  { key: `s${n}`, label: `salt content (${n})`, of: "share", start: pct, low: 0, high: 100 },
  { key: `e${n}`, label: `share eaten (${n})`, of: "share", start: eaten, low: 0, high: 100 },
];
const SALT: Panel = {
  id: "salt-per-guest",
  subject: SUBJECT,
  title: "Salt for a guest",
  does: "The salt of a whole dish for one guest. For your own dish see its Amounts page.",
  fields: [
    ...saltRow(1, "Meat, cured", 2000, 1.5, 100),
    ...saltRow(2, "Sauce or stock", 1500, 0.8, 70),
    ...saltRow(3, "Bread or dough", 800, 1.2, 100),
    ...saltRow(4, "Pickle", 400, 2, 50),
    { key: "servings", label: "Guests", of: "count", start: 8, low: 1, high: 500 },
  ],
  calculate(v, { call, say }) {
    const items = [1, 2, 3, 4].map((n) => ({ g: num(v, `g${n}`), saltPct: num(v, `s${n}`), eaten: num(v, `e${n}`) / 100 }));
    const got = call(saltPerServing, { items, servings: num(v, "servings") });
    return {
      headline: `${say(got.saltG, "grams")} of salt per guest: ${say(got.pctOf5g, "share")} of the advice for a day.`,
      figures: [
        { key: "salt", label: "Salt per guest", value: got.saltG, of: "grams" },
        { key: "day", label: "of a day's 5 g", value: got.pctOf5g, of: "share" },
        { key: "sodium", label: "Sodium per guest", value: got.sodiumMg / 1000, of: "grams" },
      ],
      notes:
        got.saltG > 5
          ? [
              {
                text: "That is more than the advice for a whole day. Season the components for each other, not each one by itself.",
                caution: true,
              },
            ]
          : [],
    };
  },
};

const ALCOHOL: Panel = {
  id: "alcohol",
  subject: SUBJECT,
  title: "Alcohol after cooking",
  does: "How much alcohol is left after cooking with wine, beer or spirits.",
  fields: [
    { key: "volume", label: "Wine, beer or spirits", of: "volume", usual: "mL", start: 500, low: 0, high: 40_000 },
    { key: "abv", label: "Strength, by volume", of: "share", start: 12.5, low: 0, high: 96 },
    {
      key: "mode",
      label: "Kind",
      of: "choice",
      start: "simmered",
      choices: [
        ["simmered", "simmered"],
        ["flamed", "flamed"],
        ["baked_unstirred_25", "baked, not stirred, 25 min"],
        ["overnight_uncooked", "left open overnight"],
        ["raw", "not cooked"],
      ],
    },
    { key: "minutes", label: "for", of: "time", usual: "min", start: 90, low: 0, high: 1440, when: (v) => v.mode === "simmered" },
    { key: "servings", label: "Guests", of: "count", start: 8, low: 1, high: 500 },
  ],
  calculate(v, { call, say }) {
    const got = call(alcoholRetained, {
      mode: str(v, "mode"),
      mL: num(v, "volume"),
      abvPct: num(v, "abv"),
      servings: num(v, "servings"),
      ...(v.mode === "simmered" ? { minutes: num(v, "minutes") } : {}),
    });
    return {
      headline: `${say(got.retainedPct, "share")} of it is left: ${say(got.perServingG, "grams")} for each guest.`,
      figures: [
        { key: "kept", label: "Alcohol left", value: got.retainedPct, of: "share" },
        { key: "each", label: "Alcohol per guest", value: got.perServingG, of: "grams" },
        { key: "all", label: "Total alcohol", value: got.ethanolG, of: "grams" },
      ],
      notes: [{ text: "Some alcohol always stays. Tell guests who avoid it: children, in pregnancy, or by choice.", caution: true }],
    };
  },
};

export const TABLE: readonly Panel[] = [PORTIONS, YIELDS, DRYING, PIECES, TIN, WEIGH, SALT, ALCOHOL];
