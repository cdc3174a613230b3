// Names as they are typed: an identifier from one, and the thing that one means.

/** Letters that are not another letter with a mark. */
const LETTERS: Readonly<Record<string, string>> = { œ: "oe", æ: "ae", ß: "ss", ø: "o", ł: "l", đ: "d", ð: "d", þ: "th" };

/** An identifier from a name: lower case, digits, hyphens. */
export function slug(name: string): string {
  const plain = name
    .normalize("NFKD")
    .replace(/[̀-ͯ]/g, "")
    .toLowerCase()
    .replace(/[œæßøłđðþ]/g, (letter) => LETTERS[letter] ?? letter)
    .replace(/['’]/g, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "");
  return plain.slice(0, 40).replace(/-+$/, "") || "part";
}

/** The thing of that name: by its whole name, its reference, or the only one whose name or component has the word in it. */
export function named<T extends { readonly ref: string; readonly name: string }>(text: string, things: readonly T[]): T | undefined {
  const wish = text.toLowerCase().trim();
  if (wish === "") return undefined;
  const exact = things.find((t) => t.ref === wish || t.name.toLowerCase() === wish) ?? things.find((t) => t.ref.endsWith(`.${wish}`));
  if (exact) return exact;
  const like = things.filter((t) => t.name.toLowerCase().includes(wish) || t.ref.startsWith(`${slug(wish)}.`));
  // Several outputs of one component: its last is what is meant by its name.
  return like.length && new Set(like.map((t) => t.ref.split(".")[0])).size === 1 ? like.at(-1) : undefined;
}

/** A text without the quotation marks around its words. */
export const unquoted = (text: string): string => text.replace(/[“”"]/g, "").replace(/\s+/g, " ").trim();
