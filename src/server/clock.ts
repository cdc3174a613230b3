// The one clock of the server. For rehearsals and tests it can be set: RONDEAU_NOW gives the moment at which it starts,
// RONDEAU_CLOCK=manual lets POST /api/clock set it while it runs.
import { Zone } from "../core/time/zone";

interface Clock {
  offsetMs: number;
}
const shared = globalThis as typeof globalThis & { __rondeauClock?: Clock };

function clock(): Clock {
  if (!shared.__rondeauClock) {
    const start = process.env.RONDEAU_NOW ? Date.parse(process.env.RONDEAU_NOW) : Number.NaN;
    shared.__rondeauClock = { offsetMs: Number.isNaN(start) ? 0 : start - Date.now() };
  }
  return shared.__rondeauClock;
}

export const nowMs = () => Date.now() + clock().offsetMs;
/** The planner's minute that has begun. */
export const nowMinute = () => Math.floor(nowMs() / 60_000);
export const clockIsManual = () => process.env.RONDEAU_CLOCK === "manual";

export function setClock(ms: number): void {
  clock().offsetMs = ms - Date.now();
}

/** Wall clock of this machine's zone now, "2026-11-29T19:30": from it on a serving is ahead. */
export const wallNow = (): string => new Zone(Intl.DateTimeFormat().resolvedOptions().timeZone).toWallInstant(nowMinute());

/** A serving to propose: Sunday of next week at one, in a zone or else the machine's own. */
export function proposedServing(timezone = Intl.DateTimeFormat().resolvedOptions().timeZone): { serveAt: string; timezone: string } {
  const today = new Zone(timezone).toWallInstant(nowMinute()).slice(0, 10);
  const date = new Date(`${today}T00:00Z`);
  date.setUTCDate(date.getUTCDate() + 7 + ((7 - date.getUTCDay()) % 7));
  return { serveAt: `${date.toISOString().slice(0, 10)}T13:00`, timezone };
}
