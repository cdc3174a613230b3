// What would make a plan possible, each way tried by planning with it: serve later, another hour of a cook, a helper, a pot borrowed,
// a wait a little longer where only quality asks for it, the bought stand-in. Cheapest first. A safety limit is never widened.
import { documentChange } from "../../../dish/feast";
import { fitOf } from "../../../dish/fit";
import type { DishFile } from "../../../dish/schema";
import { freeAllChange, pinMethodsChange, pinStepChange } from "../../../dish/wishes";
import { lower } from "../../../sentence";
import { spokenDuration } from "../../../time/duration";
import { type PlanOptions, planningNow } from "../../index";
import type { Fact } from "../facts";
import { momentText } from "../words";
import { helper, moreEquipment, moreHours, quietTimes, stayUp } from "./kitchen";
import { type Proposal, type Repair, Trial, type Tried } from "./trial";
import { longerWaits } from "./waits";

export type { Repair } from "./trial";

interface RepairInput {
  readonly document: DishFile;
  readonly options: PlanOptions;
  readonly facts: readonly Fact[];
  readonly stop?: (() => boolean) | undefined;
  /** Told of those found so far, the cheapest first, each time that there are more. */
  readonly found?: ((repairs: readonly Repair[]) => void) | undefined;
}

/** Minutes later on the same day. */
const LATER = [30, 60, 120, 240, 480, 720];
const DAYS_LATER = 21;
/** Each of so many days is looked at, then one a week: what a whole week does not help is rarely helped by the next. */
const A_WEEK = 7;
const QUARTER = 15;

/** Repairs that work, cheapest first; none where nothing simple helps. */
export function findRepairs({ document, options, facts, stop = () => false, found = () => {} }: RepairInput): Repair[] {
  const trial = new Trial(document, options, stop);
  const hands = facts.some((f) => ["hours", "one-pair", "hands", "away", "awake", "nearby"].includes(f.kind));
  const nights = facts.some((f) => f.kind === "awake" || f.kind === "nearby");
  const ways: (() => Tried[])[] = [
    () => serveLater(trial),
    () => serveEarlier(trial),
    () => quietTimes(trial, facts),
    ...(nights ? [() => stayUp(trial)] : []),
    () => lettingGo(trial, facts),
    () => otherMethods(trial),
    ...(hands ? [() => moreHours(trial), () => helper(trial)] : []),
    () => moreEquipment(trial, facts),
    () => waysOfFit(trial, facts),
    () => longerWaits(trial, facts),
    () => standIns(trial),
  ];
  const all: Tried[] = [];
  for (const way of ways) {
    const more = way();
    all.push(...more);
    if (more.length) found(cheapestFirst(all));
  }
  return cheapestFirst(all);
}

const cheapestFirst = (found: readonly Tried[]): Repair[] =>
  found.toSorted((a, b) => a.trouble + a.regret.total - b.trouble - b.regret.total).map(({ trouble: _, ...repair }) => repair);

/** Later by the least that works, to the quarter hour; on another day at the hour at which it was to be. */
function serveLater(trial: Trial): Tried[] {
  const { zone } = trial.dish;
  const proposal = (minutes: number): Proposal => ({
    kind: "serve-later",
    text: `Serve at ${momentText(trial.dish, trial.serveAt + minutes)} instead, ${spokenDuration(minutes)} later.`,
    change: [{ op: "replace", path: "/dish/serveAt", value: zone.toWallInstant(trial.serveAt + minutes) }],
    trouble: minutes,
    options: { serveAt: undefined },
  });
  const found = (minutes: number) => trial.first([proposal(minutes)]);
  const day = zone.dayNumber(trial.serveAt);
  const { hour, minute } = zone.wall(trial.serveAt);
  const sameHour = Array.from({ length: DAYS_LATER }, (_, i) => zone.minuteOfDay(day + i + 1, hour * 60 + minute) - trial.serveAt);
  const far = sameHour.filter((minutes) => minutes >= trial.missingLead);
  const steps = [
    ...LATER.filter((minutes) => minutes >= trial.missingLead),
    ...far.filter((_, i) => i < A_WEEK || i % A_WEEK === A_WEEK - 1),
  ];
  for (const reached of steps) {
    let best = found(reached);
    if (best.length === 0) continue;
    if (reached > Math.max(...LATER)) return best;
    let [low, high] = [LATER.findLast((m) => m < reached) ?? 0, reached];
    while (high - low > QUARTER) {
      const middle: number = low + Math.ceil((high - low) / 2 / QUARTER) * QUARTER;
      if (middle >= high) break;
      const works = found(middle);
      if (works.length) [high, best] = [middle, works];
      else low = middle;
    }
    return best;
  }
  return [];
}

/** Earlier by the least that works: what waits may have too long to wait, or a quiet time begins. */
function serveEarlier(trial: Trial): Tried[] {
  const { zone } = trial.dish;
  const spare = -trial.missingLead;
  return trial.first(
    [15, 30, 60, 120]
      .filter((minutes) => minutes <= spare)
      .map(
        (minutes): Proposal => ({
          kind: "serve-earlier",
          text: `Serve at ${momentText(trial.dish, trial.serveAt - minutes)} instead, ${spokenDuration(minutes)} earlier.`,
          change: [{ op: "replace" as const, path: "/dish/serveAt", value: zone.toWallInstant(trial.serveAt - minutes) }],
          trouble: minutes,
          options: { serveAt: undefined },
        }),
      ),
  );
}

/** What the cook has fixed by hand and the conflict speaks of is let go, one at a time; all of it where no one is enough. */
function lettingGo(trial: Trial, facts: readonly Fact[]): Tried[] {
  const { pins } = trial.dish.wishes;
  const steps = new Set(facts.filter((f) => f.kind === "pin").map((f) => f.about));
  const nameOf = (ref: string) =>
    trial.dish.components.flatMap((c) => c.methods.flatMap((m) => m.steps)).find((s) => s.ref === ref)?.name ?? ref;
  const each = pins
    .filter((p) => steps.has(p.step))
    .flatMap((p) =>
      trial.first([
        {
          kind: "let-go",
          text: `Release “${lower(nameOf(p.step))}”.`,
          change: pinStepChange(trial.document, p.step, undefined),
          trouble: 15,
        },
      ]),
    );
  if (each.length || pins.length === 0) return each;
  return trial.first([{ kind: "let-go", text: "Release everything that you fixed.", change: freeAllChange(trial.document), trouble: 60 }]);
}

/** A method that the cook has fixed is let go: fixed otherwise where the wishes fix it, else another comes first in the file. */
function otherMethods(trial: Trial): Tried[] {
  const wished = trial.dish.wishes.methods;
  const given = { ...trial.options.methods, ...trial.options.log?.methods };
  const fixed = { ...wished, ...given };
  return Object.entries(fixed).flatMap(([id, method]) => {
    const c = trial.document.components.findIndex((x) => x.id === id);
    const component = trial.document.components[c];
    return (component?.methods ?? []).flatMap((other, m) =>
      other.id === method
        ? []
        : trial.first([
            {
              kind: "method",
              text: `${component?.name ?? id}: ${lower(other.name ?? other.id)} instead.`,
              change:
                wished[id] && !given[id]
                  ? pinMethodsChange(trial.document, { [id]: other.id })
                  : m === 0
                    ? []
                    : [{ op: "move", from: `/components/${c}/methods/${m}`, path: `/components/${c}/methods/0` }],
              trouble: 0,
              ...(given[id] ? { options: { methods: { ...trial.options.methods, [id]: other.id } } } : {}),
            },
          ]),
    );
  });
}

/** Trouble of each way out that the page of amounts offers too, in minutes. */
const TROUBLE_OF_FIT = { batches: 60, more: 90, bigger: 90, less: 240 };

/** Where something does not fit its pot or tin: in batches, a bigger one, a second one, less of it. */
function waysOfFit(trial: Trial, facts: readonly Fact[]): Tried[] {
  const steps = new Set(facts.filter((f) => f.kind === "use").flatMap((f) => f.steps));
  return fitOf(trial.document)
    .filter((fit) => steps.has(fit.about) && (fit.verdict === "over" || fit.verdict === "none"))
    .flatMap((fit) => fit.remedies)
    .flatMap((remedy) => {
      const changed = remedy.apply(trial.document);
      return trial.first([
        {
          kind: "fit",
          text: `${remedy.text.replace(/\.$/, "")}.`,
          change: documentChange(trial.document, changed),
          trouble: TROUBLE_OF_FIT[remedy.kind],
        },
      ]);
    });
}

/** The bought stand-in of a component: on hand from when it can be fetched. */
function standIns(trial: Trial): Tried[] {
  const now = planningNow(trial.dish, trial.options);
  return trial.dish.components.flatMap((model, c) => {
    const component = trial.document.components[c];
    if (!component || !model.fallback || model.onHand.length) return [];
    const ready = now + model.fallback.lead;
    return trial.first([
      {
        kind: "stand-in",
        text: `${model.fallback.name} instead of ${lower(component.name)}, ready by ${momentText(trial.dish, ready)}.`,
        change: [trial.standIn(c, ready)],
        trouble: 200 + 600 * (1 - model.fallback.quality),
      },
    ]);
  });
}
