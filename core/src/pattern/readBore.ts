import type { WeldedMesh } from '../mesh';
import { principalAxes } from '../numeric';
import { acrossAxis, type ThroughHole } from '../solid';
import { passingCylinder, wideTriangles, type PassingCylinder } from './passingCylinder';

type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;

/** A round hole that a finger goes through. */
export interface Bore {
  diameterMm: number;
  at: [number, number, number];
  axis: [number, number, number];
  /** Root mean square distance of the wall from the cylinder. mm. */
  residualMm: number;
}

/** Widths of holes that can be finger holes. mm. */
const WIDTH_MM = { min: 10, max: 30 } as const;
/**
 * Wall: faces between these shares of the opening's radius from its axis that look at the axis. The first look is wide,
 * to find the axis.
 */
const WALL_SHARES = [
  { min: 0.9, max: 1.2 },
  { min: 0.93, max: 1.1 },
] as const;
/** A bore rounded for comfort is as wide as its waist: the wall about as near the axis as its nearest tenth. */
const WAIST = { share: 0.1, min: 0.985, max: 1.008 } as const;
const FACING_COS = -0.8;
/**
 * The wall must go round: of 36 sectors this many must hold a face. A head open at the back leaves a gap; that the part
 * is all round the opening is known by what passes.
 */
const SECTORS = 36;
const SECTORS_MIN = 20;
/** A wall further from a cylinder than this share of the radius is not a bore. */
const RESIDUAL_SHARE_MAX = 0.02;

interface Wall {
  /** Middle, normal and area of each face: 7 numbers. */
  faces: number[];
}

/**
 * The finger's bore: the widest cylinder that passes the part along an axis, whatever sits on it, beside it or in its
 * other holes; then a fit of its wall: the axis is the direction that the wall's normals span least, the circle the
 * least-squares one through the faces seen along it (Kåsa 1976), both weighted by area. Axes are tried along known
 * holes, the part's own axes and the file's. Null when nothing round passes. O(triangles).
 */
export function readBore(mesh: Mesh, holes: readonly Pick<ThroughHole, 'axis'>[]): Bore | null {
  const wide = wideTriangles(mesh);
  const passing = axesToTry(mesh, holes)
    .map((axis) => passingCylinder(mesh, axis, wide))
    .filter((found) => found !== null)
    .filter(({ diameterMm }) => diameterMm >= WIDTH_MM.min * (1 - LEAN_SHARE) && diameterMm <= WIDTH_MM.max)
    .sort((a, b) => b.diameterMm - a.diameterMm);
  for (const found of passing) {
    const bore = fitBore(mesh, wide, found);
    if (bore && bore.diameterMm >= WIDTH_MM.min) return bore;
  }
  return null;
}

/** An axis that leans a little lets a narrower rod pass. */
const LEAN_SHARE = 0.2;

function fitBore(mesh: Mesh, wide: Uint32Array, passing: PassingCylinder): Bore | null {
  let bore: Bore = { ...passing, residualMm: 0 };
  let { diameterMm } = passing;
  const fitTo = (shares: { min: number; max: number }): boolean => {
    // The widest rod that passes stays the measure: a fit over curved walls would creep outwards.
    const wall = wallOf(mesh, { ...bore, diameterMm }, shares);
    const fitted = wall.faces.length > 0 ? fitCylinder(wall, bore) : null;
    if (fitted) bore = fitted;
    return fitted !== null;
  };
  for (const shares of WALL_SHARES) {
    if (!fitTo(shares)) return null;
    diameterMm = passingCylinder(mesh, bore.axis, wide)?.diameterMm ?? diameterMm;
  }
  const wall = wallOf(mesh, { ...bore, diameterMm }, WALL_SHARES[1]);
  // Along the fitted axis another rod may pass than was looked for, with no wall of its own.
  if (wall.faces.length === 0) return null;
  diameterMm = 2 * waistMm(wall, bore);
  fitTo(WAIST);
  return bore.residualMm <= (RESIDUAL_SHARE_MAX * bore.diameterMm) / 2 ? bore : null;
}

/** Distance from the axis that the nearest tenth of the wall keeps within, by area. */
function waistMm({ faces }: Wall, { at, axis }: Bore): number {
  const rows: { away: number; area: number }[] = [];
  for (let f = 0; f < faces.length; f += 7) {
    const x = faces[f]! - at[0], y = faces[f + 1]! - at[1], z = faces[f + 2]! - at[2]; // prettier-ignore
    const along = x * axis[0] + y * axis[1] + z * axis[2];
    const away2 = x * x + y * y + z * z - along * along;
    rows.push({ away: Math.sqrt(Math.max(0, away2)), area: faces[f + 6]! });
  }
  rows.sort((a, b) => a.away - b.away);
  let left = WAIST.share * rows.reduce((total, { area }) => total + area, 0);
  return (rows.find(({ area }) => (left -= area) <= 0) ?? rows[0]!).away;
}

/** How many holes' axes are tried; a trellis has hundreds. */
const HOLES_TRIED = 6;

/** Directions that a finger may pass in: of the widest holes, of the part's own spread, and of the file. */
function axesToTry({ positions: p }: Mesh, holes: readonly Pick<ThroughHole, 'axis'>[]): Bore['axis'][] {
  const n = p.length / 3;
  const middle = [0, 0, 0];
  for (let i = 0; i < p.length; i++) middle[i % 3]! += p[i]! / n;
  const spread = [0, 1, 2].map(() => [0, 0, 0]);
  for (let i = 0; i < p.length; i += 3)
    for (let a = 0; a < 3; a++)
      for (let b = 0; b < 3; b++) spread[a]![b]! += (p[i + a]! - middle[a]!) * (p[i + b]! - middle[b]!);
  const own = principalAxes(spread);
  const file: Bore['axis'][] = [[0, 0, 1], [0, 1, 0], [1, 0, 0]]; // prettier-ignore
  const tried: Bore['axis'][] = [];
  for (const axis of [...holes.slice(-HOLES_TRIED).map((hole) => hole.axis), ...own, ...file])
    if (!tried.some((known) => Math.abs(dot(known, axis)) > SAME_COS)) tried.push(axis);
  return tried;
}
const SAME_COS = 0.9999;

function wallOf(
  { positions: p, triangles }: Mesh,
  { at, axis, diameterMm }: Bore,
  shares: { min: number; max: number },
): Wall {
  const faces: number[] = [];
  const least2 = ((shares.min * diameterMm) / 2) ** 2;
  const most2 = ((shares.max * diameterMm) / 2) ** 2;
  const [ax, ay, az] = axis;
  for (let t = 0; t < triangles.length; t += 3) {
    const a = 3 * triangles[t]!, b = 3 * triangles[t + 1]!, c = 3 * triangles[t + 2]!; // prettier-ignore
    const mx = (p[a]! + p[b]! + p[c]!) / 3, my = (p[a + 1]! + p[b + 1]! + p[c + 1]!) / 3, mz = (p[a + 2]! + p[b + 2]! + p[c + 2]!) / 3; // prettier-ignore
    const dx = mx - at[0], dy = my - at[1], dz = mz - at[2]; // prettier-ignore
    const along = dx * ax + dy * ay + dz * az;
    const away2 = dx * dx + dy * dy + dz * dz - along * along;
    if (away2 < least2 || away2 > most2) continue;
    const ux = p[b]! - p[a]!, uy = p[b + 1]! - p[a + 1]!, uz = p[b + 2]! - p[a + 2]!; // prettier-ignore
    const vx = p[c]! - p[a]!, vy = p[c + 1]! - p[a + 1]!, vz = p[c + 2]! - p[a + 2]!; // prettier-ignore
    const nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx; // prettier-ignore
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz);
    const towards = nx * (dx - along * ax) + ny * (dy - along * ay) + nz * (dz - along * az);
    if (length === 0 || towards > FACING_COS * length * Math.sqrt(away2)) continue;
    faces.push(mx, my, mz, nx / length, ny / length, nz / length, length / 2);
  }
  return { faces };
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!;

function fitCylinder({ faces }: Wall, from: Bore): Bore | null {
  const axis = axisOf(faces, from.axis);
  const [u, v] = acrossAxis(axis);
  // Normal equations of x² + y² = 2 cx x + 2 cy y + k.
  const m = new Float64Array(12);
  const count = faces.length / 7;
  const xs = new Float64Array(count);
  const ys = new Float64Array(count);
  const row = new Float64Array(4);
  for (let n = 0, f = 0; n < count; n++, f += 7) {
    const dx = faces[f]! - from.at[0], dy = faces[f + 1]! - from.at[1], dz = faces[f + 2]! - from.at[2]; // prettier-ignore
    const x = (xs[n] = dx * u[0]! + dy * u[1]! + dz * u[2]!);
    const y = (ys[n] = dx * v[0]! + dy * v[1]! + dz * v[2]!);
    row.set([x, y, 1, x * x + y * y]);
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 4; j++) m[4 * i + j]! += faces[f + 6]! * row[i]! * row[j]!;
  }
  const solved = solve3(m);
  if (!solved) return null;
  const [cx, cy] = [solved[0]! / 2, solved[1]! / 2];
  const radius = Math.sqrt(solved[2]! + cx * cx + cy * cy);
  const sectors = new Set<number>();
  let squares = 0;
  let weight = 0;
  for (let n = 0; n < count; n++) {
    const x = xs[n]! - cx, y = ys[n]! - cy, area = faces[7 * n + 6]!; // prettier-ignore
    sectors.add(Math.floor(((Math.atan2(y, x) / Math.PI + 1) / 2) * SECTORS) % SECTORS);
    squares += area * (Math.sqrt(x * x + y * y) - radius) ** 2;
    weight += area;
  }
  if (!Number.isFinite(radius) || sectors.size < SECTORS_MIN) return null;
  const at = from.at.map((value, k) => value + cx * u[k]! + cy * v[k]!) as Bore['at'];
  return { diameterMm: 2 * radius, at, axis, residualMm: Math.sqrt(squares / weight) };
}

/** Direction in which the normals vary least: power iteration on (trace·I − Σ n nᵀ), started from the known axis. */
function axisOf(faces: readonly number[], start: readonly number[]): Bore['axis'] {
  const c = new Float64Array(9);
  let trace = 0;
  for (let f = 0; f < faces.length; f += 7) {
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) c[3 * i + j]! += faces[f + 6]! * faces[f + 3 + i]! * faces[f + 3 + j]!;
    trace += faces[f + 6]!;
  }
  let axis = [...start];
  for (let n = 0; n < 60; n++) {
    const next = [0, 1, 2].map(
      (i) => trace * axis[i]! - dot([c[3 * i]!, c[3 * i + 1]!, c[3 * i + 2]!], axis),
    );
    const length = Math.hypot(...next);
    if (length === 0) break;
    axis = next.map((v) => v / length);
  }
  return axis as Bore['axis'];
}

/** Solves three rows [a b c | d] by elimination with pivoting; null when singular. */
function solve3(m: Float64Array): number[] | null {
  for (let i = 0; i < 3; i++) {
    let pivot = i;
    for (let r = i + 1; r < 3; r++) if (Math.abs(m[4 * r + i]!) > Math.abs(m[4 * pivot + i]!)) pivot = r;
    if (Math.abs(m[4 * pivot + i]!) < 1e-12) return null;
    for (let j = 0; j < 4; j++) [m[4 * i + j], m[4 * pivot + j]] = [m[4 * pivot + j]!, m[4 * i + j]!];
    for (let r = 0; r < 3; r++) {
      if (r === i) continue;
      const share = m[4 * r + i]! / m[4 * i + i]!;
      for (let j = i; j < 4; j++) m[4 * r + j]! -= share * m[4 * i + j]!;
    }
  }
  return [m[3]! / m[0]!, m[7]! / m[5]!, m[11]! / m[10]!];
}
