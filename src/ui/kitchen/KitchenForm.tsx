"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { Plus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { useFieldArray, useForm } from "react-hook-form";
import { toast } from "sonner";
import { type KitchenFile, KitchenSchema } from "@/core/dish/schema";
import { KITCHEN, KITCHEN_FORM } from "@/words/kitchen";
import { ask, reason } from "../shell/ask";
import { EquipmentPart } from "./EquipmentPart";
import { HoursList } from "./HoursList";
import { asFile, asForm, firstMessage, freshId, type KitchenValues, NAMELESS } from "./kitchen-form";
import { QuietPart } from "./QuietPart";
import { useKitchenDraft } from "./use-kitchen-draft";

interface KitchenFormProps {
  /** A dish that is planned for this kitchen: the way to it. */
  readonly slug: string;
  readonly version: number;
  readonly kitchen: KitchenFile;
}

const HELPER = { name: KITCHEN_FORM.helper, hours: [{ days: "sat", from: "14:00", to: "18:00" }], away: [] };

/** Cooks and their hours, equipment, quiet times. Saving keeps a version; the timetable follows. */
export function KitchenForm({ slug, version, kitchen }: KitchenFormProps) {
  const router = useRouter();
  const form = useForm<KitchenValues>({ defaultValues: asForm(kitchen), resolver: zodResolver(KitchenSchema) as never });
  const { control, register, handleSubmit, reset, formState } = form;
  const [problem, setProblem] = useState<string>();
  // The page is drawn anew whenever a plan comes: what is being typed stays, unless the kitchen itself is another one.
  // Held against what was saved last, not against the page before: an undo can come before the page has told of the saving.
  const standsOn = useRef(JSON.stringify(kitchen));
  useEffect(() => {
    const content = JSON.stringify(kitchen);
    if (content === standsOn.current) return;
    standsOn.current = content;
    reset(asForm(kitchen));
  }, [kitchen, reset]);
  const draft = useKitchenDraft(form, `${slug}.${version}`);
  const cooks = useFieldArray({ control, name: "cooks" });

  const save = handleSubmit(
    async (value) => {
      const answer = await ask(`/api/dishes/${slug}/kitchen`, "PUT", { version, kitchen: asFile(value), label: KITCHEN_FORM.theKitchen });
      setProblem(answer.ok ? undefined : reason(answer));
      if (answer.ok) {
        // What is saved is no draft any more, also not for an undo that comes back to this version.
        draft.close();
        const saved = asFile(value);
        standsOn.current = JSON.stringify(saved);
        reset(asForm(saved));
        toast(KITCHEN.saved);
      }
      router.refresh();
    },
    (errors) => setProblem(firstMessage(errors) ?? KITCHEN.correct),
  );

  return (
    <form onSubmit={save} noValidate>
      <section aria-label={KITCHEN_FORM.cooks}>
        <h2 className="sr-only">{KITCHEN_FORM.cooksAndTheirHours}</h2>
        {cooks.fields.map((field, c) => (
          <fieldset key={field.id} className="mb-6 border-t-2 border-rim pt-3">
            <legend className="sr-only">{KITCHEN_FORM.cook(c + 1)}</legend>
            <div className="flex items-end gap-4">
              <label className="text-[13px] text-quiet">
                {KITCHEN.cook}
                <input
                  className="field mt-0.5 block w-52 max-w-full font-serif text-[17px] font-semibold text-ink"
                  {...register(`cooks.${c}.name`, NAMELESS)}
                />
              </label>
              {cooks.fields.length > 1 && (
                <button type="button" className="link min-h-9 text-[13.5px]" onClick={() => cooks.remove(c)}>
                  {KITCHEN.removeCook}
                </button>
              )}
            </div>
            <div className="mt-3 grid gap-x-8 gap-y-4 xl:grid-cols-2">
              {(["hours", "awake", "away"] as const).map((what) => (
                <HoursList
                  key={what}
                  control={control}
                  name={`cooks.${c}.${what}`}
                  title={KITCHEN[what]}
                  of={KITCHEN_FORM.cookNamed(c + 1)}
                  none={KITCHEN.none[what]}
                  {...(what === "away" ? { hint: KITCHEN.awayHint } : {})}
                />
              ))}
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
                cooks.fields.map((f) => (f as unknown as { id: string }).id),
              ),
              ...HELPER,
            })
          }
        >
          <Plus size={16} aria-hidden="true" /> {KITCHEN.addHelper}
        </button>
      </section>
      <EquipmentPart control={control} register={register} />
      <QuietPart control={control} register={register} />
      <div className="sticky bottom-0 mt-8 flex flex-wrap items-center gap-4 border-t border-rule bg-paper py-3 max-md:bottom-16">
        <button
          type="submit"
          className="act"
          data-main={formState.isDirty || undefined}
          disabled={!formState.isDirty || formState.isSubmitting}
        >
          {KITCHEN.save}
        </button>
        {formState.isDirty && (
          <>
            <button
              type="button"
              className="link min-h-9 text-[14px]"
              onClick={() => {
                draft.drop();
                reset(asForm(kitchen));
              }}
            >
              {KITCHEN.discard}
            </button>
            {!problem && <span className="text-[13.5px] text-quiet">{KITCHEN.draft}</span>}
          </>
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
