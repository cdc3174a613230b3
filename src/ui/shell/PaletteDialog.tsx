"use client";
// What the palette shows. It comes when the page has come, not with it.
import { Command, defaultFilter } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { BEDTIME } from "@/words/bedtime";
import { NAV } from "@/words/home";
import { LAST_HOUR } from "@/words/last-hour";
import { REHEARSAL } from "@/words/rehearsal";
import { PALETTE_DIALOG } from "@/words/search";
import { CHANGED } from "@/words/something-changed";
import { ask } from "./ask";
import { requestPlan } from "./PlanKeeper";

interface Entry {
  readonly label: string;
  readonly hint?: string;
  /** What it is known by, where two have one name. */
  readonly value?: string;
  readonly run: () => void;
}

/** Below this only single letters of what was typed are found here and there. */
const FAR = 0.13;
const byWords: typeof defaultFilter = (value, search, keywords) => {
  const score = defaultFilter(value, search, keywords);
  return score < FAR ? 0 : score;
};

const GROUP =
  "[&_[cmdk-group-heading]]:px-4 [&_[cmdk-group-heading]]:pt-3 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-[11px] [&_[cmdk-group-heading]]:tracking-[0.09em] [&_[cmdk-group-heading]]:uppercase [&_[cmdk-group-heading]]:text-quiet";

const KEYS: readonly (readonly [string, string])[] = [
  [PALETTE_DIALOG.ctrlK, PALETTE_DIALOG.searchAndCommands],
  ["0", "Home"],
  [PALETTE_DIALOG.oneToFour, PALETTE_DIALOG.recipeTimetableDaysCook],
  ["← →", PALETTE_DIALOG.onTheChartEarlierLaterStep],
  ["↑ ↓", PALETTE_DIALOG.onTheChartTheComponent],
  ["Enter", PALETTE_DIALOG.onTheChartSelectTheComponent],
  ["M", "on the chart: pick up the step; ← → move it, Shift by an hour, Enter drops it, Esc puts it back"],
  [PALETTE_DIALOG.ctrlEnter, PALETTE_DIALOG.onTheMapAddThe],
  ["F", PALETTE_DIALOG.hideOrShowQuietHours],
  ["Z, L", PALETTE_DIALOG.oneDayOfTheChart],
  ["C", PALETTE_DIALOG.criticalSteps],
  [PALETTE_DIALOG.ctrlZ, PALETTE_DIALOG.undoTheLastChangeWith],
  ["?", PALETTE_DIALOG.theseKeys],
];

type Parts = readonly { readonly id: string; readonly name: string }[];

/** Keys pressed between opening the palette and its coming. */
export interface EarlyKeys {
  typed: string;
  entered: boolean;
}

interface PaletteDialogProps {
  readonly slug: string | undefined;
  readonly open: "palette" | "keys" | undefined;
  readonly onOpen: (open: "palette" | "keys" | undefined) => void;
  readonly early: { current: EarlyKeys };
}

export default function PaletteDialog({ slug, open, onOpen, early }: PaletteDialogProps) {
  const router = useRouter();
  const [listed, setListed] = useState<Parts>();
  const components = listed ?? [];
  const [dishes, setDishes] = useState<readonly { readonly slug: string; readonly name: string }[]>([]);
  const [typed, setTyped] = useState("");
  const box = useRef<HTMLDivElement>(null);
  const close = (then: () => void) => () => {
    onOpen(undefined);
    then();
  };
  const go = (path: string) => () => router.push(path);

  // The list comes when it is looked for: no page carries it along.
  useEffect(() => {
    if (open !== "palette") return;
    setTyped(early.current.typed);
    early.current.typed = "";
    let wanted = true;
    if (slug === undefined)
      void ask("/api/dishes", "GET").then((answer) => {
        if (wanted) setDishes(answer.ok && Array.isArray(answer.body.dishes) ? answer.body.dishes : []);
        if (wanted) setListed([]);
      });
    else
      void ask(`/api/dishes/${slug}/parts`, "GET").then((answer) => {
        if (wanted) setListed((known) => (answer.ok && Array.isArray(answer.body.components) ? answer.body.components : (known ?? [])));
      });
    return () => {
      wanted = false;
    };
  }, [open, slug, early]);

  // Enter that came before the list did chooses from the whole of it.
  useEffect(() => {
    if (open !== "palette" || !listed || !early.current.entered) return;
    early.current.entered = false;
    const frame = requestAnimationFrame(() => box.current?.querySelector<HTMLElement>('[cmdk-item][data-selected="true"]')?.click());
    return () => cancelAnimationFrame(frame);
  }, [listed, open, early]);

  const theme = (value: "light" | "dark" | "system") => () => {
    // biome-ignore lint/suspicious/noDocumentCookie: one cookie, read by the server so that no page flashes in the wrong light
    document.cookie = `theme=${value}; path=/; max-age=31536000; samesite=strict`;
    if (value === "system") delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = value;
  };
  const house: readonly Entry[] = [
    { label: NAV.home, hint: "0", run: go("/") },
    { label: NAV.notebook, run: go("/notebook") },
    { label: NAV.kitchen, run: go(slug === undefined ? "/kitchen" : `/kitchen?dish=${slug}`) },
    { label: NAV.bench, run: go("/bench") },
    { label: NAV.settings, run: go("/settings") },
    { label: PALETTE_DIALOG.importARecipe, run: go("/import") },
  ];
  const ofDish: readonly (readonly [string, readonly Entry[]])[] = [
    [
      PALETTE_DIALOG.goTo,
      [
        { label: PALETTE_DIALOG.recipe, hint: "1", run: go(`/d/${slug}/dish`) },
        { label: PALETTE_DIALOG.openQuestions, run: go(`/d/${slug}/dish/questions`) },
        { label: PALETTE_DIALOG.amountsFitAllergens, run: go(`/d/${slug}/dish/amounts`) },
        { label: PALETTE_DIALOG.fullTextOfTheDish, run: go(`/d/${slug}/dish/written`) },
        { label: PALETTE_DIALOG.readyComponents, run: go(`/d/${slug}/dish/library`) },
        { label: PALETTE_DIALOG.timetable, hint: "2", run: go(`/d/${slug}/timetable`) },
        { label: PALETTE_DIALOG.daysForPaper, hint: "3", run: go(`/d/${slug}/days`) },
        { label: PALETTE_DIALOG.shopping, run: go(`/d/${slug}/shopping`) },
        { label: PALETTE_DIALOG.labels, run: go(`/d/${slug}/labels`) },
        { label: PALETTE_DIALOG.cook, hint: "4", run: go(`/d/${slug}/cook`) },
        { label: REHEARSAL.title, run: go(`/d/${slug}/rehearsal`) },
        { label: CHANGED.title, run: go(`/d/${slug}/changed`) },
        { label: BEDTIME.title, run: go(`/d/${slug}/bedtime`) },
        { label: LAST_HOUR.title, run: go(`/d/${slug}/last-hour`) },
      ],
    ],
    [
      PALETTE_DIALOG.plan,
      [
        { label: PALETTE_DIALOG.asLateAsPossible, run: go(`/d/${slug}/timetable?layout=late`) },
        { label: PALETTE_DIALOG.asMuchDoneAheadAs, run: go(`/d/${slug}/timetable?layout=ahead`) },
        { label: PALETTE_DIALOG.spreadOverTheDays, run: go(`/d/${slug}/timetable?layout=even`) },
        { label: PALETTE_DIALOG.replanFromScratch, run: () => requestPlan({ fresh: true }) },
        { label: PALETTE_DIALOG.theShortestLead, run: go(`/d/${slug}/timetable?layout=shortest`) },
      ],
    ],
    [PALETTE_DIALOG.component, components.map((c) => ({ label: c.name, run: go(`/d/${slug}/timetable?c=${c.id}`) }))],
    [PALETTE_DIALOG.workOn, components.map((c) => ({ label: PALETTE_DIALOG.edit(c.name), run: go(`/d/${slug}/dish?c=${c.id}`) }))],
  ];
  const groups: readonly (readonly [string, readonly Entry[]])[] = [
    ...(slug === undefined ? [] : ofDish),
    [PALETTE_DIALOG.kitchen, house],
    ...(dishes.length
      ? [[PALETTE_DIALOG.dishes, dishes.map((d) => ({ label: d.name, value: d.slug, run: go(`/d/${d.slug}/timetable`) }))] as const]
      : []),
    [
      PALETTE_DIALOG.light,
      [
        { label: PALETTE_DIALOG.day, run: theme("light") },
        { label: PALETTE_DIALOG.evening, run: theme("dark") },
        { label: PALETTE_DIALOG.asTheSystem, run: theme("system") },
      ],
    ],
    [PALETTE_DIALOG.help, [{ label: PALETTE_DIALOG.theKeys, hint: "?", run: () => setTimeout(() => onOpen("keys"), 0) }]],
  ];

  return (
    <Dialog.Root open={open !== undefined} onOpenChange={(o) => !o && onOpen(undefined)}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 max-h-[70vh] w-[min(34rem,94vw)] -translate-x-1/2 overflow-auto rounded-md border border-rule bg-raised shadow-xl"
        >
          <Dialog.Title className="sr-only">{open === "keys" ? PALETTE_DIALOG.theKeys : PALETTE_DIALOG.title}</Dialog.Title>
          {open === "keys" ? (
            <div className="p-6">
              <h2 className="mb-3 text-[20px]">{PALETTE_DIALOG.theKeys}</h2>
              <dl className="grid grid-cols-[7rem_1fr] gap-y-2">
                {KEYS.map(([key, what]) => (
                  <div key={key} className="contents">
                    <dt className="clock text-[13.5px]">{key}</dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
            </div>
          ) : (
            <Command
              filter={byWords}
              ref={box}
              label={PALETTE_DIALOG.title}
              onKeyDown={(event) => {
                if (event.key !== "Enter" || listed) return;
                event.preventDefault();
                early.current.entered = true;
              }}
            >
              <Command.Input
                value={typed}
                onValueChange={setTyped}
                placeholder={PALETTE_DIALOG.searchAViewAComponent}
                className="w-full border-b border-rule bg-transparent px-4 py-3 outline-none placeholder:text-quiet"
              />
              <Command.List className="pb-3">
                <Command.Empty className="px-4 py-4 text-quiet">{PALETTE_DIALOG.nothingFound}</Command.Empty>
                {groups.map(([heading, entries]) => (
                  <Command.Group key={heading} heading={heading} className={GROUP}>
                    {entries.map((entry) => (
                      <Command.Item
                        key={entry.value ?? entry.label}
                        value={entry.value ? `${entry.label} ${entry.value}` : entry.label}
                        onSelect={close(entry.run)}
                        className="flex cursor-pointer justify-between px-4 py-1.5 data-[selected=true]:bg-saffron-wash"
                      >
                        {entry.label}
                        {entry.hint && <span className="clock text-[12px] text-quiet">{entry.hint}</span>}
                      </Command.Item>
                    ))}
                  </Command.Group>
                ))}
              </Command.List>
            </Command>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
