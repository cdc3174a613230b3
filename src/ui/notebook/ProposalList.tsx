"use client";
// What a run has taught, a line each, put into the dish with one press or all at once; nothing changes before.
import type { ReactNode } from "react";
import type { PatchOperation } from "@/core/dish/patch";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { useAccept } from "./use-accept";

interface Proposal {
  readonly key: string;
  readonly name: string;
  /** Behind the name, smaller. */
  readonly of?: string;
  readonly text: ReactNode;
  readonly change: readonly PatchOperation[];
  /** A safety finding that it would bring: then it is told and not offered. */
  readonly hazard?: string | undefined;
  /** What the version is called that takes it over. */
  readonly label: string;
}

interface ProposalListProps {
  readonly page: RunPage;
  readonly title: string;
  readonly lead: string;
  /** What the version is called that takes over all; undefined where each is chosen by itself. */
  readonly labelAll?: string;
  readonly proposals: readonly Proposal[];
}

export function ProposalList({ page, title, lead, labelAll, proposals }: ProposalListProps) {
  const { accept, busy, trouble } = useAccept(page);
  const offered = proposals.filter((p) => p.hazard === undefined);
  const all = offered.flatMap((p) => p.change);
  return (
    <section aria-label={title} className="pt-6">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{title}</h2>
      <p className="pb-2 text-[14px] text-quiet">{lead}</p>
      {trouble && (
        <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      <ul>
        {proposals.map((p) => (
          <li key={p.key} className="grid grid-cols-[1fr_auto] items-center gap-x-4 border-t border-rule py-2">
            <span>
              <span className="text-[17px]">{p.name}</span> <span className="text-[13.5px] text-quiet">{p.of}</span>
              <span className="block text-[14.5px]">{p.text}</span>
              {p.hazard && <span className="block text-[14.5px] text-beet">{NOTEBOOK.hazard(p.hazard)}</span>}
            </span>
            {p.hazard === undefined && (
              <button
                type="button"
                className="act min-h-11 px-4 text-[15px]"
                disabled={busy}
                aria-label={NOTEBOOK.acceptNamed(p.name)}
                onClick={() => void accept(p.change, p.label)}
              >
                {NOTEBOOK.accept}
              </button>
            )}
          </li>
        ))}
      </ul>
      {offered.length > 1 && labelAll !== undefined && (
        <button type="button" className="act mt-2 min-h-11 px-5" disabled={busy} onClick={() => void accept(all, labelAll)}>
          {NOTEBOOK.acceptAll}
        </button>
      )}
    </section>
  );
}
