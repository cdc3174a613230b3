// Devices as the server knows them, asked for every few seconds while somebody looks.
import { useCallback, useEffect, useState } from "react";
import type { DeviceView } from "@/core/view/device-view";
import { ask } from "./ask";

const EVERY_MS = 3000;

/** @param wanted asked for only while this holds */
export function useDevices(wanted: boolean): { readonly devices: readonly DeviceView[]; readonly refresh: () => Promise<void> } {
  const [devices, setDevices] = useState<readonly DeviceView[]>([]);
  const refresh = useCallback(async () => {
    const answer = await ask("/api/devices", "GET");
    if (answer.ok && Array.isArray(answer.body.devices)) setDevices(answer.body.devices as unknown as readonly DeviceView[]);
  }, []);
  useEffect(() => {
    if (!wanted) return;
    void refresh();
    const timer = setInterval(() => void refresh(), EVERY_MS);
    return () => clearInterval(timer);
  }, [wanted, refresh]);
  return { devices, refresh };
}
