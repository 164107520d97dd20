import type { Channel } from './partingSurface';
import { columnSpan } from './partingPlane';
import type { UndercutMap } from './undercut';

type Box = { low: readonly [number, number]; high: readonly [number, number] };

/** The way in: a neck from the cavity, and the seat of the wax nozzle at the edge. mm. */
export interface SprueForm {
  neckMm: number;
  nozzleMm: number;
  /** Which way it leaves, degrees in the parting plane; null: where the part is thickest at its edge. */
  towardDeg: number | null;
}

/** A channel goes so far into the cavity, and so far out of the block. mm. */
const SUNK_MM = 0.8;
const OUT_MM = 1;
/** Of the part's edge in a direction: columns this near its furthest. mm. */
const EDGE_MM = 1.5;

interface Contact {
  at: [number, number, number];
  column: number;
  thickMm: number;
}

/** Where the part ends in a direction: of its furthest columns the one in their middle. */
function contactAt(map: UndercutMap, toward: readonly [number, number]): Contact {
  const { nx, ny, cellMm, originMm } = map.frame;
  const along = (c: number): number =>
    (originMm[0] + (c % nx) * cellMm) * toward[0] + (originMm[1] + Math.floor(c / nx) * cellMm) * toward[1];
  const across = (c: number): number =>
    (originMm[1] + Math.floor(c / nx) * cellMm) * toward[0] - (originMm[0] + (c % nx) * cellMm) * toward[1];
  const inside = Array.from({ length: nx * ny }, (_, c) => c).filter((c) => columnSpan(map, c));
  const furthest = inside.reduce((most, c) => Math.max(most, along(c)), -Infinity);
  const edge = inside.filter((c) => along(c) > furthest - EDGE_MM);
  const middle = edge.reduce((sum, c) => sum + across(c), 0) / edge.length;
  const column = edge.reduce((best, c) => {
    const off = Math.abs(across(c) - middle) - Math.abs(across(best) - middle);
    return off < -cellMm / 2 || (off < cellMm / 2 && along(c) > along(best)) ? c : best;
  });
  const span = columnSpan(map, column)!;
  const thick = edge.reduce((sum, c) => sum + columnSpan(map, c)![1] - columnSpan(map, c)![0], 0);
  const x = originMm[0] + (column % nx) * cellMm;
  const y = originMm[1] + Math.floor(column / nx) * cellMm;
  return { at: [x, y, (span[0] + span[1]) / 2], column, thickMm: thick / edge.length };
}

/** From a place in a direction to the block's edge. */
function toEdge(
  { low, high }: Box,
  [x, y]: readonly [number, number, number],
  toward: readonly [number, number],
): number {
  const ways = [0, 1].flatMap((k) => {
    const t = toward[k]!;
    if (Math.abs(t) < 1e-9) return [];
    return [((t > 0 ? high : low)[k]! - [x, y][k]!) / t];
  });
  return Math.min(...ways);
}

function channel(
  box: Box,
  at: readonly [number, number, number],
  toward: readonly [number, number],
  { planeMm, halfWidthMm }: { planeMm: number; halfWidthMm: number },
): Channel {
  const length = toEdge(box, at, toward) + OUT_MM;
  const [ux, uy] = toward;
  return {
    from: [at[0] - SUNK_MM * ux, at[1] - SUNK_MM * uy, at[2]],
    to: [at[0] + length * ux, at[1] + length * uy, planeMm],
    halfWidthMm,
  };
}

/** The way that wax takes into the cavity. */
export function sprueChannel(
  map: UndercutMap,
  box: Box,
  planeMm: number,
  form: SprueForm,
): { channel: Channel; column: number } {
  const ways = form.towardDeg === null ? [0, 90, 180, 270] : [form.towardDeg];
  const tried = ways.map((deg) => {
    const turn = (deg * Math.PI) / 180;
    const toward = [Math.cos(turn), Math.sin(turn)] as const;
    return { toward, contact: contactAt(map, toward) };
  });
  const best = tried.reduce((a, b) => (b.contact.thickMm > a.contact.thickMm + 1e-6 ? b : a));
  const halfWidthMm = Math.max(form.neckMm, form.nozzleMm) / 2 + 0.5;
  return {
    channel: channel(box, best.contact.at, best.toward, { planeMm, halfWidthMm }),
    column: best.contact.column,
  };
}

/** Vents: at most so many, so far apart, where the wax comes in the last part of its way. */
const VENTS_MOST = 6;
const VENTS_APART_MM = 6;
const LAST_SHARE = 0.5;
export const VENT_WIDTH_MM = 1.5;

/**
 * Where wax that enters at a column comes last and air is shut in: the ends of its ways within the part, seen along the pull, each
 * with a straight way out over the parting surface. `blind`: ends that none leads out of.
 */
export function ventChannels(
  map: UndercutMap,
  box: Box,
  planeMm: number,
  from: number,
): { vents: Channel[]; blind: number } {
  const { nx, cellMm, originMm } = map.frame;
  const far = fillWays(map, from);
  const most = far.reduce((a, v) => (v < Infinity ? Math.max(a, v) : a), 0);
  const ends = [...far.keys()]
    .filter((c) => far[c]! < Infinity && far[c]! >= LAST_SHARE * most && isEnd(far, nx, c))
    .sort((a, b) => far[b]! - far[a]!);
  const place = (c: number): [number, number] => [
    originMm[0] + (c % nx) * cellMm,
    originMm[1] + Math.floor(c / nx) * cellMm,
  ];
  const chosen: number[] = [];
  for (const end of ends) {
    const [x, y] = place(end);
    const apart = chosen.every((c) => Math.hypot(place(c)[0] - x, place(c)[1] - y) >= VENTS_APART_MM);
    if (apart && chosen.length < VENTS_MOST) chosen.push(end);
  }
  const vents = chosen.flatMap((end) => {
    const span = columnSpan(map, end)!;
    const at = [...place(end), (span[0] + span[1]) / 2] as [number, number, number];
    const ways = ([[1, 0], [-1, 0], [0, 1], [0, -1]] as const) // prettier-ignore
      .filter((toward) => leadsOut(map, at, toward))
      .sort((a, b) => toEdge(box, at, a) - toEdge(box, at, b));
    return ways[0] ? [channel(box, at, ways[0], { planeMm, halfWidthMm: VENT_WIDTH_MM / 2 + 0.3 })] : [];
  });
  return { vents, blind: chosen.length - vents.length };
}

/** Way of the wax to every column of the part, mm; Infinity: not reached, or not of the part. */
function fillWays(map: UndercutMap, from: number): Float64Array {
  const { nx, ny, cellMm } = map.frame;
  const far = new Float64Array(nx * ny).fill(Infinity);
  far[from] = 0;
  const buckets: number[][] = [[from]];
  const steps = [[1, 1], [-1, 1], [nx, 1], [-nx, 1], [nx + 1, Math.SQRT2], [nx - 1, Math.SQRT2], [-nx + 1, Math.SQRT2], [-nx - 1, Math.SQRT2]] as const; // prettier-ignore
  for (let b = 0; b < buckets.length; b++)
    for (const c of buckets[b] ?? []) {
      if (Math.round((2 * far[c]!) / cellMm) < b) continue;
      for (const [step, length] of steps) {
        const next = c + step;
        const way = far[c]! + length * cellMm;
        if (next < 0 || next >= far.length || way >= far[next]! - 1e-9 || !columnSpan(map, next)) continue;
        far[next] = way;
        (buckets[Math.round((2 * way) / cellMm)] ??= []).push(next);
      }
    }
  return far;
}

/** How many columns round an end none is further. */
const END_COLUMNS = 4;
function isEnd(far: Float64Array, nx: number, c: number): boolean {
  let atEdge = false;
  for (let dj = -END_COLUMNS; dj <= END_COLUMNS; dj++)
    for (let di = -END_COLUMNS; di <= END_COLUMNS; di++) {
      const other = far[c + dj * nx + di];
      if (other === undefined) continue;
      if (other === Infinity) atEdge ||= Math.abs(di) <= 1 && Math.abs(dj) <= 1;
      else if (other > far[c]!) return false;
    }
  return atEdge;
}

/** Whether a straight way meets the part no more once it has left it. */
function leadsOut(map: UndercutMap, [x, y]: readonly number[], toward: readonly [number, number]): boolean {
  const { nx, ny, cellMm, originMm } = map.frame;
  let left = false;
  for (let n = 1; ; n++) {
    const i = Math.round((x! - originMm[0]) / cellMm + n * toward[0]);
    const j = Math.round((y! - originMm[1]) / cellMm + n * toward[1]);
    if (i < 0 || j < 0 || i >= nx || j >= ny) return true;
    const inside = columnSpan(map, j * nx + i) !== null;
    if (!inside) left = true;
    else if (left || n * cellMm > 2) return false;
  }
}
