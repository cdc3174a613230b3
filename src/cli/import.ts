// rondeau import: a recipe of any kind as a dish, and what became of every character of it.
import { type Accounting, allUnread } from "../core/import/accounting";
import { readRecipes } from "../core/import/read";
import { GUESSED_SERVES } from "../core/import/recipe";
import { dishOfRecipe } from "../core/import/to-dish";
import { isInstant } from "../core/time/zone";
import { bad, numberFlag, readFlags, readText, type Tell } from "./input";
import { languageFlag } from "./read";

const DEFAULT_ZONE = "Europe/Dublin";
/** A dish without a time to be served is served at one o'clock on a Sunday far enough ahead for any of its steps. */
const DEFAULT_SERVE = "2030-01-06T13:00";

/** What `import` prints: the dish, and the accounting as the last line of standard error. */
type Imported = { readonly accounting: Accounting } & (
  | { readonly data: unknown; readonly exit: 0 }
  | { readonly text: ""; readonly exit: 2 }
);

export function importCommand(args: readonly string[], tell: Tell): Imported {
  const flags = readFlags(args, ["--lang", "--serves", "--serve"], ["FILE"]);
  const lang = flags.values.get("--lang")?.at(-1);
  const language = lang === undefined ? undefined : languageFlag(lang);
  const serves = numberFlag(flags, "--serves", 1, 1000);
  const serveAt = flags.values.get("--serve")?.at(-1) ?? DEFAULT_SERVE;
  if (!isInstant(serveAt)) throw bad("--serve", `"${serveAt.slice(0, 40)}" is not a date and time. Write one such as 2026-10-18T13:00.`);
  const read = readRecipes(readText(flags.files[0] as string), language);
  if (read.status === "nothing") {
    tell(`${read.because}`);
    return { text: "", exit: 2, accounting: allUnread(read.source) };
  }
  const recipe = read.recipes[0] as (typeof read.recipes)[number];
  const imported = dishOfRecipe(recipe, { serves: serves ?? recipe.serves ?? GUESSED_SERVES, serveAt, timezone: DEFAULT_ZONE });
  for (const doubt of imported.doubts) tell(`${doubt}`);
  return { data: imported.document, exit: 0, accounting: imported.accounting };
}
