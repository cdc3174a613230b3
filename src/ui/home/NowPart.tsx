// What a cook does now or next, over all dishes; what runs by itself; what waits.
import Link from "next/link";
import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { Call, HouseNow, Waiting } from "@/core/view/now-next";
import { HOME } from "@/words/home";

interface NowPartProps {
  readonly house: HouseNow;
  readonly clock: WallClock;
  readonly now: number;
  /** Dishes whose run is open: their calls lead to Cook. */
  readonly running: ReadonlySet<string>;
}

/** A call further ahead than this is not told as the next thing to do. */
const SOON_MINUTES = 6 * 60;

export function NowPart({ house, clock, now, running }: NowPartProps) {
  const [first, ...others] = house.cooks;
  const several = house.cooks.length > 1;
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.9fr)_minmax(0,1fr)]">
      <section aria-label={HOME.now}>
        {first ? (
          <Main call={first} calls={house.calls} clock={clock} now={now} several={several} cooking={running.has(first.slug)} />
        ) : (
          <h1 className="text-[30px]">{HOME.freeAlways}</h1>
        )}
        {others
          .filter((c) => c.from - now < SOON_MINUTES)
          .map((c) => (
            <p key={c.cook} className="pt-2 text-[15px]">
              <span className="caps mr-2">{c.from <= now ? HOME.nowFor(c.cook) : HOME.nextFor(c.cook)}</span>
              <b className="font-semibold">{c.name}</b>{" "}
              <span className="text-quiet">
                {c.from <= now ? HOME.doneAbout(clock.near(c.to, now)) : clock.near(c.from, now)}, {c.dish}
              </span>
            </p>
          ))}
        {house.running.length > 0 && (
          <>
            <h2 className="caps pt-4 pb-1 font-sans font-normal">{HOME.running}</h2>
            <ul className="text-[14.5px]">
              {house.running.slice(0, 6).map((r) => (
                <li key={`${r.slug} ${r.name}`}>
                  <Link href={`/d/${r.slug}/cook`} className="hover:underline">
                    {r.name}
                  </Link>{" "}
                  <span className={r.due ? "font-medium text-saffron-ink" : "text-quiet"}>
                    {r.due ? HOME.due : HOME.doneAbout(clock.near(r.until, now))}
                  </span>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      {(house.waiting.length > 0 || running.size > 0) && (
        <section aria-label={HOME.waiting}>
          <h2 className="caps pb-1 font-sans font-normal">{HOME.waiting}</h2>
          {house.waiting.length === 0 && <p className="border-t border-rule py-2 text-quiet">{HOME.nothingWaiting}</p>}
          <ul>
            {house.waiting.slice(0, 3).map((w) => (
              <li key={`${w.slug} ${w.name} ${w.place}`} className="border-t border-rule py-2">
                <WaitRow wait={w} clock={clock} now={now} />
              </li>
            ))}
          </ul>
          {house.waiting.length > 3 && (
            <p className="border-t border-rule pt-2 text-[13.5px] text-quiet">{HOME.restWaiting(house.waiting.length - 3)}</p>
          )}
        </section>
      )}
    </div>
  );
}

interface MainProps {
  readonly call: Call;
  readonly calls: readonly Call[];
  readonly clock: WallClock;
  readonly now: number;
  readonly several: boolean;
  readonly cooking: boolean;
}

function Main({ call, calls, clock, now, several, cooking }: MainProps) {
  const here = call.from <= now;
  const after = calls.find((c) => c.cook === call.cook && c.from >= call.to);
  const far = call.from - now >= SOON_MINUTES;
  return (
    <>
      <p className="text-[13.5px] text-quiet">
        <span className="caps mr-2">
          {here ? (several ? HOME.nowFor(call.cook) : HOME.now) : several ? HOME.nextFor(call.cook) : HOME.next}
        </span>
        {call.dish}
      </p>
      {far && <p className="text-[17px]">{HOME.free(clock.fromNow(call.from, now))}</p>}
      <h1 className={`leading-tight ${far ? "text-[24px]" : "text-[27px] sm:text-[34px]"}`}>
        {!far && !here && <span className="clock mr-3 text-[0.7em] font-medium">{clock.near(call.from, now)}</span>}
        {call.name}
      </h1>
      {call.cue && !far && <p className="text-[17px]">{HOME.until(call.cue)}</p>}
      <p className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3">
        <Link href={`/d/${call.slug}/${cooking ? "cook" : "timetable"}`} className="act" data-main>
          {cooking ? HOME.openCook : HOME.openTimetable}
        </Link>
        <span className="text-quiet">
          {!far && HOME.lasts(clock.near(call.to, now), spokenDuration(call.to - Math.max(now, call.from)))}{" "}
          {after && HOME.after(clock.near(after.from, call.to), lower(after.name))}
        </span>
      </p>
    </>
  );
}

function WaitRow({ wait: w, clock, now }: { readonly wait: Waiting; readonly clock: WallClock; readonly now: number }) {
  const over = w.limit !== undefined && w.limit < now;
  const soon = w.limit !== undefined && w.limit - now < 30;
  const share = w.limit === undefined ? 0 : Math.min(1, Math.max(0, (now - w.from) / Math.max(1, w.limit - w.from)));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_9.5rem] items-baseline gap-x-4 text-[14px]">
      <span>
        <b className="font-semibold">{w.name}</b> <span className="text-[13px] text-quiet">{w.place}</span>
      </span>
      <svg viewBox="0 0 150 12" className="w-full" aria-hidden="true">
        {w.limit !== undefined && (
          <>
            <path d="M0 6H147" stroke="var(--quiet)" strokeWidth="1.5" strokeDasharray="1.5 3" />
            <path d={`M0 6H${147 * share}`} stroke={over ? "var(--beet)" : soon ? "var(--saffron)" : "var(--leaf)"} strokeWidth="4" />
            <path d="M148 1V11" stroke="var(--ink)" strokeWidth="2" />
          </>
        )}
      </svg>
      <span className="text-[13px] text-quiet">{HOME.takenAt(clock.fromNow(w.taken, now))}</span>
      <span className={`text-right text-[13px] ${over ? "font-medium text-beet" : soon ? "font-medium text-saffron-ink" : ""}`}>
        {w.limit === undefined
          ? ""
          : over
            ? HOME.tooLong(clock.near(w.limit, now))
            : soon
              ? HOME.left(spokenDuration(w.limit - now))
              : HOME.good(clock.fromNow(w.limit, now))}
      </span>
    </div>
  );
}
