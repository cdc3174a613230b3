import { spokenDuration } from "@/core/time/duration";
import type { WallClock } from "@/core/time/wall-clock";
import { DIAL } from "@/words/cook";
import { colourOf } from "../route-chart/colours";
import type { DialMark } from "./agenda";

interface DialProps {
  readonly marks: readonly DialMark[];
  readonly now: number;
  readonly kindOf: (component: string) => string;
  readonly clock: WallClock;
}

const MOST_TWINS = 3;
const SHAPES = { start: "starts", round: "round", check: "check", end: "ends" } as const;

/** The next sixty minutes as a face: now at the top, what will call for hands at its minute round the rim. */
export function Dial({ marks, now, kindOf, clock }: DialProps) {
  const next = marks[0];
  const point = (minute: number, radius: number) => {
    const angle = ((minute - now) / 60) * 2 * Math.PI;
    return [180 + radius * Math.sin(angle), 180 - radius * Math.cos(angle)] as const;
  };
  return (
    <svg
      viewBox="0 0 360 360"
      className="mx-auto block w-full max-w-[290px] md:max-w-[400px]"
      role="img"
      aria-label={next ? DIAL.nextInEventsInThe(spokenDuration(next.at - now), next.what, marks.length) : DIAL.noHandsNeededInThe}
    >
      {Array.from({ length: 60 }, (_, i) => {
        const [x0, y0] = point(now + i, 164);
        const [x1, y1] = point(now + i, i % 5 === 0 ? 176 : 170);
        return <line key={`${x0} ${y0}`} x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--ink)" strokeWidth={i % 5 === 0 ? 2.2 : 1} />;
      })}
      <circle cx={180} cy={180} r={148} fill="var(--raised)" stroke="var(--rim)" strokeWidth={13} />
      <circle cx={180} cy={180} r={136} fill="none" stroke="var(--rule)" strokeWidth={1} />
      {marks.map((mark, i) => {
        // Two or three at one minute stand side by side, each a little further in; more are left to the list.
        const twins = marks.slice(0, i).filter((m) => Math.abs(m.at - mark.at) < 2).length;
        if (twins >= MOST_TWINS) return null;
        const [x, y] = point(mark.at, 148 - twins * 17);
        const colour = colourOf(kindOf(mark.step.component));
        return (
          <g
            key={`${mark.at} ${mark.kind} ${mark.step.ref}`}
            transform={`translate(${x} ${y})`}
            fill={colour}
            stroke="var(--raised)"
            strokeWidth={3}
          >
            {mark.kind === "round" ? (
              <circle r={10} />
            ) : mark.kind === "check" ? (
              <path d="M0-12 12 0 0 12-12 0z" />
            ) : mark.kind === "end" ? (
              <rect x={-9.5} y={-9.5} width={19} height={19} />
            ) : (
              <path d="M0-12 11.5 9h-23z" />
            )}
          </g>
        );
      })}
      <path d="M168 2h24l-12 20z" fill="var(--saffron)" />
      <foreignObject x={62} y={82} width={236} height={196}>
        <div className="flex h-full flex-col items-center justify-center text-center">
          {next ? (
            <>
              <span className="font-serif text-[50px] leading-none font-semibold">{next.at <= now ? "now" : DIAL.min(next.at - now)}</span>
              <span className="mt-1 text-[19px] leading-tight font-semibold">{next.what}</span>
              <span className="mt-0.5 text-[14px] text-quiet">
                {SHAPES[next.kind]} {clock.time(next.at)}
              </span>
            </>
          ) : (
            <span className="font-serif text-[26px] leading-tight">{DIAL.nothingForAnHour}</span>
          )}
        </div>
      </foreignObject>
    </svg>
  );
}
