"use client";
// A time of day: typed as "7", "7:30", "19.30" or "7.30pm", kept as "19:30".
import { useEffect, useState } from "react";
import { readTimeOfDay } from "@/core/spoken/typed-moment";
import { clockText } from "@/core/time/wall-clock";
import { useConventions } from "./conventions";

interface TimeOfDayFieldProps {
  readonly label: string;
  /** "19:30"; what is none stands as it is. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly className?: string;
}

export function TimeOfDayField({ label, value, onChange, className = "" }: TimeOfDayFieldProps) {
  const { clock } = useConventions();
  const minute = readTimeOfDay(value);
  // "24:00" ends a day in the file; no clock shows it.
  const told = value === "24:00" ? (clock === 12 ? "midnight" : value) : minute === undefined ? value : clockText(minute, clock);
  const [text, setText] = useState(told);
  useEffect(() => setText(told), [told]);
  const commit = (typed: string) => {
    const read = readTimeOfDay(typed);
    // What is not understood goes on as it was typed: the form says what is wrong with it.
    const next = /^(24:00|midnight)$/i.test(typed.trim()) && value === "24:00" ? value : read === undefined ? typed : clockText(read, 24);
    if (next === value) setText(told);
    else onChange(next);
  };
  return (
    <input
      className={`field clock text-[13px] ${clock === 12 ? "w-[5.4rem]" : "w-[3.9rem]"} ${className}`}
      aria-label={label}
      autoComplete="off"
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => text !== told && commit(text)}
      onKeyDown={(e) => e.key === "Enter" && text !== told && commit(text)}
    />
  );
}
