import { notFound } from "next/navigation";
import { spokenTexts } from "@/core/view/spoken-texts";
import { nowMs } from "@/server/clock";
import { readerConventions } from "@/server/conventions";
import { loadEntries } from "@/server/entries";
import { loadMostTrips, loadShopping, loadStaples } from "@/server/shopping";
import { loadState } from "@/server/state";
import { DaysNav } from "@/ui/days/DaysNav";
import { ShoppingView } from "@/ui/days/ShoppingView";
import { NoPlan } from "@/ui/shell/NoPlan";
import { SHOPPING } from "@/words/shopping";

export const metadata = { title: SHOPPING.title };

export default async function ShoppingPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const list = await loadShopping(state.slug);
  if (!state.plan || !list) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const rows = spokenTexts(list.rows, await readerConventions());
  return (
    <>
      <DaysNav slug={state.slug} />
      <ShoppingView
        slug={state.slug}
        now={state.now}
        offsets={state.offsets}
        entries={(await loadEntries(state.slug)) ?? []}
        clockMs={nowMs()}
        staples={await loadStaples()}
        mostTrips={await loadMostTrips(state.slug)}
        rows={rows}
      />
    </>
  );
}
