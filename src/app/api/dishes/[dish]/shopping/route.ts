import { shoppingCsv } from "@/core/sheets/shopping-csv";
import { route } from "@/server/route";
import { loadMostTrips, loadShopping } from "@/server/shopping";

/** The shopping list of the plan in force as CSV, as the command line writes it. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const { dish } = await params;
  const list = await loadShopping(dish);
  if (!list) return Response.json({ message: "There is no plan to shop for yet." }, { status: 404 });
  return new Response(shoppingCsv(list.rows, list.dish, await loadMostTrips(dish)), {
    headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${dish}-shopping.csv"` },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
