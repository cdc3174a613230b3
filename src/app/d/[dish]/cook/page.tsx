import { notFound } from "next/navigation";
import { nowMs } from "@/server/clock";
import { loadEntries } from "@/server/entries";
import { loadLastNotes } from "@/server/notebook";
import { loadFindings } from "@/server/safety";
import { loadReasons, loadState } from "@/server/state";
import { CookView } from "@/ui/cook/CookView";
import { ConflictNote, NoPlan } from "@/ui/shell/NoPlan";

export default async function CookPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  if (!state.plan) return <NoPlan slug={state.slug} conflict={state.conflict} />;
  return (
    <div data-large>
      {state.conflict && (
        <div className="mx-auto max-w-[70rem] px-4 pt-4 sm:px-7">
          <ConflictNote slug={state.slug} conflict={state.conflict} folded />
          <p className="pt-1 pl-4 text-[14px] text-quiet">Below is the last plan that worked. You can go on with it while you decide.</p>
        </div>
      )}
      <CookView
        slug={state.slug}
        version={state.dishVersion}
        plan={state.plan}
        offsets={state.offsets}
        now={state.now}
        running={state.running}
        log={state.log}
        around={state.around}
        wishes={state.document.wishes}
        entries={(await loadEntries(state.slug)) ?? []}
        clockMs={nowMs()}
        whys={state.running ? (await loadReasons(state.slug)).whys : []}
        lastNotes={await loadLastNotes(state.slug)}
        findings={(await loadFindings(state.slug)) ?? []}
      />
    </div>
  );
}
