// What a step's word tells of it: whether a cook's hands are wanted, whether somebody stays near, whether it looks after itself.
import type { DishStep } from "../dish/schema";

type Attention = NonNullable<DishStep["attention"]>;

const ALONE =
  "rest|prove|proof|rise|ferment|soak|chill|cool|freeze|marinate|cure|hang|dry|air-dry|stand|infuse|set|steep|age|ripen|macerate|brine|pickle|thaw|temper|refrigerate|retard|autolyse|hydrate|sprout|culture|dehydrate|bulk|relax|salt down|leave|drain overnight|mature|swell";
const NEAR =
  "simmer|boil|bake|roast|braise|poach|steam|smoke|stew|confit|render|blind-bake|reduce|toast|grill|slow-cook|slow cook|pressure-cook|pressure cook|cook|caramelise|caramelize|heat|warm|reheat|bring";
const START =
  /^(?:then|next|now|let(?: it| them)?|allow(?: it| them)? to|leave(?: it| them)? to|put to|set to|slowly|gently|cold|first|second|final|bulk)\s+/i;
const word = (list: string) => new RegExp(`^(?:${list})(?:s|es|d|ed|ing)?\\b`, "i");
const IS_ALONE = word(ALONE);
const IS_NEAR = word(NEAR);
/** "Rise", "proving": words that end in e lose it before -ing. */
const E_FORMS =
  /^(?:prov|ris|cur|marinat|infus|ag|macerat|brin|pickl|refrigerat|cultur|dehydrat|matur|freez)ing\b|^(?:second |final |first |bulk )?(?:rise|prove|proof|fermentation)\b/i;
const E_NEAR = /^(?:bak|brais|smok|reduc|caramelis|carameliz)ing\b/i;

const bare = (name: string) => {
  let text = name.trim();
  for (let i = 0; i < 3; i++) {
    const m = START.exec(text);
    if (!m || /^(?:leave|bulk) (?!to|it|them)/i.test(text)) break;
    text = text.slice(m[0].length);
  }
  return text;
};

/** What the first word of a step says of the attention that it wants. Other verbs mean hands. */
export function attentionOf(name: string): Attention {
  const text = bare(name);
  if (IS_ALONE.test(text) || E_FORMS.test(text)) return "unattended";
  if (IS_NEAR.test(text) || E_NEAR.test(text)) return "nearby";
  return "hands";
}

const ON_A_BURNER =
  /^(?:simmer|boil|poach|steam|fry|deep-fry|sear|brown|sweat|saut[eé]|reduce|render|caramelise|caramelize|blanch|scald|toast|stew|parboil|pressure-cook|pressure cook)(?:s|es|ed|d|ing)?\b/i;
/** Whether a step's word means a flame under a pot or pan. */
export const isOnBurner = (name: string): boolean => ON_A_BURNER.test(bare(name));

const IN_THE_OVEN = /^(?:bake|roast|blind-bake|baking|roasting|braise in the oven)\b/i;
/** Whether a step's word means the oven. */
export const isInOven = (name: string): boolean => IN_THE_OVEN.test(bare(name));
