import { notFound } from "next/navigation";
import { z } from "zod";
import { loadBatchPage } from "@/server/batches";
import { BatchView } from "@/ui/batches/BatchView";
import { NOTEBOOK } from "@/words/notebook";

export const dynamic = "force-dynamic";
export const metadata = { title: NOTEBOOK.title };

/** A batch that is followed without a plan. */
export default async function BatchPage({ params }: { params: Promise<{ batch: string }> }) {
  const id = z.uuid().safeParse((await params).batch);
  const page = id.success ? await loadBatchPage(id.data) : undefined;
  if (!page) notFound();
  return <BatchView page={page} />;
}
