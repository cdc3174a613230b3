// The salt of a whole dish for one guest: every component counted once, brines and boiling water by what of them is eaten.
import { type SaltedItem, saltPerServing } from "../measures/serving";
import { servedShare } from "./eaten";
import { entersAt } from "./enters";
import { methodInForce } from "./method-in-force";
import { scaledIngredient } from "./scaled-ingredient";
import type { DishComponent, DishFile } from "./schema";
import { gramsNamed, kOf, weightOf } from "./weights";

/** Salt of things that bring it, % of their weight, the middle of what is sold. */
const SALT: readonly (readonly [RegExp, number])[] = [
  [/curing salt/i, 94],
  [/celery salt|garlic salt|seasoned salt/i, 70],
  [/\bsalt(?:ed)? (?:butter)/i, 1.7],
  [/salted (?:anchov|capers)|anchov/i, 12],
  [/\bsalt\b(?! ?(?:petre|cod))/i, 100],
  [/fish sauce|shrimp paste/i, 24],
  [/soy sauce|tamari/i, 15],
  [/\bmiso\b|bean paste/i, 12],
  [/stock cube|bouillon/i, 50],
  [/worcester/i, 2.5],
  [/capers/i, 7],
  [/olives/i, 3.5],
  [/bacon|pancetta|prosciutto|\bham\b|chorizo|salami/i, 3.5],
  [/parmesan|pecorino|feta|blue cheese|halloumi/i, 3],
  [/cheddar|gruy[eè]re|cheese(?!cloth)/i, 1.7],
  [/mustard(?! (?:seed|powder|and seed))/i, 5],
  [/sauerkraut|kimchi|gherkin|pickle/i, 1.8],
  [/ketchup/i, 2],
  [/\bbread\b|brown bread|breadcrumb/i, 1.1],
];

interface SaltRow {
  readonly component: string;
  readonly name: string;
  readonly ingredient: string;
  readonly saltG: number;
  /** Share of it that is eaten, 0 to 1, and why it is not all: what is poured off, and what is left over. */
  readonly eaten: number;
  readonly because: string;
}
interface DishSalt {
  readonly rows: readonly SaltRow[];
  readonly perGuestG: number;
  readonly pctOf5g: number;
  readonly sodiumMg: number;
}

const THROWN = /drain|rinse|discard|wash|pat dry|desalt|soak/i;

/** How much of a component's salt comes to the table. */
function eatenOf(component: DishComponent, method: DishComponent["methods"][number], saltId: string, k: number): readonly [number, string] {
  const water = gramsNamed(method.ingredients ?? [], k, /\bwater\b/i);
  const solids = gramsNamed(method.ingredients ?? [], k, /./, /\bwater\b|salt/i);
  const salt = (method.ingredients ?? []).find((i) => i.id === saltId);
  if (/for the (?:boiling )?water|pasta water/i.test(`${salt?.name} ${salt?.note ?? ""}`))
    return [0.03, "the food boils in it and the water is poured off"];
  if (["cure", "pickle"].includes(component.kind) && water > solids * 0.3)
    return [solids / (solids + water), "the rest stays in the brine"];
  if (component.kind === "cure" && method.steps.some((s) => /\brinse/i.test(s.name ?? ""))) return curedShare(method, k);
  const rinsed = method.steps.some((s) => /\bsalt\b/i.test(s.name ?? "")) && method.steps.some((s) => THROWN.test(s.name ?? ""));
  if (component.kind === "pickle" && rinsed) return [0.35, "salted first, then rinsed and drained"];
  return [1, ""];
}

/** Most salt that meat takes up from a dry cure before it is rinsed, % of the meat. */
const TAKEN_UP_PCT = 3;
/** Of a cure that is weighed for the meat a tenth goes with the liquid that is poured off. */
const POURED_OFF = 0.1;
function curedShare(method: DishComponent["methods"][number], k: number): readonly [number, string] {
  const ingredients = method.ingredients ?? [];
  const meat = gramsNamed(ingredients, k, /./, /salt|sugar|spice|pepper/i);
  const salt = gramsNamed(ingredients, k, /\bsalt\b/i);
  const taken = salt > 0 ? Math.min(1 - POURED_OFF, (meat * TAKEN_UP_PCT) / 100 / salt) : 1;
  return [taken, "the rest is rinsed or poured off"];
}

const whyNotAll = (because: string, served: number) =>
  [because, served < 0.995 ? `${Math.round(served * 100)} % of this is served` : ""].filter((s) => s !== "").join("; ");

/** @param chosen ids or names of methods in force, by component; undefined where nothing of the dish is salted */
export function saltOfDish(document: DishFile, chosen: Readonly<Record<string, string>> = {}): DishSalt | undefined {
  const shareOf = servedShare(document, chosen);
  const rows = document.components.flatMap((component): SaltRow[] => {
    const method = methodInForce(component, chosen);
    if (!method) return [];
    const k = kOf(document, component);
    return (method.ingredients ?? []).flatMap((i): SaltRow[] => {
      const pct = SALT.find(([name]) => name.test(i.name))?.[1];
      const q = pct === undefined || i.leftOut ? undefined : scaledIngredient(i, k);
      const weight = q && weightOf(q, i.name);
      if (pct === undefined || !weight || !(weight.grams > 0)) return [];
      const [eaten, because] = eatenOf(component, method, i.id, k);
      const served = shareOf(component, entersAt(i, method.steps));
      const row = { component: component.id, name: component.name, ingredient: i.name, saltG: (weight.grams * pct) / 100 };
      return [{ ...row, eaten: eaten * served, because: whyNotAll(because, served) }];
    });
  });
  if (rows.length === 0) return undefined;
  const items: SaltedItem[] = rows.slice(0, 60).map((r) => ({ g: Math.min(1e6, r.saltG), saltPct: 100, eaten: r.eaten }));
  const got = saltPerServing({ items, servings: Math.min(500, Math.max(1, document.dish.serves)) });
  return { rows, perGuestG: got.saltG, pctOf5g: got.pctOf5g, sodiumMg: got.sodiumMg };
}
