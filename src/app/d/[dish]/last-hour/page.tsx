import Link from "next/link";
import { notFound } from "next/navigation";
import { dishModel } from "@/core/dish/read-model";
import { lastHourOf } from "@/core/view/last-hour";
import { spokenTexts } from "@/core/view/spoken-texts";
import { nowMs } from "@/server/clock";
import { readerConventions } from "@/server/conventions";
import { loadEntries } from "@/server/entries";
import { loadState } from "@/server/state";
import { LastHourView } from "@/ui/cook/LastHourView";
import { NoPlan } from "@/ui/shell/NoPlan";
import { LAST_HOUR } from "@/words/last-hour";

export const metadata = { title: LAST_HOUR.title };

/** The hour before the next serving, minute by minute. */
export default async function LastHourPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan || !state.plainPlan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  if (!state.running)
    return (
      <div className="px-5 py-6 sm:px-7">
        <h1 className="text-[29px]">{LAST_HOUR.title}</h1>
        <p className="pt-1 text-[17px]">
          {LAST_HOUR.notRunning}{" "}
          <Link className="link" href={`/d/${state.slug}/cook`}>
            {LAST_HOUR.cook}
          </Link>
        </p>
      </div>
    );
  const hour = lastHourOf(state.plainPlan, dishModel(state.document), state.serves, state.now);
  return (
    <LastHourView
      slug={state.slug}
      hour={spokenTexts(hour, await readerConventions())}
      offsets={state.offsets}
      now={state.now}
      serves={state.serves}
      entries={(await loadEntries(state.slug)) ?? []}
      clockMs={nowMs()}
    />
  );
}
