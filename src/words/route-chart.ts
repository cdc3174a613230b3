// The timetable: its chart, its side panel, and what is tried there.

export const CHART_TABLE = {
  to: (spokenDuration: string, spokenDuration2: string) => `; ${spokenDuration} to ${spokenDuration2}`,
  waits: (name: string) => `${name} waits`,
  allStepsAsATable: "All steps as a table",
  handsOrTheWindowOf: "hands, or the window of the wait",
} as const;

export const COMPONENT_PANEL = {
  showAll: "Show all",
  onTheCounter: "on the counter",
  inThe: (what: string) => `in the ${what}`,
  atOnce: "at once",
  forIt: (lower: string) => `, for ${lower}`,
  methods: "Methods",
  bought: ", bought",
  of100AsGood: (round: number) => `, ${round} of 100 as good`,
  doneWhen: "Done when:",
  between: "Between",
  and: "and",
  mostOften: ", most often",
  withIt: "With",
  notLaterThan: "Not later than",
  canStartBetweenAndIf: (dayTime: string, dayTime2: string) =>
    `Can start between ${dayTime} and ${dayTime2}, if the rest stays in its order.`,
  cannotMoveServingOnTime: "Cannot move: serving on time depends on it.",
  towardsServing: "Towards serving",
  notEarlierThan: "Not earlier than",
  oneStepHoldsIt: "one step holds it",
  stepsHoldOneAnother: (length: number) => `${length} steps hold one another`,
} as const;

export const FRONTIER = {
  hoursOfLead: "hours of lead",
  ofLeadByHand: (spokenDuration: string, spokenDuration2: string) => `${spokenDuration} of lead, ${spokenDuration2} by hand`,
  lossOfQualityAgainstHours: "Loss of quality against hours of lead. Larger points mean more hands-on time",
} as const;

export const FURNITURE = {
  table: "table",
} as const;

export const HELD_NOTE = {
  nothingElseMoves: "nothing else moves",
  oneOtherMoves: "one other moves",
  othersMove: (length: number) => `${length} others move`,
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
  moveTo: (lower: string, dayTime: string) => `Move “${lower}” to ${dayTime}`,
  at: (lower: string, dayTime: string) => `“${lower}” at ${dayTime}`,
  moveThere: (lower: string) => `Move “${lower}” there`,
  moveItThere: "Move it there",
} as const;

export const OVERLAYS = {
  fixedAt: (dayTime: string) => `fixed at ${dayTime}`,
  lastTimeToDecideFor: (dayTime: string, what: string) => `${dayTime}: last time to decide for ${what}`,
} as const;

export const PLACE_STRIP = {
  nothingIsInThe: (name: string) => `Nothing is in the ${name}.`,
  theIsFullestOfWith: (
    name: string,
    dayTime: string,
    used: string | number,
    room: string | number,
    unit: string,
    join: string,
    what: string,
  ) => `The ${name} is fullest ${dayTime}: ${used} of ${room} ${unit}, with ${join}${what}.`,
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
  days: (length: number) => `${length} days`,
  noPlanCanStartLaterThan: (dayTime: string) => ` No plan can start later than ${dayTime}.`,
  scheduleStyle: "Schedule style",
  laidOut: (lower: string, what: string) => `Laid out ${lower}: ${what}`,
  chanceOfBeingOnTime: "Chance of being on time",
  serveAtAnotherTime: "Serve at another time",
  canIStillMakeIt: "Can I still make it?",
  otherDishesAtThisMeal: "Other dishes at this meal",
  components: "Components",
  notBefore: (dayTime: string) => `not before ${dayTime}`,
  notAfter: (dayTime: string) => `not after ${dayTime}`,
  by: (what: string) => `by ${what}`,
  fixedByYou: "Fixed by you",
  leaveTheMethodOfOpen: (what: string) => `Leave the method of ${what} open`,
  theMethodOfLeftOpen: (lower: string) => `The method of ${lower} left open`,
  leaveOpen: "Leave open",
  nothingFixed: "Nothing fixed",
  releaseAll: "Release all",
  itIsRehearsedOnceThe: "It is rehearsed once the plan is ready.",
  onTimeIn: "On time in",
  of100WithinHalfAn: "of 100, within half an hour in",
  withToSpareItWould: (spokenDuration: string) => ` With ${spokenDuration} to spare it would be 95 of 100.`,
  upTo: ": up to",
  late2: "late",
  onTimeIn95Of100: "On time in 95 of 100",
  whatWouldBringItTo95: "What would bring it to 95",
  serve: (spokenInstant: string) => `Serve ${spokenInstant}`,
  serveAt: "Serve at",
  tryIt: "Try it",
} as const;

export const ROUTE_CHART = {
  routeChartArrowKeysMove:
    "Route chart. Arrow keys move from step to step, Enter selects a component, M picks up a step and arrow keys move it. The list below shows the same.",
  pointAtALineOr: "Point at a line or move along it with the arrow keys. Drag a step to move it, or press M.",
} as const;

export const TIMETABLE = {
  fixedAt: (lower: string, dayTime: string) => `“${lower}” fixed at ${dayTime}`,
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
  withAQuarterOfAnHour: (hundred: number) => `, ${hundred} with a quarter of an hour`,
  onTimeInOf100Rehearsals: (hundred: number, late: string, what: string) => `On time in ${hundred} of 100 rehearsals${late}${what}.`,
} as const;

export const TRIAL_BAR = {
  noPlanWithThis: "No plan with this",
  discard: "Discard",
  trying: "Trying",
  notPossible: "Not possible",
  previewNotSavedYet: "Preview, not saved yet",
  onTimeIn: "On time in",
  of100Rehearsals: "of 100 rehearsals",
  now: (hundred: number) => `, ${hundred} now`,
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
  byHand: (spokenDuration: string, what: string, names: string) => `${spokenDuration} by hand${what} (${names})`,
  ovenAtC: (tempC: number | undefined) => `oven at ${tempC} °C`,
  atC: (place: string, tempC: number | undefined) => `${place} at ${tempC} °C`,
  oneRound: "One round",
  rounds: (length: number) => `${length} rounds`,
  to: (
    component: string | undefined,
    name: string,
    dayTime: string,
    near: string,
    placeWords: string,
    handsWords: string,
    rounds: string,
    state: string,
  ) => `${component}: ${name}, ${dayTime} to ${near}, ${placeWords}; ${handsWords}.${rounds}${state}`,
  onTheCounter: "on the counter",
  inTheLarder: "in the larder",
  inThe: (place: string) => `in the ${place}`,
  forIt: (name: string, where: string, spokenDuration: string, what: string) => `${name} ${where} for ${spokenDuration}${what}.`,
  least: (spokenDuration: string) => `least ${spokenDuration}`,
  bestTo: (spokenDuration: string, spokenDuration2: string) => `best ${spokenDuration} to ${spokenDuration2}`,
  longest: (spokenDuration: string, what: string) => `longest ${spokenDuration}, ${what}`,
  beforeIt: (lower: string) => `Before it: ${lower}`,
  afterIt: (lower: string) => `After it: ${lower}`,
  isPickedUpDropIt: (name: string) => `“${name}” is picked up. Drop it to fix it there.`,
  arrowKeysMoveItWith: " Arrow keys move it, with Shift by an hour; Enter drops it, Escape puts it back.",
  staysAt: (name: string, dayTime: string, stuck: string) => `“${name}” stays at ${dayTime}. ${stuck}`,
  isPickedUp: (name: string, keys: string) => `“${name}” is picked up.${keys}`,
  at: (name: string, dayTime: string, what: string) => `“${name}” at ${dayTime}; ${what}.`,
} as const;
