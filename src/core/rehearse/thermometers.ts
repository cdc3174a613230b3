// A thermometer in everything that is roasted, for a rehearsal: a simulated joint reaches its temperature when the drawn length of its step is over,
// a household probe reads it, and the forecast is the one that Cook shows of such readings. The forecast is told nothing of the joint.
import { type JointParams, type JointState, roastParams, smokedParams, stepRoast, stepSmokedJoint } from "../devices/joint";
import { normal } from "../devices/random";
import { HEATED, type Step } from "../dish/model";
import type { Forecasts } from "../planner/policy";
import { type Random, seededRandom } from "../random";
import type { Taken } from "../record/entries";
import { probeForecast, stallsUncovered } from "../record/probe-forecast";

/** Minutes between two readings: what the forecast is calibrated for. */
const READS_EVERY_MIN = 2;
const NOISE_C = 0.3;
/** A joint that is not there after so long never gets there. */
const LONGEST_MIN = 48 * 60;
/** How far thermostats of household ovens are off, one standard deviation. */
const OVEN_OFF_C = 6;
const FROM_FRIDGE_C = [4, 12] as const;
const [ROAST_KG, SMOKED_KG] = [
  [0.9, 2.6],
  [2, 5],
] as const;
const SLIM = [0.7, 1] as const;
const between = ([low, high]: readonly [number, number], random: Random) => low + (high - low) * random();

/** The heat that stands all round what is in a step, °C; undefined where nothing does. */
const heatRound = (step: Step): number | undefined =>
  step.uses.find((u) => (HEATED as readonly string[]).includes(u.what) && u.part === "all")?.tempC;

/**
 * A thermometer for each step that has a core temperature to reach and heat round it.
 * @param truth minutes that each step will turn out to take; its joint is done then, and not told to the forecast
 * @param seed draws size, shape, oven and noise; the same seed gives the same readings
 */
export function thermometers(steps: ReadonlyMap<string, Step>, truth: ReadonlyMap<string, number>, seed: number): Forecasts {
  const known = new Map<string, { readonly reads: readonly number[]; readonly asked: Map<number, ReturnType<Forecasts>> } | undefined>();
  const readsOf = (ref: string) => {
    const [step, total] = [steps.get(ref), truth.get(ref)];
    const reads = step && total ? simulated(step, total, seededRandom(seed + hashed(ref))) : undefined;
    return reads && { reads, asked: new Map<number, ReturnType<Forecasts>>() };
  };
  return (ref, ran) => {
    if (!known.has(ref)) known.set(ref, readsOf(ref));
    const own = known.get(ref);
    const step = steps.get(ref);
    if (!own || !step) return undefined;
    if (!own.asked.has(ran)) {
      const taken = own.reads
        .slice(0, Math.floor(ran / READS_EVERY_MIN) + 1)
        .map((value, i): Taken => ({ id: i + 1, at: i * READS_EVERY_MIN * 60_000, quantity: "core", value, device: "rehearsal" }));
      const found = probeForecast(shownOf(step), taken);
      own.asked.set(ran, found && { inAll: found.at, coreC: taken.at(-1)?.value ?? 0 });
    }
    return own.asked.get(ran);
  };
}

const shownOf = (step: Step) => ({
  start: 0,
  probeC: step.file.done?.probeC,
  tempC: heatRound(step),
  name: step.name,
  note: step.file.note,
  cue: step.file.done?.cue,
});

/** What a probe reads every other minute, to the end; undefined where there is nothing to reach or it is never reached. */
function simulated(step: Step, total: number, random: Random): number[] | undefined {
  const shown = shownOf(step);
  const { probeC, tempC } = shown;
  if (probeC === undefined || tempC === undefined || probeC >= tempC) return undefined;
  const smoked = stallsUncovered(shown);
  const shape = { massKg: between(smoked ? SMOKED_KG : ROAST_KG, random), slim: between(SLIM, random) };
  const params: JointParams = (smoked ? smokedParams : roastParams)(shape);
  const move = smoked ? stepSmokedJoint : stepRoast;
  const env = { chamberC: tempC + OVEN_OFF_C * normal(random) };
  const startC = between(FROM_FRIDGE_C, random);
  let state: JointState = { core: startC, mid: startC, rim: startC, surface: startC, lostKg: 0, t: 0 };
  const cores = [startC];
  while (state.core < probeC) {
    if (cores.length > LONGEST_MIN) return undefined;
    state = move({ state, params, env, stepS: 60 });
    cores.push(state.core);
  }
  // A joint of another size takes another time and goes through the same temperatures.
  const pace = (cores.length - 1) / total;
  return Array.from({ length: Math.floor(total / READS_EVERY_MIN) + 1 }, (_, i) => {
    const core = cores[Math.min(cores.length - 1, Math.round(i * READS_EVERY_MIN * pace))] as number;
    return Math.round((core + NOISE_C * normal(random)) * 10) / 10;
  });
}

/** A number of a name (FNV-1a): steps draw apart, in whatever order they are asked for. */
function hashed(ref: string): number {
  let hash = 0x811c9dc5;
  for (const char of ref) hash = Math.imul(hash ^ (char.codePointAt(0) as number), 0x01000193) >>> 0;
  return hash % 1_000_003;
}
