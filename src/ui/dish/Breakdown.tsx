import type { Component, Dish, Hold, Method, Step } from "@/core/dish/model";
import { dishModel } from "@/core/dish/read-model";
import type { DishFile } from "@/core/dish/schema";
import { cautionOf, LOCAL_CODES_FIRST } from "@/core/foods/cautions";
import type { FindingView } from "@/core/safety/view";
import { lower } from "@/core/sentence";
import { ingredientRows, type OutputRow, outputRows } from "@/core/sheets/breakdown";
import type { Conventions } from "@/core/spoken/conventions";
import { spokenDuration } from "@/core/time/duration";
import { spokenTexts } from "@/core/view/spoken-texts";
import { BREAKDOWN } from "@/words/recipe";
import { colourOf } from "../route-chart/colours";
import { FindingCard } from "../safety/FindingCard";
import { Spoken } from "../shell/conventions";

/** The dish component by component: what goes in, what is done, what comes out, who takes it, how long it keeps. */
export function Breakdown({
  document: written,
  chosen,
  findings,
  conventions,
}: {
  document: DishFile;
  chosen: Readonly<Record<string, string>>;
  findings: readonly FindingView[];
  conventions: Conventions;
}) {
  const document = spokenTexts(written, conventions);
  const dish = dishModel(document);
  return (
    <div>
      {dish.components.map((component) => (
        <section
          key={component.id}
          id={component.id}
          aria-labelledby={`${component.id}-name`}
          className="scroll-mt-4 border-t-2 py-4"
          style={{ borderColor: colourOf(component.kind) }}
        >
          <div className="flex flex-wrap items-baseline gap-x-3">
            <h2 id={`${component.id}-name`} className="text-[22px]" style={{ color: colourOf(component.kind) }}>
              {component.name}
            </h2>
            <span className="text-[13.5px] text-quiet">{component.kind}</span>
          </div>
          {component.methods.map((method, i) =>
            component.methods.length > 1 && !isChosen(component, method, i, chosen) ? (
              <details key={method.id} className="mt-2 text-[14px]">
                <summary className="cursor-pointer">
                  <b className="font-semibold">
                    {BREAKDOWN.or} {method.name}
                  </b>
                  <span className="text-quiet">
                    , {span(method)}
                    {method.quality < 1 ? BREAKDOWN.asGood(Math.round(method.quality * 100)) : ""}
                  </span>
                </summary>
                <MethodView
                  document={document}
                  dish={dish}
                  component={component}
                  method={method}
                  findings={findings}
                  conventions={conventions}
                />
              </details>
            ) : (
              <div key={method.id}>
                <p className="text-[14px]">
                  <b className="font-semibold">{method.name}</b>
                  <span className="text-quiet">, {span(method)}</span>
                </p>
                <MethodView
                  document={document}
                  dish={dish}
                  component={component}
                  method={method}
                  findings={findings}
                  conventions={conventions}
                />
              </div>
            ),
          )}
          {component.fallback && (
            <p className="mt-2 text-[14px]">
              {BREAKDOWN.ifItFails} <b className="font-semibold">{lower(component.fallback.name)}</b>
              <span className="text-quiet">
                {BREAKDOWN.ready} {spokenDuration(component.fallback.lead)} {BREAKDOWN.afterYouDecide}
              </span>
            </p>
          )}
        </section>
      ))}
    </div>
  );
}

function isChosen(component: Component, method: Method, index: number, chosen: Readonly<Record<string, string>>): boolean {
  const name = chosen[component.id];
  return component.methods.some((m) => m.name === name) ? method.name === name : index === 0;
}

function span(method: Method): string {
  const hands = method.steps.reduce(
    (sum, s) => sum + (s.attention === "hands" ? s.time.likely * s.batches : (s.handsStart + s.handsEnd) * s.batches),
    0,
  );
  return BREAKDOWN.stepsByHand(method.steps.length, spokenDuration(hands));
}

interface MethodProps {
  readonly document: DishFile;
  readonly dish: Dish;
  readonly component: Component;
  readonly method: Method;
  readonly findings: readonly FindingView[];
  readonly conventions: Conventions;
}

function MethodView({ document, dish, component, method, findings, conventions }: MethodProps) {
  const file = document.components.find((c) => c.id === component.id)?.methods.find((m) => m.id === method.id);
  const ingredients = spokenTexts(ingredientRows(document, component.id, method.id), conventions);
  const inForce = dish.components.flatMap((c) => (c.id === component.id ? method.steps : (c.methods[0]?.steps ?? [])));
  const outputs = spokenTexts(outputRows(dish, method.steps, inForce), conventions);
  return (
    <div className="mt-1 grid gap-x-9 gap-y-3 md:grid-cols-[minmax(0,5fr)_minmax(0,9fr)]">
      <div>
        {file?.note && <p className="mb-2 text-[13.5px] text-quiet">{file.note}</p>}
        <table className="w-full text-[14px]">
          <caption className="sr-only">
            {BREAKDOWN.ingredientsOf} {component.name}
          </caption>
          <tbody>
            {ingredients.map((i) => (
              <tr key={i.name} className="border-t border-rule align-baseline first:border-t-0">
                <td className="clock w-[5.2rem] py-[3px] pr-2 text-[13px] whitespace-nowrap">{i.amount}</td>
                <td className="py-[3px]">
                  {i.name}
                  {i.note && <span className="block text-[12.5px] text-quiet">{i.note}</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {outputs.length > 0 && (
          <div className="mt-3">
            <h3 className="caps mb-0.5 font-sans font-normal">{BREAKDOWN.makes}</h3>
            {outputs.map((o) => (
              <OutputView key={o.ref} output={o} own={component.name} />
            ))}
          </div>
        )}
      </div>
      <ol className="text-[14.5px]">
        {method.steps.map((step) => (
          <StepRow key={step.id} step={step} findings={findings.filter((f) => f.step === step.ref)} />
        ))}
      </ol>
    </div>
  );
}

function OutputView({ output, own }: { output: OutputRow; own: string }) {
  return (
    <div className="border-t border-rule py-1 text-[14px] first:border-t-0">
      <p>
        <span className="clock text-[13px]">{output.amount}</span> {output.name}
        <span className={`text-[13px] ${output.left === "nobody takes it" ? "text-saffron-ink" : "text-quiet"}`}>
          {output.left ? `, ${output.left}` : ""}
        </span>
      </p>
      {output.takers.map((t) => (
        <p key={t.component + t.step} className="text-[13px] text-quiet">
          → {t.amount} {t.component === own ? `on: ${lower(t.step)}` : BREAKDOWN.forIt(lower(t.component))}
        </p>
      ))}
      {output.holds.map((h) => (
        <p key={`${h.place} ${h.min} ${h.max}`} className="text-[13px]">
          {holdWords(h)}
        </p>
      ))}
    </div>
  );
}

function holdWords(h: Hold): string {
  const where =
    h.place === "counter"
      ? BREAKDOWN.onTheCounter
      : h.place === "hot"
        ? BREAKDOWN.keptHot
        : h.place === "cellar"
          ? BREAKDOWN.inTheLarder
          : BREAKDOWN.inThe(h.place);
  const least = h.min ? BREAKDOWN.atLeast(spokenDuration(h.min)) : "";
  const best = h.best ? BREAKDOWN.bestTo(spokenDuration(h.best[0]), spokenDuration(h.best[1])) : "";
  const most =
    h.max === undefined ? BREAKDOWN.asLongAsYouLike : BREAKDOWN.atMost(spokenDuration(h.max), h.limit === "safety" ? " (safety)" : "");
  return `${where}: ${least}${best}${most}`;
}

function StepRow({ step, findings }: { step: Step; findings: readonly FindingView[] }) {
  const { time, file } = step;
  const length = time.min === time.max ? spokenDuration(time.likely) : BREAKDOWN.to(spokenDuration(time.min), spokenDuration(time.max));
  const hands =
    step.attention === "hands"
      ? BREAKDOWN.byHand
      : `${step.attention === "nearby" ? "nearby" : "unattended"}${step.handsStart + step.handsEnd ? BREAKDOWN.byHandNamed(spokenDuration(step.handsStart + step.handsEnd)) : ""}`;
  const with_ = step.uses
    .filter((u) => u.what !== "burner")
    .map((u) => (u.what === "oven" ? BREAKDOWN.ovenC(u.tempC) : u.litres ? `${u.what} ${Number(u.litres.toPrecision(2))} L` : u.what));
  // What a rule has found says more than the mark in the file; a way that is not in force has only the mark.
  const cautions = findings.length ? [] : (file.danger ?? []).flatMap((id) => cautionOf(id) ?? []);
  return (
    <li className="border-t border-rule py-1.5 first:border-t-0">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="font-medium">{step.name}</span>
        <span className="text-[13px] text-quiet">
          {length}
          {step.batches > 1 ? ` × ${step.batches}` : ""}, {hands}
        </span>
      </div>
      <div className="text-[13.5px]">
        {(file.done?.cue || file.done?.probeC !== undefined) && (
          <span>
            {BREAKDOWN.until}{" "}
            <Spoken>
              {[file.done.cue, file.done.probeC !== undefined && BREAKDOWN.cInTheMiddle(file.done.probeC)].filter(Boolean).join(", ")}
            </Spoken>
            .{" "}
          </span>
        )}
        {step.tends.map((t) => (
          <span key={t.what} className="text-quiet">
            {BREAKDOWN.every} {spokenDuration(t.every)}: {t.what}.{" "}
          </span>
        ))}
        {with_.length > 0 && (
          <span className="text-quiet">
            <Spoken>{`${with_.join(", ")}. `}</Spoken>
          </span>
        )}
        {step.links
          .filter((l) => l.max !== undefined || l.min)
          .map((l) => (
            <span key={l.step} className="text-quiet">
              {l.max === 0
                ? BREAKDOWN.atOnce
                : `${l.min ? BREAKDOWN.after(spokenDuration(l.min)) : ""}${l.max !== undefined ? `${l.min ? BREAKDOWN.within : BREAKDOWN.withinAtStart} ${spokenDuration(l.max)}` : ""}. `}
            </span>
          ))}
        {file.note && <span className="text-quiet">{file.note}</span>}
      </div>
      {findings.map((f) => (
        <FindingCard key={f.id} finding={f} here onMend={undefined} />
      ))}
      {cautions.map((c) => (
        <details key={c.id} className="text-[13.5px]">
          <summary className="cursor-pointer text-beet">
            {BREAKDOWN.caution} {lower(c.title)}
          </summary>
          <p className="max-w-[62ch] border-l-[3px] border-beet py-0.5 pl-3">
            {c.text} {LOCAL_CODES_FIRST}{" "}
            <span className="text-quiet">
              {BREAKDOWN.source} {c.source}.
            </span>
          </p>
        </details>
      ))}
    </li>
  );
}
