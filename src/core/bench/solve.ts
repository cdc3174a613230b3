// One figure fixed by the cook, one field left open: which value of the field gives that figure. Any figure and any field of any panel.
import { CalculationError } from "../measures/calculation-error";
import { answerOf, type FigureField, type Panel, type Values } from "./panel";
import { said, type Units } from "./quantity";

const GRID = 48;
const STEPS = 60;
/** So near, of the answer or of the stretch that is searched, counts as there. */
const CLOSE = 1e-7;

interface Wish {
  /** The figure that is fixed, and at what. */
  readonly figure: string;
  readonly at: number;
  /** The field that may give way. */
  readonly field: string;
}

/**
 * The value of the open field at which the figure is as wished; of several the one nearest to where the field stands.
 * @param values of the whole panel; the open field's own is where the search begins
 * @returns the value in the field's base unit
 * @throws {CalculationError} E_UNREACHABLE where no value of the field gives the figure, saying between what the figure can lie
 */
export function solveFor(panel: Panel, values: Values, wish: Wish, units: Units): number {
  const field = panel.fields.find((f): f is FigureField & (typeof panel.fields)[number] => f.key === wish.field && "low" in f);
  if (!field) throw new CalculationError(wish.field, "E_UNKNOWN", "Choose the field to change.");
  const at = (x: number): number | undefined => {
    const got = answerOf(panel, { ...values, [field.key]: x }, units);
    if (!got.ok) return undefined;
    const y = got.result.figures.find((f) => f.key === wish.figure)?.value;
    return y !== undefined && Number.isFinite(y) ? y - wish.at : undefined;
  };
  const here = values[field.key] as number;
  const grid = gridOf(field, here);
  const known = new Map<number, number | undefined>();
  const asked = (x: number) => {
    if (!known.has(x)) known.set(x, at(x));
    return known.get(x);
  };
  let best: number | undefined;
  const near = (x: number) => {
    if (best === undefined || Math.abs(x - here) < Math.abs(best - here)) best = x;
  };
  // From where the field stands outwards: what lies farther away than an answer is not asked for any more.
  for (const [x0, x1] of outwards(grid, here)) {
    if (best !== undefined && Math.min(Math.abs(x0 - here), Math.abs(x1 - here)) >= Math.abs(best - here)) break;
    const [y0, y1] = [asked(x0), asked(x1)];
    if (y0 === 0) near(x0);
    if (y1 === 0) near(x1);
    if (y0 === undefined || y1 === undefined || y0 === 0 || y1 === 0 || y0 > 0 === y1 > 0) continue;
    near(rootBetween(at, [x0, y0], [x1, y1]));
  }
  if (best !== undefined) return best;
  const ys = grid.map(asked);
  const reached = ys.flatMap((y) => (y === undefined ? [] : [y + wish.at]));
  const figure = firstFigure(panel, values, wish.figure, units);
  const range =
    reached.length && figure
      ? ` It can be between ${said(Math.min(...reached), figure, units)} and ${said(Math.max(...reached), figure, units)}.`
      : "";
  throw new CalculationError(
    field.key,
    "E_UNREACHABLE",
    `No ${field.label.toLowerCase()} from ${said(field.low, field.of, units)} to ${said(field.high, field.of, units)} gives that.${range}`,
  );
}

/** Evenly in the logarithm where the range spans decades, else evenly; and closer about where the field stands, since a stop may cut the range short there. */
function gridOf({ low, high }: FigureField, here: number): number[] {
  const wide = low > 0 && high / low > 50;
  const all = Array.from({ length: GRID + 1 }, (_, i) => (wide ? low * (high / low) ** (i / GRID) : low + ((high - low) * i) / GRID));
  const about = [0, 0.25, 0.5, 0.75, 0.9, 1, 1.1, 1.25, 1.5, 2, 3, 5, 8].map((x) => x * here);
  return [...new Set([...all, ...about.filter((x) => x >= low && x <= high)])].sort((a, b) => a - b);
}

/** The stretches between the points of a grid, the nearest to `here` first. */
function outwards(grid: readonly number[], here: number): (readonly [number, number])[] {
  const gap = ([a, b]: readonly [number, number]) => (a <= here && here <= b ? 0 : Math.min(Math.abs(a - here), Math.abs(b - here)));
  return grid
    .slice(1)
    .map((b, i) => [grid[i] as number, b] as const)
    .sort((a, b) => gap(a) - gap(b));
}

/**
 * A root of `at` between two points where it has opposite signs, by regula falsi in its Illinois form (Dowell and Jarratt 1971); where that
 * does not halve the stretch in three steps, as at the edge of an answer that comes in steps, it is halved.
 */
function rootBetween(
  at: (x: number) => number | undefined,
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
): number {
  let [a, ya, b, yb] = [x0, y0, x1, y1];
  let [side, before] = [0, Math.abs(b - a)];
  for (let i = 1; i <= STEPS && Math.abs(b - a) > CLOSE * Math.max(1e-3, Math.abs(a)); i++) {
    const halve = i % 3 === 0 && Math.abs(b - a) > before / 2;
    if (i % 3 === 0) before = Math.abs(b - a);
    const x = halve ? (a + b) / 2 : (a * yb - b * ya) / (yb - ya);
    const y = at(x);
    if (y === undefined) return a;
    if (y === 0) return x;
    if (y > 0 === ya > 0) {
      [a, ya] = [x, y];
      if (side === -1) yb /= 2;
      side = -1;
    } else {
      [b, yb] = [x, y];
      if (side === 1) ya /= 2;
      side = 1;
    }
    // An answer that is as good as exact.
    if (Math.abs(y) <= CLOSE * Math.abs(y0 - y1)) return x;
  }
  return (a + b) / 2;
}

const firstFigure = (panel: Panel, values: Values, key: string, units: Units) => {
  const got = answerOf(panel, values, units);
  return got.ok ? got.result.figures.find((f) => f.key === key)?.of : undefined;
};
