import Link from "next/link";
import { CoolingBench } from "@/ui/bench/CoolingBench";
import { Mark } from "@/ui/shell/Mark";

export const metadata = { title: "Bench: cooling a pot" };

export default function BenchPage() {
  return (
    <main className="mx-auto max-w-[68rem] px-6 py-6">
      <div className="mb-4 flex items-center gap-3 border-b-[2.5px] border-rim pb-3">
        <Link href="/" aria-label="All dishes">
          <Mark size={34} />
        </Link>
        <h1 className="text-[25px]">Bench: cooling a pot</h1>
      </div>
      <CoolingBench />
    </main>
  );
}
