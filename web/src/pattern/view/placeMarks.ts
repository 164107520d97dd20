/** A numbered mark beside what it points at. Pixels. */
export interface MarkPlace {
  n: number;
  x: number;
  y: number;
  labelX: number;
  labelY: number;
}

const SIZE = 26;
/** Labels stand this far outside the point, seen from the middle of the picture. */
const REACH = 58;
const EDGE = 6;
/** Tools along the top (two rows of them in a narrow picture), legend and scale along the bottom. */
const TOP = { wide: 80, narrow: 124 } as const;
const NARROW = 640;
const BOTTOM = 56;
const ROUNDS = 30;

/** Places labels outside their points, inside the picture, none over another. */
export function placeMarks(
  points: readonly { n: number; x: number; y: number }[],
  width: number,
  height: number,
): MarkPlace[] {
  const clamp = (v: number, low: number, high: number): number =>
    Math.min(Math.max(v, low), Math.max(low, high));
  const marks = points.map(({ n, x, y }): MarkPlace => {
    const [dx, dy] = [x - width / 2, y - height / 2];
    const away = Math.hypot(dx, dy) || 1;
    return { n, x, y, labelX: x + (dx / away) * REACH, labelY: y + (dy / away) * REACH };
  });
  const settle = (mark: MarkPlace): void => {
    mark.labelX = clamp(mark.labelX, EDGE + SIZE / 2, width - EDGE - SIZE / 2);
    mark.labelY = clamp(
      mark.labelY,
      TOP[width < NARROW ? 'narrow' : 'wide'] + SIZE / 2,
      height - BOTTOM - SIZE / 2,
    );
  };
  marks.forEach(settle);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (let i = 0; i < marks.length; i++) {
      for (let j = i + 1; j < marks.length; j++) moved = pushApart(marks[i]!, marks[j]!) || moved;
    }
    if (!moved) break;
    marks.forEach(settle);
  }
  return marks;
}

function pushApart(a: MarkPlace, b: MarkPlace): boolean {
  const [dx, dy] = [b.labelX - a.labelX, b.labelY - a.labelY];
  const gap = SIZE + 4;
  if (Math.abs(dx) >= gap || Math.abs(dy) >= gap) return false;
  // Along the direction that is nearly free already; equal ones part upright.
  if (Math.abs(dx) > Math.abs(dy)) {
    const push = ((gap - Math.abs(dx)) / 2) * Math.sign(dx);
    a.labelX -= push;
    b.labelX += push;
  } else {
    const push = ((gap - Math.abs(dy)) / 2) * (dy < 0 ? -1 : 1);
    a.labelY -= push;
    b.labelY += push;
  }
  return true;
}
