import { loadPhotograph } from "@/server/photographs";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ sum: string }> };

/** A photograph by the sum of its bytes: under that name it never changes. `?small` is for lists. */
async function get(request: Request, { params }: Context) {
  const picture = await loadPhotograph((await params).sum, new URL(request.url).searchParams.has("small"));
  if (!picture) return Response.json({ message: MISSING.photograph }, { status: 404 });
  return new Response(new Uint8Array(picture), {
    headers: { "content-type": "image/jpeg", "cache-control": "private, max-age=31536000, immutable", "x-content-type-options": "nosniff" },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
