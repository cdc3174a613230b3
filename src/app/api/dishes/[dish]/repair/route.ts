import { z } from "zod";
import { acceptRepair } from "@/server/dishes";
import { answer, readBody } from "@/server/http";
import { route } from "@/server/route";

const Choice = z.object({ answer: z.string(), index: z.number().int().min(0) });

/** Takes up a repair that the planner has tried; the plan then follows by itself. */
async function post(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Choice);
  return body.ok ? answer(await acceptRepair((await params).dish, body.value.answer, body.value.index)) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
