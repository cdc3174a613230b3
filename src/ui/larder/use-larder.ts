"use client";
// Changes of the larder, each with a key so that one sent twice counts once; the message that says so offers Undo.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { LarderBody } from "@/core/larder/events";
import { LARDER } from "@/words/larder";
import { ask, reason } from "../shell/ask";

const send = (item: string, body: LarderBody) => ask("/api/larder", "POST", { events: [{ key: crypto.randomUUID(), item, body }] });

export function useLarder() {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  /** @returns whether it was written */
  const write = async (item: string, body: LarderBody, said: string): Promise<boolean> => {
    setBusy(true);
    setTrouble(undefined);
    const got = await send(item, body);
    setBusy(false);
    if (!got.ok) {
      setTrouble(reason(got));
      return false;
    }
    const id = (got.body.ids as number[] | undefined)?.[0];
    toast(said, id === undefined ? {} : { action: { label: LARDER.undo, onClick: () => void undo(item, id) } });
    router.refresh();
    return true;
  };
  /** Several things put in at once: all or none. @returns whether they were written */
  const writeAll = async (bodies: readonly LarderBody[], said: string): Promise<boolean> => {
    setBusy(true);
    setTrouble(undefined);
    const events = bodies.map((body) => ({ key: crypto.randomUUID(), item: crypto.randomUUID(), body }));
    const got = await ask("/api/larder", "POST", { events });
    setBusy(false);
    if (!got.ok) {
      setTrouble(reason(got));
      return false;
    }
    const ids = got.body.ids as number[] | undefined;
    const undoAll = async () => {
      const back = events.map(({ item }, i) => ({ key: crypto.randomUUID(), item, body: { kind: "withdrawn", of: ids?.[i] } }));
      const undone = await ask("/api/larder", "POST", { events: back });
      if (!undone.ok) toast(reason(undone));
      router.refresh();
    };
    toast(said, ids?.length === events.length ? { action: { label: LARDER.undo, onClick: () => void undoAll() } } : {});
    router.refresh();
    return true;
  };
  const undo = async (item: string, of: number) => {
    const got = await send(item, { kind: "withdrawn", of });
    if (!got.ok) toast(reason(got));
    router.refresh();
  };
  return { busy, trouble, write, writeAll };
}
