// What is kept and will not be good much longer, on Home: a line each, and the way to the larder.
import Link from "next/link";
import type { LarderItem } from "@/core/larder/items";
import type { WallClock } from "@/core/time/wall-clock";
import { LARDER } from "@/words/larder";

const MOST = 3;

export function UseSoon({ items, clock, now }: { readonly items: readonly LarderItem[]; readonly clock: WallClock; readonly now: number }) {
  if (items.length === 0) return null;
  return (
    <section aria-label={LARDER.title} className="mt-5">
      <h2 className="caps pb-1 font-sans font-normal">{LARDER.title}</h2>
      <ul>
        {items.slice(0, MOST).map((item) => {
          const past = (item.until ?? now) < now;
          return (
            <li key={item.id} className="border-t border-rule py-1.5">
              <Link href="/larder" className={`inline-flex min-h-7 items-center hover:text-rim ${past ? "text-beet" : ""}`}>
                {(past ? LARDER.homePast : LARDER.home)(item.name, clock.fromNow(item.until ?? now, now))}
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
