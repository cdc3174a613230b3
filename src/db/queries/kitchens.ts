// Kitchens, with the dishes that are cooked in them.
import { z } from "zod";
import { KitchenSchema } from "../../core/dish/schema";
import type { Queryable } from "../db";

const Listed = z.object({
  id: z.uuid(),
  version: z.number().int(),
  document: KitchenSchema,
  dishes: z.array(z.object({ slug: z.string(), name: z.string() })),
});

/** All kitchens: those with dishes first, the one changed last before the others. */
export async function listKitchens(db: Queryable): Promise<z.output<typeof Listed>[]> {
  const rows = await db.query(
    `select k.id, k.version, k.document, coalesce(d.dishes, '[]'::jsonb) as dishes
       from kitchen k
       left join lateral (select jsonb_agg(jsonb_build_object('slug', slug, 'name', name) order by summary->>'serveAt', slug) as dishes
                            from dish where kitchen_id = k.id) d on true
      order by d.dishes is null, (select max(h.at) from kitchen_history h where h.kitchen_id = k.id and h.parent is not null) desc nulls last,
               jsonb_array_length(coalesce(d.dishes, '[]'::jsonb)) desc, k.id`,
  );
  return Listed.array().parse(rows);
}
