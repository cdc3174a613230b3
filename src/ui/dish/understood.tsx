import type { LineContext } from "@/core/entry/step-draft";
import { readStepLine } from "@/core/entry/step-line";
import { UNDERSTOOD } from "@/words/recipe";

/** What a step's line is understood to say, part by part; what is guessed and what is not understood is told apart in words. */
export function Understood({ line, context }: { line: string; context: LineContext }) {
  if (line.trim() === "") return null;
  const { understood, unclear } = readStepLine(line, context);
  return (
    <p className="pt-0.5 leading-snug text-quiet" data-understood>
      {understood.map((u, i) => (
        <span key={`${u.words} ${u.says}`}>
          {i > 0 ? "; " : ""}
          {u.guess ? (
            <i>
              {u.says} {UNDERSTOOD.by}
              {u.words}”)
            </i>
          ) : (
            u.says
          )}
        </span>
      ))}
      {unclear.length > 0 && (
        <span className="text-saffron-ink">
          {understood.length ? "; " : ""}
          {UNDERSTOOD.savedAsANote} {unclear.map((u) => `“${u}”`).join(", ")}
        </span>
      )}
    </p>
  );
}
