"use client";
// Adds a list of items at once, pasted or from a file.
import { type FormEvent, useMemo, useState } from "react";
import { readLarderLines } from "@/core/larder/read-lines";
import { LARDER } from "@/words/larder";
import { useLarder } from "./use-larder";

const MOST_LETTERS = 20_000;
/** As many as the server takes at once. */
const MOST_ITEMS = 100;

export function AddSeveral({ now }: { readonly now: number }) {
  const { busy, trouble, writeAll } = useLarder();
  const [text, setText] = useState("");
  const { items, unread } = useMemo(() => readLarderLines(text.slice(0, MOST_LETTERS), now, "fridge"), [text, now]);
  const tooMany = items.length > MOST_ITEMS;
  const ready = items.length > 0 && unread.length === 0 && !tooMany;
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (!ready) return;
    const changes = items.map((body) => ({ item: crypto.randomUUID(), body }));
    if (await writeAll(changes, LARDER.done.severalAdded(items.length))) setText("");
  };
  return (
    <details className="mt-3">
      <summary className="link min-h-11 cursor-pointer py-2.5">{LARDER.several}</summary>
      <form onSubmit={(e) => void add(e)} aria-label={LARDER.several}>
        <label className="block text-[13px] text-quiet">
          {LARDER.severalHow}
          <textarea
            className="field mt-0.5 block min-h-32 w-full text-ink"
            value={text}
            onChange={(e) => setText(e.target.value)}
            placeholder={LARDER.severalHint}
            maxLength={MOST_LETTERS}
          />
        </label>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2 pt-2">
          <button type="submit" className="act min-h-11 px-5" disabled={busy || !ready}>
            {LARDER.severalAdd(items.length)}
          </button>
          <label className="link grid min-h-11 cursor-pointer items-center focus-within:outline-2">
            {LARDER.severalFile}
            <input
              type="file"
              className="sr-only"
              accept=".csv,.txt,.md,text/*"
              onChange={(e) => {
                const [file] = e.target.files ?? [];
                e.target.value = "";
                if (file) void file.text().then((all) => setText(all.slice(0, MOST_LETTERS)));
              }}
            />
          </label>
        </div>
        {(unread.length > 0 || tooMany || trouble) && (
          <p role="alert" className="pt-1 text-[14px] text-beet">
            {unread[0]
              ? LARDER.severalUnread(unread[0].line, unread[0].text.slice(0, 60))
              : tooMany
                ? LARDER.severalTooMany(MOST_ITEMS)
                : trouble}
          </p>
        )}
      </form>
    </details>
  );
}
