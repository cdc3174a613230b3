// What ingredient lists say beside amounts and names, by language, in folded text.
import type { Language } from "./lexicon";

interface IngredientWords {
  readonly about: string;
  /** Sizes of a counted thing: never its unit, never its name. */
  readonly size: string;
  /** "Juice of", "zeste de": a part of what is counted. */
  readonly part: string;
  readonly asNeeded: string;
  readonly optional: string;
  readonly plusMore: string;
  readonly of: string;
  readonly heading: string;
  /** Words of what is done to it that may end a name without a comma: "butter melted". */
  readonly prepared: string;
  /** Before an amount-less name that is taken by feel: "salt", "ice". */
  readonly byFeel: string;
  /** Vague numbers. */
  readonly few: string;
}

export const INGREDIENT_WORDS: Readonly<Record<Language, IngredientWords>> = {
  en: {
    about:
      "about|approximately|approx\\.?|around|roughly|ca\\.?|circa|a (?:generous|scant|heaped|heaping|level|good|rounded|big|small|large)|generous|scant|heaped|heaping|rounded|level|at least|up to|a little over|just over|just under|almost|nearly|another|an extra|an additional|a further",
    size: "(?:(?:extra|very|good)[- ])?(?:large|small|medium|big|fat|thick|thin|long|little|tiny|huge|plump|heaped|generous|medium-sized)(?:[- ]?sized)?|(?:large|medium) (?:to|or) (?:large|small)|(?:small|medium)-large|jumbo|size \\d|free-range|organic|good-quality|good(?= (?:handful|pinch|bunch|glug|splash|dollop|sprinkl))|whole(?!-)|ripe(?!-)|fresh(?!-)",
    part: "(?:(?:the|fresh|finely|freshly|grated|squeezed|strained)[ ])*(?:juice|zest|rind|peel|juice (?:and|&|\\+) zest|zest (?:and|&|\\+) juice|grated zest|grated rind|zest and juice|yolks?|whites?|leaves|seeds|flesh|tops|stalks|kernels)(?: only)?(?:,)? (?:of|from)(?: the)?|(?:juice (?:and|&|\\+) (?:zest|rind|peel)|(?:zest|rind|peel) (?:and|&|\\+) juice)(?= \\d)",
    asNeeded:
      "to taste|to (?:just |barely )?cover(?: (?:it|them|everything|the \\p{L}+))?|as (?:needed|required|you like|desired|necessary)|if needed|to season|(?:for|to) (?:(?:deep|shallow)[- ])?(?:frying|fry|greas(?:ing|e)|dusting|dust|rolling|brushing|brush|serving|serve|garnish(?:ing)?|sprinkling|sprinkle|drizzling|drizzle|the (?:tin|pan|pot|tray|board|work surface|tins|worktop|bowl|table|dish)|kneading|lining|line (?:the|your|a) \\p{L}+|wrapping|wrap|barding|blind[- ]baking|coating|basting|finish(?:ing)?|topping|decorat(?:ing|e|ion)|oiling|glazing)",
    optional: "optional|(?<!more |extra )if (?:you like|using|liked|desired|wanted)|or not",
    plusMore: "(?:plus|and) (?:a (?:little|bit)|some|more|extra|\\S+ (?:more|extra))",
    of: "of(?: the)?",
    heading: "for (?:the |a |an )?|to (?:make (?:the )?|finish|serve|garnish|assemble|decorate|glaze)",
    prepared:
      "(?:finely |roughly |thinly |coarsely |freshly |lightly |well )?(?:chopped|sliced|diced|minced|grated|peeled|crushed|melted|softened|beaten|sifted|drained|rinsed|toasted|halved|quartered|cubed|shredded|torn|ground|soaked|cooked|chilled|divided|packed|separated|trimmed|pitted|stoned|zested|juiced|washed|split|scraped|bruised|filleted|diluted|dissolved|butterflied|mixed with|cut (?:into|in)\\b|at room temperature|room temperature|in (?:chunks|pieces|cubes|strips|slices)|skin on|bone in|skinless|boneless and skinless|without (?:the )?(?:bones?|skin|seeds|stones?|rind|crusts?))",
    byFeel:
      "salt|pepper|salt and (?:freshly ground )?(?:black )?pepper|sea salt|ice|water|seasoning|ice cubes|fleur de sel|flaky salt|black pepper|white pepper|(?:freshly )?(?:ground|milled|cracked) (?:(?:black|white|pink|mixed|long) )?pepper(?:corns)?|salt & pepper",
    few: "a few|few|several|some|a couple of|a couple",
  },
  de: {
    about: "etwa|ca\\.?|circa|ungefahr|rund|knapp|gut|gehaufte?r?|gestrichene?r?|mindestens|je",
    size: "(?:sehr )?(?:große?[nrs]?|grosse?[nrs]?|kleine?[nrs]?|mittelgroße?[nrs]?|mittelgrosse?[nrs]?|mittlere?[nrs]?|dicke?[nrs]?|dunne?[nrs]?|reife?[nrs]?|frische?[nrs]?|bio(?!-))",
    part: "(?:der |die |abgeriebene |fein abgeriebene )?(?:saft|schale|abrieb|saft und schale)(?: von| einer| eines)?(?: der)?",
    asNeeded:
      "nach (?:geschmack|belieben|bedarf)|zum (?:braten|frittieren|bestauben|bestreichen|servieren|einfetten|ausrollen|garnieren|bestreuen|anbraten|kochen)|fur (?:die form|das blech|die arbeitsflache)|etwas(?= )",
    optional: "optional|wer mag|nach wunsch|evtl\\.?|eventuell",
    plusMore: "(?:plus|und|sowie) (?:etwas|mehr)(?: mehr)?",
    of: "von|vom",
    heading: "fur (?:den |die |das |dem )?|zum ",
    prepared:
      "(?:fein |grob |klein )?(?:gehackt|geschnitten|gerieben|gewurfelt|zerlassen|geschmolzen|weich|zimmerwarm|geschalt|gemahlen|abgetropft|geschlagen|gesiebt|kalt|ohne (?:knochen|haut|kerne?|steine?|rinde|graten|schwarte|stiele?))",
    byFeel: "salz|pfeffer|salz und pfeffer|wasser|eis",
    few: "einige|ein paar",
  },
  fr: {
    about: "environ|a peu pres|env\\.?|bonne?s?|grosse?s?|petite?s?|au moins",
    size: "(?:beaux|belles?|beau|gros(?:ses?)?|petit(?:e?s?)|moyen(?:ne)?s?|grand(?:e?s?)|frais|fraiches?|bio|bien murs?|mures?)",
    part: "(?:le |la |les )?(?:jus|zestes?|zeste rape|jus et (?:le )?zeste|blancs?|jaunes?)(?: finement rape)? (?:de|d')",
    asNeeded:
      "(?:au|a votre) gout|selon (?:le |votre )?gout|a volonte|si besoin|selon besoin|pour (?:la (?:friture|cuisson|poele|plaque|deco(?:ration)?)|le (?:moule|plan de travail|service|plat)|servir|fariner|graisser|saupoudrer|badigeonner|dorer)|qs|q\\.s\\.?",
    optional: "facultatif|en option|optionnel|facultative",
    plusMore: "(?:plus|et) (?:un peu|pour|un supplement)",
    of: "de(?: la| l')?|d'|du|des",
    heading: "pour (?:la |le |les |l')?",
    prepared:
      "(?:finement |grossierement )?(?:hache(?:e?s?)|emince(?:e?s?)|rape(?:e?s?)|fondu(?:e?s?)|mou|ramolli|pommade|coupe(?:e?s?)|tamise(?:e?s?)|battu(?:e?s?)|egoutte(?:e?s?)|pele(?:e?s?)|concasse(?:e?s?)|sans (?:la )?(?:peau|os|aretes|couenne|pepins|noyaux?|croute)|ecrase(?:e?s?)|froid|tiede|a temperature ambiante|en (?:des|morceaux|cubes|tranches|rondelles))",
    byFeel: "sel|poivre|sel et poivre|sel, poivre|eau|glacons|fleur de sel",
    few: "quelques|plusieurs",
  },
  it: {
    about: "circa|all'incirca|quasi|almeno|abbondanti?",
    size: "(?:grand[ei]|gross[oiae]|piccol[oiae]|medi[oae]|fresc[oa]|freschi|fresche|matur[oiae]|bio)",
    part: "(?:il |la |le |lo )?(?:succo|scorza|buccia|scorza grattugiata|succo e scorza|albumi|tuorli) (?:di|d')",
    asNeeded:
      "q\\.?\\s?b\\.?|quanto basta|a piacere|a gusto|per (?:friggere|la teglia|lo stampo|spolverare|ungere|servire|infarinare|guarnire|spennellare|il piano|la spianatoia)",
    optional: "facoltativ[oa]|opzionale|a piacere",
    plusMore: "piu (?:un po'|altr[oa]|quello)",
    of: "di|d'|del|della|dello|dei|degli|delle|dell'",
    heading: "per (?:il |la |lo |l'|i |le |gli )?",
    prepared:
      "(?:finemente )?(?:tritat[oaie]|affettat[oaie]|grattugiat[oaie]|fus[oa]|morbid[oa]|tagliat[oaie]|setacciat[oaie]|sbattut[oaie]|scolat[oaie]|pelat[oaie]|schiacciat[oaie]|senza (?:la )?(?:pelle|oss[oa]|lische|semi|nocciol[oi]|crosta)|a (?:cubetti|pezzi|fette|dadini|temperatura ambiente)|fredd[oa]|tiepid[oa])",
    byFeel: "sale|pepe|sale e pepe|acqua|ghiaccio",
    few: "qualche|alcun[ei]",
  },
  es: {
    about: "unos|unas|aproximadamente|aprox\\.?|alrededor de|cerca de|casi|buen[oa]s?",
    size: "(?:grandes?|pequen[oa]s?|median[oa]s?|hermos[oa]s?|madur[oa]s?|fresc[oa]s?|gord[oa]s?|de tamano (?:medio|mediano|grande|[lm]))",
    part: "(?:el |la |las )?(?:zumo|jugo|ralladura|piel|corteza|zumo y ralladura|claras|yemas|ralladura fina)(?: rallada)? de",
    asNeeded:
      "al gusto|a gusto|c\\.?\\s?s\\.?|cantidad necesaria|para (?:freir|el molde|espolvorear|engrasar|servir|enharinar|decorar|untar|la bandeja|pintar)",
    optional: "opcional|si se quiere",
    plusMore: "mas (?:un poco|algo|extra)",
    of: "de(?: la| el)?|del",
    heading: "para (?:el |la |los |las )?",
    prepared:
      "(?:finamente )?(?:picad[oa]s?|rallad[oa]s?|fundid[oa]|derretid[oa]|trocead[oa]s?|cortad[oa]s?|tamizad[oa]s?|batid[oa]s?|escurrid[oa]s?|pelad[oa]s?|machacad[oa]s?|sin (?:la )?(?:piel|huesos?|espinas|pepitas|corteza)|en (?:dados|trozos|rodajas|tiras|cubos)|fri[oa]s?|tibi[oa]s?|a temperatura ambiente|blanda)",
    byFeel: "sal|pimienta|sal y pimienta|agua|hielo",
    few: "unos|unas|algunos|algunas",
  },
};
