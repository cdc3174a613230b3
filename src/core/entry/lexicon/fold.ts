// Text as the lexicons match it: lower case, without accents, every character in its place, so that offsets count in the text itself.

const PLAIN: Readonly<Record<string, string>> = {
  "\u2019": "\u0027",
  "\u2018": "\u0027",
  "\u00b4": "\u0027",
  "\u2032": "\u0027",
  "\u2013": "-",
  "\u2014": "-",
  "\u2011": "-",
  "\u2212": "-",
  "\u00a0": " ",
  "\u202f": " ",
  "\u2009": " ",
  "\u00ba": "\u00b0",
  "\u02da": "\u00b0",
};

/** The text in lower case and without accents; as long as the text. */
export function fold(text: string): string {
  let folded = "";
  for (let i = 0; i < text.length; i++) {
    const char = text.charAt(i);
    const plain = PLAIN[char];
    if (plain !== undefined) {
      folded += plain;
      continue;
    }
    const code = char.charCodeAt(0);
    if (code < 128) {
      folded += char.toLowerCase();
      continue;
    }
    // Only letters lose their marks: "½" and "²" are no letters with marks.
    const base = /\p{L}/u.test(char)
      ? char
          .normalize("NFD")
          .replace(/\p{M}+/gu, "")
          .toLowerCase()
      : char;
    folded += base.length === 1 ? base : char;
  }
  return folded;
}
