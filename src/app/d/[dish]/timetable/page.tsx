import { notFound } from "next/navigation";
import { coursesOf } from "@/core/dish/feast";
import { dishModel } from "@/core/dish/read-model";
import { dayList } from "@/core/sheets/day-list";
import { loadNotes } from "@/core/sheets/load";
import { WallClock } from "@/core/time/wall-clock";
import { listDishes } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { loadFindings } from "@/server/safety";
import { loadReasons, loadState } from "@/server/state";
import { DayList } from "@/ui/days/DayList";
import { ChartTable } from "@/ui/route-chart/ChartTable";
import { PlanChoices } from "@/ui/route-chart/PlanChoices";
import { Timetable } from "@/ui/route-chart/Timetable";
import { ToMind } from "@/ui/safety/ToMind";
import { NoPlan } from "@/ui/shell/NoPlan";
import { CHOICES } from "@/words/choices";

export default async function TimetablePage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan && !state.conflict) return <NoPlan slug={state.slug} conflict={undefined} />;
  const reasons = await loadReasons(state.slug);
  const clock = new WallClock(state.offsets);
  const findings = (await loadFindings(state.slug)) ?? [];
  const severe = findings.filter((f) => f.severity === "stop" && !f.acknowledged);
  const others = (await listDishes(await database())).filter((d) => d.slug !== state.slug);
  return (
    <>
      <h1 className="sr-only">Timetable of {state.name}</h1>
      {state.choices && !state.choices.reached && (
        <p className="px-5 pt-2 text-[13.5px] sm:px-7" data-screen>
          <a className="link" href="#choices">
            {CHOICES.none(Math.round(state.choices.wish * 100))}
          </a>
        </p>
      )}
      {severe.length > 0 && (
        <p className="px-5 pt-2 text-[13.5px] sm:px-7" data-screen>
          <a className="link" href="#mind">
            {severe.some((f) => f.hard)
              ? "Something is past a limit and must be fixed"
              : `${severe.length === 1 ? "One danger" : `${severe.length} dangers`} to acknowledge before you start`}
          </a>
        </p>
      )}
      <Timetable
        slug={state.slug}
        version={state.dishVersion}
        stamp={state.stamp}
        plan={state.plan}
        serveAt={state.serveAt}
        wishes={state.document.wishes}
        pins={dishModel(state.document).wishes.pins}
        offsets={state.offsets}
        now={state.now}
        reasons={reasons}
        notes={state.plan ? loadNotes(state.plan, reasons.whys, clock) : []}
        conflict={state.conflict}
        critical={reasons.whys.filter((w) => w.critical).map((w) => w.step)}
        courses={coursesOf(state.document)}
        others={others.map(({ slug, name }) => ({ slug, name }))}
      />
      {state.choices && state.choices.plans.length > (state.choices.reached ? 1 : 0) && (
        <PlanChoices
          slug={state.slug}
          version={state.dishVersion}
          wishes={state.document.wishes}
          reached={state.choices.reached}
          wish={state.choices.wish}
          plans={state.choices.plans}
          offsets={state.offsets}
        />
      )}
      <ToMind slug={state.slug} version={state.dishVersion} findings={findings} />
      {state.plan && (
        <>
          <section aria-label="Day by day" className="mx-5 mt-4 border-t border-rule pt-4 sm:mx-7">
            <h2 className="mb-3 text-[22px]">Day by day</h2>
            <div className="max-w-[74ch]">
              <DayList days={dayList(state.plan, clock)} plan={state.plan} clock={clock} />
            </div>
          </section>
          <ChartTable plan={state.plan} clock={clock} />
          <div className="pb-10" />
        </>
      )}
    </>
  );
}
