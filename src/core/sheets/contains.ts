// What each output itself contains: the allergens of all that went into it on its way, not of all that its component has.
import { dishModel } from "../dish/read-model";
import type { DishFile } from "../dish/schema";
import { ALLERGEN_WORDS, allergenWordsOf } from "../foods/allergens";
import { partsOf } from "../safety/part";

const ORDER: readonly string[] = Object.values(ALLERGEN_WORDS);

/**
 * @param chosen names or ids of the methods in force, by component
 * @returns by "component.output", in the order of the law's list; nothing for a component that is bought or on hand
 */
export function containsOf(document: DishFile, chosen: Readonly<Record<string, string>>): ReadonlyMap<string, readonly string[]> {
  const parts = partsOf(document, chosen, undefined);
  const model = new Map(
    dishModel(document).components.flatMap((c) => c.methods.flatMap((m) => m.steps.map((s) => [`${m.id} ${s.ref}`, s] as const))),
  );
  const steps = new Map(
    parts.flatMap((part) =>
      part.steps.flatMap((s, index) => {
        const step = model.get(`${part.method.id} ${s.ref}`);
        return step
          ? [[s.ref, { step, own: part.items.filter((i) => i.enters === index).flatMap((i) => allergenWordsOf(i.ingredient)) }] as const]
          : [];
      }),
    ),
  );
  const makers = new Map([...steps].flatMap(([ref, { step }]) => step.makes.map((o) => [o.ref, ref] as const)));
  const known = new Map<string, ReadonlySet<string>>();
  const within = (ref: string, above: ReadonlySet<string>): ReadonlySet<string> => {
    const done = known.get(ref);
    if (done) return done;
    const found = steps.get(ref);
    if (!found || above.has(ref)) return new Set();
    const path = new Set([...above, ref]);
    // What a step waits for in its own component is food that goes on; what it waits for elsewhere is only an order.
    const component = ref.slice(0, ref.indexOf("."));
    const before = found.step.links.map((l) => l.step).filter((s) => s.startsWith(`${component}.`));
    const taken = found.step.takes.flatMap((t) => makers.get(t.from) ?? []);
    const all = new Set([...found.own, ...[...before, ...taken].flatMap((s) => [...within(s, path)])]);
    known.set(ref, all);
    return all;
  };
  return new Map([...makers].map(([output, maker]) => [output, ORDER.filter((a) => within(maker, new Set()).has(a))]));
}
