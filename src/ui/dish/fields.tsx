"use client";
// Fields of a step and of what belongs to it, from a table of descriptions: each says in a word why the planner wants it.
import { useId } from "react";
import { readLength } from "@/core/entry/durations";
import { temperatureAt } from "@/core/entry/temperatures";
import { durationText } from "@/core/time/duration";
import { FIELDS } from "@/words/editor";
import { Choice } from "../shell/Choice";
import { useUnits } from "../shell/conventions";
import { LineInput } from "./line-input";

type FieldKind =
  | "text"
  | "duration"
  | "length"
  | "pair"
  | "number"
  | "heat"
  | "words"
  | { readonly choice: readonly (readonly [value: string, label: string])[] }
  | "yes-no"
  | "yes";

export interface Field {
  readonly key: string;
  readonly label: string;
  readonly kind: FieldKind;
  readonly why: string;
}

type Values = Readonly<Record<string, unknown>>;

interface FieldsProps {
  readonly fields: readonly Field[];
  readonly value: Values;
  /** Names what the fields belong to, for those who do not see them. */
  readonly of: string;
  /** @param value undefined empties the field */
  readonly onChange: (key: string, value: unknown, label: string) => boolean;
  readonly onProblem: (text: string) => void;
}

export function Fields({ fields, value, of, onChange, onProblem }: FieldsProps) {
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-x-4 gap-y-2">
      {fields.map((f) => (
        <OneField key={f.key} field={f} of={of} value={value[f.key]} onChange={(v) => onChange(f.key, v, f.label)} onProblem={onProblem} />
      ))}
    </div>
  );
}

interface OneProps {
  readonly field: Field;
  readonly of: string;
  readonly value: unknown;
  readonly onChange: (value: unknown) => boolean;
  readonly onProblem: (text: string) => void;
}

function OneField({ field, of, value, onChange, onProblem }: OneProps) {
  const id = useId();
  const { kind } = field;
  const us = useUnits() === "us";
  const name = FIELDS.ofIt(field.label, of);
  if (kind === "yes")
    return (
      <label className="flex items-baseline gap-2 text-[13.5px]" title={field.why}>
        <input
          type="checkbox"
          className="accent-(--rim)"
          checked={value === true}
          aria-label={name}
          onChange={(e) => onChange(e.target.checked || undefined)}
        />
        <span>
          {field.label}
          <span className="block text-[12px] text-quiet">{field.why}</span>
        </span>
      </label>
    );
  const options =
    kind === "yes-no"
      ? ([
          ["true", "yes"],
          ["false", "no"],
        ] as const)
      : typeof kind === "object"
        ? kind.choice
        : undefined;
  return (
    <div>
      <label htmlFor={id} className="block text-[12.5px] text-quiet">
        {field.label}
      </label>
      {options ? (
        <Choice
          id={id}
          label={name}
          className="w-full text-[13.5px]"
          value={value === undefined ? "" : String(value)}
          none={FIELDS.defaultIt}
          options={options}
          onChange={(v) => onChange(v === "" ? undefined : kind === "yes-no" ? v === "true" : v)}
        />
      ) : (
        <LineInput
          label={name}
          mono={kind !== "text" && kind !== "words"}
          value={kind === "heat" && us && typeof value === "number" ? `${Math.round(value * 1.8 + 32)} °F` : written(kind, value)}
          onCommit={(text) => {
            if (text === "") return onChange(undefined);
            // A bare number is meant in the degrees that stand in the field.
            const read = readField(kind, kind === "heat" && us && /^-?\d+(?:[.,]\d+)?$/.test(text.trim()) ? `${text.trim()}F` : text);
            if (read === undefined) onProblem(FIELDS.wasNotUnderstood(field.label, text, EXAMPLES[kind as keyof typeof EXAMPLES] ?? ""));
            return read !== undefined && onChange(read);
          }}
        />
      )}
      <span className="block text-[12px] leading-tight text-quiet">{field.why}</span>
    </div>
  );
}

const EXAMPLES = {
  duration: FIELDS.writeALengthOfTime,
  length: FIELDS.writeOneOrTwoLengths,
  pair: FIELDS.writeTwoLengthsOfTime,
  number: FIELDS.writeANumber,
  heat: FIELDS.writeAHeatSuchAs,
} as const;

interface Spread {
  readonly min: string;
  readonly likely: string;
  readonly max: string;
}

function written(kind: FieldKind, value: unknown): string {
  if (value === undefined || value === null) return "";
  if (kind === "length" && typeof value === "object") {
    const { min, likely, max } = value as Spread;
    return FIELDS.likely(min, max, likely);
  }
  if (kind === "pair" && Array.isArray(value)) return value.join("-");
  if (kind === "words" && Array.isArray(value)) return value.join(", ");
  return String(value);
}

/** What is typed as the format writes it; undefined where it is not understood. */
export function readField(kind: FieldKind, text: string): unknown {
  if (kind === "text") return text;
  if (kind === "words")
    return text
      .split(",")
      .map((w) => w.trim())
      .filter(Boolean);
  if (kind === "number") {
    const n = Number(text.replace(",", "."));
    return Number.isFinite(n) ? n : undefined;
  }
  if (kind === "heat") {
    const heat = temperatureAt(text, 0) ?? temperatureAt(`${text}C`, 0);
    return heat?.value;
  }
  const [range = "", likely] = text.split(/,\s*likely\s*/i);
  const length = readLength(range);
  if (!length) return undefined;
  if (kind === "duration") return durationText(length.likely);
  if (kind === "pair") return [durationText(length.min), durationText(length.max)];
  if (length.min === length.max) return durationText(length.min);
  const middle = likely === undefined ? length.likely : readLength(likely)?.likely;
  if (middle === undefined || middle < length.min || middle > length.max) return undefined;
  return { min: durationText(length.min), likely: durationText(middle), max: durationText(length.max) };
}
