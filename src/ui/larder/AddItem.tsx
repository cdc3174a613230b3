"use client";
// Something that is there already, in one line: what and how much, where, how long it keeps.
import { type FormEvent, useState } from "react";
import { readHold } from "@/core/entry/hold-line";
import { LARDER_PLACES, type LarderPlace } from "@/core/larder/events";
import { addedItem } from "@/core/larder/read-lines";
import { minutesOf } from "@/core/time/duration";
import { LARDER, LARDER_PLACE } from "@/words/larder";
import { Choice } from "../shell/Choice";
import { useLarder } from "./use-larder";

export function AddItem({ now }: { readonly now: number }) {
  const { busy, trouble, write } = useLarder();
  const [what, setWhat] = useState("");
  const [keeps, setKeeps] = useState("");
  const [place, setPlace] = useState<LarderPlace>("fridge");
  const [problem, setProblem] = useState<string>();
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const hold = keeps.trim() ? readHold(keeps) : undefined;
    if (keeps.trim() && hold?.max === undefined) return setProblem(LARDER.notUnderstood);
    const item = addedItem(what, place, now, hold?.max === undefined ? undefined : now + minutesOf(hold.max));
    if (!item) return setProblem(LARDER.nameless);
    setProblem(undefined);
    const written = await write(crypto.randomUUID(), item, LARDER.done.added(item.name));
    if (!written) return;
    setWhat("");
    setKeeps("");
  };
  return (
    <form onSubmit={(e) => void add(e)} className="mt-4 border-t border-rule pt-3" aria-label={LARDER.add}>
      <h2 className="caps pb-1.5 font-sans font-normal">{LARDER.add}</h2>
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <label className="min-w-44 flex-1 text-[13px] text-quiet">
          {LARDER.what}
          <input
            className="field mt-0.5 block min-h-11 w-full text-ink"
            value={what}
            onChange={(e) => setWhat(e.target.value)}
            placeholder={LARDER.whatHint}
            maxLength={200}
            autoComplete="off"
          />
        </label>
        <span className="flex flex-col text-[13px] text-quiet">
          {LARDER.where}
          <Choice
            label={LARDER.where}
            className="mt-0.5 min-h-11 text-ink"
            value={place}
            options={LARDER_PLACES.map((p) => [p, LARDER_PLACE[p]] as const)}
            onChange={(p) => setPlace(p as LarderPlace)}
          />
        </span>
        <label className="w-28 text-[13px] text-quiet">
          {LARDER.keeps}
          <input
            className="field mt-0.5 block min-h-11 w-full text-ink"
            value={keeps}
            onChange={(e) => setKeeps(e.target.value)}
            placeholder={LARDER.keepsHint}
            maxLength={40}
            autoComplete="off"
          />
        </label>
        <button type="submit" className="act min-h-11" disabled={busy}>
          {LARDER.addIt}
        </button>
      </div>
      {(problem ?? trouble) && (
        <p role="alert" className="pt-1 text-[14px] text-beet">
          {problem ?? trouble}
        </p>
      )}
    </form>
  );
}
