// Words of Home, of the way between the pages, and of a new dish.

export const NAV = {
  house: "Pages",
  toHome: "Rondeau: Home",
  home: "Home",
  larder: "Larder",
  notebook: "Notebook",
  kitchen: "Kitchen",
  bench: "Bench",
  settings: "Settings",
  search: "Search or command",
  dish: "Pages of this dish",
} as const;

const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** The states of a dish. */
export const STATE = { idea: "Idea", planned: "Planned", underway: "Under way", served: "Served", done: "Done" } as const;

export const HOME = {
  title: "Home",
  dishes: "Dishes",
  past: "Past dishes",
  more: "Show more",
  loading: "Loading",
  notLoaded: "The rest of the list could not be loaded.",
  again: "Try again",
  /** @param until how long it is until serving, where that is ahead */
  when: (until: string | undefined, at: string, guests: number) =>
    `for ${at}${until ? `, in ${until}` : ""}; ${counted(guests, "person", "people")}`,
  progress: (done: number, of: number, left: string) => `${done} of ${counted(of, "step")} done, ${left} of work left`,
  cooked: (runs: number) => (runs === 1 ? "cooked once" : `cooked ${runs} times`),
  notCooked: "not cooked",
  noComponents: "no components yet",
  noPlan: "No plan:",
  planning: "not planned yet",
  changed: "changed since it was planned: open it to replan",
  planned: "planned",
  overdue: (at: string, first: string) => `should have started ${at} with “${first}”`,
  starts: (at: string, first: string) => `starts ${at} with “${first}”`,
  now: "Now",
  nowFor: (cook: string) => `Now, ${cook}`,
  next: "Next",
  nextFor: (cook: string) => `Next, ${cook}`,
  free: (until: string) => `Nothing to do until ${until}`,
  freeAlways: "Nothing to do",
  until: (cue: string) => `until ${cue}`,
  lasts: (to: string, length: string) => `until about ${to}, ${length}.`,
  after: (at: string, what: string) => `Then at ${at}: ${what}.`,
  openCook: "Open Cook",
  openTimetable: "Open Timetable",
  running: "Running by itself",
  due: "should be done",
  doneAbout: (at: string) => `until about ${at}`,
  waiting: "Waiting, soonest limit first",
  nothingWaiting: "Nothing is waiting.",
  good: (at: string) => `good until ${at}`,
  tooLong: (since: string) => `held too long since ${since}`,
  left: (length: string) => `${length} left`,
  takenAt: (at: string) => `next used ${at}`,
  restWaiting: (n: number) => `and ${n} more`,
  ruler: "From now to serving",
  work: (cook: string, length: string) => `${cook} ${length}`,
  toTable: (length: string, dish: string) => `${length} to serving ${dish}`,
  rest: (length: string) => `${length} rest`,
  tomorrow: (at: string, what: string) => `Tomorrow ${at}: ${what}`,
  backupOld: "The last backup is more than two days old.",
  backupNone: "There is no backup yet.",
  backupNow: "Back up now",
} as const;

export const NEW = {
  heading: "New dish",
  empty: "Start empty",
  emptyHint: "name it, add components one by one",
  name: "Name",
  nameExample: "Sunday pie",
  create: "Create",
  paste: "Paste a recipe",
  pasteHint: "text, a saved recipe page or a dish file",
  library: "Start from the library",
  libraryHint: "ready doughs, stocks, cures, ices",
  libraryField: "Ready component",
  libraryPrompt: "Search ready components",
  copy: "Copy a dish",
  copyHint: "one of your own, for another day",
  copyField: "Dish",
  copyPrompt: "Search your dishes",
  loading: "Loading",
  noneFound: "Nothing found. Try another word.",
  more: (n: number) => `${n} more: type another letter`,
  copyName: (name: string) => `${name}, again`,
} as const;

export const EMPTY_HOME = {
  lead: [
    "Plan one elaborate dish over several days, worked back from the minute of serving.",
    "Break it into components, say how long each step takes and how long each part keeps.",
    "Rondeau tells you when to start what, and calls you when it is time.",
  ],
  kitchen: "Set up your kitchen",
  kitchenHint: "your hours, oven and hob: two minutes",
  example: "Open an example",
  exampleHint: "a harvest lunch for ten over six days, and two smaller dishes",
  filling: "Getting the example ready",
} as const;

export const RULER_PART = {
  showAsTable: "Show as table",
} as const;
