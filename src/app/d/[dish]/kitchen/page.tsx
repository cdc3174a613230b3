import { notFound } from "next/navigation";
import { spokenDuration } from "@/core/time/duration";
import { WallClock } from "@/core/time/wall-clock";
import { loadState } from "@/server/state";
import { KitchenForm } from "@/ui/kitchen/KitchenForm";
import { WorkByDay } from "@/ui/route-chart/WorkByDay";
import { ConflictNote } from "@/ui/shell/NoPlan";
import { UnitsChoice } from "@/ui/shell/units";

export default async function KitchenPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const clock = new WallClock(state.offsets);
  return (
    <div className="grid max-w-[78rem] gap-x-10 px-5 pt-5 pb-10 sm:px-7 lg:grid-cols-[minmax(0,1fr)_230px]">
      <div className="min-w-0">
        <div className="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
          <h1 className="text-[26px]">Kitchen</h1>
          <UnitsChoice />
        </div>
        <KitchenForm slug={state.slug} version={state.kitchenVersion} kitchen={state.document.kitchen ?? {}} />
      </div>
      <aside aria-label="The plan with this kitchen" className="border-rule pt-2 lg:border-l lg:pl-6">
        <h2 className="text-[19px]">{state.name}</h2>
        {state.conflict ? (
          <ConflictNote slug={state.slug} conflict={state.conflict} />
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
  );
}
