"use client";
// One run as a page of the notebook.
import Link from "next/link";
import { useMemo } from "react";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import { WallClock } from "@/core/time/wall-clock";
import type { RunPage } from "@/core/view/run-page";
import { didWhat } from "@/words/cook";
import { NOTEBOOK } from "@/words/notebook";
import { merged, useWritten } from "../cook/written";
import { MiniChart } from "../home/MiniChart";
import { AmountsPart } from "./AmountsPart";
import { BesidePart } from "./BesidePart";
import { LengthsPart } from "./LengthsPart";
import { MethodsPart, WaitsPart } from "./LikedPart";
import { PhotographsPart } from "./PhotographsPart";
import { TemperaturesPart } from "./TemperaturesPart";
import { VerdictPart } from "./VerdictPart";

const ON_TIME_MINUTES = 5;

export function RunReview({ page }: { readonly page: RunPage }) {
  const { run, served, charts, rows } = page;
  const clock = useMemo(() => new WallClock(page.offsets), [page.offsets]);
  return (
    <article className="max-w-[60rem]">
      <header className="border-b-2 border-rim pb-3">
        <h1 className="text-[30px] leading-tight">{NOTEBOOK.run(run.name, clock.date(run.startedAt))}</h1>
        <p className="text-quiet">
          {run.endedAt === undefined
            ? NOTEBOOK.since(clock.dateTime(run.startedAt))
            : NOTEBOOK.from(clock.dateTime(run.startedAt), clock.dateTime(run.endedAt))}
          .{" "}
          <Link className="link" href={`/d/${run.slug}/dish`}>
            {NOTEBOOK.toDish}
          </Link>
        </p>
        <p className="pt-1 text-[17px]">
          {served.really !== undefined && served.planned !== undefined
            ? NOTEBOOK.served(clock.dateTime(served.really), lateness(served.really - served.planned))
            : served.planned !== undefined && NOTEBOOK.servedPlanned(clock.dateTime(served.planned))}
        </p>
      </header>
      {charts && (
        <section aria-label={NOTEBOOK.charts} className="grid gap-x-10 gap-y-3 py-4 md:grid-cols-2">
          <figure>
            <figcaption className="caps pb-1">{NOTEBOOK.planned}</figcaption>
            <MiniChart mini={charts.planned} wide />
          </figure>
          <figure>
            <figcaption className="caps pb-1">{NOTEBOOK.done}</figcaption>
            <MiniChart mini={charts.really} wide />
          </figure>
        </section>
      )}
      <VerdictPart page={page} />
      <PhotographsPart page={page} clock={clock} />
      <BesidePart page={page} clock={clock} />
      <AmountsPart page={page} />
      <TemperaturesPart page={page} />
      <WaitsPart page={page} />
      <MethodsPart page={page} />
      <LengthsPart page={page} />
      <section aria-label={NOTEBOOK.rows} className="pt-5">
        <h2 className="border-t-2 border-rim pt-2 text-[21px]">{NOTEBOOK.rows}</h2>
        <div className="overflow-x-auto">
          <table className="w-full min-w-[38rem] text-[14.5px]">
            <thead>
              <tr className="text-left text-quiet">
                {[NOTEBOOK.step, NOTEBOOK.plannedStart, NOTEBOOK.doneStart, NOTEBOOK.plannedFor, NOTEBOOK.took].map((h) => (
                  <th key={h} scope="col" className="py-1 pr-4 font-normal">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.step} className="border-t border-rule align-baseline">
                  <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                    {r.name} <span className="text-[13px] text-quiet">{lower(r.component)}</span>
                  </th>
                  <td className="clock py-1.5 pr-4 whitespace-nowrap">{r.planned ? clock.dayTime(r.planned.start) : ""}</td>
                  <td className="clock py-1.5 pr-4 whitespace-nowrap">
                    {r.really ? clock.dayTime(r.really.start) : <span className="font-sans text-quiet">{NOTEBOOK.notDone}</span>}
                  </td>
                  <td className="py-1.5 pr-4 whitespace-nowrap">{r.planned ? spokenDuration(r.planned.minutes) : ""}</td>
                  <td className="py-1.5 whitespace-nowrap">{tookText(r.really)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <LogPart page={page} clock={clock} />
    </article>
  );
}

function lateness(by: number): string {
  if (Math.abs(by) <= ON_TIME_MINUTES) return NOTEBOOK.onTime;
  return (by > 0 ? NOTEBOOK.late : NOTEBOOK.early)(spokenDuration(Math.abs(by)));
}

function tookText(really: RunPage["rows"][number]["really"]): string {
  if (!really) return "";
  if (really.skipped) return NOTEBOOK.skipped;
  return really.minutes === undefined ? NOTEBOOK.running : spokenDuration(really.minutes);
}

function LogPart({ page, clock }: { readonly page: RunPage; readonly clock: WallClock }) {
  const written = useWritten(
    page.entries,
    useMemo(() => page.rows.map((r) => ({ ref: r.step, name: r.name })), [page.rows]),
    page.components,
  );
  const lines = merged(page.log, written);
  return (
    <section aria-label={NOTEBOOK.log} className="pt-6">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{NOTEBOOK.log}</h2>
      {lines.length === 0 && <p className="text-quiet">{NOTEBOOK.nothing}</p>}
      <ol>
        {lines.map((one) => (
          <li
            key={"text" in one ? `w${one.id}` : one.sequence}
            className="grid grid-cols-[7.6rem_1fr] items-baseline gap-x-3 border-t border-rule py-1.5"
          >
            <span className="clock text-[14px]">{clock.dayTime(one.at)}</span>
            <span className="min-w-0 break-words">
              {"text" in one ? one.text : `${didWhat(one)}: ${one.name}`}{" "}
              <span className="text-[13.5px] text-quiet">
                {"text" in one ? one.step : [one.component, one.by].filter(Boolean).join(", ")}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
