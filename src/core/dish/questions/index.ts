// Completeness: the open questions about a dish, ranked. Each rule looks at one thing; all are listed here.
import type { DishFile } from "../schema";
import { amountQuestions } from "./amounts";
import { donenessQuestions, heatQuestions, timeQuestions } from "./cooking";
import type { Question } from "./question";
import { saltAndWaterQuestions } from "./salt-and-water";
import { holdQuestions, restQuestions } from "./standing";
import { fallbackQuestions, tableQuestions } from "./table";

export type { Answer, Question, Typed } from "./question";

const RULES: readonly ((document: DishFile) => Question[])[] = [
  restQuestions,
  holdQuestions,
  heatQuestions,
  donenessQuestions,
  timeQuestions,
  amountQuestions,
  saltAndWaterQuestions,
  fallbackQuestions,
  tableQuestions,
];

export interface Questions {
  readonly open: readonly Question[];
  readonly dismissed: readonly { readonly question: Question; readonly reason: string }[];
}

/** All questions of a document, the weightiest first, apart from those that the cook has put aside. */
export function questionsOf(document: DishFile): Questions {
  const all = RULES.flatMap((rule) => rule(document)).sort((a, b) => b.weight - a.weight || (a.id < b.id ? -1 : 1));
  const reasons = new Map((document.dismissed ?? []).map((d) => [d.question, d.reason]));
  return {
    open: all.filter((q) => !reasons.has(q.id)),
    dismissed: all.flatMap((question) => {
      const reason = reasons.get(question.id);
      return reason === undefined ? [] : [{ question, reason }];
    }),
  };
}

/** The question put aside, with the reason. */
export function dismissQuestion(document: DishFile, id: string, reason: string): DishFile {
  const others = (document.dismissed ?? []).filter((d) => d.question !== id);
  return { ...document, dismissed: [...others, { question: id, reason: reason.trim() || "meant so" }] };
}

/** The question asked again. */
export function askAgain(document: DishFile, id: string): DishFile {
  const others = (document.dismissed ?? []).filter((d) => d.question !== id);
  const { dismissed: _, ...rest } = document;
  return others.length ? { ...rest, dismissed: others } : rest;
}
