import type { WaitView } from "@/core/view/plan-view";
import { windowWords } from "./words";

/** The window of a wait: least, best, longest, and where today's wait lies in it. Safety is told apart from quality. */
export function HoldWindow({ wait }: { wait: WaitView }) {
  const window = wait.window;
  const length = wait.to - wait.from;
  if (!window) return null;
  const end = Math.max(length, window.max ?? 0, window.best?.[1] ?? 0, window.min) * 1.06;
  const at = (minutes: number) => 4 + (minutes / end) * 232;
  return (
    <div>
      <svg width="240" height="22" viewBox="0 0 240 22" aria-hidden="true" className="max-w-full">
        <line x1={4} x2={236} y1={15} y2={15} stroke="var(--rule)" strokeWidth={1.5} />
        <line x1={at(window.min)} x2={at(window.max ?? end)} y1={15} y2={15} stroke="var(--quiet)" strokeWidth={2} />
        {window.best && <line x1={at(window.best[0])} x2={at(window.best[1])} y1={15} y2={15} stroke="var(--leaf)" strokeWidth={6} />}
        {window.min > 0 && <line x1={at(window.min)} x2={at(window.min)} y1={9} y2={21} stroke="var(--ink)" strokeWidth={1.6} />}
        {window.max !== undefined && (
          <line
            x1={at(window.max)}
            x2={at(window.max)}
            y1={8}
            y2={22}
            stroke={window.limit === "safety" ? "var(--beet)" : "var(--quiet)"}
            strokeWidth={window.limit === "safety" ? 2.6 : 1.4}
          />
        )}
        <path d={`M${at(length) - 5} 1h10l-5 8z`} fill="var(--saffron)" />
      </svg>
      <p className="text-[12.5px] text-quiet">{windowWords(wait)}</p>
    </div>
  );
}
