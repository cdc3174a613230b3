"use client";
import type { DishOutput, StepPlace } from "@/core/dish/edit/places";
import { withStep } from "@/core/dish/edit/places";
import { addOutput } from "@/core/dish/edit/streams";
import { saidHold } from "@/core/dish/questions/standing";
import type { DishFile, DishStep } from "@/core/dish/schema";
import type { Amount } from "@/core/dish/schema-values";
import { readAmount } from "@/core/entry/amounts";
import { readHold } from "@/core/entry/hold-line";
import type { LineContext } from "@/core/entry/step-draft";
import { holdText } from "@/core/entry/step-line-text";
import { CAUTION_IDS, cautionOf } from "@/core/foods/cautions";
import { HOLDS_SOURCE, proposedHolds } from "@/core/foods/holds";
import { STEP_FIELDS } from "@/words/editor";
import { type Field, Fields } from "./fields";
import { LineInput } from "./line-input";
import { bondFields, DONE_FIELDS, fieldsOfLink, fieldsOfTake, fieldsOfUse, ROUND_FIELDS, TIME_FIELDS } from "./step-field-table";
import type { Edit } from "./use-editing";

interface StepFieldsProps {
  readonly document: DishFile;
  readonly place: StepPlace;
  readonly step: DishStep;
  readonly context: LineContext;
  readonly kinds: readonly string[];
  readonly edit: Edit;
  readonly onProblem: (text: string) => void;
}

/** All that can be said of a step, field by field. */
export function StepFields({ document, place, step, context, kinds, edit, onProblem }: StepFieldsProps) {
  const name = step.name ?? step.id;
  const component = document.components.find((c) => c.id === place.component);
  const put = (label: string, change: (s: DishStep) => DishStep) =>
    edit(`${name}: ${label.toLowerCase()}`, (d) => withStep(d, place, change));
  const without = (object: object, key: string) => Object.fromEntries(Object.entries(object).filter(([k]) => k !== key));
  const set = <T extends object>(object: T, key: string, value: unknown): T =>
    value === undefined ? (without(object, key) as T) : { ...object, [key]: value };
  const steps = context.steps.map((s) => [s.ref, `${s.name} (${nameOf(document, s.ref)})`] as const);
  const outputs = context.outputs.map((o) => [o.ref, o.name] as const);
  const tends = step.tend === undefined ? [] : Array.isArray(step.tend) ? step.tend : [step.tend];
  const links = (step.after ?? []).map((l) => (typeof l === "string" ? { step: l } : l));
  const whole = (ref: string) => (ref.includes(".") ? ref : `${place.component}.${ref}`);
  return (
    <div className="my-2 border-l-[3px] border-rule pl-4" data-fields={step.id}>
      <Fields
        fields={TIME_FIELDS}
        value={step}
        of={name}
        onProblem={onProblem}
        onChange={(key, value, label) => put(label, (s) => (key === "time" && value === undefined ? s : set(s, key, value)))}
      />
      <Group title={STEP_FIELDS.dependsOn}>
        <Fields
          fields={bondFields(
            (document.kitchen?.cooks ?? []).map((c) => [c.id, c.name ?? c.id] as const),
            steps,
          )}
          value={{ cook: step.cooks?.[0], piece: step.split?.minPiece, within: step.within && whole(step.within), danger: step.danger }}
          of={name}
          onProblem={onProblem}
          onChange={(key, value, label) => {
            if (key === "danger") {
              const unknown = ((value as string[] | undefined) ?? []).find((id) => !cautionOf(id));
              if (unknown) {
                onProblem(STEP_FIELDS.thereIsNoCautionKnown(unknown, CAUTION_IDS.join(", ")));
                return false;
              }
            }
            return put(label, (s) => {
              if (key === "cook") return set(s, "cooks", value === undefined ? undefined : [value]);
              if (key === "piece") return set(s, "split", value === undefined ? undefined : { minPiece: value });
              return set(s, key, value);
            });
          }}
        />
      </Group>
      <Group title={STEP_FIELDS.doneness}>
        <Fields
          fields={DONE_FIELDS}
          value={step.done ?? {}}
          of={name}
          onProblem={onProblem}
          onChange={(key, value, label) =>
            put(label, (s) => {
              const done = set(s.done ?? {}, key, value);
              return Object.keys(done).length ? { ...s, done } : (without(s, "done") as DishStep);
            })
          }
        />
      </Group>
      <Rows
        title={STEP_FIELDS.rounds}
        add="a round"
        rows={tends}
        fields={ROUND_FIELDS}
        of={name}
        onProblem={onProblem}
        fresh={{ every: "45m", takes: "3m", what: "check it" }}
        onRows={(rows, label) =>
          put(label, (s) =>
            rows.length
              ? { ...s, tend: (rows.length === 1 ? rows[0] : rows) as NonNullable<DishStep["tend"]> }
              : (without(s, "tend") as DishStep),
          )
        }
      />
      <Rows
        title={STEP_FIELDS.uses}
        add="equipment"
        rows={(step.uses ?? []).map((u) => (u.until ? { ...u, until: whole(u.until) } : u))}
        fields={fieldsOfUse(kinds, steps)}
        of={name}
        onProblem={onProblem}
        fresh={{ what: kinds.includes("pot") ? "pot" : (kinds[0] ?? "pot") }}
        onRows={(rows, label) =>
          put(label, (s) => (rows.length ? { ...s, uses: rows as NonNullable<DishStep["uses"]> } : (without(s, "uses") as DishStep)))
        }
      />
      <Rows
        title={STEP_FIELDS.takes}
        add="something from another component"
        rows={(step.takes ?? []).map((t) => ({ ...t, from: whole(t.from) }))}
        fields={fieldsOfTake(outputs)}
        of={name}
        onProblem={onProblem}
        fresh={outputs[0] ? { from: outputs.find(([ref]) => !ref.startsWith(`${place.component}.`))?.[0] ?? outputs[0][0] } : undefined}
        extra={(row, change) => (
          <AmountLine
            label={STEP_FIELDS.amountUsedBy(name)}
            amount={(row as { amount?: Amount }).amount}
            onAmount={(amount) => change(amount ? { ...row, amount } : without(row, "amount"))}
            onProblem={onProblem}
          />
        )}
        onRows={(rows, label) =>
          put(label, (s) => (rows.length ? { ...s, takes: rows as NonNullable<DishStep["takes"]> } : (without(s, "takes") as DishStep)))
        }
      />
      <Rows
        title={step.after ? STEP_FIELDS.waitsFor : STEP_FIELDS.waitsForTheStepBeforeIt}
        add="a wait"
        rows={links.map((l) => ({ ...l, step: whole(l.step) }))}
        fields={fieldsOfLink(steps)}
        of={name}
        onProblem={onProblem}
        fresh={steps[0] ? { step: steps.find(([ref]) => ref !== `${place.component}.${step.id}`)?.[0] ?? steps[0][0] } : undefined}
        onRows={(rows, label) =>
          put(label, (s) => (rows.length ? { ...s, after: rows as NonNullable<DishStep["after"]> } : (without(s, "after") as DishStep)))
        }
      />
      <Group title={STEP_FIELDS.makes}>
        {(step.makes ?? []).map((o) => (
          <OutputFields
            key={o.id}
            output={o}
            kind={component?.kind ?? "other"}
            onProblem={onProblem}
            onOutput={(output, label) =>
              put(label, (s) => {
                const makes = (s.makes ?? []).flatMap((x) => (x.id === o.id ? (output ? [output] : []) : [x]));
                return makes.length ? { ...s, makes } : (without(s, "makes") as DishStep);
              })
            }
          />
        ))}
        <LineInput
          label={STEP_FIELDS.anotherOutputOf(name)}
          value=""
          placeholder={STEP_FIELDS.anotherOutput300GRenderedFat}
          onCommit={(text) => {
            const m = /^([\d½¼¾⅓⅔.,/ ]+\s*\p{L}+)\s+(?:of )?(.+)$/u.exec(text);
            const amount = m ? readAmount(m[1] as string) : undefined;
            const title = amount && m ? (m[2] as string) : text;
            return edit(STEP_FIELDS.alsoMakes(name, title), (d) =>
              addOutput(d, `${place.component}.${step.id}`, title, amount && { amount: amount.amount, unit: amount.unit }),
            );
          }}
        />
      </Group>
    </div>
  );
}

const nameOf = (document: DishFile, ref: string) => document.components.find((c) => ref.startsWith(`${c.id}.`))?.name ?? "";

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset className="mt-2.5 min-w-0">
      <legend className="caps pb-0.5">{title}</legend>
      {children}
    </fieldset>
  );
}

interface RowsProps {
  readonly title: string;
  readonly add: string;
  readonly rows: readonly object[];
  readonly fields: readonly Field[];
  readonly of: string;
  readonly fresh: object | undefined;
  readonly extra?: (row: object, change: (row: object) => boolean) => React.ReactNode;
  readonly onRows: (rows: object[], label: string) => boolean;
  readonly onProblem: (text: string) => void;
}

function Rows({ title, add, rows, fields, of, fresh, extra, onRows, onProblem }: RowsProps) {
  const put = (i: number, row: object, label: string) =>
    onRows(
      rows.map((r, j) => (j === i ? row : r)),
      label,
    );
  return (
    <Group title={title}>
      {rows.map((row, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows have no names of their own, and stay in their order
        <div key={i} className="border-t border-rule py-1.5 first:border-t-0">
          <Fields
            fields={fields}
            value={row as Readonly<Record<string, unknown>>}
            of={STEP_FIELDS.ofIt(title.toLowerCase(), i + 1, of)}
            onProblem={onProblem}
            onChange={(key, value, label) =>
              put(
                i,
                value === undefined ? Object.fromEntries(Object.entries(row).filter(([k]) => k !== key)) : { ...row, [key]: value },
                label,
              )
            }
          />
          {extra?.(row, (r) => put(i, r, title))}
          <button
            type="button"
            className="link text-[13px]"
            onClick={() =>
              onRows(
                rows.filter((_, j) => j !== i),
                STEP_FIELDS.removed(title.toLowerCase()),
              )
            }
          >
            {STEP_FIELDS.remove}
          </button>
        </div>
      ))}
      {fresh && (
        <button type="button" className="link text-[13px]" onClick={() => onRows([...rows, fresh], `${title.toLowerCase()}: ${add}`)}>
          {STEP_FIELDS.add} {add}
        </button>
      )}
    </Group>
  );
}

interface AmountLineProps {
  readonly label: string;
  readonly amount: Amount | undefined;
  readonly onAmount: (amount: Amount | undefined) => boolean;
  readonly onProblem: (text: string) => void;
}

/** An amount as it is typed: "1.2 kg", "12 pieces". Empty means that it is not said. */
export function AmountLine({ label, amount, onAmount, onProblem }: AmountLineProps) {
  return (
    <div className="w-40">
      <LineInput
        label={label}
        mono
        value={amount ? `${amount.amount} ${amount.unit === "piece" ? "pieces" : amount.unit}` : ""}
        placeholder={STEP_FIELDS.noAmount}
        onCommit={(text) => {
          if (text === "") return onAmount(undefined);
          const read = readAmount(text);
          if (!read) onProblem(STEP_FIELDS.isNotAnAmountWrite(text));
          return (
            read !== undefined &&
            onAmount({ ...(amount?.fixed ? { fixed: true } : {}), amount: Number(read.amount.toPrecision(6)), unit: read.unit })
          );
        }}
      />
    </div>
  );
}

interface OutputFieldsProps {
  readonly output: DishOutput;
  readonly kind: DishFile["components"][number]["kind"];
  readonly onOutput: (output: DishOutput | undefined, label: string) => boolean;
  readonly onProblem: (text: string) => void;
}

/** What a step makes: its name, how much, how long it keeps and where. */
export function OutputFields({ output, kind, onOutput, onProblem }: OutputFieldsProps) {
  const name = output.name ?? output.id;
  const holds = output.holds ?? [];
  const proposals = proposedHolds(name, kind).filter((p) => !holds.some((h) => h.place === p.place));
  const put = (next: typeof holds, label: string) => {
    const { holds: _, ...rest } = output;
    return onOutput(next.length ? { ...rest, holds: next } : rest, label);
  };
  return (
    <div className="border-t border-rule py-1.5 first:border-t-0">
      <div className="flex flex-wrap items-center gap-2">
        <div className="min-w-40 flex-1">
          <LineInput
            label={STEP_FIELDS.nameOf(name)}
            value={name}
            onCommit={(text) => text !== "" && onOutput({ ...output, name: text }, "name")}
          />
        </div>
        <AmountLine
          label={STEP_FIELDS.amountOf(name)}
          amount={output.amount}
          onProblem={onProblem}
          onAmount={(amount) => {
            const { amount: _, ...rest } = output;
            return onOutput(amount ? { ...rest, amount } : rest, "amount");
          }}
        />
        <label className="flex items-center gap-1.5 text-[13px]">
          <input
            type="checkbox"
            className="accent-(--rim)"
            checked={output.raw === true}
            onChange={(e) => {
              const { raw: _, ...rest } = output;
              onOutput(e.target.checked ? { ...rest, raw: true } : rest, "raw");
            }}
          />
          {STEP_FIELDS.touchedRawMeatFishOrEgg}
        </label>
      </div>
      {holds.map((h, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: holds have no names of their own, and stay in their order
        <div key={i} className="mt-1 flex items-baseline gap-2 text-[13.5px]">
          <span className="text-quiet">{STEP_FIELDS.keeps}</span>
          <div className="flex-1">
            <LineInput
              label={STEP_FIELDS.howLongKeeps(name, i + 1)}
              mono
              value={holdText(h)}
              onCommit={(text) => {
                if (text === "")
                  return put(
                    holds.filter((_, j) => j !== i),
                    STEP_FIELDS.howLongItKeeps,
                  );
                const read = readHold(text);
                if (!read) onProblem(STEP_FIELDS.wasNotUnderstoodWriteA(text));
                return (
                  read !== undefined &&
                  put(
                    holds.map((x, j) => (j === i ? { ...read, ...(x.fixed ? { fixed: true } : {}) } : x)),
                    STEP_FIELDS.howLongItKeeps,
                  )
                );
              }}
            />
          </div>
        </div>
      ))}
      <LineInput
        label={STEP_FIELDS.anotherPlaceWhereCanWait(name)}
        mono
        value=""
        placeholder={holds.length ? STEP_FIELDS.or2hCounter : STEP_FIELDS.howLongMayItWait}
        onCommit={(text) => {
          const read = readHold(text);
          if (!read) onProblem(STEP_FIELDS.holdWasNotUnderstood(text));
          return read !== undefined && put([...holds, read], STEP_FIELDS.howLongItKeeps);
        }}
      />
      {proposals.map((p) => (
        <button
          key={p.place}
          type="button"
          className="link mr-3 text-[12.5px]"
          title={HOLDS_SOURCE}
          onClick={() => put([...holds, p], STEP_FIELDS.howLongItKeeps)}
        >
          {STEP_FIELDS.usual} {saidHold(p)}
          {p.limit === "safety" ? " (safety)" : ""}
        </button>
      ))}
    </div>
  );
}
