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
import { LIBRARY_VIEW } from "@/words/library-import";
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
  [LIBRARY_VIEW.anHour, 60],
  [LIBRARY_VIEW.anEvening, 240],
  [LIBRARY_VIEW.aDay, DAY],
  [LIBRARY_VIEW.threeDays, 3 * DAY],
  [LIBRARY_VIEW.aWeek, 7 * DAY],
];
const AHEAD: readonly (readonly [string, number])[] = [
  [LIBRARY_VIEW.theDayBefore, DAY],
  [LIBRARY_VIEW.twoDaysAhead, 2 * DAY],
  [LIBRARY_VIEW.fiveDaysAhead, 5 * DAY],
  [LIBRARY_VIEW.weeksAhead, 14 * DAY],
];
const HANDS: readonly (readonly [string, number])[] = [
  [LIBRARY_VIEW.halfAnHourByHand, 30],
  [LIBRARY_VIEW.anHourByHand, 60],
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
      <h1 className="text-[25px]">{LIBRARY_VIEW.readyComponents}</h1>
      <search className="flex flex-wrap items-center gap-2 border-b border-rule pt-2 pb-3 text-[14px]">
        <input
          className="field min-w-52 flex-1"
          type="search"
          aria-label={LIBRARY_VIEW.search}
          placeholder={LIBRARY_VIEW.aWordRyeTrottersMustard}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Filter label={LIBRARY_VIEW.kind} any="of any kind" value={kind} onChange={setKind} options={kinds.map((k) => [k, k])} />
        <Filter
          label={LIBRARY_VIEW.readyWithin}
          any="any time"
          value={within}
          onChange={setWithin}
          options={WITHIN.map(([l, n]) => [LIBRARY_VIEW.within(l), String(n)])}
        />
        <Filter
          label={LIBRARY_VIEW.makeAhead}
          any="any time"
          value={ahead}
          onChange={setAhead}
          options={AHEAD.map(([l, n]) => [l, String(n)])}
        />
        <Filter
          label={LIBRARY_VIEW.handsOnTime}
          any="any"
          value={hands}
          onChange={setHands}
          options={HANDS.map(([l, n]) => [LIBRARY_VIEW.upTo(l), String(n)])}
        />
        <label className="flex items-center gap-1.5">
          <input type="checkbox" className="accent-(--rim)" checked={mine} onChange={(e) => setMine(e.target.checked)} />
          {LIBRARY_VIEW.onlyWithMyEquipment}
        </label>
      </search>
      <ProblemNote problem={problem} onClose={clearProblem} />
      <p className="py-1.5 text-[13.5px] text-quiet" role="status">
        {found.length} {LIBRARY_VIEW.ofIt} {entries.length}
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
                    {m.name}: {spokenDuration(m.leadMinutes)}, {spokenDuration(m.handsMinutes)} {LIBRARY_VIEW.byHand}
                  </span>
                ))}
                <span className="text-quiet">{keeping(e)}</span>
              </span>
            </button>
            {open === e.id && <Entry entry={e} document={document} own={own} onTake={take} />}
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="py-4">{LIBRARY_VIEW.nothingFoundRemoveAWord}</p>}
    </div>
  );
}

/** "Keeps 3 days, frozen 90 days". */
function keeping({ keepsMinutes, unfrozenMinutes }: LibraryEntry): string {
  if (keepsMinutes === undefined) return "keeps";
  if (keepsMinutes === 0) return LIBRARY_VIEW.serveAtOnce;
  const frozen = keepsMinutes !== unfrozenMinutes ? LIBRARY_VIEW.frozen(spokenDuration(keepsMinutes)) : "";
  return [unfrozenMinutes ? LIBRARY_VIEW.keeps(spokenDuration(unfrozenMinutes)) : "", frozen].filter(Boolean).join(", ");
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
      setProblem(LIBRARY_VIEW.writeHowMuchOfIt(entry.makes ? quantityText(entry.makes) : "1 kg"));
      return;
    }
    onTake(source, entry, wanted.value / entry.makes.value, amount);
  };
  const scaled = source && { ...source, dish: { ...source.dish, serves: guests } };
  return (
    <div className="mb-3 border-l-[3px] border-rule py-1 pl-4 text-[14px]">
      <p className="max-w-[66ch]">{entry.note}</p>
      {missing.length > 0 && (
        <p className="text-saffron-ink">
          {LIBRARY_VIEW.yourKitchenHasNo} {missing.map(kindWords).join(", ")}
          {LIBRARY_VIEW.methodsThatNeedItWould}
        </p>
      )}
      {entry.allergens.length > 0 && (
        <p className="text-[13.5px] text-quiet">
          {LIBRARY_VIEW.contains} {entry.allergens.join(", ")}.
        </p>
      )}
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
                      <span className="clock text-[12.5px]">{i.asNeeded ? LIBRARY_VIEW.toTaste : m?.text}</span> {i.name}
                      {m?.us && <span className="text-[12.5px] text-quiet"> ({m.us})</span>}
                    </li>
                  ))}
                </ul>
                {c.methods.map((m) => (
                  <p key={m.id} className="pt-1 text-[13.5px]">
                    <b className="font-semibold">{m.name ?? m.id}</b>
                    {(m.quality ?? 1) < 1 ? LIBRARY_VIEW.asGood(Math.round((m.quality ?? 1) * 100)) : ""}:{" "}
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
          onClick={() => source && onTake(source, entry, scale, LIBRARY_VIEW.forIt(guests))}
        >
          {LIBRARY_VIEW.addFor} {guests}
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
              <span className="text-quiet">{LIBRARY_VIEW.orAmount}</span>
              <input
                className="field clock w-28 text-[13px]"
                value={amount}
                onChange={(e) => setAmount(e.target.value)}
                placeholder={quantityText(entry.makes)}
              />
            </label>
            <button type="submit" className="act" disabled={amount.trim() === "" || !source}>
              {LIBRARY_VIEW.addToDish}
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
