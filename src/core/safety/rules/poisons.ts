// Plants, beans and mushrooms that carry a poison of their own, and what takes it out.
import { withMethod, withStep } from "../../dish/edit/places";
import { insertStepBefore } from "../../dish/edit/steps";
import { FROM_OUTDOORS } from "../../foods/match";
import { spokenDuration } from "../../time/duration";
import { cautioned, type Finding, type Mend } from "../finding";
import { gramsOf, type Item, isOf, likelyMinutes, type Part, type PartStep } from "../part";
import type { SafetyScene } from "../scene";
import { does, heatOf } from "../states/process";

const [ROLLING_MIN, SOAK_MIN] = [10, 300];
const isId =
  (...ids: string[]) =>
  (i: Item) =>
    i.food !== undefined && ids.some((id) => i.food?.food.id === id || i.food?.food.id.startsWith(`${id}.`));
const left = (part: Part, item: Item): Mend => ({
  label: `No ${item.ingredient.name.toLowerCase()}`,
  apply: (d) =>
    withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
      ...m,
      ingredients: (m.ingredients ?? []).map((i) => (i.id === item.ingredient.id ? { ...i, leftOut: true } : i)),
    })),
});

const boilsFor = (s: PartStep) => (does.boilsHard(s) || heatOf(s)?.medium === "pressure" ? likelyMinutes(s.step) : 0);

/** The steps that a food goes through, on each of its ways to the table. */
function waysOf({ journeys, parts }: SafetyScene, item: Item): readonly (readonly PartStep[])[] {
  const ways = journeys.filter((j) => j.item === item).map((j) => j.visits.map((v) => v.step));
  return ways.length ? ways : [parts.find((p) => p.items.includes(item))?.steps ?? []];
}

/** Kidney beans and their kin: five hours of soaking, ten minutes at a rolling boil, in fresh water. */
export function pulses(scene: SafetyScene): Finding[] {
  const { parts } = scene;
  return parts.flatMap((part): Finding[] => {
    const beans = part.items.find((i) => isOf("pulse-lectin")(i) && i.food?.cooked !== true);
    if (!beans) return [];
    // On its least careful way to the table, in whatever component it is boiled.
    const ways = waysOf(scene, beans);
    const boiled = Math.min(...ways.map((steps) => Math.max(0, ...steps.map(boilsFor))));
    const slow = ways.some((steps) => steps.some((s) => heatOf(s)?.medium === "slow" || /low oven/i.test(s.words)));
    const soaked = Math.max(
      0,
      ...part.steps.filter((s) => /\b(?:soak|steep|leave .*water)/i.test(s.name)).map((s) => likelyMinutes(s.step)),
    );
    if (boiled >= ROLLING_MIN && soaked >= SOAK_MIN) return [];
    const cook = part.steps.find((s) => heatOf(s) !== undefined) ?? part.steps.at(-1);
    if (!cook) return [];
    const missing = boiled < ROLLING_MIN;
    const { name } = beans.ingredient;
    return [
      cautioned("kidney-beans", part.component.id, {
        component: part.component.id,
        step: cook.ref,
        severity: missing ? "stop" : "warn",
        computed: missing
          ? `${name} ${boiled > 0 ? `boil for ${spokenDuration(boiled)}` : slow ? "cook slowly and are not boiled first" : "are not said to boil"}; ten minutes at a rolling boil are needed.`
          : `${name} are soaked ${soaked > 0 ? spokenDuration(soaked) : "not at all"}; five hours are usual.`,
        mends: missing
          ? [
              {
                label: `Ten minutes at a rolling boil before “${cook.name}”`,
                apply: (d) =>
                  insertStepBefore(d, cook.place, {
                    name: "Boil hard in fresh water",
                    time: "10m",
                    boils: true,
                    uses: [{ what: "burner" }],
                  }),
              },
            ]
          : [
              {
                label: "Soak for ten hours first",
                apply: (d) =>
                  insertStepBefore(d, (part.steps[0] as PartStep).place, {
                    name: "Soak in cold water",
                    time: "10h",
                    attention: "unattended",
                    sleepOk: true,
                  }),
              },
            ],
      }),
    ];
  });
}

/** The dish or a step says that somebody gathered them. */
const GATHERED = new RegExp(
  `\\b(?:we|i|he|she|they|neighbours?|friends?|brother|sister|uncle|aunt|dad|mum|kids|children) (?:had |have )?(?:picked|found|gathered|foraged|brought)\\b|\\b(?:forag(?:ed|er['’]?s?|ing)|hand-picked|self-picked)\\b|${FROM_OUTDOORS}`,
  "i",
);
const gathered = (part: Part) => GATHERED.test(`${part.component.name} ${part.steps.map((s) => s.words).join(" ")}`);
const FARMED = /\b(?:button|chestnut|portobell\w+|portabella|cremini|champignons?|shiitake|oyster|enoki|cultivated|shop|bought|dried)\b/i;
/** A mushroom of no named kind: its name alone does not say whether it was cultivated. */
const isMushroom = (i: Item) =>
  isOf("mushroom")(i) && /\b(?:mushrooms?|fungi|fungus|caps?)\b/i.test(i.ingredient.name) && !FARMED.test(i.ingredient.name);
/** Wild ones by the words of the name; kinds that are also sold are asked about, once. */
export function wildMushrooms({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.items
      .filter((i) => isOf("mushroom-wild")(i) || (isMushroom(i) && gathered(part)))
      .slice(0, 1)
      .map((item): Finding => {
        const picked = item.food?.wild === true || item.food?.food.id === "mushroom.wild" || gathered(part);
        const step = part.steps[item.enters];
        return cautioned("wild-mushrooms", part.component.id, {
          component: part.component.id,
          ...(step ? { step: step.ref } : {}),
          severity: picked ? "stop" : "note",
          computed: picked
            ? `${item.ingredient.name}: only an expert can tell whether each one is what it looks like.`
            : `${item.ingredient.name} are sold, and are also picked wild. If they were picked, ask an expert to check each one.`,
          mends: picked
            ? [
                {
                  label: "Cultivated mushrooms instead",
                  apply: (d) =>
                    withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
                      ...m,
                      ingredients: (m.ingredients ?? []).map((i) =>
                        i.id === item.ingredient.id ? { ...i, name: "Cultivated mushrooms", food: "mushroom" } : i,
                      ),
                    })),
                },
              ]
            : [],
        });
      }),
  );
}

interface Poison {
  readonly is: (i: Item) => boolean;
  readonly why: string;
  /** What makes it harmless, where anything does. */
  readonly treated?: (steps: readonly PartStep[]) => boolean;
}
/** A drying oven drives none of it out. */
const LEAST_BOILING_C = 90;
const isHot = (s: PartStep) => {
  const heat = heatOf(s);
  return heat !== undefined && heat.medium !== "warm" && (heat.tempC ?? LEAST_BOILING_C) >= LEAST_BOILING_C;
};
const longestHeat = (steps: readonly PartStep[]) => Math.max(0, ...steps.map((s) => (isHot(s) ? likelyMinutes(s.step) : 0)));
/** "Rhubarb with its leaves", and not "leaves trimmed". */
const isLeaf = (i: Item) =>
  (isId("rhubarb.leaf")(i) ||
    (isId("rhubarb")(i) &&
      /\b(?:with|and|incl\w*) (?:its |the |their |all )?(?:leaf|leaves|tops)\b|\bleaves (?:on|and all)\b/i.test(i.ingredient.name))) &&
  !/\b(?:without|no|removed?|trimmed|discard\w*|cut off)\b/i.test(i.ingredient.name);
const GREENED = /\bgreen(?:ed|ish)?\b(?! (?:herb|sauce|salad|bean|pea))|\bsprout(?:ed|ing|s)\b/i;
const POISONS: readonly Poison[] = [
  {
    is: isLeaf,
    why: "the leaves have enough oxalic acid to poison; eat only the stalks",
  },
  { is: isId("elderberry"), why: "raw elderberries make people sick; boil them for 20 minutes", treated: (p) => longestHeat(p) >= 20 },
  {
    is: isId("cassava"),
    why: "cassava contains cyanide; peel it and boil it for 25 minutes or more, never eat it raw",
    treated: (p) => longestHeat(p) >= 25,
  },
  { is: isId("kernel"), why: "bitter kernels release cyanide; a handful can poison" },
  {
    is: isId("lupin"),
    why: "bitter lupins must be boiled, then soaked for days in changed water",
    treated: (p) => p.some((s) => /soak|water/i.test(s.name) && likelyMinutes(s.step) >= 2 * 1440),
  },
  { is: isId("poison"), why: "this plant is poisonous" },
  { is: isId("ackee"), why: "it is poisonous unless it is ripe or treated in full", treated: (p) => longestHeat(p) >= 20 },
  {
    is: (i) => isId("potato.green")(i) || (isId("potato")(i) && GREENED.test(i.ingredient.name)),
    why: "green and sprouting potatoes contain solanine, which cooking does not remove",
  },
];

export function poisonousPlants(scene: SafetyScene): Finding[] {
  return scene.parts.flatMap((part) =>
    part.items.flatMap((item): Finding[] => {
      const poison = POISONS.find((p) => p.is(item));
      if (!poison || (poison.treated !== undefined && waysOf(scene, item).every(poison.treated))) return [];
      const step = part.steps[item.enters];
      return [
        cautioned("bitter-cassava-lupin", `${part.component.id}:${item.ingredient.id}`, {
          component: part.component.id,
          ...(step ? { step: step.ref } : {}),
          title: "A poisonous plant",
          computed: `${item.ingredient.name}: ${poison.why}.`,
          mends: [left(part, item)],
        }),
      ];
    }),
  );
}

/** g of nutmeg or mace for one guest that is past any pinch; a teaspoon of about 5 g has poisoned. */
const NUTMEG_G = 1.5;
export function nutmeg({ parts, document }: SafetyScene): Finding[] {
  return parts.flatMap((part) =>
    part.items.filter(isId("nutmeg")).flatMap((item): Finding[] => {
      const each = gramsOf(part, (i) => i === item) / Math.max(1, document.dish.serves);
      if (each <= NUTMEG_G) return [];
      const step = part.steps[item.enters];
      return [
        cautioned("toxic-amount", part.component.id, {
          component: part.component.id,
          ...(step ? { step: step.ref } : {}),
          computed: `${item.ingredient.name}: ${each.toFixed(1)} g for each guest; above about ${NUTMEG_G} g it is poisonous.`,
          mends: [
            {
              label: `${Number((0.25 * document.dish.baseServes).toPrecision(2))} g of it`,
              apply: (d) =>
                withMethod(d, { component: part.component.id, method: part.method.id }, (m) => ({
                  ...m,
                  ingredients: (m.ingredients ?? []).map((i) =>
                    i.id === item.ingredient.id
                      ? { ...i, amount: { amount: Number((0.25 * document.dish.baseServes).toPrecision(2)), unit: "g" } }
                      : i,
                  ),
                })),
            },
          ],
        }),
      ];
    }),
  );
}

/** Olives off the tree are bitter, not poisonous; beans fresh from the pod are eaten cooked. */
export function rawRunnerBeans({ journeys }: SafetyScene): Finding[] {
  return journeys
    .filter(
      (j) =>
        isId("greenbean")(j.item) &&
        j.served &&
        /\braw\b/i.test(j.visits.map((v) => v.step.name).join(" ")) &&
        !j.visits.some((v) => v.heat !== undefined),
    )
    .slice(0, 1)
    .map((j) =>
      cautioned("kidney-beans", `raw:${j.part.component.id}`, {
        component: j.part.component.id,
        severity: "warn",
        title: "Green beans eaten raw",
        computed: `${j.item.ingredient.name} are served raw; they have the same toxin as kidney beans until they are boiled.`,
        way: "boiled for five minutes or more",
        mends: j.visits[0]
          ? [
              {
                label: "Boil for six minutes",
                apply: (d) =>
                  withStep(d, (j.visits[0] as { step: PartStep }).step.place, (s) => ({
                    ...s,
                    boils: true,
                    time: "6m",
                    uses: [...(s.uses ?? []), { what: "burner" }],
                  })),
              },
            ]
          : [],
      }),
    );
}
