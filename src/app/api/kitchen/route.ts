import { z } from "zod";
import { saveFirstKitchen } from "@/server/first-kitchen";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

const Body = z.object({ kitchen: z.unknown() });

/** The kitchen of a house that has no dish yet. */
async function put(request: Request) {
  const body = await readBody(request, Body);
  return body.ok ? answer(await saveFirstKitchen(body.value.kitchen)) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ PUT: put });
