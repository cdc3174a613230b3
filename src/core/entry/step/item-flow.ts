// What goes in and out: "makes 1.2 L stock", "takes 500 mL jelly stock", "using the reserved brine", "in 3 batches".
import { amountAt } from "../amounts";
import { lengthAt } from "../durations";
import { named, unquoted } from "../names";
import { numberAt } from "../numbers";
import type { Item, Scan } from "./scan";

const fileAmount = (a: { amount: number; unit: string }) => ({ amount: Number(a.amount.toPrecision(6)), unit: a.unit });

/** Where a name of something made or taken ends: with the clause, or where something else is said. */
function nameEnd(scan: Scan, from: number): number {
  const { folded, lexicon } = scan;
  // Quotation marks hold a name with commas together.
  if (/[“"]/.test(scan.line.charAt(from))) {
    const close = scan.line.slice(from + 1).search(/[”"]/);
    if (close >= 0) return from + close + 2;
  }
  const stop = scan.clauseEnd(from);
  for (let i = from; i < stop; i++) {
    if (i > from && !/\s/.test(folded.charAt(i - 1))) continue;
    if (
      i > from &&
      /^(?:which|that|and (?:will )?(?:keep|store|last|freeze|chill|simmer|bake|rest|cook|leave)|for \d|at \d|until|till|then|und dann|puis|poi|luego|si conserv|se conserv|haltbar)\b/.test(
        folded.slice(i),
      )
    )
      return i;
    if (i > from && scan.end(lexicon.keeps, i)) return i;
    if (i > from && lengthAt(folded, i, lexicon)) return i;
  }
  return stop;
}

export const makes: Item = (scan, at) => {
  const { folded, lexicon, found, line } = scan;
  const start = scan.end(lexicon.makes, at);
  if (start === undefined || (at === scan.blanks(0) && /^(?:leaves|gives)/.test(folded.slice(at)))) return undefined;
  const about = scan.past(lexicon.about, scan.blanks(start));
  const amount = amountAt(line, about, true, lexicon);
  let from = scan.blanks(amount?.end ?? about);
  from = scan.past("of(?: the)?|von|de|d'|di|del|della", from);
  if (!amount) from = scan.past(lexicon.articles, from);
  const end = nameEnd(scan, from);
  let name = unquoted(line.slice(from, end));
  const raw = /\braw$/i.test(name);
  if (raw) name = name.replace(/,?\s*raw$/i, "");
  if (!amount && name === "") return undefined;
  if (amount?.value.range) found.doubts.push({ field: "makes", why: "a range: its middle" });
  found.makes.push({ name, amount: amount ? fileAmount(amount.value) : null, ...(raw ? { raw } : {}) });
  scan.mark(at, Math.max(end, from), "makes");
  return Math.max(end, from);
};

const RESERVED = "(?:reserved|remaining|rest of the|rested|chilled|cooled|prepared|drained)";
/** Verbs whose object may be something made before. */
const TAKING =
  "add|stir in|fold in|mix in|pour (?:over|in|on)|whisk in|top with|fill with|cover with|combine with|mix with|with|into|return|use|brush with|dunk in|und|dazu|zugeben|ajouter|ajoutez|aggiungere|anadir";

export const takes: Item = (scan, at) => {
  const { folded, lexicon, found, line, context } = scan;
  const plain = scan.end(lexicon.takes, at);
  if (plain !== undefined) {
    const amount = amountAt(line, scan.blanks(plain), false, lexicon);
    // "Takes 20 min" is a length.
    if (lengthAt(folded, scan.blanks(plain), lexicon)) return undefined;
    let from = scan.blanks(amount?.end ?? plain);
    from = scan.past("of(?: the)?|all(?: of)?(?: the)?|half(?: of)?(?: the)?", from);
    const article = scan.past(lexicon.articles, from);
    const reserved = scan.past(RESERVED, article);
    let end = nameEnd(scan, reserved);
    const before = withoutBefore(scan, reserved, end);
    const name = unquoted(line.slice(reserved, before));
    const output = named(name, context.outputs);
    // "Using tongs" uses no component; "using the brine" does.
    if (/^(?:using|uses)/.test(folded.slice(at)) && !output && article === from && reserved === article && amount === undefined)
      return undefined;
    if (name === "") return undefined;
    end = Math.max(end, before);
    found.takes.push({ name, amount: amount ? fileAmount(amount.value) : null, ...(output ? { from: output.ref } : {}) });
    scan.mark(at, end, "takes");
    return end;
  }
  const verb = scan.end(TAKING, at);
  if (verb === undefined) return undefined;
  const amount = amountAt(line, scan.blanks(verb), false, lexicon);
  let from = scan.blanks(amount?.end ?? verb);
  from = scan.past("of(?: the)?", from);
  const article = scan.past(lexicon.articles, from);
  const stop = nameEnd(scan, article);
  const before = withoutBefore(scan, article, stop);
  const end = before < stop ? (scan.end(lexicon.before, scan.blanks(before)) ?? stop) : stop;
  const reserved = scan.past(RESERVED, article);
  const name = unquoted(line.slice(reserved, before));
  const output = context.outputs.length > 0 ? named(name, context.outputs) : undefined;
  if (!output && before === stop && reserved === article) return undefined;
  if (name === "" || name.split(/\s+/).length > 6) return undefined;
  const stays = /^(?:add|stir|fold|mix|pour|whisk|top|fill|cover|combine|return|use|brush|dunk|ajout|aggiung|anad|zugeb)/.test(
    folded.slice(at),
  );
  found.takes.push({ name, amount: amount ? fileAmount(amount.value) : null, ...(output ? { from: output.ref } : {}) });
  if (stays) scan.mark(at, verb, "name");
  scan.mark(stays ? verb : at, end, "takes");
  return end;
};

/** Where "from before", "made earlier", "reserved earlier" begins within a name; its end where nothing of the kind is said. */
function withoutBefore(scan: Scan, from: number, end: number): number {
  for (let i = from; i < end; i++) {
    if (i > from && /\s/.test(scan.folded.charAt(i - 1)) && scan.end(scan.lexicon.before, i) !== undefined) {
      let e = i;
      while (e > from && /\s/.test(scan.folded.charAt(e - 1))) e--;
      return e;
    }
  }
  return end;
}

export const batches: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const half = scan.end("(?:do )?half at a time", at);
  if (half !== undefined) {
    found.batches = 2;
    scan.mark(at, half, "batches");
    return half;
  }
  const led = scan.past("in|do|done in|work in|working in|over|across|en|a|con|per", at);
  const number = numberAt(folded, led, true, lexicon);
  if (number && Number.isInteger(number.value) && number.value >= 1 && number.value <= 200) {
    const sized = scan.past("small|equal|separate|even|kleinen|petites|piccole|pequenas", scan.blanks(number.end));
    const end = scan.end(lexicon.batches, sized);
    // "In 2 turns" needs its lead; "3 batches" does not.
    if (end !== undefined && (led > at || /^(?:batch|charge|portion|tanda|fournee|infornat)/.test(folded.slice(sized)))) {
      if (/^a\s|^an\s|^one\s/.test(folded.slice(led)) && /^a/.test(folded.slice(led))) return undefined;
      found.batches = number.value;
      const last = scan.end("of|von|de|di|a", scan.blanks(end)) ?? end;
      const of = last > end && lengthAt(folded, scan.blanks(last), lexicon) ? last : end;
      scan.mark(at, of, "batches");
      return of;
    }
  }
  const vague = scan.end(
    "(?:work(?:ing)? )?in (?:small |several |a few |two or three )?batches|batch by batch|one at a time|a few at a time|(?:in )?(?:mehreren )?portionsweise|en plusieurs (?:fois|fournees)|poco per volta|pochi alla volta|por tandas|en tandas",
    at,
  );
  if (vague === undefined) return undefined;
  found.batches = null;
  found.doubts.push({ field: "batches", why: "no number of batches said", choices: ["2", "3", "4"] });
  scan.mark(at, vague, "batches");
  return vague;
};
