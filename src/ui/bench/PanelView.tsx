"use client";
import { useEffect, useId, useRef, useState } from "react";
import type { BenchAnswer } from "@/core/bench/ask";
import { type Calculated, type Field, type Panel, startOf, startText, visibleFields } from "@/core/bench/panel";
import { panelOf } from "@/core/bench/panels";
import { readFigure, typedAs, type Units } from "@/core/bench/quantity";
import { HARD_STOPS } from "@/core/catalogue";
import { PANEL_VIEW } from "@/words/bench";
import { CurveChart } from "../charts/CurveChart";
import { useFigures, useUnits } from "../shell/conventions";
import { Figures, type Wished } from "./Figures";
import { HowCalculated } from "./HowCalculated";
import { PanelField } from "./PanelField";
import { useAnswer } from "./use-answer";

interface PanelViewProps {
  readonly id: string;
  /** What the fields hold as it opens, where that is not the panel's own start. */
  readonly typed: Readonly<Record<string, string>>;
  readonly first: BenchAnswer;
  /** Told of every change, for the address. */
  readonly onTyped?: (changed: Readonly<Record<string, string>>) => void;
  /** Beside the answer: what may be done with it. */
  readonly children?: (result: Calculated) => React.ReactNode;
  readonly narrow?: boolean;
}

/** One panel: its fields, and beside them what follows from them, calculated as one types. */
export function PanelView({ id, typed: given, first, onTyped, children, narrow }: PanelViewProps) {
  const panel = panelOf(id) as Panel;
  const units = useUnits();
  const told = useFigures();
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => ({ ...startOf(panel, units), ...given }));
  const [wish, setWish] = useState<Wished>();
  const spoken = useRef(units);
  useEffect(() => {
    if (spoken.current === units) return;
    const before = spoken.current;
    spoken.current = units;
    setTyped((t) => restated(panel, t, before, units));
    setWish(undefined);
  }, [panel, units]);
  const { got, busy } = useAnswer({ panel: id, typed, units, wish }, first);
  // A slip leaves the last figures standing, so that the page does not jump; a hard stop leaves none, and neither leaves anything to write.
  const last = useRef<Extract<BenchAnswer["answer"], { ok: true }>>(undefined);
  if (got.answer.ok) last.current = got.answer;
  const shown = got.answer.ok ? got.answer : HARD_STOPS.includes(got.answer.code) ? undefined : last.current;
  const put = (key: string, text: string) => {
    const next = { ...typed, [key]: text };
    setTyped(next);
    onTyped?.(changedFrom(panel, next, units));
  };
  const visible = visibleFields(panel, typed, units);
  const wrong = got.answer.ok ? undefined : got.answer;
  const wrongId = useId();
  return (
    <div className={narrow ? "flex flex-col gap-4" : "grid gap-x-10 gap-y-5 md:grid-cols-[minmax(13rem,17rem)_minmax(0,1fr)]"}>
      <form
        className={
          narrow ? "grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3" : "grid grid-cols-2 gap-x-4 gap-y-2.5 self-start md:grid-cols-1"
        }
        onSubmit={(e) => e.preventDefault()}
        aria-label={panel.title}
      >
        {visible.map((f) => (
          <PanelField
            key={f.key}
            field={f}
            units={units}
            text={got.solved?.field === f.key && "low" in f ? told(typedAs(got.solved.value, f.of, units)) : (typed[f.key] ?? "")}
            follows={wish?.field === f.key}
            wrong={wrong?.field === f.key ? wrongId : undefined}
            onText={(text) => put(f.key, text)}
          />
        ))}
      </form>
      <section aria-label={PANEL_VIEW.results} className="min-w-0" aria-busy={busy}>
        {wrong && (
          <p id={wrongId} role="alert" className="mb-3 border-l-[3px] border-beet py-0.5 pl-3 text-[14.5px]">
            {told(wrong.message)}
          </p>
        )}
        {shown && (
          <div>
            {wrong && <p className="pb-1 text-[13px] text-quiet">{PANEL_VIEW.asItWasBefore}</p>}
            <p className="max-w-[46rem] font-serif text-[20px] leading-snug" aria-live="polite" data-headline>
              {told(shown.result.headline)}
              {busy && <span className="text-[14px] text-quiet"> {PANEL_VIEW.calculating}</span>}
            </p>
            <Figures
              figures={shown.result.figures}
              units={units}
              wish={wish}
              fields={visible.filter((f): f is Extract<Field, { low: number }> => "low" in f)}
              onWish={setWish}
              onLetGo={() => {
                // What the field came to stays in it.
                const solved = got.solved;
                const field = panel.fields.find((f) => f.key === solved?.field);
                if (solved && field && "low" in field) put(solved.field, typedAs(solved.value, field.of, units));
                setWish(undefined);
              }}
            />
            {!wrong && children?.(shown.result)}
            {shown.result.curve && <CurveChart curve={shown.result.curve} units={units} />}
            {shown.result.table && <ResultTable table={shown.result.table} />}
            <Notes notes={shown.result.notes ?? []} />
            <HowCalculated made={shown.made} />
          </div>
        )}
      </section>
    </div>
  );
}

/** What differs from the panel's own start: that is all an address needs. */
export function changedFrom(panel: Panel, typed: Readonly<Record<string, string>>, units: Units): Record<string, string> {
  return Object.fromEntries(
    panel.fields.flatMap((f) =>
      typed[f.key] !== undefined && typed[f.key] !== startText(f, units) ? [[f.key, typed[f.key] as string]] : [],
    ),
  );
}

/** The same figures said in other units; what cannot be read stays as it was typed. */
function restated(panel: Panel, typed: Readonly<Record<string, string>>, from: Units, to: Units): Record<string, string> {
  return Object.fromEntries(
    panel.fields.map((f) => {
      const text = typed[f.key] ?? "";
      if (f.of === "readings") return [f.key, text === startText(f, from) ? startText(f, to) : text];
      if (!("low" in f)) return [f.key, text];
      if (text === startText(f, from)) return [f.key, startText(f, to)];
      try {
        return [f.key, typedAs(readFigure(f, text, from), f.of, to)];
      } catch {
        return [f.key, text];
      }
    }),
  );
}

function ResultTable({ table }: { readonly table: NonNullable<Calculated["table"]> }) {
  const told = useFigures();
  return (
    <div className="overflow-x-auto">
      <table className="my-3 w-full text-[14px]">
        <caption className="sr-only">{table.caption}</caption>
        <thead>
          <tr className="text-left text-quiet">
            {table.head.map((h, i) => (
              <th key={h} scope="col" className={`py-1 pr-3 font-normal ${i > 0 && i < table.head.length - 1 ? "text-right" : ""}`}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map(([head, ...cells]) => (
            <tr key={head} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {told(head ?? "")}
              </th>
              {cells.map((c, i) => (
                <td
                  key={table.head[i + 1]}
                  className={
                    i < cells.length - 1
                      ? "clock py-1.5 pr-3 text-right whitespace-nowrap"
                      : `py-1.5 ${c === "in time" ? "font-semibold text-leaf" : "text-beet"}`
                  }
                >
                  {told(c)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Notes({ notes }: { readonly notes: NonNullable<Calculated["notes"]> }) {
  const told = useFigures();
  if (notes.length === 0) return null;
  return (
    <div className="my-3 flex max-w-[46rem] flex-col gap-2 text-[14px]">
      {notes.map((n) => (
        <p key={n.text} className={n.caution ? "border-l-[3px] border-beet pl-3" : "text-quiet"}>
          {n.caution && <span className="sr-only">{PANEL_VIEW.caution} </span>}
          {told(n.text)}
        </p>
      ))}
      {notes.some((n) => n.caution) && <p className="text-[13px] text-quiet">{PANEL_VIEW.localCodesAndYourOwn}</p>}
    </div>
  );
}
