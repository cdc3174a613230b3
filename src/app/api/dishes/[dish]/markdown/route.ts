import { dishMarkdown } from "@/core/sheets/markdown";
import { inConventions } from "@/core/spoken/in-conventions";
import { findDish } from "@/db/queries/dishes";
import { readerConventions } from "@/server/conventions";
import { database } from "@/server/database";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** The dish as Markdown, at the guests wished for, with figures as this cook reads them. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const stored = await findDish(await database(), (await params).dish);
  if (!stored) return Response.json({ message: MISSING.dish }, { status: 404 });
  return new Response(inConventions(dishMarkdown(stored.document), await readerConventions()), {
    headers: { "content-type": "text/markdown; charset=utf-8", "content-disposition": `attachment; filename="${stored.slug}.md"` },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
