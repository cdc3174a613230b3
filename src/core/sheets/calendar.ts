// The calendar of a plan (iCalendar, RFC 5545): what needs hands, round after round, for whatever shows calendars. Times are in UTC, so no
// zone has to be described; identifiers stay the same from plan to plan, so that a calendar read again moves its entries.
import ICAL from "ical.js";
import { onOneLine } from "../plain-text";
import type { Plan } from "../planner";
import type { PlanView, StepView } from "../view/plan-view";

interface Entry {
  readonly uid: string;
  readonly from: number;
  readonly to: number;
  readonly summary: string;
  readonly description: string;
}

/** A round takes a few minutes of attention even where the dish does not say how many. */
const SHORTEST_MINUTES = 1;

/** The iCalendar text of a plan. @param dishId part of every identifier */
export function planCalendar(dishId: string, name: string, view: PlanView, plan: Pick<Plan, "now">): string {
  const calendar = new ICAL.Component("vcalendar");
  calendar.updatePropertyWithValue("version", "2.0");
  calendar.updatePropertyWithValue("prodid", "-//Rondeau//Plan//EN");
  // No property that the standard knows, so that nothing escapes it but this.
  calendar.updatePropertyWithValue("x-wr-calname", onOneLine(name).replace(/[\\;,]/g, "\\$&"));
  for (const entry of entriesOf(dishId, view)) {
    const event = new ICAL.Component("vevent");
    event.updatePropertyWithValue("uid", entry.uid);
    event.updatePropertyWithValue("dtstamp", utc(plan.now));
    event.updatePropertyWithValue("dtstart", utc(entry.from));
    event.updatePropertyWithValue("dtend", utc(entry.to));
    event.updatePropertyWithValue("summary", onOneLine(entry.summary));
    if (entry.description) event.updatePropertyWithValue("description", entry.description.split("\n").map(onOneLine).join("\n"));
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}

const utc = (minute: number) => ICAL.Time.fromJSDate(new Date(minute * 60_000), true);

function entriesOf(dishId: string, view: PlanView): Entry[] {
  const cook = (id: string) => view.cooks.find((c) => c.id === id)?.name ?? id;
  const component = (step: StepView) => view.components.find((c) => c.id === step.component)?.name ?? step.component;
  const several = view.cooks.length > 1;
  const entries = view.steps.flatMap((step): Entry[] => {
    const where = component(step);
    const hands = step.hands.map((h, i): Entry => {
      const seeOut = step.attention !== "hands" && h.from > step.start;
      return {
        uid: `${dishId}-${step.ref}-hands-${i}@rondeau`,
        from: h.from,
        to: h.to,
        summary: `${seeOut ? `${step.name}: finish it` : step.name} (${where}${several ? `, ${cook(h.cook)}` : ""})`,
        description: [step.note, step.cue && `until ${step.cue}`, step.equipment.join(", ")].filter(Boolean).join("\n"),
      };
    });
    const rounds = step.rounds.map(
      (r, i): Entry => ({
        uid: `${dishId}-${step.ref}-round-${i}@rondeau`,
        from: r.at,
        to: r.at + Math.max(SHORTEST_MINUTES, r.takes),
        summary: `${where}: ${r.what}`,
        description: step.name,
      }),
    );
    return [...hands, ...rounds];
  });
  const table: Entry = {
    uid: `${dishId}-table@rondeau`,
    from: view.serveAt,
    to: view.serveAt + SHORTEST_MINUTES,
    summary: "Serve",
    description: "",
  };
  return [...entries, table].sort((a, b) => a.from - b.from || (a.uid < b.uid ? -1 : 1));
}
