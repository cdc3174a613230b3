import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { Acknowledged, acknowledge, loadFindings } from "@/server/safety";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };

async function get(_request: Request, { params }: Context) {
  const findings = await loadFindings((await params).dish);
  return findings ? Response.json({ findings }) : Response.json({ message: MISSING.dish }, { status: 404 });
}

async function post(request: Request, { params }: Context) {
  const body = await readBody(request, Acknowledged);
  if (!body.ok) return body.response;
  const outcome = await acknowledge((await params).dish, body.value);
  if (outcome.status === "missing") return Response.json({ message: MISSING.dish }, { status: 404 });
  if (outcome.status === "refused") return Response.json({ message: outcome.message }, { status: 409 });
  return Response.json({ outcome: "done" });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
