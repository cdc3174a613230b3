import type { HomeState } from "@/core/view/home";

/** A pan from the side: dashed for an idea, empty when planned, filled to the share of steps done, full and ticked when it is over. */
export function StatePan({ state, share }: { readonly state: HomeState; readonly share: number }) {
  const full = state === "done" || state === "served";
  const level = full ? 1 : state === "underway" ? Math.max(0.12, share) : 0;
  const top = 18 - 12 * level;
  return (
    <svg width={34} height={22} viewBox="0 0 34 22" aria-hidden="true" className="shrink-0">
      {level > 0 && <path d={`M7 ${top}H27V16a3 3 0 0 1-3 3H10a3 3 0 0 1-3-3Z`} fill={full ? "var(--rim)" : "var(--saffron)"} />}
      <path
        d="M7 6V16a3 3 0 0 0 3 3H24a3 3 0 0 0 3-3V6M1.5 7.5H32.5"
        fill="none"
        stroke="var(--rim)"
        strokeWidth="2"
        strokeLinecap="round"
        strokeDasharray={state === "idea" ? "3 3.4" : undefined}
      />
      {full && <path d="M13 12.2l3 3 5.4-5.6" fill="none" stroke="var(--paper)" strokeWidth="2" strokeLinecap="round" />}
    </svg>
  );
}
