// A piece of meat or fish, as several panels ask for it.
import type { FigureField } from "../panel";

export const meat: FigureField = { key: "meat", label: "Meat or fish", of: "mass", usual: "g", start: 1500, low: 50, high: 50_000 };
export const thick: FigureField = { key: "thick", label: "Thickness", of: "length", usual: "cm", start: 50, low: 2, high: 300 };
export const cold: FigureField = { key: "tempC", label: "Fridge, measured", of: "temp", start: 4, low: 0, high: 20 };
