// The timetable: its chart, its side panel, and what is tried there.

export const CHART_TABLE = {
  to: (time: string, longest: string) => `; ${time} to ${longest}`,
  waits: (name: string) => `${name} waits`,
  allStepsAsATable: "All steps as a table",
  handsOrTheWindowOf: "hands, or the window of the wait",
} as const;

export const COMPONENT_PANEL = {
  showAll: "Show all",
  onTheCounter: "on the counter",
  inThe: (what: string) => `in the ${what}`,
  atOnce: "at once",
  forIt: (name: string) => `, for ${name}`,
  methods: "Methods",
  bought: ", bought",
  of100AsGood: (n: number) => `, ${n} of 100 as good`,
  doneWhen: "Done when:",
  between: "Between",
  and: "and",
  mostOften: ", most often",
  withIt: "With",
  notLaterThan: "Not later than",
  canStartBetweenAndIf: (at: string, until: string) => `Can start between ${at} and ${until}, if the rest stays in its order.`,
  cannotMoveServingOnTime: "Cannot move: serving on time depends on it.",
  towardsServing: "Towards serving",
  notEarlierThan: "Not earlier than",
  oneStepHoldsIt: "one step holds it",
  stepsHoldOneAnother: (n: number) => `${n} steps hold one another`,
} as const;

export const FRONTIER = {
  hoursOfLead: "hours of lead",
  ofLeadByHand: (time: string, longest: string) => `${time} of lead, ${longest} by hand`,
  lossOfQualityAgainstHours: "Loss of quality against hours of lead. Larger points mean more hands-on time",
} as const;

export const FURNITURE = {
  table: "table",
} as const;

export const HELD_NOTE = {
  nothingElseMoves: "nothing else moves",
  oneOtherMoves: "one other moves",
  othersMove: (n: number) => `${n} others move`,
  andMore: " and more",
} as const;

export const LOAD_NOTES = {
  busyAndFreeTimes: "Busy and free times",
  busy: "Busy",
  free: "Free",
  makeItEasierNamed: (text: string) => `Make it easier: ${text}`,
  makeItEasier: "Make it easier",
  trying: "Trying",
  thePlannerCouldNotBeReached: "The planner could not be reached.",
  nothingThatWasTriedMakes: "Nothing that was tried makes it clearly easier.",
  moveTo: (name: string, at: string) => `Move “${name}” to ${at}`,
  at: (name: string, at: string) => `“${name}” at ${at}`,
  moveThere: (name: string) => `Move “${name}” there`,
  moveItThere: "Move it there",
} as const;

export const OVERLAYS = {
  fixedAt: (at: string) => `fixed at ${at}`,
  lastTimeToDecideFor: (at: string, what: string) => `${at}: last time to decide for ${what}`,
} as const;

export const PLACE_STRIP = {
  nothingIsInThe: (name: string) => `Nothing is in the ${name}.`,
  theIsFullestOfWith: (name: string, at: string, used: string | number, room: string | number, unit: string, names: string, what: string) =>
    `The ${name} is fullest ${at}: ${used} of ${room} ${unit}, with ${names}${what}.`,
  showAsTable: "Show as table",
  from: "from",
  to: "to",
  what: "what",
} as const;

export const PLAN_CHOICES = {
  ahead: "ahead",
} as const;

export const PLAN_PANEL = {
  late: "Late",
  asFreshAndShortAsPossible: "as fresh and short as possible",
  ahead: "Ahead",
  littleLeftForTheLastHours: "little left for the last hours",
  even: "Even",
  noDayTooFull: "no day too full",
  ofWork: "of work",
  left: (length: string) => `${length} of work left`,
  of: (length: string) => `of ${length}`,
  over: "over",
  oneDay: "one day",
  days: (n: number) => `${n} days`,
  noPlanCanStartLaterThan: (at: string) => ` No plan can start later than ${at}.`,
  scheduleStyle: "Schedule style",
  laidOut: (name: string, what: string) => `Laid out ${name}: ${what}`,
  chanceOfBeingOnTime: "Chance of being on time",
  serveAtAnotherTime: "Serve at another time",
  canIStillMakeIt: "Can I still make it?",
  otherDishesAtThisMeal: "Other dishes at this meal",
  components: "Components",
  notBefore: (at: string) => `not before ${at}`,
  notAfter: (at: string) => `not after ${at}`,
  by: (what: string) => `by ${what}`,
  fixedByYou: "Fixed by you",
  leaveTheMethodOfOpen: (what: string) => `Leave the method of ${what} open`,
  theMethodOfLeftOpen: (name: string) => `The method of ${name} left open`,
  leaveOpen: "Leave open",
  nothingFixed: "Nothing fixed",
  releaseAll: "Release all",
  itIsRehearsedOnceThe: "It is rehearsed once the plan is ready.",
  onTimeIn: "On time in",
  of100WithinHalfAn: "of 100, within half an hour in",
  withToSpareItWould: (time: string) => ` With ${time} to spare it would be 95 of 100.`,
  upTo: ": up to",
  lateAtServing: "late",
  onTimeIn95Of100: "On time in 95 of 100",
  whatWouldBringItTo95: "What would bring it to 95",
  serve: (at: string) => `Serve ${at}`,
  serveAt: "Serve at",
  tryIt: "Try it",
} as const;

export const ROUTE_CHART = {
  routeChartArrowKeysMove:
    "Route chart. Arrow keys move from step to step, Enter selects a component, M picks up a step and arrow keys move it. The list below shows the same.",
  pointAtALineOr: "Point at a line or move along it with the arrow keys. Drag a step to move it, or press M.",
} as const;

export const TIMETABLE = {
  fixedAt: (name: string, at: string) => `“${name}” fixed at ${at}`,
  routeChart: "Route chart",
  belowIsTheLastPlan: "Below is the last plan. It no longer works.",
  nothingToShowYetChoose: "Nothing to show yet. Choose one of the ways to fix it.",
  starts: "Starts",
  beforeServing: "before serving.",
  hideQuietHours: "Hide quiet hours",
  showToScale: "Show to scale",
  showAllSteps: "Show all steps",
  showCriticalSteps: "Show critical steps",
  replan: "Replan",
  open: "Open",
  conflict: "Conflict",
  theSelectedComponent: "The selected component",
  thePlan: "The plan",
  scheduleStyle: (style: string) => `Schedule style: ${style}`,
  withAQuarterOfAnHour: (n: number) => `, ${n} with a quarter of an hour`,
  onTimeInOf100Rehearsals: (n: number, late: string, what: string) => `On time in ${n} of 100 rehearsals${late}${what}.`,
} as const;

export const TRIAL_BAR = {
  noPlanWithThis: "No plan with this",
  discard: "Discard",
  trying: "Trying",
  notPossible: "Not possible",
  previewNotSavedYet: "Preview, not saved yet",
  onTimeIn: "On time in",
  of100Rehearsals: "of 100 rehearsals",
  now: (n: number) => `, ${n} now`,
  dashedOutlinesShowWhereSteps: " Dashed outlines show where steps are now.",
  saving: "Saving",
  save: "Save",
  preview: "Preview",
  thePlanStaysAsItIs: "The plan stays as it is.",
} as const;

export const WORK_BY_DAY = {
  handsOnTimeByDay: "Hands-on time by day",
  until: "until",
} as const;

export const ZOOM_ROW = {
  howMuchOfItIsShown: "How much of it is shown",
  allOfIt: "all of it",
  theLastThreeHours: "the last three hours",
} as const;

export const CHART_WORDS = {
  somebodyNearby: "somebody nearby",
  and: " and ",
  byHand: (time: string, what: string, names: string) => `${time} by hand${what} (${names})`,
  ovenAtC: (tempC: number | undefined) => `oven at ${tempC} °C`,
  atC: (place: string, tempC: number | undefined) => `${place} at ${tempC} °C`,
  oneRound: "One round",
  rounds: (n: number) => `${n} rounds`,
  to: (
    component: string | undefined,
    name: string,
    at: string,
    near: string,
    placeWords: string,
    handsWords: string,
    rounds: string,
    state: string,
  ) => `${component}: ${name}, ${at} to ${near}, ${placeWords}; ${handsWords}.${rounds}${state}`,
  onTheCounter: "on the counter",
  inTheLarder: "in the larder",
  inThe: (place: string) => `in the ${place}`,
  forIt: (name: string, where: string, time: string, what: string) => `${name} ${where} for ${time}${what}.`,
  least: (time: string) => `least ${time}`,
  bestTo: (time: string, longest: string) => `best ${time} to ${longest}`,
  longest: (time: string, what: string) => `longest ${time}, ${what}`,
  beforeIt: (name: string) => `Before it: ${name}`,
  afterIt: (name: string) => `After it: ${name}`,
  isPickedUpDropIt: (name: string) => `“${name}” is picked up. Drop it to fix it there.`,
  arrowKeysMoveItWith: " Arrow keys move it, with Shift by an hour; Enter drops it, Escape puts it back.",
  staysAt: (name: string, at: string, stuck: string) => `“${name}” stays at ${at}. ${stuck}`,
  isPickedUp: (name: string, keys: string) => `“${name}” is picked up.${keys}`,
  at: (name: string, at: string, what: string) => `“${name}” at ${at}; ${what}.`,
} as const;
