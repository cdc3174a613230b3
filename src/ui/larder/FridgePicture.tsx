"use client";
// The fridge as an open vessel over the coming days: everyday food at the bottom, a layer for each thing in it, what stands above the brim told in words.
import { quantityText } from "@/core/dish/units";
import type { Room } from "@/core/larder/room";
import type { WallClock } from "@/core/time/wall-clock";
import { LARDER } from "@/words/larder";
import { useSpoken } from "../shell/conventions";
import { useNarrow } from "../shell/use-narrow";

interface FridgePictureProps {
  readonly room: Room;
  readonly clock: WallClock;
  readonly x: (minute: number) => number;
  readonly now: number;
  readonly to: number;
}

const [WIDE, NARROW, HEIGHT, ABOVE, FOOT] = [660, 350, 170, 22, 20];
const TONES = ["var(--copper)", "var(--ochre)", "var(--plum)", "var(--leaf)", "var(--teal)", "var(--olive)", "var(--rust)", "var(--rim)"];
/** A name is written where its layer is this wide and high, in pixels. */
const [NAME_WIDTH, NAME_HEIGHT] = [64, 13];

export function FridgePicture({ room, clock, x, now, to }: FridgePictureProps) {
  const spoken = useSpoken();
  const width = useNarrow() ? NARROW : WIDE;
  const litres = (l: number) => spoken(quantityText({ dimension: "volume", value: l * 1000 }));
  const at = (minute: number) => x(minute) * width;
  const high = (l: number) => (l / room.litres) * HEIGHT;
  const bottom = ABOVE + HEIGHT;
  const marks = [...new Set([now, to, ...room.layers.flatMap((l) => [l.from, l.to])])].sort((a, b) => a - b);
  const names = [...new Set(room.layers.map((l) => l.name))];
  const tone = (name: string) => TONES[names.indexOf(name) % TONES.length] as string;
  const boxes = marks.slice(0, -1).flatMap((from, i) => {
    const until = marks[i + 1] as number;
    let level = room.everyday;
    return room.layers
      .filter((l) => l.from <= from && l.to >= until)
      .map((l) => {
        const box = {
          key: `${from} ${l.name} ${l.dish}`,
          name: l.name,
          x: at(from),
          w: at(until) - at(from),
          y: bottom - high(level + l.litres),
          h: high(l.litres),
        };
        level += l.litres;
        return box;
      });
  });
  // One name a layer: where it is widest.
  const widest = names.flatMap((name) => {
    const [box] = boxes.filter((b) => b.name === name && b.h >= NAME_HEIGHT).sort((a, b) => b.w - a.w);
    return box && box.w >= NAME_WIDTH ? [box] : [];
  });
  const days = dayMarks(clock, now, to);
  return (
    <section aria-label={LARDER.fridge}>
      <h2 className="pb-1 text-[21px]">{LARDER.fridge}</h2>
      <svg viewBox={`0 0 ${width} ${bottom + FOOT}`} className="block h-auto w-full">
        <title>{LARDER.fridge}</title>
        {room.everyday > 0 && (
          <rect x={0} y={bottom - high(room.everyday)} width={width} height={high(room.everyday)} fill="var(--fold-wash)" />
        )}
        {boxes.map((b) => (
          <rect key={b.key} x={b.x} y={b.y} width={b.w} height={b.h} fill={tone(b.name)} opacity="0.38" />
        ))}
        {room.everyday > 0 && high(room.everyday) >= NAME_HEIGHT && (
          <text x={8} y={bottom - 5} fontSize="12" fill="var(--ink)">
            {LARDER.everyday(litres(room.everyday))}
          </text>
        )}
        {widest.map((b) => (
          <text key={b.key} x={b.x + 5} y={b.y + b.h / 2 + 4} fontSize="12" fill="var(--ink)">
            {fitted(b.name, b.w - 8)}
          </text>
        ))}
        {room.tooFull.map((t) => (
          <rect key={t.from} x={at(t.from)} y={2} width={Math.max(2, at(t.to) - at(t.from))} height={ABOVE - 3} fill="var(--beet)" />
        ))}
        <path d={`M1 ${ABOVE}V${bottom}H${width - 1}V${ABOVE}`} fill="none" stroke="var(--rim)" strokeWidth="2.4" />
        <path d={`M0 ${ABOVE}H${width}`} stroke="var(--rim)" strokeWidth="1" strokeDasharray="2 3" />
        <text
          x={width}
          y={ABOVE - 6}
          fontSize="12"
          textAnchor="end"
          fill="var(--rim)"
          stroke="var(--paper)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {LARDER.full(litres(room.litres))}
        </text>
        {days.map((d) => (
          <g key={d.at}>
            <path d={`M${at(d.at)} ${ABOVE}V${bottom}`} stroke="var(--rule)" strokeWidth="1" />
            <text x={at(d.at) + 4} y={bottom + 14} fontSize="12" fontWeight="600" fill="var(--ink)">
              {d.label}
            </text>
          </g>
        ))}
        <path d={`M0.8 ${ABOVE - 4}V${bottom}`} stroke="var(--saffron)" strokeWidth="2.4" />
      </svg>
      <details className="pt-1 text-[13.5px]">
        <summary className="min-h-6 cursor-pointer py-1 text-quiet">{LARDER.asTable}</summary>
        <table className="mt-1">
          <thead>
            <tr className="text-left text-quiet">
              {[LARDER.item, LARDER.litres, LARDER.from, LARDER.to].map((h) => (
                <th key={h} scope="col" className="pr-6 font-normal">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {room.layers.map((l) => (
              <tr key={`${l.name} ${l.from} ${l.dish}`} className="border-t border-rule">
                <td className="pr-6">{l.name}</td>
                <td className="clock pr-6">{litres(l.litres)}</td>
                <td className="clock pr-6">{clock.fromNow(l.from, now)}</td>
                <td className="clock">{clock.fromNow(l.to, now)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

/** A name cut to a width in pixels, at about 6.4 a letter. */
const fitted = (name: string, width: number) =>
  name.length * 6.4 <= width ? name : `${name.slice(0, Math.max(1, Math.floor(width / 6.4) - 1))}…`;

function dayMarks(clock: WallClock, now: number, to: number): { at: number; label: string }[] {
  const marks: { at: number; label: string }[] = [];
  for (let at = now + 1440 - clock.timeOfDay(now); at < to; at += 1440) marks.push({ at, label: clock.day(at) });
  return marks;
}
