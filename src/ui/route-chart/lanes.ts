// Which lane of which place each stay has: what is in a place at the same time lies side by side, and a component keeps its lane.
import { PLACES } from "@/core/view/places";
import type { PlanView, ViewPlace, WaitView } from "@/core/view/plan-view";

export const TOP = 54;
const LANE: Readonly<Record<ViewPlace, number>> = {
  freezer: 15,
  fridge: 13,
  cellar: 14,
  counter: 21,
  hob: 20,
  oven: 20,
  grill: 20,
  bath: 20,
};
const PAD = 9;
/** Lines closer than this share of their usual distance could not be told apart. */
export const LEAST_SQUEEZE = 0.68;

export interface Band {
  readonly place: ViewPlace;
  readonly y0: number;
  readonly y1: number;
  /** Temperatures with their heights, in an oven, grill or bath. */
  readonly scale: readonly { readonly tempC: number; readonly y: number }[];
}

export interface Lanes {
  readonly lane: ReadonlyMap<string, number>;
  readonly count: ReadonlyMap<ViewPlace, number>;
}

/** Names a wait on its way to one taker. */
export const restKey = (w: WaitView) => `${w.fromStep} ${w.toStep} ${w.name}`;
/** Names a stay: takers of one output share it. */
export const waitKey = (w: WaitView) => `${w.fromStep} ${w.name} ${w.place}`;

/**
 * A lane of its own for all that is in a place at the same time; a component keeps its lane where it can.
 * @param kept lanes of a chart that must not jump: what has one there keeps it
 */
export function dealLanes(plan: PlanView, x: (m: number) => number, kept?: Lanes): Lanes {
  const stays: { key: string; component: string; place: ViewPlace; x0: number; x1: number }[] = [];
  for (const s of plan.steps)
    if (s.place !== "oven" && s.place !== "bath" && s.place !== "grill")
      stays.push({ key: s.ref, component: s.component, place: s.place, x0: x(s.start), x1: x(s.end) });
  const waits = new Map<string, { key: string; component: string; place: ViewPlace; x0: number; x1: number }>();
  for (const w of plan.waits) {
    if (w.to - w.from < 1) continue;
    const known = waits.get(waitKey(w));
    if (known) known.x1 = Math.max(known.x1, x(w.to));
    else waits.set(waitKey(w), { key: waitKey(w), component: w.component, place: w.place, x0: x(w.from), x1: x(w.to) });
  }
  stays.push(...waits.values());
  stays.sort((a, b) => a.x0 - b.x0 || a.x1 - b.x1);
  const lane = new Map<string, number>();
  const count = new Map<ViewPlace, number>();
  const ends = new Map<ViewPlace, { until: number; component: string }[]>();
  for (const stay of stays) {
    const known = kept?.lane.get(stay.key);
    if (known !== undefined) {
      lane.set(stay.key, known);
      count.set(stay.place, Math.max(count.get(stay.place) ?? 0, known + 1));
      continue;
    }
    const list = ends.get(stay.place) ?? [];
    ends.set(stay.place, list);
    const own = list.findIndex((l) => l.component === stay.component && l.until <= stay.x0 + 0.5);
    const free = own >= 0 ? own : list.findIndex((l) => l.until + 10 <= stay.x0);
    const at = free >= 0 ? free : list.length;
    list[at] = { until: stay.x1, component: stay.component };
    lane.set(stay.key, at);
    count.set(stay.place, Math.max(count.get(stay.place) ?? 0, at + 1));
  }
  // A chart that must not jump keeps its height too.
  for (const [place, lanes] of kept?.count ?? []) count.set(place, lanes);
  return { lane, count };
}

export function bandsOf(plan: PlanView, lanes: Lanes, squeeze: number): { bands: Band[]; tableY: number } {
  let y = TOP;
  const bands: Band[] = [];
  for (const place of PLACES) {
    const temperatures = [
      ...new Set(plan.steps.filter((s) => s.place === place && s.tempC !== undefined).map((s) => s.tempC as number)),
    ].sort((a, b) => a - b);
    const count = lanes.count.get(place) ?? 0;
    const resting = plan.steps.some((s) => s.place === place) || plan.waits.some((w) => w.place === place);
    if (!resting) continue;
    const height =
      squeeze * (temperatures.length ? Math.max(74, 30 + 15 * temperatures.length) : Math.max(26, count * LANE[place] + 2 * PAD));
    const low = (temperatures[0] ?? 0) - 12;
    const high = (temperatures.at(-1) ?? 0) + 12;
    bands.push({
      place,
      y0: y,
      y1: y + height,
      scale: temperatures.map((tempC) => ({ tempC, y: y + height - 10 - ((tempC - low) / Math.max(1, high - low)) * (height - 20) })),
    });
    y += height + 3;
  }
  return { bands, tableY: y + 10 };
}

export function heightIn(bands: readonly Band[], place: ViewPlace, lane: number, tempC: number | undefined, squeeze: number): number {
  const band = bands.find((b) => b.place === place);
  if (!band) return TOP;
  const mark = band.scale.find((s) => s.tempC === tempC);
  return mark ? mark.y : band.y0 + squeeze * (PAD + LANE[place] * (lane + 0.62));
}
