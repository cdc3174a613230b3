import { notFound } from "next/navigation";
import type { ReactNode } from "react";
import { loadState } from "@/server/state";
import { Palette } from "@/ui/shell/Palette";
import { PlanKeeper } from "@/ui/shell/PlanKeeper";
import { StatusLine } from "@/ui/shell/StatusLine";
import { SeeVersions } from "@/ui/shell/seen-versions";

type Props = { children: ReactNode; params: Promise<{ dish: string }> };

export async function generateMetadata({ params }: Props) {
  return { title: (await loadState((await params).dish))?.name ?? "Not found" };
}

export default async function DishLayout({ children, params }: Props) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-2">
        Skip to the content
      </a>
      <SeeVersions slug={state.slug} version={state.dishVersion} kitchenVersion={state.kitchenVersion} />
      <StatusLine
        slug={state.slug}
        name={state.name}
        plan={state.plan}
        serveAt={state.serveAt}
        serves={state.serves}
        now={state.now}
        offsets={state.offsets}
        running={state.running}
        holds={state.conflict === undefined}
      />
      <PlanKeeper
        slug={state.slug}
        stale={state.stale}
        running={state.running}
        news={state.news}
        version={`${state.dishVersion}.${state.kitchenVersion}`}
      />
      <main id="main">{children}</main>
      <Palette slug={state.slug} />
    </>
  );
}
