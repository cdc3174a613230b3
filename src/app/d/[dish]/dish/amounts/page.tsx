import { notFound } from "next/navigation";
import { WallClock } from "@/core/time/wall-clock";
import { chosenOf, planNoteOf } from "@/server/plan-note";
import { loadReasons, loadState } from "@/server/state";
import { AmountsView } from "@/ui/dish/AmountsView";

export default async function AmountsPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const clock = new WallClock(state.offsets);
  const { occupancy } = await loadReasons(state.slug);
  return (
    <AmountsView
      slug={state.slug}
      version={state.dishVersion}
      document={state.document}
      chosen={chosenOf(state)}
      plan={planNoteOf(state)}
      occupancy={occupancy}
      moments={Object.fromEntries((state.plan?.steps ?? []).map((s) => [s.ref, clock.dayTime(s.start)]))}
    />
  );
}
