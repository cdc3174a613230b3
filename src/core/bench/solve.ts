// One figure fixed by the cook, one field left open: which value of the field gives that figure. Any figure and any field of any panel.
import { CalculationError } from "../measures/calculation-error";
import { answerOf, type FigureField, type Panel, type Values } from "./panel";
import { said, type Units } from "./quantity";

const GRID = 48;
const HALVINGS = 60;

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
  if (!field) throw new CalculationError(wish.field, "E_UNKNOWN", "Choose a figure that may give way.");
  const at = (x: number): number | undefined => {
    const got = answerOf(panel, { ...values, [field.key]: x }, units);
    if (!got.ok) return undefined;
    const y = got.result.figures.find((f) => f.key === wish.figure)?.value;
    return y !== undefined && Number.isFinite(y) ? y - wish.at : undefined;
  };
  const here = values[field.key] as number;
  const grid = gridOf(field, here);
  const ys = grid.map(at);
  let best: number | undefined;
  const near = (x: number) => {
    if (best === undefined || Math.abs(x - here) < Math.abs(best - here)) best = x;
  };
  for (let i = 0; i < grid.length; i++) {
    const [x0, y0] = [grid[i] as number, ys[i]];
    if (y0 === 0) near(x0);
    const [x1, y1] = [grid[i + 1], ys[i + 1]];
    if (x1 === undefined || y0 === undefined || y1 === undefined || y0 === 0 || y1 === 0 || y0 > 0 === y1 > 0) continue;
    near(bisected(at, x0, x1, y0));
  }
  if (best !== undefined) return best;
  const reached = ys.flatMap((y) => (y === undefined ? [] : [y + wish.at]));
  const figure = firstFigure(panel, values, wish.figure, units);
  const range =
    reached.length && figure
      ? ` It can lie between ${said(Math.min(...reached), figure, units)} and ${said(Math.max(...reached), figure, units)}.`
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

function bisected(at: (x: number) => number | undefined, from: number, to: number, yFrom: number): number {
  let [a, b] = [from, to];
  for (let i = 0; i < HALVINGS && Math.abs(b - a) > 1e-9 * Math.max(1, Math.abs(a)); i++) {
    const mid = (a + b) / 2;
    const y = at(mid);
    if (y === undefined) break;
    if (y === 0) return mid;
    if (y > 0 === yFrom > 0) a = mid;
    else b = mid;
  }
  return (a + b) / 2;
}

const firstFigure = (panel: Panel, values: Values, key: string, units: Units) => {
  const got = answerOf(panel, values, units);
  return got.ok ? got.result.figures.find((f) => f.key === key)?.of : undefined;
};
