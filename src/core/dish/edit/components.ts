// Components: begun from a name and a few lines, copied, taken from elsewhere, taken out.
import { readIngredient } from "../../entry/ingredient-line";
import { shortNumber } from "../../entry/numbers";
import { amountWords } from "../../entry/words-said";
import { withTheirSteps } from "../enters";
import { withoutReferences, withRenamedRefs } from "../references";
import type { DishComponent, DishFile } from "../schema";
import { isStepPin } from "../wishes";
import { componentOfDocument, type DishIngredient, freeId, type MethodPlace, mainOutput, withComponent, withMethod } from "./places";
import { EditRefused } from "./refused";
import { insertTyped, ownNames } from "./steps";

interface NewDish {
  readonly name: string;
  readonly serves: number;
  /** Wall clock, "2026-10-18T13:00". */
  readonly serveAt: string;
  readonly timezone: string;
}

/** A dish with nothing in it but the table: its components are added one by one. */
export function newDish({ name, serves, serveAt, timezone }: NewDish): DishFile {
  return {
    format: "rondeau/1",
    dish: { id: freeId(name, []), name, timezone, baseServes: serves, serves, serveAt, serve: "table.serve" },
    components: [
      {
        id: "table",
        name: "Serving",
        kind: "assembly",
        methods: [{ id: "table", name: "As it is served", steps: [{ id: "serve", name: "Serve", time: "10m" }] }],
      },
    ],
  };
}

const KIND_WORDS: readonly (readonly [DishComponent["kind"], RegExp])[] = [
  ["stock", /\b(?:stock|broth|bouillon|fond|dashi|aspic|jelly stock)\b/i],
  ["sauce", /\b(?:sauce|gravy|ketchup|mayonnaise|aioli|vinaigrette|dressing|dip|salsa|chutney|relish|jus|glaze)\b/i],
  ["ferment", /\b(?:ferment\w*|kraut|kimchi|kefir|kvass|miso|sour cabbage)\b/i],
  ["pickle", /\b(?:pickle[sd]?|piccalilli|escabeche)\b/i],
  ["cure", /\b(?:cure[ds]?|cured \w+|bacon|ham|brine[ds]?|gravlax|salt(?:ed)? (?:pork|beef|cod|fish))\b/i],
  ["pasta", /\b(?:pasta|noodles?|ravioli|tortellini|lasagne|dumplings?|gnocchi|spaetzle|pelmeni)\b/i],
  ["batter", /\b(?:batter|pancakes?|crepes?|crêpes|blini|fritters?)\b/i],
  ["dough", /\b(?:dough|bread|loaf|loaves|brioche|pastry|(?:short)?crust|buns?|rolls?|focaccia|pita|croissants?|pie shell|flatbreads?)\b/i],
  ["braise", /\b(?:brais\w+|stew|ragu|ragù|confit|pot[- ]roast|daube|curry)\b/i],
  ["roast", /\b(?:roast\w*|smoked|grilled|baked (?:ham|fish))\b/i],
  ["dairy", /\b(?:butter|yogh?urt|ricotta|curd|cheese|labneh|cream|crème fraîche|custard)\b/i],
  ["sweet", /\b(?:ice|ice cream|sorbet|parfait|compote|jam|caramel|meringue|cake|tart|pudding|mousse|syrup|praline|chocolate)\b/i],
  ["sausage", /\b(?:sausages?|boudin|merguez)\b/i],
  ["filling", /\b(?:filling|stuffing|forcemeat|farce|duxelles|puree|purée|pâté|terrine)\b/i],
  ["grain", /\b(?:rice|grain|barley|lentils?|beans?|chickpeas|polenta|bulgur|pulses)\b/i],
  ["oil", /\b(?:oil|lard|dripping|ghee|rendered fat)\b/i],
  ["dry", /\b(?:spice|rub|crumbs?|praline|dukkah|seasoning|powder)\b/i],
  ["garnish", /\b(?:garnish|crisps?|herbs|gremolata|sprinkle|topping)\b/i],
  ["vegetable", /\b(?:salad|slaw|vegetables?|greens|cabbage|carrots?|potatoes|leeks?|beets?|onions?|mushrooms?|mash)\b/i],
];

/** The kind that a component's name suggests. */
export function kindOfName(name: string): DishComponent["kind"] {
  return KIND_WORDS.find(([, words]) => words.test(name))?.[0] ?? "other";
}

interface NewComponent {
  readonly name: string;
  readonly kind?: DishComponent["kind"];
  /** One step a line. */
  readonly steps: readonly string[];
  /** One ingredient a line. */
  readonly ingredients: readonly string[];
}

/**
 * A component from its name and lines. What its last step makes goes to where the dish is served, until it is sent elsewhere.
 * @returns the document and the id of the component
 */
export function addComponent(document: DishFile, { name, kind, steps, ingredients }: NewComponent): { document: DishFile; id: string } {
  const title = name.trim();
  if (title === "") throw new EditRefused("Give the component a name, such as “Jelly stock”.");
  const id = freeId(
    title,
    document.components.map((c) => c.id),
  );
  const component: DishComponent = {
    id,
    name: title,
    kind: kind ?? kindOfName(title),
    methods: [{ id: "usual", name: "Usual method", steps: [{ id: "make", name: `Make the ${title.toLowerCase()}`, time: "30m" }] }],
  };
  const at = Math.max(0, document.components.length - 1);
  let changed: DishFile = { ...document, components: document.components.toSpliced(at, 0, component) };
  const place: MethodPlace = { component: id, method: "usual" };
  const lines = steps.map((s) => s.trim()).filter(Boolean);
  if (lines.length) {
    changed = withComponent(changed, id, (c) => ({ ...c, methods: c.methods.map((m) => ({ ...m, steps: [] })) }));
    for (const line of lines) changed = insertTyped(changed, place, line);
  }
  changed = addIngredientLines(changed, place, ingredients);
  changed = withMethod(changed, place, (m) => (m.ingredients ? { ...m, ingredients: withTheirSteps(m.ingredients, m.steps) } : m));
  return { document: serveWhatItMakes(changed, id), id };
}

/** Lets the last step make the component where nothing is made, and the serving step take it. */
function serveWhatItMakes(document: DishFile, id: string): DishFile {
  let changed = document;
  const component = componentOfDocument(document, id);
  if (!mainOutput(component)) {
    changed = withComponent(changed, id, (c) => ({
      ...c,
      methods: c.methods.map((m) => ({
        ...m,
        steps: m.steps.map((s, i) => (i === m.steps.length - 1 ? { ...s, makes: [{ id: freeId(c.name, []), name: c.name }] } : s)),
      })),
    }));
  }
  const output = mainOutput(componentOfDocument(changed, id));
  const [servingComponent, servingStep] = document.dish.serve.split(".");
  if (!output || !servingComponent || servingComponent === id) return changed;
  const from = `${id}.${output.id}`;
  return withComponent(changed, servingComponent, (c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((s) => (s.id === servingStep ? { ...s, takes: [...(s.takes ?? []), { from }] } : s)),
    })),
  }));
}

/** Ingredients from lines, added behind those that are there. A line that is a heading is left out. */
export function addIngredientLines(document: DishFile, place: MethodPlace, lines: readonly string[]): DishFile {
  const read = lines
    .map((l) => l.trim())
    .filter(Boolean)
    .map((l) => readIngredient(l))
    .filter((i) => !i.heading);
  if (read.length === 0) return document;
  return withComponent(document, place.component, (c) => ({
    ...c,
    methods: c.methods.map((m) => {
      if (m.id !== place.method) return m;
      const ingredients: DishIngredient[] = [...(m.ingredients ?? [])];
      for (const line of read)
        ingredients.push(
          ingredientOf(
            line,
            ingredients.map((i) => i.id),
          ),
        );
      return { ...m, ingredients };
    }),
  }));
}

/** What the line says beside amount and name, with its range and the same amount in other units. */
function noteOf({ amount, also, note }: ReturnType<typeof readIngredient>): string | undefined {
  const range = amount?.range && `${shortNumber(amount.range[0])} to ${amountWords({ amount: amount.range[1], unit: amount.unit })}`;
  return [range, ...also.map(amountWords), note].filter(Boolean).join("; ") || undefined;
}

/** An ingredient of the format from a line that was read. */
export function ingredientOf(line: ReturnType<typeof readIngredient>, taken: readonly string[]): DishIngredient {
  const note = noteOf(line);
  return {
    id: freeId(line.name, taken),
    name: line.name.slice(0, 400),
    ...(line.amount ? { amount: { amount: Number(line.amount.amount.toPrecision(6)), unit: line.amount.unit } } : {}),
    ...(note ? { note } : {}),
    ...(line.asNeeded ? { asNeeded: true } : {}),
    ...(line.optional ? { optional: true } : {}),
  };
}

/** The document without a component, and without what others took of it or waited for. */
export function removeComponent(document: DishFile, id: string): DishFile {
  const component = componentOfDocument(document, id);
  if (document.dish.serve.startsWith(`${id}.`))
    throw new EditRefused(`“${component.name}” is what is served. First choose another step for serving.`);
  const rest: DishFile = { ...document, components: document.components.filter((c) => c.id !== id) };
  const cleaned = withoutReferences(rest, (ref) => ref.startsWith(`${id}.`));
  if (!cleaned.wishes?.pins) return cleaned;
  return { ...cleaned, wishes: { ...cleaned.wishes, pins: cleaned.wishes.pins.filter((p) => isStepPin(p) || p.component !== id) } };
}

/** A second component like it, behind it; what it makes is taken by nobody yet. */
export function duplicateComponent(document: DishFile, id: string): { document: DishFile; id: string } {
  const component = componentOfDocument(document, id);
  const copyId = freeId(
    `${id}-2`,
    document.components.map((c) => c.id),
  );
  const copy = { ...withRenamedRefs(component, new Map([[id, copyId]])), id: copyId, name: `${component.name}, copy` };
  if (document.dish.serve.startsWith(`${id}.`)) throw new EditRefused("The component that is served can be there only once.");
  const at = document.components.indexOf(component) + 1;
  return { document: { ...document, components: document.components.toSpliced(at, 0, copy) }, id: copyId };
}

export interface Taken {
  /** Multiplies the amounts of the source's file. */
  readonly scale: number;
}

/**
 * Components of another dish copied into this one, scaled. References among them are kept; those to what is not copied are dropped.
 * What the last of them makes goes to where the dish is served, unless another of them takes it.
 * @param scale multiplies the amounts in the file of the source
 * @returns the document and the ids, in the order given
 */
export function takeComponents(
  document: DishFile,
  source: DishFile,
  ids: readonly string[],
  { scale }: Taken,
): { document: DishFile; ids: readonly string[] } {
  const taken = document.components.map((c) => c.id);
  const renamed = new Map<string, string>();
  for (const id of ids) {
    const fresh = freeId(id, taken);
    taken.push(fresh);
    renamed.set(id, fresh);
  }
  const whole: DishFile = { ...source, components: source.components.filter((c) => renamed.has(c.id)) };
  const inner = withoutReferences(whole, (ref) => !renamed.has(ref.slice(0, ref.indexOf("."))));
  const k = document.dish.serves / document.dish.baseServes;
  const components = inner.components.map((c): DishComponent => {
    const factor = ((c.factor ?? 1) * scale) / k;
    const { course: _, factor: __, ...rest } = withRenamedRefs(c, renamed);
    return { ...rest, id: renamed.get(c.id) ?? c.id, ...(Math.abs(factor - 1) < 1e-9 ? {} : { factor: Number(factor.toPrecision(8)) }) };
  });
  const at = Math.max(0, document.components.length - 1);
  let changed: DishFile = { ...document, components: document.components.toSpliced(at, 0, ...components) };
  const takenInside = new Set(
    components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => (s.takes ?? []).map((t) => t.from)))),
  );
  for (const c of components) {
    const output = mainOutput(c);
    if (output && !takenInside.has(`${c.id}.${output.id}`)) changed = serveWhatItMakes(changed, c.id);
  }
  return { document: changed, ids: components.map((c) => c.id) };
}

/** Another method of making a component: a copy of one that is there, to be changed. */
export function addMethod(document: DishFile, place: MethodPlace, name: string): { document: DishFile; id: string } {
  const component = componentOfDocument(document, place.component);
  const from = component.methods.find((m) => m.id === place.method);
  if (!from) throw new EditRefused("That method no longer exists.");
  const title = name.trim() || "Another method";
  const id = freeId(
    title,
    component.methods.map((m) => m.id),
  );
  return {
    document: withComponent(document, place.component, (c) => ({ ...c, methods: [...c.methods, { ...from, id, name: title }] })),
    id,
  };
}

/** A component without one of its ways. The last one stays. */
export function removeMethod(document: DishFile, place: MethodPlace): DishFile {
  const component = componentOfDocument(document, place.component);
  if (component.methods.length < 2) throw new EditRefused("It is the only method. Remove the component instead.");
  const left = withComponent(document, place.component, (c) => ({ ...c, methods: c.methods.filter((m) => m.id !== place.method) }));
  const still = ownNames(left, place.component);
  const was = ownNames(document, place.component);
  return withoutReferences(left, (ref, kind) => was[kind].has(ref) && !still[kind].has(ref));
}

/** What stands in the larder or is bought instead, if the component fails. */
export function withFallback(document: DishFile, id: string, fallback: DishComponent["fallback"]): DishFile {
  return withComponent(document, id, (c) => {
    const { fallback: _, ...rest } = c;
    return fallback ? { ...rest, fallback } : rest;
  });
}
