"use client";
// Times in which something is not done.
import { Plus, X } from "lucide-react";
import { type Control, Controller, type UseFormRegister, useFieldArray } from "react-hook-form";
import { KITCHEN, QUIET_PART } from "@/words/kitchen";
import { MomentField } from "../shell/MomentField";
import { TimeOfDayField } from "../shell/TimeOfDayField";
import { DaysField } from "./DaysField";
import type { KitchenValues } from "./kitchen-form";

interface QuietPartProps {
  readonly control: Control<KitchenValues>;
  readonly register: UseFormRegister<KitchenValues>;
}

export function QuietPart({ control, register }: QuietPartProps) {
  const { fields, append, remove } = useFieldArray({ control, name: "windows" });
  return (
    <section aria-label={KITCHEN.quiet} className="mt-8 border-t-2 border-rim pt-3">
      <h2 className="text-[20px]">{KITCHEN.quiet}</h2>
      <p className="pb-2 text-[13.5px] text-quiet">{fields.length ? KITCHEN.quietLead : `${KITCHEN.noQuiet} ${KITCHEN.quietLead}`}</p>
      <ul>
        {fields.map((field, i) => {
          const label = QUIET_PART.line(KITCHEN.quiet, i + 1);
          return (
            <li key={field.id} className="grid gap-x-6 gap-y-2 border-t border-rule py-2.5 md:grid-cols-[auto_1fr_2rem]">
              <div className="flex flex-wrap items-center gap-1.5">
                {field.weekly && (
                  <Controller
                    control={control}
                    name={`windows.${i}.weekly.days`}
                    render={({ field: f }) => <DaysField label={QUIET_PART.days(label)} value={f.value ?? "all"} onChange={f.onChange} />}
                  />
                )}
                {(["from", "to"] as const).map((end) => (
                  <span key={end} className="inline-flex items-center gap-1.5">
                    {end === "to" && <span className="text-quiet">{QUIET_PART.to}</span>}
                    {field.weekly ? (
                      <Controller
                        control={control}
                        name={`windows.${i}.weekly.${end}`}
                        render={({ field: f }) => <TimeOfDayField label={`${label}: ${end}`} value={f.value ?? ""} onChange={f.onChange} />}
                      />
                    ) : (
                      <Controller
                        control={control}
                        name={`windows.${i}.${end}`}
                        render={({ field: f }) => (
                          <MomentField label={`${label}: ${end}`} value={(f.value ?? "").slice(0, 16)} onChange={f.onChange} live />
                        )}
                      />
                    )}
                  </span>
                ))}
              </div>
              <div>
                <Controller
                  control={control}
                  name={`windows.${i}.forbid`}
                  render={({ field: f }) => (
                    <fieldset className="flex flex-wrap gap-x-4 gap-y-0.5 text-[14px]">
                      <legend className="sr-only">{`${label}: ${KITCHEN.forbids}`}</legend>
                      <span className="self-center text-[13px] text-quiet">{KITCHEN.forbids}</span>
                      {[
                        ...KITCHEN.forbidden,
                        ...f.value.filter((v) => !KITCHEN.forbidden.some(([k]) => k === v)).map((v) => [v, v] as const),
                      ].map(([key, text]) => (
                        <label key={key} className="flex min-h-8 cursor-pointer items-center gap-1.5">
                          <input
                            type="checkbox"
                            className="accent-(--rim)"
                            checked={f.value.includes(key)}
                            onChange={(e) => f.onChange(e.target.checked ? [...f.value, key] : f.value.filter((v) => v !== key))}
                          />
                          {text}
                        </label>
                      ))}
                    </fieldset>
                  )}
                />
                <label className="flex items-center gap-2 pt-1 text-[13px] text-quiet">
                  {KITCHEN.why}
                  <input
                    className="field w-full max-w-72 text-[14px] text-ink"
                    aria-label={`${label}: ${KITCHEN.why}`}
                    placeholder={KITCHEN.whyExample}
                    {...register(`windows.${i}.why`)}
                  />
                </label>
              </div>
              <button
                type="button"
                className="self-start justify-self-end p-2 text-quiet hover:text-beet"
                aria-label={QUIET_PART.remove(label)}
                onClick={() => remove(i)}
              >
                <X size={16} aria-hidden="true" />
              </button>
            </li>
          );
        })}
      </ul>
      <p className="flex flex-wrap gap-3 pt-2">
        <button
          type="button"
          className="act"
          onClick={() => append({ weekly: { days: "all", from: "21:30", to: "07:30" }, forbid: ["noisy"] })}
        >
          <Plus size={16} aria-hidden="true" /> {KITCHEN.addWeekly}
        </button>
        <button type="button" className="act" onClick={() => append({ from: "", to: "", forbid: ["hands"] })}>
          <Plus size={16} aria-hidden="true" /> {KITCHEN.addOnce}
        </button>
      </p>
    </section>
  );
}
