import type { Attention } from "@/core/entry/lexicon/senses";
import { type Corrections, type Guess, guessesOf, verbGuesses } from "@/core/import/corrections";
import type { ImportedDish } from "@/core/import/to-dish";
import { GUESSES } from "@/words/library-import";
import { Choice } from "../shell/Choice";

interface GuessesProps {
  readonly imported: ImportedDish;
  readonly corrections: Corrections;
  readonly onCorrect: (corrections: Corrections) => void;
}

/** The guesses that the time of serving turns on, to be answered; the rest, to be left as they are; and what a verb wants, once for all. */
export function Guesses({ imported, corrections, onCorrect }: GuessesProps) {
  const guesses = guessesOf(imported, corrections);
  const asked = guesses.filter((g) => g.decisive && g.field === "minutes");
  const rest = guesses.filter((g) => !asked.includes(g));
  const verbs = verbGuesses(imported, corrections);
  const setMinutes = (ref: string, minutes: number) => onCorrect({ ...corrections, minutes: { ...corrections.minutes, [ref]: minutes } });
  if (guesses.length === 0 && verbs.length === 0) return null;
  return (
    <section aria-label={GUESSES.title} className="max-w-3xl py-2 text-[14px]">
      {asked.length > 0 && (
        <>
          <h2 className="text-[16px]">{GUESSES.asked(asked.length)}</h2>
          <ul>
            {asked.map((g) => (
              <li key={g.ref} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1 first:border-t-0">
                <span className="min-w-0 flex-1">
                  {g.name} <span className="text-quiet">({g.component})</span>
                </span>
                <Minutes guess={g} onMinutes={(m) => setMinutes(g.ref, m)} />
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="act mt-1"
            onClick={() =>
              onCorrect({
                ...corrections,
                minutes: { ...corrections.minutes, ...Object.fromEntries(asked.map((g) => [g.ref, g.minutes])) },
              })
            }
          >
            {GUESSES.acceptAll}
          </button>
        </>
      )}
      <details className="pt-1">
        <summary className="cursor-pointer">{GUESSES.others(rest.length, verbs.length, asked.length === 0)}</summary>
        <div className="grid gap-y-3 pt-1">
          <ul className="empty:hidden">
            {rest.map((g) => (
              <li key={`${g.ref} ${g.field}`} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1 first:border-t-0">
                <span className="min-w-0 flex-1">
                  {g.name} <span className="text-saffron-ink">{g.why}</span>
                </span>
                {g.field === "minutes" && <Minutes guess={g} onMinutes={(m) => setMinutes(g.ref, m)} />}
              </li>
            ))}
          </ul>
          <ul aria-label={GUESSES.verbs}>
            <li className="text-quiet">{GUESSES.verbs}</li>
            {verbs.map((v) => (
              <li
                key={v.verb}
                className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1 first:border-t-0"
                title={v.steps.join("; ")}
              >
                <span className="min-w-0 flex-1">{GUESSES.verb(v.verb, v.steps.length)}</span>
                <Choice
                  label={GUESSES.attentionOf(v.verb)}
                  className="w-40 text-[13px]"
                  value={v.attention}
                  options={GUESSES.attention.map(([value, label]) => [value, label])}
                  onChange={(attention) =>
                    onCorrect({ ...corrections, attention: { ...corrections.attention, [v.verb]: attention as Attention } })
                  }
                />
              </li>
            ))}
          </ul>
        </div>
      </details>
    </section>
  );
}

function Minutes({ guess, onMinutes }: { guess: Guess; onMinutes: (minutes: number) => void }) {
  return (
    <label className="whitespace-nowrap">
      <span className="sr-only">{GUESSES.minutesOf(guess.name)}</span>
      <input
        type="number"
        min={1}
        className="field clock w-20"
        defaultValue={guess.minutes}
        onBlur={(e) =>
          Number(e.target.value) >= 1 && Number(e.target.value) !== guess.minutes && onMinutes(Math.round(Number(e.target.value)))
        }
        onKeyDown={(e) => e.key === "Enter" && Number(e.currentTarget.value) >= 1 && onMinutes(Math.round(Number(e.currentTarget.value)))}
      />{" "}
      {GUESSES.min}
    </label>
  );
}
