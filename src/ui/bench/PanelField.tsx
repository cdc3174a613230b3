"use client";
import { useId } from "react";
import type { Field } from "@/core/bench/panel";
import { bareUnit, type Units } from "@/core/bench/quantity";
import { PANEL_FIELD } from "@/words/bench";
import { Choice } from "../shell/Choice";
import { useFigures } from "../shell/conventions";

interface PanelFieldProps {
  readonly field: Field;
  readonly units: Units;
  readonly text: string;
  /** It gives way to a fixed figure: it shows what it comes to and is not typed in. */
  readonly follows: boolean;
  /** The element that says what is wrong with it. */
  readonly wrong: string | undefined;
  readonly onText: (text: string) => void;
}

/** One field of a panel, with the unit that a bare number is taken in. */
export function PanelField({ field: f, units, text, follows, wrong, onText }: PanelFieldProps) {
  const hint = useId();
  const told = useFigures();
  if (f.of === "yes")
    return (
      <label className="col-span-full flex items-start gap-2 text-[14px]">
        <input
          type="checkbox"
          className="mt-1 accent-(--rim)"
          checked={text === "yes"}
          onChange={(e) => onText(e.target.checked ? "yes" : "no")}
        />
        {f.label}
      </label>
    );
  if (f.of === "choice")
    return (
      <span className="block min-w-0 text-[14px]">
        <span className="text-quiet">{f.label}</span>
        <Choice label={f.label} className="mt-0.5 flex! w-full" value={text} options={f.choices} onChange={onText} />
      </span>
    );
  const described = [f.hint || follows ? hint : "", wrong ?? ""].filter(Boolean).join(" ") || undefined;
  if (f.of === "readings")
    return (
      <label className="col-span-full block text-[14px]">
        <span className="text-quiet">{f.label}</span>
        <textarea
          className="field clock mt-0.5 block w-full py-1.5 text-[13px]"
          rows={2}
          value={text}
          spellCheck={false}
          placeholder={f.hint}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={described}
          onChange={(e) => onText(e.target.value)}
        />
        <span id={hint} className="text-[12.5px] text-quiet">
          {PANEL_FIELD.whenAndWhatOneAfterAnother} {f.hint}
        </span>
      </label>
    );
  const unit = bareUnit(f.of, f.usual, units);
  return (
    <label className="block min-w-0 text-[14px]">
      <span className="text-quiet">{f.label}</span>
      <span className="relative mt-0.5 block">
        <input
          type="text"
          className={`field clock block w-full pr-11 ${follows ? "border-dashed! bg-saffron-wash!" : ""}`}
          value={text}
          readOnly={follows}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={described}
          onChange={(e) => onText(e.target.value)}
        />
        {unit !== "" && /^[-−\d.,\s]*$/.test(text) && (
          <span
            className="clock pointer-events-none absolute inset-y-0 right-2.5 flex items-center text-[12.5px] text-quiet"
            aria-hidden="true"
          >
            {unit}
          </span>
        )}
      </span>
      {(f.hint || follows) && (
        <span id={hint} className="text-[12.5px] text-quiet">
          {follows ? PANEL_FIELD.calculatedFromTheLockedResult : told(f.hint ?? "")}
        </span>
      )}
    </label>
  );
}
