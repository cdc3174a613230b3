import Link from "next/link";
import { PANELS } from "@/core/bench/panels";
import { Spoken } from "@/ui/shell/conventions";

export const metadata = { title: "Bench" };

export default function BenchPage() {
  const subjects = [...new Set(PANELS.map((p) => p.subject))];
  return (
    <>
      <h1 className="sr-only">Bench: kitchen calculators</h1>
      <p className="mb-5 max-w-[44rem] text-quiet">
        Kitchen calculators. Type amounts as you would say them: 2 lb 3 oz, 1 1/2 cups, 350F, 1h30. Lock a result to work backwards from it.
      </p>
      <div className="gap-x-10 sm:columns-2 lg:columns-3">
        {subjects.map((subject) => (
          <section key={subject} aria-labelledby={subject} className="mb-6 break-inside-avoid">
            <h2 id={subject} className="mb-1 text-[18px]">
              {subject}
            </h2>
            <ul>
              {PANELS.filter((p) => p.subject === subject).map((p) => (
                <li key={p.id} className="border-t border-rule">
                  <Link href={`/bench/${p.id}`} className="block py-1.5 hover:bg-saffron-wash">
                    {p.title}
                    <span className="block text-[13px] leading-snug text-quiet">
                      <Spoken>{p.does}</Spoken>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </>
  );
}
