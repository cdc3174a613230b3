"use client";
// The few things that a plan needs to know of a kitchen, asked once, before there is a dish.
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { DEFAULT_KITCHEN } from "@/core/dish/default-kitchen";
import type { KitchenFile } from "@/core/dish/schema";
import { FIRST_KITCHEN as WORDS } from "@/words/kitchen";
import { ask, reason } from "../shell/ask";
import { useUnits } from "../shell/conventions";
import { TimeOfDayField } from "../shell/TimeOfDayField";
import { type Answers, firstAnswers, kitchenFrom } from "./first-kitchen";

export function FirstKitchen({ kitchen }: { readonly kitchen: KitchenFile | undefined }) {
  const router = useRouter();
  const us = useUnits() === "us";
  const [answers, setAnswers] = useState<Answers>(() => firstAnswers(kitchen ?? DEFAULT_KITCHEN));
  const [problem, setProblem] = useState<string>();
  const put = (key: keyof Answers) => (value: string | number) => setAnswers((a) => ({ ...a, [key]: value }));
  const number = (label: string, key: "burners" | "racks" | "maxC" | "fridge", show = (n: number) => n, read = (n: number) => n) => (
    <label className="grid items-center gap-x-4 border-t border-rule py-2 sm:grid-cols-[17rem_1fr]">
      {label}
      <input
        className="field clock w-24"
        type="number"
        min={0}
        step="any"
        required
        defaultValue={show(answers[key])}
        onChange={(e) => e.target.value !== "" && put(key)(read(Number(e.target.value)))}
      />
    </label>
  );
  const hours = (label: string, from: keyof Answers, to: keyof Answers) => (
    <div className="grid items-center gap-x-4 border-t border-rule py-2 sm:grid-cols-[17rem_1fr]">
      <span>{label}</span>
      <span className="flex items-center gap-2">
        <TimeOfDayField label={WORDS.fromOf(label)} value={String(answers[from])} onChange={put(from)} />
        {WORDS.to}
        <TimeOfDayField label={`${label}: ${WORDS.to}`} value={String(answers[to])} onChange={put(to)} />
      </span>
    </div>
  );
  return (
    <form
      onSubmit={async (e) => {
        e.preventDefault();
        const answer = await ask("/api/kitchen", "PUT", { kitchen: kitchenFrom(answers, kitchen ?? DEFAULT_KITCHEN) });
        setProblem(answer.ok ? undefined : reason(answer));
        if (!answer.ok) return;
        toast(WORDS.saved);
        router.push("/");
        router.refresh();
      }}
    >
      <label className="grid items-center gap-x-4 border-t border-rule py-2 sm:grid-cols-[17rem_1fr]">
        {WORDS.name}
        <input className="field max-w-72" autoComplete="given-name" value={answers.name} onChange={(e) => put("name")(e.target.value)} />
      </label>
      {hours(WORDS.weekdays, "weekdayFrom", "weekdayTo")}
      {hours(WORDS.weekend, "weekendFrom", "weekendTo")}
      {number(WORDS.burners, "burners")}
      {number(WORDS.racks, "racks")}
      {us
        ? number(
            WORDS.maxF,
            "maxC",
            (c) => Math.round(c * 1.8 + 32),
            (f) => Math.round((f - 32) / 1.8),
          )
        : number(WORDS.maxC, "maxC")}
      {us
        ? number(
            WORDS.fridgeUs,
            "fridge",
            (l) => Math.round(l / 0.946353),
            (q) => Math.round(q * 0.946353),
          )
        : number(WORDS.fridge, "fridge")}
      {hours(WORDS.quiet, "quietFrom", "quietTo")}
      <div className="border-t border-rule pt-4">
        <button type="submit" className="act" data-main>
          {WORDS.save}
        </button>
        {problem && (
          <p role="alert" className="pt-1 text-[14px] text-beet">
            {problem}
          </p>
        )}
      </div>
    </form>
  );
}
