// Questions about what recipes often leave out: the salt, the water of a dough or a stock, the strength of a curing salt.
import { understand } from "../../foods/match";
import type { FoodClass } from "../../foods/table";
import { SAFE_SALT_PCT } from "../../measures/brine";
import { CURING_SALT_PCT } from "../../measures/curing-salt";
import { addIngredientLines } from "../edit/components";
import { withMethod } from "../edit/places";
import { scaledIngredient } from "../scaled-ingredient";
import type { DishComponent, DishFile } from "../schema";
import { kOf, weightOf } from "../weights";
import type { Answer, Question } from "./question";

type Place = { readonly component: string; readonly method: string };
interface Known {
  readonly id: string;
  readonly name: string;
  readonly class: FoodClass | undefined;
  readonly nitrite: number | undefined;
  /** At the amounts of the file. */
  readonly grams: number;
}

const SALTS: ReadonlySet<string> = new Set(["salt", "curing-salt"]);
const WET: ReadonlySet<string> = new Set([
  "water",
  "milk",
  "milk-raw",
  "beer",
  "juice",
  "wine",
  "cultured",
  "egg",
  "cream",
  "whey",
  "stock",
  "soft-drink",
]);
/** What salts by itself: no salt is missed beside it. */
const SALTY_PCT = 2;

/** Salt by kind, % of all that is not salt, or of the flour: the usual ones. Culinary practice; a ferment stays above SAFE_SALT_PCT. */
const SALT: Readonly<Record<string, readonly number[]>> = {
  ferment: [2, 2.5, 3],
  sausage: [1.6, 1.8, 2],
  cure: [2, 2.5, 3],
  dough: [1.8, 2, 2.2],
};
/** Water of a dough, % of its flour. */
const HYDRATION = [60, 65, 70] as const;
/** Water over the bones of a stock, L for each kilo. */
const OVER_BONES = [1.2, 1.5, 2] as const;

function knownOf(c: DishComponent): readonly Known[] {
  return (c.methods[0]?.ingredients ?? [])
    .filter((i) => !i.leftOut)
    .map((i) => {
      const food = understand(i.name, i.food);
      const quantity = scaledIngredient(i, 1);
      return {
        id: i.id,
        name: i.name,
        class: food?.class,
        nitrite: food?.food.nitrite,
        grams: (quantity && weightOf(quantity, i.name)?.grams) ?? 0,
      };
    });
}

const g = (value: number) => `${Number(value < 100 ? value.toFixed(1) : value.toFixed(0))} g`;
const added =
  (place: Place, line: string) =>
  (d: DishFile): DishFile =>
    addIngredientLines(d, place, [line]);

export function saltAndWaterQuestions(document: DishFile): Question[] {
  return document.components.flatMap((c): Question[] => {
    const method = c.methods[0];
    if (!method || c.onHand?.length) return [];
    const place = { component: c.id, method: method.id };
    const all = knownOf(c);
    const sum = (which: (k: Known) => boolean) => all.filter(which).reduce((total, k) => total + k.grams, 0);
    const has = (classes: ReadonlySet<string>) => all.some((k) => k.class !== undefined && classes.has(k.class));
    // What another component brings is not looked into.
    const takes = method.steps.some((s) => s.takes?.some((t) => t.from.includes(".") && !t.from.startsWith(`${c.id}.`)));
    const about = { component: c.id, about: undefined };
    const found: Question[] = [];
    // Said for the guests that come; the file counts for those it was written for.
    const scale = kOf(document, c);

    const flour = sum((k) => k.class === "flour" || k.class === "flour-free");
    const percents = SALT[c.kind];
    const base = c.kind === "dough" ? flour : sum((k) => k.class === undefined || !SALTS.has(k.class));
    const salty = all.some((k) => (understand(k.name)?.food.salt ?? 0) >= SALTY_PCT);
    const isSweet = sum((k) => k.class === "sugar") > 0.08 * flour && c.kind === "dough";
    if (percents && base > 0 && !takes && !has(SALTS) && !salty && !isSweet)
      found.push({
        id: `salt:${c.id}`,
        ...about,
        text: `How much salt for ${c.name.toLowerCase()}?`,
        why:
          c.kind === "ferment"
            ? `Below ${SAFE_SALT_PCT} % harmful germs can grow before it turns sour.`
            : "It decides the taste and how long it keeps.",
        weight: c.kind === "ferment" || c.kind === "cure" ? 92 : 58,
        answers: percents.map(
          (p): Answer => ({ label: `${g(((base * p) / 100) * scale)}, ${p} %`, apply: added(place, `${g((base * p) / 100)} fine salt`) }),
        ),
      });

    const bones = sum(
      (k) => k.class === "bones" || (c.kind === "stock" && (k.class === "meat" || k.class === "poultry" || k.class === "offal")),
    );
    if (c.kind === "dough" && flour > 0 && !takes && !has(WET) && sum((k) => k.class === "butter" || k.class === "fat") < 0.4 * flour)
      found.push({
        id: `water:${c.id}`,
        ...about,
        text: `How much water for ${c.name.toLowerCase()}?`,
        why: "Without it the dough cannot be weighed or scaled.",
        weight: 66,
        answers: HYDRATION.map(
          (p): Answer => ({ label: `${g(((flour * p) / 100) * scale)}, ${p} %`, apply: added(place, `${g((flour * p) / 100)} water`) }),
        ),
      });
    if (c.kind === "stock" && bones > 0 && !takes && !has(new Set(["water", "stock", "wine", "beer"])))
      found.push({
        id: `water:${c.id}`,
        ...about,
        text: `How much water for ${c.name.toLowerCase()}?`,
        why: "The size of the pot and the time to cool it depend on it.",
        weight: 66,
        answers: OVER_BONES.map((l): Answer => {
          const litres = (more: number) => `${Number(((bones / 1000) * l * more).toFixed(1))} L`;
          return { label: litres(scale), apply: added(place, `${litres(1)} water`) };
        }),
      });

    for (const salt of all) {
      if (salt.class !== "curing-salt" || (salt.nitrite ?? 0) > 0 || /\d\s*%|saltpet/i.test(salt.name)) continue;
      found.push({
        id: `strength:${c.id}.${salt.id}`,
        ...about,
        text: `How strong is the ${salt.name.toLowerCase()}?`,
        why: `It is sold with ${CURING_SALT_PCT.strong} % of nitrite and with ${CURING_SALT_PCT.weak} %. A dose of the strong one is twelve times what the weak one would give.`,
        weight: 99,
        answers: Object.values(CURING_SALT_PCT).map(
          (pct): Answer => ({
            label: `${pct} % of nitrite`,
            apply: (d) =>
              withMethod(d, place, (m) => ({
                ...m,
                ingredients: (m.ingredients ?? []).map((i) => (i.id === salt.id ? { ...i, name: `${i.name}, ${pct} % nitrite` } : i)),
              })),
          }),
        ),
      });
    }
    return found;
  });
}
