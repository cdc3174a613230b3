import { readBody } from "@/server/http";
import { keepRehearsal, loadLastRehearsal, NewRehearsal } from "@/server/rehearsals";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };

/** The newest rehearsal of a dish. */
async function get(_: Request, { params }: Context) {
  const last = await loadLastRehearsal((await params).dish);
  return last ? Response.json(last) : Response.json({ message: MISSING.dish }, { status: 404 });
}

/** Keeps one, apart from the record. */
async function post(request: Request, { params }: Context) {
  const body = await readBody(request, NewRehearsal);
  if (!body.ok) return body.response;
  const kept = await keepRehearsal((await params).dish, body.value);
  return kept ? Response.json({ kept: true }) : Response.json({ message: MISSING.dish }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
