import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { WORK_BY_DAY } from "@/words/route-chart";

interface DayWork {
  readonly day: number;
  readonly name: string;
  readonly minutes: number;
  /** When the last hands of the day are free. */
  readonly last: number;
}

/** Minutes of work by hand of each day that has any, all cooks together. */
export function workByDay(plan: PlanView, clock: WallClock): DayWork[] {
  const days = new Map<number, DayWork>();
  for (const h of plan.steps.flatMap((s) => s.hands)) {
    const day = clock.dayNumber(h.from);
    const known = days.get(day);
    days.set(day, {
      day,
      name: clock.weekday(h.from),
      minutes: (known?.minutes ?? 0) + h.to - h.from,
      last: Math.max(known?.last ?? 0, h.to),
    });
  }
  return [...days.values()].sort((a, b) => a.day - b.day);
}

export function WorkByDay({ plan, clock }: { plan: PlanView; clock: WallClock }) {
  return (
    <table className="mb-4 w-full text-[14px]">
      <caption className="sr-only">{WORK_BY_DAY.handsOnTimeByDay}</caption>
      <tbody>
        {workByDay(plan, clock).map(({ day, name, minutes, last }) => (
          <tr key={day} className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-medium">
              {name}
            </th>
            <td className="py-1">{spokenDuration(minutes)}</td>
            <td className="py-1 text-right text-[13px] text-quiet">
              {WORK_BY_DAY.until} {clock.time(last)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
