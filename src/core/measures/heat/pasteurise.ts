// What heat does to microbes: D and z values on the core's temperature, and growth relative to its best. Indicative; nothing here keeps a jar.
// Sources: USDA FSIS Appendix A 2021; ACMSF 1992, 2014; Juneja 1997, 2001; Stadelman & Cotterill 1995; Rosso, Lobry & Flandrois 1993.
import { CalculationError, checked, row } from "../calculation-error";
import tables from "../tables/heat.json";
import { type Body, makeConduction } from "./conduction";
import { checkedReadings, type Readings, stretches } from "./verdicts";

interface Death {
  readonly tRef: number;
  readonly dMin: number;
  readonly z: number;
  /** Below this nothing is credited. */
  readonly floor: number;
  readonly goal: number;
}
const DEATH: Readonly<Record<string, Death>> = tables.DZ;

const minutesForOneLog = (o: Death, t: number) => (t < o.floor ? Number.POSITIVE_INFINITY : o.dMin * 10 ** ((o.tRef - t) / o.z));
const temperature = (t: unknown) => checked("tempC", t, -40, 150, "°C");

/**
 * Minutes for one log at a temperature of the core; Infinity below the floor of the organism.
 * @param input organism a row of the table; tempC
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function dValue({ organism, tempC }: { readonly organism: string; readonly tempC: number }) {
  return { value: minutesForOneLog(row("organism", DEATH, organism), temperature(tempC)) };
}

/**
 * Minutes to hold for the goal of an organism, or for so many logs.
 * @param input organism; tempC; logs 0.1–12
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function holdForLog({ organism, tempC, logs }: { readonly organism: string; readonly tempC: number; readonly logs?: number }) {
  const o = row("organism", DEATH, organism);
  return { value: minutesForOneLog(o, temperature(tempC)) * (logs === undefined ? o.goal : checked("logs", logs, 0.1, 12)) };
}

const PIECES = 20;

/**
 * Logs that readings of the core have earned: twenty midpoints a stretch, on straight lines.
 * @param input organism; readings of [minute, °C] in order
 * @returns logs (not past 12), met, goal
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function logReduction({ organism, readings }: { readonly organism: string; readonly readings: Readings }) {
  const o = row("organism", DEATH, organism);
  let logs = 0;
  for (const s of stretches(checkedReadings(readings)))
    for (let i = 0; i < PIECES; i++) logs += s.minutes / PIECES / minutesForOneLog(o, s.from + ((s.to - s.from) * (i + 0.5)) / PIECES);
  return { logs: Math.min(12, logs), met: logs >= o.goal, goal: o.goal };
}

const BODIES: Readonly<Record<string, Body>> = { slab: "slab", cylinder: "cylinder", sphere: "sphere" };
const SIX_HOURS = 6 * 3600;

/**
 * Minutes in a bath until the core of a bag has its logs; whether it is not past 54.4 °C within six hours.
 * @param input shape slab (default), cylinder, sphere; thicknessMm 3–150; tStart; tBath; organism; h (100); k (0.48); alpha (1.2e-7)
 * @returns minutes (Infinity where never), riseTo54Min (null), over6h
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function bagPasteurise(input: {
  readonly shape?: Body;
  readonly thicknessMm: number;
  readonly tStart: number;
  readonly tBath: number;
  readonly organism: string;
  readonly h?: number;
  readonly k?: number;
  readonly alpha?: number;
}) {
  const o = row("organism", DEATH, input.organism);
  const geometry = row("shape", BODIES, input.shape ?? "slab");
  const k = input.k ?? 0.48;
  const alpha = checked("alpha", input.alpha ?? 1.2e-7, 5e-8, 3e-7, "m²/s");
  const body = makeConduction({
    geometry,
    halfM: checked("thicknessMm", input.thicknessMm, 3, 150, "mm") / 2000,
    nodes: 30,
    k,
    rho: 1060,
    cp: k / (alpha * 1060),
    t0: checked("tStart", input.tStart, -2, 60, "°C"),
    tEnv: checked("tBath", input.tBath, 30, 100, "°C"),
    h: input.h ?? 100,
  });
  let [logs, rise] = [0, null as number | null];
  while (body.seconds < 2 * SIX_HOURS) {
    const before = body.temps[0] as number;
    body.step(15);
    const core = body.temps[0] as number;
    if (rise === null && core >= 54.4) rise = body.seconds / 60;
    if (rise === null && body.seconds >= SIX_HOURS) break;
    logs += 0.25 / minutesForOneLog(o, (before + core) / 2);
    if (logs >= o.goal) return { minutes: body.seconds / 60, riseTo54Min: rise, over6h: false };
  }
  return { minutes: Number.POSITIVE_INFINITY, riseTo54Min: rise, over6h: rise === null };
}

interface Cardinal {
  readonly tMin: number;
  readonly tOpt: number;
  readonly tMax: number;
}
const CARDINAL: Readonly<Record<string, Cardinal>> = tables.CARDINAL;

function gamma(t: number, { tMin, tOpt, tMax }: Cardinal): number {
  if (t <= tMin || t >= tMax) return 0;
  return ((t - tMax) * (t - tMin) ** 2) / ((tOpt - tMin) * ((tOpt - tMin) * (t - tOpt) - (tOpt - tMax) * (tOpt + tMin - 2 * t)));
}

/**
 * Growth relative to its best, by the cardinal temperatures. For ranking ways of cooling; never a count, never a verdict.
 * @param input tempC; tMin < tOpt < tMax
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function growthGamma(input: Cardinal & { readonly tempC: number }) {
  const tMin = checked("tMin", input.tMin, -20, 60, "°C");
  const tOpt = checked("tOpt", input.tOpt, tMin, 80, "°C");
  const tMax = checked("tMax", input.tMax, tOpt, 90, "°C");
  if (!(tMin < tOpt && tOpt < tMax)) throw new CalculationError("tOpt", "E_RANGE", "tOpt: give it between tMin and tMax.");
  return { value: gamma(temperature(input.tempC), { tMin, tOpt, tMax }) };
}

/**
 * Hours at best growth that readings are worth.
 * @param input organism a row of the table; readings of [minute, °C] in order
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function growthEquivalentHours({ organism, readings }: { readonly organism: string; readonly readings: Readings }) {
  const o = row("organism", CARDINAL, organism);
  let minutes = 0;
  for (const s of stretches(checkedReadings(readings)))
    for (let i = 0; i < PIECES; i++) minutes += (s.minutes / PIECES) * gamma(s.from + ((s.to - s.from) * (i + 0.5)) / PIECES, o);
  return { value: minutes / 60 };
}
