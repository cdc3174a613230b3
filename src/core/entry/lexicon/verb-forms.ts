// The forms of English verbs, from their plain forms: "chop" gives chop, chops, chopped, chopping; "bake" gives baking; "fry" fries.

const IRREGULAR: Readonly<Record<string, string>> = {
  rise: "ris(?:e|es|ing|en)|rose",
  freeze: "freez(?:e|es|ing)|froze|frozen",
  grind: "grind(?:s|ing)?|ground(?= (?:the|and|to))",
  cut: "cut(?:s|ting)?",
  set: "set(?:s|ting)?",
  put: "put(?:s|ting)?",
  let: "let(?:s|ting)?",
  hang: "hang(?:s|ing)?|hung",
  sit: "sit(?:s|ting)?|sat",
  stand: "stand(?:s|ing)?|stood",
  leave: "leav(?:e|es|ing)",
  keep: "keep(?:s|ing)?|kept",
  beat: "beat(?:s|ing|en)?",
  make: "mak(?:e|es|ing)|made",
  tear: "tear(?:s|ing)?|torn",
  take: "tak(?:e|es|ing)|taken",
  draw: "draw(?:s|ing)?",
  split: "split(?:s|ting)?",
  spread: "spread(?:s|ing)?",
  bring: "bring(?:s|ing)?|brought",
};

/** Patterns of all forms of verbs; a verb of several words bends in its first ("roll out": rolls out, rolling out). */
export function verbForms(verbs: string): string {
  return verbs
    .split("|")
    .map((verb) => {
      // "pan-fry" bends at its end, "boil down" at its beginning.
      const [first = "", ...rest] = verb.split(" ");
      const dash = first.lastIndexOf("-");
      const before = first.slice(0, dash + 1).replace(/-/g, "[- ]");
      return [before + bent(first.slice(dash + 1)), ...rest].join(" ");
    })
    .join("|");
}

function bent(verb: string): string {
  const own = IRREGULAR[verb];
  if (own) return `(?:${own})`;
  if (/[^aeiou]y$/.test(verb)) return `${verb.slice(0, -1)}(?:y|ies|ied|ying)`;
  if (verb.endsWith("ee")) return `${verb}(?:s|d|ing)?`;
  if (verb.endsWith("e")) return `${verb.slice(0, -1)}(?:e|es|ed|ing)`;
  // A short vowel before one consonant doubles it: chopped, stirring.
  const doubled = /[^aeiou][aeiou][bdgmnprt]$/.test(verb) ? `${verb.at(-1)}?` : "";
  return `${verb}(?:s|es|${doubled}ed|${doubled}ing)?`;
}
