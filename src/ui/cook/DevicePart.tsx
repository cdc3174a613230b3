"use client";
// A device at a step: which one is read, what it reads now, and a call when the core is there or the device falls silent.
import { useEffect, useRef } from "react";
import { said } from "@/core/bench/quantity";
import { devicesBound, type Entry, type EntryBody } from "@/core/record/entries";
import type { WallClock } from "@/core/time/wall-clock";
import { type DeviceView, isSilent } from "@/core/view/device-view";
import type { StepView } from "@/core/view/plan-view";
import { DEVICES } from "@/words/devices";
import { Choice } from "../shell/Choice";
import { useFigures, useUnits } from "../shell/conventions";
import { useDevices } from "../shell/use-devices";
import { notice, sound } from "./alerts";
import { readingSaid } from "./reading";

interface DevicePartProps {
  readonly step: StepView;
  readonly entries: readonly Entry[];
  readonly write: (...bodies: readonly EntryBody[]) => void;
  readonly now: number;
  readonly clock: WallClock;
  /** The choice of a device is shown too. */
  readonly open: boolean;
}

export function DevicePart({ step, entries, write, now, clock, open }: DevicePartProps) {
  const bound = [...devicesBound(entries)].find(([, ref]) => ref === step.ref)?.[0];
  const { devices } = useDevices(open || bound !== undefined);
  const units = useUnits();
  const told = useFigures();
  const device = devices.find((d) => d.id === bound);
  const reached =
    device?.quantity === "core" && device.value !== null && step.probeC !== undefined && device.value >= step.probeC
      ? DEVICES.reached(step.name, told(said(step.probeC, "temp", units)))
      : undefined;
  useCallOnce(reached);
  const choose = (id: string) => {
    if (bound !== undefined) write({ kind: "device", step: step.ref, device: bound, on: false });
    if (id !== "") write({ kind: "device", step: step.ref, device: id, on: true });
  };
  return (
    <>
      {device && (
        <p data-device={device.id} className={`text-[18px] ${reached ? "border-l-[3px] border-saffron pl-3 font-semibold" : ""}`}>
          {reached ??
            DEVICES.live(device.name, stateOf(device, now, clock) ?? told(readingSaid(device.quantity, device.value as number, units)))}
        </p>
      )}
      {open && devices.length > 0 && (
        <span className="text-[14px] text-quiet">
          {DEVICES.readBy}
          <Choice
            label={DEVICES.readBy}
            className="mt-0.5 flex! min-h-[56px] w-full text-[17px]"
            value={bound ?? ""}
            none={DEVICES.nobody}
            options={devices.map((d) => [d.id, `${d.name} (${d.id})`])}
            onChange={choose}
          />
        </span>
      )}
    </>
  );
}

/** Silent or reading nothing, in words; undefined where it reads. */
function stateOf(device: DeviceView, now: number, clock: WallClock): string | undefined {
  if (isSilent(device, now * 60_000)) return DEVICES.silent(clock.near(Math.floor(device.at / 60_000), now));
  return device.value === null ? DEVICES.readsNothing : undefined;
}

/** Sounds once as something comes about. */
function useCallOnce(what: string | undefined): void {
  const called = useRef<string>(undefined);
  useEffect(() => {
    if (what !== undefined && called.current !== what) {
      sound("due");
      notice(what);
    }
    called.current = what;
  }, [what]);
}
