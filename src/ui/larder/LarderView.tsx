"use client";
// The larder: what has to be decided, the fridge over the coming days, and every item with its time, on one axis.
import Link from "next/link";
import { useMemo } from "react";
import { larderAxis } from "@/core/larder/axis";
import type { Decision } from "@/core/larder/decisions";
import { LARDER_PLACES } from "@/core/larder/events";
import type { LarderItem } from "@/core/larder/items";
import { larderUntil, type Room } from "@/core/larder/room";
import type { Takes } from "@/core/larder/uses";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { LABELS } from "@/words/labels";
import { LARDER, LARDER_PLACE } from "@/words/larder";
import { SHOPPING } from "@/words/shopping";
import { AddItem } from "./AddItem";
import { AddSeveral } from "./AddSeveral";
import { Decisions } from "./Decisions";
import { FridgePicture } from "./FridgePicture";
import { ItemRow } from "./ItemRow";

interface LarderViewProps {
  readonly items: readonly LarderItem[];
  readonly room: Room | undefined;
  readonly decisions: readonly Decision[];
  readonly ideas: Readonly<Record<string, readonly Pick<Takes, "name" | "href">[]>>;
  readonly now: number;
  readonly offsets: Offsets;
}

export function LarderView({ items, room, decisions, ideas, now, offsets }: LarderViewProps) {
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const to = larderUntil(now);
  const x = useMemo(() => larderAxis(now, to), [now, to]);
  const places = LARDER_PLACES.filter((p) => items.some((i) => i.place === p));
  return (
    <>
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
        <div>
          <div className="flex flex-wrap items-baseline justify-between gap-x-6 pb-2">
            <h1 className="text-[30px] leading-tight">{LARDER.title}</h1>
            <span className="flex flex-wrap gap-x-5">
              {items.length > 0 && (
                <Link className="link inline-flex min-h-9 items-center" href="/larder/labels">
                  {LABELS.title}
                </Link>
              )}
              <Link className="link inline-flex min-h-9 items-center" href="/shopping">
                {SHOPPING.all}
              </Link>
            </span>
          </div>
          {items.length === 0 && <p className="max-w-[52ch] pb-3">{LARDER.empty}</p>}
          <Decisions decisions={decisions} ideas={ideas} items={items} room={room} clock={clock} now={now} />
          <AddItem now={now} />
          <AddSeveral now={now} />
        </div>
        {room && <FridgePicture room={room} clock={clock} x={x} now={now} to={to} />}
      </div>
      {items.length > 0 && (
        <>
          <Legend />
          <table className="mt-1 w-full border-collapse max-md:block">
            <caption className="sr-only">{LARDER.title}</caption>
            <thead className="sr-only">
              <tr>
                {[LARDER.item, LARDER.amount, LARDER.usedFor, LARDER.limit].map((h) => (
                  <th key={h} scope="col">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            {places.map((place) => (
              <tbody key={place} className="max-md:block">
                <tr className="max-md:block">
                  <th colSpan={4} scope="rowgroup" className="caps border-t-2 border-rim pt-2 pb-0.5 text-left font-normal max-md:block">
                    {LARDER_PLACE[place]}
                  </th>
                </tr>
                {items
                  .filter((i) => i.place === place)
                  .map((item) => (
                    <ItemRow key={item.id} item={item} clock={clock} now={now} x={x} />
                  ))}
              </tbody>
            ))}
          </table>
        </>
      )}
    </>
  );
}

function Legend() {
  return (
    <p className="mt-6 flex flex-wrap items-center gap-x-5 gap-y-1 text-[13px] text-quiet" aria-hidden="true">
      <span className="flex items-center gap-1.5">
        <svg width="60" height="10">
          <title>{LARDER.legendBest}</title>
          <path d="M0 5L16 1.5H44L60 5L44 8.5H16Z" fill="var(--quiet)" opacity="0.5" />
        </svg>
        {LARDER.legendBest}
      </span>
      <span className="flex items-center gap-1.5">
        <svg width="12" height="12">
          <title>{LARDER.legendUsed}</title>
          <circle cx="6" cy="6" r="4" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
        </svg>
        {LARDER.legendUsed}
      </span>
      <span className="flex items-center gap-1.5">
        <svg width="6" height="14">
          <title>{LARDER.legendUntil}</title>
          <path d="M3 1V13" stroke="var(--ink)" strokeWidth="2.4" />
        </svg>
        {LARDER.legendUntil}
      </span>
    </p>
  );
}
