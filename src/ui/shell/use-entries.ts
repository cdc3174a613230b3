// What is written down, on its way to the record. It is kept in the browser until the server has it on disk, and shown at once.
import { useCallback, useEffect, useRef, useState } from "react";
import type { Entry, EntryBody } from "@/core/record/entries";
import { PRESS_QUEUE } from "@/words/cook";
import { ask } from "./ask";

interface Waiting {
  readonly key: string;
  readonly body: EntryBody;
  /** The browser's clock: a late delivery still says when it happened. */
  readonly writtenAt: number;
}

/** Numbers of entries that the server has not numbered yet. */
const UNSAVED = 2 ** 50;
const RETRY_MS = 10_000;
const place = (slug: string) => `rondeau.entries.${slug}`;

function keptWaiting(slug: string): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(place(slug)) ?? "[]");
  } catch {
    return [];
  }
}

export const isSaved = (id: number): boolean => id < UNSAVED;

/**
 * @param stored what the page came with
 * @param clockMs the server's clock as the page was drawn, in milliseconds
 */
export function useEntries(
  slug: string,
  stored: readonly Entry[],
  clockMs: number,
): { readonly entries: readonly Entry[]; readonly write: (...bodies: readonly EntryBody[]) => void; readonly trouble: string | undefined } {
  const [answered, setAnswered] = useState<readonly Entry[]>([]);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const ahead = useRef(clockMs - Date.now());
  useEffect(() => {
    ahead.current = clockMs - Date.now();
  }, [clockMs]);
  const keep = useCallback(
    (list: readonly Waiting[]) => {
      localStorage.setItem(place(slug), JSON.stringify(list));
      setWaiting(list);
    },
    [slug],
  );
  const send = useCallback(async () => {
    const list = keptWaiting(slug);
    if (list.length === 0) return;
    const answer = await ask(`/api/dishes/${slug}/entries`, "POST", {
      entries: list.map(({ key, body, writtenAt }) => ({ key, body, ago: Math.max(0, Date.now() - writtenAt) })),
    });
    if (answer.status === 0 || answer.status >= 500) return;
    const sent = new Set(list.map((w) => w.key));
    keep(keptWaiting(slug).filter((w) => !sent.has(w.key)));
    if (answer.ok) setAnswered(answer.body.entries as unknown as readonly Entry[]);
    setTrouble(answer.ok ? undefined : (answer.body.message ?? PRESS_QUEUE.theServerDidNotTakeIt));
  }, [slug, keep]);
  useEffect(() => {
    setWaiting(keptWaiting(slug));
    void send();
    const timer = setInterval(() => void send(), RETRY_MS);
    return () => clearInterval(timer);
  }, [slug, send]);
  const write = useCallback(
    (...bodies: readonly EntryBody[]) => {
      const writtenAt = Date.now();
      keep([...keptWaiting(slug), ...bodies.map((body) => ({ key: crypto.randomUUID(), body, writtenAt }))]);
      void send();
    },
    [slug, keep, send],
  );
  const newest = (answered.at(-1)?.id ?? 0) > (stored.at(-1)?.id ?? 0) ? answered : stored;
  const unsaved = waiting.map(({ body, writtenAt }, i): Entry => ({ id: UNSAVED + i, at: writtenAt + ahead.current, body }));
  return { entries: [...newest, ...unsaved], write, trouble };
}

/** The server's clock in milliseconds, running on by the second. */
export function useClockMs(clockMs: number): number {
  const [now, setNow] = useState(clockMs);
  useEffect(() => {
    const began = Date.now();
    setNow(clockMs);
    const timer = setInterval(() => setNow(clockMs + Date.now() - began), 1000);
    return () => clearInterval(timer);
  }, [clockMs]);
  return now;
}
