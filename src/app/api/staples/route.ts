import { readBody } from "@/server/http";
import { route } from "@/server/route";
import { changeStaple, loadStaples, StapleChange } from "@/server/shopping";

/** What this house always has: it is on no shopping list. */
async function get() {
  return Response.json({ staples: await loadStaples() });
}

async function post(request: Request) {
  const body = await readBody(request, StapleChange);
  return body.ok ? Response.json({ staples: await changeStaple(body.value) }) : body.response;
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
