"use client";
// A batch is begun with its name; what it is to come to can be said, and changed later.
import { useRouter } from "next/navigation";
import { type FormEvent, useId, useState } from "react";
import { readFigure } from "@/core/bench/quantity";
import { CalculationError } from "@/core/measures/calculation-error";
import { type Aim, LOSS_PERCENT } from "@/core/record/batches";
import type { ReadingQuantity } from "@/core/record/entries";
import { BATCHES } from "@/words/batches";
import { QuantityChoice } from "../cook/QuantityChoice";
import { readReading } from "../cook/reading";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { useUnits } from "../shell/conventions";

type Kind = keyof typeof BATCHES.aims;
const FIELD = "field mt-0.5 block min-h-11 w-full text-ink";

export function NewBatch() {
  const router = useRouter();
  const units = useUnits();
  const [name, setName] = useState("");
  const [kind, setKind] = useState<Kind>("none");
  const [quantity, setQuantity] = useState<ReadingQuantity>("ph");
  const [target, setTarget] = useState("");
  const [trouble, setTrouble] = useState<string>();
  const problem = useId();
  const aimOf = (): Aim | undefined => {
    if (kind === "none") return undefined;
    if (kind === "value") return { kind, quantity, value: readReading(quantity, target, units) };
    return { kind, percent: readFigure({ key: "percent", label: BATCHES.percent, of: "share", ...LOSS_PERCENT }, target, units) };
  };
  const begin = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const aim = aimOf();
      const answer = await ask("/api/batches", "POST", { name, ...(aim ? { aim } : {}) });
      if (!answer.ok) return setTrouble(reason(answer));
      router.push(`/notebook/batches/${(answer.body.value as { id: string }).id}`);
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error;
      setTrouble(error.message);
    }
  };
  return (
    <form
      onSubmit={(e) => void begin(e)}
      aria-label={BATCHES.begin}
      className="flex flex-wrap items-end gap-x-3 gap-y-2 border-t border-rule py-3"
    >
      <label className="min-w-56 flex-1 text-[14px] text-quiet">
        {BATCHES.name}
        <input
          className={FIELD}
          value={name}
          onChange={(e) => setName(e.target.value)}
          placeholder={BATCHES.nameHint}
          required
          maxLength={200}
          autoComplete="off"
        />
      </label>
      <span className="flex flex-col text-[14px] text-quiet">
        {BATCHES.aim}
        <Choice
          label={BATCHES.aim}
          className="mt-0.5 min-h-11"
          value={kind}
          options={Object.entries(BATCHES.aims)}
          onChange={(k) => setKind(k as Kind)}
        />
      </span>
      {kind === "value" && <QuantityChoice className="min-h-11" value={quantity} onChange={setQuantity} />}
      {kind !== "none" && (
        <label className="w-28 text-[14px] text-quiet">
          {kind === "loss" ? BATCHES.percent : BATCHES.target}
          <input
            className={FIELD}
            value={target}
            onChange={(e) => setTarget(e.target.value)}
            required
            inputMode="decimal"
            autoComplete="off"
            aria-describedby={trouble ? problem : undefined}
          />
        </label>
      )}
      <button type="submit" className="act min-h-11 px-5">
        {BATCHES.add}
      </button>
      {trouble && (
        <p id={problem} role="alert" className="basis-full text-[14px] text-beet">
          {trouble}
        </p>
      )}
    </form>
  );
}
