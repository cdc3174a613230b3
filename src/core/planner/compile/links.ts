// Time lags between activities: links, what is taken and how long it may wait, things kept until later, heat that is gone on in, serving.
import { type Hold, STORES, type Step, type Use } from "../../dish/model";
import { spokenDuration } from "../../time/duration";
import { intersect } from "../../time/interval";
import { type Activity, type Because, endOf, type Need, startOf, type Taking } from "../model";
import type { Workspace } from "./workspace";

export function addLinks(w: Workspace, step: Step): void {
  const first = w.first.get(step.ref) as number;
  const lastBatch = w.lastOf.get(step.ref) as number;
  // A link says when a step may start; one that has started is past asking.
  const started = w.log.events.has(step.ref);
  for (const link of started ? [] : step.links) {
    const other = link.from === "end" ? w.lastOf.get(link.step) : w.first.get(link.step);
    if (other === undefined || w.skipped(link.step)) continue;
    const origin = link.from === "end" ? endOf(other) : startOf(other);
    const name = w.nameOf(link.step);
    w.lag(origin, startOf(first), link.min, {
      rule: "H3",
      steps: [link.step, step.ref],
      text: link.min
        ? `"${step.name}" comes at least ${spokenDuration(link.min)} after "${name}".`
        : `"${step.name}" comes after "${name}".`,
    });
    if (link.max !== undefined) {
      const more = w.log.events.has(link.step) && link.limit !== "safety" ? w.lenience.waits : 0;
      w.lag(startOf(first), origin, -link.max - more, {
        rule: "H3",
        steps: [link.step, step.ref],
        text: `"${step.name}" comes ${link.max ? `at most ${spokenDuration(link.max)}` : "at once"} after "${name}"${link.limit === "safety" ? ", for safety" : ""}.`,
      });
    }
    if (link.best || (link.litres > 0 && (STORES as readonly string[]).includes(link.place))) {
      w.waitings.push({ from: origin, to: startOf(first), place: link.place, litres: link.litres, best: link.best });
    }
  }
  if (step.within !== undefined && !started) {
    const outerFirst = w.first.get(step.within);
    const outerLast = w.lastOf.get(step.within);
    if (outerFirst !== undefined && outerLast !== undefined) {
      const inside: Because = {
        rule: "H4",
        steps: [step.within, step.ref],
        text: `"${step.name}" happens while "${w.nameOf(step.within)}" runs.`,
      };
      const more = w.log.events.has(step.within) ? w.lenience.waits : 0;
      w.lag(startOf(outerFirst), startOf(first), 0, inside);
      w.lag(endOf(lastBatch), endOf(outerLast), -more, inside);
    }
  }
  step.uses.forEach((use, u) => {
    const until = use.until === undefined ? undefined : w.lastOf.get(use.until);
    for (let i = first; i <= lastBatch; i++) {
      const activity = w.activities[i] as Activity;
      const need = activity.needs[u] as Need;
      if (use.until !== undefined) (activity.needs as Need[])[u] = { ...need, span: until === undefined ? "run" : { until } };
    }
    if (until !== undefined && until !== lastBatch && !(started && w.log.events.has(use.until as string))) {
      w.lag(endOf(lastBatch), endOf(until), 0, {
        rule: "H9",
        steps: [step.ref, use.until as string],
        text: `The ${use.what} of "${step.name}" is kept for "${w.nameOf(use.until as string)}".`,
      });
    }
    if (use.ramp && !started) glueRamp(w, step, use, first);
  });
}

/** The food stays in while the setting changes: the step begins as the one before it ends. */
function glueRamp(w: Workspace, step: Step, use: Use, first: number): void {
  const before = step.links.map((l) => w.inForce.find((s) => s.ref === l.step)).find((s) => s?.uses.some((u) => u.what === use.what));
  const other = before && w.lastOf.get(before.ref);
  if (before && other !== undefined && w.log.events.get(before.ref)?.ended === undefined) {
    w.lag(startOf(first), endOf(other), 0, {
      rule: "H10",
      steps: [before.ref, step.ref],
      text: `"${step.name}" goes on in the same heat as "${before.name}" ends.`,
    });
  }
}

export function addTakes(w: Workspace, step: Step): Because | undefined {
  const first = w.first.get(step.ref) as number;
  const lastBatch = w.lastOf.get(step.ref) as number;
  for (const take of step.takes) {
    if (w.inForce.some((s) => w.skipped(s.ref) && s.makes.some((o) => o.ref === take.from))) continue;
    for (let taker = first; taker <= (take.each ? lastBatch : first); taker++) {
      const batch = taker - first;
      const source = sourceOf(w, take.from, take.each && !w.log.events.has(step.ref) ? batch : undefined);
      if (!source)
        return {
          rule: "H4",
          steps: [step.ref],
          text: `None of these methods makes "${take.from}", which "${step.name}" takes.`,
        };
      const taking: Taking = { output: take.from, taker, takerStep: step.ref, during: take.during, ...source };
      w.takings.push(taking);
      if (!w.log.events.has(step.ref)) lagsOfTaking(w, taking, step.name);
    }
  }
  return undefined;
}

function sourceOf(
  w: Workspace,
  output: string,
  batch: number | undefined,
): Pick<Taking, "maker" | "batchEnd" | "readyAt" | "holds"> | undefined {
  const component = w.dish.components.find((c) => output.startsWith(`${c.id}.`));
  if (!component) return undefined;
  const onHand = component.onHand.find((o) => o.ref === output);
  if (component.onHand.length) return onHand && { maker: undefined, batchEnd: undefined, readyAt: onHand.madeAt, holds: onHand.holds };
  if (w.chosen.get(component.id) === "fallback") {
    const like = component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes)).find((o) => o.ref === output);
    return like && { maker: w.fallbacks.get(component.id), batchEnd: undefined, readyAt: undefined, holds: like.holds };
  }
  const maker = w.inForce.find((s) => s.makes.some((o) => o.ref === output));
  if (!maker) return undefined;
  const holds = maker.makes.find((o) => o.ref === output)?.holds ?? [];
  const first = w.first.get(maker.ref) as number;
  if (batch === undefined || w.log.events.has(maker.ref))
    return { maker: w.lastOf.get(maker.ref), batchEnd: undefined, readyAt: undefined, holds };
  if (maker.each) return { maker: first + batch, batchEnd: undefined, readyAt: undefined, holds };
  const one = w.oneOf(maker);
  return { maker: first, batchEnd: batch === maker.batches - 1 ? undefined : (batch + 1) * one, readyAt: undefined, holds };
}

/** The hull of what the holds allow; which hold it is, the search decides when both ends are known. */
function lagsOfTaking(w: Workspace, t: Taking, takerName: string): void {
  const least = t.holds.length ? Math.min(...t.holds.map((h) => h.min)) : 0;
  const longest =
    t.holds.length && t.holds.every((h) => h.max !== undefined)
      ? Math.max(...t.holds.map((h) => (h.max as number) + moreWait(w, t, h)))
      : undefined;
  const most = longest;
  const s = startOf(t.taker);
  if (t.maker === undefined) {
    const activity = w.activities[t.taker] as Activity;
    const ready = t.readyAt as number;
    (w.activities as Activity[])[t.taker] = {
      ...activity,
      starts: intersect(activity.starts, [[ready + least, most === undefined ? w.last + 1 : ready + most + 1]]),
    };
    return;
  }
  const maker = w.activities[t.maker] as Activity;
  const steps = [maker.step.ref, t.takerStep].filter((r) => r !== "");
  const ready = t.batchEnd === undefined ? endOf(t.maker) : startOf(t.maker);
  const offset = t.batchEnd ?? 0;
  const name = maker.step.name;
  if (t.during !== undefined) {
    w.lag(startOf(t.maker), s, t.during, {
      rule: "H4",
      steps,
      text: `"${takerName}" takes from "${name}" at the earliest ${spokenDuration(t.during)} into it.`,
    });
    if (most !== undefined)
      w.lag(s, ready, -Math.max(0, most), {
        rule: "H4",
        steps,
        text: `"${takerName}" takes from "${name}" at most ${spokenDuration(most)} after it.`,
      });
    return;
  }
  w.lag(ready, s, offset + least, {
    rule: "H4",
    steps,
    text: least
      ? `What "${name}" makes waits at least ${spokenDuration(least)} before "${takerName}".`
      : `"${takerName}" takes what "${name}" makes.`,
  });
  if (most !== undefined) {
    const safety = t.holds.some((h) => h.max === most && h.limit === "safety");
    w.lag(s, ready, -offset - most, {
      rule: "H4",
      steps,
      text: `What "${name}" makes waits at most ${spokenDuration(most)} before "${takerName}"${safety ? ", for safety" : ""}.`,
    });
  }
}

/** Minutes that what is made already may wait beyond a hold, where that is no matter of safety. */
function moreWait(w: Workspace, t: Taking, hold: Hold): number {
  const made = t.maker === undefined ? w.lenience.waits > 0 : (w.activities[t.maker] as Activity).fact !== undefined;
  return made && hold.limit !== "safety" ? w.lenience.waits : 0;
}

export function addServing(w: Workspace): void {
  const at = (ref: string, minute: number) => {
    const index = w.lastOf.get(ref);
    const activity = index === undefined ? undefined : w.activities[index];
    if (index === undefined || !activity || activity.fact) return;
    const ends = intersect(activity.ends, [[minute, minute + 1]]);
    const rigid = activity.stretch === 0 && activity.minPiece === undefined;
    const starts = rigid ? intersect(activity.starts, [[minute - activity.minutes, minute - activity.minutes + 1]]) : activity.starts;
    (w.activities as Activity[])[index] = { ...activity, ends, starts };
  };
  at(w.dish.serve, w.serveAt);
  for (const course of w.dish.courses) at(course.serve, w.serveAt + course.after);
}
