"use client";
// What happened: one of a few large lines, then which and how much.
import { useState } from "react";
import type { DishFile } from "@/core/dish/schema";
import type { Mishap } from "@/core/sheets/something-changed";
import { readTimeOfDay } from "@/core/spoken/typed-moment";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { CHANGED } from "@/words/something-changed";
import { Choice } from "../shell/Choice";
import type { Happened } from "./happened";

interface MishapFormProps {
  readonly document: DishFile;
  readonly plan: PlanView;
  readonly clock: WallClock;
  readonly now: number;
  readonly onHappened: (happened: Happened) => void;
}

type Kind = Mishap["kind"];
const KINDS = Object.keys(CHANGED.kinds) as Kind[];
const DAY = 1440;
/** What a number may be, and what it is at first. */
const NUMBERS = {
  longer: { label: CHANGED.minutesLonger, low: 1, high: 2 * DAY, first: 30 },
  late: { label: CHANGED.minutesLate, low: 5, high: DAY, first: 45 },
  guests: { label: CHANGED.serves, low: 1, high: 500, first: undefined },
} as const;

export function MishapForm({ document, plan, clock, now, onHappened }: MishapFormProps) {
  const [kind, setKind] = useState<Kind>();
  return (
    <div>
      <h2 className="pb-2 text-[19px]">{CHANGED.what}</h2>
      <ul>
        {KINDS.map((k) => (
          <li key={k} className="border-t border-rule">
            <button
              type="button"
              aria-expanded={kind === k}
              className={`min-h-[56px] w-full cursor-pointer text-left text-[18px] ${kind === k ? "border-l-[5px] border-saffron pl-4 font-semibold" : ""}`}
              onClick={() => setKind(kind === k ? undefined : k)}
            >
              {CHANGED.kinds[k]}
            </button>
            {kind === k && <Details kind={k} document={document} plan={plan} clock={clock} now={now} onHappened={onHappened} />}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What each kind can be about, as value and name. */
function thingsOf(kind: Kind, { document, plan }: Pick<MishapFormProps, "document" | "plan">): readonly (readonly [string, string])[] {
  const kitchen = document.kitchen;
  const named = (id: string) => plan.components.find((c) => c.id === id)?.name ?? id;
  switch (kind) {
    case "longer":
      return plan.steps.filter((s) => s.state === "running").map((s) => [s.ref, `${s.name}, ${named(s.component)}`]);
    case "skip":
      return plan.steps
        .filter((s) => s.state !== "done" && s.ref !== plan.serveStep)
        .sort((a, b) => a.start - b.start)
        .map((s) => [s.ref, `${s.name}, ${named(s.component)}`]);
    case "failed":
      return plan.components.filter((c) => c.id !== plan.serveStep.split(".")[0]).map((c) => [c.id, c.name]);
    case "stopped":
      return (kitchen?.equipment ?? []).map((e) => [e.id, e.name ?? e.kind]);
    case "help":
      return (kitchen?.cooks ?? []).map((c) => [c.id, c.name ?? c.id]);
    default:
      return [];
  }
}

function Details({ kind, document, plan, clock, now, onHappened }: MishapFormProps & { readonly kind: Kind }) {
  const things = thingsOf(kind, { document, plan });
  const number = kind in NUMBERS ? NUMBERS[kind as keyof typeof NUMBERS] : undefined;
  const [thing, setThing] = useState(things.length === 1 ? (things[0]?.[0] ?? "") : "");
  const [amount, setAmount] = useState(String(number?.first ?? document.dish.serves));
  const [until, setUntil] = useState(clock.time(now + 180));
  const [why, setWhy] = useState("");
  const [wrong, setWrong] = useState<string>();
  const needsThing = kind in CHANGED.which;
  if (needsThing && things.length === 0) return <p className="pb-3 pl-5 text-quiet">{CHANGED.none}</p>;
  const name = things.find(([id]) => id === thing)?.[1] ?? "";
  const done = () => {
    const n = Number(amount);
    if (number && !(Number.isInteger(n) && n >= number.low && n <= number.high)) return setWrong(CHANGED.number(number.low, number.high));
    const mishap = mishapOf(kind, thing, n, untilMinute(until, clock, now));
    if (mishap) onHappened({ mishap, what: name ? CHANGED.label(CHANGED.kinds[kind], name) : CHANGED.kinds[kind], why: why.trim() });
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3 pb-4 pl-5"
      onSubmit={(event) => {
        event.preventDefault();
        done();
      }}
    >
      {needsThing && (
        <span className="text-[14px] text-quiet">
          {CHANGED.which[kind as keyof typeof CHANGED.which]}
          <Choice
            label={CHANGED.which[kind as keyof typeof CHANGED.which]}
            className="mt-0.5 flex! min-h-[56px] min-w-60 text-[17px]"
            value={thing}
            prompt={CHANGED.which[kind as keyof typeof CHANGED.which]}
            options={things}
            onChange={setThing}
          />
        </span>
      )}
      {number && (
        <label className="text-[14px] text-quiet">
          {number.label}
          <input
            className="field clock mt-0.5 block min-h-[56px] w-28 text-[18px] text-ink"
            value={amount}
            inputMode="numeric"
            aria-invalid={wrong !== undefined}
            onChange={(event) => {
              setAmount(event.target.value);
              setWrong(undefined);
            }}
          />
        </label>
      )}
      {kind === "help" && (
        <label className="text-[14px] text-quiet">
          {CHANGED.back}
          <input
            className="field clock mt-0.5 block min-h-[56px] w-28 text-[18px] text-ink"
            value={until}
            aria-invalid={readTimeOfDay(until) === undefined}
            onChange={(event) => setUntil(event.target.value)}
          />
        </label>
      )}
      {(kind === "failed" || kind === "skip") && (
        <label className="min-w-48 flex-1 text-[14px] text-quiet">
          {CHANGED.why}
          <input
            className="field mt-0.5 block min-h-[56px] w-full text-[17px] text-ink"
            value={why}
            maxLength={400}
            onChange={(event) => setWhy(event.target.value)}
          />
        </label>
      )}
      <button
        type="submit"
        className="act min-h-[56px] px-6 text-[17px]"
        data-main
        disabled={(needsThing && thing === "") || (kind === "help" && readTimeOfDay(until) === undefined)}
      >
        {CHANGED.show}
      </button>
      {wrong && (
        <p role="alert" className="basis-full text-[14px] text-beet">
          {wrong}
        </p>
      )}
    </form>
  );
}

/** The next time that the clock shows it. */
function untilMinute(text: string, clock: WallClock, now: number): number {
  const wanted = readTimeOfDay(text);
  if (wanted === undefined) return now;
  const ahead = (wanted - clock.timeOfDay(now) + DAY) % DAY;
  return now + (ahead || DAY);
}

function mishapOf(kind: Kind, thing: string, n: number, until: number): Mishap | undefined {
  switch (kind) {
    case "longer":
      return { kind, step: thing, minutes: n };
    case "failed":
      return { kind, component: thing };
    case "stopped":
      return { kind, equipment: thing };
    case "help":
      return { kind, cook: thing, until };
    case "late":
      return { kind, minutes: n };
    case "guests":
      return { kind, serves: n };
    case "skip":
      return { kind, step: thing };
  }
}
