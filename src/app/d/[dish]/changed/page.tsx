import { notFound, redirect } from "next/navigation";
import { loadState } from "@/server/state";
import { SomethingChanged } from "@/ui/cook/SomethingChanged";
import { CHANGED } from "@/words/something-changed";

export const metadata = { title: CHANGED.title };

/** Something has happened that the plan did not know. */
export default async function ChangedPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan || !state.running) redirect(`/d/${state.slug}/cook`);
  return (
    <SomethingChanged
      slug={state.slug}
      version={state.dishVersion}
      kitchenVersion={state.kitchenVersion}
      stamp={state.stamp}
      document={state.document}
      plan={state.plan}
      offsets={state.offsets}
      now={state.now}
    />
  );
}
