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
        title: unknown.length === 1 ? "A food the rules do not know" : "Foods the rules do not know",
        component: part.component.id,
        computed: `${unknown.map((i) => i.ingredient.name).join(", ")} in ${part.component.name.toLowerCase()}: no rule has checked ${unknown.length === 1 ? "it" : "them"}.`,
        caution: "A rule that does not know a food finds nothing. That does not mean it is harmless.",
        way: "choose the food beside the ingredient",
        mends: [],
        source: "the table of foods, docs/safety.md",
      },
    ];
  });
}
