"use client";
// The shopping list, trip by trip: the amount first, ticked at the thumb's side.
import { House } from "lucide-react";
import { useMemo } from "react";
import { toast } from "sonner";
import type { Entry } from "@/core/record/entries";
import { lower } from "@/core/sentence";
import type { HomeRow } from "@/core/sheets/at-home";
import { chosenTrips, shoppingOf } from "@/core/sheets/trips";
import { spokenDuration } from "@/core/time/duration";
import { type Offsets, WallClock } from "@/core/time/wall-clock";
import { SHOPPING } from "@/words/shopping";
import { useTicks } from "../shell/use-ticks";
import { PrintButton } from "./PrintButton";
import { TripChoices } from "./TripChoices";
import { useMostTrips } from "./use-most-trips";
import { useStaples } from "./use-staples";

interface ShoppingViewProps {
  readonly slug: string;
  readonly now: number;
  readonly offsets: Offsets;
  readonly rows: readonly HomeRow[];
  /** So many trips were asked for; undefined: as many as keep everything fresh. */
  readonly mostTrips: number | undefined;
  /** What this house always has, in small letters. */
  readonly staples: readonly string[];
  /** The list within the record of the dish; another for all dishes. */
  readonly list?: string;
  readonly title?: string;
  /** Which dishes it is for, where it is for several. */
  readonly of?: string;
  readonly entries: readonly Entry[];
  readonly clockMs: number;
}

/** The amount is no part of it: it is said in the units of whoever reads, and may still change. */
const keyOf = (r: HomeRow) => `${r.section}|${r.ingredient}|${r.components.join(",")}`.slice(0, 280);

export function ShoppingView(props: ShoppingViewProps) {
  const { slug, now, offsets, entries, clockMs, list = "shopping", title = SHOPPING.title } = props;
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const { ticked, tick, trouble } = useTicks(slug, list, entries, clockMs);
  const { isStaple, setStaple } = useStaples(props.staples);
  const hidden = props.rows.filter((r) => isStaple(r.ingredient));
  const bought = props.rows.filter((r) => !isStaple(r.ingredient));
  const { orders, choices } = shoppingOf(bought, (minute) => clock.timeOfDay(minute));
  const { most, choose } = useMostTrips(props.of ? "all" : slug, props.mostTrips);
  const [fresh] = choices;
  const chosen = chosenTrips(choices, most);
  const trips = chosen?.trips ?? [];
  const early = new Map(chosen?.early.map(({ row, minutes }) => [row, minutes]));
  const things = bought.length;
  const at = (minute: number) => clock.dateTime(minute);
  const copy = async (markdown: boolean) => {
    const line = (r: HomeRow) => {
      const what = `${r.packs || r.amount} ${lower(r.ingredient)}`.trim();
      return markdown ? `- [${ticked.has(keyOf(r)) ? "x" : " "}] ${what}` : what;
    };
    const head = (by: number) => (markdown ? `## ${SHOPPING.trip(at(by))}\n` : SHOPPING.trip(at(by)));
    const text = trips.map((t) => [head(t.by), ...t.rows.map(line)].join("\n")).join("\n\n");
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
          <h1 className="text-[28px]">{title}</h1>
          {props.of && <p>{props.of}</p>}
          <p className="text-quiet">{things ? SHOPPING.lead(trips.length, things, chosen === fresh) : SHOPPING.nothing}</p>
        </div>
        {things > 0 && (
          <p className="flex flex-wrap items-center gap-x-4 gap-y-2" data-screen>
            <button type="button" className="link min-h-9" onClick={() => void copy(false)}>
              {SHOPPING.copy}
            </button>
            <button type="button" className="link min-h-9" onClick={() => void copy(true)}>
              {SHOPPING.copyMarkdown}
            </button>
            <a className="link" href={props.of ? "/api/shopping" : `/api/dishes/${slug}/shopping`}>
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
      {chosen && choices.length > 1 && (
        <TripChoices
          choices={choices}
          chosen={chosen}
          onChoose={(c) => void choose(c === fresh ? undefined : c.trips.length)}
          at={(minute) => clock.shortDay(minute)}
        />
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
                      onStaple={() => void setStaple(r.ingredient, true)}
                      warn={early.has(r) ? SHOPPING.earlyRow(spokenDuration(early.get(r) ?? 0)) : undefined}
                      more={[
                        r.packs ? SHOPPING.needed(r.amount) : "",
                        r.left ? SHOPPING.leftOver(r.left) : "",
                        r.atHome ? SHOPPING.inLarder(r.atHome) : "",
                        SHOPPING.for(r.components.map(lower).join(", ")),
                        r.buyFrom !== undefined && r.buyFrom > now ? SHOPPING.from(at(r.buyFrom)) : "",
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
      {hidden.length > 0 && (
        <details className="border-t-2 border-rim py-2" data-screen>
          <summary className="min-h-9 cursor-pointer py-1">{SHOPPING.staples(hidden.length)}</summary>
          <ul>
            {hidden.map((r) => (
              <li key={keyOf(r)} className="flex min-h-11 flex-wrap items-center gap-x-4 border-t border-rule py-1">
                <span>
                  {r.ingredient} <span className="clock text-[13.5px] text-quiet">{r.amount}</span>
                </span>
                <button
                  type="button"
                  className="link min-h-9 text-[14px]"
                  aria-label={SHOPPING.notAlwaysOf(r.ingredient)}
                  onClick={() => void setStaple(r.ingredient, false)}
                >
                  {SHOPPING.notAlways}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
      {things > 0 && (
        <p className="text-[13px] text-quiet">
          {SHOPPING.hours} <span data-screen>{SHOPPING.ticks}</span>
        </p>
      )}
    </article>
  );
}

/** Rows by the part of the shop, in the order of its name. */
function sectionsOf(rows: readonly HomeRow[]): [string, HomeRow[]][] {
  const names = [...new Set(rows.map((r) => r.section))].sort();
  return names.map((name) => [name, rows.filter((r) => r.section === name)]);
}

interface RowProps {
  readonly row: HomeRow;
  readonly done: boolean;
  readonly onTick: () => void;
  readonly onStaple?: () => void;
  readonly more: string;
  /** What is wrong with buying it then. */
  readonly warn?: string | undefined;
}

function Row({ row, done, onTick, onStaple, more, warn }: RowProps) {
  return (
    <li className="flex items-center border-t border-rule">
      <label
        className={`grid flex-1 min-h-14 cursor-pointer grid-cols-[5.4rem_1fr_2.6rem] sm:grid-cols-[6.9rem_1fr_2.6rem] items-center gap-x-3 py-1 ${done ? "opacity-55" : ""}`}
      >
        <span className="clock text-right text-[14.5px]">{row.packs || row.amount}</span>
        <span>
          <span className="text-[16px]">{row.ingredient}</span>
          <span className="block text-[13px] text-quiet">{more}</span>
          {warn && <span className="block text-[13px] text-beet">{warn}</span>}
        </span>
        <input type="checkbox" className="size-7 justify-self-end accent-(--rim)" checked={done} onChange={onTick} data-screen />
      </label>
      {onStaple && (
        <button
          type="button"
          className="ml-1 grid size-9 shrink-0 place-items-center text-quiet hover:text-rim"
          aria-label={SHOPPING.alwaysOf(row.ingredient)}
          title={SHOPPING.always}
          onClick={onStaple}
          data-screen
        >
          <House size={16} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}
