import { redirect } from "next/navigation";

/** The kitchen serves all dishes and has a page of its own; addresses from before lead there. */
export default async function KitchenOfDish({ params }: { params: Promise<{ dish: string }> }) {
  redirect(`/kitchen?dish=${encodeURIComponent((await params).dish)}`);
}
