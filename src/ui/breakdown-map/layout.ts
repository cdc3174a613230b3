// The flow of material laid out: pools in layers from raw goods down to the table, streams between them as wide as they are heavy.
// Layers and their order are dagre's; what is ours is where streams leave and enter a pool, and how their courses bend.

import { layout as dagreLayout, Graph } from "@dagrejs/dagre";
import { type MaterialFlow, type Pool, type Stream, weightText } from "@/core/sheets/material-flow";
import { LAYOUT } from "@/words/breakdown-map";

export interface PlacedPool {
  readonly pool: Pool;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Its name in one to three lines. */
  readonly lines: readonly string[];
  /** The spring of raw goods above it, as wide as they are heavy; undefined where nothing is bought for it. */
  readonly spring: { readonly width: number; readonly text: string } | undefined;
}

export interface PlacedStream {
  readonly stream: Stream;
  /** The middle line, an SVG path. */
  readonly path: string;
  readonly width: number;
  /** Where an amount can stand on it; undefined where there is no room. */
  readonly label: { readonly x: number; readonly y: number; readonly text: string } | undefined;
  /** Its end: where it runs out, for unused ones. */
  readonly end: readonly [x: number, y: number];
}

interface MapLayout {
  readonly pools: readonly PlacedPool[];
  readonly streams: readonly PlacedStream[];
  readonly width: number;
  readonly height: number;
}

const LINE = 15;
const SPRING_HEIGHT = 34;
/** Room under a pool for one stream that runs out unused, with its two lines of words. */
const OUTLET_HEIGHT = 33;
const WIDEST = 34;
const NARROWEST = 1.6;
const CHARACTER = 7;
const LONGEST_LINE = 12;
const LEAST_WIDTH = 70;
/** Room between a stream and its pool's edge. */
const INSET = 8;
const GAP = 3;

/** Ways to hand the graph to dagre: its answer hangs on the order and the weights that it is given. */
const ORDERS = ["given", "reversed", LAYOUT.heavyFirst, LAYOUT.lightFirst] as const;
const WEIGHTS = ["even", "main", "last", "heavy"] as const;
const TRIALS = ORDERS.flatMap((order) => WEIGHTS.map((weights) => ({ order, weights })));
type Trial = (typeof TRIALS)[number];
/** The panel beside the map leaves about so much, pixels. */
const WISHED_WIDTH = 640;

/** The flow of material with a place for everything, the straightest of a few layouts; the same input gives the same map. */
export function layoutMap(water: MaterialFlow, say: (text: string) => string = (text) => text): MapLayout {
  const tried = TRIALS.map((trial) => layoutOnce(water, trial, say));
  return tried.reduce((best, next) => (badness(next) < badness(best) - 1e-6 ? next : best));
}

/** Streams that run far aside, the heavier the worse; streams that cross; a map wider than its place; a deep one. */
function badness({ streams, width, height }: MapLayout): number {
  let sum = Math.max(0, width - WISHED_WIDTH) * 80 + height * 4;
  const ways = streams.filter((s) => s.stream.to !== undefined).map((s) => ({ points: anchorsOf(s.path), width: s.width }));
  for (const { points, width: w } of ways)
    for (let i = 1; i < points.length; i++) sum += Math.abs((points[i]?.[0] ?? 0) - (points[i - 1]?.[0] ?? 0)) * (w + 6);
  ways.forEach((a, i) => {
    for (const b of ways.slice(i + 1)) {
      const [from, to] = [
        Math.max(a.points[0]?.[1] ?? 0, b.points[0]?.[1] ?? 0),
        Math.min(a.points.at(-1)?.[1] ?? 0, b.points.at(-1)?.[1] ?? 0),
      ];
      if (to - from < 4) continue;
      const side = (y: number) => Math.sign(xAt(a.points, y) - xAt(b.points, y));
      if (side(from + 1) * side(to - 1) < 0) sum += 1200 + 60 * Math.min(a.width, b.width);
    }
  });
  return sum;
}

/** Where a course begins, bends and ends. */
function anchorsOf(path: string): Point[] {
  const numbers = [...path.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
  const points: Point[] = [[numbers[0] ?? 0, numbers[1] ?? 0]];
  for (let i = 6; i + 1 < numbers.length; i += 6) points.push([numbers[i] ?? 0, numbers[i + 1] ?? 0]);
  return points;
}

/** How far right a course is at a height. */
function xAt(points: readonly Point[], y: number): number {
  for (let i = 1; i < points.length; i++) {
    const [from, to] = [points[i - 1] as Point, points[i] as Point];
    if (y <= to[1]) return onCourse(from, to, Math.max(0, (y - from[1]) / Math.max(1, to[1] - from[1])))[0];
  }
  return points.at(-1)?.[0] ?? 0;
}

function layoutOnce({ pools, streams }: MaterialFlow, { order, weights }: Trial, say: (text: string) => string): MapLayout {
  const heaviest = Math.max(1, ...streams.map((s) => s.grams), ...pools.map((p) => p.raw.grams));
  const widthOf = (grams: number) => Math.max(NARROWEST, (grams / heaviest) * WIDEST);
  const total = (list: readonly Stream[]) => list.reduce((sum, s) => sum + widthOf(s.grams) + GAP, -GAP);
  const out = (id: string) => streams.filter((s) => s.from === id && s.to !== undefined);
  const unused = (id: string) => streams.filter((s) => s.from === id && s.to === undefined);
  const into = (id: string) => streams.filter((s) => s.to === id);
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: "TB", nodesep: 10, ranksep: 34, marginx: 10, marginy: 6, ranker: "network-simplex" });
  graph.setDefaultEdgeLabel(() => ({}));
  const shape = new Map<string, { width: number; height: number; lines: readonly string[]; spring: number; outlets: number }>();
  for (const pool of ordered(pools, order, (p) => p.raw.grams)) {
    const lines = linesOf(pool.name);
    const words = Math.max(...lines.map((l) => l.length)) * CHARACTER + 14;
    const spring = pool.raw.count > 0 ? SPRING_HEIGHT : 0;
    const outlets = unused(pool.id).length * OUTLET_HEIGHT;
    const width = Math.max(
      LEAST_WIDTH,
      words,
      Math.max(total(out(pool.id)), total(into(pool.id)), pool.raw.grams > 0 ? widthOf(pool.raw.grams) : 0) + 2 * INSET,
    );
    shape.set(pool.id, { width, height: lines.length * LINE + 14, lines, spring, outlets });
    graph.setNode(pool.id, { width, height: lines.length * LINE + 14 + spring + outlets });
  }
  const last = new Map(streams.map((s) => [s.from, s.output]));
  const weightOf = (s: Stream) =>
    weights === "even"
      ? 1
      : weights === "main"
        ? s.byProduct
          ? 1
          : 3
        : weights === "last"
          ? last.get(s.from) === s.output
            ? 3
            : 1
          : 1 + Math.round((4 * s.grams) / heaviest);
  for (const s of ordered(streams, order, (x) => x.grams))
    if (s.to !== undefined && s.to !== s.from) graph.setEdge(s.from, s.to, { weight: weightOf(s) }, s.id);
  dagreLayout(graph);
  const at = (id: string) => graph.node(id) as { x: number; y: number };
  const placed = pools.map((pool): PlacedPool => {
    const { width, height, lines, spring, outlets } = shape.get(pool.id) as NonNullable<ReturnType<typeof shape.get>>;
    const { x, y } = at(pool.id);
    return {
      pool,
      x,
      y: y + (spring - outlets) / 2,
      width,
      height,
      lines,
      spring: spring ? { width: widthOf(pool.raw.grams), text: say(springText(pool)) } : undefined,
    };
  });
  const byId = new Map(placed.map((p) => [p.pool.id, p]));
  const slots = slotsOf(placed, { out, into, total, widthOf, x: (id) => at(id).x });
  const courses = streams.map((stream): PlacedStream => {
    const from = byId.get(stream.from) as PlacedPool;
    const bottom = from.y + from.height / 2;
    const width = widthOf(stream.grams);
    if (stream.to === undefined) {
      // Unused ones run out under their pool, one below the other, towards its right.
      const n = unused(stream.from).indexOf(stream);
      const x = from.x + from.width / 2 - 14 - Math.min(width, 14) / 2;
      const y = bottom + 8 + n * OUTLET_HEIGHT;
      return {
        stream,
        path: n === 0 ? `M${x},${bottom} V${y}` : `M${x},${bottom + n * OUTLET_HEIGHT} V${y}`,
        width: Math.min(width, 18),
        label: undefined,
        end: [x, y],
      };
    }
    const to = byId.get(stream.to) as PlacedPool;
    const slot = slots.get(stream.id);
    const start: Point = [slot?.from ?? from.x, bottom];
    const end: Point = [slot?.to ?? to.x, to.y - to.height / 2];
    const edge =
      stream.from === stream.to
        ? undefined
        : (graph.edge({ v: stream.from, w: stream.to, name: stream.id }) as { points: { x: number; y: number }[] });
    const others = placed.filter((p) => p !== from && p !== to);
    return { stream, path: courseOf(start, end, edge?.points ?? [], others, width), width, label: undefined, end };
  });
  const size = graph.graph() as { width?: number; height?: number };
  return {
    pools: placed,
    streams: withAmounts(placed, courses),
    width: Math.max(340, size.width ?? 340),
    height: (size.height ?? 200) + 4,
  };
}

function ordered<T>(list: readonly T[], order: Trial["order"], weight: (thing: T) => number): readonly T[] {
  if (order === "given") return list;
  if (order === "reversed") return list.toReversed();
  return list.toSorted((a, b) => (order === "heavy first" ? weight(b) - weight(a) : weight(a) - weight(b)));
}

const springText = (pool: Pool): string =>
  pool.raw.grams > 0
    ? weightText({ ...pool.raw, stated: true }).replace(/^/, pool.raw.stated ? "" : "≈ ")
    : LAYOUT.ingredients(pool.raw.count);

/** A name in as few lines as keep it narrow, three at most. */
function linesOf(name: string): readonly string[] {
  const words = name.split(" ");
  const widest = (lines: readonly string[]) => Math.max(...lines.map((l) => l.length));
  let best: readonly string[] = [name];
  for (let i = 1; i < words.length; i++)
    for (let k = i; k < words.length; k++) {
      const lines = [words.slice(0, i), words.slice(i, k), words.slice(k)].filter((l) => l.length > 0).map((l) => l.join(" "));
      const worth = widest(best) > LONGEST_LINE && widest(lines) < widest(best);
      if (worth) best = lines;
    }
  return best.map((l) => (l.length > 22 ? `${l.slice(0, 21)}…` : l));
}

type Point = readonly [x: number, y: number];

interface Slotting {
  readonly out: (id: string) => readonly Stream[];
  readonly into: (id: string) => readonly Stream[];
  readonly total: (list: readonly Stream[]) => number;
  readonly widthOf: (grams: number) => number;
  readonly x: (id: string) => number;
}

/** Where streams leave and enter pools: side by side, in the order of where they come from and go to. */
function slotsOf(pools: readonly PlacedPool[], { out, into, total, widthOf, x }: Slotting): Map<string, { from?: number; to?: number }> {
  const slots = new Map<string, { from?: number; to?: number }>();
  const spread = (list: readonly Stream[], end: "from" | "to", other: (s: Stream) => number, middle: number) => {
    const ordered = [...list].sort((a, b) => other(a) - other(b));
    let at = middle - total(ordered) / 2;
    for (const s of ordered) {
      const w = widthOf(s.grams);
      slots.set(s.id, { ...slots.get(s.id), [end]: at + w / 2 });
      at += w + GAP;
    }
  };
  for (const p of pools) {
    spread(out(p.pool.id), "from", (s) => x(s.to ?? ""), p.x);
    spread(into(p.pool.id), "to", (s) => x(s.from), p.x);
  }
  return slots;
}

const boxOf = (p: PlacedPool): Box => ({
  left: p.x - p.width / 2,
  right: p.x + p.width / 2,
  top: p.y - p.height / 2,
  bottom: p.y + p.height / 2,
});

/** Straight down and softly over where nothing stands in the way, else past what does by dagre's points. */
function courseOf(
  start: Point,
  end: Point,
  points: readonly { readonly x: number; readonly y: number }[],
  others: readonly PlacedPool[],
  width: number,
): string {
  const hits = (from: Point, to: Point) =>
    others.some((p) => {
      const box = boxOf(p);
      for (let i = 1; i < 24; i++) {
        const [x, y] = onCourse(from, to, i / 24);
        if (x > box.left - width / 2 - 4 && x < box.right + width / 2 + 4 && y > box.top - 3 && y < box.bottom + 3) return true;
      }
      return false;
    });
  if (!hits(start, end)) return bend([start, end]);
  const inner = points.slice(1, -1).map((p): Point => [p.x, p.y]);
  // Of dagre's points those that matter: the ones farthest from where the stream would run by itself.
  const far = inner
    .filter(([, y]) => y > start[1] + 20 && y < end[1] - 20)
    .map((p) => ({ p, off: Math.abs(p[0] - onCourse(start, end, (p[1] - start[1]) / (end[1] - start[1]))[0]) }))
    .sort((a, b) => b.off - a.off)
    .slice(0, 2)
    .map(({ p }) => p)
    .sort((a, b) => a[1] - b[1]);
  return bend([start, ...far, end]);
}

/** The place at a share of the way of a soft bend between two points. */
function onCourse([x0, y0]: Point, [x1, y1]: Point, t: number): Point {
  const ease = t * t * (3 - 2 * t);
  return [x0 + (x1 - x0) * ease, y0 + (y1 - y0) * t];
}

/** A course that leaves and enters straight down and bends softly between. */
function bend(points: readonly Point[]): string {
  const [first, ...rest] = points as [Point, ...Point[]];
  let d = `M${first[0].toFixed(1)},${first[1].toFixed(1)}`;
  let [px, py] = first;
  for (const [x, y] of rest) {
    const middle = (py + y) / 2;
    d += `C${px.toFixed(1)},${middle.toFixed(1)} ${x.toFixed(1)},${middle.toFixed(1)} ${x.toFixed(1)},${y.toFixed(1)}`;
    [px, py] = [x, y];
  }
  return d;
}

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
const LABEL_HEIGHT = 14;
const touches = (a: Box, b: Box) => a.left < b.right + 3 && b.left < a.right + 3 && a.top < b.bottom + 1 && b.top < a.bottom + 1;

/** An amount stands on its stream where it hides no pool and no other amount; the heavy ones first. */
function withAmounts(pools: readonly PlacedPool[], streams: readonly PlacedStream[]): PlacedStream[] {
  const taken: Box[] = pools.flatMap((p) => {
    const box = boxOf(p);
    const words = (p.spring?.text.length ?? 0) * 6;
    return p.spring ? [box, { left: p.x - words / 2, right: p.x + words / 2, top: box.top - SPRING_HEIGHT, bottom: box.top }] : [box];
  });
  for (const s of streams)
    if (s.stream.to === undefined) taken.push({ left: s.end[0] - 60, right: s.end[0] + 14, top: s.end[1] - 8, bottom: s.end[1] + 28 });
  const labels = new Map<string, PlacedStream["label"]>();
  for (const s of [...streams].sort((a, b) => b.width - a.width)) {
    if (s.stream.to === undefined) continue;
    const text = s.stream.amount.replace(LAYOUT.allOfIt, "").replace(LAYOUT.noAmount, "?");
    const w = text.length * 6.4 + 4;
    const numbers = [...s.path.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
    const pieces: [Point, Point][] = [];
    for (let i = 0; i + 7 < numbers.length; i += 6)
      pieces.push([
        [numbers[i] ?? 0, numbers[i + 1] ?? 0],
        [numbers[i + 6] ?? 0, numbers[i + 7] ?? 0],
      ]);
    place: for (const t of [0.5, 0.35, 0.65, 0.2, 0.8, 0.12, 0.9])
      for (const [from, to] of pieces) {
        const [x, y] = onCourse(from, to, t);
        const box = { left: x - w / 2, right: x + w / 2, top: y - LABEL_HEIGHT / 2, bottom: y + LABEL_HEIGHT / 2 };
        if (taken.some((other) => touches(box, other))) continue;
        taken.push(box);
        labels.set(s.stream.id, { x, y, text });
        break place;
      }
  }
  return streams.map((s) => ({ ...s, label: labels.get(s.stream.id) }));
}
