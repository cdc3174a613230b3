import { notFound } from "next/navigation";
import { listDishes } from "@/db/queries/dishes";
import { database } from "@/server/database";
import { chosenOf, planNoteOf } from "@/server/plan-note";
import { loadState } from "@/server/state";
import { Workbench } from "@/ui/dish/Workbench";

type Props = { params: Promise<{ dish: string }>; searchParams: Promise<{ c?: string | string[] }> };

export default async function DishPage({ params, searchParams }: Props) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const { c } = await searchParams;
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
      />
    </>
  );
}
