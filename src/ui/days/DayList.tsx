import { lower } from "@/core/sentence";
import { type Day, type DayEntry, whenOver } from "@/core/sheets/day-list";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { withAmounts } from "@/core/view/with-amounts";
import { DAY_LIST } from "@/words/days";
import { placeWords } from "../route-chart/words";
import { Spoken } from "../shell/conventions";

/** How much is to be done by hand in a part of a day; of what is done the record says when, not how long hands were on it. */
function handsIn(entries: readonly DayEntry[]): string {
  if (entries.every((e) => e.step.state === "done")) return DAY_LIST.allDone;
  return DAY_LIST.byHand(spokenDuration(entries.reduce((sum, e) => sum + e.minutes, 0)));
}

/** The plan day by day: the same as the chart, in words, and the page for paper. */
export function DayList({ days, plan, clock }: { days: readonly Day[]; plan: PlanView; clock: WallClock }) {
  const component = (id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
  const several = plan.cooks.length > 1;
  return (
    <div>
      {days.map((day) => (
        <section key={day.number} data-day={day.number} aria-label={day.name} className="mb-7">
          <h2 className="border-b-2 border-rim pb-0.5 text-[21px]">{day.name}</h2>
          {day.parts.map((part) => (
            <div key={part.name}>
              <h3 className="caps mt-2.5 mb-0.5 font-sans font-normal">
                {part.name}, {handsIn(part.entries)}
              </h3>
              <ul>
                {part.entries.map((entry) => (
                  <li
                    key={`${entry.at} ${entry.step.ref} ${entry.what}`}
                    className="grid grid-cols-[max-content_1fr] gap-x-3 border-t border-rule py-1 first:border-t-0"
                  >
                    <span className="clock clock-column text-[14px]">{clock.time(entry.at)}</span>
                    <span>
                      <span className="font-medium">{entry.what === "end" ? DAY_LIST.finishIt(entry.step.name) : entry.step.name}</span>
                      <span className="text-[13.5px] text-quiet">
                        {" "}
                        {lower(component(entry.step.component))}
                        {entry.minutes ? `, ${spokenDuration(entry.minutes)}` : ""}
                        {entry.what === "start" && entry.step.state !== "done" && (entry.minutes === 0 || entry.step.attention !== "hands")
                          ? DAY_LIST.thenUntil(
                              entry.step.attention === "nearby" ? "keep an eye on it" : "unattended",
                              whenOver(entry.step, clock, entry.at),
                            )
                          : ""}
                        {entry.step.state === "done" && DAY_LIST.done}
                        {entry.step.place !== "counter" && <Spoken>{`, ${placeWords(entry.step)}`}</Spoken>}
                        {several && entry.cooks.length ? ` (${entry.cooks.join(", ")})` : ""}
                      </span>
                      {entry.what !== "end" && entry.step.goesIn.length > 0 && (
                        <span className="block text-[13.5px]">
                          <Spoken>{withAmounts({ goesIn: entry.step.goesIn, takes: [] })}</Spoken>
                        </span>
                      )}
                      {entry.step.cue && (entry.what === "end" || entry.step.attention === "hands" || entry.minutes === 0) && (
                        <span className="block text-[13.5px]">
                          {DAY_LIST.until} {entry.step.cue}
                          {entry.step.probeC !== undefined && <Spoken>{`, ${entry.step.probeC} °C`}</Spoken>}
                        </span>
                      )}
                    </span>
                  </li>
                ))}
              </ul>
            </div>
          ))}
          {day.checks.length > 0 && (
            <>
              <h3 className="caps mt-2.5 mb-0.5 font-sans font-normal">{DAY_LIST.checks}</h3>
              <ul className="text-[14px]">
                {day.checks.map((check) => (
                  <li key={`${check.step.ref} ${check.at}`} className="grid grid-cols-[max-content_1fr] gap-x-3 py-0.5">
                    <span className="clock clock-column">{clock.time(check.at)}</span>
                    <span>
                      {component(check.step.component)}: <Spoken>{check.text}</Spoken>
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {day.rounds.length > 0 && (
            <>
              <h3 className="caps mt-2.5 mb-0.5 font-sans font-normal">{DAY_LIST.rounds}</h3>
              <ul className="text-[14px]">
                {day.rounds.map((round) => (
                  <li key={`${round.step.ref} ${round.what}`}>
                    {component(round.step.component)}: {round.what}{" "}
                    <span className="clock text-[13px] text-quiet">{round.at.map((m) => clock.time(m)).join(" · ")}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {day.beforeBed.length > 0 && (
            <div className="mt-3 border-l-[3px] border-night bg-night-wash/50 py-1.5 pl-3">
              <h3 className="text-[15px]">{DAY_LIST.beforeBed}</h3>
              <ul className="text-[14px]">
                {day.beforeBed.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </div>
          )}
        </section>
      ))}
    </div>
  );
}
