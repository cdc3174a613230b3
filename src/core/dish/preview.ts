// What a dish file holds, in a few words: shown before anything is kept.
import type { Problem } from "./problem";
import type { DishFile } from "./schema";

export interface DishPreview {
  readonly name: string;
  readonly serves: number;
  readonly serveAt: string;
  readonly components: readonly {
    readonly name: string;
    readonly kind: string;
    readonly ways: number;
    readonly steps: number;
    readonly ingredients: number;
  }[];
  /** Things in the kitchen that it brings; undefined where it brings none. */
  readonly kitchen: number | undefined;
  readonly warnings: readonly Problem[];
}

/** @param warnings what reading it found, short of an error */
export function dishPreview({ dish, components, kitchen }: DishFile, warnings: readonly Problem[]): DishPreview {
  return {
    name: dish.name,
    serves: dish.serves,
    serveAt: dish.serveAt,
    components: components.map((c) => ({
      name: c.name,
      kind: c.kind,
      ways: c.methods.length,
      steps: c.methods[0]?.steps.length ?? 0,
      ingredients: c.methods[0]?.ingredients?.length ?? 0,
    })),
    kitchen: kitchen ? (kitchen.equipment?.length ?? 0) : undefined,
    warnings,
  };
}
