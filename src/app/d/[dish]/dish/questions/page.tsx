import { notFound } from "next/navigation";
import { planNoteOf } from "@/server/plan-note";
import { loadState } from "@/server/state";
import { QuestionsView } from "@/ui/dish/QuestionsView";

export default async function QuestionsPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  return <QuestionsView slug={state.slug} version={state.dishVersion} document={state.document} plan={planNoteOf(state)} />;
}
