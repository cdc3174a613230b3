import { shoppingCsv } from "@/core/sheets/shopping-csv";
import { route } from "@/server/route";
import { loadMostTrips, loadShopping, loadStaples } from "@/server/shopping";

/** The shopping list of the plan in force as CSV, as the command line writes it. */
async function get(_request: Request, { params }: { params: Promise<{ dish: string }> }) {
  const { dish } = await params;
  const list = await loadShopping(dish);
  if (!list) return Response.json({ message: "There is no plan to shop for yet." }, { status: 404 });
  // As on the page: what this house always has is on no list, and causes no trip.
  const staples = new Set(await loadStaples());
  const rows = list.rows.filter((r) => !staples.has(r.ingredient.toLowerCase()));
  return new Response(shoppingCsv(rows, list.dish, await loadMostTrips(dish)), {
    headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${dish}-shopping.csv"` },
  });
}

export const { GET, HEAD, POST, PUT, PATCH, DELETE } = route({ GET: get });
