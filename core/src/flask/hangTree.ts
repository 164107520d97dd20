import { gapToSprue, hang, isNearer, sprueAxis, type Hung } from './clearOf';
import { reachOf, type HungShape } from './hungShape';
import { leastClear, SPINS_DEG } from './leastClear';
import type { Hanging } from './pose';

/** Inside of a flask. mm. */
export interface FlaskRoom {
  innerDiameterMm: number;
  heightMm: number;
  coneHeightMm: number;
}

/** Least investment round what hangs, mm. */
export interface HangGaps {
  wallMm: number;
  topMm: number;
  betweenMm: number;
  /** Between a part and the main sprue. */
  sprueMm: number;
}

/** One that hangs: which of the shapes, and where. */
export interface HungPiece extends Hanging {
  kind: number;
  /** Joined to the upper side of a level branch in its direction, not to the main sprue itself. */
  onBranch?: boolean | undefined;
}

export interface HungTree {
  pieces: HungPiece[];
  /** For each kind, how many found no room. */
  left: number[];
  /** Main sprue from the cone's top to where the last ring is joined. mm. */
  mainSprueMm: number;
  /** Where not even one finds room: what is in the way, and by how much at least. */
  miss: Miss | null;
  /** For each kind that would not hang even alone: what is in its way. */
  cannot: (Miss | null)[];
}

/** What is in the way of a part, and by how much at least. mm. */
export interface Miss {
  what: 'wall' | 'top' | 'sprue';
  mm: number;
}

export interface HangForm {
  mainSprueDiameterMm: number;
  /** Upward from level: each is tried. */
  tiltsDeg: readonly number[];
}

/** Angles and heights are found to this: degrees, mm. */
const ANGLE_STEP = 0.5;
const HEIGHT_STEP = 0.25;

type Stands = Pick<Hanging, 'tiltDeg' | 'spinDeg'>;

/** How a kind hangs at a tilt, wherever round the sprue. */
interface Stance extends Stands {
  /** Angle to the next of its kind. */
  pitchDeg: number;
  lowestMm: number;
  highestMm: number;
}

/**
 * Hangs as many as fit in rings round a main sprue (handbook 05, "Flask and tree"): like with like, heavier nearer the button,
 * each ring as near above the last as the gaps allow. Every gap is exact, so that none is too near. `counts`: how many of each
 * shape. The tilt that hangs the most is taken, of those the one with the shorter sprue; a kind that it does not suit hangs at
 * another. `tell` hears how far it is.
 */
export function hangRings(
  shapes: readonly HungShape[],
  counts: readonly number[],
  room: FlaskRoom,
  { gaps, form, tell = () => {} }: { gaps: HangGaps; form: HangForm; tell?: (share: number) => void },
): HungTree {
  const search = new RingSearch(shapes, room, gaps, form.mainSprueDiameterMm / 2);
  let best: HungTree | undefined;
  form.tiltsDeg.forEach((tiltDeg, n) => {
    const tree = search.hang(counts, [tiltDeg, ...form.tiltsDeg.filter((other) => other !== tiltDeg)]);
    if (!best || isBetter(tree, best)) best = tree;
    tell((n + 1) / form.tiltsDeg.length);
  });
  return best!;
}

/** More of them; of none, the nearer miss; of as many, the shorter sprue. */
export function isBetter(one: HungTree, other: HungTree): boolean {
  if (one.pieces.length !== other.pieces.length) return one.pieces.length > other.pieces.length;
  if (one.miss && other.miss) return one.miss.mm < other.miss.mm;
  return one.mainSprueMm < other.mainSprueMm;
}

class RingSearch {
  private readonly axis;

  constructor(
    private readonly shapes: readonly HungShape[],
    private readonly room: FlaskRoom,
    private readonly gaps: HangGaps,
    private readonly root: number,
  ) {
    this.axis = sprueAxis(-room.heightMm, 2 * room.heightMm);
  }

  /** `tiltsDeg`: the first that suits a kind is its own. */
  hang(counts: readonly number[], tiltsDeg: readonly number[]): HungTree {
    const left = [...counts];
    const pieces: HungPiece[] = [];
    const tried = this.shapes.map((_, kind) => (left[kind]! > 0 ? this.firstStance(kind, tiltsDeg) : null));
    const stances = tried.map((found) => (found && 'pitchDeg' in found ? found : null));
    const cannot = tried.map((found) => (found && 'what' in found ? found : null));
    let miss = leastMiss(cannot);
    const order = this.shapes
      .map((_, kind) => kind)
      .sort((a, b) => this.shapes[b]!.volumeMm3 - this.shapes[a]!.volumeMm3);
    const queue = order.flatMap((kind) =>
      stances[kind] ? Array.from({ length: left[kind]! }, () => kind) : [],
    );
    const rings: HungPiece[][] = [];
    while (queue.length > 0) {
      const ring = this.nextRing(queue, stances);
      const placed = this.placed(ring, stances, rings.slice(-2).flat(), rings.at(-1)?.[0]?.heightMm);
      if ('what' in placed) {
        if (pieces.length === 0) miss = placed;
        break;
      }
      rings.push(placed);
      pieces.push(...placed);
      for (const { kind } of placed) left[kind]!--;
      queue.splice(0, placed.length);
    }
    const highest = Math.max(0, ...pieces.map(({ heightMm }) => heightMm));
    const mainSprueMm = pieces.length > 0 ? Math.max(0, highest - this.room.coneHeightMm) + this.root : 0;
    return { pieces, left, mainSprueMm, miss: pieces.length > 0 ? null : miss, cannot };
  }

  private readonly stances = new Map<string, Stance | Miss>();
  private firstStance(kind: number, tiltsDeg: readonly number[]): Stance | Miss {
    const tried: Miss[] = [];
    for (const tiltDeg of tiltsDeg) {
      const name = `${kind} ${tiltDeg}`;
      const found = this.stances.get(name) ?? this.stanceOf(kind, tiltDeg);
      this.stances.set(name, found);
      if ('pitchDeg' in found) return found;
      tried.push(found);
    }
    return leastMiss(tried)!;
  }

  private at(kind: number, { tiltDeg, spinDeg }: Stands, angleDeg: number, heightMm: number): HungPiece {
    return { kind, angleDeg, awayMm: this.root, heightMm, tiltDeg, spinDeg };
  }
  private hung(piece: HungPiece): Hung {
    return hang(this.shapes[piece.kind]!, piece);
  }

  /** The spin that lets most stand round; what is in the way where none does. */
  private stanceOf(kind: number, tiltDeg: number): Stance | Miss {
    let best: Stance | undefined;
    let miss: Miss = { what: 'wall', mm: Infinity };
    for (const spinDeg of SPINS_DEG) {
      const piece = this.at(kind, { tiltDeg, spinDeg }, 0, 0);
      const { reachMm, lowestMm, highestMm } = reachOf(this.shapes[kind]!, piece);
      const found = this.mostInTheWay(piece, { reachMm, lowestMm, highestMm });
      if (found.mm > 1e-6) {
        if (found.mm < miss.mm) miss = found;
        continue;
      }
      const pitchDeg = this.pitch([kind, { tiltDeg, spinDeg }], [kind, { tiltDeg, spinDeg }]);
      const stance = { tiltDeg, spinDeg, pitchDeg, lowestMm, highestMm };
      if (!best || isRoomier(stance, best)) best = stance;
    }
    return best ?? miss;
  }

  /** Of wall, sprue and top the one that a piece misses by the most, as it would hang by itself; up to 0: it has room. */
  private mostInTheWay(piece: HungPiece, reach: ReturnType<typeof reachOf>): Miss {
    const { gaps, root, room } = this;
    const toSprue = gapToSprue(this.hung(piece), this.axis, root, gaps.sprueMm);
    const tall = this.floorOf(reach.lowestMm) + reach.highestMm;
    const ways = [
      { what: 'wall', mm: reach.reachMm + gaps.wallMm - room.innerDiameterMm / 2 },
      { what: 'sprue', mm: gaps.sprueMm - toSprue },
      { what: 'top', mm: tall + gaps.topMm - room.heightMm },
    ] as const;
    return ways.reduce((worst, way) => (way.mm > worst.mm ? way : worst));
  }

  /** Least height of a root so that its part, reaching so low from it, stands over the base's cone. */
  private floorOf(lowestMm: number): number {
    const { coneHeightMm } = this.room;
    return Math.max(coneHeightMm - lowestMm, coneHeightMm + this.root);
  }

  /** Least angle between two that stand side by side on one height. */
  private pitch([a, aStands]: [number, Stands], [b, bStands]: [number, Stands]): number {
    const first = this.hung(this.at(a, aStands, 0, 0));
    const clear = (angle: number): boolean =>
      !isNearer(first, this.hung(this.at(b, bStands, angle, 0)), this.gaps.betweenMm);
    return leastClear(0, 180, ANGLE_STEP, clear) ?? 360;
  }

  /** The next of the queue that fit on one height, with the angles between them; the last is that back to the first. */
  private nextRing(
    queue: readonly number[],
    stances: readonly (Stance | null)[],
  ): { kind: number; toNextDeg: number }[] {
    const pitch = (a: number, b: number): number => {
      const [p, q] = [stances[a]!, stances[b]!];
      return a === b ? p.pitchDeg : this.pitch([a, p], [b, q]);
    };
    const ring = [queue[0]!];
    const angles: number[] = [];
    let sum = 0;
    let closing = 0;
    for (const kind of queue.slice(1)) {
      const next = pitch(ring.at(-1)!, kind);
      const back = pitch(kind, ring[0]!);
      if (sum + next + back > 360 + 1e-9) break;
      ring.push(kind);
      angles.push(next);
      sum += next;
      closing = back;
    }
    const spare = (360 - sum - closing) / ring.length;
    return ring.map((kind, n) => ({ kind, toNextDeg: (n < angles.length ? angles[n]! : closing) + spare }));
  }

  /** A ring at the least height that keeps all gaps, turned so that it goes lowest; or what keeps it out. */
  private placed(
    ring: readonly { kind: number; toNextDeg: number }[],
    stances: readonly (Stance | null)[],
    below: readonly HungPiece[],
    fromMm = -Infinity,
  ): HungPiece[] | Miss {
    const { heightMm } = this.room;
    const floor = Math.max(fromMm, ...ring.map(({ kind }) => this.floorOf(stances[kind]!.lowestMm)));
    const ceiling = Math.min(
      ...ring.map(({ kind }) => heightMm - this.gaps.topMm - stances[kind]!.highestMm),
    );
    if (ceiling < floor) return { what: 'top', mm: floor - ceiling };
    const under = below.map((piece) => this.hung(piece));
    const make = (height: number, offset: number): HungPiece[] => {
      let angle = offset;
      return ring.map(({ kind, toNextDeg }) => {
        const piece = this.at(kind, stances[kind]!, angle % 360, height);
        angle += toNextDeg;
        return piece;
      });
    };
    const clear = (pieces: readonly HungPiece[]): boolean => {
      const hung = pieces.map((piece) => this.hung(piece));
      return hung.every((one, n) => {
        const others = n > 0 && isEven(ring, below) ? [] : under;
        return (
          others.every((other) => !isNearer(one, other, this.gaps.betweenMm)) &&
          hung.slice(n + 1).every((other) => !isNearer(one, other, this.gaps.betweenMm))
        );
      });
    };
    let best: HungPiece[] | undefined;
    for (const offset of below.length > 0 ? [0, ring[0]!.toNextDeg / 2] : [0]) {
      const height = leastClear(floor, best ? best[0]!.heightMm : ceiling, HEIGHT_STEP, (h) =>
        clear(make(h, offset)),
      );
      if (height !== undefined) best = make(height, offset);
    }
    return best ?? { what: 'top', mm: HEIGHT_STEP };
  }
}

export const leastMiss = (misses: readonly (Miss | null)[]): Miss | null =>
  misses.reduce((least, miss) => (miss && (!least || miss.mm < least.mm) ? miss : least), null);

/** Rings of one kind, as many in each: what holds for one of them holds for all. */
function isEven(ring: readonly { kind: number }[], below: readonly HungPiece[]): boolean {
  const [{ kind }] = ring as [{ kind: number }];
  const heights = new Map<number, number>();
  for (const piece of below) {
    if (piece.kind !== kind) return false;
    heights.set(piece.heightMm, (heights.get(piece.heightMm) ?? 0) + 1);
  }
  return ring.every((one) => one.kind === kind) && [...heights.values()].every((n) => n === ring.length);
}

/** More of them round the sprue; as many, then the flatter. */
function isRoomier(one: Stance, other: Stance): boolean {
  const by = Math.floor(360 / one.pitchDeg) - Math.floor(360 / other.pitchDeg);
  return by !== 0 ? by > 0 : one.highestMm - one.lowestMm < other.highestMm - other.lowestMm - 0.1;
}
