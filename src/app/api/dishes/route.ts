import { LIMITS } from "@/core/dish/read";
import { archiveIn } from "@/core/record/archive";
import { listDishes } from "@/db/queries/dishes";
import { importArchive, previewArchive } from "@/server/archive";
import { database } from "@/server/database";
import { importDish, previewDish } from "@/server/dishes";
import { answer, bodyText, TooLarge } from "@/server/http";
import { route } from "@/server/route";

/** A dish with its photographs is larger than a dish. */
const MOST_BYTES = 64_000_000;

const tooLarge = (bytes: number) =>
  Response.json({ message: `The file is larger than ${bytes / 1e6} MB: is this the right file?` }, { status: 413 });

async function post(request: Request) {
  try {
    const text = await bodyText(request, MOST_BYTES);
    // ?preview says what it holds and keeps nothing.
    const archive = archiveIn(text);
    if (!archive && text.length > LIMITS.bytes) return tooLarge(LIMITS.bytes);
    if (new URL(request.url).searchParams.has("preview")) return answer(archive ? previewArchive(archive.value) : previewDish(text));
    return answer(archive ? await importArchive(archive.value) : await importDish(text));
  } catch (error) {
    if (error instanceof TooLarge) return tooLarge(MOST_BYTES);
    throw error;
  }
}

/** Names of all dishes, for the search. */
async function get() {
  const dishes = await listDishes(await database());
  return Response.json({ dishes: dishes.map(({ slug, name }) => ({ slug, name })) });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get, POST: post });
