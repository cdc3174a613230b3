"use client";
import { type ReactNode, useState } from "react";
import { addOutput, amountTaken, entryStep, join, part, redirect, withOutput } from "@/core/dish/edit/streams";
import type { DishFile } from "@/core/dish/schema";
import type { Amount } from "@/core/dish/schema-values";
import { readAmount } from "@/core/entry/amounts";
import { type MaterialFlow, PLATE, type Stream } from "@/core/sheets/material-flow";
import { STREAMS_PART } from "@/words/editor";
import { Choice } from "../shell/Choice";
import { AmountLine, OutputFields } from "./StepFields";
import type { Edit } from "./use-editing";

interface StreamsPartProps {
  readonly document: DishFile;
  readonly materialFlow: MaterialFlow;
  readonly component: string;
  readonly selectedStream: string | undefined;
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
}

/** Where a component's water comes from and where it runs: joined, split, taken from, by keyboard. */
export function StreamsPart({ document, materialFlow, component, selectedStream, edit, onProblem }: StreamsPartProps) {
  const own = document.components.find((c) => c.id === component);
  const outputs = [
    ...new Map(
      (own?.methods ?? []).flatMap((m) =>
        m.steps.flatMap((s) => (s.makes ?? []).map((o) => [`${component}.${o.id}`, { output: o, step: `${component}.${s.id}` }] as const)),
      ),
    ).entries(),
  ];
  const into = materialFlow.streams.filter((s) => s.to === component && s.from !== component);
  const [more, setMore] = useState("");
  const steps = allSteps(document);
  const last = own?.methods[0]?.steps.at(-1);
  return (
    <div className="text-[14px]">
      {into.length > 0 && (
        <Part title={STREAMS_PART.comesIn}>
          {into.map((s) => (
            <StreamRow
              key={s.id}
              stream={s}
              lit={s.id === selectedStream}
              what={`${s.name} from ${nameOf(document, s.from)}, for ${s.stepName.toLowerCase()}`}
              document={document}
              edit={edit}
              onProblem={onProblem}
            />
          ))}
        </Part>
      )}
      <TakeMore document={document} component={component} edit={edit} />
      {outputs.map(([ref, { output, step }]) => {
        const runs = materialFlow.streams.filter((s) => s.output === ref);
        const name = output.name ?? output.id;
        return (
          <Part key={ref} title={STREAMS_PART.makes(name)}>
            <OutputFields
              output={output}
              kind={own?.kind ?? "other"}
              onProblem={onProblem}
              onOutput={(o, label) => edit(`${name}: ${label}`, (d) => (o ? withOutput(d, ref, () => o) : d))}
            />
            {runs
              .filter((s) => s.to !== undefined)
              .map((s) => (
                <StreamRow
                  key={s.id}
                  stream={s}
                  lit={s.id === selectedStream}
                  what={`to ${nameOf(document, s.to ?? "")}, for ${s.stepName.toLowerCase()}`}
                  document={document}
                  edit={edit}
                  onProblem={onProblem}
                >
                  {s.step && s.step !== PLATE && (
                    <Choice
                      label={STREAMS_PART.sendElsewhereThanTo(name, nameOf(document, s.to ?? ""))}
                      className="text-[13px]"
                      value={s.step}
                      options={steps.filter((x) => x.component !== component).map((x) => [x.ref, x.label])}
                      onChange={(to) =>
                        edit(STREAMS_PART.to(name, stepName(steps, to)), (d) => redirect(d, { from: ref, to: s.step as string }, to))
                      }
                    />
                  )}
                </StreamRow>
              ))}
            {runs
              .filter((s) => s.to === undefined)
              .map((s) => (
                <p key={s.id} className={`text-[13.5px] text-saffron-ink ${s.id === selectedStream ? "bg-saffron-wash" : ""}`}>
                  {s.amount} {STREAMS_PART.unused}
                </p>
              ))}
            <Choice
              label={STREAMS_PART.sendSomeTo(name)}
              className="mt-1 text-[13px]"
              value=""
              prompt={runs.some((s) => s.to !== undefined) ? "also send some to …" : "goes to …"}
              options={document.components
                .filter((c) => c.id !== component && !runs.some((s) => s.to === c.id))
                .flatMap((c) => {
                  const entry = entryStep(document, c.id);
                  return entry ? [[entry, c.name] as const] : [];
                })}
              onChange={(to) => edit(STREAMS_PART.to(name, stepName(steps, to)), (d) => join(d, { from: ref, to }))}
            />
            <span className="sr-only">
              {STREAMS_PART.madeBy} {step}
            </span>
          </Part>
        );
      })}
      {last && (
        <form
          className="mt-2 flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            const m = /^([\d½¼¾⅓⅔.,/ ]+\s*\p{L}+)\s+(?:of )?(.+)$/u.exec(more.trim());
            const amount = m ? readAmount(m[1] as string) : undefined;
            const title = amount && m ? (m[2] as string) : more.trim();
            if (
              title &&
              edit(STREAMS_PART.byProduct(title), (d) =>
                addOutput(
                  d,
                  `${component}.${(own?.methods[0]?.steps[0] ?? last).id}`,
                  title,
                  amount && { amount: amount.amount, unit: amount.unit },
                ),
              )
            )
              setMore("");
          }}
        >
          <input
            className="field flex-1 text-[14px]"
            aria-label={STREAMS_PART.aByProduct}
            value={more}
            onChange={(e) => setMore(e.target.value)}
            placeholder={STREAMS_PART.aByProduct300G}
            autoComplete="off"
          />
          <button type="submit" className="act" disabled={more.trim() === ""}>
            {STREAMS_PART.add}
          </button>
        </form>
      )}
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <fieldset className="min-w-0 border-t border-rule py-1.5">
      <legend className="caps pr-2">{title}</legend>
      {children}
    </fieldset>
  );
}

interface StreamRowProps {
  readonly stream: Stream;
  readonly what: string;
  readonly lit: boolean;
  readonly document: DishFile;
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
  readonly children?: ReactNode;
}

function StreamRow({ stream, what, lit, document, edit, onProblem, children }: StreamRowProps) {
  const { output, step } = stream;
  if (!step || step === PLATE)
    return (
      <p className="py-0.5 text-[13.5px]">
        {stream.amount} {what}
      </p>
    );
  return (
    <div className={`flex flex-wrap items-center gap-x-2 gap-y-1 py-0.5 ${lit ? "bg-saffron-wash" : ""}`}>
      <AmountLine
        label={STREAMS_PART.howMuchRuns(stream.name, what)}
        amount={amountIn(document, output, step)}
        onProblem={onProblem}
        onAmount={(amount) => edit(STREAMS_PART.howMuch(stream.name), (d) => amountTaken(d, { from: output, to: step }, amount))}
      />
      <span className="min-w-0 flex-1 text-[13.5px]">{what}</span>
      {children}
      <button
        type="button"
        className="link text-[13px]"
        onClick={() => edit(STREAMS_PART.noLonger(stream.name, what), (d) => part(d, { from: output, to: step }))}
      >
        {STREAMS_PART.remove}
        <span className="sr-only">: {what}</span>
      </button>
    </div>
  );
}

/** Another component's output taken into this one. */
function TakeMore({ document, component, edit }: { document: DishFile; component: string; edit: Edit }) {
  const entry = entryStep(document, component);
  const offers = document.components.flatMap((c) =>
    c.id === component
      ? []
      : [
          ...new Map(
            c.methods.flatMap((m) =>
              m.steps.flatMap((s) => (s.makes ?? []).map((o) => [`${c.id}.${o.id}`, `${o.name ?? o.id} (${c.name})`] as const)),
            ),
          ),
        ],
  );
  if (!entry || offers.length === 0) return null;
  return (
    <Choice
      label={STREAMS_PART.takeFromAnotherComponent}
      className="mt-1 text-[13px]"
      value=""
      prompt="take from …"
      options={offers}
      onChange={(from) => edit(STREAMS_PART.takesFromAnotherComponent, (d) => join(d, { from, to: entry }))}
    />
  );
}

const nameOf = (document: DishFile, id: string) => document.components.find((c) => c.id === id)?.name ?? id;

interface NamedStep {
  readonly ref: string;
  readonly component: string;
  readonly label: string;
}
const allSteps = (document: DishFile): NamedStep[] =>
  document.components.flatMap((c) =>
    (c.methods[0]?.steps ?? []).map((s) => ({ ref: `${c.id}.${s.id}`, component: c.id, label: `${c.name}: ${s.name ?? s.id}` })),
  );
const stepName = (steps: readonly NamedStep[], ref: string) => steps.find((s) => s.ref === ref)?.label.split(": ")[0] ?? ref;

function amountIn(document: DishFile, output: string, step: string): Amount | undefined {
  const [component = "", id] = step.split(".");
  const found = document.components
    .find((c) => c.id === component)
    ?.methods.flatMap((m) => m.steps)
    .find((s) => s.id === id);
  return found?.takes?.find((t) => (t.from.includes(".") ? t.from : `${component}.${t.from}`) === output)?.amount;
}
