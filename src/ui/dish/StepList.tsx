"use client";
import { ArrowDown, ArrowUp, Copy, ListPlus, Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import { panelsForStep } from "@/core/bench/in-place";
import { lineContext, type MethodPlace, methodOf } from "@/core/dish/edit/places";
import { duplicateStep, insertTyped, moveStep, removeStep, retype } from "@/core/dish/edit/steps";
import type { DishFile } from "@/core/dish/schema";
import { writeStepLine } from "@/core/entry/step-line-text";
import type { FindingView } from "@/core/safety/view";
import { STEP_LIST } from "@/words/editor";
import { FindingCard } from "../safety/FindingCard";
import { mended } from "../safety/mended";
import { LineInput } from "./line-input";
import { StepFields } from "./StepFields";
import { Understood } from "./understood";
import type { Edit } from "./use-editing";

interface StepListProps {
  readonly document: DishFile;
  readonly place: MethodPlace;
  readonly edit: Edit;
  readonly kinds: readonly string[];
  readonly onProblem: (text: string) => void;
  /** Opens a panel of the Bench for a step. */
  readonly onCalculate: (panel: string, step: string) => void;
  readonly findings: readonly FindingView[];
}

/** The steps of a way, a line each. A line is typed over; all else stands in the fields behind it. */
export function StepList({ document, place, edit, kinds, onProblem, onCalculate, findings }: StepListProps) {
  const method = methodOf(document, place);
  const context = lineContext(document, place.component);
  const [open, setOpen] = useState<string>();
  const [line, setLine] = useState("");
  const box = useRef<HTMLInputElement>(null);
  const add = () => {
    if (line.trim() === "") return;
    if (edit(STEP_LIST.aStep(line.trim().slice(0, 60)), (d) => insertTyped(d, place, line))) setLine("");
    box.current?.focus();
  };
  return (
    <div>
      <ol>
        {method.steps.map((step, i) => {
          const name = step.name ?? step.id;
          const at = { ...place, step: step.id };
          return (
            <li key={step.id} className="border-t border-rule py-1.5 first:border-t-0" data-step-line={step.id}>
              <div className="flex items-start gap-2">
                <span className="clock w-5 pt-2 text-right text-[12px] text-quiet">{i + 1}</span>
                <div className="min-w-0 flex-1">
                  <LineInput
                    label={STEP_LIST.step(i + 1, name)}
                    value={writeStepLine(step, context)}
                    multiline
                    onCommit={(text) => text !== "" && edit(STEP_LIST.retyped(name), (d) => retype(d, at, text))}
                    hint={(text, write) => <Understood line={text} context={context} onLine={write} />}
                  />
                  {step.note && open !== step.id && <p className="text-[12.5px] text-quiet">{step.note}</p>}
                </div>
              </div>
              <div className="flex flex-wrap gap-x-1 pl-7 text-[13px]">
                <button
                  type="button"
                  className="link mr-2"
                  aria-expanded={open === step.id}
                  onClick={() => setOpen(open === step.id ? undefined : step.id)}
                >
                  {open === step.id ? STEP_LIST.close : STEP_LIST.allFields}
                  <span className="sr-only">
                    {" "}
                    {STEP_LIST.ofIt} {name}
                  </span>
                </button>
                {panelsForStep(name)
                  .slice(0, 1)
                  .map((p) => (
                    <button key={p.id} type="button" className="link mr-2" onClick={() => onCalculate(p.id, step.id)}>
                      {STEP_LIST.calculate}
                      <span className="sr-only">
                        : {p.title}
                        {STEP_LIST.forIt} {name}
                      </span>
                    </button>
                  ))}
                <Small
                  label={STEP_LIST.moveUp(name)}
                  disabled={i === 0}
                  onPress={() => edit(STEP_LIST.movedUp(name), (d) => moveStep(d, at, -1))}
                >
                  <ArrowUp size={15} />
                </Small>
                <Small
                  label={STEP_LIST.moveDown(name)}
                  disabled={i === method.steps.length - 1}
                  onPress={() => edit(STEP_LIST.movedDown(name), (d) => moveStep(d, at, 1))}
                >
                  <ArrowDown size={15} />
                </Small>
                <Small
                  label={STEP_LIST.addAStepAfter(name)}
                  onPress={() => edit(STEP_LIST.aStepAfter(name), (d) => insertTyped(d, place, STEP_LIST.newStep15m, i + 1))}
                >
                  <ListPlus size={15} />
                </Small>
                <Small label={STEP_LIST.duplicate(name)} onPress={() => edit(STEP_LIST.duplicated(name), (d) => duplicateStep(d, at))}>
                  <Copy size={15} />
                </Small>
                <Small label={STEP_LIST.remove(name)} onPress={() => edit(STEP_LIST.removed(name), (d) => removeStep(d, at))}>
                  <Trash2 size={15} />
                </Small>
              </div>
              <div className="pl-7">
                {findings
                  .filter((f) => f.step === `${place.component}.${step.id}`)
                  .map((f) => (
                    <FindingCard key={f.id} finding={f} here onMend={(label, change) => edit(label, (d) => mended(d, change))} />
                  ))}
              </div>
              {open === step.id && (
                <StepFields document={document} place={at} step={step} context={context} kinds={kinds} edit={edit} onProblem={onProblem} />
              )}
            </li>
          );
        })}
      </ol>
      <div className="flex items-start gap-2 border-t border-rule pt-2">
        <span className="clock w-5 pt-2 text-right text-[12px] text-quiet">{method.steps.length + 1}</span>
        <div className="min-w-0 flex-1">
          <input
            ref={box}
            type="text"
            aria-label={STEP_LIST.addAStep}
            value={line}
            onChange={(e) => setLine(e.target.value)}
            onKeyDown={(e) => e.key === "Enter" && add()}
            placeholder={STEP_LIST.example}
            spellCheck={false}
            autoComplete="off"
            className="field w-full text-[14px]"
          />
          <div className="text-[12.5px]" aria-live="polite">
            <Understood line={line} context={context} onLine={setLine} />
          </div>
        </div>
        <button type="button" className="act" onClick={add} disabled={line.trim() === ""}>
          {STEP_LIST.add}
        </button>
      </div>
    </div>
  );
}

function Small({
  label,
  disabled,
  onPress,
  children,
}: {
  label: string;
  disabled?: boolean;
  onPress: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onPress}
      className="inline-flex size-7 cursor-pointer items-center justify-center rounded text-quiet hover:text-rim disabled:opacity-30"
    >
      {children}
    </button>
  );
}
