// Amounts as they were used, beside what the dish says.
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { Spoken } from "../shell/conventions";
import { ProposalList } from "./ProposalList";

export function AmountsPart({ page }: { readonly page: RunPage }) {
  if (page.amounts.length === 0) return null;
  const proposals = page.amounts.map((a) => ({
    key: a.change[0]?.path ?? a.ingredient,
    name: a.ingredient,
    change: a.change,
    hazard: a.hazard,
    label: NOTEBOOK.amountLabel(a.ingredient),
    text: (
      <>
        <Spoken>{NOTEBOOK.usedInstead(a.used, a.said)}</Spoken>:{" "}
        <b className="font-semibold">
          <Spoken>{NOTEBOOK.nextAmount(a.next, page.baseServes)}</Spoken>
        </b>
      </>
    ),
  }));
  return (
    <ProposalList page={page} title={NOTEBOOK.amounts} lead={NOTEBOOK.amountsLead} labelAll={NOTEBOOK.amountsLabel} proposals={proposals} />
  );
}
