// The fields of a step, in groups, with what each is good for.
import { STEP_FIELD_TABLE } from "@/words/editor";
import type { Field } from "./fields";

const LIMIT_FIELD: Field = {
  key: "limit",
  label: STEP_FIELD_TABLE.reason,
  kind: {
    choice: [
      ["quality", "quality"],
      ["safety", "safety"],
    ],
  },
  why: STEP_FIELD_TABLE.safetyLimitsAreNeverStretched,
};

export const TIME_FIELDS: readonly Field[] = [
  { key: "time", label: STEP_FIELD_TABLE.time, kind: "length", why: STEP_FIELD_TABLE.wholeLengthARangeIf },
  { key: "stretch", label: STEP_FIELD_TABLE.canRunLongerBy, kind: "duration", why: STEP_FIELD_TABLE.withoutHarmGivesThePlanRoom },
  { key: "grows", label: STEP_FIELD_TABLE.timeScaling, kind: "number", why: STEP_FIELD_TABLE.scalingHint },
  {
    key: "attention",
    label: STEP_FIELD_TABLE.attention,
    kind: {
      choice: [
        ["hands", STEP_FIELD_TABLE.handsOn],
        ["nearby", "nearby"],
        ["unattended", "unattended"],
      ],
    },
    why: STEP_FIELD_TABLE.decidesWhatCanHappenAt,
  },
  { key: "handsStart", label: STEP_FIELD_TABLE.handsOnAtTheStart, kind: "duration", why: STEP_FIELD_TABLE.withinTheTime },
  { key: "handsEnd", label: STEP_FIELD_TABLE.handsOnAtTheEnd, kind: "duration", why: STEP_FIELD_TABLE.withinTheTime },
  { key: "batches", label: STEP_FIELD_TABLE.batches, kind: "number", why: STEP_FIELD_TABLE.ifItDoesNotFit },
  { key: "sleepOk", label: STEP_FIELD_TABLE.whileEveryoneSleeps, kind: "yes-no", why: STEP_FIELD_TABLE.notForHeatUnlessYou },
  { key: "awayOk", label: STEP_FIELD_TABLE.whileNobodyIsHome, kind: "yes-no", why: STEP_FIELD_TABLE.notForHeatUnlessYou },
  { key: "boils", label: STEP_FIELD_TABLE.comesToAFullBoil, kind: "yes", why: STEP_FIELD_TABLE.makesRawFoodSafe },
  { key: "tags", label: STEP_FIELD_TABLE.noisySmellsFlame, kind: "words", why: STEP_FIELD_TABLE.keptOutOfQuietHours },
  { key: "note", label: STEP_FIELD_TABLE.note, kind: "text", why: STEP_FIELD_TABLE.forTheCook },
];

export const DONE_FIELDS: readonly Field[] = [
  { key: "cue", label: STEP_FIELD_TABLE.doneWhen, kind: "text", why: STEP_FIELD_TABLE.whatYouSeeSmellFeel },
  { key: "probeC", label: STEP_FIELD_TABLE.coreTemperature, kind: "heat", why: STEP_FIELD_TABLE.whenToTakeItOut },
  { key: "restToC", label: STEP_FIELD_TABLE.risesTo, kind: "heat", why: STEP_FIELD_TABLE.whileItRests },
  { key: "checkFrom", label: STEP_FIELD_TABLE.firstLook, kind: "duration", why: STEP_FIELD_TABLE.earliestItCanBeDone },
  { key: "checkEvery", label: STEP_FIELD_TABLE.thenEvery, kind: "duration", why: STEP_FIELD_TABLE.howOften },
];

export const ROUND_FIELDS: readonly Field[] = [
  { key: "what", label: STEP_FIELD_TABLE.what, kind: "text", why: STEP_FIELD_TABLE.skimTurnBaste },
  { key: "every", label: STEP_FIELD_TABLE.every, kind: "length", why: STEP_FIELD_TABLE.howOften },
  { key: "takes", label: STEP_FIELD_TABLE.takes, kind: "duration", why: STEP_FIELD_TABLE.handsOnTime },
  { key: "first", label: STEP_FIELD_TABLE.firstAfter, kind: "duration", why: STEP_FIELD_TABLE.elseAfterOneInterval },
  { key: "until", label: STEP_FIELD_TABLE.lastBy, kind: "duration", why: STEP_FIELD_TABLE.noRoundsAfterThis },
  { key: "fromEnd", label: STEP_FIELD_TABLE.countedFromTheEnd, kind: "yes", why: STEP_FIELD_TABLE.glazingInTheLastHour },
  { key: "when", label: STEP_FIELD_TABLE.calledBy, kind: "text", why: STEP_FIELD_TABLE.aStateInsteadOfTheClock },
];

export const fieldsOfUse = (kinds: readonly string[], steps: readonly (readonly [string, string])[]): readonly Field[] => [
  {
    key: "what",
    label: STEP_FIELD_TABLE.what,
    kind: { choice: kinds.map((k) => [k, k.replaceAll("-", " ")] as const) },
    why: STEP_FIELD_TABLE.reservedForThisStep,
  },
  { key: "litres", label: STEP_FIELD_TABLE.litres, kind: "number", why: STEP_FIELD_TABLE.sizeNeededOrRoomItTakes },
  { key: "tempC", label: STEP_FIELD_TABLE.at, kind: "heat", why: STEP_FIELD_TABLE.oneSettingAtATime },
  { key: "toleranceC", label: STEP_FIELD_TABLE.giveOrTakeC, kind: "number", why: STEP_FIELD_TABLE.letsTwoThingsShareTheOven },
  { key: "racks", label: STEP_FIELD_TABLE.racks, kind: "number", why: STEP_FIELD_TABLE.doesNotScaleWithTheGuests },
  { key: "count", label: STEP_FIELD_TABLE.howMany, kind: "number", why: STEP_FIELD_TABLE.doesNotScaleWithTheGuests },
  { key: "pieces", label: STEP_FIELD_TABLE.pieces, kind: "number", why: STEP_FIELD_TABLE.whereRoomIsCounted },
  { key: "until", label: STEP_FIELD_TABLE.keptUntil, kind: { choice: steps }, why: STEP_FIELD_TABLE.waitsIncluded },
  {
    key: "part",
    label: STEP_FIELD_TABLE.onlyByHand,
    kind: { choice: [["hands", STEP_FIELD_TABLE.onlyWhileHandsWork]] },
    why: STEP_FIELD_TABLE.aMixerBetweenFolds,
  },
];

export const fieldsOfTake = (outputs: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "from", label: STEP_FIELD_TABLE.ofIt, kind: { choice: outputs }, why: STEP_FIELD_TABLE.startsOnceItIsMade },
  { key: "during", label: STEP_FIELD_TABLE.drawnAfter, kind: "duration", why: STEP_FIELD_TABLE.beforeItIsAllDone },
  { key: "each", label: STEP_FIELD_TABLE.batchByBatch, kind: "yes", why: STEP_FIELD_TABLE.theFirstWhileTheSecondCooks },
];

export const fieldsOfLink = (steps: readonly (readonly [string, string])[]): readonly Field[] => [
  { key: "step", label: STEP_FIELD_TABLE.after, kind: { choice: steps }, why: STEP_FIELD_TABLE.mustBeFinishedFirst },
  {
    key: "from",
    label: STEP_FIELD_TABLE.countedFromIts,
    kind: {
      choice: [
        ["end", "end"],
        ["start", "start"],
      ],
    },
    why: STEP_FIELD_TABLE.aRiseCountsFromItsStart,
  },
  { key: "min", label: STEP_FIELD_TABLE.atLeast, kind: "duration", why: STEP_FIELD_TABLE.aWaitThatIsNeeded },
  { key: "best", label: STEP_FIELD_TABLE.best, kind: "pair", why: STEP_FIELD_TABLE.whatThePlanTriesFor },
  { key: "max", label: STEP_FIELD_TABLE.atMost, kind: "duration", why: STEP_FIELD_TABLE.longestWait },
  LIMIT_FIELD,
  {
    key: "place",
    label: STEP_FIELD_TABLE.where,
    kind: {
      choice: [
        ["counter", "counter"],
        ["fridge", "fridge"],
        ["freezer", "freezer"],
        ["cellar", "cellar"],
        ["hot", STEP_FIELD_TABLE.keptHot],
      ],
    },
    why: STEP_FIELD_TABLE.roomThereIsCounted,
  },
  { key: "litres", label: STEP_FIELD_TABLE.litres, kind: "number", why: STEP_FIELD_TABLE.roomItTakesThere },
];

/** What hangs on the kitchen and on the rest of the dish. */
export const bondFields = (
  cooks: readonly (readonly [string, string])[],
  steps: readonly (readonly [string, string])[],
): readonly Field[] => [
  { key: "cook", label: STEP_FIELD_TABLE.onlyBy, kind: { choice: cooks }, why: STEP_FIELD_TABLE.otherwiseAnyone },
  { key: "piece", label: STEP_FIELD_TABLE.pauseAfter, kind: "duration", why: STEP_FIELD_TABLE.andContinueLater },
  { key: "within", label: STEP_FIELD_TABLE.whileThisRuns, kind: { choice: steps }, why: STEP_FIELD_TABLE.steamingOverAStock },
  { key: "danger", label: STEP_FIELD_TABLE.cautions, kind: "words", why: STEP_FIELD_TABLE.toldOnTheStep },
];
