import type { Metadata } from "next";
import Link from "next/link";
import { notFound } from "next/navigation";
import { benchAnswer } from "@/core/bench/ask";
import { inUnits } from "@/core/bench/in-units";
import { startOf } from "@/core/bench/panel";
import { PANELS, panelOf } from "@/core/bench/panels";
import { listDishParts } from "@/db/queries/dishes";
import { readerConventions } from "@/server/conventions";
import { database } from "@/server/database";
import { FreePanel } from "@/ui/bench/FreePanel";

type Props = { params: Promise<{ panel: string }>; searchParams: Promise<Record<string, string | string[] | undefined>> };
/** Longer than anything a field takes. */
const LONGEST = 4000;

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: panelOf((await params).panel)?.title ?? "Not found" };
}

export default async function PanelPage({ params, searchParams }: Props) {
  const panel = panelOf((await params).panel);
  if (!panel) notFound();
  const query = await searchParams;
  const { units } = await readerConventions();
  const typed = Object.fromEntries(
    panel.fields.flatMap((f) => {
      const text = query[f.key];
      return typeof text === "string" && text.length <= LONGEST ? [[f.key, text]] : [];
    }),
  );
  const first = benchAnswer({ panel: panel.id, typed: { ...startOf(panel, units), ...typed }, units });
  return (
    <>
      <nav aria-label={panel.subject} className="mb-2 flex flex-wrap gap-x-4 gap-y-1 text-[14px]">
        {PANELS.filter((p) => p.subject === panel.subject).map((p) => (
          <Link
            key={p.id}
            href={`/bench/${p.id}`}
            aria-current={p.id === panel.id ? "page" : undefined}
            className={
              p.id === panel.id
                ? "inline-flex min-h-7 items-center border-b-2 border-saffron font-semibold"
                : "link inline-flex min-h-7 items-center"
            }
          >
            {p.title}
          </Link>
        ))}
      </nav>
      <h1 className="text-[25px]">{panel.title}</h1>
      <p className="mb-4 max-w-[46rem] text-quiet">{inUnits(panel.does, units)}</p>
      <FreePanel key={panel.id} id={panel.id} typed={typed} first={first} dishes={await listDishParts(await database())} />
    </>
  );
}
