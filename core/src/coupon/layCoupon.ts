import { EMPTY, moved, stacked, type Block, type CouponFeature } from './block';
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
  const [width, depth] = [all.widthMm + 2 * EDGE_MM, all.depthMm + 2 * EDGE_MM];
  const place = (solid: Primitive): Primitive => moved(solid, EDGE_MM, EDGE_MM, raftMm);
  return {
    add: [box([0, 0, 0], [width, depth, raftMm]), ...all.add.map(place)],
    cut: all.cut.map(place),
    volumeMm3: width * depth * raftMm + all.volumeMm3,
    sizeMm: [width, depth, raftMm + all.heightMm],
    features: all.features,
  };
}
