"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { Plus, X } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { type Control, type UseFormRegister, useFieldArray, useForm } from "react-hook-form";
import { toast } from "sonner";
import { type KitchenFile, KitchenSchema } from "@/core/dish/schema";
import { ask, reason } from "../shell/ask";

interface KitchenFormProps {
  readonly slug: string;
  readonly version: number;
  readonly kitchen: KitchenFile;
}

interface HoursLine {
  days?: string;
  from: string;
  to: string;
}

/** What the form edits: the schema's types without their open ends, which a form's field names cannot carry. */
interface Form {
  cooks: { id: string; name?: string; hours?: HoursLine[]; awake?: HoursLine[]; away?: HoursLine[] }[];
  equipment: { id: string; kind: string; name?: string; count?: number; litres?: number; racks?: number }[];
}

/** A name left empty is none: the thing is then called by its kind. */
const NAMELESS = { setValueAs: (v: unknown) => (typeof v === "string" && v.trim() === "" ? undefined : v) };

/** Cooks and their hours, equipment, quiet times. Saving keeps a version; the timetable follows. */
export function KitchenForm({ slug, version, kitchen }: KitchenFormProps) {
  const router = useRouter();
  const form = useForm<Form>({ defaultValues: asForm(kitchen), resolver: zodResolver(KitchenSchema) as never });
  const { control, register, handleSubmit, reset, formState } = form;
  const [problem, setProblem] = useState<string>();
  useEffect(() => reset(asForm(kitchen)), [kitchen, reset]);
  const cooks = useFieldArray({ control, name: "cooks" });
  const equipment = useFieldArray({ control, name: "equipment" });

  const save = handleSubmit(
    async (value) => {
      const answer = await ask(`/api/dishes/${slug}/kitchen`, "PUT", {
        version,
        kitchen: withoutGaps(value as KitchenFile),
        label: "the kitchen",
      });
      setProblem(answer.ok ? undefined : reason(answer));
      if (answer.ok) toast("Saved. Replanning.");
      router.refresh();
    },
    (errors) => setProblem(firstMessage(errors) ?? "Some fields need correcting."),
  );

  return (
    <form onSubmit={save} noValidate>
      <section aria-label="Cooks">
        <h2 className="sr-only">Cooks and their hours</h2>
        {cooks.fields.map((field, c) => (
          <fieldset key={field.id} className="mb-6 border-t-2 border-rim pt-3">
            <legend className="sr-only">{`Cook ${c + 1}`}</legend>
            <div className="flex items-end gap-4">
              <label className="text-[13px] text-quiet">
                Cook
                <input
                  className="field mt-0.5 block w-44 font-serif text-[17px] font-semibold text-ink"
                  {...register(`cooks.${c}.name`, NAMELESS)}
                />
              </label>
              {cooks.fields.length > 1 && (
                <button type="button" className="link pb-2 text-[13.5px]" onClick={() => cooks.remove(c)}>
                  Remove cook
                </button>
              )}
            </div>
            <div className="mt-2 grid gap-x-8 gap-y-3 xl:grid-cols-3">
              <HoursList control={control} register={register} name={`cooks.${c}.hours`} title="Working hours" />
              <HoursList control={control} register={register} name={`cooks.${c}.awake`} title="Awake" />
              <HoursList control={control} register={register} name={`cooks.${c}.away`} title="Away from home" />
            </div>
          </fieldset>
        ))}
        <button
          type="button"
          className="act"
          onClick={() =>
            cooks.append({
              id: freshId(
                "helper",
                cooks.fields.map((f) => f.id),
              ),
              name: "Helper",
              hours: [{ days: "sat", from: "14:00", to: "18:00" }],
              away: [],
            } as never)
          }
        >
          <Plus size={16} aria-hidden="true" /> Add helper
        </button>
      </section>
      <section aria-label="Equipment" className="mt-8">
        <h2 className="mb-2 text-[20px]">Equipment</h2>
        <table className="w-full text-[14px]">
          <thead>
            <tr className="caps text-left">
              <th className="pb-1 font-normal">Item</th>
              <th className="pb-1 font-normal">Kind</th>
              <th className="pb-1 font-normal">Quantity</th>
              <th className="pb-1 font-normal">Litres</th>
              <th className="pb-1 font-normal">Racks</th>
              <th className="sr-only">Remove</th>
            </tr>
          </thead>
          <tbody>
            {equipment.fields.map((field, i) => {
              const thing = kitchen.equipment?.[i]?.name ?? `Item ${i + 1}`;
              return (
                <tr key={field.id} className="border-t border-rule">
                  <td className="py-1 pr-3">
                    <input
                      className="field w-full min-w-32"
                      aria-label={`Name of ${thing}`}
                      {...register(`equipment.${i}.name`, NAMELESS)}
                    />
                  </td>
                  <td className="pr-3">
                    <input className="field w-28" aria-label={`Kind of ${thing}`} {...register(`equipment.${i}.kind`)} />
                  </td>
                  {(["count", "litres", "racks"] as const).map((key) => (
                    <td key={key} className="pr-3">
                      <input
                        className="field clock w-20"
                        type="number"
                        step="any"
                        min={0}
                        aria-label={`${key} of ${thing}`}
                        {...register(`equipment.${i}.${key}`, {
                          setValueAs: (v) => (v === "" || v === undefined || v === null ? undefined : Number(v)),
                        })}
                      />
                    </td>
                  ))}
                  <td>
                    <button
                      type="button"
                      className="p-2 text-quiet hover:text-beet"
                      aria-label={`Remove ${thing}`}
                      onClick={() => equipment.remove(i)}
                    >
                      <X size={16} aria-hidden="true" />
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        <button
          type="button"
          className="act mt-3"
          onClick={() =>
            equipment.append({
              id: freshId(
                "pot",
                (kitchen.equipment ?? []).map((e) => e.id),
              ),
              kind: "pot",
              name: "New pot",
              litres: 5,
            } as never)
          }
        >
          <Plus size={16} aria-hidden="true" /> Add item
        </button>
      </section>
      {(kitchen.windows ?? []).length > 0 && (
        <section aria-label="Quiet times" className="mt-8">
          <h2 className="mb-1 text-[20px]">Quiet times</h2>
          <ul className="text-[14.5px]">
            {kitchen.windows?.map((w) => (
              <li key={JSON.stringify(w)} className="border-t border-rule py-1.5">
                {windowHours(w)}: nothing {w.forbid.join(", ")}
                {w.why ? `, ${w.why}` : ""}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="sticky bottom-0 mt-8 flex items-center gap-4 border-t border-rule bg-paper py-3">
        <button
          type="submit"
          className="act"
          data-main={formState.isDirty || undefined}
          disabled={!formState.isDirty || formState.isSubmitting}
        >
          Save kitchen
        </button>
        {formState.isDirty && (
          <button type="button" className="link text-[14px]" onClick={() => reset(asForm(kitchen))}>
            Discard
          </button>
        )}
        {problem && (
          <p role="alert" className="text-[14px] text-beet">
            {problem}
          </p>
        )}
      </div>
    </form>
  );
}

type HoursName = `cooks.${number}.hours` | `cooks.${number}.awake` | `cooks.${number}.away`;

function HoursList({
  control,
  register,
  name,
  title,
}: {
  control: Control<Form>;
  register: UseFormRegister<Form>;
  name: HoursName;
  title: string;
}) {
  const { fields, append, remove } = useFieldArray({ control, name: name as `cooks.${number}.hours` });
  const cook = Number(name.split(".")[1]) + 1;
  return (
    <div>
      <h3 className="caps mb-1 font-sans font-normal">{title}</h3>
      {fields.map((field, i) => {
        const dated = !("days" in field);
        const path = `${name}.${i}` as `cooks.${number}.hours.${number}`;
        const label = `${title}, cook ${cook}, line ${i + 1}`;
        return (
          <div key={field.id} className={`mb-1 flex items-center gap-1 ${dated ? "flex-wrap" : ""}`}>
            {!dated && <input className="field w-[5rem]" aria-label={`${label}: days`} {...register(`${path}.days`)} />}
            <input
              className={`field clock text-[13px] ${dated ? "w-[12.8rem]" : "w-[3.9rem]"}`}
              type={dated ? "datetime-local" : "text"}
              aria-label={`${label}: from`}
              {...register(`${path}.from`)}
            />
            <span className="text-quiet">to</span>
            <input
              className={`field clock text-[13px] ${dated ? "w-[12.8rem]" : "w-[3.9rem]"}`}
              type={dated ? "datetime-local" : "text"}
              aria-label={`${label}: to`}
              {...register(`${path}.to`)}
            />
            <button type="button" className="p-1 text-quiet hover:text-beet" aria-label={`${label}: remove`} onClick={() => remove(i)}>
              <X size={15} aria-hidden="true" />
            </button>
          </div>
        );
      })}
      {fields.length === 0 && (
        <p className="text-[13.5px] text-quiet">
          {title === "Working hours" ? "whenever awake" : title === "Awake" ? "07:00 to 23:00" : "never"}
        </p>
      )}
      <button type="button" className="link text-[13.5px]" onClick={() => append({ days: "sat-sun", from: "09:00", to: "17:00" } as never)}>
        Add hours
      </button>
    </div>
  );
}

function windowHours(window: NonNullable<KitchenFile["windows"]>[number]): string {
  const { weekly, from, to } = window as { weekly?: HoursLine; from?: string; to?: string };
  if (weekly) return `${weekly.days === "all" ? "every day" : weekly.days}, ${weekly.from} to ${weekly.to}`;
  return `${from?.replace("T", " ")} to ${to?.replace("T", " ")}`;
}

const asForm = (kitchen: KitchenFile): Form => kitchen as unknown as Form;

/** An empty list of hours means the default, and an empty figure means none stated. */
function withoutGaps(kitchen: KitchenFile): KitchenFile {
  const clean = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(clean);
    if (typeof value === "object" && value !== null)
      return Object.fromEntries(
        Object.entries(value)
          .filter(([k, v]) => v !== undefined && !((k === "hours" || k === "awake") && Array.isArray(v) && v.length === 0))
          .map(([k, v]) => [k, clean(v)]),
      );
    return value;
  };
  return clean(kitchen) as KitchenFile;
}

function freshId(wish: string, taken: readonly string[]): string {
  for (let n = 1; ; n++) if (!taken.includes(`${wish}-new-${n}`)) return `${wish}-new-${n}`;
}

function firstMessage(errors: unknown): string | undefined {
  if (typeof errors !== "object" || errors === null) return undefined;
  if ("message" in errors && typeof errors.message === "string") return errors.message;
  for (const value of Object.values(errors)) {
    const found = firstMessage(value);
    if (found) return found;
  }
  return undefined;
}
