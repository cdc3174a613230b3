// What follows from "How was it?": how long things may wait, and which method makes a component.

import { spokenDuration } from "@/core/time/duration";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { Spoken } from "../shell/conventions";
import { ProposalList } from "./ProposalList";

export function WaitsPart({ page }: { readonly page: RunPage }) {
  if (page.waits.length === 0) return null;
  const proposals = page.waits.map((w) => ({
    key: w.output,
    name: w.name,
    change: w.change,
    hazard: w.hazard,
    label: NOTEBOOK.waitLabel(w.name),
    text: (
      <>
        <Spoken>
          {(w.nextMinutes > w.saidMinutes ? NOTEBOOK.waitedLonger : NOTEBOOK.waitedPastBest)(
            spokenDuration(w.waitedMinutes),
            spokenDuration(w.saidMinutes),
          )}
        </Spoken>
        :{" "}
        <b className="font-semibold">
          <Spoken>{NOTEBOOK.nextWait(spokenDuration(w.nextMinutes))}</Spoken>
        </b>
      </>
    ),
  }));
  return <ProposalList page={page} title={NOTEBOOK.waits} lead={NOTEBOOK.waitsLead} labelAll={NOTEBOOK.waitsLabel} proposals={proposals} />;
}

export function MethodsPart({ page }: { readonly page: RunPage }) {
  if (page.methods.length === 0) return null;
  const proposals = page.methods.map((m) => ({
    key: m.component,
    name: m.name,
    change: m.change,
    hazard: m.hazard,
    label: NOTEBOOK.methodLabel(m.name, m.next),
    text: (
      <>
        {m.was === m.next ? NOTEBOOK.likedMethod(m.was) : NOTEBOOK.droppedMethod(m.was)}:{" "}
        <b className="font-semibold">{NOTEBOOK.nextMethod(m.next)}</b>
      </>
    ),
  }));
  return <ProposalList page={page} title={NOTEBOOK.methods} lead={NOTEBOOK.methodsLead} proposals={proposals} />;
}
