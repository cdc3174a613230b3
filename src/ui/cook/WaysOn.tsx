"use client";
// The ways on from what happened: each planned in the page, drawn, and told by what it moves and costs. Nothing changes before one is chosen.
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { comparePlans, stillAhead } from "@/core/sheets/differences";
import type { Way } from "@/core/sheets/something-changed";
import { standsUntil } from "@/core/sheets/stands-until";
import type { WallClock } from "@/core/time/wall-clock";
import { miniRoute } from "@/core/view/mini-route";
import { PLAN } from "@/words/cook";
import { CHANGED } from "@/words/something-changed";
import type { Tried } from "@/workers/plan-desk";
import { MiniChart } from "../home/MiniChart";
import { useDesk } from "../planning/use-desk";
import { hundred } from "../route-chart/words";
import { ask, reason } from "../shell/ask";
import type { Happened, SomethingChangedProps } from "./happened";
import { addPress, deliver } from "./press-queue";

interface WaysOnProps extends SomethingChangedProps {
  readonly clock: WallClock;
  readonly happened: Happened;
  readonly ways: readonly Way[];
}

export function WaysOn(props: WaysOnProps) {
  const { ways, happened, plan, clock, now } = props;
  const tried = useTriedWays(props);
  const [choosing, setChoosing] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const choose = useChoice(props, setChoosing, setTrouble);
  const none = ways.length > 0 && ways.every((w) => tried.has(w.key) && tried.get(w.key)?.status !== "ready");
  const best = ways.find((w) => tried.get(w.key)?.status === "ready");
  const keeping = happened.mishap.kind === "late" ? standsUntil(plan, now) : [];
  return (
    <div aria-live="polite">
      {trouble && (
        <p role="alert" className="mt-3 border-l-[3px] border-beet pl-3">
          {trouble}
        </p>
      )}
      {keeping.length > 0 && (
        <section aria-label={CHANGED.keeps} className="border-b border-rule py-2 text-[15px]">
          <h2 className="caps font-sans font-normal">{CHANGED.keeps}</h2>
          <p>
            {keeping
              .slice(0, MOST_KEEPING)
              .map((k) => CHANGED.keepsUntil(k.name, clock.fromNow(k.until, now)))
              .join("; ")}
          </p>
        </section>
      )}
      {none && <p className="py-3 text-[16px]">{CHANGED.allFail}</p>}
      {ways.map((way) => (
        <WayRow
          key={way.key}
          way={way}
          first={way === best}
          tried={tried.get(way.key)}
          choosing={choosing}
          onChoose={() => void choose(way, tried.get(way.key))}
          {...{ plan, clock, now }}
        />
      ))}
    </div>
  );
}

interface WayRowProps extends Pick<WaysOnProps, "plan" | "clock" | "now"> {
  readonly way: Way;
  readonly first: boolean;
  readonly tried: Tried | undefined;
  readonly choosing: string | undefined;
  readonly onChoose: () => void;
}

const MOST_COSTS = 2;
const MOST_KEEPING = 6;

function WayRow({ way, first, tried, choosing, onChoose, plan, clock, now }: WayRowProps) {
  return (
    <section aria-label={way.title} className="grid gap-x-8 gap-y-3 border-b border-rule py-4 md:grid-cols-[20rem_minmax(0,1fr)]">
      <div>
        <h2 className="text-[21px] leading-tight">{way.title}</h2>
        {!tried && <p className="pt-1 text-quiet">{CHANGED.working}</p>}
        {tried && tried.status !== "ready" && (
          <p className="pt-1">
            {CHANGED.refused} {tried.status === "unfit" && tried.because}
          </p>
        )}
        {tried?.status === "ready" && (
          <>
            <Costs plan={plan} tried={tried} clock={clock} now={now} />
            <button
              type="button"
              className="act mt-2 min-h-[56px] px-5 text-[17px]"
              data-main={first || undefined}
              disabled={choosing !== undefined}
              onClick={onChoose}
            >
              {CHANGED.choose(way.title)}
            </button>
          </>
        )}
      </div>
      {tried?.status === "ready" && <MiniChart mini={miniRoute(tried.view, clock, now, 640)} wide />}
    </section>
  );
}

function Costs({
  plan,
  tried,
  clock,
  now,
}: Pick<WayRowProps, "plan" | "clock" | "now"> & { readonly tried: Extract<Tried, { status: "ready" }> }) {
  const { differences, moved } = comparePlans(stillAhead(plan, now), stillAhead(tried.view, now), clock);
  const costs = differences.filter((d) => d.kind !== "moves" && d.kind !== "serving" && d.kind !== "lead").slice(0, MOST_COSTS);
  const rows: readonly (readonly [string, string])[] = [
    [CHANGED.table, `${clock.dayTime(tried.view.serveAt)}${tried.view.serveAt === plan.serveAt ? `, ${CHANGED.asPlanned}` : ""}`],
    [CHANGED.onTime, CHANGED.of100(hundred(tried.rehearsed.onTime))],
    [CHANGED.moves, moved.length ? CHANGED.stepsMove(moved.length) : CHANGED.nothingMoves],
    [CHANGED.costs, costs.map((d) => d.text).join(" ") || CHANGED.nothingCosts],
  ];
  return (
    <>
      {tried.view.gone.map((name) => (
        <p key={name} className="border-l-[3px] border-beet pl-3 text-[15px]">
          {PLAN.gone(name)}
        </p>
      ))}
      <dl className="grid grid-cols-[5rem_1fr] gap-y-0.5 pt-1 text-[15px]">
        {rows.map(([term, text]) => (
          <div key={term} className="contents">
            <dt className="text-quiet">{term}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** Each way planned, one after another; those that are not yet are missing. */
function useTriedWays({ slug, stamp, ways }: WaysOnProps): ReadonlyMap<string, Tried> {
  const desk = useDesk(slug, stamp);
  const [tried, setTried] = useState<ReadonlyMap<string, Tried>>(new Map());
  const turn = useRef(0);
  useEffect(() => {
    const mine = ++turn.current;
    setTried(new Map());
    void (async () => {
      for (const way of ways) {
        const put = (result: Tried) => turn.current === mine && setTried((before) => new Map(before).set(way.key, result));
        try {
          const shell = await desk().mind();
          put((await shell.way(way.change, way.told)) as Tried);
        } catch (error) {
          put({ status: "unfit", because: error instanceof Error ? error.message : "" });
        }
        if (turn.current !== mine) return;
      }
    })();
    return () => {
      turn.current++;
    };
  }, [ways, desk]);
  return tried;
}

function useChoice(
  { slug, version, kitchenVersion, happened, now }: WaysOnProps,
  setChoosing: (key: string | undefined) => void,
  setTrouble: (text: string | undefined) => void,
) {
  const router = useRouter();
  return async (way: Way, tried: Tried | undefined) => {
    if (tried?.status !== "ready") return;
    setChoosing(way.key);
    setTrouble(undefined);
    const label = CHANGED.label(happened.what, way.title);
    if (way.change.length) {
      const got = await ask(`/api/dishes/${slug}/change`, "POST", {
        version,
        kitchenVersion,
        change: way.change,
        label,
        // What is written into the log with it asks for a new plan anyway.
        ...(way.told.length ? {} : { plan: tried.file }),
      });
      if (!got.ok) {
        setChoosing(undefined);
        setTrouble(reason(got));
        return;
      }
    }
    for (const { kind, step, at } of way.told)
      addPress(slug, { key: crypto.randomUUID(), kind, step, inMinutes: kind === "estimate" ? at - now : 0, pressedAt: Date.now() });
    await deliver(slug);
    const note = happened.why ? `${label}. ${happened.why}` : label;
    await ask(`/api/dishes/${slug}/entries`, "POST", {
      entries: [{ key: crypto.randomUUID(), body: { kind: "note", text: note.slice(0, 2000) } }],
    });
    toast(CHANGED.chosen(way.title));
    router.push(`/d/${slug}/cook`);
  };
}
