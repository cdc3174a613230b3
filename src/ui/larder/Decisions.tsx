"use client";
// What has to be decided, each with what can be done about it; the best first.
import Link from "next/link";
import { quantityText } from "@/core/dish/units";
import type { Decision } from "@/core/larder/decisions";
import type { LarderItem } from "@/core/larder/items";
import type { Room } from "@/core/larder/room";
import type { Takes } from "@/core/larder/uses";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import { LARDER, LARDER_PLACE } from "@/words/larder";
import { useSpoken } from "../shell/conventions";
import { movedTo, useLarder } from "./use-larder";

interface DecisionsProps {
  readonly decisions: readonly Decision[];
  readonly ideas: Readonly<Record<string, readonly Pick<Takes, "name" | "href">[]>>;
  readonly items: readonly LarderItem[];
  readonly room: Room | undefined;
  readonly clock: WallClock;
  readonly now: number;
}

export function Decisions({ decisions, ideas, items, room, clock, now }: DecisionsProps) {
  const { busy, trouble, write } = useLarder();
  const spoken = useSpoken();
  if (decisions.length === 0)
    return items.length > 0 ? <p className="border-t border-rule py-2 text-quiet">{LARDER.nothingToDecide}</p> : null;
  const text = (d: Decision): string => {
    const when = clock.fromNow(d.at, now);
    const what = d.free ? `${d.free} ${lower(d.name)}` : d.name;
    if (d.kind === "too-full")
      return LARDER.tooFull(quantityText({ dimension: "volume", value: (d.litres ?? 0) * 1000 }), when, clock.fromNow(d.to ?? d.at, now));
    if (d.kind === "past") return d.safety ? LARDER.pastSafety(d.name, when) : LARDER.past(d.name, when);
    return LARDER.free(what, when);
  };
  /** The dish whose food takes the most room when it is too full. */
  const dishThen = (at: number) => {
    const [most] = (room?.layers ?? [])
      .filter((l) => l.from <= at && l.to > at && l.dish !== undefined)
      .sort((a, b) => b.litres - a.litres);
    return items.find((i) => i.source?.dish === most?.dish)?.source?.slug;
  };
  return (
    <section aria-label={LARDER.decide}>
      <h2 className="caps pb-1 font-sans font-normal">{LARDER.decide}</h2>
      <ul>
        {decisions.map((d) => {
          const slug = d.kind === "too-full" ? dishThen(d.at) : undefined;
          const item = d.item;
          return (
            <li
              key={`${d.kind} ${d.item} ${d.at}`}
              className={`border-t border-rule py-2 pl-3 ${d.kind === "soon" ? "" : "border-l-[3px] border-l-beet"}`}
            >
              <p>{spoken(text(d))}</p>
              {item && (ideas[item]?.length ?? 0) > 0 && (
                <p className="text-[14px] text-quiet">
                  {LARDER.goesInto}{" "}
                  {ideas[item]?.map((idea, i) => (
                    <span key={idea.name}>
                      {i > 0 && ", "}
                      {idea.href ? (
                        <Link className="link" href={idea.href}>
                          {idea.name}
                        </Link>
                      ) : (
                        LARDER.ofLibrary(idea.name)
                      )}
                    </span>
                  ))}
                </p>
              )}
              <p className="flex flex-wrap gap-x-5">
                {slug && (
                  <Link className="link inline-flex min-h-[36px] items-center font-medium" href={`/d/${slug}/timetable`}>
                    {LARDER.openTimetable}
                  </Link>
                )}
                {item && d.kind === "soon" && (
                  <button
                    type="button"
                    className="link min-h-[36px] font-medium"
                    disabled={busy}
                    onClick={() => void write(item, { kind: "taken", ...(d.rest ? { amount: d.rest } : {}) }, LARDER.done.taken(d.name))}
                  >
                    {d.rest ? LARDER.takeRest : LARDER.takeAll}
                  </button>
                )}
                {item && d.freezable && (
                  <button
                    type="button"
                    className="link min-h-[36px]"
                    disabled={busy}
                    onClick={() => void write(item, movedTo("freezer", d.rest), LARDER.done.moved(d.name, LARDER_PLACE.freezer))}
                  >
                    {d.rest ? LARDER.freezeRest : LARDER.freeze}
                  </button>
                )}
                {item && !d.rest && (
                  <button
                    type="button"
                    className={`link min-h-[36px] ${d.kind === "past" ? "font-medium" : ""}`}
                    disabled={busy}
                    onClick={() => void write(item, { kind: "discarded" }, LARDER.done.discarded(d.name))}
                  >
                    {LARDER.discard}
                  </button>
                )}
              </p>
            </li>
          );
        })}
      </ul>
      {trouble && (
        <p role="alert" className="text-beet">
          {trouble}
        </p>
      )}
    </section>
  );
}
