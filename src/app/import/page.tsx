import { findNewestKitchen, listDishes } from "@/db/queries/dishes";
import { proposedServing } from "@/server/clock";
import { database } from "@/server/database";
import { ImportPreview } from "@/ui/dish/ImportPreview";
import { AsideHead } from "@/ui/shell/AsideHead";

export const dynamic = "force-dynamic";
export const metadata = { title: "Import a recipe" };

export default async function ImportPage() {
  const db = await database();
  const serving = proposedServing((await listDishes(db))[0]?.timezone);
  return (
    <main className="mx-auto max-w-[68rem] px-6 py-6">
      <AsideHead>
        <h1 className="text-[25px]">Import a recipe</h1>
      </AsideHead>
      <ImportPreview when={serving.serveAt} timezone={serving.timezone} kitchen={await findNewestKitchen(db)} />
    </main>
  );
}
