import "server-only";

// Who wants to know when a dish changes: plans arrive at the open pages over these, without being asked for.

type Tell = (what: string) => void;
const shared = globalThis as typeof globalThis & {
  __rondeauListeners?: Map<string, Set<Tell>>;
  __rondeauNews?: { readonly process: string; readonly counts: Map<string, number> };
};
shared.__rondeauListeners ??= new Map();
const listeners = shared.__rondeauListeners;
shared.__rondeauNews ??= { process: crypto.randomUUID().slice(0, 8), counts: new Map() };
const news = shared.__rondeauNews;

/** Which news of a dish was the last, in this process: whoever knows an older mark, or one of a process that has ended, has missed some. */
export const newsMark = (slug: string): string => `${news.process}.${news.counts.get(slug) ?? 0}`;

/** Told of each change of a dish from now on. @returns what ends it */
export function listen(slug: string, tell: Tell): () => void {
  const list = listeners.get(slug) ?? new Set();
  listeners.set(slug, list.add(tell));
  return () => {
    list.delete(tell);
    if (list.size === 0) listeners.delete(slug);
  };
}

type Watch = (slug: string, what: "plan" | "log") => void;
const watchers = new Set<Watch>();

/** Told of every change of every dish, in this process. */
export function onNews(watch: Watch): void {
  watchers.add(watch);
}

/** Tells the pages of a dish: `plan` is a new answer of the planner, `log` a press. */
export function announce(slug: string, what: "plan" | "log"): void {
  news.counts.set(slug, (news.counts.get(slug) ?? 0) + 1);
  for (const tell of listeners.get(slug) ?? []) tell(what);
  for (const watch of watchers) watch(slug, what);
}

/** Ends every open stream: a server that stops does not wait for pages that listen. */
export function endAllStreams(): void {
  for (const list of listeners.values()) for (const tell of list) tell("end");
}
