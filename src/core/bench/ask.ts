// One question to a panel as it crosses into a worker, and its answer: what stands in the fields, and perhaps one figure that is fixed.
import { CalculationError } from "../measures/calculation-error";
import { type Answer, answerOf, readValues } from "./panel";
import { panelOf } from "./panels";
import { readFigure, type Units } from "./quantity";
import { solveFor } from "./solve";

export interface BenchQuestion {
  readonly panel: string;
  readonly typed: Readonly<Record<string, string>>;
  readonly units: Units;
  /** A figure that is fixed at what is typed, and the field that gives way. */
  readonly wish?: { readonly figure: string; readonly text: string; readonly field: string } | undefined;
}
export interface BenchAnswer {
  readonly answer: Answer;
  /** What the field that gives way comes to. */
  readonly solved?: { readonly field: string; readonly value: number };
}

/** Never throws for what a cook may type: what is wrong is in the answer. */
export function benchAnswer({ panel: id, typed, units, wish }: BenchQuestion): BenchAnswer {
  const panel = panelOf(id);
  if (!panel) return { answer: { ok: false, code: "E_UNKNOWN", field: "", message: "There is no such panel on the Bench." } };
  try {
    // The open field may hold anything: it is about to be replaced.
    const start = panel.fields.find((f) => f.key === wish?.field);
    const { [wish?.field ?? ""]: open, ...rest } = typed;
    const values = readValues(panel, start ? { ...rest, ...readable(panel.id, wish?.field, open, units) } : typed, units);
    if (!wish || !start || !("low" in start)) return { answer: answerOf(panel, values, units) };
    const now = answerOf(panel, values, units);
    const figure = now.ok ? now.result.figures.find((f) => f.key === wish.figure) : undefined;
    if (!figure) return { answer: now };
    const asked = { key: wish.figure, label: figure.label, of: figure.of, low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY };
    const at = readFigure(asked, wish.text, units);
    const value = solveFor(panel, values, { figure: wish.figure, at, field: wish.field }, units);
    return { answer: answerOf(panel, { ...values, [wish.field]: value }, units), solved: { field: wish.field, value } };
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    return { answer: { ok: false, code: error.code, field: error.field, message: error.message } };
  }
}

/** What stands in the open field, where it can be read; else the field's start serves as well to search from. */
function readable(panel: string, key: string | undefined, text: string | undefined, units: Units): Record<string, string> {
  const field = panelOf(panel)?.fields.find((f) => f.key === key);
  if (!key || text === undefined || !field || !("low" in field)) return {};
  try {
    readFigure(field, text, units);
    return { [key]: text };
  } catch {
    return {};
  }
}
