"use client";
// How long this cook really takes, and what the dish would be planned with. Nothing changes before it is accepted.
import type { TimeSpread } from "@/core/dish/planned-length";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { LengthProposal, RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { useAccept } from "./use-accept";

const range = ({ min, max }: TimeSpread) => NOTEBOOK.range(spokenDuration(Math.round(min)), spokenDuration(Math.round(max)));
const MOST_TIMES = 6;

export function LengthsPart({ page }: { readonly page: RunPage }) {
  const { lengths } = page;
  const { accept: put, busy, trouble } = useAccept(page);
  const accept = (list: readonly LengthProposal[], label: string) =>
    put(
      list.flatMap((l) => l.change),
      label,
    );
  return (
    <section aria-label={NOTEBOOK.lengths} className="pt-6">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{NOTEBOOK.lengths}</h2>
      <p className="pb-2 text-[14px] text-quiet">{lengths.length ? NOTEBOOK.lengthsLead : NOTEBOOK.noLengths}</p>
      {trouble && (
        <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <ul>
        {lengths.map((l) => (
          <li key={l.step} className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t border-rule py-2">
            <span>
              <span className="text-[17px]">{l.name}</span> <span className="text-[13.5px] text-quiet">{lower(l.component)}</span>
              <span className="block text-[14.5px]">
                {[
                  NOTEBOOK.youTook(l.timed.slice(-MOST_TIMES).map(spokenDuration).join(", ")),
                  NOTEBOOK.says(range(l.said)),
                  ...(l.leftOut ? [NOTEBOOK.leftOut(l.leftOut)] : []),
                ].join("; ")}
                : <b className="font-semibold">{NOTEBOOK.plan(range(l.next))}</b>
              </span>
            </span>
            <button
              type="button"
              className="act min-h-11 px-4 text-[15px]"
              disabled={busy}
              aria-label={NOTEBOOK.acceptNamed(l.name)}
              onClick={() => void accept([l], NOTEBOOK.label(lower(l.name)))}
            >
              {NOTEBOOK.accept}
            </button>
          </li>
        ))}
      </ul>
      {lengths.length > 1 && (
        <button type="button" className="act mt-2 min-h-11 px-5" disabled={busy} onClick={() => void accept(lengths, NOTEBOOK.labelAll)}>
          {NOTEBOOK.acceptAll}
        </button>
      )}
    </section>
  );
}
