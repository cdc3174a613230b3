"use client";
// The photographs of a run, by when they were taken; added afterwards too, and taken out again.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { type EntryBody, type Photograph, photographsOf } from "@/core/record/entries";
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
  const write = async (body: EntryBody, done: string) => {
    const answer = await ask(`/api/dishes/${run.slug}/entries`, "POST", { run: run.id, entries: [{ key: crypto.randomUUID(), body }] });
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(done);
    router.refresh();
  };
  const takeOut = ({ id }: Photograph) => write({ kind: "withdrawn", of: id }, PHOTOGRAPHS.takenOut);
  const caption = ({ id, text }: Photograph, next: string) => {
    if (next.trim() !== text) void write({ kind: "caption", of: id, text: next.trim() }, PHOTOGRAPHS.captionSaved);
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
                <span className="min-w-0 flex-1 pt-2.5 break-words">
                  <span className="hidden print:block">{p.text}</span>
                  <input
                    key={p.text}
                    className="field mb-1 block min-h-11 w-full text-[15px] print:hidden"
                    aria-label={PHOTOGRAPHS.captionOf(said(p))}
                    placeholder={PHOTOGRAPHS.caption}
                    maxLength={300}
                    defaultValue={p.text}
                    onBlur={(event) => caption(p, event.currentTarget.value)}
                    onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
                  />
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
