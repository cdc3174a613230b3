import "server-only";
// What a label is on, by its code.
import { itemCode } from "../core/sheets/item-labels";
import { labelCode } from "../core/sheets/labels";
import { listDishOutputs } from "../db/queries/dishes";
import { database } from "./database";
import { loadLarderItems } from "./larder";

/** The page that shows it; undefined where neither a dish nor the larder has such a thing. */
export async function placeOfLabel(code: string): Promise<string | undefined> {
  const wanted = code.trim().toUpperCase();
  for (const { slug, dish, output } of await listDishOutputs(await database())) {
    if (labelCode(dish, output) !== wanted) continue;
    const kept = (await loadLarderItems()).find((i) => i.source?.slug === slug && i.source.output === output);
    return kept
      ? `/larder#${encodeURIComponent(kept.id)}`
      : `/d/${slug}/dish?c=${encodeURIComponent(output.slice(0, output.indexOf(".")))}`;
  }
  const own = (await loadLarderItems()).find((i) => itemCode(i, undefined) === wanted);
  return own && `/larder#${encodeURIComponent(own.id)}`;
}
