// What readings of a thermometer say: whether it cooled in time, whether it was kept hot, what the heat has killed; and food on the road.
import { CalculationError } from "../../measures/calculation-error";
import { FOOD } from "../../measures/heat/foods";
import { insulatedBox } from "../../measures/heat/ice";
import { logReduction } from "../../measures/heat/pasteurise";
import { hotHold, judgeCooling } from "../../measures/heat/verdicts";
import { num, type Panel, type Reading, readings, str, type Values } from "../panel";
import { KILLS } from "./choices";

const SUBJECT = "Thermometer and road";
const taken = (v: Values): readonly Reading[] => {
  const list = readings(v, "readings");
  if (list.length < 2) throw new CalculationError("readings", "E_RANGE", "Readings: give at least two, such as “30 min 61; 60 min 44”.");
  return list;
};
const dots = (list: readonly Reading[]) => ({ name: "readings", look: "copper" as const, points: list.map(([m, c]) => [m, c] as const) });

/** The minute at which readings fall to a temperature, on a straight line between two of them; undefined where they do not. */
function fallsTo(list: readonly Reading[], tempC: number): number | undefined {
  for (const [i, [m, c]] of list.entries()) {
    if (c > tempC) continue;
    const before = list[i - 1];
    return before ? before[0] + ((m - before[0]) * (before[1] - tempC)) / (before[1] - c) : m;
  }
  return undefined;
}

const COOLED: Panel = {
  id: "cooling-check",
  subject: SUBJECT,
  title: "Did it cool in time?",
  does: "Readings from the middle of a pot, checked against the cooling rules.",
  fields: [
    {
      key: "readings",
      label: "Readings",
      of: "readings",
      start: [
        [0, 82],
        [40, 55],
        [90, 33],
        [150, 19],
        [260, 4.5],
      ],
      reading: "temp",
      usual: "min",
      hint: "30 min 61; 60 min 44",
    },
    {
      key: "rule",
      label: "Rule",
      of: "choice",
      start: "twoStage",
      choices: [
        ["twoStage", "two stages, six hours in total"],
        ["twoStageStrict", "two stages, four hours for the second"],
        ["ninety", "advice: ninety minutes to the fridge"],
      ],
    },
  ],
  calculate(v, { call, say, exactly }) {
    const list = taken(v);
    const seconds = (t: number) => {
      const at = fallsTo(list, t);
      return at === undefined ? null : at * 60;
    };
    const last = list.at(-1) as Reading;
    const got = call(judgeCooling, {
      times: { t63: seconds(63), t57: seconds(57), t21: seconds(21), t5: seconds(5) },
      lastSeconds: last[0] * 60,
      rule: str<"twoStage">(v, "rule"),
    });
    const words: Readonly<Record<string, string>> = {
      ok: "It cooled in time.",
      running: "Not over yet: it may still be in time.",
      fail1: "Too slow to 21 °C: throw it away, unless it was reheated to 74 °C in time.",
      fail2: "Too slow to 5 °C: throw it away.",
      over: "Over the advised ninety minutes.",
    };
    const minutes = (m: number | null | undefined) => (m === null || m === undefined ? Number.POSITIVE_INFINITY : m);
    return {
      headline: words[got.verdict] ?? got.verdict,
      figures: [
        { key: "stage1", label: `From 57 to ${say(21, "temp")}`, value: minutes(got.stage1Min), of: "time" },
        { key: "total", label: `From 57 to ${say(5, "temp")}`, value: minutes(got.totalMin), of: "time" },
        { key: "last", label: `The last reading, after ${exactly(last[0], "time")}`, value: last[1], of: "temp" },
      ],
      curve: {
        title: "Readings",
        x: { label: "from the first", of: "time" },
        y: { label: "middle", of: "temp", from: 0 },
        lines: [dots(list)],
        marks: [
          { on: "y", at: 57, label: "57 °C" },
          { on: "y", at: 21, label: "within 2 h of it" },
          { on: "y", at: 5, label: "within 6 h of it" },
        ],
      },
      notes: [
        { text: "In the middle of the pot, by the slowest point. Food that cooled too slowly can look and smell fine.", caution: true },
      ],
    };
  },
};

const HOT: Panel = {
  id: "hot-hold",
  subject: SUBJECT,
  title: "Was it kept hot?",
  does: "Readings of food kept hot, and what to do with it.",
  fields: [
    {
      key: "readings",
      label: "Readings",
      of: "readings",
      start: [
        [0, 68],
        [60, 63],
        [90, 58],
        [120, 64],
      ],
      reading: "temp",
      usual: "min",
      hint: "30 min 66; 60 min 61",
    },
  ],
  calculate(v, { call, exactly }) {
    const list = taken(v);
    const got = call(hotHold, { readings: list.map(([m, c]) => [m, c] as const) });
    const words: Readonly<Record<string, string>> = {
      ok: "It was hot all the time.",
      reheat74OrServe: "Heat it to 74 °C now, or serve it.",
      serveNow: "Serve it now; do not keep it.",
      discard: "Throw it away.",
    };
    return {
      headline: words[got.verdict] ?? got.verdict,
      figures: [
        { key: "min", label: "At its coolest", value: got.minC, of: "temp", exact: true },
        { key: "below", label: "Below 60 °C for", value: got.minutesBelow, of: "time", exact: true },
        { key: "all", label: `Readings over ${exactly((list.at(-1) as Reading)[0], "time")}`, value: list.length, of: "count" },
      ],
      curve: {
        title: "Readings",
        x: { label: "from the first", of: "time" },
        y: { label: "food", of: "temp" },
        lines: [dots(list)],
        marks: [{ on: "y", at: 60, label: "not below" }],
      },
      notes: [
        { text: "A warm oven or a hot plate keeps food hot, it does not heat it: bring it to 74 °C before it goes there.", caution: true },
      ],
    };
  },
};

const KILLED: Panel = {
  id: "heat-kills",
  subject: SUBJECT,
  title: "How many germs the heat killed",
  does: "Readings from the middle, added up into a log reduction.",
  fields: [
    {
      key: "kills",
      label: "Food",
      of: "choice",
      start: "salmonellaPoultry",
      choices: KILLS,
    },
    {
      key: "readings",
      label: "Readings",
      of: "readings",
      start: [
        [0, 20],
        [40, 52],
        [60, 58],
        [80, 61],
        [95, 62],
      ],
      reading: "temp",
      usual: "min",
      hint: "40 min 58; 60 min 62",
    },
  ],
  calculate(v, { call, say }) {
    const list = taken(v);
    const got = call(logReduction, { organism: str(v, "kills"), readings: list.map(([m, c]) => [m, c] as const) });
    return {
      headline: `${say(got.logs, "number")} powers of ten; ${got.met ? "that is enough" : `${say(got.goal, "number")} are wanted`}.`,
      figures: [
        { key: "logs", label: "Log reduction", value: got.logs, of: "number" },
        { key: "goal", label: "Log reduction needed", value: got.goal, of: "number" },
      ],
      curve: {
        title: "Readings",
        x: { label: "from the first", of: "time" },
        y: { label: "middle", of: "temp" },
        lines: [dots(list)],
        marks: [{ on: "y", at: 54.4, label: "does not count below" }],
      },
      notes: [
        {
          text: "From the coldest point, with a thermometer that was checked in ice and in steam. Spores and toxins outlast it.",
          caution: true,
        },
      ],
    };
  },
};

const BOXES = {
  foam: ["a foam box", 0.6],
  bag: ["a soft cool bag", 1.2],
  blanket: ["wrapped in a blanket", 1.5],
} as const;
const BOX: Panel = {
  id: "on-the-road",
  subject: SUBJECT,
  title: "Food on the road",
  does: "How cold or hot food stays in a box on the way.",
  fields: [
    { key: "food", label: "Food", of: "mass", usual: "kg", start: 3000, low: 10, high: 50_000 },
    { key: "foodC", label: "at", of: "temp", start: 4, low: -5, high: 95 },
    { key: "ice", label: "Ice packs", of: "mass", usual: "kg", start: 1500, low: 0, high: 50_000 },
    {
      key: "box",
      label: "Packed in",
      of: "choice",
      start: "foam",
      choices: Object.entries(BOXES).map(([k, [label]]) => [k, label] as const),
    },
    { key: "outside", label: "Outside", of: "temp", start: 24, low: -20, high: 50 },
    { key: "hours", label: "Travel time", of: "time", usual: "h", start: 180, low: 0, high: 4320 },
  ],
  calculate(v, { call, say }) {
    const [, uaWK] = BOXES[str<keyof typeof BOXES>(v, "box")];
    const input = {
      foodKg: num(v, "food") / 1000,
      cp: FOOD.leanMeat?.cp ?? 3500,
      foodC: num(v, "foodC"),
      iceKg: num(v, "ice") / 1000,
      ambientC: num(v, "outside"),
      uaWK,
    };
    const got = call(insulatedBox, { ...input, hours: num(v, "hours") / 60 });
    const bad = got.tempC > 5 && got.tempC < 60;
    return {
      headline: `${say(got.tempC, "temp")} on arrival${bad ? ": that counts as time in the danger zone." : "."}`,
      figures: [
        { key: "temp", label: "On arrival", value: got.tempC, of: "temp" },
        { key: "ice", label: "The ice lasts", value: got.iceHours * 60, of: "time" },
      ],
      notes: [
        { text: "A reading on arrival decides. Below 5 °C it goes on cold, above 60 °C hot; between, the minutes count.", caution: true },
      ],
    };
  },
};

export const READINGS_PANELS: readonly Panel[] = [COOLED, HOT, KILLED, BOX];
