// Names, labels, days and hours of the chart, and the bars of its hands strip: where each stands without touching another.

import type { AxisPart } from "@/core/time/folded-axis";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { type Geometry, type HandsBar, LEFT, type Route, type Segment } from "./shapes";

/** Letters are about so wide at the sizes used; the fonts are measured once, here. */
export const LETTER = { step: 5.3, name: 6.5 };

/** Boxes that are taken; a label that would touch one is left out. */
export class Collisions {
  readonly #boxes: (readonly [number, number, number, number])[] = [];

  add(x0: number, y0: number, x1: number, y1: number): void {
    this.#boxes.push([x0, y0, x1, y1]);
  }

  free(x0: number, y0: number, x1: number, y1: number): boolean {
    return this.#boxes.every(([a, b, c, d]) => x1 <= a || x0 >= c || y1 <= b || y0 >= d);
  }
}

export function titleOf(route: Route, taken: Collisions, width: number, nowX: number): Route["title"] {
  const length = route.name.length * LETTER.name + 8;
  // Beside what is still to come, or where it waits; a way that is all behind is named where it ends.
  const ahead = route.segments.filter((s) => s.step.state !== "done").toSorted((a, b) => a.x0 - b.x0);
  const waiting = route.rests
    .filter((r) => r.visible && ahead.length === 0)
    .map((r) => ({ x0: Math.max(r.x0, nowX) + 8, x1: r.x1, y: r.y }));
  const behind = route.segments.toSorted((a, b) => b.x1 - a.x1).slice(0, 2);
  const resting = route.rests.filter((r) => r.visible && r.x1 - r.x0 > length).map((r) => ({ x0: r.x0 + 8, x1: r.x1, y: r.y }));
  const candidates = [...ahead.slice(0, 3), ...waiting, ...resting, ...ahead.slice(3), ...behind].flatMap((s) => [
    { x: s.x0 - 6, y: s.y + 4, anchor: "end" as const, box: [s.x0 - length, s.y - 7, s.x0 - 4, s.y + 7] as const },
    { x: s.x0, y: s.y - 7, anchor: "start" as const, box: [s.x0, s.y - 18, s.x0 + length, s.y - 5] as const },
    { x: s.x0, y: s.y + 16, anchor: "start" as const, box: [s.x0, s.y + 5, s.x0 + length, s.y + 18] as const },
    { x: s.x1 + 6, y: s.y + 4, anchor: "start" as const, box: [s.x1 + 4, s.y - 7, s.x1 + length, s.y + 7] as const },
  ]);
  // A name that finds no free place is left to the panel and to hover: names never collide.
  const found = candidates.find((c) => c.box[0] > (ahead.length ? 4 : LEFT) && c.box[2] < width && taken.free(...c.box));
  if (!found) return undefined;
  taken.add(...found.box);
  return { x: found.x, y: found.y, anchor: found.anchor };
}

export function labelOf(segment: Segment, taken: Collisions, width: number): Segment["label"] {
  if (segment.step.state === "done") return undefined;
  const words = segment.step.name.split(/[,;:]| and | until | with | into | over | on /)[0] as string;
  for (const text of [segment.step.name, words]) {
    if (text.length > 24) continue;
    const length = text.length * LETTER.step;
    const x = Math.min(segment.x0, width - 30 - length);
    const box = [x - 1, segment.y - 17, x + length + 3, segment.y - 5.5] as const;
    if (!taken.free(...box)) continue;
    taken.add(...box);
    return { x, y: segment.y - 7.5, text };
  }
  return undefined;
}

export function daysOf(axis: readonly AxisPart[], x: (m: number) => number, clock: WallClock): Geometry["days"] {
  const days: { x: number; text: string; at: number }[] = [];
  const seen = new Set<number>();
  for (const part of axis) {
    if (part.folded) continue;
    for (let minute = part.from; minute < part.to; minute += 15) {
      const day = clock.dayNumber(minute);
      if (seen.has(day)) continue;
      seen.add(day);
      const at = Math.max(x(minute), (days.at(-1)?.x ?? -100) + 58);
      days.push({ x: at, text: clock.shortDate(minute), at: minute });
    }
  }
  return days;
}

export function hoursOf(axis: readonly AxisPart[], x: (m: number) => number, clock: WallClock): Geometry["hours"] {
  const hours: { x: number; text: string }[] = [];
  for (const part of axis) {
    if (part.folded) continue;
    const perHour = ((part.x1 - part.x0) / (part.to - part.from)) * 60;
    // Quarter hours where there is room for them, else so many hours.
    const every = [15, 30, 60, 120, 180, 360, 720, 1440].find((m) => (m / 60) * perHour >= 46) ?? 1440;
    const grid = Math.min(60, every);
    for (let minute = part.from + ((grid - (clock.timeOfDay(part.from) % grid)) % grid); minute <= part.to; minute += grid) {
      if (clock.timeOfDay(minute) % every !== 0) continue;
      const at = x(minute);
      if (at - (hours.at(-1)?.x ?? -100) >= 42) hours.push({ x: at, text: clock.tick(minute) });
    }
  }
  return hours;
}

export function holdsNight(from: number, to: number, clock: WallClock): boolean {
  const firstNight = from + ((120 - clock.timeOfDay(from) + 1440) % 1440);
  return firstNight < to;
}

/** Minutes of work in each quarter hour, cook by cook. */
export function handsOf(plan: PlanView, cooks: readonly string[], x: (m: number) => number): HandsBar[] {
  const bars: HandsBar[] = [];
  cooks.forEach((id, cook) => {
    const perQuarter = new Map<number, number>();
    for (const step of plan.steps) {
      for (const h of step.hands) {
        if (h.cook !== id) continue;
        for (let q = Math.floor(h.from / 15); q * 15 < h.to; q++) {
          const minutes = Math.min(h.to, q * 15 + 15) - Math.max(h.from, q * 15);
          perQuarter.set(q, (perQuarter.get(q) ?? 0) + minutes);
        }
      }
    }
    for (const [q, minutes] of perQuarter) bars.push({ x0: x(q * 15), x1: x(q * 15 + 15), cook, minutes, of: 15 });
  });
  return bars;
}
