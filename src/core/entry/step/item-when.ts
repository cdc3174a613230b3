// Words at the head of a line that say when it is done and not for how long: "The night before, …", "Am Vortag …", "La veille, …".
import { lengthAt } from "../durations";
import type { Item } from "./scan";

const BEFORE_SERVING =
  "(?:on |from )?(?:the )?(?:night|evening|day|afternoon) (?:before|ahead)(?: (?:serving|cooking|baking|dinner|lunch|you (?:cook|eat|serve|bake|want to eat)))?|the eve" +
  "|am (?:vorabend|vortag)|am (?:abend|tag) (?:vorher|zuvor|davor)|la veille(?: au soir)?" +
  "|la sera (?:prima|precedente)|il giorno (?:prima|precedente)|la vigilia|la vispera|la noche (?:antes|anterior)|el dia (?:antes|anterior)";
const ON_A_DAY =
  "(?:on )?the (?:next|following|same) (?:day|morning|evening)|(?:on )?the day itself|am (?:nachsten|gleichen|selben) (?:tag|morgen|abend)" +
  "|le (?:jour meme|lendemain)|il giorno (?:dopo|seguente|stesso)|(?:al|el) dia siguiente|el mismo dia";

const BEFORE_THE_MEAL =
  "before (?:you|we|they|serving|eating|dinner|lunch|supper|the (?:meal|guests|party)|it is (?:needed|wanted)|needed|cooking|baking|roasting)(?: (?:want|wish|plan|need|like|intend|are ready) to \\p{L}+| \\p{L}+ing| (?:eat|serve|cook|bake|arrive|come|sit down))?" +
  "|vor dem (?:servieren|essen|anrichten|backen|braten)|avant (?:de (?:servir|passer a table|cuire)|le repas|le service)|prima (?:di (?:servire|andare in tavola|mangiare)|del servizio)|antes de (?:servir|comer|la comida)";

/** Kept as words; a wait that begins the night before and says nothing else takes that night. */
export const dayOf: Item = (scan, at) => {
  if (at !== scan.blanks(0)) return undefined;
  // "Half an hour before serving, beat the cream": when, and not how long.
  const length = lengthAt(scan.folded, scan.past(scan.lexicon.about, at), scan.lexicon);
  const meal = length && scan.end(BEFORE_THE_MEAL, scan.blanks(length.end));
  if (meal !== undefined && scan.blanks(meal) < scan.line.length) {
    scan.mark(at, meal, "note");
    return meal;
  }
  const before = scan.end(BEFORE_SERVING, at);
  const end = before ?? scan.end(ON_A_DAY, at);
  // "The night before" alone is all that the line has.
  if (end === undefined || scan.blanks(end) >= scan.line.length) return undefined;
  if (before !== undefined) scan.found.nightBefore = true;
  scan.mark(at, end, "note");
  return end;
};
