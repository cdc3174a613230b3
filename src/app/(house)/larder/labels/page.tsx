import { spokenTexts } from "@/core/view/spoken-texts";
import { readerConventions } from "@/server/conventions";
import { addressOf } from "@/server/home-address";
import { loadItemLabels } from "@/server/larder-labels";
import { ItemLabels } from "@/ui/larder/ItemLabels";
import { LABELS } from "@/words/labels";

export const dynamic = "force-dynamic";
export const metadata = { title: LABELS.larderTitle };

/** Labels for what is in the larder; "?item=" names the one that is wanted. */
export default async function LarderLabelsPage({ searchParams }: { searchParams: Promise<{ item?: string | string[] }> }) {
  const { item } = await searchParams;
  const labels = spokenTexts(await loadItemLabels(), await readerConventions());
  return (
    <article className="print:m-0 print:p-0">
      <header className="mb-3" data-screen>
        <h1 className="text-[28px]">{LABELS.larderTitle}</h1>
        <p className="max-w-[60ch] text-quiet">{labels.length ? LABELS.larderLead : LABELS.larderNone}</p>
      </header>
      {labels.length > 0 && <ItemLabels labels={labels} address={await addressOf()} only={[item ?? []].flat()} />}
    </article>
  );
}
