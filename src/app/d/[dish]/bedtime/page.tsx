import Link from "next/link";
import { notFound } from "next/navigation";
import { dishModel } from "@/core/dish/read-model";
import { intervalsOfHours } from "@/core/time/calendar";
import { union } from "@/core/time/interval";
import { bedtimeOf, nightAfter, sleepOkOf } from "@/core/view/bedtime";
import { nowMs } from "@/server/clock";
import { loadEntries } from "@/server/entries";
import { loadState } from "@/server/state";
import { BedtimeView } from "@/ui/cook/BedtimeView";
import { NoPlan } from "@/ui/shell/NoPlan";
import { BEDTIME } from "@/words/bedtime";

export const metadata = { title: BEDTIME.title };

/** What has to be known and looked at before everybody sleeps. */
export default async function BedtimePage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const dish = dishModel(state.document);
  const { now } = state;
  const awake = union(dish.cooks.flatMap((c) => [...intervalsOfHours(c.awake, dish.zone, now - 1440, now + 3 * 1440)]));
  const night = nightAfter(awake, now);
  if (!night)
    return (
      <p className="px-5 py-6 sm:px-7">
        {BEDTIME.noNight}{" "}
        <Link className="link" href={`/kitchen?dish=${state.slug}`}>
          Kitchen
        </Link>
      </p>
    );
  return (
    <BedtimeView
      slug={state.slug}
      bedtime={bedtimeOf(state.plan, now, night, sleepOkOf(dish))}
      offsets={state.offsets}
      now={now}
      entries={(await loadEntries(state.slug)) ?? []}
      clockMs={nowMs()}
    />
  );
}
