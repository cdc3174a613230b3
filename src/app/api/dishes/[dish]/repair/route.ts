import { z } from "zod";
import { acceptRepair } from "@/server/dishes";
import { answer, readBody } from "@/server/http";

const Choice = z.object({ answer: z.string(), index: z.number().int().min(0) });

/** Takes up a repair that the planner has tried; the plan then follows by itself. */
export async function POST(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Choice);
  return body.ok ? answer(await acceptRepair((await params).dish, body.value.answer, body.value.index)) : body.response;
}
