// Changes that take something out of a dish: by the first thing that can stand for it, else by doing without it.
import type { DishIngredient } from "../../dish/edit/places";
import { leaveOutIngredient, putInstead, type Substitute, substitutesFor } from "../../dish/edit/substitutes";
import type { Mend } from "../finding";
import type { Part } from "../part";

interface Culprit {
  readonly part: Part;
  readonly ingredient: DishIngredient;
}

/** How many of a mend's changes are told by name. */
const TOLD = 3;

/**
 * One mend for all of them together: what brings the same thing by two doors is only out when both are shut.
 * @param serves whether a substitute is free of what is to go; with a caution of its own none is
 * @returns no mend where there is nothing to take out
 */
export function withoutThem(culprits: readonly Culprit[], serves: (name: string, substitute: Substitute) => boolean): Mend[] {
  if (culprits.length === 0) return [];
  const swaps = culprits.map(({ part, ingredient }) => {
    const place = { component: part.component.id, method: part.method.id };
    const instead = substitutesFor(ingredient).find((s) => !s.caution && serves(s.name, s));
    return instead
      ? {
          said: `${instead.name} instead of ${ingredient.name.toLowerCase()}`,
          apply: (d: Parameters<Mend["apply"]>[0]) => putInstead(d, place, ingredient.id, instead),
        }
      : {
          said: `no ${ingredient.name.toLowerCase()}`,
          apply: (d: Parameters<Mend["apply"]>[0]) => leaveOutIngredient(d, place, ingredient.id),
        };
  });
  const said = swaps.slice(0, TOLD).map((s) => s.said);
  const label = `${said.join("; ")}${swaps.length > TOLD ? `; and ${swaps.length - TOLD} more` : ""}`;
  return [{ label: label.replace(/^./, (c) => c.toUpperCase()), apply: (document) => swaps.reduce((d, swap) => swap.apply(d), document) }];
}
