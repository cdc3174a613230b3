import { notFound } from "next/navigation";
import { listDishes } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { loadLarderOffers } from "@/server/larder";
import { chosenOf, planNoteOf } from "@/server/plan-note";
import { loadFindings } from "@/server/safety";
import { loadState } from "@/server/state";
import { Workbench } from "@/ui/dish/Workbench";

type Props = { params: Promise<{ dish: string }>; searchParams: Promise<Record<string, string | string[] | undefined>> };
/** Longer than anything a field of a panel takes. */
const LONGEST = 4000;

/** A panel in the address: `bench` its name, `s` the step it is asked for, `b.…` what stands in its fields. */
function calculationOf(query: Awaited<Props["searchParams"]>) {
  const { bench, s } = query;
  if (typeof bench !== "string") return undefined;
  const typed = Object.entries(query).flatMap(([key, text]) =>
    key.startsWith("b.") && typeof text === "string" && text.length <= LONGEST ? [[key.slice(2), text] as const] : [],
  );
  return { panel: bench, step: typeof s === "string" ? s : undefined, typed: Object.fromEntries(typed) };
}

export default async function DishPage({ params, searchParams }: Props) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const query = await searchParams;
  const { c } = query;
  const others = (await listDishes(await database())).filter((d) => d.slug !== state.slug).map((d) => ({ slug: d.slug, name: d.name }));
  return (
    <>
      <h1 className="sr-only">Breakdown of {state.name}</h1>
      <Workbench
        slug={state.slug}
        version={state.dishVersion}
        document={state.document}
        chosen={chosenOf(state)}
        plan={planNoteOf(state)}
        others={others}
        component={typeof c === "string" ? c : undefined}
        calculation={calculationOf(query)}
        larder={{ offers: await loadLarderOffers(state.document), offsets: state.offsets }}
        findings={(await loadFindings(state.slug)) ?? []}
      />
    </>
  );
}
