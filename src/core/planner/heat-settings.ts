// The settings of one oven, bath or grill for users whose times are known: who shares a setting, and whether there is
// time to heat and cool between. Users share where one temperature suits all; after an hour without a user it is cold.
import { type Dish, type Equipment, HEATED, type Step, type Use } from "../dish/model";
import { type Intervals, overlaps } from "../time/interval";
import type { Log } from "./log";
import type { Setting } from "./plan";

export interface HeatUser {
  readonly step: string;
  readonly component: string;
  readonly use: Use;
  readonly from: number;
  readonly to: number;
  readonly begun: boolean;
}

interface Scene {
  readonly now: number;
  readonly closed: HeatClosed;
  readonly warmth: Warmth | undefined;
}

interface Block {
  readonly low: number;
  readonly high: number;
  readonly mode: string;
  readonly wish: number;
  readonly from: number;
  readonly to: number;
  /** The food of a ramp step stays in: no time is needed before this block. */
  readonly ramp: boolean;
  readonly begun: boolean;
  readonly first: string;
}

export const RESTS_AT_IDLE_MINUTES = 60;
/** So long before its first user an oven is hot, if it can be. */
const HOT_BEFORE_MINUTES = 15;

interface HeatClosed {
  readonly heat: (step: string) => Intervals;
  readonly lighting: (step: string) => Intervals;
}

/** How warm a piece of equipment is now, and since when nothing uses it. */
export interface Warmth {
  readonly tempC: number;
  readonly since: number;
}

/**
 * What is warm at `now` by the log: what it says is on (on its way up from idle, where it has not got there yet), and what
 * a step that has ended left warm. Where there are several of a kind the first that reaches the heat is taken for it.
 */
export function warmthNow(dish: Dish, steps: readonly Step[], log: Log, now: number): ReadonlyMap<string, Warmth> {
  const found = new Map<string, Warmth>();
  for (const step of steps) {
    const event = log.events.get(step.ref);
    if (event?.ended === undefined || now - event.ended > RESTS_AT_IDLE_MINUTES) continue;
    for (const use of step.uses) {
      const equipment = dish.equipment.find((e) => e.kind === use.what && e.maxC >= use.tempC - use.toleranceC);
      if (
        !equipment ||
        !(HEATED as readonly string[]).includes(use.what) ||
        (found.get(equipment.id)?.since ?? Number.NEGATIVE_INFINITY) > event.ended
      )
        continue;
      found.set(equipment.id, { tempC: use.tempC, since: event.ended });
    }
  }
  for (const on of log.heat) {
    const equipment = dish.equipment.find((e) => e.id === on.id);
    if (equipment && on.since <= now)
      found.set(on.id, {
        tempC: Math.min(on.tempC, equipment.maxC, equipment.idleC + (now - on.since) * equipment.heatCPerMin),
        since: now,
      });
  }
  return found;
}

/** Minutes to change between two temperatures. */
export function minutesToChange(equipment: Equipment, fromC: number, toC: number): number {
  return Math.max(0, Math.ceil(Math.abs(toC - fromC) / (toC > fromC ? equipment.heatCPerMin : equipment.coolCPerMin) - 1e-6));
}

/** Counts the blocks that are formed: what the work of `settle` follows. */
interface Tally {
  joins: number;
}

/**
 * Settings that serve all users, in order, or undefined where there are none.
 * @param users in any order; each with its interval
 * @param now nothing heats up before
 * @param warmth how warm it is at `now`; undefined: at idle
 */
export function settle(
  equipment: Equipment,
  users: readonly HeatUser[],
  now: number,
  closed: HeatClosed,
  warmth?: Warmth,
  tally?: Tally,
): Setting[] | undefined {
  const sorted = [...users].filter((u) => u.from < u.to).sort((a, b) => a.from - b.from || a.to - b.to);
  if (!roomFor(equipment, sorted)) return undefined;
  return divided(equipment, sorted, { now, closed, warmth }, tally);
}

function roomFor(equipment: Equipment, users: readonly HeatUser[]): boolean {
  const size = (u: HeatUser) => (equipment.kind === "bath" ? u.use.litres : u.use.racks);
  const room = equipment.kind === "bath" ? (equipment.litres ?? Number.POSITIVE_INFINITY) : equipment.racks;
  return users.every((user) => users.reduce((sum, u) => sum + (u.from <= user.from && user.from < u.to ? size(u) : 0), 0) <= room + 1e-6);
}

/** Incoming ranges kept for one block: those of the fewest blocks before it. More would hardly ever tell apart what can be reached. */
const MOST_WAYS = 6;
/** Ways of dividing the users that are worked out to settings before heat is refused: closed windows refuse what temperatures allow. */
const MOST_DIVISIONS = 24;

/** A block that may end the division of the first users: its range of temperatures, and the blocks before it. */
interface Way extends Range {
  readonly block: Block;
  readonly count: number;
  readonly before: Way | undefined;
}

/**
 * Divides the users, in order of their beginning, into blocks of one setting each.
 *
 * Method: dynamic programme over where blocks begin and end. `ways[i]` holds the blocks that may come last when users 0 to i − 1 are served,
 * each with the temperatures at which it can be, given the blocks before. What a block can be set to depends on the ones before it
 * only by that range and its end, so each pair (first user, last user) is formed once: at most quadratic in the users.
 */
function divided(equipment: Equipment, users: readonly HeatUser[], scene: Scene, tally?: Tally): Setting[] | undefined {
  const ways: Way[][] = Array.from({ length: users.length + 1 }, () => []);
  for (let first = 0; first < users.length; first++) {
    const entries = entriesOf(equipment, users, first, ways[first] as Way[], scene);
    if (entries.length === 0) continue;
    let block = beginningWith(equipment, users, first);
    for (let last = first; block && last < users.length; last++) {
      if (tally) tally.joins++;
      if (last > first) block = joinedBy(equipment, block, users[last] as HeatUser);
      if (!block) break;
      for (const entry of entries) {
        const low = Math.max(block.low, entry.low);
        const high = Math.min(block.high, entry.high);
        if (low <= high + 1e-9) (ways[last + 1] as Way[]).push({ block, low, high, count: entry.count, before: entry.before });
      }
    }
  }
  const complete = (ways[users.length] as Way[]).sort((a, b) => a.count - b.count);
  for (const way of complete.slice(0, MOST_DIVISIONS)) {
    const settings = settingsOf(equipment, blocksOf(way), scene);
    if (settings) return settings;
  }
  return users.length === 0 ? [] : undefined;
}

/** Blocks from first to last; one before a ramp ends where the ramp begins. */
function blocksOf(way: Way): Block[] {
  const blocks: Block[] = [];
  for (let w: Way | undefined = way, next: Block | undefined; w; w = w.before) {
    const block: Block = next?.ramp ? { ...w.block, to: Math.min(w.block.to, next.from) } : w.block;
    blocks.unshift(block);
    next = block;
  }
  return blocks;
}

/** The temperatures with which a block beginning with this user can be entered, one for each way of serving the users before it. */
function entriesOf(
  equipment: Equipment,
  users: readonly HeatUser[],
  first: number,
  ways: readonly Way[],
  { now, warmth }: Scene,
): (Range & { readonly count: number; readonly before: Way | undefined })[] {
  const user = users[first] as HeatUser;
  const { idleC, heatCPerMin, coolCPerMin } = equipment;
  const cold = { low: Math.min(idleC, user.use.tempC - user.use.toleranceC), high: idleC };
  const grown = (from: Range, minutes: number): Range => ({
    low: from.low - minutes * coolCPerMin,
    high: from.high + minutes * heatCPerMin,
  });
  const begun = Number.POSITIVE_INFINITY;
  if (first === 0) {
    const warm = warmth && user.from - warmth.since <= RESTS_AT_IDLE_MINUTES;
    const from = warm ? { low: warmth.tempC, high: warmth.tempC } : cold;
    const time = user.begun ? begun : user.from - now;
    return time < 0 ? [] : [{ ...grown(from, time), count: 1, before: undefined }];
  }
  const ramp = isRamp(users, user);
  const inside = users.slice(0, first).some((u) => u.to > user.from);
  if (inside && !ramp) return [];
  const entries = ways.flatMap((way) => {
    const time = user.begun || ramp ? begun : user.from - way.block.to;
    const from = user.from - way.block.to <= RESTS_AT_IDLE_MINUTES ? way : cold;
    return time < 0 ? [] : [{ ...grown(from, time), count: way.count + 1, before: way }];
  });
  return withoutDominated(entries);
}

/** Entries with a wider range and no more blocks make others needless. */
function withoutDominated<T extends Range & { readonly count: number }>(entries: T[]): T[] {
  const kept: T[] = [];
  for (const entry of entries.sort((a, b) => a.count - b.count || b.high - b.low - (a.high - a.low))) {
    if (kept.length === MOST_WAYS) break;
    if (!kept.some((k) => k.low <= entry.low && k.high >= entry.high)) kept.push(entry);
  }
  return kept;
}

const isRamp = (users: readonly HeatUser[], user: HeatUser) =>
  user.use.ramp && users.some((u) => u !== user && u.component === user.component && u.to === user.from);

/** The block that begins with a user; at a ramp, whoever is inside stays in it. Undefined where nothing suits them all. */
function beginningWith(equipment: Equipment, users: readonly HeatUser[], first: number): Block | undefined {
  const user = users[first] as HeatUser;
  const { use } = user;
  let low = use.tempC - use.toleranceC;
  let high = Math.min(equipment.maxC, use.tempC + use.toleranceC);
  let to = user.to;
  const ramp = first > 0 && isRamp(users, user);
  if (ramp) {
    for (const u of users.slice(0, first)) {
      if (u.to <= user.from) continue;
      low = Math.max(low, u.use.tempC - u.use.toleranceC);
      high = Math.min(high, u.use.tempC + u.use.toleranceC);
      to = Math.max(to, u.to);
    }
  }
  if (low > high) return undefined;
  return { low, high, mode: use.mode, wish: use.tempC, from: user.from, to, ramp, begun: user.begun, first: user.step };
}

/** A block with one more user in it, at a setting that suits all; undefined where there is none. */
function joinedBy(equipment: Equipment, block: Block, { use, from, to }: HeatUser): Block | undefined {
  const low = Math.max(block.low, use.tempC - use.toleranceC);
  const high = Math.min(block.high, equipment.maxC, use.tempC + use.toleranceC);
  const modeFits = block.mode === "any" || use.mode === "any" || block.mode === use.mode;
  if (!modeFits || low > high || from - block.to > RESTS_AT_IDLE_MINUTES) return undefined;
  return { ...block, low, high, mode: block.mode === "any" ? use.mode : block.mode, to: Math.max(block.to, to) };
}

interface Range {
  readonly low: number;
  readonly high: number;
}

/**
 * The temperatures that each block can be set to, given how long there is to change from the block before: forward what can be reached,
 * then backward what also lets the next be reached. Undefined where some block cannot be reached at all.
 */
function temperatures(equipment: Equipment, blocks: readonly Block[], { now, warmth }: Scene): number[] | undefined {
  const ranges: Range[] = [];
  const minutes: number[] = [];
  for (const [i, block] of blocks.entries()) {
    const before = blocks[i - 1];
    const since = before ? before.to : warmth?.since;
    const warm = since !== undefined && block.from - since <= RESTS_AT_IDLE_MINUTES;
    const from: Range = !warm
      ? { low: Math.min(equipment.idleC, block.low), high: equipment.idleC }
      : before
        ? (ranges[i - 1] as Range)
        : { low: warmth?.tempC ?? equipment.idleC, high: warmth?.tempC ?? equipment.idleC };
    const free = block.begun || (block.ramp && before?.to === block.from);
    const time = free ? Number.POSITIVE_INFINITY : block.from - (before ? before.to : now);
    minutes.push(warm && !free && before ? time : Number.POSITIVE_INFINITY);
    const range = {
      low: Math.max(block.low, from.low - time * equipment.coolCPerMin),
      high: Math.min(block.high, from.high + time * equipment.heatCPerMin),
    };
    if (time < 0 || range.low > range.high + 1e-9) return undefined;
    ranges.push(range);
  }
  const chosen: number[] = [];
  for (let i = blocks.length - 1; i >= 0; i--) {
    const { low, high } = ranges[i] as Range;
    const next = chosen[0];
    const time = minutes[i + 1];
    const reach =
      next === undefined || time === undefined
        ? { low, high }
        : { low: Math.max(low, next - time * equipment.heatCPerMin), high: Math.min(high, next + time * equipment.coolCPerMin) };
    const wish = Math.min(reach.high, Math.max(reach.low, (blocks[i] as Block).wish));
    // Whole degrees, as a knob has them, where there is one within reach.
    const whole = [Math.round(wish), Math.ceil(reach.low), Math.floor(reach.high)].find((t) => t >= reach.low && t <= reach.high);
    chosen.unshift(whole ?? wish);
  }
  return chosen;
}

/** Each block's setting, near its first user's wish, and when heating or cooling to it begins. */
function settingsOf(equipment: Equipment, blocks: readonly Block[], scene: Scene): Setting[] | undefined {
  const { now, closed, warmth } = scene;
  const chosen = temperatures(equipment, blocks, scene);
  if (!chosen) return undefined;
  const settings: Setting[] = [];
  for (const [i, block] of blocks.entries()) {
    const before = settings.at(-1);
    const clip = (t: number) => Math.min(block.high, Math.max(block.low, t));
    const left = before ? { tempC: before.tempC, since: before.to } : warmth;
    const warm = left && block.from - left.since <= RESTS_AT_IDLE_MINUTES ? left : undefined;
    const earliest = before ? before.to : now;
    let made: Setting | undefined;
    for (const tempC of [chosen[i] as number, clip(warm ? warm.tempC : equipment.idleC)]) {
      const mode = block.mode;
      if (block.begun || (block.ramp && before?.to === block.from)) {
        made = { id: equipment.id, tempC, mode, from: block.from, to: block.to };
        break;
      }
      const need = minutesToChange(equipment, warm ? warm.tempC : Math.min(equipment.idleC, tempC), tempC);
      // Hot a little before it is wanted, where nothing stands against that: what comes before may be over early.
      const start =
        latestHeatUp({ ...block, from: block.from - (need > 0 ? HOT_BEFORE_MINUTES : 0) }, need, earliest, closed) ??
        latestHeatUp(block, need, earliest, closed);
      if (start === undefined) continue;
      made = { id: equipment.id, tempC, mode, from: Math.min(block.from, start + need), to: block.to };
      break;
    }
    if (!made) return undefined;
    settings.push(made);
  }
  return settings;
}

/** The latest moment to begin heating so that nothing forbids it; it may be done early and the heat kept. */
function latestHeatUp(block: Block, need: number, earliest: number, closed: HeatClosed): number | undefined {
  const heat = closed.heat(block.first);
  const lighting = closed.lighting(block.first);
  let start = block.from - need;
  for (let tries = 0; tries < 200 && start >= earliest; tries++) {
    const blocking =
      need > 0
        ? (heat.find(([a, b]) => a < start + need && start < b) ??
          (overlaps(lighting, start, start + 1) ? lighting.find(([a, b]) => a <= start && start < b) : undefined))
        : undefined;
    if (!blocking) return start;
    start = Math.min(blocking[0] - 1, blocking[0] - (heat.includes(blocking) ? need : 1));
  }
  return undefined;
}
