// A reading as it is typed and said, in the units of whoever reads.
import { readFigure, said, type Units } from "@/core/bench/quantity";
import { QUANTITIES, type ReadingQuantity } from "@/core/record/entries";
import { WRITE_DOWN } from "@/words/record";

/** How each quantity is read and said by whoever reads; heights are kept in centimetres and read as lengths in millimetres. */
const READ_AS = {
  core: ["temp", 1],
  temperature: ["temp", 1],
  ph: ["pH", 1],
  weight: ["mass", 1],
  height: ["length", 10],
  salinity: ["share", 1],
} as const satisfies Record<ReadingQuantity, readonly [string, number]>;

/** As what a quantity is drawn, and by what its kept value is multiplied for that. */
export const readingQuantity = (quantity: ReadingQuantity) => READ_AS[quantity];

export const readingSaid = (quantity: ReadingQuantity, value: number, units: Units): string => {
  const [of, factor] = READ_AS[quantity];
  return said(value * factor, of, units);
};

export function readReading(quantity: ReadingQuantity, text: string, units: Units): number {
  const [of, factor] = READ_AS[quantity];
  const { low, high } = QUANTITIES[quantity];
  return (
    readFigure({ key: "value", label: WRITE_DOWN.quantity[quantity], of, low: low * factor, high: high * factor }, text, units) / factor
  );
}
