// Where things stand in a document, and the document with one of them changed. Documents are values: an edit gives a new one.

import { slug } from "../../entry/names";
import type { LineContext } from "../../entry/step-draft";
import type { DishComponent, DishFile, DishStep, KitchenFile } from "../schema";
import { EditRefused } from "./refused";

export type DishMethod = DishComponent["methods"][number];
export type DishIngredient = NonNullable<DishMethod["ingredients"]>[number];
export type DishOutput = NonNullable<DishStep["makes"]>[number];

export interface MethodPlace {
  readonly component: string;
  readonly method: string;
}
export interface StepPlace extends MethodPlace {
  readonly step: string;
}

export function componentOfDocument(document: DishFile, id: string): DishComponent {
  const found = document.components.find((c) => c.id === id);
  if (!found) throw new EditRefused("That component no longer exists.");
  return found;
}

export function methodOf(document: DishFile, { component, method }: MethodPlace): DishMethod {
  const found = componentOfDocument(document, component).methods.find((m) => m.id === method);
  if (!found) throw new EditRefused("That method no longer exists.");
  return found;
}

export function stepOf(document: DishFile, place: StepPlace): DishStep {
  const found = methodOf(document, place).steps.find((s) => s.id === place.step);
  if (!found) throw new EditRefused("That step no longer exists.");
  return found;
}

export function withComponent(document: DishFile, id: string, change: (component: DishComponent) => DishComponent): DishFile {
  componentOfDocument(document, id);
  return { ...document, components: document.components.map((c) => (c.id === id ? change(c) : c)) };
}

export function withMethod(document: DishFile, place: MethodPlace, change: (method: DishMethod) => DishMethod): DishFile {
  methodOf(document, place);
  return withComponent(document, place.component, (c) => ({
    ...c,
    methods: c.methods.map((m) => (m.id === place.method ? change(m) : m)),
  }));
}

export function withStep(document: DishFile, place: StepPlace, change: (step: DishStep) => DishStep): DishFile {
  stepOf(document, place);
  return withMethod(document, place, (m) => ({ ...m, steps: m.steps.map((s) => (s.id === place.step ? change(s) : s)) }));
}

/** An identifier from a name that none of `taken` has. */
export function freeId(name: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  const wish = slug(name);
  let id = wish;
  for (let n = 2; used.has(id); n++) id = `${wish}-${n}`;
  return id;
}

/**
 * The output of a component that is meant by its name: the one that bears it, or else the first that its last making step makes. What is
 * listed behind it there is a by-product.
 */
export function mainOutput(component: DishComponent, method: DishMethod | undefined = component.methods[0]): DishOutput | undefined {
  const making = (method?.steps ?? []).filter((s) => s.makes?.length);
  const name = slug(component.name);
  const namesake = making.flatMap((s) => s.makes ?? []).findLast((o) => o.id === component.id || slug(o.name ?? o.id) === name);
  return namesake ?? making.at(-1)?.makes?.[0];
}

/** What a line typed for a component may name. Its own steps and outputs stand first. */
export function lineContext(document: DishFile, componentId: string, kitchen?: KitchenFile): LineContext {
  const components = [...document.components].sort((a, b) => Number(b.id === componentId) - Number(a.id === componentId));
  const each = <T>(read: (step: DishStep, component: DishComponent) => T[]) =>
    components.flatMap((c) => c.methods.flatMap((m) => m.steps.flatMap((s) => read(s, c))));
  const once = <T extends { ref: string }>(things: T[]) => [...new Map(things.map((t) => [t.ref, t])).values()];
  return {
    outputs: once([
      ...each((s, c) => (s.makes ?? []).map((o) => ({ ref: `${c.id}.${o.id}`, name: o.name ?? o.id }))),
      ...components.flatMap((c) => (c.onHand ?? []).map((o) => ({ ref: `${c.id}.${o.output}`, name: c.name }))),
    ]),
    steps: once(each((s, c) => [{ ref: `${c.id}.${s.id}`, name: s.name ?? s.id }])),
    kinds: [...new Set((kitchen ?? document.kitchen)?.equipment?.map((e) => e.kind) ?? [])],
  };
}
