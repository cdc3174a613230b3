// Words at the head of a line that say when it is done and not for how long: "The night before, …", "Am Vortag …", "La veille, …".
import type { Item } from "./scan";

const BEFORE_SERVING =
  "(?:on |from )?(?:the )?(?:night|evening|day|afternoon) (?:before|ahead)(?: (?:serving|cooking|baking|dinner|lunch|you (?:cook|eat|serve|bake|want to eat)))?|the eve" +
  "|am (?:vorabend|vortag)|am (?:abend|tag) (?:vorher|zuvor|davor)|la veille(?: au soir)?" +
  "|la sera (?:prima|precedente)|il giorno (?:prima|precedente)|la vigilia|la vispera|la noche (?:antes|anterior)|el dia (?:antes|anterior)";
const ON_A_DAY =
  "(?:on )?the (?:next|following|same) (?:day|morning|evening)|(?:on )?the day itself|am (?:nachsten|gleichen|selben) (?:tag|morgen|abend)" +
  "|le (?:jour meme|lendemain)|il giorno (?:dopo|seguente|stesso)|(?:al|el) dia siguiente|el mismo dia";

/** Kept as words; a wait that begins the night before and says nothing else takes that night. */
export const dayOf: Item = (scan, at) => {
  if (at !== scan.blanks(0)) return undefined;
  const before = scan.end(BEFORE_SERVING, at);
  const end = before ?? scan.end(ON_A_DAY, at);
  // "The night before" alone is all that the line has.
  if (end === undefined || scan.blanks(end) >= scan.line.length) return undefined;
  if (before !== undefined) scan.found.nightBefore = true;
  scan.mark(at, end, "note");
  return end;
};
