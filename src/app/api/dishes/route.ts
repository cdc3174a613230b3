import { listDishes } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { importDish, previewDish } from "@/server/dishes";
import { answer, bodyText, TooLarge } from "@/server/http";
import { route } from "@/server/route";

async function post(request: Request) {
  try {
    const text = await bodyText(request);
    // ?preview says what it holds and keeps nothing.
    return new URL(request.url).searchParams.has("preview") ? answer(previewDish(text)) : answer(await importDish(text));
  } catch (error) {
    if (error instanceof TooLarge)
      return Response.json({ message: "The file is larger than 8 MB: is this the right file?" }, { status: 413 });
    throw error;
  }
}

/** Names of all dishes, for the search. */
async function get() {
  const dishes = await listDishes(await database());
  return Response.json({ dishes: dishes.map(({ slug, name }) => ({ slug, name })) });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
