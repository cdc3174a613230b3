"use client";
// Dishes as Home lists them. What does not fit on the first look is loaded as the list is scrolled.
import Link from "next/link";
import { useCallback, useEffect, useRef, useState } from "react";
import type { HomeDish, HomePart } from "@/core/view/home";
import { HOME, STATE } from "@/words/home";
import { ask } from "../shell/ask";
import { MiniChart } from "./MiniChart";
import { StatePan } from "./StatePan";

interface DishRowsProps {
  readonly part: "ahead" | "past";
  readonly first: HomePart;
}

export function DishRows({ part, first }: DishRowsProps) {
  const { dishes, more, failed, load, end } = useRows(part, first);
  const Row = part === "ahead" ? AheadRow : PastRow;
  return (
    <>
      <ul>
        {dishes.map((d) => (
          <li key={d.slug} className="border-t border-rule">
            <Row dish={d} />
          </li>
        ))}
      </ul>
      {more && (
        <p ref={end} className="border-t border-rule py-3 text-[14px] text-quiet" aria-live="polite">
          {failed ? `${HOME.notLoaded} ` : ""}
          <button type="button" className="link min-h-9" onClick={load}>
            {failed ? HOME.again : HOME.more}
          </button>
        </p>
      )}
    </>
  );
}

/** Rows that came with the page, and those that are fetched when the end of the list comes into sight. */
function useRows(part: DishRowsProps["part"], first: HomePart) {
  const [later, setLater] = useState<HomePart>();
  const [failed, setFailed] = useState(false);
  const busy = useRef(false);
  const end = useRef<HTMLParagraphElement>(null);
  // A page that was drawn anew begins the list anew, and keeps what had been loaded below it.
  const known = new Set(first.dishes.map((d) => d.slug));
  const dishes = [...first.dishes, ...(later?.dishes ?? []).filter((d) => !known.has(d.slug))];
  const more = later ? later.more : first.more;
  const count = dishes.length;
  const load = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    const got = await ask(`/api/home?part=${part}&from=${count}`, "GET");
    busy.current = false;
    setFailed(!got.ok);
    if (!got.ok) return;
    const next = got.body as unknown as HomePart;
    setLater((l) => ({ dishes: [...(l?.dishes ?? []), ...next.dishes], more: next.more }));
  }, [part, count]);
  useEffect(() => {
    const mark = end.current;
    if (!mark || !more || failed) return;
    const watch = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && void load(), { rootMargin: "400px" });
    watch.observe(mark);
    return () => watch.disconnect();
  }, [load, more, failed]);
  return { dishes, more, failed, load: () => void load(), end };
}

function AheadRow({ dish: d }: { readonly dish: HomeDish }) {
  const to = d.state === "underway" || d.state === "served" ? "cook" : d.mini ? "timetable" : "dish";
  return (
    <Link
      href={`/d/${d.slug}/${to}`}
      className="grid items-center gap-x-6 gap-y-1 py-3 hover:bg-saffron-wash sm:grid-cols-[minmax(0,1fr)_minmax(0,420px)]"
    >
      <span className="flex min-w-0 items-start gap-3.5">
        <span className="pt-1.5">
          <StatePan state={d.state} share={d.share} />
        </span>
        <span className="min-w-0">
          <span className="block font-serif text-[21px] font-semibold leading-tight">{d.name}</span>
          <span className="block text-[13.5px]">
            <b className="font-semibold">{STATE[d.state]}</b> <span className="text-quiet">{d.when}</span>
          </span>
          <span className={`block text-[13.5px] ${d.warn ? "text-beet" : "text-quiet"}`}>{d.fact}</span>
        </span>
      </span>
      {d.mini && <MiniChart mini={d.mini} />}
    </Link>
  );
}

function PastRow({ dish: d }: { readonly dish: HomeDish }) {
  return (
    <Link href={`/d/${d.slug}/dish`} className="flex items-start gap-3 py-2.5 hover:bg-saffron-wash">
      <span className="pt-1">
        <StatePan state={d.state} share={d.share} />
      </span>
      <span className="min-w-0">
        <span className="block font-medium">{d.name}</span>
        <span className="block text-[13px] text-quiet">
          {STATE[d.state]}, {d.fact}. {d.when}
        </span>
      </span>
    </Link>
  );
}
