// A recipe made a dish: each section a component, what a section makes taken by the step that speaks of it, the rest led to the table.
// With it the accounting: what became of every line, and what was guessed.
import { ingredientOf, kindOfName, newDish } from "../dish/edit/components";
import { withBorrowed } from "../dish/edit/kitchen";
import { freeId } from "../dish/edit/places";
import { withTheirSteps } from "../dish/enters";
import { methodWithPuts } from "../dish/puts";
import type { DishComponent, DishFile, DishStep, Hold } from "../dish/schema";
import { holdOf } from "../entry/hold-line";
import { readIngredient } from "../entry/ingredient-line";
import { fold } from "../entry/lexicon/fold";
import { readStep } from "../entry/step/read";
import type { Keep } from "../entry/step/reading";
import { allergensOfName } from "../foods/allergens";
import { allOnOneLine, onOneLine, singleSpaced } from "../plain-text";
import { spokenDuration } from "../time/duration";
import { type Accounting, accountingOf } from "./accounting";
import { accountAside, type Draft, type KeepFn } from "./asides";
import { isDay } from "./days";
import type { ReadInstruction } from "./instruction-step";
import { methodOf, type ReadMethod } from "./method";
import { calledLater, firstFood } from "./part-names";
import { GUESSED_SERVES, type Recipe, type RecipeLine, type RecipeSection, type Stretch } from "./recipe";
import { names, tellingWords } from "./sections";

interface PreviewIngredient {
  readonly line: RecipeLine;
  readonly read: ReturnType<typeof readIngredient>;
}

interface PreviewComponent {
  readonly id: string;
  readonly name: string;
  readonly kind: DishComponent["kind"];
  readonly ingredients: readonly PreviewIngredient[];
  readonly steps: readonly ReadInstruction[];
  /** Whose output it takes, and at which of its steps. */
  readonly takes: readonly { readonly from: string; readonly step: number }[];
}

export interface ImportedDish {
  readonly document: DishFile;
  readonly components: readonly PreviewComponent[];
  /** What should be looked at before it is kept. */
  readonly doubts: readonly string[];
  readonly accounting: Accounting;
}

export interface Serving {
  readonly serves: number;
  readonly serveAt: string;
  readonly timezone: string;
}

/** Kinds that may well stand in a cupboard. */
const STAYS_OUT: ReadonlySet<string> = new Set(["dry", "sweet", "dough", "oil", "pickle", "ferment", "cure", "garnish"]);
const LEAST_COLD_MIN = 1440;
/** "Keeps 4 days" of a stew, and nothing about where: in the fridge. */
const inTheCold = (keep: Keep, kind: string): Keep =>
  keep.place === null && (keep.max ?? 0) >= LEAST_COLD_MIN && !STAYS_OUT.has(kind) ? { ...keep, place: "fridge" } : keep;
const LONGEST_NOTE = 19_000;

/** The dish that a recipe comes to, served to so many at that hour. Amounts stay those of the recipe, for its own number. */
export function dishOfRecipe(recipe: Recipe, serving: Serving): ImportedDish {
  const doubts: string[] = [];
  const items: Draft[] = [];
  const base = recipe.serves ?? GUESSED_SERVES;
  if (recipe.serves === undefined)
    doubts.push(`It does not say for how many it is${recipe.yieldText ? ` (“${recipe.yieldText}”)` : ""}; ${base} is assumed.`);
  else if (recipe.yieldGuessed)
    doubts.push(`It makes “${recipe.yieldText}”; that is read as the number of portions. Set how many it feeds.`);
  const name = onOneLine(recipe.name).slice(0, 200);
  const empty = newDish({ name, ...serving });
  const sections = recipe.sections.length ? recipe.sections : [{ name: "", headings: [], ingredients: [], instructions: [] }];
  const taken = ["table"];
  let ovenC: number | undefined;
  let pending: readonly Stretch[] = [];
  const methods: ReadMethod[] = [];
  const components = sections.map((section): PreviewComponent => {
    const own = section.name || (sections.length === 1 || section === sections.at(-1) ? name : calledLater(section, sections));
    // The only part without a name is the dish itself.
    const title = (own || (sections.filter((s) => s.name === "").length === 1 ? name : firstFood(section, recipe.language))).slice(0, 120);
    const id = freeId(title, taken);
    taken.push(id);
    const read = methodOf(section.instructions, recipe.language, ovenC, pending);
    ovenC = read.ovenC;
    pending = read.pending;
    methods.push(read);
    return {
      id,
      name: title,
      // Of several parts, the dish's name says nothing about one.
      kind: kindOfName(title) === "other" && sections.length === 1 ? kindOfName(name) : kindOfName(title),
      ingredients: section.ingredients.map((line) => ({ line, read: readIngredient(onOneLine(line.text), recipe.language) })),
      steps: read.steps.length ? read.steps : [emptyStep(title)],
      takes: [],
    };
  });
  const linked = linkParts(components, sections, name);
  for (const c of linked) {
    if (c.steps[0]?.step.id === "make" && c.steps[0].from.length === 0) doubts.push(`No steps were found for ${c.name}.`);
    if (c.ingredients.length === 0 && linked.length > 1 && c.takes.length === 0)
      doubts.push(`No ingredients were found for ${c.name}: check whether some of another part belong there.`);
  }
  const found = linked.flatMap((c) => c.steps).reduce((sum, s) => sum + s.reading.minutes.likely, 0);
  if (recipe.totalMinutes && (found < recipe.totalMinutes * 0.6 || found > recipe.totalMinutes * 2.5))
    doubts.push(`The page says ${spokenDuration(recipe.totalMinutes)} in all; the steps found add up to ${spokenDuration(found)}.`);

  // What is said beside the steps: how long a part keeps, tips, descriptions, what was not understood.
  const holds = new Map<string, Hold[]>();
  const notes = new Map<string, string[]>();
  const dishNotes: string[] = [];
  // Nothing but ingredients: no step is made up for them, they come in where it is served, and what keeps how long is a note.
  const bare = linked.length === 1 && linked[0]?.steps[0]?.from.length === 0;
  const keep: KeepFn = (stretch, component, keeps, said) => {
    const c = linked[component] as PreviewComponent;
    const before = holds.get(c.id) ?? [];
    const placed = keeps.map((k) => inTheCold(k, c.kind));
    const guess = placed.some((k, i) => k !== keeps[i]) ? "no place said: the fridge is assumed" : said;
    holds.set(c.id, [...before, ...placed.map(holdOf)]);
    // Said within a step: its words stand there.
    if (!stretch) return;
    notes.set(c.id, [...(notes.get(c.id) ?? []), singleSpaced(stretch.text)]);
    if (bare) return void items.push({ from: stretch.from, to: stretch.to, state: "note", became: "/components/0/note" });
    items.push({
      from: stretch.from,
      to: stretch.to,
      state: guess ? "guess" : "read",
      became: `/components/${component}/methods/0/steps/${c.steps.length - 1}/makes/0/holds/${before.length}`,
      ...(guess ? { why: guess } : {}),
    });
  };
  sections.forEach((section, i) => accountSection(section, linked, i, methods[i] as ReadMethod, items, keep, notes));
  for (const aside of recipe.aside) accountAside(aside, recipe, linked, items, keep, dishNotes);

  // An oven that was heated and never used: kept as words.
  for (const { from, to, text } of pending) {
    dishNotes.push(singleSpaced(text));
    items.push({ from, to, state: "note", became: "/dish/note" });
  }
  const dishNote = dishNotes.join(" · ").slice(0, LONGEST_NOTE);
  const dish = { ...empty.dish, baseServes: base, ...(dishNote ? { note: dishNote } : {}) };
  const parts = linked.map((c) => componentOf(c, linked, holds.get(c.id) ?? [], notes.get(c.id) ?? []));
  const served = bare ? tableWith(empty, parts[0] as DishComponent) : [...parts, ...tableOf(empty, linked)];
  const document = withBorrowed({ ...empty, dish, components: served });
  const accounting = accountingOf(recipe.source, items, "/dish/note");
  // What nothing took is kept on the dish as a note.
  const unread = accounting.items.filter((i) => i.state === "unread").map((i) => singleSpaced(i.text));
  // Signs alone (a rule of dashes) are kept where nothing else is noted, so that what they became is there.
  const signs =
    dishNote === "" && unread.length === 0
      ? accounting.items.filter((i) => i.became === "/dish/note").map((i) => singleSpaced(i.text))
      : [];
  const whole = [dishNote, ...unread.filter((u) => !dishNote.includes(u)), ...signs].filter(Boolean).join(" · ").slice(0, LONGEST_NOTE);
  const last = whole ? { ...document, dish: { ...document.dish, note: whole } } : document;
  return { document: allOnOneLine(last), components: linked, doubts, accounting };
}

/** Of a sentence that says how long something keeps, what may name it. */
const LONGEST_SUBJECT = 40;

/** What became of a section's heading, ingredients and steps. */
function accountSection(
  section: RecipeSection,
  parts: readonly PreviewComponent[],
  i: number,
  method: ReadMethod,
  items: Draft[],
  keep: KeepFn,
  notes: Map<string, string[]>,
): void {
  const c = parts[i] as PreviewComponent;
  const at = `/components/${i}`;
  for (const h of section.headings)
    items.push({ from: h.from, to: h.to, state: h.guess ? "guess" : "read", became: `${at}/name`, ...(h.guess ? { why: h.guess } : {}) });
  c.ingredients.forEach(({ line, read }, j) => {
    if (line.to <= line.from) return;
    const why = line.guess ?? read.doubts[0]?.why;
    items.push({
      from: line.from,
      to: line.to,
      state: why ? "guess" : "read",
      became: `${at}/methods/0/ingredients/${j}`,
      ...(why ? { why } : {}),
    });
  });
  c.steps.forEach((s, k) => {
    for (const stretch of s.from)
      items.push({
        from: stretch.from,
        to: stretch.to,
        state: s.guess ? "guess" : "read",
        became: `${at}/methods/0/steps/${k}`,
        ...(s.guess ? { why: s.guess } : {}),
      });
  });
  for (const h of method.heating)
    items.push({ from: h.stretch.from, to: h.stretch.to, state: "read", became: `${at}/methods/0/steps/${h.step}` });
  for (const b of method.beside) {
    if (b.keeps) {
      // "The pastry keeps 3 days": another part than the one whose steps it stands below.
      const subject = b.stretch.text.slice(0, LONGEST_SUBJECT);
      const named = names(subject, tellingWords(c.name)) ? i : parts.findIndex((p) => names(subject, tellingWords(p.name)));
      keep(b.stretch, named < 0 ? i : named, b.keeps, b.guess);
    } else {
      notes.set(c.id, [...(notes.get(c.id) ?? []), singleSpaced(b.stretch.text)]);
      items.push({ from: b.stretch.from, to: b.stretch.to, state: "note", became: `${at}/note` });
    }
  }
}

function emptyStep(title: string): ReadInstruction {
  return {
    step: { id: "make", name: `Make ${title.toLowerCase()}`.slice(0, 120), time: "30m" },
    reading: { ...readStep(""), minutes: { min: 30, likely: 30, max: 30 } },
    from: [],
    guess: "The page has no steps for it.",
    beside: false,
  };
}

const ASSEMBLY =
  /^(?:assembl|to assemble|(?:to )?finish(?:ing)?$|to serve|serving|final|main|putting|build|plating|fertig|zusammen|anrichten|montage|dressage|finition|assemblaggio|montaje|presentac)/i;

/** Kinds of component that nobody eats as they are. */
const UNFINISHED: ReadonlySet<string> = new Set(["dough", "pasta", "batter", "filling", "sausage"]);
const bakesOrBoils = ({ reading }: ReadInstruction) =>
  reading.heat?.by === "oven" ||
  (reading.heat?.by === "burner" && /\b(?:boil|blanch|poach|less|cuoc|hervir|cocer|koch|pocher|bouill)/.test(reading.verb ?? ""));
/** A step that puts a filling in without naming it: "Fill, lid, crimp". */
const FILLS = /\b(?:fill|stuff|fullen|befullen|garnir|garnissez|farcir|farcire|farcite|riempi\p{L}*|rellen\p{L}+)(?![\p{L}])/u;

/** Whether a component is taken, directly or through others, by the component `into`. */
function leadsTo(
  takes: ReadonlyMap<string, readonly { readonly from: string }[]>,
  part: PreviewComponent,
  into: string,
  seen = new Set<string>(),
): boolean {
  if (seen.has(into)) return false;
  seen.add(into);
  return (takes.get(into) ?? []).some(({ from }) => from === part.id || leadsTo(takes, part, from, seen));
}

/** Each part goes to the step of a later part that speaks of it; where none does, to the part that puts all together, or to the table. */
function linkParts(parts: readonly PreviewComponent[], sections: readonly RecipeSection[], dish: string): PreviewComponent[] {
  const takes = new Map<string, { from: string; step: number }[]>();
  const common = new Set(tellingWords(dish));
  const last = parts.at(-1);
  const gathers = last !== undefined && (sections.at(-1)?.name === "" || ASSEMBLY.test(last.name) || last.name === dish);
  parts.forEach((part, i) => {
    if (part === last) return;
    const all = tellingWords(part.name);
    const words = all.filter((w) => !common.has(w)).length > 0 ? all.filter((w) => !common.has(w)) : all;
    // Later components first, then earlier ones that take it in a step after its own.
    const made = Math.max(...part.steps.flatMap((s) => s.from.map((f) => f.to)), 0);
    for (const j of [...parts.keys()].filter((n) => n > i).concat([...parts.keys()].filter((n) => n < i))) {
      if (j < i && leadsTo(takes, parts[j] as PreviewComponent, part.id)) continue;
      const step = (parts[j] as PreviewComponent).steps.findIndex(
        (s) =>
          (j > i || (made > 0 && s.from.some((f) => f.from >= made))) &&
          ((words.length > 0 && names(`${s.step.name ?? ""} ${s.step.note ?? ""}`, words)) ||
            (part.kind === "filling" && FILLS.test(fold(`${s.step.name ?? ""} ${s.step.note ?? ""}`)))),
      );
      if (step < 0) continue;
      const id = (parts[j] as PreviewComponent).id;
      takes.set(id, [...(takes.get(id) ?? []), { from: part.id, step }]);
      return;
    }
    // "Day 1", "Day 2": what one day makes, the next goes on with.
    const next = parts[i + 1];
    if (next && (isDay(part.name) || isDay(next.name))) {
      takes.set(next.id, [...(takes.get(next.id) ?? []), { from: part.id, step: 0 }]);
      return;
    }
    // A dough or a filling that no step names goes into the last component, where that bakes or boils something.
    const unfinished = UNFINISHED.has(part.kind) && part.steps.every((s) => s.reading.heat === null) && last?.steps.some(bakesOrBoils);
    if ((gathers || unfinished) && last) takes.set(last.id, [...(takes.get(last.id) ?? []), { from: part.id, step: 0 }]);
  });
  return parts.map((p) => ({ ...p, takes: takes.get(p.id) ?? [] }));
}

const outputRef = (c: PreviewComponent) => `${c.id}.${c.id}`;

function componentOf(
  c: PreviewComponent,
  parts: readonly PreviewComponent[],
  holds: readonly Hold[],
  notes: readonly string[],
): DishComponent {
  const steps = methodWithPuts(
    besides(c.steps).map((step, i) => {
      const takes = c.takes
        .filter((t) => t.step === i)
        .map((t) => ({ from: outputRef(parts.find((p) => p.id === t.from) as PreviewComponent) }));
      return {
        ...step,
        ...(takes.length ? { takes } : {}),
        ...(i === c.steps.length - 1 ? { makes: [{ id: c.id, name: c.name, ...(holds.length ? { holds: [...holds] } : {}) }] } : {}),
      };
    }),
  );
  const ids: string[] = [];
  const ingredients = c.ingredients.map(({ read }) => {
    const made = ingredientOf(read, ids);
    ids.push(made.id);
    const brings = allergensOfName(read.name)?.filter((a) => a !== "wheat");
    return brings?.length ? { ...made, allergens: brings.map((a) => WORDS[a] ?? a) } : made;
  });
  const note = notes.join(" ").slice(0, LONGEST_NOTE);
  return {
    id: c.id,
    name: c.name,
    kind: c.kind,
    ...(note ? { note } : {}),
    methods: [
      {
        id: "usual",
        name: "Original text",
        // Ingredients come in where a step's own words name them; then each step gets its whole sentence.
        ...(ingredients.length ? { ingredients: withTheirSteps(ingredients, steps) } : {}),
        steps: steps.map((step, i) => withSentence(step, c.steps[i]?.sentence)),
      },
    ],
  };
}

/** A step that is a part of a sentence has the whole of it in its note. */
function withSentence(step: DishStep, sentence: string | undefined): DishStep {
  if (!sentence || step.note?.includes(sentence)) return step;
  // Words before the sentence (the oven that was heated first) stay.
  const before = step.note && !sentence.includes(step.note) ? `${step.note} ` : "";
  return { ...step, note: before + sentence };
}

/** "Meanwhile": a step beside the one before it begins when that one could, and the next waits for both. */
function besides(steps: readonly ReadInstruction[]): DishStep[] {
  return steps.map((s, i) => {
    const before = steps[i - 1];
    if (s.beside && before && !before.beside) {
      const earlier = steps[i - 2];
      return { ...s.step, after: earlier ? [earlier.step.id] : [] };
    }
    if (before?.beside && !s.beside) {
      const other = steps[i - 2];
      return other ? { ...s.step, after: [other.step.id, before.step.id] } : s.step;
    }
    return s.step;
  });
}

const WORDS: Readonly<Record<string, string>> = { gluten_cereals: "gluten", eggs: "egg", soybeans: "soya", tree_nuts: "nuts" };

/** The table with the ingredients of a recipe that has no steps. */
function tableWith(empty: DishFile, part: DishComponent): DishComponent[] {
  return empty.components.map((c) => ({
    ...c,
    ...(part.note ? { note: part.note } : {}),
    methods: c.methods.map((m) => ({ ...m, ingredients: part.methods[0]?.ingredients?.map(({ step: _, ...i }) => i) ?? [] })),
  }));
}

function tableOf(empty: DishFile, parts: readonly PreviewComponent[]): DishComponent[] {
  const taken = new Set(parts.flatMap((p) => p.takes.map((t) => t.from)));
  const free = parts.filter((p) => !taken.has(p.id));
  const last = parts.at(-1);
  return empty.components.map((c) => ({
    ...c,
    methods: c.methods.map((m) => ({
      ...m,
      steps: m.steps.map((s) => ({ ...s, takes: (free.length ? free : last ? [last] : []).map((p) => ({ from: outputRef(p) })) })),
    })),
  }));
}
