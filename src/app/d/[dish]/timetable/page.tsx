import { notFound } from "next/navigation";
import { dayList } from "@/core/sheets/day-list";
import { loadNotes } from "@/core/sheets/load";
import { WallClock } from "@/core/time/wall-clock";
import { loadReasons, loadState } from "@/server/state";
import { DayList } from "@/ui/days/DayList";
import { LoadNotes } from "@/ui/route-chart/LoadNotes";
import { Timetable } from "@/ui/route-chart/Timetable";
import { ConflictNote, NoPlan } from "@/ui/shell/NoPlan";

export default async function TimetablePage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const reasons = await loadReasons(state.slug);
  const clock = new WallClock(state.offsets);
  return (
    <>
      <h1 className="sr-only">Timetable of {state.name}</h1>
      {state.conflict && (
        <div className="px-7 pt-3">
          <ConflictNote slug={state.slug} conflict={state.conflict} />
          <p className="pt-1 pl-4 text-[13.5px] text-quiet">Below stands the last plan that held.</p>
        </div>
      )}
      <Timetable plan={state.plan} style={state.style ?? "late"} offsets={state.offsets} now={state.now} reasons={reasons} />
      <LoadNotes notes={loadNotes(state.plan, reasons.whys, clock)} />
      <section aria-label="Day by day" className="mx-5 mt-4 border-t border-rule pt-4 pb-10 sm:mx-7">
        <h2 className="mb-3 text-[22px]">Day by day</h2>
        <div className="max-w-[74ch]">
          <DayList days={dayList(state.plan, clock)} plan={state.plan} clock={clock} />
        </div>
      </section>
    </>
  );
}
