// Streams: who takes how much of what. Joining, splitting and redirecting what components make.
import type { DishFile, DishStep } from "../schema";
import type { Amount } from "../schema-values";
import { componentOfDocument, freeId, mainOutput, withComponent } from "./places";
import { EditRefused } from "./refused";

export interface Stream {
  /** "component.output" */
  readonly from: string;
  /** "component.step" */
  readonly to: string;
}

const split = (ref: string): readonly [string, string] => {
  const dot = ref.indexOf(".");
  return [ref.slice(0, dot), ref.slice(dot + 1)];
};

/** All steps of that id in whatever method of the component, changed. */
function withStepsAt(document: DishFile, ref: string, change: (step: DishStep) => DishStep): DishFile {
  const [component, step] = split(ref);
  const known = componentOfDocument(document, component).methods.some((m) => m.steps.some((s) => s.id === step));
  if (!known) throw new EditRefused("That step no longer exists.");
  return withComponent(document, component, (c) => ({
    ...c,
    methods: c.methods.map((m) => ({ ...m, steps: m.steps.map((s) => (s.id === step ? change(s) : s)) })),
  }));
}

/** Lets a step take of an output; what it took of it before is replaced. */
export function join(document: DishFile, { from, to }: Stream, amount?: Amount): DishFile {
  const [source] = split(from);
  if (source === split(to)[0] && leadsTo(document, to, from)) throw new EditRefused("That step comes before this is made.");
  if (reaches(document, split(to)[0], source)) throw new EditRefused("Then the two would wait for each other.");
  return withStepsAt(document, to, (s) => ({
    ...s,
    takes: [...(s.takes ?? []).filter((t) => t.from !== from), { from, ...(amount ? { amount } : {}) }],
  }));
}

/** The step takes nothing of it any more. */
export function part(document: DishFile, { from, to }: Stream): DishFile {
  const [own] = split(to);
  return withStepsAt(document, to, (s) => {
    const takes = (s.takes ?? []).filter((t) => (t.from.includes(".") ? t.from : `${own}.${t.from}`) !== from);
    const { takes: _, ...rest } = s;
    return takes.length ? { ...rest, takes } : rest;
  });
}

/** How much a step takes of an output; undefined leaves it open. */
export function amountTaken(document: DishFile, { from, to }: Stream, amount: Amount | undefined): DishFile {
  const [own] = split(to);
  return withStepsAt(document, to, (s) => ({
    ...s,
    takes: (s.takes ?? []).map((t) => {
      if ((t.from.includes(".") ? t.from : `${own}.${t.from}`) !== from) return t;
      const { amount: _, ...rest } = t;
      return amount ? { ...rest, amount } : rest;
    }),
  }));
}

/** Sends a stream to another step instead. */
export function redirect(document: DishFile, stream: Stream, to: string): DishFile {
  const [own] = split(stream.to);
  const [component, id] = split(stream.to);
  const step = componentOfDocument(document, component)
    .methods.flatMap((m) => m.steps)
    .find((s) => s.id === id);
  const take = step?.takes?.find((t) => (t.from.includes(".") ? t.from : `${own}.${t.from}`) === stream.from);
  return join(part(document, stream), { from: stream.from, to }, take?.amount);
}

/** A by-product of a step: another output beside what it makes. */
export function addOutput(document: DishFile, stepRef: string, name: string, amount?: Amount): DishFile {
  const [component] = split(stepRef);
  const taken = componentOfDocument(document, component).methods.flatMap((m) => m.steps.flatMap((s) => (s.makes ?? []).map((o) => o.id)));
  const id = freeId(name, taken);
  return withStepsAt(document, stepRef, (s) => ({ ...s, makes: [...(s.makes ?? []), { id, name, ...(amount ? { amount } : {}) }] }));
}

/** An output changed in every method that makes it. */
export function withOutput(
  document: DishFile,
  ref: string,
  change: (output: NonNullable<DishStep["makes"]>[number]) => NonNullable<DishStep["makes"]>[number],
): DishFile {
  const [component, id] = split(ref);
  return withComponent(document, component, (c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((s) =>
        s.makes?.some((o) => o.id === id) ? { ...s, makes: s.makes.map((o) => (o.id === id ? change(o) : o)) } : s,
      ),
    })),
  }));
}

/** The step of a component where something new most likely goes in: the last one that takes something, or else the first. */
export function entryStep(document: DishFile, component: string): string | undefined {
  const steps = componentOfDocument(document, component).methods[0]?.steps ?? [];
  const taking = steps.filter((s) => s.takes?.length).at(-1) ?? (document.dish.serve.startsWith(`${component}.`) ? steps.at(-1) : steps[0]);
  return taking && `${component}.${taking.id}`;
}

/** Whether what one component makes reaches another, over any number of components. */
export function reaches(document: DishFile, from: string, to: string): boolean {
  const takers = new Map<string, Set<string>>();
  for (const c of document.components)
    for (const s of c.methods.flatMap((m) => m.steps))
      for (const t of s.takes ?? []) {
        const source = t.from.includes(".") ? split(t.from)[0] : c.id;
        if (source !== c.id) takers.set(source, (takers.get(source) ?? new Set()).add(c.id));
      }
  const seen = new Set<string>();
  const open = [from];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next === to) return from !== to;
    if (seen.has(next)) continue;
    seen.add(next);
    open.push(...(takers.get(next) ?? []));
  }
  return false;
}

/** Within one component: whether a step stands before the one that makes an output. */
function leadsTo(document: DishFile, stepRef: string, output: string): boolean {
  const [component, step] = split(stepRef);
  const steps = componentOfDocument(document, component).methods[0]?.steps ?? [];
  const maker = steps.findIndex((s) => s.makes?.some((o) => `${component}.${o.id}` === output));
  return steps.findIndex((s) => s.id === step) <= maker;
}

/** What a component makes that is meant by its name. */
export const outputOf = (document: DishFile, component: string): string | undefined => {
  const output = mainOutput(componentOfDocument(document, component));
  return output && `${component}.${output.id}`;
};
