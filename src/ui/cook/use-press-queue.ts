// Presses on their way to the log, for every page that takes any: sent at once, sent again until the server has them, and what it said of them.
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { COOK_VIEW } from "@/words/cook";
import { deliver, waitingPresses } from "./press-queue";

const EVERY_MS = 20_000;

interface PressQueue {
  /** The step whose press is on its way. */
  readonly busy: string | undefined;
  readonly setBusy: (step: string | undefined) => void;
  readonly trouble: string | undefined;
  readonly setTrouble: (text: string | undefined) => void;
  /** Steps whose presses wait for a danger to be acknowledged. */
  readonly withheld: readonly string[];
  readonly send: () => Promise<void>;
}

export function usePressQueue(slug: string): PressQueue {
  const router = useRouter();
  const [busy, setBusy] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const [withheld, setWithheld] = useState<readonly string[]>([]);
  const send = useCallback(async () => {
    const delivery = await deliver(slug);
    setBusy(undefined);
    setWithheld(delivery.status === "withheld" ? delivery.steps : []);
    if (delivery.status === "waiting") setTrouble(COOK_VIEW.theServerDoesNotAnswer);
    else {
      setTrouble(delivery.status === "delivered" ? delivery.warning : delivery.message);
      router.refresh();
    }
  }, [router, slug]);
  useEffect(() => {
    if (waitingPresses(slug).length) void send();
    const timer = setInterval(() => (waitingPresses(slug).length ? void send() : router.refresh()), EVERY_MS);
    return () => clearInterval(timer);
  }, [router, send, slug]);
  return { busy, setBusy, trouble, setTrouble, withheld, send };
}
