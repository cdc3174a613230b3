// Pickles and ferments: acidity in the jar, liquid for jars, ready and keeps; salt and pH of a ferment with its readings; cultured dairy.
import { vegetableSalt } from "../../measures/brine";
import type { Geometry } from "../../measures/diffusion";
import { culturedDairy, fermentCheck, fermentDaysToPh, fermentPh } from "../../measures/ferment";
import { jarLiquid } from "../../measures/jars";
import { pickleAcidity, pickleKeep, pickleReady, shelfStableClaim, vinegarForAcidity } from "../../measures/pickle";
import { num, type Panel, readings, str, yes } from "../panel";

const SUBJECT = "Pickle and ferment";
const PACKINGS = [
  ["slices", "slices"],
  ["spears", "spears"],
  ["sticks", "sticks"],
  ["chunks", "chunks"],
  ["florets", "florets"],
  ["onion_rings", "onion rings"],
  ["whole_small", "small, whole"],
  ["whole_large", "large, whole"],
  ["shredded_pressed", "shredded and pressed"],
  ["berries", "berries"],
  ["cherries", "cherries"],
  ["eggs", "eggs"],
] as const;
const SHAPES = [
  ["slab", "slices or flat"],
  ["cylinder", "round and long"],
  ["sphere", "round all over"],
] as const;

const PICKLE: Panel = {
  id: "pickle",
  subject: SUBJECT,
  title: "Pickle in vinegar",
  does: "The acidity of the jar at the end, when the pickle is ready, and how long it keeps in the fridge.",
  fields: [
    { key: "vinegar", label: "Vinegar", of: "volume", usual: "mL", start: 500, low: 1, high: 50_000 },
    { key: "acid", label: "Its acidity, on the label", of: "share", start: 6, low: 3, high: 12 },
    { key: "water", label: "Water", of: "volume", usual: "mL", start: 250, low: 0, high: 50_000 },
    { key: "produce", label: "Vegetables or fruit", of: "mass", usual: "g", start: 900, low: 1, high: 50_000 },
    { key: "drained", label: "Liquid drawn by salting first", of: "mass", usual: "g", start: 0, low: 0, high: 50_000 },
    { key: "thick", label: "Thickness of the pieces", of: "length", usual: "mm", start: 8, low: 1, high: 120 },
    { key: "shape", label: "Shape", of: "choice", start: "slab", choices: SHAPES },
    {
      key: "pour",
      label: "Poured over",
      of: "choice",
      start: "hot",
      choices: [
        ["hot", "boiling"],
        ["cold", "cold"],
      ],
    },
    { key: "skin", label: "Skin on", of: "yes", start: false },
    { key: "garlic", label: "Garlic, chillies or other low-acid things in it", of: "yes", start: false },
    { key: "fridge", label: "Fridge, measured", of: "temp", start: 4, low: -2, high: 20 },
    { key: "wanted", label: "Wanted acidity of the brine", of: "share", start: 4, low: 0.1, high: 12 },
  ],
  calculate(v, { call, say }) {
    const jar = call(pickleAcidity, {
      vinegar_mL: num(v, "vinegar"),
      vinegarPct: num(v, "acid"),
      water_mL: num(v, "water"),
      produceG: num(v, "produce"),
      drainedG: num(v, "drained"),
    });
    const pour = str<"hot" | "cold">(v, "pour");
    const ready = call(pickleReady, { thicknessMm: num(v, "thick"), geometry: str<Geometry>(v, "shape"), pour, skinOn: yes(v, "skin") });
    const keep = call(pickleKeep, {
      equilibriumAcidPct: jar.equilibriumAcidPct,
      pour,
      fridgeC: num(v, "fridge"),
      thicknessMm: num(v, "thick"),
      lowAcidAddIn: yes(v, "garlic"),
    });
    const shelf = call(shelfStableClaim, {});
    const total = num(v, "vinegar") + num(v, "water");
    const mix =
      num(v, "wanted") <= num(v, "acid") && total >= 10
        ? call(vinegarForAcidity, { total_mL: total, targetBrineAcidPct: num(v, "wanted"), vinegarPct: num(v, "acid") })
        : undefined;
    const weak = jar.equilibriumAcidPct < 1;
    return {
      headline: `The jar settles at ${say(jar.equilibriumAcidPct, "share")} acid; ready after ${say(ready.hours * 60, "time")}, keeps ${say(keep.days * 1440, "time")} in the fridge.`,
      figures: [
        { key: "brine", label: "Acid in the brine", value: jar.brineAcidPct, of: "share" },
        { key: "jar", label: "Acid in the jar at the end", value: jar.equilibriumAcidPct, of: "share" },
        {
          key: "ready",
          label: "Ready after",
          value: ready.hours * 60,
          of: "time",
          low: ready.low * 60,
          high: ready.high * 60,
        },
        { key: "flavour", label: "Best flavour after", value: ready.flavourMinHours * 60, of: "time" },
        { key: "keeps", label: "Keeps in the fridge", value: keep.days * 1440, of: "time" },
        ...(mix
          ? [
              { key: "mixVinegar", label: "For the acidity you want: vinegar", value: mix.vinegar_mL, of: "volume" } as const,
              { key: "mixWater", label: "and water", value: mix.water_mL, of: "volume" } as const,
            ]
          : []),
      ],
      notes: [
        ...(weak
          ? [{ text: "Below 1 % in the jar it is a salad, not a pickle: eat it within days, or take more vinegar.", caution: true }]
          : []),
        {
          text:
            shelf.claim === "fridge_only"
              ? "In the fridge only. For a jar on the shelf follow a tested recipe exactly; nothing calculated here is enough."
              : "Follow the tested recipe.",
          caution: true,
        },
      ],
      writes: [
        { kind: "ingredient", name: "vinegar", find: "vinegar", mL: num(v, "vinegar") },
        ...(num(v, "water") > 0 ? [{ kind: "ingredient" as const, name: "water", find: "water", mL: num(v, "water") }] : []),
        { kind: "hold", label: "the pickle", place: "fridge", min: Math.max(ready.hours, 0) * 60, max: keep.days * 1440 },
      ],
    };
  },
};

const JARS: Panel = {
  id: "jars",
  subject: SUBJECT,
  title: "Liquid for jars",
  does: "How much goes into your jars, and how much liquid they take.",
  fields: [
    { key: "jar", label: "Each jar holds", of: "volume", usual: "mL", start: 500, low: 50, high: 20_000 },
    { key: "jars", label: "Jars", of: "count", start: 4, low: 1, high: 200 },
    { key: "head", label: "Headspace", of: "length", usual: "mm", start: 12, low: 5, high: 60 },
    { key: "mouth", label: "Width of the jar mouth", of: "length", usual: "mm", start: 75, low: 20, high: 300 },
    { key: "packing", label: "Packed with", of: "choice", start: "slices", choices: PACKINGS },
    { key: "spare", label: "Extra liquid", of: "share", start: 10, low: 0, high: 100 },
  ],
  calculate(v, { call, say }) {
    const jars = Math.round(num(v, "jars"));
    const got = call(jarLiquid, {
      jar_mL: num(v, "jar"),
      headspaceMm: num(v, "head"),
      mouthDiameterMm: num(v, "mouth"),
      packing: str(v, "packing"),
      jars,
      sparePct: num(v, "spare"),
    });
    return {
      headline: `${say(got.liquidTotal_mL, "volume")} of liquid for ${jars} ${jars === 1 ? "jar" : "jars"}, including the extra.`,
      figures: [
        { key: "total", label: "Total liquid", value: got.liquidTotal_mL, of: "volume" },
        { key: "each", label: "Liquid in a jar", value: got.liquidPerJar_mL, of: "volume" },
        { key: "produce", label: "Vegetables or fruit in a jar", value: got.producePerJar_mL, of: "volume" },
        { key: "free", label: "Headspace, volume", value: got.headspace_mL, of: "volume" },
      ],
      writes: [{ kind: "ingredient", name: "pickling liquid", find: "liquid|brine|vinegar", mL: got.liquidTotal_mL }],
    };
  },
};

const FERMENT: Panel = {
  id: "ferment",
  subject: SUBJECT,
  title: "Vegetables in salt",
  does: "Salt for a ferment, the expected pH day by day, and your own readings.",
  heavy: true,
  fields: [
    { key: "veg", label: "Vegetables", of: "mass", usual: "g", start: 1500, low: 1, high: 50_000 },
    { key: "water", label: "Water with them", of: "water", usual: "g", start: 0, low: 0, high: 50_000 },
    { key: "salt", label: "Salt, %", of: "share", start: 2.2, low: 1, high: 12 },
    {
      key: "method",
      label: "Calculated on",
      of: "choice",
      start: "dry",
      choices: [
        ["dry", "the vegetables, rubbed in"],
        ["brineEquilibrium", "vegetables and water together"],
        ["brineOfWater", "the water alone"],
      ],
    },
    { key: "tempC", label: "Temperature", of: "temp", start: 20, low: 3, high: 32 },
    { key: "readings", label: "Readings", of: "readings", start: [], reading: "pH", usual: "d", hint: "2 d 4.6; 3 d 4.1" },
    { key: "mould", label: "Mould", of: "yes", start: false },
    { key: "slime", label: "Slime", of: "yes", start: false },
    { key: "putrid", label: "Foul smell", of: "yes", start: false },
    { key: "under", label: "Everything is under the brine", of: "yes", start: true },
  ],
  calculate(v, { call, say }) {
    const dose = call(vegetableSalt, {
      vegG: num(v, "veg"),
      waterG: num(v, "water"),
      targetPct: num(v, "salt"),
      method: str<"dry">(v, "method"),
    });
    const lactic = { tempC: num(v, "tempC"), saltPct: dose.equilibriumPct };
    const safe = call(fermentDaysToPh, { targetPh: 4.6, ...lactic });
    const sour = call(fermentDaysToPh, { targetPh: 4, ...lactic });
    const end = Math.min(60, Math.max(5, sour.high * 1.3));
    const days = Array.from({ length: 31 }, (_, i) => (end * i) / 30);
    const expect = days.map((d) => [d, d === end ? call(fermentPh, { days: d, ...lactic }) : fermentPh({ days: d, ...lactic })] as const);
    const taken = readings(v, "readings");
    const last = taken.at(-1);
    const verdict = call(fermentCheck, {
      days: last ? last[0] / 1440 : safe.days,
      ...lactic,
      ...(last ? { measuredPh: last[1] } : {}),
      mould: yes(v, "mould"),
      slime: yes(v, "slime"),
      putrid: yes(v, "putrid"),
      submerged: yes(v, "under"),
    });
    return {
      headline: `${say(dose.saltG, "grams")} of salt; below pH 4.6 after about ${say(safe.days * 1440, "time")}.${last || verdict.verdict === "discard" || verdict.verdict === "act" ? ` ${VERDICTS[verdict.verdict] ?? ""}` : ""}`,
      figures: [
        { key: "saltG", label: "Salt", value: dose.saltG, of: "grams" },
        { key: "levelled", label: "Salt at the end", value: dose.equilibriumPct, of: "share" },
        { key: "safe", label: "Below pH 4.6 after", value: safe.days * 1440, of: "time", low: safe.low * 1440, high: safe.high * 1440 },
        {
          key: "sour",
          label: "pH 4, properly sour, after",
          value: sour.days * 1440,
          of: "time",
          low: sour.low * 1440,
          high: sour.high * 1440,
        },
      ],
      curve: {
        title: "Expected pH",
        x: { label: "since salting", of: "time" },
        y: { label: "pH", of: "pH", from: 3, to: 6.5 },
        lines: [
          {
            name: "expected",
            look: "leaf",
            points: expect.map(([d, p]) => [d * 1440, p.ph]),
            band: expect.map(([d, p]) => [d * 1440, p.low, p.high]),
          },
          ...(taken.length
            ? [{ name: "your readings", look: "beet", dots: true, points: taken.map(([m, p]) => [m, p] as const) } as const]
            : []),
        ],
        marks: [{ on: "y", at: 4.6, label: "safe below" }],
      },
      notes: [
        {
          text: "Your readings decide, not the curve: two readings of 4.6 or below, twelve hours apart, with a meter calibrated at pH 4 and 7. Throw it away if it is foul, slimy or mouldy all through.",
          caution: true,
        },
      ],
      writes: [
        { kind: "ingredient", name: "salt", find: "salt(?!petre)", grams: dose.saltG },
        {
          kind: "time",
          label: "fermenting",
          find: "ferment|sour|stand|bubble",
          low: sour.low * 1440,
          minutes: sour.days * 1440,
          high: sour.high * 1440,
        },
      ],
    };
  },
};

const VERDICTS: Readonly<Record<string, string>> = {
  discard: "Throw it away.",
  act: "Push everything under the brine now, and measure again tomorrow.",
  unknown: "Measure the pH before anybody tastes it.",
  continue: "It is on its way; let it go on.",
  edible_keep_cold_or_continue: "It can be eaten. Keep it cold, or let it go on.",
  ready: "It is ready.",
};

const DAIRY: Panel = {
  id: "cultured-dairy",
  subject: SUBJECT,
  title: "Cultured milk and cream",
  does: "Culture and time for yoghurt, soured cream and the like.",
  fields: [
    {
      key: "type",
      label: "Product",
      of: "choice",
      start: "yogurt",
      choices: [
        ["yogurt", "yoghurt"],
        ["creme_fraiche", "soured cream"],
        ["buttermilk", "buttermilk"],
        ["kefir", "kefir"],
        ["quark", "curd cheese"],
        ["villi_type_mesophilic", "cool-cultured yoghurt"],
      ],
    },
    { key: "milk", label: "Milk or cream", of: "mass", usual: "g", start: 1000, low: 50, high: 50_000 },
    { key: "tempC", label: "Temperature", of: "temp", start: 42, low: 10, high: 50 },
  ],
  calculate(v, { call, say }) {
    const got = call(culturedDairy, { type: str(v, "type"), milkG: num(v, "milk"), tempC: num(v, "tempC") });
    return {
      headline: `${say(got.cultureG, "mass")} of culture; set after about ${say(got.hours * 60, "time")}, at ${say(got.targetPh, "pH")}.`,
      figures: [
        { key: "culture", label: "Culture", value: got.cultureG, of: "mass" },
        { key: "hours", label: "Set after", value: got.hours * 60, of: "time", low: got.low * 60, high: got.high * 60 },
        { key: "ph", label: "pH then", value: got.targetPh, of: "pH" },
      ],
      notes: [
        {
          text:
            str(v, "type") === "yogurt"
              ? "Hold the milk at 82 to 85 °C for a few minutes first: it is safe and sets thick. Cool it before the culture goes in, and chill what is set within two hours."
              : "Heat raw milk to 72 °C first, cool it, and chill what is set within two hours.",
          caution: true,
        },
      ],
      writes: [
        { kind: "ingredient", name: "live culture", find: "culture|yogh?urt|buttermilk", grams: got.cultureG },
        {
          kind: "time",
          label: "culturing",
          find: "cultur|set|sour|stand",
          low: got.low * 60,
          minutes: got.hours * 60,
          high: got.high * 60,
        },
      ],
    };
  },
};

export const PICKLE_AND_FERMENT: readonly Panel[] = [PICKLE, JARS, FERMENT, DAIRY];
