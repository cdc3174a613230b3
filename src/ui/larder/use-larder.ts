"use client";
// Changes of the larder, each with a key so that one sent twice counts once; the message that says so offers Undo.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { LarderBody, LarderPlace } from "@/core/larder/events";
import { LARDER } from "@/words/larder";
import { ask, reason } from "../shell/ask";

interface Change {
  readonly item: string;
  readonly body: LarderBody;
}

/** Moves an item, or the given amount of it as a new item. */
export const movedTo = (place: LarderPlace, amount?: { readonly amount: number; readonly unit: string }): LarderBody =>
  amount ? { kind: "split", amount, place, into: crypto.randomUUID() } : { kind: "moved", place };

const send = (changes: readonly Change[]) =>
  ask("/api/larder", "POST", { events: changes.map((c) => ({ key: crypto.randomUUID(), ...c })) });

export function useLarder() {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const undo = async (changes: readonly Change[], ids: readonly number[]) => {
    const got = await send(changes.map(({ item }, i) => ({ item, body: { kind: "withdrawn", of: ids[i] as number } })));
    if (!got.ok) toast(reason(got));
    router.refresh();
  };
  /** Writes changes, all or none. @returns whether they were written */
  const writeAll = async (changes: readonly Change[], said: string): Promise<boolean> => {
    setBusy(true);
    setTrouble(undefined);
    const got = await send(changes);
    setBusy(false);
    if (!got.ok) {
      setTrouble(reason(got));
      return false;
    }
    const ids = (got.body.ids as number[] | undefined) ?? [];
    toast(said, ids.length === changes.length ? { action: { label: LARDER.undo, onClick: () => void undo(changes, ids) } } : {});
    router.refresh();
    return true;
  };
  const write = (item: string, body: LarderBody, said: string) => writeAll([{ item, body }], said);
  return { busy, trouble, write, writeAll };
}
