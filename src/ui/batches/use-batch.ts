"use client";
// What is written of a batch, safe before the page says so.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { BatchBody } from "@/core/record/batches";
import { BATCHES } from "@/words/batches";
import { ask, reason } from "../shell/ask";

export function useBatch(id: string) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const send = async (path: string, method: string, body: unknown): Promise<boolean> => {
    setBusy(true);
    const answer = await ask(`/api/batches/${id}${path}`, method, body);
    setBusy(false);
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(BATCHES.saved);
    router.refresh();
    return answer.ok;
  };
  return {
    busy,
    trouble,
    /** @param ago milliseconds since it happened */
    write: (body: BatchBody, ago = 0) => send("/entries", "POST", { key: crypto.randomUUID(), ago, body }),
    change: (change: { readonly ended?: boolean }) => send("", "PATCH", change),
  };
}
