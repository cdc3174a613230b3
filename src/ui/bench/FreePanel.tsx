"use client";
import Link from "next/link";
import { useState } from "react";
import type { BenchAnswer } from "@/core/bench/ask";
import { FREE_PANEL } from "@/words/bench";
import { Choice } from "../shell/Choice";
import { useAddress } from "../shell/use-address";
import { PanelView } from "./PanelView";

interface DishParts {
  readonly slug: string;
  readonly name: string;
  readonly components: readonly { readonly id: string; readonly name: string }[];
}
interface FreePanelProps {
  readonly id: string;
  readonly typed: Readonly<Record<string, string>>;
  readonly first: BenchAnswer;
  readonly dishes: readonly DishParts[];
}

/** A panel free of any dish: its address holds what is typed, and its figures can be taken into a dish. */
export function FreePanel({ id, typed, first, dishes }: FreePanelProps) {
  const [changed, setChanged] = useState(typed);
  const address = useAddress(first);
  const keep = (next: Readonly<Record<string, string>>) => {
    setChanged(next);
    const query = new URLSearchParams(next).toString();
    address(`/bench/${id}${query ? `?${query}` : ""}`);
  };
  return (
    <PanelView id={id} typed={typed} first={first} onTyped={keep}>
      {(result) => (result.writes?.length ? <IntoDish id={id} typed={changed} dishes={dishes} /> : null)}
    </PanelView>
  );
}

function IntoDish({
  id,
  typed,
  dishes,
}: {
  readonly id: string;
  readonly typed: Readonly<Record<string, string>>;
  readonly dishes: readonly DishParts[];
}) {
  const [slug, setSlug] = useState(dishes[0]?.slug ?? "");
  const dish = dishes.find((d) => d.slug === slug);
  const [component, setComponent] = useState("");
  if (dishes.length === 0) return null;
  const chosen = dish?.components.find((c) => c.id === component) ?? dish?.components[0];
  const query = new URLSearchParams({
    c: chosen?.id ?? "",
    bench: id,
    ...Object.fromEntries(Object.entries(typed).map(([k, v]) => [`b.${k}`, v])),
  });
  return (
    <details className="mt-2 text-[14px]">
      <summary className="cursor-pointer text-rim">{FREE_PANEL.useInADish}</summary>
      <p className="flex flex-wrap items-center gap-2 pt-1.5">
        <Choice label={FREE_PANEL.dish} value={slug} options={dishes.map((d) => [d.slug, d.name])} onChange={setSlug} />
        <Choice
          label={FREE_PANEL.component}
          value={chosen?.id ?? ""}
          options={dish?.components.map((c) => [c.id, c.name]) ?? []}
          onChange={setComponent}
        />
        <Link className="act" href={`/d/${slug}/dish?${query}`}>
          {FREE_PANEL.open}
        </Link>
      </p>
    </details>
  );
}
