import { planNeeds } from "@/core/dish/edit/first-steps";
import type { DishFile } from "@/core/dish/schema";
import { EDITOR } from "@/words/editor";

/** What a plan of a new dish still needs: a list that shrinks as the cook goes on, and is gone when there is enough. */
export function GettingOn({ document }: { readonly document: DishFile }) {
  const needs = planNeeds(document);
  if (needs.length === 0) return null;
  return (
    <section aria-label={EDITOR.needs} className="mb-4 border-l-[3px] border-saffron py-0.5 pl-3 text-[14px]">
      <h2 className="caps font-sans font-normal">{EDITOR.needs}</h2>
      <ul>
        {needs.map((n) => (
          <li key={n.id} className="py-0.5">
            {n.text}
          </li>
        ))}
      </ul>
    </section>
  );
}
