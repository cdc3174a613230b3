"use client";
import Link from "next/link";
import { useCallback, useMemo, useState } from "react";
import { EditRefused } from "@/core/dish/edit/refused";
import { entryStep, join, outputOf, part } from "@/core/dish/edit/streams";
import { questionsOf } from "@/core/dish/questions";
import type { DishFile } from "@/core/dish/schema";
import type { LarderOffer } from "@/core/larder/offers";
import type { FindingView } from "@/core/safety/view";
import { materialFlow } from "@/core/sheets/material-flow";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { spokenTexts } from "@/core/view/spoken-texts";
import { WORKBENCH } from "@/words/editor";
import type { Calculation } from "../bench/CalculatorPart";
import { BreakdownMap } from "../breakdown-map/BreakdownMap";
import { MapTable } from "../breakdown-map/MapTable";
import { useConventions } from "../shell/conventions";
import { useAddress } from "../shell/use-address";
import { AddComponent } from "./AddComponent";
import { ComponentEditor } from "./ComponentEditor";
import { FromLarder } from "./FromLarder";
import { GettingOn } from "./GettingOn";
import { PlanNote, type PlanStateOf } from "./PlanNote";
import { ProblemNote } from "./ProblemNote";
import { useEditing } from "./use-editing";

interface WorkbenchProps {
  readonly slug: string;
  readonly version: number;
  readonly document: DishFile;
  readonly chosen: Readonly<Record<string, string>>;
  readonly plan: PlanStateOf;
  readonly others: readonly { readonly slug: string; readonly name: string }[];
  readonly component: string | undefined;
  readonly calculation: Calculation | undefined;
  readonly findings: readonly FindingView[];
  /** Components that are in the larder already. */
  readonly larder?: { readonly offers: readonly LarderOffer[]; readonly offsets: Offsets };
}

/** The breakdown: the map, and beside it the component that is worked on. */
export function Workbench({
  slug,
  version,
  document: given,
  chosen,
  plan,
  others,
  component,
  calculation: calculated,
  findings,
  larder,
}: WorkbenchProps) {
  const editing = useEditing(slug, given, version);
  const { document, edit, problem, clearProblem, saving } = editing;
  const [selected, setSelected] = useState(component);
  const [stream, setStream] = useState<string>();
  const [calculation, setCalculation] = useState(calculated);
  const [told, setTold] = useState<string>();
  const conventions = useConventions();
  const flow = useMemo(() => spokenTexts(materialFlow(document, chosen), conventions), [document, chosen, conventions]);
  const asked = useMemo(() => spokenTexts(questionsOf(document).open, conventions), [document, conventions]);
  const kinds = useMemo(() => [...new Set((document.kitchen?.equipment ?? []).map((e) => e.kind))].sort(), [document.kitchen]);
  const address = useAddress(given);
  const select = useCallback(
    (id: string | undefined) => {
      setSelected(id);
      setStream(undefined);
      setCalculation(undefined);
      address(`/d/${slug}/dish${id ? `?c=${id}` : ""}`);
    },
    [slug, address],
  );
  const calculate = (next: Calculation | undefined) => {
    setCalculation(next);
    const query = new URLSearchParams({
      c: selected ?? "",
      ...(next ? { bench: next.panel, ...(next.step ? { s: next.step } : {}) } : {}),
    });
    address(`/d/${slug}/dish?${query}`);
    if (next?.step) requestAnimationFrame(() => window.document.getElementById("calculated")?.scrollIntoView({ block: "start" }));
  };
  const onStream = (id: string) => {
    setStream(id);
    const s = flow.streams.find((x) => x.id === id);
    if (s) {
      setSelected(s.from);
      address(`/d/${slug}/dish?c=${s.from}`);
    }
  };
  // Pulled to its new place, the stream leaves the table: what was sent there by default goes where it is wanted.
  const onJoin = (from: string, to: string) =>
    edit(WORKBENCH.goesInto(nameOf(document, from), nameOf(document, to)), (d) => {
      const output = outputOf(d, from);
      const step = entryStep(d, to);
      if (!output || !step) throw new EditRefused(WORKBENCH.itMakesNothingYetThat);
      const serving = flow.streams.find((s) => s.output === output && s.step === d.dish.serve);
      const open = serving && step !== d.dish.serve && serving.amount === "no amount";
      const whole = serving && step !== d.dish.serve && serving.amount.endsWith(WORKBENCH.allOfIt);
      return join(open || whole ? part(d, { from: output, to: d.dish.serve }) : d, { from: output, to: step });
    });
  const current = document.components.some((c) => c.id === selected) ? selected : undefined;
  const onProblem = (text: string) => setTold(text);
  const shown = problem ?? (told ? { text: told } : undefined);
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-5 pt-3 pb-14 sm:px-7 lg:grid-cols-[minmax(0,7fr)_minmax(0,6fr)]">
      <div className="min-w-0 lg:sticky lg:top-3 lg:self-start">
        <PlanNote slug={slug} plan={plan} saving={saving} />
        <section aria-label={WORKBENCH.breakdownMap} className="pt-2">
          <BreakdownMap
            materialFlow={flow}
            selected={current}
            selectedStream={stream}
            onSelect={select}
            onStream={onStream}
            onJoin={onJoin}
          />
        </section>
        <p className="pt-1 text-[12.5px] text-quiet">{WORKBENCH.lineWidthShowsWeightDashed}</p>
        <details className="mt-2 border-t border-rule pt-1.5 text-[14px]">
          <summary className="cursor-pointer">{WORKBENCH.showAsTable}</summary>
          <div className="overflow-x-auto pt-2">
            <MapTable materialFlow={flow} />
          </div>
        </details>
      </div>
      <div className="min-w-0">
        <ProblemNote
          problem={shown}
          onClose={() => {
            clearProblem();
            setTold(undefined);
          }}
        />
        {current ? (
          <ComponentEditor
            key={current}
            document={document}
            materialFlow={flow}
            component={current}
            selectedStream={stream}
            kinds={kinds}
            calculation={calculation}
            findings={findings}
            fromLarder={
              larder && (
                <FromLarder
                  offers={larder.offers.filter((o) => o.component === current)}
                  component={{ id: current, name: document.components.find((c) => c.id === current)?.name ?? current }}
                  dish={document.dish.name}
                  clock={new WallClock(larder.offsets)}
                  edit={edit}
                />
              )
            }
            onCalculate={calculate}
            edit={edit}
            onProblem={onProblem}
            onClose={() => select(undefined)}
            onSelect={select}
          />
        ) : (
          <>
            <GettingOn document={document} />
            <AddComponent slug={slug} document={document} others={others} edit={edit} onProblem={onProblem} onAdded={() => {}} />
          </>
        )}
        {!current && asked.length > 0 && (
          <section aria-label={WORKBENCH.openQuestions} className="mt-6 border-t border-rule pt-3">
            <h2 className="text-[18px]">{WORKBENCH.openQuestions}</h2>
            <ol className="text-[14px]">
              {asked.slice(0, 4).map((q) => (
                <li key={q.id} className="border-t border-rule py-1 first:border-t-0">
                  {q.text}
                </li>
              ))}
            </ol>
            <Link href={`/d/${slug}/dish/questions`} className="link text-[14px]">
              {WORKBENCH.answer} {asked.length === 1 ? "it" : WORKBENCH.all(asked.length)}
            </Link>
          </section>
        )}
      </div>
    </div>
  );
}

const nameOf = (document: DishFile, id: string) => document.components.find((c) => c.id === id)?.name ?? id;
