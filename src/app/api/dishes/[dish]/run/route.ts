import { route } from "@/server/route";
import { endRun, startRun, withheldWords } from "@/server/runs";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };

async function post(_request: Request, { params }: Context) {
  const outcome = await startRun((await params).dish);
  if (typeof outcome === "object") return Response.json({ message: withheldWords(outcome), findings: outcome.withheld }, { status: 409 });
  return outcome === "done" ? Response.json({ outcome }) : Response.json({ message: MISSING.dish }, { status: 404 });
}

async function remove(_request: Request, { params }: Context) {
  const outcome = await endRun((await params).dish);
  return outcome === "done" ? Response.json({ outcome }) : Response.json({ message: MISSING.run }, { status: 404 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post, DELETE: remove });
