// R35: which breaches what has begun excuses. A breach stands as an exception where the step has begun by the log (or the output was made),
// or, for hands, presence, rounds and quiet times, where the step is tied by longest waits to the end of one that has begun.
// The exceptions of a plan must be exactly those: one too few is a breach, one too many as well.
import type { Step } from "../../dish/model";
import { type Intervals, union } from "../../time/interval";
import type { ExceptionRule, PlanException } from "../plan";
import type { Broken, Context, Excuse } from "./context";

/** Rules that a step need not have begun for: it is enough that it may not wait for one that has. */
const FOR_TIED: ReadonlySet<string> = new Set(["H6", "H7", "H8", "H12"]);

/** Steps in force that have begun, and those that longest waits tie to their ends, directly or through steps so tied. */
function tiedSteps(ctx: Context): ReadonlySet<string> {
  const tied = new Set(ctx.events.keys());
  const waitsFor = (step: Step): string[] => [
    ...step.links.filter((l) => l.max !== undefined && l.from === "end").map((l) => l.step),
    ...step.takes.flatMap((take) => {
      const hold = ctx.holdFor(take.from, step.ref)?.hold;
      const holds = ctx.outputOf(take.from)?.holds ?? [];
      const limited = hold === undefined ? holds.length > 0 && holds.every((h) => h.max !== undefined) : holds[hold]?.max !== undefined;
      const maker = ctx.makerOf(take.from)?.ref;
      return limited && maker !== undefined ? [maker] : [];
    }),
  ];
  for (let grew = true; grew; ) {
    grew = false;
    for (const step of ctx.inForce) {
      if (tied.has(step.ref) || !waitsFor(step).some((ref) => tied.has(ref))) continue;
      tied.add(step.ref);
      grew = true;
    }
  }
  return tied;
}

interface Excusable {
  readonly broken: Broken;
  readonly rule: ExceptionRule;
  readonly excuse: Excuse;
}

const keyOf = (e: Pick<PlanException, "rule" | "step" | "output" | "cook">) =>
  [e.rule, e.step ?? "", e.output ?? "", e.cook ?? ""].join(" ");

/** Breaches that may stand as exceptions, and those that may not. */
export function excused(
  ctx: Context,
  broken: readonly Broken[],
): { readonly needed: readonly PlanException[]; readonly broken: Broken[]; readonly excusable: Excusable[] } {
  const tied = tiedSteps(ctx);
  const excusable: Excusable[] = [];
  const rest: Broken[] = [];
  for (const b of broken) {
    const { excuse } = b;
    const may = (ref = "") => ctx.events.has(ref) || (FOR_TIED.has(b.rule) && tied.has(ref));
    const maker = excuse?.output === undefined ? undefined : ctx.makerOf(excuse.output)?.ref;
    const made = maker === undefined || ctx.events.has(maker);
    const all = (excuse?.all ?? []).every((ref) => may(ref));
    if (excuse?.spans.length && (excuse.output === undefined ? may(excuse.step) : made) && all)
      excusable.push({ broken: b, rule: b.rule as ExceptionRule, excuse });
    else rest.push(b);
  }
  const groups = new Map<string, { first: Excusable; spans: Intervals }>();
  for (const e of excusable) {
    const key = keyOf({ rule: e.rule, ...namesOf(e.excuse) });
    const known = groups.get(key);
    groups.set(key, { first: known?.first ?? e, spans: union([...(known?.spans ?? []), ...e.excuse.spans]) });
  }
  const needed = [...groups.values()].flatMap(({ first, spans }) =>
    spans.map(([from, to]): PlanException => ({ rule: first.rule, ...namesOf(first.excuse), from, to, text: first.broken.why })),
  );
  return { needed, broken: rest, excusable };
}

const namesOf = ({ step, output, cook }: Excuse) => ({
  ...(output === undefined ? { step: step as string } : { output }),
  ...(cook === undefined ? {} : { cook }),
});

/** The breaches that are left when the plan's own exceptions are held against those that it needs: missing ones, and needless ones. */
export function heldAgainst(
  ctx: Context,
  broken: readonly Broken[],
): { readonly broken: Broken[]; readonly exceptions: readonly PlanException[] } {
  const found = excused(ctx, broken);
  const listed = new Map((ctx.plan.exceptions ?? []).map((e) => [`${keyOf(e)} ${e.from} ${e.to}`, e]));
  const left = [...found.broken];
  const exceptions: PlanException[] = [];
  for (const need of found.needed) {
    const key = `${keyOf(need)} ${need.from} ${need.to}`;
    const said = listed.get(key);
    listed.delete(key);
    if (said) exceptions.push(said);
    else {
      const because = found.excusable.find((e) => keyOf({ rule: e.rule, ...namesOf(e.excuse) }) === keyOf(need))?.broken as Broken;
      left.push({ ...because, from: need.from, to: need.to });
    }
  }
  for (const e of listed.values()) {
    const why = "The plan lists an exception that nothing begun needs.";
    left.push({ rule: e.rule, steps: e.step === undefined ? [] : [e.step], from: e.from, to: e.to, why });
  }
  return { broken: left, exceptions };
}
