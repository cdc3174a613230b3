import { notFound } from "next/navigation";
import { HOLDS_SOURCE } from "@/core/foods/holds";
import { labelsOf } from "@/core/sheets/labels";
import { WallClock } from "@/core/time/wall-clock";
import { spokenTexts } from "@/core/view/spoken-texts";
import { readerConventions } from "@/server/conventions";
import { addressOf } from "@/server/home-address";
import { loadState } from "@/server/state";
import { DaysNav } from "@/ui/days/DaysNav";
import { LabelsView } from "@/ui/days/LabelsView";
import { NoPlan } from "@/ui/shell/NoPlan";
import { LABELS } from "@/words/labels";

/** What is written on the boxes, on the sheet that is in the printer. */
export default async function LabelsPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const address = await addressOf();
  const labels = spokenTexts(labelsOf(state.document, state.plan, new WallClock(state.offsets)), await readerConventions());
  return (
    <>
      <DaysNav slug={state.slug} />
      <article className="mx-auto max-w-[62rem] px-5 pt-5 pb-12 sm:px-7 print:m-0 print:max-w-none print:p-0">
        <header className="mb-3" data-screen>
          <h1 className="text-[28px]">{LABELS.title}</h1>
          <p className="max-w-[60ch] text-quiet">{labels.length ? LABELS.lead : LABELS.none}</p>
        </header>
        {labels.length > 0 && <LabelsView labels={labels} address={address} />}
        <p className="mt-4 max-w-[70ch] text-[12.5px] text-quiet" data-screen>
          {LABELS.source(HOLDS_SOURCE)}
        </p>
      </article>
    </>
  );
}
