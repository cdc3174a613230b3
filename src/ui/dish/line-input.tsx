"use client";
// One line of typing: kept where it is until it is left or Enter is pressed, and put back with Esc.
import { type ReactNode, useEffect, useId, useRef, useState } from "react";
import { LINE_INPUT } from "@/words/recipe";

interface LineInputProps {
  readonly label: string;
  readonly value: string;
  /** Called with what was typed where it differs. @returns false where it was refused: the text then stays in the box */
  readonly onCommit: (text: string) => boolean;
  readonly placeholder?: string;
  readonly className?: string;
  readonly mono?: boolean;
  /** Shown under the box while it is typed in. */
  readonly hint?: (text: string, write: (text: string) => void) => ReactNode;
  readonly multiline?: boolean;
}

const LEAVING_MS = 350;

export function LineInput({ label, value, onCommit, placeholder, className = "", mono, hint, multiline }: LineInputProps) {
  const [text, setText] = useState(value);
  const [focused, setFocused] = useState(false);
  const id = useId();
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(leaving.current), []);
  const box = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  useEffect(() => setText(value), [value]);
  const commit = () => {
    if (text.trim() !== value.trim()) onCommit(text.trim());
  };
  const common = {
    ref: box,
    "aria-label": label,
    "aria-describedby": hint ? id : undefined,
    value: text,
    placeholder,
    spellCheck: false,
    autoComplete: "off",
    className: LINE_INPUT.fieldWFull(mono ? "clock text-[13px]" : "text-[14px]", className),
    onChange: (e: { target: { value: string } }) => setText(e.target.value),
    onFocus: () => {
      clearTimeout(leaving.current);
      setFocused(true);
    },
    onBlur: () => {
      // The words under the box stay until a press elsewhere is over: what is pressed must not move away under the finger.
      leaving.current = setTimeout(() => setFocused(false), LEAVING_MS);
      commit();
    },
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === "Enter" && !e.shiftKey) {
        e.preventDefault();
        commit();
      } else if (e.key === "Escape") {
        setText(value);
        requestAnimationFrame(() => box.current?.blur());
      }
    },
  };
  return (
    <div>
      {multiline ? (
        <textarea {...common} rows={1} className={`${common.className} resize-none py-1.5 leading-snug [field-sizing:content]`} />
      ) : (
        <input type="text" {...common} />
      )}
      {hint && (
        <div id={id} className="text-[12.5px]">
          {focused ? hint(text, setText) : null}
        </div>
      )}
    </div>
  );
}
