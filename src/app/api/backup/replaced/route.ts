import { z } from "zod";
import { deleteReplaced } from "@/server/backups";
import { readBody } from "@/server/http";
import { route } from "@/server/route";

const Replaced = z.strictObject({ name: z.string().max(200) });

/** Deletes what a restore has replaced, once the cook is sure. */
async function remove(request: Request) {
  const body = await readBody(request, Replaced);
  if (!body.ok) return body.response;
  return deleteReplaced(body.value.name)
    ? Response.json({ value: {} })
    : Response.json({ message: "There is no data of that name from a restore." }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ DELETE: remove });
