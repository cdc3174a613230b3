"use client";
// The days of a week, each pressed or not.
import { ToggleGroup } from "radix-ui";
import { weekdaysOf } from "@/core/time/calendar";
import { DAYS_FIELD } from "@/words/kitchen";
import { useConventions } from "../shell/conventions";
import { daysText } from "./kitchen-form";

const DAYS = [
  DAYS_FIELD.monday,
  DAYS_FIELD.tuesday,
  DAYS_FIELD.wednesday,
  DAYS_FIELD.thursday,
  DAYS_FIELD.friday,
  DAYS_FIELD.saturday,
  DAYS_FIELD.sunday,
] as const;

interface DaysFieldProps {
  readonly label: string;
  /** "mon-fri", "all" or the like. */
  readonly value: string;
  readonly onChange: (value: string) => void;
}

export function DaysField({ label, value, onChange }: DaysFieldProps) {
  const { weekStart } = useConventions();
  const order = [...Array(7).keys()].map((i) => ((weekStart - 1 + i) % 7) + 1);
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      className="inline-flex"
      value={[...(weekdaysOf(value) ?? [])].map(String)}
      // A line of hours is for one day at least.
      onValueChange={(days) => days.length > 0 && onChange(daysText(days.map(Number)))}
    >
      {order.map((day) => (
        <ToggleGroup.Item
          key={day}
          value={String(day)}
          aria-label={DAYS[day - 1]}
          title={DAYS[day - 1]}
          className="h-9 w-7 cursor-pointer border-y border-r border-quiet/60 text-[12.5px] text-quiet first:rounded-l-[4px] first:border-l last:rounded-r-[4px] data-[state=on]:bg-rim data-[state=on]:font-semibold data-[state=on]:text-paper"
        >
          {DAYS[day - 1]?.slice(0, 1)}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
