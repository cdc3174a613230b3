// What has to be cooked and perhaps is not: flesh, egg, flour, milk, shellfish, sprouts; held against how hot each gets on its way to the table.
import { withMethod, withStep } from "../../dish/edit/places";
import type { FoodClass } from "../../foods/table";
import { spokenDuration } from "../../time/duration";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, isOf, type Part } from "../part";
import { careOf, isRawFlesh, type SafetyScene } from "../scene";
import { hangsCured } from "../states/hung";
import { hottest, type Journey, seared } from "../states/journey";
import { bathMinutes, coreNeeded, does } from "../states/process";

/** Of all ways of a component's foods, the first that fails; each component says a thing once. */
function firstBy(journeys: readonly Journey[], fails: (j: Journey) => boolean): Journey[] {
  const found = new Map<string, Journey>();
  for (const j of journeys) if (j.served && !found.has(j.part.component.id) && fails(j)) found.set(j.part.component.id, j);
  return [...found.values()];
}

const at = (j: Journey) => {
  const { visit } = hottest(j);
  const step = visit?.step ?? j.visits.at(-1)?.step ?? j.part.steps[0];
  return { component: j.part.component.id, ...(step ? { step: step.ref } : {}) };
};
const lower = (j: Journey) => j.part.component.name.toLowerCase();

const probed = (j: Journey, tempC: number): Mend[] => {
  const visit = hottest(j).visit ?? j.visits.findLast((v) => v.heat !== undefined);
  return visit
    ? [
        {
          label: `${tempC} °C in the middle by the end of “${visit.step.name}”`,
          apply: (d) => withStep(d, visit.step.place, (s) => ({ ...s, done: { ...s.done, probeC: tempC } })),
        },
      ]
    : [];
};

/** Where a food is minced on its way, it is mince from there. */
const isMinced = (j: Journey) =>
  isOf("mince", "poultry-mince", "sausage")(j.item) ||
  (isOf("meat", "poultry")(j.item) && j.visits.some((v) => does.minces(v.step))) ||
  isTartare(j);
/** Chopped by hand and eaten raw: its outside is all through it. */
const isTartare = (j: Journey) =>
  isOf("meat")(j.item) &&
  j.part.component.kind !== "cure" &&
  hottest(j).core === 0 &&
  j.visits.some((v) => /\b(?:hand-?cut|(?:hand-?)?chop(?:ped)?|scrape[sd]?|dice[sd]?)\b/i.test(v.step.name));
const classOf = (j: Journey): FoodClass =>
  isMinced(j) && j.food.class === "meat" ? "mince" : isMinced(j) && j.food.class === "poultry" ? "poultry-mince" : j.food.class;

const pasteurised = (part: Part): Mend => ({
  label: "Pasteurised egg",
  apply: (d) =>
    withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
      ...m,
      ingredients: (m.ingredients ?? []).map((i) =>
        part.items.some((item) => item.ingredient.id === i.id && isOf("egg")(item))
          ? { ...i, name: `Pasteurised ${i.name.toLowerCase()}`, food: "egg.pasteurised" }
          : i,
      ),
    })),
});

/** Hot sugar syrup poured on whites, and like ways of cooking an egg by what comes to it. */
const HOT_SYRUP = /\b(?:hot|boiling) (?:sugar )?syrup|syrup (?:at|to|reaches|until) (?:about )?1[12]\d|soft[- ]ball/i;
const POURS_ON = /\bpour\w* (?:it |this )?(?:on|onto|over|into|in)\b/i;

/** Pasta, crêpes, dumplings: so thin that a minute or two in boiling water or in a pan cooks the egg in them. */
const THIN =
  /\b(?:pasta|noodles?|ravioli|tortell\w+|lasagn\w+|tagliatelle|cappelletti|plin|sfoglia|cr[eêè]pes?|galettes?|pancakes?|blini|sp[aä]tzle|gnocchi|dumplings?|pierogi|maultaschen)\b/iu;
const isThinDough = (j: Journey) =>
  (j.part.component.kind === "pasta" ||
    j.part.component.kind === "batter" ||
    THIN.test(`${j.part.component.name} ${j.visits.map((v) => v.step.name).join(" ")}`)) &&
  j.part.items.some(isOf("flour")) &&
  j.visits.some((v) => v.heat !== undefined && THIN_HEAT.has(v.heat.medium) && v.heat.minutes >= 1);
const THIN_HEAT: ReadonlySet<string> = new Set(["boil", "simmer", "steam", "pan", "deep-fry", "oven"]);
/** An egg or two that are brushed on what is baked. */
const WASH_G = 70;
const isWash = (j: Journey) =>
  j.item.grams <= WASH_G &&
  j.visits.some((v) => /\begg[- ]?wash|\b(?:brush|glaze)\w*\b/i.test(v.step.words)) &&
  j.visits.some((v) => v.heat?.medium === "oven");

export function rawEgg(scene: SafetyScene): Finding[] {
  const care = careOf(scene);
  return firstBy(
    scene.journeys,
    (j) =>
      isOf("egg")(j.item) &&
      !j.food.cooked &&
      hottest(j).core < 71 &&
      !j.visits.some((v) => HOT_SYRUP.test(v.step.words)) &&
      !(j.part.steps.some((s) => HOT_SYRUP.test(s.words)) && j.visits.some((v) => POURS_ON.test(v.step.words))) &&
      !/\b(?:glaz|wash\b)/i.test(j.item.ingredient.name) &&
      !isThinDough(j) &&
      !isWash(j),
  ).map((j) => {
    const { core, visit } = hottest(j);
    return cautioned("raw-egg", j.part.component.id, {
      ...at(j),
      severity: care.length ? "stop" : "warn",
      computed: `${j.item.ingredient.name} in ${lower(j)} ${core > 45 && visit ? `is taken to ${Math.round(core)} °C by “${visit.step.name}”, and egg needs 71 °C.` : "and no step cooks it."}${care.length ? ` ${care.join(", ")} will eat it.` : ""}`,
      mends: [pasteurised(j.part)],
    });
  });
}

export function rawMince(scene: SafetyScene): Finding[] {
  const care = careOf(scene);
  return firstBy(scene.journeys, (j) => !j.food.cooked && isMinced(j) && !isHung(j) && hottest(j).core < 70).map((j) => {
    const { core, visit } = hottest(j);
    const needed = coreNeeded(classOf(j), j.food.food.species) ?? 71;
    const raw = core < 40;
    const poultry = classOf(j) === "poultry-mince" || j.food.food.species === "chicken";
    return cautioned(isOf("sausage")(j.item) && !raw ? "undercooked" : "raw-mince", j.part.component.id, {
      ...at(j),
      severity: care.length || poultry || isOf("sausage")(j.item) ? "stop" : "warn",
      computed: raw
        ? `${j.item.ingredient.name}, minced, and no step cooks it through.${care.length ? ` ${care.join(", ")} will eat it.` : ""}`
        : `The middle is taken to ${Math.round(core)} °C by “${visit?.step.name ?? ""}”; ${poultry ? "minced poultry" : "mince"} needs ${needed} °C.`,
      mends: probed(j, needed),
    });
  });
}

/** Hung to dry for days: judged as a cure, not as a roast. */
const isHung = (j: Journey) => j.visits.some((v) => hangsCured(v.part, v.step)) || hungByKind(j);
const hungByKind = (j: Journey) =>
  (j.part.component.kind === "cure" || j.part.component.kind === "sausage" || j.part.component.kind === "dry") &&
  j.visits.some(
    (v) => /\b(?:hang|hung|dry|air-?dry|ferment|mature|age)\b/i.test(v.step.name) && (v.heat === undefined || v.heat.medium === "smoke"),
  );

/** A red breast of duck, goose, pigeon or grouse is eaten pink where it was seared: told, and judged by the guests. */
const isRed = (j: Journey) =>
  j.food.class === "poultry" && (j.food.food.species === "duck" || /^(?:pigeon|partridge)/.test(j.food.food.id));

export function undercooked(scene: SafetyScene): Finding[] {
  return firstBy(scene.journeys, (j) => {
    if (j.food.cooked || isMinced(j) || isHung(j)) return false;
    const needed = coreNeeded(j.food.class, j.food.food.species);
    if (j.food.class === "egg") return false;
    // A whole cut of beef, lamb or game wants no more than its outside cooked.
    if (needed === undefined)
      return isOf("meat")(j.item) && j.part.component.kind !== "cure" && !j.visits.some((v) => does.cures(v.step)) && !seared(j);
    if (isOf("bivalve", "gastropod", "crustacean")(j.item)) return false;
    const { core, visit } = hottest(j);
    if (core >= needed) return false;
    // Cured and no more: a cure's own rules say what it lacks.
    if (j.part.component.kind === "cure" && visit === undefined) return false;
    return true;
  }).map((j) => {
    const { core, visit } = hottest(j);
    const needed = coreNeeded(j.food.class, j.food.food.species) ?? 63;
    const rosy = (needed === 63 && j.food.food.species !== "pork") || (isRed(j) && seared(j) && core >= 54);
    return cautioned("undercooked", j.part.component.id, {
      ...at(j),
      severity: rosy && careOf(scene).length === 0 ? "warn" : "stop",
      ...(core < 40 && rosy ? { title: "This meat is eaten raw" } : {}),
      computed:
        core < 40
          ? `${j.item.ingredient.name} in ${lower(j)}, and no step cooks it through.`
          : `${j.item.ingredient.name} is taken to ${Math.round(core)} °C by “${visit?.step.name ?? ""}”; it needs ${needed} °C in the middle.`,
      mends: probed(j, needed),
    });
  });
}

const FREEZES = /\b(?:freez(?:e|es|ing|er)|frozen)\b/i;
/** Sold to be eaten raw: by the rules of trade it was frozen first. */
const FOR_RAW = /\b(?:sushi|sashimi)\b/i;
/** Tunas are exempt from freezing (FDA Fish and Fishery Products Hazards and Controls Guidance, 2022). */
const NO_WORMS = /\b(?:tunas?|yellowfin|bluefin|bigeye|albacore|skipjack)\b/i;
/** Frozen long enough against worms, farmed, or of a kind that has none. */
const wormFree = (j: Journey) =>
  j.food.frozen ||
  j.food.farmed ||
  FOR_RAW.test(j.item.ingredient.name) ||
  NO_WORMS.test(j.item.ingredient.name) ||
  j.visits.some((v) => FREEZES.test(v.step.words) && /\d+ ?d|days|week/i.test(`${v.step.words} ${v.step.step.time}`));
/** Frozen by its last step and kept frozen: what is done with it later is another dish. */
const isPutAway = (j: Journey) => {
  const own = j.visits.filter((v) => v.part === j.part).at(-1)?.step;
  const holds = (own?.step.makes ?? []).flatMap((o) => o.holds ?? []);
  return holds.length > 0 && holds.every((h) => h.place === "freezer") && own !== undefined && FREEZES.test(own.words);
};
export function rawFish({ journeys }: SafetyScene): Finding[] {
  return firstBy(
    journeys,
    (j) =>
      isOf("fish", "fish-freshwater", "fish-scombroid", "cephalopod")(j.item) &&
      !j.food.cooked &&
      hottest(j).core < 55 &&
      !wormFree(j) &&
      !isPutAway(j),
  ).map((j) =>
    cautioned("raw-fish", j.part.component.id, {
      ...at(j),
      computed: `${j.item.ingredient.name} is served ${j.visits.some((v) => does.cures(v.step)) ? "cured and not cooked" : hottest(j).core > 0 ? `at ${Math.round(hottest(j).core)} °C in the middle` : "raw"}, and it is not said to be frozen first or farmed.`,
      way: "frozen at −20 °C for 7 days first, farmed, or cooked to 63 °C",
      mends: [
        {
          label: "Farmed, or frozen by the fishmonger",
          apply: (d) =>
            withMethod(d, { component: j.part.component.id, method: j.part.method.id }, (m) => ({
              ...m,
              ingredients: (m.ingredients ?? []).map((i) =>
                i.id === j.item.ingredient.id ? { ...i, name: `${i.name.replace(/\bwild /i, "")}, previously frozen` } : i,
              ),
            })),
        },
      ],
    }),
  );
}

/** How long shellfish has to be at 90 °C so that viruses in it are destroyed, min. */
const SHELL_MIN = 1.5;
const minutesHeated = (j: Journey) => j.visits.reduce((n, v) => n + (v.heat && v.heat.medium !== "warm" ? v.heat.minutes : 0), 0);
const SHELL_C = 90;
const isFlashed = (j: Journey) => isOf("bivalve")(j.item) && hottest(j).core < SHELL_C && minutesHeated(j) < SHELL_MIN;

export function shellfish(scene: SafetyScene): Finding[] {
  return firstBy(
    scene.journeys,
    (j) =>
      isOf("bivalve", "gastropod", "crustacean")(j.item) &&
      !j.food.cooked &&
      !/smoked|tinned|canned/i.test(j.item.ingredient.name) &&
      (hottest(j).core < 60 || isFlashed(j)),
  ).map((j) => {
    const { core } = hottest(j);
    const raw = core < 30;
    if (core >= 60)
      return cautioned("shellfish", j.part.component.id, {
        ...at(j),
        severity: careOf(scene).length ? "stop" : "warn",
        computed: `${j.item.ingredient.name} are heated for ${spokenDuration(Math.round(minutesHeated(j)))}; they need ${SHELL_C} °C for a minute and a half.`,
        mends: probed(j, SHELL_C),
      });
    return cautioned(raw || isOf("gastropod")(j.item) ? "shellfish" : "undercooked", j.part.component.id, {
      ...at(j),
      severity: careOf(scene).length ? "stop" : "warn",
      computed: raw
        ? `${j.item.ingredient.name} in ${lower(j)} and no step cooks them.`
        : `${j.item.ingredient.name} only get warm: about ${Math.round(core)} °C.`,
      mends: probed(j, 74),
    });
  });
}

export function rawFlour(scene: SafetyScene): Finding[] {
  return firstBy(scene.journeys, (j) => {
    if (!isOf("flour")(j.item) || isThinDough(j) || /toasted|roasted|baked/i.test(j.item.ingredient.name) || hottest(j).core >= 60)
      return false;
    return (
      gramsOf(j.part, (i) => i === j.item) > 15 &&
      !j.visits.some((v) => /\b(?:toast|bake) (?:the )?flour|feed|starter|dust|roll out/i.test(v.step.name))
    );
  }).map((j) => {
    return cautioned("raw-flour", j.part.component.id, {
      ...at(j),
      severity: "warn",
      computed: `${j.item.ingredient.name} in ${lower(j)}, and it is not baked or boiled before it is eaten.`,
      // Only baking or boiling helps, and which of the two it should be is the cook's to say: toasting at home does not make it safe.
      mends: [],
    });
  });
}

export function rawMilk(scene: SafetyScene): Finding[] {
  const care = careOf(scene);
  return firstBy(scene.journeys, (j) => isOf("milk-raw")(j.item) && hottest(j).core < 63).map((j) =>
    cautioned(care.length ? "guests-at-risk" : "raw-milk", `milk:${j.part.component.id}`, {
      ...at(j),
      severity: care.length ? "stop" : "warn",
      title: "Milk that was not pasteurised",
      computed: `${j.item.ingredient.name} in ${lower(j)} ${hottest(j).core > 0 ? `is taken to ${Math.round(hottest(j).core)} °C` : "is not heated"}.${care.length ? ` ${care.join(", ")} will eat it.` : ""}`,
      mends: probed(j, 72),
    }),
  );
}

const REHEATS = /\b(?:reheat|re-heat|warm (?:\w+ )?(?:up|through|again|gently)|heat (?:\w+ )?(?:up|through)|bring back|heat again)/i;
const HOT_ENOUGH = 74;
/** Food that was cold is taken to 74 °C in the middle. Bread and pastry are freshened, not reheated. */
export function reheating({ parts, journeys }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] =>
    part.steps.flatMap((step): Finding[] => {
      if (!REHEATS.test(step.name) || ["dough", "batter", "sweet"].includes(part.component.kind)) return [];
      if (!journeys.some((j) => GROWS_AGAIN(j) && wasCooked(j, step))) return [];
      const probe = step.step.done?.probeC;
      if (
        step.step.boils ||
        /\b(?:boil|steaming hot|piping hot|bubbling)\b/i.test(step.words) ||
        (probe !== undefined && probe >= HOT_ENOUGH)
      )
        return [];
      return [
        {
          ...cautioned("reheat-twice", `74:${step.ref}`, {
            component: part.component.id,
            step: step.ref,
            severity: "warn",
            title: "How hot is it reheated?",
            computed: probe === undefined ? `“${step.name}” has no temperature.` : `“${step.name}” stops at ${probe} °C.`,
            way: "74 °C in the middle, within two hours, and only once",
            mends: [
              {
                label: `${HOT_ENOUGH} °C in the middle`,
                apply: (d) => withStep(d, step.place, (s) => ({ ...s, done: { ...s.done, probeC: HOT_ENOUGH } })),
              },
            ],
          }),
          caution:
            "Food that was cold is heated to 74 °C all through, within two hours and only once; food that stays lukewarm can grow toxins that cooking does not destroy.",
          source: "FDA Food Code 2022, 3-403.11",
        },
      ];
    }),
  );
}
/** What is heated for the first time is not warmed up, unless it is flesh. */
const wasCooked = (j: Journey, step: Journey["visits"][number]["step"]): boolean => {
  const at = j.visits.findIndex((v) => v.step === step);
  return (
    at >= 0 &&
    (/\b(?:re-?heat|again|back)/i.test(step.name) ||
      j.food.cooked ||
      isRawFlesh(j.item) ||
      j.visits.slice(0, at).some((v) => v.heat !== undefined))
  );
};
const GROWS_AGAIN = (j: Journey) =>
  !isOf("salt", "sugar", "spice", "oil", "fat", "vinegar", "water", "syrup", "honey", "wine", "spirit")(j.item);

/** °C in the middle at which nothing depends on the time any more. */
const THROUGH_C = 74;
/** A bath below 60 °C makes safe by its time; here the time is held against the thickness. */
export function bathTime({ journeys }: SafetyScene): Finding[] {
  const found = new Map<string, Finding>();
  for (const j of journeys) {
    if (!isOf("meat", "poultry", "mince", "poultry-mince", "sausage", "egg")(j.item)) continue;
    for (const v of j.visits) {
      const { heat } = v;
      if (heat?.medium !== "bath" || found.has(v.step.ref)) continue;
      const tempC = heat.tempC ?? 60;
      const thick = heat.thicknessMm ?? (isOf("egg")(j.item) ? 10 : 35);
      const needed = bathMinutes(tempC, thick, classOf(j));
      if (heat.minutes >= needed && tempC >= 54.5) continue;
      // Cooked through later on, and only warmed here for a short while.
      if (tempC >= 54.5 && hottest(j).core >= THROUGH_C && hottest(j).visit !== v) continue;
      found.set(
        v.step.ref,
        cautioned("low-temperature-cook", v.step.ref, {
          component: v.part.component.id,
          step: v.step.ref,
          severity: "warn",
          title: tempC < 54.5 ? "The water bath is too cool to make food safe" : "Too short in the bath for its thickness",
          computed:
            Number.isFinite(needed) && tempC >= 54.5
              ? `${j.item.ingredient.name}, ${thick} mm thick, needs about ${Math.ceil(needed / 5) * 5} min at ${tempC} °C; the step gives ${Math.round(heat.minutes)}.`
              : `${j.item.ingredient.name} is at ${tempC} °C: below 54.5 °C bacteria grow, and no time makes it safe.`,
          mends:
            Number.isFinite(needed) && tempC >= 54.5
              ? [
                  {
                    label: `${Math.ceil(needed / 15) * 15} min in the bath`,
                    apply: (d) => withStep(d, v.step.place, (s) => ({ ...s, time: `${Math.ceil(needed / 15) * 15}m` })),
                  },
                ]
              : [
                  {
                    label: "The bath at 56 °C",
                    apply: (d) =>
                      withStep(d, v.step.place, (s) => ({
                        ...s,
                        uses: (s.uses ?? []).map((u) => (u.what === "bath" ? { ...u, tempC: 56 } : u)),
                      })),
                  },
                ],
        }),
      );
    }
  }
  return [...found.values()];
}
