"use client";
// Lines of hours: on days of the week, or from one date to another.
import { X } from "lucide-react";
import { type Control, Controller, useFieldArray } from "react-hook-form";
import { HOURS_LIST, KITCHEN } from "@/words/kitchen";
import { MomentField } from "../shell/MomentField";
import { TimeOfDayField } from "../shell/TimeOfDayField";
import { DaysField } from "./DaysField";
import type { HoursPath, KitchenValues } from "./kitchen-form";

interface HoursListProps {
  readonly control: Control<KitchenValues>;
  readonly name: HoursPath;
  readonly title: string;
  /** Whose hours they are, for those who do not see where they stand. */
  readonly of: string;
  readonly none: string;
  readonly hint?: string;
}

const WEEKLY = { days: "sat,sun", from: "09:00", to: "17:00" };

export function HoursList({ control, name, title, of, none, hint }: HoursListProps) {
  const { fields, append, remove } = useFieldArray({ control, name: name as `cooks.${number}.hours` });
  return (
    <div>
      <h3 className="caps mb-1 font-sans font-normal">{title}</h3>
      {fields.map((field, i) => {
        const path = `${name}.${i}` as `cooks.${number}.hours.${number}`;
        const label = HOURS_LIST.line(title, of, i + 1);
        const weekly = field.days !== undefined;
        return (
          <div key={field.id} className="mb-1.5 flex flex-wrap items-center gap-1.5">
            {weekly && (
              <Controller
                control={control}
                name={`${path}.days`}
                render={({ field: f }) => <DaysField label={HOURS_LIST.days(label)} value={f.value ?? "all"} onChange={f.onChange} />}
              />
            )}
            {(["from", "to"] as const).map((end) => (
              <span key={end} className="inline-flex items-center gap-1.5">
                {end === "to" && <span className="text-quiet">{HOURS_LIST.to}</span>}
                <Controller
                  control={control}
                  name={`${path}.${end}`}
                  render={({ field: f }) =>
                    weekly ? (
                      <TimeOfDayField label={`${label}: ${end}`} value={f.value ?? ""} onChange={f.onChange} />
                    ) : (
                      <MomentField label={`${label}: ${end}`} value={(f.value ?? "").slice(0, 16)} onChange={f.onChange} live />
                    )
                  }
                />
              </span>
            ))}
            <button
              type="button"
              className="p-2 text-quiet hover:text-beet"
              aria-label={HOURS_LIST.remove(label)}
              onClick={() => remove(i)}
            >
              <X size={15} aria-hidden="true" />
            </button>
          </div>
        );
      })}
      {fields.length === 0 && <p className="text-[13.5px] text-quiet">{none}</p>}
      <p className="flex flex-wrap gap-x-4 text-[13.5px]">
        <button type="button" className="link min-h-8" onClick={() => append({ ...WEEKLY })}>
          {KITCHEN.addHours}
        </button>
        <button type="button" className="link min-h-8" onClick={() => append({ from: "", to: "" })}>
          {KITCHEN.addDated}
        </button>
      </p>
      {hint && <p className="text-[12.5px] text-quiet">{hint}</p>}
    </div>
  );
}
