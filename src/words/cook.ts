// The sentences of Cook about a run: its log, what a plan cannot keep, what was planned shorter. One place, to be read in one sitting.
import type { LogLine } from "../core/record/log-lines";
import { lower } from "../core/sentence";
import { spokenDuration } from "../core/time/duration";
import type { PlanView } from "../core/view/plan-view";

const DID: Readonly<Record<LogLine["kind"], string>> = {
  started: "Started",
  ended: "Done",
  estimate: "Expected to end",
  withdrawn: "Undone",
  "put-down": "Paused",
  "taken-up": "Resumed",
  skipped: "Left out",
  void: "To be done again",
};

/** What one line of the log says was done. */
export const didWhat = (line: LogLine): string => DID[line.kind];

export const LOG = {
  title: "Log",
  empty: "Nothing recorded yet. Every press is recorded here with its time.",
  undo: "Undo",
  correct: "Correct the time",
  save: "Save",
  cancel: "Cancel",
  add: "Add something forgotten",
  step: "Step",
  what: "What happened",
  when: "When",
  who: "This device is used by",
  nobody: "anybody",
  undone: (line: LogLine) => `Undone: ${lower(didWhat(line))}, ${lower(line.name)}`,
  nothing: "Nothing in this run to undo.",
  wrongTime: "Write a time that is not in the future.",
} as const;

export const PLAN = {
  exceptions: (n: number) => (n === 1 ? "One thing goes past the usual rules" : `${n} things go past the usual rules`),
  exceptionsHelp: "What has started has to be finished.",
  exceptionsChoice: "If that does not suit you, choose another way here.",
  instead: "What you can do instead",
  insteadOfAll: "What you can do instead of all of this",
  shortened: "Planned shorter to be in time",
  shorter: (s: PlanView["shortened"][number]) =>
    `${s.name}: ${spokenDuration(s.minutes)} instead of ${spokenDuration(s.from)}, still within ${spokenDuration(s.least)} to ${spokenDuration(s.most)}`,
  gone: (name: string) => `Throw away “${name}”: it has waited longer than is safe. It is made again, or replaced, in the plan.`,
  pending: "The plan is being worked out again.",
  broken: "The plan no longer holds",
  leftOpen: "The run is still open",
  leftOpenTitle: (when: string) => `Served on ${when}?`,
  leftOpenText: "The run is still open, more than a day after serving. End it, or go on where you were.",
  goOn: "Go on",
  allDone: "Everything is served",
  allDoneText: "What was done is in the log below. Correct it while you remember, then end the run.",
} as const;

/** Looking at a step whose end is a cue. */
export const LOOKS = {
  "not-yet": "Not yet",
  nearly: "Nearly",
  first: (at: string, every: number) => `first look ${at}, then every ${every} min`,
  every: (minutes: number) => `look every ${minutes} min`,
  /** @param between undefined where it has taken longer than its longest length */
  answer: (after: string, at: string, between: readonly [string, string] | undefined) =>
    between
      ? `Not done after ${after}: now likely done about ${at}, between ${between[0]} and ${between[1]}. The plan follows.`
      : `Not done after ${after}, longer than it ever should take: look again about ${at}. The plan follows.`,
} as const;

export const BEDTIME_VIEW = {
  min: "min",
  counter: "counter",
} as const;

export const CALL = {
  now: "now",
  pressAnywhereToGoOn: "press anywhere to go on",
} as const;

export const COOK_VIEW = {
  theServerDoesNotAnswer: "The server does not answer. Your press is kept here and sent as soon as it does.",
  theRunHasEndedIts: "The run has ended. Its log is kept.",
  endTheRun: "End the run",
  cook: "Cook",
  theDial: "The dial",
  theNextHour: "The next hour",
  next: "Next:",
  atHand: "At hand",
  yourPressIsSavedWith: "Your press is saved with its time and sent as soon as that is done.",
  discard: "Discard",
  oneStepHasMoved: "One step has moved",
  stepsHaveMoved: (n: number) => `${n} steps have moved`,
  now: ": now",
  runningByItself: "Running by itself",
  later: "Later",
  startNowNamed: (name: string) => `Start now: ${name}`,
  startNow: "Start now",
  whoDoes: (step: string) => `Who does it: ${step}`,
  givenTo: (step: string, name: string) => `${name} does “${step}”`,
  onlyMine: (name: string) => `Show only what ${name} does`,
  finishedOrCancelled: "Finished, or cancelled?",
} as const;

export const DIAL = {
  nextInEventsInThe: (time: string, what: string, n: number) =>
    `Next in ${time}: ${what}. ${n === 1 ? "One event" : `${n} events`} in the next hour; the list shows the same.`,
  noHandsNeededInThe: "No hands needed in the next hour.",
  min: (what: number) => `${what} min`,
  nothingForAnHour: "Nothing for an hour",
} as const;

export const PLAN_NOTES = {
  aboutThisPlan: "About this plan",
  danger: "Danger",
  oneStep: "1 step",
  steps: (n: number) => `${n} steps`,
} as const;

export const READY_TO_START = {
  readyWhenYouAre: "Ready when you are",
  theFirstHandsOnStepIs: (name: string, at: string) => `The first hands-on step is ${name}, ${at}. `,
  whatYouPressIsRecorded: "What you press is recorded, and the plan follows what happens.",
  readTheseBeforeYouStart: "Read these before you start",
  youHaveReadThese: "You have read these",
  startTheRun: "Start the run",
  fixWhatIsPastA: "Fix what is past a limit first.",
  stillToRead: (n: number) => `${n} still to read.`,
} as const;

export const STEP_CARDS = {
  checkNow: "Check now: ",
  check: (at: string) => `Check ${at}: `,
  running: (name: string) => `Running: ${name}`,
  since: ", since",
  until: "until",
  cInTheMiddle: (probeC: number) => `, ${probeC} °C in the middle`,
  untilAboutIn: (at: string, time: string) => `until about ${at}, in ${time}`,
  dueNow: "due now",
  dueSince: (at: string) => `due since ${at}`,
  saving: "Saving",
  done: "Done",
  resume: "Resume",
  pause: "Pause",
  notYetMinutesMore: (name: string, minutes: number) => `${name}: not yet, ${minutes} minutes more`,
  minMore: "min more",
  undoNamed: (name: string) => `Undo: ${name}`,
  undo: "Undo",
  sinceInRow: "since",
  andUntil: ", until",
  about: "about",
  checkNamed: (name: string) => `Check: ${name}`,
  doneNamed: (at: string) => `done ${at}`,
  sinceNamed: (at: string) => `since ${at}`,
  due: "Due",
  next: "Next",
  withIt: "with",
  start: "Start",
  doneAlreadyNamed: (name: string) => `Done already: ${name}`,
  doneAlready: "Done already",
} as const;

export const AGENDA = {
  checkIt: "check it",
  ends: (name: string) => `${name} ends`,
} as const;

export const PRESS_QUEUE = {
  aDangerHasToBe: "A danger has to be acknowledged first.",
  theServerDidNotTakeIt: "The server did not take it.",
} as const;

/** What fits into a wait. */
export const WINDOW = {
  title: (until: string, minutes: string) => `Free until ${until}, ${minutes}`,
  next: (name: string) => `then: ${name}`,
  fits: (name: string, minutes: string) => `${name}, ${minutes}`,
  nothing: "Nothing that comes later fits in.",
  tooLong: (list: string) => `Do not begin: ${list}. It would not be done in time.`,
} as const;
