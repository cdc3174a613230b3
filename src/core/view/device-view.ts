// A device as pages show it.
import type { DeviceQuantity } from "../devices/line";

export interface DeviceView {
  readonly id: string;
  readonly name: string;
  readonly quantity: DeviceQuantity;
  /** null: it reads nothing just now. */
  readonly value: number | null;
  /** Milliseconds since 1970, by the server's clock. */
  readonly at: number;
  readonly simulated: boolean;
}

/** Silent for so long, a device has fallen out, is off, or out of reach. */
const SILENT_MS = 2 * 60_000;

export const isSilent = (device: Pick<DeviceView, "at">, nowMs: number): boolean => nowMs - device.at > SILENT_MS;
