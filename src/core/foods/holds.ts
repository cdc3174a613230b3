// How long things keep, by what they are: a planning guide with a source for the whole table. Local rules and the packet come first.
import type { DishComponent, Hold } from "../dish/schema";
import { durationText } from "../time/duration";
import table from "./holds.json";

type Place = "counter" | "fridge" | "freezer" | "hot";
interface Mark {
  readonly hours: number;
  readonly kind: string;
}
interface Row {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly reheat?: { readonly text: string };
  readonly places: Readonly<
    Record<
      string,
      {
        readonly allowed: boolean;
        readonly least?: Mark;
        readonly best?: Mark;
        readonly longest?: Mark;
        readonly reason?: string;
        readonly kind?: string;
      }
    >
  >;
}

const ROWS: ReadonlyMap<string, Row> = new Map((table.items as unknown as readonly Row[]).map((r) => [r.id, r]));
export const HOLDS_SOURCE: string = table.source;

/** What an output is, by its words and its component's kind. The particular stands before the general. */
const MEANT: readonly (readonly [RegExp, string])[] = [
  [/fish (?:stock|broth|fumet)|dashi/, "stockFish"],
  [/vegetable (?:stock|broth)/, "stockVegetable"],
  [/demi|glaze of stock|reduced stock/, "demiGlace"],
  [/stock|broth|consomm|jelly|aspic/, "stockMeat"],
  [/b[eé]chamel|white sauce/, "bechamel"],
  [/velout[eé]|cream sauce/, "creamSauce"],
  [/hollandaise|b[eé]arnaise|butter sauce/, "butterEmulsion"],
  [/mayonnaise|aioli/, "mayonnaiseRaw"],
  [/vinaigrette|dressing/, "vinaigrette"],
  [/pesto|herb oil|green sauce|salsa verde/, "herbOilSauce"],
  [/spice paste|curry paste/, "currypaste"],
  [/custard|cr[eè]me anglaise/, "cremeAnglaise"],
  [/pastry cream/, "pastryCream"],
  [/ice cream base/, "iceCreamBase"],
  [/whipped cream/, "whippedCream"],
  [/ganache/, "ganache"],
  [/lemon curd|fruit curd/, "lemonCurd"],
  [/tomato sauce/, "tomatoSauce"],
  [/rag[uù]|meat sauce/, "meatRagu"],
  [/gravy|jus/, "gravy"],
  [/soaked (?:beans|chickpeas|pulses|lentils)/, "soakedPulses"],
  [/beans|chickpeas|lentils|pulses/, "beansInLiquid"],
  [/rice/, "cookedRice"],
  [/polenta/, "polentaSet"],
  [/barley|bulgur|grain|buckwheat|quinoa/, "cookedGrains"],
  [/mash/, "mash"],
  [/potato/, "boiledPotato"],
  [/confit(?:ed)? garlic|garlic oil/, "garlicConfitOil"],
  [/slaw|dressed/, "slawDressed"],
  [/kraut|kimchi|fermented/, "lactoDone"],
  [/piccalilli|pickle/, "quickPickle"],
  [/salsa/, "salsaFresh"],
  [/caramelised onion|onion jam/, "caramelOnion"],
  [/mushroom/, "cookedMushroom"],
  [/puff|laminated/, "doughLaminated"],
  [/brioche|enriched|milk dough/, "doughEnriched"],
  [/short(?:crust)? pastry|pie (?:crust|pastry)|tart shell dough|crust/, "pastryShort"],
  [/pasta|noodle dough/, "pastaFresh"],
  [/dumplings?|ravioli|parcels?|tortellini/, "dumplingsRaw"],
  [/levain|poolish|biga|sponge|preferment/, "preferment"],
  [/starter/, "sourdoughStarter"],
  [/pancake batter|batter/, "batterPancake"],
  [/pancakes?|blini|crepes?/, "pancakesCooked"],
  [/shaped/, "doughYeastShaped"],
  [/sourdough|rye bread/, "breadSour"],
  [/bread|loaf|loaves|rolls?|buns?/, "breadLean"],
  [/flatbread/, "flatbread"],
  [/sponge cake|cake/, "cakeLayer"],
  [/sausage/, "sausageFreshRaw"],
  [/terrine|p[aâ]t[eé]/, "pateTerrine"],
  [/liver/, "liverMousse"],
  [/confit/, "confitFat"],
  [/mince|forcemeat|farce|stuffing/, "minceRaw"],
  [/cured (?:fish|salmon|trout)|gravlax/, "fishCured"],
  [/brined/, "wetBrined"],
  [/cured|bacon|ham/, "curedNitrite"],
  [/marinated/, "marinatedOther"],
  [/shredded|pulled/, "pulledMeat"],
  [/brais|stew|cheek|shin/, "braiseInLiquid"],
  [/smoked/, "smokedJoint"],
  [/roast(?:ed)? (?:roots?|onions?|vegetables?|carrots?|beet\w*|peppers?)/, "roastVegetables"],
  [/\broast(?:ed|ing|s)?\b(?!.*\b(?:soup|sauce|dip|pur[eé]e|salad)\b)/, "roastSliced"],
  [/lard|dripping|fat\b|ghee/, "renderedFat"],
  [/yogh?urt|labneh|kefir/, "yogurt"],
  [/ricotta|curd cheese|fresh cheese|paneer/, "freshCheese"],
  [/meringue/, "meringue"],
  [/compote|stewed fruit/, "compote"],
  [/jam/, "jamOpen"],
  [/caramel/, "caramelSauce"],
  [/syrup/, "syrupSimple"],
  [/nuts|praline|dukkah/, "nutsToasted"],
  [/cut fruit|fruit salad/, "fruitCut"],
];
/** Names that a general word would mislead: nothing is known of them. */
const NOT_MEANT = /butter(?!milk)|\bpies?\b|\bjuices?\b|tart\b/;
/** Kinds whose least patient food stands for what no word tells: for proposals only, never to find fault by. */
const BY_KIND: Partial<Readonly<Record<DishComponent["kind"], string>>> = {
  dough: "doughYeastBulk",
  stock: "stockMeat",
  sauce: "gravy",
  ferment: "lactoDone",
  pickle: "quickPickle",
  cure: "drySalted",
  braise: "braiseInLiquid",
  roast: "roastSliced",
  dairy: "cremeAnglaise",
  pasta: "pastaFresh",
  grain: "cookedGrains",
  vegetable: "roastVegetables",
  batter: "batterPancake",
  sausage: "sausageFreshRaw",
  oil: "renderedFat",
  sweet: "compote",
};

/**
 * The row of the table that an output most likely is; undefined where nothing fits.
 * @param kind where no word of the name tells, the most careful row of its kind
 */
export function keepingRow(name: string, kind?: DishComponent["kind"]): Row | undefined {
  const text = name.toLowerCase();
  const id = NOT_MEANT.test(text) ? undefined : (MEANT.find(([pattern]) => pattern.test(text))?.[1] ?? (kind && BY_KIND[kind]));
  return id === undefined ? undefined : ROWS.get(id);
}

/** How something is warmed up again, by the table; undefined where no row fits. */
export function keepingOf(name: string, kind?: DishComponent["kind"]): { readonly row: string; readonly warmUp: string } | undefined {
  const row = keepingRow(name, kind);
  return row && { row: row.name, warmUp: row.reheat?.text ?? "" };
}

/** Minutes to a duration that people say: hours above two, days above three. */
const tidy = (hours: number): string => {
  const minutes = Math.round(hours * 60);
  if (minutes >= 3 * 1440) return durationText(Math.round(minutes / 1440) * 1440);
  return durationText(minutes);
};

/**
 * Holds proposed for an output, of the places where the table allows it, in the order fridge, counter, hot, freezer.
 * Safety limits are the table's longest; nothing longer is ever proposed.
 */
export function proposedHolds(
  name: string,
  kind: DishComponent["kind"],
  places: readonly Place[] = ["fridge", "counter", "freezer"],
): Hold[] {
  const row = keepingRow(name, kind);
  if (!row) return [];
  return places.flatMap((place): Hold[] => {
    const at = row.places[place];
    if (!at?.allowed || !at.longest || !(at.longest.hours > 0)) return [];
    const best = at.best && at.least && at.best.hours > at.least.hours && at.best.hours < at.longest.hours && at.best.hours >= 1;
    return [
      {
        place,
        ...(at.least && at.least.hours > 0 ? { min: tidy(at.least.hours) } : {}),
        ...(best ? { best: [tidy(at.least.hours), tidy(at.best.hours)] as [string, string] } : {}),
        max: tidy(at.longest.hours),
        limit: at.longest.kind === "safety" ? ("safety" as const) : ("quality" as const),
      },
    ];
  });
}

/** The longest that the table allows at a place, by the words of a name alone; undefined where it says nothing, 0 where it forbids it. */
export function longestMinutes(
  name: string,
  place: Place,
): { readonly id: string; readonly minutes: number; readonly safety: boolean; readonly row: string } | undefined {
  const row = keepingRow(name);
  const at = row?.places[place];
  if (!row || !at) return undefined;
  if (!at.allowed) return { id: row.id, minutes: 0, safety: at.kind === "safety", row: row.name };
  return at.longest && { id: row.id, minutes: Math.round(at.longest.hours * 60), safety: at.longest.kind === "safety", row: row.name };
}
