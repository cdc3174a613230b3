// One pot, ten ways of cooling it, each judged: what an ice bath, trays, cold water or ice in the recipe would do. What is thin or stirred goes by one
// temperature, what stands thick or solid by conduction from its middle. Sources as in cooling.ts and conduction.ts.
import { CalculationError, checked, row } from "../calculation-error";
import { makeConduction } from "./conduction";
import { type CoolingStage, coolStaged } from "./cooling";
import { FOOD, vesselGeometry } from "./foods";
import { iceBalance } from "./ice";
import { judgeCooling } from "./verdicts";

const MARKS = [63, 60, 57, 21, 5] as const;
/** Overall coefficients, W/(m²·K): a lid in still air, a still fridge and one with a fan, the bottom of a tray on its shelf. */
const [AIR, FRIDGE, FRIDGE_FAN, SHELF] = [10, 7, 12, 5];
/** A bath around a pot: standing water, ice standing and stirred, for what mixes by itself and for what does not. */
const BATHS = { thin: { water: 120, ice: 150, stirred: 400 }, thick: { water: 60, ice: 60, stirred: 200 } } as const;
const ICE_BATH_C = 1;
/** A tub of tap water warms about the pot, and is left when little more is to be had. */
const [TUB_WARMS, TUB_LEFT, TUB_LEAST] = [3, 8, 22];
const FRIDGE_VAPOUR_PA = 500;
const HOURS = 48;

interface CompareInput {
  readonly volumeL: number;
  /** A row of FOOD. */
  readonly food: string;
  readonly potDiameterCm: number;
  readonly startC?: number;
  readonly roomC?: number;
  readonly fridgeC?: number;
  readonly tapC?: number;
  readonly trayDepthCm?: number;
  readonly iceShare?: number;
  readonly stirred?: boolean;
}

type Curve = readonly (readonly [seconds: number, tempC: number])[];
interface Course {
  readonly times: Readonly<Record<string, number | null>>;
  /** The slowest point, about each five minutes. */
  readonly curve: Curve;
}
const CURVE_S = 300;
/** Nothing more is decided below this. */
const COLD = 5;

interface SolidStage {
  readonly h: number;
  readonly tEnv: number;
  readonly untilC?: number;
  readonly hInner?: number;
  readonly tInner?: number;
  readonly wetness?: number;
  readonly airVapourPa?: number;
}

const withoutEnd = ({ untilC: _, ...stage }: SolidStage) => stage;

/** What is stirred or thin, through its stages. */
function staged(input: {
  readonly t0: number;
  readonly massKg: number;
  readonly cp: number;
  readonly stages: readonly CoolingStage[];
}): Course {
  const { timesS, curve, endS, endC } = coolStaged({ ...input, marks: MARKS });
  return { times: timesS, curve: [...curve.filter(([s]) => s < endS), [endS, endC]] };
}

/** A pot that is not stirred, through its route: the coefficient of each stage over its surface, its air, and the core at which it is left. */
function conductRoute(
  food: (typeof FOOD)[string],
  geometry: { readonly geometry: "slab" | "cylinder"; readonly halfM: number },
  startC: number,
  stages: readonly SolidStage[],
): Course {
  const times: Record<string, number | null> = Object.fromEntries(MARKS.map((m) => [m, startC <= m ? 0 : null]));
  const curve: (readonly [number, number])[] = [[0, startC]];
  let from: readonly number[] | undefined;
  let passed = 0;
  for (const s of stages) {
    const start = from ? { from } : {};
    const body = makeConduction({ ...geometry, k: food.k, rho: food.rho, cp: food.cp, t0: startC, ...withoutEnd(s), ...start });
    let slowest = Math.max(...body.temps);
    while (passed + body.seconds < HOURS * 3600 && slowest > (s.untilC ?? COLD)) {
      const before = passed + body.seconds;
      body.step(60);
      const next = Math.max(...body.temps);
      for (const m of MARKS) if (times[m] === null && next <= m) times[m] = before + (60 * (slowest - m)) / (slowest - next);
      slowest = next;
      const now = passed + body.seconds;
      if (now - (curve.at(-1) as readonly [number, number])[0] >= CURVE_S) curve.push([now, next]);
    }
    passed += body.seconds;
    curve.push([passed, slowest]);
    from = [...body.temps];
  }
  return { times, curve };
}

/** The ten ways by name, in the order in which they are told. */
export type CoolingWayKey =
  | "potCounterThenFridge"
  | "potFridgeAtOnce"
  | "coldWaterThenFridge"
  | "iceBathStill"
  | "iceBathStirred"
  | "iceAsRecipeWater"
  | "trays"
  | "traysFan"
  | "traysHalf"
  | "traysHalfFan";

export interface CoolingWay {
  readonly key: CoolingWayKey;
  /** As key; trays with their depth. */
  readonly method: string;
  readonly t60Min: number | null;
  readonly t21Min: number | null;
  readonly t5Min: number | null;
  readonly verdict: string;
  readonly ninety: string;
  readonly curve: Curve;
}

/**
 * Ways of cooling a pot, with when it passes 60, 21 and 5 °C and the verdicts of both rules.
 * @param input volumeL 0.2–40; food a row of FOOD; potDiameterCm 5–60; startC 60–100 (95); roomC 0–45 (21); fridgeC 0–10 (3.5); tapC 1–30 (14);
 *   trayDepthCm 1–12 (5); iceShare 0.05–0.45 of the recipe (0.25); stirred (yes)
 * @returns rows of method, t60Min, t21Min, t5Min (null where not in 48 h), verdict of the two stages, ninety
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function compareCooling(input: CompareInput) {
  return { rows: coolingWays(input).map(({ curve: _, key: __, ...row }) => row) };
}

/** As compareCooling, each way with its curve of [seconds, °C], which ends where it is cold or after 48 h. @throws {CalculationError} */
export function coolingWays(input: CompareInput): readonly CoolingWay[] {
  const food = row("food", FOOD, input.food);
  const volume = checked("volumeL", input.volumeL, 0.2, 40, "L");
  const startC = checked("startC", input.startC ?? 95, 60, 100, "°C");
  const room = checked("roomC", input.roomC ?? 21, 0, 45, "°C");
  const fridge = checked("fridgeC", input.fridgeC ?? 3.5, 0, 10, "°C");
  const tap = checked("tapC", input.tapC ?? 14, 1, 30, "°C");
  const depth = checked("trayDepthCm", input.trayDepthCm ?? 5, 1, 12, "cm") / 100;
  const iceShare = checked("iceShare", input.iceShare ?? 0.25, 0.05, 0.45);
  const pot = vesselGeometry({
    shape: "cylinder",
    volumeL: volume,
    diameterCm: checked("potDiameterCm", input.potDiameterCm, 5, 60, "cm"),
  });
  if (pot.depthM > 0.6) throw new CalculationError("potDiameterCm", "E_RANGE", "potDiameterCm: so much does not stand in so narrow a pot.");

  const thin = food.body === "thin";
  const mixes = thin || (food.body !== "solid" && input.stirred !== false);
  const bath = BATHS[thin ? "thin" : "thick"];
  const massKg = (volume * food.rho) / 1000;
  const wetness = thin ? 0.6 : 0.4;
  const outside = 0.9 * pot.sideM2 + pot.bottomM2;
  const open = { topM2: pot.topM2, tAir: room, wetness };
  const half = input.potDiameterCm / 200;
  const body =
    pot.depthM < half
      ? ({ geometry: "slab", halfM: pot.depthM } as const)
      : ({ geometry: "cylinder", halfM: Math.min(0.3, half) } as const);

  const through = (t0: number, stages: readonly CoolingStage[], solid: Parameters<typeof conductRoute>[3], stirs = mixes): Course =>
    stirs ? staged({ t0, massKg, cp: food.cp, stages }) : conductRoute(food, body, t0, solid);
  const inFridge = { tEnv: fridge, uaWK: FRIDGE * (pot.topM2 + pot.sideM2 + pot.bottomM2 / 2), untilC: COLD, maxMin: HOURS * 60 };
  const solidFridge = { h: FRIDGE, tEnv: fridge };
  const tubC = tap + TUB_WARMS;
  const leftAt = Math.max(TUB_LEAST, tap + TUB_LEFT);
  const iced = (h: number, stirs?: boolean) =>
    through(startC, [{ tEnv: ICE_BATH_C, uaWK: h * outside, ...open, untilC: 5 }], [{ h, tEnv: ICE_BATH_C }], stirs);
  const withIce = iceBalance({ stockKg: massKg * (1 - iceShare), stockC: startC, iceKg: massKg * iceShare, cp: food.cp }).tempC;

  const tray = (deep: number, h: number): Course =>
    thin
      ? staged({
          t0: startC,
          massKg: deep * food.rho,
          cp: food.cp,
          stages: [{ tEnv: fridge, uaWK: SHELF, topM2: 1, tAir: fridge, wetness, hConv: h / 2, untilC: COLD, maxMin: HOURS * 60 }],
        })
      : conductRoute(food, { geometry: "slab", halfM: deep }, startC, [
          { h, tEnv: fridge, hInner: SHELF, tInner: fridge, wetness, airVapourPa: FRIDGE_VAPOUR_PA },
        ]);
  const trayName = (deep: number) => `trays${Number((deep * 100).toFixed(2))}cmFridge`;

  const ways: readonly (readonly [key: CoolingWayKey, course: Course, method?: string])[] = [
    [
      "potCounterThenFridge",
      through(
        startC,
        [{ tEnv: room, uaWK: AIR * (pot.sideM2 + pot.bottomM2 / 2), ...open, untilC: 60 }, inFridge],
        [{ h: AIR, tEnv: room, untilC: 60 }, solidFridge],
      ),
    ],
    ["potFridgeAtOnce", through(startC, [inFridge], [solidFridge])],
    [
      "coldWaterThenFridge",
      through(
        startC,
        [{ tEnv: tubC, uaWK: bath.water * outside, ...open, untilC: leftAt }, inFridge],
        [{ h: bath.water, tEnv: tubC, untilC: leftAt }, solidFridge],
      ),
    ],
    ["iceBathStill", iced(bath.ice)],
    ["iceBathStirred", iced(bath.stirred, food.body !== "solid")],
    ["iceAsRecipeWater", through(withIce, [inFridge], [solidFridge])],
    ["trays", tray(depth, FRIDGE), trayName(depth)],
    ["traysFan", tray(depth, FRIDGE_FAN), `${trayName(depth)}Fan`],
    ["traysHalf", tray(depth / 2, FRIDGE), trayName(depth / 2)],
    ["traysHalfFan", tray(depth / 2, FRIDGE_FAN), `${trayName(depth / 2)}Fan`],
  ];
  const minutes = (s: number | null | undefined) => (s === null || s === undefined ? null : s / 60);
  return ways.map(([key, { times: t, curve }, method = key]) => {
    const times = { t63: t[63] ?? null, t57: t[57] ?? null, t21: t[21] ?? null, t5: t[5] ?? null };
    const lastSeconds = HOURS * 3600;
    return {
      key,
      method,
      t60Min: minutes(t[60]),
      t21Min: minutes(t[21]),
      t5Min: minutes(t[5]),
      verdict: judgeCooling({ times, lastSeconds }).verdict,
      ninety: judgeCooling({ times, lastSeconds, rule: "ninety" }).verdict,
      curve,
    };
  });
}
