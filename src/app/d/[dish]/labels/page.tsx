import { notFound } from "next/navigation";
import { HOLDS_SOURCE } from "@/core/foods/holds";
import { labelsOf } from "@/core/sheets/labels";
import { inConventions } from "@/core/spoken/in-conventions";
import { WallClock } from "@/core/time/wall-clock";
import { spokenTexts } from "@/core/view/spoken-texts";
import { readerConventions } from "@/server/conventions";
import { loadState } from "@/server/state";
import { DaysNav } from "@/ui/days/DaysNav";
import { PrintButton } from "@/ui/days/PrintButton";
import { NoPlan } from "@/ui/shell/NoPlan";

export default async function LabelsPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  const conventions = await readerConventions();
  const labels = spokenTexts(labelsOf(state.document, state.plan, new WallClock(state.offsets)), conventions);
  return (
    <>
      <DaysNav slug={state.slug} />
      <article className="mx-auto max-w-[62rem] px-5 pt-5 pb-12 sm:px-7">
        <header className="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-3" data-screen>
          <div>
            <h1 className="text-[28px]">Labels</h1>
            <p className="max-w-[60ch] text-quiet">
              {labels.length
                ? inConventions("One label for everything that waits two hours or longer. Three across the sheet, 62 mm wide.", conventions)
                : "Nothing waits two hours or longer in this plan, so there are no labels."}
            </p>
          </div>
          {labels.length > 0 && <PrintButton />}
        </header>
        <ul className="grid grid-cols-1 gap-3 sm:grid-cols-2 md:grid-cols-3 print:grid-cols-3 print:gap-2">
          {labels.map((l) => (
            <li
              key={l.key}
              className="flex min-h-[46mm] break-inside-avoid flex-col border border-rule px-3 py-2 text-[13px] leading-snug"
              data-label={l.key}
            >
              <p className="font-serif text-[17px] leading-tight font-semibold">{l.name}</p>
              <p className="text-quiet">
                {l.amount && <span className="clock text-ink">{l.amount}</span>} {l.component !== l.name && l.component}
              </p>
              <p className="pt-1">
                made <span className="clock">{l.made}</span>, {l.place}
              </p>
              {l.best && (
                <p>
                  best <span className="clock">{l.best}</span>
                </p>
              )}
              {l.until && (
                <p className={l.limit === "safety" ? "font-semibold" : ""}>
                  {l.limit === "safety" ? "not after" : "good until"} <span className="clock">{l.until}</span>
                  {l.limit === "safety" && <span className="text-beet"> (safety)</span>}
                </p>
              )}
              {l.for && <p className="text-quiet">for: {l.for}</p>}
              <span className="flex-1" />
              {l.warmUp && <p className="pt-1 text-[12px]">{l.warmUp}</p>}
              <p className="text-[12px]">
                {l.raw && <b className="text-beet">RAW. </b>}
                {l.contains.length > 0 && `Contains ${l.contains.join(", ")}.`}
              </p>
            </li>
          ))}
        </ul>
        <p className="mt-4 max-w-[70ch] text-[12.5px] text-quiet">
          Allergens come from the names in the dish; what a name does not show is missing here. How long things keep comes from the dish
          file and its table of holds: {HOLDS_SOURCE} Local codes come first.
        </p>
      </article>
    </>
  );
}
