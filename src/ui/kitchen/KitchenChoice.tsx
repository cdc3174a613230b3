"use client";
import { useRouter } from "next/navigation";
import { KITCHEN, KITCHEN_CHOICE } from "@/words/kitchen";
import { Choice } from "../shell/Choice";

interface KitchenChoiceProps {
  readonly here: string;
  /** Each by a dish that is cooked in it. */
  readonly kitchens: readonly { readonly slug: string; readonly names: readonly string[] }[];
}

/** Which kitchen is shown, by the dishes that are cooked in it. */
export function KitchenChoice({ here, kitchens }: KitchenChoiceProps) {
  const router = useRouter();
  return (
    <Choice
      label={KITCHEN.which}
      value={here}
      options={kitchens.map((k) => [
        k.slug,
        `${k.names.slice(0, 2).join(", ")}${k.names.length > 2 ? KITCHEN_CHOICE.andMore(k.names.length - 2) : ""}`,
      ])}
      onChange={(slug) => router.push(`/kitchen?dish=${slug}`)}
    />
  );
}
