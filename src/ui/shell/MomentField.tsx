"use client";
// A date and time: typed as a cook says it ("Sun 1pm", "13.30", "6 Dec 18:00"), or picked from a calendar.
import { Calendar } from "lucide-react";
import dynamic from "next/dynamic";
import { useEffect, useId, useRef, useState } from "react";
import { momentText } from "@/core/spoken/moment-text";
import { readMoment } from "@/core/spoken/typed-moment";
import { MOMENT } from "@/words/fields";
import { useConventions } from "./conventions";

/** The calendar comes when it is asked for: no page carries it along. */
const CalendarPopover = dynamic(() => import("./CalendarPopover"), { ssr: false });

interface MomentFieldProps {
  readonly label: string;
  /** Wall-clock time, "2026-12-06T13:00"; empty for none. */
  readonly value: string;
  /** Called with what was understood, or with "" where the field was emptied. */
  readonly onChange: (value: string) => void;
  /** Calls `onChange` with every key that makes sense, for forms that are sent by a button. */
  readonly live?: boolean;
  readonly required?: boolean;
  readonly disabled?: boolean;
  readonly className?: string;
}

const today = () => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};

export function MomentField({ label, value, onChange, live, required, disabled, className = "" }: MomentFieldProps) {
  const conventions = useConventions();
  const told = momentText(value, conventions, today().slice(0, 4));
  const [text, setText] = useState(told);
  const [typing, setTyping] = useState(false);
  const [wrong, setWrong] = useState(false);
  const [open, setOpen] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  /** What the field held when typing began: what is left out is taken from it, not from half of what is being typed. */
  const base = useRef(value);
  if (!typing) base.current = value;
  const button = useRef<HTMLButtonElement>(null);
  const problem = useId();
  useEffect(() => {
    if (!typing) setText(told);
  }, [told, typing]);
  const read = (typed: string) =>
    typed.trim() === "" ? "" : readMoment(typed, { base: base.current || undefined, today: today(), dayFirst: conventions.dayFirst });
  const judge = (typed: string, understood: string | undefined) => {
    const bad = understood === undefined || (understood === "" && required === true);
    // A form is not sent with a time that nobody understands.
    input.current?.setCustomValidity(understood === undefined ? MOMENT.notUnderstood(typed) : "");
    return bad;
  };
  const commit = (typed: string): boolean => {
    const understood = read(typed);
    const bad = judge(typed, understood);
    setWrong(bad);
    if (bad || understood === undefined) return false;
    setTyping(false);
    setText(momentText(understood, conventions, today().slice(0, 4)));
    if (understood !== value) onChange(understood);
    return true;
  };
  const pick = (day: Date) => {
    const date = [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((n) => String(n).padStart(2, "0")).join("-");
    commit(`${date} ${value.slice(11, 16) || "12:00"}`);
    setOpen(false);
  };
  const chosen = value === "" ? undefined : new Date(`${value.slice(0, 10)}T12:00`);
  return (
    <span className={`relative inline-flex max-w-full flex-col ${className}`}>
      <span className="relative inline-flex max-w-full">
        <input
          ref={input}
          className="field clock w-full min-w-[11.5rem] pr-10 text-[13.5px] text-ink"
          aria-label={label}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? problem : undefined}
          autoComplete="off"
          value={text}
          required={required}
          disabled={disabled}
          placeholder={MOMENT.example}
          onChange={(e) => {
            setTyping(true);
            setText(e.target.value);
            setWrong(false);
            const understood = read(e.target.value);
            judge(e.target.value, understood);
            if (live && understood !== undefined && understood !== value) onChange(understood);
          }}
          onBlur={() => typing && commit(text)}
          onKeyDown={(e) => {
            if (e.key === "Enter" && typing && !commit(text)) e.preventDefault();
            if (e.key === "Escape" && typing) {
              // Back to what the field held, also where a form has heard something else meanwhile.
              setTyping(false);
              setWrong(false);
              e.currentTarget.setCustomValidity("");
              if (value !== base.current) onChange(base.current);
            }
          }}
        />
        <button
          ref={button}
          type="button"
          disabled={disabled}
          aria-label={MOMENT.calendar(label)}
          aria-haspopup="dialog"
          aria-expanded={open}
          className="absolute inset-y-0 right-0 flex w-9 cursor-pointer items-center justify-center text-rim disabled:opacity-55"
          onClick={() => setOpen(true)}
        >
          <Calendar size={16} aria-hidden="true" />
        </button>
        {open && (
          <CalendarPopover
            anchor={button}
            chosen={chosen}
            shown={chosen ?? new Date(`${today()}T12:00`)}
            weekStart={conventions.weekStart}
            onPick={pick}
            onClose={() => setOpen(false)}
            onClosed={() => {
              const field = input.current;
              field?.focus();
              // Typing right after a day was picked changes the time of day.
              const comma = field?.value.lastIndexOf(", ") ?? -1;
              if (field && comma >= 0) field.setSelectionRange(comma + 2, field.value.length);
            }}
          />
        )}
      </span>
      {wrong && (
        <span id={problem} role="alert" className="max-w-[18rem] pt-0.5 text-[12.5px] text-beet">
          {text.trim() === "" ? MOMENT.empty : MOMENT.notUnderstood(text)}
        </span>
      )}
    </span>
  );
}
