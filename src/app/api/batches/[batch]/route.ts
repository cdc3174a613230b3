import { z } from "zod";
import { BatchChange, changeBatch } from "@/server/batches";
import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ batch: string }> };

/** Its name, what it is to come to, and whether it has ended. */
async function patch(request: Request, { params }: Context) {
  const id = z.uuid().safeParse((await params).batch);
  const body = await readBody(request, BatchChange);
  if (!body.ok) return body.response;
  const there = id.success && (await changeBatch(id.data, body.value));
  return there ? Response.json({ value: {} }) : Response.json({ message: MISSING.batch }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ PATCH: patch });
