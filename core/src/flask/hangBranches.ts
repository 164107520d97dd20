import { InputError } from '../numeric';
import { branchAxis } from './branches';
import { bareAxis, gapToSprue, hang, isNearer, sprueAxis, type Hung } from './clearOf';
import {
  isBetter,
  leastMiss,
  type FlaskRoom,
  type HangForm,
  type HangGaps,
  type HungPiece,
  type HungTree,
  type Miss,
} from './hangTree';
import { reachOf, type HungShape } from './hungShape';
import { leastClear, SPINS_DEG } from './leastClear';

/** Arms that leave the main sprue at one height: each is tried. */
const ARMS = [2, 3, 4, 5, 6] as const;
/** Places along a branch and heights are found to this. mm. */
const STEP_MM = 0.25;
/** Turns about the gate that are tried in earnest: the one that stands closest along a branch, and across it. */
const ACROSS_DEG = 90;
/** The level, and so many under it, can come near the next. */
const LEVELS_NEAR = 2;

/** How the parts of a tree stand on their branches. */
interface Form extends Omit<HangForm, 'tiltsDeg'> {
  branchDiameterMm: number;
  tiltDeg: number;
  arms: number;
  /** Of each kind. */
  spinsDeg: readonly number[];
}

/**
 * Hangs as many as fit on level branches round a main sprue: parts stand on their upper side, leaning outward, heavier ones on the
 * lower branches; each level of branches as near above the last as the gaps allow. Every gap is exact.
 */
export function hangBranches(
  shapes: readonly HungShape[],
  counts: readonly number[],
  room: FlaskRoom,
  {
    gaps,
    form,
    tell = () => {},
  }: {
    gaps: HangGaps;
    form: HangForm & { branchDiameterMm: number };
    tell?: (share: number) => void;
  },
): HungTree {
  if (!(form.branchDiameterMm > 0))
    throw new InputError('branchDiameterMm', 'more than 0', form.branchDiameterMm);
  let best: HungTree | undefined;
  /** Of each kind alone; null once it stands somewhere. */
  const cannot = counts.map((count): Miss | null => (count > 0 ? { what: 'wall', mm: Infinity } : null));
  form.tiltsDeg.forEach((tiltDeg, n) => {
    const along = closest(shapes, tiltDeg, gaps.betweenMm);
    for (const turned of [0, ACROSS_DEG])
      for (const arms of ARMS) {
        const spinsDeg = along.map((spin) => (spin + turned) % 360);
        const search = new BranchSearch(shapes, room, gaps, { ...form, tiltDeg, arms, spinsDeg });
        cannot.forEach((before, kind) => {
          if (before) cannot[kind] = leastMissOr(before, search.missOf(kind));
        });
        const tree = search.hang(counts);
        if (!best || isBetter(tree, best)) best = tree;
      }
    tell((n + 1) / form.tiltsDeg.length);
  });
  return { ...best!, cannot };
}

/** The nearer of two misses; null where the second is none. */
const leastMissOr = (before: Miss, now: Miss | null): Miss | null => now && leastMiss([before, now]);

/** For each kind the turn about its gate that lets two of it stand closest behind each other. */
function closest(shapes: readonly HungShape[], tiltDeg: number, gapMm: number): number[] {
  return shapes.map((shape) => {
    const apart = (spinDeg: number): number => {
      const at = (awayMm: number): Hung =>
        hang(shape, { angleDeg: 0, awayMm, heightMm: 0, tiltDeg, spinDeg });
      const first = at(0);
      return leastClear(0, 4 * shape.radiusMm + gapMm, STEP_MM, (away) => !isNearer(first, at(away), gapMm))!;
    };
    return SPINS_DEG.map((spin) => ({ spin, mm: apart(spin) })).reduce((a, b) => (b.mm < a.mm ? b : a)).spin;
  });
}

/** Branches of one height: what stands on each, from the sprue outward, with heights still at 0. */
type Level = HungPiece[];

class BranchSearch {
  private readonly main;
  private readonly root: number;
  private readonly thick: number;

  constructor(
    private readonly shapes: readonly HungShape[],
    private readonly room: FlaskRoom,
    private readonly gaps: HangGaps,
    private readonly form: Form,
  ) {
    this.main = sprueAxis(-room.heightMm, 2 * room.heightMm);
    this.root = form.mainSprueDiameterMm / 2;
    this.thick = form.branchDiameterMm;
  }

  hang(counts: readonly number[]): HungTree {
    const left = [...counts];
    const queue = this.shapes
      .map((_, kind) => kind)
      .sort((a, b) => this.shapes[b]!.volumeMm3 - this.shapes[a]!.volumeMm3)
      .flatMap((kind) => Array.from({ length: left[kind]! }, () => kind));
    const levels: Level[] = [];
    let miss: HungTree['miss'] = null;
    while (queue.length > 0) {
      const level = this.level(queue);
      const raised = 'what' in level ? level : this.raised(level, levels.slice(-LEVELS_NEAR).flat());
      if ('what' in raised) {
        miss = raised;
        break;
      }
      levels.push(raised);
      for (const { kind } of raised) left[kind]!--;
      queue.splice(0, raised.length);
    }
    const pieces = levels.flat();
    const highest = Math.max(0, ...pieces.map(({ heightMm }) => heightMm));
    const mainSprueMm = pieces.length > 0 ? Math.max(0, highest - this.room.coneHeightMm) : 0;
    return { pieces, left, mainSprueMm, miss: pieces.length > 0 ? null : miss, cannot: [] };
  }

  /** What is in the way of one of a kind by itself; null where it stands. */
  missOf(kind: number): Miss | null {
    const level = this.level([kind]);
    const raised = 'what' in level ? level : this.raised(level, []);
    return 'what' in raised ? raised : null;
  }

  private at(kind: number, arm: number, awayMm: number): HungPiece {
    const { tiltDeg, spinsDeg, arms } = this.form;
    const angleDeg = (360 * arm) / arms;
    return { kind, angleDeg, awayMm, heightMm: 0, tiltDeg, spinDeg: spinsDeg[kind]!, onBranch: true };
  }
  private hung = (piece: HungPiece): Hung => hang(this.shapes[piece.kind]!, piece);

  /** A branch up to the wall, at height 0. */
  private armAxis(angleDeg: number, heightMm = 0) {
    const reachMm = this.room.innerDiameterMm / 2 - this.gaps.wallMm;
    return bareAxis(...branchAxis({ angleDeg, heightMm, reachMm }, this.thick));
  }

  /** The next of the queue that find room on one height, arm by arm outward; or what keeps out the first. */
  private level(queue: readonly number[]): Level | Miss {
    const { arms } = this.form;
    const axes = Array.from({ length: arms }, (_, arm) => this.armAxis((360 * arm) / arms));
    const placed: { piece: HungPiece; hung: Hung; arm: number }[] = [];
    const from = axes.map(() => this.root);
    const full = axes.map(() => false);
    let miss: Miss = { what: 'wall', mm: STEP_MM };
    for (let arm = 0; placed.length < queue.length && full.includes(false); arm = (arm + 1) % arms) {
      if (full[arm]) continue;
      const kind = queue[placed.length]!;
      const furthest = this.furthest(kind, arm);
      const clear = (away: number): boolean => {
        const hung = this.hung(this.at(kind, arm, away));
        return (
          gapToSprue(hung, this.main, this.root, this.gaps.sprueMm) >= this.gaps.sprueMm &&
          axes.every(
            (axis) => gapToSprue(hung, axis, this.thick / 2, this.gaps.sprueMm) >= this.gaps.sprueMm,
          ) &&
          placed.every((other) => !isNearer(hung, other.hung, this.gaps.betweenMm))
        );
      };
      const away = leastClear(from[arm]!, furthest.mm, STEP_MM, clear);
      if (away === undefined) {
        full[arm] = true;
        if (placed.length === 0) miss = this.missAt(kind, arm, furthest.mm);
        continue;
      }
      from[arm] = away;
      const piece = this.at(kind, arm, away);
      placed.push({ piece, hung: this.hung(piece), arm });
    }
    return placed.length > 0 ? placed.map(({ piece }) => piece) : miss;
  }

  /** How far out a kind may be joined: it and the branch's end keep off the wall. */
  private furthest(kind: number, arm: number): { mm: number } {
    const most = this.room.innerDiameterMm / 2 - this.gaps.wallMm;
    const reach = (away: number): number => reachOf(this.shapes[kind]!, this.at(kind, arm, away)).reachMm;
    let [low, high] = [-most, most - this.thick / 2];
    if (reach(high) <= most) return { mm: high };
    while (high - low > STEP_MM / 4) {
      const middle = (low + high) / 2;
      if (reach(middle) <= most) low = middle;
      else high = middle;
    }
    return { mm: low };
  }

  /** What keeps a kind off an empty branch: the wall, or the sprue it stands on. */
  private missAt(kind: number, arm: number, furthestMm: number): Miss {
    const { sprueMm } = this.gaps;
    const toArm = (away: number): number =>
      gapToSprue(
        this.hung(this.at(kind, arm, away)),
        this.armAxis((360 * arm) / this.form.arms),
        this.thick / 2,
        sprueMm,
      );
    const low = sprueMm - toArm(Math.max(this.root, furthestMm));
    if (low > 0) return { what: 'sprue', mm: low };
    const inner = leastClear(this.root, this.room.innerDiameterMm * 2, STEP_MM, (away) => {
      const hung = this.hung(this.at(kind, arm, away));
      return gapToSprue(hung, this.main, this.root, sprueMm) >= sprueMm;
    });
    return { what: 'wall', mm: Math.max(STEP_MM, (inner ?? this.root) - furthestMm) };
  }

  /** A level at the least height that keeps all gaps to what is under it; or by how much it is too tall. */
  private raised(level: Level, under: readonly HungPiece[]): Level | Miss {
    const { coneHeightMm, heightMm } = this.room;
    const reaches = level.map((piece) => reachOf(this.shapes[piece.kind]!, piece));
    const lowest = Math.min(-this.thick, ...reaches.map(({ lowestMm }) => lowestMm));
    const tallest = Math.max(0, ...reaches.map(({ highestMm }) => highestMm));
    const floor = Math.max(coneHeightMm - lowest, ...under.map(({ heightMm: at }) => at + this.thick));
    const ceiling = heightMm - this.gaps.topMm - tallest;
    if (ceiling < floor) return { what: 'top', mm: floor - ceiling };
    let best: Level | undefined;
    for (const turn of under.length > 0 ? [0, 180 / this.form.arms] : [0]) {
      const make = (height: number): Level =>
        level.map((piece) => ({ ...piece, heightMm: height, angleDeg: (piece.angleDeg + turn) % 360 }));
      const height = leastClear(floor, best?.[0]!.heightMm ?? ceiling, STEP_MM, (at) =>
        this.clears(make(at), under),
      );
      if (height !== undefined) best = make(height);
    }
    return best ?? { what: 'top', mm: STEP_MM };
  }

  private clears(level: Level, under: readonly HungPiece[]): boolean {
    const [over, below] = [level.map(this.hung), under.map(this.hung)];
    const arms = (pieces: readonly HungPiece[]) =>
      [...new Map(pieces.map((p) => [`${p.angleDeg} ${p.heightMm}`, p])).values()].map((p) =>
        this.armAxis(p.angleDeg, p.heightMm),
      );
    const offArms = (parts: readonly Hung[], axes: ReturnType<typeof arms>): boolean =>
      parts.every((part) =>
        axes.every((axis) => gapToSprue(part, axis, this.thick / 2, this.gaps.sprueMm) >= this.gaps.sprueMm),
      );
    return (
      over.every((one) => below.every((other) => !isNearer(one, other, this.gaps.betweenMm))) &&
      offArms(below, arms(level)) &&
      offArms(over, arms(under))
    );
  }
}
