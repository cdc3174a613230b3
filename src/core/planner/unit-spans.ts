// Which pot, burner or machine serves which step: spans of units, and dealing them out.
import { covers, type Intervals } from "../time/interval";
import type { Unit } from "./model";

/** One span of a unit (a pot, a burner, a machine) given to a step. */
export interface UnitSpan {
  readonly step: string;
  readonly activity: number;
  readonly useIndex: number;
  readonly fitting: readonly number[];
  readonly from: number;
  readonly to: number;
  readonly unit: number;
}

/** Whether a unit can take a span beside those it has, cleaning between different steps. */
export function isFree(spans: readonly UnitSpan[], unit: number, clean: number, span: UnitSpan, available: Intervals | undefined): boolean {
  if (available && !covers(available, span.from, span.to)) return false;
  return spans.every((s) => {
    if (s.unit !== unit) return true;
    const gap = s.step === span.step ? 0 : clean;
    return span.from >= s.to + gap || s.from >= span.to + gap;
  });
}

/** Deals all spans to units anew: by start, the smallest that is free, going back a bounded number of times. */
export function deal(spans: readonly UnitSpan[], units: readonly Unit[]): UnitSpan[] | undefined {
  const sorted = [...spans].sort((a, b) => a.from - b.from || a.fitting.length - b.fitting.length);
  const dealt: UnitSpan[] = [];
  let tries = 0;
  const next = (at: number): boolean => {
    const span = sorted[at];
    if (!span) return true;
    for (const unit of span.fitting) {
      if (++tries > 2000) return false;
      if (!isFree(dealt, unit, units[unit]?.clean ?? 0, span, units[unit]?.available)) continue;
      dealt.push({ ...span, unit });
      if (next(at + 1)) return true;
      dealt.pop();
    }
    return false;
  };
  return next(0) ? dealt : undefined;
}
