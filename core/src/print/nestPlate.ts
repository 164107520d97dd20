import { requirePositive } from '../numeric';
import { PLATE_GAP_MM } from './plateFit';
import { spanBetween, turnOutline, widenOutline, type Outline } from './footprint';

/** Copies of one part that are to stand on the plate. */
export interface NestItem {
  key: string;
  outline: Outline;
  count: number;
}

/** Where one copy stands: its outline turned and moved; x and y from the plate's corner, mm. */
export interface Placed {
  key: string;
  xMm: number;
  yMm: number;
  turnDeg: number;
  outline: Outline;
}

export interface NestedPlate {
  placed: Placed[];
  /** Copies that found no room, by part. */
  left: Record<string, number>;
}

export interface NestOptions {
  gapMm?: number;
  /** Turns about the upright that are tried. */
  turnsDeg?: readonly number[];
}

const CELL_MM = 0.25;
const TURNS_DEG = [0, 30, 60, 90, 120, 150] as const;

/** A widened outline as cells of the plate, row by row from its own lowest. */
interface Mask {
  turnDeg: number;
  outline: Outline;
  /** First and last cell of each row, from the mask's left. */
  from: Int32Array;
  to: Int32Array;
  width: number;
  /** Mask's left and lower edge against the outline's origin, mm. */
  x0: number;
  y0: number;
}

function maskOf(outline: Outline, turnDeg: number, gapMm: number): Mask {
  const turned = turnOutline(outline, turnDeg);
  const wide = widenOutline(turned, gapMm / 2);
  const [xs, ys] = [wide.map((p) => p[0]), wide.map((p) => p[1])];
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const rows = Math.ceil((Math.max(...ys) - y0) / CELL_MM - 1e-9);
  const from = new Int32Array(rows);
  const to = new Int32Array(rows);
  for (let r = 0; r < rows; r++) {
    const [low, high] = spanBetween(wide, y0 + r * CELL_MM, y0 + (r + 1) * CELL_MM) ?? [x0, x0];
    from[r] = Math.floor((low - x0) / CELL_MM + 1e-9);
    to[r] = Math.max(from[r]!, Math.ceil((high - x0) / CELL_MM - 1e-9) - 1);
  }
  return { turnDeg, outline: turned, from, to, width: Math.max(...to) + 1, x0, y0 };
}

/** The plate in cells; `until` tells for each cell how many taken ones stand to its left in the row. */
class PlateCells {
  readonly columns: number;
  readonly rows: number;
  private readonly taken: Uint8Array;
  private readonly until: Int32Array;

  constructor(widthMm: number, depthMm: number) {
    this.columns = Math.floor(widthMm / CELL_MM + 1e-9);
    this.rows = Math.floor(depthMm / CELL_MM + 1e-9);
    this.taken = new Uint8Array(this.columns * this.rows);
    this.until = new Int32Array((this.columns + 1) * this.rows);
  }

  fits({ from, to }: Mask, column: number, row: number): boolean {
    for (let r = 0; r < from.length; r++) {
      const base = (row + r) * (this.columns + 1) + column;
      if (this.until[base + to[r]! + 1]! !== this.until[base + from[r]!]!) return false;
    }
    return true;
  }

  take({ from, to }: Mask, column: number, row: number): void {
    for (let r = 0; r < from.length; r++) {
      const line = (row + r) * this.columns;
      this.taken.fill(1, line + column + from[r]!, line + column + to[r]! + 1);
      const base = (row + r) * (this.columns + 1);
      for (let c = 0; c < this.columns; c++)
        this.until[base + c + 1] = this.until[base + c]! + this.taken[line + c]!;
    }
  }

  /** The place nearest the front, then the left, from a row on. */
  firstPlace(mask: Mask, fromRow: number): { column: number; row: number } | undefined {
    for (let row = fromRow; row + mask.from.length <= this.rows; row++)
      for (let column = 0; column + mask.width <= this.columns; column++)
        if (this.fits(mask, column, row)) return { column, row };
    return undefined;
  }
}

const areaOf = (outline: Outline): number =>
  Math.abs(outline.reduce((sum, [x, y], i) => {
    const [u, v] = outline[(i + 1) % outline.length]!;
    return sum + x * v - u * y;
  }, 0)) / 2; // prettier-ignore

/** Largest first, each copy where it reaches least far back, in the turn that reaches least. */
function standAll(
  [width, depth]: readonly [number, number],
  items: readonly NestItem[],
  gapMm: number,
  turnsDeg: readonly number[],
): NestedPlate {
  // Half the gap is the outlines' own; the other half is kept at the edge.
  const inset = gapMm / 2;
  const cells = new PlateCells(Math.max(0, width - gapMm), Math.max(0, depth - gapMm));
  const placed: Placed[] = [];
  const left: Record<string, number> = {};
  for (const item of items) {
    const masks = turnsDeg.map((deg) => maskOf(item.outline, deg, gapMm));
    // No copy finds room before the row where the one before it did, at the same turn.
    const rows = masks.map(() => 0);
    for (let n = 0; n < item.count; n++) {
      let best: { mask: Mask; column: number; row: number; reach: number } | undefined;
      masks.forEach((mask, m) => {
        const place = rows[m] === Infinity ? undefined : cells.firstPlace(mask, rows[m]!);
        rows[m] = place ? place.row : Infinity;
        if (!place) return;
        const reach = place.row + mask.from.length;
        if (!best || reach < best.reach || (reach === best.reach && place.column < best.column))
          best = { mask, ...place, reach };
      });
      if (!best) {
        left[item.key] = item.count - n;
        break;
      }
      const { mask, column, row } = best;
      cells.take(mask, column, row);
      placed.push({
        key: item.key,
        xMm: inset + column * CELL_MM - mask.x0,
        yMm: inset + row * CELL_MM - mask.y0,
        turnDeg: mask.turnDeg,
        outline: mask.outline,
      });
    }
  }
  return { placed, left };
}

/** Copies of one part in plain rows and columns, by its bounding box at one turn. */
function standInRows(
  [width, depth]: readonly [number, number],
  item: NestItem,
  gapMm: number,
  turnDeg: number,
): NestedPlate {
  const outline = turnOutline(item.outline, turnDeg);
  const [xs, ys] = [outline.map((p) => p[0]), outline.map((p) => p[1])];
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const [w, d] = [Math.max(...xs) - x0 + gapMm, Math.max(...ys) - y0 + gapMm];
  const columns = Math.max(0, Math.floor((width - gapMm) / w + 1e-9));
  const room = columns * Math.max(0, Math.floor((depth - gapMm) / d + 1e-9));
  const count = Math.min(item.count, room);
  const placed = Array.from({ length: count }, (_, n): Placed => ({
    key: item.key,
    xMm: gapMm + (n % columns) * w - x0,
    yMm: gapMm + Math.floor(n / columns) * d - y0,
    turnDeg,
    outline,
  }));
  return { placed, left: count < item.count ? { [item.key]: item.count - count } : {} };
}

/** Row of the plate that the parts reach back to, mm. */
const reachOf = ({ placed }: NestedPlate): number =>
  Math.max(0, ...placed.map(({ yMm, outline }) => yMm + Math.max(...outline.map((p) => p[1]))));

/**
 * Stands parts on a plate by their real (convex) outlines with a gap between them and to the edge. Outlines never
 * overlap: each is widened by half the gap and owns every cell that it touches. All turns together, each turn for
 * itself, and of one part plain rows and columns are tried; what holds the most is kept. O(turns² · parts · cells · rows) at worst.
 */
export function nestPlate(
  plateMm: readonly [number, number],
  items: readonly NestItem[],
  { gapMm = PLATE_GAP_MM, turnsDeg = TURNS_DEG }: NestOptions = {},
): NestedPlate {
  for (const mm of plateMm) requirePositive('plateMm', mm);
  const sorted = [...items].sort((a, b) => areaOf(b.outline) - areaOf(a.outline));
  const tried = [turnsDeg, ...turnsDeg.map((deg) => [deg])].map((turns) =>
    standAll(plateMm, sorted, gapMm, turns),
  );
  if (sorted.length === 1)
    for (const deg of turnsDeg) tried.push(standInRows(plateMm, sorted[0]!, gapMm, deg));
  return tried.reduce((best, other) => {
    const more = other.placed.length - best.placed.length;
    return more > 0 || (more === 0 && reachOf(other) < reachOf(best)) ? other : best;
  });
}
