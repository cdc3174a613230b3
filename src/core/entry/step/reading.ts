// What a line of typing says of a step, field by field, and which of its words say it.
import type { Amount } from "../../dish/schema-values";
import type { SaidLength } from "../durations";
import type { EquipmentUse } from "../equipment-words";
import type { Level } from "../lexicon/lexicon";
import type { Attention, Place } from "../lexicon/senses";

export type Field =
  | "name"
  | "minutes"
  | "heat"
  | "place"
  | "equipment"
  | "rounds"
  | "batches"
  | "cue"
  | "probeC"
  | "attention"
  | "makes"
  | "keeps"
  | "takes";
export type As = Field | "join" | "note";

/** Words of the line, `[from, to)`, and what they became. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly as: As;
}

export interface Heat {
  /** A kind of the kitchen; null where nothing says what gives the heat. */
  readonly by: string | null;
  readonly tempC: number | null;
  readonly level: Level | null;
  readonly mode: "fan" | "still" | "grill" | null;
}

export interface Thing {
  readonly what: string;
  readonly count: number;
  readonly litres: number | null;
  readonly pieces: number | null;
}

export interface Round {
  /** Minutes. */
  readonly every: number;
  readonly what: string;
  /** Minutes of each. */
  readonly takes: number | null;
  readonly first?: number;
  readonly until?: number;
  /** The rhythm as a range, where one was written. */
  readonly spread?: SaidLength;
}

export interface Keep {
  readonly place: Place | null;
  /** Minutes. */
  readonly min: number | null;
  readonly max: number | null;
  readonly best?: readonly [number, number];
  readonly litres?: number;
  readonly limit?: "safety" | "quality";
}

export interface Made {
  readonly name: string;
  readonly amount: Amount | null;
  readonly raw?: boolean;
}

export interface Taken {
  readonly name: string;
  readonly amount: Amount | null;
  /** The output it names, where the dish has one of that name. */
  readonly from?: string;
}

export interface Doubt {
  readonly field: Field;
  readonly why: string;
  readonly choices?: readonly string[];
}

/** What only the editor's own lines say: links, parts that may be put down, leave to run at night. */
export interface PlanWords {
  after: { step: string; name?: string; min?: number; max?: number; place?: Place; litres?: number }[];
  handsStart?: number;
  handsEnd?: number;
  split?: number;
  sleepOk?: boolean;
  awayOk?: boolean;
  boils?: boolean;
  tags: string[];
  restToC?: number;
  checkFrom?: number;
  checkEvery?: number;
  /** Things with more to them than a kind and a number: an oven of its own heat, a mixer kept until a step is done. */
  uses: EquipmentUse[];
}

export interface StepReading {
  readonly line: string;
  readonly name: string;
  readonly minutes: SaidLength;
  readonly heat: Heat | null;
  readonly place: Place | null;
  readonly equipment: readonly Thing[];
  readonly rounds: readonly Round[];
  readonly batches: number | null;
  readonly cue: string | null;
  readonly probeC: number | null;
  readonly attention: Attention;
  /** The verb that attention was concluded from, as written in small letters. */
  readonly verb: string | null;
  readonly makes: readonly Made[];
  readonly keeps: readonly Keep[];
  readonly takes: readonly Taken[];
  readonly words: readonly Piece[];
  readonly doubts: readonly Doubt[];
  readonly plan: PlanWords;
  /** Room taken in its place, litres, where it was said. */
  readonly litres: number | undefined;
  /** Whether the line itself says so, or a verb or nothing does. */
  readonly said: { readonly minutes: boolean; readonly attention: boolean; readonly heat: boolean; readonly place: boolean };
}
