// Fire and fuel, ovens, frying, slow cookers.
import { fryBatch, fryMaxBatch, fuelBurn, ovenCoolDown, ovenPreheat, slowCooker, topUpMinutes } from "../../measures/heat/equipment";
import { num, type Panel, str, yes } from "../panel";

const SUBJECT = "Roast, smoke, fry";

const FIRE: Panel = {
  id: "fuel",
  subject: SUBJECT,
  title: "Fire and fuel",
  does: "Fuel for a long fire, with cold and wind, and when to add more.",
  fields: [
    {
      key: "cooker",
      label: "The fire",
      of: "choice",
      start: "kettle",
      choices: [
        ["kettle", "a round grill with a lid"],
        ["insulatedCeramic", "a thick-walled grill"],
        ["steelBarrel", "a steel barrel"],
        ["bulletWater", "an upright smoker with water"],
        ["offset", "a smoker with a side box"],
      ],
    },
    {
      key: "fuel",
      label: "Fuel",
      of: "choice",
      start: "briquettes",
      choices: [
        ["briquettes", "briquettes"],
        ["lumpCharcoal", "lump charcoal"],
        ["hardwood15", "dry hardwood"],
        ["hardwood25", "damp hardwood"],
      ],
    },
    { key: "chamber", label: "Inside", of: "temp", start: 115, low: 60, high: 400 },
    { key: "outside", label: "Outside", of: "temp", start: 8, low: -30, high: 45 },
    {
      key: "wind",
      label: "Wind",
      of: "choice",
      start: "1",
      choices: [
        ["1", "none"],
        ["1.3", "a breeze"],
        ["1.7", "windy"],
      ],
    },
    { key: "hours", label: "For", of: "time", usual: "h", start: 480, low: 6, high: 4320 },
    { key: "charge", label: "Fuel on the grate", of: "mass", usual: "kg", start: 1500, low: 50, high: 50_000 },
    { key: "light", label: "New fuel burns after", of: "time", usual: "min", start: 20, low: 0, high: 120 },
  ],
  calculate(v, { call, say }) {
    const input = {
      cooker: str(v, "cooker"),
      fuel: str(v, "fuel"),
      chamberC: num(v, "chamber"),
      ambientC: num(v, "outside"),
      windFactor: Number(str(v, "wind")),
    };
    const hours = num(v, "hours") / 60;
    const got = call(fuelBurn, { ...input, hours });
    const next = call(topUpMinutes, { chargeKg: num(v, "charge") / 1000, kgPerHour: got.kgPerHour, lightMin: num(v, "light") }).value;
    const steps = Math.max(2, Math.min(24, Math.ceil(hours)));
    const rows = Array.from({ length: steps }, (_, i) => (hours * (i + 1)) / steps).map(
      (h) => [h, fuelBurn({ ...input, hours: h }).totalKg] as const,
    );
    return {
      headline: `${say(got.totalKg * 1000, "mass")} of fuel; put on more every ${say(next, "time")}.`,
      figures: [
        {
          key: "total",
          label: "Total fuel, with lighting and a margin",
          value: got.totalKg * 1000,
          of: "mass",
          low: got.totalKg * 600,
          high: got.totalKg * 1400,
        },
        { key: "hour", label: "Per hour", value: got.kgPerHour * 1000, of: "mass" },
        { key: "every", label: "More fuel after", value: next, of: "time" },
        { key: "ash", label: "Ash", value: got.ashKg * 1000, of: "mass" },
      ],
      curve: {
        title: "Fuel burnt",
        x: { label: "burning", of: "time" },
        y: { label: "burnt", of: "mass", from: 0 },
        lines: [{ name: "burnt", look: "copper", points: [[0, 0.35 * 1000], ...rows.map(([h, kg]) => [h * 60, kg * 1000] as const)] }],
      },
      notes: [
        {
          text: "Outdoors only: charcoal and wood give off carbon monoxide, which kills without a smell. Ash stays hot for two days; keep it in a metal bin. Somebody stays with the fire.",
          caution: true,
        },
      ],
    };
  },
};

const OVENS = {
  electricStill: ["electric", { powerW: 2500, heatCapJK: 12_500, lossWK: 4 }],
  electricFan: ["electric with a fan", { powerW: 2800, heatCapJK: 12_000, lossWK: 4.5 }],
  gasHome: ["gas", { powerW: 3200, heatCapJK: 16_000, lossWK: 9 }],
  smallBench: ["small, on the worktop", { powerW: 1400, heatCapJK: 4500, lossWK: 4.5 }],
  withStone: ["with a baking stone", { powerW: 2500, heatCapJK: 24_000, lossWK: 4 }],
} as const;

const OVEN: Panel = {
  id: "oven",
  subject: SUBJECT,
  title: "Heating the oven",
  does: "How long an oven takes to heat, and how long it stays hot.",
  fields: [
    {
      key: "oven",
      label: "Oven",
      of: "choice",
      start: "electricStill",
      choices: Object.entries(OVENS).map(([k, [label]]) => [k, label] as const),
    },
    { key: "set", label: "Set to", of: "temp", start: 220, low: 30, high: 320 },
    { key: "start", label: "From", of: "temp", start: 21, low: 0, high: 300 },
    { key: "to", label: "Switched off, down to", of: "temp", start: 100, low: 30, high: 300 },
    { key: "ajar", label: "Door ajar", of: "yes", start: false },
  ],
  calculate(v, { call, say }) {
    const [, body] = OVENS[str<keyof typeof OVENS>(v, "oven")];
    const got = call(ovenPreheat, { startC: num(v, "start"), setC: num(v, "set"), ...body });
    const cool =
      num(v, "to") < num(v, "set")
        ? call(ovenCoolDown, { startC: num(v, "set"), targetC: num(v, "to"), doorAjar: yes(v, "ajar") }).value
        : 0;
    return {
      headline: `${say(got.minutes, "time")}, and ${say(got.soakMin ?? 0, "time")} more for bread and pastry.`,
      figures: [
        { key: "minutes", label: "Hot after", value: got.minutes, of: "time" },
        {
          key: "soak",
          label: "Its walls too after",
          value: got.soakMin === null ? Number.POSITIVE_INFINITY : got.minutes + got.soakMin,
          of: "time",
        },
        { key: "cool", label: `Switched off, above ${say(num(v, "to"), "temp")} for`, value: cool, of: "time" },
      ],
      notes: [{ text: "Oven dials can be off by 15 °C: check once with a thermometer." }],
      writes: [{ kind: "time", label: "heating the oven", find: "preheat|heat the oven|oven", minutes: got.minutes + (got.soakMin ?? 0) }],
    };
  },
};

const FRY: Panel = {
  id: "fry",
  subject: SUBJECT,
  title: "Frying in batches",
  does: "How far the oil cools with a batch, and the largest batch that keeps it hot enough.",
  fields: [
    { key: "oil", label: "Oil", of: "mass", usual: "kg", start: 1800, low: 200, high: 15_000 },
    { key: "oilC", label: "at", of: "temp", start: 178, low: 120, high: 200 },
    { key: "food", label: "A batch", of: "mass", usual: "g", start: 300, low: 1, high: 5000 },
    { key: "foodC", label: "Temperature of the food", of: "temp", start: 6, low: -25, high: 60 },
    {
      key: "off",
      label: "Water it loses",
      of: "share",
      start: 25,
      low: 0,
      high: 90,
      hint: "thin slices 30, battered 15, doughnuts 10",
    },
    { key: "burner", label: "Heat that reaches the pot", of: "power", start: 1200, low: 50, high: 10_000 },
    { key: "least", label: "Never below", of: "temp", start: 155, low: 100, high: 190 },
  ],
  calculate(v, { call, say }) {
    const fryer = {
      oilKg: num(v, "oil") / 1000,
      oilC: num(v, "oilC"),
      foodC: num(v, "foodC"),
      waterOff: num(v, "off") / 100,
      burnerW: num(v, "burner"),
    };
    const got = call(fryBatch, { ...fryer, foodKg: num(v, "food") / 1000 });
    const most = num(v, "least") < num(v, "oilC") ? call(fryMaxBatch, { ...fryer, minC: num(v, "least") }).value : 0;
    return {
      headline: `The oil cools to ${say(got.minC, "temp")}${got.minC < num(v, "least") ? ": too cold, the food soaks it up" : ""}; at most ${say(most * 1000, "mass")} at a time.`,
      figures: [
        { key: "min", label: "The oil cools to", value: got.minC, of: "temp" },
        { key: "most", label: "At most at a time", value: most * 1000, of: "mass" },
        { key: "recover", label: "Hot again after", value: got.recoverS / 60, of: "time" },
        { key: "ratio", label: "Oil to food", value: got.ratio, of: "number" },
      ],
      notes: [
        {
          text: "The pot half full at most, a lid at hand, somebody beside it. Frozen wet food boils over. Burning oil: cover it, heat off, no water.",
          caution: true,
        },
      ],
    };
  },
};

const SLOW: Panel = {
  id: "slow-cooker",
  subject: SUBJECT,
  title: "Slow cooker",
  does: "Whether it is filled well and heats up fast enough.",
  fields: [
    { key: "capacity", label: "Capacity", of: "volume", usual: "L", start: 5000, low: 1000, high: 9000 },
    { key: "food", label: "Food", of: "mass", usual: "kg", start: 3000, low: 100, high: 9000 },
    { key: "from", label: "From", of: "temp", start: 5, low: 0, high: 95 },
    {
      key: "setting",
      label: "Set to",
      of: "choice",
      start: "low",
      choices: [
        ["low", "low"],
        ["high", "high"],
      ],
    },
    { key: "then", label: "Then cooked for", of: "time", usual: "h", start: 240, low: 0, high: 1440 },
  ],
  calculate(v, { call, say }) {
    const got = call(slowCooker, {
      capacityL: num(v, "capacity") / 1000,
      foodKg: num(v, "food") / 1000,
      t0: num(v, "from"),
      setting: str(v, "setting"),
    });
    const words: Readonly<Record<string, string>> = {
      ok: "",
      startHot: " Start it hot: bring the food to the boil first.",
      no: " Too slow to be safe.",
    };
    return {
      headline: `${say(got.to60Min, "time")} to ${say(60, "temp")}.${words[got.safety] ?? ""}`,
      figures: [
        { key: "fill", label: "Filled", value: got.fill * 100, of: "share" },
        { key: "to60", label: `To ${say(60, "temp")}`, value: got.to60Min, of: "time" },
        { key: "to90", label: `To ${say(90, "temp")}`, value: got.to90Min, of: "time" },
        { key: "end", label: "Final temperature", value: got.endC, of: "temp" },
        { key: "all", label: "Total", value: got.to90Min + num(v, "then"), of: "time" },
      ],
      notes: [
        ...(got.fillVerdict === "ok"
          ? []
          : [{ text: got.fillVerdict === "tooFull" ? "Too full: three quarters at most." : "Too empty: half at least, or it boils dry." }]),
        { text: "Nothing frozen, no reheating, and kidney beans boiled for ten minutes first.", caution: true },
      ],
      writes: Number.isFinite(got.to90Min)
        ? [
            {
              kind: "time",
              label: "in the slow cooker",
              find: "slow",
              minutes: got.to90Min + num(v, "then"),
              low: got.to60Min + num(v, "then"),
              high: got.to90Min * 1.5 + num(v, "then"),
            },
          ]
        : [],
    };
  },
};

export const FIRE_PANELS: readonly Panel[] = [FIRE, OVEN, FRY, SLOW];
