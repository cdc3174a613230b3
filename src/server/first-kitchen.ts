import "server-only";
// The kitchen of a house that has no dish yet: later ones are changed by way of a dish that is planned for them.
import { newDish } from "../core/dish/edit/components";
import { readDishValue } from "../core/dish/read";
import { KitchenSchema } from "../core/dish/schema";
import { insertKitchen, updateDocument } from "../db/queries/dishes";
import { listKitchens } from "../db/queries/kitchens";
import { proposedServing } from "./clock";
import { database } from "./database";
import type { Outcome } from "./dishes";
import { refused } from "./planning";

/** @returns the id of the kitchen; refused where it is not in order, or where dishes have a kitchen already */
export async function saveFirstKitchen(value: unknown): Promise<Outcome<{ id: string }>> {
  const kitchen = KitchenSchema.safeParse(value);
  const { serveAt, timezone } = proposedServing();
  const read = readDishValue({ ...newDish({ name: "any", serves: 1, serveAt, timezone }), kitchen: value });
  if (!kitchen.success || read.status === "refused") return { status: "refused", problems: read.status === "refused" ? read.problems : [] };
  const db = await database();
  return db.transaction(async (tx): Promise<Outcome<{ id: string }>> => {
    const [there] = await listKitchens(tx);
    if (!there) return { status: "done", value: { id: await insertKitchen(tx, "Kitchen", kitchen.data) } };
    if (there.dishes.length > 0)
      return refused("kitchen", "Dishes are planned for a kitchen already. Open Kitchen and change it there: nothing was saved.");
    await updateDocument(tx, "kitchen", there.id, there.version, kitchen.data, "the kitchen");
    return { status: "done", value: { id: there.id } };
  });
}
