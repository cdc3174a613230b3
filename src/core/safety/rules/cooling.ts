// A hot pot that has to cool: calculated for the amount and the vessel of the dish and the way its step says, against the two stages.

import { COOLED_AS } from "../../dish/cooled-as";
import { withStep } from "../../dish/edit/places";
import { cooledBy } from "../../dish/questions/walk";
import { type CoolingWay, type CoolingWayKey, coolingWays } from "../../measures/heat/compare-cooling";
import { durationText, minutesOf, spokenDuration } from "../../time/duration";
import { cautioned, type Finding } from "../finding";
import { gramsOf, type Item, isOf, likelyMinutes, litresOf, outputOfPart, type Part, type PartStep } from "../part";
import { isGrowing, killsGerms, type SafetyScene } from "../scene";

/** Cooled to be worked with while it is warm: to culture, to knead, to temper. */
const WARM_AIM =
  /\bto (?:about |around )?(?:2[5-9]|[345]\d)\b(?! ?(?:min|m\b|h\b|%|g\b|kg|ml|cm|mm))|lukewarm|blood (?:heat|warm)|hand[- ]?(?:warm|hot)|\b(?:cool|chill)\w* (?:it |them )?(?:down )?(?:a little|a bit|slightly|briefly|enough to)\b/i;
/** Cooled to be cultured, and cultured: what grows then is meant to, and sours it before it is chilled. */
const isSoured = (since: readonly PartStep[]) => since.some((s) => /\b(?:culture|cultured|incubat|ferment|sour|ripen)/i.test(s.words));
const COOLS = /\b(?:cool|chill)|\b(?:leave|stands?|left|rest)\b.*\b(?:overnight|over night|(?:un)?til (?:the )?morning|next day)\b/i;
/** Of sweet things only those are a body in which things grow: what is caramel or sponge dries or holds too much sugar. */
const CUSTARD = /custard|pastry cream|crème|\bcurd\b/i;
const CUSTARD_COLD_MIN = 60;
/** The way of cooling that the words of a step name; the last is what a cook does who says nothing. */
const WAYS: readonly (readonly [words: RegExp, way: CoolingWayKey, said: string])[] = [
  [/\bice\b.*stir|stir.*\bice\b/i, "iceBathStirred", "stirred in an ice bath"],
  [/\bice\b/i, "iceBathStill", "in an ice bath"],
  [
    /flat|shallow|spread (?:it |them |the \w+ )?(?:out|thin)|wide dish|trays?\b|\bsheet-pan\b|small (?:moulds?|pots?|tubs?|portions?)|ramekins?|\bcups\b|portioned/i,
    "traysHalf",
    "in shallow trays",
  ],
  [/cold water|\btap\b|\bsink\b|basin/i, "coldWaterThenFridge", "in cold water, then the fridge"],
  [/fridge/i, "potFridgeAtOnce", "in the fridge at once"],
];
const IN_DISHES = ["traysHalf", "in the dishes that it was baked in"] as const;
const BY_ITSELF = ["potCounterThenFridge", "on the counter, then in the fridge"] as const;
const LITRES = { low: 0.2, high: 40 };
/** Less than this is a bowl, not a pot: it is said, but it does not hold up a run. */
const SMALL_L = 2;
/** Longer in the warm nothing may stand that was cooked (FDA Food Code 3-501.19), min. */
const LEFT_OUT_MIN = 240;
const WIDE_DISH_CM2 = 1000;
/** The ways that do not end in the fridge by themselves, where a hold would take over from the step. */
const STAYS_OUT: ReadonlySet<CoolingWayKey> = new Set(["iceBathStill", "iceBathStirred"]);

/** A pot's width by what it holds: as wide as four fifths of what would make it as high as wide. */
const widthCm = (capacityL: number) => Math.min(60, Math.max(8, ((4 * capacityL * 1000) / (Math.PI * 0.8)) ** (1 / 3)));

interface Cooled {
  readonly step: PartStep;
  readonly litres: number;
  readonly how: string;
  /** Goes on in the fridge when the step is over. */
  readonly goesOn: boolean;
  /** No step cools it at all. */
  readonly uncooled: boolean;
  readonly way: CoolingWay;
  readonly ways: CoolingWays;
}

/** Ten ways are a twentieth of a second: pages ask for the same pots again and again. */
type CoolingWays = Readonly<Record<CoolingWayKey, CoolingWay>>;
const calculated = new Map<string, CoolingWays>();
const MOST_KEPT = 64;
function waysOf(input: Parameters<typeof coolingWays>[0]): CoolingWays {
  const key = JSON.stringify(input);
  const kept = calculated.get(key);
  if (kept) return kept;
  const ways = Object.fromEntries(coolingWays(input).map((w) => [w.key, w])) as unknown as CoolingWays;
  if (calculated.size >= MOST_KEPT) calculated.delete(calculated.keys().next().value as string);
  calculated.set(key, ways);
  return ways;
}

/** Milk or cream thickened with egg. */
const isCustard = (part: Part) =>
  part.items.some(isOf("egg")) && gramsOf(part, isOf("milk", "milk-raw", "cream")) >= 0.4 * gramsOf(part, () => true);
const isBody = (part: Part, step: PartStep) =>
  part.component.kind !== "sweet" || isCustard(part) || CUSTARD.test(`${part.component.name} ${step.words}`);
/** A step that cooks and whose output goes into the fridge from there. */
const hotIntoFridge = (part: Part) =>
  part.steps.find(
    (s, i) =>
      killsGerms(s) &&
      isBody(part, s) &&
      !part.steps.slice(i + 1).some(killsGerms) &&
      s.step.makes?.some((o) => o.holds?.some((h) => h.place === "fridge")),
  );

/** Kinds that lie in their liquid, however little it is. */
const POTS: ReadonlySet<string> = new Set(["braise", "stock", "sauce"]);
const MANY_G = 5000;
const isLiquid = isOf("water", "stock", "milk", "milk-raw", "cream", "wine", "tomato", "juice");
const DRAINS = /\bdrain(?:s|ed)?\b(?! (?:the )?(?:fat|grease))/i;
/** What comes of it where no output says it, of a pot or of what is mostly liquid: four fifths of what was put in, the rest boils away or is strained off. */
function guessedLitres(part: Part): number | undefined {
  // Water that was drained off since it came in is not in the pot.
  const drained = part.steps.findLastIndex((s) => DRAINS.test(s.name));
  const stays = (i: Item) => !(isOf("water")(i) && i.enters <= drained);
  const grams = gramsOf(part, (i) => stays(i) && !isOf("bones", "poultry", "inedible")(i));
  const liquid = gramsOf(part, (i) => stays(i) && isLiquid(i));
  // How a little liquid cools with much in it is guessed at, so a small pot of that is left out.
  const least = POTS.has(part.component.kind) && grams >= MANY_G ? 0.15 : 0.5;
  return liquid > 0 && liquid >= least * grams ? (0.8 * grams) / 1000 : undefined;
}

/** Kinds that may be a pot of soup as well as a salad: a pot where most of it is liquid. */
const MIXED: ReadonlySet<string> = new Set(["other", "assembly", "roast"]);
/** It cools for an hour at most, and from there goes to the table: nothing says that it is kept, so nothing has to be cold. */
const SOON_EATEN_MIN = 60;
const isSoonEaten = (step: PartStep) =>
  likelyMinutes(step.step) <= SOON_EATEN_MIN &&
  (step.step.makes ?? []).length > 0 &&
  (step.step.makes ?? []).every(
    (o) =>
      (o.holds ?? []).length > 0 &&
      o.holds?.every((h) => h.place === "counter" && h.max !== undefined && minutesOf(h.max) <= SOON_EATEN_MIN),
  );
/** The cooling of a component as calculated; undefined where nothing hot is cooled, or nothing says how much it is. */
export function cooledPart(part: Part): Cooled | undefined {
  const food =
    COOLED_AS[part.component.kind] ?? (MIXED.has(part.component.kind) && guessedLitres(part) !== undefined ? "pulseStew" : undefined);
  if (!food || !isGrowing(part)) return undefined;
  const at = part.steps.findIndex(
    (s, i) =>
      COOLS.test(s.name) &&
      !WARM_AIM.test(s.words) &&
      !killsGerms(s) &&
      !isSoured(part.steps.slice(part.steps.slice(0, i).findLastIndex(killsGerms) + 1, i)) &&
      part.steps.slice(0, i).some((hot) => killsGerms(hot) && (isBody(part, hot) || isBody(part, s))),
  );
  const step = part.steps[at] ?? hotIntoFridge(part);
  if (!step || isSoonEaten(step)) return undefined;
  const uncooled = at < 0;
  const made = step.step.makes?.find((o) => o.amount) ?? step.step.makes?.[0] ?? outputOfPart(part);
  const litres = litresOf(made, part.k) ?? litresOf(outputOfPart(part), part.k) ?? guessedLitres(part);
  if (litres === undefined || litres < LITRES.low || litres > LITRES.high) return undefined;
  const pot = (step.step.uses ?? part.steps[at - 1]?.step.uses ?? []).find((u) => u.what === "pot")?.litres ?? litres * 1.4;
  const words = `${part.component.name} ${step.words}`;
  const custard = /custard|cream/i.test(words)
    ? "milkCream"
    : /beans?\b|lentils?|chickpeas?|pulses?|liquor/i.test(words)
      ? "pulseStew"
      : food;
  const ways = waysOf({
    volumeL: litres,
    food: custard,
    potDiameterCm: widthCm(Math.max(litres, pot)),
    // One wide dish as deep as that makes it, and no deeper than half of five centimetres: then there are several, as there are where they are named.
    trayDepthCm: Math.min(/\btrays\b/i.test(step.words) ? 4 : 5, Math.max(2, (2 * litres * 1000) / WIDE_DISH_CM2)),
    // Whoever stands by it stirs it now and then.
    stirred: /stir/i.test(step.words) || custard === "milkCream" || (step.step.attention ?? "hands") !== "unattended",
  });
  const told = `${step.words} ${(step.step.uses ?? []).map((u) => u.what).join(" ")}`;
  // A custard that was baked stands in its dishes, not in a pot.
  const hot = part.steps.slice(0, part.steps.indexOf(step) + 1).findLast(killsGerms);
  const baked = custard === "milkCream" && isCustard(part) && (hot?.step.uses ?? []).some((u) => u.what === "oven");
  const found = WAYS.find(([words]) => words.test(told));
  const inDishes = baked && !/\bice\b|water/i.test(told);
  const [key, how] = inDishes
    ? IN_DISHES
    : uncooled
      ? (["potFridgeAtOnce", "put into the fridge hot"] as const)
      : found
        ? [found[1], found[2]]
        : BY_ITSELF;
  const goesOn = !STAYS_OUT.has(key) && (made?.holds ?? []).some((h) => h.place === "fridge");
  return { step, litres, how, goesOn, uncooled, way: ways[key], ways };
}

const said = (minutes: number | null) =>
  minutes === null ? "never within two days" : spokenDuration(Math.round(minutes / 5) * 5 || Math.round(minutes));

export function coolingDeadlines({ parts }: SafetyScene): Finding[] {
  return parts.flatMap((part): Finding[] => {
    const cooled = cooledPart(part);
    if (!cooled) return [];
    const { step, litres, how, goesOn, uncooled, way, ways } = cooled;
    const at = { component: part.component.id, step: step.ref };
    const amount = `${Number(litres.toPrecision(3))} L`;
    const mend = (key: CoolingWayKey, words: string) => {
      const better = ways[key];
      const minutes = better.t5Min === null ? undefined : Math.max(10, Math.ceil(better.t5Min / 5) * 5);
      const time = durationText(minutes ?? 60);
      const output = step.step.makes?.find((o) => o.holds?.some((h) => h.place === "fridge"))?.id;
      return {
        label: `${words}: ${said(better.t21Min)} to 21 °C, ${said(better.t5Min)} to 5 °C`,
        apply: (d: Parameters<Finding["mends"][number]["apply"]>[0]) =>
          uncooled && output !== undefined
            ? cooledBy(step.place, output, {
                id: "cool",
                name: `Cool: ${words.toLowerCase()}`,
                time,
                attention: "nearby",
                handsStart: minutes !== undefined && minutes < 10 ? "1m" : "5m",
                danger: ["large-pot-cooling"],
              })(d)
            : withStep(d, step.place, (s) => ({
                ...s,
                note: `${s.note ? `${s.note} ` : ""}${words}.`,
                ...(minutes === undefined ? {} : { time: durationText(minutes) }),
              })),
      };
    };
    const better = (
      [
        ["iceBathStirred", "Stirred in an ice bath"],
        ["traysHalfFan", "In open trays 2.5 cm deep, in the fridge"],
      ] as const
    )
      .filter(([key]) => ways[key].verdict === "ok" && ways[key] !== way)
      .map(([key, words]) => mend(key, words));
    // A bowl, too, that is said to stand in the warm for longer than anything may.
    const leftOut = how === BY_ITSELF[1] && likelyMinutes(step.step) > LEFT_OUT_MIN;
    if (way.verdict !== "ok")
      return [
        cautioned(isCustard(part) && litres < SMALL_L ? "ice-cream-base" : "large-pot-cooling", step.ref, {
          ...at,
          // What nobody said how to cool, and is no pot, is told and no more.
          severity: litres < SMALL_L && !leftOut ? (uncooled && !isCustard(part) ? "note" : "warn") : "stop",
          title: `${part.component.name} cools too slowly`,
          computed: `${amount} ${how}: ${said(way.t21Min)} to 21 °C and ${said(way.t5Min)} to 5 °C. It should be 2 hours from 57 to 21 °C, and 6 in total.`,
          mends: better,
        }),
      ];
    const given = likelyMinutes(step.step);
    const needed = way.t21Min ?? 0;
    const marked = ["large-pot-cooling", "ice-cream-base"].find((id) => step.step.danger?.includes(id));
    // A custard base is asked for more than the two stages: cold within the hour.
    const inTime = marked !== "ice-cream-base" || (way.t5Min ?? Number.POSITIVE_INFINITY) <= CUSTARD_COLD_MIN;
    // How much liquid there is, is a guess there, and minutes more or less are within it.
    if (MIXED.has(part.component.kind)) return [];
    if (goesOn || given + 1 >= needed)
      return marked !== undefined
        ? [
            cautioned(marked, step.ref, {
              ...at,
              severity: inTime ? "note" : "warn",
              title: inTime ? `${part.component.name} cools in time` : `${part.component.name} is not cold within an hour`,
              computed: `${amount} ${how}: ${said(way.t21Min)} to 21 °C and ${said(way.t5Min)} to 5 °C (estimated; a thermometer in the middle decides).`,
            }),
          ]
        : [];
    return [
      cautioned("large-pot-cooling", step.ref, {
        ...at,
        title: `${part.component.name} has too little time to cool`,
        computed: `${amount} ${how} takes ${said(needed)} to 21 °C; the step has ${spokenDuration(given)}.`,
        mends: [
          {
            label: `Give it ${said(Math.ceil(needed / 5) * 5)}`,
            apply: (d) => withStep(d, step.place, (s) => ({ ...s, time: durationText(Math.ceil(needed / 5) * 5) })),
          },
        ],
      }),
    ];
  });
}
