import Link from "next/link";
import { WallClock } from "@/core/time/wall-clock";
import { loadBatches } from "@/server/batches";
import { readerOffsets } from "@/server/conventions";
import { loadRuns, RUNS_A_PAGE } from "@/server/notebook";
import { BatchList } from "@/ui/batches/BatchList";
import { NOTEBOOK } from "@/words/notebook";

export const dynamic = "force-dynamic";
export const metadata = { title: NOTEBOOK.title };

/** All runs, the newest first, and a search over their names and notes. */
export default async function NotebookPage({
  searchParams,
}: {
  searchParams: Promise<{ q?: string | string[]; from?: string | string[] }>;
}) {
  const { q, from: asked } = await searchParams;
  const from = typeof asked === "string" && /^\d{1,6}$/.test(asked) ? Number(asked) : 0;
  const words = typeof q === "string" ? q.trim() : "";
  const [{ runs, more }, batches, { offsets }] = [await loadRuns(words, from), await loadBatches(words), await readerOffsets()];
  const clock = new WallClock(offsets);
  return (
    <div className="max-w-[52rem]">
      <h1 className="text-[30px]">{NOTEBOOK.title}</h1>
      <p className="pb-3 text-quiet">{NOTEBOOK.lead}</p>
      <search>
        <form className="flex max-w-[30rem] items-end gap-2 pb-4">
          <label className="flex-1 text-[14px] text-quiet">
            {NOTEBOOK.search}
            <input className="field mt-0.5 block min-h-11 w-full text-ink" name="q" type="search" defaultValue={words} maxLength={200} />
          </label>
        </form>
      </search>
      {runs.length === 0 && <p className="border-t border-rule py-3">{words ? NOTEBOOK.notFound(words) : NOTEBOOK.none}</p>}
      <ul>
        {runs.map((run) => (
          <li key={run.id} className="border-t border-rule">
            <Link href={`/notebook/${run.id}`} className="grid min-h-14 grid-cols-[7rem_1fr] items-baseline gap-x-4 py-2.5 hover:text-rim">
              <span className="clock text-[14px]">{clock.shortDay(run.startedAt)}</span>
              <span>
                <span className="font-serif text-[19px] font-semibold">{run.name}</span>
                <span className="block text-[14px] text-quiet">
                  {run.endedAt === undefined ? `${NOTEBOOK.underway}; ` : ""}
                  {NOTEBOOK.counts(run.presses, run.written)}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {(more || from > 0) && (
        <p className="flex gap-x-6 border-t border-rule py-2">
          {from > 0 && (
            <Link className="link grid min-h-11 items-center" href={hrefOf(words, Math.max(0, from - RUNS_A_PAGE))}>
              {NOTEBOOK.newer}
            </Link>
          )}
          {more && (
            <Link className="link grid min-h-11 items-center" href={hrefOf(words, from + RUNS_A_PAGE)}>
              {NOTEBOOK.older}
            </Link>
          )}
        </p>
      )}
      <BatchList batches={batches} clock={clock} />
    </div>
  );
}

const hrefOf = (words: string, from: number) =>
  `/notebook?${new URLSearchParams({ ...(words ? { q: words } : {}), ...(from ? { from: String(from) } : {}) })}`;
