// Balance of amounts: nobody can take more of an output than is made of it.
// An output over-taken under every choice of methods is an error of the file; under some, those choices are not feasible.
import type { PlacedStep, Report } from "./check-report";
import { componentOf, type Dish, type Step } from "./model";
import { comparable, type Quantity, quantityText } from "./units";

/** Rounding of scaled amounts that is no shortage. */
const TOLERANCE = 1e-6;

interface Balance {
  readonly output: string;
  readonly made: Quantity | undefined;
  readonly taken: number;
  readonly takers: readonly { readonly step: string; readonly quantity: Quantity | undefined }[];
  /** Amounts of different kinds, or unstated ones: nothing can be said. */
  readonly open: boolean;
}

/**
 * How much of an output the given steps (those of the methods in force) take. The plate is what a guest gets, not a second taker: where steps
 * take the output already, only what the plate asks for beyond that is taken besides.
 */
export function balanceOf(dish: Dish, output: string, made: Quantity | undefined, inForce: readonly Step[]): Balance {
  const takers = inForce.flatMap((s) => s.takes.filter((t) => t.from === output).map((t) => ({ step: s.ref, quantity: t.quantity })));
  const bySteps = takers.length > 0;
  for (const entry of dish.plate) {
    if (entry.from !== output) continue;
    if (!bySteps) takers.push({ step: "plate", quantity: entry.quantity });
    else if (entry.quantity && takers.every((t) => t.quantity && comparable(t.quantity, entry.quantity as Quantity))) {
      const beyond = entry.quantity.value - takers.reduce((sum, t) => sum + (t.quantity?.value ?? 0), 0);
      if (beyond > TOLERANCE) takers.push({ step: "plate", quantity: { ...entry.quantity, value: beyond } });
    }
  }
  const stated = takers.flatMap((t) => (t.quantity ? [t.quantity] : []));
  const open = !made || stated.length < takers.length || stated.some((q) => !comparable(q, made));
  const taken = made ? stated.filter((q) => comparable(q, made)).reduce((sum, q) => sum + q.value, 0) : 0;
  return { output, made, taken, takers, open };
}

/** Whether more is taken than made, of amounts that can be compared. */
export function isOverTaken(balance: Balance): boolean {
  return balance.made !== undefined && balance.taken > balance.made.value * (1 + TOLERANCE) + TOLERANCE;
}

/** Reports over-taken outputs, and amounts that cannot be compared. */
export function checkBalance(dish: Dish, steps: readonly PlacedStep[], report: Report): void {
  const madeAt = new Map<string, { placed: PlacedStep; index: number }[]>();
  for (const placed of steps) {
    placed.step.makes.forEach((output, index) => {
      madeAt.set(output.ref, [...(madeAt.get(output.ref) ?? []), { placed, index }]);
    });
  }
  const takersOf = new Map<string, PlacedStep[]>();
  for (const placed of steps) {
    if (placed.component.onHand.length) continue;
    for (const ref of new Set(placed.step.takes.map((t) => t.from))) takersOf.set(ref, [...(takersOf.get(ref) ?? []), placed]);
  }
  const onHand = new Set(dish.components.filter((c) => c.onHand.length).map((c) => c.id));
  for (const [ref, makers] of madeAt) {
    if (onHand.has(componentOf(ref))) continue;
    const balances = makers.map(({ placed, index }) => {
      const made = placed.step.makes[index]?.quantity;
      return { placed, index, balance: leastTaken(dish, ref, made, placed, takersOf.get(ref) ?? []) };
    });
    const first = balances[0] as (typeof balances)[number];
    const path = `${first.placed.path}.makes[${first.index}]`;
    if (balances.every(({ balance }) => isOverTaken(balance))) {
      const { made, taken, takers } = first.balance;
      report(
        `${path}.amount`,
        `More is used than made: ${made ? quantityText(made) : "nothing"} of "${ref}" for ${made ? quantityText({ ...made, value: taken }) : "takers"} (${takers
          .map((t) => t.step)
          .slice(0, 6)
          .join(", ")}). Make more ("factor"), or use less.`,
      );
    } else if (balances.some(({ balance }) => isOverTaken(balance))) {
      report(`${path}.amount`, `With some methods more of "${ref}" is used than made; those methods cannot be chosen.`, "warning");
    }
    const odd =
      first.balance.made && first.balance.takers.find((t) => t.quantity && !comparable(t.quantity, first.balance.made as Quantity));
    if (odd)
      report(
        path,
        `"${odd.step}" takes this in another kind of amount (mass, volume or pieces) than it is made in, so they cannot be compared.`,
        "warning",
      );
  }
  dish.components.forEach((component, c) => {
    component.onHand.forEach((entry, i) => {
      const inForce = steps.filter((p) => p.methodIndex === 0 && !onHand.has(p.component.id)).map((p) => p.step);
      if (isOverTaken(balanceOf(dish, entry.ref, entry.quantity, inForce))) {
        report(
          `components[${c}].onHand[${i}].amount`,
          `More of "${entry.ref}" is used than is on hand. Enter more, or make the component.`,
        );
      }
    });
  });
}

/** The least that is taken of an output when one of its makers is in force: each other component takes by its most modest method. */
function leastTaken(dish: Dish, ref: string, made: Quantity | undefined, maker: PlacedStep, takers: readonly PlacedStep[]): Balance {
  const taking = dish.components.flatMap((component) => {
    const own = takers.filter((p) => p.component === component);
    if (own.length === 0) return [];
    const byMethod = component.methods.map((_, m) => own.filter((p) => p.methodIndex === m).map((p) => p.step));
    if (component.id === maker.component.id) return byMethod[maker.methodIndex] ?? [];
    const weigh = (list: readonly Step[]) => balanceOf({ ...dish, plate: [] }, ref, made, list).taken;
    return byMethod.sort((a, b) => weigh(a) - weigh(b))[0] ?? [];
  });
  return balanceOf(dish, ref, made, taking);
}
