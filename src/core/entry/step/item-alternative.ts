// Another way in brackets: "rest 1 h (or chill for up to 1 day)", "soak overnight (or pour boiling water over and wait 1 h)". The way before the
// bracket is the step's; the other is kept as words.
import { lengthAt } from "../durations";
import { saidAt } from "../patterns";
import type { Item } from "./scan";

const OR = "(?:or|oder|ou(?: bien)?|o(?: bien)?|oppure|alternatively)";

export const alternative: Item = (scan, at) => {
  if (scan.found.lengths.length === 0 || scan.folded.charAt(at) !== "(") return undefined;
  const close = scan.folded.indexOf(")", at);
  const or = scan.end(OR, scan.blanks(at + 1));
  if (close < 0 || or === undefined || or > close) return undefined;
  const verb = saidAt(scan.lexicon.verbs, scan.folded, scan.blanks(or));
  if (!verb) return undefined;
  // One that says no time of its own only adds to what stands before it.
  let timed = false;
  for (let i = verb.end; i < close && !timed; i++)
    timed = !/[\p{L}\d.,/]/u.test(scan.folded.charAt(i - 1)) && lengthAt(scan.folded, i, scan.lexicon) !== undefined;
  if (!timed) return undefined;
  scan.mark(at, close + 1, "note");
  scan.found.doubts.push({ field: "minutes", why: "another method is given in brackets; the first is used" });
  return close + 1;
};
