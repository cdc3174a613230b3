"use client";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { takeComponents } from "@/core/dish/edit/components";
import { type LibraryEntry, searchLibrary } from "@/core/dish/edit/library";
import { measuredIngredients } from "@/core/dish/edit/quantities";
import { EditRefused } from "@/core/dish/edit/refused";
import type { DishFile } from "@/core/dish/schema";
import { comparable, quantityOf, quantityText } from "@/core/dish/units";
import { readAmount } from "@/core/entry/amounts";
import { kindWords } from "@/core/entry/words-said";
import { spokenDuration } from "@/core/time/duration";
import { colourOf } from "../route-chart/colours";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { ProblemNote } from "./ProblemNote";
import { useEditing } from "./use-editing";

interface LibraryViewProps {
  readonly slug: string;
  readonly version: number;
  readonly document: DishFile;
  readonly entries: readonly LibraryEntry[];
}

const DAY = 1440;
const WITHIN: readonly (readonly [string, number])[] = [
  ["an hour", 60],
  ["an evening", 240],
  ["a day", DAY],
  ["three days", 3 * DAY],
  ["a week", 7 * DAY],
];
const AHEAD: readonly (readonly [string, number])[] = [
  ["the day before", DAY],
  ["two days ahead", 2 * DAY],
  ["five days ahead", 5 * DAY],
  ["weeks ahead", 14 * DAY],
];
const HANDS: readonly (readonly [string, number])[] = [
  ["half an hour by hand", 30],
  ["an hour by hand", 60],
];

/** Ready components: found by words, kind, time, how long they keep and what they need; taken at the guests' number or so much. */
export function LibraryView({ slug, version, document: given, entries }: LibraryViewProps) {
  const router = useRouter();
  const { document, edit, problem, clearProblem } = useEditing(slug, given, version);
  const [text, setText] = useState("");
  const [kind, setKind] = useState("");
  const [within, setWithin] = useState("");
  const [ahead, setAhead] = useState("");
  const [hands, setHands] = useState("");
  const [mine, setMine] = useState(false);
  const [open, setOpen] = useState<string>();
  const own = useMemo(() => new Set((document.kitchen?.equipment ?? []).map((e) => e.kind)), [document.kitchen]);
  const number = (value: string) => (value === "" ? {} : { n: Number(value) });
  const found = searchLibrary(entries, {
    text,
    ...(kind ? { kind } : {}),
    ...("n" in number(within) ? { withinMinutes: Number(within) } : {}),
    ...(ahead ? { aheadMinutes: Number(ahead) } : {}),
    ...(hands ? { handsMinutes: Number(hands) } : {}),
    ...(mine ? { equipment: own } : {}),
  });
  const kinds = [...new Set(entries.map((e) => e.kind))].sort();
  const take = (source: DishFile, entry: LibraryEntry, scale: number, said: string) => {
    let made = "";
    const done = edit(`${entry.name}, ${said}`, (d) => {
      const taken = takeComponents(d, source, entry.components, { scale });
      made = taken.ids.at(-1) ?? "";
      return taken.document;
    });
    if (done) router.push(`/d/${slug}/dish?c=${made}`);
  };
  return (
    <div className="mx-auto max-w-[60rem] px-5 pt-4 pb-14 sm:px-7">
      <h1 className="text-[25px]">Ready components</h1>
      <search className="flex flex-wrap items-center gap-2 border-b border-rule pt-2 pb-3 text-[14px]">
        <input
          className="field min-w-52 flex-1"
          type="search"
          aria-label="Search"
          placeholder="a word: rye, trotters, mustard"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Filter label="Kind" any="of any kind" value={kind} onChange={setKind} options={kinds.map((k) => [k, k])} />
        <Filter
          label="Ready within"
          any="any time"
          value={within}
          onChange={setWithin}
          options={WITHIN.map(([l, n]) => [`within ${l}`, String(n)])}
        />
        <Filter label="Make ahead" any="any time" value={ahead} onChange={setAhead} options={AHEAD.map(([l, n]) => [l, String(n)])} />
        <Filter
          label="Hands-on time"
          any="any"
          value={hands}
          onChange={setHands}
          options={HANDS.map(([l, n]) => [`up to ${l}`, String(n)])}
        />
        <label className="flex items-center gap-1.5">
          <input type="checkbox" className="accent-(--rim)" checked={mine} onChange={(e) => setMine(e.target.checked)} />
          only with my equipment
        </label>
      </search>
      <ProblemNote problem={problem} onClose={clearProblem} />
      <p className="py-1.5 text-[13.5px] text-quiet" role="status">
        {found.length} of {entries.length}
      </p>
      <ul>
        {found.map((e) => (
          <li key={e.id} className="border-t border-rule" data-entry={e.id}>
            <button
              type="button"
              aria-expanded={open === e.id}
              onClick={() => setOpen(open === e.id ? undefined : e.id)}
              className="grid w-full cursor-pointer gap-x-6 py-2 text-left hover:bg-saffron-wash sm:grid-cols-[minmax(0,4fr)_minmax(0,5fr)]"
            >
              <span>
                <b className="text-[16px] font-semibold" style={{ color: colourOf(e.kind) }}>
                  {e.name}
                </b>{" "}
                <span className="text-[13px] text-quiet">{e.kind}</span>
              </span>
              <span className="text-[13.5px]">
                {e.methods.map((m) => (
                  <span key={m.id} className="block">
                    {m.name}: {spokenDuration(m.leadMinutes)}, {spokenDuration(m.handsMinutes)} by hand
                  </span>
                ))}
                <span className="text-quiet">{keeping(e)}</span>
              </span>
            </button>
            {open === e.id && <Entry entry={e} document={document} own={own} onTake={take} />}
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="py-4">Nothing found. Remove a word or a filter.</p>}
    </div>
  );
}

/** "Keeps 3 days, frozen 90 days". */
function keeping({ keepsMinutes, unfrozenMinutes }: LibraryEntry): string {
  if (keepsMinutes === undefined) return "keeps";
  if (keepsMinutes === 0) return "serve at once";
  const frozen = keepsMinutes !== unfrozenMinutes ? `frozen ${spokenDuration(keepsMinutes)}` : "";
  return [unfrozenMinutes ? `keeps ${spokenDuration(unfrozenMinutes)}` : "", frozen].filter(Boolean).join(", ");
}

function Filter({
  label,
  any,
  value,
  onChange,
  options,
}: {
  label: string;
  any: string;
  value: string;
  onChange: (value: string) => void;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <Choice label={label} className="text-[14px]" value={value} none={any} options={options.map(([l, v]) => [v, l])} onChange={onChange} />
  );
}

interface EntryProps {
  readonly entry: LibraryEntry;
  readonly document: DishFile;
  readonly own: ReadonlySet<string>;
  readonly onTake: (source: DishFile, entry: LibraryEntry, scale: number, said: string) => void;
}

/** One entry opened: its ways, what goes in at the guests' number, and how much of it is taken. */
function Entry({ entry, document, own, onTake }: EntryProps) {
  const [source, setSource] = useState<DishFile>();
  const [problem, setProblem] = useState<string>();
  const [amount, setAmount] = useState("");
  useEffect(() => {
    let here = true;
    void ask(`/api/library/${entry.id}`, "GET").then((got) => {
      if (!here) return;
      if (got.ok) setSource(got.body as unknown as DishFile);
      else setProblem(reason(got));
    });
    return () => {
      here = false;
    };
  }, [entry.id]);
  const missing = entry.equipment.filter((k) => !own.has(k));
  const guests = document.dish.serves;
  const scale = guests / entry.baseServes;
  const takeSoMuch = () => {
    const read = readAmount(amount);
    const wanted = read && quantityOf(read);
    if (!source) return;
    if (!wanted || !entry.makes || !comparable(wanted, entry.makes) || !(wanted.value > 0)) {
      setProblem(`Write how much of it you want, such as ${entry.makes ? quantityText(entry.makes) : "1 kg"}.`);
      return;
    }
    onTake(source, entry, wanted.value / entry.makes.value, amount);
  };
  const scaled = source && { ...source, dish: { ...source.dish, serves: guests } };
  return (
    <div className="mb-3 border-l-[3px] border-rule py-1 pl-4 text-[14px]">
      <p className="max-w-[66ch]">{entry.note}</p>
      {missing.length > 0 && (
        <p className="text-saffron-ink">Your kitchen has no {missing.map(kindWords).join(", ")}. Methods that need it would borrow it.</p>
      )}
      {entry.allergens.length > 0 && <p className="text-[13.5px] text-quiet">Contains {entry.allergens.join(", ")}.</p>}
      {scaled && (
        <div className="grid gap-x-8 gap-y-2 py-2 sm:grid-cols-2">
          {scaled.components
            .filter((c) => entry.components.includes(c.id))
            .map((c) => (
              <div key={c.id}>
                <h2 className="font-sans text-[14px] font-semibold">{c.name}</h2>
                <ul className="text-[13.5px]">
                  {measuredIngredients(scaled, c.id, c.methods[0]?.id ?? "").map(({ ingredient: i, measured: m }) => (
                    <li key={i.id}>
                      <span className="clock text-[12.5px]">{i.asNeeded ? "to taste" : m?.text}</span> {i.name}
                      {m?.us && <span className="text-[12.5px] text-quiet"> ({m.us})</span>}
                    </li>
                  ))}
                </ul>
                {c.methods.map((m) => (
                  <p key={m.id} className="pt-1 text-[13.5px]">
                    <b className="font-semibold">{m.name ?? m.id}</b>
                    {(m.quality ?? 1) < 1 ? `, ${Math.round((m.quality ?? 1) * 100)} % as good` : ""}:{" "}
                    <span className="text-quiet">{m.steps.map((s) => s.name ?? s.id).join("; ")}.</span>
                  </p>
                ))}
              </div>
            ))}
        </div>
      )}
      <div className="flex flex-wrap items-center gap-3 pt-1">
        <button
          type="button"
          className="act"
          data-main
          disabled={!source}
          onClick={() => source && onTake(source, entry, scale, `for ${guests}`)}
        >
          Add for {guests}
          {entry.makes ? `: ${quantityText({ ...entry.makes, value: entry.makes.value * scale })}` : ""}
        </button>
        {entry.makes && (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              try {
                takeSoMuch();
              } catch (error) {
                if (!(error instanceof EditRefused)) throw error;
                setProblem(error.message);
              }
            }}
          >
            <label className="flex items-center gap-2">
              <span className="text-quiet">or amount</span>
              <input
                className="field clock w-28 text-[13px]"
                value={amount}
                onChange={(e) => setAmount(e.target.value)}
                placeholder={quantityText(entry.makes)}
              />
            </label>
            <button type="submit" className="act" disabled={amount.trim() === "" || !source}>
              Add to dish
            </button>
          </form>
        )}
      </div>
      {problem && (
        <p role="alert" className="pt-1 text-beet">
          {problem}
        </p>
      )}
    </div>
  );
}
