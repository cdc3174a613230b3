// Food that is thawed, waits warm, is stuffed, is half cooked, or is frozen again.
import { withStep } from "../../dish/edit/places";
import { minutesOf, spokenDuration } from "../../time/duration";
import { cautioned, type Finding } from "../finding";
import { type Item, isOf, likelyMinutes, type Part, type PartStep } from "../part";
import { isGrowing, isRawFlesh, killsGerms, type SafetyScene } from "../scene";
import { does, heatOf } from "../states/process";

/** "Out of the fridge", "to lose their chill": the cold is left, not sought. */
const LEAVES_COLD =
  /\b(?:out of|from|off) the (?:fridge|refrigerator)|\b(?:los(?:e|es|ing)|take|takes|taking) (?:off )?(?:its|their|the) (?:\w+ )?chill(?: off)?/gi;
const NOT_COLD = /\b(?:without|no|out of) (?:any )?(?:ice|fridge|cold packs?)\b|\bunchilled\b/gi;
const inFridge = (s: PartStep) =>
  /fridge|refrigerat|\bice\b|chill|cold water/i.test(s.words.replaceAll(LEAVES_COLD, " ").replaceAll(NOT_COLD, " ")) ||
  (s.step.uses ?? []).some((u) => u.what === "fridge");

const THAWS = /\b(?:thaw(?!ed)|defrost(?!ed)|un-?freeze)/i;
const WARM_THAW = /warm water|hot water|lukewarm|counter|worktop|room temperature|kitchen|radiator|sink(?!.*cold)|overnight|bench|table/i;
export function counterThaw({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps.flatMap((step): Finding[] => {
      if (!THAWS.test(step.name) || inFridge(step) || /microwave/i.test(step.words)) return [];
      const flesh = part.items.find((i) => isRawFlesh(i) || i.food?.frozen);
      if (!flesh || !isRawFlesh(flesh)) return [];
      if (!WARM_THAW.test(step.words) && likelyMinutes(step.step) < 120) return [];
      return [
        cautioned("counter-thaw", step.ref, {
          component: part.component.id,
          step: step.ref,
          computed: `${flesh.ingredient.name} thaws in the warm in “${step.name}”, for ${spokenDuration(likelyMinutes(step.step))}: its outside is warm hours before its middle has thawed.`,
          mends: [
            {
              label: "Thaw in the fridge for a day and a half",
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  name: "Thaw in the fridge",
                  time: "36h",
                  attention: "unattended",
                  sleepOk: true,
                  uses: [{ what: "fridge", litres: 6 }],
                })),
            },
          ],
        }),
      ];
    }),
  );
}

export function refreezing({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const thaw = part.steps.findIndex((s) => THAWS.test(s.name));
    if (thaw < 0 || inFridge(part.steps[thaw] as PartStep)) return [];
    const flesh = part.items.find(isRawFlesh);
    const again = part.steps.findIndex(
      (s, i) =>
        i >= thaw &&
        (/\b(?:re-?freeze|freeze|(?:in|into|to) the freezer)\b/i.test(s.name) ||
          (i > thaw && (s.step.uses ?? []).some((u) => u.what === "freezer")) ||
          (s.step.makes ?? []).some((o) => (o.holds ?? []).some((h) => h.place === "freezer"))),
    );
    if (!flesh || again < 0 || part.steps.slice(thaw, again + 1).some((s) => heatOf(s) !== undefined && heatOf(s)?.medium !== "warm"))
      return [];
    const step = part.steps[again] as PartStep;
    return [
      cautioned("refreezing", part.component.id, {
        component: part.component.id,
        step: step.ref,
        computed: `${flesh.ingredient.name} is thawed in the warm in “${part.steps[thaw]?.name}” and frozen again raw in “${step.name}”.`,
        mends: [
          {
            label: "Thaw in the fridge",
            apply: (d) =>
              withStep(d, (part.steps[thaw] as PartStep).place, (s) => ({
                ...s,
                name: "Thaw in the fridge",
                time: "24h",
                attention: "unattended",
                sleepOk: true,
              })),
          },
        ],
      }),
    ];
  });
}

const WARM_FISH_MIN = 30;
export function scombroid({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const fish = part.items.find((i) => isOf("fish-scombroid")(i) && i.food?.cooked !== true);
    if (!fish) return [];
    const cooked = part.steps.findIndex((s) => heatOf(s) !== undefined && heatOf(s)?.medium !== "warm");
    for (const [i, step] of part.steps.entries()) {
      if (i < fish.enters || (cooked >= 0 && i >= cooked)) break;
      const stands =
        likelyMinutes(step.step) > WARM_FISH_MIN &&
        !inFridge(step) &&
        !(step.step.uses ?? []).some((u) => u.what === "freezer") &&
        (/room temperature|counter|come to|stand|warm|rest|\b(?:out|leave|left|keep|table|bench|side|boot|car|van|drive|journey|carry|transport|bring|brought|unchilled|uncooled|without ice|no ice|sun|deck)\b/i.test(
          step.words,
        ) ||
          (step.step.uses ?? []).some((u) => u.what === "counter") ||
          step.step.attention === "unattended");
      const waits = (step.step.makes ?? []).flatMap((o) =>
        (o.holds ?? []).filter(
          (h) => (h.place === "counter" || h.place === "none") && (h.max === undefined || minutesOf(h.max) > WARM_FISH_MIN),
        ),
      );
      if (!stands && waits.length === 0) continue;
      return [
        cautioned("scombroid", part.component.id, {
          component: part.component.id,
          step: step.ref,
          computed: stands
            ? `${fish.ingredient.name} is warm for ${spokenDuration(likelyMinutes(step.step))} in “${step.name}”: half an hour at most.`
            : `${fish.ingredient.name} can wait on the counter after “${step.name}” for longer than half an hour.`,
          mends: [
            {
              label: stands ? "In the fridge all that time, and after" : "It waits in the fridge",
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  ...(stands
                    ? {
                        name: `${(s.name ?? "").replace(/,? ?(?:and )?let (?:it|them) come to room temperature|at room temperature/i, "").trim()} in the fridge`,
                      }
                    : {}),
                  makes: (s.makes ?? []).map((o) => ({
                    ...o,
                    holds: (o.holds ?? []).map((h) =>
                      h.place === "counter" || h.place === "none" ? { ...h, place: "fridge" as const, litres: h.litres ?? 1 } : h,
                    ),
                  })),
                })),
            },
          ],
        }),
      ];
    }
    return [];
  });
}

/** Raw or half-cooked food that stands longer than this waits, min. */
export const COLD_WAIT_MIN = 60;
const STUFFS =
  /\bstuff(?:s|ed|ing)?\b|\b(?:fill|pack|load|spoon|push|press)\b[^.,;]*\b(?:in|into|inside) (?:the |each |its )?(?:\w+ )?(?:birds?|cavit(?:y|ies)|goose|geese|turkey|chickens?|ducks?|quails?|poussins?|pigeons?|pheasants?|partridges?|guinea fowl|hens?|cockerel|capon)\b|\bfill (?:the |its )?(?:bird|cavity|goose|turkey|chicken|duck)|\bfill\b.*\b(?:sew|tie|truss|skewer|roll)\b/i;
/** Put inside without the word: a stuffing where it is bread, grain or meat, and no lemon and no herb. */
const PUT_INSIDE = /\b(?:into|in|inside) (?:of )?(?:the |its |their |each )?(?:\w+ )?(?:cavity|cavities|birds?|body)\b/i;
const isFilling = isOf(
  "grain",
  "rice",
  "bread",
  "mince",
  "poultry-mince",
  "sausage",
  "nut",
  "pulse",
  "pulse-lectin",
  "pulse-canned",
  "egg",
  "offal",
  "poultry-offal",
);
const BESIDE = /beside|separately|in a (?:tin|dish|tray)|under the skin/i;
export function stuffing({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const raw = (i: Item) => i.food?.cooked !== true;
    const poultry = part.items.find((i) => isOf("poultry")(i) && raw(i));
    // A breast or a shoulder holds a stuffing, too; its own core is judged where it is roasted.
    const bird = poultry ?? (part.items.some(isFilling) ? part.items.find((i) => isOf("meat")(i) && raw(i)) : undefined);
    const filled = part.items.some(isFilling);
    const at = part.steps.findIndex(
      (s) =>
        (STUFFS.test(s.name) || (filled && PUT_INSIDE.test(s.name))) &&
        !BESIDE.test(s.words) &&
        (!heatOf(s) || heatOf(s)?.medium === "warm"),
    );
    const step = part.steps[at];
    if (!bird || !step) return [];
    const roasted = part.steps.findIndex((s, i) => i > at && heatOf(s) !== undefined);
    const roast = part.steps[roasted];
    const stands = roast && part.steps.slice(at + 1, roasted).some((s) => likelyMinutes(s.step) > COLD_WAIT_MIN);
    const waits =
      stands || (step.step.makes ?? []).some((o) => (o.holds ?? []).some((h) => h.max === undefined || minutesOf(h.max) > COLD_WAIT_MIN));
    const probed = Math.max(roast?.step.done?.probeC ?? 0, roast?.step.done?.restToC ?? 0) >= 74;
    if (!waits && (probed || !poultry)) return [];
    return [
      cautioned("stuffing", part.component.id, {
        component: part.component.id,
        step: step.ref,
        computed: waits
          ? `${bird.ingredient.name} is stuffed and can then wait raw; the stuffing takes up its juices.`
          : `The core of the stuffing is not measured in “${roast?.name ?? "the roast"}”.`,
        mends: roast
          ? [
              {
                label: "Stuff just before the roast, 74 °C in the middle of the stuffing",
                apply: (d) =>
                  withStep(
                    withStep(d, step.place, (s) => ({
                      ...s,
                      makes: (s.makes ?? []).map((o) => ({ ...o, holds: (o.holds ?? []).map((h) => ({ ...h, max: "30m" })) })),
                    })),
                    roast.place,
                    (s) => ({ ...s, done: { ...s.done, probeC: Math.max(74, s.done?.probeC ?? 0) } }),
                  ),
              },
            ]
          : [],
      }),
    ];
  });
}

/** Raw sausage or mince that hangs and dries: nitrite, starter, weight. */
export function fermentedMeat({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const meat = part.items.find(isOf("mince", "meat", "sausage"));
    if (!meat || part.items.some(isOf("curing-salt"))) return [];
    const minced =
      part.items.some(isOf("mince", "sausage")) || part.steps.some((s) => /\b(?:mince|grind|stuff into|fill into casing)/i.test(s.name));
    const hang = part.steps.find(
      (s) => /\b(?:hang|ferment|air-?dry|dry|mature)\b/i.test(s.name) && !heatOf(s) && likelyMinutes(s.step) >= 3 * 1440,
    );
    if (!minced || !hang) return [];
    return [
      cautioned("fermented-meat", part.component.id, {
        component: part.component.id,
        step: hang.ref,
        computed: `${meat.ingredient.name} is minced and hangs for ${spokenDuration(likelyMinutes(hang.step))} by “${hang.name}”, and no curing salt is listed.`,
      }),
    ];
  });
}

const FILM = /\b(?:cling ?film|film|plastic wrap)\b/i;
export function inFilm({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part: Part) =>
    part.steps.flatMap((step, i): Finding[] => {
      if (!FILM.test(step.words) || !/\b(?:roll|wrap|poach|simmer|steam|bath|shape)/i.test(step.words)) return [];
      const minced = part.items.some(isOf("mince", "poultry-mince", "sausage")) || part.steps.slice(0, i + 1).some(does.minces);
      // A whole cut that is rolled in film to shape it is unwrapped before it is baked.
      const inWater = /\b(?:poach|simmer|steam|bath|boil)/i.test(step.words);
      if (!minced && !inWater && part.steps.slice(i + 1).some((s) => /\b(?:unwrap|pastry|remove the film|dough|bacon)/i.test(s.words)))
        return [];
      const flesh = part.items.find(isRawFlesh);
      const cook = [step, ...part.steps.slice(i + 1)].find((s) => heatOf(s) !== undefined);
      if (!flesh || !cook) return [];
      const core = Math.max(cook.step.done?.probeC ?? 0, cook.step.done?.restToC ?? 0);
      const needed = part.items.some(isOf("poultry", "poultry-mince")) ? 74 : 71;
      const fine = core >= needed && /rated|heat-?proof|oven-?proof|for cooking/i.test(step.words);
      if (fine) return [];
      return [
        cautioned("sausage-in-film", step.ref, {
          component: part.component.id,
          step: step.ref,
          severity: core >= needed ? "note" : "warn",
          computed:
            core > 0
              ? `The roll in film is taken to ${core} °C in the middle; it needs ${needed} °C.`
              : `It is not said how hot the middle of the roll gets; it needs ${needed} °C.`,
          mends: [
            {
              label: `${needed} °C in the middle`,
              apply: (d) => withStep(d, cook.place, (s) => ({ ...s, done: { ...s.done, probeC: needed } })),
            },
          ],
        }),
      ];
    }),
  );
}

const HOLD_C = 60;
const LUKEWARM_MIN = 120;
/** After so long nobody may eat it any more. */
const LUKEWARM_MOST_MIN = 240;
const KEPT_WARM = /\b(?:keep|keeps|kept|keeping|hold|holds|held|holding)\b/i;
/** Kept warm for hours below 60 °C, by the oven, the probe or the words of the step; or nothing says how warm. */
export function keptLukewarm({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) => {
    if (!isGrowing(part)) return [];
    return part.steps.flatMap((step, i): Finding[] => {
      const heat = heatOf(step);
      const said = /\b(\d{2,3}) ?°/.exec(step.words)?.[1];
      const warm = heat?.coreC ?? heat?.tempC ?? (said === undefined ? undefined : Number(said));
      if (
        heat?.medium !== "warm" ||
        (warm === undefined ? !KEPT_WARM.test(step.name) : warm >= HOLD_C) ||
        heat.minutes <= LUKEWARM_MIN ||
        !part.steps.slice(0, i).some(killsGerms)
      )
        return [];
      return [
        cautioned("cooked-then-warm", `lukewarm:${step.ref}`, {
          component: part.component.id,
          step: step.ref,
          severity: warm !== undefined && heat.minutes > LUKEWARM_MOST_MIN ? "stop" : "warn",
          title: warm === undefined ? `How warm is ${part.component.name.toLowerCase()} kept?` : `${part.component.name} is kept too cool`,
          computed: `“${step.name}” keeps it ${warm === undefined ? "warm" : `at ${warm} °C`} for ${spokenDuration(heat.minutes)}${warm === undefined ? " without a temperature" : ""}; below ${HOLD_C} °C two hours at most.`,
          way: `${HOLD_C} °C or more, or a shorter wait`,
          mends: [
            {
              label: `At 70 °C`,
              apply: (d) =>
                withStep(d, step.place, (s) => ({
                  ...s,
                  uses: (s.uses ?? []).map((u) => (u.tempC === undefined ? u : { ...u, tempC: 70 })),
                  ...(s.done?.probeC === undefined && warm === heat.tempC && warm !== undefined ? {} : { done: { ...s.done, probeC: 65 } }),
                })),
            },
          ],
        }),
      ];
    });
  });
}

const CLOSED =
  /\b(?:tight(?:ly)?|sealed|closed|clip[- ]top|screw(?:ed)?|lid on|swing[- ]top|air-?tight|cap(?:s|ped)?|cork(?:s|ed)?|stopper(?:s|ed)?)\b/i;
const LETS_OUT = /air-?lock|\bburp|\bloose(?:ly)?\b|open (?:it |the (?:lid|jar) )?(?:daily|every day|once a day)|\bvent|cloth|daily/i;
const FERMENTS = /\b(?:ferment|sour|bubble|culture|prove in a bottle)/i;
const BOTTLES = /\b(?:bottled?|jarred)\b|\b(?:into|in) (?:\w+ )?(?:bottles?|jars?)\b/i;
const boilsIt = (s: PartStep) => s.step.boils === true || heatOf(s)?.medium === "boil";
/** A live ferment in a jar that lets no gas out. */
export function fermentGas({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.steps
      .filter((s, i) => {
        const ferments =
          part.component.kind === "ferment" ||
          FERMENTS.test(s.name) ||
          // Bottled once it works: it goes on working.
          (BOTTLES.test(s.name) && part.steps.slice(0, i).some((x) => FERMENTS.test(x.name)) && !part.steps.slice(0, i).some(boilsIt));
        if (!ferments || likelyMinutes(s.step) < 720) return false;
        // What was closed in a step before, and not opened since, is closed.
        const soFar = part.steps.slice(0, i + 1).map((x) => x.words);
        return soFar.some((w) => CLOSED.test(w)) && !soFar.some((w) => LETS_OUT.test(w));
      })
      .map((step) =>
        cautioned("ferment-gas", step.ref, {
          component: part.component.id,
          step: step.ref,
          computed: `“${step.name}”: ${spokenDuration(likelyMinutes(step.step))} in a closed vessel, and the gas cannot get out.`,
          mends: [
            {
              label: "Under an airlock, or opened daily",
              apply: (d) =>
                withStep(d, step.place, (s) => ({ ...s, note: `${s.note ? `${s.note} ` : ""}Under an airlock, or opened daily.` })),
            },
          ],
        }),
      ),
  );
}
