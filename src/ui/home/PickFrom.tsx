"use client";
// One of many, found by typing.
import { Command } from "cmdk";
import { useState } from "react";
import { NEW } from "@/words/home";

interface PickFromProps {
  readonly label: string;
  readonly prompt: string;
  readonly entries: readonly { readonly id: string; readonly name: string }[] | undefined;
  readonly disabled: boolean;
  readonly onPick: (id: string) => void;
}

/** More than so many are not read through: type a letter more. */
const MOST = 40;

export default function PickFrom({ label, prompt, entries, disabled, onPick }: PickFromProps) {
  const [typed, setTyped] = useState("");
  const wanted = typed.trim().toLowerCase();
  const found = (entries ?? []).filter((e) => e.name.toLowerCase().includes(wanted));
  return (
    <Command label={label} shouldFilter={false} className="rounded-[4px] border border-rule bg-raised">
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder={prompt}
        disabled={disabled}
        className="min-h-9 w-full border-b border-rule bg-transparent px-2.5 outline-none placeholder:text-quiet"
      />
      <Command.List className="max-h-56 overflow-y-auto">
        {entries === undefined && <Command.Loading className="px-2.5 py-2 text-quiet">{NEW.loading}</Command.Loading>}
        {entries !== undefined && found.length === 0 && <p className="px-2.5 py-2 text-quiet">{NEW.noneFound}</p>}
        {found.slice(0, MOST).map((e) => (
          <Command.Item
            key={e.id}
            value={e.id}
            disabled={disabled}
            onSelect={() => onPick(e.id)}
            className="min-h-9 cursor-pointer px-2.5 py-1.5 data-[selected=true]:bg-saffron-wash"
          >
            {e.name}
          </Command.Item>
        ))}
        {found.length > MOST && <p className="px-2.5 py-1.5 text-[13px] text-quiet">{NEW.more(found.length - MOST)}</p>}
      </Command.List>
    </Command>
  );
}
