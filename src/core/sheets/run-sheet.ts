// The run sheet as Markdown: the day list (day-list.ts) for paper, a wiki or a message.
import { onOneLine } from "../plain-text";
import { lower } from "../sentence";
import { spokenDuration } from "../time/duration";
import type { WallClock } from "../time/wall-clock";
import type { PlanView } from "../view/plan-view";
import { withAmounts } from "../view/with-amounts";
import { type DayEntry, dayList, whenOver } from "./day-list";

export interface Severe {
  readonly title: string;
  readonly where: string;
  readonly computed: string;
  readonly caution: string;
}

/**
 * Markdown of a plan, day by day.
 * @param serves how many guests
 * @param severe cautions that stand at the top, to be ticked before anything is begun
 */
export function runSheet(name: string, serves: number, view: PlanView, clock: WallClock, severe: readonly Severe[] = []): string {
  const component = (id: string) => lower(view.components.find((c) => c.id === id)?.name ?? id);
  const lines = [`# ${plain(name)}`, "", `Served ${clock.date(view.serveAt)}, ${clock.time(view.serveAt)}, for ${serves}.`];
  if (severe.length)
    lines.push(
      "",
      "## before you start",
      "",
      ...severe.map((s) => `- [ ] **${plain(s.title)}** (${plain(s.where)}): ${plain(s.computed)} ${plain(s.caution)}`),
      "",
      "Local codes come first.",
    );
  for (const day of dayList(view, clock)) {
    lines.push("", `## ${day.name}`);
    for (const part of day.parts) {
      const minutes = part.entries.reduce((sum, e) => sum + e.minutes, 0);
      lines.push("", `### ${part.name}${minutes ? `, ${spokenDuration(minutes)} hands-on` : ""}`, "");
      for (const entry of part.entries)
        lines.push(`- **${clock.time(entry.at)}** ${entryText(entry, component(entry.step.component), view, clock)}`);
    }
    if (day.rounds.length) {
      lines.push("", "### rounds", "");
      for (const r of day.rounds)
        lines.push(`- ${plain(component(r.step.component))}: ${plain(r.what)} ${r.at.map((m) => clock.time(m)).join(", ")}`);
    }
    if (day.beforeBed.length) lines.push("", "### before bed", "", ...day.beforeBed.map((line) => `- ${plain(line)}`));
  }
  return `${lines.join("\n")}\n`;
}

function entryText(entry: DayEntry, component: string, view: PlanView, clock: WallClock): string {
  const { step } = entry;
  const details = [component];
  if (entry.minutes) details.push(spokenDuration(entry.minutes));
  if (entry.what === "start" && (entry.minutes === 0 || step.attention !== "hands"))
    details.push(`then ${step.attention === "nearby" ? "keep an eye on it" : "unattended"} until ${whenOver(step, clock, entry.at)}`);
  if (step.tempC) details.push(`${step.tempC} °C`);
  if (view.cooks.length > 1 && entry.cooks.length) details.push(entry.cooks.join(", "));
  const cue = step.cue ? ` *until ${plain(step.cue)}*` : "";
  const goesIn = entry.what === "end" ? "" : withAmounts({ goesIn: step.goesIn, takes: [] });
  return `${plain(entry.what === "end" ? `${step.name}: finish it` : step.name)} (${plain(details.join(", "))})${goesIn ? `: ${plain(goesIn)}` : ""}${cue}`;
}

/** A cook's own words must not turn into Markdown. */
const plain = (text: string) =>
  onOneLine(text)
    .replace(/([\\`*_[\]<>#|])/g, "\\$1")
    .replace(/\s+/g, " ");
