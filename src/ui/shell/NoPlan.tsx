import type { Conflict } from "@/core/sheets/conflict";
import { NO_PLAN } from "@/words/shell";
import { Repairs } from "./Repairs";

interface Props {
  readonly slug: string;
  readonly conflict: Conflict;
}

/** Where no plan stands: being made, or why there is none. */
export function NoPlan({ slug, conflict }: { slug: string; conflict: Conflict | undefined }) {
  if (!conflict) {
    return (
      <div className="px-7 py-10">
        <h1 className="text-[24px]">{NO_PLAN.thePlanIsBeingWorkedOut}</h1>
        <p className="text-quiet">{NO_PLAN.thisTakesAFewSeconds}</p>
      </div>
    );
  }
  return (
    <div className="px-7 py-6">
      <ConflictNote slug={slug} conflict={conflict} />
    </div>
  );
}

/** Why there is no plan, fact by fact, and what has been tried and would help. Folded, the facts wait for a press: hands are wet. */
export function ConflictNote({ slug, conflict, folded = false }: Props & { readonly folded?: boolean }) {
  const title = conflict.proved ? NO_PLAN.theseConflict : NO_PLAN.noPlanWasFound;
  const facts = (
    <ul className="max-w-[70ch]">
      {conflict.facts.map((fact) => (
        <li key={fact.text} className="py-0.5">
          {fact.text}
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-label={NO_PLAN.whyThereIsNoPlan} className="border-l-[3px] border-beet py-1 pl-4">
      <h2 className="text-[19px]">{folded ? NO_PLAN.thePlanNoLongerWorks : title}</h2>
      {folded ? (
        <details>
          <summary className="min-h-[44px] cursor-pointer py-2 text-[15px]">
            {conflict.facts.length === 1 ? NO_PLAN.why : NO_PLAN.whyFacts(conflict.facts.length)}
          </summary>
          {facts}
        </details>
      ) : (
        facts
      )}
      {conflict.looking && (
        <p role="status" className="pt-1 text-[13.5px] text-quiet">
          {conflict.repairs.length ? NO_PLAN.lookingForMoreThatHelps : NO_PLAN.lookingForWhatHelps}
        </p>
      )}
      {conflict.repairs.length > 0 ? (
        <Repairs slug={slug} answer={conflict.answer} repairs={conflict.repairs} underWay={folded} />
      ) : (
        !conflict.looking && <p className="pt-1 text-[13.5px] text-quiet">{NO_PLAN.nothingSimpleThatWasTried}</p>
      )}
    </section>
  );
}
