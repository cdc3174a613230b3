// Random dishes for property tests and benchmarks: every feature of the format, in believable proportions.
// Well-formed by construction (check.ts finds no error), feasible mostly.
import { seededRandom } from "../../src/core/random";

type Json = Record<string, unknown>;

export interface Shape {
  readonly steps: number;
  readonly cooks: number;
  /** From 0 to 1: how tight the maximum lags are and how often they stand. */
  readonly tight: number;
  /** Without split and stretchable steps, for comparing with a solver whose model leaves them out. */
  readonly plain: boolean;
}

/** A dish document. The same seed and shape give the same dish. */
export function randomDish(seed: number, shape?: Partial<Shape>): Json {
  const random = seededRandom(seed);
  const chance = (p: number) => random() < p;
  const whole = (from: number, to: number) => Math.floor(from + random() * (to - from + 1));
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const steps = shape?.steps ?? whole(4, 40);
  const cooks = shape?.cooks ?? whole(1, 2);
  const tight = shape?.tight ?? random();
  const plain = shape?.plain ?? false;
  const count = Math.max(1, Math.round(steps / 6));
  const components: Json[] = [];
  let left = steps - 1;
  for (let c = 0; c < count; c++) {
    const size = c === count - 1 ? left : Math.min(left, whole(2, 10));
    left -= size;
    if (size < 1) break;
    const makeSteps = (n: number) => Array.from({ length: n }, (_, s) => randomStep(s, n, c));
    const methods: Json[] = [{ id: "first", steps: makeSteps(size) }];
    if (chance(0.15)) methods.push({ id: "quick", quality: 0.8, steps: makeSteps(Math.max(1, Math.round(size / 2))) });
    components.push({
      id: `c${c}`,
      name: `Component ${c}`,
      kind: one(["dough", "stock", "braise", "sauce"]),
      ...(chance(0.1) ? { factor: 1.5 } : {}),
      methods,
    });
    if (left <= 0) break;
  }
  const takes = components.map((_, c) => ({ from: `c${c}.out`, amount: { amount: 0.5, unit: "kg" } }));
  components.push({
    id: "plate",
    name: "Plate",
    kind: "assembly",
    methods: [{ id: "only", steps: [{ id: "put", name: "Put together", time: "15m", after: [], takes }] }],
  });
  return {
    format: "rondeau/1",
    dish: {
      id: `random-${seed}`,
      name: "Random",
      timezone: one(["Europe/Dublin", "America/New_York", "Asia/Kolkata"]),
      baseServes: 4,
      serves: one([4, 6]),
      serveAt: one(["2026-10-18T13:00", "2026-10-25T18:30", "2026-06-20T20:00"]),
      serve: "plate.put",
    },
    components,
    kitchen: {
      cooks: [
        {
          id: "ada",
          hours: [
            { days: "mon-fri", from: "18:30", to: "22:00" },
            { days: "sat-sun", from: "08:00", to: "22:00" },
          ],
          away: [{ days: "mon-fri", from: "08:15", to: "18:00" }],
        },
        {
          id: "ben",
          hours: [
            { days: "sat", from: "14:00", to: "19:00" },
            { days: "sun", from: "09:00", to: "20:00" },
          ],
        },
      ].slice(0, cooks),
      equipment: [
        { id: "oven", kind: "oven", racks: 2, maxC: 250 },
        { id: "hob", kind: "burner", count: 3 },
        { id: "bath", kind: "bath", litres: 12 },
        { id: "pot-1", kind: "pot", litres: 10 },
        { id: "pot-2", kind: "pot", litres: 5 },
        { id: "pot-3", kind: "pot", litres: 2 },
        { id: "fridge", kind: "fridge", litres: 40 },
        { id: "mixer", kind: "mixer", litres: 5, cleanTakes: "5m" },
        { id: "tray", kind: "tray", count: 3 },
      ],
      windows: [
        ...(chance(0.5) ? [{ weekly: { days: "all", from: "22:00", to: "07:30" }, forbid: ["noisy"], why: "neighbours" }] : []),
        ...(chance(0.15)
          ? [
              {
                weekly: { days: "fri", from: "20:00", to: "21:00" },
                forbid: [one(["hands", "*", "heat", "start-heat"])],
                why: "a quiet hour",
              },
            ]
          : []),
      ],
    },
  };

  function randomStep(s: number, n: number, c: number): Json {
    const step: Json = { id: `s${s}`, name: `Step ${c}.${s}` };
    const attention = one(["hands", "hands", "nearby", "unattended"]);
    const likely = attention === "hands" ? 5 * whole(1, 8) : 15 * whole(1, attention === "nearby" ? 12 : 30);
    step.attention = attention;
    step.time = chance(0.3)
      ? { min: `${Math.ceil(likely * 0.8)}m`, likely: `${likely}m`, max: `${Math.ceil(likely * 1.4)}m` }
      : `${likely}m`;
    if (chance(0.1)) step.grows = 0.5;
    if (attention !== "hands" && chance(0.4) && likely >= 15) step.handsStart = "5m";
    if (attention !== "hands" && chance(0.4) && likely >= 15) step.handsEnd = "5m";
    if (attention !== "hands" && chance(0.15) && !plain) step.stretch = `${30 * whole(1, 8)}m`;
    if (attention === "hands" && likely >= 20 && chance(0.15) && !plain) step.split = { minPiece: "10m" };
    else if (chance(0.08)) step.batches = whole(2, 3);
    if (attention === "nearby" && likely >= 60 && chance(0.4))
      step.tend = { every: `${15 * whole(1, 4)}m`, takes: "3m", what: "check it", ...(chance(0.2) ? { fromEnd: true } : {}) };
    if (chance(0.1)) step.tags = ["noisy"];
    const uses: Json[] = [];
    if (attention === "hands") {
      if (chance(0.25)) uses.push({ what: "mixer", litres: 2 });
    } else if (chance(0.5)) {
      const heat = one(["burner", "oven", "bath", "fridge"]);
      if (heat === "burner")
        uses.push({ what: "burner" }, { what: "pot", litres: whole(1, 5), ...(s + 1 < n && chance(0.4) ? { until: `s${s + 1}` } : {}) });
      if (heat === "oven")
        uses.push({
          what: "oven",
          tempC: 10 * whole(12, 23),
          toleranceC: one([5, 10, 15]),
          racks: 1,
          ...(chance(0.3) ? { mode: one(["fan", "still"]) } : {}),
        });
      if (heat === "bath") uses.push({ what: "bath", tempC: whole(58, 85), toleranceC: 2, litres: whole(2, 5) });
      if (heat === "fridge") uses.push({ what: "fridge", litres: whole(1, 4) });
    }
    if (chance(0.1)) uses.push({ what: "tray", count: whole(1, 2) });
    if (uses.length) step.uses = uses;
    if (s > 0 && chance(0.35)) {
      const min = chance(0.5) ? 15 * whole(0, 40) : 0;
      const max = chance(0.3 + 0.5 * tight) ? min + Math.round((240 + random() * 2880) * (1.2 - tight)) : undefined;
      step.after = [
        {
          step: `s${s - 1}`,
          min: `${min}m`,
          ...(max !== undefined ? { max: `${max}m` } : {}),
          ...(chance(0.4) ? { place: "fridge", litres: whole(1, 3) } : {}),
        },
      ];
    }
    if (s > 1 && chance(0.15)) step.after = [`s${s - 1}`, `s${s - 2}`];
    if (s === n - 1) {
      step.makes = [{ id: "out", amount: { amount: 1, unit: "kg" }, ...(chance(0.8) ? { holds: randomHolds() } : {}) }];
      if (c > 0 && chance(0.4)) step.takes = [{ from: `c${whole(0, c - 1)}.out`, amount: { amount: 0.1, unit: "kg" } }];
    }
    return step;
  }

  function randomHolds(): Json[] {
    const holds: Json[] = [{ place: "counter", max: `${whole(1, 4)}h`, limit: "safety" }];
    if (chance(0.8)) {
      const min = chance(0.4) ? whole(2, 10) : 0;
      holds.push({
        place: "fridge",
        litres: whole(1, 4),
        ...(min ? { min: `${min}h` } : {}),
        best: [`${min + 2}h`, `${min + 20}h`],
        max: `${min + whole(24, 96)}h`,
        limit: "safety",
      });
    }
    return holds;
  }
}
