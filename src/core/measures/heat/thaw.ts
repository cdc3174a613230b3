// Thawing by enthalpy: ice melts over a range of temperatures, so a half slab is followed by its heat and not by its temperature.
// Sources: Eyres and others 1946; Voller 1987. Tells how long the surface stands above 5 °C, which Plank's formula cannot.
import { CalculationError, checked, row } from "../calculation-error";
import tables from "../tables/heat.json";

interface Frozen {
  readonly rho: number;
  readonly latent: number;
  readonly tf: number;
  readonly kThawed: number;
  readonly kFrozen: number;
  readonly cpT: number;
  readonly cpF: number;
}
const FROZEN: Readonly<Record<string, Frozen>> = tables.FROZEN;
const [TABLE_FROM, TABLE_STEP] = [-45, 0.01];
const LONGEST_S = 30 * 86_400;

const iceAt = (f: Frozen, t: number) => (t < f.tf ? 1 - f.tf / t : 0);
const heatAt = (f: Frozen, t: number) => (t < f.tf ? f.latent * (1 - iceAt(f, t)) + f.cpF * (t - f.tf) : f.latent + f.cpT * (t - f.tf));

/** Temperature of a heat, J/kg: by table where there is ice, since that has no closed form. */
function temperatureOf(f: Frozen): (heat: number) => number {
  const count = Math.round((f.tf - TABLE_FROM) / TABLE_STEP);
  const heats = Float64Array.from({ length: count + 1 }, (_, i) => heatAt(f, TABLE_FROM + i * TABLE_STEP));
  heats[count] = f.latent;
  return (heat) => {
    if (heat >= f.latent) return f.tf + (heat - f.latent) / f.cpT;
    let [low, high] = [0, count];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((heats[middle] as number) <= heat) low = middle;
      else high = middle;
    }
    const [a, b] = [heats[low] as number, heats[high] as number];
    return TABLE_FROM + (low + (heat - a) / (b - a)) * TABLE_STEP;
  };
}

/** The longest stable step of the scheme, s. */
const stableStep = (f: Frozen, dx: number, h: number) =>
  Math.min((f.rho * f.cpF * dx * dx) / (2 * f.kFrozen), (f.rho * f.cpF * dx) / (2 * (h + f.kFrozen / dx)));

/**
 * Nodes and step for a quick answer of thawEnthalpySlab, within 2 % of the fine one, for a panel that follows each key pressed.
 * @throws {CalculationError} E_UNKNOWN
 */
export function quickThaw({ food, thicknessM, h }: { readonly food: string; readonly thicknessM: number; readonly h: number }) {
  const nodes = 8;
  return { nodes, dt: Math.max(0.01, Math.min(10, 0.9 * stableStep(row("food", FROZEN, food), thicknessM / 2 / nodes, h))) };
}

/**
 * Seconds to thaw a flat pack from both faces, with its surface.
 * @param input food a frozen food; thicknessM 0.003–0.2; h 1–2000; tMedium −1–40; tStart −40–−2 (−18); endCoreC −5–10 (−0.5); nodes 4–60 (12);
 *   dt 0.01–10 s (0.5), small enough to be stable
 * @returns seconds (Infinity where the medium is too cold), surfaceC then, surfaceOver5S
 * @throws {CalculationError} E_RANGE (dt too long too), E_UNKNOWN, E_NOT_FINITE
 */
export function thawEnthalpySlab(input: {
  readonly food: string;
  readonly thicknessM: number;
  readonly h: number;
  readonly tMedium: number;
  readonly tStart?: number;
  readonly endCoreC?: number;
  readonly nodes?: number;
  readonly dt?: number;
}) {
  const f = row("food", FROZEN, input.food);
  const half = checked("thicknessM", input.thicknessM, 0.003, 0.2, "m") / 2;
  const h = checked("h", input.h, 1, 2000, "W/m²K");
  const medium = checked("tMedium", input.tMedium, -20, 40, "°C");
  const start = checked("tStart", input.tStart ?? -18, -40, -2, "°C");
  const end = checked("endCoreC", input.endCoreC ?? -0.5, -5, 10, "°C");
  const n = Math.round(checked("nodes", input.nodes ?? 12, 4, 60));
  const dt = checked("dt", input.dt ?? 0.5, 0.01, 10, "s");
  const dx = half / n;
  const stable = stableStep(f, dx, h);
  if (dt > stable)
    throw new CalculationError(
      "dt",
      "E_RANGE",
      `dt: ${dt} s is too long a step here. Give ${stable.toPrecision(2)} s or less, or fewer nodes.`,
    );
  if (medium <= end) return { seconds: Number.POSITIVE_INFINITY, surfaceC: start, surfaceOver5S: 0 };
  const of = temperatureOf(f);
  const heats = Array.from({ length: n + 1 }, () => heatAt(f, start));
  const temps = heats.map(of);
  let [seconds, over] = [0, 0];
  // Hundreds of thousands of steps: nothing is made anew within one.
  const ices = temps.map((t) => iceAt(f, t));
  const flows = new Float64Array(n);
  while ((temps[0] as number) < end && seconds < LONGEST_S) {
    for (let i = 0; i < n; i++) {
      const ice = ((ices[i] as number) + (ices[i + 1] as number)) / 2;
      flows[i] = ((f.kThawed + (f.kFrozen - f.kThawed) * ice) * ((temps[i + 1] as number) - (temps[i] as number))) / dx;
    }
    for (let i = 0; i <= n; i++) {
      const into = i === n ? h * (medium - (temps[n] as number)) : (flows[i] as number);
      const out = i === 0 ? 0 : (flows[i - 1] as number);
      const width = i === 0 || i === n ? dx / 2 : dx;
      heats[i] = (heats[i] as number) + ((into - out) / (f.rho * width)) * dt;
    }
    for (let i = 0; i <= n; i++) {
      temps[i] = of(heats[i] as number);
      ices[i] = iceAt(f, temps[i] as number);
    }
    seconds += dt;
    if ((temps[n] as number) > 5) over += dt;
  }
  if (seconds >= LONGEST_S) return { seconds: Number.POSITIVE_INFINITY, surfaceC: temps[n] as number, surfaceOver5S: over };
  return { seconds, surfaceC: temps[n] as number, surfaceOver5S: over };
}
