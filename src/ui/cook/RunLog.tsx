"use client";
// The log of the run: who did what, when. Every line can be undone, its minute corrected, and what was forgotten added.
import { useState } from "react";
import type { Entry } from "@/core/record/entries";
import type { LogLine } from "@/core/record/log-lines";
import { readTimeOfDay } from "@/core/spoken/typed-moment";
import type { WallClock } from "@/core/time/wall-clock";
import type { StepView } from "@/core/view/plan-view";
import { didWhat, LOG } from "@/words/cook";
import { Choice } from "../shell/Choice";
import { isSaved } from "../shell/use-entries";
import { merged, useWritten, type Written } from "./written";

interface RunLogProps {
  readonly lines: readonly LogLine[];
  readonly steps: readonly StepView[];
  readonly components: readonly { readonly id: string; readonly name: string }[];
  readonly clock: WallClock;
  readonly now: number;
  /** What was written down beside the presses. */
  readonly entries: readonly Entry[];
  readonly onWithdraw: (id: number) => void;
  readonly onUndo: (line: LogLine) => void;
  /** The same entry at another minute. */
  readonly onCorrect: (line: LogLine, at: number) => void;
  readonly onAdd: (kind: "started" | "ended", step: string, at: number) => void;
}

const SMALL = "link min-h-[44px] px-2 text-[14px]";

export function RunLog({ lines, steps, components, clock, now, entries, onWithdraw, onUndo, onCorrect, onAdd }: RunLogProps) {
  const [correcting, setCorrecting] = useState<number>();
  const [adding, setAdding] = useState(false);
  const written = useWritten(entries, steps, components);
  return (
    <section aria-label={LOG.title} id="log" className="mt-8 border-t-2 border-rim pt-3">
      <h2 className="text-[21px]">{LOG.title}</h2>
      {lines.length + written.length === 0 && <p className="text-[15px] text-quiet">{LOG.empty}</p>}
      <ol>
        {merged(lines, written).map((one) =>
          "text" in one ? (
            <WrittenLine key={`w${one.id}`} line={one} clock={clock} onWithdraw={onWithdraw} />
          ) : (
            <PressLine
              key={one.sequence}
              line={one}
              clock={clock}
              now={now}
              correcting={correcting === one.sequence}
              onCorrecting={setCorrecting}
              onUndo={onUndo}
              onCorrect={onCorrect}
            />
          ),
        )}
      </ol>
      {adding ? (
        <AddEntry steps={steps} clock={clock} now={now} onAdd={onAdd} onClose={() => setAdding(false)} />
      ) : (
        <button type="button" className="link min-h-[44px] px-1 text-[15px]" onClick={() => setAdding(true)}>
          {LOG.add}
        </button>
      )}
    </section>
  );
}

interface PressLineProps extends Pick<RunLogProps, "clock" | "now" | "onUndo" | "onCorrect"> {
  readonly line: LogLine;
  readonly correcting: boolean;
  readonly onCorrecting: (sequence: number | undefined) => void;
}

function PressLine({ line, clock, now, correcting, onCorrecting, onUndo, onCorrect }: PressLineProps) {
  return (
    <li className="border-t border-rule py-1">
      <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 sm:grid-cols-[6.4rem_1fr_auto]">
        <span className="clock text-[15px]">{clock.dayTime(line.at)}</span>
        <span className="text-[16px]">
          {didWhat(line)}: {line.name}{" "}
          <span className="text-[13.5px] text-quiet">{[line.component, line.by].filter(Boolean).join(", ")}</span>
        </span>
        <span className="flex max-sm:col-start-2">
          <button
            type="button"
            className={SMALL}
            onClick={() => onCorrecting(correcting ? undefined : line.sequence)}
            aria-label={`${LOG.correct}: ${didWhat(line)}, ${line.name}`}
          >
            {LOG.correct}
          </button>
          <button type="button" className={SMALL} onClick={() => onUndo(line)} aria-label={`${LOG.undo}: ${didWhat(line)}, ${line.name}`}>
            {LOG.undo}
          </button>
        </span>
      </div>
      {correcting && (
        <TimeField
          at={line.at}
          clock={clock}
          latest={line.kind === "estimate" ? Number.POSITIVE_INFINITY : now}
          onSave={(at) => {
            onCorrecting(undefined);
            onCorrect(line, at);
          }}
          onCancel={() => onCorrecting(undefined)}
        />
      )}
    </li>
  );
}

function WrittenLine({ line, clock, onWithdraw }: { readonly line: Written } & Pick<RunLogProps, "clock" | "onWithdraw">) {
  return (
    <li className="grid grid-cols-[auto_1fr] items-center gap-x-3 border-t border-rule py-1 sm:grid-cols-[6.4rem_1fr_auto]">
      <span className="clock text-[15px]">{clock.dayTime(line.at)}</span>
      <span className="min-w-0 text-[16px] break-words">
        {line.text} {line.step && <span className="text-[13.5px] text-quiet">{line.step}</span>}
      </span>
      {isSaved(line.id) && (
        <button
          type="button"
          className={`${SMALL} max-sm:col-start-2 max-sm:justify-self-start`}
          aria-label={`${LOG.undo}: ${line.text}`}
          onClick={() => onWithdraw(line.id)}
        >
          {LOG.undo}
        </button>
      )}
    </li>
  );
}

interface TimeFieldProps {
  readonly at: number;
  readonly clock: WallClock;
  readonly latest: number;
  readonly onSave: (at: number) => void;
  readonly onCancel: () => void;
}

/** A time of day near a minute: the one of the same day, or of the day before where it would lie in the future. */
function TimeField({ at, clock, latest, onSave, onCancel }: TimeFieldProps) {
  const [text, setText] = useState(clock.time(at));
  const [wrong, setWrong] = useState(false);
  const save = () => {
    const minute = minuteNear(text, at, clock, latest);
    if (minute === undefined) setWrong(true);
    else onSave(minute);
  };
  return (
    <form
      className="flex flex-wrap items-center gap-3 py-1.5 pl-[6.7rem]"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <label className="text-[15px]">
        {LOG.when}{" "}
        <input
          className="clock min-h-[44px] w-[5.5rem] border-b border-rim bg-transparent px-2 text-[17px]"
          value={text}
          inputMode="numeric"
          aria-invalid={wrong}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(false);
          }}
        />
      </label>
      <button type="submit" className="act min-h-[44px] px-4">
        {LOG.save}
      </button>
      <button type="button" className={SMALL} onClick={onCancel}>
        {LOG.cancel}
      </button>
      {wrong && (
        <span role="alert" className="text-[14px] text-beet">
          {LOG.wrongTime}
        </span>
      )}
    </form>
  );
}

/** "19:40" or "7.40" on the day of a minute; the day before where that would be later than it may be. Undefined where it is no time. */
export function minuteNear(text: string, at: number, clock: WallClock, latest: number): number | undefined {
  const minute = readTimeOfDay(text);
  if (minute === undefined) return undefined;
  const same = at + minute - clock.timeOfDay(at);
  return [same, same - 1440].find((minute) => minute <= latest);
}

interface AddEntryProps {
  readonly steps: readonly StepView[];
  readonly clock: WallClock;
  readonly now: number;
  readonly onAdd: RunLogProps["onAdd"];
  readonly onClose: () => void;
}

function AddEntry({ steps, clock, now, onAdd, onClose }: AddEntryProps) {
  const open = steps.filter((s) => s.state !== "done");
  const [step, setStep] = useState(open[0]?.ref ?? "");
  const [kind, setKind] = useState<"started" | "ended">("ended");
  const field = "min-h-[44px] text-[16px]";
  return (
    <div className="border-t border-rule py-2">
      <div className="flex flex-wrap gap-3">
        <span className="text-[15px]">
          {LOG.step}{" "}
          <Choice label={LOG.step} className={field} value={step} options={open.map((s) => [s.ref, s.name])} onChange={setStep} />
        </span>
        <span className="text-[15px]">
          {LOG.what}{" "}
          <Choice
            label={LOG.what}
            className={field}
            value={kind}
            options={[
              ["started", "Started"],
              ["ended", "Done"],
            ]}
            onChange={(k) => setKind(k as "started" | "ended")}
          />
        </span>
      </div>
      <TimeField
        at={now}
        clock={clock}
        latest={now}
        onSave={(at) => {
          onAdd(kind, step, at);
          onClose();
        }}
        onCancel={onClose}
      />
    </div>
  );
}
