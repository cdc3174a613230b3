import { z } from "zod";
import { walkHistory } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

const Step = z.object({
  what: z.enum(["latest", "kitchen"]),
  direction: z.enum(["undo", "redo"]),
  /** The versions that whoever undoes has before the eyes. */
  version: z.number().int().optional(),
  kitchenVersion: z.number().int().optional(),
});

async function post(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Step);
  if (!body.ok) return body.response;
  const { what, direction, ...seen } = body.value;
  const outcome = await walkHistory((await params).dish, what, direction, seen);
  if (outcome.status === "missing") return Response.json({ change: null });
  return outcome.status === "done" ? Response.json({ change: outcome.value ?? null, versions: outcome.versions }) : answer(outcome);
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
