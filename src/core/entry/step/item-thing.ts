// Things of the kitchen in a line: "in the mixer", "onto 2 trays", "10 L pot", "a wide pan".

import type { Said } from "../lexicon/lexicon";
import { numberAt } from "../numbers";
import { saidAt } from "../patterns";
import type { Thing } from "./reading";
import type { Item, Scan } from "./scan";

/** What may stand between an article and a thing: up to two words of its looks. */
const LOOKS = /^(?:[\p{L}'-]+\s+){1,2}/u;
/** Words that end the looks of a thing. */
const NOT_LOOKS = /\b(?:the|a|an|of|and|or|until|for|with|over|at|to|in|on|heat|und|mit|et|avec|e|con|y|de|du|di|del)\b/u;
/** Things that are named by themselves, without any word before them. */
const BY_ITSELF = new Set(["mixer", "processor", "blender", "sheet-pan", "roller", "dehydrator"]);
const LITRES = /^(\d+(?:[.,]\d+)?)[\s-]?(l|litres?|liters?|ltr|lt|litri|litros|ml|cl)(?![\p{L}\d])/u;
const PIECES = /^(\d+)[\s-]?(?:hole|pieces?|cup(?= (?:tin|mould|tray|muffin)))(?!\p{L})/u;
const SIZE =
  /^(?:[øo]?\s?\d+(?:[.,]\d+)?(?:\s?[x×]\s?\d+)?[\s-]?(?:cm|mm|inch|in|")(?!\p{L})|(?:big|large|small|heavy|wide|deep|shallow|medium(?:-sized)?|clean|heavy-based|heavy-bottomed|lidded|covered|sterilised|lined|oiled|greased|floured|buttered|dry|hot|cold|wooden|non-stick|oven-?proof|grosse[nrs]?|große[nrs]?|kleine[nrs]?|grand[es]?|petit[es]?|grande|piccol[oa]|pequen[oa])(?!\p{L}))\s*/u;

function kindsOf(scan: Scan): Said<string> {
  const own = (scan.context.kinds ?? []).map((k) => [`${k.replace(/-/g, "[- ]")}s?`, k] as const);
  return [...scan.lexicon.things, ...own.filter(([, k]) => !["fridge", "freezer", "cellar", "oven", "burner", "grill"].includes(k))];
}

interface Described {
  readonly thing: Thing;
  readonly end: number;
  readonly sized: boolean;
}

/** A thing with its number, size and looks, from a place on. */
function describedAt(scan: Scan, at: number, looks: boolean): Described | undefined {
  const { folded, lexicon } = scan;
  let here = scan.past(lexicon.articles, at);
  let count: number | undefined;
  let litres: number | null = null;
  let pieces: number | null = null;
  let sized = false;
  for (let i = 0; i < 4; i++) {
    const rest = folded.slice(here);
    const l = LITRES.exec(rest);
    const p = PIECES.exec(rest);
    const s = SIZE.exec(rest);
    if (l) {
      litres = Number((l[1] as string).replace(",", ".")) / ({ ml: 1000, cl: 100 }[l[2] as string] ?? 1);
      here = scan.blanks(here + l[0].length);
      sized = true;
    } else if (p) {
      pieces = Number(p[1]);
      here = scan.blanks(here + p[0].length);
      sized = true;
    } else if (s) {
      here = scan.blanks(here + s[0].length);
      sized ||= /\d/.test(s[0]);
    } else {
      const number = count === undefined ? numberAt(folded, here, true, lexicon) : undefined;
      if (
        !number ||
        !Number.isInteger(number.value) ||
        number.value > 60 ||
        /^\s?(?:°|%)|^[\p{L}]/u.test(folded.slice(number.end).replace(/^[x×]\s/, " "))
      )
        break;
      count = number.value;
      here = scan.blanks(number.end);
      here += /^[x×]\s+/.exec(folded.slice(here))?.[0].length ?? 0;
    }
  }
  let kind = saidAt(kindsOf(scan), folded, here);
  if (!kind && looks) {
    for (const words of [1, 2]) {
      const between = new RegExp(`^(?:[\\p{L}'-]+\\s+){${words}}`, "u").exec(folded.slice(here));
      if (!between || NOT_LOOKS.test(between[0]) || !LOOKS.test(folded.slice(here))) break;
      kind = saidAt(kindsOf(scan), folded, here + between[0].length);
      if (kind) break;
    }
  }
  if (!kind) return undefined;
  let end = kind.end;
  // "Pot of 10 L", "jar, 2 litres each", "tin 24 pieces".
  const behind =
    /^\s*(?:,\s*)?(?:of |with |holding |von |de |di |da )?(\d+(?:[.,]\d+)?)[\s-]?(?:l|litres?|liters?|litri|litros)(?![\p{L}\d])(?:\s+each)?/u.exec(
      folded.slice(end),
    );
  if (behind && litres === null) {
    litres = Number((behind[1] as string).replace(",", "."));
    end += behind[0].length;
    sized = true;
  }
  const holding = /^\s*(?:of |with |holding |for )?(\d+) pieces?(?!\p{L})/u.exec(folded.slice(end));
  if (holding) {
    pieces = Number(holding[1]);
    end += holding[0].length;
  }
  return { thing: { what: kind.value, count: count ?? 1, litres, pieces }, end, sized: sized || count !== undefined };
}

export const thing: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const led = scan.past(lexicon.thingLead, at);
  const article = scan.past(lexicon.articles, led);
  const described = describedAt(scan, led, led > at || (article > led && scan.opens(at)));
  if (!described) return undefined;
  const next = scan.blanks(described.end);
  const ends =
    next === scan.clauseEnd(described.end) ||
    /^(?:\d|until|till|for|about|at|over|in|on|and|mit|bei|bis|a|pendant|per|fino|hasta|durante)/.test(folded.slice(next));
  const alone = scan.opens(at) && at > 0 && (described.sized || ends);
  if (
    led === at &&
    !described.sized &&
    !alone &&
    !(BY_ITSELF.has(described.thing.what) && ends && !/^(?:the|a|an|your)$/.test(scan.wordBefore(at)))
  )
    return undefined;
  // "The pan juices" are no thing that is used.
  if (/^\s+(?:juices?|sauce|drippings|lid|scraper|liquid|water)\b/.test(folded.slice(described.end))) return undefined;
  const { end } = described;
  // "In the pot … 10 L pot": one thing, by what is said of it.
  const same = found.things.findIndex((t) => t.what === described.thing.what);
  const known = found.things[same];
  const plain = (t: Thing) => t.count === 1 && t.litres === null;
  if (known && plain(described.thing)) scan.mark(at, end, "equipment");
  else if (known && plain(known)) found.things[same] = described.thing;
  else found.things.push(described.thing);
  scan.mark(at, end, "equipment");
  return end;
};
