import "server-only";
// Devices that measure: what each read last, the stand-ins that run here, and what of it goes into the record of a run.
import type { DeviceReading } from "../core/devices/line";
import { type StandInKind, standIn } from "../core/devices/stand-ins";
import { devicesBound } from "../core/record/entries";
import type { DeviceView } from "../core/view/device-view";
import { insertEntry, listEntries, listRunsWithDevices } from "../db/queries/entries";
import { announce } from "./changes";
import { nowMs } from "./clock";
import { database } from "./database";

/** A clock of a device that is further off than this is not believed: its readings count as taken now. */
const MOST_SKEW_MS = 10 * 60_000;
/** So often at most a reading of a device goes into the record. What is between them is shown and forgotten. */
const KEPT_EVERY_MS = 60_000;
/** Readings of one device are bounded in rate: what comes sooner is passed over. */
const LEAST_MS = 200;
const MOST_DEVICES = 100;
/** So long a device stays listed once it is silent. */
const FORGOTTEN_MS = 12 * 3_600_000;

interface Known {
  id: string;
  name: string;
  quantity: DeviceReading["quantity"];
  value: number | null;
  /** By the server's clock. */
  at: number;
  keptAt: number;
  stop?: () => void;
}
const shared = globalThis as typeof globalThis & { __rondeauDevices?: Map<string, Known> };
shared.__rondeauDevices ??= new Map();
const devices = shared.__rondeauDevices;

/** Every device that was heard of lately, by its name. */
export function listDevices(): DeviceView[] {
  const now = nowMs();
  for (const [id, d] of devices) if (!d.stop && now - d.at > FORGOTTEN_MS) devices.delete(id);
  return [...devices.values()]
    .map(({ id, name, quantity, value, at, stop }) => ({ id, name, quantity, value, at, simulated: stop !== undefined }))
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1));
}

/**
 * Takes readings in: the newest of each device is shown, one a minute is kept at the step at which it is read.
 * @returns how many were taken; those of a device that sends too fast, or of one device too many, are passed over
 */
export async function takeReadings(readings: readonly DeviceReading[]): Promise<number> {
  const now = nowMs();
  const toKeep: { device: Known; at: number; value: number }[] = [];
  let taken = 0;
  for (const r of readings) {
    const at = r.at === undefined || Math.abs(r.at - now) > MOST_SKEW_MS ? now : r.at;
    let device = devices.get(r.device);
    if (!device) {
      if (devices.size >= MOST_DEVICES) continue;
      device = { id: r.device, name: r.name, quantity: r.quantity, value: null, at: 0, keptAt: 0 };
      devices.set(r.device, device);
    }
    // Repeats, and what comes late after newer ones, say nothing new.
    if (at - device.at < LEAST_MS) continue;
    Object.assign(device, { name: r.name, quantity: r.quantity, value: r.value, at });
    taken++;
    if (r.value !== null && at - device.keptAt >= KEPT_EVERY_MS) {
      device.keptAt = at;
      toKeep.push({ device, at, value: r.value });
    }
  }
  if (toKeep.length) await keep(toKeep);
  return taken;
}

async function keep(list: readonly { device: Known; at: number; value: number }[]): Promise<void> {
  const db = await database();
  for (const { dishId, runId, slug } of await listRunsWithDevices(db)) {
    const bound = devicesBound(await listEntries(db, dishId, runId));
    const wanted = list.filter(({ device }) => bound.has(device.id));
    if (wanted.length === 0) continue;
    await db.transaction(async (tx) => {
      for (const { device, at, value } of wanted)
        await insertEntry(tx, {
          dishId,
          runId,
          key: crypto.randomUUID(),
          at: new Date(at),
          recordedAt: new Date(nowMs()),
          body: { kind: "reading", step: bound.get(device.id) as string, quantity: device.quantity, value, device: device.id },
        });
    });
    announce(slug, "log");
  }
}

/** Starts a simulated device. @param speed seconds of its thing in each second */
export function startStandIn(kind: StandInKind, speed = 1): DeviceView | undefined {
  if (devices.size >= MOST_DEVICES) return undefined;
  const id = Array.from({ length: MOST_DEVICES + 1 }, (_, i) => `${kind}-${i + 1}`).find((x) => !devices.has(x)) as string;
  const model = standIn(kind, Math.floor(Math.random() * 2 ** 31));
  const tick = () =>
    void takeReadings([{ device: id, name: model.name, quantity: model.quantity, value: model.next(speed), at: undefined }]).catch(
      (error: unknown) => console.error(`device ${id}: a reading was not kept`, error),
    );
  const timer = setInterval(tick, 1000);
  timer.unref();
  devices.set(id, { id, name: model.name, quantity: model.quantity, value: null, at: 0, keptAt: 0, stop: () => clearInterval(timer) });
  tick();
  return listDevices().find((d) => d.id === id);
}

/** Ends a simulated device, or forgets one that is silent. @returns false where there is none such */
export function stopDevice(id: string): boolean {
  devices.get(id)?.stop?.();
  return devices.delete(id);
}
