"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { toast } from "sonner";
import { SERVING_FORM } from "@/words/recipe";
import { ask, reason } from "../shell/ask";
import { MomentField } from "../shell/MomentField";

interface ServingFormProps {
  readonly slug: string;
  readonly version: number;
  readonly serves: number;
  readonly serveAt: string;
  readonly said: string;
}

/** How many, and when: amounts and the timetable follow. */
export function ServingForm({ slug, version, serves, serveAt, said }: ServingFormProps) {
  const router = useRouter();
  const [guests, setGuests] = useState(String(serves));
  const [when, setWhen] = useState(serveAt);
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    setGuests(String(serves));
    setWhen(serveAt);
  }, [serves, serveAt]);
  const changed = Number(guests) !== serves || when !== serveAt;
  const send = async () => {
    const answer = await ask(`/api/dishes/${slug}`, "PATCH", {
      version,
      ...(Number(guests) !== serves ? { serves: Number(guests) } : {}),
      ...(when !== serveAt ? { serveAt: when } : {}),
    });
    setProblem(answer.ok ? undefined : reason(answer));
    if (answer.ok) toast(SERVING_FORM.amountsAndTimetableFollow);
    router.refresh();
  };
  return (
    <form
      className="ml-auto flex flex-wrap items-center gap-x-3 gap-y-1"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <label className="flex items-center gap-1.5 text-[13.5px] text-quiet">
        {SERVING_FORM.guests}
        <input
          className="field clock w-18 text-ink"
          type="number"
          min={0.1}
          step="any"
          max={500}
          value={guests}
          onChange={(e) => setGuests(e.target.value)}
          required
        />
      </label>
      <span className="flex items-center gap-1.5 text-[13.5px] text-quiet">
        {SERVING_FORM.serveAt}
        <MomentField label={SERVING_FORM.serveAt} value={when} onChange={setWhen} live required />
      </span>
      <button type="submit" className="act" data-main={changed || undefined} disabled={!changed}>
        {SERVING_FORM.change}
      </button>
      <span className="sr-only">{said}</span>
      {problem && (
        <p role="alert" className="w-full text-[14px] text-beet">
          {problem}
        </p>
      )}
    </form>
  );
}
