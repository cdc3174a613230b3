import type { PlanView } from "@/core/sheets/plan-view";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { requestPlan } from "../shell/PlanKeeper";
import { colourOf } from "./colours";
import { WorkByDay, workByDay } from "./WorkByDay";

const STYLES: readonly (readonly [string, string, string])[] = [
  ["late", "Late", "fresh, and as short as it can be"],
  ["ahead", "Ahead", "little left for the last hours"],
  ["even", "Even", "no day too full"],
];

/** What the whole plan is like: its days by work, its components by their beginning. */
export function PlanPanel({
  plan,
  style,
  clock,
  onSelect,
}: {
  plan: PlanView;
  style: string;
  clock: WallClock;
  onSelect: (component: string) => void;
}) {
  const days = workByDay(plan, clock);
  const begun = plan.steps.some((s) => s.state !== "planned");
  const total = days.reduce((sum, d) => sum + d.minutes, 0);
  return (
    <div className="pt-4 pb-6">
      <h2 className="text-[20px]">
        {spokenDuration(total)} of work{begun ? " left" : ""}
      </h2>
      <p className="pb-3 text-[13.5px] text-quiet">
        over {days.length === 1 ? "one day" : `${days.length} days`}.
        {begun ? "" : ` No plan can begin later than ${clock.dayTime(plan.serveAt - plan.boundMinutes)}.`}
      </p>
      <WorkByDay plan={plan} clock={clock} />
      <fieldset className="mb-5">
        <legend className="caps mb-1.5">How it is laid out</legend>
        <div className="flex flex-col gap-1 text-[14px]">
          {STYLES.map(([id, name, what]) => (
            <label key={id} className="flex cursor-pointer items-baseline gap-2">
              <input
                type="radio"
                name="style"
                checked={style === id}
                onChange={() => requestPlan({ style: id, fresh: true })}
                className="accent-(--rim)"
              />
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
              <button
                type="button"
                onClick={() => onSelect(c.id)}
                className="cursor-pointer text-left text-[14px] font-medium hover:underline"
                style={{ color: colourOf(c.kind) }}
              >
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
