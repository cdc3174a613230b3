// The fields of a step, in groups, with what each is good for.
import type { Field } from "./fields";

const LIMIT_FIELD: Field = {
  key: "limit",
  label: "Because of",
  kind: {
    choice: [
      ["quality", "quality"],
      ["safety", "safety"],
    ],
  },
  why: "safety is never stretched",
};

export const TIME_FIELDS: readonly Field[] = [
  { key: "time", label: "Time", kind: "length", why: "the whole of it; two lengths where it is not sure" },
  { key: "stretch", label: "May run on for", kind: "duration", why: "with no harm: room for the plan" },
  { key: "grows", label: "Longer with more", kind: "number", why: "0 stays, 1 doubles with twice as much" },
  {
    key: "attention",
    label: "Who is needed",
    kind: {
      choice: [
        ["hands", "hands throughout"],
        ["nearby", "somebody near"],
        ["unattended", "nobody"],
      ],
    },
    why: "decides what else can go on",
  },
  { key: "handsStart", label: "By hand at the start", kind: "duration", why: "inside the time" },
  { key: "handsEnd", label: "By hand at the end", kind: "duration", why: "inside the time" },
  { key: "batches", label: "Rounds of it", kind: "number", why: "what does not fit at once" },
  { key: "sleepOk", label: "While all sleep", kind: "yes-no", why: "heat is not, unless you say so" },
  { key: "awayOk", label: "While nobody is home", kind: "yes-no", why: "heat is not, unless you say so" },
  { key: "boils", label: "Comes to a full boil", kind: "yes", why: "makes what was raw safe" },
  { key: "tags", label: "Noisy, smells, flame", kind: "words", why: "kept out of quiet hours" },
  { key: "note", label: "Note", kind: "text", why: "for whoever does it" },
];

export const DONE_FIELDS: readonly Field[] = [
  { key: "cue", label: "Done when", kind: "text", why: "what you see, smell, feel" },
  { key: "probeC", label: "In the middle", kind: "heat", why: "where it is pulled" },
  { key: "restToC", label: "Climbs to", kind: "heat", why: "while it rests" },
  { key: "checkFrom", label: "Look from", kind: "duration", why: "before it can be done" },
  { key: "checkEvery", label: "then every", kind: "duration", why: "how often" },
];

export const ROUND_FIELDS: readonly Field[] = [
  { key: "what", label: "What", kind: "text", why: "skim, turn, baste" },
  { key: "every", label: "Every", kind: "length", why: "its rhythm" },
  { key: "takes", label: "Takes", kind: "duration", why: "hands for so long" },
  { key: "first", label: "First after", kind: "duration", why: "else after one interval" },
  { key: "until", label: "Last by", kind: "duration", why: "left in peace afterwards" },
  { key: "fromEnd", label: "Counted from the end", kind: "yes", why: "glazing in the last hour" },
  { key: "when", label: "Called by", kind: "text", why: "a state instead of the clock" },
];

export const fieldsOfUse = (kinds: readonly string[], steps: readonly (readonly [string, string])[]): readonly Field[] => [
  {
    key: "what",
    label: "What",
    kind: { choice: kinds.map((k) => [k, k.replaceAll("-", " ")] as const) },
    why: "nobody else has it meanwhile",
  },
  { key: "litres", label: "Litres", kind: "number", why: "how big it must be, or room it takes" },
  { key: "tempC", label: "At", kind: "heat", why: "one setting at a time" },
  { key: "toleranceC", label: "Give or take, °C", kind: "number", why: "lets two things share the oven" },
  { key: "racks", label: "Racks", kind: "number", why: "do not grow with the guests" },
  { key: "count", label: "How many", kind: "number", why: "do not grow with the guests" },
  { key: "pieces", label: "Pieces", kind: "number", why: "where room is counted" },
  { key: "until", label: "Kept until", kind: { choice: steps }, why: "waits included" },
  { key: "part", label: "Only by hand", kind: { choice: [["hands", "only while hands work"]] }, why: "a mixer between folds" },
];

export const fieldsOfTake = (outputs: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "from", label: "Of", kind: { choice: outputs }, why: "begins once it is made" },
  { key: "during", label: "Drawn after", kind: "duration", why: "before it is all done" },
  { key: "each", label: "Batch by batch", kind: "yes", why: "the first while the second cooks" },
];

export const fieldsOfLink = (steps: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "step", label: "After", kind: { choice: steps }, why: "what has to be over first" },
  {
    key: "from",
    label: "Counted from its",
    kind: {
      choice: [
        ["end", "end"],
        ["start", "start"],
      ],
    },
    why: "a rise counts from its start",
  },
  { key: "min", label: "At least", kind: "duration", why: "a wait that does its work" },
  { key: "best", label: "Best", kind: "pair", why: "what the plan tries for" },
  { key: "max", label: "At most", kind: "duration", why: "how long it may stand" },
  LIMIT_FIELD,
  {
    key: "place",
    label: "Where",
    kind: {
      choice: [
        ["counter", "counter"],
        ["fridge", "fridge"],
        ["freezer", "freezer"],
        ["cellar", "cellar"],
        ["hot", "kept hot"],
      ],
    },
    why: "room there is counted",
  },
  { key: "litres", label: "Litres", kind: "number", why: "room it takes there" },
];

/** What hangs on the kitchen and on the rest of the dish. */
export const bondFields = (
  cooks: readonly (readonly [string, string])[],
  steps: readonly (readonly [string, string])[],
): readonly Field[] => [
  { key: "cook", label: "Only by", kind: { choice: cooks }, why: "anybody otherwise" },
  { key: "piece", label: "Put down after", kind: "duration", why: "and taken up again later" },
  { key: "within", label: "While this runs", kind: { choice: steps }, why: "steaming over a stock" },
  { key: "danger", label: "Cautions", kind: "words", why: "told on the step" },
];
