"use client";
// What a run has taught, put into the dish as a version that can be undone.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import type { PatchOperation } from "@/core/dish/patch";
import type { RunPage } from "@/core/view/run-page";
import { NOTEBOOK } from "@/words/notebook";
import { ask, reason } from "../shell/ask";

export function useAccept({ run, dishVersion, kitchenVersion }: Pick<RunPage, "run" | "dishVersion" | "kitchenVersion">) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const accept = async (change: readonly PatchOperation[], label: string) => {
    setBusy(true);
    const answer = await ask(`/api/dishes/${run.slug}/change`, "POST", { version: dishVersion, kitchenVersion, change, label, safe: true });
    setBusy(false);
    setTrouble(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(NOTEBOOK.accepted);
    router.refresh();
  };
  return { accept, busy, trouble };
}
