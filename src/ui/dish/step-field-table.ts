// The fields of a step, in groups, with what each is good for.
import type { Field } from "./fields";

const LIMIT_FIELD: Field = {
  key: "limit",
  label: "Reason",
  kind: {
    choice: [
      ["quality", "quality"],
      ["safety", "safety"],
    ],
  },
  why: "safety limits are never stretched",
};

export const TIME_FIELDS: readonly Field[] = [
  { key: "time", label: "Time", kind: "length", why: "whole length; a range if you are not sure" },
  { key: "stretch", label: "Can run longer by", kind: "duration", why: "without harm; gives the plan room" },
  { key: "grows", label: "Time scaling", kind: "number", why: "0 stays, 1 doubles for twice the amount" },
  {
    key: "attention",
    label: "Attention",
    kind: {
      choice: [
        ["hands", "hands on"],
        ["nearby", "nearby"],
        ["unattended", "unattended"],
      ],
    },
    why: "decides what can happen at the same time",
  },
  { key: "handsStart", label: "Hands-on at the start", kind: "duration", why: "within the time" },
  { key: "handsEnd", label: "Hands-on at the end", kind: "duration", why: "within the time" },
  { key: "batches", label: "Batches", kind: "number", why: "if it does not fit at once" },
  { key: "sleepOk", label: "While everyone sleeps", kind: "yes-no", why: "not for heat, unless you allow it" },
  { key: "awayOk", label: "While nobody is home", kind: "yes-no", why: "not for heat, unless you allow it" },
  { key: "boils", label: "Comes to a full boil", kind: "yes", why: "makes raw food safe" },
  { key: "tags", label: "Noisy, smells, flame", kind: "words", why: "kept out of quiet hours" },
  { key: "note", label: "Note", kind: "text", why: "for the cook" },
];

export const DONE_FIELDS: readonly Field[] = [
  { key: "cue", label: "Done when", kind: "text", why: "what you see, smell, feel" },
  { key: "probeC", label: "Core temperature", kind: "heat", why: "when to take it out" },
  { key: "restToC", label: "Rises to", kind: "heat", why: "while it rests" },
  { key: "checkFrom", label: "First look", kind: "duration", why: "earliest it can be done" },
  { key: "checkEvery", label: "then every", kind: "duration", why: "how often" },
];

export const ROUND_FIELDS: readonly Field[] = [
  { key: "what", label: "What", kind: "text", why: "skim, turn, baste" },
  { key: "every", label: "Every", kind: "length", why: "how often" },
  { key: "takes", label: "Takes", kind: "duration", why: "hands-on time" },
  { key: "first", label: "First after", kind: "duration", why: "else after one interval" },
  { key: "until", label: "Last by", kind: "duration", why: "no rounds after this" },
  { key: "fromEnd", label: "Counted from the end", kind: "yes", why: "glazing in the last hour" },
  { key: "when", label: "Called by", kind: "text", why: "a state instead of the clock" },
];

export const fieldsOfUse = (kinds: readonly string[], steps: readonly (readonly [string, string])[]): readonly Field[] => [
  {
    key: "what",
    label: "What",
    kind: { choice: kinds.map((k) => [k, k.replaceAll("-", " ")] as const) },
    why: "reserved for this step",
  },
  { key: "litres", label: "Litres", kind: "number", why: "size needed, or room it takes" },
  { key: "tempC", label: "At", kind: "heat", why: "one setting at a time" },
  { key: "toleranceC", label: "Give or take, °C", kind: "number", why: "lets two things share the oven" },
  { key: "racks", label: "Racks", kind: "number", why: "does not scale with the guests" },
  { key: "count", label: "How many", kind: "number", why: "does not scale with the guests" },
  { key: "pieces", label: "Pieces", kind: "number", why: "where room is counted" },
  { key: "until", label: "Kept until", kind: { choice: steps }, why: "waits included" },
  { key: "part", label: "Only by hand", kind: { choice: [["hands", "only while hands work"]] }, why: "a mixer between folds" },
];

export const fieldsOfTake = (outputs: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "from", label: "Of", kind: { choice: outputs }, why: "starts once it is made" },
  { key: "during", label: "Drawn after", kind: "duration", why: "before it is all done" },
  { key: "each", label: "Batch by batch", kind: "yes", why: "the first while the second cooks" },
];

export const fieldsOfLink = (steps: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "step", label: "After", kind: { choice: steps }, why: "must be finished first" },
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
  { key: "min", label: "At least", kind: "duration", why: "a wait that is needed" },
  { key: "best", label: "Best", kind: "pair", why: "what the plan tries for" },
  { key: "max", label: "At most", kind: "duration", why: "longest wait" },
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
  { key: "cook", label: "Only by", kind: { choice: cooks }, why: "otherwise anyone" },
  { key: "piece", label: "Pause after", kind: "duration", why: "and continue later" },
  { key: "within", label: "While this runs", kind: { choice: steps }, why: "steaming over a stock" },
  { key: "danger", label: "Cautions", kind: "words", why: "told on the step" },
];
