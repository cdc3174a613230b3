"use client";
// One of several, on Radix Select. A text is said as this cook reads it.
import { Check, ChevronDown } from "lucide-react";
import { Select } from "radix-ui";
import { useState } from "react";
import { useSpoken } from "./conventions";

/** Radix keeps the empty value for "nothing chosen yet"; a choice that means "none" needs another one. */
const NONE = "\u0000none";

interface ChoiceProps {
  /** Names the field, also where no label is seen. */
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, text: string])[];
  /** What stands first and means none of them. */
  readonly none?: string | undefined;
  /** What the field says before anything is chosen; it can not be chosen again. */
  readonly prompt?: string | undefined;
  readonly onChange: (value: string) => void;
  readonly className?: string | undefined;
  readonly disabled?: boolean | undefined;
  readonly id?: string | undefined;
}

export function Choice({ label, value, options, none, prompt, onChange, className = "", disabled, id }: ChoiceProps) {
  const spoken = useSpoken();
  // The options of all closed lists of a page would be thousands of rows, so a list renders its own once it gets the focus or the pointer.
  const [near, setNear] = useState(false);
  const inside = value === "" ? (none === undefined ? "" : NONE) : value;
  // Said here too, so that the page from the server has it before the list is there.
  const chosen = value === "" ? none : options.find(([key]) => key === value)?.[1];
  const item = (key: string, text: string) => (
    <Select.Item
      key={key}
      value={key}
      className="flex min-h-9 max-md:min-h-14 cursor-pointer select-none items-center gap-2 rounded-[3px] px-2 py-1 outline-none data-[highlighted]:bg-saffron-wash data-[state=checked]:font-medium"
    >
      <span className="w-4 shrink-0">
        <Select.ItemIndicator>
          <Check size={15} aria-hidden="true" />
        </Select.ItemIndicator>
      </span>
      <Select.ItemText>{spoken(text)}</Select.ItemText>
    </Select.Item>
  );
  return (
    <Select.Root value={inside} onValueChange={(v) => onChange(v === NONE ? "" : v)} disabled={disabled ?? false}>
      <Select.Trigger
        onFocus={() => setNear(true)}
        onPointerEnter={() => setNear(true)}
        id={id}
        aria-label={label}
        className={`field inline-flex max-w-full items-center justify-between gap-2 text-left disabled:opacity-55 ${className}`}
      >
        <span className="min-w-0 truncate">
          <Select.Value placeholder={prompt ?? ""}>{chosen === undefined ? undefined : spoken(chosen)}</Select.Value>
        </span>
        <Select.Icon className="shrink-0 text-quiet">
          <ChevronDown size={15} aria-hidden="true" />
        </Select.Icon>
      </Select.Trigger>
      {near && (
        <Select.Portal>
          <Select.Content
            position="popper"
            sideOffset={4}
            className="z-50 max-h-[min(24rem,var(--radix-select-content-available-height))] min-w-(--radix-select-trigger-width) max-w-[92vw] overflow-hidden rounded-[5px] border border-rule bg-raised text-[14px] text-ink shadow-lg"
          >
            <Select.Viewport className="p-1">
              {none !== undefined && item(NONE, none)}
              {options.map(([key, text]) => item(key, text))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      )}
    </Select.Root>
  );
}
