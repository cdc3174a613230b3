/**
 * Input that a calculation cannot take, or a point past which it must not compute.
 * `code` is one of the codes listed with the function; those in HARD_STOPS have no way round them.
 */
export class CalculationError extends Error {
  constructor(
    /** The field of the input, so that a form can mark it; "" for the whole. */
    readonly field: string,
    readonly code: string,
    message: string,
  ) {
    super(message);
    this.name = "CalculationError";
  }
}

/** A number that must be given and lie in a range. @throws {CalculationError} E_NOT_FINITE, E_RANGE */
export function checked(name: string, value: unknown, low: number, high: number, unit = ""): number {
  if (typeof value !== "number" || !Number.isFinite(value))
    throw new CalculationError(name, "E_NOT_FINITE", `${name}: give a number${unit ? ` in ${unit}` : ""}.`);
  if (!(value >= low && value <= high))
    throw new CalculationError(name, "E_RANGE", `${name}: ${value}${unit ? ` ${unit}` : ""} is out of range. Give ${low} to ${high}.`);
  return value;
}

/** A row of a table by its key. @throws {CalculationError} E_UNKNOWN */
export function row<T>(name: string, table: Readonly<Record<string, T>>, key: unknown): T {
  if (typeof key === "string" && Object.hasOwn(table, key)) return table[key] as T;
  throw new CalculationError(
    name,
    "E_UNKNOWN",
    `${name}: “${String(key).slice(0, 60)}” is not known. Known: ${Object.keys(table).slice(0, 12).join(", ")} …`,
  );
}

/** A result with what has to be said along with it; without the key where there is nothing to say. */
export function withWarnings<T extends object>(
  result: T,
  said: Readonly<Record<string, boolean>>,
): T & { readonly warnings?: readonly string[] } {
  const warnings = Object.keys(said).filter((code) => said[code]);
  return warnings.length ? { ...result, warnings } : result;
}
