import type { Accounting, ItemState } from "@/core/import/accounting";
import { SOURCE_TEXT } from "@/words/library-import";

const LOOK: Readonly<Record<ItemState, string>> = {
  read: "decoration-rim underline",
  guess: "text-saffron-ink underline decoration-dotted decoration-saffron-ink",
  note: "text-quiet",
  unread: "text-beet underline decoration-wavy decoration-beet",
};

/** The text that was brought in, every part of it marked by what became of it. */
export function SourceText({ accounting }: { accounting: Accounting }) {
  const { text, items } = accounting;
  const shown: React.ReactNode[] = [];
  let at = 0;
  for (const item of items) {
    if (item.from > at) shown.push(text.slice(at, item.from));
    shown.push(
      <span
        key={item.from}
        data-became={item.state}
        title={item.why ? `${SOURCE_TEXT.states[item.state]}: ${item.why}` : SOURCE_TEXT.states[item.state]}
        className={`underline-offset-[3px] ${LOOK[item.state]}`}
      >
        {item.text}
      </span>,
    );
    at = item.to;
  }
  return (
    <details className="border-t border-rule py-2 text-[14px]">
      <summary className="cursor-pointer">{SOURCE_TEXT.title}</summary>
      <p className="flex flex-wrap gap-x-4 py-1 text-[13px]">
        {(["read", "guess", "note", "unread"] as const).map((state) => (
          <span key={state} className={`underline-offset-[3px] ${LOOK[state]}`}>
            {SOURCE_TEXT.states[state]}
          </span>
        ))}
      </p>
      <div className="whitespace-pre-wrap text-[13.5px] leading-[1.65]">{shown}</div>
    </details>
  );
}
