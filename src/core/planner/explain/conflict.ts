// A smallest set of facts that cannot stand together: letting any one of them go gives a plan.
// Method: QuickXplain (Junker, "QuickXplain: preferred explanations and relaxations for over-constrained problems", AAAI 2004),
// over the facts of facts.ts; each probe builds the problem anew and looks for a first plan. Where time lags and calendars alone refute
// it, probes stop there, which is quick and a proof; else a probe that finds nothing within its budget counts as "none".
import type { Step } from "../../dish/model";
import { type CompileInput, compile } from "../compile";
import { gainingCycle } from "../network";
import { seededRandom } from "../random";
import { Search } from "../search";
import { type Fact, factsOf, without } from "./facts";

export interface Conflict {
  readonly facts: readonly Fact[];
  /** Refuted by time lags and calendars alone, or merely not found within the budget. */
  readonly proved: boolean;
}

/** Conflicts of the search spent on one probe. */
const CONFLICTS_A_PROBE = 250;

/** The smallest conflict, or undefined where there is none, or `stop` came first. */
export function smallestConflict(scene: CompileInput, stop: () => boolean = () => false): Conflict | undefined {
  const inForce = stepsOf(scene);
  const facts = factsOf(scene.dish, inForce, scene.now, scene.planAt, scene.log);
  const probe = (kept: ReadonlySet<Fact>, deep: boolean) => {
    return refute({ ...scene, ...without(scene.dish, scene.now, scene.log, facts, kept) }, deep ? CONFLICTS_A_PROBE : 0, stop);
  };
  const all = probe(new Set(facts), true);
  if (all === "feasible" || stop()) return undefined;
  const shallow = all === "refuted";
  const none = (kept: readonly Fact[], deep: boolean) => probe(new Set(kept), deep) !== "feasible";
  let found = quickXplain([], facts, (kept) => none(kept, !shallow), stop);
  // What the network finds irreducible need not be so for hands and pots: each fact is let go once in earnest.
  if (
    shallow &&
    found.some((f) =>
      none(
        found.filter((g) => g !== f),
        true,
      ),
    )
  )
    found = quickXplain([], found, (kept) => none(kept, true), stop);
  if (stop() || found.length === 0) return undefined;
  return { facts: found, proved: probe(new Set(found), false) === "refuted" };
}

function stepsOf({ dish, methods }: CompileInput): Step[] {
  return dish.components.flatMap((c) =>
    c.onHand.length ? [] : (c.methods.find((m) => m.id === (methods[c.id] ?? c.methods[0]?.id))?.steps ?? []),
  );
}

/** "refuted" is a proof; "none" a search that gave up. Without conflicts to spend, what is not refuted counts as feasible. */
function refute(scene: CompileInput, conflicts: number, stop: () => boolean): "feasible" | "none" | "refuted" {
  const compiled = compile(scene);
  if (compiled.status === "impossible") return "refuted";
  if (gainingCycle(2 * compiled.model.activities.length, compiled.model.lags)) return "refuted";
  const search = new Search(compiled.model, seededRandom(1));
  if (search.root()) return "refuted";
  if (conflicts === 0) return "feasible";
  return search.run(conflicts, { starts: new Map() }, stop).status === "found" ? "feasible" : "none";
}

function quickXplain(
  background: readonly Fact[],
  facts: readonly Fact[],
  none: (kept: readonly Fact[]) => boolean,
  stop: () => boolean,
): Fact[] {
  const within = (kept: readonly Fact[], fresh: boolean, open: readonly Fact[]): Fact[] => {
    if (stop()) return [...open];
    if (fresh && none(kept)) return [];
    if (open.length <= 1) return [...open];
    const half = Math.ceil(open.length / 2);
    const [first, second] = [open.slice(0, half), open.slice(half)];
    const late = within([...kept, ...first], first.length > 0, second);
    const early = within([...kept, ...late], late.length > 0, first);
    return [...early, ...late];
  };
  if (none(background)) return [];
  return within(background, false, facts);
}
