import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { changeMostTrips, TripsChange } from "@/server/shopping";

/** How many shopping trips a list is to have. */
async function post(request: Request) {
  const body = await readBody(request, TripsChange);
  if (!body.ok) return body.response;
  await changeMostTrips(body.value);
  return Response.json({ ok: true });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
