"use client";
// What the palette shows. It comes when the page has come, not with it.
import { Command, defaultFilter } from "cmdk";
import { useRouter } from "next/navigation";
import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { NAV } from "@/words/home";
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
  ["Ctrl K", "search and commands"],
  ["0", "Home"],
  ["1 to 4", "Recipe, Timetable, Days, Cook"],
  ["← →", "on the chart: earlier, later step"],
  ["↑ ↓", "on the chart: the component above, below"],
  ["Enter", "on the chart: select the component"],
  ["M", "on the chart: pick up the step; ← → move it, Shift by an hour, Enter drops it, Esc puts it back"],
  ["Ctrl Enter", "on the map: add the component that is typed"],
  ["F", "hide or show quiet hours"],
  ["Z, L", "one day of the chart, the last three hours"],
  ["C", "critical steps"],
  ["Ctrl Z", "undo the last change; with Shift, redo it"],
  ["?", "these keys"],
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
    { label: NAV.kitchen, run: go(slug === undefined ? "/kitchen" : `/kitchen?dish=${slug}`) },
    { label: NAV.bench, run: go("/bench") },
    { label: NAV.settings, run: go("/settings") },
    { label: "Import a recipe", run: go("/import") },
  ];
  const ofDish: readonly (readonly [string, readonly Entry[]])[] = [
    [
      "Go to",
      [
        { label: "Recipe", hint: "1", run: go(`/d/${slug}/dish`) },
        { label: "Open questions", run: go(`/d/${slug}/dish/questions`) },
        { label: "Amounts, fit, allergens", run: go(`/d/${slug}/dish/amounts`) },
        { label: "Full text of the dish", run: go(`/d/${slug}/dish/written`) },
        { label: "Ready components", run: go(`/d/${slug}/dish/library`) },
        { label: "Timetable", hint: "2", run: go(`/d/${slug}/timetable`) },
        { label: "Days, for paper", hint: "3", run: go(`/d/${slug}/days`) },
        { label: "Shopping", run: go(`/d/${slug}/shopping`) },
        { label: "Labels", run: go(`/d/${slug}/labels`) },
        { label: "Cook", hint: "4", run: go(`/d/${slug}/cook`) },
      ],
    ],
    [
      "Plan",
      [
        { label: "As late as possible", run: go(`/d/${slug}/timetable?layout=late`) },
        { label: "As much done ahead as keeps well", run: go(`/d/${slug}/timetable?layout=ahead`) },
        { label: "Spread over the days", run: go(`/d/${slug}/timetable?layout=even`) },
        { label: "Replan from scratch", run: () => requestPlan({ fresh: true }) },
        { label: "The shortest lead", run: go(`/d/${slug}/timetable?layout=shortest`) },
      ],
    ],
    ["Component", components.map((c) => ({ label: c.name, run: go(`/d/${slug}/timetable?c=${c.id}`) }))],
    ["Work on", components.map((c) => ({ label: `Edit ${c.name}`, run: go(`/d/${slug}/dish?c=${c.id}`) }))],
  ];
  const groups: readonly (readonly [string, readonly Entry[]])[] = [
    ...(slug === undefined ? [] : ofDish),
    ["Kitchen", house],
    ...(dishes.length
      ? [["Dishes", dishes.map((d) => ({ label: d.name, value: d.slug, run: go(`/d/${d.slug}/timetable`) }))] as const]
      : []),
    [
      "Light",
      [
        { label: "Day", run: theme("light") },
        { label: "Evening", run: theme("dark") },
        { label: "As the system", run: theme("system") },
      ],
    ],
    ["Help", [{ label: "The keys", hint: "?", run: () => setTimeout(() => onOpen("keys"), 0) }]],
  ];

  return (
    <Dialog.Root open={open !== undefined} onOpenChange={(o) => !o && onOpen(undefined)}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 max-h-[70vh] w-[min(34rem,94vw)] -translate-x-1/2 overflow-auto rounded-md border border-rule bg-raised shadow-xl"
        >
          <Dialog.Title className="sr-only">{open === "keys" ? "The keys" : "Search and commands"}</Dialog.Title>
          {open === "keys" ? (
            <div className="p-6">
              <h2 className="mb-3 text-[20px]">The keys</h2>
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
              label="Search and commands"
              onKeyDown={(event) => {
                if (event.key !== "Enter" || listed) return;
                event.preventDefault();
                early.current.entered = true;
              }}
            >
              <Command.Input
                value={typed}
                onValueChange={setTyped}
                placeholder="Search: a view, a component, a plan"
                className="w-full border-b border-rule bg-transparent px-4 py-3 outline-none placeholder:text-quiet"
              />
              <Command.List className="pb-3">
                <Command.Empty className="px-4 py-4 text-quiet">Nothing found.</Command.Empty>
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
