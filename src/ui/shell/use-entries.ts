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
/** As many as the server takes at once. */
const MOST_AT_ONCE = 200;
const place = (slug: string) => `rondeau.entries.${slug}`;

function keptWaiting(slug: string): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(place(slug)) ?? "[]");
  } catch {
    return [];
  }
}

const lastId = (entries: readonly Entry[]) => entries.at(-1)?.id ?? 0;

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
    const post = (list: readonly Waiting[]) =>
      ask(`/api/dishes/${slug}/entries`, "POST", {
        entries: list.map(({ key, body, writtenAt }) => ({ key, body, ago: Math.max(0, Date.now() - writtenAt) })),
      });
    const settled = (list: readonly Waiting[]) => {
      const sent = new Set(list.map((w) => w.key));
      keep(keptWaiting(slug).filter((w) => !sent.has(w.key)));
    };
    let refused: string | undefined;
    for (let list = keptWaiting(slug).slice(0, MOST_AT_ONCE); list.length; list = keptWaiting(slug).slice(0, MOST_AT_ONCE)) {
      let answer = await post(list);
      // One that is refused does not take the others with it: they are sent one by one.
      if (answer.status >= 400 && answer.status < 500 && list.length > 1) {
        list = list.slice(0, 1);
        answer = await post(list);
      }
      if (answer.status === 0 || answer.status >= 500) return;
      settled(list);
      if (answer.ok) {
        const entries = answer.body.entries as unknown as readonly Entry[];
        // An answer that was overtaken says nothing new.
        setAnswered((before) => (lastId(entries) >= lastId(before) ? entries : before));
      } else refused = answer.body.message ?? PRESS_QUEUE.theServerDidNotTakeIt;
    }
    setTrouble(refused);
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
  const newest = lastId(answered) > lastId(stored) ? answered : stored;
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
