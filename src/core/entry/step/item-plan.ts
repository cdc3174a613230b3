// Clauses that only the editor's own lines have: links to other steps, hands within a step, parts that may be put down, what may run
// at night, things with a heat of their own. Each is a clause by itself.
import { findDurations, lengthAt } from "../durations";
import { readEquipment } from "../equipment-words";
import type { Place } from "../lexicon/senses";
import { named, unquoted } from "../names";
import type { Item, Scan } from "./scan";

type Rule = (clause: string, folded: string, scan: Scan) => boolean;

const RULES: readonly Rule[] = [
  (_, folded, { found }) => {
    if (!/^(?:at once|straight away|immediately|right after)$/.test(folded)) return false;
    found.plan.after.push({ step: "", max: 0 });
    return true;
  },
  (clause, folded, { found, context, lexicon }) => {
    const m = /^within\s+/.exec(folded);
    const time = m && lengthAt(folded, m[0].length, lexicon);
    if (!m || !time) return false;
    const of = unquoted(clause.slice(time.end).replace(/^\s*(?:of|after)\s+(?:the )?/i, ""));
    const step = of === "" ? undefined : named(of, context.steps);
    if (of !== "" && !step) return false;
    found.plan.after.push({ step: step?.ref ?? "", ...(step ? { name: step.name } : {}), max: time.value.max });
    return true;
  },
  (clause, folded, { found, context, lexicon }) => {
    const m = /^after\s+/.exec(folded);
    if (!m) return false;
    const wait = lengthAt(folded, m[0].length, lexicon);
    if (wait) {
      const rest = folded.slice(wait.end);
      const place = /^\s*(?:in the |on the )?(fridge|counter|freezer|cellar)?(?:\s+(\d[\d.,]*)\s*l(?:itres?|iters?)?)?\s*$/.exec(rest);
      if (!place) return false;
      const range = wait.value.min !== wait.value.max;
      found.plan.after.push({
        step: "",
        min: wait.value.min,
        ...(range ? { max: wait.value.max } : {}),
        ...(place[1] ? { place: place[1] as Place } : {}),
        ...(place[2] ? { litres: Number(place[2].replace(",", ".")) } : {}),
      });
      return true;
    }
    const step = named(unquoted(clause.slice(m[0].length)), context.steps);
    if (!step) return false;
    found.plan.after.push({ step: step.ref, name: step.name });
    return true;
  },
  (clause, folded, { found }) => {
    const time = findDurations(clause)[0];
    if (!time || !/\bhands?(?:-on)?\b/.test(folded) || /\bby hands?\b/.test(folded)) return false;
    if (/\b(?:end|after|last)\b/.test(folded)) found.plan.handsEnd = time.value.likely;
    else found.plan.handsStart = time.value.likely;
    return true;
  },
  (_, folded, { found, lexicon }) => {
    const m = /^(?:may|can) be (?:put down|interrupted|split|paused)(?:\s*(?:in|into)?\s*(?:pieces?|parts?)?(?:\s*of)?\s*)?/.exec(folded);
    if (!m) return false;
    found.plan.split = lengthAt(folded, m[0].length, lexicon)?.value.likely ?? 15;
    return true;
  },
  (_, folded, { found: { plan } }) => {
    const rules: readonly (readonly [RegExp, () => unknown])[] = [
      [/^(?:not|never) (?:at|over|by) night$|^only (?:while )?awake$/, () => (plan.sleepOk = false)],
      [
        /^(?:(?:may|can) (?:run|go on|stay on) )?(?:at|by|through the) night(?: is fine)?$|^overnight is fine$/,
        () => (plan.sleepOk = true),
      ],
      [/^(?:not|never) (?:while|when) (?:out|away)$|^only at home$/, () => (plan.awayOk = false)],
      [/^(?:may|can) be left alone at home$|^(?:fine )?while (?:out|away)$/, () => (plan.awayOk = true)],
      [/^(?:comes? to )?(?:a |the )?(?:full |rolling )?boils?$/, () => (plan.boils = true)],
      [/^noisy$/, () => plan.tags.push("noisy")],
      [/^(?:smells?|smelly)$/, () => plan.tags.push("smell")],
      [/^(?:open )?flame$|^smoky$/, () => plan.tags.push("flame")],
    ];
    const rule = rules.find(([pattern]) => pattern.test(folded));
    rule?.[1]();
    return rule !== undefined;
  },
  // "Oven 425F fan 2 racks", "bath 65 ± 1", "mixer until shape", "8 L bath 65": more than the common words of a thing say.
  (clause, _, { found, context }) => {
    if (!/\b(?:racks?|until|till|hands only|while by hand)\b|±|\+\/-|\bbath\b/i.test(clause)) return false;
    const use = readEquipment(clause, context.kinds ?? []);
    if (!use) return false;
    const { keptUntil } = use;
    if (keptUntil !== undefined && !named(unquoted(keptUntil), context.steps)) return false;
    found.plan.uses.push(use);
    return true;
  },
];

/** A clause of the editor's own, from a place that opens one; further clauses only where quotation marks hold commas. */
export const planClause: Item = (scan, at) => {
  if (!scan.opens(at) || at === scan.blanks(0)) return undefined;
  let stop = scan.clauseEnd(at);
  const quote = scan.line.slice(at, stop).match(/[“"]/g)?.length ?? 0;
  if (quote === 1) {
    const close = scan.line.slice(stop).search(/[”"]/);
    if (close >= 0) stop = scan.clauseEnd(stop + close + 1);
  }
  const clause = scan.line.slice(at, stop).trim();
  const folded = scan.folded.slice(at, stop).trim();
  if (!RULES.some((rule) => rule(clause, folded, scan))) return undefined;
  const as = scan.found.plan.uses.length > 0 && /\b(?:oven|bath|mixer|racks?)\b/.test(folded) ? "equipment" : "note";
  scan.mark(at, at + clause.length, as);
  return at + clause.length;
};
