// How explanations say a moment, hours and a use.
import { type Dish, HEATED, STORES, type Use } from "../../dish/model";
import type { Hours } from "../../time/calendar";

/** "Sat 17/10 14:10" */
export function momentText(dish: Dish, minute: number): string {
  const wall = dish.zone.wall(minute);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"][wall.weekday - 1]} ${wall.day}/${wall.month} ${two(wall.hour)}:${two(wall.minute)}`;
}

export function hoursText(hours: readonly Hours[]): string {
  return hours
    .map((h) =>
      "days" in h && h.days !== undefined
        ? `${h.days === "all" ? "every day" : h.days.replace(/\b[a-z]/g, (l) => l.toUpperCase())} ${h.from} to ${h.to}`
        : datedText(h.from, h.to),
    )
    .join(", ");
}

/** "Sat 5/12 14:00 to 18:00" */
function datedText(from: string, to: string): string {
  const day = (text: string) => {
    const date = new Date(`${text.slice(0, 10)}T00:00Z`);
    return `${["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"][date.getUTCDay()]} ${date.getUTCDate()}/${date.getUTCMonth() + 1}`;
  };
  const same = from.slice(0, 10) === to.slice(0, 10);
  return `${day(from)} ${from.slice(11, 16)} to ${same ? "" : `${day(to)} `}${to.slice(11, 16)}`;
}

export function useText(use: Use): string {
  const size = use.litres ? ` of ${Number(use.litres.toPrecision(3))} L` : "";
  if ((HEATED as readonly string[]).includes(use.what)) return `the ${use.what} at ${use.tempC} °C`;
  if ((STORES as readonly string[]).includes(use.what)) return `${Number(use.litres.toPrecision(3))} L of the ${use.what}`;
  return `${use.count > 1 ? use.count : "a"} ${use.what}${use.count > 1 ? "s" : ""}${size}`;
}
