// What a step's own verb tells of its heat.
import { languageOf, lexiconOf } from "./lexicon";
import { Scan } from "./step/scan";
import { verbsOf } from "./step/verbs";
import { NO_CONTEXT } from "./step-draft";

const heatOf = (name: string): string | undefined =>
  verbsOf(new Scan(name, lexiconOf(languageOf(name)), NO_CONTEXT)).find((v) => !v.sense.weak)?.sense.by;

/** Whether a step's word means a flame under a pot or pan. */
export const isOnBurner = (name: string): boolean => ["burner", "fryer", "steamer"].includes(heatOf(name) ?? "");

/** Whether a step's word means the oven. */
export const isInOven = (name: string): boolean => heatOf(name) === "oven";
