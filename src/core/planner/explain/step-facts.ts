// Facts of the steps: their links, what they take and hold, their length, hands, rounds and uses.
import { HEATED, type Hold, type Link, STORES, type Step, type Take, type Use } from "../../dish/model";
import { type PlanAt, plannedLength } from "../../dish/planned-length";
import { lower } from "../../sentence";
import { spokenDuration } from "../../time/duration";
import { changed, type Draft, each, type Fact, FOREVER } from "./fact";
import { useText } from "./words";

/** Links, takes and `within` of a step. */
export function waitsOf(step: Step, nameOf: (ref: string) => string, inForce: readonly Step[]): Fact[] {
  const facts: Fact[] = [];
  const add = (fact: Omit<Fact, "about" | "safety"> & { about?: string; safety?: boolean }) =>
    facts.push({ about: "", safety: false, ...fact });
  for (const link of step.links) {
    const other = nameOf(link.step);
    const same = (l: Link) => l.step === link.step && l.from === link.from;
    if (!inForce.some((s) => s.ref === link.step)) continue;
    add({
      kind: "link-min",
      rule: "H3",
      steps: [link.step, step.ref],
      text:
        link.min > 0
          ? `"${step.name}" starts at least ${spokenDuration(link.min)} after "${other}" ${link.from === "end" ? "ends" : "starts"}.`
          : `"${step.name}" comes after "${other}".`,
      letGo: (d) => each(d, step.ref, (s) => (s.links = changed(s.links, same, { min: -FOREVER }))),
    });
    if (link.max !== undefined) {
      add({
        kind: "link-max",
        rule: "H3",
        steps: [link.step, step.ref],
        about: link.step,
        safety: link.limit === "safety",
        text: `"${step.name}" starts ${link.max === 0 ? "as soon as" : `at most ${spokenDuration(link.max)} after`} "${other}" ${link.from === "end" ? "ends" : "starts"}${because(link)}.`,
        letGo: (d) => each(d, step.ref, (s) => (s.links = changed(s.links, same, { max: undefined }))),
      });
    }
  }
  for (const take of step.takes) {
    const maker = inForce.find((s) => s.makes.some((o) => o.ref === take.from));
    const output = maker?.makes.find((o) => o.ref === take.from);
    if (!maker || !output) continue;
    const same = (t: Take) => t.from === take.from;
    add({
      kind: "take",
      rule: "H4",
      steps: [maker.ref, step.ref],
      about: output.ref,
      text: `"${step.name}" takes ${lower(output.name)} from "${maker.name}".`,
      letGo: (d) => each(d, step.ref, (s) => (s.takes = s.takes.filter((t) => !same(t)))),
    });
  }
  if (step.within !== undefined) {
    add({
      kind: "within",
      rule: "H4",
      steps: [step.within, step.ref],
      text: `"${step.name}" happens while "${nameOf(step.within)}" runs.`,
      letGo: (d) => each(d, step.ref, (s) => (s.within = undefined)),
    });
  }
  return facts;
}

/** How long what a step makes may or must wait: one fact for all who take it. */
export function holdsOf(step: Step, inForce: readonly Step[]): Fact[] {
  return step.makes.flatMap((output) => {
    const takers = inForce.filter((s) => s.takes.some((t) => t.from === output.ref));
    if (takers.length === 0 || output.holds.length === 0) return [];
    const steps = [step.ref, ...takers.map((t) => t.ref)];
    const before = takers.length === 1 ? ` before "${takers[0]?.name}"` : "";
    const change = (to: Partial<Hold>) => (d: Draft) =>
      each(
        d,
        step.ref,
        (s) => (s.makes = s.makes.map((o) => (o.ref === output.ref ? { ...o, holds: o.holds.map((h) => ({ ...h, ...to })) } : o))),
      );
    const longest = output.holds.every((h) => h.max !== undefined)
      ? [...output.holds].sort((a, b) => (b.max as number) - (a.max as number))[0]
      : undefined;
    const least = Math.min(...output.holds.map((h) => h.min));
    const base = { rule: "H4", steps, about: output.ref };
    return [
      ...(longest
        ? [
            {
              ...base,
              kind: "hold-max" as const,
              safety: longest.limit === "safety",
              text: `${output.name} can wait at most ${spokenDuration(longest.max as number)}${before}${because(longest)}.`,
              letGo: change({ max: undefined }),
            },
          ]
        : []),
      ...(least > 0
        ? [
            {
              ...base,
              kind: "hold-min" as const,
              safety: false,
              text: `${output.name} must wait at least ${spokenDuration(least)}${before}.`,
              letGo: change({ min: 0 }),
            },
          ]
        : []),
    ];
  });
}

const because = (hold: Pick<Hold, "limit">) => (hold.limit === "safety" ? ", for safety" : "");

/** Length, hands, presence, rounds and uses of a step. */
export function workOf(step: Step, planAt: PlanAt): Fact[] {
  const facts: Fact[] = [];
  const length = plannedLength(step.time, planAt, step.k, step.grows) * step.batches;
  if (length > 0) {
    // Free, and not over at once: what runs inside it, or begins so long after it began, still finds its place.
    const none = { min: 0, likely: 0, max: 0 };
    facts.push({
      kind: "length",
      rule: "H1",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text: `"${step.name}" takes ${spokenDuration(length)}.`,
      letGo: (d) =>
        each(d, step.ref, (s) => Object.assign(s, { time: none, minPiece: undefined, handsStart: 0, handsEnd: 0, stretch: FOREVER })),
    });
  }
  const hands = step.attention === "hands" || step.handsStart > 0 || step.handsEnd > 0;
  if (hands) {
    facts.push({
      kind: "hands",
      rule: "H6",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text:
        step.attention === "hands"
          ? `"${step.name}" needs hands all the time.`
          : `"${step.name}" needs hands at its ${step.handsStart ? "start" : ""}${step.handsStart && step.handsEnd ? " and " : ""}${step.handsEnd ? "end" : ""}.`,
      letGo: (d) =>
        each(d, step.ref, (s) =>
          Object.assign(s, {
            attention: s.attention === "hands" ? "unattended" : s.attention,
            handsStart: 0,
            handsEnd: 0,
            sleepOk: s.attention === "hands" ? true : s.sleepOk,
            awayOk: s.attention === "hands" ? true : s.awayOk,
            minPiece: undefined,
          }),
        ),
    });
  }
  if (step.attention === "nearby" || (step.attention === "unattended" && (!step.sleepOk || !step.awayOk))) {
    facts.push({
      kind: "nearby",
      rule: "H7",
      steps: [step.ref],
      about: step.ref,
      safety: true,
      text:
        step.attention === "nearby"
          ? `"${step.name}" needs somebody awake and at home.`
          : `"${step.name}" cannot run while ${step.sleepOk ? "nobody is at home" : step.awayOk ? "everyone sleeps" : "everyone sleeps or nobody is at home"}.`,
      letGo: (d) => each(d, step.ref, (s) => Object.assign(s, { attention: "unattended", sleepOk: true, awayOk: true })),
    });
  }
  if (step.tends.length) {
    facts.push({
      kind: "rounds",
      rule: "H8",
      steps: [step.ref],
      about: step.ref,
      safety: false,
      text: `"${step.name}" needs its rounds (${step.tends.map((t) => t.what).join(", ")}) when somebody is there.`,
      letGo: (d) => each(d, step.ref, (s) => (s.tends = [])),
    });
  }
  step.uses.forEach((use, index) => {
    // Left out by its own object: uses before it may be gone already.
    facts.push({
      kind: "use",
      rule: ruleOf(use),
      steps: [step.ref],
      about: `${index}`,
      safety: false,
      text: `"${step.name}" uses ${useText(use)}.`,
      letGo: (d) => each(d, step.ref, (s) => (s.uses = s.uses.filter((u) => u !== use))),
    });
  });
  return facts;
}

const ruleOf = (use: Use) =>
  (STORES as readonly string[]).includes(use.what) ? "H11" : (HEATED as readonly string[]).includes(use.what) ? "H10" : "H9";
