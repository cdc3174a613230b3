// Repairs of waits: a longest wait of the conflict made longer, where only quality or habit asks for a short one.

import { componentOf, wholeRef } from "../../../dish/model";
import type { DishFile } from "../../../dish/schema";
import { durationText, minutesOf, spokenDuration } from "../../../time/duration";
import type { Fact } from "../facts";
import type { Proposal, Trial, Tried } from "./trial";

/** A half, once and three times longer, in quarters of an hour and from half an hour on. */
const FACTORS = [1.5, 2, 4];
const LEAST_MINUTES = 30;

interface MaxPlace {
  readonly path: string;
  readonly minutes: number;
  readonly limit: "quality" | "safety" | undefined;
}

export function longerWaits(trial: Trial, facts: readonly Fact[]): Tried[] {
  return facts.flatMap((fact) => {
    if (fact.safety || (fact.kind !== "link-max" && fact.kind !== "hold-max")) return [];
    const places =
      fact.kind === "link-max" ? linkPlaces(trial.document, fact) : holdPlaces(trial.document, fact.about ?? "", fact.steps[0] ?? "");
    if (places.length === 0 || places.some((p) => p.limit === "safety")) return [];
    const longest = Math.max(LEAST_MINUTES, ...places.map((p) => p.minutes));
    return trial.first(
      FACTORS.map((factor): Proposal => {
        const minutes = Math.ceil((longest * factor) / 15) * 15;
        return {
          kind: "longer-wait",
          text: `${fact.text.replace(/\.$/, "")}: allow ${spokenDuration(minutes)}, with some loss of quality.`,
          change: places.map((p) => ({ op: "replace" as const, path: p.path, value: durationText(minutes) })),
          trouble: 40 * factor,
        };
      }),
    );
  });
}

function linkPlaces(document: DishFile, fact: Fact): MaxPlace[] {
  const [other = "", own = ""] = fact.steps;
  return stepPlaces(document, (ref) => ref === own).flatMap(({ step, path }) =>
    (step.after ?? []).flatMap((link, i): MaxPlace[] => {
      if (typeof link === "string" || link.max === undefined || wholeRef(link.step, componentOf(own)) !== other) return [];
      return [{ path: `${path}/after/${i}/max`, minutes: minutesOf(link.max), limit: link.limit }];
    }),
  );
}

/**
 * Where the longest waits of an output stand in the document, under each method that makes it.
 * @param maker only where this step makes it
 */
export function holdPlaces(document: DishFile, output: string, maker?: string): MaxPlace[] {
  const component = componentOf(output);
  return stepPlaces(document, (ref) => (maker === undefined ? componentOf(ref) === component : ref === maker)).flatMap(({ step, path }) =>
    (step.makes ?? []).flatMap((o, i) =>
      (o.holds ?? []).flatMap((hold, h): MaxPlace[] => {
        if (hold.max === undefined || output !== wholeRef(o.id, component)) return [];
        return [{ path: `${path}/makes/${i}/holds/${h}/max`, minutes: minutesOf(hold.max), limit: hold.limit }];
      }),
    ),
  );
}

/** Where steps stand in the document, under each method that has them. */
function stepPlaces(document: DishFile, wanted: (ref: string) => boolean) {
  return document.components.flatMap((c, ci) =>
    c.methods.flatMap((m, mi) =>
      m.steps.flatMap((step, si) =>
        wanted(wholeRef(step.id, c.id)) ? [{ step, path: `/components/${ci}/methods/${mi}/steps/${si}` }] : [],
      ),
    ),
  );
}
