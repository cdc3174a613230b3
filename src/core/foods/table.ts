// The table of foods: what a food is, what is in it, and by which names cooks call it.
//
// Format of its pages (`table/`), one food a line. A line with "=" opens a group and says what its foods have in common:
//   = class species | water/fat/salt/sugar, g in 100 g | properties | source | more properties
//   id | name; other name; … | water/fat/salt/sugar where it differs | properties where they differ
// A name with "+" begins another food with the same figures, whose id is the first word of the row's and its own name.
// Properties: ph=low-high, acid=% (as acetic), abv=% by volume, nitrite=%, nitrate=%, a=allergens ("none" for none), d=row of the densities.
// Figures are for the raw food as bought, rounded: to tell kinds apart and to weigh salt and fat, not to declare nutrition.
import { ANIMAL } from "./table/animal";
import { PANTRY } from "./table/pantry";
import { PLANTS } from "./table/plants";

const FOOD_CLASSES = [
  "meat",
  "poultry",
  "mince",
  "poultry-mince",
  "sausage",
  "offal",
  "poultry-offal",
  "blood",
  "bones",
  "fat",
  "cured-raw",
  "cured-cooked",
  "fish",
  "fish-freshwater",
  "fish-scombroid",
  "fish-cured",
  "fish-smoked",
  "fish-canned",
  "crustacean",
  "bivalve",
  "cephalopod",
  "gastropod",
  "frog",
  "egg",
  "egg-safe",
  "mayonnaise",
  "milk",
  "milk-raw",
  "cream",
  "cultured",
  "butter",
  "cheese-hard",
  "cheese-soft",
  "cheese-blue",
  "cheese-fresh",
  "cheese-raw-milk",
  "whey",
  "allium",
  "vegetable",
  "chilli",
  "tomato",
  "mushroom",
  "mushroom-wild",
  "herb",
  "spice",
  "fruit",
  "fruit-dried",
  "juice",
  "toxic-plant",
  "pulse-lectin",
  "pulse",
  "pulse-canned",
  "soy",
  "plant-substitute",
  "nut",
  "seed",
  "flour",
  "flour-free",
  "grain",
  "rice",
  "pasta",
  "bread",
  "salt",
  "curing-salt",
  "sugar",
  "syrup",
  "honey",
  "vinegar",
  "wine",
  "fortified",
  "spirit",
  "beer",
  "soft-drink",
  "oil",
  "water",
  "stock",
  "condiment",
  "culture",
  "gelling",
  "leavening",
  "chocolate",
  "coffee-tea",
  "inedible",
  "other",
] as const;
export type FoodClass = (typeof FOOD_CLASSES)[number];

export interface Food {
  /** Stable: a dish file keeps it. */
  readonly id: string;
  /** As a cook would say it. */
  readonly name: string;
  readonly names: readonly string[];
  readonly class: FoodClass;
  readonly species?: string;
  /** g in 100 g */
  readonly water: number;
  readonly fat: number;
  readonly salt: number;
  readonly sugar: number;
  readonly ph?: readonly [low: number, high: number];
  /** % by weight, as acetic acid. */
  readonly acid?: number;
  /** % by volume */
  readonly abv?: number;
  /** % of nitrite in a curing salt; 0 where its strength is not in its name. */
  readonly nitrite?: number;
  readonly nitrate?: number;
  readonly allergens: readonly string[];
  readonly density?: string;
  readonly source: string;
}

type Properties = Pick<Food, "ph" | "acid" | "abv" | "nitrite" | "nitrate" | "density"> & { readonly allergens?: readonly string[] };

const NUMBERS = new Set(["acid", "abv", "nitrite", "nitrate"]);
function propertiesOf(text: string): Properties {
  const found: Record<string, unknown> = {};
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const [key = "", value = ""] = word.split("=");
    if (key === "ph") found.ph = value.split("-").map(Number);
    else if (key === "a") found.allergens = value === "none" ? [] : value.split(",");
    else if (key === "d") found.density = value;
    else if (NUMBERS.has(key)) found[key] = Number(value);
    else throw new Error(`foods: no property "${word}"`);
  }
  return found as Properties;
}

const contentsOf = (text: string): Partial<Pick<Food, "water" | "fat" | "salt" | "sugar">> => {
  const parts = text.split("/").filter((t) => t.trim() !== "");
  return Object.fromEntries(
    (["water", "fat", "salt", "sugar"] as const).flatMap((key, i) => (i < parts.length ? [[key, Number(parts[i])]] : [])),
  );
};

function read(page: string): Food[] {
  const foods: Food[] = [];
  let group: Omit<Food, "id" | "name" | "names"> | undefined;
  for (const line of page.split("\n")) {
    if (line.trim() === "") continue;
    const cells = line
      .replace(/^= /, "")
      .split("|")
      .map((c) => c.trim());
    if (line.startsWith("= ")) {
      const [kind = "", species] = (cells[0] as string).split(" ");
      if (!(FOOD_CLASSES as readonly string[]).includes(kind)) throw new Error(`foods: no class "${kind}"`);
      group = {
        class: kind as FoodClass,
        ...(species ? { species } : {}),
        water: 0,
        fat: 0,
        salt: 0,
        sugar: 0,
        allergens: [],
        ...contentsOf(cells[1] ?? ""),
        ...propertiesOf([cells[2], ...cells.slice(4)].join(" ")),
        source: cells[3] ?? "",
      };
      continue;
    }
    if (!group) throw new Error(`foods: "${line}" stands in no group`);
    const [id = "", names = "", contents = "", properties = ""] = cells;
    for (const [i, own] of names.split("; +").entries()) {
      const words = own
        .split(";")
        .map((n) => n.trim())
        .filter(Boolean);
      const name = words[0] as string;
      foods.push({
        ...group,
        id: i === 0 ? id : `${id.split(".")[0]}.${name.replaceAll(/[^a-z0-9]+/g, "-")}`,
        name,
        names: words,
        ...contentsOf(contents),
        ...propertiesOf(properties),
      });
    }
  }
  return foods;
}

export const FOODS: readonly Food[] = [ANIMAL, PLANTS, PANTRY].flatMap(read);
const BY_ID: ReadonlyMap<string, Food> = new Map(FOODS.map((f) => [f.id, f]));
/** Undefined for an id that the table does not have. */
export const foodOf = (id: string): Food | undefined => BY_ID.get(id);
