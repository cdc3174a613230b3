"use client";
// A device at a step: which one is read, what it reads now, and a call when the core is there or the device falls silent.
import { useEffect, useRef } from "react";
import { said } from "@/core/bench/quantity";
import { devicesBound, type Entry, type EntryBody, readingsOf } from "@/core/record/entries";
import type { WallClock } from "@/core/time/wall-clock";
import { type DeviceAlarm, deviceAlarm } from "@/core/view/device-alarm";
import type { DeviceView } from "@/core/view/device-view";
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
  const alarm = device && deviceAlarm(step, device, readingsOf(entries, step.ref), now * 60_000);
  const call = device && alarm && callOf(alarm, device, step.name, (c) => told(said(c, "temp", units)), clock, now);
  useCallOnce(call, alarm?.kind === "reached" ? "due" : "danger");
  const choose = (id: string) => {
    if (bound !== undefined) write({ kind: "device", step: step.ref, device: bound, on: false });
    if (id !== "") write({ kind: "device", step: step.ref, device: id, on: true });
  };
  return (
    <>
      {device && (
        <p
          data-device={device.id}
          className={`text-[18px] ${call ? `border-l-[3px] pl-3 font-semibold ${alarm?.kind === "reached" ? "border-saffron" : "border-beet"}` : ""}`}
        >
          {call ?? DEVICES.live(device.name, told(readingSaid(device.quantity, device.value as number, units)))}
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

/** What has to be heard of it. */
function callOf(
  { kind, now: at = 0, than = 0 }: DeviceAlarm,
  device: DeviceView,
  step: string,
  degrees: (c: number) => string,
  clock: WallClock,
  now: number,
): string {
  if (kind === "silent") return DEVICES.gone(device.name, clock.near(Math.floor(device.at / 60_000), now));
  if (kind === "out") return DEVICES.out(device.name);
  if (kind === "reached") return DEVICES.reached(step, degrees(than));
  return { fallen: DEVICES.fallen, "too-warm": DEVICES.tooWarm, "too-cold": DEVICES.tooCold }[kind](step, degrees(at), degrees(than));
}

/** Sounds once as something comes about; figures that change while it lasts do not sound again. */
function useCallOnce(what: string | undefined, tone: "due" | "danger"): void {
  const called = useRef(false);
  useEffect(() => {
    if (what !== undefined && !called.current) {
      sound(tone);
      notice(what);
    }
    called.current = what !== undefined;
  }, [what, tone]);
}
