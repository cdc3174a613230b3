"use client";
// Acknowledging a finding and applying its mend, each told to the server before the page believes it.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { PatchOperation } from "@/core/dish/patch";
import type { FindingView } from "@/core/safety/view";
import { USE_SAFETY } from "@/words/safety";
import { ask, reason } from "../shell/ask";
import { seenVersions } from "../shell/seen-versions";

export function useSafety(slug: string, version: number) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const send = async (path: string, body: unknown, done?: string) => {
    const answer = await ask(path, "POST", body);
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok && done) toast(done);
    router.refresh();
  };
  return {
    trouble,
    known: (f: FindingView) => void send(`/api/dishes/${slug}/safety`, { acknowledge: [{ id: f.id, print: f.print }] }),
    mend: (label: string, change: readonly PatchOperation[]) =>
      void send(`/api/dishes/${slug}/change`, { ...seenVersions(slug), version, change, label }, USE_SAFETY.ctrlZUndoesIt(label)),
  };
}
