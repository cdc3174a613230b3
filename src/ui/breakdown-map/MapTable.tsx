import { type MaterialFlow, weightText } from "@/core/sheets/material-flow";
import { MAP_TABLE } from "@/words/breakdown-map";
import { Spoken } from "../shell/conventions";

/** What the map shows, for those who read it. */
export function MapTable({ materialFlow }: { materialFlow: MaterialFlow }) {
  const nameOf = new Map(materialFlow.pools.map((p) => [p.id, p.name]));
  return (
    <table className="w-full max-w-[60rem] text-[14px]">
      <caption className="pb-1 text-left text-[13.5px] text-quiet">{MAP_TABLE.whatEachComponentIsMade}</caption>
      <thead>
        <tr className="caps text-left">
          <th className="font-normal">{MAP_TABLE.component}</th>
          <th className="font-normal">{MAP_TABLE.boughtForIt}</th>
          <th className="font-normal">{MAP_TABLE.makes}</th>
          <th className="font-normal">{MAP_TABLE.amount}</th>
          <th className="font-normal">{MAP_TABLE.goesTo}</th>
        </tr>
      </thead>
      <tbody>
        {materialFlow.pools.flatMap((p) => {
          const out = materialFlow.streams.filter((s) => s.from === p.id);
          const rows = out.length ? out : [undefined];
          return rows.map((s, i) => (
            <tr key={`${p.id} ${s?.id ?? ""}`} className="border-t border-rule align-baseline">
              <td className="py-[3px] pr-3 font-medium">{i === 0 ? p.name : ""}</td>
              <td className="clock pr-3 text-[13px]">
                {i === 0 && p.raw.count > 0 ? <Spoken>{`${p.raw.count}, ${weightText(p.raw)}`}</Spoken> : ""}
              </td>
              <td className="pr-3">
                {s?.name ?? ""}
                {s?.byProduct && <span className="text-quiet">{MAP_TABLE.byProduct}</span>}
              </td>
              <td className="clock pr-3 text-[13px]">{s ? s.amount : ""}</td>
              <td>
                {!s ? (
                  p.serves ? (
                    MAP_TABLE.theGuests
                  ) : (
                    "nowhere"
                  )
                ) : s.to === undefined ? (
                  <span className="text-saffron-ink">{MAP_TABLE.unused}</span>
                ) : (
                  `${nameOf.get(s.to) ?? s.to}: ${s.stepName.toLowerCase()}`
                )}
                {s?.short && <span className="text-beet">{MAP_TABLE.moreIsUsedThanMade}</span>}
              </td>
            </tr>
          ));
        })}
      </tbody>
    </table>
  );
}
