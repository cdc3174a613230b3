"use client";
// Something has happened that the plan did not know: what, which, and then at most three ways on, each planned before it can be chosen.
import Link from "next/link";
import { useMemo, useState } from "react";
import { type Way, waysOn } from "@/core/sheets/something-changed";
import { WallClock } from "@/core/time/wall-clock";
import { Zone } from "@/core/time/zone";
import { miniRoute } from "@/core/view/mini-route";
import { CHANGED } from "@/words/something-changed";
import { MiniChart } from "../home/MiniChart";
import { useNow } from "../shell/StatusLine";
import type { Happened, SomethingChangedProps } from "./happened";
import { MishapForm } from "./MishapForm";
import { WaysOn } from "./WaysOn";

export function SomethingChanged(props: SomethingChangedProps) {
  const { slug, document, plan, offsets, now: serverNow } = props;
  const now = useNow(serverNow);
  const clock = useMemo(() => new WallClock(offsets), [offsets]);
  const [asked, setAsked] = useState<{ readonly happened: Happened; readonly ways: readonly Way[] }>();
  const happened = asked?.happened;
  // Planned from the minute at which it was asked.
  const ask = (what: Happened) =>
    setAsked({ happened: what, ways: waysOn({ document, plan, zone: new Zone(document.dish.timezone), now }, what.mishap) });
  return (
    <div data-large className="mx-auto max-w-[70rem] px-4 pt-5 pb-16 sm:px-7">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 border-b-2 border-rim pb-2">
        <h1 className="text-[29px] leading-tight">{happened ? happened.what : CHANGED.title}</h1>
        {happened && (
          <button type="button" className="link min-h-[44px]" onClick={() => setAsked(undefined)}>
            {CHANGED.something}
          </button>
        )}
      </header>
      {asked ? (
        <WaysOn {...props} now={now} clock={clock} happened={asked.happened} ways={asked.ways} />
      ) : (
        <div className="grid gap-x-12 gap-y-6 pt-4 md:grid-cols-2">
          <MishapForm document={document} plan={plan} clock={clock} now={now} onHappened={ask} />
          <MiniChart mini={miniRoute(plan, clock, now, 560)} wide />
        </div>
      )}
      <p className="mt-6 border-t border-rule pt-2 text-[14px] text-quiet">
        <Link className="link inline-flex min-h-[44px] items-center" href={`/d/${slug}/timetable`}>
          {CHANGED.timetable}
        </Link>{" "}
        {happened && CHANGED.nothingYet}
      </p>
    </div>
  );
}
