// At what steps were really ended, beside what the dish says.
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { Spoken } from "../shell/conventions";
import { ProposalList } from "./ProposalList";

const degrees = (c: number) => `${c} °C`;

export function TemperaturesPart({ page }: { readonly page: RunPage }) {
  if (page.temperatures.length === 0) return null;
  const proposals = page.temperatures.map((t) => ({
    key: t.ref,
    name: t.name,
    change: t.change,
    hazard: t.hazard,
    label: NOTEBOOK.temperatureLabel(t.name),
    text: (
      <>
        <Spoken>{NOTEBOOK.reachedInstead(degrees(t.reachedC), degrees(t.saidC))}</Spoken>:{" "}
        <b className="font-semibold">
          <Spoken>{NOTEBOOK.nextTemperature(degrees(t.reachedC))}</Spoken>
        </b>
      </>
    ),
  }));
  return (
    <ProposalList
      page={page}
      title={NOTEBOOK.temperatures}
      lead={NOTEBOOK.temperaturesLead}
      labelAll={NOTEBOOK.temperaturesLabel}
      proposals={proposals}
    />
  );
}
