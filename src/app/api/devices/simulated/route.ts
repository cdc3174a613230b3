import { z } from "zod";
import { STAND_IN_KINDS } from "@/core/devices/stand-ins";
import { startStandIn, stopDevice } from "@/server/devices";
import { readBody } from "@/server/http";
import { route } from "@/server/route";

/** Starts a simulated device in the server. */
async function post(request: Request) {
  const body = await readBody(request, z.object({ kind: z.enum(STAND_IN_KINDS), speed: z.number().min(1).max(3600).default(1) }));
  if (!body.ok) return body.response;
  const device = startStandIn(body.value.kind, body.value.speed);
  return device ? Response.json({ device }) : Response.json({ message: "There are too many devices. Stop one first." }, { status: 409 });
}

/** Ends one, or forgets a device that is silent. */
async function remove(request: Request) {
  const body = await readBody(request, z.object({ device: z.string().max(40) }));
  if (!body.ok) return body.response;
  return stopDevice(body.value.device)
    ? Response.json({ outcome: "done" })
    : Response.json({ message: "There is no such device." }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post, DELETE: remove });
