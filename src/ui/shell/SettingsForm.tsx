"use client";
// How figures are shown. Each choice counts at once, for this browser.
import { useRouter } from "next/navigation";
import { RadioGroup } from "radix-ui";
import { useState } from "react";
import { type Conventions, conventionsText } from "@/core/spoken/conventions";
import { inConventions } from "@/core/spoken/in-conventions";
import { SETTINGS } from "@/words/settings";

interface Row {
  readonly legend: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, text: string])[];
  readonly change: (value: string) => Partial<Conventions>;
}

function keep(name: string, value: string) {
  // biome-ignore lint/suspicious/noDocumentCookie: read by the server, so that no page shows the other choice first
  document.cookie = `${name}=${value}; path=/; max-age=31536000; samesite=strict`;
}

export function SettingsForm({ chosen }: { readonly chosen: Conventions }) {
  const router = useRouter();
  const [now, setNow] = useState(chosen);
  const choose = (change: Partial<Conventions>) => {
    const next = { ...now, ...change };
    setNow(next);
    keep("conventions", conventionsText(next));
    router.refresh();
  };
  const rows: readonly Row[] = [
    {
      legend: SETTINGS.units,
      value: now.units,
      options: [
        ["metric", SETTINGS.metric],
        ["us", SETTINGS.us],
      ],
      change: (v) => ({ units: v as Conventions["units"] }),
    },
    {
      legend: SETTINGS.clock,
      value: String(now.clock),
      options: [
        ["24", SETTINGS.clock24],
        ["12", SETTINGS.clock12],
      ],
      change: (v) => ({ clock: Number(v) as Conventions["clock"] }),
    },
    {
      legend: SETTINGS.dates,
      value: now.dayFirst ? "day" : "month",
      options: [
        ["day", SETTINGS.dayFirst],
        ["month", SETTINGS.monthFirst],
      ],
      change: (v) => ({ dayFirst: v === "day" }),
    },
    {
      legend: SETTINGS.weekStart,
      value: String(now.weekStart),
      options: [
        ["1", SETTINGS.monday],
        ["7", SETTINGS.sunday],
        ["6", SETTINGS.saturday],
      ],
      change: (v) => ({ weekStart: Number(v) as Conventions["weekStart"] }),
    },
    {
      legend: SETTINGS.decimal,
      value: now.decimal,
      options: [
        [".", SETTINGS.point],
        [",", SETTINGS.comma],
      ],
      change: (v) => ({ decimal: v as Conventions["decimal"] }),
    },
  ];
  return (
    <>
      {rows.map((row) => (
        <Row key={row.legend} {...row} onChange={(v) => choose(row.change(v))} />
      ))}
      <LightRow />
      <p className="border-t-2 border-rim pt-3 text-[15px]">
        <span className="caps block pb-1">{SETTINGS.sample}</span>
        <span data-testid="sample">{inConventions(SETTINGS.sampleText, now)}</span>
      </p>
    </>
  );
}

function LightRow() {
  const [light, setLight] = useState(() =>
    typeof document === "undefined" ? "system" : (document.documentElement.dataset.theme ?? "system"),
  );
  return (
    <Row
      legend={SETTINGS.light}
      value={light}
      options={[
        ["system", SETTINGS.lightSystem],
        ["light", SETTINGS.lightDay],
        ["dark", SETTINGS.lightEvening],
      ]}
      onChange={(value) => {
        setLight(value);
        keep("theme", value);
        if (value === "system") delete document.documentElement.dataset.theme;
        else document.documentElement.dataset.theme = value;
      }}
    />
  );
}

interface RowProps {
  readonly legend: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, text: string])[];
  readonly onChange: (value: string) => void;
}

function Row({ legend, value, options, onChange }: RowProps) {
  return (
    <div className="grid gap-x-6 gap-y-1 border-t border-rule py-3 sm:grid-cols-[9rem_1fr]">
      <span id={`set-${legend}`} className="pt-1.5 font-serif text-[17px] font-semibold">
        {legend}
      </span>
      <RadioGroup.Root
        aria-labelledby={`set-${legend}`}
        value={value}
        onValueChange={onChange}
        className="flex flex-wrap gap-x-6 gap-y-1"
        suppressHydrationWarning
      >
        {options.map(([key, text]) => (
          <span key={key} className="flex min-h-9 items-center gap-2">
            <RadioGroup.Item
              value={key}
              id={`set-${legend}-${key}`}
              className="flex size-6 items-center justify-center rounded-full border-[1.5px] border-rim bg-raised"
            >
              <RadioGroup.Indicator className="size-3 rounded-full bg-rim" />
            </RadioGroup.Item>
            <label htmlFor={`set-${legend}-${key}`} className="cursor-pointer">
              {text}
            </label>
          </span>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
