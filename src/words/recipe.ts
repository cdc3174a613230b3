// The recipe of a dish: breakdown, amounts, guests, allergens, open questions and full text.

export const ALLERGEN_PART = {
  guestsAvoidSeparateWithCommas: "Guests avoid (separate with commas)",
  whatGuestsAvoid: "What guests avoid",
  nutsMilk: "nuts, milk",
  guestsWhoNeedCare: "Guests who need care",
  pregnantGuests: "pregnant guests",
  frailElderlyGuests: "frail elderly guests",
  guestsWithAWeakImmuneSystem: "guests with a weak immune system",
  clashes: "Clashes",
  aGuestAvoids: "A guest avoids",
  whichIsIn: ", which is in",
  leaveItOutReplaceIt: ". Leave it out, replace it, or serve them something else.",
  allergensInThisDish: "Allergens in this dish",
  fromItsName: ", from its name",
  noneFoundInTheIngredients: "None found in the ingredients.",
  unknownSoCheckThePacket: "Unknown, so check the packet:",
  theFourteenOfRegulationEu: "The fourteen of Regulation (EU) 1169/2011:",
  foundByNameOnlyAn: ". Found by name only: an empty line does not mean that the dish is free of it.",
} as const;

export const AMOUNTS_VIEW = {
  guests: "Guests",
  scale: "Scale",
  doesItFit: "Does it fit?",
  whatGoesWhere: "What goes where",
  ingredients: "Ingredients",
  saltPerGuest: "Salt per guest",
  allergensAndCare: "Allergens and care",
  onThisPage: "On this page",
  amounts: "Amounts",
  scaleFromOneAmount: "Scale from one amount",
  whatDoesNotScale: "What does not scale (",
  whatGoesWhereAndWhen: "What goes where, and when",
  made: "Made",
  used: "Used",
  forIt: "For",
  when: "When",
  each: "each",
  leftOver: "left over:",
  moreIsUsedThanMade: "more is used than made",
  ingredientsInKitchenMeasures: "Ingredients in kitchen measures",
  or: ", or ",
  noUseAndNoKeeping: "no use and no keeping time given",
  doesNotFit: "does not fit",
  justFits: "just fits",
  theKitchen: "the kitchen",
  everythingFitsIntoWhatThereIs: "Everything fits into what there is. ",
  toCheck: (n: number, what: string) => `${n} ${what} to check. `,
  showOnlyThese: "Show only these",
  showAll: (n: number) => `Show all ${n}`,
  forOpenQuote: "for “",
  estimated: ", estimated",
} as const;

export const BREAKDOWN = {
  or: "Or:",
  asGood: (n: number) => `, ${n} % as good`,
  ifItFails: "If it fails:",
  ready: ", ready",
  afterYouDecide: "after you decide.",
  stepsByHand: (n: number, time: string) => `${n} steps, ${time} by hand`,
  ingredientsOf: "Ingredients of",
  makes: "Makes",
  forIt: (name: string) => `for ${name}`,
  onTheCounter: "on the counter",
  keptHot: "kept hot",
  inTheLarder: "in the larder",
  inThe: (place: string) => `in the ${place}`,
  atLeast: (time: string) => `at least ${time}, `,
  bestTo: (time: string, longest: string) => `best ${time} to ${longest}, `,
  asLongAsYouLike: "as long as you like",
  atMost: (time: string, what: string) => `${time} at most${what}`,
  to: (time: string, longest: string) => `${time} to ${longest}`,
  byHand: "by hand",
  byHandNamed: (time: string) => `, ${time} by hand`,
  ovenC: (tempC: number) => `oven ${tempC} °C`,
  until: "until",
  cInTheMiddle: (probeC: number) => `${probeC} °C in the middle`,
  every: "Every",
  atOnce: "At once. ",
  after: (time: string) => `After ${time}`,
  within: ", within",
  withinAtStart: "Within",
  caution: "Caution:",
  source: "Source:",
} as const;

export const DISH_NAV = {
  components: "Components",
  openQuestions: "Open questions",
  amounts: "Amounts",
  fullText: "Full text",
  library: "Library",
  recipePages: "Recipe pages",
} as const;

export const GUESTS_PART = {
  lightEaters: "light eaters",
  heartyEaters: "hearty eaters",
  olderGuests: "older guests",
  portions: "Portions",
  courses: "courses",
  guestsEatAsMuchAs: "guests eat as much as",
  adults: "adults",
  theDishIsMadeFor: "; the dish is made for",
  forAppetites: (appetites: number | undefined) => `for ${appetites} appetites`,
  makeItFor: "Make it for",
  forWhichTheDishIsMade: ", for which the dish is made.",
  enterAtLeastOneGuest: "Enter at least one guest.",
  howMuchToBuy: "How much to buy",
  food: "Food",
  forIt: "for",
  to: "to",
  rawWeightByCutAs: "; raw weight by cut, as caterers count.",
  fromThePlateBackTo: "From the plate back to the shop:",
  portionOnEachPlate: "Portion on each plate",
  eachAfter: "each, after",
  losses: "Losses",
  bought: "bought",
  factor: ", factor",
  with5ToSpare: ", with 5 % to spare.",
} as const;

export const INGREDIENT_AMOUNTS = {
  whereRoundingIsOffBy: "Where rounding is off by more than",
  weighTheExactAmount: "%, weigh the exact amount.",
  measure: "Measure",
  exactly: "Exactly",
  us: "US",
  ofIt: "Of",
  leftOut: "left out",
  toTaste: "to taste",
  insteadOf: "instead of",
  over: "over",
} as const;

export const PROBLEM_NOTE = {
  well: "well",
} as const;

export const QUESTIONS_VIEW = {
  openQuestions: "Open questions",
  noOpenQuestions: "No open questions.",
  seeTheTimetable: "See the timetable",
  orLookAtThe: ", or look at the",
  amounts: "amounts",
  questions: "Questions",
  skipped: "Skipped",
  aQuestionAgain: "a question again",
  askAgain: "Ask again",
  first: "first",
  answer: "Answer",
  skip: "Skip",
  questionSkipped: "question skipped",
  because: "because …",
  whyYouSkipIt: (text: string) => `Why you skip it: ${text}`,
} as const;

export const SALT_PART = {
  noIngredientIsKnownTo: "No ingredient is known to contain salt.",
  gOfSaltPerGuest: "g of salt per guest,",
  ofThe5GAdvised: "% of the 5 g advised for a day.",
  countsWhatIsServedNot: "Counts what is served, not what is left over.",
  mgOfSodiumAdviceOf: "mg of sodium. Advice of the WHO, 2012; the salt in a food is typical of what is sold.",
  whereTheSaltComesFrom: "Where the salt comes from",
  from: "From",
  inIt: "In",
  total: "Total",
  perGuest: "Per guest",
  ofItIsEaten: "% of it is eaten:",
} as const;

export const SERVING_FORM = {
  amountsAndTimetableFollow: "Amounts and timetable follow",
  guests: "Guests",
  serveAt: "Serve at",
  change: "Change",
} as const;

export const WAYS_SIDE_BY_SIDE = {
  quality: "Quality",
  shortestTime: "Shortest time",
  handsOn: "Hands-on",
  ingredients: "Ingredients",
  steps: "Steps",
  compareMethods: "Compare methods",
} as const;

export const LINE_INPUT = {
  fieldWFull: (what: string, className: string) => `field w-full ${what} ${className}`,
} as const;

export const UNDERSTOOD = {
  by: "(by “",
  savedAsANote: "saved as a note:",
} as const;
