import { homePart } from "@/server/home";
import { route } from "@/server/route";

/** More dishes of Home: ?part=ahead|past&from=N. */
async function get(request: Request) {
  const query = new URL(request.url).searchParams;
  const from = Number(query.get("from") ?? 0);
  if (!Number.isInteger(from) || from < 0 || from > 100_000)
    return Response.json({ message: "from is a whole number from 0 on." }, { status: 422 });
  return Response.json(await homePart(query.get("part") === "past" ? "past" : "ahead", from));
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
