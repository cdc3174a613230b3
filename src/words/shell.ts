// What stands around every page: status, search and commands, messages of the server, backups.

export const BACKUPS = {
  mediaUsbRondeau: "/media/usb/rondeau",
  theKitchensServerDoesNotAnswer: "The kitchen's server does not answer.",
} as const;

export const HOUSE_NAV = {
  rondeau: "Rondeau",
  ctrlK: "Ctrl K",
} as const;

export const IMPORT_DISH = {
  importADish: "Import a dish",
  aDishFileASaved: "A dish file, a saved recipe page or its data",
  orPasteTextADish: "or paste text: a dish file or a recipe",
  checking: "Checking",
  checkAndImport: "Check and import",
  contents: "Contents",
  forIt: ", for",
  served: ", served",
  forTheKitchenThatIsHere: ", for the kitchen that is here",
  withAKitchenOfIts: (kitchen: number) => `, with a kitchen of its own (${kitchen} items)`,
  nothingIsSavedYet: ". Nothing is saved yet.",
  steps: "steps,",
  ingredients: "ingredients",
  methods: (ways: number) => `, ${ways} methods`,
  importIt: "Import",
  nothingWasSaved: "Nothing was saved.",
  wrong: (what: string) => `${what} wrong:`,
} as const;

export const NO_PLAN = {
  thePlanIsBeingWorkedOut: "The plan is being worked out",
  thisTakesAFewSeconds: "This takes a few seconds.",
  theseConflict: "These conflict",
  noPlanWasFound: "No plan was found",
  whyThereIsNoPlan: "Why there is no plan",
  thePlanNoLongerWorks: "The plan no longer works. Choose what to do",
  why: "Why",
  whyFacts: (length: number) => `Why: ${length} facts`,
  lookingForMoreThatHelps: "Looking for more that helps …",
  lookingForWhatHelps: "Looking for what helps …",
  nothingSimpleThatWasTried: "Nothing simple that was tried helps. Serve later, give a cook another day, or choose another method.",
} as const;

export const PALETTE = {
  undone: "Undone",
  redone: "Redone",
  nothingToUndoHere: "Nothing to undo here",
  nothingToRedo: "Nothing to redo",
} as const;

export const PALETTE_DIALOG = {
  ctrlK: "Ctrl K",
  searchAndCommands: "search and commands",
  n1To4: "1 to 4",
  recipeTimetableDaysCook: "Recipe, Timetable, Days, Cook",
  onTheChartEarlierLaterStep: "on the chart: earlier, later step",
  onTheChartTheComponent: "on the chart: the component above, below",
  onTheChartSelectTheComponent: "on the chart: select the component",
  ctrlEnter: "Ctrl Enter",
  onTheMapAddThe: "on the map: add the component that is typed",
  hideOrShowQuietHours: "hide or show quiet hours",
  oneDayOfTheChart: "one day of the chart, the last three hours",
  criticalSteps: "critical steps",
  ctrlZ: "Ctrl Z",
  undoTheLastChangeWith: "undo the last change; with Shift, redo it",
  theseKeys: "these keys",
  importARecipe: "Import a recipe",
  goTo: "Go to",
  recipe: "Recipe",
  openQuestions: "Open questions",
  amountsFitAllergens: "Amounts, fit, allergens",
  fullTextOfTheDish: "Full text of the dish",
  readyComponents: "Ready components",
  timetable: "Timetable",
  daysForPaper: "Days, for paper",
  shopping: "Shopping",
  labels: "Labels",
  cook: "Cook",
  plan: "Plan",
  asLateAsPossible: "As late as possible",
  asMuchDoneAheadAs: "As much done ahead as keeps well",
  spreadOverTheDays: "Spread over the days",
  replanFromScratch: "Replan from scratch",
  theShortestLead: "The shortest lead",
  component: "Component",
  workOn: "Work on",
  edit: (name: string) => `Edit ${name}`,
  kitchen: "Kitchen",
  dishes: "Dishes",
  light: "Light",
  day: "Day",
  evening: "Evening",
  asTheSystem: "As the system",
  help: "Help",
  theKeys: "The keys",
  searchAndCommandsHeading: "Search and commands",
  searchAViewAComponent: "Search: a view, a component, a plan",
  nothingFound: "Nothing found.",
} as const;

export const PLAN_KEEPER = {
  thePlannerFailedThePlan: "The planner failed. The plan shown is the last good one.",
  thePlannerCouldNotBe: "The planner could not be reached. The plan shown is the last good one.",
  planningBackFromServing: "Planning back from serving",
  lookingForABetterPlan: "Looking for a better plan",
  planning: "Planning",
  stopAndUseTheBest: "Stop and use the best so far",
} as const;

export const REPAIRS = {
  waysToFixItEach: "Ways to fix it (each one gives a plan)",
  done: (text: string | undefined) => `Done: ${text}`,
  starts: "starts",
  beforeServing: "before serving",
  doItNamed: (text: string) => `Do it: ${text}`,
  doIt: "Do it",
} as const;

export const STATUS_LINE = {
  recipe: "Recipe",
  timetable: "Timetable",
  days: "Days",
  cook: "Cook",
  allDishes: (name: string) => `${name}: all dishes`,
  status: "Status",
  views: "Views",
} as const;

export const ASK = {
  theKitchensServerDoesNot: "The kitchen's server does not answer. What you typed is still here; try again in a moment.",
  itDidNotWorkAnd: "It did not work, and the server did not say why.",
} as const;

export const STATUS_FACTS = {
  toServing: "to serving",
  forIt: (date: string, time: string, serves: number) => `${date}, ${time}, for ${serves}`,
  nextForHands: (spokenDuration: string, what: string) => `next for hands, ${spokenDuration}${what}`,
  seeWhatCanBeDone: "see what can be done in Cook",
  heldTooLong: "Held too long",
  since: (dayTime: string) => `since ${dayTime}`,
  everythingWaitingIsFine: "Everything waiting is fine",
  runningByItself: "Running by itself",
  goodUntil: (lower: string, dayOrDate: string) => `${lower} good until ${dayOrDate}`,
  nothingWaiting: "Nothing waiting",
  itStarts: (dayTime: string) => `it starts ${dayTime}`,
} as const;
