// What a propagator gives as reason must imply what it concludes: else a conflict that is learned from it rules out plans that there are.
// Tried on small domains, where every assignment can be looked at.
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { Cover } from "../../../src/core/planner/learn/cover";
import { Cumulative, type Moment } from "../../../src/core/planner/learn/cumulative";
import { type Propagator, type Solver, truth } from "../../../src/core/planner/learn/solver";
import { deep } from "../../support/deep";

type Bound = readonly [bound: number, least: number];
interface Concluded {
  readonly reason: readonly Bound[];
  /** Undefined: the reason is a contradiction. */
  readonly conclusion: Bound | undefined;
}

/** Stands in for the solver: bounds in place, and every conclusion written down. Bound 2v is v itself, bound 2v + 1 is −v. */
class Written {
  readonly concluded: Concluded[] = [];
  readonly bound: number[];
  #reason: Bound[] = [];

  constructor(domains: readonly (readonly [number, number])[]) {
    this.bound = domains.flatMap(([low, high]) => [low, -high]);
  }
  low = (v: number): number => this.bound[2 * v] as number;
  high = (v: number): number => -(this.bound[2 * v + 1] as number);
  isFixed = (v: number): boolean => this.low(v) === this.high(v);
  isTrue = (literal: number): boolean => (this.bound[literal] as number) >= truth(literal);
  isFalse = (literal: number): boolean => this.isTrue(literal ^ 1);
  begin = (): void => {
    this.#reason = [];
  };
  because = (bound: number, least: number): void => {
    this.#reason.push([bound, least]);
  };
  conclude = (bound: number, least: number): boolean => {
    if (least <= (this.bound[bound] as number)) return true;
    this.concluded.push({ reason: this.#reason, conclusion: [bound, least] });
    this.bound[bound] = least;
    return (this.bound[bound & ~1] as number) <= -(this.bound[bound | 1] as number);
  };
  contradict = (): boolean => {
    this.concluded.push({ reason: this.#reason, conclusion: undefined });
    return false;
  };
}

const valueIn = (values: readonly number[], bound: number): number =>
  bound & 1 ? -(values[bound >> 1] as number) : (values[bound >> 1] as number);
const holds = (values: readonly number[], [bound, least]: Bound): boolean => valueIn(values, bound) >= least;

/** All ways of giving each variable a value from 0 to `most`. */
function* assignments(variables: number, most: number): Generator<number[]> {
  const values = new Array<number>(variables).fill(0);
  for (;;) {
    yield values;
    let at = 0;
    while (at < variables && values[at] === most) values[at++] = 0;
    if (at === variables) return;
    values[at] = (values[at] as number) + 1;
  }
}

const MOST = 4;
const domain = fc
  .tuple(fc.integer({ min: 0, max: MOST }), fc.integer({ min: 0, max: MOST }))
  .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const);
const domains = (n: number) => fc.array(domain, { minLength: n, maxLength: n });

/** A task that begins and ends within some minutes of one another, so that some of it surely runs. */
const task = fc
  .tuple(fc.integer({ min: 0, max: 2 }), fc.integer({ min: 0, max: 2 }), fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 2 }))
  .map(([a, slack, length, more]) => {
    const to = Math.min(MOST, a + length);
    return [[a, Math.min(MOST, a + slack)] as const, [to, Math.min(MOST, to + more)] as const] as const;
  });

/** Every reason implies its conclusion wherever the rule holds; what is concluded for good takes no assignment away that was allowed. */
function tried(solver: Written, propagator: Propagator, rule: (values: readonly number[]) => boolean, variables: number): number {
  propagator.propagate();
  for (const { reason, conclusion } of solver.concluded)
    for (const values of assignments(variables, MOST)) {
      if (!rule(values) || !reason.every((r) => holds(values, r))) continue;
      if (!conclusion || !holds(values, conclusion))
        throw new Error(`${JSON.stringify({ reason, conclusion })} does not hold for ${values.join(" ")}`);
    }
  return solver.concluded.length;
}

describe("a reason implies what it explains", () => {
  test("of a run that lies inside one stretch of minutes", () => {
    let conclusions = 0;
    fc.assert(
      fc.property(
        domains(2),
        fc.uniqueArray(fc.integer({ min: 0, max: MOST + 1 }), { minLength: 2, maxLength: 6 }),
        fc.constantFrom(-1, 0, 1),
        (given, cuts, plus) => {
          const sorted = [...cuts].sort((a, b) => a - b).slice(0, cuts.length & ~1);
          const stretches = sorted.flatMap((a, i) => (i % 2 ? [] : [[a, sorted[i + 1] as number] as const]));
          const solver = new Written(given);
          const [from, to]: Moment[] = [
            { v: 0, plus },
            { v: 1, plus },
          ];
          const cover = new Cover(solver as unknown as Solver, from as Moment, to as Moment, stretches);
          const inside = ([x, y]: readonly number[]) =>
            stretches.some(([a, b]) => a <= (x as number) + plus && (y as number) + plus <= b && (x as number) <= (y as number));
          conclusions += tried(solver, cover, inside, 2);
        },
      ),
      { numRuns: deep(400, 5_000) },
    );
    expect(conclusions).toBeGreaterThan(100);
  });
  test("of what may share a capacity, tasks that may not be there included", () => {
    let conclusions = 0;
    const sizes = fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(
        fc.tuple(task, task, task),
        sizes,
        fc.integer({ min: 2, max: 4 }),
        fc.boolean(),
        domain,
        (given, size, capacity, optional, there) => {
          // The seventh variable says whether the third task is there.
          const presence = [Math.min(1, there[0]), Math.min(1, there[1])] as const;
          const solver = new Written([...given.flat(), presence]);
          const tasks = size.map((s, i) => ({
            from: { v: 2 * i, plus: 0 },
            to: { v: 2 * i + 1, plus: 0 },
            size: s,
            when: optional && i === 2 ? 2 * 6 : -1,
          }));
          const rule = (values: readonly number[]) => {
            if ((values[6] as number) > 1 || tasks.some((t) => (values[t.from.v] as number) > (values[t.to.v] as number))) return false;
            for (let minute = 0; minute <= MOST; minute++) {
              let load = 0;
              for (const t of tasks)
                if ((t.when < 0 || values[6] === 1) && (values[t.from.v] as number) <= minute && minute < (values[t.to.v] as number))
                  load += t.size;
              if (load > capacity) return false;
            }
            return true;
          };
          conclusions += tried(solver, new Cumulative(solver as unknown as Solver, capacity, tasks), rule, 7);
        },
      ),
      { numRuns: deep(150, 1_500) },
    );
    expect(conclusions).toBeGreaterThan(60);
  });
});
