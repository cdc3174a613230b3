"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { DishPreview } from "@/core/dish/preview";
import { isDishFile } from "@/core/import/kind-of-file";
import { momentText } from "@/core/spoken/moment-text";
import { FILE } from "@/words/fields";
import { IMPORT_DISH } from "@/words/library-import";
import { type Answer, ask, reason } from "./ask";
import { useConventions } from "./conventions";
import { FileDrop } from "./FileDrop";
import { IMPORT_DRAFT } from "./import-draft";

const RECIPE_FILES = {
  "application/json": [".json", ".jsonld"],
  "text/html": [".html", ".htm"],
  "text/plain": [".txt", ".md"],
};

/** Brings in a dish file, or a recipe of any other kind by way of its preview. A refused file stays in the box with all that is wrong beside it. */
export function ImportDish() {
  const router = useRouter();
  const conventions = useConventions();
  const [text, setText] = useState("");
  const [answer, setAnswer] = useState<Answer>();
  const [busy, setBusy] = useState(false);
  const [preview, setPreview] = useState<DishPreview>();
  useEffect(() => setText(sessionStorage.getItem(IMPORT_DRAFT) ?? ""), []);
  const write = (value: string) => {
    setText(value);
    setPreview(undefined);
    try {
      sessionStorage.setItem(IMPORT_DRAFT, value);
    } catch {
      // A file too large to keep as a draft is on the cook's disk anyway.
    }
  };
  const send = async () => {
    // Anything but a dish of our own is looked at first.
    if (!isDishFile(text)) {
      router.push("/import");
      return;
    }
    setBusy(true);
    const got = await ask("/api/dishes?preview", "POST", text);
    setBusy(false);
    setAnswer(got);
    setPreview(got.ok ? (got.body.value as DishPreview) : undefined);
  };
  const keep = async () => {
    setBusy(true);
    const got = await ask("/api/dishes", "POST", text);
    setBusy(false);
    setAnswer(got);
    if (!got.ok) return;
    write("");
    router.push(`/d/${(got.body.value as { slug: string }).slug}/dish`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <h2 className="caps mb-1 font-sans font-normal">{IMPORT_DISH.importADish}</h2>
      <div className="pb-2">
        <FileDrop
          label={IMPORT_DISH.aDishFileASaved}
          accept={RECIPE_FILES}
          onFile={async (file) => write(await file.text())}
          onRefused={(name) => setAnswer({ ok: false, status: 0, body: { message: FILE.wrongKind(name) } })}
        />
      </div>
      <label className="block text-[14px]">
        {IMPORT_DISH.orPasteTextADish}
        <textarea
          value={text}
          onChange={(e) => write(e.target.value)}
          rows={7}
          spellCheck={false}
          className="field clock mt-1 w-full py-1.5 text-[12.5px]"
        />
      </label>
      <button type="submit" className="act mt-2" data-main disabled={busy || text.trim() === ""}>
        {busy ? IMPORT_DISH.checking : IMPORT_DISH.checkAndImport}
      </button>
      {preview && (
        <section aria-label={IMPORT_DISH.contents} className="mt-3 border-l-[3px] border-leaf pl-3 text-[14px]">
          <p>
            <b className="font-semibold">{preview.name}</b>
            {IMPORT_DISH.forIt} {preview.serves}
            {IMPORT_DISH.served} {momentText(preview.serveAt, conventions, "")}
            {preview.kitchen === undefined ? IMPORT_DISH.forTheKitchenThatIsHere : IMPORT_DISH.withAKitchenOfIts(preview.kitchen)}
            {IMPORT_DISH.nothingIsSavedYet}
          </p>
          <ul className="max-h-52 overflow-auto">
            {preview.components.map((c) => (
              <li key={c.name} className="border-t border-rule py-0.5 first:border-t-0">
                {c.name}{" "}
                <span className="text-quiet">
                  {c.kind}; {c.steps} {IMPORT_DISH.steps} {c.ingredients} {IMPORT_DISH.ingredients}
                  {c.ways > 1 ? IMPORT_DISH.methods(c.ways) : ""}
                </span>
              </li>
            ))}
          </ul>
          {preview.warnings.length > 0 && (
            <ul className="max-h-40 overflow-auto text-saffron-ink">
              {preview.warnings.map((w) => (
                <li key={w.path + w.message}>{w.message}</li>
              ))}
            </ul>
          )}
          <button type="button" className="act mt-2" data-main disabled={busy} onClick={() => void keep()}>
            {IMPORT_DISH.importIt}
          </button>
        </section>
      )}
      {answer && !answer.ok && (
        <div role="alert" className="mt-3 border-l-[3px] border-beet pl-3 text-[14px]">
          <p>
            {IMPORT_DISH.nothingWasSaved}{" "}
            {answer.body.problems
              ? IMPORT_DISH.wrong(answer.body.problems.length === 1 ? "One thing is" : `${answer.body.problems.length} things are`)
              : reason(answer)}
          </p>
          <ul className="max-h-60 overflow-auto">
            {answer.body.problems?.slice(0, 60).map((p) => (
              <li key={p.path + p.message} className="py-0.5">
                {p.path && <span className="clock text-[12.5px]">{p.path} </span>}
                {p.message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </form>
  );
}
