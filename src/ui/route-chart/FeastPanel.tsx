"use client";
import { useState } from "react";
import { lower } from "@/core/sentence";
import { FEAST_PANEL } from "@/words/timetable-panels";
import type { Tried } from "@/workers/plan-desk";
import type { Trials } from "../planning/use-trial";
import { Choice } from "../shell/Choice";

interface FeastPanelProps {
  /** The other dishes of this kitchen. */
  readonly others: readonly { readonly slug: string; readonly name: string }[];
  readonly courses: readonly string[];
  readonly quieted: ReadonlySet<string>;
  readonly onQuiet: (course: string) => void;
  readonly trials: Trials;
}

const AFTER: readonly (readonly [string, string])[] = [
  ["0", FEAST_PANEL.atTheSameMoment],
  ["-45", FEAST_PANEL.threeQuartersOfAnHourBefore],
  ["30", FEAST_PANEL.halfAnHourAfter],
  ["45", FEAST_PANEL.threeQuartersOfAnHourAfter],
  ["90", FEAST_PANEL.anHourAndAHalfAfter],
  ["own", FEAST_PANEL.atItsOwnTime],
];

/** What stands on the table: each course quieted or shown, another dish added and looked at before it is kept. */
export function FeastPanel({ others, courses, quieted, onQuiet, trials }: FeastPanelProps) {
  const [other, setOther] = useState(others[0]?.slug ?? "");
  const [after, setAfter] = useState("30");
  const add = () => {
    const dish = others.find((d) => d.slug === other);
    if (!dish) return;
    const when = AFTER.find(([value]) => value === after)?.[1] ?? "";
    void trials.attempt(FEAST_PANEL.atTheSameMeal(dish.name, when), async (shell) => {
      const answer = await fetch(`/api/dishes/${dish.slug}`);
      if (!answer.ok) return { status: "unfit", because: FEAST_PANEL.theOtherDishCouldNot };
      return (await shell.join(await answer.json(), after === "own" ? undefined : Number(after))) as Tried;
    });
  };
  return (
    <div className="text-[14px]">
      {courses.length > 1 && (
        <ul aria-label={FEAST_PANEL.courses} className="mb-2">
          {courses.map((course) => (
            <li key={course} className="flex items-baseline justify-between gap-2 border-t border-rule py-1">
              <label className="flex cursor-pointer items-baseline gap-2">
                <input type="checkbox" className="accent-(--rim)" checked={!quieted.has(course)} onChange={() => onQuiet(course)} />
                {course}
              </label>
              <button
                type="button"
                className="link text-[12.5px]"
                aria-label={FEAST_PANEL.remove(lower(course))}
                onClick={() =>
                  void trials.attempt(FEAST_PANEL.without(lower(course)), async (shell) => (await shell.without(course)) as Tried)
                }
              >
                {FEAST_PANEL.off}
              </button>
            </li>
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <div className="grid gap-1.5">
          <span className="text-[13px] text-quiet">{FEAST_PANEL.anotherDish}</span>
          <Choice label={FEAST_PANEL.anotherDish} value={other} options={others.map((d) => [d.slug, d.name])} onChange={setOther} />
          <span className="text-[13px] text-quiet">{FEAST_PANEL.served}</span>
          <Choice label={FEAST_PANEL.served} value={after} options={AFTER} onChange={setAfter} />
          <button type="button" className="act justify-self-start" onClick={add}>
            {FEAST_PANEL.tryIt}
          </button>
        </div>
      )}
    </div>
  );
}
