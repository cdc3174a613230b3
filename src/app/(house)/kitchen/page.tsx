import Link from "next/link";
import { notFound } from "next/navigation";
import { spokenDuration } from "@/core/time/duration";
import { WallClock } from "@/core/time/wall-clock";
import { listKitchens } from "@/db/queries/kitchens";
import { database } from "@/server/database";
import { loadState } from "@/server/state";
import { DevicesPart } from "@/ui/kitchen/DevicesPart";
import { FirstKitchen } from "@/ui/kitchen/FirstKitchen";
import { KitchenChoice } from "@/ui/kitchen/KitchenChoice";
import { KitchenForm } from "@/ui/kitchen/KitchenForm";
import { WorkByDay } from "@/ui/route-chart/WorkByDay";
import { ConflictNote } from "@/ui/shell/NoPlan";
import { Palette } from "@/ui/shell/Palette";
import { PlanKeeper } from "@/ui/shell/PlanKeeper";
import { SeeVersions } from "@/ui/shell/seen-versions";
import { FIRST_KITCHEN, KITCHEN } from "@/words/kitchen";

export const dynamic = "force-dynamic";
export const metadata = { title: KITCHEN.title };

/** One kitchen for all dishes; where there are several, the one of the dish that is named in the address. */
export default async function KitchenPage({ searchParams }: { searchParams: Promise<{ dish?: string }> }) {
  const kitchens = await listKitchens(await database());
  const { dish } = await searchParams;
  const here = dish === undefined ? kitchens.find((k) => k.dishes.length > 0) : kitchens.find((k) => k.dishes.some((d) => d.slug === dish));
  if (dish !== undefined && !here) notFound();
  if (!here)
    return (
      <div className="max-w-[46rem]">
        <h1 className="text-[30px]">{FIRST_KITCHEN.title}</h1>
        <p className="pb-4 text-quiet">{FIRST_KITCHEN.lead}</p>
        <FirstKitchen kitchen={kitchens[0]?.document} />
      </div>
    );
  const slug = dish ?? (here.dishes[0]?.slug as string);
  const state = await loadState(slug);
  if (!state) notFound();
  const clock = new WallClock(state.offsets);
  return (
    <>
      <PlanKeeper
        slug={slug}
        stale={state.stale}
        running={state.running}
        news={state.news}
        version={`${state.dishVersion}.${state.kitchenVersion}`}
      />
      <SeeVersions slug={slug} version={state.dishVersion} kitchenVersion={state.kitchenVersion} />
      <div className="grid gap-x-10 lg:grid-cols-[minmax(0,1fr)_270px]">
        <div className="min-w-0">
          <div className="flex flex-wrap items-baseline justify-between gap-x-6">
            <h1 className="text-[30px]">{KITCHEN.title}</h1>
            {kitchens.filter((k) => k.dishes.length > 0).length > 1 && (
              <KitchenChoice
                here={slug}
                kitchens={kitchens.flatMap((k) =>
                  k.dishes[0] ? [{ slug: k === here ? slug : k.dishes[0].slug, names: k.dishes.map((d) => d.name) }] : [],
                )}
              />
            )}
          </div>
          <p className="pb-4 text-quiet">
            {KITCHEN.serves(
              here.dishes.slice(0, 4).map((d) => d.name),
              here.dishes.length,
            )}
          </p>
          <KitchenForm slug={slug} version={state.kitchenVersion} kitchen={state.document.kitchen ?? {}} />
          <DevicesPart />
        </div>
        <aside aria-label="The plan with this kitchen" className="border-rule pt-6 lg:border-l lg:pl-6">
          <h2 className="text-[19px]">
            <Link href={`/d/${slug}/timetable`} className="hover:underline">
              {state.name}
            </Link>
          </h2>
          {state.conflict ? (
            <ConflictNote slug={slug} conflict={state.conflict} />
          ) : state.plan ? (
            <>
              <p className="pb-3 text-[14.5px]" data-testid="plan-begins">
                starts {clock.dayTime(state.plan.begins)}, {spokenDuration(state.plan.leadMinutes)} before serving
              </p>
              <WorkByDay plan={state.plan} clock={clock} />
            </>
          ) : (
            <p className="text-quiet">no plan yet</p>
          )}
        </aside>
      </div>
      <Palette slug={slug} />
    </>
  );
}
