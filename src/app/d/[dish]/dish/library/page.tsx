import { notFound } from "next/navigation";
import { listLibrary } from "@/server/library";
import { loadState } from "@/server/state";
import { LibraryView } from "@/ui/dish/LibraryView";

export default async function LibraryPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  return <LibraryView slug={state.slug} version={state.dishVersion} document={state.document} entries={listLibrary()} />;
}
