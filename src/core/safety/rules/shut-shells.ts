// Mussels and clams that stay shut in the heat and are served all the same, as the words of a step have it.
import { cautioned, type Finding } from "../finding";
import { isOf } from "../part";
import type { SafetyScene } from "../scene";

/** "Keep the ones that stay closed", "add the unopened clams". */
const USES_SHUT =
  /\b(?:keep|add|serve|eat|use|force|prise|pry|save|include)\b[^.;]*(?<!\b(?:lid|pot|pan|casserole|door|oven|bag|steamer|keep) )\b(?:closed|shut|unopened|not (?:to )?open(?:ed)?)\b|\b(?:closed|shut|unopened) (?:ones|shells|mussels|clams|cockles)\b[^.;]*\b(?:too|as well|anyway|all the same|included)\b/i;
const THROWS_AWAY = /\b(?:discard|throw|bin|reject|remove)\b/i;

export function shutShells({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    if (!part.items.some((i) => isOf("bivalve")(i) && i.food?.cooked !== true)) return [];
    return part.steps
      .filter((s) => USES_SHUT.test(s.words) && !THROWS_AWAY.test(s.words))
      .map((step) =>
        cautioned("shellfish", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: "stop",
          title: "Throw away shells that stay shut",
          computed: `“${step.name}”: a mussel or clam that does not open may have been dead before it was cooked.`,
        }),
      );
  });
}
