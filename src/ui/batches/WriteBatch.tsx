"use client";
// What is done, read or noted, now or at a time that is said.
import { type FormEvent, type ReactNode, useId, useState } from "react";
import { CalculationError } from "@/core/measures/calculation-error";
import { type BatchBody, type BatchEntry, batchStanding } from "@/core/record/batches";
import type { ReadingQuantity } from "@/core/record/entries";
import { BATCHES } from "@/words/batches";
import { QuantityChoice } from "../cook/QuantityChoice";
import { readReading } from "../cook/reading";
import { useUnits } from "../shell/conventions";
import { MomentField } from "../shell/MomentField";

const FIELD = "field mt-0.5 block min-h-[56px] w-full text-[17px] text-ink";

interface WriteBatchProps {
  readonly entries: readonly BatchEntry[];
  readonly suggested: ReadingQuantity;
  readonly busy: boolean;
  readonly write: (body: BatchBody, ago?: number) => Promise<boolean>;
}

export function WriteBatch({ entries, suggested, busy, write }: WriteBatchProps) {
  const units = useUnits();
  const [quantity, setQuantity] = useState(suggested);
  const [when, setWhen] = useState("");
  const [wrong, setWrong] = useState<string>();
  const lately = batchStanding(entries).findLast((e) => e.body.kind === "done")?.body;
  const put = async (body: () => BatchBody): Promise<boolean> => {
    const ago = when === "" ? 0 : Date.now() - new Date(when).getTime();
    if (ago < 0) {
      setWrong(BATCHES.future);
      return false;
    }
    try {
      const kept = await write(body(), ago);
      setWrong(undefined);
      if (kept) setWhen("");
      return kept;
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
      setWrong(error.message);
      return false;
    }
  };
  return (
    <section aria-label={BATCHES.writeDown} className="grid gap-3 border-l-2 border-rule pl-4">
      <OneField
        label={BATCHES.done}
        hint={BATCHES.doneHint}
        busy={busy}
        onPut={(text) => put(() => ({ kind: "done", what: text.slice(0, 200) }))}
      >
        {lately?.kind === "done" && (
          <button
            type="button"
            className="act min-h-[56px] max-w-full px-5 text-left text-[16px] break-words"
            disabled={busy}
            onClick={() => void put(() => ({ kind: "done", what: lately.what }))}
          >
            {BATCHES.again(lately.what)}
          </button>
        )}
      </OneField>
      <OneField
        label={BATCHES.reading}
        decimal
        busy={busy}
        onPut={(text) => put(() => ({ kind: "reading", quantity, value: readReading(quantity, text, units) }))}
      >
        <QuantityChoice className="min-h-[56px] min-w-32 text-[17px]" value={quantity} onChange={setQuantity} />
      </OneField>
      <OneField label={BATCHES.note} busy={busy} onPut={(text) => put(() => ({ kind: "note", text: text.slice(0, 2000) }))} />
      <div className="max-w-[20rem]">
        <span aria-hidden="true" className="block pb-0.5 text-[14px] text-quiet">
          {BATCHES.when}
        </span>
        <MomentField label={BATCHES.when} value={when} onChange={setWhen} live />
        <p className="text-[13px] text-quiet">{BATCHES.whenHint}</p>
      </div>
      {wrong && (
        <p role="alert" className="text-[15px] text-beet">
          {wrong}
        </p>
      )}
    </section>
  );
}

interface OneFieldProps {
  readonly label: string;
  readonly hint?: string;
  readonly decimal?: boolean;
  readonly busy: boolean;
  readonly onPut: (text: string) => Promise<boolean>;
  readonly children?: ReactNode;
}

/** A field with its button; emptied once what stood in it is kept. */
function OneField({ label, hint, decimal, busy, onPut, children }: OneFieldProps) {
  const [text, setText] = useState("");
  const field = useId();
  const put = async (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() !== "" && (await onPut(text.trim()))) setText("");
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={(e) => void put(e)}>
      {decimal && children}
      <label htmlFor={field} className={`${decimal ? "w-24" : "min-w-48 flex-1"} text-[14px] text-quiet`}>
        {label}
        <input
          id={field}
          className={FIELD}
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder={hint}
          inputMode={decimal ? "decimal" : "text"}
          autoComplete="off"
        />
      </label>
      <button type="submit" className="act min-h-[56px] px-5 text-[17px]" disabled={busy} aria-label={`${BATCHES.save}: ${label}`}>
        {BATCHES.save}
      </button>
      {!decimal && children}
    </form>
  );
}
