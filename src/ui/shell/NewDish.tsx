"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { newDish } from "@/core/dish/edit/components";
import type { KitchenFile } from "@/core/dish/schema";
import { ask, reason } from "./ask";

/** A dish of one's own, from nothing: its name, how many, and when it is on the table. */
export function NewDish({ when, timezone, kitchen }: { when: string; timezone: string; kitchen: KitchenFile | undefined }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [serves, setServes] = useState("6");
  const [serveAt, setServeAt] = useState(when);
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const begin = async () => {
    setBusy(true);
    const got = await ask("/api/dishes", "POST", {
      ...newDish({ name: name.trim(), serves: Number(serves), serveAt, timezone }),
      ...(kitchen ? { kitchen } : {}),
    });
    setBusy(false);
    if (got.ok) router.push(`/d/${(got.body.value as { slug: string }).slug}/dish`);
    else setProblem(reason(got));
  };
  return (
    <form
      aria-label="New dish"
      onSubmit={(e) => {
        e.preventDefault();
        void begin();
      }}
    >
      <h2 className="caps mb-1 font-sans font-normal">New dish</h2>
      <label className="block text-[14px]">
        Name
        <input
          className="field mt-0.5 w-full"
          value={name}
          onChange={(e) => setName(e.target.value)}
          placeholder="Sunday pie"
          required
          autoComplete="off"
        />
      </label>
      <div className="flex flex-wrap gap-3 pt-2">
        <label className="text-[14px]">
          Guests
          <input
            className="field clock mt-0.5 block w-24"
            type="number"
            min={1}
            max={500}
            value={serves}
            onChange={(e) => setServes(e.target.value)}
            required
          />
        </label>
        <label className="text-[14px]">
          Serve at
          <input
            className="field clock mt-0.5 block"
            type="datetime-local"
            value={serveAt}
            onChange={(e) => setServeAt(e.target.value)}
            required
          />
        </label>
      </div>
      <button type="submit" className="act mt-2" data-main disabled={busy || name.trim() === ""}>
        Create
      </button>
      {problem && (
        <p role="alert" className="pt-1 text-[14px] text-beet">
          {problem}
        </p>
      )}
    </form>
  );
}
