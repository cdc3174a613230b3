// How the cook wishes a dish planned: its style, how lengths are taken, and what is fixed by hand. Part of the document, so that it is
// exported, versioned and undone with it. A pin has the form that the log of the planner's contract gives it.
import type { Zone } from "../time/zone";
import type { PatchOperation } from "./patch";
import type { DishFile } from "./schema";

/** A step that the cook has fixed: each of the four is a hard rule where it is given. Minutes. */
export interface StepPin {
  readonly step: string;
  readonly at: number | undefined;
  readonly notBefore: number | undefined;
  readonly notAfter: number | undefined;
  readonly cook: string | undefined;
}

type WishesFile = NonNullable<DishFile["wishes"]>;
type PinFile = NonNullable<WishesFile["pins"]>[number];
type StepPinFile = Extract<PinFile, { step: string }>;

/** All of a document that a change of its wishes needs to know. */
export type Wished = Pick<DishFile, "wishes">;

export interface Wishes {
  readonly style: WishesFile["style"];
  readonly planAt: WishesFile["planAt"];
  readonly pins: readonly StepPin[];
  /** Methods that the cook has fixed, by component. */
  readonly methods: Readonly<Record<string, string>>;
}

const NO_WISHES: Wishes = { style: undefined, planAt: undefined, pins: [], methods: {} };

export const isStepPin = (pin: PinFile): pin is StepPinFile => typeof (pin as StepPinFile).step === "string";

/** The wishes of a document in the planner's minutes. Pins that name what the dish has not are void (check.ts warns of them). */
export function wishesModel(document: DishFile, zone: Zone): Wishes {
  const file = document.wishes;
  if (!file) return NO_WISHES;
  const at = (text: string | undefined) => (text === undefined ? undefined : zone.toMinute(text));
  const pins: StepPin[] = [];
  const methods: Record<string, string> = {};
  for (const pin of file.pins ?? []) {
    if (voidPin(document, pin)) continue;
    if (isStepPin(pin))
      pins.push({ step: pin.step, at: at(pin.at), notBefore: at(pin.notBefore), notAfter: at(pin.notAfter), cook: pin.cook });
    else methods[pin.component] = pin.method;
  }
  return { style: file.style, planAt: file.planAt, pins, methods };
}

/** What a pin names that is not there; undefined where all is. */
export function voidPin(document: DishFile, pin: PinFile): string | undefined {
  if (isStepPin(pin)) {
    const known = document.components.some((c) => c.methods.some((m) => m.steps.some((s) => `${c.id}.${s.id}` === pin.step)));
    if (!known) return `the step "${pin.step}"`;
    const cooks = document.kitchen?.cooks;
    return pin.cook !== undefined && cooks && !cooks.some((c) => c.id === pin.cook) ? `the cook "${pin.cook}"` : undefined;
  }
  const component = document.components.find((c) => c.id === pin.component);
  if (!component) return `the component "${pin.component}"`;
  const known = component.methods.some((m) => m.id === pin.method) || (pin.method === "fallback" && component.fallback);
  return known ? undefined : `the method "${pin.method}"`;
}

/** The change that puts other wishes in the place of a document's. */
const asChange = (value: WishesFile): PatchOperation[] => [{ op: "add", path: "/wishes", value }];

/**
 * The change that fixes a step, in place of what was fixed of it before.
 * @param pin instants as in the file; undefined frees the step
 */
export function pinStepChange(document: Wished, step: string, pin: Omit<StepPinFile, "step"> | undefined): PatchOperation[] {
  const others = (document.wishes?.pins ?? []).filter((p) => !isStepPin(p) || p.step !== step);
  const given = pin && Object.fromEntries(Object.entries(pin).filter(([, value]) => value !== undefined));
  const kept = given && Object.keys(given).length > 0 ? [...others, { step, ...given }] : others;
  return asChange({ ...document.wishes, pins: kept });
}

/** The change that gives steps to a cook; what else is fixed of them stays. */
export function pinCookChange(document: Wished, steps: readonly string[], cook: string): PatchOperation[] {
  const pins = document.wishes?.pins ?? [];
  const others = pins.filter((p) => !isStepPin(p) || !steps.includes(p.step));
  return asChange({ ...document.wishes, pins: [...others, ...steps.map((step) => ({ ...pinOfStep(document, step), step, cook }))] });
}

/** The change that fixes the method of components; undefined leaves one to the planner again. */
export function pinMethodsChange(document: Wished, methods: Readonly<Record<string, string | undefined>>): PatchOperation[] {
  const others = (document.wishes?.pins ?? []).filter((p) => isStepPin(p) || !Object.hasOwn(methods, p.component));
  const fixed = Object.entries(methods).flatMap(([component, method]) => (method === undefined ? [] : [{ component, method }]));
  return asChange({ ...document.wishes, pins: [...others, ...fixed] });
}

/** The change to another style, or another way of taking lengths. */
export function wishChange(document: Wished, wish: Pick<WishesFile, "style" | "planAt">): PatchOperation[] {
  return asChange({ ...document.wishes, ...wish });
}

/** The change that lets go of all pins. */
export function freeAllChange(document: Wished): PatchOperation[] {
  return asChange({ ...document.wishes, pins: [] });
}

/** What the file says of a step's pin. */
export function pinOfStep(document: Wished, step: string): StepPinFile | undefined {
  return (document.wishes?.pins ?? []).find((p): p is StepPinFile => isStepPin(p) && p.step === step);
}
