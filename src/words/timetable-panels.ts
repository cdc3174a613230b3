// What the timetable opens on demand: a step's tools, a dish at the same meal, reaching it from now, and why there is no plan.

export const FEAST_PANEL = {
  atTheSameMoment: "at the same moment",
  threeQuartersOfAnHourBefore: "three quarters of an hour before",
  halfAnHourAfter: "half an hour after",
  threeQuartersOfAnHourAfter: "three quarters of an hour after",
  anHourAndAHalfAfter: "an hour and a half after",
  atItsOwnTime: "at its own time",
  atTheSameMeal: (name: string, when: string) => `${name} at the same meal, ${when}`,
  theOtherDishCouldNot: "The other dish could not be read.",
  courses: "Courses",
  remove: (name: string) => `Remove ${name}`,
  without: (name: string) => `Without ${name}`,
  off: "off",
  anotherDish: "Another dish",
  served: "served",
  tryIt: "Try it",
} as const;

export const STEP_TOOLS = {
  released: (name: string) => `${name} released`,
  release: "Release",
  fixedAt: (name: string, at: string) => `${name} fixed at ${at}`,
  fixItHere: "Fix it here",
  move: "Move",
  notBeforeNotAfterWho: "not before, not after, who",
  notBefore: "not before",
  notAfter: "not after",
  withoutThatLimit: (name: string) => `${name} without that limit`,
  by: "by",
  anybody: "anybody",
  byNamed: (name: string, other: string) => `${name} by ${other}`,
  byAnybody: (name: string) => `${name} by anybody`,
} as const;

export const REACH_PANEL = {
  canIStillMakeIt: "Can I still make it?",
  workingItOut: "Working it out",
  stop: "stop",
  thePlannerCouldNotBe: "The planner could not be reached. Try it again.",
  everyComponentByItsFirstMethod: "Every component by its first method",
  startedNowItCannotBe: "Started now, it cannot be served within three weeks.",
  startedNowItCanBeServed: (day: string, time: string) => `Started now, it can be served ${day}, ${time}.`,
  toServeStartBy: (at: string, until: string, what: string) => `To serve ${at}, start by ${until}${what}.`,
  itIsTooLateToServe: (at: string) => `It is too late to serve ${at}.`,
  whatQuickerMethodsSave: "What quicker methods save",
  ofLead: "of lead,",
  byHand: "by hand",
  givesUpOfQuality: (toFixed: string) => `, gives up ${toFixed} of quality`,
  noLossOfQuality: ", no loss of quality",
  asItIsPlanned: "; as it is planned",
} as const;

export const IMPOSSIBLE_PANEL = {
  whyThereIsNoPlan: "Why there is no plan",
  theseConflict: "These conflict",
  noPlanWasFound: "No plan was found",
  oneByOne: "one by one",
  lookingForMoreThatHelps: "Looking for more that helps …",
  lookingForWhatHelps: "Looking for what helps …",
  waysToFixItEach: "Ways to fix it (each one gives a plan)",
  starts: "starts",
  beforeServing: "before serving",
  doItNamed: (text: string) => `Do it: ${text}`,
  working: "Working",
  doIt: "Do it",
  nothingSimpleThatWasTried: "Nothing simple that was tried helps. Serve later, give a cook another day, or choose another method.",
} as const;
