import { loadEntries, NewEntries, StillHot, writeEntries } from "@/server/entries";
import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { BEDTIME } from "@/words/bedtime";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };
const missing = () => Response.json({ message: MISSING.dish }, { status: 404 });

/** What was written down beside the presses: timers, readings, rounds, counts, notes, ticks. */
async function get(_: Request, { params }: Context) {
  const entries = await loadEntries((await params).dish);
  return entries ? Response.json({ entries }) : missing();
}

/** Writes some down and answers once they are safe on disk. */
async function post(request: Request, { params }: Context) {
  const body = await readBody(request, NewEntries);
  if (!body.ok) return body.response;
  try {
    const entries = await writeEntries((await params).dish, body.value);
    return entries ? Response.json({ entries }) : missing();
  } catch (error) {
    if (!(error instanceof StillHot)) throw error;
    return Response.json({ message: BEDTIME.stillHot(error.names.map((n) => `“${n}”`).join(", ")) }, { status: 409 });
  }
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
