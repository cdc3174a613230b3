import { notFound } from "next/navigation";
import { loadLastRehearsal } from "@/server/rehearsals";
import { loadState } from "@/server/state";
import { RehearsalView } from "@/ui/rehearsal/RehearsalView";
import { NoPlan } from "@/ui/shell/NoPlan";
import { REHEARSAL } from "@/words/rehearsal";

export const metadata = { title: REHEARSAL.title };

/** The plan followed on a simulated clock. */
export default async function RehearsalPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  return (
    <RehearsalView
      slug={state.slug}
      version={state.dishVersion}
      kitchenVersion={state.kitchenVersion}
      stamp={state.stamp}
      plan={state.plan}
      offsets={state.offsets}
      planStamp={state.planStamp}
      last={await loadLastRehearsal(state.slug)}
    />
  );
}
