import { findParts } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

/** The components of a dish by name: for the list of everything that can be gone to. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const parts = await findParts(await database(), (await params).dish);
  if (!parts) return Response.json({ message: MISSING.dish }, { status: 404 });
  return Response.json({ components: parts }, { headers: { "cache-control": "no-store" } });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
