// What the form of a dish file cannot say: references, cycles, balance of amounts, equipment that exists, loose ends.
// Needs a document that has passed the schema; leaves behind a list of problems, errors and warnings together.
import { hasUnseen } from "../plain-text";
import { minutesOf } from "../time/duration";
import { checkBalance } from "./balance";
import { checkCycles, checkLooseSteps } from "./check-order";
import type { PlacedStep, Report } from "./check-report";
import { checkStanding } from "./check-standing";
import { type Component, componentOf, type Dish, HEATED, isUnit, type Method, MOST_BATCHES, STORES, type Step } from "./model";
import type { Problem } from "./problem";
import { quoted } from "./problem";
import { dishModel } from "./read-model";
import type { DishFile } from "./schema";
import { voidPin } from "./wishes";

/** Longest stretch between `startNotBefore` and serving, in days. */
const LONGEST_HORIZON_DAYS = 800;
/** Most rounds of one rhythm on one step. */
const MOST_ROUNDS = 2_000;

/** All problems beyond the form, in the order of the file. */
export function checkDish(document: DishFile): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, message, severity = "error") => {
    problems.push({ path, message, severity });
  };
  const dish = dishModel(document);
  const steps = dish.components.flatMap((component, c) =>
    component.methods.flatMap((method, methodIndex) =>
      method.steps.map(
        (step, s): PlacedStep => ({ step, path: `components[${c}].methods[${methodIndex}].steps[${s}]`, component, methodIndex }),
      ),
    ),
  );
  checkNames(document, report);
  checkIds(document, report);
  if (problems.length) return problems; // Two things of one name make every later finding doubtful.
  checkDates(document, dish, report);
  checkServing(document, dish, report);
  for (const placed of steps) {
    checkTimes(placed, report);
    checkReferences(placed, dish, report);
    checkEquipment(placed, dish, report);
  }
  checkPlate(document, dish, report);
  checkWishes(document, report);
  checkKitchen(document, report);
  if (problems.some((p) => p.severity === "error")) return problems;
  checkCycles(dish, steps, report);
  checkBalance(dish, steps, report);
  checkLooseSteps(dish, steps, report);
  checkStanding(steps, report);
  return problems;
}

const NAMED = new Set(["name", "why", "section"]);

/** Names stand in lists, calendars and labels, a line each. */
function checkNames(value: unknown, report: Report, path = ""): void {
  if (value === null || typeof value !== "object") return;
  for (const [key, inner] of Object.entries(value)) {
    const at = Array.isArray(value) ? `${path}[${key}]` : path ? `${path}.${key}` : key;
    if (typeof inner === "string" && NAMED.has(key) && hasUnseen(inner))
      report(
        at,
        "It holds characters that cannot be seen: a line break, or one that turns the direction of writing. Write it without them.",
      );
    else checkNames(inner, report, at);
  }
}

/** A pin of what is not there any more does no harm: it is void, and told. */
function checkWishes(document: DishFile, report: Report): void {
  document.wishes?.pins?.forEach((pin, i) => {
    const missing = voidPin(document, pin);
    if (missing) report(`wishes.pins[${i}]`, `There is not ${quoted(missing)}; this is left out of account. Remove it.`, "warning");
  });
}

function checkIds(document: DishFile, report: Report): void {
  const unique = (entries: readonly { readonly id: string }[], path: string, what: string) => {
    const seen = new Map<string, number>();
    entries.forEach((entry, i) => {
      const first = seen.get(entry.id);
      if (first !== undefined)
        report(
          `${path}[${i}].id`,
          `The ${what} "${quoted(entry.id)}" is there twice (also at ${path}[${first}]). Give one of them another id.`,
        );
      else seen.set(entry.id, i);
    });
  };
  unique(document.components, "components", "component");
  document.components.forEach((component, c) => {
    unique(component.methods, `components[${c}].methods`, "method");
    component.methods.forEach((method, m) => {
      const path = `components[${c}].methods[${m}]`;
      unique(method.steps, `${path}.steps`, "step");
      if (method.id === "fallback")
        report(`${path}.id`, 'A method may not be called "fallback": plans use that word for the replacement. Give it another id.');
      method.ingredients?.forEach((i, n) => {
        if (i.step !== undefined && !method.steps.some((s) => s.id === i.step))
          report(
            `${path}.ingredients[${n}].step`,
            `There is not the step "${quoted(i.step)}" in this method; the ingredient is added at the first step that names it. Name another step, or remove this.`,
            "warning",
          );
      });
      const seen = new Map<string, string>();
      method.steps.forEach((step, s) => {
        step.makes?.forEach((output, o) => {
          const at = `${path}.steps[${s}].makes[${o}].id`;
          const first = seen.get(output.id);
          if (first)
            report(at, `The output "${quoted(output.id)}" is made twice in this method (also at ${first}). Give one of them another id.`);
          else seen.set(output.id, at);
        });
      });
    });
  });
  unique(document.kitchen?.cooks ?? [], "kitchen.cooks", "cook");
  unique(document.kitchen?.equipment ?? [], "kitchen.equipment", "piece of equipment");
}

function checkDates(document: DishFile, dish: Dish, report: Report): void {
  if (dish.startNotBefore !== undefined && dish.serveAt - dish.startNotBefore > LONGEST_HORIZON_DAYS * 1440) {
    report(
      "dish.startNotBefore",
      `This is more than ${LONGEST_HORIZON_DAYS} days before serving (${document.dish.serveAt}). Check the year, or start later.`,
    );
  }
}

/** Steps of that reference, one for each method that has it. */
function stepsNamed(dish: Dish, ref: string): Step[] {
  const component = dish.components.find((c) => c.id === componentOf(ref));
  return (component?.methods ?? []).flatMap((m) => m.steps.filter((s) => s.ref === ref));
}

function nameKnown(dish: Dish, ref: string): string {
  const component = dish.components.find((c) => c.id === componentOf(ref));
  if (!component)
    return `There is no component "${quoted(componentOf(ref))}". Known: ${quoted(dish.components.map((c) => c.id).join(", "))}.`;
  const ids = [...new Set(component.methods.flatMap((m) => m.steps.map((s) => s.id)))];
  return `"${quoted(component.id)}" has no step "${quoted(ref.slice(component.id.length + 1))}". Known: ${quoted(ids.join(", "))}.`;
}

function checkServing(document: DishFile, dish: Dish, report: Report): void {
  const serves = [{ ref: document.dish.serve, path: "dish.serve" }];
  document.dish.courses?.forEach((c, i) => {
    serves.push({ ref: c.serve, path: `dish.courses[${i}].serve` });
  });
  for (const { ref, path } of serves) {
    const found = stepsNamed(dish, ref);
    const component = dish.components.find((c) => c.id === componentOf(ref));
    if (!ref.includes(".")) report(path, 'Name the component too: "component.step".');
    else if (found.length === 0 || !component) report(path, nameKnown(dish, ref));
    else if (component.onHand.length)
      report(path, `"${quoted(component.id)}" is on hand and not made, so its step cannot be the moment of serving.`);
    else if (found.length < component.methods.length)
      report(path, "Not every method of this component has that step; the other methods cannot be served.", "warning");
  }
}

function checkTimes({ step, path }: PlacedStep, report: Report): void {
  if (step.attention !== "hands" && step.handsStart + step.handsEnd > step.time.min) {
    report(
      `${path}.${step.file.handsEnd !== undefined ? "handsEnd" : "handsStart"}`,
      `The hands-on minutes (${step.handsStart} at the start, ${step.handsEnd} at the end) do not fit into the shortest time of ${step.time.min} min. Shorten them, or lengthen the time.`,
    );
  }
  if (step.attention === "hands" && (step.file.handsStart !== undefined || step.file.handsEnd !== undefined)) {
    report(
      `${path}.handsStart`,
      'This step needs hands throughout ("attention" is "hands"), so handsStart and handsEnd have no effect.',
      "warning",
    );
  }
  if (step.batches > MOST_BATCHES) report(`${path}.batches`, `That makes more than ${MOST_BATCHES} batches. Check perBatch.`);
  if (step.minPiece !== undefined && step.batches > 1)
    report(`${path}.split`, "A step of several batches cannot be split as well. Leave out one of the two.");
  const longest = step.time.max * step.batches + step.stretch;
  for (const tend of step.tends) {
    if (longest / tend.every > MOST_ROUNDS) report(`${path}.tend`, `That makes more than ${MOST_ROUNDS} rounds. Check "every".`);
  }
  step.makes.forEach((output, o) => {
    output.holds.forEach((hold, h) => {
      if (hold.best && (hold.best[0] < hold.min || (hold.max !== undefined && hold.best[1] > hold.max))) {
        report(`${path}.makes[${o}].holds[${h}].best`, "The best part of the wait is partly outside its shortest and longest.", "warning");
      }
    });
  });
}

function checkReferences({ step, path, component, methodIndex }: PlacedStep, dish: Dish, report: Report): void {
  const own = component.methods[methodIndex] as Method;
  const find = (ref: string, at: string, what: string): boolean => {
    if (ref === step.ref && what !== "until") {
      report(at, `A step cannot be ${what} itself.`);
      return false;
    }
    if (componentOf(ref) === component.id) {
      if (own.steps.some((s) => s.ref === ref)) return true;
      report(
        at,
        stepsNamed(dish, ref).length
          ? `That step belongs to another method of "${component.id}". Name one of this method.`
          : nameKnown(dish, ref),
      );
      return false;
    }
    const other = dish.components.find((c) => c.id === componentOf(ref));
    const found = stepsNamed(dish, ref);
    if (found.length === 0 && !other?.onHand.length) {
      report(at, nameKnown(dish, ref));
      return false;
    }
    if (other && found.length < other.methods.length) {
      report(
        at,
        `Not every method of "${other.id}" has that step; with the other methods this link has no effect. Use "takes" for what one component needs from another.`,
        "warning",
      );
    }
    return true;
  };
  step.file.after?.forEach((_, i) => {
    find(
      (step.links[i] as Step["links"][number]).step,
      `${path}.after[${i}]${typeof step.file.after?.[i] === "string" ? "" : ".step"}`,
      "after",
    );
  });
  if (step.within !== undefined) find(step.within, `${path}.within`, "within");
  step.uses.forEach((use, u) => {
    if (use.until !== undefined) find(use.until, `${path}.uses[${u}].until`, "until");
  });
  step.takes.forEach((take, t) => {
    checkTake(take, `${path}.takes[${t}]`, { step, component, methodIndex }, dish, report);
  });
  const batches = step.file.batches;
  if (typeof batches === "object") {
    const ref = batches.of.includes(".") ? batches.of : `${component.id}.${batches.of}`;
    const source = dish.components.find((c) => c.id === componentOf(ref));
    if (!source || (!makersOf(source, ref).length && !source.onHand.some((o) => o.ref === ref)))
      report(`${path}.batches.of`, outputKnown(dish, ref));
    else if (!(batches.perBatch.amount > 0)) report(`${path}.batches.perBatch.amount`, "A batch must be more than nothing.");
  }
  const cooks = new Set(dish.cooks.map((c) => c.id));
  step.cooks?.forEach((id, i) => {
    if (!cooks.has(id)) report(`${path}.cooks[${i}]`, `The kitchen has no cook "${quoted(id)}". Known: ${quoted([...cooks].join(", "))}.`);
  });
}

function checkTake(
  take: Step["takes"][number],
  path: string,
  taker: { readonly step: Step; readonly component: Component; readonly methodIndex: number },
  dish: Dish,
  report: Report,
): void {
  const source = dish.components.find((c) => c.id === componentOf(take.from));
  if (!source) return report(`${path}.from`, outputKnown(dish, take.from));
  const makers = makersOf(source, take.from).filter((m) => source.id !== taker.component.id || m.methodIndex === taker.methodIndex);
  if (source.onHand.length && source.id !== taker.component.id) {
    if (!source.onHand.some((o) => o.ref === take.from)) {
      report(
        `${path}.from`,
        `"${quoted(source.id)}" is on hand, but its output "${quoted(take.from)}" is not listed there. List it under onHand, or make the component.`,
      );
    }
    return;
  }
  if (makers.length === 0) return report(`${path}.from`, outputKnown(dish, take.from));
  if (makers.some((m) => m.step === taker.step)) return report(`${path}.from`, "A step cannot take what it makes itself.");
  if (source.id !== taker.component.id && makers.length < source.methods.length) {
    report(`${path}.from`, `Not every method of "${source.id}" makes this; the others then cannot be chosen.`, "warning");
  }
  if (take.each) {
    for (const { step: maker } of makers) {
      if (maker.batches !== taker.step.batches) {
        report(
          `${path}.each`,
          `Batch by batch needs the same number of batches: "${maker.ref}" has ${maker.batches}, this step ${taker.step.batches}.`,
        );
      }
    }
  }
}

/** The steps that make an output, with the method they stand in. */
function makersOf(component: Component, ref: string): { readonly step: Step; readonly methodIndex: number }[] {
  return component.methods.flatMap((m, methodIndex) =>
    m.steps.filter((s) => s.makes.some((o) => o.ref === ref)).map((step) => ({ step, methodIndex })),
  );
}

function outputKnown(dish: Dish, ref: string): string {
  const component = dish.components.find((c) => c.id === componentOf(ref));
  if (!component)
    return `There is no component "${quoted(componentOf(ref))}". Known: ${quoted(dish.components.map((c) => c.id).join(", "))}.`;
  const outputs = [...new Set(component.methods.flatMap((m) => m.steps.flatMap((s) => s.makes.map((o) => o.ref))))];
  return `No step makes the output "${quoted(ref)}". "${quoted(component.id)}" makes: ${quoted(outputs.join(", ") || "nothing that has a name")}.`;
}

function checkEquipment({ step, path }: PlacedStep, dish: Dish, report: Report): void {
  step.uses.forEach((use, u) => {
    const at = `${path}.uses[${u}]`;
    const kind = dish.equipment.filter((e) => e.kind === use.what);
    if (kind.length === 0)
      return report(`${at}.what`, `The kitchen has no ${quoted(use.what)}. Add one to the kitchen, or change the step.`);
    const largest = Math.max(...kind.map((e) => e.litres ?? Number.POSITIVE_INFINITY));
    const total = kind.reduce((sum, e) => sum + e.count, 0);
    if ((STORES as readonly string[]).includes(use.what)) {
      const space = kind.reduce((sum, e) => sum + (e.litres ?? Number.POSITIVE_INFINITY), 0);
      if (use.litres > space + 1e-9)
        report(
          `${at}.litres`,
          `Needs ${figure(use.litres)} L; the ${use.what} has ${figure(space)} L. No plan is possible without more space.`,
          "warning",
        );
    } else if ((HEATED as readonly string[]).includes(use.what)) {
      const hottest = Math.max(...kind.map((e) => e.maxC));
      if (use.tempC - use.toleranceC > hottest)
        report(`${at}.tempC`, `The ${use.what} reaches ${hottest} °C. No plan is possible without a hotter one.`, "warning");
      if (use.what === "bath" ? use.litres > largest + 1e-9 : use.racks > Math.max(...kind.map((e) => e.racks))) {
        report(at, `Needs more room than any ${use.what} of the kitchen has. No plan is possible without a bigger one.`, "warning");
      }
    } else {
      const fitting = kind.filter(
        (e) => (e.litres ?? Number.POSITIVE_INFINITY) >= use.litres - 1e-9 && (e.pieces ?? Number.POSITIVE_INFINITY) >= use.pieces,
      );
      if (isUnit(use.what) && fitting.length === 0) {
        report(
          use.litres > largest ? `${at}.litres` : at,
          `Needs ${figure(use.litres || use.pieces)} ${use.litres ? "L" : "pieces"}; the largest ${use.what} holds ${figure(largest)}. No plan is possible without a bigger one.`,
          "warning",
        );
      } else if (use.count > total)
        report(`${at}.count`, `Needs ${use.count}; the kitchen has ${total}. No plan is possible without more.`, "warning");
    }
  });
}

const figure = (n: number) => String(Number(n.toPrecision(3)));

function checkPlate(document: DishFile, dish: Dish, report: Report): void {
  document.dish.plate?.forEach((p, i) => {
    const source = dish.components.find((c) => c.id === componentOf(p.output));
    if (!source || (!makersOf(source, p.output).length && !source.onHand.some((o) => o.ref === p.output)))
      report(`dish.plate[${i}].output`, outputKnown(dish, p.output));
  });
}

function checkKitchen(document: DishFile, report: Report): void {
  document.kitchen?.windows?.forEach((w, i) => {
    if (!("weekly" in w) && "from" in w && typeof w.from === "string" && typeof w.to === "string" && w.from >= w.to) {
      report(`kitchen.windows[${i}].to`, "`to` must come after `from`.");
    }
  });
  document.kitchen?.equipment?.forEach((e, i) => {
    if (e.cleanTakes !== undefined && minutesOf(e.cleanTakes) > 1440)
      report(`kitchen.equipment[${i}].cleanTakes`, "Cleaning takes more than a day?", "warning");
  });
}
