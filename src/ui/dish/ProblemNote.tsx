import { PROBLEM_NOTE } from "@/words/recipe";
import type { EditProblem } from "./use-editing";

/** Why a change was not made, what would let it through, and the way on. */
export function ProblemNote({ problem, onClose }: { problem: EditProblem | undefined; onClose: () => void }) {
  if (!problem) return null;
  return (
    <div
      role="alert"
      className="sticky top-0 z-20 mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-l-[4px] border-beet bg-paper py-1.5 pl-3 text-[14px]"
    >
      <span>{problem.text}</span>
      {problem.mend && (
        <button type="button" className="act" onClick={problem.mend.run}>
          {problem.mend.label}
        </button>
      )}
      <button type="button" className="link text-[13.5px]" onClick={onClose}>
        {PROBLEM_NOTE.well}
      </button>
    </div>
  );
}
