"use client";
// Labels on the sheet that is in the printer, drawn as they will be printed.
import { QRCodeSVG } from "qrcode.react";
import { useState } from "react";
import { LABEL_SHEETS, type LabelSheet, labelPages } from "@/core/sheets/label-sheets";
import type { Label } from "@/core/sheets/labels";
import { LABELS } from "@/words/labels";
import { Choice } from "../shell/Choice";
import { PrintButton } from "./PrintButton";

interface LabelsViewProps {
  readonly labels: readonly Label[];
  /** Address under which other devices reach this server, without a slash at its end. */
  readonly address: string;
}

export function LabelsView({ labels, address }: LabelsViewProps) {
  const [key, setKey] = useState(LABEL_SHEETS[0]?.key as string);
  const [start, setStart] = useState("1");
  const sheet = LABEL_SHEETS.find((s) => s.key === key) as LabelSheet;
  const each = sheet.columns * sheet.rows;
  const pages = labelPages(labels, sheet, Number(start));
  const [width, height] = sheet.page;
  return (
    <>
      <style>{`@media print { @page { size: ${width}mm ${height}mm; margin: 0; } }`}</style>
      <div className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2" data-screen>
        <span className="flex flex-col text-[13px] text-quiet">
          {LABELS.sheet}
          <Choice
            label={LABELS.sheet}
            className="mt-0.5 text-ink"
            value={key}
            options={LABEL_SHEETS.map((s) => [s.key, s.name] as const)}
            onChange={setKey}
          />
        </span>
        {each > 1 && (
          <label className="flex flex-col text-[13px] text-quiet">
            {LABELS.start}
            <input
              className="field clock mt-0.5 w-20 text-ink"
              type="number"
              min={1}
              max={each}
              value={start}
              onChange={(e) => setStart(e.target.value)}
            />
          </label>
        )}
        <span className="pb-1.5 text-[13.5px] text-quiet">{LABELS.pages(pages.length)}</span>
        <PrintButton />
      </div>
      <div className="overflow-x-auto print:overflow-visible">
        {pages.map((page, i) => (
          <section
            // biome-ignore lint/suspicious/noArrayIndexKey: pages have no other name
            key={i}
            aria-label={LABELS.page(i + 1)}
            className="relative mb-5 break-after-page overflow-hidden border border-rule bg-white text-black last:break-after-auto print:mb-0 print:border-0"
            style={{ width: `${width}mm`, height: `${height - 0.2}mm` }}
          >
            {page.map(({ item, at: [left, top] }) => (
              <OneLabel
                key={item.key}
                label={item}
                address={address}
                style={{ left: `${left}mm`, top: `${top}mm`, width: `${sheet.label[0]}mm`, height: `${sheet.label[1]}mm` }}
                low={sheet.label[1] < LOW_MM}
              />
            ))}
          </section>
        ))}
      </div>
    </>
  );
}

/** A label lower than this has no room for what is nice to know. */
const LOW_MM = 30;

function OneLabel({
  label: l,
  address,
  style,
  low,
}: {
  readonly label: Label;
  readonly address: string;
  readonly style: React.CSSProperties;
  readonly low: boolean;
}) {
  return (
    <article
      aria-label={l.name}
      data-label={l.key}
      className={`absolute flex gap-[1.5mm] overflow-hidden px-[3mm] py-[1.6mm] leading-[1.22] outline-1 -outline-offset-1 outline-dotted outline-neutral-300 print:outline-none ${low ? "text-[6.6pt]" : "text-[7.6pt]"}`}
      style={style}
    >
      <div className="min-w-0 flex-1">
        <p className={`truncate font-serif leading-tight font-semibold ${low ? "text-[9pt]" : "text-[11pt]"}`}>{l.name}</p>
        <p className="truncate">
          {l.amount && <span className="clock">{l.amount} </span>}
          {l.raw && <b>{LABELS.raw} </b>}
          {l.component !== l.name && l.component}
        </p>
        <p className="truncate">{LABELS.made(l.made, l.place)}</p>
        {!low && l.ready && <p className="truncate">{LABELS.ready(l.ready)}</p>}
        {!low && l.best && <p className="truncate">{LABELS.best(l.best)}</p>}
        {l.until && (
          <p className={l.limit === "safety" ? "truncate font-bold" : "truncate"}>
            {(l.limit === "safety" ? LABELS.notAfter : LABELS.goodUntil)(l.until)}
          </p>
        )}
        {!low && l.for && <p className="truncate">{LABELS.for(l.for)}</p>}
        {l.contains.length > 0 && <p className="font-medium">{LABELS.contains(l.contains.join(", "))}</p>}
        {l.contentsUnknown && <p>{LABELS.contentsUnknown}</p>}
        {!low && l.warmUp && <p className="truncate">{l.warmUp}</p>}
      </div>
      <div className="flex shrink-0 flex-col items-center">
        <QRCodeSVG
          value={`${address}/i/${l.code}`}
          title={LABELS.code(l.code)}
          level="M"
          marginSize={0}
          style={{ width: low ? "13mm" : "16mm", height: "auto" }}
        />
        <span className="clock pt-[0.6mm] text-[6.6pt]">{l.code}</span>
      </div>
    </article>
  );
}
