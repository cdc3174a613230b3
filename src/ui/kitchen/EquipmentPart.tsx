"use client";
// What stands in the kitchen, one thing a line.
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { type Control, Controller, type UseFormRegister, useFieldArray } from "react-hook-form";
import { STORES } from "@/core/dish/model";
import { EQUIPMENT_PART, KITCHEN } from "@/words/kitchen";
import { Choice } from "../shell/Choice";
import { HoursList } from "./HoursList";
import { freshId, type KitchenValues, NAMELESS } from "./kitchen-form";

const KINDS = [
  "oven",
  "burner",
  "grill",
  "smoker",
  "bath",
  "pot",
  "pressure-pot",
  "slow-pot",
  "fridge",
  "freezer",
  "cellar",
  "mixer",
  "processor",
  "blender",
  "roller",
  "churn",
  "steamer",
  "sheet-pan",
  "tray",
  "tin",
  "mould",
  "jar",
  "crock",
  "proofer",
  "dehydrator",
  "iron",
  "sink",
] as const;
const OTHER = "\u0000other";
const kindName = (kind: string) => kind.replaceAll("-", " ");

interface EquipmentPartProps {
  readonly control: Control<KitchenValues>;
  readonly register: UseFormRegister<KitchenValues>;
}

/** A figure as it is typed, with either decimal mark; undefined where the field is empty. */
const figure = (v: unknown) => (v === "" || v === undefined || v === null ? undefined : Number(String(v).replace(",", ".")));

export function EquipmentPart({ control, register }: EquipmentPartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: "equipment" });
  const [asked, setAsked] = useState<ReadonlySet<string>>(new Set());
  return (
    <section aria-label={KITCHEN.equipment} className="mt-8 border-t-2 border-rim pt-3">
      <h2 className="mb-2 text-[20px]">{KITCHEN.equipment}</h2>
      <div
        className="caps grid grid-cols-[minmax(7rem,1fr)_9.5rem_5rem_5rem_5rem_8.5rem_2rem] gap-x-3 pb-1 max-md:hidden"
        aria-hidden="true"
      >
        {[KITCHEN.item, KITCHEN.kind, KITCHEN.quantity, KITCHEN.litres, KITCHEN.racks, KITCHEN.available].map((head) => (
          <span key={head}>{head}</span>
        ))}
      </div>
      <ul>
        {fields.map((field, i) => {
          const thing = field.name ?? `${kindName(field.kind)} ${i + 1}`;
          const timed = asked.has(field.id) || (field.available?.length ?? 0) > 0;
          return (
            <li key={field.id} className="border-t border-rule py-1.5">
              <div className="grid grid-cols-2 items-center gap-x-3 gap-y-1.5 md:grid-cols-[minmax(7rem,1fr)_9.5rem_5rem_5rem_5rem_8.5rem_2rem]">
                <input
                  className="field w-full min-w-0"
                  aria-label={EQUIPMENT_PART.nameOf(thing)}
                  placeholder={kindName(field.kind)}
                  {...register(`equipment.${i}.name`, NAMELESS)}
                />
                <Controller
                  control={control}
                  name={`equipment.${i}.kind`}
                  render={({ field: f }) =>
                    (KINDS as readonly string[]).includes(f.value) ? (
                      <Choice
                        label={EQUIPMENT_PART.kindOf(thing)}
                        className="w-full"
                        value={f.value}
                        options={[...KINDS.map((k) => [k, kindName(k)] as const), [OTHER, KITCHEN.otherKind]]}
                        onChange={(v) => f.onChange(v === OTHER ? "" : v)}
                      />
                    ) : (
                      <input
                        className="field w-full min-w-0"
                        aria-label={EQUIPMENT_PART.kindOf(thing)}
                        value={f.value}
                        onChange={f.onChange}
                      />
                    )
                  }
                />
                {(["count", "litres", "racks"] as const).map((key) => (
                  <label key={key} className="flex items-center gap-2">
                    <span className="w-16 text-[13px] text-quiet md:hidden">{key === "count" ? KITCHEN.quantity : KITCHEN[key]}</span>
                    <input
                      className="field clock w-20 min-w-0 md:w-full"
                      inputMode="decimal"
                      aria-label={EQUIPMENT_PART.ofIt(key === "count" ? KITCHEN.quantity : KITCHEN[key], thing)}
                      {...register(`equipment.${i}.${key}`, { setValueAs: figure })}
                    />
                  </label>
                ))}
                {timed ? (
                  <span />
                ) : (
                  <button
                    type="button"
                    className="link justify-self-start text-[13.5px]"
                    onClick={() => setAsked(new Set([...asked, field.id]))}
                  >
                    {KITCHEN.none.available}
                  </button>
                )}
                <button
                  type="button"
                  className="justify-self-end p-2 text-quiet hover:text-beet"
                  aria-label={EQUIPMENT_PART.remove(thing)}
                  onClick={() => remove(i)}
                >
                  <X size={16} aria-hidden="true" />
                </button>
              </div>
              {(STORES as readonly string[]).includes(field.kind) && (
                <label className="flex flex-wrap items-center gap-x-2 pt-1 text-[13px] text-quiet md:pl-4">
                  {KITCHEN.everyday}
                  <input
                    className="field clock w-20 text-ink"
                    inputMode="decimal"
                    aria-label={EQUIPMENT_PART.ofIt(KITCHEN.everyday, thing)}
                    {...register(`equipment.${i}.everydayLitres`, { setValueAs: figure })}
                  />
                  {KITCHEN.everydayHint}
                </label>
              )}
              {timed && (
                <div className="pt-1 md:pl-4">
                  <HoursList
                    control={control}
                    name={`equipment.${i}.available`}
                    title={KITCHEN.available}
                    of={thing}
                    none={KITCHEN.none.available}
                    hint={KITCHEN.availableHint}
                  />
                </div>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="act mt-3"
        onClick={() =>
          append({
            id: freshId(
              "pot",
              fields.map((e) => (e as unknown as { id: string }).id),
            ),
            kind: "pot",
            name: EQUIPMENT_PART.newPot,
            litres: 5,
          })
        }
      >
        <Plus size={16} aria-hidden="true" /> {KITCHEN.addItem}
      </button>
    </section>
  );
}
