"use client";
import { type ReactNode, useState } from "react";
import { addMethod, duplicateComponent, removeComponent, removeMethod, withFallback } from "@/core/dish/edit/components";
import { boughtInstead, isBought, madeAnew, onHandAlready } from "@/core/dish/edit/larder";
import { withComponent, withMethod } from "@/core/dish/edit/places";
import { EditRefused } from "@/core/dish/edit/refused";
import { COMPONENT_KINDS, type ComponentKind } from "@/core/dish/kinds";
import type { DishFile } from "@/core/dish/schema";
import { readAmount } from "@/core/entry/amounts";
import { readLength } from "@/core/entry/durations";
import type { FindingView } from "@/core/safety/view";
import type { MaterialFlow } from "@/core/sheets/material-flow";
import { momentText } from "@/core/spoken/moment-text";
import { durationText } from "@/core/time/duration";
import { COMPONENT_EDITOR } from "@/words/editor";
import { type Calculation, CalculatorPart } from "../bench/CalculatorPart";
import { colourOf } from "../route-chart/colours";
import { FindingCard } from "../safety/FindingCard";
import { mended } from "../safety/mended";
import { Choice } from "../shell/Choice";
import { useConventions } from "../shell/conventions";
import { MomentField } from "../shell/MomentField";
import { IngredientList } from "./IngredientList";
import { LineInput } from "./line-input";
import { StepList } from "./StepList";
import { StreamsPart } from "./StreamsPart";
import type { Edit } from "./use-editing";
import { WaysSideBySide } from "./WaysSideBySide";

interface ComponentEditorProps {
  readonly document: DishFile;
  readonly materialFlow: MaterialFlow;
  readonly component: string;
  readonly selectedStream: string | undefined;
  readonly kinds: readonly string[];
  /** What the rules of safety find in the dish and its plan. */
  readonly findings: readonly FindingView[];
  /** The panel of the Bench that is open beside it. */
  readonly calculation: Calculation | undefined;
  readonly onCalculate: (calculation: Calculation | undefined) => void;
  /** What of it is in the larder already. */
  readonly fromLarder?: ReactNode;
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
  readonly onClose: () => void;
  readonly onSelect: (component: string) => void;
}

/** One component: what it is, its ways side by side, what goes in, what is done, where it runs. */
export function ComponentEditor(props: ComponentEditorProps) {
  const { document, materialFlow, component: id, edit, onProblem, onClose, onSelect } = props;
  const component = document.components.find((c) => c.id === id);
  const conventions = useConventions();
  const [chosen, setChosen] = useState<string>();
  const [another, setAnother] = useState("");
  if (!component) return null;
  const method = component.methods.find((m) => m.id === chosen) ?? component.methods[0];
  const served = document.dish.serve.startsWith(`${id}.`);
  const name = component.name;
  return (
    <section
      aria-label={COMPONENT_EDITOR.component(name)}
      className="border-t-[3px] pt-2"
      style={{ borderColor: colourOf(component.kind) }}
    >
      <div className="flex flex-wrap items-center gap-2">
        <div className="min-w-48 flex-1">
          <LineInput
            label={COMPONENT_EDITOR.nameOfTheComponent}
            value={name}
            className="font-serif text-[18px]! font-semibold"
            onCommit={(text) =>
              text !== "" && edit(COMPONENT_EDITOR.isCalled(name, text), (d) => withComponent(d, id, (c) => ({ ...c, name: text })))
            }
          />
        </div>
        <Choice
          label={COMPONENT_EDITOR.kind}
          className="text-[14px]"
          value={component.kind}
          options={COMPONENT_KINDS.map((k) => [k, k])}
          onChange={(kind) =>
            edit(COMPONENT_EDITOR.isA(name, kind), (d) => withComponent(d, id, (c) => ({ ...c, kind: kind as ComponentKind })))
          }
        />
        <button type="button" className="link text-[13.5px]" onClick={onClose}>
          {COMPONENT_EDITOR.close}
        </button>
      </div>
      {!component.onHand?.length && props.fromLarder}
      {component.onHand?.length ? (
        <p className="flex flex-wrap gap-4 pt-2 text-[14px]">
          <span>
            {COMPONENT_EDITOR.onHandMade} {momentText(component.onHand[0]?.madeAt ?? "", conventions, document.dish.serveAt.slice(0, 4))}
            {COMPONENT_EDITOR.notMadeThisTime}
          </span>
          <button type="button" className="link" onClick={() => edit(COMPONENT_EDITOR.madeAgain(name), (d) => madeAnew(d, id))}>
            {COMPONENT_EDITOR.makeItAgain}
          </button>
        </p>
      ) : (
        method && (
          <>
            <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2 text-[14px]">
              <legend className="sr-only">{COMPONENT_EDITOR.methods}</legend>
              {component.methods.map((m, i) => (
                <label key={m.id} className="flex cursor-pointer items-baseline gap-1.5">
                  <input
                    type="radio"
                    name={`way-${id}`}
                    className="accent-(--rim)"
                    checked={m.id === method.id}
                    onChange={() => setChosen(m.id)}
                  />
                  <span className={m.id === method.id ? "font-semibold" : ""}>{m.name ?? m.id}</span>
                  {i === 0 && component.methods.length > 1 && (
                    <span className="text-[12.5px] text-quiet">{COMPONENT_EDITOR.firstChoice}</span>
                  )}
                  {(m.quality ?? 1) < 1 && (
                    <span className="text-[12.5px] text-quiet">
                      {Math.round((m.quality ?? 1) * 100)} {COMPONENT_EDITOR.asGood}
                    </span>
                  )}
                </label>
              ))}
            </fieldset>
            <details className="text-[13.5px]">
              <summary className="cursor-pointer text-rim">{COMPONENT_EDITOR.editMethods}</summary>
              <div className="grid gap-2 border-l-[3px] border-rule py-1.5 pl-4 sm:grid-cols-2">
                <div>
                  <span className="text-[12.5px] text-quiet">{COMPONENT_EDITOR.nameOfThisMethod}</span>
                  <LineInput
                    label={COMPONENT_EDITOR.nameOfTheMethod}
                    value={method.name ?? method.id}
                    onCommit={(text) =>
                      text !== "" &&
                      edit(`${name}: ${text}`, (d) => withMethod(d, { component: id, method: method.id }, (m) => ({ ...m, name: text })))
                    }
                  />
                </div>
                <div>
                  <span className="text-[12.5px] text-quiet">{COMPONENT_EDITOR.qualityAgainstTheBest}</span>
                  <LineInput
                    label={COMPONENT_EDITOR.qualityOfThisMethodIn}
                    mono
                    value={String(Math.round((method.quality ?? 1) * 100))}
                    onCommit={(text) =>
                      edit(COMPONENT_EDITOR.quality(name), (d) =>
                        withMethod(d, { component: id, method: method.id }, (m) => {
                          const n = Number(text) / 100;
                          if (!(n >= 0 && n <= 1)) throw new EditRefused(COMPONENT_EDITOR.writeANumberFrom0);
                          return { ...m, quality: n };
                        }),
                      )
                    }
                  />
                </div>
                <form
                  className="flex gap-2"
                  onSubmit={(e) => {
                    e.preventDefault();
                    let made = "";
                    const done = edit(COMPONENT_EDITOR.anotherMethodNamed(name, another), (d) => {
                      const added = addMethod(d, { component: id, method: method.id }, another);
                      made = added.id;
                      return added.document;
                    });
                    if (!done) return;
                    setAnother("");
                    setChosen(made);
                  }}
                >
                  <input
                    className="field min-w-0 flex-1"
                    aria-label={COMPONENT_EDITOR.anotherMethod}
                    placeholder={COMPONENT_EDITOR.inTheSlowCooker}
                    value={another}
                    onChange={(e) => setAnother(e.target.value)}
                  />
                  <button type="submit" className="act" disabled={another.trim() === ""}>
                    {COMPONENT_EDITOR.copy}
                  </button>
                </form>
                <div>
                  <LineInput
                    label={COMPONENT_EDITOR.ifItFails}
                    value={component.fallback ? `${component.fallback.name}, ${component.fallback.lead}` : ""}
                    placeholder={COMPONENT_EDITOR.aBoughtLoaf1h}
                    onCommit={(text) =>
                      edit(COMPONENT_EDITOR.ifItFailsNamed(name), (d) => {
                        if (text === "") return withFallback(d, id, undefined);
                        const [what = "", ...rest] = text.split(/,(?!\d)/);
                        const lead = readLength(rest.join(",").trim() || "1h");
                        if (!lead || what.trim() === "") throw new EditRefused(COMPONENT_EDITOR.writeWhatItWouldBe);
                        return withFallback(d, id, { ...component.fallback, name: what.trim(), lead: durationText(lead.likely) });
                      })
                    }
                  />
                </div>
                {component.methods.length > 1 && (
                  <div className="flex gap-4">
                    <button
                      type="button"
                      className="link"
                      onClick={() =>
                        edit(COMPONENT_EDITOR.first(name, method.name ?? method.id), (d) =>
                          withComponent(d, id, (c) => ({
                            ...c,
                            methods: [...c.methods.filter((m) => m.id === method.id), ...c.methods.filter((m) => m.id !== method.id)],
                          })),
                        )
                      }
                    >
                      {COMPONENT_EDITOR.makeFirstChoice}
                    </button>
                    <button
                      type="button"
                      className="link"
                      onClick={() =>
                        edit(COMPONENT_EDITOR.without(name, method.name ?? method.id), (d) =>
                          removeMethod(d, { component: id, method: method.id }),
                        )
                      }
                    >
                      {COMPONENT_EDITOR.removeMethod}
                    </button>
                  </div>
                )}
              </div>
            </details>
            <WaysSideBySide document={document} component={id} />
            {!served && <NotMade document={document} id={id} name={name} edit={edit} onProblem={onProblem} />}
            {props.findings
              .filter((f) => f.component === id && f.step === undefined)
              .map((f) => (
                <FindingCard key={f.id} finding={f} here onMend={(label, change) => edit(label, (d) => mended(d, change))} />
              ))}
            <h2 className="mt-3 text-[17px]">{COMPONENT_EDITOR.steps}</h2>
            <StepList
              key={`${id} ${method.id} steps`}
              document={document}
              place={{ component: id, method: method.id }}
              edit={edit}
              kinds={props.kinds}
              onProblem={onProblem}
              onCalculate={(panel, step) => props.onCalculate({ panel, step })}
              findings={props.findings}
            />
            <h2 className="mt-4 text-[17px]">{COMPONENT_EDITOR.ingredients}</h2>
            <IngredientList
              key={`${id} ${method.id} in`}
              document={document}
              place={{ component: id, method: method.id }}
              edit={edit}
              onProblem={onProblem}
            />
            <h2 className="mt-4 mb-1 text-[17px]" id="calculated">
              {COMPONENT_EDITOR.calculators}
            </h2>
            <CalculatorPart
              document={document}
              place={{ component: id, method: method.id }}
              open={props.calculation}
              onOpen={props.onCalculate}
              edit={edit}
            />
          </>
        )
      )}
      <h2 className="mt-4 mb-1 text-[17px]">{COMPONENT_EDITOR.whereItComesFromAndGoes}</h2>
      <StreamsPart
        document={document}
        materialFlow={materialFlow}
        component={id}
        selectedStream={props.selectedStream}
        edit={edit}
        onProblem={onProblem}
      />
      <p className="mt-4 flex gap-5 border-t border-rule pt-2 text-[13.5px]">
        {!served && (
          <>
            <button
              type="button"
              className="link"
              onClick={() => {
                let made = "";
                if (
                  edit(COMPONENT_EDITOR.duplicated(name), (d) => {
                    const copy = duplicateComponent(d, id);
                    made = copy.id;
                    return copy.document;
                  })
                )
                  onSelect(made);
              }}
            >
              {COMPONENT_EDITOR.duplicateComponent}
            </button>
            <button
              type="button"
              className="link"
              onClick={() => edit(COMPONENT_EDITOR.removed(name), (d) => removeComponent(d, id)) && onClose()}
            >
              {COMPONENT_EDITOR.removeComponent}
            </button>
          </>
        )}
      </p>
    </section>
  );
}

/** In the larder already, or bought this time. */
function NotMade({
  document,
  id,
  name,
  edit,
  onProblem,
}: {
  document: DishFile;
  id: string;
  name: string;
  edit: Edit;
  onProblem: (text: string) => void;
}) {
  const [madeAt, setMadeAt] = useState("");
  const [amount, setAmount] = useState("");
  const component = document.components.find((c) => c.id === id);
  const bought = isBought(document, id);
  const put = () => {
    const read = amount.trim() === "" ? undefined : readAmount(amount);
    if (amount.trim() !== "" && !read) onProblem(COMPONENT_EDITOR.isNotAnAmountWrite(amount));
    else edit(COMPONENT_EDITOR.onHand(name), (d) => onHandAlready(d, id, madeAt, read && { amount: read.amount, unit: read.unit }));
  };
  return (
    <details className="text-[13.5px]" open={bought}>
      <summary className="cursor-pointer text-rim">{COMPONENT_EDITOR.notMadeThisTimeOn}</summary>
      <div className="border-l-[3px] border-rule py-1.5 pl-4">
        <div className="flex flex-wrap items-end gap-2">
          <span className="flex flex-col text-quiet">
            {COMPONENT_EDITOR.onHandMade}
            <MomentField label={COMPONENT_EDITOR.onHandMade} className="mt-0.5" value={madeAt} onChange={setMadeAt} live />
          </span>
          <label className="text-quiet">
            {COMPONENT_EDITOR.amountOnHand}
            <input
              className="field clock mt-0.5 block w-28 text-[13px] text-ink"
              value={amount}
              onChange={(e) => setAmount(e.target.value)}
              placeholder={COMPONENT_EDITOR.amountExample}
            />
          </label>
          <button type="button" className="act" disabled={madeAt === ""} onClick={put}>
            {COMPONENT_EDITOR.save}
          </button>
        </div>
        {component?.fallback ? (
          <label className="flex items-center gap-2 pt-2">
            <input
              type="checkbox"
              className="accent-(--rim)"
              checked={bought}
              onChange={(e) =>
                edit(
                  e.target.checked ? COMPONENT_EDITOR.insteadOf(component.fallback?.name, name) : COMPONENT_EDITOR.madeNotBought(name),
                  (d) => boughtInstead(d, id, e.target.checked),
                )
              }
            />
            {COMPONENT_EDITOR.thisTime} {component.fallback.name}
            {COMPONENT_EDITOR.boughtInstead}
          </label>
        ) : (
          <p className="pt-2 text-quiet">{COMPONENT_EDITOR.enterAboveWhatYouWould}</p>
        )}
      </div>
    </details>
  );
}
