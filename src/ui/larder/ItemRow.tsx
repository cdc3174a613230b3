"use client";
// One item: what, how much, what it is for, its time as a blade on the common axis; and what can be done with it.
import Link from "next/link";
import { type FormEvent, useState } from "react";
import { quantityText } from "@/core/dish/units";
import { readAmount } from "@/core/entry/amounts";
import { LARDER_PLACES, type LarderPlace } from "@/core/larder/events";
import { freeOf, type LarderItem } from "@/core/larder/items";
import { lower } from "@/core/sentence";
import type { WallClock } from "@/core/time/wall-clock";
import { LARDER, LARDER_PLACE } from "@/words/larder";
import { colourOf } from "../route-chart/colours";
import { Choice } from "../shell/Choice";
import { Spoken } from "../shell/conventions";
import { movedTo, useLarder } from "./use-larder";

interface ItemRowProps {
  readonly item: LarderItem;
  readonly clock: WallClock;
  readonly now: number;
  readonly x: (minute: number) => number;
}

export function ItemRow({ item, clock, now, x }: ItemRowProps) {
  const [open, setOpen] = useState(false);
  const past = item.until !== undefined && item.until < now;
  return (
    <>
      <tr
        id={item.id}
        className="border-t border-rule align-middle target:bg-saffron-wash max-md:grid max-md:grid-cols-[1fr_auto] max-md:py-2"
      >
        <td className="py-2 pr-3 font-medium md:w-[17%]">
          <button
            type="button"
            className="min-h-[28px] text-left hover:text-rim"
            aria-expanded={open}
            aria-label={LARDER.more(item.name)}
            onClick={() => setOpen(!open)}
          >
            {item.name}
          </button>
        </td>
        <td className="clock pr-3 text-[14px] md:w-[11%] max-md:self-center max-md:text-right">
          {item.quantity ? <Spoken>{quantityText(item.quantity)}</Spoken> : item.about}
        </td>
        <td className="pr-3 text-[13.5px] text-quiet md:w-[22%] max-md:col-span-2">
          <Spoken>{purpose(item, clock, now)}</Spoken>
        </td>
        <td className="md:w-[50%] max-md:col-span-2 max-md:pt-1">
          <Blade item={item} now={now} x={x} />
          <span className={`clock block text-[12.5px] ${past ? "font-semibold text-beet" : "text-quiet"}`}>
            {item.until === undefined ? LARDER.noLimit : `${lower(LARDER.limit)} ${clock.fromNow(item.until, now)}`}
          </span>
        </td>
      </tr>
      {open && (
        <tr className="max-md:block">
          <td colSpan={4} className="max-md:block">
            <Tools item={item} now={now} onDone={() => setOpen(false)} />
          </td>
        </tr>
      )}
    </>
  );
}

/** What it is for, and what of it nobody has promised. */
function purpose(item: LarderItem, clock: WallClock, now: number): string {
  const parts: string[] = [];
  const next = item.source?.takers[0];
  if (next) parts.push(LARDER.forStep(lower(next.step), Number.isFinite(next.at) ? clock.fromNow(next.at, now) : ""));
  const free = freeOf(item);
  if (next && free && free.value > 0) parts.push(LARDER.someFree(quantityText(free)));
  if (!next && item.reserved) parts.push(LARDER.promised(item.reserved));
  if (!next && item.source) parts.push(`${lower(item.source.dish)}, ${LARDER.left}`);
  if (item.opened !== undefined) parts.push(LARDER.openedOn(clock.fromNow(item.opened, now)));
  else if (!item.source && item.made !== undefined) parts.push(LARDER.since(clock.fromNow(item.made, now)));
  return parts.join("; ");
}

const [WIDTH, MIDDLE] = [620, 9];

/** Thin before it is best, thick while it is, tapering to its limit; a ring where a step takes of it. */
function Blade({ item, now, x }: Pick<ItemRowProps, "item" | "now" | "x">) {
  const at = (minute: number) => x(minute) * WIDTH;
  const endless = item.until === undefined;
  const end = endless ? WIDTH : at(item.until as number);
  if (!endless && (item.until as number) < now)
    return <svg viewBox={`0 0 ${WIDTH} 18`} className="block h-auto w-full" aria-hidden="true" />;
  const from = item.best ? at(item.best[0]) : 0;
  const to = item.best ? at(item.best[1]) : end - Math.min(60, end / 3);
  const colour = colourOf(item.source?.kind ?? "");
  const beyond = endless || x(item.until as number) >= 1;
  return (
    <svg viewBox={`0 0 ${WIDTH} 18`} className="block h-auto w-full" aria-hidden="true">
      <path
        d={`M0 ${MIDDLE - (from > 2 ? 1 : 5)}L${from} ${MIDDLE - 5}H${Math.max(from, to)}L${end} ${MIDDLE - (beyond ? 5 : 1)}V${MIDDLE + (beyond ? 5 : 1)}L${Math.max(from, to)} ${MIDDLE + 5}H${from}L0 ${MIDDLE + (from > 2 ? 1 : 5)}Z`}
        fill={colour}
        opacity="0.4"
      />
      {!beyond && (
        <path d={`M${end} 1V17`} stroke="var(--ink)" strokeWidth="2.6" strokeDasharray={item.limit === "safety" ? undefined : "3 2"} />
      )}
      {item.source?.takers
        .filter((t) => Number.isFinite(t.at) && x(t.at) < 1)
        .map((t) => (
          <circle
            key={`${t.step} ${t.at}`}
            cx={Math.max(6, at(t.at))}
            cy={MIDDLE}
            r="5"
            fill="var(--paper)"
            stroke={colour}
            strokeWidth="2.4"
          />
        ))}
    </svg>
  );
}

const submit = (act: () => void) => (event: FormEvent) => {
  event.preventDefault();
  act();
};

function Tools({ item, now, onDone }: { readonly item: LarderItem; readonly now: number; readonly onDone: () => void }) {
  const { busy, trouble, write } = useLarder();
  const [much, setMuch] = useState("");
  const [there, setThere] = useState("");
  const [part, setPart] = useState("");
  const [place, setPlace] = useState<LarderPlace>(item.place === "freezer" ? "fridge" : "freezer");
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<string>();
  const put = async (...args: Parameters<typeof write>) => {
    if (await write(...args)) onDone();
  };
  const take = () => {
    const amount = readAmount(much);
    if (!amount) return setProblem(LARDER.amountNotUnderstood);
    void put(item.id, { kind: "taken", amount: { amount: amount.amount, unit: amount.unit } }, LARDER.done.taken(item.name));
  };
  const move = () => {
    const amount = readAmount(part);
    if (part.trim() && !amount) return setProblem(LARDER.amountNotUnderstood);
    const some = amount && { amount: amount.amount, unit: amount.unit };
    void put(item.id, movedTo(place, some), LARDER.done.moved(item.name, LARDER_PLACE[place]));
  };
  const count = () => {
    if (!there.trim()) return setProblem(LARDER.amountNotUnderstood);
    const amount = readAmount(there);
    void put(
      item.id,
      amount
        ? { kind: "counted", amount: { amount: amount.amount, unit: amount.unit } }
        : { kind: "counted", about: there.trim().slice(0, 80) },
      LARDER.done.counted(item.name),
    );
  };
  const field = "field mt-0.5 block min-h-11 w-32 text-ink";
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3 border-l-[3px] border-saffron bg-saffron-wash/40 px-3 py-3">
      <form className="flex items-end gap-2" onSubmit={submit(take)}>
        <label className="text-[13px] text-quiet">
          {LARDER.howMuch}
          <input className={field} value={much} onChange={(e) => setMuch(e.target.value)} maxLength={40} autoComplete="off" />
        </label>
        <button type="submit" className="act min-h-11" disabled={busy}>
          {LARDER.take}
        </button>
        <button
          type="button"
          className="act min-h-11"
          disabled={busy}
          onClick={() => void put(item.id, { kind: "taken" }, LARDER.done.taken(item.name))}
        >
          {LARDER.takeAll}
        </button>
      </form>
      <form className="flex items-end gap-2" onSubmit={submit(count)}>
        <label className="text-[13px] text-quiet">
          {LARDER.count}
          <input
            className={field}
            value={there}
            onChange={(e) => setThere(e.target.value)}
            placeholder={LARDER.countHint}
            maxLength={80}
            autoComplete="off"
          />
        </label>
        <button type="submit" className="act min-h-11" disabled={busy}>
          {LARDER.save}
        </button>
      </form>
      <form className="flex items-end gap-2" onSubmit={submit(move)}>
        <label className="text-[13px] text-quiet">
          {LARDER.moveMuch}
          <input
            className={field}
            value={part}
            onChange={(e) => setPart(e.target.value)}
            placeholder={LARDER.moveAll}
            maxLength={40}
            autoComplete="off"
          />
        </label>
        <span className="flex flex-col text-[13px] text-quiet">
          {LARDER.moveTo}
          <Choice
            label={LARDER.moveTo}
            className="mt-0.5 min-h-11 text-ink"
            value={place}
            options={LARDER_PLACES.filter((p) => p !== item.place).map((p) => [p, LARDER_PLACE[p]] as const)}
            onChange={(p) => setPlace(p as LarderPlace)}
          />
        </span>
        <button type="submit" className="act min-h-11" disabled={busy}>
          {LARDER.move}
        </button>
      </form>
      {item.opened === undefined && (
        <button
          type="button"
          className="act min-h-11"
          disabled={busy}
          onClick={() => void put(item.id, { kind: "opened", until: now + OPENED_MINUTES }, LARDER.done.opened(item.name))}
        >
          {LARDER.opened}
        </button>
      )}
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void put(item.id, { kind: "discarded", ...(why.trim() ? { why: why.trim() } : {}) }, LARDER.done.discarded(item.name));
        }}
      >
        <label className="text-[13px] text-quiet">
          {LARDER.why}
          <input className={field} value={why} onChange={(e) => setWhy(e.target.value)} maxLength={200} autoComplete="off" />
        </label>
        <button type="submit" className="act min-h-11" disabled={busy}>
          {LARDER.discard}
        </button>
      </form>
      <Link className="link inline-flex min-h-11 items-center" href={`/larder/labels?item=${encodeURIComponent(item.id)}`}>
        {LARDER.label}
      </Link>
      {(problem ?? trouble) && (
        <p role="alert" className="w-full text-[14px] text-beet">
          {problem ?? trouble}
        </p>
      )}
    </div>
  );
}

/** What is open keeps a week at most, whatever was said of it closed. */
const OPENED_MINUTES = 7 * 1440;
