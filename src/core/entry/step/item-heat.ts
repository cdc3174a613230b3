// Heat in a line: "at 190C", "oven 200", "gas 5", "over medium-low heat", "in a hot oven", "180C/160C fan", "under the grill".
import { numberAt } from "../numbers";
import { saidAt } from "../patterns";
import { bareHeat, heatAt } from "../temperatures";
import type { HeatSaid, Item, Scan } from "./scan";

/** The middle of ovens that are only said to be so, °C. */
const OVEN_LEVEL_C = { cool: 140, moderate: 180, hot: 220 } as const;

/** A number with its unit, or a bare one that can only be a heat where heat is spoken of. */
function tempAt(scan: Scan, at: number, bare: boolean): { celsius: number; end: number; range: boolean } | undefined {
  const { folded, lexicon } = scan;
  const said = heatAt(folded, at, lexicon);
  if (said) return { celsius: said.value.celsius, end: said.end, range: said.value.range !== undefined };
  if (!bare) return undefined;
  const number = numberAt(folded, at);
  if (!number || !/^\d{2,3}$/.test(folded.slice(at, number.end)) || number.value < 30 || number.value > 550) return undefined;
  // A figure with a unit of anything else is none of heat.
  if (
    /^\s?(?:-|%|x(?!\p{L})|(?:g|kg|ml|l|oz|lb|cm|mm|min(?:ute)?s?|m|h|hrs?|hours?|d|days?|weeks?|pieces?|litres?|std|stunden|heures?|ore|horas?|minuti|minutos|')(?!\p{L}))/u.test(
      folded.slice(number.end),
    )
  )
    return undefined;
  return { celsius: bareHeat(number.value), end: number.end, range: false };
}

/** "/160C fan", ", fan", "(fan)", "fan oven" behind a temperature. */
function modeBehind(scan: Scan, at: number, heat: HeatSaid): number {
  const { folded, lexicon } = scan;
  let end = at;
  for (let i = 0; i < 3; i++) {
    const from = scan.blanks(end);
    const join = from + (/^(?:[/,(]|or |and )\s*/.exec(folded.slice(from))?.[0].length ?? 0);
    const mode = saidAt(lexicon.modes, folded, join);
    const before = mode && tempAt(scan, scan.past(lexicon.heatLead, scan.blanks(mode.end)), true);
    // A second heat behind a first: "180C/160C fan". Behind a bare "oven" it is the first.
    const second = heat.tempC === undefined ? undefined : tempAt(scan, join, join > from);
    const behind = second && saidAt(lexicon.modes, folded, scan.blanks(second.end));
    if (second && join > from && (behind || /gas/.test(folded.slice(join, second.end)) || i === 0)) {
      // "180C/160C fan": the first is meant for a still oven.
      end = behind ? behind.end : second.end;
    } else if (mode && before && join > from) end = before.end;
    else if (mode) {
      heat.mode ??= mode.value;
      end = mode.end;
    } else break;
    if (folded.charAt(end) === ")") end++;
  }
  return end;
}

const kindAt = (scan: Scan, at: number) => saidAt(scan.lexicon.heatKinds, scan.folded, at);

/** Words that are verbs at the head of a line and things elsewhere. */
const VERB_OR_THING = /^(?:grill|barbecue|bbq|steam|smoke|sous[- ]?vide|proof)$/;

/** What gives the heat, with or without figures: "oven 200C fan", "in a hot oven", "smoker at 110", "slow cooker on low". */
export const heatKind: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  // "In a hot oven": the level stands within.
  const lead = scan.past("in|into|im|in einem|in einen|dans un|au|in|en", at);
  const article = scan.past(lexicon.articles, lead);
  const level = saidAt(lexicon.ovenLevels, folded, article);
  const leveled = level && kindAt(scan, scan.blanks(level.end));
  // "Four doux", "forno caldo": behind.
  // "In a switched-off oven" is a place, not a heat.
  if (saidAt(lexicon.places, folded, at)) return undefined;
  const kind = leveled?.value.by === "oven" && !leveled.value.mode ? leveled : kindAt(scan, at);
  if (!kind) return undefined;
  const words = folded.slice(at, kind.end);
  if (
    kind !== leveled &&
    at === scan.blanks(0) &&
    VERB_OR_THING.test(words) &&
    !tempAt(scan, scan.past(lexicon.heatLead, scan.blanks(kind.end)), false)
  )
    return undefined;
  if (/^(?:from|of|the|preheat|heat|aus|du|dal|del)$/.test(scan.wordBefore(at)) && /from|of|aus|du|dal|del/.test(scan.wordBefore(at)))
    return undefined;
  const heat: HeatSaid = { by: kind.value.by, sure: true, at };
  if (kind.value.mode) heat.mode = kind.value.mode;
  let end = kind.end;
  let saidLevel = kind === leveled ? level?.value : undefined;
  if (!saidLevel && kind.value.by === "oven" && lexicon.language !== "en") {
    const behind = saidAt(lexicon.ovenLevels, folded, scan.blanks(end));
    if (behind && !/^(?:chaud|caldo|caliente)$/.test(folded.slice(scan.blanks(end), behind.end)))
      [saidLevel, end] = [behind.value, behind.end];
  }
  end = modeBehind(scan, end, heat);
  const past = scan.blanks(end);
  const comma = /^[,:]\s*/.exec(folded.slice(past))?.[0].length ?? 0;
  const led = scan.past("(?:pre-?heated|heated|set|turned) (?:to|at)", past + comma);
  const number = scan.past(lexicon.heatLead, led);
  const temp = tempAt(scan, number, comma === 0 || number > past + comma);
  if (temp) {
    heat.tempC = temp.celsius;
    end = modeBehind(scan, temp.end, heat);
    if (temp.range) found.doubts.push({ field: "heat", why: "a range of heat: its middle" });
  } else {
    const on = saidAt(lexicon.levels, folded, scan.past("on|at|over|to|auf|sur|a", scan.blanks(end)));
    if (on && heat.by !== "oven" && scan.past("on|at|over|to|auf|sur|a", scan.blanks(end)) > scan.blanks(end)) {
      heat.level = on.value;
      end = on.end;
      end = scan.end("heat|setting|power|flame", scan.blanks(end)) ?? end;
    }
  }
  if (saidLevel) {
    heat.level = saidLevel;
    if (heat.tempC === undefined) {
      heat.concluded = scan.line.slice(at, kind.end).trim();
      heat.tempC = OVEN_LEVEL_C[saidLevel as keyof typeof OVEN_LEVEL_C] ?? 180;
    }
  }
  found.heats.push(heat);
  scan.mark(at, end, "heat");
  return end;
};

/** "Over medium-low heat", "low heat", "on high": of a burner unless something else is said. */
export const heatLevel: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const led = endOfPrefix(lexicon.levelBefore, folded, at);
  const level = saidAt(lexicon.levels, folded, led ?? at);
  if (!level) return undefined;
  const noun = scan.end(lexicon.levelBehind, scan.blanks(level.end));
  const alone = scan.opens(at) && scan.blanks(level.end) === scan.clauseEnd(level.end) && at > 0;
  if (led === undefined && noun === undefined && !alone) return undefined;
  // "On low" is heat; "in high" and "with hot" are not. In English a level of its own wants "heat" behind it, or an end.
  if (lexicon.language === "en" && noun === undefined && !alone) {
    if (
      !/^(?:over|on|at|turn|reduc|lower|rais|crank|whack|knock)/.test(folded.slice(at)) ||
      (/^\s*\p{L}/u.test(folded.slice(level.end)) &&
        !/^\s*(?:for|until|till|about|then|and|with|under|in|stir)/.test(folded.slice(level.end)))
    )
      return undefined;
    if (/hot|bare|strong|full|fierce/.test(folded.slice(led ?? at, level.end))) return undefined;
  }
  if (lexicon.language === "de" && noun === undefined && !alone) return undefined;
  let end = noun ?? level.end;
  const behind = scan.end("heat|flame|(?:or|to|bis|a|o) (?:a )?(?:lower|medium|low|high|mittlerer|moyen|medio)", scan.blanks(end));
  if (behind) end = behind;
  found.heats.push({ level: level.value, at });
  scan.mark(at, end, "heat");
  return end;
};

function endOfPrefix(pattern: string, folded: string, at: number): number | undefined {
  const match = new RegExp(`(?:${pattern})`, "uy");
  match.lastIndex = at;
  const found = match.exec(folded);
  return found && found[0].length > 0 ? at + found[0].length : undefined;
}

/** "165 fan": a bare number that a mode makes a heat. */
function beforeMode(scan: Scan, at: number): ReturnType<typeof tempAt> {
  const temp = tempAt(scan, at, true);
  return temp && temp.celsius >= 100 && saidAt(scan.lexicon.modes, scan.folded, scan.blanks(temp.end)) ? temp : undefined;
}

const FRYING_FAT =
  /(?:^|[^\p{L}])(?:oil|fat|lard|dripping|ghee|(?:pflanzen|frittier|sonnenblumen|raps|erdnuss)?ol|fett|frittierfett|schmalz|huile|friture|graisse|olio|strutto|aceite|manteca)(?: [\p{L}-]+){0,3}\s*$/u;

/** "At 190C", "180 °C fan", "gas 5", "at 350": a heat without what gives it. */
export const heatFigure: Item = (scan, at) => {
  const { folded, lexicon, found } = scan;
  const led = scan.past(lexicon.heatLead, at);
  const about = scan.past(lexicon.about, led);
  const temp = tempAt(scan, about, led > at) ?? tempAt(scan, led, led > at) ?? beforeMode(scan, at);
  if (!temp) return undefined;
  // "To 40 °C" and "at 4 °C" are of the food or of a place, "at 90" of heat; a bare number wants its lead and a heat that ovens have.
  const unit = heatAt(folded, about, lexicon) !== undefined;
  // "Crank to 220", "turn down to 160": the oven is set.
  const set =
    /(?:crank|turn|whack|drop|raise|lower|reduce|increase|back)(?:ed|s|d|ing)?(?: it| the oven| the heat| heat| oven)?(?: right)?(?: up| down| back)?\s*$/.test(
      folded.slice(0, at),
    );
  if (!unit && !beforeMode(scan, at) && (temp.celsius < 75 || (!set && /^to$/.test(folded.slice(at, led).trim())))) return undefined;
  const toward =
    /^(?:to|auf|bis|fino a|hasta|jusqu'a)\s/.test(folded.slice(at)) ||
    /^(?:to|until|reaches|reach|reads|hits|registers|to about)$/.test(scan.wordBefore(at));
  // The stages of sugar and the tempers of chocolate are read in the food.
  const sugar =
    temp.celsius >= 100 &&
    temp.celsius <= 180 &&
    /\b(?:soft|hard|firm)[- ](?:ball|crack)|\bthread stage|\bsugar syrup|\bsetting (?:point|pt)/.test(folded.slice(0, at));
  const chocolate = temp.celsius <= 55 && /\btemper/.test(folded.slice(0, at));
  if (sugar || chocolate || (toward && !set && temp.celsius < 105)) {
    found.probeC = temp.celsius;
    const verb = scan.folded.slice(0, at);
    if (!sugar && !chocolate && !/\bcool|abkuhl|refroid|raffredd|enfri/.test(verb))
      found.doubts.push({ field: "probeC", why: `${temp.celsius} °C is taken as the heat of the food` });
    scan.mark(at, temp.end, "probeC");
    return temp.end;
  }
  const heat: HeatSaid = { tempC: temp.celsius, at };
  // "Heat the oil to 170C": fat that something is fried in, and no oven.
  if (toward && !set && FRYING_FAT.test(folded.slice(scan.clause, at))) Object.assign(heat, { by: "fryer", sure: true });
  let end = modeBehind(scan, temp.end, heat);
  // "200C fan oven", "at 110 in the smoker": what gives it stands right behind.
  const kind = kindAt(scan, scan.blanks(end));
  if (kind) {
    heat.by = kind.value.by;
    heat.sure = true;
    if (kind.value.mode) heat.mode = kind.value.mode;
    end = modeBehind(scan, kind.end, heat);
  }
  if (temp.range) found.doubts.push({ field: "heat", why: "a range of heat: its middle" });
  found.heats.push(heat);
  scan.mark(at, end, "heat");
  return end;
};
