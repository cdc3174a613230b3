import { notFound } from "next/navigation";
import type { ReactNode } from "react";
import { questionsOf } from "@/core/dish/questions";
import { WallClock } from "@/core/time/wall-clock";
import { loadState } from "@/server/state";
import { DishNav } from "@/ui/dish/DishNav";
import { ServingForm } from "@/ui/dish/ServingForm";

type Props = { children: ReactNode; params: Promise<{ dish: string }> };

export default async function DishViewLayout({ children, params }: Props) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const clock = new WallClock(state.offsets);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-8 gap-y-2 border-b border-rule px-5 py-2 sm:px-7" data-screen>
        <DishNav slug={state.slug} questions={questionsOf(state.document).open.length} />
        <ServingForm
          slug={state.slug}
          version={state.dishVersion}
          serves={state.serves}
          serveAt={state.document.dish.serveAt.slice(0, 16)}
          said={`${clock.date(state.serveAt)}, ${clock.time(state.serveAt)}`}
        />
      </div>
      {children}
    </>
  );
}
