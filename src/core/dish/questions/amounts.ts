// Questions about amounts: what goes in, how much comes out, who takes it, what is over.
import { readAmount } from "../../entry/amounts";
import { proposedHolds } from "../../foods/holds";
import { balanceOf, isOverTaken } from "../balance";
import { addIngredientLines } from "../edit/components";
import { methodOf, withMethod } from "../edit/places";
import { scaleComponent } from "../edit/quantities";
import { EditRefused } from "../edit/refused";
import { join, withOutput } from "../edit/streams";
import { componentOf, type Dish, type Step } from "../model";
import { dishModel } from "../read-model";
import type { DishFile } from "../schema";
import type { Amount } from "../schema-values";
import { quantityText } from "../units";
import type { Question } from "./question";

/** A rest of so large a share of what is made is asked about. */
const MUCH = 0.15;
/** What keeps so long is no leftover to worry about. */
const LONG_MINUTES = 7 * 1440;

const amountFrom = (text: string): Amount => {
  const amount = readAmount(text);
  if (!amount || !(amount.amount > 0)) throw new EditRefused("Write an amount, such as “1.2 kg”, “500 mL” or “12 pieces”.");
  return { amount: Number(amount.amount.toPrecision(6)), unit: amount.unit };
};

/** "Who eats the second litre of stock?", "How much of it goes in?", "What goes into it?" */
export function amountQuestions(document: DishFile): Question[] {
  return [...outputQuestions(document), ...ingredientQuestions(document)];
}

/** The document without an output that leads to nothing. */
const withoutOutput = (document: DishFile, ref: string): DishFile => ({
  ...document,
  components: document.components.map((c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((s) => {
        if (!s.makes?.some((o) => `${c.id}.${o.id}` === ref)) return s;
        const { makes, ...rest } = s;
        const left = makes.filter((o) => `${c.id}.${o.id}` !== ref);
        return left.length ? { ...rest, makes: left } : rest;
      }),
    })),
  })),
});

function outputQuestions(document: DishFile): Question[] {
  const dish = dishModel(document);
  const inForce = dish.components.flatMap((c) => (c.onHand.length ? [] : (c.methods[0]?.steps ?? [])));
  const kinds = new Map(document.components.map((c) => [c.id, c.kind]));
  const servings = new Set([dish.serve, ...dish.courses.map((c) => c.serve)]);
  const found: Question[] = [];
  for (const step of inForce) {
    const component = componentOf(step.ref);
    for (const output of step.makes) {
      const balance = balanceOf(dish, output.ref, output.quantity, inForce);
      const common = { component, about: output.ref };
      // What raw flesh has lain in is kept for nothing.
      const liquor = /\b(?:marinade|brine|soaking (?:water|liquid)|raw liquor|cure liquid)\b/i.test(output.name);
      const frozen = liquor ? [] : proposedHolds(output.name, kinds.get(component) ?? "other", ["freezer"]);
      const freezer = (label: string) =>
        frozen.length
          ? [{ label, apply: (d: DishFile) => withOutput(d, output.ref, (o) => ({ ...o, holds: [...(o.holds ?? []), ...frozen] })) }]
          : [];
      const keeps = output.holds.some((h) => h.place === "freezer" || h.max === undefined || h.max >= LONG_MINUTES);
      if (balance.takers.length === 0 && !servings.has(step.ref) && !output.holds.some((h) => h.place === "freezer")) {
        const table = document.components.find((c) => c.id === componentOf(dish.serve));
        found.push({
          ...common,
          id: `unused:${output.ref}`,
          text: `What happens to ${output.quantity ? `the ${quantityText(output.quantity)} of ` : ""}${output.name.toLowerCase()}?`,
          why: "It is made but not used: forgotten, thrown away, or kept for something.",
          weight: 62,
          answers: [
            ...(table && table.id !== component
              ? [{ label: "It is served", apply: (d: DishFile) => join(d, { from: output.ref, to: dish.serve }) }]
              : []),
            ...freezer("Kept in the freezer for another day"),
            { label: "It is thrown away", apply: (d: DishFile) => withoutOutput(d, output.ref) },
          ],
        });
      }
      if (balance.open && balance.takers.length > 0 && balance.made) {
        const unmeasured = balance.takers.find((t) => !t.quantity && t.step !== "plate");
        const others = balance.takers.length > 1;
        if (unmeasured && others)
          found.push({
            ...common,
            id: `share:${output.ref}>${unmeasured.step}`,
            text: `How much of the ${quantityText(balance.made)} of ${output.name.toLowerCase()} goes into “${inForce.find((s) => s.ref === unmeasured.step)?.name ?? unmeasured.step}”?`,
            why: "Several steps use it. With amounts Rondeau can check that there is enough.",
            weight: 48,
            answers: [],
            typed: {
              prompt: "Amount",
              example: quantityText({ ...balance.made, value: balance.made.value / 2 }),
              apply: (d, text) => join(d, { from: output.ref, to: unmeasured.step }, unscaled(d, component, amountFrom(text))),
            },
          });
      }
      if (isOverTaken(balance) && balance.made && balance.made.value > 0) {
        const by = balance.taken / balance.made.value;
        found.push({
          ...common,
          id: `short:${output.ref}`,
          text: `${quantityText({ ...balance.made, value: balance.taken })} of ${output.name.toLowerCase()} is used, ${quantityText(balance.made)} is made. Make more?`,
          why: "Otherwise there is not enough.",
          weight: 91,
          answers: [{ label: `Make ${Number(by.toPrecision(3))} times as much`, apply: (d) => scaleComponent(d, component, by) }],
        });
      }
      const rest = balance.made && !balance.open ? balance.made.value - balance.taken : 0;
      if (balance.made && balance.takers.length > 0 && rest > MUCH * balance.made.value && !keeps) {
        const left = quantityText({ ...balance.made, value: rest });
        // All that the component makes shrinks with it: only as far as nobody goes short of any of it, and only where that settles this.
        const by = leastShare(dish, component, inForce);
        const settles = by !== undefined && by < 1 && balance.taken >= (1 - MUCH) * balance.made.value * by;
        found.push({
          ...common,
          id: `left:${output.ref}`,
          text: `What happens to the ${left} of ${output.name.toLowerCase()} that is left over?`,
          why: `${quantityText(balance.made)} is made, ${quantityText({ ...balance.made, value: balance.taken })} is taken.`,
          weight: 38,
          answers: [
            ...(settles ? [{ label: "Make only what is used", apply: (d: DishFile) => scaleComponent(d, component, by) }] : []),
            ...freezer("Kept in the freezer"),
          ],
        });
      }
      if (!output.quantity && !servings.has(step.ref)) {
        found.push({
          ...common,
          id: `made:${output.ref}`,
          text: `How much ${output.name.toLowerCase()} comes out?`,
          why: "Scaling, pot sizes and leftovers depend on it.",
          weight: 34,
          answers: [],
          typed: {
            prompt: "Amount",
            example: "1.2 kg",
            apply: (d, text) => withOutput(d, output.ref, (o) => ({ ...o, amount: unscaled(d, component, amountFrom(text)) })),
          },
        });
      }
    }
  }
  return found;
}

/** To what share a component could shrink without anybody going short; undefined where that is not known. */
function leastShare(dish: Dish, component: string, inForce: readonly Step[]): number | undefined {
  let least = 0;
  for (const step of inForce.filter((s) => componentOf(s.ref) === component))
    for (const output of step.makes) {
      const { open, takers, made, taken } = balanceOf(dish, output.ref, output.quantity, inForce);
      if (takers.length === 0) continue;
      if (open || !made || !(made.value > 0)) return undefined;
      least = Math.max(least, taken / made.value);
    }
  return least > 0 ? least : undefined;
}

/** What is typed is meant for the guests wished for; the file counts for baseServes. */
function unscaled(document: DishFile, component: string, amount: Amount): Amount {
  const factor = document.components.find((c) => c.id === component)?.factor ?? 1;
  const k = (document.dish.serves / document.dish.baseServes) * factor;
  return { ...amount, amount: Number((amount.amount / k).toPrecision(6)) };
}

function ingredientQuestions(document: DishFile): Question[] {
  return document.components.flatMap((c): Question[] => {
    const method = c.methods[0];
    if (!method || c.onHand?.length || c.kind === "assembly") return [];
    const place = { component: c.id, method: method.id };
    const takesFromOthers = method.steps.some((s) => s.takes?.some((t) => t.from.includes(".") && componentOf(t.from) !== c.id));
    if (!method.ingredients?.length) {
      if (takesFromOthers) return [];
      return [
        {
          id: `ingredients:${c.id}`,
          component: c.id,
          about: undefined,
          text: `What are the ingredients of ${c.name.toLowerCase()}?`,
          why: "Shopping, weights and allergens come from them.",
          weight: 70,
          answers: [],
          typed: {
            prompt: "One or more, separated by commas",
            example: "1 kg bones, 2 onions, 3 L water",
            apply: (d, text) => {
              const lines = text.split(/\n|,(?!\d)/).filter((l) => l.trim() !== "");
              if (lines.length === 0) throw new EditRefused("Write ingredients, such as “500 g flour”.");
              return addIngredientLines(d, place, lines);
            },
          },
        },
      ];
    }
    const bare = method.ingredients.filter((i) => !i.amount && !i.asNeeded && !i.leftOut);
    return bare.slice(0, 3).map((i) => ({
      id: `amount:${c.id}.${method.id}.${i.id}`,
      component: c.id,
      about: undefined,
      text: `How much ${i.name.toLowerCase()} goes into ${c.name.toLowerCase()}?`,
      why: "Without an amount it cannot be bought or scaled.",
      weight: 52,
      answers: [{ label: "To taste", apply: (d: DishFile) => setIngredient(d, place, i.id, { asNeeded: true }) }],
      typed: {
        prompt: "Amount",
        example: "250 g",
        apply: (d: DishFile, text: string) => setIngredient(d, place, i.id, { amount: unscaled(d, c.id, amountFrom(text)) }),
      },
    }));
  });
}

function setIngredient(document: DishFile, place: { component: string; method: string }, id: string, more: object): DishFile {
  methodOf(document, place);
  return withMethod(document, place, (m) => ({ ...m, ingredients: m.ingredients?.map((i) => (i.id === id ? { ...i, ...more } : i)) }));
}
