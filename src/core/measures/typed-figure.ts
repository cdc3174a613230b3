// A figure as a cook types it into a field that has a unit of its own: "6", "6 L", "10 in", "200F".
import { CalculationError, checked } from "./calculation-error";
import { parseAmount } from "./parse-amount";

/** What a field is in, and what a typed amount of that kind is divided by to get there. */
const FIELDS = {
  L: { kind: "volume", per: 1000 },
  cm: { kind: "length", per: 10 },
  C: { kind: "temp", per: 1 },
} as const;

/**
 * The figure in the unit of its field; a bare number is in that unit already.
 * @param text as typed
 * @param unit L, cm or C
 * @throws {CalculationError} E_PARSE, E_UNIT, E_RANGE with a sentence for the cook
 * @example typedFigure("pot", "10 in", "cm", 5, 60) // 25.4
 */
export function typedFigure(name: string, text: string, unit: keyof typeof FIELDS, low: number, high: number): number {
  const bare = text.trim().replace(",", ".");
  if (/^-?\d+(\.\d+)?$/.test(bare)) return checked(name, Number(bare), low, high, unit === "C" ? "°C" : unit);
  const amount = understood(name, text, unit);
  const field = FIELDS[unit];
  if (amount.kind !== field.kind)
    throw new CalculationError(
      name,
      "E_UNIT",
      `${name}: “${text.trim().slice(0, 30)}” is no ${field.kind === "temp" ? "temperature" : field.kind}.`,
    );
  return checked(name, amount.value / field.per, low, high, unit === "C" ? "°C" : unit);
}

function understood(name: string, text: string, unit: keyof typeof FIELDS) {
  try {
    return parseAmount({ text, ...(unit === "C" ? { hint: "temperature" as const } : {}) });
  } catch (error) {
    // What the parser says is of its own input; the cook wants to know which field and what to write.
    if (!(error instanceof CalculationError)) throw error;
    const given = text.trim() === "" ? "it is empty" : `“${text.trim().slice(0, 30)}” is not understood`;
    throw new CalculationError(name, error.code, `${name}: ${given}. Write a number, or one with its unit.`);
  }
}
