import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { ZOOM_ROW } from "@/words/route-chart";

const LAST_HOURS = 180;

/** The stretch that an address asks for: "last" for the last three hours, or a day by its number. */
export function zoomWindow(zoom: string | undefined, plan: PlanView, clock: WallClock): readonly [number, number] | undefined {
  if (zoom === undefined) return undefined;
  if (zoom === "last") return [plan.serveAt - LAST_HOURS, Math.max(plan.ends, plan.serveAt) + 8];
  const steps = plan.steps.filter((s) => clock.dayNumber(s.start) === Number(zoom) || clock.dayNumber(s.end) === Number(zoom));
  const first = steps[0];
  if (!first) return undefined;
  // A day from its first minute to its last, by the wall clock, and no longer than the plan.
  const inside = steps.find((s) => clock.dayNumber(s.start) === Number(zoom));
  const midnight = inside ? inside.start - clock.timeOfDay(inside.start) : first.end - clock.timeOfDay(first.end);
  return [Math.max(midnight, plan.begins - 20), Math.min(midnight + 1440, plan.ends + 8)];
}

/** Whole plan, one day, or the last three hours. */
export function ZoomRow({
  plan,
  clock,
  zoom,
  onZoom,
}: {
  plan: PlanView;
  clock: WallClock;
  zoom: string | undefined;
  onZoom: (zoom: string | undefined) => void;
}) {
  const days = new Map<string, string>();
  for (const s of plan.steps) {
    const key = String(clock.dayNumber(s.start));
    if (!days.has(key)) days.set(key, clock.shortDate(s.start));
  }
  const choice = (value: string | undefined, text: string) => (
    <button
      key={text}
      type="button"
      aria-pressed={zoom === value}
      className={`cursor-pointer border-b-2 ${zoom === value ? "border-saffron font-semibold" : "border-transparent text-quiet hover:text-ink"}`}
      onClick={() => onZoom(value)}
    >
      {text}
    </button>
  );
  return (
    <fieldset className="flex flex-wrap gap-x-3 pb-1 pl-[74px] text-[13px]" data-screen>
      <legend className="sr-only">{ZOOM_ROW.howMuchOfItIsShown}</legend>
      {choice(undefined, ZOOM_ROW.allOfIt)}
      {[...days].map(([value, text]) => choice(value, text))}
      {choice("last", ZOOM_ROW.theLastThreeHours)}
    </fieldset>
  );
}
