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
  /** Called with every key: with the time as the file writes it, or with what was typed where that is none; the form says what is wrong with it. */
  readonly onChange: (value: string) => void;
  readonly className?: string;
}

/** The end of a day in the file; no clock shows it. */
const END_OF_DAY = "24:00";

export function TimeOfDayField({ label, value, onChange, className = "" }: TimeOfDayFieldProps) {
  const { clock } = useConventions();
  const minute = readTimeOfDay(value);
  const told = value === END_OF_DAY ? (clock === 12 ? "midnight" : value) : minute === undefined ? value : clockText(minute, clock);
  const [text, setText] = useState(told);
  const [typing, setTyping] = useState(false);
  useEffect(() => {
    if (!typing) setText(told);
  }, [told, typing]);
  const type = (typed: string) => {
    setTyping(true);
    setText(typed);
    const read = readTimeOfDay(typed);
    const next = typed.trim() === END_OF_DAY ? END_OF_DAY : read === undefined ? typed : clockText(read, 24);
    if (next !== value) onChange(next);
  };
  return (
    <input
      className={`field clock text-[13px] ${clock === 12 ? "w-[5.4rem]" : "w-[3.9rem]"} ${className}`}
      aria-label={label}
      autoComplete="off"
      value={text}
      onChange={(e) => type(e.target.value)}
      onBlur={() => setTyping(false)}
      onKeyDown={(e) => e.key === "Enter" && setTyping(false)}
    />
  );
}
