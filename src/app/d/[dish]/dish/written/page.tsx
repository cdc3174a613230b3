import { notFound } from "next/navigation";
import { dishModel } from "@/core/dish/read-model";
import { inConventions } from "@/core/spoken/in-conventions";
import { readerConventions } from "@/server/conventions";
import { loadFindings } from "@/server/safety";
import { loadState } from "@/server/state";
import { Breakdown } from "@/ui/dish/Breakdown";
import { DeleteDish } from "@/ui/dish/DeleteDish";

export default async function WrittenPage({ params }: { params: Promise<{ dish: string }> }) {
  const state = await loadState((await params).dish);
  if (!state) notFound();
  const dish = dishModel(state.document);
  const conventions = await readerConventions();
  const { guests, note } = state.document.dish;
  return (
    <div className="grid gap-x-10 px-5 pt-5 pb-12 sm:px-7 lg:grid-cols-[215px_minmax(0,1fr)]">
      <nav aria-label="Components" className="hidden lg:block">
        <div className="sticky top-4">
          <h2 className="caps mb-1 font-sans font-normal">Components</h2>
          <ul className="text-[14px]">
            {dish.components.map((c) => (
              <li key={c.id} className="border-t border-rule py-[3px]">
                <a href={`#${c.id}`} className="hover:underline">
                  {c.name}
                </a>
              </li>
            ))}
          </ul>
        </div>
      </nav>
      <div className="max-w-[62rem] min-w-0">
        <h1 className="text-[27px]">{state.name}</h1>
        <p className="max-w-[66ch] text-quiet">{note && inConventions(note, conventions)}</p>
        {guests && (
          <p className="text-[14px]">
            {guests.avoid?.length ? `Guests avoid ${guests.avoid.join(", ")}. ` : ""}
            {guests.care?.length ? `Guests: ${guests.care.join(", ")}.` : ""}
          </p>
        )}
        <p className="py-2 text-[14px]">
          <a className="link" href={`/api/dishes/${state.slug}`}>
            Download dish file
          </a>
          ,{" "}
          <a className="link" href={`/api/dishes/${state.slug}/markdown`}>
            Download Markdown
          </a>
          ,{" "}
          <a className="link" href={`/api/dishes/${state.slug}/archive`}>
            Download with all runs
          </a>
        </p>
        <Breakdown
          document={state.document}
          chosen={Object.fromEntries(state.plan?.components.map((c) => [c.id, c.method]) ?? [])}
          findings={(await loadFindings(state.slug)) ?? []}
          conventions={conventions}
        />
        <div className="mt-8 border-t border-rule pt-3" data-screen>
          <DeleteDish slug={state.slug} name={state.name} />
        </div>
      </div>
    </div>
  );
}
