// The answers of a first run, from a kitchen and into it.

import type { KitchenFile } from "@/core/dish/schema";
import { FIRST_KITCHEN_CHECKS } from "@/words/kitchen";

export interface Answers {
  readonly name: string;
  readonly weekdayFrom: string;
  readonly weekdayTo: string;
  readonly weekendFrom: string;
  readonly weekendTo: string;
  readonly burners: number;
  readonly racks: number;
  readonly maxC: number;
  readonly fridge: number;
  /** Equal to `quietTo` where there is no quiet time. */
  readonly quietFrom: string;
  readonly quietTo: string;
}

type Line = { readonly days?: string; readonly from: string; readonly to: string };

/** What stands in the fields at first. */
export function firstAnswers(kitchen: KitchenFile): Answers {
  const hours = (kitchen.cooks?.[0]?.hours ?? []) as readonly Line[];
  const of = (days: string) => hours.find((h) => h.days === days);
  const find = (kind: string) => kitchen.equipment?.find((e) => e.kind === kind);
  const quiet = (kitchen.windows ?? []).find((w) => "weekly" in w) as { weekly: Line } | undefined;
  const name = kitchen.cooks?.[0]?.name ?? "";
  return {
    // The name of a kitchen that nobody has set up is nobody's.
    name: name === "Cook" ? "" : name,
    weekdayFrom: of("mon-fri")?.from ?? "18:30",
    weekdayTo: of("mon-fri")?.to ?? "22:00",
    weekendFrom: of("sat-sun")?.from ?? "08:00",
    weekendTo: of("sat-sun")?.to ?? "22:00",
    burners: (kitchen.equipment ?? []).filter((e) => e.kind === "burner").reduce((sum, e) => sum + (e.count ?? 1), 0) || 4,
    racks: find("oven")?.racks ?? 2,
    maxC: find("oven")?.maxC ?? 250,
    fridge: find("fridge")?.litres ?? 40,
    quietFrom: quiet?.weekly.from ?? "22:00",
    quietTo: quiet?.weekly.to ?? "07:00",
  };
}

/** The kitchen with these answers; what they do not speak of stays. */
export function kitchenFrom(a: Answers, base: KitchenFile): KitchenFile {
  const [first, ...others] = base.cooks ?? [];
  const rest = (base.equipment ?? []).filter((e) => e.kind !== "burner" && e.kind !== "oven" && e.kind !== "fridge");
  const find = (kind: string) => base.equipment?.find((e) => e.kind === kind) ?? { id: kind, kind };
  return {
    ...base,
    cooks: [
      {
        ...(first ?? { id: "cook" }),
        name: a.name.trim() || FIRST_KITCHEN_CHECKS.cook,
        hours: [
          { days: "mon-fri", from: a.weekdayFrom, to: a.weekdayTo },
          { days: "sat-sun", from: a.weekendFrom, to: a.weekendTo },
        ],
      },
      ...others,
    ],
    equipment: [
      { ...find("oven"), racks: a.racks, maxC: a.maxC },
      ...(a.burners > 0 ? [{ id: "burner", kind: "burner", name: FIRST_KITCHEN_CHECKS.hob, count: Math.round(a.burners) }] : []),
      { ...find("fridge"), litres: a.fridge },
      ...rest,
    ],
    windows: a.quietFrom === a.quietTo ? [] : [{ weekly: { days: "all", from: a.quietFrom, to: a.quietTo }, forbid: ["noisy"] }],
  } as KitchenFile;
}
