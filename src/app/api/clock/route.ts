import { z } from "zod";
import { clockIsManual, setClock } from "@/server/clock";
import { readBody } from "@/server/http";
import { route } from "@/server/route";

/** For rehearsals and tests only: sets the server's clock where it was started with RONDEAU_CLOCK=manual. */
async function post(request: Request) {
  if (!clockIsManual()) return Response.json({ message: "The clock of this kitchen is the computer's own." }, { status: 404 });
  const body = await readBody(request, z.object({ now: z.iso.datetime({ offset: true }) }));
  if (!body.ok) return body.response;
  setClock(Date.parse(body.value.now));
  return Response.json({ now: body.value.now });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
