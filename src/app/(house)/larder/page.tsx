import { readerOffsets } from "@/server/conventions";
import { loadLarder } from "@/server/larder";
import { LarderView } from "@/ui/larder/LarderView";
import { LARDER } from "@/words/larder";

export const dynamic = "force-dynamic";
export const metadata = { title: LARDER.title };

/** What is kept in the house, until when, and what to decide about it. */
export default async function LarderPage() {
  const { items, room, decisions, ideas, now } = await loadLarder();
  const { offsets } = await readerOffsets();
  return <LarderView {...{ items, room, decisions, ideas, now, offsets }} />;
}
