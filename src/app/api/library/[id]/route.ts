import { writeDish } from "@/core/dish/write";
import { findLibraryDish } from "@/server/library";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** A ready component as a dish file. */
async function get(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const found = findLibraryDish((await params).id);
  if (!found) return Response.json({ message: MISSING.component }, { status: 404 });
  return new Response(writeDish(found), { headers: { "content-type": "application/json; charset=utf-8" } });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
