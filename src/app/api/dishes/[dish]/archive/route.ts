import { archiveText } from "@/server/archive";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** The dish with all its runs and their photographs, as a file that can be brought in anywhere. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const { dish } = await params;
  const text = await archiveText(dish);
  if (text === undefined) return Response.json({ message: MISSING.dish }, { status: 404 });
  return new Response(text, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${dish.replace(/[^a-z0-9-]/g, "")}-with-runs.json"`,
    },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
