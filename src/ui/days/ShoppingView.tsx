"use client";
// The shopping list, trip by trip: the amount first, ticked at the thumb's side.
import { useMemo } from "react";
import { toast } from "sonner";
import type { Entry } from "@/core/record/entries";
import { lower } from "@/core/sentence";
import type { ShoppingRow } from "@/core/sheets/shopping";
import type { Trip } from "@/core/sheets/trips";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { SHOPPING } from "@/words/shopping";
import { useTicks } from "../shell/use-ticks";
import { PrintButton } from "./PrintButton";

interface ShoppingViewProps {
  readonly slug: string;
  readonly now: number;
  readonly offsets: Offsets;
  readonly orders: readonly ShoppingRow[];
  readonly trips: readonly Trip[];
  readonly entries: readonly Entry[];
  readonly clockMs: number;
}

/** The amount is no part of it: it is said in the units of whoever reads, and may still change. */
const keyOf = (r: ShoppingRow) => `${r.section}|${r.ingredient}|${r.components.join(",")}`.slice(0, 280);

export function ShoppingView({ slug, now, offsets, orders, trips, entries, clockMs }: ShoppingViewProps) {
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const { ticked, tick, trouble } = useTicks(slug, "shopping", entries, clockMs);
  const things = trips.reduce((sum, t) => sum + t.rows.length, 0);
  const at = (minute: number) => clock.dateTime(minute);
  const copy = async () => {
    const text = trips
      .map((t) => [SHOPPING.trip(at(t.by)), ...t.rows.map((r) => `${r.amount} ${lower(r.ingredient)}`.trim())].join("\n"))
      .join("\n\n");
    try {
      await navigator.clipboard.writeText(text);
      toast(SHOPPING.copied);
    } catch {
      toast(SHOPPING.notCopied);
    }
  };
  return (
    <article className="mx-auto max-w-[46rem] px-5 pt-5 pb-16 sm:px-7">
      <header className="mb-3 flex flex-wrap items-end justify-between gap-x-4 gap-y-3">
        <div>
          <h1 className="text-[28px]">{SHOPPING.title}</h1>
          <p className="text-quiet">{things ? SHOPPING.lead(trips.length, things) : SHOPPING.nothing}</p>
        </div>
        {things > 0 && (
          <p className="flex flex-wrap items-center gap-x-4 gap-y-2" data-screen>
            <button type="button" className="link min-h-9" onClick={() => void copy()}>
              {SHOPPING.copy}
            </button>
            <a className="link" href={`/api/dishes/${slug}/shopping`}>
              {SHOPPING.csv}
            </a>
            <PrintButton />
          </p>
        )}
      </header>
      {trouble && (
        <p role="alert" className="mb-3 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {orders.length > 0 && (
        <section aria-label={SHOPPING.orders} className="border-t-2 border-rim pt-2 pb-4">
          <h2 className="text-[20px]">{SHOPPING.orders}</h2>
          <ul>
            {orders.map((r) => (
              <Row
                key={keyOf(r)}
                row={r}
                done={ticked.has(`order ${keyOf(r)}`)}
                onTick={() => tick(`order ${keyOf(r)}`)}
                more={SHOPPING.orderBy(at(r.orderBy ?? 0))}
              />
            ))}
          </ul>
        </section>
      )}
      {trips.map((t) => {
        const left = t.rows.filter((r) => !ticked.has(keyOf(r))).length;
        return (
          <section key={t.by} aria-label={SHOPPING.trip(at(t.by))} className="border-t-2 border-rim pt-2 pb-4">
            <h2 className="flex items-baseline justify-between gap-4 text-[20px]">
              {SHOPPING.trip(at(t.by))}
              <span className={`font-sans text-[14px] font-normal ${left && t.by < now ? "text-beet" : "text-quiet"}`}>
                {left && t.by < now ? SHOPPING.past : SHOPPING.left(left)}
              </span>
            </h2>
            {sectionsOf(t.rows).map(([section, rows]) => (
              <div key={section}>
                <h3 className="caps pt-2 font-sans font-normal">{section || SHOPPING.noSection}</h3>
                <ul>
                  {rows.map((r) => (
                    <Row
                      key={keyOf(r)}
                      row={r}
                      done={ticked.has(keyOf(r))}
                      onTick={() => tick(keyOf(r))}
                      more={[
                        SHOPPING.for(r.components.map(lower).join(", ")),
                        r.buyFrom !== undefined ? SHOPPING.from(at(r.buyFrom)) : "",
                        r.note,
                      ]
                        .filter(Boolean)
                        .join("; ")}
                    />
                  ))}
                </ul>
              </div>
            ))}
          </section>
        );
      })}
      {things > 0 && (
        <p className="text-[13px] text-quiet">
          {SHOPPING.hours} <span data-screen>{SHOPPING.ticks}</span>
        </p>
      )}
    </article>
  );
}

/** Rows by the part of the shop, in the order of its name. */
function sectionsOf(rows: readonly ShoppingRow[]): [string, ShoppingRow[]][] {
  const names = [...new Set(rows.map((r) => r.section))].sort();
  return names.map((name) => [name, rows.filter((r) => r.section === name)]);
}

interface RowProps {
  readonly row: ShoppingRow;
  readonly done: boolean;
  readonly onTick: () => void;
  readonly more: string;
}

function Row({ row, done, onTick, more }: RowProps) {
  return (
    <li className="border-t border-rule">
      <label className={`grid min-h-14 cursor-pointer grid-cols-[6.9rem_1fr_2.6rem] items-center gap-x-3 py-1 ${done ? "opacity-55" : ""}`}>
        <span className="clock text-right text-[14.5px]">{row.amount}</span>
        <span>
          <span className="text-[16px]">{row.ingredient}</span>
          <span className="block text-[13px] text-quiet">{more}</span>
        </span>
        <input type="checkbox" className="size-7 justify-self-end accent-(--rim)" checked={done} onChange={onTick} data-screen />
      </label>
    </li>
  );
}
