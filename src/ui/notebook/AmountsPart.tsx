"use client";
// Amounts as they were used, beside what the dish says, each taken over with one press.
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { Spoken } from "../shell/conventions";
import { useAccept } from "./use-accept";

export function AmountsPart({ page }: { readonly page: RunPage }) {
  const { accept, busy, trouble } = useAccept(page);
  const { amounts } = page;
  if (amounts.length === 0) return null;
  return (
    <section aria-label={NOTEBOOK.amounts} className="pt-6">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{NOTEBOOK.amounts}</h2>
      <p className="pb-2 text-[14px] text-quiet">{NOTEBOOK.amountsLead}</p>
      {trouble && (
        <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <ul>
        {amounts.map((a) => (
          <li key={a.change[0]?.path} className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t border-rule py-2">
            <span>
              <span className="text-[17px]">{a.ingredient}</span>
              <span className="block text-[14.5px]">
                <Spoken>{NOTEBOOK.usedInstead(a.used, a.said)}</Spoken>:{" "}
                <b className="font-semibold">
                  <Spoken>{NOTEBOOK.nextAmount(a.next, page.baseServes)}</Spoken>
                </b>
              </span>
            </span>
            <button
              type="button"
              className="act min-h-11 px-4 text-[15px]"
              disabled={busy}
              aria-label={NOTEBOOK.acceptNamed(a.ingredient)}
              onClick={() => void accept(a.change, NOTEBOOK.amountLabel(a.ingredient))}
            >
              {NOTEBOOK.accept}
            </button>
          </li>
        ))}
      </ul>
      {amounts.length > 1 && (
        <button
          type="button"
          className="act mt-2 min-h-11 px-5"
          disabled={busy}
          onClick={() =>
            void accept(
              amounts.flatMap((a) => a.change),
              NOTEBOOK.amountsLabel,
            )
          }
        >
          {NOTEBOOK.acceptAll}
        </button>
      )}
    </section>
  );
}
