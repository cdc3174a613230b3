import { z } from "zod";
import { writeDish } from "@/core/dish/write";
import { findDish } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { changeServing } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

type Context = { params: Promise<{ dish: string }> };

/** The dish as a file. */
async function get(_request: Request, { params }: Context) {
  const { dish } = await params;
  const stored = await findDish(await database(), dish);
  if (!stored) return Response.json({ message: "There is no such dish." }, { status: 404 });
  return new Response(writeDish(stored.document), {
    headers: { "content-type": "application/json; charset=utf-8", "content-disposition": `attachment; filename="${stored.slug}.json"` },
  });
}

const Change = z.object({ version: z.number().int(), serves: z.number().optional(), serveAt: z.string().optional() });

async function patch(request: Request, { params }: Context) {
  const body = await readBody(request, Change);
  return body.ok ? answer(await changeServing((await params).dish, body.value.version, body.value)) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, PATCH: patch });
