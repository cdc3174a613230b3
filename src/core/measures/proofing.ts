// Fermentation of dough by time and temperature: a rate relative to 24 °C, hours from yeast or leaven, and schedules that mix room and fridge.
// Two-slope Arrhenius law, since a constant Q10 overstates a fridge threefold. Calibrated to a straight dough, a no-knead dough, a poolish and
// a levain; the clock proposes, the volume decides. Sources: Calvel 2001; Gänzle 1998; Cauvain & Young 2007; Hamelman 2013.
import { CalculationError, checked, withWarnings } from "./calculation-error";
import { rounded } from "./rounding";

export type Organism = "yeast" | "sourdough";
const GAS = 8.314;
const KELVIN = 273.15;
const LAWS: Readonly<Record<Organism, { readonly ea: number; readonly peak: number; readonly zero: number }>> = {
  yeast: { ea: 55_000, peak: 35, zero: 50 },
  sourdough: { ea: 60_000, peak: 30, zero: 40 },
};
const COLD_EA = 160_000;
const [COLDEST, HOTTEST] = [-20, 50];

function lawOf(organism: unknown): (typeof LAWS)[Organism] {
  if (organism !== "yeast" && organism !== "sourdough")
    throw new CalculationError("organism", "E_UNKNOWN", "organism: give yeast or sourdough.");
  return LAWS[organism];
}

/** r(T) ÷ r(24 °C), not rounded; 0 below 0 °C and from the organism's end on. */
export function relativeRate(tempC: number, organism: Organism): number {
  const law = lawOf(organism);
  const arrhenius = (t: number) => Math.exp((-law.ea / GAS) * (1 / (t + KELVIN) - 1 / 297.15));
  if (tempC < 0 || tempC >= law.zero) return 0;
  if (tempC > law.peak) return arrhenius(law.peak) * (1 - (tempC - law.peak) / (law.zero - law.peak));
  if (tempC >= 10) return arrhenius(tempC);
  return arrhenius(10) * Math.exp((-COLD_EA / GAS) * (1 / (tempC + KELVIN) - 1 / 283.15));
}

/**
 * How fast a dough ferments, relative to 24 °C.
 * @param input tempC −20–50; organism yeast (default) or sourdough
 * @returns rate (4 decimals); warned of frost and of heat above the organism's best
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example fermentRate({ tempC: 4 }) // { rate: 0.0764 }
 */
export function fermentRate({ tempC, organism = "yeast" }: { readonly tempC: number; readonly organism?: Organism }) {
  const t = checked("tempC", tempC, COLDEST, HOTTEST, "°C");
  return withWarnings({ rate: rounded(relativeRate(t, organism), 4) }, { W_FROZEN: t < 0, W_TOO_WARM: t > lawOf(organism).peak });
}

interface Leavening {
  readonly organism?: Organism;
  /** Instant yeast, % of flour. */
  readonly yeastPct?: number;
  readonly prefermentedFlourPct?: number;
  readonly saltPct?: number;
  readonly sugarPct?: number;
  /** 1 is doubled (yeast), or 60 to 75 % more (leaven). */
  readonly target?: number;
}

const saltFactor = (salt: number) => Math.max(0.5, 1.35 - 0.175 * salt);
const sugarFactor = (sugar: number) => (sugar <= 5 ? 1 : Math.max(0.4, 1 - 0.03 * (sugar - 5)));

/** Hours at 24 °C that a dough needs. */
function neededHours({ organism = "yeast", yeastPct, prefermentedFlourPct, saltPct = 2, sugarPct = 0, target = 1 }: Leavening): number {
  lawOf(organism);
  const slow = saltFactor(checked("saltPct", saltPct, 0, 4, "%")) * sugarFactor(checked("sugarPct", sugarPct, 0, 30, "%"));
  const goal = checked("target", target, 0.2, 2);
  // What the organism does not use is still held to its range: a slip in it is a slip in what was meant.
  if (organism === "yeast" && prefermentedFlourPct !== undefined) checked("prefermentedFlourPct", prefermentedFlourPct, 1, 50, "%");
  if (organism === "sourdough" && yeastPct !== undefined) checked("yeastPct", yeastPct, 0.01, 3, "%");
  const base =
    organism === "yeast"
      ? 2 * checked("yeastPct", yeastPct, 0.01, 3, "%") ** -0.65
      : 5.5 * Math.sqrt(10 / checked("prefermentedFlourPct", prefermentedFlourPct, 1, 50, "%"));
  return (goal * base) / slow;
}

/**
 * Hours at one temperature until a dough has risen to its target.
 * @param input tempC; yeastPct 0.01–3 (instant) or prefermentedFlourPct 1–50; saltPct 0–4; sugarPct 0–30; target 0.2–2
 * @returns hours with a band (2 decimals)
 * @throws {CalculationError} E_NO_FERMENT where nothing grows, E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example fermentTimeConstant({ tempC: 24, yeastPct: 1 }) // { hours: 2, low: 1.4, high: 2.7 }
 */
export function fermentTimeConstant({ tempC, ...dough }: Leavening & { readonly tempC: number }) {
  const rate = relativeRate(checked("tempC", tempC, COLDEST, HOTTEST, "°C"), dough.organism ?? "yeast");
  const needed = neededHours(dough);
  if (!(rate > 0)) throw new CalculationError("tempC", "E_NO_FERMENT", `tempC: nothing grows at ${tempC} °C.`);
  const hours = needed / rate;
  return { hours: rounded(hours, 2), low: rounded(hours * 0.7, 2), high: rounded(hours * 1.35, 2) };
}

/**
 * Time constant with which a dough takes up the temperature around it: lumped, with the inner resistance added; ± 25 %.
 * @param input massG 10–20000; shape ball (default) or slab with thicknessMm 5–300; h 1–100 W/m²K (6 a covered box, 10 a tray, 15 a fan)
 * @returns tauH (2 decimals)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 * @example doughCoolingTau({ massG: 250 }) // { tauH: 2.11 }
 */
export function doughCoolingTau({
  massG,
  shape = "ball",
  thicknessMm,
  h = 6,
}: {
  readonly massG: number;
  readonly shape?: "ball" | "slab";
  readonly thicknessMm?: number;
  readonly h?: number;
}) {
  const mass = checked("massG", massG, 10, 20_000, "g") / 1000;
  const film = checked("h", h, 1, 100, "W/m²K");
  const [density, heat, conductivity] = [1100, 2800, 0.4];
  const diffusivity = conductivity / (density * heat);
  let seconds: number;
  if (shape === "ball") {
    const r = ((3 * mass) / (4 * Math.PI * density)) ** (1 / 3);
    seconds = (density * heat * r) / (3 * film) + r ** 2 / (Math.PI ** 2 * diffusivity);
  } else if (shape === "slab") {
    const half = checked("thicknessMm", thicknessMm, 5, 300, "mm") / 2000;
    seconds = (density * heat * half) / film + (4 * half ** 2) / (Math.PI ** 2 * diffusivity);
  } else throw new CalculationError("shape", "E_UNKNOWN", "shape: give ball or slab.");
  return { tauH: rounded(seconds / 3600, 2) };
}

export interface Segment {
  readonly hours: number;
  readonly ambientC: number;
}

const STEPS_AN_HOUR = 60;

function checkedSegments(segments: unknown, least: number): Segment[] {
  if (!Array.isArray(segments) || segments.length < least || segments.length > 20)
    throw new CalculationError("segments", "E_RANGE", `segments: give a list of ${least} to 20 stretches with hours and ambientC.`);
  return segments.map((s, i) => ({
    hours: checked(`segments.${i}.hours`, s?.hours, 0, 240, "h"),
    ambientC: checked(`segments.${i}.ambientC`, s?.ambientC, -5, 45, "°C"),
  }));
}

/** Hours at 24 °C that a stretch is worth, and where the dough ends; midpoints of whole minutes, so that the answer is the same everywhere. */
function worth({ hours, ambientC }: Segment, startC: number, tauH: number, organism: Organism): { eq: number; endC: number } {
  const at = (t: number) => (tauH === 0 ? ambientC : ambientC + (startC - ambientC) * Math.exp(-t / tauH));
  const n = Math.max(1, Math.round(hours * STEPS_AN_HOUR));
  const step = hours / n;
  let eq = 0;
  for (let i = 0; i < n; i++) eq += relativeRate(at((i + 0.5) * step), organism) * step;
  return { eq, endC: at(hours) };
}

function run(segments: readonly Segment[], startC: number, tauH: number, organism: Organism) {
  let temp = startC;
  const done = segments.map((s) => {
    const w = worth(s, temp, tauH, organism);
    temp = w.endC;
    return w;
  });
  return { done, eq: done.reduce((n, d) => n + d.eq, 0), endC: temp };
}

interface ScheduleInput extends Leavening {
  readonly segments: readonly Segment[];
  readonly startC: number;
  readonly tauH: number;
}

const FRIDGE_WARM_HOURS = 24;

/**
 * How far a schedule of room and fridge brings a dough, its slow cooling included.
 * @param input segments: 1–20 of hours 0–240 and ambientC −5–45; startC 0–40; tauH 0–24; leavening as above
 * @returns eqHours at 24 °C, neededEqHours, progressPct, and each segment's share with the temperature at its end
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE, E_UNKNOWN
 */
export function fermentSchedule({ segments, startC, tauH, ...dough }: ScheduleInput) {
  const list = checkedSegments(segments, 1);
  const start = checked("startC", startC, 0, 40, "°C");
  const tau = checked("tauH", tauH, 0, 24, "h");
  const { done, eq } = run(list, start, tau, dough.organism ?? "yeast");
  const needed = neededHours(dough);
  const progress = (eq / needed) * 100;
  const warm = list.filter((s) => s.ambientC > 5 && s.ambientC <= 10).reduce((n, s) => n + s.hours, 0);
  return withWarnings(
    {
      eqHours: rounded(eq, 2),
      neededEqHours: rounded(needed, 2),
      progressPct: rounded(progress, 0),
      segments: done.map((d) => ({ eqHours: rounded(d.eq, 2), endC: rounded(d.endC, 1) })),
    },
    { W_OVERPROOF: progress > 160, W_FRIDGE_WARM: warm > FRIDGE_WARM_HOURS },
  );
}

const MOST_HOURS = 240;

/**
 * Hours at a last temperature until the dough is ready, after whatever went before.
 * @param input segments 0–20; startC, tauH, ambientC −5–45; leavening as above
 * @returns hours (1 decimal); alreadyDone where the schedule alone suffices
 * @throws {CalculationError} E_NO_FERMENT where it is not ready within 240 h, E_RANGE, E_NOT_FINITE, E_UNKNOWN
 */
export function fermentFinishTime({
  segments = [],
  startC,
  tauH,
  ambientC,
  ...dough
}: Omit<ScheduleInput, "segments"> & { readonly segments?: readonly Segment[]; readonly ambientC: number }) {
  const list = checkedSegments(segments, 0);
  const start = checked("startC", startC, 0, 40, "°C");
  const tau = checked("tauH", tauH, 0, 24, "h");
  const around = checked("ambientC", ambientC, -5, 45, "°C");
  const organism = dough.organism ?? "yeast";
  const needed = neededHours(dough);
  const before = run(list, start, tau, organism);
  if (before.eq >= needed) return { hours: 0, alreadyDone: true };
  let eq = before.eq;
  for (let minute = 1; minute <= MOST_HOURS * 60; minute++) {
    const t = (minute - 0.5) / 60;
    eq += relativeRate(tau === 0 ? around : around + (before.endC - around) * Math.exp(-t / tau), organism) / 60;
    if (eq >= needed) return { hours: rounded(minute / 60, 1) };
  }
  throw new CalculationError("ambientC", "E_NO_FERMENT", `ambientC: at ${around} °C the dough is not ready within ${MOST_HOURS} hours.`);
}

/**
 * How much yeast a schedule wants, so that the dough is ready at its end.
 * @param input segments, startC, tauH, saltPct, sugarPct, target as above
 * @returns instantPct, activeDryPct, freshPct of flour (3 decimals), eqHours
 * @throws {CalculationError} E_TOO_SHORT above 3 %, E_TOO_LONG below 0.01 %, E_RANGE, E_NOT_FINITE
 */
export function yeastForSchedule({
  segments,
  startC,
  tauH,
  saltPct = 2,
  sugarPct = 0,
  target = 1,
}: Pick<ScheduleInput, "segments" | "startC" | "tauH" | "saltPct" | "sugarPct" | "target">) {
  const list = checkedSegments(segments, 1);
  const { eq } = run(list, checked("startC", startC, 0, 40, "°C"), checked("tauH", tauH, 0, 24, "h"), "yeast");
  const slow = saltFactor(checked("saltPct", saltPct, 0, 4, "%")) * sugarFactor(checked("sugarPct", sugarPct, 0, 30, "%"));
  const y = ((2 * checked("target", target, 0.2, 2)) / (eq * slow)) ** (1 / 0.65);
  if (!(y <= 3))
    throw new CalculationError("segments", "E_TOO_SHORT", "segments: no sensible amount of yeast is so fast. Give it longer or warmer.");
  if (y < 0.01)
    throw new CalculationError(
      "segments",
      "E_TOO_LONG",
      "segments: so little yeast cannot be measured. Make it colder or shorter, or use a leaven.",
    );
  return { instantPct: rounded(y, 3), activeDryPct: rounded((y / 0.33) * 0.4, 3), freshPct: rounded(y / 0.33, 3), eqHours: rounded(eq, 2) };
}

/**
 * When a fed starter is at its peak: 0.6 + ln(dilution)/0.325 hours at 25 °C.
 * @param input dilution 1.5–60, whole over seed; tempC 4–38
 * @returns hours with a band (1 decimal)
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 * @example starterPeak({ dilution: 11, tempC: 25 }) // { hours: 8, low: 6, high: 10.8 }
 */
export function starterPeak({ dilution, tempC }: { readonly dilution: number; readonly tempC: number }) {
  const d = checked("dilution", dilution, 1.5, 60);
  const t = checked("tempC", tempC, 4, 38, "°C");
  const hours = (0.6 + Math.log(d) / 0.325) / (relativeRate(t, "sourdough") / relativeRate(25, "sourdough"));
  return { hours: rounded(hours, 1), low: rounded(hours * 0.75, 1), high: rounded(hours * 1.35, 1) };
}
