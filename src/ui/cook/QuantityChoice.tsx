"use client";
// What a reading measures, chosen from a list with its label above it.
import { READING_QUANTITIES, type ReadingQuantity } from "@/core/record/entries";
import { WRITE_DOWN } from "@/words/record";
import { Choice } from "../shell/Choice";

interface QuantityChoiceProps {
  readonly value: ReadingQuantity;
  readonly onChange: (quantity: ReadingQuantity) => void;
  /** Size of the list. */
  readonly className: string;
}

export function QuantityChoice({ value, onChange, className }: QuantityChoiceProps) {
  return (
    <span className="flex flex-col text-[14px] text-quiet">
      {WRITE_DOWN.what}
      <Choice
        label={WRITE_DOWN.what}
        className={`mt-0.5 ${className}`}
        value={value}
        options={READING_QUANTITIES.map((q) => [q, WRITE_DOWN.quantity[q]])}
        onChange={(q) => onChange(q as ReadingQuantity)}
      />
    </span>
  );
}
