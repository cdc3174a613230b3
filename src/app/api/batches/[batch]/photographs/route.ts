import { z } from "zod";
import { photographBatch } from "@/server/batches";
import { refusal } from "@/server/http";
import { BadPhotograph } from "@/server/photographs";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ batch: string }> };

/** Takes one picture as the body of the request, and answers once it and its entry are safe on disk. */
async function post(request: Request, { params }: Context) {
  const id = z.uuid().safeParse((await params).batch);
  const key = z.uuid().safeParse(new URL(request.url).searchParams.get("key"));
  if (!key.success) return refusal([{ path: "key", message: "It has no key.", severity: "error" }]);
  try {
    const entries = id.success ? await photographBatch(id.data, key.data, request) : undefined;
    return entries ? Response.json({ entries }) : Response.json({ message: MISSING.batch }, { status: 404 });
  } catch (error) {
    if (!(error instanceof BadPhotograph)) throw error;
    return Response.json({ message: error.message }, { status: 422 });
  }
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
