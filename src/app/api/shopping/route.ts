import { route } from "@/server/route";
import { loadShoppingForAll, shoppingFile } from "@/server/shopping";

/** The shopping list for all dishes that are ahead as CSV; its instants are those of the nearest one's clock. */
async function get() {
  const { rows, zone } = await loadShoppingForAll();
  if (!zone) return Response.json({ message: "There is no plan to shop for yet." }, { status: 404 });
  return shoppingFile(rows, { zone }, "all");
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
