// What something that is kept goes into: dishes and ready components with an ingredient that it is.
import { understand } from "../foods/match";
import { wordsOf } from "../foods/phrase";

export interface Takes {
  readonly name: string;
  /** Page of it; undefined for a ready component of the library. */
  readonly href: string | undefined;
  readonly ingredients: readonly string[];
}

/** More than so many are no help to choose. */
const MOST = 4;

/** Whether one name says no more than the other: "buttermilk" and "live buttermilk", not "dark sugar" and "white sugar". */
function nearlySame(a: string, b: string): boolean {
  const [x, y] = [new Set(wordsOf(a.split(",")[0] ?? a)), new Set(wordsOf(b.split(",")[0] ?? b))];
  const within = (s: ReadonlySet<string>, t: ReadonlySet<string>) => [...s].every((w) => t.has(w));
  return within(x, y) || within(y, x);
}

/** @returns those that take it, the cook's own dishes before the library; nothing for what is no known food */
export function usesOf(name: string, all: readonly Takes[]): Takes[] {
  const food = understand(name)?.food.id;
  if (food === undefined) return [];
  const takes = all.filter((t) => t.ingredients.some((i) => understand(i)?.food.id === food && nearlySame(i, name)));
  return takes.toSorted((a, b) => Number(b.href !== undefined) - Number(a.href !== undefined)).slice(0, MOST);
}
