// The parts of a line behind its name, each saying one thing more, in any order.
import type { Hold } from "../dish/schema";
import type { Amount } from "../dish/schema-values";
import { durationText } from "../time/duration";
import { amountAt } from "./amounts";
import { durationAt, findDurations, type Length, rhythmAt } from "./durations";
import { type EquipmentUse, readEquipment } from "./equipment-words";
import { holdSaid, readHold } from "./hold-line";
import { named, slug } from "./names";
import { numberAt, shortNumber } from "./numbers";
import { type Draft, type LineContext, type Reader, say, spreadOf, type Use, unquoted } from "./step-draft";
import { findTemperatures, temperatureAt } from "./temperatures";
import { isInOven } from "./verbs";
import { lengthWords, saidOfUse } from "./words-said";

/** One thing more that a part of a line may say; the first reader that knows it takes it. */
export const READERS: readonly Reader[] = [
  // "skim every 45m", "every 12h turn for 5m from 2h until 3d"
  (clause, draft) => {
    const m = /\bevery\s+/i.exec(clause);
    if (!m) return false;
    const every = rhythmAt(clause, m.index + m[0].length);
    if (!every) return false;
    if (/^check/i.test(clause)) {
      const from = /\bfrom\s+/i.exec(clause);
      const first = from && durationAt(clause, from.index + from[0].length);
      draft.done = {
        ...draft.done,
        ...(first ? { checkFrom: durationText(first.value.likely) } : {}),
        checkEvery: durationText(every.value.likely),
      };
      say(draft, clause, `check${first ? ` from ${lengthWords(first.value)} on` : ""}, then every ${lengthWords(every.value)}`);
      return true;
    }
    let rest = `${clause.slice(0, m.index)} ${clause.slice(every.end)}`;
    const part = (word: RegExp): Length | undefined => {
      const at = word.exec(rest);
      const found = at && durationAt(rest, at.index + at[0].length);
      if (!at || !found) return undefined;
      rest = `${rest.slice(0, at.index)} ${rest.slice(found.end)}`;
      return found.value;
    };
    const takes = part(/\b(?:for|takes|taking)\s+/i);
    const first = part(/\b(?:from|after|first at)\s+/i);
    const until = part(/\buntil\s+/i);
    const times = /\b(\d{1,3}|once|twice|three times|four times|six times)(?:\s*(?:times|x|×))?\b/i.exec(rest);
    const count =
      times && /times|x|×|once|twice/i.test(times[0])
        ? ({ once: 1, twice: 2, "three times": 3, "four times": 4, "six times": 6 }[times[0].toLowerCase().trim()] ?? Number(times[1]))
        : undefined;
    if (times && count) rest = rest.replace(times[0], " ");
    const likely = every.value.likely;
    if (likely < 1) return false;
    const last = until?.likely ?? (count ? (first?.likely ?? likely) + (count - 1) * likely : undefined);
    const what = unquoted(rest);
    draft.tends.push({
      every: spreadOf(every.value),
      ...(takes ? { takes: durationText(takes.likely) } : {}),
      ...(what ? { what } : {}),
      ...(first ? { first: durationText(first.likely) } : {}),
      ...(last !== undefined ? { until: durationText(last) } : {}),
    });
    say(
      draft,
      clause,
      `round: ${what || "check it"} every ${lengthWords(every.value)}${takes ? `, ${lengthWords(takes)} each` : ""}${first ? `, first after ${lengthWords(first)}` : ""}${last !== undefined ? `, the last by ${lengthWords({ min: last, likely: last, max: last })}` : ""}`,
    );
    return true;
  },
  (clause, draft) => {
    const m = /^(?:(?:it )?(?:keeps|keep|holds|hold)|needs|stands)\s+(?:for\s+)?/i.exec(clause);
    if (!m || (/^needs/i.test(clause) && !/fridge|counter|freezer|cellar|hot\b/i.test(clause))) return false;
    const hold = readHold(clause.slice(m[0].length), /^needs/i.test(clause));
    if (!hold) return false;
    draft.holds.push(hold);
    say(draft, clause, `may wait: ${holdSaid(hold)}`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:makes|gives|yields|leaves)\s+/i.exec(clause);
    if (!m) return false;
    const amount = amountAt(clause, m[0].length, true);
    let name = clause
      .slice(amount?.end ?? m[0].length)
      .replace(/^\s*(?:of )?/, "")
      .trim();
    name = unquoted(name);
    const raw = /\braw$/i.test(name);
    if (raw) name = name.replace(/,?\s*raw$/i, "");
    if (!amount && name === "") return false;
    const value = amount && amountFile(amount.value);
    const shown = name || draft.name;
    draft.makes.push({ id: slug(shown), name: shown, ...(value ? { amount: value } : {}), ...(raw ? { raw: true } : {}) });
    say(draft, clause, `makes ${value ? `${shortNumber(value.amount)} ${value.unit} of ` : ""}${shown}${raw ? ", raw" : ""}`);
    return true;
  },
  (clause, draft, context) => {
    const m = /^(?:takes|uses|with|adds?)\s+/i.exec(clause);
    if (!m) return false;
    const amount = amountAt(clause, m[0].length);
    const name = clause
      .slice(amount?.end ?? m[0].length)
      .replace(/^\s*(?:of )?(?:the )?/, "")
      .trim();
    const output = named(unquoted(name), context.outputs);
    if (!output) return false;
    draft.takes.push({ from: output.ref, ...(amount ? { amount: amountFile(amount.value) } : {}) });
    say(draft, clause, `takes ${amount ? clause.slice(m[0].length, amount.end) : "all"} of ${output.name}`);
    return true;
  },
  (clause, draft) => {
    if (!/^(?:at once|straight away|immediately|right after)$/i.test(clause)) return false;
    draft.after.push({ step: "", max: "0m", limit: "quality" });
    say(draft, clause, "starts the minute the step before ends");
    return true;
  },
  (clause, draft, context) => {
    const m = /^within\s+/i.exec(clause);
    const found = m && durationAt(clause, m[0].length);
    if (!m || !found) return false;
    const of = clause
      .slice(found.end)
      .replace(/^\s*(?:of|after)\s+(?:the )?/i, "")
      .trim();
    const step = of === "" ? undefined : named(of, context.steps);
    if (of !== "" && !step) return false;
    draft.after.push({ step: step?.ref ?? "", max: durationText(found.value.max), limit: "quality" });
    say(draft, clause, `starts at most ${lengthWords({ ...found.value, min: found.value.max })} after ${step?.name ?? "the step before"}`);
    return true;
  },
  (clause, draft, context) => {
    const m = /^after\s+/i.exec(clause);
    if (!m) return false;
    const wait = durationAt(clause, m[0].length);
    const rest = clause.slice(wait?.end ?? m[0].length).trim();
    if (wait) {
      const place = /\b(fridge|counter|freezer|cellar)\b/i.exec(rest)?.[1]?.toLowerCase() as Hold["place"] | undefined;
      const litres = /(\d[\d.,]*)\s*l(?:itres?|iters?)?\b/i.exec(rest)?.[1];
      const range = wait.value.min !== wait.value.max;
      draft.after.push({
        step: "",
        min: durationText(wait.value.min),
        ...(range ? { max: durationText(wait.value.max), limit: "quality" as const } : {}),
        ...(place ? { place } : {}),
        ...(litres ? { litres: Number(litres.replace(",", ".")) } : {}),
      });
      say(draft, clause, `waits ${lengthWords(wait.value)} after the step before${place ? `, in the ${place}` : ""}`);
      return true;
    }
    const step = named(unquoted(rest), context.steps);
    if (!step) return false;
    draft.after.push({ step: step.ref });
    say(draft, clause, `starts once “${step.name}” is done`);
    return true;
  },
  (clause, draft) => {
    const m =
      /^(?:until|till|done when|when)\s+/i.exec(clause) ??
      /^(?=(?:pull(?:ed)?|out|core|done) (?:at|of) )|^(?=\d+\s?°?[CF]?\b.*\bin the (?:middle|thickest|centre))/i.exec(clause);
    if (!m) return false;
    const text = clause.slice(m[0].length);
    const [heat, rest] = findTemperatures(text);
    let cue = text;
    if (heat) {
      draft.done.probeC = heat.value;
      if (rest && /rest|climb/i.test(text.slice(heat.end, rest.start))) draft.done.restToC = rest.value;
      cue = text
        .replace(text.slice(heat.start, rest ? rest.end : heat.end), " ")
        .replace(/\b(?:pull(?:ed)?|out|core|done|at|of|in the (?:middle|centre|thickest part)|inside)\b/gi, " ")
        .replace(/\s+/g, " ")
        .replace(/^(?:and|or)\s|\s(?:and|or)$/g, "")
        .trim();
    }
    cue = unquoted(cue);
    if (cue) draft.done.cue = draft.done.cue ? `${draft.done.cue}, ${cue}` : cue;
    say(
      draft,
      clause,
      `done ${[cue && `when ${cue}`, heat && `at ${heat.value} °C in the middle`].filter(Boolean).join(", ")}${draft.done.restToC ? `, resting to ${draft.done.restToC} °C` : ""}`,
    );
    return true;
  },
  (clause, draft) => {
    const m = /^(?:check|look|start checking|begin checking)\s+from\s+/i.exec(clause);
    const from = m && durationAt(clause, m[0].length);
    if (!from) return false;
    draft.done.checkFrom = durationText(from.value.likely);
    say(draft, clause, `check it from ${lengthWords(from.value)} on`);
    return true;
  },
  (clause, draft) => {
    const word = (
      [
        ["hands", /^(?:by hand|hands(?: on)?|hands-on|all by hand)$/i, "hands on throughout"],
        ["nearby", /^(?:(?:stay |somebody |keep )?near(?:by)?|watch(?:ed)?|stay by it|stay at home)$/i, "somebody awake and at home"],
        ["unattended", /^(?:alone|unattended|by itself|on its own|leave(?: it)?(?: alone)?)$/i, "unattended"],
      ] as const
    ).find(([, pattern]) => pattern.test(clause));
    if (!word) return false;
    draft.attention = word[0];
    say(draft, clause, word[2]);
    return true;
  },
  (clause, draft) => {
    const found = findDurations(clause)[0];
    if (!found || !/\bhands?\b/i.test(clause)) return false;
    const text = durationText(found.value.likely);
    const end = /\b(?:end|after|last)\b/i.test(clause);
    if (end) draft.handsEnd = text;
    else draft.handsStart = text;
    say(draft, clause, `${lengthWords(found.value)} hands-on at the ${end ? "end" : "start"}`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:in\s+)?(\d{1,3}|two|three|four|five|six)\s+batch(?:es)?$/i.exec(clause);
    const number = m && numberAt(m[1] as string, 0, true);
    if (!number || number.value < 1) return false;
    draft.batches = number.value;
    say(draft, clause, `done ${number.value} times over, one after another`);
    return true;
  },
  (clause, draft) => {
    const m = /^(?:may|can) be (?:put down|interrupted|split)(?:\s*(?:in|into)?\s*(?:pieces?|parts?)?(?:\s*of)?\s*)?/i.exec(clause);
    if (!m) return false;
    const piece = durationAt(clause, m[0].length);
    draft.split = { minPiece: durationText(piece?.value.likely ?? 15) };
    say(draft, clause, `can be paused and continued, ${lengthWords(piece?.value ?? { min: 15, likely: 15, max: 15 })} at a time`);
    return true;
  },
  (clause, draft) => {
    const rules: readonly (readonly [RegExp, () => void, string])[] = [
      [/^(?:not|never) (?:at|over|by) night$|^only (?:while )?awake$/i, () => (draft.sleepOk = false), "not while everyone sleeps"],
      [
        /^(?:(?:may|can) (?:run|go on|stay on) )?(?:at|over|by|through the) night(?: is fine)?$|^overnight is fine$/i,
        () => (draft.sleepOk = true),
        "can run while everyone sleeps",
      ],
      [/^(?:not|never) (?:while|when) (?:out|away)$|^only at home$/i, () => (draft.awayOk = false), "not while nobody is home"],
      [/^(?:may|can) be left alone at home$|^(?:fine )?while (?:out|away)$/i, () => (draft.awayOk = true), "can run while nobody is home"],
      [/^(?:comes? to )?(?:a |the )?(?:full |rolling )?boils?$/i, () => (draft.boils = true), "comes to a full boil"],
      [/^noisy$/i, () => draft.tags.push("noisy"), "noisy: kept out of quiet hours"],
      [/^smells?|^smelly$/i, () => draft.tags.push("smell"), "smells"],
      [/^(?:open )?flame|^smoky$/i, () => draft.tags.push("flame"), "open flame"],
    ];
    const rule = rules.find(([pattern]) => pattern.test(clause));
    if (!rule) return false;
    rule[1]();
    say(draft, clause, rule[2]);
    return true;
  },
  readEquipmentClause,
  (clause, draft) => {
    const found = durationAt(clause, 0);
    if (!found || found.end !== clause.length || draft.time) return false;
    draft.time = found.value;
    say(draft, clause, lengthWords(found.value));
    return true;
  },
  (clause, draft) => {
    const heat = temperatureAt(clause.replace(/^at /i, ""), 0);
    if (!heat || heat.end !== clause.replace(/^at /i, "").length || !isInOven(draft.name)) return false;
    draft.uses.push({ what: "oven", tempC: heat.value, racks: 1 });
    say(draft, clause, saidOfUse(draft.uses.at(-1) as Use));
    return true;
  },
];

/** A thing or a place of the kitchen. */
export function readEquipmentClause(clause: string, draft: Draft, context: LineContext): boolean {
  const found: EquipmentUse | undefined = readEquipment(clause, context.kinds ?? []);
  if (!found) {
    if (!/^(?:(?:on|at) )?(?:the )?(?:counter|room temperature|cool place)$/i.test(clause)) return false;
    draft.attention ??= "unattended";
    say(draft, clause, "stands on the counter");
    return true;
  }
  const { keptUntil, ...use } = found;
  const until = keptUntil === undefined ? undefined : named(unquoted(keptUntil), context.steps);
  if (keptUntil !== undefined && !until) return false;
  // "In the fridge" and "fridge 2 L" are one fridge.
  const same = draft.uses.findIndex(
    (u) => u.what === use.what && ["fridge", "freezer", "cellar"].includes(u.what) && u.litres === undefined,
  );
  if (same >= 0) draft.uses.splice(same, 1);
  draft.uses.push(until ? { ...use, until: until.ref } : use);
  if (["fridge", "freezer", "cellar"].includes(use.what)) draft.attention ??= "unattended";
  say(draft, clause, saidOfUse(use) + (until ? `, kept until “${until.name}” is done` : ""));
  return true;
}

const amountFile = (a: { amount: number; unit: string }): Amount => ({ amount: Number(a.amount.toPrecision(6)), unit: a.unit });
