// Groups of classes that several rules and calculations ask for.
import type { Understood } from "./match";
import type { FoodClass } from "./table";

const RAW_FLESH: ReadonlySet<FoodClass> = new Set([
  "meat",
  "poultry",
  "mince",
  "poultry-mince",
  "sausage",
  "offal",
  "poultry-offal",
  "blood",
  "bones",
  "fish",
  "fish-freshwater",
  "fish-scombroid",
  "crustacean",
  "bivalve",
  "cephalopod",
  "frog",
]);

/** Meat, poultry, fish and shellfish that are raw as they are bought. */
export const isRawFlesh = (food: Understood | undefined): boolean => food !== undefined && RAW_FLESH.has(food.class) && !food.cooked;
/** More fat than that, g in 100 g, is rendered: nothing of it takes up a cure. */
const RENDERED = 96;
/** What a cure is weighed for: flesh, and the raw fat that goes in with it. */
export const isCured = (food: Understood | undefined): boolean => isRawFlesh(food) || (food?.class === "fat" && food.food.fat < RENDERED);
