import type { PlanView } from "@/core/sheets/plan-view";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { requestPlan } from "../shell/PlanKeeper";
import { colourOf } from "./colours";

const STYLES: readonly (readonly [string, string, string])[] = [
  ["late", "Late", "fresh, and as short as it can be"],
  ["ahead", "Ahead", "little left for the last hours"],
  ["even", "Even", "no day too full"],
];

/** What the whole plan is like: its days by work, its components by their beginning. */
export function PlanPanel({ plan, style, clock, onSelect }: { plan: PlanView; style: string; clock: WallClock; onSelect: (component: string) => void }) {
  const days = new Map<number, { name: string; minutes: number; last: number }>();
  for (const h of plan.steps.flatMap((s) => s.hands)) {
    const day = clock.dayNumber(h.from);
    const known = days.get(day) ?? { name: clock.weekday(h.from), minutes: 0, last: 0 };
    days.set(day, { name: known.name, minutes: known.minutes + h.to - h.from, last: Math.max(known.last, h.to) });
  }
  const total = [...days.values()].reduce((sum, d) => sum + d.minutes, 0);
  return (
    <div className="pt-4 pb-6">
      <h2 className="text-[20px]">{spokenDuration(total)} of work</h2>
      <p className="pb-3 text-[13.5px] text-quiet">
        over {days.size} days. No plan can begin later than {clock.dayTime(plan.serveAt - plan.boundMinutes)}.
      </p>
      <table className="mb-4 w-full text-[14px]">
        <caption className="sr-only">Work by hand, day by day</caption>
        <tbody>
          {[...days].sort((a, b) => a[0] - b[0]).map(([day, { name, minutes, last }]) => (
            <tr key={day} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-medium">
                {name}
              </th>
              <td className="py-1">{spokenDuration(minutes)}</td>
              <td className="py-1 text-right text-[13px] text-quiet">until {clock.time(last)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <fieldset className="mb-5">
        <legend className="caps mb-1.5">How it is laid out</legend>
        <div className="flex flex-col gap-1 text-[14px]">
          {STYLES.map(([id, name, what]) => (
            <label key={id} className="flex cursor-pointer items-baseline gap-2">
              <input type="radio" name="style" checked={style === id} onChange={() => requestPlan({ style: id, fresh: true })} className="accent-(--rim)" />
              <span>
                <b className="font-semibold">{name}</b>, <span className="text-quiet">{what}</span>
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      <h3 className="caps mb-1 font-sans font-normal">Components</h3>
      <ul>
        {plan.components.map((c) => {
          const first = Math.min(...plan.steps.filter((s) => s.component === c.id).map((s) => s.start));
          return (
            <li key={c.id} className="flex items-baseline justify-between border-t border-rule py-[3px]">
              <button type="button" onClick={() => onSelect(c.id)} className="cursor-pointer text-left text-[14px] font-medium hover:underline" style={{ color: colourOf(c.kind) }}>
                {c.name}
              </button>
              <span className="clock text-[12px] text-quiet">{clock.dayTime(first)}</span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
