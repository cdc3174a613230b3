"use client";
// Devices of the kitchen: what each reads, and simulated ones to try.
import { useState } from "react";
import { STAND_IN_KINDS, type StandInKind } from "@/core/devices/stand-ins";
import { DEVICES } from "@/words/devices";
import { readingSaid } from "../cook/reading";
import { ask, reason } from "../shell/ask";
import { Choice } from "../shell/Choice";
import { useFigures, useUnits } from "../shell/conventions";
import { useDevices } from "../shell/use-devices";

export function DevicesPart() {
  const { devices, refresh } = useDevices(true);
  const units = useUnits();
  const told = useFigures();
  const [kind, setKind] = useState<StandInKind>("roast");
  const [speed, setSpeed] = useState("1");
  const [trouble, setTrouble] = useState<string>();
  const send = async (method: "POST" | "DELETE", body: unknown) => {
    const answer = await ask("/api/devices/simulated", method, body);
    setTrouble(answer.ok ? undefined : reason(answer));
    await refresh();
  };
  return (
    <section aria-label={DEVICES.title} className="mt-10 border-t-2 border-rim pt-3">
      <h2 className="text-[21px]">{DEVICES.title}</h2>
      <p className="pb-2 text-[14px] text-quiet">
        {DEVICES.lead} {DEVICES.protocol}
      </p>
      {devices.length === 0 && <p className="border-t border-rule py-2 text-quiet">{DEVICES.none}</p>}
      <ul>
        {devices.map((d) => (
          <li key={d.id} className="grid grid-cols-[1fr_auto_auto] items-center gap-x-4 border-t border-rule py-1.5">
            <span>
              {d.name}{" "}
              <span className="text-[13px] text-quiet">
                {d.id}
                {d.simulated ? `, ${DEVICES.simulated}` : ""}
              </span>
            </span>
            <span className="clock text-[16px]">
              {d.value === null ? DEVICES.readsNothing : told(readingSaid(d.quantity, d.value, units))}
            </span>
            <button
              type="button"
              className="link min-h-11 text-[14px]"
              aria-label={DEVICES.named(d.simulated ? DEVICES.stop : DEVICES.forget, d.id)}
              onClick={() => void send("DELETE", { device: d.id })}
            >
              {d.simulated ? DEVICES.stop : DEVICES.forget}
            </button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end gap-3 border-t border-rule pt-3">
        <span className="text-[14px] text-quiet">
          {DEVICES.kind}
          <Choice
            label={DEVICES.kind}
            className="mt-0.5 flex! min-h-11 min-w-52"
            value={kind}
            options={STAND_IN_KINDS.map((k) => [k, DEVICES.kinds[k]])}
            onChange={(k) => setKind(k as StandInKind)}
          />
        </span>
        <span className="text-[14px] text-quiet">
          {DEVICES.speed}
          <Choice
            label={DEVICES.speed}
            className="mt-0.5 flex! min-h-11 min-w-52"
            value={speed}
            options={DEVICES.speeds}
            onChange={setSpeed}
          />
        </span>
        <button type="button" className="act min-h-11 px-5" onClick={() => void send("POST", { kind, speed: Number(speed) })}>
          {DEVICES.startIt}
        </button>
      </div>
      {trouble && (
        <p role="alert" className="pt-2 text-beet">
          {trouble}
        </p>
      )}
    </section>
  );
}
