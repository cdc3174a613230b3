// rondeau measure --list | rondeau measure NAME '{…}': the kitchen's arithmetic on the command line.
// Exit 2 where the input is bad, 4 where a hard stop forbids an answer; both say which field and why.

import { HARD_STOPS, MEASURES, measure } from "../core/catalogue";
import { CalculationError } from "../core/measures/calculation-error";
import { BadInput, bad, type Tell } from "./input";

const LARGEST = 100_000;

export function measureCommand(args: readonly string[], tell: Tell): { readonly data: unknown; readonly exit: number } {
  if (args[0] === "--list") return { data: Object.values(MEASURES).map(({ run: _, ...told }) => told), exit: 0 };
  const [name, text] = args;
  if (name === undefined || text === undefined || args.length > 2)
    throw bad("", `Give a name and its inputs: rondeau measure drySalt '{"meatG": 1800, "saltPct": 2.5}', or --list.`);
  try {
    const { result, ignored } = measure(name, parsed(text));
    for (const key of ignored) tell(`${name} has no input "${key.slice(0, 60)}"; it was left out.`);
    return { data: writable(result), exit: 0 };
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    tell(`${error.message}`);
    return { data: { error: error.code, field: error.field, message: error.message }, exit: HARD_STOPS.includes(error.code) ? 4 : 2 };
  }
}

/** JSON has no word for never: it is written "Infinity". */
function writable(value: unknown): unknown {
  if (value === Number.POSITIVE_INFINITY) return "Infinity";
  if (Array.isArray(value)) return value.map(writable);
  if (typeof value === "object" && value !== null) return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, writable(v)]));
  return value;
}

function parsed(text: string): unknown {
  if (text.length > LARGEST)
    throw new BadInput([{ path: "", message: `The inputs are longer than ${LARGEST} characters.`, severity: "error" }]);
  try {
    return JSON.parse(text);
  } catch {
    throw new CalculationError("", "E_PARSE", `The inputs are not JSON. Write them such as {"meatG": 1800, "saltPct": 2.5}.`);
  }
}
