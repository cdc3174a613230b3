import { Split, Trash2 } from "lucide-react";
import { amountWords, lengthWords } from "@/core/entry/words-said";
import { merged, moved, type Rows, renamed, rewritten, shifted, split } from "@/core/import/rearranged";
import type { Recipe, RecipeLine } from "@/core/import/recipe";
import type { ImportedDish } from "@/core/import/to-dish";
import { IMPORT_PREVIEW } from "@/words/library-import";
import { colourOf } from "../route-chart/colours";
import { Choice } from "../shell/Choice";

interface PartEditorProps {
  readonly recipe: Recipe;
  readonly imported: ImportedDish;
  readonly at: number;
  readonly onRecipe: (change: (recipe: Recipe) => Recipe) => void;
}

/** A part of the recipe: its name, its lines, what they became; lines are rewritten, moved by Alt with an arrow or by the list, parts joined and split. */
export function PartEditor({ recipe, imported, at, onRecipe }: PartEditorProps) {
  const part = imported.components[at];
  const section = recipe.sections[at];
  if (!part || !section) return null;
  const others = imported.components.flatMap((c, i) => (i === at ? [] : [[String(i), c.name] as const]));
  const line = (rows: Rows, row: number) => ({
    onText: (text: string) => onRecipe((r) => rewritten(r, at, rows, row, text)),
    onMove: (to: number) => onRecipe((r) => moved(r, at, rows, row, to)),
    onKey: (e: React.KeyboardEvent) => {
      if (!e.altKey || (e.key !== "ArrowUp" && e.key !== "ArrowDown")) return;
      e.preventDefault();
      onRecipe((r) => shifted(r, at, rows, row, e.key === "ArrowUp" ? -1 : 1));
    },
  });
  return (
    <section aria-label={IMPORT_PREVIEW.part(part.name)} className="border-t-[3px] pt-2 pb-4" style={{ borderColor: colourOf(part.kind) }}>
      <div className="flex flex-wrap items-baseline gap-3">
        <input
          aria-label={IMPORT_PREVIEW.nameOfPart(at + 1)}
          className="field max-w-full font-serif text-[18px] font-semibold"
          size={Math.max(20, (section.name || part.name).length + 2)}
          value={section.name || part.name}
          onChange={(e) => onRecipe((r) => renamed(r, at, e.target.value))}
        />
        <span className="text-[13.5px] text-quiet">
          {part.kind}
          {part.takes.length
            ? IMPORT_PREVIEW.takes(part.takes.map((t) => imported.components.find((x) => x.id === t.from)?.name.toLowerCase()).join(", "))
            : ""}
        </span>
        {at > 0 && (
          <button type="button" className="link text-[13.5px]" onClick={() => onRecipe((r) => merged(r, at))}>
            {IMPORT_PREVIEW.merge(imported.components[at - 1]?.name ?? "")}
          </button>
        )}
      </div>
      <div className="grid gap-x-8 gap-y-3 pt-2 md:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
        <ul>
          {part.ingredients.map(({ line: source, read }, j) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines are told by their place
            <li key={j} className="pb-1">
              <Row label={IMPORT_PREVIEW.ingredient(read.name)} line={source} others={others} {...line("ingredients", j)} />
              <p className={`text-[12.5px] ${source.guess || read.unclear ? "text-saffron-ink" : "text-quiet"}`}>
                {read.unclear ?? ""} {source.guess ? `${IMPORT_PREVIEW.guess(source.guess)} ` : ""}
                {read.amount ? <span className="clock">{amountWords(read.amount)}</span> : read.asNeeded ? IMPORT_PREVIEW.toTaste : ""}{" "}
                {read.name}
                {read.note ? ` (${read.note})` : ""}
              </p>
            </li>
          ))}
        </ul>
        <ol>
          {section.instructions.map((source, j) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines are told by their place
            <li key={j} className="pb-1.5">
              <Row label={IMPORT_PREVIEW.instructionOf(j + 1, part.name)} line={source} others={others} long {...line("instructions", j)}>
                {j > 0 && (
                  <button
                    type="button"
                    className="inline-flex size-8 items-center justify-center text-quiet hover:text-rim"
                    aria-label={IMPORT_PREVIEW.splitHere(j + 1)}
                    title={IMPORT_PREVIEW.splitHere(j + 1)}
                    onClick={() => onRecipe((r) => split(r, at, j, IMPORT_PREVIEW.newPart))}
                  >
                    <Split size={15} />
                  </button>
                )}
              </Row>
            </li>
          ))}
          <li className="pt-1">
            <table className="w-full text-[13px]">
              <caption className="caps text-left">{IMPORT_PREVIEW.becomes}</caption>
              <tbody>
                {part.steps.map((s) => (
                  <tr key={s.step.id} className="border-t border-rule align-baseline">
                    <td className="w-1/2 py-[3px] pr-3">{s.step.name}</td>
                    <td className="text-quiet">
                      {s.reading.said.minutes ? lengthWords(s.reading.minutes) : ""}
                      {s.guess && <span className="block text-saffron-ink">{s.guess}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </li>
        </ol>
      </div>
    </section>
  );
}

interface RowProps {
  readonly label: string;
  readonly line: RecipeLine;
  readonly others: readonly (readonly [string, string])[];
  readonly long?: boolean;
  readonly onText: (text: string) => void;
  readonly onMove: (to: number) => void;
  readonly onKey: (event: React.KeyboardEvent) => void;
  readonly children?: React.ReactNode;
}

function Row({ label, line, others, long, onText, onMove, onKey, children }: RowProps) {
  const common = { "aria-label": label, title: IMPORT_PREVIEW.altArrows, value: line.text, onKeyDown: onKey };
  return (
    <div className="flex gap-1.5">
      {long ? (
        <textarea
          {...common}
          className="field min-w-0 flex-1 resize-none py-1.5 text-[13.5px] leading-snug [field-sizing:content]"
          rows={1}
          onChange={(e) => onText(e.target.value)}
        />
      ) : (
        <input {...common} className="field min-w-0 flex-1 text-[13.5px]" onChange={(e) => onText(e.target.value)} />
      )}
      {others.length > 0 && (
        <Choice
          label={IMPORT_PREVIEW.moveTo(label)}
          className="w-28 self-start text-[13px] text-quiet!"
          value=""
          prompt={IMPORT_PREVIEW.moveToPrompt}
          options={others.map(([i, name]) => [i, name])}
          onChange={(i) => onMove(Number(i))}
        />
      )}
      <button
        type="button"
        className="inline-flex size-8 items-center justify-center text-quiet hover:text-rim"
        aria-label={IMPORT_PREVIEW.removeLine(label)}
        title={IMPORT_PREVIEW.removeLine(label)}
        onClick={() => onText("")}
      >
        <Trash2 size={15} />
      </button>
      {children}
    </div>
  );
}
