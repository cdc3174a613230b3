// A panel of the Bench as data: its fields, and one function from their values to sentences, figures, a curve and what can be written into a dish.
// Every calculation a panel makes goes through `call`, so that each figure can say what it was calculated with.

import { MEASURES } from "../catalogue";
import { CalculationError } from "../measures/calculation-error";
import { type Quantity, readFigure, said, typedAs, type Units, type Usual } from "./quantity";

export interface FigureField {
  readonly key: string;
  readonly label: string;
  readonly of: Quantity;
  readonly usual?: Usual;
  readonly start: number;
  readonly low: number;
  readonly high: number;
  readonly hint?: string;
}
export interface ChoiceField {
  readonly key: string;
  readonly label: string;
  readonly of: "choice";
  readonly start: string;
  readonly choices: readonly (readonly [key: string, label: string])[];
  readonly hint?: string;
}
interface YesField {
  readonly key: string;
  readonly label: string;
  readonly of: "yes";
  readonly start: boolean;
  readonly hint?: string;
}
/** Pairs of a time and a reading, one a line or separated by semicolons: "2 d 4.6; 3 d 4.2". */
interface ReadingsField {
  readonly key: string;
  readonly label: string;
  readonly of: "readings";
  readonly start: readonly Reading[];
  readonly reading: Quantity;
  readonly usual: Usual;
  readonly hint?: string;
}
export type Field = (FigureField | ChoiceField | YesField | ReadingsField) & {
  /** Whether the field matters for these values; one that does not is not shown and not read. */
  readonly when?: (values: Values) => boolean;
};
export type Reading = readonly [minutes: number, value: number];
type Value = number | string | boolean | readonly Reading[];
export type Values = Readonly<Record<string, Value>>;

export interface Figure {
  readonly key: string;
  readonly label: string;
  readonly value: number;
  readonly of: Quantity;
  /** The band it lies in. */
  readonly low?: number;
  readonly high?: number;
  /** A sum of what was typed, not an estimate: it is not rounded. */
  readonly exact?: boolean;
  /** Which school, where they differ. */
  readonly school?: string;
}
export interface Line {
  readonly name: string;
  readonly points: readonly (readonly [x: number, y: number])[];
  /** Low and high at the same x. */
  readonly band?: readonly (readonly [x: number, low: number, high: number])[];
  readonly look: "copper" | "leaf" | "beet" | "rim" | "quiet";
  readonly dash?: boolean;
  /** Readings: dots, not a line. */
  readonly dots?: boolean;
}
export interface Curve {
  readonly title: string;
  readonly x: { readonly label: string; readonly of: Quantity };
  readonly y: { readonly label: string; readonly of: Quantity; readonly from?: number; readonly to?: number };
  readonly lines: readonly Line[];
  readonly marks?: readonly { readonly on: "x" | "y"; readonly at: number; readonly label: string }[];
}
export interface Table {
  readonly caption: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}
/** What the result would change in a dish. Amounts are those of the panel, at the number of guests. */
export type Write =
  | { readonly kind: "ingredient"; readonly name: string; readonly find: string; readonly grams?: number; readonly mL?: number }
  | {
      readonly kind: "time";
      readonly label: string;
      readonly find: string;
      readonly low?: number;
      readonly minutes: number;
      readonly high?: number;
    }
  | { readonly kind: "probe"; readonly label: string; readonly find: string; readonly pullC: number; readonly restToC?: number }
  | {
      readonly kind: "hold";
      readonly label: string;
      readonly place: "fridge" | "counter" | "freezer";
      readonly min?: number;
      readonly max?: number;
      readonly safety?: boolean;
    };

export interface Note {
  readonly text: string;
  /** A caution stands out and names its source. */
  readonly caution?: boolean;
}
export interface Calculated {
  readonly headline: string;
  readonly figures: readonly Figure[];
  readonly curve?: Curve;
  readonly table?: Table;
  readonly notes?: readonly Note[];
  readonly writes?: readonly Write[];
}
export type Call = <I, O extends object>(calculation: (input: I) => O, input: I) => O;
export interface Scene {
  readonly call: Call;
  /** Names a calculation whose result came with another one, without making it again. */
  readonly record: (calculation: unknown, input: object) => void;
  readonly say: (value: number, of: Quantity) => string;
  /** As `say`, without the rounding of an estimate. */
  readonly exactly: (value: number, of: Quantity) => string;
}
export interface Panel {
  readonly id: string;
  readonly subject: string;
  readonly title: string;
  readonly does: string;
  readonly fields: readonly Field[];
  /** Takes more than a frame to calculate: done in a worker. */
  readonly heavy?: boolean;
  readonly calculate: (values: Values, scene: Scene) => Calculated;
}

/** One calculation as it was made: enough to make it again by hand or on the command line. */
export interface Made {
  readonly name: string;
  readonly input: Readonly<Record<string, unknown>>;
}
export type Answer =
  | { readonly ok: true; readonly result: Calculated; readonly made: readonly Made[] }
  | { readonly ok: false; readonly code: string; readonly field: string; readonly message: string };

const NAME_OF: ReadonlyMap<unknown, string> = new Map(Object.values(MEASURES).map((m) => [m.run as unknown, m.name]));

/** The texts of a panel's fields as it opens. */
export function startOf(panel: Panel, units: Units): Record<string, string> {
  return Object.fromEntries(panel.fields.map((f) => [f.key, startText(f, units)]));
}
export function startText(f: Field, units: Units): string {
  if (f.of === "choice") return f.start;
  if (f.of === "readings") return f.start.map(([m, y]) => `${typedAs(m, "time", units)} ${typedAs(y, f.reading, units)}`).join("; ");
  if (f.of === "yes") return f.start ? "yes" : "no";
  return typedAs(f.start, f.of, units);
}

/**
 * What was typed, as values; fields that do not matter are left at their start.
 * @throws {CalculationError} naming the field
 */
export function readValues(panel: Panel, typed: Readonly<Record<string, string>>, units: Units): Values {
  const values: Record<string, Value> = {};
  for (const f of panel.fields) values[f.key] = f.start;
  // Choices first: whether a figure matters hangs on them.
  for (const f of panel.fields) {
    const text = Object.hasOwn(typed, f.key) ? (typed[f.key] as string) : undefined;
    if (text === undefined) continue;
    if (f.of === "yes") values[f.key] = text === "yes";
    if (f.of !== "choice") continue;
    if (!f.choices.some(([key]) => key === text)) throw new CalculationError(f.key, "E_UNKNOWN", `${f.label}: choose one of the list.`);
    values[f.key] = text;
  }
  for (const f of panel.fields) {
    const text = Object.hasOwn(typed, f.key) ? (typed[f.key] as string) : undefined;
    if (text === undefined || f.of === "yes" || f.of === "choice" || (f.when && !f.when(values))) continue;
    values[f.key] = f.of === "readings" ? readingsOf(f, text, units) : readFigure(f, text, units);
  }
  return values;
}

function readingsOf(f: ReadingsField, text: string, units: Units): Reading[] {
  const list = text
    .split(/[;\n]/)
    .map((t) => t.trim())
    .filter((t) => t !== "")
    .slice(0, 200)
    .map((t): Reading => {
      const cut = /^(.*?\S)(?:\s*[:,]\s+|\s+)(?:pH\s*)?([-−]?\d+(?:[.,]\d+)?\s*°?[CF]?)$/i.exec(t);
      if (!cut)
        throw new CalculationError(
          f.key,
          "E_PARSE",
          `${f.label}: “${t.slice(0, 30)}” is not understood. Write a time and a value, such as “${f.hint ?? "2 d 4.6"}”.`,
        );
      const at = readFigure({ key: f.key, label: f.label, of: "time", usual: f.usual, low: 0, high: 400 * 1440 }, cut[1] as string, units);
      return [at, readFigure({ key: f.key, label: f.label, of: f.reading, low: -60, high: 400 }, cut[2] as string, units)];
    });
  return list.sort((a, b) => a[0] - b[0]);
}

/** The panel's answer to values. Bad values and hard stops come back as what is wrong, never as a figure. */
export function answerOf(panel: Panel, values: Values, units: Units): Answer {
  const made: Made[] = [];
  const record: Scene["record"] = (calculation, input) => {
    const name = NAME_OF.get(calculation);
    if (name === undefined) throw new Error("a panel may only call what the catalogue has");
    if (!made.some((m) => m.name === name && JSON.stringify(m.input) === JSON.stringify(input)))
      made.push({ name, input: input as Made["input"] });
  };
  const call: Call = (calculation, input) => {
    record(calculation, input as object);
    return calculation(input);
  };
  try {
    return {
      ok: true,
      result: panel.calculate(values, {
        call,
        record,
        say: (value, of) => said(value, of, units),
        exactly: (value, of) => typedAs(value, of, units),
      }),
      made,
    };
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    // A calculation begins with the name of its own input, which the cook does not know.
    const own = error.message.startsWith(`${error.field}: `) ? error.message.slice(error.field.length + 2) : error.message;
    return { ok: false, code: error.code, field: error.field, message: own.replace(/^\p{Ll}/u, (c) => c.toUpperCase()) };
  }
}

/** Fields that matter for what is typed, where a choice that is none of the list counts as the panel's own: an address may hold anything. */
export function visibleFields(panel: Panel, typed: Readonly<Record<string, string>>, units: Units): readonly Field[] {
  const values: Record<string, Value> = Object.fromEntries(panel.fields.map((f) => [f.key, f.start]));
  for (const f of panel.fields) {
    try {
      values[f.key] = readValues({ ...panel, fields: [{ ...f, when: () => true }] }, typed, units)[f.key] as Value;
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
    }
  }
  return panel.fields.filter((f) => !f.when || f.when(values));
}

// Values are made from the fields, so that a key has the kind of its field; these say which is meant.
export const num = (v: Values, key: string) => v[key] as number;
export const str = <T extends string>(v: Values, key: string) => v[key] as T;
export const yes = (v: Values, key: string) => v[key] === true;
export const readings = (v: Values, key: string) => v[key] as readonly Reading[];
