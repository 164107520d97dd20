import { roundSolid, type SolidMesh } from '../sprue';
import type { BlockPlan, Channel } from './partingSurface';

export const KEY_SHAPES = ['cone', 'dome', 'rib'] as const;
export type KeyShape = (typeof KEY_SHAPES)[number];

export interface KeyForm {
  shape: KeyShape;
  /** Of the block's longer side; 0: none. */
  share: number;
  /** The recess is larger by this, each way. mm. */
  clearanceMm: number;
}

/** Shop defaults of handbook 06. */
export const USUAL_KEYS: KeyForm = { shape: 'cone', share: 0.06, clearanceMm: 0.1 };

/** Where a key stands on the parting surface, how wide it is at its foot, and which way a rib runs. mm. */
export interface KeyPlace {
  at: [number, number, number];
  widthMm: number;
  along: 'x' | 'y';
}

/** Narrower keys do not print. */
const KEY_LEAST_MM = 1.6;
/** Small ones along the long sides, as a share of the corner ones; and how far apart. mm. */
const SMALL = 0.7;
const EVERY_MM = 22;
/** From a key to the block's edge, and to a channel's side. mm. */
const EDGE_MM = 0.8;
const OFF_CHANNEL_MM = 0.6;

/** One at each corner, smaller ones between them along the sides; none in the way of wax or air. */
export function keyPlaces(plan: BlockPlan, { share }: KeyForm, channels: readonly Channel[]): KeyPlace[] {
  if (!(share > 0)) return [];
  const { low, high, planeMm } = plan;
  const longest = Math.max(high[0] - low[0], high[1] - low[1]);
  const widthMm = Math.min(plan.flatMm - EDGE_MM, Math.max(KEY_LEAST_MM, share * longest));
  if (widthMm < KEY_LEAST_MM - 1e-9) return [];
  const inset = widthMm / 2 + EDGE_MM;
  const [x0, x1, y0, y1] = [low[0] + inset, high[0] - inset, low[1] + inset, high[1] - inset];
  const corners = [[x0, y0], [x1, y0], [x1, y1], [x0, y1]] as const; // prettier-ignore
  const places: KeyPlace[] = corners.map(([x, y]) => ({ at: [x, y, planeMm], widthMm, along: 'x' }));
  const between = (from: number, to: number): number[] => {
    const count = Math.floor((to - from) / EVERY_MM);
    return Array.from({ length: count }, (_, n) => from + ((n + 1) * (to - from)) / (count + 1));
  };
  const small = Math.max(KEY_LEAST_MM, SMALL * widthMm);
  for (const x of between(x0, x1))
    for (const y of [y0, y1]) places.push({ at: [x, y, planeMm], widthMm: small, along: 'x' });
  for (const y of between(y0, y1))
    for (const x of [x0, x1]) places.push({ at: [x, y, planeMm], widthMm: small, along: 'y' });
  return places.filter((place) => channels.every((channel) => isOff(place, channel)));
}

function isOff({ at, widthMm }: KeyPlace, { from, to, halfWidthMm }: Channel): boolean {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length2 = dx * dx + dy * dy || 1;
  const share = Math.min(1, Math.max(0, ((at[0] - from[0]) * dx + (at[1] - from[1]) * dy) / length2));
  const away = Math.hypot(at[0] - from[0] - share * dx, at[1] - from[1] - share * dy);
  return away > widthMm * RIB_LENGTH * 0.5 + halfWidthMm + OFF_CHANNEL_MM;
}

const HEIGHT = 0.6;
const TAPER = 0.6;
const RIB_LENGTH = 1.6;
/** Into the half that it stands on. mm. */
const SUNK_MM = 0.5;
const DOME_STEPS = 6;

/** A key, or its recess: larger all round by a clearance. */
export function keySolid(
  { at, widthMm, along }: KeyPlace,
  { shape }: KeyForm,
  clearanceMm: number,
): SolidMesh {
  const radius = widthMm / 2 + clearanceMm;
  const height = HEIGHT * widthMm + clearanceMm;
  if (shape === 'rib') return rib(at, along, { half: radius, height });
  const outline: [number, number][] =
    shape === 'cone'
      ? [[-SUNK_MM, radius], [0, radius], [height, TAPER * radius]] // prettier-ignore
      : [
          [-SUNK_MM, radius],
          ...Array.from({ length: DOME_STEPS }, (_, n): [number, number] => {
            const angle = (n / DOME_STEPS) * (Math.PI / 2);
            return [height * Math.sin(angle), radius * Math.cos(angle)];
          }),
          [height, 0.05 * radius],
        ];
  return roundSolid(at, [0, 0, 1], outline);
}

/** A roof-shaped bar along a side. */
function rib(
  [x, y, z]: readonly [number, number, number],
  along: 'x' | 'y',
  { half, height }: { half: number; height: number },
): SolidMesh {
  const long = RIB_LENGTH * half;
  const corner = (a: number, b: number, up: number): number[] =>
    along === 'x' ? [x + a, y + b, z + up] : [x - b, y + a, z + up];
  const section = (a: number): number[] => [
    ...corner(a, -half, -SUNK_MM),
    ...corner(a, half, -SUNK_MM),
    ...corner(a, half, 0),
    ...corner(a, TAPER * half, height),
    ...corner(a, -TAPER * half, height),
    ...corner(a, -half, 0),
  ];
  const positions = Float32Array.from([...section(-long), ...section(long)]);
  const triangles: number[] = [];
  for (let n = 0; n < 6; n++) {
    const m = (n + 1) % 6;
    triangles.push(n, 6 + m, m, n, 6 + n, 6 + m);
    if (n > 0 && n < 5) triangles.push(0, n, n + 1, 6, 6 + n + 1, 6 + n);
  }
  return { positions, triangles: Uint32Array.from(triangles).reverse() };
}
