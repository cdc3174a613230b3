// Every calculation by name, with its inputs, their units and ranges: what `rondeau measure --list` prints and what a panel is made from.
import { CalculationError } from "../measures/calculation-error";
import { HEAT } from "./heat";
import { KITCHEN } from "./kitchen";

export interface MeasureInput {
  readonly name: string;
  readonly required: boolean;
  readonly unit?: string;
  readonly low?: number;
  readonly high?: number;
  readonly choices?: readonly string[];
  readonly default?: string | number;
  /** What it is where it is neither a number nor a choice. */
  readonly kind?: string;
}
export interface Measure {
  readonly name: string;
  readonly subject: string;
  readonly says: string;
  readonly inputs: readonly MeasureInput[];
  /** Takes one object and answers with one. @throws {CalculationError} */
  readonly run: (input: never) => object;
}

/** Codes past which nothing is computed, with no way round them. */
export const HARD_STOPS: readonly string[] = [
  "E_NITRITE_LIMIT",
  "E_CURE_TYPE",
  "E_SALT_TOO_LOW",
  "E_TOO_WARM",
  "E_TOO_COLD",
  "E_FRIDGE_WARM",
  "E_WEIGH_ONLY",
];

function readInput(line: string): MeasureInput {
  const [head = "", given] = line.split(" = ");
  const [label = "", ...words] = head.trim().split(" ");
  const required = !label.endsWith("?");
  const name = label.replace(/\?$/, "");
  const rest = words.join(" ");
  const fallback = given === undefined ? {} : { default: Number.isNaN(Number(given)) ? given.trim() : Number(given) };
  const range = /^(\S+)\.\.(\S+)(?: (.+))?$/.exec(rest);
  if (range) {
    const unit = range[3] === undefined ? {} : { unit: range[3] };
    return { name, required, low: Number(range[1]), high: Number(range[2]), ...unit, ...fallback };
  }
  if (rest.includes("|")) return { name, required, choices: rest.split("|"), ...fallback };
  return { name, required, kind: rest, ...fallback };
}

export const MEASURES: Readonly<Record<string, Measure>> = Object.fromEntries(
  Object.entries({ ...KITCHEN, ...HEAT }).flatMap(([subject, rows]) =>
    Object.entries(rows).map(([name, [run, says, inputs]]) => [
      name,
      { name, subject, says, inputs: inputs.split("; ").map(readInput), run },
    ]),
  ),
);

/**
 * A calculation by its name, for input that comes from outside.
 * @returns what the function returns; keys that it does not know are named in `ignored`
 * @throws {CalculationError} E_UNKNOWN for a name or an input that is none, else as the function says
 */
export function measure(name: string, input: unknown): { readonly result: object; readonly ignored: readonly string[] } {
  const found = Object.hasOwn(MEASURES, name) ? MEASURES[name] : undefined;
  if (!found)
    throw new CalculationError("", "E_UNKNOWN", `There is no calculation “${name.slice(0, 60)}”. rondeau measure --list names them all.`);
  if (typeof input !== "object" || input === null || Array.isArray(input))
    throw new CalculationError("", "E_NOT_FINITE", `${name}: give its inputs as an object, such as {"${found.inputs[0]?.name}": …}.`);
  const known = new Set(found.inputs.map((i) => i.name));
  const given = Object.entries(input);
  const own = Object.fromEntries(given.filter(([key]) => known.has(key)));
  return { result: found.run(own as never), ignored: given.map(([key]) => key).filter((key) => !known.has(key)) };
}
