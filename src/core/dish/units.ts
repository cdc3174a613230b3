// Amounts: the dimension of a unit and its size in grams, millilitres or pieces.
// Volumes are US customary where they bear those names (NIST Handbook 44, appendix C); masses are avoirdupois.

import { plural } from "../plurals";
import type { Amount } from "./schema-values";

type Dimension = "mass" | "volume" | "count";

const UNITS: Readonly<Record<string, { readonly dimension: Dimension; readonly size: number }>> = {
  g: { dimension: "mass", size: 1 },
  kg: { dimension: "mass", size: 1000 },
  oz: { dimension: "mass", size: 28.349523125 },
  lb: { dimension: "mass", size: 453.59237 },
  mL: { dimension: "volume", size: 1 },
  L: { dimension: "volume", size: 1000 },
  tsp: { dimension: "volume", size: 4.92892159375 },
  tbsp: { dimension: "volume", size: 14.78676478125 },
  cup: { dimension: "volume", size: 236.5882365 },
  floz: { dimension: "volume", size: 29.5735295625 },
  pint: { dimension: "volume", size: 473.176473 },
  quart: { dimension: "volume", size: 946.352946 },
  gallon: { dimension: "volume", size: 3785.411784 },
};

export interface Quantity {
  readonly dimension: Dimension;
  /** Grams, millilitres or pieces. */
  readonly value: number;
  /** The word of a named piece ("clove"); undefined for mass and volume. */
  readonly piece?: string | undefined;
}

/** An amount in the one unit of its dimension. Any word that is no unit names a piece. */
export function quantityOf(amount: { readonly amount: number; readonly unit: string }): Quantity {
  const unit = Object.hasOwn(UNITS, amount.unit) ? UNITS[amount.unit] : undefined;
  if (unit) return { dimension: unit.dimension, value: amount.amount * unit.size };
  return { dimension: "count", value: amount.amount, piece: amount.unit };
}

/** The same amount in the unit of its dimension: grams, millilitres or its own pieces. */
export function amountOf({ dimension, value, piece }: Quantity): { readonly amount: number; readonly unit: string } {
  return { amount: value, unit: dimension === "mass" ? "g" : dimension === "volume" ? "mL" : (piece ?? "piece") };
}

/** Whether two quantities can be added: one dimension, and for pieces one word (or plain pieces). */
export function comparable(a: Quantity, b: Quantity): boolean {
  return a.dimension === b.dimension && (a.piece === b.piece || a.piece === "piece" || b.piece === "piece");
}

/** A quantity in a readable unit: "1.2 kg", "350 mL", "12 pieces". */
export function quantityText({ dimension, value, piece }: Quantity): string {
  const short = (n: number) => String(Number(n.toPrecision(3)));
  if (dimension === "mass") return value >= 1000 ? `${short(value / 1000)} kg` : `${short(value)} g`;
  if (dimension === "volume") return value >= 1000 ? `${short(value / 1000)} L` : `${short(value)} mL`;
  return piece === "piece" || piece === undefined ? short(value) : `${short(value)} ${value > 1 ? plural(piece) : piece}`;
}

/** What something with an amount comes to for so many times the file: an output, or a lot of one. What is fixed stays. */
export function scaledOutput(
  owner: { readonly amount?: Amount | undefined; readonly fixed?: boolean | undefined },
  k: number,
): Quantity | undefined {
  if (!owner.amount) return undefined;
  const quantity = quantityOf(owner.amount);
  return owner.fixed || owner.amount.fixed ? quantity : { ...quantity, value: quantity.value * k };
}
