"use client";
// Four ways to a new dish, each with one field. Guests and the time of serving are set on the dish's own page.
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { newDish, takeComponents } from "@/core/dish/edit/components";
import { copyOf } from "@/core/dish/edit/copy";
import type { DishFile, KitchenFile } from "@/core/dish/schema";
import { NEW } from "@/words/home";
import { ask, reason } from "../shell/ask";
import { ImportDish } from "../shell/ImportDish";
import { IMPORT_DRAFT } from "../shell/import-draft";

interface NewDishWaysProps {
  readonly when: string;
  readonly timezone: string;
  readonly kitchen: KitchenFile | undefined;
  /** There are dishes of one's own to copy. */
  readonly some: boolean;
  readonly library: readonly { readonly id: string; readonly name: string }[];
  /** Nothing else is on the page: the ways stand large. */
  readonly large?: boolean;
}

/** It brings a list with a search, and is wanted by a press only. */
const PickFrom = dynamic(() => import("./PickFrom"), { ssr: false });

type Way = "empty" | "paste" | "library" | "copy";
const SERVES = 6;

export function NewDishWays({ when, timezone, kitchen, some, library, large = false }: NewDishWaysProps) {
  const router = useRouter();
  const [open, setOpen] = useState<Way>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  // A recipe that was pasted and not yet imported is there again.
  useEffect(() => {
    if (sessionStorage.getItem(IMPORT_DRAFT)) setOpen("paste");
  }, []);
  const [own, setOwn] = useState<readonly { readonly id: string; readonly name: string }[]>();
  useEffect(() => {
    if (open !== "copy") return;
    void ask("/api/dishes", "GET").then((got) => {
      const listed = got.ok ? (got.body.dishes as readonly { slug: string; name: string }[]) : [];
      setOwn(listed.map(({ slug, name }) => ({ id: slug, name })));
      if (!got.ok) setProblem(reason(got));
    });
  }, [open]);
  const create = async (document: DishFile) => {
    setBusy(true);
    const got = await ask("/api/dishes", "POST", { ...(kitchen ? { kitchen } : {}), ...document });
    if (got.ok) router.push(`/d/${(got.body.value as { slug: string }).slug}/dish`);
    else {
      setBusy(false);
      setProblem(reason(got));
    }
  };
  const start = (name: string) => newDish({ name, serves: SERVES, serveAt: when, timezone });
  const read = async (path: string): Promise<DishFile | undefined> => {
    setBusy(true);
    const got = await ask(path, "GET");
    setBusy(false);
    if (got.ok) return got.body as unknown as DishFile;
    setProblem(reason(got));
    return undefined;
  };
  const fromLibrary = async (id: string) => {
    const source = await read(`/api/library/${id}`);
    if (!source) return;
    const ids = source.components.filter((c) => c.id !== "table").map((c) => c.id);
    await create(takeComponents(start(source.dish.name), source, ids, { scale: SERVES / source.dish.baseServes }).document);
  };
  const copy = async (slug: string) => {
    const source = await read(`/api/dishes/${slug}`);
    if (source) await create(copyOf(source, NEW.copyName(source.dish.name), when));
  };
  const way = (id: Way, label: string, hint: string, inside: ReactNode) => (
    <li className="border-t border-rule">
      <button
        type="button"
        aria-expanded={open === id}
        className="flex min-h-12 w-full cursor-pointer flex-wrap items-baseline gap-x-3 py-2.5 text-left hover:bg-saffron-wash"
        onClick={() => {
          setProblem(undefined);
          setOpen(open === id ? undefined : id);
        }}
      >
        <span className={`font-semibold text-rim ${large ? "font-serif text-[21px]" : ""}`}>{label}</span>
        <span className="text-[14px] text-quiet">{hint}</span>
      </button>
      {open === id && (
        <div className="pb-4">
          {inside}
          {problem && (
            <p role="alert" className="pt-1 text-[14px] text-beet">
              {problem}
            </p>
          )}
        </div>
      )}
    </li>
  );
  return (
    <section aria-label={NEW.heading}>
      <h2 className="caps pb-1 font-sans font-normal">{NEW.heading}</h2>
      <ul className="border-b border-rule">
        {way("empty", NEW.empty, NEW.emptyHint, <NameField busy={busy} onName={(name) => void create(start(name))} />)}
        {way("paste", NEW.paste, NEW.pasteHint, <ImportDish />)}
        {way(
          "library",
          NEW.library,
          NEW.libraryHint,
          <PickFrom
            label={NEW.libraryField}
            prompt={NEW.libraryPrompt}
            entries={library}
            disabled={busy}
            onPick={(id) => void fromLibrary(id)}
          />,
        )}
        {some &&
          way(
            "copy",
            NEW.copy,
            NEW.copyHint,
            <PickFrom label={NEW.copyField} prompt={NEW.copyPrompt} entries={own} disabled={busy} onPick={(id) => void copy(id)} />,
          )}
      </ul>
    </section>
  );
}

function NameField({ busy, onName }: { readonly busy: boolean; readonly onName: (name: string) => void }) {
  const [name, setName] = useState("");
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return (
    <form
      className="flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (name.trim()) onName(name.trim());
      }}
    >
      <input
        ref={field}
        className="field w-full min-w-0"
        aria-label={NEW.name}
        placeholder={NEW.nameExample}
        autoComplete="off"
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
      />
      <button type="submit" className="act" data-main disabled={busy || name.trim() === ""}>
        {NEW.create}
      </button>
    </form>
  );
}
