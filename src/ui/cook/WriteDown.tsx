"use client";
// What a cook notes at a step: a reading, a count, an amount as it was really used, a few words. One press opens it, one saves.
import { useId, useState } from "react";
import { said } from "@/core/bench/quantity";
import { CalculationError } from "@/core/measures/calculation-error";
import { amountsUsed, type Entry, type EntryBody, type ReadingQuantity, readingsOf, type Taken, talliesOf } from "@/core/record/entries";
import { probeForecast } from "@/core/record/probe-forecast";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { coolingForecast } from "@/core/view/cooling-forecast";
import type { StepView } from "@/core/view/plan-view";
import type { StepCheck } from "@/core/view/step-check";
import { WRITE_DOWN } from "@/words/record";
import { AddPhotographs } from "../photographs/AddPhotographs";
import { useFigures, useSpoken, useUnits } from "../shell/conventions";
import { DevicePart } from "./DevicePart";
import { QuantityChoice } from "./QuantityChoice";
import { readingSaid, readReading } from "./reading";

interface WriteDownProps {
  readonly step: StepView;
  readonly entries: readonly Entry[];
  readonly write: (...bodies: readonly EntryBody[]) => void;
  readonly now: number;
  readonly clock: WallClock;
  /** What is to be looked at while it runs, such as the limits of cooling. */
  readonly checks?: readonly StepCheck[];
  /** Takes the minutes from now as the step's new end. */
  readonly onExpect: (inMinutes: number) => void;
  readonly slug: string;
  /** Called once a photograph is kept. */
  readonly onPhotograph: () => void;
}

const MOST_SHOWN = 4;

export function WriteDown(props: WriteDownProps) {
  const { step, entries, now, clock, onExpect } = props;
  const [open, setOpen] = useState(false);
  const units = useUnits();
  const told = useFigures();
  const taken = readingsOf(entries, step.ref);
  const forecast = probeForecast(step, taken);
  return (
    <div className="mt-2">
      <DevicePart step={step} entries={entries} write={props.write} now={now} clock={clock} open={open} />
      {taken.length > 0 && (
        <p className="text-[15px] text-quiet">
          <span className="sr-only">{WRITE_DOWN.newestFirst}: </span>
          {taken
            .slice(-MOST_SHOWN)
            .reverse()
            .map((t) => `${told(readingSaid(t.quantity, t.value, units))} ${clock.near(Math.floor(t.at / 60_000), now)}`)
            .join("; ")}
        </p>
      )}
      <Cooling step={step} taken={taken} checks={props.checks ?? []} now={now} clock={clock} />
      {forecast && step.probeC !== undefined && (
        <p role="status" className="my-1 border-l-[3px] border-saffron pl-3 text-[16px]">
          {WRITE_DOWN.likely(
            told(said(step.probeC, "temp", units)),
            clock.near(forecast.at, now),
            clock.near(forecast.low, now),
            clock.near(forecast.high, now),
          )}{" "}
          {Math.abs(forecast.at - step.end) >= 5 && (
            <button type="button" className="link min-h-[44px]" onClick={() => onExpect(Math.max(1, forecast.at - now))}>
              {WRITE_DOWN.use}
            </button>
          )}
        </p>
      )}
      <button
        type="button"
        className="link min-h-[56px] px-1 text-[16px]"
        aria-expanded={open}
        aria-label={`${open ? WRITE_DOWN.close : WRITE_DOWN.open}: ${step.name}`}
        onClick={() => setOpen(!open)}
      >
        {open ? WRITE_DOWN.close : WRITE_DOWN.open}
      </button>
      {open && (
        <div className="grid gap-3 border-l-2 border-rule pl-3">
          <NewReading {...props} />
          <Counts {...props} />
          <AmountsUsed {...props} />
          <NewNote {...props} />
          <AddPhotographs
            to={`/api/dishes/${props.slug}/photographs`}
            about={{ step: step.ref }}
            of={step.name}
            onKept={props.onPhotograph}
          />
        </div>
      )}
    </div>
  );
}

/** Whether a pot that cools will be at its next limit in time. */
function Cooling({
  step,
  taken,
  checks,
  now,
  clock,
}: { readonly taken: readonly Taken[] } & Required<Pick<WriteDownProps, "step" | "checks" | "now" | "clock">>) {
  const units = useUnits();
  const told = useFigures();
  const spoken = useSpoken();
  const found = coolingForecast(step, taken, checks);
  if (!found) return null;
  const limit = told(said(found.limitC, "temp", units));
  const by = clock.near(found.by, now);
  const { at, low, high, lateBy } = found;
  const perhaps = lateBy === 0 && high !== undefined && high > found.by;
  const late = lateBy !== 0;
  const near = (minute: number) => clock.near(minute, now);
  const otherwise = spoken(found.otherwise);
  const text = (): string => {
    if (at === undefined || low === undefined || high === undefined) return WRITE_DOWN.coolsNever(limit, by, otherwise);
    if (lateBy) return WRITE_DOWN.coolsLate(limit, near(at), spokenDuration(lateBy), by, otherwise);
    return perhaps
      ? WRITE_DOWN.coolsPerhaps(limit, near(at), near(high), by, otherwise)
      : WRITE_DOWN.coolsInTime(limit, near(at), near(low), near(high), by);
  };
  return (
    <p
      role={late || perhaps ? "alert" : "status"}
      className={`my-1 border-l-[3px] pl-3 text-[16px] ${late ? "border-beet" : perhaps ? "border-saffron" : "border-leaf"}`}
    >
      {text()}
    </p>
  );
}

type Part = Pick<WriteDownProps, "step" | "entries" | "write">;
const FIELD = "field mt-0.5 block min-h-[56px] w-full text-[18px] text-ink";
const SAVE = "act min-h-[56px] px-5 text-[17px]";

function NewReading({ step, entries, write }: Part) {
  const units = useUnits();
  const lately = readingsOf(entries, step.ref).at(-1)?.quantity;
  const [quantity, setQuantity] = useState<ReadingQuantity>(lately ?? (step.probeC === undefined ? "temperature" : "core"));
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string>();
  const help = useId();
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        try {
          write({ kind: "reading", step: step.ref, quantity, value: readReading(quantity, text, units) });
          setText("");
          setWrong(undefined);
        } catch (error) {
          if (!(error instanceof CalculationError)) throw error;
          setWrong(error.message);
        }
      }}
    >
      <QuantityChoice className="min-h-[56px] min-w-40 text-[17px]" value={quantity} onChange={setQuantity} />
      <label className="w-28 text-[14px] text-quiet">
        {WRITE_DOWN.value}
        <input
          className={FIELD}
          value={text}
          inputMode="decimal"
          autoComplete="off"
          aria-invalid={wrong !== undefined}
          aria-describedby={wrong ? help : undefined}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(undefined);
          }}
        />
      </label>
      <button type="submit" className={SAVE}>
        {WRITE_DOWN.save}
      </button>
      {wrong && (
        <p id={help} role="alert" className="basis-full text-[14px] text-beet">
          {wrong}
        </p>
      )}
    </form>
  );
}

function Counts({ step, entries, write }: Part) {
  const [name, setName] = useState("");
  return (
    <div className="flex flex-wrap items-end gap-2">
      {[...talliesOf(entries, step.ref)].map(([counted, n]) => (
        <button
          key={counted}
          type="button"
          className={SAVE}
          aria-label={`${WRITE_DOWN.oneMore(counted)} (${n})`}
          onClick={() => write({ kind: "tally", step: step.ref, name: counted, add: 1 })}
        >
          {WRITE_DOWN.counted(counted, n)} <span aria-hidden="true">+</span>
        </button>
      ))}
      <form
        className="flex flex-1 items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === "") return;
          write({ kind: "tally", step: step.ref, name: name.trim().slice(0, 80), add: 1 });
          setName("");
        }}
      >
        <label className="min-w-32 flex-1 text-[14px] text-quiet">
          {WRITE_DOWN.newCount}
          <input className={FIELD} value={name} autoComplete="off" onChange={(event) => setName(event.target.value)} />
        </label>
        <button type="submit" className={SAVE}>
          {WRITE_DOWN.count}
        </button>
      </form>
    </div>
  );
}

/** What was weighed out for the step, where it was not what the dish says. */
function AmountsUsed({ step, entries, write }: Part) {
  const used = amountsUsed(entries, step.ref);
  const [text, setText] = useState<Readonly<Record<string, string>>>({});
  if (step.goesIn.length === 0) return null;
  return (
    <ul className="grid gap-1">
      {step.goesIn.map((i) => (
        <li key={i.name}>
          <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              const amount = text[i.name]?.trim();
              if (!amount) return;
              write({ kind: "amount", step: step.ref, ingredient: i.name, amount: amount.slice(0, 60), instead: i.amount.slice(0, 60) });
              setText({ ...text, [i.name]: "" });
            }}
          >
            <label className="min-w-0 flex-1 text-[14px] text-quiet">
              {used.has(i.name) ? WRITE_DOWN.wasUsed(i.name, used.get(i.name) ?? "", i.amount) : WRITE_DOWN.planned(i.name, i.amount)}
              <input
                className={FIELD}
                aria-label={WRITE_DOWN.usedInstead(i.name)}
                value={text[i.name] ?? ""}
                autoComplete="off"
                onChange={(event) => setText({ ...text, [i.name]: event.target.value })}
              />
            </label>
            <button type="submit" className={SAVE} aria-label={`${WRITE_DOWN.used}: ${i.name}`}>
              {WRITE_DOWN.used}
            </button>
          </form>
        </li>
      ))}
    </ul>
  );
}

function NewNote({ step, write }: Part) {
  const [text, setText] = useState("");
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === "") return;
        write({ kind: "note", step: step.ref, text: text.trim() });
        setText("");
      }}
    >
      <label className="min-w-0 flex-1 text-[14px] text-quiet">
        {WRITE_DOWN.note}
        <input className={FIELD} value={text} maxLength={2000} onChange={(event) => setText(event.target.value)} />
      </label>
      <button type="submit" className={SAVE}>
        {WRITE_DOWN.save}
      </button>
    </form>
  );
}
