import Link from "next/link";
import { countDishes, findNewestKitchen, listDishes } from "@/db/queries/dishes";
import { backupState } from "@/server/backups";
import { proposedServing } from "@/server/clock";
import { database } from "@/server/database";
import { Backups } from "@/ui/shell/Backups";
import { ImportDish } from "@/ui/shell/ImportDish";
import { Mark } from "@/ui/shell/Mark";
import { NewDish } from "@/ui/shell/NewDish";

export const dynamic = "force-dynamic";

/** Dishes that are listed at once; the rest comes when it is asked for. */
const MOST_LISTED = 40;

export default async function HomePage({ searchParams }: { searchParams: Promise<{ all?: string }> }) {
  const db = await database();
  const all = (await searchParams).all !== undefined;
  const total = await countDishes(db);
  const dishes = await listDishes(db, all ? undefined : MOST_LISTED);
  const kitchen = await findNewestKitchen(db);
  const backups = await backupState(dishes.length);
  const serving = proposedServing(dishes[0]?.timezone);
  return (
    <main className="mx-auto max-w-[62rem] px-6 py-8">
      <div className="mb-8 flex items-center gap-3 border-b-[2.5px] border-rim pb-3">
        <Mark size={42} />
        <div>
          <h1 className="text-[27px]">Rondeau</h1>
          <p className="text-[13.5px] text-quiet">one elaborate dish over several days, planned back from serving</p>
        </div>
      </div>
      <div className="grid gap-10 md:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-12">
          <section aria-label="Dishes">
            <h2 className="caps mb-1 font-sans font-normal">Dishes</h2>
            {dishes.length === 0 && <p className="py-3">No dishes yet. Create one, or import a dish file.</p>}
            <ul>
              {dishes.map((dish) => (
                <li key={dish.slug} className="border-t border-rule">
                  <Link href={`/d/${dish.slug}/timetable`} className="flex items-baseline justify-between gap-4 py-3 hover:bg-saffron-wash">
                    <span className="font-serif text-[21px] font-semibold">{dish.name}</span>
                    <span className="text-[14px] text-quiet">
                      {said(dish.serveAt)}, for {dish.serves}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
            {total > dishes.length && (
              <Link href="/?all" className="link mt-3 inline-block text-[15px]">
                Show all {total} dishes
              </Link>
            )}
          </section>
          <Backups {...backups} />
        </div>
        <div className="flex flex-col gap-8">
          <NewDish when={serving.serveAt} timezone={serving.timezone} kitchen={kitchen} />
          <section aria-label="Import a dish">
            <ImportDish />
          </section>
          <section aria-label="Bench">
            <h2 className="caps mb-1 font-sans font-normal">Bench</h2>
            <Link href="/bench" className="block border-t border-rule py-2 hover:bg-saffron-wash">
              Kitchen calculators
              <span className="block text-[14px] text-quiet">doughs, brines and cures, pickles, cooling, roasts, jellies, portions</span>
            </Link>
          </section>
        </div>
      </div>
    </main>
  );
}

function said(instant: string): string {
  const date = new Date(`${instant.slice(0, 16)}Z`);
  return `${date.toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "long", timeZone: "UTC" })}, ${instant.slice(11, 16)}`;
}
