// Questions about what stands: how long it may wait, where, and how it gets cold.
import { readHold } from "../../entry/hold-line";
import { keepingRow, longestMinutes, proposedHolds } from "../../foods/holds";
import { minutesOf, spokenDuration } from "../../time/duration";
import { withStep } from "../edit/places";
import { EditRefused } from "../edit/refused";
import type { DishFile, Hold } from "../schema";
import type { Question } from "./question";
import { addHolds, byWay, cooledBy, hasKind, isCold, isHot, isPerishable, type SeenStep, setStep, spanOf, stepsOf, takersOf } from "./walk";

const HOUR = 60;
/** So long on the counter is asked about, minutes: perishable food, dough, other things that work there. */
const COUNTER_ASKED = { perishable: 2 * HOUR, dough: 18 * HOUR, other: 8 * HOUR };
/** Kinds that work at room temperature on purpose. */
const WORKS_WARM = new Set(["ferment", "pickle", "dry", "oil", "garnish", "sweet"]);

const WORKS = /cultur|sour|ripen|\bset\b|ferment|hang|sprout/i;

/** "This rests on the counter for ten hours: is that meant?", and "it may keep longer than it should". */
export function restQuestions(document: DishFile): Question[] {
  return stepsOf(document).flatMap((s): Question[] => {
    const { step, component, place, ref, name } = s;
    const found: Question[] = [];
    const { max } = spanOf(step);
    const dough = component.kind === "dough";
    const limit = dough ? COUNTER_ASKED.dough : isPerishable(component) ? COUNTER_ASKED.perishable : COUNTER_ASKED.other;
    const stands = step.attention === "unattended" && !isCold(step) && !isHot(step);
    if (stands && max > limit && !WORKS_WARM.has(component.kind) && !WORKS.test(name)) {
      found.push({
        id: `counter:${ref}`,
        component: component.id,
        about: ref,
        text: `“${name}” is on the counter for ${spokenDuration(max)}. Is that right?`,
        why: isPerishable(component)
          ? "Between 5 and 60 °C food of this kind is safe for about two hours in all."
          : "In a warm summer kitchen, half of that time.",
        weight: isPerishable(component) ? 96 : 45,
        answers: (
          [
            ["No, in the fridge", "fridge"],
            ["In a cellar", "cellar"],
          ] as const
        )
          .filter(([, what]) => hasKind(document, what))
          .map(([label, what]) => ({ label, apply: setStep(place, { uses: [...(step.uses ?? []), { what, litres: 2 }] }) })),
      });
    }
    for (const output of step.makes ?? []) {
      for (const [h, hold] of (output.holds ?? []).entries()) {
        if (!hold.max || !["counter", "fridge", "hot"].includes(hold.place)) continue;
        const known = longestMinutes(output.name ?? output.id, hold.place as "counter" | "fridge" | "hot");
        if (!known?.safety || minutesOf(hold.max) <= known.minutes) continue;
        const place_ = hold.place === "counter" ? "on the counter" : hold.place === "hot" ? "hot" : "in the fridge";
        found.push({
          id: `hold-long:${component.id}.${output.id}:${hold.place}`,
          component: component.id,
          about: `${component.id}.${output.id}`,
          text: `${output.name ?? output.id} may wait ${spokenDuration(minutesOf(hold.max))} ${place_}: ${known.minutes === 0 ? "it should not be held there" : `${known.row.toLowerCase()} keeps ${spokenDuration(known.minutes)} there`}. Is it something else?`,
          why: "This is a safety limit from the table of holds; local rules come first.",
          weight: 94,
          answers:
            known.minutes > 0
              ? [{ label: `${spokenDuration(known.minutes)} at most`, apply: limited(s, output.id, h, known.minutes) }]
              : [],
        });
      }
    }
    return found;
  });
}

const limited = (s: SeenStep, output: string, index: number, minutes: number) => (document: DishFile) =>
  withStep(document, s.place, (step) => ({
    ...step,
    makes: step.makes?.map((o) =>
      o.id === output ? { ...o, holds: o.holds?.map((h, i) => (i === index ? shortened(h, minutes) : h)) } : o,
    ),
  }));

function shortened(hold: Hold, minutes: number): Hold {
  const text = minutes % 1440 === 0 && minutes >= 1440 ? `${minutes / 1440}d` : minutes % 60 === 0 ? `${minutes / 60}h` : `${minutes}m`;
  const { best, min, ...rest } = hold;
  return {
    ...rest,
    ...(min && minutesOf(min) <= minutes ? { min } : {}),
    ...(best && minutesOf(best[1]) <= minutes ? { best } : {}),
    max: text,
    limit: "safety",
  };
}

/** "How long may the stuffed dough stand before baking?", "A pot of hot stock goes into the fridge: how is it cooled first?" */
export function holdQuestions(document: DishFile): Question[] {
  return stepsOf(document).flatMap((s): Question[] => {
    const { step, component, place, ref } = s;
    const found: Question[] = [];
    for (const output of step.makes ?? []) {
      const full = `${component.id}.${output.id}`;
      const takers = takersOf(document, full).filter((t) => t.component.id !== component.id || t.ref !== ref);
      const taker = takers[0];
      const name = output.name ?? output.id;
      if (taker && !output.holds?.length && !boundClosely(taker, ref)) {
        const proposals = proposedHolds(name, component.kind);
        const row = keepingRow(name, component.kind);
        found.push({
          id: `hold:${full}`,
          component: component.id,
          about: full,
          text: `How long can ${lowerName(name)}${byWay(s)} wait before “${taker.name}”?`,
          why: "Without an answer the plan may let it wait for days, or not at all.",
          weight: isPerishable(component) ? 84 : 66,
          answers: [
            ...(proposals.length
              ? [
                  {
                    label: `As ${row?.name.toLowerCase()}: ${proposals.map(saidHold).join("; ")}`,
                    apply: addHolds(place, output.id, proposals),
                  },
                ]
              : []),
            { label: "Use at once", apply: addHolds(place, output.id, [{ place: "none", max: "15m", limit: "quality" }]) },
            { label: "As long as you like", apply: addHolds(place, output.id, [{ place: "cellar" }]) },
          ],
          typed: {
            prompt: "Or this long",
            example: "2h counter, or: 8h-3d fridge 2 L safety",
            apply: (d, text) => {
              const hold = readHold(text);
              if (!hold) throw new EditRefused("Write a time and a place, such as “2h counter” or “up to 3d fridge”.");
              return addHolds(place, output.id, [hold])(d);
            },
          },
        });
      }
      // A hot litre in the fridge warms all else, and cools too slowly itself.
      const chilled = output.holds?.find((h) => h.place === "fridge");
      if (chilled && isHot(step) && ["stock", "braise", "sauce", "grain"].includes(component.kind)) {
        found.push({
          id: `cool:${full}`,
          component: component.id,
          about: full,
          text: `${upper(name)}${byWay(s)} goes into the fridge hot: how is it cooled first?`,
          why: "From 57 to 21 °C within two hours and to 5 °C within four more is the usual rule; a full pot left alone takes far longer.",
          weight: 90,
          answers: [
            {
              label: "In an ice bath, 45 min",
              apply: cooledBy(place, output.id, {
                id: "cool",
                name: "Cool in an ice bath, stirring now and then",
                time: { min: "30m", likely: "45m", max: "1h" },
                attention: "nearby",
                handsStart: "5m",
                handsEnd: "3m",
                uses: [{ what: "sink" }],
                danger: ["large-pot-cooling"],
                done: { cue: "cold to the hand right through", probeC: 15 },
              }),
            },
            {
              label: "In shallow trays, 90 min",
              apply: cooledBy(place, output.id, {
                id: "cool",
                name: "Cool in shallow trays",
                time: { min: "1h", likely: "90m", max: "2h" },
                attention: "unattended",
                handsStart: "5m",
                handsEnd: "5m",
                uses: [{ what: "tray", count: 2 }],
                danger: ["large-pot-cooling"],
                done: { cue: "hand-cold" },
              }),
            },
          ],
        });
      }
    }
    return found;
  });
}

/** Whether the taker begins within an hour of that step by a written link. */
function boundClosely(taker: SeenStep, maker: string): boolean {
  const link = taker.step.after?.find(
    (l) => typeof l !== "string" && (l.step.includes(".") ? l.step : `${taker.component.id}.${l.step}`) === maker,
  );
  return typeof link === "object" && link.max !== undefined;
}

export const saidHold = (h: Hold): string =>
  `${h.min ? `at least ${spokenDuration(minutesOf(h.min))}, ` : ""}${h.max ? `${spokenDuration(minutesOf(h.max))} at most` : "as long as you like"} ${h.place === "counter" ? "on the counter" : h.place === "hot" ? "hot" : h.place === "none" ? "" : `in the ${h.place}`}`.trim();

const lowerName = (name: string) => (/^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name);
const upper = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);
