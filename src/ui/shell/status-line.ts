// The line above all: how long until the table, what is next for hands, what is holding too long. No React here.

import { lower } from "@/core/sentence";
import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import type { PlanView } from "@/core/view/plan-view";
import { PLAN } from "@/words/cook";
import { STATUS_FACTS } from "@/words/shell";

interface StatusPart {
  readonly strong: string;
  readonly rest: string;
  readonly under: string;
  readonly tone?: "warn";
  /** Says only that there is nothing to say; left out on a narrow screen. */
  readonly idle?: true;
}

export function statusParts(
  plan: PlanView | undefined,
  serveAt: number,
  serves: number,
  now: number,
  clock: WallClock,
  holds = true,
  open = true,
): StatusPart[] {
  const until = serveAt - now;
  const followed = plan?.steps.some((s) => s.state !== "planned") === true && !(open && leftOpen(plan, now));
  const parts: StatusPart[] = [
    {
      // Whether a dish was served of which nothing was done, or whose run is still open a day later, nobody can say.
      strong: until >= 0 ? spokenDuration(until) : followed ? "served" : "past",
      rest: until >= 0 ? STATUS_FACTS.toServing : "",
      under: STATUS_FACTS.forIt(clock.date(serveAt), clock.time(serveAt), serves),
    },
  ];
  if (!plan) return parts;
  if (open && leftOpen(plan, now)) return [...parts, { strong: PLAN.leftOpen, rest: "", under: "see Cook", tone: "warn" }];
  const hands = plan.steps
    .flatMap((s) => (s.state === "done" ? [] : s.hands.map((h) => ({ ...h, name: s.name }))))
    .sort((a, b) => a.from - b.from);
  const next = hands.find((h) => h.to > now);
  if (next) {
    const after = hands.find((h) => h.from >= next.to);
    const day = clock.dayNumber(next.from) === clock.dayNumber(now) ? "" : `${clock.shortDate(next.from)}, `;
    parts.push({
      strong: next.from <= now ? "now" : `${day}${clock.time(next.from)}`,
      rest: lower(next.name),
      under: STATUS_FACTS.nextForHands(
        spokenDuration(next.to - next.from),
        after && after.from > next.to + 5 ? `, then free until ${clock.near(after.from, next.from)}` : "",
      ),
    });
  }
  const late = plan.waits.find((w) => w.from <= now && now < w.to && w.window?.max !== undefined && now - w.from > w.window.max);
  const holding = plan.waits.filter((w) => w.from <= now && now < w.to && w.to - w.from > 30);
  const running = plan.steps.filter((s) => s.state === "running");
  const waiting = holding.length + running.length > 0;
  if (!holds && waiting) parts.push({ strong: PLAN.broken, rest: "", under: STATUS_FACTS.seeWhatCanBeDone, tone: "warn" });
  else if (late)
    parts.push({
      strong: STATUS_FACTS.heldTooLong,
      rest: lower(late.name),
      under: STATUS_FACTS.since(clock.dayTime(late.from)),
      tone: "warn",
    });
  else if (waiting) {
    const soonest = [...holding]
      .filter((w) => w.window?.max !== undefined)
      .sort((a, b) => a.from + (a.window?.max ?? 0) - b.from - (b.window?.max ?? 0))[0];
    parts.push({
      strong: holding.length ? STATUS_FACTS.everythingWaitingIsFine : STATUS_FACTS.runningByItself,
      rest: "",
      under: soonest
        ? STATUS_FACTS.goodUntil(lower(soonest.name), dayOrDate(soonest.from + (soonest.window?.max ?? 0), now, clock))
        : running
            .map((s) => lower(s.name))
            .slice(0, 2)
            .join(", "),
    });
  } else
    parts.push({
      strong: STATUS_FACTS.nothingWaiting,
      rest: "",
      under: now < plan.begins ? STATUS_FACTS.itStarts(clock.dayTime(plan.begins)) : "",
      idle: true,
    });
  return parts;
}

/** Day and time; from six days on the date, since the weekday alone could be this week's. */
function dayOrDate(minute: number, now: number, clock: WallClock): string {
  return minute - now < 6 * 1440 ? clock.dayTime(minute) : clock.shortDate(minute);
}

/** Long after the table the run is still open: whether everything is fine nobody can say. */
const LEFT_OPEN_MINUTES = 24 * 60;
export const leftOpen = (plan: PlanView, now: number): boolean =>
  now > Math.max(plan.serveAt, plan.ends) + LEFT_OPEN_MINUTES && plan.steps.some((s) => s.state !== "done");
