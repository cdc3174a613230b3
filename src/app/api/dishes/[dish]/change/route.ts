import { z } from "zod";
import { PatchOperation } from "@/core/dish/patch";
import { changeDocument } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

const Change = z.object({
  version: z.number().int(),
  kitchenVersion: z.number().int().optional(),
  change: z.array(PatchOperation).max(10_000),
  label: z.string().min(1).max(400),
  safe: z.boolean().optional(),
  plan: z.unknown().optional(),
});

/** Changes a dish and its kitchen by a patch, as one change that undo takes back; a plan that comes with it is verified and kept. */
async function post(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Change);
  return body.ok ? answer(await changeDocument((await params).dish, body.value)) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
