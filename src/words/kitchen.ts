// Words of the Kitchen page.

export const KITCHEN = {
  title: "Kitchen",
  serves: (dishes: readonly string[], total: number) =>
    total === 0
      ? "All dishes are planned for this kitchen."
      : `${total === 1 ? "One dish is" : `${total} dishes are`} planned for this kitchen: ${dishes.join(", ")}${total > dishes.length ? ` and ${total - dishes.length} more` : ""}. A change counts for ${total === 1 ? "it" : "all of them"}.`,
  which: "Kitchen",
  cook: "Cook",
  name: "Name",
  removeCook: "Remove cook",
  addHelper: "Add helper",
  hours: "Working hours",
  awake: "Awake",
  away: "Away from home",
  awayHint: "Add a journey to another kitchen here too.",
  none: { hours: "whenever awake", awake: "07:00 to 23:00", away: "never", available: "always" },
  addHours: "Add weekly hours",
  addDated: "Add a date",
  equipment: "Equipment",
  item: "Item",
  kind: "Kind",
  otherKind: "another kind …",
  quantity: "Quantity",
  litres: "Litres",
  racks: "Racks",
  everyday: "Everyday food takes, litres",
  everydayHint: "Plans have the rest.",
  available: "Only available",
  availableHint: "For something borrowed, or in another kitchen: the hours in which you can use it.",
  addItem: "Add item",
  quiet: "Quiet times",
  quietLead: "Times in which something is not done: noise while the children sleep, no work on a day of rest.",
  noQuiet: "No quiet times.",
  addWeekly: "Add a weekly quiet time",
  addOnce: "Add a quiet time on a date",
  forbids: "Not then",
  why: "Why",
  whyExample: "the children sleep",
  save: "Save kitchen",
  discard: "Discard changes",
  saved: "Saved. Replanning.",
  draft: "You have changes here that are not saved yet.",
  correct: "Some fields need correcting.",
  forbidden: [
    ["noisy", "noise"],
    ["hands", "hands-on work"],
    ["heat", "anything hot"],
    ["start-heat", "turning heat on"],
    ["flame", "open flame"],
    ["smell", "smells"],
  ],
} as const;

export const FIRST_KITCHEN = {
  fromOf: (label: string) => `${label}: from`,
  title: "Your kitchen",
  lead: "Plans are made around your hours and your equipment. A few answers are enough; you can change everything later.",
  name: "Your name",
  weekdays: "Cooking time on weekdays",
  weekend: "Cooking time at weekends",
  to: "to",
  burners: "Burners on the hob",
  racks: "Oven shelves you can use at once",
  maxC: "Hottest oven setting, °C",
  maxF: "Hottest oven setting, °F",
  fridge: "Free room in the fridge, litres",
  fridgeUs: "Free room in the fridge, quarts",
  quiet: "No noise from",
  save: "Save kitchen",
  saved: "Kitchen saved",
} as const;

export const DAYS_FIELD = {
  monday: "Monday",
  tuesday: "Tuesday",
  wednesday: "Wednesday",
  thursday: "Thursday",
  friday: "Friday",
  saturday: "Saturday",
  sunday: "Sunday",
} as const;

export const EQUIPMENT_PART = {
  nameOf: (thing: string) => `Name of ${thing}`,
  kindOf: (thing: string) => `Kind of ${thing}`,
  ofIt: (what: string, thing: string) => `${what} of ${thing}`,
  remove: (thing: string) => `Remove ${thing}`,
  newPot: "New pot",
} as const;

export const HOURS_LIST = {
  line: (title: string, what: string, rest: number) => `${title}, ${what}, line ${rest}`,
  days: (label: string) => `${label}: days`,
  to: "to",
  remove: (label: string) => `${label}: remove`,
} as const;

export const KITCHEN_CHOICE = {
  andMore: (what: number) => ` and ${what} more`,
} as const;

export const KITCHEN_FORM = {
  helper: "Helper",
  theKitchen: "the kitchen",
  cooks: "Cooks",
  cooksAndTheirHours: "Cooks and their hours",
  cook: (what: number) => `Cook ${what}`,
  cookNamed: (what: number) => `cook ${what}`,
} as const;

export const QUIET_PART = {
  line: (quiet: string, what: number) => `${quiet}, line ${what}`,
  days: (label: string) => `${label}: days`,
  to: "to",
  remove: (label: string) => `${label}: remove`,
} as const;

export const FIRST_KITCHEN_CHECKS = {
  cook: "Cook",
  hob: "Hob",
} as const;
