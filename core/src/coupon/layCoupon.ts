import { EMPTY, moved, stacked, type Block, type CouponFeature, type Stack } from './block';
import { slotWalls, strutRows } from './classRows';
import { requireCoupon, type CouponSpec } from './couponSpec';
import { extraBlock } from './extras';
import { LETTER_PITCH, LETTER_ROWS, textRuns, type Run } from './letters';
import { box, type Primitive } from './primitives';

/** A coupon laid out, its raft's corner at the origin, z up from the plate. */
export interface CouponLayout {
  /** Union of `add` without `cut`. */
  add: Primitive[];
  cut: Primitive[];
  /** Volume by construction, mm³. */
  volumeMm3: number;
  sizeMm: [number, number, number];
  /** How many of `add`, from the first, are raft. */
  rafts: number;
  features: CouponFeature[];
}

const EDGE_MM = 1;
/** Squares are grown a little, so that two that meet at a corner do not share just an edge. */
const LETTER = { squareMm: 0.45, depthMm: 0.4, grownMm: 0.02 } as const;

/** Area of the squares of a text, each run grown on every side; what two rows share counts once. */
function grownArea(runs: readonly Run[]): number {
  const { squareMm, grownMm } = LETTER;
  const share = (a: Run, b: Run): number => {
    const columns = Math.min(a.column + a.length, b.column + b.length) - Math.max(a.column, b.column);
    return b.row === a.row + 1 ? Math.max(0, columns * squareMm + 2 * grownMm) * 2 * grownMm : 0;
  };
  const own = runs.reduce(
    (sum, run) => sum + (run.length * squareMm + 2 * grownMm) * (squareMm + 2 * grownMm),
    0,
  );
  return own - runs.reduce((sum, a) => sum + runs.reduce((shared, b) => shared + share(a, b), 0), 0);
}

/** The label's squares, as cuts into the raft's top face. */
function labelBlock(label: string, raftMm: number): Block {
  const { squareMm, depthMm, grownMm } = LETTER;
  const runs = textRuns(label);
  const depth = Math.min(depthMm, raftMm / 2);
  const cut = runs.map(({ column, row, length }) => {
    const [x, y] = [column * squareMm, (LETTER_ROWS - 1 - row) * squareMm];
    return box(
      [x - grownMm, y - grownMm, -depth],
      [x + length * squareMm + grownMm, y + squareMm + grownMm, 0.2],
    );
  });
  return {
    ...EMPTY,
    cut,
    widthMm: Math.max(0, label.length * LETTER_PITCH - 1) * squareMm,
    depthMm: runs.length > 0 ? LETTER_ROWS * squareMm : 0,
    volumeMm3: -grownArea(runs) * depth,
  };
}

/** The raft: a stretch under each block, neighbours overlapping by the edges that they share. */
function layRaft({ rafts }: Stack, raftMm: number): { boxes: Primitive[]; areaMm2: number } {
  const edge = 2 * EDGE_MM;
  const boxes = rafts.map(({ widthMm, fromY, toY }) =>
    box([0, fromY, 0], [widthMm + edge, toY + edge, raftMm]),
  );
  const own = rafts.reduce(
    (sum, { widthMm, fromY, toY }) => sum + (widthMm + edge) * (toY - fromY + edge),
    0,
  );
  const shared = rafts.slice(1).reduce((sum, raft, i) => {
    const before = rafts[i]!;
    return sum + (Math.min(before.widthMm, raft.widthMm) + edge) * (before.toY + edge - raft.fromY);
  }, 0);
  return { boxes, areaMm2: own - shared };
}

/**
 * Lays a coupon out on its raft: label in front, then for each class its struts and its slots, extras last.
 * The volume is that of the construction, to hold the finished mesh against. Throws InputError for a coupon that
 * cannot be made.
 */
export function layCoupon(spec: CouponSpec): CouponLayout {
  const { raftMm, classes, extras, label } = requireCoupon(spec);
  const finestMm = Math.min(...classes.map((row) => row.featureMm), Infinity);
  const all = stacked([
    labelBlock(label, raftMm),
    ...classes.flatMap((row) => [strutRows(row), slotWalls(row)]),
    ...extras.map((extra) => extraBlock(extra, Number.isFinite(finestMm) ? finestMm : 0.4)),
  ]);
  const raft = layRaft(all, raftMm);
  const place = (solid: Primitive): Primitive => moved(solid, EDGE_MM, EDGE_MM, raftMm);
  return {
    add: [...raft.boxes, ...all.add.map(place)],
    cut: all.cut.map(place),
    volumeMm3: raft.areaMm2 * raftMm + all.volumeMm3,
    sizeMm: [all.widthMm + 2 * EDGE_MM, all.depthMm + 2 * EDGE_MM, raftMm + all.heightMm],
    rafts: raft.boxes.length,
    features: all.features,
  };
}
