import { z } from "zod";
import { NewBatchEntry, writeBatchEntry } from "@/server/batches";
import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ batch: string }> };

/** Writes one thing down and answers once it is safe on disk. */
async function post(request: Request, { params }: Context) {
  const id = z.uuid().safeParse((await params).batch);
  const body = await readBody(request, NewBatchEntry);
  if (!body.ok) return body.response;
  const entries = id.success ? await writeBatchEntry(id.data, body.value) : undefined;
  return entries ? Response.json({ entries }) : Response.json({ message: MISSING.batch }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
