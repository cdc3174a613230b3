// A dish in plain figures: minutes, scaled amounts, whole references, defaults filled in (read-model.ts makes it from a file).
// Both the planner and the verifier start from here, so that they differ in method and never in reading.
import type { Hours } from "../time/calendar";
import type { Zone } from "../time/zone";
import type { TimeSpread } from "./planned-length";
import type { DishStep } from "./schema";
import type { Quantity } from "./units";
import type { Wishes } from "./wishes";

export type Place = "counter" | "fridge" | "freezer" | "hot" | "cellar" | "none";
export const STORES = ["fridge", "freezer", "cellar"] as const;
export const HEATED = ["oven", "bath", "grill"] as const;
/** More batches than this are an error of the file (check.ts). */
export const MOST_BATCHES = 500;
const WARES = new Set(["pot", "tray", "tin", "jar", "sheet-pan", "sink", "bowl"]);
const SPACES = new Set(["burner", "oven", "bath", "grill", "fridge", "freezer", "cellar"]);

/** Whether things of that kind are wares: kept by a step that is put down, in no need of lighting. */
export const isWare = (kind: string) => WARES.has(kind);
/** Whether things of that kind are machines. */
export const isMachine = (kind: string) => !WARES.has(kind) && !SPACES.has(kind);
/** Whether a kind is a vessel or machine that goes to one step at a time, as against counted burners, heated space and stores. */
export const isUnit = (kind: string) => !SPACES.has(kind);

/** A window of waiting, minutes; `max` undefined where nothing limits it. */
export interface Hold {
  readonly place: Place;
  readonly litres: number;
  readonly min: number;
  readonly max: number | undefined;
  readonly best: readonly [number, number] | undefined;
  readonly limit: "quality" | "safety" | undefined;
}

export interface Link extends Hold {
  readonly step: string;
  readonly from: "end" | "start";
  /** False for the default link to the step before. */
  readonly written: boolean;
}

export interface Take {
  readonly from: string;
  readonly quantity: Quantity | undefined;
  readonly during: number | undefined;
  readonly each: boolean;
}

export interface Output {
  readonly ref: string;
  readonly name: string;
  readonly quantity: Quantity | undefined;
  readonly holds: readonly Hold[];
}

export interface Use {
  readonly what: string;
  readonly count: number;
  readonly tempC: number;
  readonly toleranceC: number;
  readonly racks: number;
  readonly mode: "fan" | "still" | "grill" | "any";
  readonly litres: number;
  readonly pieces: number;
  readonly until: string | undefined;
  readonly part: "all" | "hands";
  readonly ramp: boolean;
}

export interface Tend {
  readonly every: number;
  readonly takes: number;
  readonly what: string;
  readonly first: number;
  readonly until: number | undefined;
  readonly fromEnd: boolean;
}

export interface Step {
  /** "component.step" */
  readonly ref: string;
  readonly id: string;
  readonly name: string;
  readonly time: TimeSpread;
  readonly k: number;
  readonly grows: number;
  readonly stretch: number;
  readonly attention: "hands" | "nearby" | "unattended";
  readonly handsStart: number;
  readonly handsEnd: number;
  readonly tends: readonly Tend[];
  readonly sleepOk: boolean;
  readonly awayOk: boolean;
  /** Something is put somewhere as it starts: somebody is awake and at home then. */
  readonly puts: boolean;
  /** Least piece in minutes where the step may be put down. */
  readonly minPiece: number | undefined;
  readonly batches: number;
  readonly each: boolean;
  readonly uses: readonly Use[];
  readonly usesHeat: boolean;
  readonly tags: ReadonlySet<string>;
  readonly links: readonly Link[];
  readonly takes: readonly Take[];
  /** Ingredients that come in here, for the guests that come. */
  readonly goesIn: readonly { readonly name: string; readonly quantity: Quantity | undefined }[];
  readonly within: string | undefined;
  readonly makes: readonly Output[];
  readonly cooks: readonly string[] | undefined;
  readonly file: DishStep;
}

export interface Method {
  readonly id: string;
  readonly name: string;
  readonly quality: number;
  readonly steps: readonly Step[];
}

interface OnHand {
  readonly ref: string;
  readonly quantity: Quantity | undefined;
  readonly madeAt: number;
  readonly holds: readonly Hold[];
}

export interface Component {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly course: string | undefined;
  readonly k: number;
  readonly methods: readonly Method[];
  readonly onHand: readonly OnHand[];
  readonly fallback: { readonly name: string; readonly lead: number; readonly quality: number } | undefined;
}

export interface Cook {
  readonly id: string;
  readonly name: string;
  readonly hours: readonly Hours[] | undefined;
  readonly awake: readonly Hours[];
  readonly away: readonly Hours[];
}

export interface Equipment {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly count: number;
  readonly litres: number | undefined;
  readonly pieces: number | undefined;
  readonly racks: number;
  readonly maxC: number;
  readonly heatCPerMin: number;
  readonly coolCPerMin: number;
  readonly idleC: number;
  readonly cleanTakes: number;
  readonly available: readonly Hours[] | undefined;
}

export interface Window {
  readonly hours: readonly Hours[];
  readonly forbid: ReadonlySet<string>;
  readonly allow: ReadonlySet<string>;
  readonly why: string;
}

export interface Dish {
  readonly id: string;
  readonly name: string;
  readonly zone: Zone;
  readonly k: number;
  readonly serveAt: number;
  readonly startNotBefore: number | undefined;
  readonly serve: string;
  readonly courses: readonly { readonly name: string; readonly serve: string; readonly after: number }[];
  readonly components: readonly Component[];
  readonly plate: readonly { readonly from: string; readonly quantity: Quantity }[];
  readonly cooks: readonly Cook[];
  readonly equipment: readonly Equipment[];
  readonly windows: readonly Window[];
  /** How the cook wishes it planned. */
  readonly wishes: Wishes;
}

/** Without `startNotBefore` and without a given now, planning begins so long before serving. */
export const DEFAULT_LEAD_MINUTES = 21 * 1440;

/** A bare id means the same component. */
export function wholeRef(ref: string, componentId: string): string {
  return ref.includes(".") ? ref : `${componentId}.${ref}`;
}

/** The component that a whole reference names. */
export const componentOf = (ref: string) => ref.slice(0, ref.indexOf("."));
