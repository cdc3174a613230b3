// Thermometers, scales and the like, and the simulated ones.
import type { StandInKind } from "../core/devices/stand-ins";

export const DEVICES = {
  title: "Devices",
  lead: "Thermometers, scales and pH meters that send their readings here. Without one, try a simulated device.",
  protocol: "How a real device sends its readings is in docs/devices.md.",
  none: "No device has sent anything yet.",
  start: "Start a simulated device",
  kind: "Kind of device",
  speed: "Speed",
  speeds: [
    ["1", "as in a kitchen"],
    ["60", "a minute in each second"],
    ["600", "ten minutes in each second"],
  ],
  startIt: "Start",
  stop: "Stop",
  forget: "Forget",
  named: (what: string, name: string) => `${what}: ${name}`,
  simulated: "simulated",
  readsNothing: "reads nothing",
  silent: (since: string) => `silent since ${since}`,
  readBy: "Read by a device",
  nobody: "no device",
  live: (name: string, value: string) => `${name}: ${value}`,
  reached: (step: string, value: string) => `${step} is at ${value}`,
  kinds: {
    roast: "Probe in a roast",
    smoker: "Probe in a smoker",
    bath: "Water bath",
    pot: "Cooling pot",
    dough: "Height of a dough",
    fridge: "Fridge thermometer",
    ph: "pH meter in a ferment",
    scale: "Scale under a drying ham",
  } satisfies Record<StandInKind, string>,
} as const;
