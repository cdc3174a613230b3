// The watershed laid out: pools in layers from raw goods down to the table, streams between them as wide as they are heavy.
// Layers and their order are dagre's; what is ours is where streams leave and enter a pool, and how their courses bend.
import { layout as dagreLayout, Graph } from "@dagrejs/dagre";
import { type Pool, type Stream, type Watershed, weightText } from "@/core/sheets/watershed";

export interface PlacedPool {
  readonly pool: Pool;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
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

export interface MapLayout {
  readonly pools: readonly PlacedPool[];
  readonly streams: readonly PlacedStream[];
  readonly width: number;
  readonly height: number;
  /** Grams of a stream one pixel wide, for the legend. */
  readonly gramsPerPixel: number;
}

const POOL_HEIGHT = 34;
const SPRING_HEIGHT = 40;
const WIDEST = 44;
const NARROWEST = 2;
const CHARACTER = 7.4;
/** Room between a stream and its pool's edge. */
const INSET = 8;
const UNUSED_WIDTH = 74;

/**
 * @param most widest that the map may be; layers are not broken, so a very wide one is scrolled
 */
export function layoutMap({ pools, streams }: Watershed): MapLayout {
  const heaviest = Math.max(1, ...streams.map((s) => s.grams), ...pools.map((p) => p.raw.grams));
  const gramsPerPixel = heaviest / WIDEST;
  const widthOf = (grams: number) => Math.max(NARROWEST, grams / gramsPerPixel);
  const total = (list: readonly Stream[]) => list.reduce((sum, s) => sum + widthOf(s.grams) + 3, 0);
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: "TB", nodesep: 22, ranksep: 52, marginx: 14, marginy: 8, ranker: "network-simplex" });
  graph.setDefaultEdgeLabel(() => ({}));
  const width = new Map<string, number>();
  for (const pool of pools) {
    const out = total(streams.filter((s) => s.from === pool.id));
    const into = total(streams.filter((s) => s.to === pool.id));
    const w = Math.max(
      84,
      pool.name.length * CHARACTER + 22,
      Math.max(out, into, pool.raw.grams > 0 ? widthOf(pool.raw.grams) : 0) + 2 * INSET,
    );
    width.set(pool.id, w);
    graph.setNode(pool.id, { width: w, height: POOL_HEIGHT + (pool.raw.count > 0 ? SPRING_HEIGHT : 0) });
  }
  for (const stream of streams) {
    const to = stream.to ?? `unused:${stream.id}`;
    if (stream.to === undefined) graph.setNode(to, { width: Math.max(UNUSED_WIDTH, stream.name.length * 5.6), height: 30 });
    if (stream.from !== to) graph.setEdge(stream.from, to, { weight: stream.byProduct ? 1 : 3 }, stream.id);
  }
  dagreLayout(graph);
  const at = (id: string) => graph.node(id) as { x: number; y: number; width: number; height: number };
  const placedPools = pools.map((pool): PlacedPool => {
    const node = at(pool.id);
    const spring = pool.raw.count > 0;
    return {
      pool,
      x: node.x,
      y: node.y + (spring ? SPRING_HEIGHT / 2 : 0),
      width: width.get(pool.id) ?? 84,
      height: POOL_HEIGHT,
      spring: spring
        ? {
            width: widthOf(pool.raw.grams),
            text: `${pool.raw.count} ${pool.raw.count === 1 ? "thing" : "things"}, ${weightText(pool.raw)}`,
          }
        : undefined,
    };
  });
  const byId = new Map(placedPools.map((p) => [p.pool.id, p]));
  const slots = new Map<string, { from?: number; to?: number }>();
  for (const place of placedPools) {
    const spread = (list: readonly Stream[], end: "from" | "to", other: (s: Stream) => number) => {
      const ordered = [...list].sort((a, b) => other(a) - other(b));
      const whole = total(ordered) - 3;
      let x = place.x - whole / 2;
      for (const s of ordered) {
        const w = widthOf(s.grams);
        slots.set(s.id, { ...slots.get(s.id), [end]: x + w / 2 });
        x += w + 3;
      }
    };
    spread(
      streams.filter((s) => s.from === place.pool.id),
      "from",
      (s) => at(s.to ?? `unused:${s.id}`).x,
    );
    spread(
      streams.filter((s) => s.to === place.pool.id),
      "to",
      (s) => at(s.from).x,
    );
  }
  const placedStreams = streams.map((stream): PlacedStream => {
    const from = byId.get(stream.from) as PlacedPool;
    const to = stream.to === undefined ? undefined : byId.get(stream.to);
    const target = at(stream.to ?? `unused:${stream.id}`);
    const slot = slots.get(stream.id) ?? {};
    const start: [number, number] = [slot.from ?? from.x, from.y + POOL_HEIGHT / 2];
    const end: [number, number] = to ? [slot.to ?? to.x, to.y - POOL_HEIGHT / 2] : [target.x, target.y - 8];
    const edge =
      stream.from === (stream.to ?? "")
        ? undefined
        : (graph.edge({ v: stream.from, w: stream.to ?? `unused:${stream.id}`, name: stream.id }) as {
            points: { x: number; y: number }[];
          });
    // dagre's inner points lead it past the pools of the layers between.
    const inner = (edge?.points.slice(1, -1) ?? [])
      .map((p): [number, number] => [p.x, p.y])
      .filter(([, y]) => y > start[1] + 12 && y < end[1] - 12);
    const points = inner.length > 1 ? [start, ...inner, end] : [start, end];
    return { stream, path: course(points), width: widthOf(stream.grams), label: undefined, end };
  });
  const size = graph.graph() as { width?: number; height?: number };
  const labelled = placeLabels(placedPools, placedStreams);
  return {
    pools: placedPools,
    streams: labelled,
    width: Math.max(320, size.width ?? 320),
    height: (size.height ?? 200) + 6,
    gramsPerPixel,
  };
}

/** A course that leaves and enters straight down and bends softly between. */
function course(points: readonly (readonly [number, number])[]): string {
  const [first, ...rest] = points as [readonly [number, number], ...(readonly [number, number])[]];
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
function placeLabels(pools: readonly PlacedPool[], streams: readonly PlacedStream[]): PlacedStream[] {
  const taken: Box[] = pools.map((p) => ({
    left: p.x - p.width / 2,
    right: p.x + p.width / 2,
    top: p.y - p.height / 2 - (p.spring ? SPRING_HEIGHT : 0),
    bottom: p.y + p.height / 2,
  }));
  for (const s of streams)
    if (s.stream.to === undefined)
      taken.push({ left: s.end[0] - UNUSED_WIDTH / 2, right: s.end[0] + UNUSED_WIDTH / 2, top: s.end[1] - 4, bottom: s.end[1] + 26 });
  const labels = new Map<string, PlacedStream["label"]>();
  for (const s of [...streams].sort((a, b) => b.width - a.width)) {
    if (s.stream.to === undefined) continue;
    const text = s.stream.amount.replace(", all of it", "").replace("not said how much", "?");
    const w = text.length * 6.1 + 4;
    const numbers = [...s.path.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));
    const [x0 = 0, y0 = 0] = numbers;
    const [x1 = 0, y1 = 0] = numbers.slice(-2);
    for (const t of [0.5, 0.3, 0.7, 0.2, 0.8]) {
      const ease = t * t * (3 - 2 * t);
      const [x, y] = numbers.length === 8 ? [x0 + (x1 - x0) * ease, y0 + (y1 - y0) * t] : [numbers[4] ?? x0, numbers[5] ?? y0];
      const box = { left: x - w / 2, right: x + w / 2, top: y - LABEL_HEIGHT / 2, bottom: y + LABEL_HEIGHT / 2 };
      if (taken.some((other) => touches(box, other))) continue;
      taken.push(box);
      labels.set(s.stream.id, { x, y, text });
      break;
    }
  }
  return streams.map((s) => ({ ...s, label: labels.get(s.stream.id) }));
}
