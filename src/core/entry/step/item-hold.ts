// How long what a step makes may wait: "keeps 3 d fridge, 3 months frozen", "will keep 2 weeks in the fridge", "up to 3 days ahead".
import { lengthAt } from "../durations";
import type { Place } from "../lexicon/senses";
import { saidAt } from "../patterns";
import { heatAt, storeOfCold } from "../temperatures";
import type { Keep } from "./reading";
import type { Item, Scan } from "./scan";

interface Group {
  place?: Place;
  min?: number;
  max?: number;
  best?: readonly [number, number];
  litres?: number;
  limit?: "safety" | "quality";
  vague?: boolean;
  end: number;
}

const FILLER =
  /^(?:ensuite|alors|dann|danach|poi|luego|despues|for|per|fur|pendant|durante|in|the|at|a|an|on|covered|sealed|well|about|when|if|kept|stored|it|keeps?|lasts?|whole|once|very|happily|fine|good|and will keep|tightly|wrapped|airtight|hermetique|gut|verschlossen|abgedeckt|bien|coperto|tapado|in an airtight|in a sealed|im|in der|am|au|dans le|dans la|en la|en el|en|en un|in un|ben|chiuso|of|is|are)(?![\p{L}\p{N}])\s*/u;
const JOIN = /^\s*(?:,|;|\/|\(|\)|-|and|or|und|oder|et|ou|e|o|y|but|then)(?![\p{L}\p{N}])\s*(?:and |or )?/u;
const JOIN_SIGN = /^\s*[,;/(]\s*(?:(?:and|or|und|oder|et|ou|e|o|y|but)\s+)?/u;

const HOW_KEPT =
  /^,\s*(?:(?:well|tightly|loosely|closely|gut|luftdicht|bien|ben)\s+)?(?:wrapped|covered|sealed|boxed|lidded|abgedeckt|verpackt|verschlossen|couverte?s?|emballe\p{L}*|coperto|coperti|avvolt\p{L}|tapad\p{L}+|envuelt\p{L}+),\s*/u;
/** "At 4 °C", "+3 °C", "-18 °C": the store that is so cold. */
function coldAt({ folded, lexicon }: Scan, at: number): { readonly value: Place; readonly end: number } | undefined {
  const lead = /^(?:(?:at|below|under|bei|unter|a|sous|sotto|bajo) )?\+? ?/.exec(folded.slice(at))?.[0].length ?? 0;
  const heat = heatAt(folded, at + lead, lexicon);
  const store = heat && storeOfCold(heat.value.celsius);
  return heat && store && { value: store, end: heat.end };
}
const LIMIT = /^(?:safety|quality)(?!\p{L})/u;

/** Groups of a length and a place, in either order, from a place on. */
function groupsAt(scan: Scan, from: number, least: boolean): { groups: Group[]; end: number } {
  const { folded, lexicon } = scan;
  const groups: Group[] = [];
  let at = from;
  let end = from;
  let group: Group = { end: from };
  const done = (g: Group) => g.place !== undefined || g.min !== undefined || g.max !== undefined || g.best !== undefined;
  const close = () => {
    if (done(group)) groups.push(group);
    group = { end: at };
  };
  for (let i = 0; i < 40; i++) {
    at = scan.blanks(at);
    const best = scan.past("best(?: between| after| from| at)?|better after", at);
    const bestOf = best > at ? lengthAt(folded, best, lexicon, true) : undefined;
    if (bestOf) {
      group.best = [bestOf.value.min, bestOf.value.max];
      at = end = bestOf.end;
      continue;
    }
    const length = lengthAt(folded, at, lexicon, true);
    if (length) {
      const { value } = length;
      const has = value.open === "min" ? group.min !== undefined : group.max !== undefined;
      // A second length of the same kind begins anew, unless the first still waits for its place alone.
      if (has || (group.place !== undefined && group.max !== undefined)) close();
      if (value.open === "min" || (least && value.min === value.max && group.min === undefined)) group.min = value.min;
      else if (value.min !== value.max && value.open === undefined && (least || value.min * 2 < value.max))
        [group.min, group.max] = [group.min ?? value.min, value.max];
      else {
        group.max = value.max;
        if (value.min !== value.max && value.open === undefined) group.vague = true;
      }
      at = end = length.end;
      continue;
    }
    // "…, freezes fine up to 2 months": the verb says where.
    const freezes =
      /^(?:freez(?:es|e)|lasst sich einfrieren|se congela|se congele|si congela)(?:\s+(?:well|fine|raw|cooked|happily|beautifully|perfectly|gut|bien|bene))*(?!\p{L})/u.exec(
        folded.slice(at),
      );
    if (freezes && (groups.length > 0 || done(group))) {
      close();
      group.place = "freezer";
      at = end = at + freezes[0].length;
      continue;
    }
    const litres = /^(\d+(?:[.,]\d+)?)\s?l(?:itres?|iters?)?(?!\p{L})/u.exec(folded.slice(at));
    if (litres) {
      group.litres = Number((litres[1] as string).replace(",", "."));
      at = end = at + litres[0].length;
      continue;
    }
    const limit = LIMIT.exec(folded.slice(at));
    if (limit) {
      group.limit = limit[0] as "safety" | "quality";
      at = end = at + limit[0].length;
      continue;
    }
    const where = coldAt(scan, at) ?? longest(saidAt(lexicon.places, folded, at), saidAt(lexicon.bare, folded, at));
    if (where) {
      if (group.place !== undefined) {
        // "Fridge, in an airtight tin": one place said twice over.
        if (group.place !== where.value && done(group) && group.max !== undefined) close();
        else if (group.max === undefined && group.min === undefined) close();
      }
      group.place ??= where.value;
      at = end = where.end;
      continue;
    }
    const ahead = scan.end(lexicon.advance, at) ?? scan.end("before(?= *(?:[,;()]|$))", at);
    if (ahead !== undefined && done(group)) {
      at = end = ahead;
      continue;
    }
    // "Keeps 3 days, well wrapped, in the fridge".
    const how = done(group) && group.place === undefined ? HOW_KEPT.exec(folded.slice(at)) : null;
    if (how && saidAt(lexicon.places, folded, at + how[0].length)) {
      at += how[0].length;
      continue;
    }
    const join = JOIN_SIGN.exec(folded.slice(at)) ?? JOIN.exec(folded.slice(at));
    if (join && (done(group) || group.limit !== undefined || (i === 0 && groups.length === 0))) {
      const next = scan.blanks(at + join[0].length);
      let filler = 0;
      for (let m = FILLER.exec(folded.slice(next)); m; m = FILLER.exec(folded.slice(next + filler))) filler += m[0].length;
      const goes = (p: number) =>
        lengthAt(folded, p, lexicon) !== undefined ||
        saidAt(lexicon.bare, folded, p) !== undefined ||
        saidAt(lexicon.places, folded, p) !== undefined ||
        /^freez/.test(folded.slice(p)) ||
        /^(?:at least|up to|best|\d+ ?l )/.test(folded.slice(p));
      if (goes(next) || (filler && goes(next + filler))) {
        // Behind a comma a length goes on only where its place follows: "keeps 3 d, 2 h at 180" is another matter.
        const l = lengthAt(folded, next, lexicon) ?? lengthAt(folded, next + filler, lexicon);
        const sign = /[,;]/.test(join[0]);
        if (sign && l && !placeSoon(scan, l.end) && group.max !== undefined && (group.place !== undefined || l.value.open === undefined))
          break;
        at = next;
        continue;
      }
      break;
    }
    const filler = FILLER.exec(folded.slice(at));
    if (filler && at + filler[0].length < folded.length) {
      at += filler[0].length;
      continue;
    }
    break;
  }
  if (done(group)) groups.push(group);
  // "Holds for 2 days on its semolina in the fridge": the place stands a few words on.
  const last = groups.at(-1);
  if (last && last.place === undefined && groups.length === 1) {
    const stop = scan.clauseEnd(end);
    for (let i = end, words = 0; i < stop && words < 6; i++) {
      if (!/\s/.test(folded.charAt(i - 1)) || /\s/.test(folded.charAt(i))) continue;
      words++;
      const there = saidAt(lexicon.places, folded, i);
      if (!there) continue;
      last.place = there.value;
      end = there.end;
      break;
    }
  }
  return { groups, end };
}

const longest = <T>(a: { value: T; end: number } | undefined, b: { value: T; end: number } | undefined) =>
  (b?.end ?? 0) > (a?.end ?? 0) ? b : a;

function placeSoon(scan: Scan, at: number): boolean {
  let here = scan.blanks(at);
  for (let i = 0; i < 4; i++) {
    if (saidAt(scan.lexicon.places, scan.folded, here) ?? saidAt(scan.lexicon.bare, scan.folded, here)) return true;
    const filler = FILLER.exec(scan.folded.slice(here));
    if (!filler) return false;
    here += filler[0].length;
  }
  return false;
}

/** The holds that stand in a text behind "keeps". */
export function keepsAt(
  scan: Scan,
  at: number,
  least = false,
): { readonly keeps: readonly Keep[]; readonly vague: boolean; readonly end: number } | undefined {
  const { groups, end } = groupsAt(scan, at, least);
  const withLength = groups.filter(
    (g) =>
      g.min !== undefined ||
      g.max !== undefined ||
      g.best !== undefined ||
      (g.place !== undefined && groups.length === 1 && g.litres !== undefined),
  );
  const kept = withLength.length > 0 ? withLength : groups.filter((g) => g.place !== undefined);
  if (kept.length === 0) return undefined;
  // "5 days in the fridge or freezer": places without a length of their own have that of the one before.
  return {
    keeps: kept.map((g) => ({
      place: g.place ?? null,
      min: g.min ?? null,
      max: g.max ?? null,
      ...(g.best ? { best: g.best } : {}),
      ...(g.litres !== undefined ? { litres: g.litres } : {}),
      ...(g.limit ? { limit: g.limit } : {}),
    })),
    vague: kept.some((g) => g.vague === true),
    end,
  };
}

/** Words that are a step of their own at the head of a line: "keep warm 20 min", "store overnight in the fridge". */
const VERB_AT_HEAD =
  /^(?:keep|store|hold|wait|freeze|chill|refrigerate|cover|stand|improve|conserver|garder|conservare|conservar|lagern|aufbewahren|guardar)(?!\p{L}*s\b)\b/u;

/** "Se pueden congelar", "lässt sich gut einfrieren": it may be frozen, and is not now. */
const MAY_FREEZE =
  /^(?:(?:se )?(?:puede|pueden) congelar(?:se)?|(?:peut|peuvent) (?:etre |se )?(?:congel|surgel)\p{L}+|se congele(?:nt)?|si congela(?:no)?|se congelan?|(?:si )?(?:puo|possono) congelare|(?:lasst|lassen) sich (?:\p{L}+ ){0,2}(?:ein|tief)(?:frieren|kuhlen)|(?:kann|konnen) (?:\p{L}+ ){0,3}eingefroren werden)(?!\p{L})/u;
const FREEZE_LEAD = /^\s*\(?\s*(?:(?:hasta|jusqu'a|fino a|bis zu|fur|pour|per|pendant|durante|max\.?|circa|environ|etwa|unos)\s+)*/u;
const MOST_WORDS_BETWEEN = 5;

/** "Lässt sich gut vorkochen und drei Monate einfrieren": how long stands between. */
const MAY_FREEZE_LATE = /^(?:lasst|lassen) sich (?:[\p{L}]+ ){0,4}(?=(?:\d|[\p{L}]+ (?:tage?|wochen?|monate?) einfrier))/u;

/** What may be frozen and for how long: "…, se puede congelar antes de gratinar hasta 2 meses". */
function mayFreeze(scan: Scan, at: number): number | undefined {
  const { folded, lexicon } = scan;
  const late = lexicon.language === "de" ? MAY_FREEZE_LATE.exec(folded.slice(at)) : null;
  const long = late ? lengthAt(folded, at + late[0].length, lexicon) : undefined;
  const end = long && scan.end("einfrieren|eingefroren werden", scan.blanks(long.end));
  if (long && end !== undefined) {
    scan.found.keeps.push({ place: "freezer", min: null, max: long.value.max });
    scan.mark(at, end, "keeps");
    return end;
  }
  const may = MAY_FREEZE.exec(folded.slice(at));
  if (!may) return undefined;
  let here = at + may[0].length;
  for (let words = 0; words <= MOST_WORDS_BETWEEN; words++) {
    const length = lengthAt(folded, here + (FREEZE_LEAD.exec(folded.slice(here))?.[0].length ?? 0), lexicon);
    if (length) {
      scan.found.keeps.push({ place: "freezer", min: null, max: length.value.max });
      scan.mark(at, length.end, "keeps");
      return length.end;
    }
    const word = /^\s*[\p{L}'’-]+/u.exec(folded.slice(here));
    if (!word) return undefined;
    here += word[0].length;
  }
  return undefined;
}

export const hold: Item = (scan, at) => {
  const { folded, lexicon } = scan;
  const may = mayFreeze(scan, at);
  if (may !== undefined) return may;
  const keeps = scan.end(lexicon.keeps, at);
  const ahead = keeps === undefined ? scan.end(lexicon.ahead, at) : undefined;
  const needs =
    keeps === undefined && ahead === undefined && lexicon.language === "en" && scan.opens(at) ? scan.end("needs|wants", at) : undefined;
  // "Frozen 3 months" as a clause of its own.
  const frozen = scan.opens(at)
    ? scan.end("frozen|(?:wieder )?eingefroren|tiefgekuhlt|congele(?:e|s|es)?|congelat[oaie]|congelad[oa]s?", at)
    : undefined;
  const long =
    frozen === undefined ? undefined : lengthAt(folded, scan.past("for|up to|bis zu|pendant|per|hasta", scan.blanks(frozen)), scan.lexicon);
  if (frozen !== undefined && long && long.value.max >= 7 * 1440) {
    scan.found.keeps.push({ place: "freezer", min: null, max: long.value.max });
    scan.mark(at, long.end, "keeps");
    return long.end;
  }
  // "Vakuumiert 6 Monate im Kühlschrank haltbar": the word stands at the end.
  const lasts = lexicon.language === "de" && lengthAt(folded, at, lexicon) ? /^[^,;.]*\bhaltbar\b/.exec(folded.slice(at)) : null;
  const lasting = lasts && keepsAt(scan, at);
  if (lasts && lasting) {
    add(scan, lasting);
    scan.mark(at, at + lasts[0].length, "keeps");
    return at + lasts[0].length;
  }
  const start = keeps ?? ahead ?? needs;
  if (start === undefined) return aheadOnly(scan, at);
  if (keeps !== undefined && scan.blanks(0) === at && VERB_AT_HEAD.test(folded.slice(at))) return undefined;
  // "Cover and chill 3 h", "then freeze 2 h": a verb that only joins the one before is a step as well.
  if (
    keeps !== undefined &&
    /^(?:be )?(?:chilled|refrigerated|frozen|freeze|stored?|keep|hold|wait)(?!s)/.test(folded.slice(at)) &&
    !/^(?:keep|store)\b.*\b(?:fridge|freez|cellar|airtight|days?|d|weeks?|wks?|months?|years?|yrs?)\b/.test(folded.slice(at)) &&
    // "Unbaked pies freeze for up to 2 months": nobody waits for that.
    !/^freeze\b[^,;]*\b(?:weeks|wks|months?|years?)\b/.test(folded.slice(at))
  )
    return undefined;
  // "It will keep, well wrapped, for three days".
  const wrapped = keeps === undefined ? null : HOW_KEPT.exec(folded.slice(start));
  // "Keeps: fridge 3 weeks".
  const from = start + (wrapped?.[0].length ?? 0) + (folded.charAt(start) === ":" ? 1 : 0);
  const got = keepsAt(scan, scan.blanks(from), needs !== undefined);
  if (!got) return undefined;
  if (needs !== undefined && got.keeps[0]?.place === null) return undefined;
  // "Freezes for 2 months", "can be chilled for 3 days": the verb says where.
  const words = folded.slice(scan.clause, start);
  const by = /freez|frozen|einfrier|congel/.test(words)
    ? "freezer"
    : /chilled|refrigerated/.test(folded.slice(at, start))
      ? "fridge"
      : undefined;
  const keepsHere = by ? got.keeps.map((k) => ({ ...k, place: k.place ?? by }) as Keep) : got.keeps;
  if (got.keeps.every((k) => k.min === null && k.max === null && !k.best && k.litres === undefined)) return undefined;
  if (
    ahead !== undefined &&
    !/ahead|advance|before|earlier|voraus|avance|anticipo|antelacion|prima|vorher|veille|day/.test(folded.slice(start, got.end + 1))
  )
    return undefined;
  add(scan, { ...got, keeps: keepsHere });
  scan.mark(at, got.end, "keeps");
  return got.end;
};

const A_DAY_MIN = 1440;
/** "Up to 3 days ahead", "2 days in advance": without a verb. */
function aheadOnly(scan: Scan, at: number): number | undefined {
  const { folded, lexicon } = scan;
  const length = lengthAt(folded, at, lexicon);
  const ahead = length && scan.end(lexicon.advance, scan.blanks(length.end));
  if (!length || ahead === undefined) return undefined;
  // "Let it rest 10 minutes before serving": how long, not how long before.
  const before = /^before/.test(folded.slice(scan.blanks(length.end)));
  if (before && length.value.max < A_DAY_MIN && length.value.open === undefined && /\p{L}/u.test(folded.slice(0, at))) return undefined;
  const got = keepsAt(scan, at);
  if (!got) return undefined;
  add(scan, got);
  scan.mark(at, got.end, "keeps");
  return got.end;
}

function add(scan: Scan, got: { readonly keeps: readonly Keep[]; readonly vague: boolean }): void {
  scan.found.keeps.push(...got.keeps);
  if (got.keeps.some((k) => k.place === null))
    scan.found.doubts.push({ field: "keeps", why: "no place said", choices: ["fridge", "freezer", "counter", "cellar"] });
  else if (got.vague) scan.found.doubts.push({ field: "keeps", why: "a range: its longer end is taken" });
}
