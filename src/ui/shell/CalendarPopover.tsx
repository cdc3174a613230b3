"use client";
import { Popover } from "radix-ui";
import type { RefObject } from "react";
import { DayPicker } from "react-day-picker";
import { MOMENT } from "@/words/fields";

interface CalendarPopoverProps {
  readonly anchor: RefObject<HTMLElement | null>;
  readonly chosen: Date | undefined;
  /** The month that is open at first is that of this day. */
  readonly shown: Date;
  /** ISO weekday on which a row begins. */
  readonly weekStart: 1 | 6 | 7;
  readonly onPick: (day: Date) => void;
  readonly onClose: () => void;
  /** After it has gone: the place to put the focus. */
  readonly onClosed: () => void;
}

/** A month of days to press, beside the field that it belongs to. */
export default function CalendarPopover({ anchor, chosen, shown, weekStart, onPick, onClose, onClosed }: CalendarPopoverProps) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor as RefObject<HTMLElement>} />
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          collisionPadding={8}
          aria-label={MOMENT.day}
          className="z-50 rounded-[6px] border border-rule bg-raised p-3 shadow-lg"
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            onClosed();
          }}
        >
          <DayPicker
            mode="single"
            autoFocus
            selected={chosen}
            defaultMonth={shown}
            onSelect={(day, clicked) => onPick(day ?? clicked)}
            weekStartsOn={(weekStart % 7) as 0 | 1 | 6}
            showOutsideDays
            classNames={CALENDAR}
          />
          <p className="max-w-[17rem] pt-2 text-[12.5px] text-quiet">{MOMENT.hint}</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

const CALENDAR = {
  months: "relative",
  month_caption: "flex h-9 items-center pl-2 font-serif text-[16px] font-semibold",
  nav: "absolute right-0 top-0 flex gap-1",
  button_previous: "flex size-9 cursor-pointer items-center justify-center rounded-[4px] text-rim hover:bg-saffron-wash",
  button_next: "flex size-9 cursor-pointer items-center justify-center rounded-[4px] text-rim hover:bg-saffron-wash",
  chevron: "size-4 fill-current",
  month_grid: "border-collapse",
  weekday: "size-9 text-[11px] font-normal text-quiet",
  day: "p-0 text-center",
  day_button: "clock size-9 cursor-pointer rounded-full text-[13px] hover:bg-saffron-wash",
  selected: "[&_button]:bg-rim [&_button]:text-paper",
  today: "[&_button]:underline [&_button]:decoration-saffron [&_button]:decoration-2 [&_button]:underline-offset-4",
  outside: "text-quiet",
  disabled: "opacity-40",
} as const;
