// What comes from elsewhere: the library of ready components, and a recipe read from text or a file.

export const IMPORT_PREVIEW = {
  reading: "Reading …",
  nothingWasFound: "Nothing was found.",
  back: "Back",
  whereTheTextStillIs: ", where the text still is.",
  from: {
    "json-ld": "Read from the recipe data of the page.",
    microdata: "Read from the recipe data of the page.",
    html: "Read from the text of the page, line by line.",
    text: "Read from the text, line by line.",
  },
  nothingIsSavedYetYou: "Nothing is saved yet. You can correct each line here. Marked lines were guessed or not understood.",
  whichRecipe: "Which recipe",
  name: "Name",
  writtenFor: "Written for",
  guests: "Guests",
  serveAt: "Serve at",
  importIt: "Import",
  nothingWasSaved: "Nothing was saved.",
  checkThese: "Check these",
  accounting: ({ total, read, guessed, notes, unread }: { total: number; read: number; guessed: number; notes: number; unread: number }) =>
    [
      `${read} of ${total} ${total === 1 ? "line" : "lines"} read`,
      guessed && `${guessed} ${guessed === 1 ? "guess" : "guesses"}`,
      notes && `${notes} ${notes === 1 ? "note" : "notes"}`,
      unread && `${unread} not understood`,
    ]
      .filter(Boolean)
      .join(", ")
      .concat("."),
  merge: (name: string) => `Merge with ${name}`,
  splitHere: (n: number) => `New part from instruction ${n} on`,
  newPart: "New part",
  guess: (why: string) => `A guess: ${why}.`,
  altArrows: "Alt with ↑ or ↓ moves the line",
  moveToPrompt: "move to",
  removeLine: (label: string) => `Remove: ${label}`,
  part: (name: string) => `Part ${name}`,
  nameOfPart: (what: number) => `Name of part ${what}`,
  takes: (names: string) => `; takes ${names}`,
  instructionOf: (what: number, name: string) => `Instruction ${what} of ${name}`,
  becomes: "becomes",
  ingredient: (name: string) => `Ingredient ${name}`,
  moveTo: (name: string) => `Move ${name} to`,
  toTaste: "to taste",
} as const;

export const SOURCE_TEXT = {
  title: "The text, and what became of each line",
  states: { read: "read", guess: "guess", note: "kept as a note", unread: "not understood" },
} as const;

export const GUESSES = {
  title: "Guesses",
  asked: (n: number) => (n === 1 ? "One guessed time decides when you have to start" : `${n} guessed times decide when you have to start`),
  acceptAll: "Accept these times",
  others: (n: number, verbs: number, first: boolean) =>
    [
      n && `${n} ${first ? "" : "other "}${n === 1 ? "guess" : "guesses"}`,
      verbs && `${n ? "who" : "Who"} has to be there for ${verbs} ${verbs === 1 ? "kind" : "kinds"} of step`,
    ]
      .filter(Boolean)
      .join(", and "),
  verbs: "Who has to be there. A change applies to all steps of its kind.",
  verb: (verb: string, n: number) => `“${verb}”${n > 1 ? `, ${n} steps` : ""}`,
  attentionOf: (verb: string) => `Who has to be there for “${verb}”`,
  attention: [
    ["hands", "hands-on"],
    ["nearby", "somebody near"],
    ["unattended", "unattended"],
  ],
  minutesOf: (name: string) => `Minutes of: ${name}`,
  min: "min",
} as const;

export const LIBRARY_VIEW = {
  anHour: "an hour",
  anEvening: "an evening",
  aDay: "a day",
  threeDays: "three days",
  aWeek: "a week",
  theDayBefore: "the day before",
  twoDaysAhead: "two days ahead",
  fiveDaysAhead: "five days ahead",
  weeksAhead: "weeks ahead",
  halfAnHourByHand: "half an hour by hand",
  anHourByHand: "an hour by hand",
  readyComponents: "Ready components",
  search: "Search",
  aWordRyeTrottersMustard: "a word: rye, trotters, mustard",
  kind: "Kind",
  readyWithin: "Ready within",
  within: (limit: string) => `within ${limit}`,
  makeAhead: "Make ahead",
  handsOnTime: "Hands-on time",
  upTo: (limit: string) => `up to ${limit}`,
  onlyWithMyEquipment: "only with my equipment",
  ofIt: "of",
  byHand: "by hand",
  nothingFoundRemoveAWord: "Nothing found. Remove a word or a filter.",
  serveAtOnce: "serve at once",
  frozen: (time: string) => `frozen ${time}`,
  keeps: (time: string) => `keeps ${time}`,
  writeHowMuchOfIt: (what: string) => `Write how much of it you want, such as ${what}.`,
  yourKitchenHasNo: "Your kitchen has no",
  methodsThatNeedItWould: ". Methods that need it would borrow it.",
  contains: "Contains",
  toTaste: "to taste",
  asGood: (n: number) => `, ${n} % as good`,
  forIt: (guests: number) => `for ${guests}`,
  addFor: "Add for",
  orAmount: "or amount",
  addToDish: "Add to dish",
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
