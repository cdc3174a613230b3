// Which food of the heat tables a component cools as: only kinds that stand in a pot or a dish as one body.
import type { ComponentKind } from "./kinds";

export const COOLED_AS: Readonly<Partial<Record<ComponentKind, string>>> = {
  stock: "waterStock",
  sauce: "thinSauce",
  braise: "pulseStew",
  filling: "pulseStew",
  grain: "cookedRice",
  dairy: "milkCream",
  sweet: "milkCream",
  vegetable: "mash",
};
