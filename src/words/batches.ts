// Batches that are followed without a plan.
import type { BatchBody } from "../core/record/batches";
import type { ReadingQuantity } from "../core/record/entries";
import { WRITE_DOWN } from "./record";

export const BATCHES = {
  title: "Followed without a plan",
  lead: "A starter, a vinegar, a drying ham: readings, work and notes over weeks.",
  begin: "Follow a batch",
  name: "What is it?",
  nameHint: "Rye starter, cider vinegar, air-dried ham",
  aim: "When is it ready?",
  aims: { none: "I decide myself", loss: "After a loss of weight", value: "When a reading reaches a value" },
  percent: "Loss in %",
  target: "Value",
  add: "Begin",
  since: (at: string) => `since ${at}`,
  ended: (from: string, to: string) => `${from} to ${to}`,
  counts: (n: number, last: string) => (n === 0 ? "nothing written down yet" : `${n} written down, last ${last}`),
  end: "End this batch",
  goOn: "Continue this batch",
  toNotebook: "To the notebook",
  writeDown: "Write down",
  done: "What was done",
  doneHint: "fed 50 g rye, 50 g water",
  again: (what: string) => `Again: ${what}`,
  reading: "Reading",
  note: "Note",
  when: "When",
  whenHint: "Leave empty for now.",
  save: "Save",
  saved: "Saved.",
  future: "That time is in the future. Leave it empty for now.",
  log: "Log",
  nothing: "Nothing is written down yet.",
  takeBack: "Undo",
  takeBackNamed: (what: string) => `Undo: ${what}`,
  chart: (quantity: string) => `${quantity} over time`,
  time: "Time",
  ready: "ready",
  lost: (percent: string, target: string) => `${percent} % lost, ready at ${target} %.`,
  stands: (value: string, target: string) => `${value} now; ready at ${target}.`,
  reached: "Ready.",
  likely: (at: string) => `Likely about ${at}.`,
  between: (soonest: string, latest: string) => `Between ${soonest} and ${latest}.`,
  cannotTell: "Take readings at least a day apart for an estimate.",
  lookFirst: "Weight shows that it is dry enough, not that it is safe. Follow your recipe's limits, and look at it and smell it first.",
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
