// Groups of classes that several rules and calculations ask for.
import type { Understood } from "./match";
import type { FoodClass } from "./table";

const RAW_MEATS = ["meat", "poultry", "mince", "poultry-mince", "sausage", "offal", "poultry-offal", "blood", "bones", "frog"] as const;
const RAW_SEAFOOD = ["fish", "fish-freshwater", "fish-scombroid", "crustacean", "bivalve", "cephalopod"] as const;
const among = (...classes: readonly FoodClass[]) => {
  const set: ReadonlySet<FoodClass> = new Set(classes);
  return (food: Understood | undefined): boolean => food !== undefined && set.has(food.class);
};

const isOfFlesh = among(...RAW_MEATS, ...RAW_SEAFOOD);
/** Of a land animal: flesh, fat and what is made of them. */
export const isOfMeat = among(...RAW_MEATS, "cured-raw", "cured-cooked", "fat");
/** Meat, poultry, fish and shellfish that are raw as they are bought. */
export const isRawFlesh = (food: Understood | undefined): boolean => isOfFlesh(food) && food?.cooked === false;
/** More fat than that, g in 100 g, is rendered: nothing of it takes up a cure. */
const RENDERED = 96;
/** What a cure is weighed for: flesh, and the raw fat that goes in with it. */
export const isCured = (food: Understood | undefined): boolean => isRawFlesh(food) || (food?.class === "fat" && food.food.fat < RENDERED);
