"use client";
// One batch as a page of the notebook: how far it is, its readings as curves, what is written down, and its log.
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import type { Curve } from "@/core/bench/panel";
import { batchReadings, batchStanding } from "@/core/record/batches";
import { QUANTITIES, type ReadingQuantity } from "@/core/record/entries";
import { WallClock } from "@/core/time/wall-clock";
import type { BatchPage } from "@/core/view/batch-page";
import { BATCHES, batchWords } from "@/words/batches";
import { PHOTOGRAPHS } from "@/words/photographs";
import { WRITE_DOWN } from "@/words/record";
import { CurveChart } from "../charts/CurveChart";
import { readingQuantity, readingSaid } from "../cook/reading";
import { AddPhotographs } from "../photographs/AddPhotographs";
import { useFigures, useUnits } from "../shell/conventions";
import { useBatch } from "./use-batch";
import { WriteBatch } from "./WriteBatch";

const DAY_MS = 86_400_000;
/** The axis starts at this share of the target, so that the target is visible. */
const BELOW_TARGET = 0.97;
/** To two digits, for the end of an axis. */
const roundDown = (value: number): number => {
  if (value <= 0) return value;
  const step = 10 ** (Math.floor(Math.log10(value)) - 1);
  return Number((Math.floor(value / step) * step).toPrecision(2));
};
const minute = (ms: number) => Math.floor(ms / 60_000);

export function BatchView({ page }: { readonly page: BatchPage }) {
  const { batch, entries } = page;
  const clock = useMemo(() => new WallClock(page.offsets), [page.offsets]);
  const { busy, trouble, write, change } = useBatch(batch.id);
  const router = useRouter();
  const units = useUnits();
  const told = useFigures();
  const value = (quantity: ReadingQuantity, v: number) => told(readingSaid(quantity, v, units));
  const log = batchStanding(entries).reverse();
  const since = minute(Math.min(batch.startedAt, log.at(-1)?.at ?? batch.startedAt));
  const read = (Object.keys(QUANTITIES) as ReadingQuantity[]).filter((q) => batchReadings(entries, q).length > 0);
  const suggested = batch.aim?.kind === "value" ? batch.aim.quantity : (read[0] ?? (batch.aim ? "weight" : "temperature"));
  return (
    <article className="max-w-[60rem]">
      <header className="border-b-2 border-rim pb-3">
        <h1 className="text-[30px] leading-tight">{batch.name}</h1>
        <p className="flex flex-wrap items-baseline gap-x-4 text-quiet">
          <span>
            {batch.endedAt === undefined
              ? BATCHES.since(clock.date(since))
              : BATCHES.ended(clock.date(since), clock.date(minute(batch.endedAt)))}
          </span>
          <Link className="link" href="/notebook">
            {BATCHES.toNotebook}
          </Link>
          <button
            type="button"
            className="link min-h-11 print:hidden"
            disabled={busy}
            onClick={() => void change({ ended: batch.endedAt === undefined })}
          >
            {batch.endedAt === undefined ? BATCHES.end : BATCHES.goOn}
          </button>
        </p>
      </header>
      <HowFar page={page} clock={clock} value={value} />
      {trouble && (
        <p role="alert" className="mt-3 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {read.map((q) => (
        <Readings key={q} page={page} quantity={q} />
      ))}
      {batch.endedAt === undefined && (
        <div className="pt-5 print:hidden">
          <h2 className="pb-2 text-[21px]">{BATCHES.writeDown}</h2>
          <WriteBatch entries={entries} suggested={suggested} busy={busy} write={write} />
          <div className="pt-3 pl-4">
            <AddPhotographs to={`/api/batches/${batch.id}/photographs`} onKept={() => router.refresh()} />
          </div>
        </div>
      )}
      <section aria-label={BATCHES.log} className="pt-6">
        <h2 className="border-t-2 border-rim pt-2 text-[21px]">{BATCHES.log}</h2>
        {log.length === 0 && <p className="text-quiet">{BATCHES.nothing}</p>}
        <ol>
          {log.map(({ id, at, body }) => {
            const words = batchWords(body, value);
            return (
              <li key={id} className="grid grid-cols-[7.4rem_1fr_auto] items-baseline gap-x-3 border-t border-rule py-1.5">
                <span className="clock text-[14px]">{clock.dayTime(minute(at))}</span>
                <span className="min-w-0 break-words">
                  {words}
                  {body.kind === "photograph" && (
                    <a href={`/api/photographs/${body.sum}`} className="block py-1">
                      {/* biome-ignore lint/performance/noImgElement: the server has made it small already */}
                      <img
                        src={`/api/photographs/${body.sum}?small`}
                        width={body.width}
                        height={body.height}
                        loading="lazy"
                        alt={body.text || PHOTOGRAPHS.shown(undefined, clock.dayTime(minute(at)))}
                        className="h-auto max-h-60 w-auto max-w-full bg-rule"
                      />
                    </a>
                  )}
                </span>
                <button
                  type="button"
                  className="link min-h-11 print:hidden"
                  disabled={busy}
                  aria-label={BATCHES.takeBackNamed(words)}
                  onClick={() => void write({ kind: "withdrawn", of: id })}
                >
                  {BATCHES.takeBack}
                </button>
              </li>
            );
          })}
        </ol>
      </section>
    </article>
  );
}

interface HowFarProps {
  readonly page: BatchPage;
  readonly clock: WallClock;
  readonly value: (quantity: ReadingQuantity, v: number) => string;
}

function HowFar({ page, clock, value }: HowFarProps) {
  const { aim } = page.batch;
  const told = useFigures();
  const found = page.progress;
  if (!aim || !found) return null;
  const { likely, soonest, latest } = found;
  const date = (ms: number) => clock.date(minute(ms));
  return (
    <section aria-label={BATCHES.aim} className="border-b border-rule py-3">
      <p className="text-[19px]">
        {aim.kind === "loss"
          ? BATCHES.lost(told(found.now.toFixed(1)), told(String(aim.percent)))
          : BATCHES.stands(value(aim.quantity, found.now), value(aim.quantity, aim.value))}{" "}
        {found.reached ? (
          <b className="font-semibold">{BATCHES.reached}</b>
        ) : likely === undefined || soonest === undefined || latest === undefined ? (
          <span className="text-quiet">{BATCHES.cannotTell}</span>
        ) : (
          <>
            <b className="font-semibold">{BATCHES.likely(date(likely))}</b>{" "}
            {latest - soonest > DAY_MS && (
              <span className="text-quiet">{BATCHES.between(clock.shortDay(minute(soonest)), clock.shortDay(minute(latest)))}</span>
            )}
          </>
        )}
      </p>
      {aim.kind === "loss" && <p className="text-[14px] text-quiet">{BATCHES.lookFirst}</p>}
    </section>
  );
}

/** The readings of one quantity as a curve over days, with where the batch is to come to. */
function Readings({ page, quantity }: { readonly page: BatchPage; readonly quantity: ReadingQuantity }) {
  const units = useUnits();
  const { entries, batch } = page;
  const curve = useMemo<Curve | undefined>(() => {
    const readings = batchReadings(entries, quantity);
    const [first] = readings;
    if (!first || readings.length < 2) return undefined;
    const [of, factor] = readingQuantity(quantity);
    const label = WRITE_DOWN.quantity[quantity];
    const { aim } = batch;
    const target =
      aim?.kind === "loss" && quantity === "weight"
        ? first.value * (1 - aim.percent / 100)
        : aim?.kind === "value" && aim.quantity === quantity
          ? aim.value
          : undefined;
    return {
      title: BATCHES.chart(label),
      x: { label: BATCHES.time, of: "time" },
      y: { label, of, ...(target === undefined || target >= first.value ? {} : { from: roundDown(target * factor * BELOW_TARGET) }) },
      lines: [{ name: label, look: "rim", dots: true, points: readings.map((r) => [minute(r.at - first.at), r.value * factor]) }],
      ...(target === undefined ? {} : { marks: [{ on: "y", at: target * factor, label: BATCHES.ready }] }),
    };
  }, [entries, batch, quantity]);
  return curve ? <CurveChart curve={curve} units={units} /> : null;
}
