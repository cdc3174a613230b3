// Lists that several panels choose from.
import densities from "../../measures/tables/densities.json";
import type { ChoiceField } from "../panel";

/** What is cured, by the limits that hold for it. */
export const PRODUCTS: ChoiceField["choices"] = [
  ["dry", "Dry-rubbed, no bacon"],
  ["bacon_dry", "Bacon, dry-rubbed"],
  ["immersion", "In a brine, no bacon"],
  ["bacon_immersion", "Bacon, in a brine"],
  ["comminuted", "Minced: sausage, terrine"],
];

/** What has to be killed in which food. */
export const KILLS: ChoiceField["choices"] = [
  ["salmonellaPoultry", "poultry"],
  ["salmonellaRedMeat", "whole red meat"],
  ["ecoliMince", "mince"],
  ["listeria", "fish, or for keeping cold"],
  ["salmonellaEgg", "egg"],
];

/** The thing whose density is meant. */
export const OF_WHAT: ChoiceField = {
  key: "what",
  label: "Of what",
  of: "choice",
  start: "water",
  choices: densities.map((d) => [d.key, d.name] as const),
};
