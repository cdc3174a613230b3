"use client";
import { answered, choiceText } from "@/core/entry/choices";
import type { Doubt, Piece } from "@/core/entry/step/reading";
import type { LineContext } from "@/core/entry/step-draft";
import { readStepLine } from "@/core/entry/step-line";
import { UNDERSTOOD } from "@/words/recipe";

interface UnderstoodProps {
  readonly line: string;
  readonly context: LineContext;
  /** Puts a line in place of this one: a doubt answered by a press. */
  readonly onLine?: (line: string) => void;
}

/** What a step's line is understood to say: every word of it with what it became, what was concluded, and the choices where it is doubtful. */
export function Understood({ line, context, onLine }: UnderstoodProps) {
  if (line.trim() === "") return null;
  const { understood, reading } = readStepLine(line, context);
  const asked = reading.doubts.filter((d) => d.field !== "attention" || reading.doubts.length === 1);
  return (
    <div className="pt-0.5 leading-snug text-quiet" data-understood>
      <p>
        {reading.words.map((piece, i) => (
          <span key={piece.from}>
            {reading.line.slice(reading.words[i - 1]?.to ?? 0, piece.from)}
            <Word line={reading.line} piece={piece} doubtful={asked.some((d) => d.field === piece.as)} />
          </span>
        ))}
      </p>
      <p>
        {understood.map((u, i) => (
          <span key={`${u.field} ${u.says}`}>
            {i > 0 ? "; " : ""}
            {u.guess ? (
              <i>
                {u.says} {UNDERSTOOD.guess}
              </i>
            ) : (
              u.says
            )}
          </span>
        ))}
      </p>
      {onLine && <Choices line={line} doubts={asked} onLine={onLine} />}
    </div>
  );
}

/** A run of words of the line: underlined where something came of it; its title says what. */
function Word({ line, piece, doubtful }: { line: string; piece: Piece; doubtful: boolean }) {
  const text = line.slice(piece.from, piece.to);
  if (piece.as === "join") return <span>{text}</span>;
  if (piece.as === "name") return <b className="font-semibold text-ink">{text}</b>;
  return (
    <u
      title={UNDERSTOOD.fields[piece.as]}
      data-as={piece.as}
      className={`underline-offset-[3px] ${doubtful ? "text-saffron-ink decoration-saffron-ink decoration-dotted" : "text-ink decoration-rim"}`}
    >
      {text}
    </u>
  );
}

function Choices({ line, doubts, onLine }: { line: string; doubts: readonly Doubt[]; onLine: (line: string) => void }) {
  const open = doubts.filter((d) => d.choices && d.choices.length > 0);
  if (open.length === 0) return null;
  return (
    <ul>
      {open.map((doubt) => (
        <li key={`${doubt.field} ${doubt.why}`} className="flex flex-wrap items-baseline gap-x-2 text-saffron-ink">
          <span>
            {UNDERSTOOD.fields[doubt.field]}: {doubt.why}.
          </span>
          {doubt.choices?.map((choice) => (
            <button
              key={choice}
              type="button"
              className="link min-h-7"
              // The box keeps its focus: what is pressed belongs to the line in it.
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => onLine(answered(line, doubt, choice))}
            >
              {choiceText(doubt.field, choice)}
            </button>
          ))}
        </li>
      ))}
    </ul>
  );
}
