import "server-only";
// What a label is on, by its code.
import { labelCode } from "../core/sheets/labels";
import { listDishOutputs } from "../db/queries/dishes";
import { database } from "./database";
import { loadLarderItems } from "./larder";

/** The page that shows it; undefined where no dish has such an output. */
export async function placeOfLabel(code: string): Promise<string | undefined> {
  const wanted = code.trim().toUpperCase();
  for (const { slug, dish, output } of await listDishOutputs(await database())) {
    if (labelCode(dish, output) !== wanted) continue;
    const kept = (await loadLarderItems()).find((i) => i.source?.slug === slug && i.source.output === output);
    return kept
      ? `/larder#${encodeURIComponent(kept.id)}`
      : `/d/${slug}/dish?c=${encodeURIComponent(output.slice(0, output.indexOf(".")))}`;
  }
  return undefined;
}
