"use client";
import { Lock } from "lucide-react";
import type { Field, Figure } from "@/core/bench/panel";
import { said, typedAs, type Units } from "@/core/bench/quantity";
import { FIGURES } from "@/words/bench";
import { Choice } from "../shell/Choice";
import { useFigures } from "../shell/conventions";

/** A figure that the cook has fixed, and the field that follows it. */
export interface Wished {
  readonly figure: string;
  readonly text: string;
  readonly field: string;
}

interface FiguresProps {
  readonly figures: readonly Figure[];
  readonly units: Units;
  readonly wish: Wished | undefined;
  /** Those that may give way. */
  readonly fields: readonly Extract<Field, { low: number }>[];
  readonly onWish: (wish: Wished) => void;
  readonly onLetGo: () => void;
}

/** What follows, figure by figure. Any of them can be fixed; then a field gives way to it. */
export function Figures({ figures, units, wish, fields, onWish, onLetGo }: FiguresProps) {
  const told = useFigures();
  return (
    <table className="mt-3 w-full max-w-[46rem] text-[14.5px]">
      <caption className="sr-only">{FIGURES.resultsLockOneToWork}</caption>
      <tbody>
        {figures.map((f) => {
          const fixed = wish?.figure === f.key;
          return (
            <tr key={f.key} className="border-t border-rule align-baseline" data-figure={f.key}>
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {told(f.label)}
                {f.school && <span className="block text-[12.5px] text-quiet">{f.school}</span>}
              </th>
              <td className="py-1 text-right whitespace-nowrap">
                {fixed ? (
                  <span className="inline-flex flex-wrap items-baseline justify-end gap-2">
                    <input
                      className="field clock w-28 text-right"
                      aria-label={FIGURES.lockedAt(f.label)}
                      value={wish.text}
                      onChange={(e) => onWish({ ...wish, text: e.target.value })}
                    />
                    <span className="text-[13px] text-quiet">
                      {FIGURES.by}{" "}
                      <Choice
                        label={FIGURES.fieldToChange}
                        className="text-[13px]"
                        value={wish.field}
                        options={fields.map((x) => [x.key, x.label.trim().toLowerCase()])}
                        onChange={(field) => onWish({ ...wish, field })}
                      />
                    </span>
                  </span>
                ) : (
                  <>
                    <span className="clock text-[15px] font-semibold">
                      {told(f.exact ? typedAs(f.value, f.of, units) : said(f.value, f.of, units))}
                    </span>
                    {f.low !== undefined && f.high !== undefined && Number.isFinite(f.value) && (
                      <span className="clock block text-[12.5px] text-quiet">
                        {told(said(f.low, f.of, units))} {FIGURES.to} {told(said(f.high, f.of, units))}
                      </span>
                    )}
                  </>
                )}
              </td>
              <td className="w-9 py-1 pl-2 text-right">
                <button
                  type="button"
                  className={`inline-flex size-7 cursor-pointer items-center justify-center rounded ${fixed ? "bg-saffron-wash text-saffron-ink" : "text-quiet hover:text-rim"}`}
                  aria-pressed={fixed}
                  aria-label={fixed ? FIGURES.unlockNamed(f.label) : FIGURES.lockAndWorkBackwardsFromItNamed(f.label)}
                  title={fixed ? FIGURES.unlock : FIGURES.lockAndWorkBackwardsFromIt}
                  disabled={!fixed && (!Number.isFinite(f.value) || fields.length === 0)}
                  onClick={() =>
                    fixed
                      ? onLetGo()
                      : onWish({
                          figure: f.key,
                          text: told(typedAs(f.value, f.of, units)),
                          field: (fields[0] as (typeof fields)[number]).key,
                        })
                  }
                >
                  <Lock size={15} />
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
