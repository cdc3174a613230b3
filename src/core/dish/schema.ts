// The dish file, rondeau/1: the single source of truth for its form. The JSON Schema is generated from this file.
// What the form cannot say (references, cycles, balance, equipment) is checked in check.ts.
// Unknown fields are kept, so that a file of a later version loses nothing; read.ts warns of them.
import { z } from "zod";
import { weekdaysOf } from "../time/calendar";
import { isZone } from "../time/zone";
import { COMPONENT_KINDS } from "./kinds";
import {
  Amount,
  clock,
  count,
  Duration,
  finite,
  HoursEntry,
  id,
  instant,
  lengthOf,
  name,
  notNegative,
  positive,
  reference,
  share,
  temperatureC,
  text,
  UncertainDuration,
} from "./schema-values";

export const FORMAT = "rondeau/1";
const hold = z
  .looseObject({
    place: z.enum(["counter", "fridge", "freezer", "hot", "cellar", "none"], "Write counter, fridge, freezer, hot, cellar or none."),
    litres: notNegative.optional().describe("Space it takes there."),
    min: Duration.optional().describe("Least wait before it may be taken."),
    best: z.tuple([Duration, Duration]).optional().describe("The part of the window where it is at its best."),
    max: Duration.optional().describe("Longest wait; none: no limit."),
    limit: z.enum(["quality", "safety"]).optional().describe("What `max` protects."),
    fixed: z.boolean().optional().describe("The litres do not scale."),
  })
  .refine((h) => h.min === undefined || h.max === undefined || lengthOf(h.min) <= lengthOf(h.max), "min must not exceed max.")
  .refine((h) => h.best === undefined || lengthOf(h.best[0]) <= lengthOf(h.best[1]), "best must not fall.")
  .describe("How and how long an output may wait.");

const output = z
  .looseObject({
    id,
    name: name.optional(),
    amount: Amount.optional(),
    holds: z.array(hold).optional(),
    raw: z.boolean().optional().describe("Has touched raw meat, fish or egg."),
    fixed: z.boolean().optional(),
  })
  .describe("What a step makes.");

const link = z
  .looseObject({
    step: reference.describe("The step that this one follows."),
    from: z.enum(["end", "start"], "Write end or start.").optional(),
    min: Duration.optional(),
    best: z.tuple([Duration, Duration]).optional(),
    max: Duration.optional(),
    limit: z.enum(["quality", "safety"]).optional(),
    place: z.enum(["counter", "fridge", "freezer", "hot", "cellar", "none"]).optional(),
    litres: notNegative.optional(),
    fixed: z.boolean().optional(),
  })
  .refine((l) => l.min === undefined || l.max === undefined || lengthOf(l.min) <= lengthOf(l.max), "min must not exceed max.")
  .describe("This step starts between min and max after the other step's end (or start).");

const take = z
  .looseObject({
    from: reference.describe("The output taken."),
    amount: Amount.optional(),
    during: Duration.optional().describe("May be drawn once the making step has run so long."),
    each: z.boolean().optional().describe("Batch n takes from batch n."),
    fixed: z.boolean().optional(),
  })
  .describe("Uses an output of this or another component.");

const use = z
  .looseObject({
    what: id.describe("burner, oven, bath, grill, pot, fridge, freezer, cellar, or a kind of machine or ware."),
    count: count.optional(),
    tempC: temperatureC.optional(),
    toleranceC: notNegative.max(300).optional(),
    racks: notNegative.max(100).optional(),
    mode: z.enum(["fan", "still", "grill", "any"], "Write fan, still, grill or any.").optional(),
    litres: notNegative.optional(),
    pieces: notNegative.optional(),
    until: reference.optional().describe("Kept to the end of that step, waits included."),
    part: z.enum(["all", "hands"], "Write all or hands.").optional(),
    ramp: z.boolean().optional(),
    fixed: z.boolean().optional(),
  })
  .superRefine((u, ctx) => {
    if (["oven", "bath", "grill"].includes(u.what) && u.tempC === undefined) {
      ctx.addIssue({ code: "custom", path: ["tempC"], message: `Say at what temperature: the ${u.what} has one setting at a time.` });
    }
  })
  .describe("Equipment or space that the step needs.");

const tend = z
  .looseObject({
    every: UncertainDuration,
    takes: Duration.optional(),
    what: text.optional(),
    first: Duration.optional(),
    until: Duration.optional(),
    fromEnd: z.boolean().optional(),
    when: text.optional().describe("The state that calls for it; `every` is then a guess."),
  })
  .refine((t) => typeof t.every !== "string" || lengthOf(t.every) > 0, {
    path: ["every"],
    message: "A round needs a rhythm above 0 minutes.",
  })
  .describe("Rounds that recur while the step runs.");

export const Ingredient = z
  .looseObject({
    id,
    name,
    amount: Amount.optional(),
    note: text.optional(),
    section: text.optional().describe("The shop or the part of it."),
    orderAhead: Duration.optional(),
    keeps: Duration.optional(),
    scale: z
      .union([z.enum(["linear", "fixed"]), finite.min(0).max(3)])
      .optional()
      .describe("Exponent on k."),
    allergens: z.array(text).optional(),
    optional: z.boolean().optional(),
    bakers: z.boolean().optional(),
    asNeeded: z.boolean().optional(),
    leftOut: z.boolean().optional().describe("The cook does without it: it is not bought."),
    step: id.optional().describe("The step of this method at which it comes in; else the first that names it."),
    food: z.string().max(80).optional().describe("The food that it is, by the table of foods, where its name does not say it."),
    standsFor: z
      .looseObject({
        name,
        amount: Amount.optional(),
        note: text.optional(),
        allergens: z.array(text).optional(),
        quality: share.optional(),
      })
      .optional()
      .describe("What it was before a substitute was chosen; `quality` is what the substitute costs."),
    instead: z.array(z.looseObject({ name, amount: Amount.optional(), quality: share.optional(), note: text.optional() })).optional(),
  })
  .describe("What is bought or taken from the shelf.");

export const StepSchema = z
  .looseObject({
    id,
    name: name.optional(),
    note: text.optional(),
    time: UncertainDuration.describe("The whole step, hands-on parts included."),
    stretch: Duration.optional().describe("How much longer it may run with no harm."),
    grows: finite.min(0, "Write 0 to 3.").max(3, "Write 0 to 3.").optional().describe("Exponent on k for the time."),
    attention: z.enum(["hands", "nearby", "unattended"], "Write hands, nearby or unattended.").optional(),
    handsStart: Duration.optional(),
    handsEnd: Duration.optional(),
    tend: z.union([tend, z.array(tend)]).optional(),
    sleepOk: z.boolean().optional(),
    awayOk: z.boolean().optional(),
    puts: z
      .boolean()
      .optional()
      .describe("Something is put somewhere as it starts: some cook is awake and at home at that minute, though no hands are counted."),
    split: z.looseObject({ minPiece: Duration.refine((t) => lengthOf(t) > 0, "A piece needs at least 1 minute.") }).optional(),
    batches: z.union([count.max(500, "At most 500 batches."), z.looseObject({ perBatch: Amount, of: reference })]).optional(),
    uses: z.array(use).optional(),
    tags: z.array(text).optional(),
    after: z.array(z.union([reference, link])).optional(),
    takes: z.array(take).optional(),
    within: reference.optional(),
    makes: z.array(output).optional(),
    done: z
      .looseObject({
        cue: text.optional(),
        probeC: temperatureC.optional(),
        restToC: temperatureC.optional(),
        checkFrom: Duration.optional(),
        checkEvery: Duration.optional(),
      })
      .optional()
      .describe("What tells that it is done."),
    cooks: z.array(id).min(1, "Name at least one cook, or leave the field out.").optional(),
    boils: z.boolean().optional(),
    danger: z.array(text).optional().describe("Cautions that it triggers."),
  })
  .describe("One step of a method.");

const method = z
  .looseObject({
    id,
    name: name.optional(),
    quality: share.optional(),
    ingredients: z.array(Ingredient).optional(),
    steps: z.array(StepSchema).min(1, "A method needs at least one step."),
    note: text.optional(),
  })
  .describe("One way to make a component.");

const onHand = z
  .looseObject({ output: id, amount: Amount.optional(), madeAt: instant, holds: z.array(hold).optional() })
  .describe("An output that is in the larder already.");

const fallback = z
  .looseObject({ name, lead: Duration, quality: share.optional(), buy: z.array(Ingredient).optional() })
  .describe("Plan B: stands in for the whole component, `lead` after it is decided.");

const ComponentSchema = z
  .looseObject({
    id,
    name,
    kind: z.enum(COMPONENT_KINDS, `Write one of ${COMPONENT_KINDS.join(" ")}.`),
    course: text.optional(),
    factor: positive.optional(),
    methods: z.array(method),
    onHand: z.array(onHand).optional(),
    fallback: fallback.optional(),
    note: text.optional(),
  })
  .superRefine((c, ctx) => {
    if (c.methods.length === 0 && !c.onHand?.length) {
      ctx.addIssue({ code: "custom", path: ["methods"], message: "Give at least one method, or say what is on hand." });
    }
  })
  .describe("A part of the dish that is made by itself.");

const cook = z
  .looseObject({
    id,
    name: name.optional(),
    hours: z.array(HoursEntry).optional().describe("Hours for hands-on work; none: whenever awake."),
    awake: z.array(HoursEntry).optional().describe("Default 07:00 to 23:00 every day."),
    away: z.array(HoursEntry).optional(),
  })
  .describe("Somebody who cooks.");

const equipment = z
  .looseObject({
    id,
    kind: id,
    name: name.optional(),
    count: count.optional(),
    litres: notNegative.optional(),
    everydayLitres: notNegative
      .optional()
      .describe("Of a fridge, freezer or larder: what everyday food takes of its litres; a plan has the rest."),
    pieces: notNegative.optional(),
    racks: notNegative.max(100).optional(),
    maxC: temperatureC.optional(),
    heatCPerMin: positive.optional(),
    coolCPerMin: positive.optional(),
    idleC: temperatureC.optional(),
    cleanTakes: Duration.optional().describe("Between two uses by different steps."),
    available: z.array(HoursEntry).optional(),
  })
  .describe("A thing in the kitchen, or several alike (`count`).");

const forbids = {
  forbid: z.array(text).min(1, "Say what is forbidden."),
  allow: z.array(reference).optional(),
  why: text.optional(),
};
const windowEntry = z
  .union([
    z.looseObject({
      weekly: z.looseObject({ days: z.string().refine((t) => weekdaysOf(t) !== undefined, "Write days."), from: clock, to: clock }),
      ...forbids,
    }),
    z.looseObject({ from: instant, to: instant, ...forbids }),
  ])
  .describe("A stretch of time in which something is not done.");

export const KitchenSchema = z
  .looseObject({
    cooks: z.array(cook).min(1, "A kitchen needs a cook.").optional(),
    equipment: z.array(equipment).optional(),
    windows: z.array(windowEntry).optional(),
  })
  .describe("Cooks, equipment and quiet hours.");

const pin = z.union([
  z.looseObject({ component: id, method: id }),
  z.looseObject({
    step: reference,
    at: instant.optional(),
    notBefore: instant.optional(),
    notAfter: instant.optional(),
    cook: id.optional(),
  }),
]);

const dismissed = z
  .looseObject({ question: z.string().max(400), reason: text })
  .describe("A question about the breakdown that the cook has put aside, with the reason.");

const WishesSchema = z
  .looseObject({
    style: z.enum(["late", "ahead", "even", "shortest"]).optional().describe("How it is laid out."),
    planAt: z.enum(["likely", "cautious", "longest"]).optional().describe("Which length of an uncertain step is planned."),
    pins: z.array(pin).max(20_000).optional().describe("Steps and methods that the cook has fixed, as in a log."),
  })
  .describe("How the cook wishes it planned.");

export const DishFile = z
  .looseObject({
    format: z.literal(FORMAT, `Write "${FORMAT}".`),
    dish: z
      .looseObject({
        id,
        name,
        timezone: z
          .string('Write an IANA time zone, such as "Europe/Dublin".')
          .refine(isZone, 'Write an IANA time zone, such as "Europe/Dublin".'),
        baseServes: positive.max(10_000),
        serves: positive.max(10_000),
        serveAt: instant,
        startNotBefore: instant.optional(),
        serve: reference.describe("The step whose END is the moment of serving."),
        courses: z.array(z.looseObject({ name, serve: reference, after: Duration })).optional(),
        plate: z.array(z.looseObject({ output: reference, perServing: Amount })).optional(),
        guests: z
          .looseObject({
            avoid: z.array(text).optional(),
            care: z.array(text).optional(),
            eaters: z.record(z.string().max(40), notNegative.max(500)).optional().describe("How many of each appetite: adult, child, …"),
          })
          .optional(),
        note: text.optional(),
      })
      .describe("The dish, its guests and its hour."),
    components: z.array(ComponentSchema).min(1, "A dish needs at least one component."),
    wishes: WishesSchema.optional(),
    dismissed: z.array(dismissed).max(2000).optional(),
    kitchen: KitchenSchema.optional(),
  })
  .describe("One dish as a document.");

export type DishFile = z.output<typeof DishFile>;
export type DishComponent = z.output<typeof ComponentSchema>;
export type DishStep = z.output<typeof StepSchema>;
export type KitchenFile = z.output<typeof KitchenSchema>;
export type Hold = z.output<typeof hold>;
