// A smallest set of facts that cannot stand together: letting any one of them go gives a plan.
// Method: QuickXplain (Junker, "QuickXplain: preferred explanations and relaxations for over-constrained problems", AAAI 2004),
// over the facts of facts.ts; each probe builds the problem anew. Where time lags and calendars alone refute it, probes stop there; else
// the learning solver proves; where it cannot, a search that finds nothing within its budget counts as "none".
import type { Step } from "../../dish/model";
import { seededRandom } from "../../random";
import { type CompileInput, compile } from "../compile";
import { Learner } from "../learn/learner";
import { gainingCycle } from "../network";
import { Search } from "../search";
import { type Fact, factsOf, without } from "./facts";

export interface Conflict {
  readonly facts: readonly Fact[];
  /** Refuted by time lags and calendars alone, or merely not found within the budget. */
  readonly proved: boolean;
}

/** Conflicts spent on one probe: by the search that gives up, and by the solver that can prove. */
const CONFLICTS_A_PROBE = 250;
const QUICK_CONFLICTS = 40;
const CONFLICTS_OF_A_PROOF = 400;

/** The smallest conflict, or undefined where there is none, or `stop` came first. */
export function smallestConflict(scene: CompileInput, stop: () => boolean = () => false): Conflict | undefined {
  const inForce = stepsOf(scene);
  const facts = factsOf(scene.dish, inForce, scene.now, scene.planAt, scene.log);
  const probe = (kept: ReadonlySet<Fact>, how: Probe) =>
    refute({ ...scene, ...without(scene.dish, scene.now, scene.log, facts, kept) }, how, stop);
  const all = probe(new Set(facts), "network");
  const shallow = all === "refuted";
  let deep: Probe = "proof";
  if (!shallow && probe(new Set(facts), "proof") !== "refuted") {
    // Nothing can be proved: what a search does not find within its budget counts as none.
    if (probe(new Set(facts), "search") === "feasible" || stop()) return undefined;
    deep = "search";
  }
  const none = (kept: readonly Fact[], how: Probe) => {
    const answer = probe(new Set(kept), how);
    return answer === "refuted" || (answer === "none" && how === "search");
  };
  let found = quickXplain([], facts, (kept) => none(kept, shallow ? "network" : deep), stop);
  // What the network finds irreducible need not be so for hands and pots: each fact is let go once in earnest.
  if (
    shallow &&
    found.some((f) =>
      none(
        found.filter((g) => g !== f),
        deep,
      ),
    )
  )
    found = quickXplain([], found, (kept) => none(kept, deep), stop);
  if (stop() || found.length === 0) return undefined;
  return { facts: found, proved: deep === "proof" };
}

function stepsOf({ dish, methods }: CompileInput): Step[] {
  return dish.components.flatMap((c) =>
    c.onHand.length ? [] : (c.methods.find((m) => m.id === (methods[c.id] ?? c.methods[0]?.id))?.steps ?? []),
  );
}

/** How hard a probe looks: at time lags and calendars; for a proof; or for a plan, as far as a budget goes. */
type Probe = "network" | "proof" | "search";

/** "refuted" is a proof; "none" a search that gave up; "feasible" what was found, or could not be refuted. */
function refute(scene: CompileInput, how: Probe, stop: () => boolean): "feasible" | "none" | "refuted" {
  const compiled = compile(scene);
  if (compiled.status === "impossible") return "refuted";
  if (gainingCycle(2 * compiled.model.activities.length, compiled.model.lags)) return "refuted";
  const search = new Search(compiled.model, seededRandom(1));
  if (search.root()) return "refuted";
  if (how === "network") return "feasible";
  if (search.run(how === "proof" ? QUICK_CONFLICTS : CONFLICTS_A_PROBE, { starts: new Map() }, stop).status === "found") return "feasible";
  if (how === "search") return "none";
  return new Learner(compiled.model, 1).first(CONFLICTS_OF_A_PROOF, stop, "proof").status === "refuted" ? "refuted" : "feasible";
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
