import Link from "next/link";
import { WallClock } from "@/core/time/wall-clock";
import { findNewestKitchen, listDishes } from "@/db/queries/dishes";
import { backupState } from "@/server/backups";
import { proposedServing } from "@/server/clock";
import { database } from "@/server/database";
import { type Home, loadHome } from "@/server/home";
import { loadUseSoon } from "@/server/larder";
import { listLibrary } from "@/server/library";
import { BackupNote } from "@/ui/home/BackupNote";
import { DishRows } from "@/ui/home/DishRows";
import { KeepFresh } from "@/ui/home/KeepFresh";
import { NewDishWays } from "@/ui/home/NewDishWays";
import { NowPart } from "@/ui/home/NowPart";
import { OpenExample } from "@/ui/home/OpenExample";
import { RulerPart } from "@/ui/home/RulerPart";
import { UseSoon } from "@/ui/home/UseSoon";
import { EMPTY_HOME, HOME } from "@/words/home";

export const dynamic = "force-dynamic";
export const metadata = { title: HOME.title };

export default async function HomePage() {
  const db = await database();
  const home = await loadHome();
  const serving = proposedServing((await listDishes(db, 1))[0]?.timezone);
  const kitchen = await findNewestKitchen(db);
  const ways = {
    when: serving.serveAt,
    timezone: serving.timezone,
    kitchen,
    some: home.total > 0,
    library: listLibrary().map(({ id, name }) => ({ id, name })),
  };
  if (home.total === 0)
    return (
      <div className="grid gap-x-14 gap-y-8 md:grid-cols-[3fr_2fr]">
        <div>
          <h1 className="sr-only">{HOME.title}</h1>
          <NewDishWays {...ways} large />
          <OpenExample />
        </div>
        <div>
          {EMPTY_HOME.lead.map((line) => (
            <p key={line} className="border-t border-rule py-2.5 font-serif text-[18px] leading-snug">
              {line}
            </p>
          ))}
          {!kitchen && (
            <Link href="/kitchen" className="block border-t border-rule py-2.5 hover:bg-saffron-wash">
              <span className="font-semibold text-rim">{EMPTY_HOME.kitchen}</span>{" "}
              <span className="text-[14px] text-quiet">{EMPTY_HOME.kitchenHint}</span>
            </Link>
          )}
        </div>
      </div>
    );
  const backups = await backupState(home.total);
  return (
    <>
      {backups.old && <BackupNote none={backups.newest === undefined} />}
      <KeepFresh soon={home.ahead.dishes.some((d) => d.fact === HOME.planning)} />
      <Top home={home} />
      <UseSoon items={await loadUseSoon()} clock={new WallClock(home.offsets)} now={home.now} />
      <div className="mt-8 grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,2.1fr)_minmax(0,1fr)]">
        <section aria-label={HOME.dishes}>
          <h2 className="caps pb-1 font-sans font-normal">{HOME.dishes}</h2>
          <DishRows part="ahead" first={home.ahead} />
        </section>
        <div className="flex flex-col gap-8">
          <NewDishWays {...ways} />
          {home.past.dishes.length > 0 && (
            <section aria-label={HOME.past}>
              <h2 className="caps pb-1 font-sans font-normal">{HOME.past}</h2>
              <DishRows part="past" first={home.past} />
            </section>
          )}
        </div>
      </div>
    </>
  );
}

/** Now, next, waiting, and the way to the table that comes first. */
function Top({ home }: { readonly home: Home }) {
  const clock = new WallClock(home.offsets);
  const { house, now, plans } = home;
  const running = new Set(plans.filter((p) => p.running).map((p) => p.slug));
  const next = [...plans]
    .filter((p) => p.view.serveAt > now)
    .sort((a, b) => Number(b.running) - Number(a.running) || a.view.serveAt - b.view.serveAt)[0];
  return (
    <>
      <NowPart house={house} clock={clock} now={now} running={running} />
      {running.size > 0 && next && <RulerPart house={house} clock={clock} now={now} serve={{ dish: next.dish, at: next.view.serveAt }} />}
    </>
  );
}
