// What was understood, said back in words.
import type { DishStep } from "../dish/schema";
import { spokenDuration } from "../time/duration";
import type { Length } from "./durations";
import { shortNumber } from "./numbers";

type Use = NonNullable<DishStep["uses"]>[number];

export function lengthWords({ min, likely, max }: Length): string {
  if (min === max) return spokenDuration(likely);
  return `${spokenDuration(min)} to ${spokenDuration(max)}, likely ${spokenDuration(likely)}`;
}

/** "250 g", "2" of what is counted in pieces. */
export const amountWords = ({ amount, unit }: { readonly amount: number; readonly unit: string }): string =>
  unit === "piece" ? shortNumber(amount) : `${shortNumber(amount)} ${unit}`;

const KIND_WORDS: Readonly<Record<string, string>> = {
  "sheet-pan": "sheet pan",
  "slow-pot": "slow pot",
  "pressure-pot": "pressure pot",
  bath: "water bath",
};
export const kindWords = (kind: string): string => KIND_WORDS[kind] ?? kind.replaceAll("-", " ");

export function saidOfUse(use: Pick<Use, "what" | "count" | "tempC" | "racks" | "mode" | "litres" | "pieces">): string {
  const size = [
    use.litres && `${use.litres} L`,
    use.pieces && `${use.pieces} pieces`,
    use.tempC !== undefined && `${use.tempC} °C`,
    use.mode && use.mode !== "any" && use.mode,
    (use.racks ?? 1) > 1 && `${use.racks} racks`,
  ].filter(Boolean);
  const many = (use.count ?? 1) > 1 ? `${use.count} × ` : "";
  return `${many}${kindWords(use.what)}${size.length ? `, ${size.join(", ")}` : ""}`;
}
