import { z } from "zod";
import { chooseSecondPlace } from "@/server/backups";
import { readBody } from "@/server/http";
import { route } from "@/server/route";

const Place = z.union([z.strictObject({ directory: z.string().min(1).max(1000) }), z.strictObject({ none: z.literal(true) })]);

/** Chooses a second place for the daily backups, or declines one. */
async function post(request: Request) {
  const body = await readBody(request, Place);
  if (!body.ok) return body.response;
  const wrong = await chooseSecondPlace("none" in body.value ? "none" : body.value);
  return wrong ? Response.json({ message: wrong }, { status: 422 }) : Response.json({ value: {} });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
