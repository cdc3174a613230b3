// What the planner says at once where it finds no plan: the step and the rule that leave no room, in words with clock times.
// The smallest conflict and the repairs come after it, and take longer (explain/index.ts); the form (rule, steps, text) is the same.
import { spokenDuration } from "../../time/duration";
import type { Model } from "../model";
import type { Infeasible } from "../plan";
import type { Found } from "../search";
import { momentText } from "./words";

const RULES: Readonly<Record<string, string>> = {
  H1: "its own length and the time of serving",
  H2: "now, and what has happened already",
  H3: "a link to another step",
  H4: "a hold, or what it takes from",
  H6: "the cooks' hours: nobody has free hands when it could be done",
  H7: "that somebody must be there or awake",
  H8: "its rounds: nobody is there for each of them",
  H9: "a pot, burner or machine that is taken or missing",
  H10: "oven, bath or grill at another setting, or full",
  H11: "space in fridge, freezer or cellar",
  H12: "a quiet time in which it may not be done",
  calendar: "hours, sleep, absence and quiet times together",
};

type None = Extract<Found, { status: "none" }>;

/** The network with its calendars has no solution: a proof, with the step at which it shows. */
export function explainRoot(model: Model, found: None): Infeasible {
  const activity = model.activities[found.activity];
  const step = activity?.step;
  const conflict: { rule: string; steps: string[]; text: string }[] = [
    {
      rule: found.rule === "calendar" ? "H6" : found.rule,
      steps: step?.ref ? [step.ref] : [],
      text: `"${step?.name ?? "a step"}" has no time between now (${momentText(model.dish, model.now)}) and serving (${momentText(model.dish, model.serveAt)}). The reason: ${RULES[found.rule] ?? found.rule}.`,
    },
  ];
  if (activity && activity.starts.length === 0) {
    conflict.push({
      rule: "H6",
      steps: step?.ref ? [step.ref] : [],
      text: `There is no time at which "${step?.name}" (${spokenDuration(activity.minutes)}) could start. Check hours, awake, away and quiet times.`,
    });
  } else if (activity) {
    const [first, last] = [activity.starts[0] as readonly [number, number], activity.starts.at(-1) as readonly [number, number]];
    conflict.push({
      rule: "H2",
      steps: step?.ref ? [step.ref] : [],
      text: `On its own it could start between ${momentText(model.dish, first[0])} and ${momentText(model.dish, last[1] - 1)}; what must come before or after it does not fit around that.`,
    });
    for (const lag of model.lags.filter((l) => l.because.steps.includes(step?.ref ?? "") && l.because.rule !== "H1").slice(0, 4))
      conflict.push({ ...lag.because, steps: [...lag.because.steps] });
  }
  return { status: "infeasible", proved: true, conflict };
}

/**
 * No plan was found. It names the step and rule that failed most, and claims that there is none only where that was proved.
 * @param proved by the learning solver, over all rules that it knows together
 */
export function explainSearch(model: Model, found: None, proved = false): Infeasible {
  const step = model.activities[found.activity]?.step;
  return {
    status: "infeasible",
    proved,
    conflict: [
      {
        rule: found.rule,
        steps: step?.ref ? [step.ref] : [],
        text: `${proved ? "There is no plan" : `No plan was found in ${found.conflicts} tries`}. What failed most often is "${step?.name ?? "a step"}", for ${found.rule ? `${RULES[found.rule] ?? found.rule} (${found.rule})` : "too little time"}.${proved ? "" : " There may be a plan that Rondeau cannot find."}`,
      },
    ],
  };
}

/** What the search found was rejected by the verifier: the rule that it found broken, and where. */
export function rejectedBy({
  rule,
  steps,
  why,
}: {
  readonly rule: string;
  readonly steps: readonly string[];
  readonly why: string;
}): Infeasible {
  const text = `No plan was found. The nearest one breaks ${RULES[rule] ? `rule ${rule}, ${RULES[rule]}` : `rule ${rule}`}: ${why} There may be a plan that Rondeau cannot find.`;
  return { status: "infeasible", proved: false, conflict: [{ rule, steps, text }] };
}
