import { CalendarDays } from "lucide-react";
import { notFound } from "next/navigation";
import { dayList } from "@/core/sheets/day-list";
import { WallClock } from "@/core/time/wall-clock";
import { loadFindings } from "@/server/safety";
import { loadState } from "@/server/state";
import { DayList } from "@/ui/days/DayList";
import { DaysNav } from "@/ui/days/DaysNav";
import { PrintButton } from "@/ui/days/PrintButton";
import { Spoken } from "@/ui/shell/conventions";
import { NoPlan } from "@/ui/shell/NoPlan";

export default async function DaysPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const clock = new WallClock(state.offsets);
  const findings = (await loadFindings(state.slug)) ?? [];
  const severe = findings.filter((f) => f.severity === "stop");
  return (
    <>
      <DaysNav slug={state.slug} />
      <article className="mx-auto max-w-[78ch] px-5 pt-5 pb-12 sm:px-7">
        <header className="mb-5 flex flex-wrap items-end justify-between gap-x-4 gap-y-3">
          <div>
            <h1 className="text-[28px]">{state.name}</h1>
            <p className="text-quiet">
              served {clock.date(state.plan.serveAt)}, {clock.time(state.plan.serveAt)}, for {state.serves}
            </p>
          </div>
          <div className="flex gap-2" data-screen>
            <a className="act" href={`/api/dishes/${state.slug}/calendar`} download>
              <CalendarDays size={17} aria-hidden="true" /> Calendar
            </a>
            <PrintButton />
          </div>
        </header>
        {severe.length > 0 && (
          <section aria-label="Before you start" className="mb-5 border-l-[3px] border-beet pl-3 text-[14px]">
            <h2 className="text-[18px]">Before you start</h2>
            <ul>
              {severe.map((f) => (
                <li key={f.id} className="py-0.5">
                  <span className="clock mr-2" aria-hidden="true">
                    {f.acknowledged ? "☒" : "☐"}
                  </span>
                  <b className="font-semibold">{f.title}</b>
                  {f.where && `, ${f.where}`}: <Spoken>{f.computed}</Spoken>
                </li>
              ))}
            </ul>
          </section>
        )}
        <DayList days={dayList(state.plan, clock, findings)} plan={state.plan} clock={clock} />
      </article>
    </>
  );
}
