"use client";
import { explained } from "@/core/bench/how";
import type { Made } from "@/core/bench/panel";
import { HOW_CALCULATED } from "@/words/bench";

/** Formula, inputs, school and source of every calculation behind the figures, each as it can be made again on the command line. */
export function HowCalculated({ made }: { readonly made: readonly Made[] }) {
  return (
    <details className="my-3 max-w-[46rem] text-[13.5px]">
      <summary className="cursor-pointer text-rim">{HOW_CALCULATED.howItIsCalculated}</summary>
      <dl>
        {made.map((m) => {
          const told = explained(m);
          return (
            <div key={`${m.name} ${JSON.stringify(m.input)}`} className="border-t border-rule py-2">
              <dt className="font-semibold">{told.says}</dt>
              <dd>{told.formula}</dd>
              <dd className="text-quiet">
                {HOW_CALCULATED.from}{" "}
                {told.inputs.map(([name, value], i) => (
                  <span key={name}>
                    {i > 0 && ", "}
                    {name} <span className="clock text-[12.5px] break-words">{value}</span>
                  </span>
                ))}
              </dd>
              {told.school && (
                <dd>
                  {HOW_CALCULATED.school} {told.school}.
                </dd>
              )}
              <dd className="text-quiet">
                {HOW_CALCULATED.source} {told.source}.
              </dd>
            </div>
          );
        })}
      </dl>
    </details>
  );
}
