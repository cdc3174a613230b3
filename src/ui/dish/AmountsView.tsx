"use client";
import { useMemo, useState } from "react";
import { unscaled } from "@/core/dish/edit/quantities";
import { fitOf } from "@/core/dish/fit";
import { saidHold } from "@/core/dish/questions/standing";
import type { DishFile } from "@/core/dish/schema";
import { materialFlow, weightText } from "@/core/sheets/material-flow";
import type { Occupancy } from "@/core/view/occupancy";
import { spokenTexts } from "@/core/view/spoken-texts";
import { AMOUNTS_VIEW } from "@/words/recipe";
import { Spoken, useConventions } from "../shell/conventions";
import { AllergenPart } from "./AllergenPart";
import { GuestsPart } from "./GuestsPart";
import { IngredientAmounts } from "./IngredientAmounts";
import { PlanNote, type PlanStateOf } from "./PlanNote";
import { ProblemNote } from "./ProblemNote";
import { SaltPart } from "./SaltPart";
import { ScalePart } from "./ScalePart";
import { type Edit, useEditing } from "./use-editing";

interface AmountsViewProps {
  readonly slug: string;
  readonly version: number;
  readonly document: DishFile;
  readonly chosen: Readonly<Record<string, string>>;
  readonly plan: PlanStateOf;
  readonly occupancy: readonly Occupancy[];
  /** When each step begins, as it is said. */
  readonly moments: Readonly<Record<string, string>>;
}

const PARTS = [
  ["guests", AMOUNTS_VIEW.guests],
  ["scale", AMOUNTS_VIEW.scale],
  ["fit", AMOUNTS_VIEW.doesItFit],
  ["balance", AMOUNTS_VIEW.whatGoesWhere],
  ["ingredients", AMOUNTS_VIEW.ingredients],
  ["salt", AMOUNTS_VIEW.saltPerGuest],
  ["allergens", AMOUNTS_VIEW.allergensAndCare],
] as const;

/** Quantities: from the guests, from a weight, from a tin, from what there is; whether it fits; who takes what; who may not eat what. */
export function AmountsView({ slug, version, document: given, chosen, plan, occupancy, moments }: AmountsViewProps) {
  const { document, edit, problem, clearProblem, saving } = useEditing(slug, given, version);
  const [told, setTold] = useState<string>();
  const conventions = useConventions();
  const flow = useMemo(() => spokenTexts(materialFlow(document, chosen), conventions), [document, chosen, conventions]);
  const shown = problem ?? (told ? { text: told } : undefined);
  const notes = spokenTexts(unscaled(document), conventions);
  return (
    <div className="grid grid-cols-1 gap-x-10 px-5 pt-4 pb-14 sm:px-7 lg:grid-cols-[170px_minmax(0,1fr)]">
      <nav aria-label={AMOUNTS_VIEW.onThisPage} className="hidden lg:block">
        <ul className="sticky top-4 text-[14px]">
          {PARTS.map(([id, label]) => (
            <li key={id} className="border-t border-rule py-1 first:border-t-0">
              <a href={`#${id}`} className="hover:underline">
                {label}
              </a>
            </li>
          ))}
        </ul>
      </nav>
      <div className="max-w-[66rem] min-w-0">
        <h1 className="sr-only">{AMOUNTS_VIEW.amounts}</h1>
        <PlanNote slug={slug} plan={plan} saving={saving} />
        <ProblemNote
          problem={shown}
          onClose={() => {
            clearProblem();
            setTold(undefined);
          }}
        />
        <Part id="guests" title={AMOUNTS_VIEW.guests}>
          <GuestsPart document={document} edit={edit} />
        </Part>
        <Part id="scale" title={AMOUNTS_VIEW.scaleFromOneAmount}>
          <ScalePart document={document} edit={edit} onProblem={setTold} />
          {notes.length > 0 && (
            <details className="mt-3 text-[14px]" open={notes.length < 5}>
              <summary className="cursor-pointer font-medium">
                {AMOUNTS_VIEW.whatDoesNotScale}
                {notes.length})
              </summary>
              <ul className="max-w-[72ch] pt-1">
                {notes.map((n) => (
                  <li key={n.about + n.text} className="border-t border-rule py-1 first:border-t-0">
                    {n.text}
                  </li>
                ))}
              </ul>
            </details>
          )}
        </Part>
        <Part id="fit" title={AMOUNTS_VIEW.doesItFit}>
          <FitPart document={document} chosen={chosen} occupancy={occupancy} edit={edit} />
        </Part>
        <Part id="balance" title={AMOUNTS_VIEW.whatGoesWhereAndWhen}>
          <table className="w-full text-[14px]">
            <thead>
              <tr className="caps text-left">
                <th className="font-normal">{AMOUNTS_VIEW.made}</th>
                <th className="font-normal">{AMOUNTS_VIEW.used}</th>
                <th className="font-normal">{AMOUNTS_VIEW.forIt}</th>
                <th className="font-normal">{AMOUNTS_VIEW.when}</th>
              </tr>
            </thead>
            <tbody>
              {flow.streams.map((s) => (
                <tr key={s.id} className="border-t border-rule align-baseline">
                  <td className="py-[3px] pr-3">{s.name}</td>
                  <td className="clock pr-3 text-[13px]">
                    {s.amount}
                    {s.to !== undefined && flow.pools.find((p) => p.id === s.to)?.serves && s.grams > 0 && (
                      <span className="block text-[12px] text-quiet">
                        <Spoken>{weightText({ grams: s.grams / document.dish.serves, stated: s.stated })}</Spoken> {AMOUNTS_VIEW.each}
                      </span>
                    )}
                  </td>
                  <td className="pr-3">
                    {s.to === undefined ? (
                      <span className="text-saffron-ink">
                        {AMOUNTS_VIEW.leftOver} {keepsOf(document, s.output)}
                      </span>
                    ) : (
                      `${flow.pools.find((p) => p.id === s.to)?.name}: ${s.stepName.toLowerCase()}`
                    )}
                    {s.short && <span className="text-beet"> {AMOUNTS_VIEW.moreIsUsedThanMade}</span>}
                  </td>
                  <td className="clock text-[13px] text-quiet">{s.step ? (moments[s.step] ?? "") : ""}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Part>
        <Part id="ingredients" title={AMOUNTS_VIEW.ingredientsInKitchenMeasures}>
          <IngredientAmounts document={document} chosen={chosen} />
        </Part>
        <Part id="salt" title={AMOUNTS_VIEW.saltPerGuest}>
          <SaltPart document={document} chosen={chosen} />
        </Part>
        <Part id="allergens" title={AMOUNTS_VIEW.allergensAndCare}>
          <AllergenPart document={document} chosen={chosen} edit={edit} />
        </Part>
      </div>
    </div>
  );
}

/** What becomes of what is left over: where it keeps, and how long. */
function keepsOf(document: DishFile, ref: string): string {
  const [component, id] = ref.split(".");
  const output = document.components
    .find((c) => c.id === component)
    ?.methods.flatMap((m) => m.steps.flatMap((s) => s.makes ?? []))
    .find((o) => o.id === id);
  return output?.holds?.length ? `keep: ${output.holds.map(saidHold).join(AMOUNTS_VIEW.or)}` : AMOUNTS_VIEW.noUseAndNoKeeping;
}

function Part({ id, title, children }: { id: string; title: string; children: React.ReactNode }) {
  return (
    <section id={id} aria-labelledby={`${id}-title`} className="scroll-mt-4 border-t border-rule pt-3 pb-6 first-of-type:border-t-0">
      <h2 id={`${id}-title`} className="pb-2 text-[21px]">
        {title}
      </h2>
      {children}
    </section>
  );
}

const VERDICT = { none: "missing", over: AMOUNTS_VIEW.doesNotFit, full: AMOUNTS_VIEW.justFits, fits: "fits" } as const;

interface FitPartProps {
  readonly document: DishFile;
  readonly chosen: Readonly<Record<string, string>>;
  readonly occupancy: readonly Occupancy[];
  readonly edit: Edit;
}

function FitPart({ document, chosen, occupancy, edit }: FitPartProps) {
  const conventions = useConventions();
  const fits = useMemo(() => spokenTexts(fitOf(document, chosen, occupancy), conventions), [document, chosen, occupancy, conventions]);
  const [all, setAll] = useState(false);
  const nameOf = (id: string | undefined) => document.components.find((c) => c.id === id)?.name ?? AMOUNTS_VIEW.theKitchen;
  const asked = fits.filter((f) => f.verdict !== "fits");
  const rows = all ? fits : asked;
  return (
    <div>
      <p className="text-[14px]">
        {asked.length === 0
          ? AMOUNTS_VIEW.everythingFitsIntoWhatThereIs
          : AMOUNTS_VIEW.toCheck(asked.length, asked.length === 1 ? "item" : "items")}
        <button type="button" className="link" onClick={() => setAll(!all)}>
          {all ? AMOUNTS_VIEW.showOnlyThese : AMOUNTS_VIEW.showAll(fits.length)}
        </button>
      </p>
      <ul className="text-[14px]">
        {rows.map((f) => (
          <li key={`${f.about} ${f.what} ${f.said}`} className="border-t border-rule py-2" data-fit={f.about} data-verdict={f.verdict}>
            <p>
              <b
                className={`font-semibold ${f.verdict === "over" || f.verdict === "none" ? "text-beet" : f.verdict === "full" ? "text-saffron-ink" : ""}`}
              >
                {VERDICT[f.verdict]}
              </b>{" "}
              {f.what} {AMOUNTS_VIEW.forOpenQuote}
              {f.name}” ({nameOf(f.component)}): {f.said}.{" "}
              <span className="text-quiet">
                {f.because}
                {f.calculated ? AMOUNTS_VIEW.estimated : ""}.
              </span>
            </p>
            {f.remedies.length > 0 && (
              <div className="flex flex-wrap gap-2 pt-1.5">
                {f.remedies.map((r) => (
                  <button key={r.text} type="button" className="act" onClick={() => edit(`${f.name}: ${r.text}`, r.apply)}>
                    {r.text}
                  </button>
                ))}
              </div>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
