import { refusal } from "@/server/http";
import { addPhotograph, BadPhotograph, PhotographOf } from "@/server/photographs";
import { route } from "@/server/route";
import { MISSING } from "@/words/server";

type Context = { params: Promise<{ dish: string }> };

/** Takes one picture as the body of the request, and answers once it and its entry are safe on disk. */
async function post(request: Request, { params }: Context) {
  const of = PhotographOf.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!of.success) return refusal(of.error.issues.map((i) => ({ path: i.path.join("."), message: i.message, severity: "error" })));
  try {
    const entries = await addPhotograph((await params).dish, of.data, request);
    return entries ? Response.json({ entries }) : Response.json({ message: MISSING.dish }, { status: 404 });
  } catch (error) {
    if (!(error instanceof BadPhotograph)) throw error;
    return Response.json({ message: error.message }, { status: 422 });
  }
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
