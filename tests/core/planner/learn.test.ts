// The learning solver against all there is: small random problems are counted out by hand, dishes by what is known of them.

import { describe, expect, test } from "vitest";
import { jobShops } from "../../../bench/job-shops";
import { EMPTY_LOG, type Plan, planDish, planningNow, verifyPlan } from "../../../src/core/planner";
import { compile } from "../../../src/core/planner/compile";
import { Alternatives, type Piece } from "../../../src/core/planner/learn/alternatives";
import { Cover } from "../../../src/core/planner/learn/cover";
import { Cumulative, type Task } from "../../../src/core/planner/learn/cumulative";
import { Learner } from "../../../src/core/planner/learn/learner";
import { COST_SCALE } from "../../../src/core/planner/learn/objective";
import { Solver } from "../../../src/core/planner/learn/solver";
import type { Model } from "../../../src/core/planner/model";
import { seededRandom } from "../../../src/core/random";
import { deep } from "../../support/deep";
import { dishOf } from "../../support/dishes";
import { randomDish } from "../generate";

type Values = readonly number[];
interface Problem {
  readonly solver: Solver;
  readonly variables: readonly number[];
  readonly highs: readonly number[];
  readonly literals: readonly number[];
  /** Whether values of the variables, then of the literals (0 or 1), keep every rule. */
  readonly holds: (values: Values) => boolean;
}

/** A small problem with one of everything, and its rules once more in plain words. */
function randomProblem(seed: number): Problem {
  const random = seededRandom(seed);
  const whole = (from: number, to: number) => Math.floor(from + random() * (to - from + 1));
  const solver = new Solver();
  const rules: ((v: Values) => boolean)[] = [];
  const n = whole(3, 4);
  const highs = Array.from({ length: n }, () => whole(3, 8));
  const variables = highs.map((high) => {
    if (random() < 0.4 && high >= 4) {
      const hole = whole(1, high - 2);
      rules.push((v) => v[variables.indexOf(variable)] !== hole + 1);
      const variable = solver.newVariable(0, high, [
        [0, hole + 1],
        [hole + 2, high + 1],
      ]);
      return variable;
    }
    return solver.newVariable(0, high);
  });
  const literals = Array.from({ length: 3 }, () => solver.newLiteral());
  const value = (v: Values, variable: number) => v[variables.indexOf(variable)] as number;
  const yes = (v: Values, literal: number) => {
    const at = literals.indexOf(literal & ~1);
    return (v[n + at] as number) === 1 - (literal & 1);
  };
  const some = <T>(list: readonly T[]): T => list[whole(0, list.length - 1)] as T;
  const literal = () => some(literals) ^ whole(0, 1);
  for (let i = 0; i < whole(1, 3); i++) {
    const [a, b, lag, when] = [some(variables), some(variables), whole(-2, 3), random() < 0.6 ? literal() : -1];
    if (a === b) continue;
    solver.addLag(a, b, lag, when);
    rules.push((v) => (when >= 0 && !yes(v, when)) || value(v, b) >= value(v, a) + lag);
  }
  for (let i = 0; i < 2; i++) {
    const [p, q, x, k] = [literal(), literal(), some(variables), whole(1, 5)];
    if (p >> 1 === q >> 1) continue;
    solver.addClause([p, 1 - (p & 1), q, 1 - (q & 1), 2 * x, k]);
    rules.push((v) => yes(v, p) || yes(v, q) || value(v, x) >= k);
  }
  const tasks: Task[] = Array.from({ length: whole(2, 5) }, () => {
    const from = some(variables);
    const two = random() < 0.3;
    const plus = whole(1, 3);
    return {
      from: { v: from, plus: 0 },
      to: { v: two ? some(variables) : from, plus },
      size: whole(1, 2),
      when: random() < 0.4 ? literal() : -1,
    };
  });
  const capacity = whole(2, 3);
  const shared = new Cumulative(solver, capacity, tasks);
  solver.addPropagator(shared, shared.bounds());
  rules.push((v) => {
    for (let minute = -1; minute < 14; minute++) {
      const load = tasks.reduce((sum, t) => {
        const runs = value(v, t.from.v) + t.from.plus <= minute && minute < value(v, t.to.v) + t.to.plus;
        return runs && (t.when < 0 || yes(v, t.when)) ? sum + t.size : sum;
      }, 0);
      if (load > capacity) return false;
    }
    return true;
  });
  if (random() < 0.5) {
    const [a, b] = [some(variables), some(variables)];
    const stretches = [[0, 3] as const, [4, 12] as const];
    const cover = new Cover(solver, { v: a, plus: 0 }, { v: b, plus: 1 }, stretches);
    solver.addPropagator(cover, cover.bounds());
    rules.push((v) => stretches.some(([from, to]) => value(v, a) >= from && value(v, b) + 1 <= to));
    if (a !== b) {
      solver.addLag(a, b, 0);
      rules.push((v) => value(v, b) >= value(v, a));
    }
  }
  // Two cooks: the first literal says who does the first piece, the second who does the second.
  const works = [[[0, 4] as const, [6, 12] as const], [[2, 9] as const]] as const;
  const [x, y] = [variables[0] as number, variables[whole(1, n - 1)] as number];
  const pieces: Piece[] = [x, y].map((variable, i) => ({
    owner: i,
    v: variable,
    plus: 0,
    minutes: 2,
    when: -1,
    options: [0, 1].map((cook) => ({ cook, does: (literals[i] as number) ^ cook, works: works[cook] as (typeof works)[0] })),
  }));
  const alternatives = new Alternatives(solver, pieces);
  solver.addPropagator(alternatives, alternatives.bounds());
  // Who does both does them one after the other: the orders are clauses of their own, as in the encoding of a dish.
  const [first, second] = [solver.newLiteral(), solver.newLiteral()];
  solver.addLag(x, y, 2, first);
  solver.addLag(y, x, 2, second);
  for (const cook of [0, 1]) {
    const does = [0, 1].flatMap((i) => [(literals[i] as number) ^ cook ^ 1, 1 - (((literals[i] as number) ^ cook ^ 1) & 1)]);
    solver.addClause([first, 1, second, 1, ...does]);
  }
  const doer = (v: Values, i: number) => (yes(v, literals[i] as number) ? 0 : 1);
  rules.push((v) =>
    [x, y].every((variable, i) =>
      (works[doer(v, i)] as (typeof works)[0]).some(([from, to]) => from <= value(v, variable) && value(v, variable) + 2 <= to),
    ),
  );
  rules.push((v) => doer(v, 0) !== doer(v, 1) || Math.abs(value(v, x) - value(v, y)) >= 2);
  return { solver, variables, highs, literals, holds: (v) => rules.every((rule) => rule(v)) };
}

function everyAssignment(highs: readonly number[], literals: number): Values[] {
  return [...highs, ...Array.from({ length: literals }, () => 1)].reduce<number[][]>(
    (all, high) => all.flatMap((values) => Array.from({ length: high + 1 }, (_, k) => [...values, k])),
    [[]],
  );
}

describe("the learning solver", () => {
  test("finds what there is and refutes what there is not, with the least first variable", () => {
    let refuted = 0;
    for (let seed = 1; seed <= deep(60, 140); seed++) {
      const { solver, variables, highs, literals, holds } = randomProblem(seed);
      const good = everyAssignment(highs, literals.length).filter(holds);
      const all = [...variables, ...literals.map((l) => l >> 1)];
      const random = seededRandom(seed);
      const next = (): readonly [number, number] | undefined => {
        const open = all.filter((v) => !solver.isFixed(v));
        const v = open[Math.floor(random() * open.length)];
        if (v === undefined) return undefined;
        return random() < 0.5 ? [2 * v, solver.high(v)] : [2 * v + 1, -solver.low(v)];
      };
      // From above: each answer must keep the rules, and the last refusal must be right.
      let best = Number.POSITIVE_INFINITY;
      for (;;) {
        const assume = Number.isFinite(best) ? [2 * (variables[0] as number) + 1, 1 - best] : [];
        const outcome = solver.search(100_000, assume, next, () => false);
        if (outcome !== "found") {
          expect(outcome, `problem ${seed}`).toBe("refuted");
          break;
        }
        const values = all.map((v) => solver.low(v));
        expect(holds(values), `problem ${seed}: ${values}`).toBe(true);
        best = values[0] as number;
        if (best === 0) break;
      }
      const least = Math.min(...good.map((v) => v[0] as number));
      expect(best, `problem ${seed}`).toBe(least);
      if (good.length === 0) refuted++;
    }
    expect(refuted).toBeGreaterThan(3);
    expect(refuted).toBeLessThan(deep(50, 120));
  });

  test("many assumptions at once are given up together and forgotten", () => {
    const solver = new Solver();
    const literals = Array.from({ length: 24 }, () => solver.newLiteral());
    solver.addClause([(literals[3] as number) ^ 1, 0, (literals[17] as number) ^ 1, 0]);
    const yes = literals.flatMap((l) => [l, 1]);
    const next = () => {
      const open = literals.find((l) => !solver.isFixed(l >> 1));
      return open === undefined ? undefined : ([open, 1] as const);
    };
    expect(solver.search(100, yes, next, () => false)).toBe("refuted");
    expect(solver.search(100, yes.slice(0, 24), next, () => false)).toBe("found");
    expect(solver.isTrue(literals[3] as number) && solver.isTrue(literals[17] as number)).toBe(false);
  });
});

function modelOf(seed: number, steps: number): { model: Model; dish: ReturnType<typeof dishOf> } | undefined {
  const dish = dishOf(randomDish(seed, { steps }));
  const methods = Object.fromEntries(dish.components.map((c) => [c.id, c.methods[0]?.id ?? ""]));
  const compiled = compile({ dish, now: planningNow(dish, {}), serveAt: dish.serveAt, planAt: "cautious", methods, log: EMPTY_LOG });
  return compiled.status === "compiled" ? { model: compiled.model, dish } : undefined;
}

describe("proofs", () => {
  test("the two small classical job shops: the known optimum, proved", () => {
    for (const { name, optimum, dish } of jobShops().slice(0, 2)) {
      const planned = planDish(dishOf(dish), { style: "shortest", planAt: "likely", rounds: 2_000 });
      if (planned.status !== "feasible") throw new Error(`no plan for ${name}`);
      expect([name, planned.plan.leadMinutes, planned.plan.boundMinutes]).toEqual([name, optimum, optimum]);
    }
  });

  test("no bound lies above a plan that any seed or style finds", () => {
    for (let seed = 1; seed <= deep(4, 14); seed++) {
      const dish = dishOf(randomDish(seed + 31_000, { steps: 24 }));
      const shortest = planDish(dish, { style: "shortest", rounds: 400 });
      if (shortest.status !== "feasible") continue;
      expect(shortest.plan.boundMinutes).toBeLessThanOrEqual(shortest.plan.leadMinutes);
      for (const [style, other] of [["late", 2] as const, ["shortest", 3] as const, ["ahead", 4] as const]) {
        const planned = planDish(dish, { style, seed: other, rounds: 30, methods: shortest.plan.methods });
        if (planned.status === "feasible")
          expect(planned.plan.leadMinutes, `dish ${seed}`).toBeGreaterThanOrEqual(shortest.plan.boundMinutes);
      }
    }
  });
});

describe("the regret as a sum", () => {
  test("comes to what regret.ts counts, changes of the oven left out", () => {
    let compared = 0;
    for (let seed = 1; seed <= deep(14, 25); seed++) {
      const compiled = modelOf(seed + 52_000, 16);
      if (!compiled) continue;
      const { model, dish } = compiled;
      const planned = planDish(dish, { style: "late", rounds: 0, methods: model.methods, exact: true });
      if (planned.status !== "feasible" || model.activities.some((a) => a.minPiece !== undefined || a.step.each)) continue;
      const { plan } = planned;
      const learner = new Learner(model, 1, "late");
      const cost = Math.round((plan.regret.total - plan.regret.S5 - plan.regret.S7) * COST_SCALE);
      const ask = (cap: number) =>
        learner.cheaper(solutionOf(plan, model), cap, new Set(), "starts", new Map(), 500, () => false, "proof").status;
      expect(ask(cost + 2), `dish ${seed}`).toBe("found");
      expect(ask(cost - 2), `dish ${seed}`).toBe("refuted");
      compared++;
    }
    expect(compared).toBeGreaterThan(deep(4, 8));
  });

  test("more rounds never make a plan worse, and every plan keeps the rules", () => {
    for (let seed = 1; seed <= deep(3, 6); seed++) {
      const dish = dishOf(randomDish(seed + 63_000, { steps: 20 }));
      let before = Number.POSITIVE_INFINITY;
      for (const rounds of [0, 40, 160]) {
        const planned = planDish(dish, { style: "even", rounds });
        if (planned.status !== "feasible") break;
        expect(verifyPlan(dish, planned.plan).broken).toEqual([]);
        expect(planned.plan.regret.total).toBeLessThanOrEqual(before + 1e-6);
        before = planned.plan.regret.total;
      }
    }
  });
});

function solutionOf(plan: Plan, model: Model) {
  const at = new Map(plan.steps.map((s) => [s.step, s]));
  return {
    starts: model.activities.map((a) => at.get(a.step.ref)?.start ?? 0),
    ends: model.activities.map((a) => at.get(a.step.ref)?.end ?? 0),
    cooks: new Map(),
    pieces: new Map(),
  };
}
