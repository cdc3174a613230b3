"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import type { KitchenFile } from "@/core/dish/schema";
import { readIngredient } from "@/core/entry/ingredient-line";
import { shortNumber } from "@/core/entry/numbers";
import { readRecipes } from "@/core/import/read";
import type { ReadRecipes, Recipe } from "@/core/import/recipe";
import { dishOfRecipe, GUESSED_SERVES, type ImportedDish } from "@/core/import/to-dish";
import { IMPORT_PREVIEW } from "@/words/library-import";
import { colourOf } from "../route-chart/colours";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { IMPORT_DRAFT } from "../shell/import-draft";
import { MomentField } from "../shell/MomentField";

interface ImportPreviewProps {
  readonly when: string;
  readonly timezone: string;
  readonly kitchen: KitchenFile | undefined;
}

/** What was read of a page or a text, line by line, to be put right before anything is kept. */
export function ImportPreview({ when, timezone, kitchen }: ImportPreviewProps) {
  const router = useRouter();
  const [read, setRead] = useState<ReadRecipes>();
  const [chosen, setChosen] = useState(0);
  const [recipe, setRecipe] = useState<Recipe>();
  const [serves, setServes] = useState("");
  const [serveAt, setServeAt] = useState(when);
  const [problem, setProblem] = useState<string>();
  useEffect(() => setRead(readRecipes(sessionStorage.getItem(IMPORT_DRAFT) ?? "")), []);
  useEffect(() => {
    const next = read?.status === "read" ? read.recipes[chosen] : undefined;
    setRecipe(next);
    if (next) setServes(String(next.serves ?? GUESSED_SERVES));
  }, [read, chosen]);
  const imported = useMemo<ImportedDish | undefined>(
    () => (recipe && Number(serves) > 0 ? dishOfRecipe(recipe, { serves: Number(serves), serveAt, timezone }) : undefined),
    [recipe, serves, serveAt, timezone],
  );
  if (!read) return <p className="py-4">{IMPORT_PREVIEW.reading}</p>;
  if (read.status === "nothing" || !recipe)
    return (
      <p role="alert" className="border-l-[3px] border-beet py-2 pl-3">
        {read.status === "nothing" ? read.because : IMPORT_PREVIEW.nothingWasFound}{" "}
        <a className="link" href="/">
          {IMPORT_PREVIEW.back}
        </a>
        {IMPORT_PREVIEW.whereTheTextStillIs}
      </p>
    );
  const put = (change: (r: Recipe) => Recipe) => setRecipe((r) => r && change(r));
  const section = (i: number, change: (s: Recipe["sections"][number]) => Recipe["sections"][number]) =>
    put((r) => ({ ...r, sections: r.sections.map((s, j) => (j === i ? change(s) : s)) }));
  const keep = async () => {
    if (!imported) return;
    const got = await ask("/api/dishes", "POST", { ...imported.document, ...(kitchen ? { kitchen } : {}) });
    if (!got.ok) {
      setProblem(reason(got));
      return;
    }
    sessionStorage.removeItem(IMPORT_DRAFT);
    router.push(`/d/${(got.body.value as { slug: string }).slug}/dish/questions`);
  };
  const unclear =
    imported?.components.reduce(
      (n, c) => n + c.ingredients.filter((i) => i.read.unclear).length + c.steps.filter((s) => s.unclear).length,
      0,
    ) ?? 0;
  return (
    <div>
      <p className="max-w-[66ch] text-[14px] text-quiet">
        {read.from === "json-ld" ? IMPORT_PREVIEW.readFromTheRecipeData : IMPORT_PREVIEW.readFromTheTextBy}{" "}
        {IMPORT_PREVIEW.nothingIsSavedYetYou}
      </p>
      {read.recipes.length > 1 && (
        <Choice
          label={IMPORT_PREVIEW.whichRecipe}
          className="my-2 text-[14px]"
          value={String(chosen)}
          options={read.recipes.map((r, i) => [String(i), r.name])}
          onChange={(i) => setChosen(Number(i))}
        />
      )}
      <div className="flex flex-wrap items-end gap-3 border-b border-rule py-3">
        <label className="min-w-56 flex-1 text-[13.5px] text-quiet">
          {IMPORT_PREVIEW.name}
          <input
            className="field mt-0.5 w-full font-serif text-[18px] font-semibold text-ink"
            value={recipe.name}
            onChange={(e) => put((r) => ({ ...r, name: e.target.value }))}
          />
        </label>
        <label className="text-[13.5px] text-quiet">
          {IMPORT_PREVIEW.writtenFor}
          <input
            className="field clock mt-0.5 block w-20 text-ink"
            type="number"
            min={1}
            value={recipe.serves ?? GUESSED_SERVES}
            onChange={(e) => put((r) => ({ ...r, serves: Math.max(1, Number(e.target.value) || 1) }))}
          />
        </label>
        <label className="text-[13.5px] text-quiet">
          {IMPORT_PREVIEW.guests}
          <input
            className="field clock mt-0.5 block w-20 text-ink"
            type="number"
            min={1}
            value={serves}
            onChange={(e) => setServes(e.target.value)}
          />
        </label>
        <span className="flex flex-col text-[13.5px] text-quiet">
          {IMPORT_PREVIEW.serveAt}
          <MomentField label={IMPORT_PREVIEW.serveAt} className="mt-0.5" value={serveAt} onChange={setServeAt} live />
        </span>
        <button type="button" className="act" data-main disabled={!imported} onClick={() => void keep()}>
          {IMPORT_PREVIEW.importIt}
        </button>
      </div>
      {problem && (
        <p role="alert" className="border-l-[3px] border-beet py-1 pl-3 text-[14px]">
          {IMPORT_PREVIEW.nothingWasSaved} {problem}
        </p>
      )}
      <section aria-label={IMPORT_PREVIEW.checkThese} className="py-2 text-[14px]">
        <p className={unclear ? "text-saffron-ink" : "text-quiet"}>
          {unclear ? IMPORT_PREVIEW.marked(unclear, unclear === 1 ? "line is" : "lines are") : IMPORT_PREVIEW.everyLineWasUnderstood}
        </p>
        <ul>
          {[...(imported?.doubts ?? []), ...recipe.aside].map((d) => (
            <li key={d} className="text-[13.5px]">
              {d}
            </li>
          ))}
        </ul>
      </section>
      {imported?.components.map((c, i) => (
        <section
          key={c.id}
          aria-label={IMPORT_PREVIEW.part(c.name)}
          className="border-t-[3px] pt-2 pb-4"
          style={{ borderColor: colourOf(c.kind) }}
        >
          <div className="flex flex-wrap items-baseline gap-3">
            <input
              aria-label={IMPORT_PREVIEW.nameOfPart(i + 1)}
              className="field font-serif text-[18px] font-semibold"
              value={recipe.sections[i]?.name || c.name}
              onChange={(e) => section(i, (s) => ({ ...s, name: e.target.value }))}
            />
            <span className="text-[13.5px] text-quiet">
              {c.kind}
              {c.takes.length
                ? IMPORT_PREVIEW.takes(c.takes.map((t) => imported.components.find((x) => x.id === t)?.name.toLowerCase()).join(", "))
                : ""}
            </span>
          </div>
          <div className="grid gap-x-8 gap-y-3 pt-2 md:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
            <ul>
              {c.ingredients.map(({ line }, j) => (
                <IngredientRow
                  // biome-ignore lint/suspicious/noArrayIndexKey: lines are told by their place
                  key={j}
                  line={line}
                  others={imported.components.filter((x) => x.id !== c.id).map((x) => x.name)}
                  onLine={(text) =>
                    section(i, (s) => ({
                      ...s,
                      ingredients: s.ingredients.flatMap((l, n) => (n === j ? (text === "" ? [] : [text]) : [l])),
                    }))
                  }
                  onMove={(name) => {
                    const to = imported.components.findIndex((x) => x.name === name);
                    put((r) => ({
                      ...r,
                      sections: r.sections.map((s, n) =>
                        n === i
                          ? { ...s, ingredients: s.ingredients.filter((_, m) => m !== j) }
                          : n === to
                            ? { ...s, ingredients: [...s.ingredients, line] }
                            : s,
                      ),
                    }));
                  }}
                />
              ))}
            </ul>
            <ol>
              {(recipe.sections[i]?.instructions ?? []).map((text, j) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: lines are told by their place
                <li key={j} className="pb-1.5">
                  <textarea
                    aria-label={IMPORT_PREVIEW.instructionOf(j + 1, c.name)}
                    className="field w-full resize-none py-1.5 text-[13.5px] leading-snug"
                    rows={Math.max(1, Math.ceil(text.length / 78))}
                    value={text}
                    onChange={(e) =>
                      section(i, (s) => ({ ...s, instructions: s.instructions.map((t, n) => (n === j ? e.target.value : t)) }))
                    }
                  />
                </li>
              ))}
              <li className="pt-1">
                <table className="w-full text-[13px]">
                  <caption className="caps text-left">{IMPORT_PREVIEW.becomes}</caption>
                  <tbody>
                    {c.steps.map((s) => (
                      <tr key={s.step.id} className="border-t border-rule align-baseline">
                        <td className="w-1/2 py-[3px] pr-3">{s.step.name}</td>
                        <td className="text-quiet">
                          {s.says.join("; ")}
                          {s.unclear && <span className="block text-saffron-ink">{s.unclear}</span>}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </li>
            </ol>
          </div>
        </section>
      ))}
    </div>
  );
}

interface IngredientRowProps {
  readonly line: string;
  readonly others: readonly string[];
  readonly onLine: (text: string) => void;
  readonly onMove: (part: string) => void;
}

function IngredientRow({ line, others, onLine, onMove }: IngredientRowProps) {
  const read = readIngredient(line);
  return (
    <li className="pb-1">
      <div className="flex gap-1.5">
        <input
          aria-label={IMPORT_PREVIEW.ingredient(read.name)}
          className="field min-w-0 flex-1 text-[13.5px]"
          value={line}
          onChange={(e) => onLine(e.target.value)}
        />
        {others.length > 0 && (
          <Choice
            label={IMPORT_PREVIEW.moveTo(read.name)}
            className="w-28 text-[13px] text-quiet!"
            value=""
            prompt="move to"
            options={others.map((o) => [o, o])}
            onChange={onMove}
          />
        )}
      </div>
      <p className={`text-[12.5px] ${read.unclear ? "text-saffron-ink" : "text-quiet"}`}>
        {read.unclear ?? ""}{" "}
        {read.amount ? (
          <span className="clock">{`${shortNumber(read.amount.amount)} ${read.amount.unit}`}</span>
        ) : read.asNeeded ? (
          IMPORT_PREVIEW.toTaste
        ) : (
          ""
        )}{" "}
        {read.name}
        {read.note ? ` (${read.note})` : ""}
      </p>
    </li>
  );
}
