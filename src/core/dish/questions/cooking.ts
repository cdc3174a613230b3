// Questions about heat, doneness and time: what tells that it is done, at what heat, for how long.

import { readLength } from "../../entry/durations";
import { temperatureAt } from "../../entry/temperatures";
import { isInOven, isOnBurner } from "../../entry/verbs";
import { isRawFlesh } from "../../foods/groups";
import { understand } from "../../foods/match";
import type { FoodClass } from "../../foods/table";
import { durationText, spokenDuration } from "../../time/duration";
import { EditRefused } from "../edit/refused";
import type { DishFile, DishStep } from "../schema";
import type { Question } from "./question";
import { hasKind, isCold, isHot, setStep, spanOf, stepsOf } from "./walk";

const WOOD_OVEN = /\b(?:wood[- ]?fired|wood[- ]oven|wood[- ]burning|bread oven|stone oven|tandoor|pizza oven)\b/i;

/** "At what heat does it bake?", "Is there a pot for it?", "Only while somebody is awake?" */
export function heatQuestions(document: DishFile): Question[] {
  return stepsOf(document).flatMap((s): Question[] => {
    const { step, place, ref, name, component } = s;
    const found: Question[] = [];
    const uses = step.uses ?? [];
    const oven = (tempC: number) => setStep(place, { uses: [...uses, { what: "oven", tempC, racks: 1 }] });
    if (isInOven(name) && hasKind(document, "oven") && !uses.some((u) => ["oven", "grill", "bath"].includes(u.what))) {
      found.push({
        id: `oven:${ref}`,
        component: component.id,
        about: ref,
        text: `At what temperature is “${name}”?`,
        why: "The oven has one setting at a time. Without it the plan thinks the oven is free.",
        weight: 88,
        answers: [
          // A bread oven fired with wood is never so cool while it bakes.
          ...(WOOD_OVEN.test(`${name} ${step.note ?? ""} ${component.name}`) ? [250, 300, 340] : [140, 180, 220]).map((tempC, i) => ({
            label: `${["Gentle", "Moderate", "Hot"][i]}, ${tempC} °C`,
            apply: oven(tempC),
          })),
        ],
        typed: {
          prompt: "Or at",
          example: "165C or 350F",
          apply: (d, text) => {
            const heat = temperatureAt(text.trim(), 0) ?? temperatureAt(`${text.trim()}C`, 0);
            if (!heat || heat.value < 30 || heat.value > 350) throw new EditRefused("Write a heat, such as “165C” or “350F”.");
            return oven(heat.value)(d);
          },
        },
      });
    }
    if (
      isOnBurner(name) &&
      uses.some((u) => u.what === "burner") &&
      !uses.some((u) => ["pot", "pan", "slow-pot", "pressure-pot"].includes(u.what)) &&
      component.kind !== "garnish"
    ) {
      found.push({
        id: `pot:${ref}`,
        component: component.id,
        about: ref,
        text: `How big is the pot for “${name}”?`,
        why: "With the size, the plan never uses one big pot for two things at once.",
        weight: 40,
        answers: [2, 5, 10].slice(0, hasKind(document, "pot") ? 3 : 0).map((litres) => ({
          label: `${litres} L`,
          apply: setStep(place, { uses: [...uses, { what: "pot", litres }] }),
        })),
      });
    }
    const { likely, max } = spanOf(step);
    if (isHot(step) && step.attention !== "hands" && step.attention !== undefined && max > 8 * 60 && step.sleepOk === undefined) {
      found.push({
        id: `night:${ref}`,
        component: component.id,
        about: ref,
        text: `“${name}” is on the heat for ${spokenDuration(likely)}: only while somebody is awake?`,
        why: "The plan leaves no flame or oven alone at night unless you allow it. Eight hours rarely fit into a day otherwise.",
        weight: 74,
        answers: [
          { label: "Only while awake", apply: setStep(place, { sleepOk: false }) },
          {
            label: "It can run at night",
            apply: setStep(place, { sleepOk: true, danger: [...new Set([...(step.danger ?? []), "unattended-heat"])] }),
          },
        ],
      });
    }
    if (
      isHot(step) &&
      step.attention === "nearby" &&
      !step.tend &&
      likely >= 90 &&
      /simmer|reduce|braise|smoke|render|stew|roast/i.test(name)
    ) {
      const rounds: readonly (readonly [string, string, string])[] = /smoke/i.test(name)
        ? [["feed the fire", "40m", "4m"]]
        : /roast/i.test(name)
          ? [["baste", "30m", "3m"]]
          : [
              ["skim and top up", "45m", "3m"],
              ["look and stir", "30m", "2m"],
            ];
      found.push({
        id: `rounds:${ref}`,
        component: component.id,
        about: ref,
        text: `Does “${name}” need anything during those ${spokenDuration(likely)}?`,
        why: "Rounds are put together, so that one walk serves several, and Cook reminds you of them.",
        weight: 30,
        answers: rounds.map(([what, every, takes]) => ({
          label: `${what}, every ${spokenDuration(readLength(every)?.likely ?? 0)}`,
          apply: setStep(place, { tend: { every, takes, what } }),
        })),
      });
    }
    return found;
  });
}

/** Steps that end by a state and not by the clock. */
const BY_STATE =
  /^(?:blind-bake|bake|roast|braise|simmer|reduce|render|smoke|confit|stew|proof|prove|rise|ferment|cure|air-dry|dry|fry|deep-fry|caramelise|knead|poach|set|culture|ripen|final proof|second rise|bulk)\b/i;

/** "What tells you that it is done?", "How hot in the middle?" */
export function donenessQuestions(document: DishFile): Question[] {
  return stepsOf(document).flatMap((s): Question[] => {
    const { step, place, ref, name, component, first } = s;
    if (!first || !BY_STATE.test(name)) return [];
    const found: Question[] = [];
    const { done } = step;
    if (!done?.cue && done?.probeC === undefined && spanOf(step).max >= 8) {
      const cues = cuesFor(name, component.kind, foodsIn(s.method));
      found.push({
        id: `done:${ref}`,
        component: component.id,
        about: ref,
        text: `What tells you that “${name}” is done?`,
        why: "The clock only says when to check.",
        weight: isHot(step) ? 58 : 50,
        answers: cues.map((cue) => ({ label: cue, apply: setStep(place, { done: { ...done, cue } }) })),
        typed: {
          prompt: "Or",
          example: "the juices run clear",
          apply: (d, text) => {
            if (text.trim() === "") throw new EditRefused("Write what you see, smell or feel.");
            return setStep(place, { done: { ...done, cue: text.trim() } })(d);
          },
        },
      });
    }
    if (
      ["roast", "cure", "sausage"].includes(component.kind) &&
      wantsProbe(foodsIn(s.method)) &&
      /roast|smoke|poach|bake/i.test(name) &&
      isHot(step) &&
      done?.probeC === undefined
    ) {
      found.push({
        id: `probe:${ref}`,
        component: component.id,
        about: ref,
        text: `What is the core temperature when “${name}” is done?`,
        why: "A probe is better than the clock, and the forecast needs a target.",
        weight: 60,
        answers: [
          { label: "74 °C: poultry, mince, anything stuffed", apply: setStep(place, { done: { ...done, probeC: 74 } }) },
          { label: "63 °C and a rest: a whole cut of pork", apply: setStep(place, { done: { ...done, probeC: 63 } }) },
          { label: "92 °C: to fall apart", apply: setStep(place, { done: { ...done, probeC: 92 } }) },
        ],
        typed: {
          prompt: "Or",
          example: "58C",
          apply: (d, text) => {
            const heat = temperatureAt(text.trim(), 0) ?? temperatureAt(`${text.trim()}C`, 0);
            if (!heat || heat.value < 30 || heat.value > 110) throw new EditRefused("Write a heat between 30 and 110 °C, such as “58C”.");
            return setStep(place, { done: { ...done, probeC: heat.value } })(d);
          },
        },
      });
    }
    return found;
  });
}

interface Kinds {
  readonly flesh: boolean;
  readonly poultry: boolean;
  /** Something that gets tender: pulses, grain, vegetables. */
  readonly soft: boolean;
  readonly garlic: boolean;
  readonly known: boolean;
}
/** What a method is made of, as far as its ingredients say it; flesh is assumed of one without any. */
function foodsIn(method: {
  readonly ingredients?: readonly { readonly name: string; readonly food?: string | undefined }[] | undefined;
}): Kinds {
  const foods = (method.ingredients ?? []).flatMap((i) => understand(i.name, i.food) ?? []);
  const has = (...classes: FoodClass[]) => foods.some((f) => classes.includes(f.class));
  return {
    known: foods.length > 0,
    flesh: foods.length === 0 || foods.some(isRawFlesh) || has("cured-raw", "cured-cooked"),
    poultry: foods.length === 0 || has("poultry"),
    soft: foods.length === 0 || has("vegetable", "pulse", "pulse-lectin", "grain", "rice", "mushroom", "fruit", "fruit-dried"),
    garlic: has("allium"),
  };
}

/** Vegetables and fruit have no middle to probe. */
const wantsProbe = (of: Kinds) => of.flesh || !of.soft;

function cuesFor(name: string, kind: string, of: Kinds): string[] {
  if (/knead/i.test(name)) return ["smooth and springs back", "a thin window holds"];
  if (/proof|prove|rise/i.test(name)) return ["half as big again", "a fingertip's dent comes back slowly"];
  if (/ferment/i.test(name)) return ["sour on the tongue, no more bubbles rising"];
  if (/culture|set\b|ripen/i.test(name)) return ["set, with a clear line of whey"];
  if (/cure|dry/i.test(name)) return ["firm to the finger right through"];
  if (/reduce|caramelise/i.test(name)) return ["coats a spoon", "down to the mark"];
  if (/render/i.test(name)) return ["the bits are brown and have stopped hissing"];
  if (/confit/i.test(name) && !of.flesh) return [of.garlic ? "soft enough to crush, and not browned" : "soft right through"];
  if (/braise|stew|confit/i.test(name)) return of.flesh ? ["a fork turns in it"] : ["soft, and the liquor is short"];
  if (/simmer/i.test(name)) {
    if (kind === "stock") return of.flesh ? ["tastes round, the bones fall apart"] : ["tastes round"];
    return of.flesh || of.soft ? ["tender"] : ["the colour and the taste are there"];
  }
  if (/fry/i.test(name)) return ["deep gold, the hiss grows quiet"];
  if (/bake/i.test(name)) return kind === "dough" ? ["dark crust, hollow when knocked"] : ["browned and set"];
  if (/poach/i.test(name) && !of.flesh) return ["just soft"];
  if (!of.flesh) return of.soft ? ["browned, a knife slides in"] : ["browned"];
  return of.poultry ? ["browned, the juices run clear"] : ["browned, and springs back a little"];
}

/** "It is done by a cue: what are its shortest and longest times?", "How long does it take?" */
export function timeQuestions(document: DishFile): Question[] {
  return stepsOf(document).flatMap((s): Question[] => {
    const { step, place, ref, name, component } = s;
    const { min, likely, max } = spanOf(step);
    if (step.id === "make" && min === 30 && max === 30 && component.methods.length === 1 && s.method.steps.length === 1) {
      return [
        {
          id: `steps:${ref}`,
          component: component.id,
          about: ref,
          text: `How is ${component.name.toLowerCase()} made?`,
          why: "Until you answer, one step of 30 minutes stands for it.",
          weight: 92,
          answers: [],
        },
      ];
    }
    if (min !== max || likely < 90 || !BY_STATE.test(name)) return [];
    const wide = (share: number): DishStep["time"] => ({
      min: durationText(Math.round((likely * (1 - share)) / 5) * 5),
      likely: durationText(likely),
      max: durationText(Math.round((likely * (1 + share)) / 5) * 5),
    });
    return [
      {
        id: `spread:${ref}`,
        component: component.id,
        about: ref,
        text: `“${name}” is done by a cue: what are its shortest and longest times?`,
        why: "The plan leaves room for a slow day and works out the chance of being on time.",
        weight: isCold(step) ? 24 : 36,
        answers: [
          { label: "Give or take a tenth", apply: setStep(place, { time: wide(0.1) }) },
          { label: "Give or take a quarter", apply: setStep(place, { time: wide(0.25) }) },
        ],
        typed: {
          prompt: "Or",
          example: `${spokenDuration(Math.round(likely * 0.8))} to ${spokenDuration(Math.round(likely * 1.4))}`,
          apply: (d, text) => {
            const length = readLength(text);
            if (!length) throw new EditRefused("Write two times, such as “3-4h”.");
            return setStep(place, {
              time: { min: durationText(length.min), likely: durationText(length.likely), max: durationText(length.max) },
            })(d);
          },
        },
      },
    ];
  });
}
