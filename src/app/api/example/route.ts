import { seedDemo } from "@/server/demo";
import { route } from "@/server/route";

/** Puts the example dishes into a house that has none. */
async function post() {
  return (await seedDemo())
    ? Response.json({ value: "seeded" })
    : Response.json({ message: "There are dishes already. The example is for an empty start." }, { status: 409 });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ POST: post });
