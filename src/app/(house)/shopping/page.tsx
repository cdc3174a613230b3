import { spokenTexts } from "@/core/view/spoken-texts";
import { nowMs } from "@/server/clock";
import { readerConventions, readerOffsets } from "@/server/conventions";
import { loadEntries } from "@/server/entries";
import { loadMostTrips, loadShoppingForAll, loadStaples } from "@/server/shopping";
import { ShoppingView } from "@/ui/days/ShoppingView";
import { SHOPPING } from "@/words/shopping";

export const dynamic = "force-dynamic";
export const metadata = { title: SHOPPING.all };

/** One list for all dishes that are ahead. */
export default async function ShoppingForAllPage() {
  const { rows: plain, dishes } = await loadShoppingForAll();
  const [first] = dishes;
  if (!first)
    return (
      <>
        <h1 className="text-[28px]">{SHOPPING.all}</h1>
        <p className="pt-2">{SHOPPING.nothingAll}</p>
      </>
    );
  const rows = spokenTexts(plain, await readerConventions());
  const { offsets, now } = await readerOffsets();
  return (
    <ShoppingView
      slug={first.slug}
      list="shopping-all"
      title={SHOPPING.all}
      of={SHOPPING.allLead(dishes.map((d) => d.name).join(", "))}
      now={now}
      offsets={offsets}
      entries={(await loadEntries(first.slug)) ?? []}
      clockMs={nowMs()}
      staples={await loadStaples()}
      mostTrips={await loadMostTrips("all")}
      rows={rows}
    />
  );
}
