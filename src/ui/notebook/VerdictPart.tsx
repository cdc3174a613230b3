"use client";
// What is said of each component once it has been eaten, and what is done otherwise the next time.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { type EntryBody, VERDICTS, verdictsOf } from "@/core/record/entries";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { VERDICT } from "@/words/record";
import { ask, reason } from "../shell/ask";

export function VerdictPart({ page }: { readonly page: RunPage }) {
  const { run, entries, components } = page;
  const router = useRouter();
  const verdicts = verdictsOf(entries);
  const [trouble, setTrouble] = useState<string>();
  const save = async (body: EntryBody) => {
    const answer = await ask(`/api/dishes/${run.slug}/entries`, "POST", { run: run.id, entries: [{ key: crypto.randomUUID(), body }] });
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(NOTEBOOK.saved);
    router.refresh();
  };
  return (
    <section aria-label={NOTEBOOK.verdicts} className="pt-4">
      <h2 className="text-[21px]">{NOTEBOOK.verdicts}</h2>
      <p className="pb-2 text-[14px] text-quiet">{NOTEBOOK.verdictLead}</p>
      {trouble && (
        <p role="alert" className="border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <ul>
        {components.map((c) => (
          <VerdictRow key={c.id} id={c.id} name={c.name} now={verdicts.get(c.id)} onSave={save} />
        ))}
      </ul>
    </section>
  );
}

interface VerdictRowProps {
  readonly id: string;
  readonly name: string;
  readonly now: ReturnType<ReturnType<typeof verdictsOf>["get"]>;
  readonly onSave: (body: EntryBody) => Promise<void>;
}

function VerdictRow({ id, name, now, onSave }: VerdictRowProps) {
  const [text, setText] = useState(now?.text ?? "");
  const put = (verdict: (typeof VERDICTS)[number]) =>
    void onSave({ kind: "verdict", component: id, verdict, ...(text.trim() ? { text: text.trim() } : {}) });
  return (
    <li className="grid gap-x-4 gap-y-1 border-t border-rule py-2 sm:grid-cols-[11rem_auto_1fr] sm:items-center">
      <span className="text-[17px]">{name}</span>
      <fieldset className="flex gap-2">
        <legend className="sr-only">{name}</legend>
        {VERDICTS.map((v) => (
          <button
            key={v}
            type="button"
            className={`act min-h-11 px-4 text-[15px] ${now?.verdict === v ? "bg-saffron-wash! font-semibold" : ""}`}
            aria-pressed={now?.verdict === v}
            aria-label={`${VERDICT[v]}: ${name}`}
            onClick={() => put(v)}
          >
            {VERDICT[v]}
          </button>
        ))}
      </fieldset>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          put(now?.verdict ?? "change");
        }}
      >
        <input
          className="field min-h-11 min-w-0 flex-1"
          aria-label={NOTEBOOK.nextTimeFor(name)}
          placeholder={NOTEBOOK.nextTime}
          value={text}
          maxLength={600}
          onChange={(event) => setText(event.target.value)}
        />
        {text.trim() !== (now?.text ?? "") && (
          <button type="submit" className="act min-h-11 px-4 text-[15px]">
            {NOTEBOOK.save}
          </button>
        )}
      </form>
    </li>
  );
}
