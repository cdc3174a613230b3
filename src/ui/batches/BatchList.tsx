// The batches of the notebook: those that go on first.
import Link from "next/link";
import type { WallClock } from "@/core/time/wall-clock";
import { BATCHES } from "@/words/batches";
import { NewBatch } from "./NewBatch";

interface Listed {
  readonly id: string;
  readonly name: string;
  readonly startedAt: number;
  readonly endedAt: number | undefined;
  readonly entries: number;
  readonly lastAt: number | undefined;
}

const minute = (ms: number) => Math.floor(ms / 60_000);

export function BatchList({ batches, clock }: { readonly batches: readonly Listed[]; readonly clock: WallClock }) {
  return (
    <section aria-label={BATCHES.title} className="pt-8">
      <h2 className="border-t-2 border-rim pt-2 text-[21px]">{BATCHES.title}</h2>
      <p className="pb-2 text-[14px] text-quiet">{BATCHES.lead}</p>
      <ul>
        {batches.map((b) => (
          <li key={b.id} className="border-t border-rule">
            <Link
              href={`/notebook/batches/${b.id}`}
              className="grid min-h-14 grid-cols-[7rem_1fr] items-baseline gap-x-4 py-2.5 hover:text-rim"
            >
              <span className="clock text-[14px]">{clock.shortDay(minute(b.startedAt))}</span>
              <span>
                <span className="font-serif text-[19px] font-semibold">{b.name}</span>
                <span className="block text-[14px] text-quiet">
                  {b.endedAt === undefined
                    ? ""
                    : `${BATCHES.ended(clock.shortDay(minute(b.startedAt)), clock.shortDay(minute(b.endedAt)))}; `}
                  {BATCHES.counts(b.entries, b.lastAt === undefined ? "" : clock.shortDay(minute(b.lastAt)))}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
      <NewBatch />
    </section>
  );
}
