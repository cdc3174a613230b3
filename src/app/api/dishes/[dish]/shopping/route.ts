import { route } from "@/server/route";
import { loadShopping, shoppingFile } from "@/server/shopping";

/** The shopping list of the plan in force as CSV, as the command line writes it. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const { dish } = await params;
  const list = await loadShopping(dish);
  if (!list) return Response.json({ message: "There is no plan to shop for yet." }, { status: 404 });
  return shoppingFile(list.rows, list.dish, dish);
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
