import { readBody } from "@/server/http";
import { loadLarder, NewLarderEvents, writeLarder } from "@/server/larder";
import { route } from "@/server/route";

/** What is kept in the house, and what has to be decided about it. */
async function get() {
  const { items, decisions } = await loadLarder();
  return Response.json({ items, decisions });
}

/** Writes down what was put in, taken, moved, opened or thrown away; answers once it is safe on disk. */
async function post(request: Request) {
  const body = await readBody(request, NewLarderEvents);
  if (!body.ok) return body.response;
  return Response.json({ ids: await writeLarder(body.value) });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
