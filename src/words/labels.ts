// Labels for what is put away.

export const LABELS = {
  title: "Labels",
  lead: "One for everything that is put away, and for what stands on the counter for half an hour or longer.",
  larderTitle: "Labels for the larder",
  larderLead: "One label for each item. For an item you added yourself, the allergens come from its name.",
  larderNone: "The larder is empty, so there are no labels.",
  which: "Print labels for",
  allOrNone: (all: boolean) => (all ? "None" : "All"),
  none: "Nothing waits in this plan, so there are no labels.",
  sheet: "Sheet",
  start: "Start at label",
  pages: (n: number) => `${n} ${n === 1 ? "page" : "pages"}`,
  made: (when: string, place: string) => (when ? `made ${when}, ${place}` : place),
  ready: (when: string) => `ready from ${when}`,
  best: (when: string) => `best ${when}`,
  notAfter: (when: string) => `not after ${when}`,
  goodUntil: (when: string) => `good until ${when}`,
  for: (what: string) => `for: ${what}`,
  raw: "RAW",
  contentsUnknown: "Allergens not known.",
  contains: (what: string) => `Contains ${what}.`,
  source: (holds: string) =>
    `Allergens come from the names of what went in; what a name does not show is missing here. How long things keep comes from the dish file and its table of holds: ${holds} Local codes come first.`,
  page: (n: number) => `Page ${n}`,
  code: (code: string) => `Code ${code}`,
  unknown: "No label with this code is known here.",
} as const;
