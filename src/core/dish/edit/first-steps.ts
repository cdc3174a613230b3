// What helps a new dish along: what its plan still needs, what usually goes with what is there, and lines to start from.
import type { ComponentKind } from "../kinds";
import type { DishFile } from "../schema";

/** What usually belongs to a dish or a component of that name. The words of a cook, not a rule: each is only offered. */
const GOES_WITH: readonly (readonly [words: RegExp, names: readonly string[]])[] = [
  [/\b(?:pies?|pasties|pasty|turnovers?)\b/i, ["Crust", "Filling", "Jelly stock"]],
  [/\b(?:tarts?|quiches?|flans?)\b/i, ["Short pastry", "Custard", "Glaze"]],
  [/\b(?:dumplings?|ravioli|tortellini|pelmeni|pierogi|gyoza|momos?)\b/i, ["Wrapper dough", "Filling", "Dipping sauce"]],
  [/\b(?:lasagne|cannelloni|pasta)\b/i, ["Pasta dough", "Slow-cooked sauce", "White sauce"]],
  [/\b(?:soup|broth|bisque|chowder)\b/i, ["Stock", "Garnish", "Bread"]],
  [/\b(?:stew|brais\w*|casserole|ragu|ragù|daube|pot[- ]roast|goulash)\b/i, ["Stock", "Dumplings", "Pickle"]],
  [/\b(?:curry|dal|korma|masala)\b/i, ["Spice paste", "Rice", "Flatbread", "Chutney"]],
  [/\b(?:roast|ham|goose|duck|turkey|leg of|shoulder|loin|brisket)\b/i, ["Brine", "Stock", "Gravy", "Braised cabbage"]],
  [/\b(?:cake|gateau|torte|trifle)\b/i, ["Sponge", "Cream filling", "Fruit compote", "Glaze"]],
  [/\b(?:ice cream|parfait|sundae|bombe)\b/i, ["Custard", "Fruit sauce", "Wafers"]],
  [/\b(?:terrine|pâté|pate|rillettes|galantine|charcuterie)\b/i, ["Chutney", "Pickle", "Bread"]],
  [/\b(?:bread|loaf|loaves|focaccia|brioche|buns?)\b/i, ["Starter", "Cultured butter"]],
  [/\b(?:croissants?|pastries|danish)\b/i, ["Laminated dough", "Pastry cream", "Glaze"]],
  [/\b(?:pancakes?|crêpes|crepes|blini|galettes?)\b/i, ["Batter", "Filling", "Sauce"]],
  [/\b(?:sausages?|boudin)\b/i, ["Sausage filling", "Mustard", "Fermented cabbage"]],
  [/\b(?:fish|salmon|trout|cod|halibut|bass)\b/i, ["Cure", "Butter sauce", "Pickled cucumber"]],
  [/\b(?:supper|dinner|lunch|feast|menu|party|brunch)\b/i, ["Bread", "Main dish", "Pickle", "Dessert"]],
  [/\b(?:salad|slaw|bowl)\b/i, ["Dressing", "Pickle", "Crisp topping"]],
];

const words = (text: string) => new Set(text.toLowerCase().match(/[\p{L}]+/gu) ?? []);

/**
 * Names of components that usually go with what is there and are not there yet, nearest to the newest component first.
 * @param most so many at most
 */
export function likelyNext(document: DishFile, most = 4): string[] {
  const own = document.components.filter((c) => c.kind !== "assembly" || c.methods.some((m) => (m.ingredients ?? []).length > 0));
  const there = own.map((c) => words(c.name));
  const has = (name: string) =>
    [...words(name)].some((w) => w.length > 3 && there.some((t) => t.has(w) || t.has(`${w}s`) || t.has(w.replace(/s$/, ""))));
  const named = [...own.map((c) => c.name).reverse(), document.dish.name];
  const offered = named.flatMap((name) => GOES_WITH.filter(([pattern]) => pattern.test(name)).flatMap(([, names]) => names));
  return [...new Set(offered)].filter((name) => !has(name)).slice(0, most);
}

/** Lines that make a component of each kind, for who does not know yet how they are written. */
const SAMPLES: Readonly<Record<ComponentKind, readonly string[]>> = {
  dough: [
    "mix and knead 15m",
    "rest 1-2h, until it has doubled",
    "shape 15m",
    "bake 35-40m, oven 220C, until it sounds hollow, keeps up to 2d counter",
  ],
  stock: [
    "simmer 3-4h, nearby, 10 L pot, skim every 45m",
    "strain 10m",
    "chill overnight, fridge 2 L, makes 2 L stock, keeps up to 3d fridge 2 L",
  ],
  sauce: ["cook 25m, 2 L pot, until it coats a spoon, makes 500 ml sauce, keeps up to 3d fridge"],
  ferment: ["shred and salt 20m", "ferment 5-10d, counter, until it tastes sour, makes 1 kg, keeps up to 60d fridge"],
  pickle: ["slice 15m", "boil the brine and pour over 15m, jar 1 L", "steep 1-2d, fridge, makes 500 g pickle, keeps up to 30d fridge"],
  cure: ["rub with the cure 15m", "cure 3d, fridge", "rinse and dry 15m, makes 1 kg, keeps up to 5d fridge"],
  braise: ["brown 25m", "braise 3-4h, oven 150C, until it falls apart, makes 1.5 kg, keeps up to 3d fridge 3 L"],
  roast: ["salt 10m", "rest overnight, fridge", "roast 1h30-2h, oven 160C, until 58C in the middle", "rest 30m"],
  dairy: ["warm and stir 15m", "set 8-12h, counter", "chill 4h, fridge, makes 500 g, keeps up to 5d fridge"],
  filling: ["chop 20m", "cook 20m", "cool 1h, fridge, makes 800 g filling, keeps up to 2d fridge"],
  pasta: ["knead 15m", "rest 1h", "roll and cut 30m, makes 500 g pasta, keeps up to 1d fridge"],
  grain: ["soak overnight", "simmer 40-50m, 3 L pot, until tender, makes 1 kg, keeps up to 2d fridge"],
  vegetable: ["wash and cut 20m", "cook 15m, until just tender"],
  garnish: ["chop 10m, keeps up to 4h fridge"],
  sweet: ["cook 25m", "chill 4-6h, fridge, makes 800 g, keeps up to 2d fridge"],
  batter: ["mix 10m", "rest 1-12h, fridge", "fry 25m"],
  sausage: [
    "season and mix 20m",
    "fill 30m",
    "rest overnight, fridge",
    "poach 30m, until 70C in the middle, makes 1 kg, keeps up to 3d fridge",
  ],
  dry: ["toast and grind 15m, makes 100 g, keeps up to 60d counter"],
  oil: ["warm gently 1h, nearby", "strain 10m, makes 300 ml, keeps up to 5d fridge"],
  assembly: ["put together 15m"],
  other: ["prepare 20m", "cook 30-40m, keeps up to 2d fridge"],
};

export const sampleLines = (kind: ComponentKind): readonly string[] => SAMPLES[kind];

interface Need {
  readonly id: "component" | "second" | "steps" | "holds";
  readonly text: string;
}

/** What a plan of this dish still needs, in the order in which it is best given; empty once there is enough to plan well. */
export function planNeeds(document: DishFile): Need[] {
  const own = document.components.filter((c) => !isOnlyServing(c, document));
  if (own.length === 0) return [{ id: "component", text: "Add the first component: a name is enough, steps can follow." }];
  const needs: Need[] = [];
  const bare = own.filter((c) => !c.onHand?.length && c.methods.every((m) => m.steps.length < 2 && (m.ingredients ?? []).length === 0));
  if (bare.length) needs.push({ id: "steps", text: `Steps of ${listed(bare.map((c) => c.name))}: one per line, with how long it takes.` });
  const keeps = own.filter(
    (c) => !c.onHand?.length && !c.methods.some((m) => m.steps.some((s) => (s.makes ?? []).some((o) => o.holds?.length))),
  );
  if (keeps.length)
    needs.push({
      id: "holds",
      text: `How long ${listed(keeps.map((c) => c.name))} ${keeps.length === 1 ? "keeps" : "keep"}, and where: “keeps up to 2d fridge”.`,
    });
  if (own.length === 1) needs.push({ id: "second", text: "What goes with it: the next component." });
  return needs;
}

const isOnlyServing = (c: DishFile["components"][number], document: DishFile) =>
  document.dish.serve.startsWith(`${c.id}.`) && c.methods.every((m) => m.steps.length === 1 && (m.ingredients ?? []).length === 0);

const MOST_NAMED = 3;
const listed = (names: readonly string[]) =>
  names.length > MOST_NAMED
    ? `${names.slice(0, MOST_NAMED).join(", ")} and ${names.length - MOST_NAMED} more`
    : names.length > 1
      ? `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`
      : (names[0] ?? "");
