"use client";
import { useMemo, useState } from "react";
import { benchAnswer } from "@/core/bench/ask";
import { filledFrom, panelsFor, panelsForStep } from "@/core/bench/in-place";
import { type Calculated, startOf, type Write } from "@/core/bench/panel";
import { PANELS, panelOf } from "@/core/bench/panels";
import { said, type Units } from "@/core/bench/quantity";
import { meantIngredient, meantSteps, written } from "@/core/bench/write-into";
import { type MethodPlace, methodOf } from "@/core/dish/edit/places";
import { scaledIngredient } from "@/core/dish/scaled-ingredient";
import type { DishFile } from "@/core/dish/schema";
import { quantityOf, quantityText } from "@/core/dish/units";
import { kOf } from "@/core/dish/weights";
import { CALCULATOR_PART } from "@/words/bench";
import type { Edit } from "../dish/use-editing";
import { Choice } from "../shell/Choice";
import { useFigures, useUnits } from "../shell/conventions";
import { PanelView } from "./PanelView";

export interface Calculation {
  readonly panel: string;
  readonly step?: string | undefined;
  /** Figures that were brought along, by field. */
  readonly typed?: Readonly<Record<string, string>>;
}
interface CalculatorPartProps {
  readonly document: DishFile;
  readonly place: MethodPlace;
  readonly open: Calculation | undefined;
  readonly onOpen: (calculation: Calculation | undefined) => void;
  readonly edit: Edit;
}

/** What can be calculated of a component: its panels, filled from the dish, and their results written back into it. */
export function CalculatorPart({ document, place, open, onOpen, edit }: CalculatorPartProps) {
  const component = document.components.find((c) => c.id === place.component);
  const method = methodOf(document, place);
  if (!component) return null;
  const step = method.steps.find((s) => s.id === open?.step);
  const near = [
    ...(step ? panelsForStep(step.name ?? step.id) : []),
    ...panelsFor(component.kind),
    ...method.steps.flatMap((s) => panelsForStep(s.name ?? s.id)),
  ];
  const chosen = open && panelOf(open.panel);
  const offered = [...new Set(chosen ? [...near, chosen] : near)].slice(0, 9);
  return (
    <section aria-label={CALCULATOR_PART.calculatedFor(component.name)}>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-[14px]">
        {offered.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-expanded={open?.panel === p.id}
            className={open?.panel === p.id ? "cursor-pointer border-b-2 border-saffron font-semibold" : "link"}
            onClick={() => onOpen(open?.panel === p.id ? undefined : { panel: p.id, step: open?.step })}
          >
            {p.title}
          </button>
        ))}
        <Choice
          label={CALCULATOR_PART.anotherCalculator}
          className="text-[13px]"
          value=""
          prompt="another calculator …"
          options={PANELS.filter((p) => !offered.includes(p)).map((p) => [p.id, p.title])}
          onChange={(panel) => onOpen({ panel, step: open?.step })}
        />
      </div>
      {open && chosen && <Opened key={`${open.panel} ${open.step ?? ""}`} document={document} place={place} open={open} edit={edit} />}
    </section>
  );
}

function Opened({
  document,
  place,
  open,
  edit,
}: Pick<CalculatorPartProps, "document" | "place" | "edit"> & { readonly open: Calculation }) {
  const units = useUnits();
  const told = useFigures();
  const panel = panelOf(open.panel);
  const [opened] = useState(() => {
    if (!panel) return undefined;
    const typed = { ...filledFrom(document, place, panel, units, open.step), ...open.typed };
    return { typed, first: benchAnswer({ panel: panel.id, typed: { ...startOf(panel, units), ...typed }, units }) };
  });
  if (!panel || !opened) return null;
  return (
    <div className="mt-2 border-l-[3px] border-saffron pl-4">
      <p className="pb-2 text-[13.5px] text-quiet">
        {told(panel.does)} {Object.keys(opened.typed).length > 0 && CALCULATOR_PART.filledInFromTheDish}
      </p>
      <PanelView id={panel.id} typed={opened.typed} first={opened.first} narrow>
        {(result) => (
          <Writes document={document} place={place} step={open.step} result={result} title={panel.title} units={units} edit={edit} />
        )}
      </PanelView>
    </div>
  );
}

interface WritesProps {
  readonly document: DishFile;
  readonly place: MethodPlace;
  readonly step: string | undefined;
  readonly result: Calculated;
  readonly title: string;
  readonly units: Units;
  readonly edit: Edit;
}

/** What the result would change, line by line: each can be written into the dish, and taken back with Ctrl+Z. */
function Writes({ document, place, step, result, title, units, edit }: WritesProps) {
  const told = useFigures();
  const writes = (result.writes ?? []).filter((w) => w.kind !== "time" || Number.isFinite(w.minutes));
  const [steps, setSteps] = useState<Readonly<Record<string, string>>>({});
  const method = methodOf(document, place);
  const target = (w: Write) =>
    w.kind === "time" || w.kind === "probe" ? (steps[w.label] ?? meantSteps(method, w, step)[0]?.id) : undefined;
  const amounts = writes.filter((w) => w.kind === "ingredient");
  const put = (list: readonly Write[], label: string) =>
    edit(`${title}: ${label}`, (d) => list.reduce((doc, w) => written(doc, place, w, target(w)), d));
  const now = useMemo(() => {
    const component = document.components.find((c) => c.id === place.component);
    return (w: Extract<Write, { kind: "ingredient" }>) => {
      const i = meantIngredient(method, w);
      const q = i && component && scaledIngredient(i, kOf(document, component));
      return i
        ? CALCULATOR_PART.now(i.name, q ? quantityText(q) : i.amount ? quantityText(quantityOf(i.amount)) : "without an amount")
        : CALCULATOR_PART.notAmongTheIngredientsYet;
    };
  }, [document, place, method]);
  if (writes.length === 0) return null;
  return (
    <section aria-label={CALCULATOR_PART.saveToTheDish} className="mt-3 text-[14px]">
      <h3 className="caps font-sans font-normal">{CALCULATOR_PART.saveToTheDish}</h3>
      <ul>
        {writes.map((w) => {
          const what = told(saidWrite(w, units));
          return (
            <li
              key={`${w.kind} ${w.kind === "ingredient" ? w.find : w.label}`}
              className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-rule py-1.5"
            >
              <span className="min-w-44 flex-1">
                {what}
                {w.kind === "ingredient" && <span className="block text-[12.5px] text-quiet">{now(w)}</span>}
              </span>
              {(w.kind === "time" || w.kind === "probe") && (
                <Choice
                  label={CALCULATOR_PART.stepToChange(what)}
                  className="max-w-52 text-[13px]"
                  value={target(w) ?? ""}
                  options={method.steps.map((s) => [s.id, s.name ?? s.id])}
                  onChange={(step) => setSteps({ ...steps, [w.label]: step })}
                />
              )}
              <button
                type="button"
                className="act min-h-8! px-3 text-[13.5px]"
                aria-label={CALCULATOR_PART.saveNamed(what)}
                onClick={() => put([w], what)}
              >
                {CALCULATOR_PART.save}
              </button>
            </li>
          );
        })}
      </ul>
      {amounts.length > 1 && (
        <button type="button" className="link text-[13.5px]" onClick={() => put(amounts, CALCULATOR_PART.allAmounts)}>
          {CALCULATOR_PART.saveAllAmounts}
        </button>
      )}
    </section>
  );
}

function saidWrite(w: Write, units: Units): string {
  switch (w.kind) {
    case "ingredient":
      return CALCULATOR_PART.ofIt(
        said(w.grams ?? w.mL ?? 0, w.grams === undefined ? "volume" : w.grams < 100 ? "grams" : "mass", units),
        w.name,
      );
    case "time":
      return `${said(w.minutes, "time", units)} ${w.label}${w.low !== undefined && w.high !== undefined ? CALCULATOR_PART.to(said(w.low, "time", units), said(w.high, "time", units)) : ""}`;
    case "probe":
      return CALCULATOR_PART.inTheMiddle(
        said(w.pullC, "temp", units),
        w.restToC === undefined ? "" : `, rising to ${said(w.restToC, "temp", units)}`,
      );
    default:
      return CALCULATOR_PART.keepsInThe(
        w.label,
        w.place,
        w.max === undefined ? "" : ` ${said(w.max, "time", units)} at most`,
        w.min && w.min >= 1 ? `, after ${said(w.min, "time", units)}` : "",
      );
  }
}
