import { notFound } from "next/navigation";
import { z } from "zod";
import { loadRunPage } from "@/server/notebook";
import { RunReview } from "@/ui/notebook/RunReview";
import { NOTEBOOK } from "@/words/notebook";

export const dynamic = "force-dynamic";
export const metadata = { title: NOTEBOOK.title };

/** One run as a page that can be read: planned against done, the log, verdicts, and lengths to learn from. */
export default async function RunPage({ params }: { params: Promise<{ run: string }> }) {
  const id = z.uuid().safeParse((await params).run);
  const page = id.success ? await loadRunPage(id.data) : undefined;
  if (!page) notFound();
  return <RunReview page={page} />;
}
