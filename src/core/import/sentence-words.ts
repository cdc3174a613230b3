// What a sentence of a recipe is for, in five languages: it heats the oven, runs beside the last step, says how long something
// keeps, gives advice, or wishes a good meal. Held against folded text.
import type { Language } from "../entry/lexicon/lexicon";

/** Heats the oven for a later step. */
export const PREHEAT =
  /\b(?:pre-?heat(?:ed|ing)?(?= (?:the|your|an|oven|to))|heat (?:(?:the|your|an) )?oven|turn (?:on )?the oven (?:on|to)|set the oven|(?<=^(?:now |then )?)(?:turn|crank|raise|lower|increase|reduce|drop|bring|whack|put) (?:the|your) oven(?: temperature)? (?:up |down |back )*to\b|(?:back)?ofen [^.]{0,40}(?:vorheizen|heizen)|heizen sie den|vorheizen|prechauff\w+|preriscald\w+|(?:accendere|scaldare|scaldate) il forno|precal\w+|(?:calienta|calentar) el horno)|^(?:oven|ofen|backofen|four|forno|horno) (?:(?:on|at|to|auf|bei|a) )*\d{2,3} ?(?:° ?)?[cf]?\.?$/;
/** Heats a smoker or a grill for a later step. */
export const HEATS_SMOKER = /^(?:pre-?heat|heat|bring|get|set|fire up) (?:the |your |a )?(?:hot )?(?:smoker|grill|barbecue|bbq)\b[^.]*\d/;
/** What else a sentence may do beside heating the oven. */
export const BESIDE_HEAT = /(?:,|;|\band\b|\bund\b|\bet\b|\be\b|\by\b)\s+(\p{L}[^.]*)$/u;
/** Opens a step that runs beside the one before it. */
export const BESIDE =
  /^(?:meanwhile|in the meantime|while (?:the|it|they|this|that|your|everything)|at the same time|inzwischen|in der zwischenzeit|wahrenddessen|wahrend|pendant ce temps|pendant que|nel frattempo|intanto|mentre|mientras(?: tanto)?|entretanto)\b/;
/** May say how long something keeps. */
export const KEEP_SENTENCE =
  /\b(?:keeps?|will keep|stores?|stored|storage|lasts?|freezes|frozen|can be (?:made|frozen|kept|stored|prepared|refrigerated|chilled)|make (?:it |this |them )?(?:up to|ahead)|ahead|in advance|shelf life|halt(?:bar|en)?|halt sich|aufbewahr\w+|lager\w+|se conserv\w+|se garde\w*|conserver|conserva\w*|si mantien\w+|aguanta\w*|se guarda\w*|vorbereiten|congel\w+|surgel\w+|eingefroren|einfrieren)\b/;
/** Tells the cook to store what is made; "keep stirring" and "keep warm" do not. */
export const STORES =
  /^(?:store|keep|hold(?= (?:at )?(?:-?\d|cold\b|chilled\b|in the (?:fridge|walk-in|freezer)\b)))\b(?!.*\b(?:warm|hot|stirring|an eye|covered with|at a)\b)/;
/** Opens with how long something keeps. */
export const OPENS_KEEP =
  /^(?:(?:(?:well |tightly |loosely )?(?:wrapped|covered|sealed|chilled|frozen)|(?:stored |kept )?in (?:a|an|its|the) [^,.]{1,30}|im [\p{L}-]+|in (?:der|dem) [\p{L}-]+|dans [^,.]{1,30}|nel [\p{L}-]+|en [^,.]{1,30}),? )?(?:it |they |this |these |the [\p{L}-]+ |leftovers? |leftover [\p{L}-]+ |(?:das|der|die|la|le|les|il|lo|gli|el|los|las) [\p{L}-]+ |l'[\p{L}-]+ )?(?:will |can |should )?(?:keeps?|stores?|lasts|freezes?|halt sich|halt|se conserve|se garde|si conserva|se conserva|aguanta|se congele(?:nt)?|si congela(?:no)?|se congelan?)\b/u;
/** "Best after 2 days": advice, no step. */
export const BEST_AFTER =
  /^(?:(?:to be )?(?:start(?:ed)?|begin|begun|plan)\b.{0,30}\b(?:ahead|before|beforehand|in advance)(?: you (?:want|need|serve|eat)[^.]*)?[ !.]*$|(?:a )?commencer\b.{0,20}\bavant[ !.]*$|(?:\w+ )?tage? (?:vorher|zuvor) (?:anfangen|beginnen)\b|(?:da )?(?:cominciare|iniziare)\b.{0,20}\bprima[ !.]*$|(?:empezar|comenzar)\b.{0,20}\bantes[ !.]*$|(?:it is |it's |they are )?(?:best|better|even better|am besten|meilleur|migliore|mejor)\b|(?:(?:it|they|this|es|sie|das) )?(?:tastes?|schmeck(?:t|en)|is|are|ist) (?:[\p{L}]+ ){0,3}(?:better|besser)\b)/u;
/** "You can make it the day before up to the baking": advice, no step. */
export const MADE_AHEAD =
  /^(?:(?:you|this|it|they|everything|all of it|all this|most of it|the [\p{L}-]+(?: [\p{L}-]+)?) (?:can|may)|can|may) (?:all )?(?:be )?(?:make|made|prepare|prepared|assemble|assembled|do|done)\b.*\b(?:day|days|night|hours?|week) (?:before|ahead|in advance|earlier)\b|\b(?:lasst|lassen) sich (?:[\p{L}]+ ){0,3}(?:am vortag|am vorabend|am tag (?:vorher|zuvor|davor)|im voraus|tags zuvor)\b|\bkann (?:man )?(?:[\p{L}]+ ){0,3}(?:am vortag|am vorabend|im voraus)\b|\b(?:peut|peuvent) (?:se |s'|etre )?(?:prepar|fai|realis)\p{L}* (?:la veille|a l'avance|le jour d'avant)|\bsi (?:puo|possono) preparare (?:il giorno prima|la sera prima|in anticipo)|\bse puede[n]? (?:preparar|hacer) (?:la vispera|el dia (?:antes|anterior)|con antelacion)/u;
/** "Don't freeze.": what is not to be done takes no place in the plan. */
export const FORBIDS =
  /^(?:(?:please )?(?:do not|don't|never|avoid)|nicht|auf keinen fall|ne pas|surtout ne pas|non (?:mescolare|aprire|congelare)|no (?:abrir|remover|congelar))\b/;
/** "Makes about 6 jars." at the end of the work. */
export const YIELDS = /^(?:makes|serves|feeds|yields|ergibt|reicht fur|donne|resa|rinde|salen)\b/;
/** Sentences that wish a good meal. */
export const WISH =
  /^(?:enjoy|bon appetit|guten appetit|buon appetito|buen provecho|that's it|voila|makes enough|this recipe|i (?:love|like)|we love|guten hunger|sent from my|von meinem [a-z]+ gesendet|love,|hth\b|un abbraccio|baci\b|tanti saluti|un saludo|abrazos|besos|bises\b|bisous|bien a toi|(?:liebe|viele|schone) grusse|lg\b|hope (?:this|that|it) helps|cheers\b|good luck|let me know|(?:please )?(?:like (?:and|&)|follow|subscribe)\b(?: (?:me|us|for|my|our|the channel)\b|$)|se rechauffe|reheats? (?:very )?well|lasst sich (?:gut |bestens )?(?:wieder )?aufwarmen|si riscalda bene|se recalienta)\b/;
/** Says how long the sentence before it takes. */
export const TAKES_SO_LONG =
  /^(?:this|that|it|das|dies|es|cela|ca|questo|esto) (?:will |should |may |can |kann |wird )?(?:takes?|dauert|dauern|prend|prendra|richiede|lleva|tarda)\b/;
/**
 * Work that is done only where something turns out so: "cover with foil if it browns too fast". In Italian "se" says so and "si" what one
 * does; in Spanish it is the other way round.
 */
const CONDITIONS: Readonly<Record<Language, RegExp>> = {
  en: /^if (?!possible|you have)|^(?:(?!,|;|\band\b).)*\bif (?:it|they|the|needed|necessary|you (?:like|want|wish))\b/,
  de: /^falls\b|^(?:(?!,|;|\bund\b).)*\b(?:falls|bei bedarf)\b/,
  fr: /^(?:si|s'il|s'ils)\b|^(?:(?!,|;|\bet\b).)*\b(?:au besoin|si (?:besoin|necessaire))\b/,
  it: /^se\b|^(?:(?!,|;|\be\b).)*\bse (?:necessario|serve)\b/,
  es: /^si\b|^(?:(?!,|;|\by\b).)*\bsi (?:hace falta|es necesario)\b/,
};
export const isOnlyIf = (folded: string, language: Language): boolean => CONDITIONS[language].test(folded);
