// The line protocol of devices: one JSON object a line, each a reading. What a thermometer, a scale or a pH meter sends, and what the stand-ins send.
import { z } from "zod";

/** What can be measured, the unit in which it is kept, and other units that are taken. */
const UNITS = {
  core: { kept: "°C", also: { "°F": (v: number) => (v - 32) / 1.8 } },
  temperature: { kept: "°C", also: { "°F": (v: number) => (v - 32) / 1.8 } },
  ph: { kept: "pH", also: {} },
  weight: { kept: "g", also: { kg: (v: number) => v * 1000, oz: (v: number) => v * 28.349523125, lb: (v: number) => v * 453.59237 } },
  height: { kept: "cm", also: { mm: (v: number) => v / 10, in: (v: number) => v * 2.54 } },
  salinity: { kept: "%", also: {} },
} as const satisfies Record<string, { readonly kept: string; readonly also: Readonly<Record<string, (v: number) => number>> }>;
export type DeviceQuantity = keyof typeof UNITS;
const QUANTITIES = Object.keys(UNITS) as [DeviceQuantity, ...DeviceQuantity[]];

const Line = z.object({
  device: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, "Write a name of small letters, digits and hyphens."),
  name: z.string().trim().min(1).max(80).optional(),
  quantity: z.enum(QUANTITIES),
  /** null: it is there but reads nothing, as a probe that fell out. */
  value: z.number().finite().nullable(),
  unit: z.string().max(10).optional(),
  /** When it was measured; without it, now. */
  at: z.iso.datetime({ offset: true }).optional(),
});

export interface DeviceReading {
  readonly device: string;
  readonly name: string;
  readonly quantity: DeviceQuantity;
  /** In the unit in which it is kept; null where it reads nothing. */
  readonly value: number | null;
  /** Milliseconds since 1970 by the device's clock; undefined: now. */
  readonly at: number | undefined;
}

interface LineProblem {
  readonly line: number;
  readonly message: string;
}

/** So many lines are taken at once: ten minutes of twenty devices at one a second would come in several batches. */
export const MOST_LINES = 2000;

/**
 * Reads a batch of lines. A line that is wrong does not spoil the others.
 * @example readDeviceLines('{"device":"probe-1","quantity":"core","value":131,"unit":"°F"}').readings[0].value // 55
 */
export function readDeviceLines(text: string): { readonly readings: DeviceReading[]; readonly problems: LineProblem[] } {
  const readings: DeviceReading[] = [];
  const problems: LineProblem[] = [];
  const lines = text.split("\n");
  if (lines.length > MOST_LINES) problems.push({ line: MOST_LINES + 1, message: `Send at most ${MOST_LINES} lines at once.` });
  for (const [i, raw] of lines.slice(0, MOST_LINES).entries()) {
    if (raw.trim() === "") continue;
    const wrong = (message: string) => problems.push({ line: i + 1, message });
    let value: unknown;
    try {
      value = JSON.parse(raw);
    } catch {
      wrong("This is not JSON.");
      continue;
    }
    const read = Line.safeParse(value);
    if (!read.success) {
      const [issue] = read.error.issues;
      wrong(`${issue?.path.join(".") ?? ""}: ${issue?.message ?? "not understood"}`);
      continue;
    }
    const { device, name, quantity, unit, at } = read.data;
    const known = UNITS[quantity];
    const change =
      unit === undefined || unit === known.kept ? (v: number) => v : (known.also as Record<string, (v: number) => number>)[unit];
    if (!change) {
      wrong(`unit: write ${[known.kept, ...Object.keys(known.also)].join(" or ")} for ${quantity}.`);
      continue;
    }
    readings.push({
      device,
      name: name ?? device,
      quantity,
      value: read.data.value === null ? null : change(read.data.value),
      at: at === undefined ? undefined : Date.parse(at),
    });
  }
  return { readings, problems };
}
