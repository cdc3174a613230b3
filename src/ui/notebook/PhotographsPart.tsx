"use client";
// The photographs of a run, by when they were taken; added afterwards too, and taken out again.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { type Photograph, photographsOf } from "@/core/record/entries";
import type { WallClock } from "@/core/time/wall-clock";
import type { RunPage } from "@/core/view/run-page";
import { PHOTOGRAPHS } from "@/words/photographs";
import { AddPhotographs } from "../photographs/AddPhotographs";
import { ask, reason } from "../shell/ask";

export function PhotographsPart({ page, clock }: { readonly page: RunPage; readonly clock: WallClock }) {
  const { run, entries, rows } = page;
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const pictures = photographsOf(entries);
  const said = ({ step, at }: Photograph) =>
    PHOTOGRAPHS.shown(rows.find((r) => r.step === step)?.name, clock.dayTime(Math.floor(at / 60_000)));
  const takeOut = async ({ id }: Photograph) => {
    const body = { kind: "withdrawn", of: id } as const;
    const answer = await ask(`/api/dishes/${run.slug}/entries`, "POST", { run: run.id, entries: [{ key: crypto.randomUUID(), body }] });
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(PHOTOGRAPHS.takenOut);
    router.refresh();
  };
  return (
    <section aria-label={PHOTOGRAPHS.title} className="pt-5 print:break-inside-avoid">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{PHOTOGRAPHS.title}</h2>
      <p className="pb-3 text-[14px] text-quiet print:hidden">{PHOTOGRAPHS.lead}</p>
      {trouble && (
        <p role="alert" className="mb-2 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {pictures.length > 0 && (
        <ul className="grid grid-cols-2 gap-4 pb-4 sm:grid-cols-3">
          {pictures.map((p) => (
            <li key={p.id}>
              <a href={`/api/photographs/${p.sum}`} className="block">
                {/* biome-ignore lint/performance/noImgElement: the server has made it small already */}
                <img
                  src={`/api/photographs/${p.sum}?small`}
                  width={p.width}
                  height={p.height}
                  loading="lazy"
                  alt={p.text || said(p)}
                  className="aspect-4/3 h-auto w-full bg-rule object-cover"
                />
              </a>
              <p className="flex items-start justify-between gap-x-3 text-[14px]">
                <span className="min-w-0 pt-2.5 break-words">
                  {p.text && <span className="block">{p.text}</span>}
                  <span className="text-quiet">
                    {[rows.find((r) => r.step === p.step)?.name, clock.dayTime(Math.floor(p.at / 60_000))].filter(Boolean).join(", ")}
                  </span>
                </span>
                <button
                  type="button"
                  className="link min-h-11 shrink-0 print:hidden"
                  aria-label={PHOTOGRAPHS.takeOutNamed(said(p))}
                  onClick={() => void takeOut(p)}
                >
                  {PHOTOGRAPHS.takeOut}
                </button>
              </p>
            </li>
          ))}
        </ul>
      )}
      <div className="print:hidden">
        <AddPhotographs to={`/api/dishes/${run.slug}/photographs`} about={{ run: run.id }} onKept={() => router.refresh()} />
      </div>
    </section>
  );
}
