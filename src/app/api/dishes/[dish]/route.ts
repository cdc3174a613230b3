import { z } from "zod";
import { writeDish } from "@/core/dish/write";
import { findDish } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { changeServing } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { removeDish } from "@/server/remove-dish";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };

/** The dish as a file. */
async function get(_request: Request, { params }: Context) {
  const { dish } = await params;
  const stored = await findDish(await database(), dish);
  if (!stored) return Response.json({ message: MISSING.dish }, { status: 404 });
  return new Response(writeDish(stored.document), {
    headers: { "content-type": "application/json; charset=utf-8", "content-disposition": `attachment; filename="${stored.slug}.json"` },
  });
}

const Change = z.object({ version: z.number().int(), serves: z.number().optional(), serveAt: z.string().optional() });

async function patch(request: Request, { params }: Context) {
  const body = await readBody(request, Change);
  return body.ok ? answer(await changeServing((await params).dish, body.value.version, body.value)) : body.response;
}

const Gone = z.strictObject({ name: z.string().max(400) });

const REFUSED = {
  missing: [MISSING.dish, 404],
  running: ["It is being cooked. End the run first.", 409],
  "other-name": ["That is not its name. Nothing was deleted.", 422],
} as const;

/** Deletes a dish with its runs, after writing all of it to the archive. Its name has to be said. */
async function remove(request: Request, { params }: Context) {
  const body = await readBody(request, Gone);
  if (!body.ok) return body.response;
  const outcome = await removeDish((await params).dish, body.value.name);
  if (outcome.status === "done") return Response.json({ value: { archive: outcome.archive } });
  const [message, status] = REFUSED[outcome.status];
  return Response.json({ message }, { status });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, PATCH: patch, DELETE: remove });
