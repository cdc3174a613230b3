import { findNewestKitchen, listDishes } from "@/db/queries/dishes";
import { proposedServing } from "@/server/clock";
import { database } from "@/server/database";
import { ImportPreview } from "@/ui/import/ImportPreview";

export const dynamic = "force-dynamic";
export const metadata = { title: "Import a recipe" };

export default async function ImportPage() {
  const db = await database();
  const serving = proposedServing((await listDishes(db))[0]?.timezone);
  return (
    <div className="max-w-[68rem]">
      <h1 className="pb-2 text-[30px]">Import a recipe</h1>
      <ImportPreview when={serving.serveAt} timezone={serving.timezone} kitchen={await findNewestKitchen(db)} />
    </div>
  );
}
