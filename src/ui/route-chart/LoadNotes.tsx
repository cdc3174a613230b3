import type { LoadNote } from "@/core/sheets/load";

/** Where the plan is heavy and where it is quiet, a sentence each. */
export function LoadNotes({ notes }: { notes: readonly LoadNote[] }) {
  const heavy = notes.filter((n) => n.kind !== "quiet");
  const quiet = notes.filter((n) => n.kind === "quiet");
  if (notes.length === 0) return null;
  const list = (title: string, entries: readonly LoadNote[], rim: string) =>
    entries.length > 0 && (
      <div>
        <h3 className="caps mb-1 font-sans font-normal">{title}</h3>
        <ul className={`border-l-[3px] pl-3 text-[14.5px] ${rim}`}>
          {entries.map((note) => (
            <li key={note.text} className="py-0.5">
              {note.text}
            </li>
          ))}
        </ul>
      </div>
    );
  return (
    <section aria-label="Heavy and quiet" className="mx-5 mt-4 border-t border-rule pt-4 sm:mx-7">
      <h2 className="mb-3 text-[22px]">Heavy and quiet</h2>
      <div className="grid max-w-[70rem] gap-x-10 gap-y-4 md:grid-cols-2">
        {list("Where it is heavy", heavy, "border-copper")}
        {list("Where nothing calls", quiet, "border-leaf")}
      </div>
    </section>
  );
}
