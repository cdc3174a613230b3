// The one clock of the server. For rehearsals and tests it can be set: RONDEAU_NOW gives the moment at which it starts,
// RONDEAU_CLOCK=manual lets POST /api/clock set it while it runs.

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
