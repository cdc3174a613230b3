// A ruler from now to the table: the minutes in which hands are wanted stand on it, long rests are folded, the next calls hang below. Pure.
import { axisX, foldedAxis } from "../time/folded-axis";
import type { WallClock } from "../time/wall-clock";
import type { Call } from "./now-next";

export interface Ruler {
  readonly width: number;
  /** One bar for each stretch of hands; a second cook's stand above. */
  readonly bars: readonly { readonly x0: number; readonly x1: number; readonly cook: number }[];
  readonly rests: readonly { readonly x0: number; readonly x1: number; readonly minutes: number; readonly night: boolean }[];
  readonly hours: readonly { readonly x: number; readonly label: string; readonly long: boolean }[];
  readonly calls: readonly { readonly x: number; readonly call: Call }[];
  readonly serve: number;
  readonly now: number;
}

const CALL_WIDTH = 138;
const HOUR_WIDTH = 54;
const MOST_CALLS = 8;

interface RulerOptions {
  readonly calls: readonly Call[];
  readonly cooks: readonly string[];
  readonly now: number;
  readonly serveAt: number;
  readonly clock: WallClock;
  readonly width: number;
}

/** @returns undefined where nothing lies between now and the table */
export function ruler({ calls, cooks, now, serveAt, clock, width }: RulerOptions): Ruler | undefined {
  if (serveAt <= now) return undefined;
  const to = serveAt + 30;
  const within = calls.filter((c) => c.from < to);
  const axis = foldedAxis({
    from: now,
    to,
    width: width - 90,
    busy: [...within.map((c) => [Math.max(now, c.from), c.to] as const), [now, now + 20] as const, [serveAt - 15, serveAt + 15] as const],
    open: new Set(),
    margin: 12,
    foldWidth: Math.max(16, Math.min(74, (width * 0.45) / Math.max(1, within.length))),
  });
  const x = (minute: number) => axisX(axis, minute);
  const hours: { x: number; label: string; long: boolean }[] = [];
  for (let hour = Math.ceil(now / 60) * 60; hour <= serveAt; hour += 60) {
    const part = axis.find((p) => hour >= p.from && hour < p.to);
    if (!part || part.folded) continue;
    const labelled = hours.findLast((h) => h.long);
    hours.push({ x: x(hour), label: clock.tick(hour), long: !labelled || x(hour) - labelled.x >= HOUR_WIDTH });
  }
  const hung: { x: number; call: Call }[] = [];
  for (const call of within.filter((c) => c.from > now)) {
    const last = hung.at(-1);
    if ((!last || x(call.from) - last.x >= CALL_WIDTH) && x(call.from) <= width - CALL_WIDTH && hung.length < MOST_CALLS)
      hung.push({ x: x(call.from), call });
  }
  return {
    width,
    bars: within.map((c) => ({
      x0: x(Math.max(now, c.from)),
      x1: Math.max(x(c.to), x(Math.max(now, c.from)) + 2),
      cook: Math.max(0, cooks.indexOf(c.cook)),
    })),
    rests: axis
      .filter((p) => p.folded)
      .map((p) => ({
        x0: p.x0,
        x1: p.x1,
        minutes: p.to - p.from,
        night: p.to - p.from >= 240 && clock.dayNumber(p.from) !== clock.dayNumber(p.to - 1),
      })),
    hours,
    calls: hung,
    serve: x(serveAt),
    now: x(now),
  };
}
