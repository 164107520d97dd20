import type { HungAt } from '@zero-pour/contracts';

/** One press of an arrow key. */
const KEY_ANGLE_DEG = 2;
const KEY_HEIGHT_MM = 0.5;
/** From the side a drag of so many pixels turns a piece once round. */
const PIXELS_ROUND = 600;

const round = (deg: number): number => ((deg % 360) + 360) % 360;
const tidy = (value: number): number => Math.round(100 * value) / 100;

/** A piece moved round the sprue and along it; never under the base. */
export const moved = (at: HungAt, byDeg: number, byMm: number): HungAt => ({
  ...at,
  angleDeg: tidy(round(at.angleDeg + byDeg)),
  heightMm: tidy(Math.max(0, at.heightMm + byMm)),
});

/** … by a key: left and right go round, up and down along; undefined for other keys. */
export function movedByKey(at: HungAt, key: string): HungAt | undefined {
  switch (key) {
    case 'ArrowLeft':
      return moved(at, -KEY_ANGLE_DEG, 0);
    case 'ArrowRight':
      return moved(at, KEY_ANGLE_DEG, 0);
    case 'ArrowUp':
      return moved(at, 0, KEY_HEIGHT_MM);
    case 'ArrowDown':
      return moved(at, 0, -KEY_HEIGHT_MM);
    default:
      return undefined;
  }
}

/** Places after one that stands on a branch was moved: all that stand on the same branch go with it. */
export function withMoved(places: readonly HungAt[], before: HungAt, after: HungAt): HungAt[] {
  const goes = (at: HungAt): boolean =>
    at.onBranch === true && at.angleDeg === before.angleDeg && at.heightMm === before.heightMm;
  return places.map((at) => (goes(at) ? { ...at, angleDeg: after.angleDeg, heightMm: after.heightMm } : at));
}

interface Pixel {
  x: number;
  y: number;
}

/** … by a drag in a view: seen from above it follows the pointer round `middle`; from the side it goes round and along. */
export function movedByDrag(
  at: HungAt,
  from: Pixel,
  to: Pixel,
  view: { above: boolean; middle: Pixel; mmPerPixel: number },
): HungAt {
  if (!view.above)
    return moved(at, (360 * (to.x - from.x)) / PIXELS_ROUND, (from.y - to.y) * view.mmPerPixel);
  const angle = ({ x, y }: Pixel): number =>
    (180 / Math.PI) * Math.atan2(view.middle.y - y, x - view.middle.x);
  return moved(at, angle(to) - angle(from), 0);
}
