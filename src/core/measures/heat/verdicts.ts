// Verdicts on cooling, the danger zone, hot holding and reheating. Each goes by the slowest point, and each defers to local codes.
// Sources: FDA Food Code 2022, 3-501.14, 3-501.16, 3-501.19, 3-403.11; UK FSA guidance for small caterers 2020; FSANZ 3.2.2, 2016; USDA FSIS 2020.
import { CalculationError, checked, row } from "../calculation-error";
import tables from "../tables/heat.json";

const LIMITS = tables.COOLING_LIMITS;

interface CoolingTimes {
  readonly t63?: number | null;
  readonly t57?: number | null;
  readonly t21?: number | null;
  readonly t5?: number | null;
}

const RULES = { twoStage: "twoStage", twoStageStrict: "twoStageStrict", ninety: "ninety" } as const;

/**
 * Whether a cooling is fast enough, by seconds since the end of cooking at which the slowest point passed 63, 57, 21 and 5 °C.
 * @param input times (null: not yet); lastSeconds: how long it has been watched; rule twoStage (default), twoStageStrict, or ninety (advice)
 * @returns rule, stage1Min, totalMin (null where open), verdict ok, running, fail1, fail2 or over, reason
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function judgeCooling(input: { readonly times: CoolingTimes; readonly lastSeconds?: number; readonly rule?: keyof typeof RULES }) {
  const rule = row("rule", RULES, input.rule ?? "twoStage");
  if (typeof input.times !== "object" || input.times === null)
    throw new CalculationError("times", "E_NOT_FINITE", "times: give t57, t21 and t5 in seconds, null where not yet.");
  const at = (key: keyof CoolingTimes) => {
    const t = input.times[key];
    return t === undefined || t === null ? null : checked(`times.${key}`, t, 0, 1e7, "s");
  };
  const [t63, t57, t21, t5] = [at("t63"), at("t57"), at("t21"), at("t5")];
  const known = [t63, t57, t21, t5].filter((t) => t !== null);
  const last = checked("lastSeconds", input.lastSeconds ?? Math.max(0, ...known), 0, 1e7, "s");
  const told = (stage1Min: number | null, totalMin: number | null, verdict: string, reason: string) => ({
    rule,
    stage1Min,
    totalMin,
    verdict,
    reason,
  });
  if (rule === "ninety") {
    const from = t63 ?? 0;
    const minutes = t21 === null ? null : (t21 - from) / 60;
    if (minutes !== null)
      return minutes <= LIMITS.ninety.min
        ? told(minutes, null, "ok", "fridge-ready within 90 min")
        : told(minutes, null, "over", "not fridge-ready within 90 min");
    return (last - from) / 60 > LIMITS.ninety.min
      ? told(null, null, "over", "not fridge-ready within 90 min")
      : told(null, null, "running", "not yet fridge-ready");
  }
  const { midMin } = LIMITS[rule];
  if (t57 === null) return told(null, null, "running", "stage 1 open");
  const stage1 = t21 === null ? null : (t21 - t57) / 60;
  const total = t5 === null ? null : (t5 - t57) / 60;
  if ((stage1 ?? (last - t57) / 60) > midMin) return told(stage1, total, "fail1", "not at 21 C within 2 h");
  if (stage1 === null || t21 === null) return told(null, total, "running", "stage 1 open");
  const strict = rule === "twoStageStrict";
  const second = ((t5 ?? last) - (strict ? t21 : t57)) / 60;
  const most = strict ? LIMITS.twoStageStrict.secondMin : LIMITS.twoStage.totalMin;
  if (second > most) return told(stage1, total, "fail2", "not at 5 C in time");
  return total === null ? told(stage1, null, "running", "stage 2 open") : told(stage1, total, "ok", "both stages met");
}

const [COLD, HOT] = [5, 60];

/** As minutesInZone, for figures that are known to be good. */
function inZone(minutes: number, from: number, to: number, lo: number, hi: number): number {
  if (from === to) return from > lo && from < hi ? minutes : 0;
  const share = (t: number) => Math.min(1, Math.max(0, (t - from) / (to - from)));
  return minutes * Math.abs(share(hi) - share(lo));
}

/**
 * Minutes that food is between 5 and 60 °C while it goes from one temperature to another in a straight line.
 * @param input minutes 0–20160; fromC, toC −60–300; lo (5), hi (60)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function minutesInZone(input: {
  readonly minutes: number;
  readonly fromC: number;
  readonly toC: number;
  readonly lo?: number;
  readonly hi?: number;
}) {
  const lo = checked("lo", input.lo ?? COLD, -60, 300, "°C");
  const hi = checked("hi", input.hi ?? HOT, lo, 300, "°C");
  const value = inZone(
    checked("minutes", input.minutes, 0, 20_160, "min"),
    checked("fromC", input.fromC, -60, 300, "°C"),
    checked("toC", input.toC, -60, 300, "°C"),
    lo,
    hi,
  );
  return { value };
}

export interface Leg {
  readonly place: string;
  readonly minutes: number;
  readonly fromC: number;
  readonly toC: number;
  readonly ambientC?: number;
  /** Judged by itself, and left out where it passes. */
  readonly cooling?: boolean;
  /** From raw to a safe temperature. A reheat is none. */
  readonly cookStep?: boolean;
}

const [CHILL_AGAIN, EAT_NOW, HEAT] = [120, 240, 32];

/**
 * Time between 5 and 60 °C along the whole route of a food. In heat above 32 °C it counts twice; cooking resets it only up to four hours.
 * @param input legs 1–60; coolingPassed: the verdict of judgeCooling on the cooling legs
 * @returns totalMin, effectiveMin, verdict ok (may be chilled again), useNow (eat, do not keep) or discard, rows, leftToChillMin, leftToUseMin
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function dangerZoneAccount(input: { readonly legs: readonly Leg[]; readonly coolingPassed?: boolean }) {
  if (!Array.isArray(input.legs) || input.legs.length < 1 || input.legs.length > 60)
    throw new CalculationError("legs", "E_RANGE", "legs: give 1 to 60 of place, minutes, fromC and toC.");
  let [total, effective] = [0, 0];
  const rows = (input.legs as readonly Leg[]).map((leg, i) => {
    const at = (key: keyof Leg) => `legs.${i}.${key}`;
    const minutes = checked(at("minutes"), leg?.minutes, 0, 20_160, "min");
    const from = checked(at("fromC"), leg.fromC, -60, 300, "°C");
    const to = checked(at("toC"), leg.toC, -60, 300, "°C");
    const ambient = leg.ambientC === undefined ? undefined : checked(at("ambientC"), leg.ambientC, -60, 60, "°C");
    const left = leg.cooling === true && input.coolingPassed === true;
    const counted = left ? 0 : inZone(minutes, from, to, COLD, HOT);
    total += counted;
    effective += ambient !== undefined && ambient > HEAT ? counted * 2 : counted;
    if (leg.cookStep === true && to >= HOT && effective <= EAT_NOW) [total, effective] = [0, 0];
    return { place: String(leg.place ?? "").slice(0, 80), minutes: counted, runningMin: total };
  });
  return {
    totalMin: total,
    effectiveMin: effective,
    verdict: effective <= CHILL_AGAIN ? "ok" : effective <= EAT_NOW ? "useNow" : "discard",
    rows,
    leftToChillMin: Math.max(0, CHILL_AGAIN - effective),
    leftToUseMin: Math.max(0, EAT_NOW - effective),
  };
}

export type Readings = readonly (readonly [minute: number, tempC: number])[];

/** Readings in order of their minutes. @throws {CalculationError} E_RANGE, E_NOT_FINITE */
export function checkedReadings(readings: unknown): Readings {
  if (!Array.isArray(readings) || readings.length < 2 || readings.length > 5000)
    throw new CalculationError("readings", "E_RANGE", "readings: give 2 to 5000 pairs of [minute, °C].");
  const list = readings.map(
    (r, i) => [checked(`readings.${i}.0`, r?.[0], 0, 1e6, "min"), checked(`readings.${i}.1`, r?.[1], -60, 400, "°C")] as const,
  );
  const late = list.findIndex(([m], i) => i > 0 && m < (list[i - 1] as readonly [number, number])[0]);
  if (late > 0)
    throw new CalculationError(
      `readings.${late}`,
      "E_RANGE",
      `readings.${late}: the readings are out of order. Sort them by their minutes.`,
    );
  return list;
}

/** Each stretch between two readings. */
export const stretches = (readings: Readings) =>
  readings.slice(1).map(([minute, to], i) => {
    const [start, from] = readings[i] as readonly [number, number];
    return { minutes: minute - start, from, to };
  });

/**
 * Food kept hot: minutes under the limit, and what may be done with it. Hot-holding devices keep hot, they do not heat.
 * @param input readings of [minute, °C]; limitC 57–66 (60)
 * @returns minC, minutesBelow, verdict ok, reheat74OrServe, serveNow, discard
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function hotHold(input: { readonly readings: Readings; readonly limitC?: number }) {
  const readings = checkedReadings(input.readings);
  const limit = checked("limitC", input.limitC ?? HOT, 50, 80, "°C");
  const below = stretches(readings).reduce((n, s) => n + inZone(s.minutes, s.from, s.to, -1000, limit), 0);
  return {
    minC: Math.min(...readings.map(([, t]) => t)),
    minutesBelow: below,
    verdict: below === 0 ? "ok" : below <= CHILL_AGAIN ? "reheat74OrServe" : below <= EAT_NOW ? "serveNow" : "discard",
  };
}

/**
 * A reheating: 74 °C at the core for 15 s, within two hours, once. It does not destroy the toxins of rice or of staphylococci.
 * @param input minutesTo74 0–10000; reached74; heldS 0–3600 (15); reheats before 0–20 (0)
 * @returns verdict ok, warn or fail, reason
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function judgeReheat(input: {
  readonly minutesTo74: number;
  readonly reached74: boolean;
  readonly heldS?: number;
  readonly reheats?: number;
}) {
  const minutes = checked("minutesTo74", input.minutesTo74, 0, 10_000, "min");
  const held = checked("heldS", input.heldS ?? 15, 0, 3600, "s");
  const before = checked("reheats", input.reheats ?? 0, 0, 20);
  if (input.reached74 !== true) return { verdict: "fail", reason: "did not reach 74 C" };
  if (held < 15) return { verdict: "fail", reason: "not held for 15 s" };
  if (minutes > 120) return { verdict: "fail", reason: "took more than 2 h" };
  if (before > 0) return { verdict: "warn", reason: "reheat once only" };
  return { verdict: "ok", reason: "" };
}
