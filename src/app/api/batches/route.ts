import { addBatch, NewBatch } from "@/server/batches";
import { readBody } from "@/server/http";
import { route } from "@/server/route";

/** Begins a batch that is followed without a plan. */
async function post(request: Request) {
  const body = await readBody(request, NewBatch);
  return body.ok ? Response.json({ value: { id: await addBatch(body.value) } }) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
