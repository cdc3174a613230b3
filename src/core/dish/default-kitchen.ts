// The kitchen of a dish that brings none: one cook with a day job, one oven, an ordinary set of pots.
import type { KitchenFile } from "./schema";

const several = (kind: string, number: number, more: object = {}) =>
  Array.from({ length: number }, (_, i) => ({ id: number === 1 ? kind : `${kind}-${i + 1}`, kind, ...more }));

export const DEFAULT_KITCHEN: KitchenFile = {
  cooks: [
    {
      id: "cook",
      name: "Cook",
      hours: [
        { days: "mon-fri", from: "18:30", to: "22:00" },
        { days: "sat-sun", from: "08:00", to: "22:00" },
      ],
      awake: [{ days: "all", from: "07:00", to: "23:00" }],
      away: [{ days: "mon-fri", from: "08:15", to: "18:00" }],
    },
  ],
  equipment: [
    { id: "oven", kind: "oven", racks: 2, maxC: 250 },
    ...several("burner", 4),
    { id: "pot-1", kind: "pot", litres: 10 },
    { id: "pot-2", kind: "pot", litres: 6 },
    { id: "pot-3", kind: "pot", litres: 3 },
    { id: "pot-4", kind: "pot", litres: 1.5 },
    { id: "bath", kind: "bath", litres: 12 },
    { id: "fridge", kind: "fridge", litres: 40 },
    { id: "freezer", kind: "freezer", litres: 20 },
    { id: "cellar", kind: "cellar", litres: 40 },
    { id: "mixer", kind: "mixer", litres: 4.5 },
    { id: "processor", kind: "processor", litres: 2 },
    { id: "blender", kind: "blender", litres: 1.5 },
    { id: "roller", kind: "roller" },
    { id: "slow-pot", kind: "slow-pot", litres: 6 },
    { id: "pressure-pot", kind: "pressure-pot", litres: 6 },
    ...several("sheet-pan", 3),
    ...several("tray", 4),
    ...several("tin", 2),
    ...several("jar", 8, { litres: 1 }),
    { id: "iron", kind: "iron" },
    { id: "sink", kind: "sink" },
  ],
  windows: [],
};
