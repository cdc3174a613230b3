// Batches that are followed without a plan.
import type { BatchBody } from "../core/record/batches";
import type { ReadingQuantity } from "../core/record/entries";
import { WRITE_DOWN } from "./record";

export const BATCHES = {
  title: "Followed without a plan",
  lead: "A starter, a vinegar, a ham that dries: what you read and do, over weeks.",
  begin: "Follow a batch",
  name: "What is it?",
  nameHint: "Rye starter, cider vinegar, air-dried ham",
  aim: "When is it ready?",
  aims: { none: "I can tell myself", loss: "When it has lost weight", value: "At a reading" },
  percent: "Loss in %",
  target: "Value",
  add: "Begin",
  since: (at: string) => `since ${at}`,
  ended: (from: string, to: string) => `${from} to ${to}`,
  counts: (n: number, last: string) => (n === 0 ? "nothing written down yet" : `${n} written down, last ${last}`),
  end: "It has ended",
  goOn: "It goes on",
  toNotebook: "To the notebook",
  writeDown: "Write down",
  done: "What was done",
  doneHint: "fed 50 g rye, 50 g water",
  again: (what: string) => `Again: ${what}`,
  reading: "Reading",
  note: "Note",
  when: "When",
  whenHint: "Now, if nothing is said.",
  save: "Save",
  saved: "Saved.",
  future: "That is still to come. Leave it out for now.",
  log: "Log",
  nothing: "Nothing is written down yet.",
  takeBack: "Undo",
  takeBackNamed: (what: string) => `Undo: ${what}`,
  chart: (quantity: string) => `${quantity} over time`,
  time: "Time",
  lost: (percent: string, target: string) => `${percent} % lost of ${target} %.`,
  stands: (value: string, target: string) => `${value} now; ready at ${target}.`,
  reached: "It is there.",
  likely: (at: string) => `Likely about ${at}.`,
  between: (soonest: string, latest: string) => `Between ${soonest} and ${latest}.`,
  cannotTell: "Two readings a day or more apart say when it will be there.",
  lookFirst: "Weight says when it is dry enough, not that it is safe: look, smell and follow your recipe's limits first.",
} as const;

/** What one entry says in its log. @param value a reading as its reader says it */
export function batchWords(body: BatchBody, value: (quantity: ReadingQuantity, value: number) => string): string {
  switch (body.kind) {
    case "reading":
      return `${WRITE_DOWN.quantity[body.quantity]} ${value(body.quantity, body.value)}`;
    case "done":
      return body.what;
    case "note":
      return body.text;
    case "photograph":
      return body.text ? `Photograph: ${body.text}` : "Photograph";
    case "withdrawn":
      return "";
  }
}
