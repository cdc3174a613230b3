// How long this cook really takes, and what the dish would be planned with.
import type { TimeSpread } from "@/core/dish/planned-length";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { ProposalList } from "./ProposalList";

const range = ({ min, max }: TimeSpread) => NOTEBOOK.range(spokenDuration(Math.round(min)), spokenDuration(Math.round(max)));
const MOST_TIMES = 6;

export function LengthsPart({ page }: { readonly page: RunPage }) {
  const proposals = page.lengths.map((l) => ({
    key: l.step,
    name: l.name,
    of: lower(l.component),
    change: l.change,
    hazard: l.hazard,
    label: NOTEBOOK.label(lower(l.name)),
    text: (
      <>
        {[
          NOTEBOOK.youTook(l.timed.slice(-MOST_TIMES).map(spokenDuration).join(", ")),
          NOTEBOOK.says(range(l.said)),
          ...(l.leftOut ? [NOTEBOOK.leftOut(l.leftOut)] : []),
        ].join("; ")}
        : <b className="font-semibold">{NOTEBOOK.plan(range(l.next))}</b>
      </>
    ),
  }));
  const lead = proposals.length ? NOTEBOOK.lengthsLead : NOTEBOOK.noLengths;
  return <ProposalList page={page} title={NOTEBOOK.lengths} lead={lead} labelAll={NOTEBOOK.labelAll} proposals={proposals} />;
}
