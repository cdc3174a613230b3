"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import { addComponent, kindOfName, takeComponents } from "@/core/dish/edit/components";
import { likelyNext, sampleLines } from "@/core/dish/edit/first-steps";
import { lineContext } from "@/core/dish/edit/places";
import { COMPONENT_KINDS, type ComponentKind } from "@/core/dish/kinds";
import type { DishFile } from "@/core/dish/schema";
import { readIngredient } from "@/core/entry/ingredient-line";
import { ADD_COMPONENT, EDITOR } from "@/words/editor";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { Understood } from "./understood";
import type { Edit } from "./use-editing";

interface Draft {
  readonly name: string;
  readonly kind: ComponentKind | "";
  readonly steps: string;
  readonly ingredients: string;
}
const EMPTY: Draft = { name: "", kind: "", steps: "", ingredients: "" };

interface AddComponentProps {
  readonly slug: string;
  readonly document: DishFile;
  readonly others: readonly { readonly slug: string; readonly name: string }[];
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
  readonly onAdded: (component: string) => void;
}

/** A component from a name and a few lines; the draft stays while the page is reloaded. */
export function AddComponent({ slug, document, others, edit, onProblem, onAdded }: AddComponentProps) {
  const key = `rondeau.component.${slug}`;
  const [draft, setDraft] = useState<Draft>(EMPTY);
  const first = useRef<HTMLInputElement>(null);
  const steps = useRef<HTMLTextAreaElement>(null);
  const likely = useMemo(() => likelyNext(document), [document]);
  useEffect(() => {
    try {
      setDraft({ ...EMPTY, ...JSON.parse(sessionStorage.getItem(key) ?? "{}") });
    } catch {
      // A draft that cannot be read is none.
    }
  }, [key]);
  const write = (more: Partial<Draft>) => {
    const next = { ...draft, ...more };
    setDraft(next);
    sessionStorage.setItem(key, JSON.stringify(next));
  };
  const context = lineContext(document, "");
  const lines = draft.steps.split("\n").filter((l) => l.trim() !== "");
  const goods = draft.ingredients.split("\n").filter((l) => l.trim() !== "");
  const add = () => {
    let made = "";
    const kind = draft.kind || undefined;
    const done = edit(ADD_COMPONENT.added(draft.name.trim() || "a component"), (d) => {
      const added = addComponent(d, { name: draft.name, steps: lines, ingredients: goods, ...(kind ? { kind } : {}) });
      made = added.id;
      return added.document;
    });
    if (!done) return;
    write(EMPTY);
    onAdded(made);
    first.current?.focus();
  };
  const unclear = goods.map((l) => readIngredient(l)).filter((i) => i.unclear && !i.heading);
  return (
    <section aria-label={ADD_COMPONENT.addAComponent}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) {
            e.preventDefault();
            add();
          }
        }}
      >
        <h2 className="pb-1 text-[18px]">{ADD_COMPONENT.addAComponent}</h2>
        <div className="flex gap-2">
          <label className="min-w-0 flex-1 text-[13px] text-quiet">
            {ADD_COMPONENT.name}
            <input
              ref={first}
              // biome-ignore lint/a11y/noAutofocus: a dish without components begins with a name, and nothing else can be done here
              autoFocus={document.components.length === 1}
              className="field mt-0.5 w-full text-[14px] text-ink"
              value={draft.name}
              onChange={(e) => write({ name: e.target.value })}
              placeholder={ADD_COMPONENT.jellyStock}
              autoComplete="off"
            />
          </label>
          <span className="flex flex-col text-[13px] text-quiet">
            {ADD_COMPONENT.kind}
            <Choice
              label={ADD_COMPONENT.kind}
              className="mt-0.5 text-[14px]"
              value={draft.kind}
              none={draft.name.trim() ? ADD_COMPONENT.kindByItsName(kindOfName(draft.name)) : ADD_COMPONENT.byItsName}
              options={COMPONENT_KINDS.map((k) => [k, k])}
              onChange={(kind) => write({ kind: kind as ComponentKind | "" })}
            />
          </span>
        </div>
        {likely.length > 0 && draft.name === "" && (
          <p className="flex flex-wrap items-baseline gap-x-3 pt-1.5 text-[13.5px]">
            <span className="text-quiet">{EDITOR.likely}</span>
            {likely.map((name) => (
              <button
                key={name}
                type="button"
                className="link min-h-7"
                onClick={() => {
                  write({ name });
                  steps.current?.focus();
                }}
              >
                {name}
              </button>
            ))}
          </p>
        )}
        {draft.name.trim() !== "" && lines.length === 0 && (
          <p className="pt-1.5 text-[13.5px]">
            <button
              type="button"
              className="link min-h-7"
              onClick={() => {
                write({ steps: sampleLines(draft.kind || kindOfName(draft.name)).join("\n") });
                steps.current?.focus();
              }}
            >
              {EDITOR.samples}
            </button>{" "}
            <span className="text-quiet">{EDITOR.samplesHint}</span>
          </p>
        )}
        <label className="mt-2 block text-[13px] text-quiet">
          {ADD_COMPONENT.stepsOnePerLine}
          <textarea
            ref={steps}
            className="field clock mt-0.5 w-full py-1.5 text-[13px] text-ink"
            rows={Math.max(3, lines.length + 1)}
            value={draft.steps}
            onChange={(e) => write({ steps: e.target.value })}
            placeholder={ADD_COMPONENT.stepsExample}
            spellCheck={false}
          />
        </label>
        {lines.length > 0 && (
          <ol className="border-l-[3px] border-rule pl-3 text-[12.5px]" aria-live="polite">
            {lines.map((l, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: lines are told by their place
              <li key={i}>
                <Understood
                  line={l}
                  context={context}
                  onLine={(text) => write({ steps: lines.map((old, j) => (j === i ? text : old)).join("\n") })}
                />
              </li>
            ))}
          </ol>
        )}
        <label className="mt-2 block text-[13px] text-quiet">
          {ADD_COMPONENT.ingredientsOnePerLine}
          <textarea
            className="field clock mt-0.5 w-full py-1.5 text-[13px] text-ink"
            rows={Math.max(3, goods.length + 1)}
            value={draft.ingredients}
            onChange={(e) => write({ ingredients: e.target.value })}
            placeholder={ADD_COMPONENT.ingredientsExample}
            spellCheck={false}
          />
        </label>
        {unclear.length > 0 && <p className="text-[12.5px] text-saffron-ink">{unclear.map((i) => `${i.name}: ${i.unclear}`).join(" ")}</p>}
        <div className="mt-2 flex items-baseline gap-3">
          <button type="submit" className="act" data-main disabled={draft.name.trim() === ""}>
            {ADD_COMPONENT.addComponent}
          </button>
          <span className="text-[12.5px] text-quiet">{ADD_COMPONENT.orPressCtrlEnter}</span>
        </div>
      </form>
      {others.length > 0 && <FromAnother others={others} edit={edit} onProblem={onProblem} onAdded={onAdded} />}
    </section>
  );
}

/** A component of another dish, scaled to the guests of this one. */
function FromAnother({ others, edit, onProblem, onAdded }: Pick<AddComponentProps, "others" | "edit" | "onProblem" | "onAdded">) {
  const [from, setFrom] = useState("");
  const [source, setSource] = useState<DishFile>();
  const look = async (slug: string) => {
    const got = await ask(`/api/dishes/${slug}`, "GET");
    if (got.ok) setSource(got.body as unknown as DishFile);
    else onProblem(reason(got));
  };
  const take = (id: string) => {
    let made = "";
    if (!source) return;
    const name = source.components.find((c) => c.id === id)?.name ?? id;
    const done = edit(ADD_COMPONENT.from(name, source.dish.name), (d) => {
      const taken = takeComponents(d, source, [id], { scale: d.dish.serves / source.dish.baseServes });
      made = taken.ids[0] ?? "";
      return taken.document;
    });
    if (done) onAdded(made);
  };
  return (
    <details className="mt-3 border-t border-rule pt-2 text-[14px]">
      <summary className="cursor-pointer">{ADD_COMPONENT.orCopyOneFromAnotherDish}</summary>
      <div className="flex flex-wrap gap-2 pt-1.5">
        <Choice
          label={ADD_COMPONENT.theOtherDish}
          className="text-[14px]"
          value={from}
          prompt="choose a dish …"
          options={others.map((o) => [o.slug, o.name])}
          onChange={(slug) => {
            setFrom(slug);
            void look(slug);
          }}
        />
        {source && (
          <Choice
            label={ADD_COMPONENT.itsComponent}
            className="text-[14px]"
            value=""
            prompt="choose a component …"
            options={source.components.map((c) => [c.id, c.name])}
            onChange={take}
          />
        )}
      </div>
    </details>
  );
}
