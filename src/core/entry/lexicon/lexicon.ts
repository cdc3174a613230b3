// What one language says of times, heats, places and things. Patterns are written for folded text: lower case, without accents (see
// fold.ts), and match whole words only.
import type { Place, SenseName } from "./senses";

export const LANGUAGES = ["en", "de", "fr", "it", "es"] as const;
export type Language = (typeof LANGUAGES)[number];
export type Level = "low" | "medium-low" | "medium" | "medium-high" | "high" | "cool" | "moderate" | "hot";
/** A pattern of words and what it means. */
export type Said<T> = readonly (readonly [pattern: string, means: T])[];

export interface Lexicon {
  readonly language: Language;
  /** Words that are common in it and in none of the others. */
  readonly telling: string;
  readonly numbers: Readonly<Record<string, number>>;
  /** "a few": no figure, and taken as so many. */
  readonly few: Said<number>;
  readonly units: Said<number>;
  readonly night: string;
  /** Stretches that are said in one go, minutes: "half an hour". */
  readonly stretches: Said<number>;
  /** Behind a unit, the part of one more: "and a half". */
  readonly parts: Said<number>;
  /** Before a unit, the part of one more: "two and a half hours". */
  readonly numberParts: Said<number>;
  readonly range: string;
  readonly either: string;
  readonly and: string;
  readonly between: string;
  readonly about: string;
  readonly atLeast: string;
  readonly upTo: string;
  readonly orMore: string;
  readonly atMostBehind: string;
  readonly ideally: string;
  /** Before a length: "for", "another". */
  readonly lead: string;
  readonly eachSide: string;
  readonly every: string;
  readonly rhythms: Said<number>;
  /** "twice", "three times": how often in the unit that follows. */
  readonly times: Said<number>;
  readonly per: string;
  readonly alternate: string;
  readonly until: string;
  readonly when: string;
  /** Cues that say nothing of the food. */
  readonly noCue: string;
  readonly inside: string;
  readonly places: Said<Place>;
  /** Names of places in a line of how long something keeps. */
  readonly bare: Said<Place>;
  readonly heatLead: string;
  readonly heatKinds: Said<{ readonly by: string; readonly mode?: "grill" }>;
  readonly modes: Said<"fan" | "still" | "grill">;
  readonly levels: Said<Level>;
  readonly ovenLevels: Said<Level>;
  readonly degrees: string;
  readonly gas: string;
  readonly things: Said<string>;
  readonly thingLead: string;
  readonly articles: string;
  readonly keeps: string;
  readonly ahead: string;
  readonly makes: string;
  readonly takes: string;
  readonly before: string;
  readonly batches: string;
  readonly attention: Said<"hands" | "nearby" | "unattended">;
  readonly verbs: Said<SenseName>;
  /** Around a level of heat: "over a … heat". */
  readonly levelBefore: string;
  readonly levelBehind: string;
  /** Behind a length: "ahead", "in advance". */
  readonly advance: string;
  /** Behind a length that is that of one batch. */
  readonly perBatch: string;
  /** Small words that mean nothing where what they belonged to was taken. */
  readonly hanging: string;
}
