"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { withBorrowed } from "@/core/dish/edit/kitchen";
import type { KitchenFile } from "@/core/dish/schema";
import { corrected, NO_CORRECTIONS } from "@/core/import/corrections";
import { readRecipes } from "@/core/import/read";
import type { ReadRecipes, Recipe } from "@/core/import/recipe";
import { GUESSED_SERVES } from "@/core/import/recipe";
import { dishOfRecipe, type ImportedDish } from "@/core/import/to-dish";
import { IMPORT_PREVIEW } from "@/words/library-import";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { IMPORT_DRAFT } from "../shell/import-draft";
import { MomentField } from "../shell/MomentField";
import { Guesses } from "./Guesses";
import { PartEditor } from "./PartEditor";
import { SourceText } from "./SourceText";

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
  const [corrections, setCorrections] = useState(NO_CORRECTIONS);
  const [problem, setProblem] = useState<string>();
  useEffect(() => setRead(readRecipes(sessionStorage.getItem(IMPORT_DRAFT) ?? "")), []);
  useEffect(() => {
    const next = read?.status === "read" ? read.recipes[chosen] : undefined;
    setRecipe(next);
    setCorrections(NO_CORRECTIONS);
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
  const keep = async () => {
    if (!imported) return;
    const { document } = corrected(imported, corrections);
    const { kitchen: guessed, ...bare } = document;
    const got = await ask("/api/dishes", "POST", kitchen ? withBorrowed({ ...bare, kitchen }) : guessed ? document : bare);
    if (!got.ok) {
      setProblem(reason(got));
      return;
    }
    sessionStorage.removeItem(IMPORT_DRAFT);
    router.push(`/d/${(got.body.value as { slug: string }).slug}/dish/questions`);
  };
  const lines = imported?.accounting.lines;
  return (
    <div>
      <p className="max-w-[66ch] text-[14px] text-quiet">
        {IMPORT_PREVIEW.from[recipe.source.kind]} {IMPORT_PREVIEW.nothingIsSavedYetYou}
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
            onChange={(e) => put((r) => ({ ...r, serves: Math.max(1, Number(e.target.value) || 1), yieldGuessed: false }))}
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
        {lines && (
          <p data-accounting className={lines.unread ? "text-beet" : lines.guessed ? "text-saffron-ink" : "text-quiet"}>
            {IMPORT_PREVIEW.accounting(lines)}
          </p>
        )}
        <ul>
          {(imported?.doubts ?? []).map((d) => (
            <li key={d} className="text-[13.5px]">
              {d}
            </li>
          ))}
        </ul>
      </section>
      {imported && <Guesses imported={imported} corrections={corrections} onCorrect={setCorrections} />}
      {imported && <SourceText accounting={imported.accounting} />}
      {/* Parts are told by their place: their names change while they are typed. */}
      {imported?.components.map((c, i) => (
        <PartEditor key={c.id} recipe={recipe} imported={imported} at={i} onRecipe={put} />
      ))}
    </div>
  );
}
