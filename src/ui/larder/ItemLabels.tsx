"use client";
// Which of the items get a label this time, and the sheets.
import { useState } from "react";
import type { Label } from "@/core/sheets/labels";
import { LABELS } from "@/words/labels";
import { LabelsView } from "../days/LabelsView";

interface ItemLabelsProps {
  readonly labels: readonly Label[];
  readonly address: string;
  /** The items that are asked for; none: all of them. */
  readonly only: readonly string[];
}

export function ItemLabels({ labels, address, only }: ItemLabelsProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(
    new Set(only.length ? labels.map((l) => l.key).filter((k) => !only.includes(k)) : []),
  );
  const all = left.size === 0;
  const toggle = (key: string) => {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    setLeft(next);
  };
  return (
    <>
      <fieldset className="mb-4 border-t border-rule pt-2" data-screen>
        <legend className="caps pr-3">{LABELS.which}</legend>
        <div className="flex flex-wrap gap-x-6">
          {labels.map((l) => (
            <label key={l.key} className="flex min-h-9 items-center gap-x-2">
              <input type="checkbox" checked={!left.has(l.key)} onChange={() => toggle(l.key)} />
              {l.name}
              <span className="clock text-[13px] text-quiet">{l.amount}</span>
            </label>
          ))}
          <button type="button" className="link min-h-9" onClick={() => setLeft(new Set(all ? labels.map((l) => l.key) : []))}>
            {LABELS.allOrNone(all)}
          </button>
        </div>
      </fieldset>
      <LabelsView labels={labels.filter((l) => !left.has(l.key))} address={address} />
    </>
  );
}
