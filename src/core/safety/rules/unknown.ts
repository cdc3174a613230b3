// What nobody understood: no rule looks at it, and that is said.
import type { Finding } from "../finding";
import type { SafetyScene } from "../scene";

export function unknownFoods({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const unknown = part.items.filter((i) => i.food === undefined);
    if (unknown.length === 0) return [];
    return [
      {
        id: `unknown-food:${part.component.id}`,
        severity: "note",
        title: unknown.length === 1 ? "A food that the rules do not know" : "Foods that the rules do not know",
        component: part.component.id,
        computed: `${unknown.map((i) => i.ingredient.name).join(", ")} in ${part.component.name.toLowerCase()}: no rule has looked at ${unknown.length === 1 ? "it" : "them"}.`,
        caution: "A rule that knows nothing of a food finds nothing. That is no sign that it is harmless.",
        way: "say beside the ingredient which food it is",
        mends: [],
        source: "the table of foods, docs/safety.md",
      },
    ];
  });
}
