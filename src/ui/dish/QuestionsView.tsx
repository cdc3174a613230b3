"use client";
import Link from "next/link";
import { useMemo, useState } from "react";
import { askAgain, dismissQuestion, type Question, questionsOf } from "@/core/dish/questions";
import type { DishFile } from "@/core/dish/schema";
import { spokenTexts } from "@/core/view/spoken-texts";
import { QUESTIONS_VIEW } from "@/words/recipe";
import { useConventions } from "../shell/conventions";
import { PlanNote, type PlanStateOf } from "./PlanNote";
import { ProblemNote } from "./ProblemNote";
import { type Edit, useEditing } from "./use-editing";

interface QuestionsViewProps {
  readonly slug: string;
  readonly version: number;
  readonly document: DishFile;
  readonly plan: PlanStateOf;
}

/** What an experienced cook would ask, the weightiest first: answered in place, or put aside with a reason. */
export function QuestionsView({ slug, version, document: given, plan }: QuestionsViewProps) {
  const { document, edit, problem, clearProblem, saving } = useEditing(slug, given, version);
  const conventions = useConventions();
  const { open, dismissed } = useMemo(() => spokenTexts(questionsOf(document), conventions), [document, conventions]);
  return (
    <div className="mx-auto max-w-[54rem] px-5 pt-4 pb-14 sm:px-7">
      <h1 className="text-[25px]">{QUESTIONS_VIEW.openQuestions}</h1>
      <PlanNote slug={slug} plan={plan} saving={saving} />
      <ProblemNote problem={problem} onClose={clearProblem} />
      {open.length === 0 && (
        <p className="py-4">
          {QUESTIONS_VIEW.noOpenQuestions}{" "}
          <Link href={`/d/${slug}/timetable`} className="link">
            {QUESTIONS_VIEW.seeTheTimetable}
          </Link>
          {QUESTIONS_VIEW.orLookAtThe}{" "}
          <Link href={`/d/${slug}/dish/amounts`} className="link">
            {QUESTIONS_VIEW.amounts}
          </Link>
          .
        </p>
      )}
      <ol aria-label={QUESTIONS_VIEW.questions} className="pt-2">
        {open.map((q) => (
          <QuestionRow key={q.id} slug={slug} question={q} document={document} edit={edit} />
        ))}
      </ol>
      {dismissed.length > 0 && (
        <section aria-label={QUESTIONS_VIEW.skipped} className="pt-6">
          <h2 className="text-[18px]">{QUESTIONS_VIEW.skipped}</h2>
          <ul className="text-[14px]">
            {dismissed.map(({ question, reason }) => (
              <li key={question.id} className="flex items-baseline justify-between gap-4 border-t border-rule py-1.5">
                <span>
                  {question.text} <span className="text-quiet">{reason}</span>
                </span>
                <button
                  type="button"
                  className="link shrink-0 text-[13.5px]"
                  onClick={() => edit(QUESTIONS_VIEW.aQuestionAgain, (d) => askAgain(d, question.id))}
                >
                  {QUESTIONS_VIEW.askAgain}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function QuestionRow({ slug, question, document, edit }: { slug: string; question: Question; document: DishFile; edit: Edit }) {
  const { answers, typed } = question;
  const [text, setText] = useState("");
  const [aside, setAside] = useState<string>();
  const component = document.components.find((c) => c.id === question.component);
  const label = (answer: string) => `${component ? `${component.name}: ` : ""}${answer}`.slice(0, 110);
  return (
    <li className="border-t border-rule py-3" data-question={question.id}>
      <p className="text-[16px]">
        {question.weight >= 80 && <span className="caps mr-2 text-beet">{QUESTIONS_VIEW.first}</span>}
        {question.text}
      </p>
      <p className="text-[13.5px] text-quiet">
        {question.why}{" "}
        {component && (
          <Link href={`/d/${slug}/dish?c=${component.id}`} className="link">
            {component.name}
          </Link>
        )}
      </p>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 pt-2">
        {answers.map((a) => (
          <button key={a.label} type="button" className="act" onClick={() => edit(label(a.label), a.apply)}>
            {a.label}
          </button>
        ))}
        {typed && (
          <form
            className="flex max-w-full flex-wrap items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              if (edit(label(text), (d) => typed.apply(d, text))) setText("");
            }}
          >
            <label className="flex max-w-full flex-wrap items-center gap-x-2 text-[14px]">
              <span className="text-quiet">{typed.prompt}</span>
              <input
                className="field w-64 max-w-full text-[14px]"
                value={text}
                onChange={(e) => setText(e.target.value)}
                placeholder={typed.example}
                autoComplete="off"
                aria-label={`${typed.prompt}: ${question.text}`}
              />
            </label>
            <button type="submit" className="act" disabled={text.trim() === ""}>
              {QUESTIONS_VIEW.answer}
            </button>
          </form>
        )}
        {aside === undefined ? (
          <button type="button" className="link text-[13.5px]" onClick={() => setAside("")}>
            {QUESTIONS_VIEW.skip}
            <span className="sr-only">: {question.text}</span>
          </button>
        ) : (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              edit(label(QUESTIONS_VIEW.questionSkipped), (d) => dismissQuestion(d, question.id, aside));
            }}
          >
            <input
              ref={(box) => box?.focus()}
              className="field w-56 text-[14px]"
              value={aside}
              onChange={(e) => setAside(e.target.value)}
              placeholder={QUESTIONS_VIEW.because}
              aria-label={QUESTIONS_VIEW.whyYouSkipIt(question.text)}
            />
            <button type="submit" className="act">
              {QUESTIONS_VIEW.skip}
            </button>
          </form>
        )}
      </div>
    </li>
  );
}
