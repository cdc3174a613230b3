// What has been committed so far, and what every resource needs of it: where each activity stands, who uses what, and how a start is
// taken out of the domain of another activity.
import { type Interval, type Intervals, intersect, shift, startsAvoiding } from "../../time/interval";
import { Bounds } from "../bounds";
import { type Activity, type Model, type Need, startOf } from "../model";

/** Where an activity is put. */
export interface Placement {
  readonly start: number;
  readonly end: number;
  readonly pieces: readonly Interval[];
  /** The cook of all pieces of a split step. */
  readonly cook?: number;
  /** The cook wished for each part of it, by the activity's parts. */
  readonly wishedCooks?: readonly (number | undefined)[] | undefined;
}

export interface User {
  readonly activity: Activity;
  readonly need: Need;
}

const EVERYWHERE: Interval = [-1e9, 1e9];

export class Commitments extends Bounds {
  readonly placed: Uint8Array;
  readonly placements: (Placement | undefined)[];
  readonly #usersOfKind = new Map<string, User[]>();
  /** What the commitment under way has given away, each with what it takes from the others, in the order of giving. */
  readonly #given = new Map<string, () => boolean>();

  constructor(model: Model) {
    super(model);
    const n = model.activities.length;
    this.placed = new Uint8Array(n);
    this.placements = new Array(n).fill(undefined);
    for (const activity of model.activities) {
      for (const need of activity.needs) {
        const users = this.#usersOfKind.get(need.use.what) ?? [];
        users.push({ activity, need });
        this.#usersOfKind.set(need.use.what, users);
      }
    }
  }

  /** All activities that need a kind of equipment or a store. */
  usersOf(kind: string): readonly User[] {
    return this.#usersOfKind.get(kind) ?? [];
  }

  isOpen(activity: Activity): boolean {
    return !this.placed[activity.index] && !activity.fact;
  }

  /** Notes that something was given away; `prune` then takes it out of the domains of the others. Once for each name. */
  note(name: string, prune: () => boolean): void {
    if (!this.#given.has(name)) this.#given.set(name, prune);
  }

  protected beginCommitment(): void {
    this.#given.clear();
  }

  protected pruneGiven(): boolean {
    for (const prune of this.#given.values()) if (!prune()) return false;
    return true;
  }

  /** Hands-on parts of a placement, as minutes. Parts of a running step that are past are nobody's any more. */
  partsAt(activity: Activity, placement: Placement): Interval[] {
    if (activity.step.attention === "hands" && (activity.minPiece !== undefined || placement.pieces.length > 1))
      return [...placement.pieces];
    const spans = activity.parts.map((p, i): Interval => {
      if (activity.fact && !activity.fact.done && i === activity.parts.length - 1 && (p.atEnd || activity.step.attention === "hands")) {
        return p.atEnd
          ? [Math.max(placement.start, placement.end - p.minutes), placement.end]
          : [Math.min(placement.end, placement.start + p.offset), placement.end];
      }
      if (p.atEnd) return [placement.end - p.minutes, placement.end];
      const last = activity.step.attention === "hands" && i === activity.parts.length - 1;
      return [placement.start + p.offset, last ? placement.end : placement.start + p.offset + p.minutes];
    });
    return activity.fact ? spans.map(([a, b]): Interval => [Math.max(a, Math.min(this.model.now, b)), b]).filter(([a, b]) => a < b) : spans;
  }

  /** Takes the starts out of a domain at which a need would fall into minutes that are blocked. */
  avoid(activity: Activity, need: Need, blocked: Intervals, rule: string): boolean {
    const s = startOf(activity.index);
    let starts = this.domain(s);
    if (need.span === "hands") {
      for (const part of activity.parts)
        starts = intersect(
          starts,
          shift(startsAvoiding(blocked, part.minutes, EVERYWHERE), -(part.atEnd ? activity.minutes - part.minutes : part.offset)),
        );
    } else starts = intersect(starts, startsAvoiding(blocked, activity.minutes, EVERYWHERE));
    return this.narrow(s, starts, rule);
  }
}
