// A question that an experienced cook would ask of a breakdown, and the answers that can be given in place.
import type { DishFile } from "../schema";

/** An answer that is chosen: pressing it makes the change. */
export interface Answer {
  readonly label: string;
  readonly apply: (document: DishFile) => DishFile;
}

/** An answer that is typed. */
export interface Typed {
  readonly prompt: string;
  readonly example: string;
  /** @throws EditRefused where the text is no answer */
  readonly apply: (document: DishFile, text: string) => DishFile;
}

export interface Question {
  /** Stable while what it is about stays: a dismissal is kept by it. */
  readonly id: string;
  /** The component it is about; undefined for the whole dish. */
  readonly component: string | undefined;
  /** "component.step" or "component.output", where there is one. */
  readonly about: string | undefined;
  readonly text: string;
  /** What hangs on it, in a sentence. */
  readonly why: string;
  /** 0 to 100: what can hurt or cost a day first. */
  readonly weight: number;
  readonly answers: readonly Answer[];
  readonly typed?: Typed;
}
