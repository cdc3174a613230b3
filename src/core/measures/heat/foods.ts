// Thermal properties of foods, vessels, and which model of cooling fits. Sources: Choi & Okos 1986; ASHRAE Refrigeration 2018; Incropera 2007.
import { CalculationError, checked, row } from "../calculation-error";
import tables from "../tables/heat.json";

interface FoodHeat {
  readonly k: number;
  readonly rho: number;
  readonly cp: number;
  readonly body: string;
}
/** W/(m·K), kg/m³, J/(kg·K), and whether it mixes by itself. */
export const FOOD: Readonly<Record<string, FoodHeat>> = tables.FOOD;
const OKOS = tables.CHOI_OKOS;
const PARTS = OKOS.order as readonly (keyof Composition)[];

interface Composition {
  readonly water?: number;
  readonly protein?: number;
  readonly fat?: number;
  readonly carb?: number;
  readonly fibre?: number;
  readonly ash?: number;
}

/**
 * Properties from composition, where no row of the table fits. Not for foods full of air, nor below 0 °C.
 * @param input shares of weight 0–1 that sum to 1 ± 0.02; tempC 0–120
 * @returns k W/(m·K), rho kg/m³, cp J/(kg·K), alpha m²/s
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function foodThermal(input: Composition & { readonly tempC: number }) {
  const t = checked("tempC", input.tempC, 0, 120, "°C");
  const given = PARTS.map((name) => checked(name, input[name] ?? 0, 0, 1));
  const sum = given.reduce((a, b) => a + b, 0);
  if (Math.abs(sum - 1) > 0.02)
    throw new CalculationError("water", "E_RANGE", "water: the shares have to sum to 1. Give water, protein, fat, carb, fibre, ash.");
  const at = (table: readonly (readonly number[])[], i: number) => {
    const [a = 0, b = 0, c = 0] = table[i] ?? [];
    return a + b * t + c * t * t;
  };
  const over = (value: (share: number, i: number) => number) => given.reduce((n, x, i) => n + value(x / sum, i), 0);
  const rho = 1 / over((x, i) => x / at(OKOS.rho, i));
  const cp = over((x, i) => x * at(OKOS.cp, i));
  const k = rho * over((x, i) => (x / at(OKOS.rho, i)) * at(OKOS.k, i));
  return { k, rho, cp, alpha: k / (rho * cp) };
}

const SHAPES = { cylinder: "cylinder", tray: "tray" } as const;

/**
 * Surfaces and depth of pots and trays that share a volume.
 * @param input shape cylinder (diameterCm 5–60) or tray (lengthCm, widthCm 5–80); volumeL 0.05–60 over count 1–40
 * @returns depthM, topM2, sideM2, bottomM2, totalM2 of one vessel, lengthM = volume / surface
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function vesselGeometry(input: {
  readonly shape: keyof typeof SHAPES;
  readonly volumeL: number;
  readonly diameterCm?: number;
  readonly lengthCm?: number;
  readonly widthCm?: number;
  readonly count?: number;
}) {
  const shape = row("shape", SHAPES, input.shape);
  const volume = checked("volumeL", input.volumeL, 0.05, 60, "L") / 1000 / checked("count", input.count ?? 1, 1, 40);
  let top: number;
  let around: number;
  if (shape === "cylinder") {
    const d = checked("diameterCm", input.diameterCm, 5, 60, "cm") / 100;
    top = (Math.PI * d * d) / 4;
    around = Math.PI * d;
  } else {
    const a = checked("lengthCm", input.lengthCm, 5, 80, "cm") / 100;
    const b = checked("widthCm", input.widthCm, 5, 80, "cm") / 100;
    top = a * b;
    around = 2 * (a + b);
  }
  const depth = volume / top;
  const total = 2 * top + around * depth;
  return { depthM: depth, topM2: top, sideM2: around * depth, bottomM2: top, totalM2: total, lengthM: volume / total };
}

interface BiotInput {
  readonly h: number;
  readonly k: number;
  readonly lengthM: number;
}

/**
 * How far the inside lags behind the surface: h · L / k.
 * @param input h 0.1–1e5 W/(m²·K); k 0.01–10 W/(m·K); lengthM 1e-4–1
 * @throws {CalculationError} E_RANGE, E_NOT_FINITE
 */
export function biotNumber({ h, k, lengthM }: BiotInput) {
  return { value: (checked("h", h, 0.1, 1e5, "W/m²K") * checked("lengthM", lengthM, 1e-4, 1, "m")) / checked("k", k, 0.01, 10, "W/mK") };
}

const BODIES = { thin: "thin", thick: "thick", solid: "solid" } as const;

/**
 * One temperature for all of it, or conduction from the inside. A jellied stock is solid below 20 °C unless stirred.
 * @param input body thin, thick, solid; stirred; h, k, lengthM as for biotNumber
 * @returns model lumped or conduction, bi, reason stirred, smallBiot, selfMixing, or the body
 * @throws {CalculationError} E_UNKNOWN, E_RANGE, E_NOT_FINITE
 */
export function chooseCoolingModel(input: BiotInput & { readonly body: keyof typeof BODIES; readonly stirred?: boolean }) {
  const body = row("body", BODIES, input.body);
  const bi = biotNumber(input).value;
  if (input.stirred === true && body !== "solid") return { model: "lumped", bi, reason: "stirred" };
  if (bi < 0.1) return { model: "lumped", bi, reason: "smallBiot" };
  if (body === "thin") return { model: "lumped", bi, reason: "selfMixing" };
  return { model: "conduction", bi, reason: body };
}
