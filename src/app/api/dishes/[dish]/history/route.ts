import { z } from "zod";
import { walkHistory } from "@/server/dishes";
import { readBody } from "@/server/http";

const Step = z.object({ what: z.enum(["latest", "kitchen"]), direction: z.enum(["undo", "redo"]) });

export async function POST(request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const body = await readBody(request, Step);
  if (!body.ok) return body.response;
  const change = await walkHistory((await params).dish, body.value.what, body.value.direction);
  return Response.json({ change: change ?? null });
}
