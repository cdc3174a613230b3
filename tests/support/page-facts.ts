// The facts of a page (tests/data/pages/*.facts), one a line, held against what was imported of it.
import { readdirSync, readFileSync } from "node:fs";
import type { DishStep } from "../../src/core/dish/schema";
import { fold } from "../../src/core/entry/lexicon/fold";
import { readRecipes } from "../../src/core/import/read";
import type { Recipe } from "../../src/core/import/recipe";
import { dishOfRecipe, type ImportedDish } from "../../src/core/import/to-dish";
import { minutesOf } from "../../src/core/time/duration";

const folder = new URL("../data/pages/", import.meta.url);
export const pageText = (name: string): string => readFileSync(new URL(name, folder), "utf8");
/** Files that have facts beside them. */
export const pagesWithFacts = (): string[] => {
  const all = readdirSync(folder);
  return all.filter((f) => !f.endsWith(".facts") && all.includes(`${f.replace(/\.[a-z]+$/, "")}.facts`));
};
export const factsOf = (name: string): string[] =>
  readFileSync(new URL(`${name.replace(/\.[a-z]+$/, "")}.facts`, folder), "utf8")
    .split("\n")
    .filter(Boolean);

const SERVING = { serves: 4, serveAt: "2026-12-20T13:00", timezone: "Europe/Dublin" };

export function importedPage(name: string): { recipe: Recipe; dish: ImportedDish } | undefined {
  const read = readRecipes(pageText(name));
  const recipe = read.status === "read" ? read.recipes[0] : undefined;
  return recipe && { recipe, dish: dishOfRecipe(recipe, SERVING) };
}

const span = (time: DishStep["time"]) =>
  typeof time === "string" ? [minutesOf(time), minutesOf(time)] : [minutesOf(time.min), minutesOf(time.max)];

/** Whether a fact holds; its reason where it does not. */
export function missing(fact: string, { recipe, dish }: { recipe: Recipe; dish: ImportedDish }): string | undefined {
  const parts = dish.document.components.filter((c) => c.id !== "table");
  const partOf = (name: string) => parts.find((c) => fold(c.name) === fold(name.trim()));
  const all = parts.flatMap((c) => c.methods.flatMap((m) => m.steps.map((step) => ({ step, component: c }))));
  const stepsWith = (word: string) => all.filter(({ step }) => fold(`${step.name} ${step.note ?? ""}`).includes(fold(word)));
  const [kind = "", ...words] = fact.split(" ");
  const rest = words.join(" ");
  const told = (word: string) =>
    stepsWith(word)
      .map(({ step }) => `${step.name}: ${JSON.stringify({ time: step.time, uses: step.uses, attention: step.attention })}`)
      .join("; ") || "no such step";
  const any = (word: string, holds: (step: DishStep, at: number) => boolean) =>
    stepsWith(word).some(({ step }, i) => holds(step, i)) ? undefined : told(word);
  switch (kind) {
    case "kind":
      return recipe.source.kind === rest ? undefined : recipe.source.kind;
    case "name":
      return recipe.name === rest ? undefined : recipe.name;
    case "serves":
      return recipe.serves === Number(rest) ? undefined : String(recipe.serves);
    case "parts":
      return parts.length === Number(rest) ? undefined : String(parts.length);
    case "part":
      return partOf(rest) ? undefined : parts.map((p) => p.name).join(", ");
    case "notext":
      return recipe.source.text.includes(rest) ? "it is in the text" : undefined;
    case "ing": {
      const [what = "", where] = rest.split(" @ ");
      const [amount = "", unit = "", ...name] = what.split(" ");
      const from = where ? [partOf(where)] : parts;
      const found = from.flatMap((c) => c?.methods[0]?.ingredients ?? []).find((i) => fold(i.name) === fold(name.join(" ")));
      if (!found)
        return `missing; there are ${parts.map((c) => `${c.name}: ${(c.methods[0]?.ingredients ?? []).map((i) => i.name).join(", ")}`).join(" | ")}`;
      const got = `${found.amount?.amount} ${found.amount?.unit}`;
      return Math.abs((found.amount?.amount ?? 0) - Number(amount)) < 1e-6 * Number(amount) && found.amount?.unit === unit
        ? undefined
        : got;
    }
    case "time": {
      const [low = 0, high = low] = (words.at(-1) ?? "").split("-").map(Number);
      return any(words.slice(0, -1).join(" "), (s) => {
        const [min = 0, max = 0] = span(s.time);
        return Math.abs(min - low) <= 1 && Math.abs(max - high) <= 1;
      });
    }
    case "heat":
      return any(words.slice(0, -2).join(" "), (s) =>
        (s.uses ?? []).some((u) => u.what === words.at(-2) && Math.abs((u.tempC ?? 0) - Number(words.at(-1))) <= 4),
      );
    case "place":
      return any(words.slice(0, -1).join(" "), (s) => {
        const used = (s.uses ?? []).find((u) => ["fridge", "freezer", "cellar"].includes(u.what))?.what;
        return words.at(-1) === "counter" ? used === undefined && s.attention === "unattended" : used === words.at(-1);
      });
    case "hands":
      return any(words.slice(0, -1).join(" "), (s) => (s.attention ?? "hands") === words.at(-1));
    case "cue":
      return any(words[0] ?? "", (s) => (s.done?.cue ?? "").includes(words.slice(1).join(" ")));
    case "probe":
      return any(words[0] ?? "", (s) => s.done?.probeC === Number(words[1]));
    case "batches":
      return any(words[0] ?? "", (s) => s.batches === Number(words[1]));
    case "round":
      return any(words[0] ?? "", (s) =>
        [s.tend ?? []].flat().some((t) => typeof t.every === "string" && minutesOf(t.every) === Number(words[1])),
      );
    case "beside":
      return dish.components.flatMap((c) => c.steps).some((s) => s.beside && fold(s.step.name ?? "").includes(fold(rest)))
        ? undefined
        : "it does not run beside another";
    case "nostep":
      return all.some(({ step }) => fold(step.name ?? "").startsWith(fold(rest))) ? "it is a step" : undefined;
    case "hold": {
      const [what = "", where] = rest.split(" @ ");
      const [place, minutes] = what.split(" ");
      const holds = (where ? [partOf(where)] : parts).flatMap((c) =>
        (c?.methods ?? []).flatMap((m) => m.steps.flatMap((s) => (s.makes ?? []).flatMap((o) => o.holds ?? []))),
      );
      return holds.some((h) => h.place === place && h.max !== undefined && Math.abs(minutesOf(h.max) - Number(minutes)) < 1)
        ? undefined
        : JSON.stringify(holds);
    }
    case "takes": {
      const [from = "", to = ""] = rest.split(" > ");
      const refs = (partOf(to)?.methods ?? []).flatMap((m) => m.steps.flatMap((s) => (s.takes ?? []).map((t) => t.from)));
      const id = partOf(from)?.id;
      return refs.some((r) => r.startsWith(`${id}.`)) ? undefined : refs.join(", ") || "nothing";
    }
    default:
      return `no such kind of fact: ${kind}`;
  }
}
